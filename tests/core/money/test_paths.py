"""Paths of builds: sums done by hand, and what holds of every two builds made at random."""

from datetime import date
from random import Random
from typing import Any
from unittest import TestCase

from core.model.facts import Missing
from core.model.ledger import Category
from core.money.line import Line, Payment
from core.money.paths import Path, Step, path_of
from core.quantities import Money
from core.report import evaluate
from tests.core.matrix.case import TODAY
from tests.core.random_builds import furnished_build, sample_parts, seeds

BEGUN = date(2026, 1, 10)


def euros(amount: float) -> Money:
    return Money(round(100 * amount), "EUR")


def line(part: str, amount: float, category: Category = Category.SMALL_ITEMS, **facts: Any) -> Line:
    told: dict[str, Any] = {"up_front": euros(amount), "newcomers": euros(amount), "yearly": euros(0), **facts}
    return Line(None, part.title(), part=part, beside=part, category=category, **told)


NET = line("net", 100, Category.ENCLOSURE)
MONITOR = line("monitor", 500, Category.MONITOR)
SCREEN = line("screen", 300, Category.ENCLOSURE)


def path(*steps: tuple[date | None, tuple[Line, ...]], years: int = 5) -> Path:
    named = [Step(f"Step {number}", day, lines) for number, (day, lines) in enumerate(steps, start=1)]
    return path_of(named, years, BEGUN, "EUR")


class HandTests(TestCase):
    def test_what_is_kept_is_bought_once_and_what_is_not_is_sold(self) -> None:
        """600, then 300 for the screen; the net sells for half after a year: 850 against 800, 50 thrown away."""
        grown = path((BEGUN, (NET, MONITOR)), (date(2027, 2, 1), (MONITOR, SCREEN)))
        self.assertEqual([step.bought for step in grown.steps], [euros(600), euros(300)])
        self.assertEqual([each.sells_for for each in grown.steps[1].given_up], [euros(50)])
        self.assertEqual((grown.total, grown.at_once), (euros(850), euros(800)))
        self.assertEqual((grown.thrown_away, grown.over_at_once), (euros(50), euros(50)))

    def test_fees_run_until_the_next_step(self) -> None:
        """120 a year for six months, then 240 for the four and a half years left: 60 + 1,080; at once 1,200."""
        some, more = line("a", 0, yearly=euros(120)), line("b", 0, yearly=euros(240))
        grown = path((BEGUN, (some,)), (date(2026, 7, 10), (more,)))
        self.assertEqual([step.fees for step in grown.steps], [euros(60), euros(1_080)])
        self.assertEqual((grown.at_once, grown.over_at_once), (euros(1_200), euros(-60)))

    def test_more_of_the_same_is_bought_piece_by_piece(self) -> None:
        """Two of 10, then five of them: three more at 10."""
        grown = path((BEGUN, (line("tile", 20, quantity=2),)), (None, (line("tile", 50, quantity=5),)))
        self.assertEqual([step.bought for step in grown.steps], [euros(20), euros(30)])
        self.assertEqual((grown.steps[1].new, grown.over_at_once), ((), euros(0)))

    def test_fewer_of_the_same_are_given_up_piece_by_piece(self) -> None:
        """Five nets of 100, then two: three cost 300 and sell for half after a year, so that 150 are thrown away."""
        five, two = (NET._replace(quantity=n, up_front=euros(100 * n), newcomers=euros(100 * n)) for n in (5, 2))
        grown = path((BEGUN, (five,)), (date(2027, 2, 1), (two,)))
        self.assertEqual([(each.cost, each.sells_for) for each in grown.steps[1].given_up], [(euros(300), euros(150))])
        self.assertEqual((grown.total, grown.at_once, grown.over_at_once), (euros(350), euros(200), euros(150)))

    def test_what_is_owned_by_then_costs_what_it_cost_on_the_way(self) -> None:
        owned = MONITOR._replace(payment=Payment.OWNED, up_front=euros(0))
        grown = path((BEGUN, (MONITOR,)), (None, (owned, SCREEN)))
        self.assertEqual((grown.total, grown.at_once), (euros(800), euros(800)))

    def test_days_that_nobody_says_or_that_are_out_of_order_are_a_year_apart(self) -> None:
        grown = path((None, (NET,)), (None, (NET,)), (date(2026, 5, 1), (NET,)))
        self.assertEqual([step.day for step in grown.steps], [BEGUN, date(2027, 1, 10), date(2028, 1, 10)])
        self.assertTrue(all(step.assumed for step in grown.steps))

    def test_what_has_no_price_is_named_and_sells_for_nothing_known(self) -> None:
        gift = NET._replace(up_front=euros(0), newcomers=None)
        unknown = SCREEN._replace(up_front=None, newcomers=None, missing=Missing("The price", "Ask."))
        grown = path((BEGUN, (gift,)), (None, (unknown,)))
        self.assertEqual(grown.steps[1].unpriced, ("Screen",))
        self.assertEqual([(each.sells_for, each.lost) for each in grown.steps[1].given_up], [(None, euros(0))])

    def test_what_sells_for_more_than_it_cost_is_not_thrown_away(self) -> None:
        """A net that was a gift sells for 50: buying its successor later costs 50 less, and nothing is lost."""
        gift = NET._replace(up_front=euros(0))
        grown = path((BEGUN, (gift,)), (None, (SCREEN, line("plan", 0, licence="free"))), (None, (SCREEN,)))
        self.assertEqual((grown.thrown_away, grown.over_at_once), (euros(0), euros(-50)))
        self.assertEqual(grown.steps[2].given_up, (), "a free plan is nothing to give up")

    def test_one_build_alone_is_bought_at_once(self) -> None:
        self.assertEqual(path((BEGUN, (NET, MONITOR))).over_at_once, euros(0))


class RandomTests(TestCase):
    def test_growing_costs_more_by_what_is_thrown_away_and_by_other_fees(self) -> None:
        """Of builds with the same price for the same part: what was given up is the whole difference, but for fees."""
        dice, thrown = Random(3), 0
        for seed in seeds(20):
            first, last = (evaluate(furnished_build(n), sample_parts(), today=TODAY).costs for n in (seed, seed + 1))
            if first.up_front.currency != last.up_front.currency:
                continue
            one_price = {(each.part, each.licence): each for each in first.lines if each.quantity == 1 and each.part}
            # One that stands on the chain and beside it, owned here and bought there, is one price as well.
            before, lines = (
                tuple(
                    one_price.get((each.part, each.licence), each)._replace(slot=each.slot, beside=each.beside)
                    for each in costs.lines
                    if each.quantity == 1
                )
                for costs in (first, last)
            )
            currency = last.up_front.currency
            steps = [Step("First", BEGUN, before), Step("Last", date(2027, dice.randint(1, 12), 1), lines)]
            grown = path_of(steps, 5, BEGUN, currency)
            fees = Money.total([step.fees for step in grown.steps], currency)
            at_once = path_of(steps[1:], 5, BEGUN, currency)
            with self.subTest(seed=seed):
                other_fees = fees - (grown.at_once - at_once.steps[0].bought)
                cost = Money.total([each.cost for step in grown.steps for each in step.given_up], currency)
                self.assertEqual(grown.over_at_once, cost - grown.sold + other_fees)
                self.assertGreaterEqual(grown.thrown_away, cost - grown.sold)
                thrown += grown.thrown_away.minor > 0
        self.assertGreater(thrown, 5)
