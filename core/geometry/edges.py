"""Distances that change in a straight line with where the ball is, and the half of the floor that keeps one."""

from math import sqrt
from typing import NamedTuple

from core.geometry.swing_disc import Point3

Point = tuple[float, float]


class HalfPlane(NamedTuple):
    """a·x + b·y ≤ limit, in metres."""

    a: float
    b: float
    limit: float

    def excess(self, point: Point) -> float:
        """How far `point` is over the limit; negative inside."""
        return self.a * point[0] + self.b * point[1] - self.limit


class BallEdge(NamedTuple):
    """A distance that is a·x + b·y + c for a ball at x, y, in metres, and where on the swing it is taken."""

    name: str
    """What it is the distance to."""
    a: float
    b: float
    c: float
    at: Point3 = (0.0, 0.0, 0.0)
    """The point that is nearest, relative to the ball."""

    @property
    def toward(self) -> Point3:
        """The way from the swing to the edge, one metre long; nothing is measured to what is below.

        >>> BallEdge("wall", -1.0, 0.0, 4.0).toward, BallEdge("ceiling", 0.0, 0.0, 0.2).toward
        ((1.0, -0.0, 0.0), (-0.0, -0.0, 1.0))
        """
        return -self.a, -self.b, sqrt(max(0.0, 1.0 - self.a**2 - self.b**2))

    def distance_m(self, x: float, y: float) -> float:
        """The distance for a ball at x, y; negative beyond the edge."""
        return self.a * x + self.b * y + self.c

    def keeping(self, distance_m: float) -> HalfPlane:
        """Where the ball may be for the distance to be no less than that."""
        return HalfPlane(-self.a, -self.b, self.c - distance_m)
