"""Small items and the parts that could serve, as JSON."""

from dataclasses import dataclass

from core.checks.limits import State
from core.formats.report_json.figures import FigureJson, maybe_figure_json, text_of
from core.model.build import Slot
from core.quantities import UnitSystem
from core.report.small_items import Option, SmallStatus


@dataclass(frozen=True, slots=True)
class SmallItemJson:
    """One item that follows from the parts: why, how much, what was decided, and whether that serves."""

    id: str
    title: str
    slot: Slot
    amount: str
    why: str
    choice: str
    """`buy`, `own`, `strike`, or empty while it is open."""
    part: str | None
    part_name: str
    units: str
    left_over: str
    state: State | None
    objections: list[str]


@dataclass(frozen=True, slots=True)
class ServingJson:
    """A part that could serve for a small item."""

    part: str
    maker: str
    name: str
    note: str
    serves: bool
    objections: list[str]
    units: int | None
    total: FigureJson | None


def small_item_json(status: SmallStatus, system: UnitSystem) -> SmallItemJson:
    """`status` for a reader of `system`."""
    item, need = status.item.item, status.item.need
    missing = status.item.missing
    return SmallItemJson(
        id=item.id,
        title=item.title,
        slot=item.near,
        amount=text_of(need.amount, system) if need else "",
        why=need.why.text(system) if need else f"{missing.fact} is not known. {missing.how}" if missing else "",
        choice=status.decision.choice if status.decision else "",
        part=status.part.id if status.part else None,
        part_name=f"{status.part.name}, {status.part.maker}" if status.part else "",
        units=f"{status.units} ×" if status.units is not None else "",
        left_over=text_of(status.left_over, system) if status.left_over and status.left_over.value > 0 else "",
        state=status.state,
        objections=[objection.reason.text(system) for objection in status.objections],
    )


def serving_json(option: Option, system: UnitSystem) -> ServingJson:
    """`option` for a reader of `system`."""
    return ServingJson(
        part=option.part.id,
        maker=option.part.maker,
        name=option.part.name,
        note=option.part.note,
        serves=option.serves,
        objections=[objection.reason.text(system) for objection in option.objections],
        units=option.units,
        total=maybe_figure_json(option.total, system),
    )
