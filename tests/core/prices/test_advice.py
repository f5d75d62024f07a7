"""Buy or wait: worked out by hand, and what must hold of it over many markets."""

from dataclasses import replace
from datetime import date, timedelta
from typing import Any
from unittest import TestCase

from core.prices.advice import READ_DAYS, WORTH_WAITING_FOR, Advice, Say, advice_on
from core.prices.back_test import Trial, outcomes, summed, trials
from core.prices.habits import FEWEST_WEEKS, Habits
from core.prices.history import History, Seen, history_of
from core.prices.reservation import Waiting
from core.prices.simulated import Habit, market
from tests.core.random_builds import seeds

TODAY = date(2026, 11, 30)
HABITS = Habits(
    weeks=78,
    on_sale=False,
    regular_minor=100_00,
    begins=(0.25, 0.25),
    stays=0.5,
    depths=(0.2,),
    drift_a_week=0.0,
    gone=0.0,
)


def steady(minor: int, weeks: int) -> History:
    return History((Seen(TODAY - timedelta(weeks=weeks), TODAY, minor),))


def advice(seen: History, today: date, needed_by: date, **facts: Any) -> Advice:
    return advice_on(seen.days(today, READ_DAYS), today, needed_by, **facts)


class ReservationTests(TestCase):
    """Two weeks are left. Regularly 100.00; a sale of a fifth begins with 1 in 4 and goes on with 1 in 2."""

    def test_by_hand(self) -> None:
        """A week before: 0.75 · 100 + 0.25 · 80 = 95, on sale 0.5 · 80 + 0.5 · 100 = 90.
        Today: 0.75 · 95 + 0.25 · 80 = 91.25, on sale 0.5 · 80 + 0.5 · 95 = 87.50."""
        waiting = Waiting(HABITS, 2, 0.0)
        self.assertAlmostEqual(waiting.by_week[0], 91_25)
        self.assertAlmostEqual(waiting.by_week[1], 95_00)
        self.assertEqual(waiting.by_week[2], float("inf"), "in the last week it is bought at any price")
        self.assertAlmostEqual(waiting.reservation_minor(0, 80_00, on_sale=True), 87_50)
        self.assertAlmostEqual(waiting.sale_odds(0.2, on_sale=False), 1 - 0.75**2)
        self.assertEqual(waiting.sale_odds(0.201, on_sale=False), 0.0, "none was ever so deep")

    def test_what_there_is_no_sale_in_is_bought_at_what_waiting_comes_to(self) -> None:
        self.assertAlmostEqual(Waiting(HABITS, 2, 0.0).reservation_minor(0, 100_00, on_sale=False), 91_25)
        never = Waiting(replace(HABITS, depths=()), 2, 0.0)
        self.assertAlmostEqual(never.reservation_minor(0, 80_00, on_sale=True), 100_00)
        self.assertEqual(never.sale_odds(0.2, on_sale=False), 0.0)

    def test_between_two_depths(self) -> None:
        """A week is left. On sale at 90 waiting comes to 0.5 · 90 + 0.5 · 100 = 95, at 70 to 85, and at 80 between."""
        waiting = Waiting(replace(HABITS, depths=(0.3, 0.1)), 1, 0.0)
        for price, waits in ((90_00, 95_00), (70_00, 85_00), (80_00, 90_00)):
            self.assertAlmostEqual(waiting.reservation_minor(0, price, on_sale=True), waits)
        self.assertAlmostEqual(waiting.by_week[0], 0.75 * 100_00 + 0.25 * 80_00)

    def test_the_odds_of_another_sale(self) -> None:
        """It ends with 1 in 2, and then one begins with 1 in 4: in the second of two weeks with 0.5 · 0.25."""
        self.assertAlmostEqual(Waiting(HABITS, 2, 0.0).sale_odds(0.2, on_sale=True), 0.125)

    def test_a_week_of_waiting_costs(self) -> None:
        """3.00 a week: a week before 95 + 3 = 98, today 3 + 0.75 · 98 + 0.25 · 80 = 96.50."""
        self.assertAlmostEqual(Waiting(HABITS, 2, 3_00).by_week[0], 96_50)

    def test_it_may_be_gone(self) -> None:
        """One week left; with 1 in 10 it is gone and 110.00 is paid for another: 0.9 · 95 + 0.1 · 110 = 96.50."""
        self.assertAlmostEqual(Waiting(replace(HABITS, gone=0.1), 1, 0.0).by_week[0], 96_50)

    def test_it_rises(self) -> None:
        """By 2 % a week, by its logarithm: 0.75 · 102.0201 + 0.25 · 81.6161 = 96.9191."""
        self.assertAlmostEqual(Waiting(replace(HABITS, drift_a_week=0.02), 1, 0.0).by_week[0], 96_91.91, places=1)


