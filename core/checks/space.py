"""What takes up space: the bay's own parts, what is in the room, and what a swing must keep clear of."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from typing import Literal

from core.checks.readings import HittingSurface, MonitorSpot
from core.checks.register import derive, derive_from_known
from core.geometry.ceiling import Ceiling
from core.geometry.conflicts import Conflict, Gap, conflicts, narrowest, near, with_bay
from core.geometry.furnishing import Furnishing, Hood
from core.geometry.picture import Picture
from core.geometry.shadow import Lens
from core.geometry.solids import Solid, bay_solids, door_sweeps, golfers, hood_solids, stored_solids, thing_solids
from core.geometry.surroundings import Surroundings
from core.geometry.swing_disc import Point3
from core.model.brief import Brief
from core.model.facts import MissingFact, not_stated
from core.model.parts import Enclosure, Mat, OverheadCamera, SideCamera, Surface
from core.model.room import Layout, Room
from core.model.things import BayPart, Joists, Opening, OpeningKind, Wall

GAP_COMFORT_M = 0.05
"""A hand's breadth: walls are out of true by less, and fixings are got past by it (trade)."""


@dataclass(frozen=True, eq=False)
class Obstructions:
    """What is in the room while people play."""

    solids: tuple[Solid, ...]


@dataclass(frozen=True)
class Sockets:
    """Names and places x, y, z of the mains sockets, in metres."""

    places: tuple[tuple[str, Point3], ...]


@dataclass(frozen=True)
class Glass:
    """The windows that a ball may reach, and the names of the others."""

    ahead: tuple[Opening, ...]
    behind: tuple[str, ...]


@dataclass(frozen=True)
class Unsized:
    """Parts of the bay that take up space, and do not say how much: the fact that is missing."""

    missing: Mapping[BayPart, MissingFact]

    def of(self, standing: Iterable[BayPart]) -> MissingFact | None:
        """The first that is missing among what stands."""
        return next((self.missing[part] for part in standing if part in self.missing), None)


@dataclass(frozen=True, eq=False)
class RoomAtPlay:
    """What is in the room while people play without the bay, and what of it is in each other's way."""

    solids: tuple[Solid, ...]
    conflicts: tuple[Conflict, ...]


@dataclass(frozen=True, eq=False)
class RoomAtRest:
    """The same while nobody plays."""

    solids: tuple[Solid, ...]
    conflicts: tuple[Conflict, ...]


@dataclass(frozen=True, eq=False)
class PlayingLayout:
    """Everything where it is while people play, and what is in each other's way."""

    solids: tuple[Solid, ...]
    conflicts: tuple[Conflict, ...]
    narrowest: Gap | None
    """Of what is nearer than is comfortable, where nothing is in anything's way."""
    missing: MissingFact | None
    """A part whose size is not known: it is not among the solids."""


@dataclass(frozen=True, eq=False)
class StowedLayout:
    """Everything where it is while nobody plays, and what is in each other's way."""

    solids: tuple[Solid, ...]
    conflicts: tuple[Conflict, ...]
    narrowest: Gap | None
    """Of what is nearer than is comfortable, where nothing is in anything's way."""
    missing: MissingFact | None
    """A part whose size is not known: it is not among the solids."""


@derive
def hood(enclosure: Enclosure) -> Hood | None:
    """The sizes of an enclosure; `None` where the outside is not known."""
    if enclosure.outer_width_m is None or enclosure.outer_height_m is None or enclosure.depth_m is None:
        return None
    return Hood(
        outer_width_m=enclosure.outer_width_m,
        outer_height_m=enclosure.outer_height_m,
        depth_m=enclosure.depth_m,
        inner_width_m=enclosure.outer_width_m if enclosure.inner_width_m is None else enclosure.inner_width_m,
        inner_height_m=enclosure.outer_height_m if enclosure.inner_height_m is None else enclosure.inner_height_m,
    )


@derive_from_known
def furnishing(
    surface: HittingSurface | None,
    screen: Surface | None,
    hood: Hood | None,
    mat: Mat | None,
    overhead: OverheadCamera | None,
    beside: SideCamera | None,
    spot: MonitorSpot | None,
    picture: Picture | None,
    lens: Lens | None,
) -> Furnishing:
    """Sizes and places of all that hangs; what is not known is left out."""
    return Furnishing(
        surface_m=surface.height_m if surface else 0.0,
        floor_m=surface.floor_m if surface else 0.0,
        screen=_sizes(screen.width_m, screen.height_m) if screen else None,
        enclosure=hood,
        mat=_sizes(mat.width_m, mat.length_m) if mat else None,
        monitor=_monitor(overhead, beside, spot),
        picture=picture,
        lens=lens,
    )


@derive
def unsized(screen: Surface | None, enclosure: Enclosure | None, mat: Mat | None) -> Unsized:
    """Screen, enclosure and mat have sizes that their makers may leave out."""
    missing: dict[BayPart, MissingFact] = {}
    if screen is not None and (screen.width_m is None or screen.height_m is None):
        missing[BayPart.SCREEN] = not_stated(screen, "size")
    if enclosure is not None and None in (enclosure.outer_width_m, enclosure.outer_height_m, enclosure.depth_m):
        missing[BayPart.ENCLOSURE] = not_stated(enclosure, "outer size")
    if mat is not None and (mat.width_m is None or mat.length_m is None):
        missing[BayPart.MAT] = not_stated(mat, "size")
    return Unsized(missing)


