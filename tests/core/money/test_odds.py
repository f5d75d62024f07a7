"""Odds of totals against closed forms, moments, and the other ways of seeing the same."""

from itertools import product
from math import erf, sqrt
from random import Random
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from core.money.odds import ThreePoint, odds_of, to_firm_up


@st.composite
def estimates(draw: st.DrawFn) -> ThreePoint:
    low, likely, high = sorted(draw(st.integers(0, 500_000)) for _ in range(3))
    return ThreePoint(low, likely, high)


class OddsTests(TestCase):
    def test_one_triangle(self) -> None:
        """100 to 200, likely 130: under 130 (130 − 100)² / (100 · 30) = 0.3; under 165 1 − 35² / (100 · 70) = 0.825."""
        odds = odds_of([ThreePoint(100, 130, 200)])
        for cap, share in ((99, 0.0), (130, 0.3), (165, 0.825), (200, 1.0)):
            self.assertAlmostEqual(odds.under(cap), share, places=3)
        self.assertAlmostEqual(odds.reached_with(0.825), 165, places=1)

    def test_upright_sides(self) -> None:
        """Likeliest at the low end: under the middle 1 − (1/2)² = 0.75; at the high end 0.25."""
        self.assertAlmostEqual(odds_of([ThreePoint(100, 100, 200)]).under(150), 0.75, places=3)
        self.assertAlmostEqual(odds_of([ThreePoint(100, 200, 200)]).under(150), 0.25, places=3)

    def test_two_equal_lines_by_symmetry(self) -> None:
        """Two symmetric triangles come to their middle or less every other time; to a quarter rather seldom.

        Each is the sum of two even ones on 0 to 50, and four of these make the total: under 50 is 1 / 4! of the time.
        """
        odds = odds_of([ThreePoint(0, 50, 100)] * 2)
        self.assertAlmostEqual(odds.under(100), 0.5, places=3)
        self.assertAlmostEqual(odds.under(50), 1 / 24, places=3)

    def test_what_is_certain(self) -> None:
        odds = odds_of([ThreePoint(100, 100, 100), ThreePoint(50, 50, 50)])
        self.assertEqual((odds.under(149.9), odds.under(150)), (0.0, 1.0))
        self.assertEqual(odds_of([]).under(0), 1.0)
        shifted = odds_of([ThreePoint(100, 100, 100), ThreePoint(0, 0, 100)])
        self.assertAlmostEqual(shifted.under(150), 0.75, places=3)

    def test_many_lines_are_nearly_normal(self) -> None:
        dice = Random(60)
        lines = [ThreePoint(*sorted(dice.uniform(1_000, 50_000) for _ in range(3))) for _ in range(60)]
        mean, spread = sum(e.mean for e in lines), sqrt(sum(e.variance for e in lines))
        odds = odds_of(lines)
        for away in (-2, -1, 0, 1, 2):
            normal = (1 + erf(away / sqrt(2))) / 2
            self.assertAlmostEqual(odds.under(mean + away * spread), normal, delta=0.01)

    @given(st.lists(estimates(), min_size=1, max_size=8))
    def test_mean_and_variance_are_those_of_the_lines(self, lines: list[ThreePoint]) -> None:
        odds = odds_of(lines)
        values = [odds.least + odds.step * number for number in range(len(odds.mass))]
        mean = sum(value * mass for value, mass in zip(values, odds.mass, strict=True))
        variance = sum((value - mean) ** 2 * mass for value, mass in zip(values, odds.mass, strict=True))
        wide = sum(line.high - line.low for line in lines)
        self.assertAlmostEqual(mean, sum(line.mean for line in lines), delta=1e-6 * wide + 1e-3)
        self.assertAlmostEqual(
            variance, sum(line.variance for line in lines), delta=(len(lines) + 1) * odds.step**2 + 1
        )

    @given(st.lists(estimates(), min_size=1, max_size=8), st.integers(0, 4_000_000), st.integers(0, 100_000))
    def test_a_higher_cap_is_never_less_likely(self, lines: list[ThreePoint], cap: int, more: int) -> None:
        odds = odds_of(lines)
        self.assertLessEqual(odds.under(cap), odds.under(cap + more))
        self.assertEqual(odds.under(sum(line.high for line in lines)), 1.0)

    def test_against_summing_over_a_table(self) -> None:
        """Two lines, each cut into thin slices whose middles are added up pairwise."""
        first, second = ThreePoint(0, 30, 100), ThreePoint(20, 80, 90)
        slices = 400

        def table(line: ThreePoint) -> list[tuple[float, float]]:
            thin = (line.high - line.low) / slices
            middles = [line.low + thin * (number + 0.5) for number in range(slices)]
            return [(x, _density(line, x) * thin) for x in middles]

        under = sum(p * q for (x, p), (y, q) in product(table(first), table(second)) if x + y <= 110)
        self.assertAlmostEqual(odds_of([first, second]).under(110), under, delta=0.003)


def _density(line: ThreePoint, x: float) -> float:
    low, likely, high = line
    side = (x - low) / (likely - low) if x <= likely else (high - x) / (high - likely)
    return 2 * side / (high - low)


class FirmUpTests(TestCase):
    def test_the_widest_first_and_none_that_is_certain(self) -> None:
        lines = [ThreePoint(5, 5, 5), ThreePoint(0, 5, 10), ThreePoint(0, 50, 100), ThreePoint(0, 20, 40)]
        self.assertEqual(to_firm_up(lines), [2, 3, 1])
        self.assertEqual(to_firm_up(lines, most=1), [2])
