"""What is usual of a price, where today stands among the days of a year, and its sales."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date, timedelta
from math import ceil
from typing import NamedTuple

import numpy as np

from core.prices.history import Floats

YEAR_DAYS = 365
LOOKS_BACK_DAYS = 90
"""Over so many days before it a day's regular price is told."""
REGULAR_QUANTILE = 0.75
"""Three days of four it costs no more: sales of two months in three leave it where it is (trade)."""
SALE_SHARE = 0.04
"""So far under the regular price it is a sale; less is a shop's small change (trade)."""
FEWEST_DAYS = 60
"""With fewer days of which the price is known nothing is said of what is usual."""
FEWEST_READINGS = 4


class Sale(NamedTuple):
    """A span of days in which something cost less than it regularly does."""

    first: date
    last: date
    minor: int
    """The least that it cost."""
    regular_minor: int
    """What it cost before."""
    over: bool = True
    """It went up again; else it is on, or nobody looked any more."""

    @property
    def depth(self) -> float:
        """By which share of the regular price it was less."""
        return 1 - self.minor / self.regular_minor

    @property
    def days(self) -> int:
        """How long it was."""
        return (self.last - self.first).days + 1

    @property
    def months(self) -> set[int]:
        """In which it was on."""
        return {(self.first + timedelta(days=day)).month for day in range(self.days)}


@dataclass(frozen=True)
class Standing:
    """Where today's price stands among those of the 365 days up to it, in minor units."""

    lowest_minor: int
    usual_minor: int
    """The median."""
    low_minor: int
    high_minor: int
    """A tenth of the days it cost no more than the one, and a tenth no less than the other."""
    regular_minor: int
    """What it costs where there is no sale."""
    today_minor: int | None
    cheaper_share: float | None
    """Share of the days on which it cost less than today; `None` where it has no price today."""
    days_known: int
    sales: tuple[Sale, ...]

    @property
    def sale_months(self) -> tuple[int, ...]:
        """The months in which a sale was on, in order."""
        return tuple(sorted({month for sale in self.sales for month in sale.months}))

    @property
    def usual_sale_days(self) -> int | None:
        """How long sales that are over lasted, the median; `None` without any."""
        lasted = [sale.days for sale in self.sales if sale.over]
        return round(float(np.median(lasted))) if lasted else None

    @property
    def usual_depth(self) -> float | None:
        """The median share by which sales were less; `None` without any."""
        return float(np.median([sale.depth for sale in self.sales])) if self.sales else None


def standing(days: Floats, until: date, regular: Floats | None = None) -> Standing | None:
    """What the price was like on `days`, of which the last is `until`; `None` where too few are known to say.

    `regular` are the regular prices on `days`, where they are known already.
    """
    year = days[-YEAR_DAYS:]
    known = year[~np.isnan(year)]
    if len(known) < FEWEST_DAYS:
        return None
    regular = regular_prices(days) if regular is None else regular
    today = None if np.isnan(year[-1]) else round(float(year[-1]))
    ordered = np.sort(known)
    low, usual, high = (round(float(ordered[ceil(share * len(ordered)) - 1])) for share in (0.1, 0.5, 0.9))
    newest_regular = regular[~np.isnan(regular)][-1]
    return Standing(
        lowest_minor=round(float(known.min())),
        usual_minor=usual,
        low_minor=low,
        high_minor=high,
        regular_minor=round(float(newest_regular)),
        today_minor=today,
        cheaper_share=None if today is None else float((known < today).mean()),
        days_known=len(known),
        sales=tuple(sales_in(days, regular, until)),
    )


def regular_prices(days: Floats, every: int = 1) -> Floats:
    """What it regularly cost on each day: the price that it did not exceed on three of four of the ninety days up to
    it; not a number where no price is known in these. Told of every so manyth day only, the last among them."""
    before = np.concatenate((np.full(LOOKS_BACK_DAYS - 1, np.nan), days))
    up_to_each = np.lib.stride_tricks.sliding_window_view(before, LOOKS_BACK_DAYS)
    windows = np.sort(up_to_each[::-1][::every][::-1], axis=1)
    known = (~np.isnan(windows)).sum(axis=1)
    at = np.maximum(np.ceil(REGULAR_QUANTILE * known).astype(int) - 1, 0)
    regular: Floats = windows[np.arange(len(windows)), at]
    return regular


def on_sale(days: Floats, regular: Floats) -> np.ndarray[tuple[int], np.dtype[np.bool_]]:
    """On which days there was a sale."""
    with np.errstate(invalid="ignore"):
        return days < (1 - SALE_SHARE) * regular


def sales_in(days: Floats, regular: Floats, until: date) -> Iterator[Sale]:
    """The sales in `days`, of which the last is `until`, oldest first. A gap in what is known ends one."""
    begin = until - timedelta(days=len(days) - 1)
    flags = np.concatenate(([False], on_sale(days, regular), [False]))
    edges = np.flatnonzero(flags[1:] != flags[:-1])
    if not len(edges):
        return
    firsts, afters = edges[::2], edges[1::2]
    least = np.minimum.reduceat(np.append(days, np.nan), edges)[::2].tolist()
    ended = ~np.isnan(np.append(days, np.nan)[afters])
    told = zip(firsts.tolist(), afters.tolist(), least, regular[firsts].tolist(), ended.tolist(), strict=True)
    for first, after, minor, regular_minor, over in told:
        first_day, last_day = begin + timedelta(days=first), begin + timedelta(days=after - 1)
        yield Sale(first_day, last_day, round(minor), round(regular_minor), over)
