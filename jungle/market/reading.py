"""Reading a round: source by source what it says is kept, and that it was read; one that fails stops no other."""

import json
import logging
from collections.abc import Callable, Iterator, Mapping, Sequence
from contextlib import suppress
from datetime import date
from functools import partial

from django.db import OperationalError, transaction
from django.utils import timezone

from core.formats.errors import BadFile
from core.formats.price_sources.reader import read_source
from core.formats.price_sources.told import Told
from core.model.observation import Look, Source
from core.model.parts.price import Price
from core.model.progress import Progress, Stopped, tell_progress
from core.model.shops import Shop, SoldAs
from core.prices.recognised import Recognition
from jungle.market.fetching import Fetched, Fetcher, Kept
from jungle.market.hosts import NotFetched, allowed_host
from jungle.market.models import PriceSource, Reading, ReadingState, Round, Series
from jungle.market.observing import record
from jungle.market.offers_seen import Listed, look_of, offer_as_seen, series_of
from jungle.market.rates import keep_rates
from jungle.market.sources import Known, Understood, hosts_of, known_of, recognition_for, understood
from jungle.market.terms import MarketMoved, market_of

ATTEMPTS = 3
LEAST_SHARE_TOLD = 0.5
"""A source that tells of fewer things than so much of the last time may have been cut short: then what it leaves out
is not taken to be gone (trade)."""
Telling = Callable[..., None]
"""Told the share of a source that is done, and what of it is looked at."""
log = logging.getLogger(__name__)


def read_round(begun: Round, report: Progress, fetcher: Fetcher | None = None) -> None:
    """Read what of it was not read yet, and end it. `report` answers whether to go on; what was read stays.

    It can be killed at any moment and be gone on with: what a source told and that it was read are stored together.
    """
    readings = list(begun.readings.select_related("source"))
    shops = market_of(begun.owner_id).shop_by_id
    recognition = recognition_for(begun.owner_id)
    fetcher = fetcher or Fetcher(hosts_of([reading.source for reading in readings]))
    with suppress(Stopped):
        for number, reading in enumerate(readings):
            if reading.state == ReadingState.WAITING:
                shop = shops.get(reading.source.shop)
                telling = partial(_tell, report, number, len(readings), shop.name if shop else "exchange rates")
                telling(0.0)
                _read(reading, shop, fetcher, recognition, telling)
    Round.objects.filter(pk=begun.pk, ended_at=None).update(ended_at=timezone.now())


def look_at(owner_id: int, address: str, private: bool, shop: Shop | None) -> Understood:
    """What stands at `address` and how it is understood; nothing is kept. Raises `NotFetched`, `BadFile`."""
    host = allowed_host(address, private)
    fetched = Fetcher([host]).fetch(address)
    return understood(owner_id, fetched.content, fetched.content_type, shop)


def _tell(report: Progress, number: int, count: int, name: str, share: float, words: str = "") -> None:
    """How far the source of that number is, of so many. Raises `Stopped`."""
    tell_progress(report, (number + share) / count, f"{name}: {words}" if words else name)


def _read(reading: Reading, shop: Shop | None, fetcher: Fetcher, recognition: Recognition, telling: Telling) -> None:
    """One source; whatever is wrong with it is told, and stops no other. Raises `Stopped`."""
    source = reading.source
    try:
        if shop is None and source.shop:
            raise NotFetched("Its shop was taken out.")
        fetched = fetcher.fetch(source.address, Kept(source.etag, source.last_modified))
        if shop is None:
            _keep_rates(reading, fetched)
            return
        told = (
            ()
            if fetched.unchanged
            else read_source(fetched.content, fetched.content_type, shop.currency, shop.tax_included)
        )
        known = _known(source, told, recognition, telling)
        for _ in range(ATTEMPTS):
            # Somebody edits the shops at the same moment, or holds the database for longer than it is waited for.
            with suppress(MarketMoved, OperationalError):
                _keep(reading, shop, fetched, told, known, timezone.localdate())
                return
        raise NotFetched("Others were writing all the while; it is read again in the next round.")
    except (NotFetched, BadFile) as refusal:
        _failed(reading, str(refusal))
    except Stopped:
        raise
    except Exception:
        log.exception("Source %s failed", source.pk)
        _failed(reading, "Something went wrong in reading it; the log of the worker says what.")


@transaction.atomic
def _failed(reading: Reading, words: str) -> None:
    PriceSource.objects.filter(pk=reading.source_id).update(failed=words[:200], read_at=timezone.now())
    Reading.objects.filter(pk=reading.pk, state=ReadingState.WAITING).update(
        state=ReadingState.FAILED, words=words[:400]
    )


@transaction.atomic
def _keep_rates(reading: Reading, fetched: Fetched) -> None:
    """Store a list of exchange rates, and that it was read. Raises `BadFile`."""
    if not Reading.objects.filter(pk=reading.pk, state=ReadingState.WAITING).update(state=ReadingState.READ):
        return
    words = "Nothing has changed there."
    if not fetched.unchanged:
        read = keep_rates(reading.source.owner_id, fetched.content)
        words = f"Rates of {len(read.euros_for_one)} currencies, of {read.dated}."
    Reading.objects.filter(pk=reading.pk).update(words=words)
    _was_read(reading.source, fetched)


