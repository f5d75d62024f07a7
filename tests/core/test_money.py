"""Money adds up in whole minor units of one currency, or says why not."""

from decimal import Decimal
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from core.quantities import CurrencyMismatch, Money
from core.quantities.money import MoneyError, parse_minor


class MoneyTests(TestCase):
    def test_sums_and_multiples(self) -> None:
        self.assertEqual(Money(150, "EUR") + Money(250, "EUR"), Money(400, "EUR"))
        self.assertEqual(Money(150, "EUR") - Money(250, "EUR"), Money(-100, "EUR"))
        self.assertEqual(Money(1499, "EUR") * 12, Money(17988, "EUR"))
        self.assertEqual(Money.total([], "USD"), Money(0, "USD"))

    def test_two_currencies_never_add_up(self) -> None:
        with self.assertRaisesRegex(CurrencyMismatch, "cannot add USD to EUR without an exchange rate"):
            Money(1, "EUR") + Money(1, "USD")

    def test_floats_and_unknown_currencies_are_refused(self) -> None:
        with self.assertRaises(TypeError):
            Money(1.5, "EUR")  # type: ignore[arg-type]
        with self.assertRaisesRegex(ValueError, "unknown currency 'XXX'"):
            Money(1, "XXX")

    def test_half_a_cent_rounds_up(self) -> None:
        self.assertEqual(Money(5, "EUR").scaled(Decimal("0.1")), Money(1, "EUR"))
        self.assertEqual(Money(4, "EUR").scaled(Decimal("0.1")), Money(0, "EUR"))

    def test_conversion_minds_the_decimals_of_both(self) -> None:
        """100 dollars at 0.92 are 92 euros; 100 euros at 160 are 16,000 yen, which have no decimals."""
        self.assertEqual(Money(10_000, "USD").converted(Decimal("0.92"), "EUR"), Money(9_200, "EUR"))
        self.assertEqual(Money(10_000, "EUR").converted(Decimal(160), "JPY"), Money(16_000, "JPY"))

    def test_text(self) -> None:
        self.assertEqual(Money(123456, "EUR").text(), "€1,234.56")
        self.assertEqual(Money(-5, "GBP").text(), "−£0.05")
        self.assertEqual(Money(1500, "JPY").text(), "¥1,500")
        self.assertEqual(Money(1500, "SEK").text(), "SEK 15.00")

    @given(st.integers(min_value=0, max_value=10**9), st.sampled_from(["EUR", "JPY", "SEK"]))
    def test_text_is_read_back(self, minor: int, currency: str) -> None:
        self.assertEqual(parse_minor(Money(minor, currency).text(), currency), minor)


class ParseMinorTests(TestCase):
    def test_usual_ways_to_write_an_amount(self) -> None:
        for text, minor in {
            "1250": 125000,
            "1,250": 125000,
            "1.250": 125000,
            "1,250.50": 125050,
            "1.250,50": 125050,
            "1 250,5": 125050,
            "€1250": 125000,
            "1250 EUR": 125000,
            "0": 0,
        }.items():
            with self.subTest(text):
                self.assertEqual(parse_minor(text, "EUR"), minor)

    def test_what_is_no_amount_is_refused(self) -> None:
        for text in ("", "abc", "-5", "1.2345", "12,34,5", "1e5", "$5"):
            with self.subTest(text), self.assertRaises(MoneyError):
                parse_minor(text, "EUR")
        with self.assertRaises(MoneyError):
            parse_minor("12.5", "JPY")
