"""What shops ask for the lines of a build, delivered, and offers taken onto them as quotes."""

from collections.abc import Container, Iterable, Mapping, Sequence
from datetime import date
from typing import NamedTuple

from core.model.build import Build
from core.model.facts import Missing, MissingFact
from core.model.ledger import Category, Entry, Ledger, OwnLine
from core.model.shops import Market, Offer, Shop
from core.money.amounts import Buyer
from core.money.order import Item, Need, Order, cheapest_order
from core.quantities import Money

DELIVERY_FROM = "delivery-"
MOST_OF_AN_ID = 80
NO_QUOTE: Mapping[str, object] = {
    "offer": None,
    "quote_minor": None,
    "quote_for_each": False,
    "quote_from": "",
    "quoted_on": None,
    "quote_until": None,
}
"""The fields of an entry that an offer fills, as they are without one."""


class OfferGone(LookupError):
    """An offer, or the line that it was to be for, is not there any more."""


class OfferedLine(NamedTuple):
    """What a shop asks for a line, ordered by itself."""

    offer: Offer
    shop: Shop
    order: Order | None
    missing: Missing | None
    """Why it is not known what it comes to."""


class TakenPrice(NamedTuple):
    """A quote that was taken from an offer, and what the offer comes to now."""

    line: str
    was: Money
    now: Money | None
    """`None` where the offer is gone, or over."""


def offers_for(need: Need, market: Market, buyer: Buyer) -> tuple[OfferedLine, ...]:
    """Every offer of what is needed, each ordered by itself with the best codes, the cheapest delivered first."""
    offers = (offer for offer in market.offers_by_part.get(need.part, ()) if offer.is_to_be_had(buyer.day))
    found = [_offered(need, offer, market.shop_by_id[offer.shop], buyer) for offer in offers]
    return tuple(sorted(found, key=_dearness))


def orders_of(needs: Iterable[Need], taken: Mapping[str, str], market: Market, buyer: Buyer) -> tuple[Order, ...]:
    """The orders that the offers `taken` make, by line, a shop each. Raises `MissingFact`."""
    by_shop: dict[str, list[Item]] = {}
    for need in needs:
        offer = market.offer_by_id.get(taken.get(need.line, ""))
        if offer is not None and offer.is_to_be_had(buyer.day):
            by_shop.setdefault(offer.shop, []).append(need.met_by(offer))
    return tuple(cheapest_order(market.shop_by_id[shop], items, buyer) for shop, items in by_shop.items())


def taken_offers(ledger: Ledger) -> dict[str, str]:
    """The offers that quotes are of, by line."""
    return {key: entry.offer for key, entry in ledger.entries.items() if entry.offer is not None}


def taking(
    build: Build, needs: Sequence[Need], market: Market, buyer: Buyer, choices: Mapping[str, str | None]
) -> Build:
    """`build` with the offers of `choices` taken, by line, `None` for none; what else was taken is told as it is now.

    Each line gets what is paid for it at the till as its quote, in the order that it then makes with the others of that
    shop; delivery is a line of its own for each shop. Raises `OfferGone`, and `MissingFact` for a rate or a weight.
    """
    known = {need.line: need for need in needs}
    for line, offer in choices.items():
        if offer is not None and (line not in known or not _is_of(market.offer_by_id.get(offer), known[line], buyer)):
            raise OfferGone(f"'{offer}' is not offered for '{line}' any more.")
    taken = taken_offers(build.ledger)
    wanted = {line: offer for line, offer in {**taken, **choices}.items() if offer is not None}
    orders = orders_of(needs, wanted, market, buyer)
    entries = dict(build.ledger.entries)
    for line, offer in choices.items():
        if offer is None and line in entries:
            entries[line] = entries[line].model_copy(update=dict(NO_QUOTE))
    for order in orders:
        for line, paid in order.quotes.items():
            quote = _quote(market.offer_by_id[wanted[line]], order.shop, paid, buyer.day)
            entries[line] = (entries.get(line) or Entry()).model_copy(update=quote)
    said = {key: entry for key, entry in entries.items() if not entry.says_nothing}
    own = _with_delivery(build.ledger.own, orders, _paid_at(said, market), buyer.day)
    return build.model_copy(update={"ledger": build.ledger.model_copy(update={"entries": said, "own": own})})


