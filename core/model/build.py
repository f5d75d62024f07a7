"""A build: the brief, the room, the layout, and the parts that hang on the chain."""

from collections.abc import Mapping
from datetime import date
from enum import StrEnum
from functools import cache, lru_cache
from typing import Annotated, Literal, Self, TypeVar

from pydantic import Field, model_validator

from core.model.brief import Brief, Purpose, Stage
from core.model.household import Looks
from core.model.laying import Laid
from core.model.ledger import COURSE, Ledger, course_place, line_key
from core.model.parts import Display, Enclosure, Flooring, LaunchMonitor, Machine, Mat, Part, Surface, Title
from core.model.parts.base import Year
from core.model.record import Hours, Identifier, Metres, MinorMoney, Name, Pieces, Record
from core.model.room import Layout, Room

R = TypeVar("R", bound=Record)


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

    Guests' balls and a finished room want an enclosure; films want a display from the stage with a tablet on. Who only
    wants to strike balls needs no monitor, and nothing that listens to one: the first stage is a net and a mat then.
    """
    optional = set(OPTIONAL_SLOTS_BY_STAGE[brief.stage])
    if not brief.measures_shots:
        optional |= {Slot.MONITOR, Slot.TITLE, Slot.MACHINE}
    if brief.stage is Stage.PROJECTED and (brief.visitors or brief.looks is Looks.FINISHED or _family(brief)):
        optional.discard(Slot.ENCLOSURE)
    if brief.stage is Stage.TABLET and brief.weight(Purpose.FILMS):
        optional.discard(Slot.DISPLAY)
    return frozenset(optional)


def _family(brief: Brief) -> bool:
    return brief.weight(Purpose.FAMILY_GAMES) >= FAMILY_WEIGHT


def slot_for(part: Part) -> Slot | None:
    """The place on the chain where `part` hangs; `None` for what is bought beside it."""
    return _slot_of_kind(type(part))


@cache
def _slot_of_kind(kind: type[Part]) -> Slot | None:
    return next((slot for slot, hanging in PART_TYPE_BY_SLOT.items() if issubclass(kind, hanging)), None)


class HungPart(Record):
    """A part in its place, with what was decided about it."""

    part: Identifier
    plan: Identifier | None = None
    owned: bool = False
    """Already in the house: costs nothing, keeps a replacement value."""
    replacement_value_minor: MinorMoney | None = None
    """What an owned part would cost to buy again; the list price where empty."""
    locked: bool = False
    """Stays while others change: it is not swapped or taken down before it is unlocked."""
    signal: Literal["good", "weak"] | None = None
    """What a test of its signal through the air showed where it is used."""
    used: bool = False
    """Bought from somebody who had it before, or ex-display."""
    new_in: Year | None = None
    """The year in which it was new, of what is used or owned."""
    warranty_until: date | None = None
    """Until when somebody answers for it."""
    used_hours: Hours | None = None
    """Hours that it has run already, where it was bought used or is owned."""
    bounce_m: Metres | None = None
    """How far a slow test shot came back off the screen, along the floor."""


@lru_cache(maxsize=4096)
def hung_anew(part: str, plan: str | None) -> HungPart:
    """A part under one of its plans as it is first hung, nothing decided or tested yet; one record for each."""
    return HungPart(part=part, plan=plan)


class Extra(Laid):
    """A part that hangs nowhere on the chain: chosen by wish, or because something else asks for it."""

    id: Identifier
    part: Identifier
    plan: Identifier | None = None
    """Of a further title or monitor: the plan that it is licensed under."""
    quantity: Annotated[Pieces, Field(ge=1)] = 1
    """How many are bought: packs, metres or sticks for a part that is sold by these."""
    owned: bool = False
    laid: bool = False
    """Of a floor covering: it is a layer of the floor, over those before it, and as much is bought as that takes."""


class SmallDecision(Record):
    """What was decided about a small item that follows from the parts."""

    choice: Literal["buy", "own", "strike"]
    """Buy a part, use one that is in the house, or go without."""
    part: Identifier | None = None
    """The part that is bought or owned; an owned one need not be in the catalogue."""


class CandidateRoom(Record):
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
    candidates: Annotated[tuple[CandidateRoom, ...], Field(max_length=12)] = ()
    """Rooms that are not chosen."""
    chain: dict[Slot, HungPart] = {}
    extras: Annotated[tuple[Extra, ...], Field(max_length=100)] = ()
    """Parts beside the chain that were chosen by wish."""
    small_items: Annotated[dict[Identifier, SmallDecision], Field(max_length=200)] = {}
    """What was decided about small items, by the item's id; one without an entry is still open."""
    ledger: Ledger = Ledger()
    """What is known of the money of each line."""

    @model_validator(mode="after")
    def _distinct_extras(self) -> Self:
        ids = [extra.id for extra in self.extras]
        if len(ids) != len(set(ids)):
            raise ValueError("two extras share an id; each needs an id of its own")
        return self

    def with_parts_named(self, names: Mapping[str, str]) -> "Build":
        """This build with its parts under other ids, by their old ones."""

        def named(record: R) -> R:
            part = getattr(record, "part", None)
            return record if part is None else record.model_copy(update={"part": names[part]})

        return self.model_copy(
            update={
                "chain": {slot: named(hung) for slot, hung in self.chain.items()},
                "extras": tuple(named(extra) for extra in self.extras),
                "small_items": {id: named(decision) for id, decision in self.small_items.items()},
                "ledger": self.ledger.with_parts_named(names),
            }
        )

    @property
    def parts_named(self) -> frozenset[str]:
        """Ids of all parts that the build refers to."""
        return frozenset(id for id, _ in self.parts_under_plans)

    @property
    def line_keys(self) -> frozenset[str]:
        """Under what the ledger keeps the lines of the parts and plans that the build names now."""
        small = ((id, made.part, None) for id, made in self.small_items.items() if made.part)
        hung = ((f"{slot}", hung.part, hung.plan) for slot, hung in self.chain.items())
        beside = ((extra.id, extra.part, extra.plan) for extra in self.extras)
        every = (*hung, *beside, *small)
        plans = (line_key(place, part, plan) for place, part, plan in every if plan)
        title = self.chain.get(Slot.TITLE)
        courses = self.brief.courses_wanted if title else ()
        singly = (line_key(course_place(name), title.part, COURSE) for name in courses) if title else ()
        return frozenset((*(line_key(place, part) for place, part, _ in every), *plans, *singly))

    @property
    def parts_under_plans(self) -> frozenset[tuple[str, str]]:
        """Each part that the build refers to, with the plan chosen for it; an empty text where none is."""
        small = ((decision.part, "") for decision in self.small_items.values() if decision.part)
        hung = ((hung.part, hung.plan or "") for hung in self.chain.values())
        return frozenset((*hung, *((extra.part, extra.plan or "") for extra in self.extras), *small))
