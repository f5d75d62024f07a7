"""How near a swing may come, by what it is known, and the slow test swing that tells more."""

from core.checks.limits import Limit, at_least
from core.checks.verdict import Basis, Cure, find_out
from core.geometry.swing_disc import COMFORT_M
from core.model.brief import Player
from core.model.facts import FactAt
from core.model.reaches import Direction
from core.quantities.tolerances import ROUNDING


def swing_limit(clearance_m: float, doubt_m: float) -> Limit:
    """Clear from 0.15 m; tight while the estimate's doubt leaves it open, or a measured swing just passes."""
    return at_least(clearance_m, 0.0, COMFORT_M, tolerated=doubt_m)


def swing_basis(doubt_m: float) -> Basis:
    """Measured where the swing was in that direction, otherwise a trade estimate."""
    return Basis.TRADE if doubt_m > ROUNDING else Basis.MEASURED


def slow_swing(player: Player, to_measure: Direction | None) -> tuple[Cure, ...]:
    """The slow test swing as a cure, where it would tell more and was not made."""
    if to_measure is None:
        return ()
    words = "Do a slow test swing with the {club} and measure how {far} it reaches."
    at = FactAt(f"players/{player.id}", "measured_reaches")
    return (find_out(at, words, club=player.longest_club.value, far=to_measure.words),)
