"""The swing disc: where a clubhead can reach, as a tilted disc around a hub between the shoulders.

A trade estimate calibrated on builders' reports, good to about `UNCERTAINTY_M`.
"""

from dataclasses import dataclass
from functools import lru_cache
from math import cos, pi, radians, sin, sqrt

import numpy as np
from numpy.typing import NDArray

from core.model.brief import Handedness, Player
from core.model.clubs import Club

HUB_HEIGHT_PER_HEIGHT = 0.80
LEAD_ARM_PER_HEIGHT = 0.36
PLANE_RAD = radians(57)
COCK_USUAL_RAD = radians(75)
COCK_EARLY_RELEASE_RAD = radians(20)
UNCERTAINTY_M = 0.10
COMFORT_M = 0.15
"""People who fear the ceiling swing differently (trade)."""
SAMPLES = 361
"""One sample a degree: the highest point falls on a sample, any other extreme is missed by under 0.1 mm."""

OUTLINE_STEP = 9
"""Every ninth sample is enough to draw the disc."""
Point3 = tuple[float, float, float]


@dataclass(frozen=True, eq=False)
class SwingDisc:
    """Clubhead reach of one player with one club, for a ball at the origin on a level hitting surface.

    Discs are made once for each player and club, so they are compared as objects.
    """

    hub_height_m: float
    full_radius_m: float
    cocked_radius_m: float
    hub_x_m: float
    """Hub across from the ball: negative for a right-hander."""
    points_m: NDArray[np.float64]
    """(SAMPLES, 3) clubhead positions x, y, z relative to the ball."""
    low_m: Point3
    high_m: Point3
    """Least and greatest x, y and z of the points."""
    leftmost_m: Point3
    rightmost_m: Point3
    rearmost_m: Point3
    """The points that come nearest to those walls."""
    outline_m: tuple[Point3, ...]
    """Points enough to draw it."""
    measured: bool
    """Its height was measured; the disc is the estimate's, moved up or down to it."""

    @property
    def apex_m(self) -> float:
        """Highest point of the clubhead above the hitting surface, in metres."""
        return self.hub_height_m + self.cocked_radius_m * sin(PLANE_RAD)

    def nearest_to_slope(self, a: float, b: float) -> tuple[float, Point3]:
        """The clubhead position nearest to any plane z = a·x + b·y + c: its a·x + b·y − z in metres, and where."""
        return _nearest_to_slope(self, a, b)

    def bounds(self, ball: Point3) -> tuple[Point3, Point3]:
        """Least and greatest x, y and z in the room for a ball there."""
        (x0, y0, z0), (x1, y1, z1), (x, y, z) = self.low_m, self.high_m, ball
        return (x + x0, y + y0, z + z0), (x + x1, y + y1, z + z1)


def distances_m(discs: tuple[SwingDisc, ...], ball: Point3, point: Point3) -> list[float]:
    """Smallest distance in metres from each disc's clubhead positions to `point`, for a ball there.

    |p + v|² = |p|² + 2 p·v + |v|², v from the point to the ball: all discs in one product.
    """
    x, y, z = ball[0] - point[0], ball[1] - point[1], ball[2] - point[2]
    points, squares = _together(discs)
    least = (points.dot((2 * x, 2 * y, 2 * z)).reshape(squares.shape) + squares).min(axis=1)
    own = x * x + y * y + z * z
    return [sqrt(max(0.0, square + own)) for square in least.tolist()]


@lru_cache(maxsize=1024)
def _together(discs: tuple[SwingDisc, ...]) -> tuple[NDArray[np.float64], NDArray[np.float64]]:
    """(discs · SAMPLES, 3) their clubhead positions, and (discs, SAMPLES) squares of the distances from the ball."""
    points = np.concatenate([disc.points_m for disc in discs])
    return points, np.einsum("ij,ij->i", points, points).reshape(len(discs), SAMPLES)


def swing_disc(player: Player, club: Club) -> SwingDisc:
    """The disc of `player` with `club`.

    H 1.80 m with a driver, 75° of wrist cock: a cocked radius of 1.464 m and an apex of 2.668 m.

    >>> disc = swing_disc(Player(id="a", name="A", height_m=1.80), Club.DRIVER)
    >>> round(disc.cocked_radius_m, 3), round(disc.apex_m, 3)
    (1.464, 2.668)
    """
    reach = player.measured_reach(club)
    right_handed = player.handedness is Handedness.RIGHT
    return _disc(player.height_m, club.length_m, right_handed, player.early_release, reach.height_m if reach else None)


@lru_cache(maxsize=4096)
def _disc(
    height_m: float, club_m: float, right_handed: bool, early_release: bool, measured_apex_m: float | None
) -> SwingDisc:
    arm_m = LEAD_ARM_PER_HEIGHT * height_m
    cock_rad = COCK_EARLY_RELEASE_RAD if early_release else COCK_USUAL_RAD
    full_m = arm_m + club_m
    cocked_m = sqrt(arm_m**2 + club_m**2 + 2 * arm_m * club_m * cos(cock_rad))
    hub_m = HUB_HEIGHT_PER_HEIGHT * height_m
    if measured_apex_m is not None:
        hub_m = measured_apex_m - cocked_m * sin(PLANE_RAD)
    back = -1.0 if right_handed else 1.0
    phi = np.linspace(-pi, pi, SAMPLES)
    reach = cocked_m + (full_m - cocked_m) * np.maximum(0.0, -np.sin(phi))
    hub_x_m = back * full_m * cos(PLANE_RAD)
    points = np.stack(
        [
            hub_x_m + reach * np.sin(phi) * cos(PLANE_RAD) * back,
            -reach * np.cos(phi),
            hub_m + reach * np.sin(phi) * sin(PLANE_RAD),
        ],
        axis=1,
    )
    points.setflags(write=False)
    return SwingDisc(
        hub_height_m=hub_m,
        full_radius_m=full_m,
        cocked_radius_m=cocked_m,
        hub_x_m=hub_x_m,
        points_m=points,
        low_m=_point(points.min(axis=0)),
        high_m=_point(points.max(axis=0)),
        leftmost_m=_point(points[points[:, 0].argmin()]),
        rightmost_m=_point(points[points[:, 0].argmax()]),
        rearmost_m=_point(points[points[:, 1].argmax()]),
        outline_m=tuple(_point(point) for point in points[::OUTLINE_STEP]),
        measured=measured_apex_m is not None,
    )


@lru_cache(maxsize=8192)
def _nearest_to_slope(disc: SwingDisc, a: float, b: float) -> tuple[float, Point3]:
    below = disc.points_m @ np.array([a, b, -1.0])
    nearest = int(below.argmin())
    return float(below[nearest]), _point(disc.points_m[nearest])


def _point(coordinates: NDArray[np.float64]) -> Point3:
    x, y, z = coordinates.tolist()
    return x, y, z
