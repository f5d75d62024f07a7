"""Where the ball may be: every position at which all players stay clear, as areas of the floor.

Each straight rule is one half-plane, and what they leave of the floor is a convex polygon: exact, where a grid would
only sample it. What boxes rule out, and what holds only inside an enclosure, is then cut out of it.
"""

from collections.abc import Iterable, Iterator
from functools import lru_cache
from itertools import chain
from math import hypot
from typing import Any, NamedTuple

import numpy as np
from shapely import MultiPoint, MultiPolygon, Polygon, maximum_inscribed_circle, polygons, unary_union
from shapely import Point as GeometryPoint
from shapely.geometry.base import BaseGeometry
from shapely.ops import nearest_points

from core.geometry.ball_rules import BallRule
from core.geometry.boxes import Box
from core.geometry.edges import HalfPlane, Point
from core.geometry.keep_out import Outline, keep_outs
from core.geometry.swing_disc import COMFORT_M, SwingDisc
from core.model.laying import Rectangle
from core.quantities.tolerances import ROUNDING, STORED_DECIMALS, TOLD_DECIMALS_M

BEYOND_M = 1.0
"""Outlines reach this far over the edge of the floor, so that nothing is left along it."""


class Area(NamedTuple):
    """One connected area of the floor: its outline, and what is cut out of it, as corners (x, y) in metres."""

    outline: tuple[Point, ...]
    holes: tuple[tuple[Point, ...], ...] = ()


@lru_cache(maxsize=256)
def clear_floor(
    width_m: float,
    length_m: float,
    rules: tuple[BallRule, ...],
    discs: tuple[SwingDisc, ...],
    surface_m: float,
    boxes: tuple[Box, ...],
    left_out: tuple[Rectangle, ...] = (),
) -> tuple[Area, ...]:
    """Where the ball may be by `rules`, comfortably, and for swings of `discs` to be clear of `boxes`.

    What is `left_out` of the floor is not offered.

    It does not hang on where the ball is, and is kept while that is dragged.
    """
    limits: list[HalfPlane] = []
    outlines: list[Outline] = []
    for rule in rules:
        keeping = rule.edge.keeping(rule.comfortable_m)
        if rule.before_m is None:
            limits.append(keeping)
        else:
            outlines += _beyond(keeping, width_m, rule.before_m)
    outlines += [
        outline for disc in discs for box in boxes for outline in keep_outs(disc, surface_m, box, COMFORT_M, width_m)
    ]
    outlines += [
        np.array([(x0_m, y0_m), (x1_m, y0_m), (x1_m, y1_m), (x0_m, y1_m)]) for x0_m, y0_m, x1_m, y1_m in left_out
    ]
    return region(width_m, length_m, limits, outlines)


def _beyond(keeping: HalfPlane, width_m: float, before_m: float) -> Iterator[Outline]:
    """What of the floor, as far as `before_m` from the screen's wall, is not within a half-plane across."""
    limit_m = keeping.limit / keeping.a
    low, high = (limit_m, width_m) if keeping.a > 0 else (0.0, limit_m)
    if low < high:
        yield np.array([(low, -BEYOND_M), (high, -BEYOND_M), (high, before_m), (low, before_m)])


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
    areas = [_area(piece) for piece in pieces if isinstance(piece, Polygon) and piece.area > ROUNDING]
    return tuple(sorted(areas, key=lambda area: -Polygon(area.outline, area.holes).area))


def nearest_inside(areas: tuple[Area, ...], wanted: Point) -> Point:
    """The point of `areas` nearest to `wanted`; `wanted` itself where it is inside. Raises `ValueError` for none."""
    at = GeometryPoint(wanted)
    found = []
    for area in areas:
        shape = _shape(area)
        if shape.distance(at) <= ROUNDING:
            return wanted
        nearest, _ = nearest_points(shape, at)
        found.append((shape.distance(at), (float(nearest.x), float(nearest.y))))
    return min(found)[1]


def typed_inside(areas: tuple[Area, ...], wanted: Point) -> Point | None:
    """The point of `areas` nearest to `wanted`, to the millimetre as it would be typed: on an edge, the inner side.

    A corner that is sharper than that is told to the tenth, as it is stored, or left for a point well inside. `None`
    where even that finds no room to put a ball. Raises `ValueError` for no areas.
    """
    for spot in chain([nearest_inside(areas, wanted)], _well_inside(areas)):
        for decimals in (TOLD_DECIMALS_M, STORED_DECIMALS):
            point = _rounded_inside(areas, spot, (0.0, 0.0), decimals)
            if point is not None:
                return point
    return None


WELL_INSIDE_M = 0.001
"""How exactly the point that is furthest from the edges of an area is sought."""


def _well_inside(areas: tuple[Area, ...]) -> Iterator[Point]:
    """The point of each area that is furthest from its edges, the widest area first."""
    for area in sorted(areas, key=lambda area: -_shape(area).area):
        if _shape(area).area:
            radius: Any = maximum_inscribed_circle(_shape(area), np.float64(WELL_INSIDE_M))
            (x, y), _ = radius.coords
            yield float(x), float(y)


def told_shift(areas: tuple[Area, ...], start: Point) -> Point | None:
    """How far across and along the nearest point of `areas` is, in whole millimetres, as it is told and moved by.

    `None` where no such move ends inside. Raises `ValueError` for no areas.
    """
    found = _rounded_inside(areas, nearest_inside(areas, start), start, TOLD_DECIMALS_M)
    return None if found is None else (found[0] - start[0], found[1] - start[1])


def _rounded_inside(areas: tuple[Area, ...], spot: Point, origin: Point, decimals: int) -> Point | None:
    """The point inside that is nearest to `spot` of those around it that are so many decimals from `origin`."""
    step = 10.0**-decimals
    (x0, y0), x, y = origin, round(spot[0] - origin[0], decimals), round(spot[1] - origin[1], decimals)
    around = [
        (x0 + round(x + dx * step, decimals), y0 + round(y + dy * step, decimals))
        for dx in (0, -1, 1)
        for dy in (0, -1, 1)
    ]
    inside = [point for point in around if nearest_inside(areas, point) == point]
    return min(inside, key=lambda point: hypot(point[0] - spot[0], point[1] - spot[1]), default=None)


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
        if over <= ROUNDING:
            kept.append(start)
        if (over > ROUNDING) != (under > ROUNDING):
            share = over / (over - under)
            kept.append((start[0] + share * (end[0] - start[0]), start[1] + share * (end[1] - start[1])))
    return kept
