"""Where a verdict belongs: on a part, on the link between two parts, or on a step of the work."""

from dataclasses import dataclass
from enum import StrEnum

from core.model.build import Slot


class Step(StrEnum):
    """A step of the work with a view of its own."""

    BRIEF = "brief"
    ROOM = "room"
    PARTS = "parts"
    MONEY = "money"


@dataclass(frozen=True)
class Place:
    """`slots` holds one slot for a part, two for a link, none for the step itself."""

    step: Step
    slots: tuple[Slot, ...] = ()


IN_ROOM = Place(Step.ROOM)
IN_BRIEF = Place(Step.BRIEF)
IN_BUDGET = Place(Step.MONEY)
PARTS_STEP = Place(Step.PARTS)


def on(slot: Slot) -> Place:
    """A part against the room, the players or the brief."""
    return Place(Step.PARTS, (slot,))


def between(upper: Slot, lower: Slot) -> Place:
    """The link between two parts that hang one below the other.

    Raises `ValueError` for slots that are not neighbours, in the order of the chain.
    """
    order = list(Slot)
    if order.index(lower) - order.index(upper) != 1:
        raise ValueError(f"{upper} and {lower} are not neighbours on the chain")
    return Place(Step.PARTS, (upper, lower))
