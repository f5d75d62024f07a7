"""The fastest ball that is struck here."""

from dataclasses import dataclass
from typing import Annotated

from core.checks.register import derive
from core.model.brief import Brief, SpeedBand
from core.model.facts import known_players


@dataclass(frozen=True)
class FastestBall:
    """Its speed in metres a second, and whose it is."""

    speed_m_s: float
    who: str


@derive
def fastest_ball(brief: Annotated[Brief, "players", "visitors"]) -> FastestBall:
    """Of all players' drivers; visitors of unknown skill count as the fast band."""
    speeds = [(player.ball_speed_m_s, player.name) for player in known_players(brief)]
    if brief.visitors:
        speeds.append((SpeedBand.FAST.ball_speed_m_s, "a visitor"))
    return FastestBall(*max(speeds))
