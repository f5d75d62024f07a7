"""The odds that a total of estimates stays under a cap: triangular distributions convolved on a grid, no dice."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

Floats = NDArray[np.float64]
STEPS = 4096
"""Of the grid between the least and the most that the total can be: a step adds at most a 4096th of that range."""


class ThreePoint(NamedTuple):
    """An estimate: the least, the likeliest and the most that something costs, in minor units."""

    low: float
    likely: float
    high: float

    @property
    def mean(self) -> float:
        """(low + likely + high) / 3, as of every triangle."""
        return (self.low + self.likely + self.high) / 3

    @property
    def variance(self) -> float:
        """(a² + b² + c² − ab − ac − bc) / 18, as of every triangle."""
        a, c, b = self
        return (a * a + b * b + c * c - a * b - a * c - b * c) / 18


@dataclass(frozen=True)
class Odds:
    """How likely a total is to come to so much, between its least and its most: the mass on each point of a grid."""

    least: float
    most: float
    step: float
    mass: tuple[float, ...]

    def under(self, cap: float) -> float:
        """The odds, 0 to 1, that the total is no more than `cap`: between two points of the grid by a straight line."""
        if not self.least <= cap < self.most:
            return 1.0 if cap >= self.most else 0.0
        below = np.concatenate(([0.0], np.cumsum(self.mass)))
        # A point stands for half a step to either side of it.
        edges = self.least + self.step * (np.arange(len(below)) - 0.5)
        return float(np.interp(cap, edges, below, left=0.0, right=1.0))

    def reached_with(self, share: float) -> float:
        """What the total stays under with odds of `share`."""
        if self.step == 0:
            return self.least
        below = np.concatenate(([0.0], np.cumsum(self.mass)))
        edges = self.least + self.step * (np.arange(len(below)) - 0.5)
        return float(np.interp(share, below, edges))


def odds_of(estimates: Iterable[ThreePoint]) -> Odds:
    """The odds of the sum of independent `estimates`.

    Each triangle is put on the grid with its mean kept: a point gets the integral of the density under the hat that
    reaches from its neighbours to it. The grids are convolved by their Fourier transforms, which is exact but for
    rounding.
    """
    known = list(estimates)
    least, most = sum(e.low for e in known), sum(e.high for e in known)
    step = (most - least) / STEPS
    if step <= 0:
        return Odds(least, most, 0.0, (1.0,))
    # Each triangle's last point may lie a step beyond its highest value, and they add up.
    size = 2 ** int(np.ceil(np.log2(STEPS + 2 * len(known) + 2)))
    spectrum = np.ones(size // 2 + 1, dtype=np.complex128)
    for estimate in known:
        if estimate.high > estimate.low:
            spectrum *= np.fft.rfft(_on_grid(estimate, step), size)
    mass = np.maximum(np.fft.irfft(spectrum, size), 0.0)
    return Odds(least, most, step, tuple((mass / mass.sum()).tolist()))


def to_firm_up(estimates: Sequence[ThreePoint], most: int = 3) -> list[int]:
    """Which of them make the total most uncertain, by their share of its variance: their places, the largest first."""
    order = sorted(range(len(estimates)), key=lambda place: (-estimates[place].variance, place))
    return [place for place in order if estimates[place].variance > 0][:most]


def _on_grid(estimate: ThreePoint, step: float) -> Floats:
    """Second differences of the density's twofold integral: the mass on points low, low + step, …"""
    low, _, high = estimate
    count = int(np.ceil((high - low) / step)) + 1
    points: Floats = low + step * np.arange(-1, count + 1, dtype=np.float64)
    differences: Floats = np.diff(_twofold_integral(estimate, points), n=2) / step
    return differences


def _twofold_integral(estimate: ThreePoint, x: Floats) -> Floats:
    """∫ of the distribution function: 0 below the triangle, x − mean above it, cubics within."""
    low, likely, high = estimate
    wide = high - low
    rising = np.clip(x, low, likely) - low
    falling = high - np.clip(x, likely, high)
    # Where one side of the triangle is upright it holds nothing.
    before = rising**3 / (3 * wide * (likely - low)) if likely > low else np.zeros_like(x)
    after = falling**3 / (3 * wide * (high - likely)) if high > likely else np.zeros_like(x)
    found: Floats = np.where(x <= likely, before, x - estimate.mean + after)
    return found
