"""The swing disc against worked values and an independent sampler."""

from itertools import pairwise
from math import cos, hypot, pi, radians, sin, sqrt
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from core.geometry.swing_disc import SwingDisc, swing_disc
from core.model.clubs import Club
from core.model.reaches import Direction
from tests.core.worlds import left_hander, player

heights = st.floats(min_value=1.2, max_value=2.1)
clubs = st.sampled_from(list(Club))


class WorkedValueTests(TestCase):
    def test_usual_release(self) -> None:
        """H 1.80: La 0.648, Lc 1.156: r² = 0.4199 + 1.3363 + 2·0.7491·0.2588 = 2.1440, apex 1.44 + 1.464·0.8387."""
        disc = swing_disc(player(height_m=1.80), Club.DRIVER)
        self.assertAlmostEqual(disc.full_radius_m, 1.804, places=3)
        self.assertAlmostEqual(disc.cocked_radius_m, 1.464, places=3)
        self.assertAlmostEqual(disc.apex_m, 2.668, places=3)

    def test_early_release(self) -> None:
        disc = swing_disc(player(height_m=1.80, early_release=True), Club.DRIVER)
        self.assertAlmostEqual(disc.apex_m, 2.932, places=3)

    def test_short_player_with_an_iron(self) -> None:
        self.assertAlmostEqual(swing_disc(player(height_m=1.64), Club.SEVEN_IRON).apex_m, 2.346, places=3)

    def test_the_bottom_of_the_swing_is_at_the_ball(self) -> None:
        """At φ = −90° the club is R from the hub, straight down the plane: over the ball's own spot across."""
        disc = swing_disc(player(), Club.DRIVER)
        lowest = disc.points_m[disc.points_m[:, 2].argmin()]
        self.assertAlmostEqual(lowest[0], 0.0, places=9)
        self.assertAlmostEqual(lowest[1], 0.0, places=9)


class PropertyTests(TestCase):
    @given(heights, clubs, st.booleans())
    def test_extremes_agree_with_a_dense_sampler_written_apart(self, height: float, club: Club, early: bool) -> None:
        arm, length, cock = 0.36 * height, club.length_m, radians(20 if early else 75)
        full, cocked = arm + length, sqrt(arm**2 + length**2 + 2 * arm * length * cos(cock))
        theta = radians(57)
        xs, ys, zs = [], [], []
        for step in range(20_001):
            phi = -pi + 2 * pi * step / 20_000
            reach = cocked + (full - cocked) * max(0.0, -sin(phi))
            xs.append(-full * cos(theta) - reach * sin(phi) * cos(theta))
            ys.append(-reach * cos(phi))
            zs.append(0.8 * height + reach * sin(phi) * sin(theta))
        disc = swing_disc(player(height_m=height, early_release=early), club)
        for axis, values in enumerate((xs, ys, zs)):
            self.assertAlmostEqual(disc.low_m[axis], min(values), delta=0.0005)
            self.assertAlmostEqual(disc.high_m[axis], max(values), delta=0.0005)

    @given(heights, clubs)
    def test_a_left_hander_is_the_mirror_image(self, height: float, club: Club) -> None:
        right, left = swing_disc(player(height_m=height), club), swing_disc(left_hander(height_m=height), club)
        self.assertAlmostEqual(right.low_m[0], -left.high_m[0])
        self.assertAlmostEqual(right.high_m[0], -left.low_m[0])
        self.assertEqual(right.low_m[1:], left.low_m[1:])
        self.assertEqual(right.high_m[1:], left.high_m[1:])

    @given(heights)
    def test_a_longer_club_reaches_further_and_higher(self, height: float) -> None:
        discs = [swing_disc(player(height_m=height), club) for club in Club]
        for longer, shorter in pairwise(discs):
            self.assertGreater(longer.apex_m, shorter.apex_m)
            self.assertLess(longer.low_m[0], shorter.low_m[0])

    @given(heights, clubs)
    def test_the_disc_is_flat_and_tilted_by_its_plane(self, height: float, club: Club) -> None:
        """Every point is in the plane through the hub that rises 57° away from the ball line."""
        disc = swing_disc(player(height_m=height), club)
        for x, _, z in disc.points_m[::30]:
            across, up = disc.hub_x_m - x, z - disc.hub_height_m
            self.assertAlmostEqual(across * sin(radians(57)), up * cos(radians(57)), places=9)

    def test_moving_the_ball_moves_everything_by_as_much(self) -> None:
        disc = swing_disc(player(), Club.WEDGE)
        low, high = disc.bounds((2.0, 3.0, 0.04))
        self.assertAlmostEqual(low[1], 3.0 + disc.low_m[1])
        self.assertAlmostEqual(high[2], disc.apex_m + 0.04)
        self.assertLess(hypot(high[0] - 2.0 - disc.high_m[0], low[0] - 2.0 - disc.low_m[0]), 1e-12)


class MeasuredTests(TestCase):
    """A slow swing of Ada, 1.80 m, with the driver: estimated 1.780 m to her back, 1.501 behind and ahead."""

    def measured(self, **reached_m: float) -> SwingDisc:
        reach = {"club": "driver", **reached_m}
        return swing_disc(player(measured_reaches=[reach]), Club.DRIVER)

    def test_each_direction_reaches_as_far_as_it_was_measured_and_no_other_changes(self) -> None:
        usual = swing_disc(player(), Club.DRIVER)
        for way, axis, low in (("back_m", 0, True), ("behind_m", 1, False), ("ahead_m", 1, True)):
            disc = self.measured(**{way: 1.3})
            self.assertAlmostEqual((disc.low_m if low else disc.high_m)[axis], -1.3 if low else 1.3)
            others = [(disc.low_m[n], usual.low_m[n]) for n in range(3) if (n, True) != (axis, low)]
            others += [(disc.high_m[n], usual.high_m[n]) for n in range(3) if (n, False) != (axis, low)]
            for found, expected in others:
                self.assertAlmostEqual(found, expected, places=9)

    def test_another_club_is_shifted_by_as_much(self) -> None:
        """The wedge's cocked radius is 1.213 m; behind it reaches 1.2437 at its furthest, and 0.201 less was shown."""
        tall = player(measured_reaches=[{"club": "driver", "behind_m": 1.3}])
        driver, wedge = (swing_disc(player(), club).high_m[1] for club in (Club.DRIVER, Club.WEDGE))
        self.assertAlmostEqual(swing_disc(tall, Club.WEDGE).high_m[1], wedge + 1.3 - driver)

    def test_the_nearest_measured_club_counts(self) -> None:
        both = player(measured_reaches=[{"club": "driver", "height_m": 2.768}, {"club": "7-iron", "height_m": 2.307}])
        heights = [swing_disc(both, club).apex_m - swing_disc(player(), club).apex_m for club in Club]
        self.assertEqual([round(by, 2) for by in heights], [0.1, 0.1, 0.1, -0.2, -0.2, -0.2, -0.2, -0.2])

    def test_doubt_is_left_where_nobody_measured(self) -> None:
        disc = self.measured(height_m=2.6, behind_m=1.5)
        doubts = {(0, 0, 1): 0.0, (0, 1, 0): 0.0, (0, -1, 0): 0.1, (-1, 0, 0): 0.1, (1, 0, 0): 0.1, (0, 0, -1): 0.1}
        for toward, doubt in doubts.items():
            self.assertAlmostEqual(disc.doubt_m(toward), doubt, msg=str(toward))
        self.assertEqual(disc.to_measure((-1.0, 0.2, 0.5)), Direction.BACK)
        self.assertIsNone(disc.to_measure((1.0, 0.0, 0.0)))
