"""Once against again and again, fees as dated payments, and what is written of them."""

from datetime import UTC, date, datetime
from io import BytesIO
from typing import Any
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st
from icalendar import Calendar
from openpyxl import load_workbook

from core.formats.money_xlsx import money_xlsx
from core.formats.renewals_ics import renewals_ics
from core.model.build import Build, Slot
from core.model.ledger import Entry, Ledger
from core.model.parts import Part, TitlePlan
from core.money.fees import Fee
from core.money.line import Line
from core.money.once import at_odds, break_even_years, over_odds, turning_odds, year_by_year
from core.money.renewals import later, renewals_of
from core.quantities import Money, UnitSystem
from core.report import evaluate
from core.report.money import USUAL_SCOPE
from core.report.whole_money import WholeMoney, whole_money
from tests.core import worlds
from tests.core.random_builds import furnished_build, sample_parts, seeds

DAY = date(2026, 3, 14)


def euros(amount: float) -> Money:
    return Money(round(100 * amount), "EUR")


def whole(build: Build, parts: dict[str, Part], today: date = DAY) -> WholeMoney:
    return whole_money(build, evaluate(build, parts, today=today), parts, USUAL_SCOPE, today)


class OnceTests(TestCase):
    def test_by_hand(self) -> None:
        """400 once, 150 a year, 5 years: pays after 2.67; never changing 400 to 750; at a quarter 400 · (1 + 4/4),
        800; both cost 750 where 1 + 4p = 1.875, p = 0.21875."""
        once, yearly = euros(400), Fee(euros(150), 1)
        self.assertAlmostEqual(break_even_years(once, yearly), 2.6667, 4)
        self.assertEqual(at_odds(once, yearly, 5, 0.0), (0.0, once, euros(750)))
        self.assertEqual(at_odds(once, yearly, 5, 0.25)[1:], (euros(800), euros(750)))
        self.assertEqual(turning_odds(once, yearly, 5), 0.21875)

    def test_year_by_year(self) -> None:
        """400 once, bought again with a quarter each year: 400, 500, 600; fees 150, 300, 450."""
        told = year_by_year(euros(400), Fee(euros(150), 1), 3, 0.25)
        self.assertEqual(
            told, tuple((euros(once), euros(again)) for once, again in ((400, 150), (500, 300), (600, 450)))
        )

    def test_where_no_odds_turn_it(self) -> None:
        """Over one year nothing is bought again; 1,000 once against 100 a year never pays; 10 once always does."""
        self.assertIsNone(turning_odds(euros(400), Fee(euros(150), 1), 1))
        self.assertIsNone(turning_odds(euros(1000), Fee(euros(100), 1), 5))
        self.assertIsNone(turning_odds(euros(10), Fee(euros(100), 1), 5))

    @given(st.integers(1, 10**6), st.integers(1, 10**6), st.integers(2, 30))
    def test_the_answer_turns_where_it_says(self, once: int, yearly: int, years: int) -> None:
        fee = Fee(Money(yearly, "EUR"), 1)
        turns = turning_odds(Money(once, "EUR"), fee, years)
        told = over_odds(Money(once, "EUR"), fee, years)
        cheaper = [at.once.minor <= at.again.minor for at in told]
        self.assertEqual(cheaper, sorted(cheaper, reverse=True), "likelier changes never make buying once better")
        for at in told:
            if turns is not None and abs(at.odds - turns) * once * (years - 1) > 1:
                self.assertEqual(at.once.minor <= at.again.minor, at.odds < turns)


class RenewalTests(TestCase):
    def renewals(self, *, today: date = DAY, fees_a_year: int = 12, **entry: Any) -> Any:
        line = Line(None, "Rounds: plan Monthly", part="title", licence="monthly", beside="title",
                    yearly=euros(180), fees_a_year=fees_a_year,
                    fee=Fee(euros(180 / fees_a_year), fees_a_year))  # fmt: skip
        ledger = Ledger(entries={line.key: Entry.model_validate(entry)}) if entry else Ledger()
        return renewals_of([line], ledger, today)[0]

    def test_a_fee_comes_again_on_its_day(self) -> None:
        """Paid on 31 January each month: the last of February, then 31 March; stopped 14 days before."""
        paid: dict[str, Any] = {"paid_minor": 1500, "paid_on": "2026-01-31", "notice_days": 14}
        for today, comes in (
            (date(2026, 1, 31), date(2026, 2, 28)),
            (date(2026, 2, 28), date(2026, 2, 28)),
            (date(2026, 2, 1), date(2026, 2, 28)),
            (date(2026, 3, 1), date(2026, 3, 31)),
            (date(2027, 5, 3), date(2027, 5, 31)),
        ):
            with self.subTest(today):
                self.assertEqual(self.renewals(today=today, **paid).next, comes)
        told = self.renewals(today=date(2026, 3, 1), **paid)
        self.assertEqual((told.cancel_by, told.amount), (date(2026, 3, 17), euros(15)))
        self.assertEqual(self.renewals(fees_a_year=1, **paid).next, date(2027, 1, 31))

    def test_what_nobody_has_paid_is_not_dated(self) -> None:
        told = self.renewals()
        self.assertEqual((told.begun, told.next, told.cancel_by, told.months), (None, None, None, 1))

    @given(st.dates(date(2020, 1, 1), date(2030, 1, 1)), st.dates(date(2020, 1, 1), date(2040, 1, 1)))
    def test_it_is_never_past_and_never_a_period_too_late(self, begun: date, today: date) -> None:
        told = self.renewals(today=today, paid_minor=1500, paid_on=begun)
        self.assertTrue(max(today, later(begun, 1)) <= told.next <= later(max(today, begun), 1), told.next)


