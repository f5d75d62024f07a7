"""Simulated markets: what shops do with a price over years, from a seed; the same for the same seed everywhere."""

from collections.abc import Iterable, Iterator
from datetime import date, timedelta
from enum import StrEnum
from math import exp
from random import Random
from typing import NamedTuple

SEASONS = ((1, 4, 2), (4, 8, 2), (7, 1, 3), (11, 24, 2))
"""When many shops have a sale: month, day, and for how many weeks (trade: after the feasts, spring, summer, autumn)."""
DAYS_A_YEAR = 365.25
STOCK_OUTS_A_DAY = 0.01 / 7
CLEARS_FROM_DAY = (160, 620)
"""Between these days of a market what is replaced begins to be cleared out."""


class Habit(StrEnum):
    """How a shop moves the price of a thing."""

    REGULAR_SALES = "regular sales"
    RARE_SALES = "rare sales"
    DRIFTING_UP = "drifting up"
    CLEARING_OUT = "clearing out"
    NO_PATTERN = "no pattern"


class Quote(NamedTuple):
    """What is asked on one day."""

    minor: int
    regular_minor: int
    in_stock: bool


class Sale(NamedTuple):
    """On which days, counted from the first of the market, something costs so much less."""

    days: range
    share: float


def market(seed: str, habit: Habit, usual_minor: int, first: date, days: int) -> Iterator[Quote]:
    """What is asked for something that usually costs so much, on each of `days` days from `first`.

    More days add to it and change none: each of its aspects has chances of its own.
    """
    makes = {
        Habit.REGULAR_SALES: _regular_sales,
        Habit.RARE_SALES: _rare_sales,
        Habit.DRIFTING_UP: _drifting_up,
        Habit.CLEARING_OUT: _clearing_out,
        Habit.NO_PATTERN: _no_pattern,
    }
    return makes[habit](_Chances(f"{seed} {habit}"), usual_minor, first, days)


class _Chances(NamedTuple):
    seed: str

    def of(self, aspect: str) -> Random:
        return Random(f"{self.seed} {aspect}")


def _rounded(minor: float) -> int:
    """Whole units, as shops price: 1 under the nearest round figure from 100 on."""
    units = max(1, round(minor / 100))
    return (round((units + 1) / 10) * 10 - 1 if units >= 100 else units) * 100


def _now_and_then(chances: _Chances, days: int, weeks: tuple[int, int], depth: tuple[float, float]) -> Iterator[Sale]:
    """Sales every so many days, whatever the season."""
    chance = chances.of("sales")
    every_days = chance.uniform(40, 75)
    at = chance.uniform(0, every_days)
    while at < days:
        length = 7 * chance.randint(*weeks)
        yield Sale(range(int(at), int(at) + length), chance.uniform(*depth))
        at += max(length + 7, chance.gauss(every_days, every_days / 4))


def _seasonal(chances: _Chances, first: date, days: int, odds: float, depth: tuple[float, float]) -> Iterator[Sale]:
    """Sales in the seasons, in some years and not in others."""
    chance = chances.of("seasons")
    for year in range(first.year - 1, (first + timedelta(days=days)).year + 1):
        for month, day, weeks in SEASONS:
            held, apart, share = chance.random() < odds, chance.randint(-3, 3), chance.uniform(*depth)
            if held:
                begin = (date(year, month, day) - first).days + apart
                yield Sale(range(begin, begin + 7 * weeks), share)


def _with_sales(chances: _Chances, regular: Iterable[float], sales: Iterable[Sale]) -> Iterator[Quote]:
    off: dict[int, float] = {}
    for sale in sales:
        for day in sale.days:
            off[day] = max(off.get(day, 0.0), sale.share)
    chance, out_until = chances.of("stock"), -1
    for day, price in enumerate(regular):
        sold_out, for_days = chance.random() < STOCK_OUTS_A_DAY, chance.randint(4, 20)
        if sold_out:
            out_until = day + for_days
        asked = _rounded(price)
        yield Quote(_rounded(price * (1 - off[day])) if day in off else asked, asked, day > out_until)


def _steps(chances: _Chances, usual: float, days: int, a_year: float, step: float) -> Iterator[float]:
    """A list price that is raised now and then."""
    chance, price = chances.of("steps"), usual
    for _ in range(days):
        raised, by = chance.random() < a_year / DAYS_A_YEAR, step * chance.uniform(0.5, 1.5)
        price *= 1 + by if raised else 1
        yield price


def _regular_sales(chances: _Chances, usual: int, first: date, days: int) -> Iterator[Quote]:
    depth = (0.08, 0.22)
    sales = (*_now_and_then(chances, days, (1, 2), depth), *_seasonal(chances, first, days, 0.5, depth))
    return _with_sales(chances, _steps(chances, usual, days, 0.7, 0.02), sales)


def _rare_sales(chances: _Chances, usual: int, first: date, days: int) -> Iterator[Quote]:
    sales = _seasonal(chances, first, days, 0.35, (0.10, 0.25))
    return _with_sales(chances, _steps(chances, usual, days, 0.5, 0.02), sales)


def _drifting_up(chances: _Chances, usual: int, first: date, days: int) -> Iterator[Quote]:
    step = chances.of("pace").uniform(0.015, 0.04)
    sales = _seasonal(chances, first, days, 0.15, (0.05, 0.12))
    return _with_sales(chances, _steps(chances, usual, days, 3.0, step), sales)


def _clearing_out(chances: _Chances, usual: int, first: date, days: int) -> Iterator[Quote]:
    """Goes down in steps from some day on, and is gone in the end."""
    chance = chances.of("clearing")
    begins = chance.uniform(*CLEARS_FROM_DAY)
    gone = begins + chance.uniform(60, 260)
    price = float(usual)
    for day in range(days):
        steps, by = chance.random() < 1 / 28, chance.uniform(0.04, 0.12)
        if day > begins and steps:
            price *= 1 - by
        yield Quote(_rounded(max(price, 0.45 * usual)), _rounded(usual), day < gone)


def _no_pattern(chances: _Chances, usual: int, first: date, days: int) -> Iterator[Quote]:
    """Wanders by a little each week, and has no sales."""
    chance = chances.of("wandering")
    wander, pace = 0.0, chance.uniform(0.0, 0.012)
    for day in range(days):
        if day % 7 == 0:
            wander += chance.gauss(0.0, pace)
        price = _rounded(usual * exp(wander))
        yield Quote(price, price, True)


def used_market(seed: str, usual_minor: int, first: date, days: int) -> Iterator[Quote]:
    """What a shop for used things asks: single pieces that come, are had for some weeks, and go."""
    chance = _Chances(seed).of("pieces")
    day = 0
    while day < days:
        for_days, until_next = chance.randint(9, 50), chance.randint(5, 60)
        price = _rounded(usual_minor * chance.uniform(0.85, 1.15))
        for _ in range(min(for_days, days - day)):
            yield Quote(price, price, True)
        for _ in range(max(0, min(until_next, days - day - for_days))):
            yield Quote(price, price, False)
        day += for_days + until_next
