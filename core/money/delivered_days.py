"""What a line came to on each day in some shops, delivered by itself: the price of the day, with today's terms."""

from collections.abc import Mapping, Sequence
from typing import NamedTuple

import numpy as np

from core.model.facts import MissingFact
from core.model.shops import Shop
from core.money.amounts import ONE, Buyer
from core.money.order import Need, delivery_minor
from core.prices.asked import Asked
from core.prices.history import SOLD_OUT, Floats


class _Terms(NamedTuple):
    """What goods of a shop come to for a buyer, in minor units of the buyer's currency."""

    of_goods: float
    """For each minor unit of the goods, in the currency in which they are asked for."""
    steps: Sequence[int]
    """From so many minor units of goods on."""
    brought: Floats
    """What bringing them costs, by step."""


class DeliveredDays:
    """What lines came to in some shops, for one buyer.

    Codes are left out: nobody knows which there were. What delivery cost is taken to have been as it is today.
    """

    def __init__(self, shops: Mapping[str, Shop], buyer: Buyer) -> None:
        self._shops, self._buyer = shops, buyer
        self._known: dict[tuple[str, str, bool, float | None, bool], _Terms | None] = {}

    def of(self, asked: Sequence[Asked], need: Need) -> Floats:
        """All of `need` at what each of `asked` asked for one, with tax and delivery, in the buyer's minor units.

        A row for each, a column for each day; `SOLD_OUT` and not a number where there was no price. There is none in a
        shop that is not known, or while a rate is not, or a weight that decides about delivery.
        """
        # With the same terms they are worked out at once.
        alike: dict[tuple[str, str, bool], list[int]] = {}
        for at, one in enumerate(asked):
            alike.setdefault((one.shop, one.currency, one.tax_included), []).append(at)
        rows = np.array([one.days for one in asked])
        for (shop_id, currency, tax_included), ats in alike.items():
            terms = self._terms(shop_id, currency, tax_included, need)
            rows[ats] = np.nan if terms is None else _delivered(rows[ats], need.quantity, terms)
        return rows

    def _terms(self, shop_id: str, currency: str, tax_included: bool, need: Need) -> _Terms | None:
        key = shop_id, currency, tax_included, need.weight_kg, need.bulky
        if key not in self._known:
            shop = self._shops.get(shop_id)
            self._known[key] = None if shop is None else _terms_of(shop, currency, tax_included, need, self._buyer)
        return self._known[key]


def _terms_of(shop: Shop, currency: str, tax_included: bool, need: Need, buyer: Buyer) -> _Terms | None:
    # The fee depends on the goods in steps: it is asked for once at each.
    steps = sorted({0, *(fee.from_minor for fee in shop.delivery)})
    try:
        rate, shops_rate = buyer.factor_from(currency), buyer.factor_from(shop.currency)
        fees = [delivery_minor(shop, [need], goods) for goods in steps]
    except MissingFact:
        return None
    counts = float(1 / (1 + buyer.tax_share) if buyer.reclaims_tax else ONE)
    of_goods = float(rate) * float(buyer.tax_factor(included=tax_included)) * counts
    of_fees = float(shops_rate) * float(buyer.tax_factor(included=shop.tax_included)) * counts
    return _Terms(of_goods, steps, of_fees * np.array(fees, dtype=np.float64))


def _delivered(asked: Floats, quantity: int, terms: _Terms) -> Floats:
    goods = asked * quantity
    # What is not known comes last among the steps, and stays not known with any fee.
    brought = terms.brought[np.searchsorted(terms.steps, goods, side="right") - 1]
    delivered: Floats = terms.of_goods * goods + brought
    delivered[asked == SOLD_OUT] = SOLD_OUT
    return delivered
