"""Where things of one layout are in each other's way, or in that of the room's walls and ceiling."""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from itertools import combinations
from math import hypot, inf, isfinite

from core.geometry.boxes import Box, between
from core.geometry.ceiling import Ceiling
from core.geometry.solids import Group, Solid
from core.geometry.swing_disc import Point3
from core.geometry.through import door_for
from core.model.room import Room
from core.model.things import Wall
from core.quantities.tolerances import TOUCHING_M

WALLS = {
    "left wall": Wall.LEFT,
    "right wall": Wall.RIGHT,
    "wall behind the screen": Wall.SCREEN,
    "rear wall": Wall.REAR,
}


@dataclass(frozen=True)
class Conflict:
    """Two things and how far they reach into each other across, along and up, in metres."""

    first: Solid
    second: Solid
    overlap_m: Point3

    @property
    def depth_m(self) -> float:
        """Along the shortest way out."""
        return min(self.overlap_m)


@dataclass(frozen=True)
class Gap:
    """Two things and how far they are apart, in metres."""

    first: Solid
    second: Solid
    wide_m: float


def conflicts(solids: Sequence[Solid], room: Room, ceiling: Ceiling | None) -> tuple[Conflict, ...]:
    """All conflicts, the deepest first. The room's own things may touch each other, as may parts of the bay."""
    found = list(_among(combinations(solids, 2)))
    for solid in solids:
        if solid.group in (Group.STORED, Group.ZONE):
            found += _with_room(solid, room, ceiling)
    return _deepest_first(found)


def near(standing: Sequence[Solid], bay: Sequence[Solid], within_m: float) -> list[tuple[Solid, Solid]]:
    """What stands in the room with each part of the bay that is within `within_m` of it along every axis."""
    bay_boxes = [(part, *part.box.low, *part.box.high) for part in bay]
    found = []
    for solid in standing:
        reach = solid.box.grown(within_m)
        (x0, y0, z0), (x1, y1, z1) = reach.low, reach.high
        for part, low_x, low_y, low_z, high_x, high_y, high_z in bay_boxes:
            if x0 < high_x and low_x < x1 and y0 < high_y and low_y < y1 and z0 < high_z and low_z < z1:
                found.append((solid, part))
    return found


def with_bay(found: Iterable[Conflict], pairs: Iterable[tuple[Solid, Solid]]) -> tuple[Conflict, ...]:
    """The conflicts `found` among what stands in the room, and those in `pairs` with a bay put up in it, deepest first.

    `pairs` are what is near each other: what is further apart is in nobody's way.
    """
    return _deepest_first([*found, *_among(pairs)])


def narrowest(pairs: Iterable[tuple[Solid, Solid]]) -> Gap | None:
    """The narrowest gap among `pairs`, of which none are in each other's way; `None` where none is near another."""
    return min((Gap(*pair, gap_m(*pair)) for pair in pairs), key=lambda gap: gap.wide_m, default=None)


def gap_m(first: Solid, second: Solid) -> float:
    """How far two solids are apart, in metres; 0 where they touch or overlap. A door's leaf is as wide as it is.

    A crate that begins 0.30 m beside and 0.40 m behind a bench is 0.50 m from it.

    >>> bench, crate = Box((0, 0, 0), (1.2, 0.6, 0.9)), Box((1.5, 1.0, 0), (2.0, 2.0, 0.5))
    >>> solids = [Solid(name, name, Group.STORED, box, box) for name, box in (("bench", bench), ("crate", crate))]
    >>> round(gap_m(*solids), 2)
    0.5
    """
    across_m, along_m, up_m = (max(0.0, -overlap) for overlap in first.box.overlap_m(second.box))
    beside_m = max(hypot(across_m, along_m), _beyond_leaf_m(first, second), _beyond_leaf_m(second, first))
    return hypot(beside_m, up_m)


def _beyond_leaf_m(leaf: Solid, other: Solid) -> float:
    """How far `other` is beyond the reach of a door's leaf; 0 where `leaf` is none."""
    return 0.0 if leaf.hinge is None else max(0.0, _from_hinges_m(leaf.hinge, other.box) - _leaf_m(leaf))


