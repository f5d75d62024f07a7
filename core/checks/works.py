"""What has to be done in the room and on the bay, by whom, and about how long it takes (trade)."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Annotated

from core.checks.register import derive
from core.model.brief import Brief
from core.model.build import Slot
from core.model.chain import Chain
from core.model.household import Skill
from core.model.parts import ImpactScreen, OverheadCamera, Part, Projector
from core.model.room import Room
from core.model.things import Remedy, Thing, ThingKind
from core.quantities import Sentence, say

OURSELVES = "you"
ELECTRICIAN = "a licensed electrician"
BUILDER = "a builder"
TRADE_BY_KIND = {
    ThingKind.LAMP: ELECTRICIAN,
    ThingKind.OPENER: "a garage-door company: its springs are under load",
    ThingKind.RADIATOR: "a plumber",
    ThingKind.DUCT: "a ventilation company",
    ThingKind.BEAM: "a structural engineer first: it carries the roof",
    ThingKind.COLUMN: "a structural engineer first: it carries the roof",
}
"""Who may take such a thing down or move it. Local codes come first."""
HOURS_BY_SLOT = {
    Slot.FLOOR: 6.0,
    Slot.MAT: 0.5,
    Slot.MONITOR: 1.0,
    Slot.TITLE: 1.0,
    Slot.MACHINE: 1.0,
    Slot.DISPLAY: 2.0,
    Slot.SCREEN: 3.0,
    Slot.ENCLOSURE: 8.0,
}
HOURS_OVERHEAD = 2.0
HOURS_HEMMING = 4.0
HOURS_BY_REMEDY = {Remedy.MOVE: 3.0, Remedy.PAD: 1.0, Remedy.REMOVE: 2.0}


@dataclass(frozen=True)
class Work:
    """One piece of work, who does it, and the hours that the household spends on it; none for a trade's."""

    what: Sentence
    who: str
    hours: float


@dataclass(frozen=True)
class Works:
    """All works: first what is in the way, then the bay from the floor up."""

    works: tuple[Work, ...]

    @property
    def own_hours(self) -> float:
        """What the household does itself."""
        return sum(work.hours for work in self.works)


@derive
def works(brief: Annotated[Brief, "skills"], room: Annotated[Room, "things"], chain: Annotated[Chain, "name"]) -> Works:
    """What decisions and parts bring with them."""
    return Works((*_in_the_way(room), *_on_the_bay(chain, brief.skills)))


def _in_the_way(room: Room) -> tuple[Work, ...]:
    return tuple(_works_on_things(room))


def _works_on_things(room: Room) -> Iterator[Work]:
    verbs = {Remedy.MOVE: "Move", Remedy.PAD: "Pad", Remedy.REMOVE: "Remove"}
    for thing in room.things:
        if thing.decision in verbs:
            who = _who_moves(thing)
            hours = HOURS_BY_REMEDY[thing.decision] if who == OURSELVES else 0.0
            yield Work(say("{verb} the {thing}", verb=verbs[thing.decision], thing=thing.name), who, hours)


def _who_moves(thing: Thing) -> str:
    return OURSELVES if thing.decision is Remedy.PAD else TRADE_BY_KIND.get(thing.kind, OURSELVES)


def _on_the_bay(chain: Chain, skills: tuple[Skill, ...]) -> Iterator[Work]:
    for hanging in chain:
        yield from _of_part(hanging.slot, hanging.part, skills)


def _of_part(slot: Slot, part: Part, skills: tuple[Skill, ...]) -> tuple[Work, ...]:
    return tuple(_works_of(slot, part, skills))


def _works_of(slot: Slot, part: Part, skills: tuple[Skill, ...]) -> Iterator[Work]:
    overhead = isinstance(part, Projector | OverheadCamera)
    asked = Skill.CEILING if overhead else Skill.TIMBER if slot is Slot.ENCLOSURE else None
    who = OURSELVES if asked is None or asked in skills else BUILDER
    hours = HOURS_BY_SLOT[slot] + (HOURS_OVERHEAD if overhead else 0.0)
    if isinstance(part, ImpactScreen):
        sews = Skill.SEWING in skills
        yield Work(
            say("Hem {part} and set its eyelets", part=part.name),
            OURSELVES if sews else "its maker: order it with finished edges",
            HOURS_HEMMING if sews else 0.0,
        )
    verb = "Hang" if overhead else "Put up" if slot in (Slot.ENCLOSURE, Slot.SCREEN) else "Set up"
    what = say("{verb} {part}", verb="Lay" if slot is Slot.FLOOR else verb, part=part.name)
    yield Work(what, who, hours if who == OURSELVES else 0.0)
