"""The light that lamps and windows throw on the screen (physics; what walls throw back is a rule of thumb)."""

from collections.abc import Iterable
from dataclasses import dataclass
from enum import StrEnum
from math import cos, dist, pi, radians

from core.geometry.swing_disc import Point3

DAYLIGHT_LUX = 10_000.0
"""Of an overcast sky outside, which daylight factors are shares of (trade)."""
SKY_DEG = 65.0
"""Angle of sky that a window sees (trade)."""
GLASS_LETS_IN = 0.68
"""Of two clean panes (trade)."""
BETWEEN_SHARE = 0.5
"""Of what walls throw to and fro, as much falls on an upright screen (trade)."""
USUAL_SPOT_DEG = 60.0


class LampShape(StrEnum):
    """How a lamp spreads its light."""

    BARE = "bare"
    WIDE = "wide"
    SPOT = "spot"


@dataclass(frozen=True)
class LitLamp:
    """A lamp that is on: its name, where it is, how bright in lumens, and how it spreads that downward."""

    name: str
    at: Point3
    lumens: float
    shape: LampShape = LampShape.BARE


def candela(lamp: LitLamp, down: float) -> float:
    """Intensity in the direction whose angle off straight down has the cosine `down`.

    Bare F/4π all round; wide F/π·cos a below it; a spot F/(2π(1 − cos β/2)) within its beam.

    >>> round(candela(LitLamp("bulb", (0, 0, 2.5), 1000), 0.2), 1)
    79.6
    >>> round(candela(LitLamp("panel", (0, 0, 2.5), 1000, LampShape.WIDE), 0.5), 1)
    159.2
    """
    if lamp.shape is LampShape.BARE:
        return lamp.lumens / (4 * pi)
    if lamp.shape is LampShape.WIDE:
        return lamp.lumens / pi * max(0.0, down)
    half = cos(radians(USUAL_SPOT_DEG / 2))
    return lamp.lumens / (2 * pi * (1 - half)) if down >= half else 0.0


def direct_lux(lamp: LitLamp, point: Point3) -> float:
    """What a lamp throws straight on an upright screen at `point`, which faces the golfer: I·cos(incidence)/d².

    A bare bulb of 800 lm, 2 m before the screen and 1 m over the point: 63.7 cd · 0.894 / 5 = 11.39 lux.

    >>> round(direct_lux(LitLamp("bulb", (0.0, 2.0, 2.0), 800), (0.0, 0.0, 1.0)), 2)
    11.39
    """
    away_m = dist(lamp.at, point)
    ahead_m = lamp.at[1] - point[1]
    if ahead_m <= 0:
        return 0.0
    return candela(lamp, (lamp.at[2] - point[2]) / away_m) * ahead_m / away_m / away_m**2


def between_walls_lux(lumens: float, reflectance: float, surface_m2: float) -> float:
    """What comes to the screen by way of walls, floor and ceiling: 0.5·F·R/(A(1 − R)).

    2,000 lm between white walls of 90 m²: 0.5 · 2000 · 0.7 / 27 = 25.9 lux.

    >>> round(between_walls_lux(2000, 0.7, 90), 1)
    25.9
    """
    return BETWEEN_SHARE * lumens * reflectance / (surface_m2 * (1 - reflectance))


def daylight_lux(glass_m2: float, lets_in: float, reflectance: float, surface_m2: float) -> float:
    """Daylight in the room by the average daylight factor: T·Aw·65 / (A(1 − R²)) per cent of 10,000 lux.

    One square metre of bare glass in a dark room of 90 m²: 0.68 · 65 / 89.775 = 0.49 %, 49.2 lux.

    >>> round(daylight_lux(1.0, 0.68, 0.05, 90), 1)
    49.2
    """
    return lets_in * glass_m2 * SKY_DEG / (surface_m2 * (1 - reflectance**2)) / 100 * DAYLIGHT_LUX


def brightest_lux(lamps: Iterable[LitLamp], points: Iterable[Point3]) -> float:
    """The most that lamps together throw straight on any of `points`."""
    lit = tuple(lamps)
    return max(sum(direct_lux(lamp, point) for lamp in lit) for point in points)
