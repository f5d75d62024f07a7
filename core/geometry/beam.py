"""The projector's light: from the lens to every point of the picture, and what stands in it."""

from collections.abc import Sequence
from functools import lru_cache

import numpy as np

from core.geometry.boxes import Box
from core.geometry.picture import Picture
from core.geometry.rays import Floats, met_at
from core.geometry.shadow import Lens
from core.geometry.swing_disc import Point3
from core.quantities.tolerances import ROUNDING

ACROSS, UP = 48, 27
"""Points of the picture that are looked at: of two metres one each 40 mm."""
SLICES = np.linspace(0.0, 1.0, 257)
"""Where the light is cut across, from the lens to the picture: of six metres each 23 mm."""


@lru_cache(maxsize=64)
def ways_of_light(lens: Lens, picture: Picture, middle_m: float, screen_y_m: float) -> tuple[Point3, Floats]:
    """Where the lens is, and (N, 3) the ways from there to points spread evenly over the picture, in metres."""
    start = (lens.x_m, screen_y_m + lens.distance_m, lens.height_m)
    x = middle_m + picture.width_m * _evenly(ACROSS, -0.5)
    z = picture.bottom_m + picture.height_m * _evenly(UP, 0.0)
    across, up = (grid.ravel() for grid in np.meshgrid(x, z, indexing="ij"))
    points = np.stack([across, np.full_like(across, screen_y_m), up], axis=1)
    return start, points - np.array(start)


def shaded(start: Point3, ways: Floats, boxes: Sequence[Box]) -> list[float]:
    """How much of the picture each box keeps in the dark, as a share of one."""
    ends = np.vstack([ways + start, start])
    low, high = ends.min(axis=0), ends.max(axis=0)
    near = [all(b1 > a and b0 < c for a, c, b0, b1 in zip(low, high, *box, strict=True)) for box in boxes]
    # What touches the screen only, or the lens, shades nothing.
    met = met_at(start, ways, [box for box, meets in zip(boxes, near, strict=True) if meets])
    found = iter(((met > 0) & (met < 1 - ROUNDING)).mean(axis=0).tolist())
    return [next(found) if meets else 0.0 for meets in near]


def light_passes_m(lens: Lens, picture: Picture, middle_m: float, screen_y_m: float, box: Box) -> float:
    """How near the light passes a box, in metres; nothing where it meets it.

    At every distance from the screen the light is a rectangle along the axes of the room: so near is that to the box.

    Its lower edge is 0.5 + 2/3·y up, 0.433 over the box's upper corner, and 0.361 from it at right angles.

    >>> lens, picture = Lens(2.0, 3.0, 2.5, False), Picture(2.0, 1.5, 0.5, "4:3", 1.0)
    >>> round(light_passes_m(lens, picture, 2.0, 0.0, Box((1.0, 1.4, 0.0), (3.0, 1.5, 1.0))), 3)
    0.361
    """
    low = np.array([middle_m - picture.width_m / 2, picture.bottom_m])
    high = low + np.array([picture.width_m, picture.height_m])
    at_lens = np.array([lens.x_m, lens.height_m])
    from_lens = SLICES[:, None]
    lows, highs = at_lens + (low - at_lens) * from_lens, at_lens + (high - at_lens) * from_lens
    y = screen_y_m + lens.distance_m * (1 - SLICES)
    (x0, y0, z0), (x1, y1, z1) = box.low, box.high
    beside = np.maximum(np.maximum(np.array([x0, z0]) - highs, lows - np.array([x1, z1])), 0.0)
    along = np.maximum(np.maximum(y0 - y, y - y1), 0.0)
    return float(np.sqrt((beside**2).sum(axis=1) + along**2).min())


def _evenly(count: int, start: float) -> Floats:
    """The middles of `count` equal pieces of one, from `start`."""
    found: Floats = start + (np.arange(count) + 0.5) / count
    return found
