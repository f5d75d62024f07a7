"""Observations as they are read many at a time: no more of each than is looked at, days as their ordinals."""

from collections.abc import Sequence
from operator import attrgetter
from typing import NamedTuple

from django.db.models import Aggregate, F, Func, IntegerField, TextField
from django.db.models.functions import JSONArray
from pydantic_core import from_json

from jungle.market.models import Observation

AT_ONCE = 500
"""Series or rows that are asked for or written together."""


class Span(NamedTuple):
    """An observation that is stored or about to be: there may be a million of them."""

    pk: int
    minor: int
    currency: str
    tax_included: int
    in_stock: int
    first_day: int
    last_day: int
    held_back: str
    struck: str

    @property
    def believed(self) -> bool:
        """What is not held back nor struck out."""
        return not (self.held_back or self.struck)


class _Ordinal(Func):
    """The ordinal of a day."""

    template = "CAST(julianday(%(expressions)s) - 1721424.5 AS INTEGER)"
    output_field = IntegerField()


class _ListOf(Aggregate):
    """All rows of a group as one text: it takes half the time of having each of them handed over by itself."""

    function = "json_group_array"
    output_field = TextField()


_AS_SPAN = JSONArray(
    "pk",
    "minor",
    "currency",
    "tax_included",
    "in_stock",
    _Ordinal(F("first_seen")),
    _Ordinal(F("last_seen")),
    "held_back",
    "struck",
    output_field=TextField(),
)
_FIRST_SEEN = attrgetter("first_day", "pk")


def spans_by_series(series_ids: Sequence[int]) -> dict[int, list[Span]]:
    """All that was seen in each of these series, in the order of the days on which it was seen first."""
    found: dict[int, list[Span]] = {series_id: [] for series_id in series_ids}
    for start in range(0, len(series_ids), AT_ONCE):
        stored = Observation.objects.filter(series__in=series_ids[start : start + AT_ONCE]).order_by()
        for series_id, rows in stored.values_list("series_id").annotate(rows=_ListOf(_AS_SPAN)).iterator():
            found[series_id] = sorted(map(Span._make, from_json(rows)), key=_FIRST_SEEN)
    return found


def span_of(observation: Observation, pk: int) -> Span:
    """One that is at hand whole."""
    return Span(
        pk=pk,
        minor=observation.minor,
        currency=observation.currency,
        tax_included=observation.tax_included,
        in_stock=observation.in_stock,
        first_day=observation.first_seen.toordinal(),
        last_day=observation.last_seen.toordinal(),
        held_back=observation.held_back,
        struck=observation.struck,
    )
