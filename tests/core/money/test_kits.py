"""Kit or own: by hand, and over random markets against every basket that could be bought."""

from itertools import product
from unittest import TestCase

from core.model.ledger import Category
from core.model.shops import Market, Offer, Shop
from core.money.basket import NO_LIMITS, Limits, NoBasket
from core.money.best_basket import best_basket
from core.money.kit_or_own import KitOrOwn
from core.money.order import Need
from core.quantities import UnitSystem
from core.report.kits import UNWANTED, kits_for
from tests.core.money.market import buyer, offer, shop
from tests.core.money.test_basket import BY, MARKETS, delivered, random_market

PAIR = {"name": "Bay and screen", "members": ["bay", "screen"], "saving_minor": 90_00}
ENCLOSURE = {"bay": Category.ENCLOSURE, "screen": Category.ENCLOSURE, "pad": Category.ENCLOSURE, "mat": Category.FLOOR}


def kits(*needs: str, offers: list[Offer], limits: Limits = NO_LIMITS, **terms: object) -> list[KitOrOwn]:
    tent = shop(id="tent", bundles=[PAIR], **terms)
    market = Market((tent, shop(id="other")), tuple(offers))
    return list(kits_for([Need(part, part) for part in needs], ENCLOSURE, market, buyer(), limits))


class HandTests(TestCase):
    OFFERS = (
        offer("bay", 700_00, "tent"),
        offer("screen", 350_00, "tent"),
        offer("bay", 620_00, "other"),
        offer("pad", 40_00, "other"),
        offer("mat", 500_00, "other"),
    )

    def test_like_for_like(self) -> None:
        """700 + 350 − 90 is 960, singly 620 + 350 is 970; a pad for 40 comes to both, and the mat to neither."""
        (found,) = kits("bay", "screen", "pad", "mat", offers=list(self.OFFERS))
        self.assertEqual((found.kit.total.minor, found.own.total.minor), (1_000_00, 1_010_00))
        self.assertEqual((found.left_out, found.without), (("pad",), ()))
        self.assertEqual([(each.single.minor, each.wanted) for each in found.held], [(700_00, True), (350_00, True)])
        self.assertEqual(found.headline.text(UnitSystem.METRIC), "Bay and screen of Shop spares €10.00")

    def test_what_nobody_needs_is_paid_for_all_the_same(self) -> None:
        """With a screen that is there already: 960 against 620, 340 for nothing."""
        (found,) = kits("bay", "mat", offers=list(self.OFFERS))
        self.assertEqual((found.kit.total.minor, found.own.total.minor), (960_00, 620_00))
        self.assertEqual([each.wanted for each in found.held], [True, False])
        self.assertIn("Your own is €340.00 cheaper", found.headline.text(UnitSystem.METRIC))
        self.assertIn("one of its things not needed here", found.headline.text(UnitSystem.METRIC))

    def test_what_nobody_offers_is_in_neither(self) -> None:
        (found,) = kits("bay", "screen", "pad", offers=[one for one in self.OFFERS if one.part != "pad"])
        self.assertEqual((found.without, found.left_out), (("pad",), ()))
        self.assertEqual(found.saving.minor, 10_00)

    def test_no_kit_of_what_is_not_needed_or_cannot_be_had(self) -> None:
        offers = list(self.OFFERS)
        self.assertEqual(kits("mat", offers=offers), [])
        self.assertEqual(kits("bay", offers=offers, limits=Limits(not_shops=frozenset({"tent"}))), [])
        self.assertEqual(kits("bay", offers=offers, currency="USD"), [], "nobody has a rate")
        self.assertEqual(kits("bay", "screen", offers=[one for one in offers if one.id != "tent-screen"]), [])


class RandomTests(TestCase):
    def test_the_better_of_both_is_the_best_basket_where_all_of_it_is_needed(self) -> None:
        tried = dearer = 0
        for seed in range(MARKETS):
            needs, offers, shops = random_market(seed)
            one_head = dict.fromkeys((need.line for need in needs), Category.FLOOR)
            bundles = [bundle for at in shops for bundle in at.bundles]
            for found in kits_for(needs, one_head, Market(tuple(shops), tuple(offers)), BY, NO_LIMITS):
                with self.subTest(seed=seed):
                    tried += 1
                    dearer += found.saving.minor < 0
                    self.assertEqual(found.own.total.minor, self.without_bundle(needs, offers, shops, found))
                    self.assertEqual(found.kit.total.minor, self.with_kit(needs, offers, shops, found))
                    if len(bundles) == 1 and not found.without:
                        best = best_basket(needs, offers, shops, BY).total
                        self.assertEqual(min(found.kit.total, found.own.total), best)
        self.assertGreater(tried, 15)
        self.assertGreater(dearer, 3)

    def without_bundle(self, needs: list[Need], offers: list[Offer], shops: list[Shop], found: KitOrOwn) -> int:
        """The least of every way to buy the lines where the kit's shop has no such bundle."""
        plain = [at.model_copy(update={"bundles": ()}) if at is found.shop else at for at in shops]
        return self.least([need for need in needs if need.line not in found.without], offers, plain)

    def with_kit(self, needs: list[Need], offers: list[Offer], shops: list[Shop], found: KitOrOwn) -> int:
        members, there = found.bundle.members, {need.part for need in needs}
        bought = [need for need in needs if need.line not in found.without]
        bought += [Need(f"{UNWANTED}{part}", part) for part in members if part not in there]
        here = [one for one in offers if one.part not in members or one.shop == found.shop.id]
        return self.least(bought, here, shops)

    def least(self, needs: list[Need], offers: list[Offer], shops: list[Shop]) -> int:
        ways = product(*([one for one in offers if one.part == need.part] for need in needs))
        return min(delivered(picked, needs, shops) for picked in ways)


class RefusalTests(TestCase):
    def test_a_market_without_anything(self) -> None:
        self.assertEqual(kits("bay", offers=[]), [])
        with self.assertRaises(NoBasket):
            best_basket([Need("bay", "bay")], [], [shop()], buyer())
