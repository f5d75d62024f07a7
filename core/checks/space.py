"""What takes up space: the bay's own parts, what is in the room, and what a swing must keep clear of."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from typing import Annotated

from core.bay import Bay, FloorLayer, Hood, MonitorPlace, Sizes, bay_of, hood_solids
from core.checks.along import BallDistance
from core.checks.cable_ways import MachineSpot
from core.checks.declared import THERE
from core.checks.laid_floor import LaidFloor
from core.checks.mat_place import MatPlaces, MonitorFoot
from core.checks.readings import BallPlaces, Balls, BayMiddle, HittingSurface, MonitorSpot, hands_that_play
from core.checks.register import derive, derive_from_known
from core.geometry.ball_rules import BallRoom
from core.geometry.ceiling import Ceiling
from core.geometry.conflicts import Conflict, Gap, conflicts, narrowest, near, with_bay
from core.geometry.panels import Hole, Walls, panel_of, walls_of
from core.geometry.picture import Picture
from core.geometry.shadow import Lens
from core.geometry.solids import Solid, door_fittings, door_sweeps, golfers, stored_solids, thing_solids
from core.geometry.surroundings import Surroundings
from core.geometry.swing_disc import Point3
from core.geometry.through import StickingOut, sticking_out
from core.model.brief import Brief, Handedness
from core.model.facts import Missing, MissingFact, known, looked_for, not_stated
from core.model.kit import Beside
from core.model.parts import (
    Enclosure,
    FloorStanding,
    Lamp,
    Mat,
    Mount,
    OverheadCamera,
    SideCamera,
    SideProtection,
    Surface,
)
from core.model.room import Layout, Room
from core.model.things import BayPart, Joists, Looked, Opening, Wall

HANDS_BREADTH_M = 0.05
"""Walls are out of true by less, and fixings are got past by it (trade)."""


@dataclass(frozen=True)
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
class StatedHood:
    """An enclosure of which the clear inside is stated."""

    hood: Hood


@dataclass(frozen=True)
class OverheadSpot:
    """Where an overhead camera hangs: ahead of the ball in the middle of its range, under the ceiling there."""

    x_m: float
    y_m: float
    """Of the ball that it watches, or of the middle between two."""
    ahead_m: float
    ceiling_m: float
    """What it hangs from, above the bare floor: the ceiling over that spot, or the end of its drop rod."""


@dataclass(frozen=True)
class LookedThrough:
    """Whether somebody has looked through the room for what is in it, and for its windows and doors."""

    missing: Missing | None
    """What nobody looked for."""


@dataclass(frozen=True)
class RoomAtPlay:
    """What is in the room while people play without the bay, and what of it is in each other's way."""

    solids: tuple[Solid, ...]
    conflicts: tuple[Conflict, ...]
    sticking_out: tuple[StickingOut, ...] = ()


@dataclass(frozen=True)
class RoomAtRest:
    """The same while nobody plays."""

    solids: tuple[Solid, ...]
    conflicts: tuple[Conflict, ...]
    sticking_out: tuple[StickingOut, ...] = ()


@dataclass(frozen=True)
class PlayingLayout:
    """Everything where it is while people play, and what is in each other's way."""

    solids: tuple[Solid, ...]
    conflicts: tuple[Conflict, ...]
    narrowest: Gap | None
    """Of what is nearer than is comfortable, where nothing is in anything's way."""
    missing: Missing | None
    """What is not known of a part, or of how high people stand."""
    sticking_out: tuple[StickingOut, ...] = ()


@dataclass(frozen=True)
class StowedLayout:
    """Everything where it is while nobody plays, and what is in each other's way."""

    solids: tuple[Solid, ...]
    conflicts: tuple[Conflict, ...]
    narrowest: Gap | None
    """Of what is nearer than is comfortable, where nothing is in anything's way."""
    missing: Missing | None
    """A part whose size is not known: it is not among the solids."""
    sticking_out: tuple[StickingOut, ...] = ()


@derive
def hood(
    enclosure: Annotated[
        Enclosure, "depth_m", "inner_height_m", "inner_width_m", "outer_height_m", "outer_width_m", "roof", "sides"
    ],
) -> Hood:
    """The sizes of an enclosure; inside it is as large as outside where its maker says no more."""
    outer_width_m, outer_height_m = known(enclosure, "outer_width_m"), known(enclosure, "outer_height_m")
    return Hood(
        outer_width_m=outer_width_m,
        outer_height_m=outer_height_m,
        depth_m=known(enclosure, "depth_m"),
        inner_width_m=outer_width_m if enclosure.inner_width_m is None else enclosure.inner_width_m,
        inner_height_m=outer_height_m if enclosure.inner_height_m is None else enclosure.inner_height_m,
        sides=enclosure.sides is not False,
        roof=enclosure.roof is not False,
    )


