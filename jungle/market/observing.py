"""What was seen of prices: written down once, never overwritten, believed no more where somebody says why."""

from bisect import bisect_right, insort_right
from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from datetime import date
from operator import attrgetter
from typing import NamedTuple

from django.db import transaction

from core.formats.looks_csv import SeenSpan
from core.model.observation import Look, Source
from core.model.parts.price import Price
from core.model.shops import SoldAs
from core.prices.doubts import doubt_of
from core.prices.history import GAP_DAYS
from jungle.market.models import Observation, Series
from jungle.market.series_days import TOLD, GrowingDays, retell
from jungle.market.spans import AT_ONCE, Span, span_of, spans_by_series

MOST_TOLD = 200
_FIRST_DAY = attrgetter("first_day")
_FIELDS = tuple(each.attname for each in Observation._meta.concrete_fields)

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


@dataclass
class _State:
    """A series as it is filled, with what was seen last in it."""

    series: Series
    newest: Span | None
    days: GrowingDays
    known: list[Span] | None = None
    """All that was seen, oldest first, where something is told of days before the last: its days are made anew."""
    fresh: list[Observation] = field(default_factory=list)
    """What is new. Until it is stored its number is less than nothing: the first is -1."""
    grown: dict[int, int] = field(default_factory=dict)
    """Until which day something is seen now that was stored before, by its number."""

    def extend(self, one: Span, day: int) -> Span:
        """Something was seen until `day`."""
        if one.pk < 0:
            self.fresh[-1 - one.pk].last_seen = date.fromordinal(day)
        else:
            self.grown[one.pk] = day
        longer = one._replace(last_day=day)
        if self.known is not None:
            self.known[self.known.index(one)] = longer
        if self.newest == one:
            self.newest = longer
        return longer

    def add(self, made: Observation) -> Span:
        """Something was seen that is new."""
        self.fresh.append(made)
        one = span_of(made, -len(self.fresh))
        if self.known is not None:
            insort_right(self.known, one, key=_FIRST_DAY)
        return one

    def stored(self, one: Span) -> Span:
        """The same under the number that it has in the database."""
        return one if one.pk > 0 else one._replace(pk=self.fresh[-1 - one.pk].pk)


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


def _states(owner_id: int, parts: set[str]) -> dict[Key, _State]:
    found: dict[Key, _State] = {}
    named = sorted(parts)
    for start in range(0, len(named), AT_ONCE):
        rows = Series.objects.filter(owner_id=owner_id, part__in=named[start : start + AT_ONCE])
        for series in rows.select_related("newest"):
            newest = span_of(series.newest, series.newest.pk) if series.newest else None
            found[series.part, series.shop, series.sold_as] = _State(series, newest, GrowingDays(series))
    return found


def _look_back(states: Mapping[Key, _State], looks: Iterable[Look]) -> None:
    """Have at hand all that was seen where one of `looks` is at a day before the last one."""
    back: dict[int, _State] = {}
    for look in looks:
        state = states.get(_key_of(look))
        if state is not None and state.newest is not None and look.day.toordinal() < state.newest.last_day:
            back[state.series.pk] = state
    for series_id, known in spans_by_series(sorted(back)).items():
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
        states[key] = _State(series, None, GrowingDays(series))
    return states[key]


def _seen(state: _State, look: Look, called: str) -> str | None:
    """Take a look into a series: why it is held back, empty where it is believed, `None` where it finds the same."""
    newest, day = state.newest, look.day.toordinal()
    if newest is not None and day < newest.last_day:
        return _seen_before(state, look, called)
    if newest is not None and _goes_on(state, newest, look, called):
        if day > newest.last_day:
            longer = state.extend(newest, day)
            if longer.believed:
                state.days.grow(longer, look.day)
        return None
    made = state.add(_observation(state, look, called))
    if made.believed:
        state.days.grow(made, look.day)
    state.newest = made
    return made.held_back


def _seen_before(state: _State, look: Look, called: str) -> str | None:
    """A look at a day that lies before the last one: kept where it says something else than what is known."""
    known, day = state.known, look.day.toordinal()
    assert known is not None, "looks are told in the order of their days"
    at = bisect_right(known, day, key=_FIRST_DAY)
    last = known[at - 1] if at else None
    if last is not None and _goes_on(state, last, look, called):
        if day <= last.last_day:
            return None
        # Something else that was seen since would be covered by it.
        if not any(one.last_day > last.last_day for one in known[: at - 1]):
            state.extend(last, day)
            return None
    return state.add(_observation(state, look, called)).held_back


def _observation(state: _State, look: Look, called: str) -> Observation:
    facts = {
        "minor": look.price.minor,
        "currency": look.price.currency,
        "tax_included": look.price.tax_included,
        "in_stock": look.in_stock,
        "bulky": look.bulky,
        "first_seen": look.day,
        "last_seen": look.day,
        "source": look.source.value,
        "address": look.address,
        "held_back": _doubt(state, look, called),
        "struck": "",
    }
    # In the order of its fields it is made in half the time that it takes by their names.
    return Observation(*map(facts.get, _FIELDS))


def _doubt(state: _State, look: Look, called: str) -> str:
    # Once it was believed in a condition it is known to be sold in that as well.
    until_now = (look.until_now or "") if state.series.days_from is None else ""
    return doubt_of(look.price, state.days.usual(), look.name, called, look.sold_as, until_now)[:200]


def _goes_on(state: _State, known: Span, look: Look, called: str) -> bool:
    """A look finds what is known of it still. What is held back goes on by looks that would be held back themselves,
    and what was confirmed by any."""
    told = (look.price.minor, look.price.currency, look.price.tax_included, look.in_stock)
    if (known.minor, known.currency, known.tax_included, known.in_stock) != told or known.struck:
        return False
    if look.day.toordinal() - known.last_day > GAP_DAYS:
        return False
    return bool(_doubt(state, look, called)) if known.held_back else not doubt_of(look.price, None, look.name, called)


def _store(states: Sequence[_State]) -> None:
    Series.objects.bulk_create([state.series for state in states if state.series.pk is None])
    for state in states:
        for one in state.fresh:
            one.series_id = state.series.pk
    grown = [Observation(pk=pk, last_seen=date.fromordinal(day)) for state in states for pk, day in state.grown.items()]
    Observation.objects.bulk_update(grown, ["last_seen"], batch_size=AT_ONCE)
    Observation.objects.bulk_create([one for state in states for one in state.fresh], batch_size=AT_ONCE)
    touched = [state for state in states if state.fresh or state.grown]
    for state in touched:
        _tell(state)
    # They are there: written whole they take a fraction of what an update field by field does.
    Series.objects.bulk_create(
        [state.series for state in touched],
        update_conflicts=True,
        unique_fields=["id"],
        update_fields=[*TOLD, "newest"],
        batch_size=AT_ONCE,
    )


def _tell(state: _State) -> None:
    """Have the series tell what is stored of it now."""
    if state.known is not None:
        retell(state.series, [state.stored(one) for one in state.known])
        return
    state.days.put_down()
    state.series.newest_id = state.newest and state.stored(state.newest).pk
    state.series.believed += sum(not one.held_back for one in state.fresh)


@transaction.atomic
def _changed(owner_id: int, observation_id: int, **facts: str) -> str:
    found = Observation.objects.filter(series__owner_id=owner_id, pk=observation_id)
    observation = found.select_related("series").first()
    if observation is None:
        raise NoSuchObservation("There is no such observation.")
    found.update(**{name: text[:200] for name, text in facts.items()})
    series = observation.series
    retell(series, spans_by_series([series.pk])[series.pk])
    series.save()
    return observation.series.part
