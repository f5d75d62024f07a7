"""The stages a build goes through, which places each of them needs, and what it comes to."""

from dataclasses import dataclass
from typing import Annotated

from core.checks.readings import Filled
from core.checks.register import derive
from core.model.brief import Brief, Stage
from core.model.build import OPTIONAL_SLOTS_BY_STAGE, Slot, optional_slots
from core.money.costs import Costs
from core.quantities import Money


@dataclass(frozen=True)
class OptionalPlaces:
    """The places of the chain that may stay empty."""

    slots: frozenset[Slot]


@dataclass(frozen=True)
class StageCost:
    """One stage, the places it adds, and what they cost up front and each year."""

    stage: Stage
    slots: tuple[Slot, ...]
    up_front: Money
    yearly: Money
    of: tuple[str, ...] = ()
    """What its amounts are made up of, line by line."""
    unpriced: tuple[str, ...] = ()
    """Lines that belong to it and have no price: not in its amounts."""
    empty: tuple[Slot, ...] = ()
    """Places it needs in which nothing hangs yet."""


@dataclass(frozen=True)
class StageCosts:
    """The stages of a build in their order."""

    stages: tuple[StageCost, ...]


@derive
def optional_places(
    brief: Annotated[Brief, "looks", "measures_shots", "purposes", "stage", "visitors"],
) -> OptionalPlaces:
    """By the stage and whether shots are measured, unless guests, looks or films ask for more."""
    return OptionalPlaces(optional_slots(brief))


@derive
def stage_costs(
    brief: Annotated[Brief, "currency", "earlier_stages", "stage"],
    costs: Costs,
    optional: OptionalPlaces,
    filled: Filled,
) -> StageCosts:
    """Each stage with what it needs that the ones before it did not; the last of them takes what no stage needs.

    What the stage it ends in hangs in a place is what that place costs in every stage: a screen that is bought for the
    picture stops the balls before there is one.
    """
    path = stages_of(brief)
    taken: set[Slot] = set()
    stages = []
    for number, stage in enumerate(path):
        last = number == len(path) - 1
        slots = [slot for slot in Slot if slot not in taken and (last or slot not in OPTIONAL_SLOTS_BY_STAGE[stage])]
        taken.update(slots)
        lines = [line for line in costs.lines if line.slot in slots or (last and line.slot is None)]
        stages.append(
            StageCost(
                stage,
                tuple(slots),
                Money.total([line.up_front for line in lines if line.up_front], brief.currency),
                Money.total([line.yearly for line in lines if line.yearly], brief.currency),
                tuple(line.label for line in lines if line.missing is None),
                tuple(line.label for line in lines if line.missing is not None),
                tuple(slot for slot in slots if slot not in filled.slots and slot not in optional.slots),
            )
        )
    return StageCosts(tuple(stages))


def stages_of(brief: Brief) -> tuple[Stage, ...]:
    """Stages gone through before the one the build aims at, then that one."""
    order = list(Stage)
    earlier = order[: order.index(brief.stage)]
    return (*(stage for stage in earlier if stage in brief.earlier_stages), brief.stage)
