"""What to buy, and when: what is safe first, everything once, totals that add up."""

import csv
from io import StringIO
from typing import Any
from unittest import TestCase

from core.checks import GRAPH
from core.checks.limits import State
from core.formats.buy_list_csv import COLUMNS, buy_list_csv
from core.model.brief import Stage
from core.model.build import Build
from core.model.ledger import Ledger
from core.money.line import Payment
from core.quantities import Money, UnitSystem
from core.report import evaluate
from core.report.buy_list import FREE, ToBuy, buy_list
from tests.core import worlds
from tests.core.random_builds import furnished_build, sample_parts, seeds

METRIC = UnitSystem.METRIC


def listed(build: Build | None = None, **ledger: Any) -> tuple[ToBuy, ...]:
    build = (build or worlds.full_build()).model_copy(update={"ledger": Ledger.model_validate(ledger)})
    return buy_list(build, evaluate(build, worlds.full_parts()))


class OrderTests(TestCase):
    def test_what_decides_comes_before_what_follows(self) -> None:
        """The monitor before the software, that before the computer, the screen before the projector."""
        names = [each.line.label for each in listed() if not each.held]
        order = [name for name in ("Maker Radar", "Maker Square", "Maker Tower", "Maker Lamp") if name in names]
        self.assertEqual(sorted(order, key=names.index), order)

    def test_what_rests_on_an_open_check_waits(self) -> None:
        """A projector whose throw cannot be told is checked first, and so is a room that was only guessed."""
        parts = {**worlds.full_parts(), "projector": worlds.projector(throw_min=None)}
        build = worlds.full_build()
        found = {each.line.label: each for each in buy_list(build, evaluate(build, parts))}
        self.assertIn("not known", " ".join(reason.text(METRIC) for reason in found["Maker Lamp"].held))
        guessed = build.model_copy(update={"room": build.room.model_copy(update={"guessed": ("width_m",)})})
        self.assertTrue(all(each.held for each in listed(guessed) if each.line.slot and not each.line.licence))

    def test_what_is_paid_comes_last_and_waits_for_nothing(self) -> None:
        found = listed(entries={"monitor/radar": {"paid_minor": 1_500_00, "paid_to": "Lakeside"}})
        self.assertEqual((found[-1].line.label, found[-1].is_paid, found[-1].shop), ("Maker Radar", True, "Lakeside"))
        self.assertEqual(found[-1].held, ())

    def test_an_offer_that_was_taken_says_where_it_was_seen(self) -> None:
        ledger = {"entries": {"display/projector": {"quote_minor": 800_00, "offer": "lakeside-lamp"}}}
        build = worlds.full_build().model_copy(update={"ledger": Ledger.model_validate(ledger)})
        found = buy_list(build, evaluate(build, worlds.full_parts()), {"lakeside-lamp": "shelf 4"})
        seen = {each.line.label: each.seen_at for each in found if each.seen_at}
        self.assertEqual(seen, {"Maker Lamp": "shelf 4"})

    def test_over_random_builds(self) -> None:
        for seed in seeds(20):
            build = furnished_build(seed)
            report = evaluate(build, sample_parts())
            found = buy_list(build, report)
            with self.subTest(seed=seed):
                keys = [each.line.key for each in found]
                self.assertEqual(len(keys), len(set(keys)))
                every = {line.key for line in (*report.costs.lines, *report.costs.works) if line.payment not in FREE}
                nothing = {
                    line.key
                    for line in (*report.costs.lines, *report.costs.works)
                    if line.up_front and not line.up_front.minor and not (line.yearly and line.yearly.minor)
                }
                self.assertEqual(set(keys), every - nothing)
                currency = build.brief.currency
                spent = Money.total([each.line.up_front for each in found if each.line.up_front], currency)
                self.assertEqual(found[-1].running if found else Money(0, currency), spent)
                self.assertEqual([each.is_paid for each in found], sorted(each.is_paid for each in found))
                open_ones = [v for v in report.verdicts if v.state in (State.BLOCKED, State.UNKNOWN)]
                for each in found:
                    rests = [v for v in open_ones if each.line.slot in GRAPH[v.id].place.slots]
                    self.assertEqual(bool(rests) and not each.is_paid, bool(each.held))


class CoveredTests(TestCase):
    def test_what_comes_in_pays_in_its_order(self) -> None:
        """4,950 in all: 2,000 are there, 1,000 come in spring; the rest is paid for by nothing yet."""
        funding = [
            {"id": "b", "name": "Bonus", "minor": 1_000_00, "on": "2026-04-01"},
            {"id": "a", "name": "Put aside", "minor": 2_000_00, "received": True},
        ]
        for each in listed(funding=funding):
            minor = each.running.minor
            expected = "what is there" if minor <= 2_000_00 else "Bonus, 2026-04-01" if minor <= 3_000_00 else ""
            self.assertEqual(each.covered_by, expected)


class TableTests(TestCase):
    def test_rows_of_plain_decimals(self) -> None:
        own = [{"id": "own", "name": "=HYPERLINK(1)", "category": "building works", "quote_minor": 500_50}]
        rows = list(csv.reader(StringIO(buy_list_csv(listed(own=own), METRIC))))
        self.assertEqual(tuple(rows[0]), COLUMNS)
        row = next(row for row in rows if "HYPERLINK" in row[0])
        self.assertEqual((row[0], row[3], row[4], row[-1]), ("'=HYPERLINK(1)", "500.50", "EUR", "no"))
        self.assertEqual({len(row) for row in rows}, {len(COLUMNS)})
        self.assertIn("a year", {row[5] for row in rows})

    def test_stages_are_told(self) -> None:
        stages = {each.stage for each in listed()}
        self.assertIn(Stage.PROJECTED, stages)
        self.assertTrue(all(each.line.payment is not Payment.OWNED for each in listed()))
