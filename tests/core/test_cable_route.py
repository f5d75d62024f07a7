"""The way of a cable against sums made by hand, and what holds for any way."""

from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from core.geometry.cable_route import STOCK_LENGTHS_M, CableRoute, route_along_floor, route_over_ceiling
from core.geometry.ceiling import Ceiling, Plane

CEILING_M = 3.0
spans_m = st.floats(min_value=0.0, max_value=12.0)
heights_m = st.floats(min_value=0.0, max_value=CEILING_M)
points = st.tuples(spans_m, spans_m, heights_m)


FLAT = Ceiling((Plane(0.0, 0.0, CEILING_M),))


class WorkedRouteTests(TestCase):
    def test_cables_are_sold_in_these_lengths(self) -> None:
        """A way of 0 m takes 1.0 m of cable; each metre of it 1.1 more."""
        for needed_m, sold_m in ((1.0, 1.0), (1.4, 1.5), (1.9, 2.0), (2.9, 3.0), (4.9, 5.0), (7.4, 7.5), (9.9, 10.0)):
            way_m = (needed_m - 1.0) / 1.1
            self.assertEqual(CableRoute(((0.0, 0.0, 0.0), (way_m, 0.0, 0.0))).stock_m, sold_m)
        for needed_m, long_m in ((14.9, 15.0), (19.9, 20.0), (29.9, 30.0), (30.1, None)):
            way_m = (needed_m - 1.0) / 1.1
            self.assertEqual(CableRoute(((0.0, 0.0, 0.0), (way_m, 0.0, 0.0))).stock_m, long_m)

    def test_over_the_ceiling(self) -> None:
        """From 0.8 m up the wall to 3.0: 2.2; 4.0 − 1.0 = 3.0 along, 2.0 across, 0.4 down to 2.6: 7.6 m.
        Cable 7.6 × 1.1 + 1.0 = 9.36 m, sold as 10."""
        route = route_over_ceiling((0.0, 1.0, 0.8), (2.0, 4.0, 2.6), FLAT)
        self.assertAlmostEqual(route.path_m, 7.6)
        self.assertAlmostEqual(route.needed_m, 9.36)
        self.assertEqual(route.stock_m, 10.0)

    def test_along_the_floor(self) -> None:
        """0.8 down, 3.0 along, 2.0 across, 0.3 up: 6.1 m; cable 6.1 × 1.1 + 1.0 = 7.71 m, sold as 10."""
        route = route_along_floor((0.0, 1.0, 0.8), (2.0, 4.0, 0.3))
        self.assertAlmostEqual(route.path_m, 6.1)
        self.assertAlmostEqual(route.needed_m, 7.71)
        self.assertEqual(route.stock_m, 10.0)

    def test_a_sloped_ceiling_is_followed_as_it_slopes(self) -> None:
        """Ceiling 2.0 + 0.25 × y. Up from 1.0 to 2.25 at y = 1: 1.25; 3.0 along and 0.75 up to 3.0 at y = 4, which is
        √(3.0² + 0.75²) = 3.0923; 2.0 across, 0.4 down: 1.25 + 3.0923 + 2.0 + 0.4 = 6.7423 m."""
        route = route_over_ceiling((0.0, 1.0, 1.0), (2.0, 4.0, 2.6), Ceiling((Plane(0.0, 0.25, 2.0),)))
        self.assertAlmostEqual(route.path_m, 6.7423, places=4)

    def test_a_ridge_is_climbed_and_gone_down_again(self) -> None:
        """Eaves 2.4 m at both ends of 6 m, ridge 4.8 m half-way: from y = 1 (3.2 m) to y = 5 (3.2 m) by the ridge are
        twice √(2.0² + 1.6²) = 2.5612. Up from 0.8: 2.4; then 1.0 across; 0.6 down: 2.4 + 5.1225 + 1.0 + 0.6 = 9.1225 m,
        1.1225 more than under a flat ceiling of 3.2 m."""
        ridge = Ceiling((Plane(0.0, 0.8, 2.4), Plane(0.0, -0.8, 7.2)))
        route = route_over_ceiling((0.0, 1.0, 0.8), (1.0, 5.0, 2.6), ridge)
        self.assertAlmostEqual(route.path_m, 9.1225, places=4)
        level = route_over_ceiling((0.0, 1.0, 0.8), (1.0, 5.0, 2.6), Ceiling((Plane(0.0, 0.0, 3.2),)))
        self.assertAlmostEqual(level.path_m, 8.0)

    def test_a_cable_longer_than_any_that_is_sold(self) -> None:
        """27 m of way: 27 × 1.1 + 1.0 = 30.7 m, over the longest of 30."""
        self.assertIsNone(CableRoute(((0.0, 0.0, 0.0), (0.0, 27.0, 0.0))).stock_m)

    def test_a_length_that_is_sold_exactly_is_enough(self) -> None:
        """(10 − 1) / 1.1 m of way need 10 m of cable, and 10 m are sold."""
        self.assertEqual(CableRoute(((0.0, 0.0, 0.0), (9.0 / 1.1, 0.0, 0.0))).stock_m, 10.0)


class AnyRouteTests(TestCase):
    @given(points, points)
    def test_it_begins_and_ends_where_it_should_and_runs_square(
        self, start: tuple[float, float, float], end: tuple[float, float, float]
    ) -> None:
        for route in (route_over_ceiling(start, end, FLAT), route_along_floor(start, end)):
            self.assertEqual((route.points[0], route.points[-1]), (start, end))
            for here, there in zip(route.points, route.points[1:], strict=False):
                moved = [a != b for a, b in zip(here, there, strict=True)]
                self.assertLessEqual(sum(moved), 1, "one direction at a time")
            direct_m = sum(abs(a - b) for a, b in zip(start, end, strict=True))
            self.assertGreaterEqual(route.path_m, direct_m - 1e-9)

    @given(points, points)
    def test_what_is_sold_reaches(self, start: tuple[float, float, float], end: tuple[float, float, float]) -> None:
        route = route_along_floor(start, end)
        shorter = [length for length in STOCK_LENGTHS_M if route.stock_m is None or length < route.stock_m]
        self.assertTrue(all(length < route.needed_m for length in shorter), "no shorter one would do")
        if route.stock_m is not None:
            self.assertGreaterEqual(route.stock_m, route.needed_m - 1e-8)
