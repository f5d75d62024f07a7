"""Candidate rooms, each with its screen on every wall, side by side on what matters."""

from collections.abc import Mapping
from contextlib import suppress
from dataclasses import dataclass

from core.checks.readings import HittingSurface
from core.model.bounds import swings_among_things
from core.model.build import Build
from core.model.facts import MissingFact
from core.model.parts import Part
from core.model.progress import Progress, tell_progress, unwatched
from core.model.room import Room
from core.model.things import Wall
from core.model.turning import ROUND, turned_room
from core.quantities import Sentence, say
from core.report.allowance import Allowance, allowance
from core.report.bottleneck import Bottleneck, TooMuch, bottleneck
from core.report.evaluation_of import evaluation_of

MOST_COMPARED = 160
"""Players times things, over all walls of all rooms: about a second and a half of work."""
TOO_MUCH_TO_COMPARE = say(
    "Too many players, things and rooms to compare them all at once. Choose this room, or take some of them out."
)


@dataclass(frozen=True)
class RoomOption:
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
    """All options, and what the chosen room is short of.

    That is `None` where its ceiling or who plays is not known, or where so many play among so many things that it
    would take too long to tell.
    """

    options: tuple[RoomOption, ...]
    short_of: Bottleneck | None


def rooms_of(build: Build, parts: Mapping[str, Part], progress: Progress = unwatched) -> Rooms:
    """What the rooms of `build` allow on the floor and mat that hang on its chain; on the bare floor without.

    Raises `Stopped`.
    """
    surface = evaluation_of(build, parts).reading(HittingSurface)
    surface_m = surface.height_m if surface else 0.0
    options = compare(build, surface_m, progress)
    short_of = None
    if options[0].allowance is not None and build.brief.players:
        tell_progress(progress, 0.9, "what the room is short of")
        with suppress(TooMuch):
            short_of = bottleneck(build.room, build.brief.players, surface_m)
    return Rooms(options, short_of)


def compare(build: Build, surface_m: float, progress: Progress = unwatched) -> tuple[RoomOption, ...]:
    """Every room of `build` with its screen on every wall, the chosen one first.

    Those that would go beyond `MOST_COMPARED` say so. Raises `Stopped`.
    """
    rooms: list[tuple[str | None, Room]] = [(None, build.room)]
    rooms += [(candidate.id, candidate.room) for candidate in build.candidates]
    options: list[RoomOption] = []
    spent = 0
    for id, room in rooms:
        work = swings_among_things(build.brief.players, room)
        for quarters in range(len(ROUND)):
            tell_progress(progress, 0.9 * len(options) / (len(rooms) * len(ROUND)), room.name or "the room")
            spent += work
            too_much = spent > MOST_COMPARED
            options.append(_option(id, room, quarters, build, surface_m, too_much))
    return tuple(options)


def _option(id: str | None, room: Room, quarters: int, build: Build, surface_m: float, too_much: bool) -> RoomOption:
    if too_much:
        return RoomOption(id, room, quarters, ROUND[quarters], None, TOO_MUCH_TO_COMPARE)
    try:
        found, unknown = allowance(turned_room(room, quarters), build.brief.players, surface_m), None
    except MissingFact as missing:
        found, unknown = None, say("{fact} is not known. {how}", fact=missing.fact, how=missing.how)
    return RoomOption(id, room, quarters, ROUND[quarters], found, unknown)
