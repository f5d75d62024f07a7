"""What was seen of one price, and what it was on each day."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

Floats = NDArray[np.float64]
Ordinals = NDArray[np.int64]
GAP_DAYS = 21
"""Between two readings that lie further apart nobody knows the price (trade: sales last one to three weeks)."""
DAY = timedelta(days=1)
SOLD_OUT = 0.0
"""In place of a price, on a day on which it could not be had."""


class Seen(NamedTuple):
    """A price as it was read: on the first day, and on every look up to the last one that found the same."""

    first: date
    last: date
    minor: int
    """In minor units of one currency."""
    in_stock: bool = True


@dataclass(frozen=True)
class History:
    """What was seen of one price, in the order in which it was."""

    seen: tuple[Seen, ...]

    @property
    def observations(self) -> int:
        """How many readings differ from the one before; what all else rests on."""
        return len(self.seen)

    @property
    def newest(self) -> Seen | None:
        """What was seen last."""
        return self.seen[-1] if self.seen else None

    def days(self, until: date, count: int) -> Floats:
        """The price on each of `count` days up to `until`, that day included; `SOLD_OUT` where it could not be had, not
        a number where nobody knows.

        A look holds until the next one, and for `GAP_DAYS` where there is none by then. Where two spans overlap, what
        was first seen later says what it was on its own days.
        """
        first = np.array([one.first.toordinal() for one in self.seen], dtype=np.int64)
        last = np.array([one.last.toordinal() for one in self.seen], dtype=np.int64)
        told = np.array([one.minor if one.in_stock else SOLD_OUT for one in self.seen], dtype=np.float64)
        return days_of(first, last, told, until, count)

    def with_reading(self, day: date, minor: int, in_stock: bool = True) -> "History":
        """With one more look, no earlier than the last; one that finds the same extends what was seen last."""
        newest = self.newest
        same = newest is not None and (newest.minor, newest.in_stock) == (minor, in_stock)
        if newest is not None and same and (day - newest.last).days <= GAP_DAYS:
            return History((*self.seen[:-1], newest._replace(last=day)))
        return History((*self.seen, Seen(day, day, minor, in_stock)))


def days_of(first: Ordinals, last: Ordinals, told: Floats, until: date, count: int) -> Floats:
    """As `History.days`, of spans from `first` to `last` in ordinals of days, on which it was `told` to cost so much.

    They are in the order in which they were seen.
    """
    length = count + GAP_DAYS
    begin = until.toordinal() - length + 1
    low, high = np.maximum(first - begin, 0), np.minimum(last - begin, length - 1)
    lengths = np.maximum(high - low + 1, 0)
    # One after the other: the day of each span, and which span it is.
    on = np.arange(lengths.sum()) + np.repeat(low - np.cumsum(lengths) + lengths, lengths)
    newest = np.full(length, -1)
    np.maximum.at(newest, on, np.repeat(np.arange(len(told)), lengths))
    return held_on(np.append(told, np.nan)[newest])[GAP_DAYS:]


def holds_until(seen: date) -> date:
    """The last day on which a price that was seen is taken to be what it was, where nobody looked again."""
    return seen + GAP_DAYS * DAY


def held_on(days: Floats) -> Floats:
    """Each day that is not known takes what was known last, for `GAP_DAYS`."""
    numbers = np.arange(len(days))
    last = np.maximum.accumulate(np.where(np.isnan(days), -1, numbers))
    held = np.where(last >= 0, days[last], np.nan)
    held[(numbers - last) > GAP_DAYS] = np.nan
    return held


def history_of(readings: Iterable[tuple[date, int, bool]]) -> History:
    """A history of single readings in any order: day, minor units, in stock. Of several on a day the last counts."""
    by_day = {day: (minor, in_stock) for day, minor, in_stock in readings}
    found = History(())
    for day in sorted(by_day):
        found = found.with_reading(day, *by_day[day])
    return found


def cheapest(things: Sequence[Iterable[Floats]], count: int) -> Floats:
    """The least price of several offers of each of `things` on each of `count` days, a row for each thing; `SOLD_OUT`
    where one of them was and none could be had, not a number where nobody knows of any."""
    if not things:
        return np.empty((0, count))
    nobody_knows = np.full(count, np.nan)
    offers = [[nobody_knows, *rows] for rows in things]
    several = np.stack([row for rows in offers for row in rows])
    begins = np.cumsum([0, *(len(rows) for rows in offers[:-1])])
    least: Floats = np.fmin.reduceat(prices_of(several), begins, axis=0)
    least[np.isnan(least) & np.logical_or.reduceat(several == SOLD_OUT, begins, axis=0)] = SOLD_OUT
    return least


def prices_of(days: Floats) -> Floats:
    """The price on each of `days`; not a number where there was none."""
    return np.where(days == SOLD_OUT, np.nan, days)
