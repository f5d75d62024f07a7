"""Straight ways through a room, many at once, and the boxes that they meet."""

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from core.geometry.boxes import Box
from core.geometry.ceiling import Ceiling
from core.geometry.swing_disc import Point3

Floats = NDArray[np.float64]
PARALLEL = 1e-12
"""A way that turns toward a face by less never reaches it."""


def directions(aside_deg: tuple[float, float, int], up_deg: tuple[float, float, int]) -> Floats:
    """(N, 3) ways of length 1 from the golfer toward the target: every turn aside with every rise, in degrees.

    Each is given as from, to and how many; to the right is +x, and the target lies toward −y.

    >>> directions((0, 0, 1), (0, 90, 2)).round(6).tolist()
    [[0.0, -1.0, 0.0], [0.0, -0.0, 1.0]]
    """
    aside, up = (np.radians(np.linspace(*span)) for span in (aside_deg, up_deg))
    turned, raised = (grid.ravel() for grid in np.meshgrid(aside, up, indexing="ij"))
    found: Floats = np.stack(
        [np.sin(turned) * np.cos(raised), -np.cos(turned) * np.cos(raised), np.sin(raised)], axis=1
    )
    return found


def met_at(start: Point3, ways: Floats, boxes: Sequence[Box]) -> Floats:
    """(N, boxes) how far along each way a box is met, in lengths of the way; endless where it is missed.

    A way that begins in a box meets it at once.
    """
    lows, highs = (np.array([getattr(box, end) for box in boxes]).reshape(-1, 3) for end in ("low", "high"))
    near, far = np.full((len(ways), len(boxes)), -np.inf), np.full((len(ways), len(boxes)), np.inf)
    for axis, (from_m, turned) in enumerate(zip(start, ways.T, strict=True)):
        along = np.where(np.abs(turned) < PARALLEL, PARALLEL, turned)[:, None]
        first, second = ((corners[:, axis] - from_m) / along for corners in (lows, highs))
        near, far = np.maximum(near, np.minimum(first, second)), np.minimum(far, np.maximum(first, second))
    found: Floats = np.where((near <= far) & (far >= 0), np.maximum(near, 0.0), np.inf)
    return found


def roof_at(start: Point3, ways: Floats, ceiling: Ceiling) -> Floats:
    """(N,) how far along each way the ceiling is met; endless where it never is."""
    x, y, z = start
    found = np.full(len(ways), np.inf)
    for plane in ceiling.planes:
        below_m = plane.height_m(x, y) - z
        rise = ways[:, 2] - plane.a * ways[:, 0] - plane.b * ways[:, 1]
        found = np.minimum(found, np.where(rise > PARALLEL, below_m / np.maximum(rise, PARALLEL), np.inf))
    return found


def wall_at(start: Point3, ways: Floats, y_m: float) -> Floats:
    """(N,) how far along each way the plane across the room at `y_m` is met; endless for ways that lead off it."""
    found: Floats = np.where(ways[:, 1] < -PARALLEL, (y_m - start[1]) / np.minimum(ways[:, 1], -PARALLEL), np.inf)
    return found
