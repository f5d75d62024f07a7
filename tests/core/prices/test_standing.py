"""What was seen, what was usual and what was a sale: worked out by hand."""

from dataclasses import replace
from datetime import date, timedelta
from unittest import TestCase

import numpy as np

from core.prices.history import GAP_DAYS, SOLD_OUT, History, Seen, held_on, history_of, prices_of
from core.prices.standing import FEWEST_DAYS, Sale, regular_prices, sales_in, standing

TODAY = date(2026, 11, 30)


def days_before(days: int) -> date:
    return TODAY - timedelta(days=days)


class HistoryTests(TestCase):
    def test_a_look_that_finds_the_same_extends_the_last(self) -> None:
        looks = [(days_before(n), 100_00, True) for n in (30, 20, 10)] + [(days_before(5), 90_00, True)]
        self.assertEqual(
            history_of(looks).seen,
            (Seen(days_before(30), days_before(10), 100_00), Seen(days_before(5), days_before(5), 90_00)),
        )

    def test_the_order_in_which_looks_are_told_says_nothing_and_the_last_of_a_day_counts(self) -> None:
        looks = [(days_before(5), 80_00, True), (days_before(9), 70_00, True), (days_before(5), 60_00, True)]
        self.assertEqual([seen.minor for seen in history_of(looks).seen], [70_00, 60_00])

    def test_a_price_holds_until_the_next_look_and_then_is_forgotten(self) -> None:
        """Seen 40 and 30 days ago, then two days ago: between them nobody knows it for 30 − 21 − 2 = 6 days and one."""
        history = history_of(
            [(days_before(40), 100_00, True), (days_before(30), 100_00, True), (days_before(2), 9, True)]
        )
        days = history.days(TODAY, 41)
        self.assertEqual(int(np.isnan(days).sum()), 30 - GAP_DAYS - 2 - 1)
        self.assertEqual((days[0], days[-1]), (100_00, 9))

    def test_what_was_seen_last_before_the_days_that_are_asked_for_holds_in_them(self) -> None:
        days = History((Seen(days_before(200), days_before(4 + GAP_DAYS), 5),)).days(TODAY, 5)
        self.assertEqual(days[0], 5.0)
        self.assertTrue(np.isnan(days[1:]).all())

    def test_what_was_seen_on_the_first_day_holds_too(self) -> None:
        held = held_on(np.array([np.nan, 5.0, *[np.nan] * (GAP_DAYS + 1)]))
        self.assertEqual(held[1:-1].tolist(), [5.0] * (GAP_DAYS + 1))
        self.assertTrue(np.isnan(held[0]) and np.isnan(held[-1]))
        self.assertEqual(held_on(np.array([5.0, np.nan])).tolist(), [5.0, 5.0])

    def test_what_is_sold_out_has_no_price(self) -> None:
        history = history_of(
            [(days_before(9), 100_00, True), (days_before(4), 100_00, False), (days_before(1), 99_00, True)]
        )
        self.assertEqual(
            list(history.days(TODAY, 10)),
            [100_00] * 5 + [SOLD_OUT] * 3 + [99_00] * 2,
        )
        self.assertTrue(np.isnan(prices_of(history.days(TODAY, 10))[5:8]).all())


class StandingTests(TestCase):
    def days(self) -> np.ndarray:
        """Two hundred days at 100.00, but for ten at 80.00 that ended thirty days ago, and today at 95.00."""
        days = np.full(200, 100_00.0)
        days[160:170] = 80_00.0
        days[-1] = 95_00.0
        return days

    def test_by_hand(self) -> None:
        """Ten of two hundred days are cheaper than today: 5 %. Eleven cost less than 100.00, so of the cheapest twenty,
        a tenth, the dearest cost 100.00."""
        found = standing(self.days(), TODAY)
        assert found is not None
        self.assertEqual((found.lowest_minor, found.usual_minor, found.regular_minor), (80_00, 100_00, 100_00))
        self.assertEqual((found.low_minor, found.high_minor), (100_00, 100_00))
        self.assertEqual((found.today_minor, found.cheaper_share, found.days_known), (95_00, 0.05, 200))

    def test_a_tenth_the_middle_and_nine_tenths(self) -> None:
        """Of two hundred days at 1.00 to 200.00 the twentieth, the hundredth and the hundred and eightieth."""
        found = standing(np.arange(1.0, 201.0) * 100, TODAY)
        assert found is not None
        self.assertEqual((found.low_minor, found.usual_minor, found.high_minor), (20_00, 100_00, 180_00))

    def test_its_sales(self) -> None:
        """Ten days of a fifth less, and today's 5 % less, which is on."""
        found = standing(self.days(), TODAY)
        assert found is not None
        past, now = found.sales
        self.assertEqual((past.first, past.last, past.days), (days_before(39), days_before(30), 10))
        self.assertAlmostEqual(past.depth, 0.2)
        self.assertEqual((past.over, now.over), (True, False))
        self.assertAlmostEqual(now.depth, 0.05)
        self.assertEqual(found.sale_months, (10, 11))
        self.assertAlmostEqual(found.usual_depth or 0, 0.125)
        self.assertEqual(found.usual_sale_days, 10, "one that is on yet has no length")

    def test_a_sale_is_on_in_every_month_that_it_lasts(self) -> None:
        """Thirty days from the last of January to the first of March, and eleven about New Year."""
        winter = Sale(date(2026, 1, 31), date(2026, 3, 1), 80_00, 100_00)
        turn = Sale(date(2025, 12, 26), date(2026, 1, 5), 80_00, 100_00)
        found = standing(self.days(), TODAY)
        assert found is not None
        self.assertEqual(replace(found, sales=(turn, winter)).sale_months, (1, 2, 3, 12))

    def test_too_little_is_told_as_nothing(self) -> None:
        days = np.full(300, np.nan)
        days[: FEWEST_DAYS - 1] = 50_00
        self.assertIsNone(standing(days, TODAY))
        days[FEWEST_DAYS - 1] = 50_00
        found = standing(days, TODAY)
        assert found is not None
        self.assertEqual((found.today_minor, found.cheaper_share), (None, None))

    def test_three_days_of_four_make_a_price_the_regular_one(self) -> None:
        """Of ninety days 67 on sale leave the 68th at 100.00; one more, and it is the new price."""
        days = np.full(180, 100_00.0)
        days[90:157] = 70_00.0
        self.assertEqual(set(regular_prices(days)), {100_00.0})
        days[90:158] = 70_00.0
        self.assertIn(70_00.0, set(regular_prices(days)))

    def test_a_twenty_fifth_less_is_small_change_and_more_is_a_sale(self) -> None:
        for minor, sales in ((96_00.0, 0), (95_99.0, 1)):
            days = np.full(200, 100_00.0)
            days[150:160] = minor
            self.assertEqual(len(list(sales_in(days, regular_prices(days), TODAY))), sales)

    def test_a_gap_ends_a_sale(self) -> None:
        days = self.days()
        days[165:] = np.nan
        (sale,) = sales_in(days, regular_prices(days), TODAY)
        self.assertEqual((sale.days, sale.over), (5, False))
