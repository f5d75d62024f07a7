"""Lengths as people type them."""

from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from core.quantities import LengthError, UnitSystem, format_length, parse_length

METRIC, IMPERIAL = UnitSystem.METRIC, UnitSystem.IMPERIAL
INCH = 0.0254


class ParseLengthTests(TestCase):
    def test_metric_texts(self) -> None:
        for text, metres in {
            "2.4": 2.4,
            "2,4": 2.4,
            "2.4 m": 2.4,
            "2400mm": 2.4,
            "2400 mm": 2.4,
            "240cm": 2.4,
            " 2.4M ": 2.4,
            ".5": 0.5,
            "0": 0.0,
        }.items():
            with self.subTest(text):
                self.assertAlmostEqual(parse_length(text), metres)

    def test_imperial_texts(self) -> None:
        """7 feet 10½ inches is 94.5 inches of 25.4 mm: 2.4003 m."""
        for text in (
            "7'10½\"",
            "7' 10 1/2\"",
            "7 ft 10 1/2 in",
            "7ft10.5in",
            "7′10½″",
            "7’10½”",
            "94.5 in",
            '94½"',
            "7 feet 10 1/2 inches",
            "7' 10½",
            "7'-10 1/2\"",
            "7'10½''",
        ):
            for system in UnitSystem:
                with self.subTest(text, system=system):
                    self.assertAlmostEqual(parse_length(text, system), 2.4003)

    def test_feet_alone_and_inches_alone(self) -> None:
        self.assertAlmostEqual(parse_length("8'"), 96 * INCH)
        self.assertAlmostEqual(parse_length("8 1/2 ft"), 102 * INCH)
        self.assertAlmostEqual(parse_length('3/4"'), 0.75 * INCH)

    def test_a_bare_number_is_the_readers_own_unit(self) -> None:
        self.assertAlmostEqual(parse_length("10", METRIC), 10.0)
        self.assertAlmostEqual(parse_length("10", IMPERIAL), 3.048)

    def test_marks_between_thousands(self) -> None:
        """No length is over 100 m, so '2,400' is 2.4 m; '2,400 mm' may be either, but not in feet and inches."""
        for text, metres in (
            ("2,400", 2.4),
            ("2,400 m", 2.4),
            ("2,4", 2.4),
            ("2 400 mm", 2.4),
            ("2.400,5 mm", 2.4005),
            ("1,234.5 mm", 1.2345),
            ("7,5 ft", 7.5 * 12 * INCH),
        ):
            with self.subTest(text):
                self.assertAlmostEqual(parse_length(text, METRIC), metres)
        self.assertAlmostEqual(parse_length("2,400 mm", IMPERIAL), 2.4)
        for text, asked in (
            ("2,400 mm", "2400 mm or 2.4 mm"),
            ("1,250 cm", "1250 cm or 1.25 cm"),
            ("1,250 in", "1250 in"),
        ):
            with self.subTest(text), self.assertRaisesRegex(LengthError, asked):
                parse_length(text, METRIC)

    def test_a_bare_number_that_is_too_much_in_metres_is_asked_about(self) -> None:
        with self.assertRaisesRegex(LengthError, "193 cm or 193 mm, whichever is meant"):
            parse_length("193", METRIC)
        self.assertEqual(parse_length("100", METRIC), 100.0)

    def test_what_is_no_length_is_refused_with_what_is_accepted(self) -> None:
        for text in ("", "abc", "2.4.1", "1/2", "7'10'", "2 m 40", "--2", "1/0 in", "∞", "2 yd", "' in", "1e3"):
            with self.subTest(text):
                with self.assertRaises(LengthError) as caught:
                    parse_length(text)
                self.assertEqual(caught.exception.text, text)
                self.assertIn("accepted: a length such as", str(caught.exception))


class FormatLengthTests(TestCase):
    def test_metric(self) -> None:
        for metres, text in {
            2.4: "2.40 m",
            2.735: "2.735 m",
            0.9996: "999.6 mm",
            0.04: "40 mm",
            0.0: "0 mm",
            -0.03: "−30 mm",
            -1.5: "−1.50 m",
            12.0: "12.00 m",
        }.items():
            self.assertEqual(format_length(metres, METRIC), text)

    def test_imperial(self) -> None:
        for inches, text in {
            94.5: "7 ft 10½ in",
            96: "8 ft 0 in",
            0.5: "½ in",
            0.1875: "3/16 in",
            10.1875: "10 3/16 in",
            24.25: "2 ft ¼ in",
            0: "0 in",
            -6: "−6 in",
            11.99: "1 ft 0 in",
        }.items():
            self.assertEqual(format_length(inches * INCH, IMPERIAL), text)

    @given(st.integers(min_value=0, max_value=400_000))
    def test_metric_text_is_read_back_to_a_tenth_of_a_millimetre(self, tenths: int) -> None:
        metres = tenths / 10_000 if tenths < 10_000 else round(tenths / 10_000, 3)
        self.assertAlmostEqual(parse_length(format_length(metres, METRIC), METRIC), metres, places=9)

    @given(st.integers(min_value=0, max_value=20_000))
    def test_imperial_text_is_read_back_to_the_sixteenth(self, sixteenths: int) -> None:
        metres = sixteenths / 16 * INCH
        self.assertAlmostEqual(parse_length(format_length(metres, IMPERIAL), IMPERIAL), metres, places=9)
