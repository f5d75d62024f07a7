"""Where a cable runs from the machine to what hangs or stands elsewhere, and how long it must be."""

from dataclasses import dataclass
from functools import cached_property
from itertools import pairwise
from math import dist

from core.geometry.ceiling import Ceiling
from core.quantities.tolerances import ROUNDING

Point3 = tuple[float, float, float]
SLACK_FACTOR = 1.10
END_M = 0.5
"""At each end, to reach the plug (trade)."""
STOCK_LENGTHS_M = (0.5, 1.0, 1.5, 2.0, 3.0, 5.0, 7.5, 10.0, 15.0, 20.0, 30.0)
"""Lengths in which cables are sold (trade)."""


@dataclass(frozen=True)
class CableRoute:
    """A cable's way, square along walls and floor, and along a ceiling as it slopes."""

    points: tuple[Point3, ...]

    @cached_property
    def path_m(self) -> float:
        """Length of the way itself, in metres."""
        return sum(dist(start, end) for start, end in pairwise(self.points))

    @property
    def needed_m(self) -> float:
        """Length of cable: the way × 1.10 and 0.5 m at each end, in metres.

        >>> CableRoute(((0.0, 4.0, 0.8), (0.0, 4.0, 2.6), (2.0, 4.0, 2.6))).needed_m
        5.18
        """
        return self.path_m * SLACK_FACTOR + 2 * END_M

    @property
    def stock_m(self) -> float | None:
        """The next length in which cables are sold; `None` beyond the longest."""
        return next((length for length in STOCK_LENGTHS_M if length >= self.needed_m - ROUNDING), None)


def route_over_ceiling(start: Point3, end: Point3, ceiling: Ceiling) -> CableRoute:
    """Up the wall from `start`, square along under the ceiling and over its ridge, and down to `end`."""
    (x0, y0, _), (x1, y1, _) = start, end
    along, across = ceiling.bends((x0, y0), (x0, y1)), ceiling.bends((x0, y1), (x1, y1))
    corners = ((x0, y0), *along, (x0, y1), *across, (x1, y1))
    return CableRoute((start, *((x, y, ceiling.height_m(x, y)) for x, y in corners), end))


def route_along_floor(start: Point3, end: Point3) -> CableRoute:
    """Down to the floor from `start`, square along it, and up to `end`."""
    (x0, y0, _), (x1, y1, _) = start, end
    return CableRoute((start, (x0, y0, 0.0), (x0, y1, 0.0), (x1, y1, 0.0), end))
