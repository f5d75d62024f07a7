"""Straight limits on where the ball may lie: the very numbers that checks judge and the hitting region is cut by.

A swing disc moves with the ball, so its distance to a wall or a plane of the ceiling is a linear function of where the
ball is. Each such distance is one *edge*; how much of it is required and comfortable makes it a *rule*.
"""

from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache
from typing import NamedTuple

from core.geometry.ceiling import Ceiling
from core.geometry.edges import BallEdge
from core.geometry.swing_disc import COMFORT_M, SwingDisc
from core.model.reaches import Direction

BEHIND_BALL_OVER_RADIUS_M = 0.30
"""What a golfer needs behind the whole swing (trade)."""
BEHIND_BALL_COMFORT_M = 0.15
FREE_SIDE_LEAST_M = 0.90
"""From the ball line to what the player faces (trade)."""
FREE_SIDE_COMFORT_M = 1.05


class BallRule(NamedTuple):
    """An edge, how far off the ball must stay, and from where on that is comfortable, in metres."""

    check: str
    """Id of the check that judges by it."""
    edge: BallEdge
    least_m: float
    comfortable_m: float
    tolerated_m: float = 0.0
    """What an estimate leaves open."""
    before_m: float | None = None
    """It holds only for a ball this near to the wall behind the screen, or nearer; `None` for everywhere."""

    def holds(self, y: float) -> bool:
        """It holds for a ball at y."""
        return self.before_m is None or y < self.before_m


@dataclass(frozen=True)
class BallRoom:
    """The walls and the ceiling around the swings, and the height that is hit from, in metres."""

    width_m: float
    length_m: float
    ceiling: Ceiling
    surface_m: float


@dataclass(frozen=True)
class Inside:
    """The clear inside of an enclosure, in metres: its middle across the room, half its width, and the y of its mouth.

    A ball lies in it up to there.
    """

    middle_m: float

    half_width_m: float
    mouth_m: float


@lru_cache(maxsize=1024)
def edges_of(disc: SwingDisc, room: BallRoom) -> tuple[BallEdge, ...]:
    """From the swing disc to both side walls, the rear wall and each plane of the ceiling; wherever the ball lies."""
    return tuple(_edges(disc, room))


def _edges(disc: SwingDisc, room: BallRoom) -> Iterator[BallEdge]:
    low, high = disc.low_m, disc.high_m
    yield BallEdge("left wall", 1.0, 0.0, low[0], disc.leftmost_m)
    yield BallEdge("right wall", -1.0, 0.0, room.width_m - high[0], disc.rightmost_m)
    yield BallEdge("rear wall", 0.0, -1.0, room.length_m - high[1], disc.rearmost_m)
    yield from room.ceiling.edges(disc, room.surface_m)


BEHIND_BALL, FREE_SIDE, TO_SCREEN = "room.behind_ball", "room.free_side", "room.ball_to_screen"
CHECK_BY_EDGE = {
    "left wall": "swing.side_walls",
    "right wall": "swing.side_walls",
    "rear wall": "swing.rear_wall",
    "ceiling": "swing.ceiling",
}


def swing_rules(disc: SwingDisc, room: BallRoom) -> tuple[BallRule, ...]:
    """The straight limits that a swing sets the ball: it stays off walls and ceiling, and has room behind it."""
    swings = (
        BallRule(CHECK_BY_EDGE[edge.name], edge, 0.0, COMFORT_M, disc.doubt_m(edge.toward))
        for edge in edges_of(disc, room)
    )
    least_m = behind_ball_m(disc)
    behind = BallEdge("rear wall", 0.0, -1.0, room.length_m)
    return (*swings, BallRule(BEHIND_BALL, behind, least_m, least_m + BEHIND_BALL_COMFORT_M))


def behind_ball_m(disc: SwingDisc) -> float:
    """What a golfer needs behind the ball, in metres: the full radius, or what a slow swing reached, and 0.30 m."""
    reached_m = disc.high_m[1] if Direction.BEHIND in disc.measured else disc.full_radius_m
    return reached_m + BEHIND_BALL_OVER_RADIUS_M


def free_side_rules(right_handed: bool, width_m: float, inside: Inside | None) -> tuple[BallRule, ...]:
    """From the ball to the wall that the player faces; for a ball inside an enclosure, to its side."""
    to_wall = BallEdge("wall", -1.0, 0.0, width_m) if right_handed else BallEdge("wall", 1.0, 0.0, 0.0)
    found = [BallRule(FREE_SIDE, to_wall, FREE_SIDE_LEAST_M, FREE_SIDE_COMFORT_M)]
    if inside is not None:
        sign = -1.0 if right_handed else 1.0
        side = BallEdge("enclosure's side", sign, 0.0, inside.half_width_m - sign * inside.middle_m)
        found.append(BallRule(FREE_SIDE, side, FREE_SIDE_LEAST_M, FREE_SIDE_COMFORT_M, before_m=inside.mouth_m))
    return tuple(found)


def to_screen_rule(screen_y_m: float, least_m: float, comfortable_m: float) -> BallRule:
    """From the ball to what stops it."""
    return BallRule(TO_SCREEN, BallEdge("screen", 0.0, 1.0, -screen_y_m), least_m, comfortable_m)
