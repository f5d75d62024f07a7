"""Fees over time against sums done by hand, and what follows from them for lines, years, renewals and break-even."""

from datetime import date
from fractions import Fraction
from typing import Any
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from core.model.ledger import Entry, Ledger
from core.model.parts import Plan
from core.money.fees import AS_USUAL, Fee, Terms
from core.money.licences import terms_of
from core.money.line import Line, Payment
from core.money.once import at_odds, break_even_years, turning_odds
from core.money.renewals import renewals_of
from core.quantities import Money
from core.report import Report, evaluate
from core.report.years import over_years
from tests.core import worlds

TERMS = st.builds(
    Terms,
    st.none() | st.builds(Money, st.integers(0, 5_000), st.just("EUR")),
    st.integers(0, 30),
    st.integers(0, 12),
    st.sampled_from((Fraction(0), Fraction(1, 20), Fraction(1, 3))),
)
EUROS = st.builds(Money, st.integers(1, 10_000), st.just("EUR"))
FEES = st.builds(Fee, EUROS, st.sampled_from((1, 12)), TERMS, st.none() | EUROS)


def euros(amount: float) -> Money:
    return Money(round(100 * amount), "EUR")


def monthly(amount: float, **terms: Any) -> Fee:
    return Fee(euros(amount), 12, Terms(**terms))


def yearly(amount: float, **terms: Any) -> Fee:
    return Fee(euros(amount), 1, Terms(**terms))


class FeeTests(TestCase):
    def test_a_lower_beginning(self) -> None:
        """Three months at 3.90 and nine at 6.90 are 73.80; a later year 82.80; five years 405.00."""
        fee = monthly(6.90, first=euros(3.90), first_payments=3)
        self.assertEqual([fee.in_year(0), fee.in_year(1), fee.within(5)], [euros(73.80), euros(82.80), euros(405)])
        self.assertEqual([fee.payment(number) for number in (0, 2, 3)], [euros(3.90), euros(3.90), euros(6.90)])

    def test_a_rise(self) -> None:
        """300 · (1.05³ − 1) / 0.05 = 945.75, of which 330.75 in the third year."""
        fee = yearly(300, rise=Fraction(5, 100))
        self.assertEqual((fee.within(3), fee.in_year(2)), (euros(945.75), euros(330.75)))
        self.assertEqual(monthly(10, rise=Fraction(1, 10)).in_year(1), euros(132))

    def test_months_free_come_off_year_one(self) -> None:
        """Two of twelve months of 120 are 20; with months of 10 that begin with three at 5: 3 · 5 + 7 · 10 = 85."""
        self.assertEqual([yearly(120, months_free=2).in_year(year) for year in (0, 1)], [euros(100), euros(120)])
        fee = monthly(10, months_free=2, first=euros(5), first_payments=3)
        self.assertEqual((fee.in_year(0), fee.payment(0), fee.payment(3)), (euros(85), euros(5), euros(10)))
        self.assertEqual(yearly(120, months_free=12).in_year(0), euros(0))

    @given(FEES, st.integers(1, 12))
    def test_payments_and_years_come_to_the_same(self, fee: Fee, years: int) -> None:
        free = fee.terms.months_free // (12 // fee.a_year)
        payments = [fee.payment(number).minor for number in range(years * fee.a_year - free)]
        if payments:
            self.assertEqual(sum(payments), fee.within(years).minor)
        self.assertEqual(sum(fee.in_year(year).minor for year in range(years)), fee.within(years).minor)

    def test_break_even_of_what_rises_is_in_whole_years(self) -> None:
        """945 once is reached by the third fee of 300 that rises by 5 %: 300, 615, 945.75."""
        rising = yearly(300, rise=Fraction(5, 100))
        self.assertEqual(break_even_years(euros(945), rising), 3.0)
        self.assertAlmostEqual(break_even_years(euros(945), yearly(300)), 3.15)
        self.assertEqual(at_odds(euros(400), rising, 3, 0.0).again, euros(945.75))
        self.assertAlmostEqual(turning_odds(euros(630.5), rising, 3) or 0, 0.25)

    def test_a_beginning_of_another_currency_is_none_without_its_rate(self) -> None:
        brief = worlds.full_build().brief
        plan = Plan.model_validate({"id": "a", "name": "A", "billing": "monthly", "price": {"minor": 900},
                                    "intro_price": {"minor": 500, "currency": "USD"}})  # fmt: skip
        self.assertEqual(terms_of(plan, brief), AS_USUAL)
        rated = brief.model_validate({**brief.model_dump(), "exchange_rates": [{"currency": "USD", "rate": "0.9"}]})
        self.assertEqual(terms_of(plan, rated), Terms(euros(4.50), 1))


