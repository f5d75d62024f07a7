"""After buying: what a thing costs now, whether sending it back would save, and what was missed since."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import date, timedelta
from fractions import Fraction

import numpy as np

from core.model.build import Build
from core.model.facts import MissingFact
from core.model.ledger import Entry
from core.model.parts import Part
from core.model.shops import Offer, Shop, SoldAs
from core.money.line import Line
from core.money.order import Need, delivery_minor
from core.money.shopping import need_of
from core.prices.asked import Asked
from core.prices.history import prices_of
from core.quantities import Money, Sentence, say
from core.report.prices import Asking, cheapest_of, minor_or_none
from core.report.receipts import shop_of

LOOKS_BACK_DAYS = 365
"""What was cheaper longer after the purchase than this was not missed: prices fall."""
WORTH_SENDING_BACK = 0.02
"""Less of what was paid is not worth the parcel (trade)."""


@dataclass(frozen=True)
class Bought:
    """Something that was paid for, and its price since."""

    line: str
    label: str
    paid: Money
    paid_on: date
    now_minor: int | None
    """All of it, new and delivered, today; `None` where nobody knows."""
    least_minor: int | None
    """The least that it came to since it was bought, as it was paid: without delivery, which is a line of its own."""
    least_on: date | None
    return_by: date | None
    """The last day on which the shop takes it back; `None` where that is over, or not known."""
    return_costs_minor: int | None
    """What sending it back costs, as far as that is known: as much as bringing it did, where the shop does not pay."""

    @property
    def saves_minor(self) -> int | None:
        """What sending it back and buying it again saves; `None` where it cannot be sent back any more."""
        if self.return_by is None or self.now_minor is None or self.return_costs_minor is None:
            return None
        return self.paid.minor - self.now_minor - self.return_costs_minor

    @property
    def is_worth_sending_back(self) -> bool:
        """Sending it back and buying it again saves more than the trouble."""
        return self.saves_minor is not None and self.saves_minor > WORTH_SENDING_BACK * self.paid.minor

    @property
    def headline(self) -> Sentence:
        """What there is to be said of it."""
        if self.is_worth_sending_back:
            words = (
                "{now} now: sending it back by {day} and buying it again saves {saves}, after {costs} for the parcel"
            )
            words += ", if that costs as much as bringing it does" if self.return_costs_minor else ""
            return say(
                words,
                now=self._money(self.now_minor),
                day=f"{self.return_by}",
                saves=self._money(self.saves_minor),
                costs=self._money(self.return_costs_minor),
            )
        if self.least_minor is not None and self.least_minor < self.paid.minor:
            missed = self._money(self.paid.minor - self.least_minor)
            return say("Missed: {missed} less on {day}, before delivery", missed=missed, day=f"{self.least_on}")
        if self.least_minor is None:
            return say("Nobody has seen its price since")
        return say("Well bought: nobody asked less since")

    def _money(self, minor: int | None) -> Money:
        return Money(minor or 0, self.paid.currency)


def after_buying(
    build: Build,
    lines: Sequence[Line],
    sheets: Mapping[str, Part],
    offers: Mapping[str, Offer],
    asked: Sequence[Asked],
    asking: Asking,
) -> Iterator[Bought]:
    """Every part that was paid for on a known day, the newest first. `offers` are by id, those taken among them."""
    paid = [(line, build.ledger.entries.get(line.key)) for line in lines]
    told = [(line, entry) for line, entry in paid if entry and entry.paid_minor is not None and entry.paid_on]
    for line, entry in sorted(told, key=lambda two: two[1].paid_on or date.min, reverse=True):
        if line.part in sheets and not line.licence and not line.is_fee:
            yield _bought(line, entry, need_of(line, sheets[line.part]), offers, asked, asking)


def _bought(
    line: Line, entry: Entry, need: Need, offers: Mapping[str, Offer], asked: Sequence[Asked], asking: Asking
) -> Bought:
    assert entry.paid_on is not None
    new = [one for one in asked if one.part == line.part and one.sold_as is SoldAs.NEW]
    days = prices_of(cheapest_of(new, need, asking))
    # One that may be fetched brings for nothing: what is left is what was paid for the goods.
    fetched = {id: shop.model_copy(update={"may_collect": True}) for id, shop in asking.shops.items()}
    goods = prices_of(cheapest_of(new, need, replace(asking, shops=fetched)))
    since = goods[max(0, len(goods) - 1 - min((asking.today - entry.paid_on).days, LOOKS_BACK_DAYS)) :]
    known = since[~np.isnan(since)]
    least = float(known.min()) if len(known) else None
    back = int(np.flatnonzero(since[::-1] == least)[0]) if least is not None else 0
    shop = shop_of(entry, offers, asking.shops)
    return Bought(
        line=line.key,
        label=line.label,
        paid=Money(entry.paid_minor or 0, asking.buyer.currency),
        paid_on=entry.paid_on,
        now_minor=minor_or_none(days[-1]),
        least_minor=None if least is None else round(least),
        least_on=None if least is None else asking.today - timedelta(days=back),
        return_by=_return_by(entry.paid_on, shop, asking.today),
        return_costs_minor=_return_costs(need, shop, offers.get(entry.offer or ""), asking),
    )


def _return_by(paid_on: date, shop: Shop | None, today: date) -> date | None:
    if shop is None or shop.return_days is None:
        return None
    last = paid_on + timedelta(days=shop.return_days)
    return last if last >= today else None


def _return_costs(need: Need, shop: Shop | None, offer: Offer | None, asking: Asking) -> int | None:
    """Nothing where the shop pays; else as much as it takes for bringing the same."""
    if shop is None:
        return None
    if shop.returns_paid:
        return 0
    if offer is None:
        return None
    try:
        goods = Fraction(offer.price.minor * need.quantity)
        fee = Fraction(delivery_minor(shop.model_copy(update={"may_collect": False}), [need], goods))
        return asking.buyer.at_till(fee, shop.currency, tax_included=shop.tax_included).minor
    except MissingFact:
        return None