def changed_since(ledger: Ledger, needs: Sequence[Need], market: Market, buyer: Buyer) -> tuple[TakenPrice, ...]:
    """Quotes taken from offers that come to something else now. Raises `MissingFact`."""
    taken = taken_offers(ledger)
    there = {need.line for need in needs}
    now = {line: paid for order in orders_of(needs, taken, market, buyer) for line, paid in order.quotes.items()}
    was = {line: Money(ledger.entries[line].quote_minor or 0, buyer.currency) for line in taken if line in there}
    return tuple(TakenPrice(line, paid, now.get(line)) for line, paid in was.items() if now.get(line) != paid)


def _offered(need: Need, offer: Offer, shop: Shop, buyer: Buyer) -> OfferedLine:
    try:
        return OfferedLine(offer, shop, cheapest_order(shop, [need.met_by(offer)], buyer), None)
    except MissingFact as missing:
        return OfferedLine(offer, shop, None, missing.missing)


def _dearness(offered: OfferedLine) -> tuple[bool, int, str]:
    """What is not known comes last."""
    return offered.order is None, offered.order.total.minor if offered.order else 0, offered.offer.id


def _is_of(offer: Offer | None, need: Need, buyer: Buyer) -> bool:
    return offer is not None and offer.part == need.part and offer.is_to_be_had(buyer.day)


def _quote(offer: Offer, shop: Shop, paid: Money, day: date | None) -> dict[str, object]:
    return {
        "offer": offer.id,
        "quote_minor": paid.minor,
        "quote_for_each": False,
        "quote_from": shop.name,
        "quoted_on": day,
        "quote_until": offer.good_until,
    }


def _paid_at(entries: Mapping[str, Entry], market: Market) -> frozenset[str]:
    """Shops that something taken from them has been paid at: what bringing it cost is no plan any more."""
    paid = (entry.offer for entry in entries.values() if entry.offer and entry.paid_minor is not None)
    return frozenset(market.offer_by_id[offer].shop for offer in paid if offer in market.offer_by_id)


def _with_delivery(
    own: Iterable[OwnLine], orders: Iterable[Order], paid_at: Container[str], day: date | None
) -> tuple[OwnLine, ...]:
    """The lines of one's own, with what each order costs to bring as its quote; what was paid of that stays.

    Delivery of an order that there is no more is left out, unless it, or something of it, was paid.
    """
    brought = {_delivery_id(order.shop.id): order for order in orders}
    told: list[OwnLine] = []
    for line in own:
        order = brought.pop(line.id, None)
        if not line.id.startswith(DELIVERY_FROM) or line.paid_minor is not None:
            told.append(line)
        elif order is not None and order.delivery.minor:
            told.append(line.model_copy(update=_delivery_quote(order, day)))
        elif order is None and line.id.removeprefix(DELIVERY_FROM) in paid_at:
            told.append(line)
    for id, order in brought.items():
        if order.delivery.minor:
            line = OwnLine(id=id, name=f"Delivery, {order.shop.name}"[:120], category=Category.DELIVERY)
            told.append(line.model_copy(update=_delivery_quote(order, day)))
    return tuple(told)


def _delivery_id(shop_id: str) -> str:
    return f"{DELIVERY_FROM}{shop_id}"[:MOST_OF_AN_ID]


def _delivery_quote(order: Order, day: date | None) -> dict[str, object]:
    return {"quote_minor": order.delivery.minor, "quote_from": order.shop.name, "quoted_on": day}
