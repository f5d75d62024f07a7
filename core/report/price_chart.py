"""A price over time, ready to be drawn: spans in which it stayed, sales, and the price to buy at in weeks to come."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date, timedelta
from itertools import pairwise
from math import isfinite

import numpy as np

from core.prices.history import SOLD_OUT, Floats
from core.prices.standing import Sale
from core.report.prices import LinePrices

DRAWN_DAYS = 548
"""A year and a half: each season is there at least once, most of them twice."""


@dataclass(frozen=True)
class PriceSpan:
    """Days on which it cost the same, the first and the last of them included."""

    first: date
    last: date
    minor: int


@dataclass(frozen=True)
class PriceChart:
    """What is drawn of a line."""

    first: date
    today: date
    spans: tuple[PriceSpan, ...]
    """Oldest first; between two that do not touch it was sold out, or nobody knows the price."""
    sold_out: tuple[tuple[date, date], ...]
    """Days on which it could not be had, the first and the last of them included."""
    sales: tuple[Sale, ...]
    buy_at: tuple[tuple[date, int], ...]
    """The price to buy at in each week to come, today first; none for the last, in which it is bought at any price."""
    needed_by: date


def price_chart(line: LinePrices, today: date) -> PriceChart:
    """The chart of a line."""
    days = line.days[-DRAWN_DAYS:]
    spans = tuple(spans_of(days, today))
    sold_out = spans_of(np.where(line.seen[-DRAWN_DAYS:] == SOLD_OUT, SOLD_OUT, np.nan), today)
    first = spans[0].first if spans else today
    weekly = line.advice.by_week_minor if line.advice.weeks else ()
    return PriceChart(
        first=first,
        today=today,
        spans=spans,
        sold_out=tuple((span.first, span.last) for span in sold_out if span.last >= first),
        sales=tuple(sale for sale in line.standing.sales if sale.last >= first) if line.standing else (),
        buy_at=tuple(
            (today + timedelta(weeks=week), round(minor)) for week, minor in enumerate(weekly) if isfinite(minor)
        ),
        needed_by=line.needed_by,
    )


def spans_of(days: Floats, until: date) -> Iterator[PriceSpan]:
    """Spans in which the price on `days`, of which the last is `until`, stayed the same."""
    begin = until - timedelta(days=len(days) - 1)
    whole = np.round(days)
    # Not a number differs from everything, itself included: days that are not known are spans of their own, left out.
    edges = np.flatnonzero(np.concatenate(([True], whole[1:] != whole[:-1], [True])))
    for low, high in pairwise(edges):
        if not np.isnan(whole[low]):
            first, last = begin + timedelta(days=int(low)), begin + timedelta(days=int(high) - 1)
            yield PriceSpan(first, last, int(whole[low]))
