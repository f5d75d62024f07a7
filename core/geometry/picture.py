"""The picture on the screen, the projector's raster that carries it, and where the lens may hang."""

from dataclasses import dataclass
from math import atan, atan2, degrees


@dataclass(frozen=True)
class Picture:
    """The lit picture on the screen, in metres; `aspect` is width over height."""

    width_m: float
    height_m: float
    bottom_m: float
    """Lower edge above the bare floor."""
    shape: str
    screen_fill: float
    """Share of the screen that the picture fills, 0 to 1."""

    @property
    def top_m(self) -> float:
        """Upper edge above the bare floor, in metres."""
        return self.bottom_m + self.height_m


@dataclass(frozen=True)
class Raster:
    """All that the projector lights, picture included, in metres."""

    width_m: float
    height_m: float
    panel_fill: float
    """Share of the panel's pixels and light that the picture uses, 0 to 1."""


def fit_shape(aspect: float, width_m: float, height_m: float) -> tuple[float, float]:
    """Width and height in metres of the largest picture of `aspect` inside a screen.

    >>> width_m, height_m = fit_shape(16 / 9, 2.6, 2.6)
    >>> round(width_m, 4), round(height_m, 4)
    (2.6, 1.4625)
    """
    fitted_m = min(width_m, height_m * aspect)
    return fitted_m, fitted_m / aspect


def raster_around(width_m: float, height_m: float, panel_aspect: float) -> Raster:
    """The raster of a panel that just holds a picture.

    A 16:9 panel on a 2.60 m square picture lights 4.622 m of width and uses 56.25 % of itself.

    >>> raster = raster_around(2.6, 2.6, 16 / 9)
    >>> round(raster.width_m, 3), round(raster.panel_fill, 4)
    (4.622, 0.5625)
    """
    raster_width_m = max(width_m, height_m * panel_aspect)
    raster_height_m = raster_width_m / panel_aspect
    return Raster(raster_width_m, raster_height_m, width_m * height_m / (raster_width_m * raster_height_m))


def throw_range_m(throw_min: float, throw_max: float, raster_width_m: float) -> tuple[float, float]:
    """Least and greatest lens distance in metres.

    >>> near, far = throw_range_m(0.69, 0.83, 2.6 * 16 / 9)
    >>> round(near, 2), round(far, 2)
    (3.19, 3.84)
    """
    return throw_min * raster_width_m, throw_max * raster_width_m


def lens_band_m(picture: Picture, raster: Raster, above_min: float, above_max: float) -> tuple[float, float]:
    """Lowest and highest lens above the bare floor that need no keystone, in metres.

    The picture sits in the middle of its raster; `above_*` is the lens's height over the raster's top edge
    as a share of raster height.
    """
    raster_top_m = picture.top_m + (raster.height_m - picture.height_m) / 2
    return raster_top_m + above_min * raster.height_m, raster_top_m + above_max * raster.height_m


def keystone_deg(lens_height_m: float, band_m: tuple[float, float], lens_distance_m: float) -> float:
    """Degrees the projector must be tilted from where its shift reaches; 0 inside the band.

    >>> keystone_deg(2.5, (2.4, 2.6), 3.0), round(keystone_deg(2.9, (2.4, 2.6), 3.0), 2)
    (0.0, 5.71)
    """
    outside_m = max(band_m[0] - lens_height_m, lens_height_m - band_m[1], 0.0)
    return degrees(atan2(outside_m, lens_distance_m))


def pixels_per_degree(pixels_across: float, width_m: float, viewing_distance_m: float) -> float:
    """Pixels across divided by the picture's angle at the eye.

    1080 pixels on 2.60 m seen from 3.00 m: 46.86° and 23.0 pixels a degree.

    >>> round(pixels_per_degree(1080, 2.6, 3.0), 1)
    23.0
    """
    return pixels_across / degrees(2 * atan(width_m / (2 * viewing_distance_m)))
