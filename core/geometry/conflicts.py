"""Where things of one layout are in each other's way, or in that of the room's walls and ceiling."""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import combinations, product
from math import hypot, inf

from core.geometry.boxes import Box, between
from core.geometry.ceiling import Ceiling
from core.geometry.solids import Group, Solid
from core.geometry.swing_disc import Point3
from core.model.room import Room

TOUCHING_M = 0.001
"""Things that touch are not in each other's way."""


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


def conflicts(solids: Sequence[Solid], room: Room, ceiling: Ceiling | None) -> tuple[Conflict, ...]:
    """All conflicts, the deepest first. The room's own things may touch each other, as may parts of the bay."""
    found = list(_among(combinations(solids, 2)))
    for solid in solids:
        if solid.group is Group.STORED:
            found += _with_room(solid, room, ceiling)
    return _deepest_first(found)


def with_bay(standing: Sequence[Solid], found: Iterable[Conflict], bay: Sequence[Solid]) -> tuple[Conflict, ...]:
    """The conflicts `found` among what is `standing` in the room, and those of a bay put up in it, deepest first."""
    return _deepest_first([*found, *_among(product(standing, bay))])


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
            (hx, hy), (x0, y0, _), (x1, y1, _) = leaf.hinge, other.box.low, other.box.high
            away = hypot(max(x0 - hx, hx - x1, 0.0), max(y0 - hy, hy - y1, 0.0))
            radius = min(leaf.box.high[0] - leaf.box.low[0], leaf.box.high[1] - leaf.box.low[1])
            overlap = (min(overlap[0], radius - away), overlap[1], overlap[2])
    return overlap


def free_shift(conflict: Conflict, solids: Sequence[Solid], room: Room, ceiling: Ceiling | None) -> Point3 | None:
    """The shortest shift across or along that frees the stored thing of `conflict` from everything, if one does."""
    moving = conflict.first if conflict.first.group is Group.STORED else conflict.second
    other = conflict.second if moving is conflict.first else conflict.first
    if moving.group is not Group.STORED:
        return None
    others = [solid for solid in solids if solid is not moving]
    (x0, y0, _), (x1, y1, _) = moving.box.low, moving.box.high
    (ox0, oy0, _), (ox1, oy1, _) = other.box.low, other.box.high
    shifts = [(ox1 - x0, 0.0, 0.0), (ox0 - x1, 0.0, 0.0), (0.0, oy1 - y0, 0.0), (0.0, oy0 - y1, 0.0)]
    for shift in sorted(shifts, key=lambda by: abs(by[0]) + abs(by[1])):
        moved = replace(moving, box=moving.box.moved(shift))
        if not any(moved in (found.first, found.second) for found in conflicts([*others, moved], room, ceiling)):
            return shift
    return None


def _with_room(solid: Solid, room: Room, ceiling: Ceiling | None) -> Iterator[Conflict]:
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
        if min(overlap) > TOUCHING_M:
            yield Conflict(solid, wall, overlap)