@derive
def stated_hood(hood: Hood, enclosure: Annotated[Enclosure, "inner_height_m", "inner_width_m"]) -> StatedHood:
    """Only where its maker says how much is clear inside: what is drawn as wide as outside is not."""
    known(enclosure, "inner_width_m")
    known(enclosure, "inner_height_m")
    return StatedHood(hood)


@derive
def overhead_spot(
    monitor: Annotated[OverheadCamera, "ahead_max_m", "ahead_min_m"],
    places: BallPlaces,
    ceiling: Ceiling,
    layout: Annotated[Layout, "monitor_drop_m"],
) -> OverheadSpot:
    """In the middle of what its maker allows ahead of the ball, half-way between two spots."""
    ahead_m = (known(monitor, "ahead_min_m") + known(monitor, "ahead_max_m")) / 2
    across, along = ([spot[axis] for spot in places.spots] for axis in (0, 1))
    x, y = sum(across) / len(across), sum(along) / len(along)
    return OverheadSpot(x, y, ahead_m, ceiling.height_m(x, y - ahead_m) - layout.monitor_drop_m)


@derive_from_known
def monitor_place(
    beside: Annotated[SideCamera, THERE] | None,
    spot: MonitorSpot | None,
    overhead: OverheadSpot | None,
    foot: MonitorFoot | None,
) -> MonitorPlace | None:
    """Where the launch monitor is."""
    if overhead is not None:
        return MonitorPlace("overhead", overhead.ahead_m, overhead.ceiling_m)
    if spot is None:
        return None
    foot_m = foot.height_m if foot else 0.0
    if beside is None:
        return MonitorPlace("behind", spot.distance_m, foot_m)
    return MonitorPlace("beside", spot.distance_m, foot_m)


@derive_from_known
def sizes(
    screen: Annotated[Surface, "height_m", "id", "maker", "name", "width_m"] | None,
    enclosure: Annotated[
        Enclosure,
        "depth_m",
        "id",
        "inner_height_m",
        "inner_width_m",
        "maker",
        "name",
        "outer_height_m",
        "outer_width_m",
    ]
    | None,
    on_floor: Annotated[FloorStanding, "distance_max_m", "distance_min_m", "id", "maker", "name"] | None,
    overhead: Annotated[OverheadCamera, "ahead_max_m", "ahead_min_m", "id", "maker", "name"] | None,
    layout: Annotated[Layout, "monitor_distance_m"],
    hood: Hood | None,
    mat: Annotated[Mat, "id", "length_m", "maker", "name", "width_m"] | None,
    netting: Annotated[Beside[SideProtection], "height_m", "width_m"],
) -> Sizes:
    """How large the parts of the bay are, as far as their makers say."""
    missing: list[tuple[BayPart, Missing]] = []
    for part, sheet, fields in (
        (BayPart.SCREEN, screen, ("width_m", "height_m")),
        (
            BayPart.ENCLOSURE,
            enclosure,
            ("outer_width_m", "outer_height_m", "depth_m", "inner_width_m", "inner_height_m"),
        ),
        (
            BayPart.MONITOR,
            on_floor if layout.monitor_distance_m is None else None,
            ("distance_min_m", "distance_max_m"),
        ),
        (BayPart.MONITOR, overhead, ("ahead_min_m", "ahead_max_m")),
        (BayPart.MAT, mat, ("width_m", "length_m")),
    ):
        lacking = [] if sheet is None else [field for field in fields if getattr(sheet, field) is None]
        if sheet is not None and lacking:
            missing.append((part, not_stated(sheet, lacking[0]).missing))
    return Sizes(
        screen=_both(screen.width_m, screen.height_m) if screen else None,
        enclosure=hood,
        mat=_both(mat.width_m, mat.length_m) if mat else None,
        nets=tuple(
            (net.width_m, net.height_m, count) for net, count in netting.counted(0) if net.width_m and net.height_m
        ),
        missing=tuple(missing),
    )


