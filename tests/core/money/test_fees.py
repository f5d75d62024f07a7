"""Fees against sums done by hand and closed forms."""

from datetime import date
from fractions import Fraction
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from core.money.fees import Fee, OnceOrAgain, break_even_years, due_dates, months_later, over_years
from core.quantities import Money


def euros(minor: int) -> Money:
    return Money(minor, "EUR")


class DueTests(TestCase):
    def test_a_month_after_the_31st(self) -> None:
        """Each payment counts from the start, so that February does not shorten the months after it."""
        dues = due_dates(Fee(euros(999), months=1), date(2026, 1, 31), date(2026, 5, 1))
        days = [due.on for due in dues]
        self.assertEqual(days, [date(2026, 1, 31), date(2026, 2, 28), date(2026, 3, 31), date(2026, 4, 30)])
        self.assertEqual(months_later(date(2024, 2, 29), 12), date(2025, 2, 28))

    def test_introduction_rise_and_notice(self) -> None:
        """99.00 in the first year; then 199.00 raised by 5 % a year: 208.95 and 219.40, 219.3975 rounded."""
        fee = Fee(euros(199_00), intro=euros(99_00), intro_payments=1, rise=Fraction(5, 100), notice_days=30)
        dues = list(due_dates(fee, date(2026, 3, 1), date(2029, 3, 1)))
        self.assertEqual([due.amount.minor for due in dues], [99_00, 208_95, 219_40])
        self.assertEqual(dues[1].cancel_by, date(2027, 1, 30))

    def test_a_monthly_fee_is_raised_once_a_year(self) -> None:
        """12 × 10.00 and 12 × 11.00."""
        self.assertEqual(over_years(Fee(euros(10_00), months=1, rise=Fraction(1, 10)), 2).minor, 252_00)


class OverYearsTests(TestCase):
    @given(st.integers(1, 100_000), st.integers(1, 20), st.integers(0, 30))
    def test_the_closed_form(self, minor: int, years: int, percent: int) -> None:
        """yearly · ((1 + r)^H − 1) / r; each payment is rounded, so that it may be half a cent a year off."""
        rise = percent / 100
        closed = minor * years if not percent else minor * ((1 + rise) ** years - 1) / rise
        found = over_years(Fee(euros(minor), rise=Fraction(percent, 100)), years)
        self.assertAlmostEqual(found.minor, closed, delta=0.5 * years + 1e-6 * closed)


class BreakEvenTests(TestCase):
    def test_years(self) -> None:
        """599.00 against 250.00: two years are 500.00, three 750.00. With 30 % a year 250 + 325 + 422.50 = 997.50."""
        self.assertEqual(break_even_years(euros(599_00), Fee(euros(250_00))), 3)
        self.assertEqual(break_even_years(euros(500_00), Fee(euros(250_00))), 2)
        self.assertEqual(break_even_years(euros(900_00), Fee(euros(250_00), rise=Fraction(3, 10))), 3)
        self.assertEqual(break_even_years(euros(900_00), Fee(euros(250_00))), 4)
        self.assertEqual(break_even_years(euros(120_00), Fee(euros(10_00), months=1)), 1)

    def test_never(self) -> None:
        self.assertIsNone(break_even_years(euros(100_00), Fee(euros(0))))
        self.assertEqual(break_even_years(euros(0), Fee(euros(0))), 0)


class OnceOrAgainTests(TestCase):
    def test_the_odds_at_which_it_turns(self) -> None:
        """600.00 once against 5 × 180.00 = 900.00: 300 over, bought again 4 · p times: p = 300 / 2,400 = 1/8."""
        both = OnceOrAgain(euros(600_00), Fee(euros(180_00)), 5)
        self.assertEqual(both.turns_at, Fraction(1, 8))
        self.assertEqual(both.once_expected(Fraction(1, 8)), both.fees)

    def test_it_never_turns(self) -> None:
        self.assertEqual(OnceOrAgain(euros(1_000_00), Fee(euros(180_00)), 5).turns_at, 0)
        self.assertIsNone(OnceOrAgain(euros(10_00), Fee(euros(180_00)), 5).turns_at, "ten times over")
        self.assertIsNone(OnceOrAgain(euros(10_00), Fee(euros(180_00)), 1).turns_at)
