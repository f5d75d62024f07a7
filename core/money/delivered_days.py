"""What a line came to on each day in one shop, delivered by itself: the price of the day, with today's terms."""

import numpy as np

from core.model.facts import MissingFact
from core.model.shops import Shop
from core.money.amounts import ONE, Buyer
from core.money.order import Need, delivery_minor
from core.prices.asked import Asked
from core.prices.history import SOLD_OUT, Floats


def delivered_days(asked: Asked, shop: Shop, need: Need, buyer: Buyer) -> Floats | None:
    """All of `need` at what was `asked` for one, with tax and delivery, in the buyer's minor units; `SOLD_OUT` and
    not a number where there was no price. `None` while a rate is not known, or a weight that decides about delivery.

    Codes are left out: nobody knows which there were. What delivery cost is taken to have been as it is today.
    """
    # The fee depends on the goods in steps: it is asked for once at each.
    steps = sorted({0, *(fee.from_minor for fee in shop.delivery)})
    try:
        rate, shops_rate = buyer.factor_from(asked.currency), buyer.factor_from(shop.currency)
        fees = [delivery_minor(shop, [need], goods) for goods in steps]
    except MissingFact:
        return None
    counts = float(1 / (1 + buyer.tax_share) if buyer.reclaims_tax else ONE)
    of_goods = float(rate) * float(buyer.tax_factor(included=asked.tax_included)) * counts
    of_fees = float(shops_rate) * float(buyer.tax_factor(included=shop.tax_included)) * counts
    goods = asked.days * need.quantity
    # What is not known comes last among the steps, and stays not known with any fee.
    brought = of_fees * np.array(fees, dtype=np.float64)[np.searchsorted(steps, goods, side="right") - 1]
    delivered: Floats = of_goods * goods + brought
    delivered[asked.days == SOLD_OUT] = SOLD_OUT
    return delivered