@derive_from_known
def bay(
    brief: Annotated[Brief, "players", "visitors"],
    places: BallPlaces,
    layout: Annotated[Layout, "screen_bottom_m", "screen_y_m"],
    mats: MatPlaces | None,
    middle: BayMiddle,
    surface: HittingSurface | None,
    mat: Annotated[Mat, "thickness_m"] | None,
    floor: LaidFloor | None,
    sizes: Sizes,
    ceiling: Ceiling | None,
    monitor: MonitorPlace | None,
    picture: Picture | None,
    lens: Lens | None,
    machine: MachineSpot | None,
    mounts: Annotated[Beside[Mount], "holds"],
    lamps: Annotated[Beside[Lamp], "lights"],
) -> Bay:
    """Every part of the bay where it is; what is not known is left out."""
    surface_m = surface.height_m if surface else 0.0
    hands = tuple(Handedness) if len(places.spots) > 1 else hands_that_play(brief) or (Handedness.RIGHT,)
    built = bay_of(
        balls=tuple((hand, (*places.of(hand), surface_m)) for hand in hands),
        mats=mats.middles if mats else (),
        floor=_layers(floor) if floor else (),
        middle_m=middle.x_m,
        screen_y_m=layout.screen_y_m,
        screen_bottom_m=layout.screen_bottom_m,
        sizes=sizes,
        ceiling=ceiling,
        monitor=monitor,
        picture=picture,
        lens=lens,
        machine=machine.at if machine else None,
        mounted=any(mount.holds == "projector" for mount in mounts),
        lamp=any(lamp.lights == "ball" for lamp in lamps),
    )
    return built if surface else replace(built, height_missing=_height_missing(mat, floor, places))


def _height_missing(mat: Mat | None, floor: LaidFloor | None, places: BallPlaces) -> Missing | None:
    try:
        if mat is not None:
            known(mat, "thickness_m")
        if floor is not None:
            for spot in places.spots:
                floor.height_m(*spot)
    except MissingFact as fact:
        return fact.missing
    return None


def _layers(floor: LaidFloor) -> Iterator[FloorLayer]:
    """The layers whose thickness is stated, each where it lies."""
    for layer in floor.layers:
        if not isinstance(layer.thickness_m, Missing) and layer.zone.area_m2:
            below = [under.thickness_m for under in floor.under(layer)]
            foot_m = sum(thickness for thickness in below if not isinstance(thickness, Missing))
            yield FloorLayer(layer.key, layer.name, layer.zone, foot_m, layer.thickness_m, layer.is_wall_to_wall)


@derive
def obstructions(
    room: Annotated[Room, "length_m", "none_of", "openings", "stored", "things", "width_m"],
) -> Obstructions | None:
    """What is in the way, and what the room must hold while people play; `None` in a room that has nothing."""
    looked_for(room, Looked.THINGS)
    solids = (*thing_solids(room), *door_fittings(room), *stored_solids(room, playing=True))
    if not solids:
        looked_for(room, Looked.OPENINGS)
        return None
    return Obstructions(solids)


@derive_from_known
def surroundings(
    brief: Annotated[Brief, "players"],
    layout: Annotated[Layout, "screen_y_m"],
    middle: BayMiddle,
    place: BallRoom,
    balls: Balls,
    hood: Hood | None,
    obstructions: Obstructions | None,
    distance: BallDistance | None,
    floor: LaidFloor | None,
    surface: HittingSurface | None,
) -> Surroundings:
    """What the swings must keep clear of: the room, what is in it while people play, and the enclosure."""
    return Surroundings(
        room=place,
        ball=balls.of(Handedness.RIGHT),
        left_ball=balls.of(Handedness.LEFT),
        players=brief.players,
        things=obstructions.solids if obstructions else (),
        panels=hood_solids(hood, layout.screen_y_m, middle.x_m) if hood else (),
        ball_from_y_m=layout.screen_y_m + (distance.least_m if distance else 0.0),
        uneven=floor.uneven_to(surface.floor_m) if floor and surface and surface.follows_floor else (),
    )


@derive_from_known
def room_at_play(
    room: Annotated[Room, "length_m", "openings", "stored", "things", "width_m"], ceiling: Ceiling | None
) -> RoomAtPlay | None:
    """Things, doors, and what is stored where it is while people play; `None` in an empty room."""
    if not room.things and not room.stored and not room.openings:
        return None
    solids = (*thing_solids(room), *_of_doors(room), *stored_solids(room, playing=True))
    return RoomAtPlay(solids, conflicts(solids, room, ceiling), tuple(sticking_out(solids, room)))


