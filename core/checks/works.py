"""What has to be done in the room and on the bay, by whom, and about how long it takes (trade)."""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from typing import Annotated

from core.checks.figures import in_a_row
from core.checks.laid_floor import MAIN, LaidFloor, Layer
from core.checks.leads import OutletsMissing
from core.checks.register import derive
from core.geometry.box_frame import EDGES
from core.model.brief import Brief
from core.model.build import Slot
from core.model.chain import Chain
from core.model.household import Skill
from core.model.kit import Beside
from core.model.parts import (
    Carpet,
    Edge,
    Enclosure,
    Flooring,
    KitPiece,
    MaskingCloth,
    OverheadCamera,
    Padding,
    Part,
    Projector,
    SideProtection,
    Surface,
    Turf,
)
from core.model.room import Room
from core.model.things import Remedy, Thing, ThingKind
from core.quantities import Sentence, say

OURSELVES = "you"
ELECTRICIAN = "a licensed electrician"
BUILDER = "a builder"
DOOR_COMPANY = "a garage-door company: its springs are under load"
TRADE_BY_KIND = {
    ThingKind.LAMP: ELECTRICIAN,
    ThingKind.OPENER: DOOR_COMPANY,
    ThingKind.RAIL: DOOR_COMPANY,
    ThingKind.RADIATOR: "a plumber",
    ThingKind.DUCT: "a ventilation company",
    ThingKind.BEAM: "a structural engineer first: it carries the roof",
    ThingKind.COLUMN: "a structural engineer first: it carries the roof",
}
"""Who may take such a thing down or move it. Local codes come first."""
HOURS_BY_SLOT = {
    Slot.MAT: 0.5,
    Slot.MONITOR: 1.0,
    Slot.TITLE: 1.0,
    Slot.MACHINE: 1.0,
    Slot.DISPLAY: 2.0,
    Slot.SCREEN: 2.0,
    Slot.ENCLOSURE: 4.0,
}
HOURS_PER_M2 = {Turf: 0.25, Carpet: 0.08, Flooring: 0.10}
"""To lay a floor, the first kind that it is."""
HOURS_OVERHEAD = 2.0
HOURS_PER_HEMMED_M = 0.15
OVERHEAD = 1.5
"""On what a hem takes by the metre: measuring, cutting, and doing a part of it again (trade)."""
USUAL_SURFACE_M = (3.0, 2.5)
"""Width and height of a screen that states none."""
HOURS_JOINING = {"pipe": 1.0, "timber": 10.0}
HOURS_PER_CUT = {"pipe": 0.2, "timber": 0.4}
"""A frame made at home, before it is put up."""
SKILLS_JOINING = {"pipe": (), "timber": (Skill.TIMBER, Skill.SEWING)}
ORDER = (
    Slot.ENCLOSURE,
    Slot.SCREEN,
    Slot.FLOOR,
    Slot.MAT,
    Slot.MONITOR,
    Slot.MACHINE,
    Slot.TITLE,
    Slot.DISPLAY,
)
"""What is put up before what: the frame on the bare floor, and what shows a picture last, to be aimed with it on."""
VERBS = {Slot.ENCLOSURE: "Put up", Slot.SCREEN: "Put up"}
HOURS_PER_OUTLET = 1.5
HOURS_NETTING, HOURS_MASKING, HOURS_PADDING = 1.5, 1.0, 1.0
"""For each that is chosen (trade)."""
HOURS_TRYING = 2.0
HOURS_BY_REMEDY = {Remedy.MOVE: 3.0, Remedy.PAD: 1.0, Remedy.REMOVE: 2.0}
SAID_DECIMALS = 1


@dataclass(frozen=True)
class Work:
    """One piece of work, who does it, and the hours that it takes."""

    id: str
    """What is done, and to what: the same for as long as it has to be done."""
    what: Sentence
    who: str
    hours: float
    slot: Slot | None = None
    """The place whose part brings it along."""
    skills: tuple[Skill, ...] = ()
    """What one must be able to do."""

    @property
    def own_hours(self) -> float:
        """What the household spends on it: nothing where a trade does it."""
        return self.hours if self.who == OURSELVES else 0.0


@dataclass(frozen=True)
class Works:
    """All works, in the order in which they are done: first what is in the way."""

    works: tuple[Work, ...]

    @property
    def own_hours(self) -> float:
        """What the household does itself."""
        return sum(work.own_hours for work in self.works)


