"""What was seen of prices: written once, extended, held back, struck out and brought back; days that follow from it."""

from datetime import date, timedelta
from itertools import accumulate
from random import Random
from typing import Any

import numpy as np
from django.test import TestCase

from core.model.observation import Look
from core.prices.history import SOLD_OUT, history_of
from jungle.market.models import Observation, Series
from jungle.market.observing import NoSuchObservation, Recorded, bring_back, confirm, record, strike
from jungle.market.series_days import asked_for
from tests.app.worlds import person

DAY = date(2026, 6, 1)


def look(number: int, euros: float, **facts: Any) -> Look:
    """What a shop asked so many days after the first of June."""
    price = {"minor": round(100 * euros), "currency": facts.pop("currency", "EUR")}
    told = {"part": "mat", "shop": "larkmoor", "price": price, "day": DAY + timedelta(days=number), **facts}
    return Look.model_validate(told)


class ObservingTestCase(TestCase):
    def setUp(self) -> None:
        self.owner = person().pk

    def days(self, until: int, count: int) -> list[float | None]:
        (found,) = asked_for(self.owner, ["mat"], DAY + timedelta(days=until), count)
        return [None if np.isnan(day) else float(day) / 100 for day in found.days]

    def seen(self) -> list[tuple[int, int, int]]:
        return [
            ((one.first_seen - DAY).days, (one.last_seen - DAY).days, one.minor) for one in Observation.objects.all()
        ]


class RecordingTests(ObservingTestCase):
    def test_what_says_the_same_extends_and_what_is_told_twice_is_written_once(self) -> None:
        looks = [look(0, 100), look(3, 100), look(6, 90), look(9, 90)]
        self.assertEqual(record(self.owner, looks), Recorded(2, 2, 0))
        self.assertEqual(record(self.owner, looks), Recorded(0, 4, 0))
        self.assertEqual(self.seen(), [(0, 3, 100_00), (6, 9, 90_00)])
        self.assertEqual(self.days(9, 10), [100] * 6 + [90] * 4)

    def test_what_was_seen_before_is_put_in_its_place(self) -> None:
        record(self.owner, [look(0, 100), look(10, 100)])
        record(self.owner, [look(5, 80)])
        self.assertEqual(self.days(10, 11), [100] * 5 + [80] + [100] * 5)

    def test_another_price_on_a_day_that_has_one_is_written_once_however_often_it_is_told(self) -> None:
        record(self.owner, [look(0, 100), look(6, 90), look(12, 100)])
        again = [look(6, 85)]
        self.assertEqual(record(self.owner, again).new, 1)
        self.assertEqual([record(self.owner, again).new for _ in range(3)], [0, 0, 0])
        self.assertEqual(self.days(6, 1), [85], "what was said last of a day counts")

    def test_conditions_and_shops_are_apart(self) -> None:
        record(self.owner, [look(0, 100), look(0, 60, sold_as="used"), look(0, 95, shop="pairwell")])
        self.assertEqual(Series.objects.count(), 3)
        self.assertEqual(len(asked_for(self.owner, ["mat"], DAY, 1)), 3)
        self.assertEqual(asked_for(person("lin").pk, ["mat"], DAY, 1), [])

    def test_far_under_what_is_usual_is_held_back_until_confirmed(self) -> None:
        record(self.owner, [look(0, 100), look(12, 100)])
        self.assertEqual(record(self.owner, [look(14, 30)]), Recorded(1, 0, 1))
        held = Observation.objects.get(minor=30_00)
        self.assertEqual(held.held_back, "It is 70% under what is usual there.")
        self.assertEqual((self.days(14, 1), Series.objects.get().believed), ([100], 1))
        confirm(self.owner, held.pk)
        self.assertEqual((self.days(14, 1), Series.objects.get().believed), ([30], 2))

    def test_other_money_and_another_thing_are_held_back(self) -> None:
        record(self.owner, [look(0, 100), look(12, 100)])
        record(self.owner, [look(13, 99, currency="USD"), look(14, 99, name="Cord carpet 2 m")], {"mat": "Softfair"})
        self.assertEqual(
            [one.held_back for one in Observation.objects.all() if one.held_back],
            ["It is told as $99.00; until now it was as €100.00.", "The page speaks of 'Cord carpet 2 m'."],
        )
        record(self.owner, [look(15, 99, name="Maker softfair, mat 1.5 m")], {"mat": "Softfair"})
        self.assertEqual(self.days(15, 1), [99])

    def test_one_that_is_struck_out_says_why_and_can_be_brought_back(self) -> None:
        record(self.owner, [look(0, 100), look(1, 80), look(2, 100)])
        wrong = Observation.objects.get(minor=80_00)
        strike(self.owner, wrong.pk, "a voucher of somebody else")
        self.assertEqual(self.days(2, 3), [100, 100, 100])
        wrong.refresh_from_db()
        self.assertEqual((wrong.struck, wrong.minor), ("a voucher of somebody else", 80_00))
        bring_back(self.owner, wrong.pk)
        self.assertEqual(self.days(2, 3), [100, 80, 100])
        with self.assertRaises(NoSuchObservation):
            strike(person("lin").pk, wrong.pk, "not hers")

    def test_a_struck_one_is_not_extended_by_the_next_look(self) -> None:
        record(self.owner, [look(0, 100), look(1, 80)])
        strike(self.owner, Observation.objects.get(minor=80_00).pk, "wrong")
        record(self.owner, [look(2, 80)])
        self.assertEqual(self.days(2, 3), [100, 100, 80])

    def test_a_confirmed_one_goes_on(self) -> None:
        record(self.owner, [look(0, 100), look(12, 100), look(14, 30)])
        self.assertEqual(record(self.owner, [look(15, 30)]), Recorded(0, 1, 0), "held back like the one before")
        confirm(self.owner, Observation.objects.get(minor=30_00).pk)
        self.assertEqual(record(self.owner, [look(16, 30)]), Recorded(0, 1, 0))
        self.assertEqual(self.days(16, 4), [100, 30, 30, 30])


