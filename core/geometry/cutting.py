"""Cutting pieces out of sticks of one stock length."""

from collections.abc import Iterable
from dataclasses import dataclass

from core.quantities.tolerances import ROUNDING

KERF_M = 0.003
"""What a saw or cutter takes (trade)."""


@dataclass(frozen=True)
class Cutting:
    """Which pieces come out of which stick, in metres, and what is left of all of them."""

    sticks: tuple[tuple[float, ...], ...]
    waste_m: float


def cut_out(pieces_m: Iterable[float], stock_m: float) -> Cutting | None:
    """The longest piece first, each out of the fullest stick that still has it (best fit, decreasing).

    `None` where a piece is longer than a stick. Three of 1.4 m and two of 1.2 m out of sticks of 3 m: 1.4 + 1.4,
    1.4 + 1.2 and 1.2, so three sticks, 9.0 − 6.6 = 2.4 m of them left over.

    >>> cutting = cut_out([1.4, 1.2, 1.4, 1.2, 1.4], 3.0)
    >>> [len(stick) for stick in cutting.sticks], round(cutting.waste_m, 2)
    ([2, 2, 1], 2.4)
    """
    sticks: list[list[float]] = []
    left: list[float] = []
    for piece in sorted(pieces_m, reverse=True):
        if piece > stock_m + ROUNDING:
            return None
        fitting = [number for number, room in enumerate(left) if room >= piece - ROUNDING]
        if fitting:
            best = min(fitting, key=lambda number: left[number])
            sticks[best].append(piece)
            left[best] -= piece + KERF_M
        else:
            sticks.append([piece])
            left.append(stock_m - piece - KERF_M)
    bought_m = len(sticks) * stock_m
    return Cutting(tuple(map(tuple, sticks)), bought_m - sum(sum(stick) for stick in sticks))
