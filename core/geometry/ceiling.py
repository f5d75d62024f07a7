"""Ceilings as planes: flat, sloping to one side, or ridged. What is inside the room is below all of them."""

from dataclasses import dataclass
from math import sqrt
from typing import NamedTuple

from core.geometry.swing_disc import Point3, SwingDisc
from core.model.facts import MissingFact
from core.model.room import CeilingShape, Room


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
        """One level plane."""
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

    def clearance_m(self, disc: SwingDisc, ball: Point3) -> tuple[float, Point3]:
        """Smallest perpendicular distance from a swing disc to the ceiling, negative through it, and where."""
        x, y, z = ball
        found = []
        for plane in self.planes:
            below_m, (px, py, pz) = disc.nearest_to_slope(plane.a, plane.b)
            distance_m = (below_m + plane.height_m(x, y) - z) / plane.steepness
            found.append((distance_m, (x + px, y + py, z + pz)))
        return min(found)


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
    if room.ridge_m is None:
        raise MissingFact("The height of the ceiling's highest point", "Measure it and type it in the room.")
    rise_m = room.ridge_m - low_m
    across, along = rise_m / width_m, rise_m / length_m
    return {
        CeilingShape.HIGH_LEFT: (Plane(-across, 0.0, room.ridge_m),),
        CeilingShape.HIGH_RIGHT: (Plane(across, 0.0, low_m),),
        CeilingShape.HIGH_SCREEN: (Plane(0.0, -along, room.ridge_m),),
        CeilingShape.HIGH_REAR: (Plane(0.0, along, low_m),),
        CeilingShape.RIDGE_ALONG: (Plane(2 * across, 0.0, low_m), Plane(-2 * across, 0.0, low_m + 2 * rise_m)),
        CeilingShape.RIDGE_ACROSS: (Plane(0.0, 2 * along, low_m), Plane(0.0, -2 * along, low_m + 2 * rise_m)),
    }[room.ceiling_shape]
