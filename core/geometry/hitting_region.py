"""Where the ball may be: every position at which all players stay clear, as areas of the floor.

A swing disc moves with the ball, so its distance to a wall or a ceiling plane is a linear function of where the
ball is. Each wall, plane and rule of the room is then one half-plane, and what they leave of the floor is a convex
polygon: exact, where a grid would only sample it. What boxes rule out is then cut out of it.
"""

from collections.abc import Iterable
from functools import lru_cache
from typing import Any, NamedTuple

from shapely import MultiPoint, MultiPolygon, Polygon, polygons, unary_union
from shapely import Point as GeometryPoint
from shapely.geometry.base import BaseGeometry
from shapely.ops import nearest_points

from core.geometry.boxes import Box
from core.geometry.ceiling import Ceiling
from core.geometry.keep_out import Outline, keep_outs
from core.geometry.swing_disc import COMFORT_M, SwingDisc, swing_disc
from core.model.brief import Handedness, Player
from core.model.room import Room

Point = tuple[float, float]
EDGE_M = 1e-9


class Area(NamedTuple):
    """One connected area of the floor: its outline, and what is cut out of it, as corners (x, y) in metres."""

    outline: tuple[Point, ...]
    holes: tuple[tuple[Point, ...], ...] = ()


class HalfPlane(NamedTuple):
    """a·x + b·y ≤ limit, in metres."""

    a: float
    b: float
    limit: float

    def excess(self, point: Point) -> float:
        """How far `point` is over the limit; negative inside."""
        return self.a * point[0] + self.b * point[1] - self.limit


def swing_limits(player: Player, room: Room, ceiling: Ceiling, surface_m: float) -> Iterable[HalfPlane]:
    """Where the ball may be for `player`'s longest club to stay clear of walls and ceiling by the comfort margin."""
    disc = swing_disc(player, player.longest_club)
    low, high = disc.low_m, disc.high_m
    yield HalfPlane(-1, 0, low[0] - COMFORT_M)
    yield HalfPlane(1, 0, room.width_m - high[0] - COMFORT_M)
    yield HalfPlane(0, 1, room.length_m - high[1] - COMFORT_M)
    for plane in ceiling.planes:
        # The ball adds a·x + b·y − surface to every point of the disc.
        below_m, _ = disc.nearest_to_slope(plane.a, plane.b)
        spare = below_m + plane.c - surface_m - COMFORT_M * plane.steepness
        yield HalfPlane(-plane.a, -plane.b, spare)


def free_side_limit(player: Player, room: Room, least_m: float) -> HalfPlane:
    """The ball keeps `least_m` from the wall that `player` faces."""
    if player.handedness is Handedness.RIGHT:
        return HalfPlane(1, 0, room.width_m - least_m)
    return HalfPlane(-1, 0, -least_m)


def clear_floor(
    room: Room,
    ceiling: Ceiling,
    surface_m: float,
    players: Iterable[Player],
    boxes: tuple[Box, ...],
    rules: Iterable[HalfPlane],
) -> tuple[Area, ...]:
    """Where the ball may be for the longest clubs of `players` to be clear of room and boxes, by `rules` besides."""
    limits, discs = list(rules), []
    for player in players:
        limits += swing_limits(player, room, ceiling, surface_m)
        discs.append(swing_disc(player, player.longest_club))
    return _clear_floor(room.width_m, room.length_m, tuple(limits), tuple(discs), surface_m, boxes)


@lru_cache(maxsize=256)
def _clear_floor(
    width_m: float,
    length_m: float,
    limits: tuple[HalfPlane, ...],
    discs: tuple[SwingDisc, ...],
    surface_m: float,
    boxes: tuple[Box, ...],
) -> tuple[Area, ...]:
    """Kept, since dragging the ball about changes nothing of it."""
    outlines = [
        outline for disc in discs for box in boxes for outline in keep_outs(disc, surface_m, box, COMFORT_M, width_m)
    ]
    return region(width_m, length_m, limits, outlines)


def region(
    width_m: float, length_m: float, limits: Iterable[HalfPlane], keep_out: Iterable[Outline] = ()
) -> tuple[Area, ...]:
    """What `limits` leave of a floor and `keep_out` does not cover, the largest area first.

    >>> region(4, 6, [HalfPlane(-1, 0, -1), HalfPlane(0, 1, 2)])
    (Area(outline=((1.0, 0.0), (4.0, 0.0), (4.0, 2.0), (1.0, 2.0)), holes=()),)
    """
    corners: list[Point] = [(0, 0), (width_m, 0), (width_m, length_m), (0, length_m)]
    tightest: dict[tuple[float, float], float] = {}
    for a, b, limit in limits:
        tightest[a, b] = min(limit, tightest.get((a, b), limit))
    for (a, b), limit in tightest.items():
        corners = _clipped(corners, HalfPlane(a, b, limit))
    outlines: list[Any] = [polygons(outline) for outline in keep_out if len(outline) > MOST_FLAT]
    if not outlines:
        return (Area(tuple((float(x), float(y)) for x, y in corners)),) if corners else ()
    if len(corners) <= MOST_FLAT:
        return ()
    left = Polygon(corners).difference(unary_union(outlines))
    pieces = left.geoms if isinstance(left, MultiPolygon) else [left]
    areas = [_area(piece) for piece in pieces if isinstance(piece, Polygon) and piece.area > EDGE_M]
    return tuple(sorted(areas, key=lambda area: -Polygon(area.outline, area.holes).area))


def nearest_inside(areas: tuple[Area, ...], wanted: Point) -> Point:
    """The point of `areas` nearest to `wanted`; `wanted` itself where it is inside. Raises `ValueError` for none."""
    at = GeometryPoint(wanted)
    found = []
    for area in areas:
        shape = _shape(area)
        if shape.distance(at) <= EDGE_M:
            return wanted
        nearest, _ = nearest_points(shape, at)
        found.append((shape.distance(at), (float(nearest.x), float(nearest.y))))
    return min(found)[1]


MOST_FLAT = 2
"""Corners that enclose nothing: a point or a line on which everybody is just clear."""


@lru_cache(maxsize=512)
def _shape(area: Area) -> BaseGeometry:
    if len(area.outline) > MOST_FLAT:
        return Polygon(area.outline, area.holes)
    return MultiPoint(area.outline).convex_hull


def _area(piece: Polygon) -> Area:
    rings = [tuple((float(x), float(y)) for x, y in ring.coords[:-1]) for ring in (piece.exterior, *piece.interiors)]
    outline = rings[0] if piece.exterior.is_ccw else rings[0][::-1]
    return Area(outline, tuple(rings[1:]))


def _clipped(corners: list[Point], limit: HalfPlane) -> list[Point]:
    kept: list[Point] = []
    for start, end in zip(corners, corners[1:] + corners[:1], strict=True):
        over, under = limit.excess(start), limit.excess(end)
        if over <= EDGE_M:
            kept.append(start)
        if (over > EDGE_M) != (under > EDGE_M):
            share = over / (over - under)
            kept.append((start[0] + share * (end[0] - start[0]), start[1] + share * (end[1] - start[1])))
    return kept
