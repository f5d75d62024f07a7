"""What an order comes to, against sums done by hand; and what must hold of every order."""

from fractions import Fraction
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st
from pydantic import ValidationError

from core.model.facts import MissingFact
from core.model.shops import Code, Shop
from core.money.amounts import Buyer, MissingRate
from core.money.order import Item, Order, order_of, shared_out
from core.quantities import UnitSystem
from tests.core.money.market import DAY, buyer, item, offer, shop

CODES = [{"code": "spring", "share": 0.2}, {"code": "club", "share": 0.1}]
PAIR = {"name": "Pair", "members": ["a", "b"], "saving_minor": 1000}


def all_codes(at: Shop, *items: Item, by: Buyer | None = None) -> Order:
    return order_of(at, items, by or buyer(), at.codes)


def told(order: Order) -> dict[str, int]:
    return {line.key: line.total.minor for line in order.lines}


def steps(order: Order, key: str) -> list[tuple[str, int]]:
    (line,) = (line for line in order.lines if line.key == key)
    return [(step.words.text(UnitSystem.METRIC), step.amount.minor) for step in line.steps]


class CodeTests(TestCase):
    def test_codes_compound_unless_the_shop_adds_them(self) -> None:
        """100.00 less 20 % is 80.00, less 10 % of that 72.00; 20 % and 10 % added up leave 70.00."""
        self.assertEqual(told(all_codes(shop(codes=CODES), item("a", 100_00))), {"a": 72_00})
        self.assertEqual(told(all_codes(shop(codes=CODES, codes_add_up=True), item("a", 100_00))), {"a": 70_00})

    def test_each_step_is_told_and_the_steps_add_up(self) -> None:
        """2 × 49.99, regularly 59.99: 119.98, on sale 99.98, × 0.8 = 79.984, × 0.9 = 71.9856."""
        order = all_codes(shop(codes=CODES), item("a", 49_99, 2, regular_minor=59_99))
        expected = [("list price", 119_98), ("sale", -20_00), ("code spring", -20_00), ("code club", -7_99)]
        self.assertEqual(steps(order, "a"), expected)
        self.assertEqual(order.total.minor, 71_99)

    def test_a_code_says_why_it_is_not_good(self) -> None:
        codes = [
            {"code": "over", "share": 0.1, "until": "2026-03-13"},
            {"code": "large", "share": 0.1, "least_spend_minor": 100_01},
            {"code": "other", "share": 0.1, "excludes": ["a"]},
            {"code": "fresh", "share": 0.1, "new_only": True},
            {"code": "today", "share": 0.1, "until": DAY},
            {"code": "second", "share": 0.1},
        ]
        order = all_codes(shop(codes=codes, codes_at_once=1), item("a", 100_00, sold_as="used"))
        self.assertEqual(
            [(code.code, why.text(UnitSystem.METRIC)) for code, why in order.refused],
            [
                ("over", "was good until 2026-03-13"),
                ("large", "asks for €0.01 more"),
                ("other", "is good for nothing in this order"),
                ("fresh", "is good for nothing in this order"),
                ("second", "Shop takes 1 at once"),
            ],
        )
        self.assertEqual(order.total.minor, 90_00)

    def test_an_amount_comes_off_the_order_once(self) -> None:
        """15.00 off 40.00 and 20.00; not off what comes to less."""
        codes = [{"code": "voucher", "off_minor": 15_00}]
        order = all_codes(shop(codes=codes), item("a", 40_00), item("b", 20_00))
        self.assertEqual(told(order), {"a": 40_00, "b": 20_00, "code:voucher": -15_00})
        small = all_codes(shop(codes=codes), item("a", 9_00))
        self.assertEqual((small.total.minor, len(small.refused)), (9_00, 1))


class BundleTests(TestCase):
    def test_a_saving_is_shared_to_the_cent(self) -> None:
        """10.00 over 20.00 and 10.00: 6.67 and 3.33, the odd cent to the larger."""
        order = all_codes(shop(bundles=[PAIR]), item("a", 20_00), item("b", 10_00), item("c", 5_00))
        self.assertEqual(told(order), {"a": 13_33, "b": 6_67, "c": 5_00})

    def test_it_is_lost_when_a_member_leaves(self) -> None:
        self.assertEqual(told(all_codes(shop(bundles=[PAIR]), item("a", 20_00), item("c", 5_00)))["a"], 20_00)

    def test_it_comes_after_codes_and_saves_once(self) -> None:
        """3 × 20.00 and 10.00, less 10 %: 54.00 and 9.00; 10.00 over one each of 18.00 and 9.00 are 6.67 and 3.33."""
        codes = [{"code": "club", "share": 0.1}]
        order = all_codes(shop(bundles=[PAIR], codes=codes), item("a", 20_00, 3), item("b", 10_00))
        self.assertEqual(told(order), {"a": 47_33, "b": 5_67})

    def test_used_things_are_in_no_bundle(self) -> None:
        order = all_codes(shop(bundles=[PAIR]), item("a", 20_00, sold_as="used"), item("b", 10_00))
        self.assertEqual(order.total.minor, 30_00)

    @given(st.integers(0, 100_000), st.lists(st.integers(0, 50_000), min_size=1, max_size=6))
    def test_shares_add_up_and_none_is_more_than_its_price(self, saving: int, prices: list[int]) -> None:
        named = {f"{number}": Fraction(price) for number, price in enumerate(prices)}
        shares = shared_out(saving, named)
        self.assertEqual(sum(shares.values()), min(saving, sum(prices)))
        self.assertTrue(all(0 <= shares[key] <= price for key, price in named.items()), shares)


