"""What was seen of prices: written down once, never overwritten, struck out with a reason, and read as days."""

from bisect import bisect_right, insort_right
from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field, fields
from datetime import date, timedelta
from operator import attrgetter
from typing import NamedTuple

import numpy as np
from django.db import transaction
from django.db.models import TextField
from django.db.models.functions import Cast

from core.formats.looks_csv import SeenSpan
from core.model.observation import Look, Source
from core.model.parts.price import Price
from core.model.shops import SoldAs
from core.prices.asked import Asked
from core.prices.doubts import doubt_of
from core.prices.history import GAP_DAYS, SOLD_OUT, Floats, History, Seen
from jungle.market.models import Observation, Series

USUAL_DAYS = 365
FEWEST_USUAL_DAYS = 10
MOST_TOLD = 200
TOLD_OF_A_SERIES = ("currency", "tax_included", "days", "days_from", "believed")
NOBODY_LOOKED, STORED_SOLD_OUT = 0, -1
"""In place of a price, among the days of a series."""
AT_ONCE = 500
"""Rows that are asked for or written together."""

Key = tuple[str, str, str]
"""Part, shop, condition."""


class NoSuchObservation(LookupError):
    """There is no such observation."""


class Recorded(NamedTuple):
    """What became of looks."""

    new: int
    extended: int
    """They found what was seen before."""
    held_back: int
    """Among the new ones, those that are not believed yet."""


@dataclass(slots=True)
class _Stored:
    """An observation as it is stored, and no more of it than is looked at: there may be a million of them."""

    pk: int
    minor: int
    currency: str
    tax_included: bool
    in_stock: bool
    first_seen: date
    last_seen: date
    held_back: str
    struck: str


_Known = Observation | _Stored
_LAST_SEEN = attrgetter("last_seen", "pk")
_PLAIN = {f"{name}_plain": Cast(name, TextField()) for name in ("tax_included", "in_stock", "first_seen", "last_seen")}
"""Days and yes or no as they are stored: to have them converted one by one takes longer than all the rest."""
_READ = tuple(
    f"{name}_plain" if f"{name}_plain" in _PLAIN else name for name in (part.name for part in fields(_Stored))
)


def _stored(pk: int, minor: int, currency: str, tax: str, there: str, first: str, last: str, *why: str) -> _Stored:
    """One that was read, in the order of `_READ`."""
    return _Stored(
        pk, minor, currency, tax == "1", there == "1", date.fromisoformat(first), date.fromisoformat(last), *why
    )


@dataclass
class _State:
    """A series as it is filled, with what was seen last in it."""

    series: Series
    newest: Observation | None
    fresh: list[Observation] = field(default_factory=list)
    grown: dict[int, _Known] = field(default_factory=dict)
    known: list[_Known] | None = None
    """All that was seen, oldest first, where something is told of days before the last: its days are made anew."""
    days: list[int] | None = None
    _usual: tuple[int, Price | None] = (-1, None)
    """By how many days are known, what it usually costs."""

    def usual(self) -> Price | None:
        """What it usually costs, while enough days are known to say."""
        days = self.read_days()
        if self._usual[0] != len(days):
            self._usual = len(days), self._worked_out_usual(days)
        return self._usual[1]

    def _worked_out_usual(self, days: list[int]) -> Price | None:
        known = [minor for minor in days[-USUAL_DAYS:] if minor > 0]
        if len(known) < FEWEST_USUAL_DAYS:
            return None
        return Price(minor=int(np.median(known)), currency=self.series.currency, tax_included=self.series.tax_included)

    def read_days(self) -> list[int]:
        if self.days is None:
            self.days = np.frombuffer(bytes(self.series.days), dtype="<i8").tolist()
        return self.days


