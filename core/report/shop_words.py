"""A shop's terms as an experienced buyer would tell them, a sentence for each."""

from collections.abc import Iterator

from core.model.shops import Code, DeliveryFee, Shop
from core.quantities import Money, Quantity, Sentence, Unit, say


def terms_told(shop: Shop) -> tuple[Sentence, ...]:
    """Tax, delivery, codes, bundles, rebates and returns; what the shop does not say is told as such."""
    return (
        say("Prices with tax") if shop.tax_included else say("Tax comes on top"),
        *_delivery(shop),
        *_codes(shop),
        *(
            say("{name}: {saving} less for {count} parts together", name=bundle.name,
                saving=_money(shop, bundle.saving_minor), count=str(len(bundle.members)))
            for bundle in shop.bundles
        ),
        *(
            say("{name}: {back} comes back later", name=rebate.name,
                back=_money(shop, rebate.amount_minor) if rebate.share is None else Quantity(rebate.share, Unit.SHARE))
            for rebate in shop.rebates
        ),
        _returns(shop),
    )  # fmt: skip


def _delivery(shop: Shop) -> Iterator[Sentence]:
    if shop.may_collect:
        yield say("Collected for nothing")
        return
    if not shop.delivery:
        yield say("Brings for nothing")
    for fee in shop.delivery:
        yield _fee(shop, fee)
    if shop.bulky_minor:
        yield say("{more} more for something bulky", more=_money(shop, shop.bulky_minor))


def _fee(shop: Shop, fee: DeliveryFee) -> Sentence:
    weight = Quantity(fee.most_kg, Unit.KILOGRAM) if fee.most_kg is not None else None
    amount, least = _money(shop, fee.fee_minor), _money(shop, fee.from_minor)
    words = "Delivery {amount}" if fee.fee_minor else "Free delivery"
    if weight is not None and fee.from_minor:
        return say(words + " up to {weight}, from {least}", amount=amount, weight=weight, least=least)
    if weight is not None:
        return say(words + " up to {weight}", amount=amount, weight=weight)
    if fee.from_minor:
        return say(words + " from {least}", amount=amount, least=least)
    return say(words, amount=amount)


def _codes(shop: Shop) -> Iterator[Sentence]:
    for code in shop.codes:
        yield say(
            "Code {code}: {less} less" + (" from {least}" if code.least_spend_minor else ""),
            code=code.code,
            less=_less(shop, code),
            least=_money(shop, code.least_spend_minor),
        )
    if len(shop.codes) > 1:
        if shop.codes_at_once == 1:
            yield say("One code an order")
        else:
            yield say("Codes add up") if shop.codes_add_up else say("One code after the other")


def _less(shop: Shop, code: Code) -> Money | Quantity:
    return _money(shop, code.off_minor) if code.share is None else Quantity(code.share, Unit.SHARE)


def _returns(shop: Shop) -> Sentence:
    if shop.return_days is None:
        return say("Does not say how long things may be sent back")
    days = str(shop.return_days)
    if shop.returns_paid is None:
        return say("Back within {days} days, at whose cost it does not say", days=days)
    words = "Back within {days} days, at its cost" if shop.returns_paid else "Back within {days} days, at yours"
    return say(words, days=days)


def _money(shop: Shop, minor: int | None) -> Money:
    return Money(minor or 0, shop.currency)
