"""What a line came to on each day in some shops, delivered by itself: the price of the day, with today's terms."""

from collections.abc import Mapping, Sequence

import numpy as np

from core.model.facts import MissingFact
from core.model.shops import Shop
from core.money.amounts import ONE, Buyer
from core.money.order import Need, delivery_minor
from core.prices.asked import Asked
from core.prices.history import SOLD_OUT, Floats


def delivered_days(asked: Sequence[Asked], shops: Mapping[str, Shop], need: Need, buyer: Buyer) -> Floats:
    """All of `need` at what each of `asked` asked for one, with tax and delivery, in the buyer's minor units.

    A row for each, a column for each day; `SOLD_OUT` and not a number where there was no price. There is none in a shop
    that is not among `shops`, or while a rate is not known, or a weight that decides about delivery.

    Codes are left out: nobody knows which there were. What delivery cost is taken to have been as it is today.
    """
    # With the same terms they are worked out at once.
    alike: dict[tuple[str, str, bool], list[int]] = {}
    for at, one in enumerate(asked):
        alike.setdefault((one.shop, one.currency, one.tax_included), []).append(at)
    rows = np.array([one.days for one in asked])
    for (shop_id, currency, tax_included), ats in alike.items():
        shop = shops.get(shop_id)
        delivered = None if shop is None else _delivered(rows[ats], currency, tax_included, shop, need, buyer)
        rows[ats] = np.nan if delivered is None else delivered
    return rows


def _delivered(asked: Floats, currency: str, tax_included: bool, shop: Shop, need: Need, buyer: Buyer) -> Floats | None:
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
    goods = asked * need.quantity
    # What is not known comes last among the steps, and stays not known with any fee.
    brought = of_fees * np.array(fees, dtype=np.float64)[np.searchsorted(steps, goods, side="right") - 1]
    delivered: Floats = of_goods * goods + brought
    delivered[asked == SOLD_OUT] = SOLD_OUT
    return delivered