class AdviceTests(TestCase):
    def test_no_history_no_advice(self) -> None:
        needed = TODAY + timedelta(weeks=10)
        self.assertIs(advice(History(()), TODAY, needed).say, Say.NOTHING)
        self.assertIs(advice(steady(100_00, FEWEST_WEEKS - 2), TODAY, needed).say, Say.NOTHING)
        self.assertIsNot(advice(steady(100_00, FEWEST_WEEKS), TODAY, needed).say, Say.NOTHING)

    def test_what_has_no_price_today_is_not_advised_on(self) -> None:
        sold_out = history_of([(TODAY - timedelta(days=n), 100_00, n > 6) for n in range(400, -1, -1)])
        self.assertIs(advice(sold_out, TODAY, TODAY + timedelta(weeks=10)).say, Say.NOTHING)

    def test_its_kind_stands_in_for_a_short_history(self) -> None:
        kind = replace(HABITS, begins=(0.25,) * 10)
        found = advice(steady(100_00, 3), TODAY, TODAY + timedelta(weeks=10), kind=kind)
        self.assertIs(found.say, Say.WAIT)

    def test_by_hand(self) -> None:
        """Two weeks are left, as above; it rises by nothing, and a week of waiting costs 1.00.

        A week before 95 + 1 = 96, today 1 + 0.75 · 96 + 0.25 · 80 = 93: waiting is worth 7.00 of 100.00, and risks the
        two weeks. It is bought in the last week."""
        needed = TODAY + timedelta(weeks=2)
        found = advice(steady(100_00, 3), TODAY, needed, kind=HABITS, week_costs_minor=1_00)
        told = (found.expected_minor, found.buy_at_minor, found.saves_minor, found.risks_minor, found.best_odds)
        for minor, by_hand in zip(told, (93_00, 93_05, 7_00, 2_00, 1 - 0.75**2), strict=True):
            self.assertAlmostEqual(minor or 0.0, by_hand)
        self.assertEqual((found.say, found.best_minor, found.turns_on), (Say.WAIT, 80_00, needed))

    def test_who_has_the_usual_sale_today_hopes_for_no_better(self) -> None:
        found = advice(steady(80_00, 3), TODAY, TODAY + timedelta(weeks=2), kind=HABITS)
        self.assertEqual((found.say, found.best_minor, found.best_odds), (Say.BUY, None, None))

    def test_what_rises_risks_what_it_will_cost(self) -> None:
        """By 2 % a week, by its logarithm: 104.08 in two weeks."""
        kind = replace(HABITS, drift_a_week=0.02)
        found = advice(steady(100_00, 3), TODAY, TODAY + timedelta(weeks=2), kind=kind)
        self.assertAlmostEqual(found.risks_minor or 0.0, 4_08.1, places=1)

    def test_what_is_needed_now_is_bought(self) -> None:
        for late in (0, 6, -30):
            found = advice(steady(100_00, 60), TODAY, TODAY + timedelta(days=late))
            self.assertEqual((found.say, found.turns_on, found.weeks), (Say.BUY, TODAY, 0))

    def test_its_figures_agree(self) -> None:
        for trial in trials("figures", 60):
            needed = trial.asked_on + timedelta(weeks=trial.weeks)
            found = advice(trial.known, trial.asked_on, needed)
            if found.say is Say.NOTHING or not found.weeks:
                continue
            assert found.today_minor is not None
            assert found.expected_minor is not None
            assert found.buy_at_minor is not None
            assert found.turns_on is not None
            self.assertEqual(found.say is Say.BUY, found.today_minor <= found.buy_at_minor)
            self.assertAlmostEqual(found.buy_at_minor - found.expected_minor, WORTH_WAITING_FOR * found.today_minor)
            self.assertEqual(found.say is Say.BUY, found.turns_on == trial.asked_on)
            self.assertLessEqual(found.turns_on, needed)
            self.assertTrue(found.best_odds is None or 0 <= found.best_odds <= 1)
            dearer = advice(trial.known, trial.asked_on, needed, week_costs_minor=found.today_minor)
            self.assertIs(dearer.say, Say.BUY, "nobody waits who pays the price of it every week")


