"""A licence paid once against one paid again: when it pays, and at which odds of changing software it does not."""

from fractions import Fraction
from itertools import count
from typing import NamedTuple

from core.money.fees import AS_USUAL, Fee
from core.quantities import Money

STEPS = 20
"""Odds are told for every twentieth."""
BEYOND_YEARS = 100
"""What pays later than this never does, whatever fees begin with."""


class AtOdds(NamedTuple):
    """What either is expected to cost where the title is changed each year with such odds."""

    odds: float
    once: Money
    again: Money


def break_even_years(once: Money, fee: Fee) -> float:
    """After how many years fees, which are more than nothing, have cost as much.

    once / yearly; of a fee that begins otherwise or rises the least whole years whose fees reach it.
    """
    plain = once.minor / (fee.usual.minor * fee.a_year)
    if fee.terms == AS_USUAL or plain > BEYOND_YEARS:
        return plain
    return float(next(years for years in count(1) if fee.within(years) >= once))


def at_odds(once: Money, fee: Fee, years: int, odds: float) -> AtOdds:
    """Over `years`: a licence is bought again odds · (years − 1) times; a subscription goes on with the next title."""
    bought = 1 + Fraction(str(odds)) * (years - 1)
    return AtOdds(odds, once.scaled(bought), fee.within(years))


def year_by_year(once: Money, fee: Fee, years: int, odds: float) -> tuple[tuple[Money, Money], ...]:
    """What either has cost by the end of each year: once · (1 + odds · (year − 1)), and all fees until then."""
    return tuple((at.once, at.again) for at in (at_odds(once, fee, year, odds) for year in range(1, years + 1)))


def turning_odds(once: Money, fee: Fee, years: int) -> float | None:
    """The yearly odds at which both cost the same, (fees / once − 1) / (years − 1); `None` where none does."""
    if years < 2 or not once.minor:
        return None
    odds = float((Fraction(fee.within(years).minor, once.minor) - 1) / (years - 1))
    return odds if 0 <= odds <= 1 else None


def over_odds(once: Money, fee: Fee, years: int) -> tuple[AtOdds, ...]:
    """From never to every year."""
    return tuple(at_odds(once, fee, years, step / STEPS) for step in range(STEPS + 1))