class RandomTests(ObservingTestCase):
    """Random looks over some months, with gaps that are longer than a look holds, some of them sold out."""

    def told(self, seed: int) -> tuple[Random, list[Look]]:
        dice = Random(seed)
        numbers = accumulate(dice.choices((3, 10, 40), (8, 3, 1), k=40))
        looks = [look(n, dice.choice((90, 95, 100, 105, 110)), in_stock=dice.random() < 0.9) for n in numbers]
        return dice, looks

    def test_file_after_file_they_come_to_the_days_of_their_looks(self) -> None:
        for seed in range(12):
            dice, looks = self.told(seed)
            Series.objects.all().delete()
            cut = dice.randint(0, len(looks))
            for some in (looks[:cut], looks[cut:], looks[: cut // 2], looks):
                record(self.owner, some)
            whole = history_of((one.day, one.price.minor, one.in_stock) for one in looks)
            until = (looks[-1].day - DAY).days + dice.choice((0, 10, 30))
            days = whole.days(DAY + timedelta(days=until), until + 1)
            with self.subTest(seed=seed):
                self.assertEqual(
                    self.days(until, until + 1), [None if np.isnan(day) else float(day) / 100 for day in days]
                )
                self.assertEqual(Observation.objects.count(), whole.observations)
                self.assertEqual(Series.objects.get().believed, whole.observations)

    def test_in_any_order_each_look_says_what_it_was_on_its_day(self) -> None:
        for seed in range(12):
            dice, looks = self.told(seed)
            Series.objects.all().delete()
            dice.shuffle(looks)
            for start in range(0, len(looks), 7):
                record(self.owner, looks[start : start + 7])
            until = max((one.day - DAY).days for one in looks)
            found = self.days(until, until + 1)
            with self.subTest(seed=seed):
                for one in looks:
                    expected = one.price.minor / 100 if one.in_stock else SOLD_OUT
                    self.assertEqual(found[(one.day - DAY).days], expected)
