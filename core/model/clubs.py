"""Clubs and their usual lengths."""

from enum import StrEnum
from typing import Self


class Club(StrEnum):
    """A club a player may want to swing, longest first, with its usual length in metres (trade)."""

    length_m: float
    speed_share: float
    """Ball speed off it, as a share of the driver's (trade)."""

    DRIVER = "driver", 1.156, 1.0
    THREE_WOOD = "3-wood", 1.092, 0.94
    FIVE_WOOD = "5-wood", 1.067, 0.91
    FOUR_IRON = "4-iron", 0.978, 0.83
    SIX_IRON = "6-iron", 0.953, 0.78
    SEVEN_IRON = "7-iron", 0.940, 0.74
    NINE_IRON = "9-iron", 0.914, 0.66
    WEDGE = "wedge", 0.895, 0.61

    def __new__(cls, name: str, length_m: float, speed_share: float) -> Self:
        """A member that is its name and knows its length and speed."""
        club = str.__new__(cls, name)
        club._value_ = name
        club.length_m = length_m
        club.speed_share = speed_share
        return club

    def and_shorter(self) -> tuple["Club", ...]:
        """This club and every shorter one, longest first."""
        clubs = tuple(Club)
        return clubs[clubs.index(self) :]
