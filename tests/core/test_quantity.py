"""Quantities and sentences in both systems."""

from unittest import TestCase

from core.quantities import Money, Quantity, Unit, UnitSystem, figure_text, say

METRIC, IMPERIAL = UnitSystem.METRIC, UnitSystem.IMPERIAL


class QuantityTests(TestCase):
    def test_every_unit_is_told_in_both_systems(self) -> None:
        """60 m/s is 60 / 0.44704 mph; 10 m² is 10 / 0.3048² sq ft; 55 cd/m² is 55 / 3.426 fL; 30 lux 30 / 10.764 fc."""
        for value, unit, metric, imperial in (
            (2.4, Unit.METRE, "2.40 m", "7 ft 10½ in"),
            (60, Unit.METRE_PER_SECOND, "60.0 m/s", "134.2 mph"),
            (10, Unit.SQUARE_METRE, "10.00 m²", "107.6 sq ft"),
            (55, Unit.CANDELA_PER_SQUARE_METRE, "55.0 cd/m²", "16.1 fL"),
            (30, Unit.LUX, "30 lux", "2.8 fc"),
            (4000, Unit.LUMEN, "4,000 lm", "4,000 lm"),
            (0.5625, Unit.SHARE, "56.2 %", "56.2 %"),
            (-3.5, Unit.DEGREE, "−3.5°", "−3.5°"),
            (9.29, Unit.RATIO, "9.3 : 1", "9.3 : 1"),
            (2, Unit.TIER, "tier 2", "tier 2"),
            (5, Unit.GRADE, "class 5", "class 5"),
            (0.83, Unit.FACTOR, "0.83 ×", "0.83 ×"),
        ):
            with self.subTest(unit=unit):
                self.assertEqual(Quantity(value, unit).text(METRIC), metric)
                self.assertEqual(Quantity(value, unit).text(IMPERIAL), imperial)

    def test_computed_lengths_are_told_to_the_millimetre(self) -> None:
        self.assertEqual(Quantity(0.89874, Unit.METRE).text(METRIC), "899 mm")

    def test_figures_may_be_money_or_words(self) -> None:
        self.assertEqual(figure_text(Money(100, "EUR"), IMPERIAL), "€1.00")
        self.assertEqual(figure_text("both hands", METRIC), "both hands")


class SentenceTests(TestCase):
    def test_figures_are_told_to_whoever_reads(self) -> None:
        sentence = say("{gap} for {who}", gap=Quantity(0.3048, Unit.METRE), who="Ada")
        self.assertEqual(sentence.text(METRIC), "305 mm for Ada")
        self.assertEqual(sentence.text(IMPERIAL), "1 ft 0 in for Ada")

    def test_braces_in_a_name_are_only_braces(self) -> None:
        self.assertEqual(say("{who} is clear", who="{x}").text(METRIC), "{x} is clear")
