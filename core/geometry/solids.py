"""What stands and hangs in a room as boxes, each with its name: as large as it is, and as far as a swing meets it."""

from collections.abc import Iterable, Iterator
from enum import StrEnum
from math import inf
from typing import NamedTuple

from core.geometry.boxes import EVERYWHERE, Box, between
from core.geometry.furnishing import Furnishing, Hood
from core.geometry.swing_disc import Point3, swing_disc
from core.kept import kept
from core.model.brief import Handedness, Player
from core.model.room import Layout, Room
from core.model.things import BayPart, FixedTo, Opening, OpeningKind, Opens, Remedy, Stored, Thing, ThingKind, Wall

PAD_M = 0.05
"""Foam around what is padded (trade); it takes room of its own."""
SIDE_BULGE_M = 0.30
"""Fabric sides bulge outward when a ball is caught (trade)."""
PROJECTOR_BODY = (0.35, 0.35, 0.15)
MONITOR_BODY = (0.15, 0.15, 0.25)
"""Usual bodies across, along and up, in metres (trade)."""
SHEET_M = 0.02
STANDING = (0.30, 0.35)
"""Half of what a standing golfer takes across and along, in metres (trade)."""


class Group(StrEnum):
    """Whose a solid is: the room's own, something it must hold, or the bay's."""

    ROOM = "room"
    STORED = "stored"
    BAY = "bay"


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


def thing_solids(room: Room) -> tuple[Solid, ...]:
    """The obstructions of `room` as decided about: padded, at their new place, or gone."""
    return tuple(_thing_solid(thing, room) for thing in room.things if thing.decision is not Remedy.REMOVE)


def stored_solids(room: Room, *, playing: bool) -> tuple[Solid, ...]:
    """What the room must still hold, where it is while people play or while nobody does."""
    found = []
    for stored in room.stored:
        at = stored.playing_at if playing else (stored.x_m, stored.y_m)
        if at is not None:
            found.append(_stored_solid(stored, at))
    return tuple(found)


def door_sweeps(room: Room) -> tuple[Solid, ...]:
    """What doors and windows that open into the room sweep."""
    return tuple(_sweep(opening, room) for opening in room.openings if opening.opens is Opens.INWARD)


@kept
def hood_solids(hood: Hood, layout: Layout, room: Room) -> tuple[Solid, ...]:
    """Side panels and roof of an enclosure, centred across the room, from the screen to its mouth.

    A swing that is outside a panel has gone through it, so each reaches outward without end.
    """
    middle_m, mouth_m = room.width_m / 2, layout.screen_y_m + hood.depth_m
    inner, outer = hood.inner_width_m / 2, hood.outer_width_m / 2
    along, up = (layout.screen_y_m, mouth_m), (0.0, hood.outer_height_m)
    left = (middle_m - outer, middle_m - inner)
    right = (middle_m + inner, middle_m + outer)
    before_mouth = (-inf, mouth_m)
    return (
        Solid(
            BayPart.ENCLOSURE,
            "enclosure's left side",
            Group.BAY,
            between(left, along, up),
            between((-inf, left[1]), before_mouth, EVERYWHERE),
        ),
        Solid(
            BayPart.ENCLOSURE,
            "enclosure's right side",
            Group.BAY,
            between(right, along, up),
            between((right[0], inf), before_mouth, EVERYWHERE),
        ),
        Solid(
            BayPart.ENCLOSURE,
            "enclosure's roof",
            Group.BAY,
            between((left[0], right[1]), along, (hood.inner_height_m, hood.outer_height_m)),
            between(EVERYWHERE, before_mouth, (hood.inner_height_m, inf)),
        ),
    )


