"""Shops, offers and buyers as tests want them."""

from datetime import date
from typing import Any

from core.model.shops import Offer, Shop
from core.money.order import Buyer, Item

DAY = date(2026, 3, 14)


def offer(part: str, minor: int, shop: str = "shop", /, **facts: Any) -> Offer:
    """`part` at `shop` for so many cents, tax included."""
    price = {"minor": minor, "currency": facts.pop("currency", "EUR"), "tax_included": facts.pop("tax_included", True)}
    return Offer.model_validate(
        {"id": f"{shop}-{part}", "shop": shop, "part": part, "price": price, "seen": DAY, **facts}
    )


def item(part: str, minor: int, quantity: int = 1, /, **facts: Any) -> Item:
    """So many of them, for the line of that name."""
    weight_kg, bulky = facts.pop("weight_kg", None), facts.pop("bulky", False)
    return Item(part, offer(part, minor, **facts), quantity, weight_kg, bulky)


def shop(**terms: Any) -> Shop:
    """One that brings everything for nothing, unless `terms` say otherwise."""
    return Shop.model_validate({"id": "shop", "name": "Shop", "country": "Home", **terms})


def buyer(**facts: Any) -> Buyer:
    """Pays in euros, on one day."""
    return Buyer(currency="EUR", day=DAY, **facts)
