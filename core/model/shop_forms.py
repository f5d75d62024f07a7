"""Shops and offers from what was typed into their forms; a new one begins with what every one has."""

from collections.abc import Mapping
from datetime import date

from core.model.forms import changed
from core.model.parts.price import Price, price_text
from core.model.shops import Offer, Shop
from core.model.typed import FieldErrors
from core.quantities import UnitSystem

OF_AN_OFFER = frozenset({"id", "shop"})
"""What is not asked in the form of an offer: it is written under its shop."""


def shop_from(id: str, typed: Mapping[str, object], before: Shop | None, system: UnitSystem) -> Shop:
    """The shop with what was typed; what is not named stays as `before`. Raises `FieldErrors`.

    Another currency tells every amount in it anew, as typed: it is refused while amounts stand that were not typed.
    """
    currency = str(typed.get("currency") or (before.currency if before else "EUR")).strip().upper()
    if before is not None and currency != before.currency and _has_amounts(before):
        raise FieldErrors([("currency", currency, f"{before.currency}, in which its terms and offers are told")])
    told = {**typed, **({"currency": currency} if "currency" in typed else {})}
    start = before or Shop.model_construct(id=id, name="", country="")
    return changed(start, told, system, currency)


def offer_from(
    id: str, shop: Shop, typed: Mapping[str, object], before: Offer | None, day: date, system: UnitSystem
) -> Offer:
    """The offer of `shop` with what was typed; one that is new was seen on `day`. Raises `FieldErrors`."""
    blank = Offer.model_construct(id=id, shop=shop.id, part="", price=Price(minor=0, currency=shop.currency), seen=day)
    if before is None and not str(typed.get("price_minor", "")).strip():
        raise FieldErrors([("price_minor", "", f"what {shop.name} asks, in {shop.currency}")])
    offer = changed(before or blank, typed, system, shop.currency)
    check_currency(offer, shop)
    return offer


def check_currency(offer: Offer, shop: Shop) -> None:
    """Raises `FieldErrors` for an offer in another currency than its shop's."""
    if offer.price.currency != shop.currency:
        raise FieldErrors(
            [("price_minor", price_text(offer.price), f"an amount in {shop.currency}, as {shop.name} asks it")]
        )


def _has_amounts(shop: Shop) -> bool:
    amounts = [code.off_minor or code.least_spend_minor for code in shop.codes]
    amounts += [rebate.amount_minor or rebate.least_spend_minor for rebate in shop.rebates]
    return bool(shop.delivery or shop.bundles or shop.bulky_minor or any(amounts))