class BuildTests(TestCase):
    def evaluated(self, plan: dict[str, Any], *, rise: float = 0.0, **entry: Any) -> tuple[Line, Report]:
        """The full build whose software is paid for by a plan of 10.00 a month."""
        build, parts = worlds.full_build(), dict(worlds.full_parts())
        title = parts["title"]
        told = {"id": "rounds", "name": "Rounds", "billing": "monthly", "price": {"minor": 1_000}, **plan}
        parts["title"] = type(title).model_validate({**title.model_dump(), "plans": [told]})
        chain = {slot: hung.model_copy(update={"plan": "rounds"}) if hung.part == "title" else hung
                 for slot, hung in build.chain.items()}  # fmt: skip
        ledger = Ledger(entries={"title/title:rounds": Entry.model_validate(entry)} if entry else {})
        brief = build.brief.model_copy(update={"fee_rise_share": rise, "horizon_years": 3})
        build = build.model_copy(update={"chain": chain, "ledger": ledger, "brief": brief})
        report = evaluate(build, parts)
        self.build = build
        return next(line for line in report.costs.lines if line.licence == "rounds"), report

    def test_the_years_have_what_each_of_them_costs(self) -> None:
        """Six months at 4.00 and six at 10.00, then 120.00 and 132.00: 10 % more in the third year, by the brief."""
        line, report = self.evaluated({"intro_price": {"minor": 400}, "intro_payments": 6}, rise=0.1)
        fees = [line.fees_in(year) for year in range(3)]
        self.assertEqual(fees, [euros(84), euros(132), euros(145.20)])
        told = over_years(self.build, report).horizon.years
        self.assertEqual([year.fees for year in told], list(report.costs.fees))
        self.assertEqual(report.costs.horizon, report.costs.up_front + sum(report.costs.fees[1:], report.costs.fees[0]))
        self.assertEqual((line.yearly, line.payment_due), (euros(120), euros(4)))

    def test_what_a_plan_says_of_its_rise_counts_before_the_brief(self) -> None:
        line, _ = self.evaluated({"rise_share": 0.0}, rise=0.1)
        self.assertEqual(line.fees_in(2), euros(120))

    def test_what_was_paid_of_a_lower_beginning_is_no_later_fee(self) -> None:
        """3.50 was paid of a first payment of 4.00, the second is 10.00; ten of twelve months of 120 are 100."""
        line, _ = self.evaluated({"intro_price": {"minor": 400}}, paid_minor=350, paid_on=date(2026, 1, 5))
        self.assertEqual((line.payment, line.yearly, line.fees_in(0)), (Payment.PAID, euros(120), euros(113.50)))
        ledger = self.build.ledger
        self.assertEqual(renewals_of([line], ledger, date(2026, 1, 6))[0].amount, euros(10))
        partly_free = {"billing": "yearly", "price": {"minor": 120_00}, "months_free": 2}
        line, _ = self.evaluated(partly_free, paid_minor=100_00)
        self.assertEqual((line.yearly, line.fees_in(0), line.fees_in(1)), (euros(120), euros(100), euros(120)))
        self.assertEqual(line.payment_due, euros(100))
        usual, _ = self.evaluated({}, paid_minor=350)
        self.assertEqual(usual.yearly, euros(42))
