"""The swing disc: where a clubhead can reach, as a tilted disc around a hub between the shoulders.

A trade estimate calibrated on builders' reports, good to about `UNCERTAINTY_M`.

Where a slow test swing was held to a tape, the disc reaches as far as it showed: measured in height, the whole disc is
that much higher or lower; measured to the golfer's back, its plane is that much flatter or steeper; measured ahead of
the ball or behind it, that half of the disc is that much longer or shorter. What was measured with one club shifts the
estimates of the same player's other clubs.
"""

from dataclasses import dataclass
from functools import lru_cache
from math import copysign, cos, hypot, pi, radians, sin, sqrt
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from core.model.brief import Handedness, Player
from core.model.clubs import Club
from core.model.reaches import Direction, MeasuredReach

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

PHI = np.linspace(-pi, pi, SAMPLES)
LEAST_REACH_M = 0.3
"""However short another club's swing was, no club is thought to reach less."""
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
    across: float
    """Metres across the room, toward the golfer's back, of each metre up the plane of the disc; signed as `hub_x_m`."""
    ahead: float
    behind: float
    """Metres toward the target, and away from it, of each metre of the estimate's reach: 1 unless measured."""
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
    measured: frozenset[Direction]
    """Where it reaches as far as a slow test swing with this club showed."""

    @property
    def apex_m(self) -> float:
        """Highest point of the clubhead above the hitting surface, in metres."""
        return self.hub_height_m + self.cocked_radius_m * sin(PLANE_RAD)

    def doubt_m(self, toward: Point3) -> float:
        """How far the estimate may be out in a direction x, y, z, in metres; nothing along what was measured.

        A roof that slopes by 30° is met half across, half as far up again: with the height measured, half is left.

        >>> reach = MeasuredReach(club=Club.DRIVER, height_m=2.6)
        >>> tall = Player(id="a", name="A", height_m=1.8, measured_reaches=(reach,))
        >>> [round(swing_disc(tall, Club.DRIVER).doubt_m((x, 0.0, z)), 3) for x, z in ((0, 1), (-0.5, 0.866), (-1, 0))]
        [0.0, 0.05, 0.1]
        """
        away = hypot(*toward)
        if not away or not self.measured:
            return UNCERTAINTY_M
        left = [0.0 if way in self.measured else share for share, way in self._shares(toward)]
        return UNCERTAINTY_M * hypot(*left) / away

    def to_measure(self, toward: Point3) -> Direction | None:
        """What a slow test swing should measure to know more of how near it comes there; `None` where nothing helps."""
        open_ways = [(abs(share), way) for share, way in self._shares(toward) if way and way not in self.measured]
        share, way = max(open_ways, default=(0.0, None))
        return way if share else None

    def _shares(self, toward: Point3) -> tuple[tuple[float, Direction | None], ...]:
        """How much of a direction lies in each that can be measured; nobody measures down, or in front of the feet."""
        x, y, z = toward
        return (
            (x, Direction.BACK if x * self.hub_x_m > 0 else None),
            (y, Direction.BEHIND if y > 0 else Direction.AHEAD),
            (z, Direction.HEIGHT if z > 0 else None),
        )

    def nearest_to_slope(self, a: float, b: float) -> tuple[float, Point3]:
        """The clubhead position nearest to any plane z = a·x + b·y + c: its a·x + b·y − z in metres, and where."""
        return _nearest_to_slope(self, a, b)

    def bounds(self, ball: Point3) -> tuple[Point3, Point3]:
        """Least and greatest x, y and z in the room for a ball there."""
        (x0, y0, z0), (x1, y1, z1), (x, y, z) = self.low_m, self.high_m, ball
        return (x + x0, y + y0, z + z0), (x + x1, y + y1, z + z1)


def swing_disc(player: Player, club: Club) -> SwingDisc:
    """The disc of `player` with `club`.

    H 1.80 m with a driver, 75° of wrist cock: a cocked radius of 1.464 m and an apex of 2.668 m.

    >>> disc = swing_disc(Player(id="a", name="A", height_m=1.80), Club.DRIVER)
    >>> round(disc.cocked_radius_m, 3), round(disc.apex_m, 3)
    (1.464, 2.668)
    """
    right_handed = player.handedness is Handedness.RIGHT
    if not player.measured_reaches:
        return _disc(player.height_m, club.length_m, right_handed, player.early_release, UNSHIFTED, frozenset())
    reach = player.measured_reach(club)
    shift = {
        way: ReachShift(known.along_m(way) or 0.0, known.club.length_m) if known else None
        for way in Direction
        for known in [_nearest_measured(player.measured_reaches, club, way)]
    }
    return _disc(
        player.height_m,
        club.length_m,
        right_handed,
        player.early_release,
        (shift[Direction.HEIGHT], shift[Direction.BACK], shift[Direction.BEHIND], shift[Direction.AHEAD]),
        reach.measured if reach else frozenset(),
    )


