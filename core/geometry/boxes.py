"""Boxes along the axes of the room: what is in the way, or takes up space."""

from math import inf
from typing import NamedTuple

from core.geometry.swing_disc import Point3


class Box(NamedTuple):
    """From `low` to `high`, in metres. A side may be infinitely far: what is fixed to a wall has nothing behind it."""

    low: Point3
    high: Point3

    def grown(self, by_m: float) -> "Box":
        """This box with `by_m` of padding on every side."""
        (x0, y0, z0), (x1, y1, z1) = self.low, self.high
        return Box((x0 - by_m, y0 - by_m, z0 - by_m), (x1 + by_m, y1 + by_m, z1 + by_m))

    def moved(self, by: Point3) -> "Box":
        """This box, shifted."""
        (x0, y0, z0), (x1, y1, z1), (x, y, z) = self.low, self.high, by
        return Box((x0 + x, y0 + y, z0 + z), (x1 + x, y1 + y, z1 + z))

    def common(self, other: "Box") -> "Box":
        """What two boxes that overlap share.

        >>> Box((0.0, 0.0, 0.0), (2.0, 2.0, 2.0)).common(Box((1.0, -1.0, 0.5), (3.0, 1.5, 1.0)))
        Box(low=(1.0, 0.0, 0.5), high=(2.0, 1.5, 1.0))
        """
        x0, y0, z0 = (max(pair) for pair in zip(self.low, other.low, strict=True))
        x1, y1, z1 = (min(pair) for pair in zip(self.high, other.high, strict=True))
        return Box((x0, y0, z0), (x1, y1, z1))

    def apart(self, other: "Box") -> bool:
        """There is a gap between the two, or they touch."""
        (ax0, ay0, az0), (ax1, ay1, az1), (bx0, by0, bz0), (bx1, by1, bz1) = self.low, self.high, other.low, other.high
        return ax1 <= bx0 or bx1 <= ax0 or ay1 <= by0 or by1 <= ay0 or az1 <= bz0 or bz1 <= az0

    def overlap_m(self, other: "Box") -> Point3:
        """How far the two reach into each other along x, y and z; negative along an axis is a gap between them.

        A bench 1.2 m wide from the left wall, and a box from 1.0 m on: 0.2 m of overlap across.

        >>> bench, crate = Box((0, 0, 0), (1.2, 0.6, 0.9)), Box((1.0, 0, 0), (2.0, 2.0, 0.5))
        >>> [round(metres, 2) for metres in bench.overlap_m(crate)]
        [0.2, 0.6, 0.5]
        """
        (ax0, ay0, az0), (ax1, ay1, az1), (bx0, by0, bz0), (bx1, by1, bz1) = self.low, self.high, other.low, other.high
        return min(ax1, bx1) - max(ax0, bx0), min(ay1, by1) - max(ay0, by0), min(az1, bz1) - max(az0, bz0)

    def gap_m(self, other: "Box") -> float:
        """How far apart the two are along the axis that parts them most; negative where they reach into each other.

        >>> Box((0, 0, 0), (1, 1, 1)).gap_m(Box((1.5, 0, 0), (2, 1, 1)))
        0.5
        """
        return max(-overlap for overlap in self.overlap_m(other))


def between(x: tuple[float, float], y: tuple[float, float], z: tuple[float, float]) -> Box:
    """The box between two values on each axis."""
    return Box((x[0], y[0], z[0]), (x[1], y[1], z[1]))


EVERYWHERE = (-inf, inf)
