"""Clubs and their usual lengths."""

from enum import StrEnum


class Club(StrEnum):
    """A club a player may want to swing, longest first."""

    DRIVER = "driver"
    THREE_WOOD = "3-wood"
    FIVE_WOOD = "5-wood"
    FOUR_IRON = "4-iron"
    SIX_IRON = "6-iron"
    SEVEN_IRON = "7-iron"
    NINE_IRON = "9-iron"
    WEDGE = "wedge"

    @property
    def length_m(self) -> float:
        """Usual length in metres (trade)."""
        return _LENGTHS_M[self]

    def and_shorter(self) -> tuple["Club", ...]:
        """This club and every shorter one, longest first."""
        clubs = tuple(Club)
        return clubs[clubs.index(self) :]


_LENGTHS_M = {
    Club.DRIVER: 1.156,
    Club.THREE_WOOD: 1.092,
    Club.FIVE_WOOD: 1.067,
    Club.FOUR_IRON: 0.978,
    Club.SIX_IRON: 0.953,
    Club.SEVEN_IRON: 0.940,
    Club.NINE_IRON: 0.914,
    Club.WEDGE: 0.895,
}
