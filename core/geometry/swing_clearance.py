"""How near swings come to boxes: the whole disc from hub to clubhead, against every box at once.

The disc is a stack of level chords, one for each φ from −90° to 90°: at that φ and at 180° − φ the clubhead is
equally high. The signed distance of a box is a convex function, so over the chords of a convex piece of the disc
it has one minimum. The disc is convex above the hub and below it; the two are searched apart, in steps that get
finer around the least chord found.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from math import cos, pi, sin
from typing import Any

import numpy as np
from numpy.typing import NDArray

from core.geometry.boxes import Box
from core.geometry.swing_disc import PLANE_RAD, Point3, SwingDisc

Floats = NDArray[np.float64]
Swing = tuple[SwingDisc, Point3]
COARSE, FINE, ROUNDS = 31, 9, 3
"""A quarter turn in 30 steps of 3°, then three times a span of two steps in 8: steps of 0.05°, 1.5 mm of rim."""


@dataclass(frozen=True)
class Nearness:
    """The smallest clearance of a swing: metres, negative inside; which box; and where on the swing."""

    clearance_m: float
    box: int
    at: Point3


def chords(full_m: Any, cocked_m: Any, hub_height_m: Any, hub_x_m: Any, phi: Floats) -> tuple[Floats, Floats, Floats]:
    """x and z relative to the ball of the chords at the angles `phi`, and half their length along y.

    Radii and hub may be numbers, or arrays that broadcast against `phi`.
    """
    sine = np.sin(phi)
    reach = cocked_m + (full_m - cocked_m) * np.maximum(0.0, -sine)
    x = hub_x_m + np.sign(hub_x_m) * reach * sine * cos(PLANE_RAD)
    z = hub_height_m + reach * sine * sin(PLANE_RAD)
    return x, z, reach * np.cos(phi)


@dataclass(frozen=True, eq=False)
class Clearances:
    """How near each swing comes to each box."""

    swings: tuple[Swing, ...]
    boxes: tuple[Box, ...]
    distance_m: Floats
    """(swings, boxes), negative inside."""
    phi: Floats
    """The chord that is nearest."""

    def nearest(self, swing: int, boxes: Sequence[int]) -> Nearness:
        """The nearest of `boxes`, by their numbers, to one swing. Raises `ValueError` for no boxes."""
        box = min(boxes, key=lambda number: float(self.distance_m[swing, number]))
        disc, (x, y, z) = self.swings[swing]
        across, up, half_m = (
            float(value)
            for value in chords(
                disc.full_radius_m, disc.cocked_radius_m, disc.hub_height_m, disc.hub_x_m, self.phi[swing, box]
            )
        )
        along = min(max(y, self.boxes[box].low[1]), self.boxes[box].high[1]) - y
        at = (x + across, y + min(max(along, -half_m), half_m), z + up)
        return Nearness(float(self.distance_m[swing, box]), box, at)


def clearances(swings: Sequence[Swing], boxes: Sequence[Box]) -> Clearances:
    """Every swing, a disc and the ball it is swung at, against every box."""
    lows = np.array([box.low for box in boxes], dtype=np.float64).reshape(-1, 3)
    highs = np.array([box.high for box in boxes], dtype=np.float64).reshape(-1, 3)
    balls = np.array([ball for _, ball in swings], dtype=np.float64).reshape(-1, 3)
    shapes = np.array(
        [(d.full_radius_m, d.cocked_radius_m, d.hub_height_m, d.hub_x_m) for d, _ in swings], dtype=np.float64
    ).reshape(-1, 4)
    search = _Search(shapes, balls, lows, highs)
    below, above = search.least(-pi / 2, 0.0), search.least(0.0, pi / 2)
    nearer = below[0] <= above[0]
    return Clearances(
        tuple(swings), tuple(boxes), np.where(nearer, below[0], above[0]), np.where(nearer, below[1], above[1])
    )


@dataclass(frozen=True, eq=False)
class _Search:
    """Swings (S) against boxes (B); `shapes` holds R, r, hub height and hub x of each swing."""

    shapes: Floats
    balls: Floats
    lows: Floats
    highs: Floats

    def least(self, first: float, last: float) -> tuple[Floats, Floats]:
        """(S, B) least distances over the chords between two angles, and the angle of each."""
        step = (last - first) / (COARSE - 1)
        phi = np.broadcast_to(np.linspace(first, last, COARSE), (len(self.shapes), len(self.lows), COARSE))
        for _ in range(ROUNDS):
            _, best = self._at(phi)
            around = best[..., None] + np.linspace(-step, step, FINE)
            phi = np.clip(around, first, last)
            step *= 2 / (FINE - 1)
        return self._at(phi)

    def _at(self, phi: Floats) -> tuple[Floats, Floats]:
        """(S, B) least distances over the samples of `phi` (S, B, samples), and the sample of each."""
        distance = self._distance(phi)
        best = distance.argmin(axis=2)[..., None]
        return np.take_along_axis(distance, best, 2)[..., 0], np.take_along_axis(phi, best, 2)[..., 0]

    def _distance(self, phi: Floats) -> Floats:
        full, cocked, hub_z, hub_x = (column[:, None, None] for column in self.shapes.T)
        across, up, half = chords(full, cocked, hub_z, hub_x, phi)
        bx, by, bz = (column[:, None, None] for column in self.balls.T)
        x0, y0, z0 = (column[None, :, None] for column in self.lows.T)
        x1, y1, z1 = (column[None, :, None] for column in self.highs.T)
        x, z = bx + across, bz + up
        dx = np.maximum(x0 - x, x - x1)
        dz = np.maximum(z0 - z, z - z1)
        # The nearest point of a chord to the box lies nearest the box's middle; with an endless box it is anywhere.
        dy = np.maximum(np.maximum(y0 - (by + half), (by - half) - y1), (y0 - y1) / 2)
        outside = np.sqrt(np.maximum(dx, 0) ** 2 + np.maximum(dy, 0) ** 2 + np.maximum(dz, 0) ** 2)
        inside = np.minimum(np.maximum(np.maximum(dx, dy), dz), 0.0)
        signed: Floats = outside + inside
        return signed
