"""Every tolerance of computing, each with its reason. What people are left in comfort is a rule's own, and not here."""

from math import ceil, floor

ROUNDING = 1e-9
"""Numbers this near a threshold have reached it: 3.00 − 2.60 is 0.40 to a person, not 0.3999…"""
STORED_DECIMALS = 4
"""Lengths are kept to 0.1 mm: finer than a tape measure, and exact through a file and back."""
TOLD_DECIMALS_M = 3
"""Computed lengths are told to the millimetre; more would claim what no tape can show."""
TOUCHING_M = 0.001
"""Things that reach into each other by no more than this only touch: nobody measures a room closer."""
IN_REACH_M = 0.02
"""A swing that comes so near to a box is looked at again, exactly: the coarse search misses less than this."""
OUTLINE_M = 0.001
"""What an outline through samples may miss of a region; it is added to the margin, so that outside is safe."""
SAME_SPOT_M = 0.005
"""Two spots this near are one to a person who puts a ball there."""
LEAST_MOVE_M = 0.001
"""A shorter move is none."""
MILLIMETRES = 1000
"""In a metre."""


def rounded_up(value_m: float) -> float:
    """To the next millimetre that is no less.

    >>> rounded_up(0.0501), rounded_up(0.050)
    (0.051, 0.05)
    """
    return ceil((value_m - ROUNDING) * MILLIMETRES) / MILLIMETRES


def rounded_down(value_m: float) -> float:
    """To the last millimetre that is no more.

    >>> rounded_down(0.3867), rounded_down(0.050)
    (0.386, 0.05)
    """
    return floor((value_m + ROUNDING) * MILLIMETRES) / MILLIMETRES


def snapped(value_m: float, low_m: float, high_m: float) -> float:
    """`value_m`, or the end of a range that it misses by less than what is told: without a zoom it is one place.

    >>> snapped(1.444, 1.4444, 1.4444), snapped(1.44, 1.4444, 1.4444)
    (1.4444, 1.44)
    """
    nearest_m = min(max(value_m, low_m), high_m)
    return nearest_m if abs(nearest_m - value_m) < 1 / MILLIMETRES else value_m
