"""A fee over time: a beginning that costs less, months that are free, and what it rises by each year."""

from fractions import Fraction
from functools import lru_cache
from typing import NamedTuple

from core.quantities import Money

MONTHS = 12


class Terms(NamedTuple):
    """How a fee begins and goes on, beside what one payment usually is."""

    first: Money | None = None
    """What each of the first payments is; `None` where they are as all others."""
    first_payments: int = 0
    months_free: int = 0
    """Months at the beginning that are not paid for, twelve at most; they come off the first payments."""
    rise: Fraction = Fraction(0)
    """By how much it is dearer each year than in the one before."""


AS_USUAL = Terms()


class Fee(NamedTuple):
    """What is paid again and again."""

    usual: Money
    """One payment, once its beginning is over and before it has risen."""
    a_year: int
    """How many payments a year has: 12, or 1."""
    terms: Terms = AS_USUAL
    begun_with: Money | None = None
    """What was paid first, where that was another amount than those that follow."""

    @property
    def begins_otherwise(self) -> bool:
        """What is paid first says nothing of what follows: it is lower, partly free, or has risen since."""
        return self.payment(0) != self.usual

    @property
    def begins_lower(self) -> bool:
        """Its first payments are others than those that follow."""
        return self.terms.first is not None and self.terms.first_payments > 0

    def payment(self, number: int) -> Money:
        """What payment `number` is, counted from 0; months that are free have none."""
        return self._of_period(number + self._first_period)

    def in_year(self, year: int) -> Money:
        """What is paid for `year`, counted from 0."""
        return _by_year(self, year + 1)[year]

    def within(self, years: int) -> Money:
        """What is paid for so many years."""
        return Money.total(list(_by_year(self, years)), self.usual.currency)

    @property
    def _first_period(self) -> int:
        """The first that anything is paid for."""
        return self.terms.months_free // self._months

    @property
    def _months(self) -> int:
        """Months that one payment is for."""
        return MONTHS // self.a_year

    def _of_period(self, period: int) -> Money:
        months, terms = self._months, self.terms
        if self.begun_with is not None and period == self._first_period:
            return self.begun_with
        free = min(max(terms.months_free - period * months, 0), months)
        rises = period * months // MONTHS
        paid = self.usual.scaled((1 + terms.rise) ** rises) if terms.rise else self.usual
        if terms.first is not None and period - self._first_period < terms.first_payments:
            paid = terms.first
        return paid.scaled(Fraction(months - free, months)) if free else paid


@lru_cache(maxsize=512)
def _by_year(fee: Fee, years: int) -> tuple[Money, ...]:
    """What is paid for each of so many years; every evaluation of a build asks for it."""
    currency = fee.usual.currency
    if fee.terms == AS_USUAL and fee.begun_with is None:
        return (fee.usual * fee.a_year,) * years
    of = [[fee._of_period(year * fee.a_year + number) for number in range(fee.a_year)] for year in range(years)]
    return tuple(Money.total(payments, currency) for payments in of)