class WrittenTests(TestCase):
    def test_the_calendar_has_what_was_paid_and_its_last_day(self) -> None:
        line = Line(
            None,
            "Rounds, all; of it",
            part="title",
            licence="yearly",
            beside="title",
            yearly=euros(159),
            fees_a_year=1,
            fee=Fee(euros(159), 1),
        )
        entry = Entry(paid_minor=159_00, paid_on=date(2026, 1, 10), notice_days=30)
        unpaid = line._replace(licence="other")
        renewals = renewals_of([line, unpaid], Ledger(entries={line.key: entry}), DAY)
        told = renewals_ics("Shed", renewals, "build-3", datetime(2026, 3, 14, tzinfo=UTC))
        payment, last_day = Calendar.from_ical(told).walk("VEVENT")
        self.assertEqual((payment.decoded("dtstart"), payment["rrule"]["freq"]), (date(2027, 1, 10), ["YEARLY"]))
        self.assertIn("€159.00", payment["summary"])
        self.assertEqual(last_day.decoded("dtstart"), date(2026, 12, 11))
        self.assertNotEqual(payment["uid"], last_day["uid"])

    def test_the_workbook_recomputes_what_the_view_says(self) -> None:
        """Its formulas, worked out here by adding up the cells that they name, over random builds."""
        parts = sample_parts()
        for seed in seeds(8):
            build = furnished_build(seed)
            told = whole(build, parts)
            book = load_workbook(BytesIO(money_xlsx("=1+1", told, UnitSystem.METRIC)))
            with self.subTest(seed=seed):
                lines = book["Money"]
                self.assertEqual(lines["A1"].value, "'=1+1")
                self.assertEqual(lines["A3"].value, told.in_scope.scope_words)
                total = next(row for row in lines.iter_rows() if row[0].value == "total")
                for column, wanted in ((4, told.in_scope.totals.cash), (5, told.in_scope.yearly)):
                    self.assertAlmostEqual(self.summed(lines, total[column].value), wanted.minor / 100, 2)
                years = book["Years"]
                for row, year in enumerate(told.years.horizon.years, start=2):
                    self.assertAlmostEqual(self.summed(years, years.cell(row, 6).value), year.total.minor / 100, 2)
                self.assertEqual(book["To buy"].max_row, len(told.to_buy) + 1)

    def summed(self, sheet: Any, formula: Any) -> float:
        cells = sheet[formula.removeprefix("=SUM(").removesuffix(")")]
        return sum(cell.value or 0 for row in cells for cell in (row if isinstance(row, tuple) else (row,)))


class WholeTests(TestCase):
    def test_plans_of_one_part_stand_against_each_other(self) -> None:
        plans = (
            TitlePlan(id="monthly", name="Monthly", billing="monthly", price=worlds.price(15)),
            TitlePlan(id="once", name="Once", billing="once", price=worlds.price(400)),
        )
        parts = {**worlds.full_parts(), "title": worlds.title(plans=plans)}
        (pair,) = whole(worlds.full_build(), parts).once_or_again
        self.assertEqual((pair.once.name, pair.a_year), ("Once", euros(180)))

    def test_a_fee_of_what_is_gone_is_waste(self) -> None:
        """Paid for plan Full, and another hangs now; while it hangs it is none."""
        entry = Entry(paid_minor=200_00, paid_on=DAY)
        build = worlds.full_build(ledger=Ledger(entries={"monitor/radar:full": entry}))
        parts = worlds.full_parts()
        self.assertEqual(whole(build, parts).wasted, ("Radar: plan full",))
        held = build.chain[Slot.MONITOR].model_copy(update={"plan": "full"})
        held_build = build.model_copy(update={"chain": {**build.chain, Slot.MONITOR: held}})
        self.assertEqual(whole(held_build, parts).wasted, ())