def _was_read(source: PriceSource, fetched: Fetched, **facts: str) -> None:
    PriceSource.objects.filter(pk=source.pk).update(
        etag=fetched.kept.etag,
        last_modified=fetched.kept.last_modified,
        read_at=timezone.now(),
        failed="",
        **facts,
    )


@transaction.atomic
def _keep(
    reading: Reading,
    shop: Shop,
    fetched: Fetched,
    told: Sequence[Told],
    known: Mapping[str, Known],
    today: date,
) -> None:
    """Store what a source told, its offers, and that it was read; all of it, or nothing. Raises `MarketMoved`."""
    source = reading.source
    mine = Reading.objects.filter(pk=reading.pk, state=ReadingState.WAITING)
    if not mine.update(state=ReadingState.READ):
        return
    before = frozenset((part, sold_as) for part, sold_as in json.loads(source.listed))
    there = [one for one in told if one.key in known and one.price is not None]
    listed = before if fetched.unchanged else frozenset((known[one.key].part, one.sold_as.value) for one in there)
    # Whether it is another thing now, or the source is mistaken, somebody has to say; until then what was there stands.
    listed |= {
        (known[one.key].part, each.value)
        for one in there
        if known[one.key].until_now(one.sold_as)
        for each in known[one.key].sold_as
    }
    cut_short = len(there) < LEAST_SHARE_TOLD * len(before)
    missing = before if fetched.unchanged else frozenset() if cut_short else before - listed
    looks = [_look_of(one, known[one.key], shop, today, source) for one in there]
    looks += _again(source, missing, today, in_stock=fetched.unchanged)
    recorded = record(source.owner_id, looks, {one.part: one.name for one in known.values()})
    regular = {(known[one.key].part, one.sold_as.value): one.regular_minor for one in there}
    changed = offer_as_seen(source.owner_id, shop, regular, listed | missing)
    mine = Reading.objects.filter(pk=reading.pk)
    mine.update(
        words=_words(told, there, fetched, missing, cut_short, changed)[:400],
        things=len(told),
        new=recorded.new,
        extended=recorded.extended,
        held_back=recorded.held_back,
    )
    _was_read(
        source, fetched, known=json.dumps(known), listed=json.dumps(sorted(before | listed if cut_short else listed))
    )


def _known(source: PriceSource, told: Sequence[Told], recognition: Recognition, telling: Telling) -> dict[str, Known]:
    """What is known of the source's things, with those that are recognised for the first time; told thing by thing.
    Raises `Stopped`."""
    known = known_of(source)
    for number, one in enumerate(told):
        telling(number / len(told), one.called)
        part = None if one.key in known else recognition.part_of(one.key, one.called)
        if part is not None:
            known[one.key] = Known(part, one.called)
    return _with_conditions(source, told, known)


def _with_conditions(source: PriceSource, told: Sequence[Told], known: Mapping[str, Known]) -> dict[str, Known]:
    """The same with the conditions in which things are told of for the first time, or were believed since."""
    series = Series.objects.filter(owner_id=source.owner_id, shop=source.shop, days_from__isnull=False)
    believed = set(series.values_list("part", "sold_as"))
    found = dict(known)
    for one in told:
        before = known.get(one.key)
        if before is not None and (not before.sold_as or (before.part, one.sold_as) in believed):
            conditions = dict.fromkeys((*found[one.key].sold_as, one.sold_as))
            found[one.key] = before._replace(sold_as=tuple(conditions))
    return found


def _look_of(one: Told, known: Known, shop: Shop, today: date, source: PriceSource) -> Look:
    until_now = known.until_now(one.sold_as)
    return look_of(one, known.part, shop, today, Source.READING, source.address, until_now)


def _again(source: PriceSource, which: Listed, today: date, *, in_stock: bool) -> Iterator[Look]:
    """What was read last of some things, seen again today; or seen to be gone."""
    for series in series_of(source.owner_id, source.shop, which):
        newest = series.newest
        if newest is not None and newest.source == Source.READING and not newest.struck:
            price = Price(minor=newest.minor, currency=newest.currency, tax_included=newest.tax_included)
            yield Look(
                part=series.part,
                shop=series.shop,
                sold_as=SoldAs(series.sold_as),
                price=price,
                in_stock=newest.in_stock and in_stock,
                bulky=newest.bulky,
                day=today,
                source=Source.READING,
                address=newest.address,
            )


def _words(
    told: Sequence[Told], there: Sequence[Told], fetched: Fetched, missing: Listed, cut_short: bool, changed: int
) -> str:
    """What came of a source, for a person."""
    if fetched.unchanged:
        return f"Nothing has changed there; {len(missing)} prices stand."
    without = [one for one in told if one.price is None]
    unknown = len(told) - len(there) - len(without)
    words = [f"{len(told)} things, {len(there)} of them parts of the catalogue; {changed} offers are other now."]
    if missing:
        words.append(f"{len(missing)} are not listed any more.")
    if cut_short:
        words.append("It told of less than half of what it did before: nothing is taken to be gone.")
    if unknown:
        words.append(f"{unknown} are not recognised.")
    if without:
        words.append(f"{len(without)} have no price: {without[0].problem}")
    return " ".join(words)
