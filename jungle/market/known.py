"""Observations as they are read many at a time: no more of each than is looked at, days as their ordinals."""

from collections.abc import Sequence
from typing import NamedTuple

from django.db.models import F, Func, IntegerField
from django.db.models.functions import Cast

from jungle.market.models import Observation

AT_ONCE = 500
"""Series or rows that are asked for or written together."""


class Known(NamedTuple):
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
    """The ordinal of a day, as the database works it out: it takes a fraction of having each one made a date."""

    template = "CAST(julianday(%(expressions)s) - 1721424.5 AS INTEGER)"
    output_field = IntegerField()


_READ = {
    "taxed": Cast("tax_included", IntegerField()),
    "there": Cast("in_stock", IntegerField()),
    "first_day": _Ordinal(F("first_seen")),
    "last_day": _Ordinal(F("last_seen")),
}
_IN_ORDER = ("pk", "minor", "currency", *_READ, "held_back", "struck")
"""As `Known` has them."""


def known_of(series_ids: Sequence[int]) -> dict[int, list[Known]]:
    """All that was seen in each of these series, in the order of the days on which it was seen first."""
    found: dict[int, list[Known]] = {series_id: [] for series_id in series_ids}
    for start in range(0, len(series_ids), AT_ONCE):
        stored = Observation.objects.filter(series__in=series_ids[start : start + AT_ONCE])
        stored = stored.order_by("series", "first_seen", "pk").annotate(**_READ)
        for series_id, *row in stored.values_list("series_id", *_IN_ORDER).iterator(chunk_size=AT_ONCE):
            found[series_id].append(Known._make(row))
    return found


def known_as(observation: Observation, pk: int) -> Known:
    """One that is at hand whole."""
    return Known(
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
