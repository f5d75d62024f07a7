"""Shops, offers and buyers as tests want them."""

from collections.abc import Sequence
from datetime import date
from random import Random
from typing import Any

from core.model.shops import Offer, Shop
from core.money.amounts import Buyer
from core.money.order import Item, Need

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


def random_shop(id: str, dice: Random, parts: Sequence[str]) -> Shop:
    """With terms of all kinds that have to do with `parts`."""
    terms: dict[str, Any] = {"id": id, "name": id.title(), "country": "Home"}
    if dice.random() < 0.3:
        terms |= {"currency": "USD", "tax_included": False}
    shares = [{"code": f"c{n}", "share": dice.randint(5, 30) / 100} for n in range(dice.choice((0, 0, 1, 2)))]
    for code in shares:
        code["least_spend_minor"] = dice.choice((0, 50_00, 100_00))
    off = [{"code": "off", "off_minor": 700, "least_spend_minor": 60_00}] if dice.random() < 0.3 else []
    terms |= {"codes": [*shares, *off], "codes_at_once": dice.choice((None, 1)), "codes_add_up": dice.random() < 0.3}
    if dice.random() < 0.5:
        members = dice.sample(list(parts), 2)
        terms["bundles"] = [{"name": "Pair", "members": members, "saving_minor": dice.randint(1, 2000)}]
    weights = [{"most_kg": 6, "fee_minor": 390}, {"fee_minor": 990}]
    free = dice.choice(([], [{"from_minor": 80_00, "fee_minor": 0}], [{"from_minor": 150_00, "fee_minor": 190}]))
    terms["delivery"] = [*dice.choice(([], [{"fee_minor": 590}], weights)), *free]
    if free and len(terms["delivery"]) == 1:
        terms["delivery"] = []
    terms["bulky_minor"] = dice.choice((0, 1500))
    return Shop.model_validate(terms)


def large_market() -> tuple[list[Need], list[Offer], list[Shop]]:
    """Forty lines, six shops with all kinds of terms, three offers of each line in each."""
    dice = Random(40)
    parts = [f"p{number}" for number in range(40)]
    shops = [random_shop(f"shop{number}", dice, parts) for number in range(6)]
    needs = [Need(part, part, dice.randint(1, 2), float(dice.randint(1, 5)), dice.random() < 0.1) for part in parts]
    offers = [
        offer(part, int(worth * dice.uniform(0.8, 1.2)), at.id, id=f"{at.id}-{part}-{n}", currency=at.currency,
              tax_included=at.currency == "EUR", sold_as="used" if n == 2 else "new")
        for part, worth in ((part, dice.randint(5_00, 400_00)) for part in parts)
        for at in shops
        for n in range(3)
    ]  # fmt: skip
    return needs, offers, shops
