"""How prices have moved, counted by hand: when sales begin and go on, how deep they are, drifts, clearances."""

from dataclasses import replace
from datetime import date
from math import log
from typing import Any, ClassVar
from unittest import TestCase

import numpy as np

from core.prices.habits import CLEARED_GONE, FEWEST_OF_A_KIND, Habits, habits_of, pooled
from core.prices.history import SOLD_OUT, Floats

TODAY = date(2026, 11, 30)
"""In its year it lies in week 47, counted from 0; a week later it is week 48."""


def weeks(*prices: float) -> Floats:
    """The days of weeks at these prices, today last."""
    return np.repeat(np.array(prices, dtype=np.float64), 7)


def habits(prices: list[float], regular: list[float] | None = None, ahead: int = 1) -> Habits:
    found = habits_of(weeks(*prices), TODAY, ahead, weeks(*(regular or [100.0] * len(prices))))
    assert found is not None
    return found


class KnownTests(TestCase):
    def test_half_a_year_and_today_must_be_known(self) -> None:
        for known, carries in ((26, True), (25, False)):
            days = weeks(*[np.nan] * 20, *[100.0] * known)
            self.assertEqual(habits_of(days, TODAY, 4, days) is not None, carries)
        ends = weeks(*[100.0] * 40, np.nan)
        self.assertIsNone(habits_of(ends, TODAY, 4, weeks(*[100.0] * 41)))


class SaleTests(TestCase):
    """Forty weeks, regularly at 100: in the eleventh and twelfth at 80, in the thirty-first at 90."""

    prices: ClassVar = [100.0] * 10 + [80.0, 80.0] + [100.0] * 18 + [90.0] + [100.0] * 9

    def test_when_they_begin(self) -> None:
        """36 weeks of 39 followed on one without a sale, and in two of those a sale began: (2 + 0.5) / (36 + 26).

        Week 48 has the weeks 46 and 47 near it: (0 + 12 · 0.040323) / (2 + 12). Half a year on, week 18 has three
        weeks near it that followed on one without a sale, and a sale began in one: (1 + 12 · 0.040323) / (3 + 12)."""
        found = habits(self.prices, ahead=23)
        overall = 2.5 / 62
        self.assertAlmostEqual(found.begins[0], 12 * overall / 14)
        self.assertAlmostEqual(found.begins[22], (1 + 12 * overall) / 15)
        self.assertEqual(len(found.begins), 23)

    def test_how_long_and_how_deep_they_are(self) -> None:
        """Of three weeks on sale one was followed by another: (1 + 1) / (3 + 2). A third of them were 10 % less."""
        found = habits(self.prices)
        self.assertAlmostEqual(found.stays, 0.4)
        self.assertEqual([round(depth, 6) for depth in found.depths], [0.1] * 3 + [0.2] * 5)
        self.assertEqual((found.weeks, found.on_sale, found.regular_minor, found.cleared), (40, False, 100.0, False))

    def test_one_of_today(self) -> None:
        self.assertTrue(habits([100.0] * 30 + [80.0]).on_sale)

    def test_none_was_seen_yet(self) -> None:
        """A tenth is what one might be; (0 + 0.5) / (39 + 26) for each week, (0 + 1) / (0 + 2) that it goes on."""
        found = habits([100.0] * 40)
        self.assertEqual((found.depths, found.stays), ((0.10,), 0.5))
        self.assertAlmostEqual(found.begins[0], 12 * (0.5 / 65) / (2 + 12))


class MovingTests(TestCase):
    def test_a_drift(self) -> None:
        """Ten weeks at 100, ten at 105, ten at 110: over the twenty weeks between the thirds."""
        regular = [100.0] * 10 + [105.0] * 10 + [110.0] * 10
        self.assertAlmostEqual(habits(regular, regular).drift_a_week, log(1.1) / (20 + 26))

    def test_what_was_sold_out_is_gone_the_sooner(self) -> None:
        """In four weeks of forty: 0.2 · 4 / (40 + 26)."""
        prices = [100.0] * 20 + [SOLD_OUT] * 4 + [100.0] * 16
        self.assertAlmostEqual(habits(prices).gone, 0.8 / 66)
        self.assertEqual(habits([100.0] * 40).gone, 0.0)


class ClearedTests(TestCase):
    prices: ClassVar = [100.0] * 24 + [90.0] * 3 + [80.0] * 3

    def cleared(self, *prices: float) -> bool:
        return habits([100.0] * 30 + list(prices)).cleared

    def test_it_goes_on_falling_and_is_gone_soon(self) -> None:
        """Of the last 26 weeks six steps lie from the first fall on, over which it fell by ln(100 / 80): three fifths
        of that pace goes on."""
        found = habits(self.prices, self.prices)
        self.assertTrue(found.cleared)
        self.assertAlmostEqual(found.drift_a_week, -0.6 * log(100 / 80) / 6)
        self.assertEqual((found.gone, found.regular_minor, found.depths), (CLEARED_GONE, 80.0, ()))

    def test_sooner_still_where_it_was_often_sold_out(self) -> None:
        """In twenty weeks of fifty: 0.2 · 20 / (50 + 26)."""
        self.assertAlmostEqual(habits([SOLD_OUT] * 20 + self.prices).gone, 4 / 76)

    def test_a_little_or_one_step_or_a_rise_clears_nothing(self) -> None:
        self.assertTrue(self.cleared(97.0, 93.5), "by ln(100 / 93.5) = 0.067")
        self.assertFalse(self.cleared(97.0, 94.5), "by 0.057")
        self.assertFalse(self.cleared(80.0))
        self.assertFalse(self.cleared(90.0, 80.0, 81.0))


class PooledTests(TestCase):
    def one(self, **facts: Any) -> Habits:
        plain = Habits(30, False, 50.0, (0.1, 0.2), 0.5, (0.2,), 0.01, 0.02)
        return replace(plain, **facts)

    def test_by_hand(self) -> None:
        """The middle of weeks and drifts, the mean of odds, all depths; at the price of the thing itself."""
        found = pooled(
            [
                self.one(),
                self.one(weeks=40, begins=(0.4, 0.2), stays=0.2, depths=(0.3,), drift_a_week=0.0, gone=0.05),
                self.one(weeks=90, begins=(0.1, 0.5), stays=0.2, depths=(0.1,), drift_a_week=0.09, gone=0.02),
            ],
            70.0,
            on_sale=True,
        )
        assert found is not None
        self.assertEqual((found.weeks, found.regular_minor, found.drift_a_week, found.on_sale), (40, 70.0, 0.01, True))
        for told, by_hand in zip((*found.begins, found.stays, found.gone), (0.2, 0.3, 0.3, 0.03), strict=True):
            self.assertAlmostEqual(told, by_hand)
        self.assertEqual(found.depths, (0.1,) * 3 + (0.2,) * 2 + (0.3,) * 3)

    def test_what_is_cleared_tells_nothing_of_others(self) -> None:
        others = [self.one()] * (FEWEST_OF_A_KIND - 1)
        self.assertIsNone(pooled([*others, self.one(cleared=True)], 70.0))
        self.assertIsNotNone(pooled([*others, self.one()], 70.0))
