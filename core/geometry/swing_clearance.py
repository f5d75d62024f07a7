"""How near swings come to boxes: the whole disc from hub to clubhead, against every box at once.

The disc is a stack of level chords, one for each φ from −90° to 90°: at that φ and at 180° − φ the clubhead is
equally high. The distance to a box is a convex function, so over the chords of a convex piece of the disc it has
one minimum. The disc is convex above the hub and below it; the two are searched apart, in steps that get finer
around the least chord found.

Where a box is in the way the clearance is negative: by so much the reach would have to be shorter to pass. The
plane of the disc cuts a box along its axes in a rectangle; a ray from the hub enters it on a side that faces the
hub, and the longest piece of reach beyond that entry is what is too much. However thin a beam is, it stops a club.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache
from math import pi, sin
from typing import Any, NamedTuple

import numpy as np
from numpy.typing import NDArray

from core.geometry.boxes import Box
from core.geometry.swing_disc import PLANE_RAD, Point3, SwingDisc
from core.quantities.tolerances import IN_REACH_M

Floats = NDArray[np.float64]
Swing = tuple[SwingDisc, Point3]
Counts = NDArray[np.intp]
EDGE_SAMPLES = 49
"""Along a side of a box to either hand of its point nearest the hub, close together where the reach turns fastest."""
COARSE, FINE, ROUNDS = 31, 25, 2
"""A quarter turn in 30 steps of 3°, then twice a span of two steps in 24: steps of 0.02°, 0.7 mm of rim."""


HALVES = np.array((-pi / 2, 0.0))
"""Where each half of a disc begins: the lower from the ball to level with the hub, the upper from there to the top."""
COARSE_STEP = pi / 2 / (COARSE - 1)
COARSE_PHI: Floats = HALVES[:, None] + np.linspace(0.0, pi / 2, COARSE)
ALL_ROUND: Floats = np.linspace(-pi, pi, 1441)
"""Every quarter of a degree."""
FINE_STEPS: Floats = np.linspace(-1.0, 1.0, FINE)


@dataclass(frozen=True)
class Nearness:
    """The smallest clearance of a swing: metres, negative inside; which box; and where on the swing."""

    clearance_m: float
    box: int
    at: Point3
    toward: Point3
    """Along x, y and z, of any length: where the clubhead would have to reach further to touch it."""


def _toward(at: Point3, box: Box) -> Point3:
    x, y, z = (min(max(here, low), high) - here for here, low, high in zip(at, box.low, box.high, strict=True))
    return x, y, z


class Shape(NamedTuple):
    """What makes a disc: radii, hub and stretches, as numbers or as arrays that broadcast against angles."""

    full_m: Any
    cocked_m: Any
    hub_height_m: Any
    hub_x_m: Any
    across: Any
    ahead: Any
    behind: Any


def shape_of(disc: SwingDisc) -> Shape:
    """The shape of one disc, as numbers."""
    hub = disc.hub_height_m, disc.hub_x_m
    return Shape(disc.full_radius_m, disc.cocked_radius_m, *hub, disc.across, disc.ahead, disc.behind)


def chords(shape: Shape, phi: Floats) -> tuple[Floats, Floats, Floats, Floats]:
    """x and z relative to the ball of the chords at the angles `phi`, and how far they go ahead of it and behind."""
    sine = np.sin(phi)
    reach = shape.cocked_m + (shape.full_m - shape.cocked_m) * np.maximum(0.0, -sine)
    x = shape.hub_x_m + reach * sine * shape.across
    z = shape.hub_height_m + reach * sine * sin(PLANE_RAD)
    half = reach * np.cos(phi)
    return x, z, half * shape.ahead, half * shape.behind


@lru_cache(maxsize=4096)
def _coarse_chords(disc: SwingDisc) -> Floats:
    """(4, 2, COARSE): x, z and both lengths of the chords at `COARSE_PHI`; discs are kept, and so are these."""
    return np.stack(chords(shape_of(disc), COARSE_PHI))


@dataclass(frozen=True, eq=False)
class Clearances:
    """How near each swing comes to each box."""

    swings: tuple[Swing, ...]
    boxes: tuple[Box, ...]
    distance_m: Floats
    """(swings, boxes); negative where a box is in the way."""
    places_m: Floats
    """(swings, boxes, 2): where on the swing, along y and up the plane of the disc, from the hub."""

    def nearest(self, swing: int, boxes: Sequence[int]) -> Nearness:
        """The nearest of `boxes`, by their numbers, to one swing. Raises `ValueError` for no boxes.

        Where some of its directions were measured, one that is surely in the way comes before one that may be.
        """
        disc, _ = self.swings[swing]
        if not disc.measured:
            return self._nearness(swing, min(boxes, key=lambda number: float(self.distance_m[swing, number])))
        found = [self._nearness(swing, box) for box in boxes]
        return min(found, key=lambda near: (near.clearance_m >= -disc.doubt_m(near.toward), near.clearance_m))

    def _nearness(self, swing: int, box: int) -> Nearness:
        disc, (x, y, z) = self.swings[swing]
        along_m, up_m = self.places_m[swing, box].tolist()
        from_hub = up_m * disc.across, along_m, up_m * sin(PLANE_RAD)
        at = (x + disc.hub_x_m + from_hub[0], y + along_m, z + disc.hub_height_m + from_hub[2])
        distance_m = float(self.distance_m[swing, box])
        # Where a box is in the way, the reach from the hub is what would have to be shorter.
        toward = from_hub if distance_m <= 0 else _toward(at, self.boxes[box])
        return Nearness(distance_m, box, at, toward)


def clearances(swings: Sequence[Swing], boxes: Sequence[Box]) -> Clearances:
    """Every swing, a disc and the ball it is swung at, against every box."""
    lows = np.array([box.low for box in boxes], dtype=np.float64).reshape(-1, 3)
    highs = np.array([box.high for box in boxes], dtype=np.float64).reshape(-1, 3)
    balls = np.array([ball for _, ball in swings], dtype=np.float64).reshape(-1, 3)
    shapes = np.array([shape_of(disc) for disc, _ in swings], dtype=np.float64).reshape(-1, len(Shape._fields))
    search = _DiscSearch(tuple(disc for disc, _ in swings), shapes, balls, lows, highs)
    distance, phi = search.least()
    places = search.places(phi)
    near = np.argwhere(distance < IN_REACH_M)
    if len(near):
        excess, where = search.overreach(near[:, 0], near[:, 1])
        stopped = excess > 0
        at = near[stopped]
        distance[at[:, 0], at[:, 1]] = -excess[stopped]
        places[at[:, 0], at[:, 1]] = where[stopped]
    return Clearances(tuple(swings), tuple(boxes), distance, places)


def _squares(lines: tuple[Floats, Floats, Floats, Floats], low: Floats, high: Floats) -> Floats:
    """Squares of the distances of chords to boxes: x, z and both lengths, and the corners by axis, that broadcast."""
    x, z, ahead, behind = lines
    dx = np.maximum(np.maximum(low[..., 0] - x, x - high[..., 0]), 0.0)
    dy = np.maximum(np.maximum(low[..., 1] - behind, -high[..., 1] - ahead), 0.0)
    dz = np.maximum(np.maximum(low[..., 2] - z, z - high[..., 2]), 0.0)
    squares: Floats = dx * dx + dy * dy + dz * dz
    return squares


def _side(low: Floats, nearest: Floats, high: Floats) -> Floats:
    """(N, 2 × samples) places along the sides of boxes, both ways from the nearest, spreading as they go."""
    spread = np.linspace(0.0, 1.0, EDGE_SAMPLES) ** 2
    return np.concatenate([nearest + (end[:, None] - nearest) * spread for end in (low, high)], axis=1)


@dataclass(frozen=True, eq=False)
class _DiscSearch:
    """Swings (S) against boxes (B); the columns of `shapes` are those of `Shape`."""

    discs: tuple[SwingDisc, ...]
    shapes: Floats
    balls: Floats
    lows: Floats
    highs: Floats

    def least(self) -> tuple[Floats, Floats]:
        """(S, B) least distances over all chords, and the angle of each: both halves of each disc at once."""
        low, high = ((corners - self.balls[:, None])[:, :, None, None] for corners in (self.lows, self.highs))
        x, z, ahead, behind = np.stack([_coarse_chords(disc) for disc in self.discs], axis=1)[:, :, None]
        best = _squares((x, z, ahead, behind), low, high).argmin(axis=3)
        begins = HALVES[:, None]
        phi = begins + COARSE_STEP * best[..., None]
        shape = Shape(*(column[:, None, None, None] for column in self.shapes.T))
        step = COARSE_STEP
        for _ in range(ROUNDS):
            phi = np.clip(phi + step * FINE_STEPS, begins, begins + pi / 2)
            squares = _squares(chords(shape, phi), low, high)
            nearest = squares.argmin(axis=3)[..., None]
            phi = np.take_along_axis(phi, nearest, axis=3)
            step *= 2 / (FINE - 1)
        least = np.sqrt(np.take_along_axis(squares, nearest, axis=3)[..., 0])
        lower = least[..., 0] <= least[..., 1]
        return np.where(lower, least[..., 0], least[..., 1]), np.where(lower, phi[..., 0, 0], phi[..., 1, 0])

    def places(self, phi: Floats) -> Floats:
        """(S, B, 2) the points of the nearest chords (S, B) that are nearest, from the hub."""
        shape = Shape(*(column[:, None] for column in self.shapes.T))
        reach = shape.cocked_m + (shape.full_m - shape.cocked_m) * np.maximum(0.0, -np.sin(phi))
        half, ball_y = reach * np.cos(phi), self.balls[:, None, 1]
        along = np.clip(ball_y, self.lows[None, :, 1], self.highs[None, :, 1]) - ball_y
        return np.stack([np.clip(along, -half * shape.ahead, half * shape.behind), reach * np.sin(phi)], axis=2)

    def overreach(self, swing: Counts, box: Counts) -> tuple[Floats, Floats]:
        """(N,) by how much the reach is too long for pairs of swing and box, and (N, 2) where it is stopped.

        Along the target line it is searched in the estimate's own metres, before what was measured stretches them.
        """
        full, cocked, hub_z, hub_x, across, ahead, behind = self.shapes[swing].T
        ball_x, ball_y, ball_z = self.balls[swing].T
        x, y, z = (np.stack([low, high]) for low, high in zip(self.lows[box].T, self.highs[box].T, strict=True))
        by_x = np.sort((x - ball_x - hub_x) / across, axis=0)
        by_z = (z - ball_z - hub_z) / sin(PLANE_RAD)
        # The rectangle in the plane of the disc, from the hub; nothing of the disc lies further out than R.
        low_u, high_u = (
            np.clip(np.maximum(by_x[0], by_z[0]), -full, full),
            np.clip(np.minimum(by_x[1], by_z[1]), -full, full),
        )
        beside = y - ball_y
        low_y, high_y = np.clip(beside / np.where(beside > 0, behind, ahead), -full, full)
        empty = (low_u > high_u) | (low_y > high_y)
        nearest_u, nearest_y = np.clip(0.0, low_u, high_u)[:, None], np.clip(0.0, low_y, high_y)[:, None]
        along, up = _side(low_y, nearest_y, high_y), _side(low_u, nearest_u, high_u)
        edges_y = np.concatenate([along, np.broadcast_to(nearest_y, up.shape)], axis=1)
        edges_u = np.concatenate([np.broadcast_to(nearest_u, along.shape), up], axis=1)
        away = np.hypot(edges_y, edges_u)
        # At the hub itself every direction is open; the club reaches furthest downward.
        sine = np.divide(edges_u, away, out=np.full_like(away, -1.0), where=away > 0)
        beyond = cocked[:, None] + (full - cocked)[:, None] * np.maximum(0.0, -sine) - away
        stretched_y = edges_y * np.where(edges_y > 0, behind[:, None], ahead[:, None])
        upward = np.broadcast_to(np.hypot(across, sin(PLANE_RAD))[:, None], away.shape)
        beyond *= np.divide(np.hypot(stretched_y, edges_u * upward), away, out=upward.copy(), where=away > 0)
        best = beyond.argmax(axis=1)
        rows = np.arange(len(best))
        where = np.stack([stretched_y[rows, best], edges_u[rows, best]], axis=1)
        too_long = beyond[rows, best]
        around_hub = (low_u <= 0) & (high_u >= 0) & (low_y <= 0) & (high_y >= 0)
        if around_hub.any():
            # All of the reach is too long, whichever way it is the longest.
            too_long = np.where(around_hub, np.maximum(too_long, self._longest(swing)), too_long)
        return np.where(empty, -1.0, too_long), where

    def _longest(self, swing: Counts) -> Floats:
        """(N,) the longest reach from the hub, over all directions."""
        full, cocked, _, _, across, ahead, behind = (column[:, None] for column in self.shapes[swing].T)
        sine, along = np.sin(ALL_ROUND), np.cos(ALL_ROUND)
        reach = cocked + (full - cocked) * np.maximum(0.0, -sine)
        stretched = np.hypot(along * np.where(along > 0, behind, ahead), sine * np.hypot(across, sin(PLANE_RAD)))
        longest: Floats = (reach * stretched).max(axis=1)
        return longest
