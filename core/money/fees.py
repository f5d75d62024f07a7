"""Fees that come again: when they are due, what they come to over the years, and against paying once."""

from calendar import monthrange
from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date, timedelta
from fractions import Fraction
from itertools import count
from typing import NamedTuple

from core.quantities import Money

MONTHS = 12
MOST_YEARS = 100
"""Nobody waits longer for a licence to pay for itself."""


@dataclass(frozen=True)
class Fee:
    """A fee as it is charged: each month or each year, less at first, more with the years."""

    amount: Money
    months: int = 12
    """From one payment to the next: 1 or 12."""
    intro: Money | None = None
    """What each of the first payments comes to."""
    intro_payments: int = 0
    rise: Fraction = Fraction(0)
    """By which share of itself the fee is raised each year, from the second on."""
    notice_days: int = 0
    """Before a renewal, until when it must be cancelled."""

    def payment(self, number: int) -> Money:
        """The payment of that number, from 0: introductory, else as raised by then, rounded once."""
        if number < self.intro_payments and self.intro is not None:
            return self.intro
        return self.amount.scaled((1 + self.rise) ** (number * self.months // MONTHS))


class Due(NamedTuple):
    """A payment that falls due, and the last day on which it can still be prevented."""

    on: date
    amount: Money
    cancel_by: date


def due_dates(fee: Fee, start: date, until: date) -> Iterator[Due]:
    """Every payment from `start` until before `until`; the 31st becomes the last day of a shorter month."""
    for number in count():
        on = months_later(start, number * fee.months)
        if on >= until:
            return
        yield Due(on, fee.payment(number), on - timedelta(days=fee.notice_days))


def months_later(day: date, months: int) -> date:
    """The same day so many months on, or the last one of a shorter month.

    >>> months_later(date(2026, 1, 31), 1)
    datetime.date(2026, 2, 28)
    """
    whole = day.month - 1 + months
    year, month = day.year + whole // MONTHS, whole % MONTHS + 1
    return date(year, month, min(day.day, monthrange(year, month)[1]))


def over_years(fee: Fee, years: int) -> Money:
    """What the fee comes to over so many years: Σ of its payments.

    Without an introduction that is yearly · ((1 + r)^H − 1) / r, and yearly · H where it is never raised.
    """
    payments = years * MONTHS // fee.months
    return Money.total([fee.payment(number) for number in range(payments)], fee.amount.currency)


def break_even_years(once: Money, fee: Fee) -> int | None:
    """The least number of years whose fees reach what is paid once; `None` where they never do within a century."""
    if once.minor <= 0:
        return 0
    paid, of_a_year = 0, MONTHS // fee.months
    for year in range(MOST_YEARS):
        paid += sum(fee.payment(number).minor for number in range(year * of_a_year, (year + 1) * of_a_year))
        if paid >= once.minor:
            return year + 1
    return None


@dataclass(frozen=True)
class OnceOrAgain:
    """Paying once against a fee, for somebody who may change software: over `years`, with yearly odds of changing.

    Whoever changes buys a once-licence again, odds · (years − 1) times on average; a subscription goes on as before.
    """

    once: Money
    fee: Fee
    years: int

    def once_expected(self, odds: Fraction) -> Money:
        """once · (1 + odds · (years − 1))."""
        return self.once.scaled(1 + odds * (self.years - 1))

    @property
    def fees(self) -> Money:
        """What the subscription comes to."""
        return over_years(self.fee, self.years)

    @property
    def turns_at(self) -> Fraction | None:
        """The yearly odds of changing from which the subscription costs no more; `None` where no odds from 0 to 1 do.

        0 where it never costs more.
        """
        over = self.fees.minor - self.once.minor
        if over <= 0:
            return Fraction(0)
        again = self.once.minor * (self.years - 1)
        return Fraction(over, again) if 0 < over <= again else None