def bay_solids(
    furnishing: Furnishing, layout: Layout, room: Room, standing: Iterable[BayPart], *, bulging: bool
) -> Iterator[Solid]:
    """The parts of the bay that stand; `bulging` gives the enclosure's sides room to catch a ball."""
    stands = set(standing)
    middle_m = room.width_m / 2
    if furnishing.enclosure and BayPart.ENCLOSURE in stands:
        yield from (_bulging_hood if bulging else hood_solids)(furnishing.enclosure, layout, room)
    if furnishing.screen and BayPart.SCREEN in stands:
        wide, high = furnishing.screen
        bottom = layout.screen_bottom_m
        yield _solid(
            BayPart.SCREEN,
            "screen",
            between(
                (middle_m - wide / 2, middle_m + wide / 2),
                (layout.screen_y_m - SHEET_M / 2, layout.screen_y_m + SHEET_M / 2),
                (bottom, bottom + high),
            ),
        )
    if furnishing.mat and BayPart.MAT in stands:
        wide, long = furnishing.mat
        x, y = layout.ball_x_m, layout.ball_y_m
        yield _solid(
            BayPart.MAT,
            "mat",
            between((x - wide / 2, x + wide / 2), (y - long / 2, y + long / 2), (0.0, furnishing.surface_m)),
        )
    if furnishing.lens and BayPart.PROJECTOR in stands:
        lens = furnishing.lens
        wide, long, high = PROJECTOR_BODY
        y = layout.screen_y_m + lens.distance_m
        z = lens.height_m
        yield _solid(
            BayPart.PROJECTOR,
            "projector",
            between((lens.x_m - wide / 2, lens.x_m + wide / 2), (y, y + long), (z - high / 2, z + high / 2)),
        )
    if furnishing.monitor and BayPart.MONITOR in stands:
        yield from _monitor(furnishing, layout, room)


@kept
def golfers(players: tuple[Player, ...], layout: Layout, surface_m: float) -> tuple[Solid, ...]:
    """Where the players stand, one of each hand: the tallest, with the longest club."""
    return tuple(_golfers(players, layout, surface_m))


def _golfers(players: tuple[Player, ...], layout: Layout, surface_m: float) -> Iterator[Solid]:
    for hand in Handedness:
        tallest = max((p for p in players if p.handedness is hand), key=lambda p: p.height_m, default=None)
        if tallest is not None:
            x = layout.ball_x_m + swing_disc(tallest, tallest.longest_club).hub_x_m
            wide, long = STANDING
            y, z = layout.ball_y_m, surface_m
            yield _solid(
                "golfer",
                f"{tallest.name} at the ball",
                between((x - wide, x + wide), (y - long, y + long), (z, z + tallest.height_m)),
            )


def _solid(key: str, name: str, box: Box) -> Solid:
    return Solid(key, name, Group.BAY, box, box)


@kept
def _bulging_hood(hood: Hood, layout: Layout, room: Room) -> tuple[Solid, ...]:
    return tuple(_bulged(solid, room.width_m / 2) for solid in hood_solids(hood, layout, room))


def _bulged(solid: Solid, middle_m: float) -> Solid:
    (x0, y0, z0), (x1, y1, z1) = solid.box.low, solid.box.high
    left = x0 - SIDE_BULGE_M if x0 < middle_m else x0
    right = x1 + SIDE_BULGE_M if x1 > middle_m else x1
    return solid._replace(box=Box((left, y0, z0), (right, y1, z1)))


def _monitor(furnishing: Furnishing, layout: Layout, room: Room) -> Iterator[Solid]:
    assert furnishing.monitor is not None
    where, distance_m = furnishing.monitor
    wide, long, high = MONITOR_BODY
    x, y = layout.ball_x_m, layout.ball_y_m
    foot = furnishing.floor_m + layout.monitor_pad_m
    if where == "overhead":
        y, foot = y - distance_m, room.ceiling_m - room.lining_m - high
    elif where == "behind":
        y += distance_m
    spots = [x] if where != "beside" else [x + distance_m]
    for at in spots:
        box = between((at - wide / 2, at + wide / 2), (y - long / 2, y + long / 2), (foot, foot + high))
        yield _solid(BayPart.MONITOR, "launch monitor", box)


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
    wide = opening.width_m
    start, end = opening.along_m, opening.along_m + wide
    hinge_at = end if opening.hinge_far else start
    deep = {
        Wall.LEFT: (0.0, wide),
        Wall.RIGHT: (room.width_m - wide, room.width_m),
        Wall.SCREEN: (0.0, wide),
        Wall.REAR: (room.length_m - wide, room.length_m),
    }[opening.wall]
    up = (opening.sill_m, opening.sill_m + opening.height_m)
    if opening.wall.runs_along:
        box = between(deep, (start, end), up)
        hinge = (0.0 if opening.wall is Wall.LEFT else room.width_m, hinge_at)
    else:
        box = between((start, end), deep, up)
        hinge = (hinge_at, 0.0 if opening.wall is Wall.SCREEN else room.length_m)
    leaf = "swing of the door" if opening.kind is OpeningKind.DOOR else "swing of the window"
    name = leaf if opening.name == opening.kind else f"swing of {opening.name}"
    return Solid(f"openings/{opening.id}", name, Group.ROOM, box, box, hinge)
