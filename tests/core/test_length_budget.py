"""The row of figures of the room's length, worked out by hand."""

from unittest import TestCase

from core.checks.along import BallDistance
from core.checks.length_budget import length_budget
from core.model.brief import Brief
from core.model.kit import Beside
from core.model.parts import Net
from tests.core.worlds import layout, left_hander, player, radar, room


class LengthBudgetTests(TestCase):
    """Ada is 1.80 m: 0.36 · 1.80 + 1.156 + 0.30 = 2.104 m behind the ball."""

    BRIEF = Brief(players=(player(), left_hander(height_m=1.60)))

    def test_the_swing_decides_without_a_monitor(self) -> None:
        found = length_budget(self.BRIEF, room(), layout(), BallDistance(), None, Beside[Net](), None)
        assert found is not None
        self.assertEqual([round(stretch.length_m, 3) for stretch in found.stretches], [0.3, 2.4, 2.104])
        self.assertEqual(found.stretches[2].asked_by, "Ada's swing")
        self.assertAlmostEqual(found.left_m, 7.0 - 0.3 - 2.4 - 2.104)

    def test_a_radar_asks_for_more(self) -> None:
        """2.30 m behind the ball and 0.15 m for its body; 3.00 m of flight."""
        asked = radar(distance_min_m=2.3, flight_min_m=3.0)
        found = length_budget(self.BRIEF, room(length_m=5.0), layout(), BallDistance(), None, Beside[Net](), asked)
        assert found is not None
        self.assertEqual([round(stretch.length_m, 3) for stretch in found.stretches], [0.3, 3.0, 2.45])
        self.assertEqual({stretch.asked_by for stretch in found.stretches[1:]}, {"Radar"})
        self.assertAlmostEqual(found.left_m, -0.75)

    def test_nobody_plays(self) -> None:
        self.assertIsNone(length_budget(Brief(), room(), layout(), BallDistance(), None, Beside[Net](), None))