class DeliveryTests(TestCase):
    FREE_OVER_100 = ({"fee_minor": 490}, {"fee_minor": 0, "from_minor": 100_00})

    def test_a_basket_three_under_the_threshold_pays_delivery(self) -> None:
        under = all_codes(shop(delivery=self.FREE_OVER_100), item("a", 97_00))
        self.assertEqual(told(under), {"a": 97_00, "delivery": 4_90})
        short = under.short_of_free
        self.assertEqual(short and short.minor, 3_00)
        self.assertEqual(told(all_codes(shop(delivery=self.FREE_OVER_100), item("a", 100_00))), {"a": 100_00})

    def test_the_threshold_counts_after_codes(self) -> None:
        """120.00 less 20 % are 96.00: a code can cost more than it saves on small orders, never on this one."""
        order = all_codes(shop(delivery=self.FREE_OVER_100, codes=CODES[:1]), item("a", 120_00))
        self.assertEqual(told(order), {"a": 96_00, "delivery": 4_90})

    def test_by_weight_and_bulk(self) -> None:
        by_weight = [{"most_kg": 5, "fee_minor": 490}, {"most_kg": 30, "fee_minor": 1290}]
        terms = {"delivery": [*by_weight, {"fee_minor": 0, "from_minor": 500_00}], "bulky_minor": 25_00}
        light, heavy = item("a", 10_00, weight_kg=5.0), item("b", 10_00, weight_kg=0.1)
        self.assertEqual(told(all_codes(shop(**terms), light))["delivery"], 4_90)
        self.assertEqual(told(all_codes(shop(**terms), light, heavy))["delivery"], 12_90)
        screen = item("c", 600_00, weight_kg=20.0, bulky=True)
        self.assertEqual(told(all_codes(shop(**terms), screen))["delivery"], 25_00, "bulky is charged still")

    def test_what_is_not_weighed_is_asked(self) -> None:
        fees = [{"most_kg": 5, "fee_minor": 490}]
        with self.assertRaisesRegex(MissingFact, "What a weighs"):
            all_codes(shop(delivery=fees), item("a", 10_00))
        with self.assertRaisesRegex(MissingFact, "takes for 6 kg"):
            all_codes(shop(delivery=fees), item("a", 10_00, weight_kg=6.0))

    def test_fetching_costs_nothing(self) -> None:
        self.assertEqual(
            told(all_codes(shop(delivery=[{"fee_minor": 490}], may_collect=True), item("a", 10_00))), {"a": 10_00}
        )


class AbroadTests(TestCase):
    def test_tax_and_currency_come_last(self) -> None:
        """$80.00 before tax: × 1.19 = 95.20, × 0.92 = 87.584, × 1.015 = 88.89776. Delivery $10 likewise: 11.11222."""
        abroad = shop(currency="USD", tax_included=False, delivery=[{"fee_minor": 1000}])
        by = buyer(tax_share=Fraction(19, 100), rates=(("USD", Fraction(92, 100)),), exchange_fee=Fraction(15, 1000))
        order = all_codes(abroad, item("a", 80_00, currency="USD", tax_included=False), by=by)
        self.assertEqual(told(order), {"a": 88_90, "delivery": 11_11})
        self.assertEqual(steps(order, "a"), [("list price", 80_00), ("tax", 15_20)])

    def test_reclaimed_tax_comes_off(self) -> None:
        """119.00 with 19 % in it are 100.00 for who reclaims it; what has none in it stays."""
        by = buyer(tax_share=Fraction(19, 100), reclaims_tax=True)
        self.assertEqual(all_codes(shop(), item("a", 119_00), by=by).total.minor, 100_00)
        self.assertEqual(all_codes(shop(), item("a", 100_00, tax_included=False), by=by).total.minor, 100_00)

    def test_a_currency_without_decimals(self) -> None:
        """15,000 yen at 0.0061: 91.50."""
        order = all_codes(
            shop(currency="JPY"), item("a", 15_000, currency="JPY"), by=buyer(rates=(("JPY", Fraction(61, 10_000)),))
        )
        self.assertEqual(order.total.minor, 91_50)

    def test_a_missing_rate_names_both_currencies(self) -> None:
        with self.assertRaisesRegex(MissingRate, "from USD to EUR"):
            all_codes(shop(currency="USD"), item("a", 10_00, currency="USD"))


