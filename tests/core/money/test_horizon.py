"""Years of a bay, against sums done by hand."""

from fractions import Fraction
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from core.money.horizon import Horizon, UsedUp, horizon_of
from core.quantities import Money


def euros(minor: int) -> Money:
    return Money(minor, "EUR")


def five_years(**changes: object) -> Horizon:
    """Six hours a week: 312 a year, 1,560 in all."""
    facts: dict[str, object] = {
        "up_front": euros(6_000_00),
        "fees": [euros(250_00)] * 5,
        "used_up": [],
        "watts": Fraction(0),
        "kilowatt_hour_minor": Fraction(30),
        "hours_a_week": Fraction(6),
        "resale": euros(0),
    }
    return horizon_of(**{**facts, **changes})  # type: ignore[arg-type]


class UsedUpTests(TestCase):
    def test_a_light_source_outlives_the_horizon(self) -> None:
        """20,000 hours of light at 6 hours a week are 64 years, not 2.3: none is bought in five years, nor in sixty."""
        light = UsedUp("Light", euros(300_00), Fraction(20_000), comes_along=True)
        self.assertEqual(light.bought_within(Fraction(1_560)), 0)
        self.assertEqual(light.bought_within(Fraction(6 * 52 * 64)), 0, "19,968 hours")
        self.assertEqual(light.bought_within(Fraction(6 * 52 * 65)), 1, "20,280 hours")

    def test_a_mat_that_is_worn_within(self) -> None:
        """500 hours each: 1,560 hours take four, and the first one came along; replaced in years 2, 4 and 5."""
        horizon = five_years(used_up=[UsedUp("Mat", euros(100_00), Fraction(500), comes_along=True)])
        self.assertEqual([year.used_up.minor for year in horizon.years], [0, 100_00, 0, 100_00, 100_00])

    def test_balls_go_by_and_by(self) -> None:
        """A dozen for 24.00 lasts 100 hours: 3.12 dozen a year, 74.88."""
        horizon = five_years(used_up=[UsedUp("Balls", euros(24_00), Fraction(100))])
        self.assertEqual({year.used_up.minor for year in horizon.years}, {74_88})


class HorizonTests(TestCase):
    def test_all_of_it(self) -> None:
        """1,000 W for 312 hours at 0.30: 93.60 a year. 6,000 + 5 · (250 + 93.60) − 1,500 = 6,218.00.

        Year one 6,343.60, a later one 343.60, a month 6,218 / 60 = 103.63, an hour 6,218 / 1,560 = 3.99.
        """
        horizon = five_years(watts=Fraction(1_000), resale=euros(1_500_00))
        self.assertEqual(horizon.total.minor, 6_218_00)
        self.assertEqual(horizon.years[0].total.minor, 6_343_60)
        later, hour = horizon.later_year, horizon.an_hour
        self.assertEqual((later and later.minor, hour and hour.minor), (343_60, 3_99))
        self.assertEqual(horizon.a_month.minor, 103_63)

    def test_hiring_is_beaten(self) -> None:
        """Running costs 1,250 / 1,560 = 0.8013 an hour; at 40.00 an hour 6,000 / 39.1987 = 153.07 hours."""
        hours = five_years().hours_to_beat(euros(40_00))
        self.assertAlmostEqual(float(hours or 0), 153.066, places=3)
        self.assertIsNone(five_years().hours_to_beat(euros(80)), "0.80 an hour is less than running it")

    def test_nobody_plays(self) -> None:
        idle = five_years(hours_a_week=Fraction(0))
        self.assertIsNone(idle.an_hour)
        self.assertIsNone(idle.hours_to_beat(euros(40_00)))
        self.assertIsNone(five_years(fees=[euros(1)]).later_year)

    @given(
        st.lists(st.integers(0, 50_000), min_size=1, max_size=10),
        st.integers(0, 40),
        st.integers(1, 3_000),
        st.integers(0, 2_000),
        st.booleans(),
    )
    def test_years_add_up(self, fees: list[int], hours: int, life: int, watts: int, along: bool) -> None:
        item = UsedUp("Thing", euros(4_990), Fraction(life), comes_along=along)
        horizon = five_years(
            fees=[euros(fee) for fee in fees], used_up=[item], watts=Fraction(watts), hours_a_week=Fraction(hours)
        )
        played = Fraction(hours * 52 * len(fees))
        wear = Money.rounded(4_990 * item.bought_within(played), "EUR").minor
        current = Money.rounded(30 * Fraction(watts, 1000) * played, "EUR").minor
        self.assertEqual(horizon.total.minor, 6_000_00 + sum(fees) + wear + current)
        self.assertTrue(all(year.used_up.minor >= 0 and year.electricity.minor >= 0 for year in horizon.years))
