"""How bright the picture is, and how it stands out against the light of the room."""

from math import pi

from core.geometry.picture import Raster

IN_USE_FACTOR = 0.75
"""Stated lumens that are left in the mode people use and with an aged source (trade)."""


def picture_luminance(lumens: float, gain: float, raster: Raster) -> float:
    """Luminance in cd/m² of white on the screen: L = Φ·k·G / (π·Wr·Hr).

    4000 lm on a raster of 4.622 × 2.600 m at gain 1: 79.46 cd/m².

    >>> round(picture_luminance(4000, 1.0, Raster(4.622, 2.6, 0.5625)), 2)
    79.46
    """
    return lumens * IN_USE_FACTOR * gain / (pi * raster.width_m * raster.height_m)


def ambient_luminance(screen_lux: float, gain: float) -> float:
    """Luminance in cd/m² that the room's light gives the screen: La = E·G / π."""
    return screen_lux * gain / pi


def contrast_ratio(luminance: float, ambient: float, native_contrast: float) -> float:
    """White over black as seen in the room: (L + La + L/C) / (La + L/C).

    >>> round(contrast_ratio(79.46, ambient_luminance(30, 1.0), 2000), 2)
    9.29
    """
    black = luminance / native_contrast
    return (luminance + ambient + black) / (ambient + black)


def lumens_for_contrast(ratio: float, screen_lux: float, native_contrast: float, raster: Raster) -> float:
    """Stated lumens that reach `ratio` in this light, whatever the gain; infinite beyond what the panel can do.

    From (L + La + L/C) / (La + L/C) = q follows L = (q − 1)·La / (1 − (q − 1)/C); gain cancels.
    """
    share = 1 - (ratio - 1) / native_contrast
    if share <= 0:
        return float("inf")
    return (ratio - 1) * screen_lux / share * raster.width_m * raster.height_m / IN_USE_FACTOR


def lux_for_contrast(ratio: float, lumens: float, native_contrast: float, raster: Raster) -> float:
    """Light on the screen in lux at which `ratio` is just reached; negative where even darkness is not enough."""
    share = 1 - (ratio - 1) / native_contrast
    return lumens * IN_USE_FACTOR / (raster.width_m * raster.height_m) * share / (ratio - 1)
