"""Candidate rooms, each with its screen on every wall, side by side on what matters."""

from collections.abc import Mapping
from dataclasses import dataclass

from core.checks.readings import HittingSurface, given_readings
from core.checks.register import REGISTRY
from core.model.build import Build
from core.model.facts import MissingFact
from core.model.parts import Part
from core.model.room import Room
from core.model.things import Wall
from core.model.turning import ROUND, turned
from core.quantities import Sentence, say
from core.report.allowance import Allowance, allowance
from core.report.bottleneck import Bottleneck, bottleneck


@dataclass(frozen=True)
class Option:
    """One room with the screen on one of its walls as they are named now."""

    candidate: str | None
    """Its id; `None` for the chosen room."""
    room: Room
    quarters: int
    screen_wall: Wall
    allowance: Allowance | None
    unknown: Sentence | None
    """Why there is no allowance."""

    @property
    def chosen(self) -> bool:
        """The build is in this room, with its screen on this wall."""
        return self.candidate is None and self.quarters == 0


@dataclass(frozen=True)
class Rooms:
    """All options, and what the chosen room is short of; `None` where its ceiling or who plays is not known."""

    options: tuple[Option, ...]
    short_of: Bottleneck | None


def rooms_of(build: Build, parts: Mapping[str, Part]) -> Rooms:
    """What the rooms of `build` allow on the floor and mat that hang on its chain; on the bare floor without."""
    readings = REGISTRY.derived(given_readings(build, parts))
    surface = readings.get(HittingSurface)
    surface_m = surface.height_m if isinstance(surface, HittingSurface) else 0.0
    options = compare(build, surface_m)
    known = options[0].allowance is not None and bool(build.brief.players)
    return Rooms(options, bottleneck(build.room, build.brief.players, surface_m) if known else None)


def compare(build: Build, surface_m: float) -> tuple[Option, ...]:
    """Every room of `build` with its screen on every wall, the chosen one first."""
    rooms: list[tuple[str | None, Room]] = [(None, build.room)]
    rooms += [(candidate.id, candidate.room) for candidate in build.candidates]
    return tuple(_option(id, room, quarters, build, surface_m) for id, room in rooms for quarters in range(len(ROUND)))


def _option(id: str | None, room: Room, quarters: int, build: Build, surface_m: float) -> Option:
    try:
        found, unknown = allowance(turned(room, quarters), build.brief.players, surface_m), None
    except MissingFact as missing:
        found, unknown = None, say("{fact} is not known. {how}", fact=missing.fact, how=missing.how)
    return Option(id, room, quarters, ROUND[quarters], found, unknown)