class ReachShift(NamedTuple):
    """What a club of that length showed in one direction, in metres."""

    reached_m: float
    club_m: float


def _nearest_measured(reaches: tuple[MeasuredReach, ...], club: Club, way: Direction) -> MeasuredReach | None:
    """The measured swing whose club is nearest in length, of those that were measured that way."""
    known = [reach for reach in reaches if reach.along_m(way) is not None]
    return min(known, key=lambda reach: abs(reach.club.length_m - club.length_m), default=None)


@dataclass(frozen=True)
class _Estimate:
    """How far a club of one length is thought to reach, in metres."""

    arm_m: float
    hub_height_m: float
    full_m: float
    cocked_m: float

    @property
    def by_way(self) -> tuple[float, float, float, float]:
        """Height, back, behind and ahead."""
        furthest_m = float((-self.reach_at(PHI) * np.cos(PHI)).max())
        height_m = self.hub_height_m + self.cocked_m * sin(PLANE_RAD)
        return height_m, (self.full_m + self.cocked_m) * cos(PLANE_RAD), furthest_m, furthest_m

    def reach_at(self, phi: NDArray[np.float64]) -> NDArray[np.float64]:
        """The reach from the hub at the angles `phi`."""
        return self.cocked_m + (self.full_m - self.cocked_m) * np.maximum(0.0, -np.sin(phi))


def _estimate(height_m: float, club_m: float, early_release: bool) -> _Estimate:
    arm_m = LEAD_ARM_PER_HEIGHT * height_m
    cock_rad = COCK_EARLY_RELEASE_RAD if early_release else COCK_USUAL_RAD
    cocked_m = sqrt(arm_m**2 + club_m**2 + 2 * arm_m * club_m * cos(cock_rad))
    return _Estimate(arm_m, HUB_HEIGHT_PER_HEIGHT * height_m, arm_m + club_m, cocked_m)


Shifts = tuple[ReachShift | None, ReachShift | None, ReachShift | None, ReachShift | None]
"""Of height, back, behind and ahead."""
UNSHIFTED: Shifts = (None, None, None, None)


@lru_cache(maxsize=4096)
def _disc(
    height_m: float,
    club_m: float,
    right_handed: bool,
    early_release: bool,
    shifts: Shifts,
    measured: frozenset[Direction],
) -> SwingDisc:
    estimate = _estimate(height_m, club_m, early_release)
    usual = estimate.by_way
    # What was measured with another club is off by as much as that club was.
    shown = tuple(
        here if shift is None else max(LEAST_REACH_M, here + shift.reached_m - there)
        for way, (here, shift) in enumerate(zip(usual, shifts, strict=True))
        for there in [here if shift is None else _estimate(height_m, shift.club_m, early_release).by_way[way]]
    )
    hub_m = estimate.hub_height_m + shown[0] - usual[0]
    back, behind, ahead = (there / here for there, here in zip(shown[1:], usual[1:], strict=True))
    across = copysign(back * cos(PLANE_RAD), -1.0 if right_handed else 1.0)
    reach, along = estimate.reach_at(PHI), -np.cos(PHI)
    points = np.stack(
        [
            estimate.full_m * across + reach * np.sin(PHI) * across,
            reach * along * np.where(along > 0, behind, ahead),
            hub_m + reach * np.sin(PHI) * sin(PLANE_RAD),
        ],
        axis=1,
    )
    points.setflags(write=False)
    return SwingDisc(
        hub_height_m=hub_m,
        full_radius_m=estimate.full_m,
        cocked_radius_m=estimate.cocked_m,
        hub_x_m=estimate.full_m * across,
        across=across,
        ahead=ahead,
        behind=behind,
        points_m=points,
        low_m=_point(points.min(axis=0)),
        high_m=_point(points.max(axis=0)),
        leftmost_m=_point(points[points[:, 0].argmin()]),
        rightmost_m=_point(points[points[:, 0].argmax()]),
        rearmost_m=_point(points[points[:, 1].argmax()]),
        outline_m=tuple(_point(point) for point in points[::OUTLINE_STEP]),
        measured=measured,
    )


@lru_cache(maxsize=8192)
def _nearest_to_slope(disc: SwingDisc, a: float, b: float) -> tuple[float, Point3]:
    below = disc.points_m @ np.array([a, b, -1.0])
    nearest = int(below.argmin())
    return float(below[nearest]), _point(disc.points_m[nearest])


def _point(coordinates: NDArray[np.float64]) -> Point3:
    x, y, z = coordinates.tolist()
    return x, y, z
