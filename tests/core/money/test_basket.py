"""The best basket, against trying everything; and limits, reasons, cancelling."""

from collections.abc import Iterator, Sequence
from datetime import date
from fractions import Fraction
from itertools import chain, combinations, product
from random import Random
from typing import Any
from unittest import TestCase

from core.model.progress import Stopped
from core.model.shops import Offer, Shop
from core.money.amounts import Buyer
from core.money.basket import Basket, Limits, NoBasket
from core.money.best_basket import best_basket
from core.money.order import Item, Need, order_of
from tests.core.money.market import DAY, buyer, large_market, offer, random_shop, shop
from tests.core.random_builds import SEARCHED

BY = buyer(tax_share=Fraction(19, 100), rates=(("USD", Fraction(92, 100)),), exchange_fee=Fraction(15, 1000))
MARKETS = 60 * SEARCHED
TRIED_AT_RANDOM = 400


def random_market(seed: int) -> tuple[list[Need], list[Offer], list[Shop]]:
    dice = Random(seed)
    parts = list("abcd"[: dice.randint(2, 4)])
    shops = [random_shop(id, dice, parts) for id in ("one", "two", "three")[: dice.randint(2, 3)]]
    needs = [Need(part, part, dice.randint(1, 3), float(dice.randint(1, 5)), dice.random() < 0.2) for part in parts]
    offers = []
    for part in parts:
        worth = dice.randint(5_00, 90_00)
        for at in shops:
            for count in range(dice.choice((0, 1, 1, 2))):
                facts = {"id": f"{at.id}-{part}-{count}", "sold_as": dice.choice(("new", "new", "used"))}
                money = {"currency": at.currency, "tax_included": at.currency == "EUR"}
                offers.append(offer(part, int(worth * dice.uniform(0.8, 1.2)), at.id, **facts, **money))
    return needs, offers, shops


def subsets(of: Sequence[Any]) -> Iterator[tuple[Any, ...]]:
    return chain.from_iterable(combinations(of, count) for count in range(len(of) + 1))


def least_at(at: Shop, items: list[Item], by: Buyer) -> int:
    """With the codes that serve best, all tried."""
    return min(order_of(at, items, by, codes).total.minor for codes in subsets(at.codes))


def delivered(picked: Sequence[Offer], needs: Sequence[Need], shops: Sequence[Shop]) -> int:
    total = 0
    for at in shops:
        items = [
            Item(need.line, one, need.quantity, need.weight_kg, need.bulky)
            for need, one in zip(needs, picked, strict=True)
            if one.shop == at.id
        ]
        total += least_at(at, items, BY) if items else 0
    return total


def choices(needs: Sequence[Need], offers: Sequence[Offer]) -> list[list[Offer]]:
    return [[one for one in offers if one.part == need.part] for need in needs]


def shops_in(basket: Basket) -> set[str]:
    return {order.shop.id for order in basket.orders}


