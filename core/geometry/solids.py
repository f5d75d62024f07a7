"""What stands and hangs in a room as boxes, each with its name: as large as it is, and as far as a swing meets it."""

from collections.abc import Callable, Iterator
from enum import StrEnum
from math import inf
from typing import NamedTuple

from core.geometry.boxes import Box, between
from core.geometry.panels import panel_of
from core.geometry.swing_disc import Point3, swing_disc
from core.model.brief import Handedness, Player
from core.model.room import Room
from core.model.things import FixedTo, Opening, OpeningKind, Opens, Remedy, Stored, Thing, ThingKind, Wall

PAD_M = 0.05
"""Foam around what is padded (trade); it takes room of its own."""
ARMS_PER_HEIGHT = 0.6
"""Hands and elbows over the ball, in heights of the golfer (trade)."""
LEAF_M = 0.10
"""Over and under the leaf of a door that tilts up (trade)."""
RAILS_RISE_M = 0.35
"""What the rails of a sectional door take over its opening, and beyond its height (trade)."""
RAIL_M = 0.10
COIL_M = 0.45
"""Depth and height of the coil of a door that rolls up (trade)."""
STEPPED_OVER_M = 0.10
"""What lies on the floor and is not higher is stepped over: a mat, a cable channel (trade)."""
STANDING = (0.30, 0.35)
"""Half of what a standing golfer takes across and along, in metres (trade)."""


class Group(StrEnum):
    """Whose a solid is: the room's own, something it must hold, or the bay's."""

    ROOM = "room"
    STORED = "stored"
    BAY = "bay"
    ZONE = "zone"
    """Kept clear: nothing stands there, and zones may share a place."""


class Material(StrEnum):
    """What the face of something is, as a ball or light meets it."""

    SOLID = "solid"
    FABRIC = "fabric"
    NET = "net"
    TURF = "turf"
    CASE = "case"
    GLASS = "glass"


class Solid(NamedTuple):
    """A named box. `key` says which record it comes from, as the drawing's handles do."""

    key: str
    name: str
    group: Group
    box: Box
    reach: Box
    """The same with everything behind it: nothing passes between a beam and the ceiling that it hangs from."""
    hinge: tuple[float, float] | None = None
    """x and y of a door's hinges, where the box is what its leaf sweeps: only what is within its width is met."""
    carries: bool = False
    """It holds up the building, and is not touched without an engineer."""
    material: Material = Material.SOLID
    is_sprung: bool = False
    """Part of a door that goes up under load: a door company's work."""


def thing_solids(room: Room) -> tuple[Solid, ...]:
    """The obstructions of `room` as decided about: padded, at their new place, or gone."""
    return tuple(_thing_solid(thing, room) for thing in room.things if thing.decision is not Remedy.REMOVE)


def clear_solids(room: Room, mode: str) -> tuple[Solid, ...]:
    """What is kept clear in a mode: from where one still steps over what lies there, up to its height."""
    found = []
    for zone in room.kept_clear:
        if zone.mode == mode:
            across, along = (zone.x_m, zone.x_m + zone.width_m), (zone.y_m, zone.y_m + zone.length_m)
            box = between(across, along, (STEPPED_OVER_M, zone.height_m))
            found.append(Solid(f"kept_clear/{zone.id}", zone.name, Group.ZONE, box, box))
    return tuple(found)


def stored_solids(room: Room, *, playing: bool) -> tuple[Solid, ...]:
    """What the room must still hold, where it is while people play or while nobody does."""
    found = []
    for stored in room.stored:
        at = stored.playing_at if playing else (stored.x_m, stored.y_m)
        if at is not None:
            found.append(_stored_solid(stored, at))
    return tuple(found)


def door_sweeps(room: Room) -> tuple[Solid, ...]:
    """What doors and windows sweep that open into the room, and what those that go up fill while they are open."""
    hinged = (_sweep(opening, room) for opening in room.openings if opening.opens is Opens.INWARD)
    filling = (solid for opening in room.openings for solid in _filled(opening, room))
    return (*hinged, *filling)


def door_fittings(room: Room) -> tuple[Solid, ...]:
    """What is in the room of doors that go up, open or shut: rails under the ceiling, and coils; the leaf of one that
    stands open while people play."""
    return tuple(
        solid
        for opening in room.openings
        for solid in (*_fittings(opening, room), *(_filled(opening, room) if opening.open_while_playing else ()))
    )


def _filled(opening: Opening, room: Room) -> Iterator[Solid]:
    """The leaf of an open door: level under the lintel, on its rails above it, or folded to one side."""
    top_m = opening.sill_m + opening.height_m
    if opening.opens is Opens.TILTS:
        yield _before_wall(opening, room, (top_m - LEAF_M, top_m + LEAF_M), opening.height_m)
    elif opening.opens is Opens.SECTIONAL:
        yield _before_wall(opening, room, (top_m, top_m + RAILS_RISE_M), opening.height_m + RAILS_RISE_M)
    elif opening.opens is Opens.FOLDS:
        yield _before_wall(opening, room, (opening.sill_m, top_m), opening.width_m / 2)


