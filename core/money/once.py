"""A licence paid once against one paid again: when it pays, and at which odds of changing software it does not."""

from fractions import Fraction
from typing import NamedTuple

from core.quantities import Money

STEPS = 20
"""Odds are told for every twentieth."""


class AtOdds(NamedTuple):
    """What either is expected to cost where the title is changed each year with such odds."""

    odds: float
    once: Money
    again: Money


def break_even_years(once: Money, yearly: Money) -> float:
    """After how many years so many fees have cost as much; `yearly` is more than nothing."""
    return once.minor / yearly.minor


def at_odds(once: Money, yearly: Money, years: int, odds: float) -> AtOdds:
    """Over `years`: a licence is bought again odds · (years − 1) times; a subscription goes on with the next title."""
    bought = 1 + Fraction(str(odds)) * (years - 1)
    return AtOdds(odds, once.scaled(bought), yearly * years)


def turning_odds(once: Money, yearly: Money, years: int) -> float | None:
    """The yearly odds at which both cost the same, (fees / once − 1) / (years − 1); `None` where none does."""
    if years < 2 or not once.minor:
        return None
    odds = float((Fraction(yearly.minor * years, once.minor) - 1) / (years - 1))
    return odds if 0 <= odds <= 1 else None


def over_odds(once: Money, yearly: Money, years: int) -> tuple[AtOdds, ...]:
    """From never to every year."""
    return tuple(at_odds(once, yearly, years, step / STEPS) for step in range(STEPS + 1))
