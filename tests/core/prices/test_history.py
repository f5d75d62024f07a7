"""The price on each day, from what was seen: held for three weeks, sold out, overlapping, and none at all."""

import unittest
from datetime import date, timedelta
from random import Random

import numpy as np

from core.prices.history import SOLD_OUT, Floats, History, Seen, cheapest

DAY = date(2026, 6, 1)


def on(number: int) -> date:
    """So many days after the first of June."""
    return DAY + timedelta(days=number)


def told(days: Floats) -> list[float | None]:
    """With `None` where nobody knows."""
    return [None if np.isnan(day) else float(day) for day in days]


class HistoryTests(unittest.TestCase):
    def test_a_look_holds_until_the_next_one(self) -> None:
        seen = History((Seen(on(0), on(0), 100), Seen(on(3), on(4), 90)))
        self.assertEqual(told(seen.days(on(6), 8)), [None, 100, 100, 100, 90, 90, 90, 90])

    def test_after_three_weeks_without_a_look_nobody_knows(self) -> None:
        seen = History((Seen(on(0), on(2), 100), Seen(on(30), on(30), 90)))
        self.assertEqual(told(seen.days(on(30), 10)), [100] * 3 + [None] * 6 + [90])
        self.assertEqual(told(seen.days(on(51), 1)), [90])
        self.assertEqual(told(seen.days(on(52), 1)), [None])

    def test_what_was_first_seen_later_says_what_it_was_on_its_own_days(self) -> None:
        seen = History((Seen(on(0), on(5), 100), Seen(on(2), on(3), 80)))
        self.assertEqual(told(seen.days(on(5), 6)), [100, 100, 80, 80, 100, 100])

    def test_sold_out_is_no_price_and_holds_as_one(self) -> None:
        seen = History((Seen(on(0), on(0), 100), Seen(on(1), on(1), 100, in_stock=False), Seen(on(3), on(3), 95)))
        self.assertEqual(told(seen.days(on(3), 4)), [100, SOLD_OUT, SOLD_OUT, 95])

    def test_days_before_the_first_look_are_not_known_and_what_begins_before_the_window_reaches_into_it(self) -> None:
        self.assertEqual(told(History(()).days(on(0), 3)), [None] * 3)
        seen = History((Seen(on(-400), on(1), 100),))
        self.assertEqual(told(seen.days(on(1), 2)), [100, 100])
        self.assertEqual(told(seen.days(on(-400), 2)), [None, 100])
        self.assertEqual(told(seen.days(on(-401), 2)), [None, None])

    def test_day_by_day_it_comes_to_the_same(self) -> None:
        """Looked up for each day anew: the last span over it, else the last day before it on which there was one."""
        for seed in range(200):
            dice = Random(seed)
            spans = []
            for _ in range(dice.randint(1, 9)):
                first = dice.randint(0, 120)
                spans.append((first, first + dice.choice((0, 0, 3, 40)), dice.randint(80, 120), dice.random() < 0.8))
            spans.sort(key=lambda span: span[0])
            looked = {
                day: minor if there else SOLD_OUT
                for first, last, minor, there in spans
                for day in range(first, last + 1)
            }
            until, count = dice.randint(-5, 200), dice.randint(1, 90)
            expected = [
                next((looked[day] for day in range(number, number - 22, -1) if day in looked), None)
                for number in range(until - count + 1, until + 1)
            ]
            seen = History(tuple(Seen(on(first), on(last), minor, there) for first, last, minor, there in spans))
            with self.subTest(seed=seed):
                # What lies after the last day tells nothing of the days before it.
                self.assertEqual(told(seen.days(on(until), count)), expected)


class CheapestTests(unittest.TestCase):
    def test_the_least_of_what_can_be_had_of_each_thing(self) -> None:
        nan = np.nan
        lamps = [np.array([100, SOLD_OUT, SOLD_OUT, nan, nan]), np.array([90, 95, SOLD_OUT, SOLD_OUT, nan])]
        mats = [np.array([70.0, 60, 50, 40, nan])]
        self.assertEqual(
            [told(least) for least in cheapest([lamps, (), mats], 5)],
            [[90, 95, SOLD_OUT, SOLD_OUT, None], [None] * 5, [70, 60, 50, 40, None]],
        )
        self.assertEqual(cheapest([], 2).shape, (0, 2))
