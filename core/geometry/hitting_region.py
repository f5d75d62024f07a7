"""Where the ball may be: every position at which all players stay clear, as a convex polygon on the floor.

A swing disc moves with the ball, so its distance to a wall or a ceiling plane is a linear function of where the
ball is. Each wall, plane and rule of the room is then one half-plane, and what is left of the floor is their
intersection: exact, where a grid would only sample it.
"""

from collections.abc import Iterable
from typing import NamedTuple

from core.geometry.ceiling import Ceiling
from core.geometry.swing_disc import COMFORT_M, swing_disc
from core.model.brief import Handedness, Player
from core.model.room import Room

Point = tuple[float, float]
EDGE_M = 1e-9


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


def region(room: Room, limits: Iterable[HalfPlane]) -> tuple[Point, ...]:
    """The corners (x, y) of the floor that all `limits` leave; none where they leave nothing.

    >>> from core.model.room import Room
    >>> region(Room(width_m=4, length_m=6), [HalfPlane(-1, 0, -1), HalfPlane(0, 1, 2)])
    ((1.0, 0.0), (4.0, 0), (4.0, 2.0), (1.0, 2.0))
    """
    corners: list[Point] = [(0, 0), (room.width_m, 0), (room.width_m, room.length_m), (0, room.length_m)]
    tightest: dict[tuple[float, float], float] = {}
    for a, b, limit in limits:
        tightest[a, b] = min(limit, tightest.get((a, b), limit))
    for (a, b), limit in tightest.items():
        corners = _clipped(corners, HalfPlane(a, b, limit))
    return tuple(corners)


def nearest_inside(corners: tuple[Point, ...], wanted: Point) -> Point:
    """The point of a convex polygon nearest to `wanted`; `wanted` itself where it is inside."""
    edges = list(zip(corners, (*corners[1:], corners[0]), strict=True))
    if all((x2 - x1) * (wanted[1] - y1) - (y2 - y1) * (wanted[0] - x1) >= -EDGE_M for (x1, y1), (x2, y2) in edges):
        return wanted
    candidates = [_nearest_on(start, end, wanted) for start, end in edges]
    return min(candidates, key=lambda point: (point[0] - wanted[0]) ** 2 + (point[1] - wanted[1]) ** 2)


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


def _nearest_on(start: Point, end: Point, wanted: Point) -> Point:
    along = (end[0] - start[0], end[1] - start[1])
    length = along[0] ** 2 + along[1] ** 2
    if length == 0:
        return start
    share = ((wanted[0] - start[0]) * along[0] + (wanted[1] - start[1]) * along[1]) / length
    share = min(1.0, max(0.0, share))
    return start[0] + share * along[0], start[1] + share * along[1]
