"""Totals of a build in every scope and way of valuing it."""

from dataclasses import replace
from itertools import combinations
from typing import Any
from unittest import TestCase

from core.formats.report_json.money import money_json
from core.model.ledger import Category, Entry, Ledger
from core.money.contingency import used_of
from core.money.costs import OUTSIDE
from core.money.line import Line, Payment
from core.quantities import Money, UnitSystem
from core.report import evaluate
from core.report.money import USUAL_SCOPE, MoneyInScope, money_in
from core.report.whole_money import whole_money
from tests.core import worlds
from tests.core.matrix.case import TODAY
from tests.core.random_builds import furnished_build, sample_parts, seeds

METRIC = UnitSystem.METRIC


def money(scope: frozenset[Category] = USUAL_SCOPE, **ledger: Any) -> MoneyInScope:
    kept = Ledger.model_validate(ledger)
    build = worlds.full_build().model_copy(update={"ledger": kept})
    return money_in(evaluate(build, worlds.full_parts()).costs, kept, scope)


class HeadlineTests(TestCase):
    def test_what_is_really_free(self) -> None:
        """10,000 − 4,950 − a tenth of that."""
        self.assertEqual(money().headline.text(METRIC), "€4,555.00 really free, with €495.00 kept back")
        own = [{"id": "shelf", "name": "Shelf", "category": "comfort"}]
        self.assertIn("and one line has no price yet", money(own=own).headline.text(METRIC))
        paid = money(entries={"display/projector": {"paid_minor": 10_000_00}})
        self.assertEqual(paid.headline.text(METRIC), "€5,455.00 over the cap with €1,405.00 kept back")

    def test_half_of_the_money_for_one_head_is_told(self) -> None:
        """With a projector of 10,000 the picture takes 10,000 of 14,050: 71.2 %."""
        told = money(entries={"display/projector": {"paid_minor": 10_000_00}}).starving
        assert told is not None
        self.assertIn("Picture takes 71.2 % of the money", told.text(METRIC))
        self.assertIsNone(money().starving)


class TotalsTests(TestCase):
    def test_every_scope_is_the_sum_of_its_heads_and_lines(self) -> None:
        for seed in seeds(15):
            build = furnished_build(seed)
            report = evaluate(build, sample_parts())
            costs = report.costs
            every = money_in(costs, build.ledger, frozenset(Category))
            self.assertEqual(money_in(costs, build.ledger).totals.cash, costs.up_front)
            usual = money_in(costs, build.ledger)
            self.assertEqual(usual.totals.newcomer, costs.newcomer)
            self.assertEqual((usual.counted, usual.contingency), (costs.counted, costs.contingency))
            whole = whole_money(build, report, sample_parts(), USUAL_SCOPE, TODAY)
            stretches = money_json(whole, METRIC).stretches
            self.assertTrue(all(stretch.share > 0 and stretch.begins >= 0 for stretch in stretches))
            self.assertLessEqual(sum(stretch.share for stretch in stretches), 1 + 1e-9)
            for left_out in (set(), *({category} for category in Category), *combinations(OUTSIDE, 2)):
                scope = frozenset(Category) - frozenset(left_out)
                found = money_in(costs, build.ledger, scope)
                with self.subTest(seed=seed, without=left_out):
                    heads = sum(head.up_front.minor for head in found.heads)
                    self.assertEqual(found.totals.cash.minor, heads)
                    self.assertEqual(len(found.lines) + len(found.left_out), len(every.lines))
                    self.assertLessEqual(found.totals.cash, every.totals.cash)
                    self.assertLessEqual(found.totals.cash, found.totals.gifts_at_list)
                    self.assertAlmostEqual(sum(head.share for head in found.heads), 1.0 if heads else 0.0)
                    for category in left_out:
                        self.assertIn(category, found.scope_words.split("Left out:")[1])


