"""What receipts say of prices: what was paid for one of a part, in which shop and on which day."""

from collections.abc import Iterator, Mapping, Sequence

from core.model.build import Build
from core.model.ledger import Entry
from core.model.observation import FIRST_DAY, Look, Source
from core.model.parts import Part
from core.model.parts.price import Price
from core.model.shops import Market, Offer, Shop, SoldAs
from core.money.amounts import Buyer
from core.money.line import Line


def receipts(
    build: Build, lines: Sequence[Line], sheets: Mapping[str, Part], market: Market, buyer: Buyer
) -> Iterator[Look]:
    """A look for every part of which somebody saw the receipt: as the offer says that was taken, or as the build does.

    Only of what was paid on a known day in a shop that is known, in that shop's own currency: nobody knows the rate of
    the day. Amounts of a build are with tax; a shop that tells prices before it is told so.
    """
    for line in lines:
        entry = build.ledger.entries.get(line.key)
        if entry is None or not (entry.receipt_seen and entry.paid_minor and entry.paid_on):
            continue
        if not FIRST_DAY <= entry.paid_on <= (buyer.day or entry.paid_on):
            continue
        if line.part not in sheets or line.licence or line.is_fee or not line.quantity:
            continue
        shop = shop_of(entry, market.offer_by_id, market.shop_by_id)
        if shop is None or shop.currency != buyer.currency:
            continue
        each = entry.paid_minor / line.quantity
        before_tax = 1 if shop.tax_included else float(buyer.tax_factor(included=False))
        minor = round(each / before_tax)
        if minor:
            yield Look(
                part=line.part,
                shop=shop.id,
                sold_as=_sold_as(build, line, market.offer_by_id.get(entry.offer or "")),
                price=Price(minor=minor, currency=shop.currency, tax_included=shop.tax_included),
                day=entry.paid_on,
                source=Source.RECEIPT,
            )


def shop_of(entry: Entry, offers: Mapping[str, Offer], shops: Mapping[str, Shop]) -> Shop | None:
    """Where it was bought: the shop of its offer, else the one of the name that was paid."""
    offer = offers.get(entry.offer or "")
    if offer is not None and offer.shop in shops:
        return shops[offer.shop]
    named = (entry.paid_to or entry.quote_from).casefold()
    return next((shop for shop in shops.values() if named and shop.name.casefold() == named), None)


def _sold_as(build: Build, line: Line, offer: Offer | None) -> SoldAs:
    if offer is not None and offer.part == line.part:
        return offer.sold_as
    hung = build.chain.get(line.slot) if line.slot else None
    return SoldAs.USED if hung is not None and hung.used else SoldAs.NEW
