"""Old prices: how old, and what they decide, carried out over random builds."""

from datetime import date, timedelta
from random import Random
from unittest import TestCase

from core.model.build import Build
from core.model.household import TaxTreatment
from core.model.ledger import Entry
from core.model.parts import FactSource, Part
from core.money.costs import Costs
from core.money.line import STILL_TO_BUY, Line, Payment
from core.quantities import UnitSystem
from core.report.evaluation_of import evaluation_of, known_costs
from core.report.old_prices import OldPrice, dearer_by, old_prices
from tests.core import worlds
from tests.core.random_builds import random_build, sample_parts, seeds

TODAY = date(2026, 11, 30)


def costs_of(build: Build, sheets: dict[str, Part]) -> Costs:
    return known_costs(evaluation_of(build, sheets, today=TODAY))


def quoted(build: Build, line: Line, minor: int, days_ago: int, until: date | None = None) -> Build:
    entry = Entry(quote_minor=minor, quoted_on=TODAY - timedelta(days=days_ago), quote_from="Near", quote_until=until)
    ledger = build.ledger.model_copy(update={"entries": {**build.ledger.entries, line.key: entry}})
    return build.model_copy(update={"ledger": ledger})


class OldPricesTests(TestCase):
    def setUp(self) -> None:
        self.sheets = worlds.full_parts()
        brief = worlds.full_brief(up_front_cap_minor=None)
        self.build = worlds.full_build(brief=brief)
        self.line = next(line for line in costs_of(self.build, self.sheets).lines if line.part == "mat")

    def old(self, build: Build, sheets: dict[str, Part] | None = None) -> list[OldPrice]:
        there = sheets or self.sheets
        return [one for one in old_prices(build, costs_of(build, there), there, TODAY) if one.line.part == "mat"]

    def test_a_quote_is_old_when_it_ran_out_or_after_three_weeks(self) -> None:
        tomorrow, yesterday = TODAY + timedelta(days=1), TODAY - timedelta(days=1)
        for days, until, is_old in (
            (21, None, False), (22, None, True), (200, tomorrow, False), (200, TODAY, False), (3, yesterday, True)
        ):  # fmt: skip
            self.assertEqual(bool(self.old(quoted(self.build, self.line, 100_00, days, until))), is_old, (days, until))
        (found,) = self.old(quoted(self.build, self.line, 100_00, 30))
        self.assertEqual((found.amount.minor, found.told_by), (100_00, "Near"))
        words = found.why.text(UnitSystem.METRIC)
        self.assertEqual(words, "A quote without a day is taken to hold for 21 days")
        (ran_out,) = self.old(quoted(self.build, self.line, 100_00, 3, yesterday))
        self.assertEqual(ran_out.why.text(UnitSystem.METRIC), "It ran out on 2026-11-29")
        self.assertEqual(found.known_on, TODAY - timedelta(days=30))

    def test_a_list_price_is_old_after_a_year(self) -> None:
        for days, is_old in ((365, False), (366, True)):
            source = FactSource(source="The maker's list", seen=TODAY - timedelta(days=days))
            mat = self.sheets["mat"].model_copy(update={"sources": {"price": source}})
            self.assertEqual(bool(self.old(self.build, {**self.sheets, "mat": mat})), is_old)
        self.assertEqual(self.old(self.build), [], "of what nobody dated nobody knows the age")

    def test_what_it_decides(self) -> None:
        """100.00 of all that is counted; a tenth is kept back. With 55.00 left it may cost 50.00 more."""
        build = quoted(self.build, self.line, 100_00, 30)
        costs = costs_of(build, self.sheets)
        needed = costs.counted + costs.contingency
        self.assertAlmostEqual(costs.contingency_share, 0.1)
        for left, words in (
            (None, "It decides the total alone: no cap counts it"),
            (55_00, "€50.00 more, 50 % of it, and the build is over its cap"),
            (0, "€0.00 more, 0 % of it, and the build is over its cap"),
            (-1, "The build is over its cap already, with what is kept back"),
            (110_00, "It could double, and the build would keep to its cap"),
        ):
            cap = None if left is None else needed.minor + left
            capped = build.model_copy(update={"brief": build.brief.model_copy(update={"up_front_cap_minor": cap})})
            (found,) = self.old(capped)
            self.assertEqual(found.decides.text(UnitSystem.METRIC), words)

    def test_so_much_dearer_it_keeps_to_its_cap_and_not_more(self) -> None:
        """Random builds with a line quoted: that much more is within the cap, with what is kept back; a little more is
        not."""
        tried = 0
        for seed in seeds(60):
            dice, build, sheets = Random(seed), random_build(seed), dict(sample_parts())
            if build.brief.tax_treatment is TaxTreatment.RECLAIMED:
                continue
            lines = [line for line in costs_of(build, sheets).lines if line.part and line.payment in STILL_TO_BUY]
            lines = [line for line in lines if line.up_front and not line.is_fee]
            if not lines:
                continue
            line = dice.choice(lines)
            at = quoted(build, line, 200_00, 90)
            costs = costs_of(at, sheets)
            cap = costs.counted.minor + costs.contingency.minor + dice.randrange(0, 300_00)
            at = at.model_copy(update={"brief": at.brief.model_copy(update={"up_front_cap_minor": cap})})
            costs = costs_of(at, sheets)
            (now,) = [one for one in costs.lines if one.key == line.key]
            self.assertIs(now.payment, Payment.QUOTE)
            by = dearer_by(now, costs)
            if costs.counts_owned:
                self.assertIsNone(by)
                continue
            assert by is not None
            for more, fits in ((by.minor, True), (by.minor + 3, False)):
                dearer = costs_of(quoted(at, line, 200_00 + more, 90), sheets)
                self.assertEqual(dearer.counted.minor + dearer.contingency.minor <= cap + 1, fits, (seed, more))
            tried += 1
        self.assertGreater(tried, 15)