class CertaintyTests(TestCase):
    GUESS = {"display/projector": {"low_minor": 700_00, "likely_minor": 900_00, "high_minor": 1_300_00}}

    def test_one_guess_moves_the_total_as_its_triangle_does(self) -> None:
        """A cap at its likeliest: (900 − 700)² / (600 · 200) = 1/3 of the time it stays under 4,950."""
        found = money(entries=self.GUESS)
        self.assertAlmostEqual(found.odds.under(4_950_00), 1 / 3, places=3)
        self.assertEqual([(swing.low.minor, swing.high.minor) for swing in found.swings], [(700_00, 1_300_00)])
        self.assertEqual([line.payment for line in found.firm_up_first], [Payment.ESTIMATE])

    def test_a_line_without_a_price_leaves_the_odds_open(self) -> None:
        self.assertIsNotNone(money(entries=self.GUESS).under_cap)
        own = [{"id": "shelf", "name": "Shelf", "category": "comfort"}]
        self.assertIsNone(money(entries=self.GUESS, own=own).under_cap)

    def test_guessed_fees_have_odds_of_the_yearly_cap(self) -> None:
        """A yearly fee of 100 to 300, likely 150; the cap at 150 holds (150 − 100)² / (200 · 50) = 1/4 of the time."""
        fee = Line(None, "Plan", yearly=Money(150_00, "EUR"), low=Money(100_00, "EUR"), high=Money(300_00, "EUR"),
                   fees_a_year=1, up_front=Money(0, "EUR"))  # fmt: skip
        every = money()
        capped = replace(every, lines=(fee,), yearly_cap=Money(150_00, "EUR"))
        self.assertAlmostEqual(capped.under_yearly_cap or 0, 1 / 4, places=3)
        self.assertIsNone(replace(capped, yearly_cap=None).under_yearly_cap)
        certain = fee._replace(low=None, high=None)
        self.assertIsNone(replace(capped, lines=(certain,)).under_yearly_cap, "nobody guessed")

    def test_what_is_ordered_is_told_apart_until_it_is_paid(self) -> None:
        ordered = {"display/projector": {"quote_minor": 800_00, "ordered_on": "2026-03-01"}}
        found = money(entries=ordered)
        self.assertEqual((found.ordered.minor, found.paid.minor), (800_00, 0))
        ordered["display/projector"]["paid_minor"] = 790_00
        found = money(entries=ordered)
        self.assertEqual((found.ordered.minor, found.paid.minor), (0, 790_00))

    def test_funding_is_never_a_discount(self) -> None:
        funding = [{"id": "bike", "name": "Bike", "minor": 300_00, "sold": True}]
        self.assertEqual(money(funding=funding).totals, money().totals)
        self.assertEqual(money(funding=funding).funded.minor, 300_00)


class UsedTests(TestCase):
    def used(self, finished_on: str | None, **entries: dict[str, Any]) -> tuple[int, int]:
        """What of the contingency is used: overruns, and what came late, of two lines of a thousand each."""
        lines = [Line(None, key, up_front=Money(1000, "EUR"), beside=key, part=key) for key in ("a", "b")]
        told = {f"{key}/{key}": Entry.model_validate(entry) for key, entry in entries.items()}
        ledger = Ledger.model_validate({"entries": told, "finished_on": finished_on})
        found = used_of(lines, ledger, "EUR")
        return found.overruns.minor, found.since.minor

    def test_what_was_paid_beyond_its_guess_uses_it(self) -> None:
        """700 guessed and 900 paid is 200; 700 and 500 is nothing, and saves nothing elsewhere."""
        over = {"likely_minor": 700, "paid_minor": 900, "paid_on": "2026-01-01"}
        under = {"likely_minor": 700, "paid_minor": 500, "paid_on": "2026-01-01"}
        self.assertEqual(self.used(None, a=over, b=under), (200, 0))
        self.assertEqual(self.used(None, a={"paid_minor": 900}), (0, 0), "nobody guessed")

    def test_what_came_after_it_was_finished_is_counted_whole(self) -> None:
        late = {"likely_minor": 700, "paid_minor": 900, "guessed_on": "2026-02-01", "paid_on": "2026-02-02"}
        self.assertEqual(self.used("2026-01-31", a=late), (0, 1000))
        self.assertEqual(self.used("2026-02-01", a=late), (200, 0), "it was guessed by then")
        self.assertEqual(self.used("2026-01-31", a={"paid_minor": 900}), (0, 0), "nobody says when")
