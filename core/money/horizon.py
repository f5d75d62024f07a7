"""What a bay costs over the years: bought, charged, used up and plugged in, less what it sells for in the end."""

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction
from functools import cached_property
from math import ceil
from typing import NamedTuple

from core.quantities import Money

WEEKS = 52
MONTHS = 12


class UsedUp(NamedTuple):
    """Something that is used up with the hours played: balls and gloves by and by, a lamp or a mat all at once."""

    name: str
    cost: Money
    """Of one, or of one pack."""
    life_hours: Fraction
    """Hours of play that one lasts, more than none."""
    comes_along: bool = False
    """The first one comes with the build, and each is replaced as a whole when it is worn: a lamp, a mat, a screen."""

    def bought_within(self, hours: Fraction) -> Fraction:
        """How many are bought within so many hours of play; max(0, ⌈hours / life⌉ − 1) of what comes along."""
        if self.comes_along:
            return Fraction(max(0, ceil(hours / self.life_hours) - 1))
        return hours / self.life_hours


class Year(NamedTuple):
    """One year of it, by what it is for."""

    up_front: Money
    fees: Money
    used_up: Money
    electricity: Money

    @property
    def total(self) -> Money:
        """All of them."""
        return self.up_front + self.fees + self.used_up + self.electricity


@dataclass(frozen=True)
class Horizon:
    """Every year of it, and what it sells for at the end."""

    years: tuple[Year, ...]
    resale: Money
    hours_a_week: Fraction

    @cached_property
    def total(self) -> Money:
        """All years, less the resale."""
        currency = self.resale.currency
        return Money.total([year.total for year in self.years], currency) - self.resale

    @property
    def running(self) -> Money:
        """What it costs but for buying it: fees, what is used up and electricity, over all years."""
        currency = self.resale.currency
        return Money.total([year.total - year.up_front for year in self.years], currency)

    @property
    def later_year(self) -> Money | None:
        """What a year after the first one costs on average; `None` where there is none."""
        later = [year.total for year in self.years[1:]]
        return Money.total(later, self.resale.currency).scaled(Fraction(1, len(later))) if later else None

    @property
    def a_month(self) -> Money:
        """A month of all of it, a twelfth of a year."""
        return self.total.scaled(Fraction(1, MONTHS * len(self.years)))

    @property
    def hours(self) -> Fraction:
        """Hours of play in all years."""
        return self.hours_a_week * WEEKS * len(self.years)

    @property
    def an_hour(self) -> Money | None:
        """An hour played; `None` for who does not play."""
        return self.total.scaled(1 / self.hours) if self.hours else None

    def hours_to_beat(self, hire_an_hour: Money) -> Fraction | None:
        """Hours of play after which a hired bay had cost as much: up front / (hire − running cost of an hour).

        `None` where hiring never costs more.
        """
        if not self.hours:
            return None
        up_front = sum(year.up_front.minor for year in self.years)
        spared = hire_an_hour.minor - self.running.minor / self.hours
        return up_front / spared if spared > 0 else None


def horizon_of(
    up_front: Money,
    fees: Sequence[Money],
    used_up: Sequence[UsedUp],
    watts: Fraction,
    kilowatt_hour_minor: Fraction,
    hours_a_week: Fraction,
    resale: Money,
) -> Horizon:
    """As many years as there are `fees`; all that is bought up front is bought in the first.

    Electricity is watts · hours / 1000 · price. Each sum of a year is rounded once, of what it comes to by its end less
    what it came to before, so that years add up.
    """
    currency = up_front.currency
    a_year = hours_a_week * WEEKS

    def bought(year: int) -> Money:
        minor = sum((item.cost.minor * item.bought_within(a_year * year) for item in used_up), Fraction(0))
        return Money.rounded(minor, currency)

    def current(year: int) -> Money:
        return Money.rounded(kilowatt_hour_minor * watts / 1000 * a_year * year, currency)

    years = tuple(
        Year(
            up_front if not number else Money(0, currency),
            fee,
            bought(number + 1) - bought(number),
            current(number + 1) - current(number),
        )
        for number, fee in enumerate(fees)
    )
    return Horizon(years, resale, hours_a_week)
