"""Shanks: balls off the hosel, which fly low and far aside, and what beside the bay stops them."""

from collections.abc import Sequence
from functools import lru_cache
from typing import NamedTuple

import numpy as np

from core.geometry.boxes import Box
from core.geometry.rays import Floats, directions, met_at
from core.geometry.swing_disc import Point3
from core.model.brief import Handedness

LEAST_ASIDE_DEG, MOST_ASIDE_DEG = 25.0, 65.0
"""A shank leaves so far away from the player, up to 20° up; each angle as often as another (trade)."""
RIGHT: Floats = directions((LEAST_ASIDE_DEG, MOST_ASIDE_DEG, 81), (0.0, 20.0, 21))
LEFT: Floats = RIGHT * np.array([-1.0, 1.0, 1.0])
CATCHES = 0.995
"""A panel is as large as holds so many of the ways that are open, so that what is told is clear with it (trade)."""


LET_PAST = 0.004
"""Of all shanks, what a panel may miss and still be one (trade)."""


class Rectangle(NamedTuple):
    """A panel beside the bay, in metres: from where it begins toward the golfer, and up from the floor."""

    length_m: float
    height_m: float


def ways_of(hand: Handedness) -> Floats:
    """(N, 3) where shanks of players of this hand leave to: right off a right-hander's club."""
    return RIGHT if hand is Handedness.RIGHT else LEFT


def open_ways(ball: Point3, hand: Handedness, stops: Sequence[Box]) -> Floats:
    """(M, 3) the ways that meet none of `stops`."""
    return _open_ways(ball, hand, tuple(stops))


@lru_cache(maxsize=64)
def _open_ways(ball: Point3, hand: Handedness, stops: tuple[Box, ...]) -> Floats:
    """Share and panel of one ball ask for the same, and so does a look at what a doubtful fact would change."""
    ways = ways_of(hand)
    if not stops:
        return ways
    missed: Floats = ways[~np.isfinite(met_at(ball, ways, stops)).any(axis=1)]
    return missed


def open_share(ball: Point3, hand: Handedness, stops: Sequence[Box]) -> float:
    """The share of shanks that nothing of `stops` is in the way of."""
    return len(open_ways(ball, hand, stops)) / len(ways_of(hand))


def panel_for(
    ball: Point3, hand: Handedness, stops: Sequence[Box], side_x_m: float, from_y_m: float
) -> Rectangle | None:
    """The panel along the bay at `side_x_m`, from `from_y_m` on, that holds nearly all of what is open.

    `None` where nothing is open, or no panel there catches it: the ball lies beyond that side, or they fly under the
    screen.
    """
    ways = open_ways(ball, hand, stops)
    x, y, z = ball
    across_m = side_x_m - x
    far = np.where(ways[:, 0] * across_m > 0, across_m / ways[:, 0], np.inf)
    along = y + far * ways[:, 1] - from_y_m
    caught = np.isfinite(far) & (along > 0)
    if not caught.any() or (len(ways) - caught.sum()) / len(ways_of(hand)) > LET_PAST:
        return None
    up = z + far[caught] * ways[caught, 2]
    return Rectangle(float(np.quantile(along[caught], CATCHES)), float(np.quantile(up, CATCHES)))
