"""The same room with the screen on another wall."""

from unittest import TestCase

from core.geometry.solids import door_sweeps
from core.model.things import Wall
from core.model.turning import turned_room
from tests.core.worlds import door, room


class TurningTests(TestCase):
    def test_a_door_keeps_its_hinges(self) -> None:
        """What was so far from the left wall is as far from the one with the screen, counted the other way."""
        for wall in Wall:
            for hinge_far in (False, True):
                for opens in ("inward", "outward"):
                    where = room(openings=[door(wall=wall, hinge_far=hinge_far, opens=opens)])
                    before, after = door_sweeps(where), door_sweeps(turned_room(where, 1))
                    with self.subTest(wall=wall, hinge_far=hinge_far, opens=opens):
                        self.assertEqual(len(before), len(after))
                        for one, other in zip(before, after, strict=True):
                            assert one.hinge
                            assert other.hinge
                            x, y = one.hinge
                            self.assertAlmostEqual(other.hinge[0], y)
                            self.assertAlmostEqual(other.hinge[1], where.width_m - x)
