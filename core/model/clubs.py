"""Clubs and their usual lengths."""

from enum import StrEnum
from typing import Self


class Club(StrEnum):
    """A club a player may want to swing, longest first, with its usual length in metres (trade)."""

    length_m: float

    DRIVER = "driver", 1.156
    THREE_WOOD = "3-wood", 1.092
    FIVE_WOOD = "5-wood", 1.067
    FOUR_IRON = "4-iron", 0.978
    SIX_IRON = "6-iron", 0.953
    SEVEN_IRON = "7-iron", 0.940
    NINE_IRON = "9-iron", 0.914
    WEDGE = "wedge", 0.895

    def __new__(cls, name: str, length_m: float) -> Self:
        """A member that is its name and knows its length."""
        club = str.__new__(cls, name)
        club._value_ = name
        club.length_m = length_m
        return club

    def and_shorter(self) -> tuple["Club", ...]:
        """This club and every shorter one, longest first."""
        clubs = tuple(Club)
        return clubs[clubs.index(self) :]
