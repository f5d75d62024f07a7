"""How the length of the room is shared out at least: a row of figures, and what decides each (trade)."""

from dataclasses import dataclass
from typing import Annotated, NamedTuple

from core.checks.along import BallDistance, least_gap_m, struck_surface
from core.checks.readings import MONITOR_BODY_M
from core.checks.register import derive_from_known
from core.geometry.ball_rules import behind_ball_m
from core.geometry.swing_disc import swing_disc
from core.model.brief import Brief
from core.model.kit import Beside
from core.model.parts import BehindTheBall, Net, Surface
from core.model.room import Layout, Room


class Stretch(NamedTuple):
    """One part of the length, in metres, and what asks for so much of it."""

    words: str
    length_m: float
    asked_by: str


@dataclass(frozen=True)
class LengthBudget:
    """What is asked of the length at least, from the wall behind the screen to the one behind the golfer."""

    stretches: tuple[Stretch, ...]
    room_m: float

    @property
    def left_m(self) -> float:
        """What nobody asks for; negative where that much is missing."""
        return self.room_m - sum(stretch.length_m for stretch in self.stretches)


@derive_from_known
def length_budget(
    brief: Annotated[Brief, "players"],
    room: Annotated[Room, "length_m", "wall_foam_m"],
    layout: Annotated[Layout, "monitor_distance_m"],
    distance: BallDistance | None,
    surface: Annotated[Surface, "gives_m"] | None,
    nets: Annotated[Beside[Net], "name"],
    monitor: Annotated[BehindTheBall, "distance_min_m", "flight_min_m", "name"] | None,
) -> LengthBudget | None:
    """Gap behind the screen, ball to screen and behind the ball, each the largest that anything asks; `None` while
    nobody plays.

    Behind the ball: R + 0.30 m of the longest swing, or the monitor's distance and 0.15 m for its body.
    """
    if not brief.players:
        return None
    asked = distance or BallDistance()
    foam = " and foam" if room.wall_foam_m else ""
    gap = (least_gap_m(room) + room.wall_foam_m, "the screen to give" + foam)
    if isinstance(surface, Net) and surface.gives_m is not None:
        gap = (surface.gives_m, "the net to give")
    elif surface is not None and struck_surface(surface, nets) is not surface:
        gap = (0.0, "the sheet, which is not struck")
    to_screen = [(asked.least_m, asked.net or "rebound and the eye")]
    behind = [
        (behind_ball_m(swing_disc(player, player.longest_club)), f"{player.name}'s swing") for player in brief.players
    ]
    if monitor is not None:
        stands_m = monitor.distance_min_m if layout.monitor_distance_m is None else layout.monitor_distance_m
        if stands_m is not None:
            behind.append((stands_m + MONITOR_BODY_M, monitor.name))
        if monitor.flight_min_m is not None:
            to_screen.append((monitor.flight_min_m, monitor.name))
    return LengthBudget(
        (
            Stretch("Gap behind the screen", *gap),
            Stretch("Ball to screen", *max(to_screen)),
            Stretch("Behind the ball", *max(behind)),
        ),
        room.length_m,
    )
