"""Kit or own: a shop's bundle broken up into what it holds, beside the same lines bought singly. Loads the solver."""

from collections.abc import Iterator, Mapping, Sequence
from fractions import Fraction

from core.model.ledger import Category
from core.model.shops import Bundle, Market, Offer, Shop, is_over
from core.money.amounts import Buyer
from core.money.basket import Basket, Limits, NoBasket
from core.money.best_basket import best_basket
from core.money.kit_or_own import Held, KitOrOwn
from core.money.order import Need
from core.report.baskets import payable

UNWANTED = "unwanted:"
"""Before the part, in place of the line of a build that a kit brings something for."""


def kits_for(
    needs: Sequence[Need], categories: Mapping[str, Category], market: Market, buyer: Buyer, limits: Limits
) -> Iterator[KitOrOwn]:
    """Every bundle that holds something of `needs`, beside the same lines bought singly; `categories` are by line.

    Like for like: all lines of the categories that the kit has a say in, in both. Kits are left out that their
    shop has not all of, that cannot be paid, or whose shop is left out.
    """
    shops, _ = payable(market, buyer)
    offers = tuple(offer for offer in market.offer_by_id.values() if offer.is_to_be_had(buyer.day))
    market = Market(shops, offers)
    for shop in shops:
        for bundle in shop.bundles:
            wanted = [need for need in needs if need.part in bundle.members]
            if wanted and shop.id not in limits.not_shops and not is_over(bundle.until, buyer.day):
                found = _kit_or_own(shop, bundle, needs, categories, market, buyer, limits)
                if found is not None:
                    yield found


def _kit_or_own(
    shop: Shop,
    bundle: Bundle,
    needs: Sequence[Need],
    categories: Mapping[str, Category],
    market: Market,
    buyer: Buyer,
    limits: Limits,
) -> KitOrOwn | None:
    members = [
        need
        for part in bundle.members
        for need in [need for need in needs if need.part == part] or [Need(f"{UNWANTED}{part}", part)]
    ]
    heads = {categories.get(need.line) for need in members if need.line in categories}
    scope = [need for need in needs if categories.get(need.line) in heads]
    singly = shop.model_copy(update={"bundles": tuple(other for other in shop.bundles if other is not bundle)})
    offers = tuple(market.offer_by_id.values())
    here = tuple(offer for offer in offers if offer.part not in bundle.members or offer.shop == shop.id)
    with_kit = [*(need for need in scope if need.part not in bundle.members), *members]
    try:
        kit, without = _served(with_kit, here, market.shops, buyer, limits)
        if any(need.line in without for need in members):
            return None
        scope = [need for need in scope if need.line not in without]
        others = tuple(singly if other is shop else other for other in market.shops)
        own, left = _served(scope, offers, others, buyer, limits)
        held = tuple(_held(need, shop, offers, buyer) for need in members)
    except NoBasket:
        return None
    beside = tuple(need.line for need in scope if need.part not in bundle.members)
    return KitOrOwn(shop, bundle, held, beside, tuple(sorted({*without, *left})), kit, own)


def _served(
    needs: Sequence[Need], offers: Sequence[Offer], shops: Sequence[Shop], buyer: Buyer, limits: Limits
) -> tuple[Basket, frozenset[str]]:
    """The best basket of all that somebody offers, and the lines that nobody does. Raises `NoBasket`."""
    try:
        return best_basket(needs, offers, shops, buyer, limits), frozenset()
    except NoBasket as refused:
        served = [need for need in needs if need.line not in refused.lines]
        if not served or len(served) == len(needs):
            raise
        return best_basket(served, offers, shops, buyer, limits), frozenset(refused.lines)


def _held(need: Need, shop: Shop, offers: Sequence[Offer], buyer: Buyer) -> Held:
    cheapest = min(
        (offer for offer in offers if offer.part == need.part and offer.shop == shop.id),
        key=lambda offer: offer.price.minor,
    )
    single = need.met_by(cheapest).goods_minor
    at_till = buyer.at_till(Fraction(single), cheapest.price.currency, tax_included=cheapest.price.tax_included)
    return Held(need.part, not need.line.startswith(UNWANTED), need.quantity, at_till)