def record(owner_id: int, looks: Iterable[Look], called: Mapping[str, str] | None = None) -> Recorded:
    """Write looks down, in the order of their days. One that finds what was seen before extends that.

    `called` are the names of parts, to tell a page that shows another one. All of it is stored, or nothing.
    """
    ordered = sorted(looks, key=lambda look: look.day)
    with transaction.atomic():
        states = _states(owner_id, {look.part for look in ordered})
        _look_back(states, ordered)
        counts = [0, 0, 0]
        for look in ordered:
            state = _state_of(states, owner_id, look)
            held = _seen(state, look, (called or {}).get(look.part, ""))
            counts[0] += held is not None
            counts[1] += held is None
            counts[2] += bool(held)
        _store(list(states.values()))
    return Recorded(*counts)


def strike(owner_id: int, observation_id: int, reason: str) -> str:
    """Believe an observation no more; answers of which part it is. Raises `NoSuchObservation`."""
    return _changed(owner_id, observation_id, struck=reason)


def bring_back(owner_id: int, observation_id: int) -> str:
    """Believe one again that was struck out; answers of which part it is. Raises `NoSuchObservation`."""
    return _changed(owner_id, observation_id, struck="")


def confirm(owner_id: int, observation_id: int) -> str:
    """Believe one that was held back; answers of which part it is. Raises `NoSuchObservation`."""
    return _changed(owner_id, observation_id, held_back="")


def log_of(owner_id: int, part: str) -> list[Observation]:
    """What was seen of a part in all shops, the newest first, so many at most."""
    found = Observation.objects.filter(series__owner_id=owner_id, series__part=part)
    return list(found.select_related("series").order_by("-last_seen", "-first_seen", "-pk")[:MOST_TOLD])


def spans_of(owner_id: int) -> Iterator[SeenSpan]:
    """All that was ever seen, struck out or not, part by part."""
    rows = Observation.objects.filter(series__owner_id=owner_id).order_by(
        "series__part", "series_id", "first_seen", "pk"
    )
    for one in rows.select_related("series").iterator(chunk_size=2000):
        look = Look.model_construct(
            part=one.series.part,
            shop=one.series.shop,
            sold_as=SoldAs(one.series.sold_as),
            price=Price.model_construct(minor=one.minor, currency=one.currency, tax_included=one.tax_included),
            in_stock=one.in_stock,
            bulky=one.bulky,
            day=one.first_seen,
            source=Source(one.source),
            address=one.address,
            name="",
        )
        yield SeenSpan(look, one.last_seen, one.held_back, one.struck)


def asked_for(owner_id: int, parts: Sequence[str], until: date, count: int) -> list[Asked]:
    """What was asked for some parts on each of `count` days up to `until`, one query for all of them."""
    rows = Series.objects.filter(owner_id=owner_id, part__in=parts, days_from__isnull=False)
    told = rows.values_list("part", "shop", "sold_as", "currency", "tax_included", "days_from", "days", "believed")
    found = []
    for part, shop, sold_as, currency, tax_included, days_from, days, believed in told:
        assert days_from is not None
        window = _window(np.frombuffer(bytes(days), dtype="<i8"), days_from, until, count)
        found.append(Asked(part, shop, SoldAs(sold_as), currency, tax_included, window, believed))
    return found


def _window(known: np.ndarray, days_from: date, until: date, count: int) -> Floats:
    """What was seen last is taken to hold for a while after it."""
    told = np.concatenate((known, np.repeat(known[-1:], GAP_DAYS)))
    found = np.full(count, np.nan)
    offset = (days_from - until).days + count - 1
    low, high = max(0, offset), min(count, offset + len(told))
    if low < high:
        shown = told[low - offset : high - offset]
        found[low:high] = np.where(shown == STORED_SOLD_OUT, SOLD_OUT, np.where(shown == NOBODY_LOOKED, np.nan, shown))
    return found


def _states(owner_id: int, parts: set[str]) -> dict[Key, _State]:
    found: dict[Key, _State] = {}
    named = sorted(parts)
    for start in range(0, len(named), AT_ONCE):
        rows = Series.objects.filter(owner_id=owner_id, part__in=named[start : start + AT_ONCE])
        for series in rows.select_related("newest"):
            found[series.part, series.shop, series.sold_as] = _State(series, series.newest)
    return found


