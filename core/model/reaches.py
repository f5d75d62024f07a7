"""What a slow test swing showed: how far the clubhead reaches, in each direction that was held to a tape."""

from enum import StrEnum
from typing import Annotated

from pydantic import Field

from core.model.clubs import Club
from core.model.record import Label, Metres, Record


class Direction(StrEnum):
    """Where a clubhead reaches, as the golfer stands."""

    HEIGHT = "height"
    BACK = "back"
    """Across the room, toward what is at the golfer's back."""
    BEHIND = "behind"
    """Away from the target."""
    AHEAD = "ahead"
    """Toward the target."""

    @property
    def words(self) -> str:
        """As a sentence says it after 'how'."""
        return {
            Direction.HEIGHT: "high",
            Direction.BACK: "far to the golfer's back",
            Direction.BEHIND: "far behind the ball",
            Direction.AHEAD: "far ahead of the ball",
        }[self]


Sideways = Annotated[Metres, Field(ge=0.5, le=3.0)]


class MeasuredReach(Record):
    """What the slow test swing showed: it stands before the estimate for this player, club and direction."""

    club: Club
    height_m: Annotated[Metres, Field(ge=1.0, le=4.0)] | None = None
    """Highest point of the clubhead above the hitting surface; `None` where it was not measured, as with the others."""
    back_m: Sideways | None = None
    """Furthest point from the ball line toward the golfer's back."""
    behind_m: Sideways | None = None
    """Furthest point behind the ball, away from the target."""
    ahead_m: Sideways | None = None
    """Furthest point ahead of the ball, toward the target."""
    dated: Label = ""

    def along_m(self, direction: Direction) -> float | None:
        """How far the clubhead reached that way, in metres; `None` where nobody measured it."""
        reached: float | None = getattr(self, f"{direction}_m")
        return reached

    @property
    def measured(self) -> frozenset[Direction]:
        """The directions that were measured."""
        return frozenset(direction for direction in Direction if self.along_m(direction) is not None)
