"""A build: the brief, the room, the layout, and the parts that hang on the chain."""

from enum import StrEnum
from typing import Annotated

from pydantic import Field

from core.model.brief import Brief, Purpose, Stage
from core.model.household import Looks
from core.model.parts import Display, Enclosure, Flooring, LaunchMonitor, Machine, Mat, Part, Surface, Title
from core.model.record import Identifier, MinorMoney, Name, Record
from core.model.room import Layout, Room


class Slot(StrEnum):
    """A place on the chain, in the order in which it hangs: each is linked to the next."""

    FLOOR = "floor"
    MAT = "mat"
    MONITOR = "monitor"
    TITLE = "title"
    MACHINE = "machine"
    DISPLAY = "display"
    SCREEN = "screen"
    ENCLOSURE = "enclosure"


PART_TYPE_BY_SLOT: dict[Slot, type[Part]] = {
    Slot.FLOOR: Flooring,
    Slot.MAT: Mat,
    Slot.MONITOR: LaunchMonitor,
    Slot.TITLE: Title,
    Slot.MACHINE: Machine,
    Slot.DISPLAY: Display,
    Slot.SCREEN: Surface,
    Slot.ENCLOSURE: Enclosure,
}
FAMILY_WEIGHT = 3
"""Children's balls go anywhere (trade)."""
OPTIONAL_SLOTS_BY_STAGE: dict[Stage, frozenset[Slot]] = {
    Stage.NET: frozenset({Slot.TITLE, Slot.MACHINE, Slot.DISPLAY, Slot.ENCLOSURE, Slot.FLOOR}),
    Stage.TABLET: frozenset({Slot.DISPLAY, Slot.ENCLOSURE, Slot.FLOOR}),
    Stage.PROJECTED: frozenset({Slot.ENCLOSURE}),
}


def optional_slots(brief: Brief) -> frozenset[Slot]:
    """The places that may stay empty: by the stage, unless guests, looks or films ask for more.

    Guests' balls and a finished room want an enclosure; films want a display from the stage with a tablet on.
    """
    optional = set(OPTIONAL_SLOTS_BY_STAGE[brief.stage])
    if brief.stage is Stage.PROJECTED and (brief.visitors or brief.looks is Looks.FINISHED or _family(brief)):
        optional.discard(Slot.ENCLOSURE)
    if brief.stage is Stage.TABLET and brief.weight(Purpose.FILMS):
        optional.discard(Slot.DISPLAY)
    return frozenset(optional)


def _family(brief: Brief) -> bool:
    return brief.weight(Purpose.FAMILY_GAMES) >= FAMILY_WEIGHT


def slot_for(part: Part) -> Slot:
    """The place on the chain where `part` hangs."""
    return next(slot for slot, kind in PART_TYPE_BY_SLOT.items() if isinstance(part, kind))


class HungPart(Record):
    """A part in its place, with what was decided about it."""

    part: Identifier
    plan: Identifier | None = None
    owned: bool = False
    """Already in the house: costs nothing, keeps a replacement value."""
    quote_minor: MinorMoney | None = None
    """What a shop really asks for the line, tax included, in the brief's currency."""
    replacement_value_minor: MinorMoney | None = None
    """What an owned part would cost to buy again; the list price where empty."""


class Candidate(Record):
    """A room that is considered besides the chosen one, and where things would stand in it."""

    id: Identifier
    room: Room
    layout: Layout


class Build(Record):
    """One build of one household."""

    name: Name
    brief: Brief = Brief()
    room: Room = Room()
    layout: Layout = Layout()
    candidates: Annotated[tuple[Candidate, ...], Field(max_length=12)] = ()
    """Rooms that are not chosen."""
    chain: dict[Slot, HungPart] = {}