def _look_back(states: Mapping[Key, _State], looks: Iterable[Look]) -> None:
    """Have at hand all that was seen where one of `looks` is at a day before the last one."""
    back: dict[int, _State] = {}
    for look in looks:
        state = states.get(_key_of(look))
        if state is not None and state.newest is not None and look.day < state.newest.last_seen:
            back[state.series.pk] = state
    seen: dict[int, list[_Known]] = {series_id: [] for series_id in back}
    ids = sorted(back)
    for start in range(0, len(ids), AT_ONCE):
        stored = Observation.objects.filter(series__in=ids[start : start + AT_ONCE])
        stored = stored.order_by("series", "first_seen", "pk").annotate(**_PLAIN)
        for series_id, *row in stored.values_list("series_id", *_READ).iterator(chunk_size=AT_ONCE):
            newest = back[series_id].newest
            # What was seen last is extended where it is held.
            seen[series_id].append(newest if newest is not None and newest.pk == row[0] else _stored(*row))
    for series_id, known in seen.items():
        back[series_id].known = known


def _key_of(look: Look) -> Key:
    return look.part, look.shop, look.sold_as.value


def _state_of(states: dict[Key, _State], owner_id: int, look: Look) -> _State:
    key = _key_of(look)
    if key not in states:
        series = Series(
            owner_id=owner_id,
            part=look.part,
            shop=look.shop,
            sold_as=look.sold_as.value,
            currency=look.price.currency,
            tax_included=look.price.tax_included,
        )
        states[key] = _State(series, None)
    return states[key]


def _seen(state: _State, look: Look, called: str) -> str | None:
    """Take a look into a series: why it is held back, empty where it is believed, `None` where it finds the same."""
    newest = state.newest
    if newest is not None and look.day < newest.last_seen:
        return _seen_before(state, look, called)
    if newest is not None and _goes_on(state, newest, look, called):
        if look.day > newest.last_seen:
            _extend(state, newest, look.day)
            if not newest.held_back and not newest.struck:
                _grow(state, newest, look.day)
        return None
    made = _observation(state, look, called)
    if not made.held_back:
        _grow(state, made, look.day)
    state.newest = made
    return made.held_back


def _seen_before(state: _State, look: Look, called: str) -> str | None:
    """A look at a day that lies before the last one: kept where it says something else than what is known."""
    known = state.known
    assert known is not None, "looks are told in the order of their days"
    at = bisect_right(known, look.day, key=_first_seen)
    last = known[at - 1] if at else None
    if last is not None and _goes_on(state, last, look, called):
        if look.day <= last.last_seen:
            return None
        # Something else that was seen since would be covered by it.
        if not any(one.last_seen > last.last_seen for one in known[: at - 1]):
            _extend(state, last, look.day)
            return None
    return _observation(state, look, called).held_back


def _extend(state: _State, observation: _Known, day: date) -> None:
    observation.last_seen = day
    if observation.pk is not None:
        state.grown[observation.pk] = observation


def _observation(state: _State, look: Look, called: str) -> Observation:
    made = Observation(
        minor=look.price.minor,
        currency=look.price.currency,
        tax_included=look.price.tax_included,
        in_stock=look.in_stock,
        bulky=look.bulky,
        first_seen=look.day,
        last_seen=look.day,
        source=look.source.value,
        address=look.address,
        held_back=_doubt(state, look, called),
    )
    state.fresh.append(made)
    if state.known is not None:
        insort_right(state.known, made, key=_first_seen)
    return made


def _first_seen(one: _Known) -> date:
    return one.first_seen


def _doubt(state: _State, look: Look, called: str) -> str:
    return doubt_of(look.price, state.usual(), look.name, called)[:200]


