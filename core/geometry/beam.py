"""The projector's light: from the lens to every point of the picture, and what stands in it."""

from collections.abc import Sequence
from functools import lru_cache

import numpy as np

from core.geometry.boxes import Box
from core.geometry.picture import Picture
from core.geometry.rays import Floats, met_at
from core.geometry.shadow import Lens
from core.geometry.swing_disc import Point3

ACROSS, UP = 48, 27
"""Points of the picture that are looked at: of two metres one each 40 mm."""
ON_THE_WAY = 33
"""Points of each way that distances are taken from."""


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
    if not boxes:
        return []
    # What touches the screen only, or the lens, shades nothing.
    met = met_at(start, ways, boxes)
    return [float(share) for share in ((met > 0) & (met < 1 - 1e-6)).mean(axis=0)]


def light_passes_m(start: Point3, ways: Floats, box: Box) -> float:
    """How near the light passes a box, in metres; nothing where it meets it."""
    some = ways[:: max(1, len(ways) // 200)]
    points = np.array(start) + some[:, None, :] * np.linspace(0, 1, ON_THE_WAY)[None, :, None]
    outside = np.maximum(np.maximum(np.array(box.low) - points, points - np.array(box.high)), 0.0)
    return float(np.sqrt((outside**2).sum(axis=2)).min())


def _evenly(count: int, start: float) -> Floats:
    """The middles of `count` equal pieces of one, from `start`."""
    found: Floats = start + (np.arange(count) + 0.5) / count
    return found