class MarketTests(TestCase):
    def test_the_same_seed_is_the_same_market_and_a_later_day_adds_to_it(self) -> None:
        first, differ = date(2025, 6, 1), 0
        for habit in Habit:
            longer = list(market("one", habit, 500_00, first, 400))
            self.assertTrue(longer == list(market("one", habit, 500_00, first, 400)))
            self.assertTrue(longer[:200] == list(market("one", habit, 500_00, first, 200)))
            self.assertTrue(all(0 < quote.minor <= quote.regular_minor for quote in longer))
            differ += longer != list(market("two", habit, 500_00, first, 400))
        self.assertGreater(differ, 2)


class BackTests(TestCase):
    """On markets that nothing was tuned on; docs/buy-or-wait.md tells of a thousand."""

    def test_it_beats_buying_at_once_and_the_median_and_never_misses_the_day(self) -> None:
        tried = list(trials("kept for the test", len(seeds(250))))
        found = summed(outcomes(tried))
        mean = {name: paid.mean for name, paid in found.items()}
        self.assertLess(mean["the advice"], mean["at once"])
        self.assertLess(mean["the advice"], mean["under the median"])

    def test_it_loses_little_where_there_is_no_pattern(self) -> None:
        found = summed(outcomes(trials("no pattern at all", len(seeds(100)), (Habit.NO_PATTERN,))))
        self.assertLessEqual(found["the advice"].mean, 1.01 * found["at once"].mean)

    def test_hindsight_pays_no_more_than_anybody(self) -> None:
        for paid in summed(outcomes(trials("hindsight", 30))).values():
            self.assertGreaterEqual(paid.mean, 1.0)

    def test_whoever_waits_to_the_end_pays_what_it_costs_then(self) -> None:
        trial = Trial(Habit.NO_PATTERN, steady(100, 10), TODAY, (100.0, 90.0, 120.0))
        found = summed(outcomes([trial]))
        self.assertAlmostEqual(found["a tenth less"].mean, 1.0)
        self.assertAlmostEqual(found["at once"].mean, 100 / 90)
        self.assertEqual((found["a tenth less"].late, found["a tenth less"].dearer), (0.0, 0.0))

    def test_late_is_who_bought_in_the_last_week(self) -> None:
        """It never became a tenth less: 97 was paid in the end, where 95 would have done, and 100 at first."""
        trial = Trial(Habit.NO_PATTERN, steady(100, 10), TODAY, (100.0, 95.0, 97.0))
        found = summed(outcomes([trial, replace(trial, weekly_minor=(100.0, 95.0, 190.0))]))
        told = found["a tenth less"]
        self.assertAlmostEqual(told.mean, (97 / 95 + 190 / 95) / 2)
        self.assertAlmostEqual(told.worst, 2.0)
        self.assertEqual((told.late, told.dearer), (1.0, 0.5))
        self.assertEqual((found["at once"].late, found["at once"].dearer), (0.0, 0.0))