class RebateTests(TestCase):
    def test_it_comes_later_and_for_this_shop_alone(self) -> None:
        """5 % of 80.00, which is left of 100.00 after the code: 4.00, and the total is still 80.00."""
        at = shop(codes=CODES[:1], rebates=[{"name": "Back", "share": 0.05}])
        order = all_codes(at, item("a", 100_00))
        self.assertEqual(order.total.minor, 80_00)
        self.assertEqual([pending.amount.minor for pending in order.pending], [4_00])

    def test_only_for_what_it_names(self) -> None:
        at = shop(rebates=[{"name": "Back", "amount_minor": 1000, "parts": ["b"], "least_spend_minor": 50_00}])
        self.assertEqual(all_codes(at, item("a", 100_00)).pending, ())
        self.assertEqual(all_codes(at, item("a", 100_00), item("b", 49_99)).pending, ())
        self.assertEqual(len(all_codes(at, item("b", 50_00)).pending), 1)


class TermTests(TestCase):
    def test_terms_that_cannot_be_are_refused(self) -> None:
        for terms, words in (
            ({"codes": [{"code": "c"}]}, "either a share or an amount"),
            ({"codes": [{"code": "c", "share": 0.1}, {"code": "c", "share": 0.1}]}, "two terms of one name"),
            ({"codes": [{"code": "c", "share": 0.6}, {"code": "d", "share": 0.4}], "codes_add_up": True}, "add up"),
            ({"codes": [{"code": "c", "share": 1.2}]}, "less than 1"),
            ({"bundles": [PAIR, {**PAIR, "name": "Other"}]}, "in two bundles"),
            ({"rebates": [{"name": "R", "share": 0.1, "amount_minor": 5}]}, "either a share or an amount"),
        ):
            with self.subTest(words), self.assertRaisesRegex(ValidationError, words):
                shop(**terms)
        with self.assertRaisesRegex(ValidationError, "under the price"):
            offer("a", 100_00, regular_minor=99_99)


ITEMS = st.lists(
    st.builds(
        lambda part, minor, quantity, used: (part, minor, quantity, used),
        st.sampled_from("abcdef"),
        st.integers(0, 300_00),
        st.integers(1, 4),
        st.booleans(),
    ),
    unique_by=lambda drawn: drawn[0],
    max_size=6,
)


class PropertyTests(TestCase):
    AT = shop(
        codes=[*CODES, {"code": "off", "off_minor": 500, "least_spend_minor": 50_00}],
        bundles=[PAIR],
        delivery=[{"fee_minor": 590}, {"fee_minor": 0, "from_minor": 150_00}],
    )

    def items(self, drawn: list[tuple[str, int, int, bool]]) -> list[Item]:
        return [item(part, minor, quantity, sold_as="used" if used else "new") for part, minor, quantity, used in drawn]

    @given(ITEMS, st.randoms(use_true_random=False))
    def test_the_order_of_lines_is_irrelevant(self, drawn: list[tuple[str, int, int, bool]], dice: object) -> None:
        items = self.items(drawn)
        once = all_codes(self.AT, *items)
        dice.shuffle(items)  # type: ignore[attr-defined]
        again = all_codes(self.AT, *items)
        self.assertEqual(told(once), told(again))

    @given(ITEMS)
    def test_lines_add_up_and_no_goods_are_dearer_than_listed(self, drawn: list[tuple[str, int, int, bool]]) -> None:
        items = self.items(drawn)
        order = all_codes(self.AT, *items)
        self.assertEqual(order.total.minor, sum(told(order).values()))
        for one in items:
            self.assertLessEqual(told(order)[one.line], one.goods_minor)
            self.assertEqual(sum(amount for _, amount in steps(order, one.line)), told(order)[one.line])

    @given(ITEMS, st.sets(st.sampled_from([code.code for code in AT.codes])))
    def test_a_code_never_raises_what_the_goods_come_to(
        self, drawn: list[tuple[str, int, int, bool]], tried: set[str]
    ) -> None:
        items = self.items(drawn)
        codes: list[Code] = [code for code in self.AT.codes if code.code in tried]
        order = order_of(self.AT, items, buyer(), codes)
        plain = order_of(self.AT, items, buyer())
        goods = {key: minor for key, minor in told(order).items() if key != "delivery"}
        self.assertLessEqual(sum(goods.values()), sum(v for key, v in told(plain).items() if key != "delivery"))
