"""The best basket for a build, with all from one shop and one shop fewer beside it. Loads the solver: for workers."""

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, replace

from core.model.progress import Stopped
from core.model.shops import Market, Offer, Shop
from core.money.amounts import Buyer, MissingRate
from core.money.basket import Basket, Baskets, Limits, NoBasket
from core.money.best_basket import best_basket
from core.money.order import Need
from core.quantities import Sentence, say

Progress = Callable[[float, Sentence], bool]
"""Told the share that is done and what is looked at; answers whether to go on."""


def baskets_for(
    needs: Sequence[Need], market: Market, buyer: Buyer, limits: Limits, progress: Progress = lambda share, words: True
) -> Baskets:
    """The best basket of all that can be had, and what leaving shops out would cost. Raises `Stopped`."""
    if not needs:
        return Baskets(None, None, None, (), (say("Nothing is still to be bought."),))
    shops, skipped = payable(market, buyer)
    offers = [offer for offer in market.offer_by_id.values() if offer.shop in {shop.id for shop in shops}]
    skipped = (*skipped, *_not_asked(needs, shops, offers))
    found = _Search(market, shops, buyer, limits, progress)
    served = tuple(needs)
    without: tuple[str, ...] = ()
    if not offers:
        nothing = say("No shop that can be paid offers anything.")
        return Baskets(None, None, None, tuple(need.line for need in needs), (*skipped, nothing))
    try:
        best: Basket | None = found.best(served, limits, 0.0, say("the best of all shops"))
    except NoBasket as refused:
        without = refused.lines
        served = tuple(need for need in needs if need.line not in without)
        best = found.best_or_none(served, limits, 0.0, say("the best of all shops"))
    if best is None:
        none = say("No basket keeps to that, with the offers that are known.")
        return Baskets(None, None, None, without, (*skipped, none))
    if len(best.orders) < 2:
        return Baskets(best, None, None, without, skipped)
    one_fewer = None
    if len(best.orders) > 2:
        fewer = replace(limits, most_shops=len(best.orders) - 1)
        one_fewer = found.best_or_none(served, fewer, 0.4, say("one shop fewer"))
    one_shop = found.of_one_shop(served)
    none_has_all = () if one_shop else (say("No shop has all of it."),)
    return Baskets(best, one_shop, one_fewer, without, (*skipped, *none_has_all))


def payable(market: Market, buyer: Buyer) -> tuple[tuple[Shop, ...], tuple[Sentence, ...]]:
    """Shops whose currency the buyer has a rate for, and why the others are left out."""
    payable, skipped = [], []
    for shop in market.shops:
        try:
            buyer.factor_from(shop.currency)
            payable.append(shop)
        except MissingRate as missing:
            skipped.append(say("{shop}: {fact} is not known", shop=shop.name, fact=missing.fact))
    return tuple(payable), tuple(skipped)


def _not_asked(needs: Sequence[Need], shops: Sequence[Shop], offers: Sequence[Offer]) -> Iterator[Sentence]:
    """Shops that bring by weight are not asked for what nobody has weighed: how much of what they offer that is."""
    weightless = {need.part for need in needs if need.weight_kg is None}
    for shop in shops:
        if not shop.must_weigh:
            continue
        count = len({offer.part for offer in offers if offer.shop == shop.id and offer.part in weightless})
        if count:
            words = "{shop} brings by weight, and is not asked for {count} things whose weight is on no sheet"
            one = "{shop} brings by weight, and is not asked for one thing whose weight is on no sheet"
            yield say(words if count > 1 else one, shop=shop.name, count=str(count))


@dataclass(frozen=True)
class _Search:
    market: Market
    shops: tuple[Shop, ...]
    buyer: Buyer
    limits: Limits
    progress: Progress

    def best(self, needs: Sequence[Need], limits: Limits, done: float, words: Sentence) -> Basket:
        if not self.progress(done, words):
            raise Stopped
        offers = tuple(self.market.offer_by_id.values())
        return best_basket(needs, offers, self.shops, self.buyer, limits, lambda gap: self.progress(done, words))

    def best_or_none(self, needs: Sequence[Need], limits: Limits, done: float, words: Sentence) -> Basket | None:
        if not needs:
            return None
        try:
            return self.best(needs, limits, done, words)
        except NoBasket:
            return None

    def of_one_shop(self, needs: Sequence[Need]) -> Basket | None:
        """The cheapest of the shops that have everything."""
        found = []
        for number, shop in enumerate(self.shops):
            others = frozenset(other.id for other in self.shops if other is not shop) | self.limits.not_shops
            done = 0.7 + 0.3 * number / len(self.shops)
            alone = replace(self.limits, not_shops=others)
            if shop.id not in self.limits.not_shops:
                found.append(self.best_or_none(needs, alone, done, say("all from {shop}", shop=shop.name)))
        return min((basket for basket in found if basket), key=lambda basket: basket.total.minor, default=None)
