"""What a series tells: the price on each of its days, made of the observations that are believed."""

from collections.abc import Sequence
from datetime import date, timedelta
from operator import attrgetter

import numpy as np

from core.model.parts.price import Price
from core.model.shops import SoldAs
from core.prices.asked import Asked
from core.prices.history import GAP_DAYS, SOLD_OUT, days_of
from jungle.market.models import Series
from jungle.market.spans import Span

TOLD = ("currency", "tax_included", "days", "days_from", "believed")
"""The fields of a series that follow from its observations."""
USUAL_DAYS = 365
FEWEST_USUAL_DAYS = 10
_NOBODY_LOOKED, _SOLD_OUT = 0, -1
"""In place of a price, among the days of a series."""
_LAST_SEEN = attrgetter("last_day", "pk")


def asked_for(owner_id: int, parts: Sequence[str], until: date, count: int) -> list[Asked]:
    """What was asked for some parts on each of `count` days up to `until`, one query for all of them."""
    found = Series.objects.filter(owner_id=owner_id, part__in=parts, days_from__isnull=False)
    told = list(
        found.values_list("part", "shop", "sold_as", "currency", "tax_included", "believed", "days_from", "days")
    )
    stored = np.full((len(told), count), _NOBODY_LOOKED, dtype=np.int64)
    for row, (*_, days_from, days) in zip(stored, told, strict=True):
        assert days_from is not None
        _fill(row, np.frombuffer(bytes(days), dtype="<i8"), (days_from - until).days + count - 1)
    shown = stored.astype(np.float64)
    shown[stored == _NOBODY_LOOKED] = np.nan
    shown[stored == _SOLD_OUT] = SOLD_OUT
    return [
        Asked(part, shop, SoldAs(sold_as), currency, tax_included, days, believed)
        for days, (part, shop, sold_as, currency, tax_included, believed, *_) in zip(shown, told, strict=True)
    ]


def _fill(row: np.ndarray, known: np.ndarray, begin: int) -> None:
    """Put the days that are `known` into `row` from `begin` on. What was seen last holds for a while after it."""
    end = begin + len(known)
    row[max(0, begin) : max(0, end)] = known[max(0, -begin) : max(0, len(row) - begin)]
    row[max(0, end) : max(0, end + GAP_DAYS)] = known[-1]


def retell(series: Series, ordered: Sequence[Span]) -> None:
    """Make what a series tells anew of all that was seen of it, oldest first; it is not stored."""
    newest = max(ordered, key=_LAST_SEEN, default=None)
    series.newest_id = newest.pk if newest else None
    believed = [one for one in ordered if one.believed]
    if not believed:
        series.days_from, series.days, series.believed = None, b"", 0
        return
    last = believed[-1]
    series.currency, series.tax_included = last.currency, bool(last.tax_included)
    alike = [one for one in believed if one.currency == last.currency and one.tax_included == last.tax_included]
    spans = zip(*((one.first_day, one.last_day, one.minor, one.in_stock) for one in alike), strict=True)
    first_days, last_days, minor, in_stock = (np.array(each, dtype=np.int64) for each in spans)
    told = np.where(in_stock, minor, SOLD_OUT)
    begins, ends = int(first_days[0]), int(last_days.max())
    series.days_from, series.believed = date.fromordinal(begins), len(alike)
    days = days_of(first_days, last_days, told, date.fromordinal(ends), ends - begins + 1)
    days[days == SOLD_OUT] = _SOLD_OUT
    days[np.isnan(days)] = _NOBODY_LOOKED
    series.days = days.astype("<i8").tobytes()


class GrowingDays:
    """The days of a series while looks are taken into it."""

    def __init__(self, series: Series) -> None:
        self._series = series
        self._days: list[int] | None = None
        self._usual: tuple[int, Price | None] = (-1, None)
        """By how many days are known, what it usually costs."""

    def usual(self) -> Price | None:
        """What it usually costs, while enough days are known to say."""
        days = self._read()
        if self._usual[0] != len(days):
            self._usual = len(days), self._worked_out_usual(days)
        return self._usual[1]

    def grow(self, believed: Span, day: date) -> None:
        """Add the days up to `day`, on which what is believed was seen, to those that are known."""
        days, series = self._read(), self._series
        if series.days_from is None:
            series.days_from = day
            days.clear()
        ends = series.days_from + timedelta(days=len(days))
        gap = (day - ends).days
        if gap > 0:
            held = min(gap, GAP_DAYS)
            days.extend([days[-1]] * held + [_NOBODY_LOOKED] * (gap - held))
        if (day - series.days_from).days < len(days):
            days.pop()
        days.append(believed.minor if believed.in_stock else _SOLD_OUT)

    def put_down(self) -> None:
        """Have the series tell them; it is not stored."""
        if self._days is not None:
            self._series.days = np.array(self._days, dtype="<i8").tobytes()

    def _read(self) -> list[int]:
        if self._days is None:
            self._days = np.frombuffer(bytes(self._series.days), dtype="<i8").tolist()
        return self._days

    def _worked_out_usual(self, days: Sequence[int]) -> Price | None:
        known = [minor for minor in days[-USUAL_DAYS:] if minor > 0]
        if len(known) < FEWEST_USUAL_DAYS:
            return None
        currency, tax_included = self._series.currency, self._series.tax_included
        return Price(minor=int(np.median(known)), currency=currency, tax_included=tax_included)