@derive_from_known
def room_at_rest(
    room: Annotated[Room, "length_m", "openings", "stored", "things", "width_m"], ceiling: Ceiling | None
) -> RoomAtRest | None:
    """Things, doors, and what is stored where it is while nobody plays; `None` where nothing is stored."""
    if not room.stored:
        return None
    solids = (*thing_solids(room), *_of_doors(room), *stored_solids(room, playing=False))
    return RoomAtRest(solids, conflicts(solids, room, ceiling), tuple(sticking_out(solids, room)))


def _of_doors(room: Room) -> tuple[Solid, ...]:
    """What doors sweep or fill, and their fittings, each once."""
    return tuple(dict.fromkeys((*door_sweeps(room), *door_fittings(room))))


@derive
def looked_through(room: Annotated[Room, "none_of", "openings", "things"]) -> LookedThrough:
    """What stands or hangs in the room, and its windows and doors."""
    try:
        for what in (Looked.THINGS, Looked.OPENINGS):
            looked_for(room, what)
    except MissingFact as fact:
        return LookedThrough(fact.missing)
    return LookedThrough(None)


@derive
def playing_layout(
    brief: Annotated[Brief, "players"],
    places: BallPlaces,
    middle: BayMiddle,
    bay: Bay,
    at_play: RoomAtPlay,
) -> PlayingLayout:
    """The bay as people play in it, with what is in the room then."""
    standing = (
        *bay.standing(BayPart, bulging=True, middle_m=middle.x_m),
        *golfers(brief.players, lambda hand: (*places.of(hand), bay.surface_m)),
    )
    pairs = near(at_play.solids, standing, HANDS_BREADTH_M)
    found = with_bay(at_play.conflicts, pairs)
    gap, unsized = None if found else narrowest(pairs), bay.unknown_at_play()
    return PlayingLayout((*at_play.solids, *standing), found, gap, unsized, at_play.sticking_out)


@derive
def stowed_layout(
    brief: Annotated[Brief, "packed_away"],
    layout: Annotated[Layout, "stays_up"],
    middle: BayMiddle,
    bay: Bay,
    at_rest: RoomAtRest,
) -> StowedLayout:
    """The room as it serves for something else, with what of the bay stays up."""
    up = layout.up_while_stowed(packed_away=brief.packed_away)
    standing = bay.standing(up, bulging=False, middle_m=middle.x_m)
    pairs = near(at_rest.solids, standing, HANDS_BREADTH_M)
    found = with_bay(at_rest.conflicts, pairs)
    gap, unsized = None if found else narrowest(pairs), bay.unsized(up)
    return StowedLayout((*at_rest.solids, *standing), found, gap, unsized, at_rest.sticking_out)


@derive
def joists(room: Annotated[Room, "joists", "none_of"]) -> Joists | None:
    """What carries the ceiling; `None` where it has no joists."""
    carries: Joists | None = looked_for(room, Looked.JOISTS)
    return carries


@derive
def sockets(room: Annotated[Room, "length_m", "none_of", "openings", "sockets", "width_m"]) -> Sockets | None:
    """Where the sockets are; `None` in a room that has none."""
    looked_for(room, Looked.SOCKETS)
    places = tuple(
        (socket.name, panel_of(socket.wall, room).at(socket.along_m, socket.height_m)) for socket in room.sockets
    )
    return Sockets(places) if places else None


@derive
def walls(room: Annotated[Room, "length_m", "openings", "width_m"]) -> Walls:
    """The four walls, with what is open or of glass in them."""
    return walls_of(room)


@derive
def glass(walls: Walls, room: Annotated[Room, "none_of", "openings"], places: BallPlaces) -> Glass | None:
    """The windows, by whether a ball may reach them; `None` where there are none."""
    looked_for(room, Looked.OPENINGS)
    panes = [(panel.wall, hole) for panel in walls.panels for hole in panel.holes if hole.is_glass]
    ahead = [hole.opening for wall, hole in panes if wall is Wall.SCREEN or _beside_flight(wall, hole, places)]
    behind = [hole.opening.name for _, hole in panes if hole.opening not in ahead]
    return Glass(tuple(ahead), tuple(behind)) if panes else None


def _beside_flight(wall: Wall, hole: Hole, places: BallPlaces) -> bool:
    return wall.runs_along and hole.low[0] < max(y for _, y in places.spots)


def _both(first_m: float | None, second_m: float | None) -> tuple[float, float] | None:
    return None if first_m is None or second_m is None else (first_m, second_m)