@derive
def works(
    brief: Annotated[Brief, "skills"],
    room: Annotated[Room, "things"],
    chain: Annotated[Chain, "edge", "frame_of", "height_m", "leaves_out", "name", "width_m"],
    floor: LaidFloor | None,
    outlets: OutletsMissing | None,
    netting: Annotated[Beside[SideProtection], "name"],
    masking: Annotated[Beside[MaskingCloth], "name"],
    padding: Annotated[Beside[Padding], "name"],
) -> Works:
    """What decisions and parts bring with them."""
    in_order = sorted(chain, key=lambda hung: ORDER.index(hung.slot))
    layers = floor.layers if floor else ()
    on_the_bay = [
        work
        for hung in in_order
        if hung.slot is not Slot.FLOOR
        for work in _of_part(hung.slot, hung.part, brief.skills)
    ]
    before_floor = sum(ORDER.index(work.slot) < ORDER.index(Slot.FLOOR) for work in on_the_bay if work.slot)
    laying = map(_laying, layers)
    return Works(
        (
            *_in_the_way(room),
            *(_first_fix(outlets) if outlets else ()),
            *on_the_bay[:before_floor],
            *(_hung("net", "Hang {names} beside the bay", netting, HOURS_NETTING) if netting else ()),
            *laying,
            *on_the_bay[before_floor:],
            *(_hung("mask", "Hang {names}", masking, HOURS_MASKING) if masking else ()),
            *(_hung("pad", "Fix {names}", padding, HOURS_PADDING) if padding else ()),
            *(_tried_out(chain) if on_the_bay else ()),
        )
    )


def _first_fix(outlets: OutletsMissing) -> Iterator[Work]:
    """What goes into the walls, before anything stands in front of them."""
    count = len(outlets.devices)
    what = say("Add {count} outlets" if count > 1 else "Add an outlet", count=str(count))
    yield Work("outlets", what, ELECTRICIAN, HOURS_PER_OUTLET * count)


def _hung(id: str, template: str, parts: Iterable[Part], hours_each: float) -> Iterator[Work]:
    named = tuple(dict.fromkeys(part.name for part in parts))
    yield Work(f"{id}:beside", say(template, names=in_a_row(named)), OURSELVES, hours_each * len(named))


def _tried_out(chain: Chain) -> Iterator[Work]:
    """What shows before anybody plays what the estimates do not know."""
    if chain.at(Slot.SCREEN) is not None:
        what = "a ball dropped before the screen, slow swings, bad shots at the sides, the top and low"
        pictured = chain.at(Slot.DISPLAY) is not None
        light = "; the picture with the lamps on and off" if pictured else ""
        yield Work("try", say("Try it out: {what}", what=what + light), OURSELVES, HOURS_TRYING)


def _laying(layer: Layer) -> Work:
    """By the area of its zone; every layer after the first goes by its own id."""
    per_m2 = next(hours for kind, hours in HOURS_PER_M2.items() if issubclass(layer.kind, kind))
    id = f"install:{Slot.FLOOR}" if layer.key == MAIN else f"lay:{layer.key}"
    hours = round(layer.zone.area_m2 * per_m2, SAID_DECIMALS)
    return Work(id, say("Lay {part}", part=layer.name), OURSELVES, hours, Slot.FLOOR)


def _in_the_way(room: Room) -> Iterator[Work]:
    verbs = {Remedy.MOVE: "Move", Remedy.PAD: "Pad", Remedy.REMOVE: "Remove"}
    for thing in room.things:
        if thing.decision in verbs:
            what = say("{verb} the {thing}", verb=verbs[thing.decision], thing=thing.name)
            yield Work(f"{thing.decision}:{thing.id}", what, _who_moves(thing), HOURS_BY_REMEDY[thing.decision])


def _who_moves(thing: Thing) -> str:
    return OURSELVES if thing.decision is Remedy.PAD else TRADE_BY_KIND.get(thing.kind, OURSELVES)


def _of_part(slot: Slot, part: Part, skills: tuple[Skill, ...]) -> Iterator[Work]:
    overhead = isinstance(part, Projector | OverheadCamera)
    if isinstance(part, Surface) and part.edge is Edge.RAW:
        what = say("Hem {part} and set its eyelets", part=part.name)
        who = OURSELVES if Skill.SEWING in skills else "its maker: order it with finished edges"
        yield Work(f"hem:{slot}", what, who, _hours_hemming(part), slot, (Skill.SEWING,))
    if isinstance(part, Enclosure) and KitPiece.FRAME in (part.leaves_out or ()):
        asked = SKILLS_JOINING[part.frame_of]
        hours = HOURS_JOINING[part.frame_of] + EDGES * HOURS_PER_CUT[part.frame_of]
        what = say("Cut and join the frame of {part}", part=part.name)
        yield Work(f"join:{slot}", what, _ourselves_or_builder(asked, skills), hours, slot, asked)
    asked = (Skill.CEILING,) if overhead else ()
    verb = "Hang" if overhead else VERBS.get(slot, "Set up")
    hours = HOURS_BY_SLOT[slot] + (HOURS_OVERHEAD if overhead else 0.0)
    what = say("{verb} {part}", verb=verb, part=part.name)
    yield Work(f"install:{slot}", what, _ourselves_or_builder(asked, skills), hours, slot, asked)


def _hours_hemming(surface: Surface) -> float:
    """0.15 h for each metre of its edge, half as much again for measuring and cutting (trade)."""
    width_m, height_m = surface.width_m or USUAL_SURFACE_M[0], surface.height_m or USUAL_SURFACE_M[1]
    return round(2 * (width_m + height_m) * HOURS_PER_HEMMED_M * OVERHEAD, SAID_DECIMALS)


def _ourselves_or_builder(asked: tuple[Skill, ...], skills: tuple[Skill, ...]) -> str:
    return OURSELVES if set(asked) <= set(skills) else BUILDER
