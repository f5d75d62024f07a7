"""Where the ball must not be: for one swing and one box, the ball positions that bring the two too close.

A disc only shifts with the ball, so these positions are the box, widened by every chord of the disc that passes
it within the margin. Column by column across the floor that is an interval along the target line, with its
middle at the box's where the swing was measured neither ahead of the ball nor behind it. The part of the disc above
the hub gives one convex outline, the part below it another.
"""

from functools import lru_cache
from math import inf, pi

import numpy as np

from core.geometry.boxes import Box
from core.geometry.swing_clearance import Floats, chords, shape_of
from core.geometry.swing_disc import SwingDisc
from core.quantities.tolerances import OUTLINE_M

COLUMN_M = 0.025
END_COLUMNS = 13
SLICES = 91
"""One level of the half disc a degree."""
OUTLINES_KEPT = 8192
"""Some two kilobytes each."""
HALF_TURNS = (np.linspace(-pi / 2, 0.0, SLICES), np.linspace(0.0, pi / 2, SLICES))
ENDS: Floats = 1 - np.cos(np.linspace(0.0, pi / 2, END_COLUMNS))
FAR_M = 1000.0
"""Stands for endless along the target line."""

Chords = tuple[Floats, Floats, Floats, Floats]
"""x, z, and how far each goes ahead of the ball and behind it."""
Outline = Floats
"""Corners as rows (x, y)."""


@lru_cache(maxsize=OUTLINES_KEPT)
def keep_outs(disc: SwingDisc, surface_m: float, box: Box, margin_m: float, width_m: float) -> tuple[Outline, ...]:
    """Outlines (x, y) of the ball positions at which `disc` comes nearer to `box` than `margin_m`.

    Only positions between the walls are looked at, from 0 to `width_m` across.
    """
    found = (_outline(half, surface_m, box, margin_m + OUTLINE_M, width_m) for half in _halves(disc))
    return tuple(outline for outline in found if outline is not None)


@lru_cache(maxsize=512)
def _halves(disc: SwingDisc) -> tuple[Chords, ...]:
    """The chords of the part of a disc below its hub, and of the part above it."""
    return tuple(chords(shape_of(disc), phi) for phi in HALF_TURNS)


def _outline(half_disc: Chords, surface_m: float, box: Box, margin_m: float, width_m: float) -> Outline | None:
    x, z, ahead, behind = half_disc
    (x0, y0, z0), (x1, y1, z1) = box.low, box.high
    above = np.maximum(np.maximum(z0 - (z + surface_m), (z + surface_m) - z1), 0.0)
    near = above < margin_m
    if not near.any():
        return None
    x, ahead, behind, above = x[near], ahead[near], behind[near], above[near]
    # A chord this high above or below the box is too close up to this far beside and beyond it.
    beside = np.sqrt(margin_m**2 - above**2)
    low, high = max(0.0, float((x0 - beside - x).min())), min(width_m, float((x1 + beside - x).max()))
    if low >= high:
        return None
    columns = _columns(low, high, margin_m)
    away = np.maximum(np.maximum(x0 - (columns[:, None] + x), (columns[:, None] + x) - x1), 0.0)
    room = beside**2 - away**2
    # A chord that goes on behind the ball meets the box from before it, and the other way round.
    before, beyond = (
        np.where(room >= -1e-12, half + np.sqrt(np.maximum(room, 0.0)), -inf).max(axis=1) for half in (behind, ahead)
    )
    kept = before > -inf
    columns, before, beyond = columns[kept], before[kept], beyond[kept]
    if not columns.size:
        return None
    along = np.clip(np.concatenate((y0 - before, (y1 + beyond)[::-1])), -FAR_M, FAR_M)
    return np.column_stack((np.concatenate((columns, columns[::-1])), along))


def _columns(low: float, high: float, margin_m: float) -> Floats:
    """Columns across, closer toward both ends, where the outline is as round as the margin and stands upright."""
    ends = margin_m * ENDS
    even = np.linspace(low, high, max(3, round((high - low) / COLUMN_M) + 1))
    columns = np.concatenate([even, low + ends, high - ends])
    return np.unique(np.clip(columns, low, high))