def _fittings(opening: Opening, room: Room) -> Iterator[Solid]:
    top_m = opening.sill_m + opening.height_m
    if opening.opens is Opens.ROLLS:
        yield _before_wall(opening, room, (top_m, top_m + COIL_M), COIL_M, "coil of {door}")
    elif opening.opens in (Opens.TILTS, Opens.SECTIONAL):
        up = (top_m - LEAF_M, top_m) if opening.opens is Opens.TILTS else (top_m, top_m + RAILS_RISE_M)
        in_m = opening.height_m + (0.0 if opening.opens is Opens.TILTS else RAILS_RISE_M)
        for end_m in (opening.along_m - RAIL_M, opening.along_m + opening.width_m):
            rail = opening.model_copy(update={"along_m": end_m, "width_m": RAIL_M})
            yield _before_wall(rail, room, up, in_m, "rail of {door}")


def _before_wall(
    opening: Opening, room: Room, up: tuple[float, float], inward_m: float, words: str = "open {door}"
) -> Solid:
    panel = panel_of(opening.wall, room)
    corners = (
        panel.at(opening.along_m, up[0]),
        panel.at(opening.along_m + opening.width_m, up[1], inward_m=inward_m),
    )
    box = between(*((min(pair), max(pair)) for pair in zip(*corners, strict=True)))
    name = words.format(door="door" if opening.name == opening.kind else opening.name)
    reach = box if opening.opens is Opens.FOLDS else Box(box.low, (box.high[0], box.high[1], inf))
    return Solid(f"openings/{opening.id}", name, Group.ROOM, box, reach, is_sprung=opening.opens.is_sprung)


def golfers(players: tuple[Player, ...], ball_of: Callable[[Handedness], Point3]) -> tuple[Solid, ...]:
    """Where the players stand, one of each hand: the tallest, with the longest club, at the ball of that hand."""
    return tuple(_golfers(players, ball_of))


def _golfers(players: tuple[Player, ...], ball_of: Callable[[Handedness], Point3]) -> Iterator[Solid]:
    for hand in Handedness:
        tallest = max((p for p in players if p.handedness is hand), key=lambda p: p.height_m, default=None)
        if tallest is not None:
            box = golfer_box(tallest, ball_of(hand))
            yield Solid("golfer", f"{tallest.name} at the ball", Group.BAY, box, box)


def golfer_box(player: Player, ball: Point3) -> Box:
    """What somebody who stands at the ball takes up."""
    x, y, z = ball
    x += swing_disc(player, player.longest_club).hub_x_m
    wide, long = STANDING
    return between((x - wide, x + wide), (y - long, y + long), (z, z + player.height_m))


def arms_box(player: Player, ball: Point3) -> Box:
    """Arms and club between that body and the ball, bent over it."""
    (x0, y0, z0), (x1, y1, _) = golfer_box(player, ball)
    low, high = min(x0, ball[0]), max(x1, ball[0])
    return between((low, high), (y0, y1), (z0, z0 + ARMS_PER_HEIGHT * player.height_m))


def _thing_solid(thing: Thing, room: Room) -> Solid:
    x, y, z = thing.counts_at
    box = Box((x, y, z), (x + thing.width_m, y + thing.length_m, z + thing.height_m))
    if thing.decision is Remedy.PAD:
        box = box.grown(PAD_M)
    reach = _reach(box, thing.fixed_to, room)
    carries = thing.kind in (ThingKind.BEAM, ThingKind.COLUMN)
    return Solid(f"things/{thing.id}", thing.name, Group.ROOM, box, reach, carries=carries)


def _reach(box: Box, fixed_to: FixedTo, room: Room) -> Box:
    (x0, y0, z0), (x1, y1, z1) = box.low, box.high
    if fixed_to is FixedTo.CEILING:
        return Box((x0, y0, z0), (x1, y1, inf))
    if fixed_to is FixedTo.FLOOR:
        return Box((x0, y0, -inf), (x1, y1, z1))
    wall = nearest_wall(box, room)
    low: Point3 = (-inf if wall is Wall.LEFT else x0, -inf if wall is Wall.SCREEN else y0, z0)
    return Box(low, (inf if wall is Wall.RIGHT else x1, inf if wall is Wall.REAR else y1, z1))


def nearest_wall(box: Box, room: Room) -> Wall:
    """The wall that a box is nearest to, which is the one it is fixed to."""
    away = {
        Wall.LEFT: box.low[0],
        Wall.RIGHT: room.width_m - box.high[0],
        Wall.SCREEN: box.low[1],
        Wall.REAR: room.length_m - box.high[1],
    }
    return min(away, key=lambda wall: away[wall])


def _stored_solid(stored: Stored, at: tuple[float, float]) -> Solid:
    x, y = at
    box = Box((x, y, 0.0), (x + stored.width_m, y + stored.length_m, stored.height_m))
    reach = Box((x, y, -inf), box.high)
    return Solid(f"stored/{stored.id}", stored.name, Group.STORED, box, reach)


def _sweep(opening: Opening, room: Room) -> Solid:
    wide, panel = opening.width_m, panel_of(opening.wall, room)
    start, end = opening.along_m, opening.along_m + wide
    corners = panel.at(start, opening.sill_m), panel.at(end, opening.sill_m + opening.height_m, inward_m=wide)
    box = between(*((min(pair), max(pair)) for pair in zip(*corners, strict=True)))
    hinge_x, hinge_y, _ = panel.at(end if opening.hinge_far else start)
    hinge = (hinge_x, hinge_y)
    leaf = "swing of the door" if opening.kind is OpeningKind.DOOR else "swing of the window"
    name = leaf if opening.name == opening.kind else f"swing of {opening.name}"
    return Solid(f"openings/{opening.id}", name, Group.ROOM, box, box, hinge)
