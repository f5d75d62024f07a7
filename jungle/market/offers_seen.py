"""Offers that say what was seen last: what the money of a build is counted with follows what is read."""

from collections.abc import Iterator, Mapping
from datetime import date

from core.formats.price_sources.told import Told
from core.model.observation import Look, Source
from core.model.parts.price import Price
from core.model.shops import MOST_OFFERS, Offer, Shop, SoldAs
from jungle.market.models import Observation, Series, What
from jungle.market.terms import market_of, revision_of, store

Listed = frozenset[tuple[str, str]]
"""Parts and conditions that a source told of."""


def look_of(
    one: Told,
    part: str,
    shop: Shop,
    today: date,
    source: Source,
    address: str = "",
    until_now: SoldAs | None = None,
) -> Look:
    """What a source told of a part, which it has a price of; `until_now` in another condition."""
    assert one.price is not None, "what has no price is no look"
    return Look(
        part=part,
        shop=shop.id,
        sold_as=one.sold_as,
        price=one.price,
        in_stock=one.in_stock,
        bulky=one.bulky,
        day=today,
        source=source,
        address=(one.address or address)[:120],
        name=one.called[:120],
        until_now=until_now,
    )


def offer_as_seen(owner_id: int, shop: Shop, regular: Mapping[tuple[str, str], int | None], which: Listed) -> int:
    """Have the shop's offers say what was seen last and is believed; answers how many differ in more than the day.

    Raises `MarketMoved`.
    """
    revision, market = revision_of(owner_id), market_of(owner_id)
    held = {(offer.part, offer.sold_as.value): offer for offer in market.offers if offer.shop == shop.id}
    after: dict[str, Offer] = {}
    changed = 0
    for series in series_of(owner_id, shop.id, which):
        seen, key = series.newest, (series.part, series.sold_as)
        before = held.get(key)
        if seen is None or seen.held_back or seen.struck or seen.currency != shop.currency:
            continue
        if before is None and (not seen.in_stock or len(market.offers) + len(after) >= MOST_OFFERS):
            continue
        if before is not None and before.seen > seen.last_seen:
            continue
        offer = _as_seen(before, series, seen, regular.get(key))
        if offer != before:
            after[offer.id] = offer
            changed += before is None or offer.model_copy(update={"seen": before.seen}) != before
    if after:
        was = {(What.OFFER, id): market.offer_by_id[id].model_dump_json() for id in after if id in market.offer_by_id}
        told = {(What.OFFER, id): offer.model_dump_json() for id, offer in after.items()}
        store(owner_id, revision, was, told, f"Read {shop.name}: {changed} offers" if changed else None)
    return changed


def _as_seen(before: Offer | None, series: Series, seen: Observation, regular_minor: int | None) -> Offer:
    price = Price(minor=seen.minor, currency=seen.currency, tax_included=seen.tax_included)
    facts = {
        "price": price,
        "regular_minor": _regular(before, price, regular_minor),
        "in_stock": seen.in_stock,
        "seen": seen.last_seen,
    }
    if before is not None:
        return before.model_copy(update=facts)
    state = "" if series.sold_as == SoldAs.NEW else f"-{series.sold_as}"
    return Offer(
        id=f"{series.shop}-{series.part}{state}"[:80].rstrip("-"),
        shop=series.shop,
        part=series.part,
        sold_as=SoldAs(series.sold_as),
        address=seen.address,
        **facts,
    )


def _regular(before: Offer | None, price: Price, told_minor: int | None) -> int | None:
    """What it costs outside a sale: as the shop says it, else what was known of the same sale."""
    known = before.regular_minor if before is not None and before.price == price else None
    regular = told_minor if told_minor is not None else known
    return regular if regular is not None and regular > price.minor else None


def series_of(owner_id: int, shop_id: str, which: Listed) -> Iterator[Series]:
    """What was seen of some parts and conditions in a shop, each with what was seen last."""
    found = Series.objects.filter(owner_id=owner_id, shop=shop_id).select_related("newest")
    return (series for series in found if (series.part, series.sold_as) in which)