def _from_hinges_m(hinge: tuple[float, float], box: Box) -> float:
    (hx, hy), (x0, y0, _), (x1, y1, _) = hinge, box.low, box.high
    return hypot(max(x0 - hx, hx - x1, 0.0), max(y0 - hy, hy - y1, 0.0))


def _leaf_m(leaf: Solid) -> float:
    return min(leaf.box.high[0] - leaf.box.low[0], leaf.box.high[1] - leaf.box.low[1])


def _among(pairs: Iterable[tuple[Solid, Solid]]) -> Iterator[Conflict]:
    for first, second in pairs:
        if first.box.apart(second.box) or not may_conflict(first, second):
            continue
        if min(overlap := overlap_m(first, second)) > TOUCHING_M:
            yield Conflict(first, second, overlap)


def _deepest_first(found: Iterable[Conflict]) -> tuple[Conflict, ...]:
    return tuple(sorted(found, key=lambda conflict: -conflict.depth_m))


def may_conflict(first: Solid, second: Solid) -> bool:
    """The room is as it is, and the parts of the bay are checked against each other by rules of their own."""
    return first.group is not second.group or first.group is Group.STORED


def overlap_m(first: Solid, second: Solid) -> Point3:
    """Overlap of two solids across, along and up; a door's leaf reaches only its own width from its hinges."""
    overlap = first.box.overlap_m(second.box)
    for leaf, other in ((first, second), (second, first)):
        if leaf.hinge is not None and min(overlap) > 0:
            within_m = _leaf_m(leaf) - _from_hinges_m(leaf.hinge, other.box)
            overlap = (min(overlap[0], within_m), overlap[1], overlap[2])
    return overlap


def free_shift(
    moving: Solid, other: Solid, solids: Sequence[Solid], room: Room, ceiling: Ceiling | None, spare_m: float
) -> Point3 | None:
    """The shortest shift across or along that frees `moving` from `other` and everything else, if one does.

    It leaves `spare_m` between the two.
    """
    others = [solid for solid in solids if solid is not moving]
    (x0, y0, _), (x1, y1, _) = moving.box.low, moving.box.high
    (ox0, oy0, _), (ox1, oy1, _) = other.box.low, other.box.high
    right, left, back, ahead = ox1 - x0 + spare_m, ox0 - x1 - spare_m, oy1 - y0 + spare_m, oy0 - y1 - spare_m
    shifts = [(right, 0.0, 0.0), (left, 0.0, 0.0), (0.0, back, 0.0), (0.0, ahead, 0.0)]
    # Beyond a wall is no way out: the wall has no far side.
    ways = (shift for shift in shifts if isfinite(shift[0]) and isfinite(shift[1]))
    for shift in sorted(ways, key=lambda by: abs(by[0]) + abs(by[1])):
        moved = moving._replace(box=moving.box.moved(shift))
        if not any(moved in (found.first, found.second) for found in conflicts([*others, moved], room, ceiling)):
            return shift
    return None


def _with_room(solid: Solid, room: Room, ceiling: Ceiling | None) -> Iterator[Conflict]:
    """With the walls it reaches beyond other than through a door, and with the ceiling."""
    beyond = {
        "left wall": between((-inf, 0.0), (-inf, inf), (-inf, inf)),
        "right wall": between((room.width_m, inf), (-inf, inf), (-inf, inf)),
        "wall behind the screen": between((-inf, inf), (-inf, 0.0), (-inf, inf)),
        "rear wall": between((-inf, inf), (room.length_m, inf), (-inf, inf)),
    }
    if ceiling is not None:
        (x0, y0, _), (x1, y1, _) = solid.box.low, solid.box.high
        beyond["ceiling"] = between((-inf, inf), (-inf, inf), (ceiling.lowest_over_m((x0, x1), (y0, y1)), inf))
    for name, box in beyond.items():
        wall = Solid("", name, Group.ROOM, box, box)
        overlap = Box(solid.box.low, solid.box.high).overlap_m(box)
        if min(overlap) > TOUCHING_M and not (name in WALLS and door_for(solid.box, WALLS[name], room)):
            yield Conflict(solid, wall, overlap)