@derive
def obstructions(room: Room) -> Obstructions | None:
    """What is in the way, and what the room must hold while people play; `None` in an empty room."""
    solids = (*thing_solids(room), *stored_solids(room, playing=True))
    return Obstructions(solids) if solids else None


@derive
def surroundings(
    brief: Brief,
    room: Room,
    layout: Layout,
    surface: HittingSurface,
    ceiling: Ceiling,
    hood: Hood | None,
    obstructions: Obstructions | None,
) -> Surroundings:
    """What the swings must keep clear of: the room, what is in it while people play, and the enclosure."""
    return Surroundings(
        room=room,
        ceiling=ceiling,
        ball=(layout.ball_x_m, layout.ball_y_m, surface.height_m),
        players=brief.players,
        things=obstructions.solids if obstructions else (),
        panels=hood_solids(hood, layout, room) if hood else (),
    )


@derive_from_known
def room_at_play(room: Room, ceiling: Ceiling | None) -> RoomAtPlay | None:
    """Things, doors, and what is stored where it is while people play; `None` in an empty room."""
    if not room.things and not room.stored and not room.openings:
        return None
    solids = (*thing_solids(room), *door_sweeps(room), *stored_solids(room, playing=True))
    return RoomAtPlay(solids, conflicts(solids, room, ceiling))


@derive_from_known
def room_at_rest(room: Room, ceiling: Ceiling | None) -> RoomAtRest | None:
    """Things, doors, and what is stored where it is while nobody plays; `None` where nothing is stored."""
    if not room.stored:
        return None
    solids = (*thing_solids(room), *door_sweeps(room), *stored_solids(room, playing=False))
    return RoomAtRest(solids, conflicts(solids, room, ceiling))


@derive_from_known
def playing_layout(
    brief: Brief, room: Room, layout: Layout, furnishing: Furnishing, at_play: RoomAtPlay, unsized: Unsized
) -> PlayingLayout:
    """The bay as people play in it, with what is in the room then."""
    bay = (
        *bay_solids(furnishing, layout, room, BayPart, bulging=True),
        *golfers(brief.players, layout, furnishing.surface_m),
    )
    pairs = near(at_play.solids, bay, GAP_COMFORT_M)
    found = with_bay(at_play.conflicts, pairs)
    return PlayingLayout((*at_play.solids, *bay), found, None if found else narrowest(pairs), unsized.of(BayPart))


@derive_from_known
def stowed_layout(
    room: Room, layout: Layout, furnishing: Furnishing, at_rest: RoomAtRest, unsized: Unsized
) -> StowedLayout:
    """The room as it serves for something else, with what of the bay stays up."""
    bay = tuple(bay_solids(furnishing, layout, room, layout.stays_up, bulging=False))
    pairs = near(at_rest.solids, bay, GAP_COMFORT_M)
    found = with_bay(at_rest.conflicts, pairs)
    return StowedLayout(
        (*at_rest.solids, *bay), found, None if found else narrowest(pairs), unsized.of(layout.stays_up)
    )


@derive
def joists(room: Room) -> Joists | None:
    """What carries the ceiling, where that is known."""
    return room.joists


@derive
def sockets(room: Room) -> Sockets | None:
    """Where the sockets are; `None` where none was entered."""
    places = []
    for socket in room.sockets:
        across = {Wall.LEFT: 0.0, Wall.RIGHT: room.width_m}.get(socket.wall, socket.along_m)
        along = {Wall.SCREEN: 0.0, Wall.REAR: room.length_m}.get(socket.wall, socket.along_m)
        places.append((socket.name, (across, along, socket.height_m)))
    return Sockets(tuple(places)) if places else None


@derive
def glass(room: Room, layout: Layout) -> Glass | None:
    """The windows, by whether a ball may reach them; `None` where there are none."""
    windows = [opening for opening in room.openings if opening.kind is OpeningKind.WINDOW]
    ahead = [window for window in windows if window.wall is Wall.SCREEN or _beside_flight(window, layout)]
    behind = [window.name for window in windows if window not in ahead]
    return Glass(tuple(ahead), tuple(behind)) if windows else None


def _beside_flight(window: Opening, layout: Layout) -> bool:
    return window.wall.runs_along and window.along_m < layout.ball_y_m


def _sizes(first_m: float | None, second_m: float | None) -> tuple[float, float] | None:
    return None if first_m is None or second_m is None else (first_m, second_m)


def _monitor(
    overhead: OverheadCamera | None, beside: SideCamera | None, spot: MonitorSpot | None
) -> tuple[Literal["behind", "beside", "overhead"], float] | None:
    if overhead is not None:
        near_m, far_m = overhead.ahead_min_m, overhead.ahead_max_m
        return None if near_m is None or far_m is None else ("overhead", (near_m + far_m) / 2)
    if spot is None:
        return None
    return ("beside" if beside else "behind"), spot.distance_m