def _goes_on(state: _State, known: _Known, look: Look, called: str) -> bool:
    """A look finds what is known of it still. What is held back goes on by looks that would be held back themselves,
    and what was confirmed by any."""
    told = (look.price.minor, look.price.currency, look.price.tax_included, look.in_stock)
    if (known.minor, known.currency, known.tax_included, known.in_stock) != told or known.struck:
        return False
    if (look.day - known.last_seen).days > GAP_DAYS:
        return False
    return bool(_doubt(state, look, called)) if known.held_back else not doubt_of(look.price, None, look.name, called)


def _grow(state: _State, believed: Observation, day: date) -> None:
    """Add the days up to `day`, on which what is believed was seen, to those that are known."""
    days, series = state.read_days(), state.series
    if series.days_from is None:
        series.days_from = day
        days.clear()
    ends = series.days_from + timedelta(days=len(days))
    gap = (day - ends).days
    if gap > 0:
        held = min(gap, GAP_DAYS)
        days.extend([days[-1]] * held + [NOBODY_LOOKED] * (gap - held))
    if (day - series.days_from).days < len(days):
        days.pop()
    days.append(believed.minor if believed.in_stock else STORED_SOLD_OUT)


def _store(states: Sequence[_State]) -> None:
    for state in states:
        if state.days is not None and state.known is None:
            state.series.days = np.array(state.days, dtype="<i8").tobytes()
    new = [state.series for state in states if state.series.pk is None]
    Series.objects.bulk_create(new)
    for state in states:
        for one in state.fresh:
            one.series_id = state.series.pk
    grown = [Observation(pk=pk, last_seen=one.last_seen) for state in states for pk, one in state.grown.items()]
    Observation.objects.bulk_update(grown, ["last_seen"], batch_size=AT_ONCE)
    Observation.objects.bulk_create([one for state in states for one in state.fresh], batch_size=AT_ONCE)
    for state in states:
        state.series.newest = state.newest
        if state.known is None:
            state.series.believed += sum(not one.held_back for one in state.fresh)
        else:
            _rebuild(state.series, state.known)
    touched = [state.series for state in states if state.fresh or state.grown]
    # They are there: written whole they take a fraction of what an update field by field does.
    Series.objects.bulk_create(
        touched,
        update_conflicts=True,
        unique_fields=["id"],
        update_fields=[*TOLD_OF_A_SERIES, "newest"],
        batch_size=AT_ONCE,
    )


def _rebuild(series: Series, ordered: Sequence[_Known]) -> None:
    """Make what a series tells anew of all that was seen of it, oldest first; it is not stored."""
    believed = [one for one in ordered if not one.held_back and not one.struck]
    newest = max(ordered, key=_LAST_SEEN, default=None)
    series.newest_id = newest.pk if newest else None
    if not believed:
        series.days_from, series.days, series.believed = None, b"", 0
        return
    last = believed[-1]
    series.currency, series.tax_included = last.currency, last.tax_included
    alike = [one for one in believed if (one.currency, one.tax_included) == (last.currency, last.tax_included)]
    history = History(tuple(Seen(one.first_seen, one.last_seen, one.minor, one.in_stock) for one in alike))
    until = max(one.last_seen for one in alike)
    series.days_from, series.believed = alike[0].first_seen, len(alike)
    days = history.days(until, (until - alike[0].first_seen).days + 1)
    stored = np.where(days == SOLD_OUT, STORED_SOLD_OUT, np.nan_to_num(days, nan=NOBODY_LOOKED))
    series.days = stored.astype("<i8").tobytes()


@transaction.atomic
def _changed(owner_id: int, observation_id: int, **facts: str) -> str:
    found = Observation.objects.filter(series__owner_id=owner_id, pk=observation_id)
    observation = found.select_related("series").first()
    if observation is None:
        raise NoSuchObservation("There is no such observation.")
    found.update(**{name: text[:200] for name, text in facts.items()})
    series = observation.series
    _rebuild(series, list(series.observations.all()))
    series.save()
    return observation.series.part
