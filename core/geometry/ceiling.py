"""Ceilings as planes: flat, sloping to one side, or ridged. What is inside the room is below all of them."""

from collections.abc import Iterator
from dataclasses import dataclass
from itertools import combinations
from math import sqrt
from typing import NamedTuple

from core.geometry.edges import BallEdge
from core.geometry.swing_disc import Point3, SwingDisc
from core.model.facts import known
from core.model.room import CeilingShape, Room

Point2 = tuple[float, float]


class Plane(NamedTuple):
    """z = a·x + b·y + c, in metres."""

    a: float
    b: float
    c: float

    @property
    def steepness(self) -> float:
        """Vertical distance for one metre of perpendicular distance."""
        return sqrt(1 + self.a**2 + self.b**2)

    def height_m(self, x_m: float, y_m: float) -> float:
        """Height over the point x, y of the floor."""
        return self.a * x_m + self.b * y_m + self.c


@dataclass(frozen=True)
class Ceiling:
    """The underside of the ceiling, lining taken off. The lowest plane over a point counts."""

    planes: tuple[Plane, ...]

    @property
    def is_flat(self) -> bool:
        """One level plane.

        >>> Ceiling((Plane(0.0, 0.0, 2.6),)).is_flat, Ceiling((Plane(0.1, 0.0, 2.6),)).is_flat
        (True, False)
        """
        return len(self.planes) == 1 and self.planes[0].a == self.planes[0].b == 0

    def height_m(self, x_m: float, y_m: float) -> float:
        """Height above the bare floor over x, y.

        >>> Ceiling((Plane(0.5, 0.0, 2.0), Plane(-0.5, 0.0, 4.0))).height_m(1.0, 3.0)
        2.5
        """
        return min(plane.height_m(x_m, y_m) for plane in self.planes)

    def lowest_over_m(self, x_m: tuple[float, float], y_m: tuple[float, float]) -> float:
        """Least height over a rectangle: a roof of planes is lowest over one of its corners."""
        return min(self.height_m(x, y) for x in x_m for y in y_m)

    def bends(self, start: Point2, end: Point2) -> tuple[Point2, ...]:
        """Where a straight way over the floor passes from under one plane to under another, in its order.

        >>> Ceiling((Plane(0.5, 0.0, 2.0), Plane(-0.5, 0.0, 4.0))).bends((4.0, 1.0), (0.0, 1.0))
        ((2.0, 1.0),)
        """
        shares = set()
        for one, other in combinations(self.planes, 2):
            above = [one.height_m(*at) - other.height_m(*at) for at in (start, end)]
            if above[0] * above[1] < 0:
                shares.add(above[0] / (above[0] - above[1]))
        (x0, y0), (x1, y1) = start, end
        return tuple((x0 + share * (x1 - x0), y0 + share * (y1 - y0)) for share in sorted(shares))

    def edges(self, disc: SwingDisc, surface_m: float) -> Iterator[BallEdge]:
        """From a swing disc on a hitting surface that high to each plane, at right angles to it."""
        for plane in self.planes:
            # The ball adds a·x + b·y − surface to every point of the disc.
            below_m, at = disc.nearest_to_slope(plane.a, plane.b)
            steep = plane.steepness
            yield BallEdge("ceiling", plane.a / steep, plane.b / steep, (below_m + plane.c - surface_m) / steep, at)

    def clearance_m(self, disc: SwingDisc, ball: Point3) -> tuple[float, Point3]:
        """Smallest perpendicular distance from a swing disc to the ceiling, negative through it, and where."""
        x, y, z = ball
        return min(
            (edge.distance_m(x, y), (x + edge.at[0], y + edge.at[1], z + edge.at[2])) for edge in self.edges(disc, z)
        )

    def volume_m3(self, width_m: float, length_m: float) -> float:
        """What is under it over a floor. One plane is as high on average as over the middle of the floor, the two of
        a ridge as over the middle of each half.

        3 m wide, 4 m long, 2 m high at one wall and 3 m at the other: 2.5 m on average.

        >>> Ceiling((Plane(1 / 3, 0.0, 2.0),)).volume_m3(3.0, 4.0)
        30.0
        """
        share = 1 / 2 if len(self.planes) == 1 else 1 / 4
        return width_m * length_m * self.height_m(width_m * share, length_m * share)


def ceiling_of(room: Room) -> Ceiling:
    """The ceiling of `room`. Raises `MissingFact` where it slopes and its highest point is not measured.

    A pitched ceiling rises from `ceiling_m` at one wall to `ridge_m` at the opposite one; a ridged one from
    `ceiling_m` at both to `ridge_m` in the middle. The lining is as thick at right angles to the slope.

    4.0 m wide, eaves 2.4 m, ridge 3.4 m along the target line: half-way up a slope the ceiling is at 2.9 m.

    >>> shed = Room(width_m=4.0, ceiling_m=2.4, ridge_m=3.4, ceiling_shape=CeilingShape.RIDGE_ALONG)
    >>> round(ceiling_of(shed).height_m(1.0, 2.0), 6), round(ceiling_of(shed).height_m(3.0, 5.0), 6)
    (2.9, 2.9)
    """
    return Ceiling(tuple(_lined(plane, room.lining_m) for plane in _planes(room)))


def _lined(plane: Plane, lining_m: float) -> Plane:
    return plane._replace(c=plane.c - lining_m * plane.steepness)


def _planes(room: Room) -> tuple[Plane, ...]:
    low_m, width_m, length_m = room.ceiling_m, room.width_m, room.length_m
    if room.ceiling_shape is CeilingShape.FLAT:
        return (Plane(0.0, 0.0, low_m),)
    ridge_m = known(room, "ridge_m")
    rise_m = ridge_m - low_m
    across, along = rise_m / width_m, rise_m / length_m
    return {
        CeilingShape.HIGH_LEFT: (Plane(-across, 0.0, ridge_m),),
        CeilingShape.HIGH_RIGHT: (Plane(across, 0.0, low_m),),
        CeilingShape.HIGH_SCREEN: (Plane(0.0, -along, ridge_m),),
        CeilingShape.HIGH_REAR: (Plane(0.0, along, low_m),),
        CeilingShape.RIDGE_ALONG: (Plane(2 * across, 0.0, low_m), Plane(-2 * across, 0.0, low_m + 2 * rise_m)),
        CeilingShape.RIDGE_ACROSS: (Plane(0.0, 2 * along, low_m), Plane(0.0, -2 * along, low_m + 2 * rise_m)),
    }[room.ceiling_shape]
