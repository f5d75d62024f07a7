"""The stages a build goes through, each with what it needs that the ones before it did not, and its subtotal."""

from dataclasses import dataclass

from core.model.brief import Brief, Stage
from core.model.build import OPTIONAL_SLOTS_BY_STAGE, Slot
from core.money.costs import Costs
from core.quantities import Money


@dataclass(frozen=True)
class StageCost:
    """One stage, the places it adds, and what they cost up front and each year."""

    stage: Stage
    slots: tuple[Slot, ...]
    up_front: Money
    yearly: Money


def stage_costs(brief: Brief, costs: Costs) -> tuple[StageCost, ...]:
    """The stages of `brief` in their order; the last of them takes what no stage needs."""
    path = stages_of(brief)
    taken: set[Slot] = set()
    found = []
    for number, stage in enumerate(path):
        last = number == len(path) - 1
        slots = [slot for slot in Slot if slot not in taken and (last or slot not in OPTIONAL_SLOTS_BY_STAGE[stage])]
        taken.update(slots)
        lines = [line for line in costs.lines if line.slot in slots or (last and line.slot is None)]
        found.append(
            StageCost(
                stage,
                tuple(slots),
                Money.total([line.up_front for line in lines if line.up_front], brief.currency),
                Money.total([line.yearly for line in lines if line.yearly], brief.currency),
            )
        )
    return tuple(found)


def stages_of(brief: Brief) -> tuple[Stage, ...]:
    """Stages gone through before the one the build aims at, then that one."""
    order = list(Stage)
    earlier = order[: order.index(brief.stage)]
    return (*(stage for stage in earlier if stage in brief.earlier_stages), brief.stage)