class ExactTests(TestCase):
    def test_nothing_that_can_be_bought_is_cheaper(self) -> None:
        tried = 0
        for seed in range(MARKETS):
            needs, offers, shops = random_market(seed)
            by_need = choices(needs, offers)
            if not all(by_need):
                with self.assertRaises(NoBasket):
                    best_basket(needs, offers, shops, BY)
                continue
            tried += 1
            least = min(delivered(picked, needs, shops) for picked in product(*by_need))
            with self.subTest(seed=seed):
                basket = best_basket(needs, offers, shops, BY)
                self.assertEqual(basket.total.minor, least)
                bought = sorted(line.key for order in basket.orders for line in order.lines if len(line.key) == 1)
                self.assertEqual(bought, sorted(need.line for need in needs))
        self.assertGreater(tried, 30)

    def test_fewer_shops_and_only_new(self) -> None:
        for seed in range(MARKETS):
            needs, offers, shops = random_market(seed)
            new = [one for one in offers if one.sold_as == "new"]
            picks = [picked for picked in product(*choices(needs, new)) if len({one.shop for one in picked}) == 1]
            limits = Limits(most_shops=1, new_only=True)
            with self.subTest(seed=seed):
                if not picks:
                    with self.assertRaises(NoBasket):
                        best_basket(needs, offers, shops, BY, limits)
                    continue
                basket = best_basket(needs, offers, shops, BY, limits)
                self.assertEqual(basket.total.minor, min(delivered(picked, needs, shops) for picked in picks))

    def test_an_offer_or_a_shop_more_never_makes_it_dearer(self) -> None:
        for seed in range(MARKETS // 2):
            needs, offers, shops = random_market(seed)
            for fewer, of in ((offers[1:], shops), ([o for o in offers if o.shop != shops[0].id], shops[1:])):
                if all(choices(needs, fewer)):
                    with self.subTest(seed=seed):
                        less = best_basket(needs, fewer, of, BY).total.minor
                        self.assertLessEqual(best_basket(needs, offers, shops, BY).total.minor, less)


class LimitTests(TestCase):
    NEEDS = (Need("a", "a"), Need("b", "b"))
    SHOPS = (shop(id="one"), shop(id="two"))

    def test_here_by_a_date(self) -> None:
        """Three days from the 14th are the 17th; what does not say is not promised."""
        offers = [
            offer("a", 1000, "one", lead_days=3),
            offer("a", 900, "two", lead_days=4),
            offer("b", 500, "one"),
            offer("b", 700, "two", lead_days=0),
        ]
        basket = best_basket(self.NEEDS, offers, self.SHOPS, buyer(), Limits(here_by=date(2026, 3, 17)))
        self.assertEqual(basket.total.minor, 17_00)
        with self.assertRaises(NoBasket) as refused:
            best_basket(self.NEEDS, offers[1:], self.SHOPS, buyer(), Limits(here_by=date(2026, 3, 17)))
        self.assertEqual(refused.exception.lines, ("a",))

    def test_not_this_shop_and_not_what_is_over(self) -> None:
        offers = [offer("a", 900, "one"), offer("a", 1000, "two"), offer("b", 500, "two")]
        basket = best_basket(self.NEEDS, offers, self.SHOPS, buyer(), Limits(not_shops=frozenset({"one"})))
        self.assertEqual(shops_in(basket), {"two"})
        over = offer("a", 100, "two", good_until="2026-03-13", id="over")
        self.assertEqual(best_basket(self.NEEDS, [*offers, over], self.SHOPS, buyer()).total.minor, 14_00)

    def test_a_lower_price_can_lose_free_delivery(self) -> None:
        """60.00 and 40.00 are brought for nothing; with 39.00 for the other, 99.00 and 4.90 are 103.90."""
        at = shop(delivery=[{"fee_minor": 490}, {"fee_minor": 0, "from_minor": 100_00}])
        dear, low = offer("b", 40_00), offer("b", 39_00, id="low")
        together = [offer("a", 60_00), dear, low]
        basket = best_basket(self.NEEDS, together, [at], buyer())
        self.assertEqual(basket.total.minor, 100_00)
        self.assertEqual(best_basket(self.NEEDS, [*together[:1], low], [at], buyer()).total.minor, 103_90)

    def test_it_can_be_cancelled(self) -> None:
        needs, offers, shops = large_market()
        with self.assertRaises(Stopped):
            best_basket(needs, offers, shops, BY, watch=lambda gap: False)


class LargeTests(TestCase):
    def test_no_basket_found_by_trying_is_cheaper(self) -> None:
        needs, offers, shops = large_market()
        best = best_basket(needs, offers, shops, BY).total.minor
        dice, by_need = Random(DAY.toordinal()), choices(needs, offers)
        for _ in range(TRIED_AT_RANDOM):
            self.assertGreaterEqual(delivered([dice.choice(found) for found in by_need], needs, shops), best)
