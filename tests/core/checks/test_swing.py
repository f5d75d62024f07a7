"""Swing checks. Ada, 1.80 m with a driver: apex 2.668 m, R 1.804 m, r 1.464 m."""

from typing import Any

from core.checks.bag import Bags, Band
from core.checks.limits import State
from core.checks.readings import HittingSurface
from core.checks.verdict import Told
from core.geometry.shadow import Lens
from core.model.parts import Enclosure
from core.model.room import Room
from core.model.things import Looked
from tests.core import worlds
from tests.core.checks.base import METRIC, CheckTestCase, answer, evaluated
from tests.core.worlds import layout, left_hander, player


def room(**facts: Any) -> Room:
    """Looked through: nothing is in the way, and no door opens into it."""
    return worlds.room(**{"none_of": (Looked.THINGS, Looked.OPENINGS), **facts})


class CeilingTests(CheckTestCase):
    def answer(self, ceiling_m: float, **facts: Any) -> Told:
        low = room(ceiling_m=ceiling_m)
        return answer("swing.ceiling", player(**facts), low)

    def test_clear_from_150_mm(self) -> None:
        """3.000 − 2.668 = 0.332."""
        self.assert_verdict(self.answer(3.0), "clear", "332 mm", "0 mm", "332 mm")

    def test_tight_below_comfort_and_says_which_club_is_clear(self) -> None:
        """2.750 − 2.668 = 0.082. A 4-iron: r² = 0.4199 + 0.9565 + 2·0.6337·0.2588, apex 2.535: 0.215 to spare."""
        verdict = self.answer(2.75)
        self.assert_verdict(verdict, "tight", "82 mm", "0 mm", "82 mm")
        self.assertIn("slow test swing", verdict.cures[0].words.text(METRIC))
        self.assertEqual(verdict.cures[1].words.text(METRIC), "A 4-iron at the longest leaves 215 mm.")
        self.assertEqual(
            verdict.cures[2].words.text(METRIC), "69 mm more height, or a floor that much lower, makes it clear."
        )

    def test_still_tight_while_the_estimate_may_be_wrong(self) -> None:
        """2.60 is 68 mm short, inside ±0.10 m: only a test swing can tell."""
        self.assert_verdict(self.answer(2.6), "tight", "−68 mm", "0 mm", "68 mm short, tolerated")

    def test_blocked_beyond_the_uncertainty(self) -> None:
        self.assert_verdict(self.answer(2.5), "blocked", "−168 mm", "0 mm", "−168 mm")

    def test_an_early_release_takes_more(self) -> None:
        self.assert_verdict(self.answer(3.0, early_release=True), "tight", "68 mm", "0 mm", "68 mm")

    def test_lining_and_mat_come_off_the_height(self) -> None:
        """3.000 − 0.050 − 0.040 = 2.910."""
        lined = room(lining_m=0.05)
        verdict = answer("swing.ceiling", player(), lined, HittingSurface(0.04, 0.04))
        self.assert_verdict(verdict, "clear", "242 mm", "0 mm", "242 mm")


class SideWallTests(CheckTestCase):
    def answer(self, ball_x_m: float, width_m: float = 4.6) -> Told:
        return answer("swing.side_walls", player(), room(width_m=width_m), layout(ball_x_m=ball_x_m))

    def test_clear_in_the_middle(self) -> None:
        """The disc reaches (R + r)·cos 57° = 3.268·0.5446 = 1.780 m to the player's side: 2.30 − 1.780 = 0.520."""
        self.assert_verdict(self.answer(2.3), "clear", "520 mm", "0 mm", "520 mm")

    def test_tight_and_moves_the_ball_away_from_the_wall(self) -> None:
        """1.85 − 1.780 = 0.070: 80 mm more make 0.15."""
        self.assert_verdict(self.answer(1.85), "tight", "70 mm", "0 mm", "70 mm", "Move the ball 81 mm to the right.")

    def test_blocked(self) -> None:
        self.assert_verdict(self.answer(1.5), "blocked", "−280 mm", "0 mm", "−280 mm")

    def test_a_narrow_room_is_not_cured_by_moving(self) -> None:
        """1.90 m wide: the far wall has no room to give."""
        verdict = self.answer(1.8, width_m=1.9)
        self.assertFalse(any("Move the ball" in change.words.text(METRIC) for change in verdict.cures))

    def test_a_left_hander_is_stopped_by_the_other_wall(self) -> None:
        """4.60 − 2.75 = 1.85 m to the right wall: as tight as the mirror image."""
        verdict = answer("swing.side_walls", left_hander(), layout(ball_x_m=2.75))
        self.assert_verdict(verdict, "tight", "70 mm", "0 mm", "70 mm", "Move the ball 81 mm to the left.")


class RearWallTests(CheckTestCase):
    def answer(self, ball_y_m: float) -> Told:
        return answer("swing.rear_wall", player(), layout(ball_y_m=ball_y_m))

    def test_clear_tight_blocked(self) -> None:
        """The disc reaches 1.501 m back, where (r + (R − r)·sin δ)·cos δ is greatest: 7.00 − 5.30 − 1.501 = 0.199."""
        self.assert_verdict(self.answer(5.3), "clear", "199 mm", "0 mm", "199 mm")
        self.assert_verdict(
            self.answer(5.4), "tight", "99 mm", "0 mm", "99 mm", "Move the ball 52 mm toward the screen."
        )
        self.assert_verdict(self.answer(5.7), "blocked", "−201 mm", "0 mm", "−201 mm")


class LongestClubTests(CheckTestCase):
    def answer(self, **facts: Any) -> Told:
        return answer("swing.longest_club", player(), room(**facts))

    def test_the_wanted_club_is_clear(self) -> None:
        self.assert_verdict(self.answer(), "clear", "332 mm", "0 mm", "332 mm")
        self.assertEqual(
            self.answer().headline.text(METRIC), "Ada: every club is clear, 332 mm to spare with the driver"
        )

    def test_a_shorter_club_is_clear(self) -> None:
        """Under 2.75 m the 3- and 5-wood leave 129 and 147 mm; the 4-iron is the first to leave 150 mm."""
        told = self.answer(ceiling_m=2.75)
        self.assert_verdict(told, "tight", "82 mm", "0 mm", "82 mm")
        self.assertEqual(
            told.headline.text(METRIC),
            "Ada: test the driver, the estimate has 82 mm to spare; the 4-iron is clear",
        )

    def test_no_club_is_clear(self) -> None:
        """2.20 m: the driver needs 2.668 m, and even the wedge 2.474 m."""
        told = self.answer(ceiling_m=2.2)
        self.assert_verdict(told, "blocked", "−468 mm", "0 mm", "−468 mm")
        self.assertEqual(told.headline.text(METRIC), "Ada: no club goes; 468 mm short for the driver")

    def test_irons_only(self) -> None:
        """2.40 m: the 9-iron is 88 mm short, which a test may mend, the 7-iron 107; 2.55 m: the 3-wood 70 mm."""
        for height_m, words in (
            (2.4, "Ada: irons only, from the 9-iron on, if a test swing passes; 268 mm short for the driver"),
            (2.55, "Ada: up to the 3-wood, if a test swing passes; 118 mm short for the driver"),
        ):
            self.assertEqual(self.answer(ceiling_m=height_m).headline.text(METRIC), words)

    def test_no_club_is_clear_before_somebody_has_looked(self) -> None:
        """Every club, and the 4-iron under 2.75 m, as far as anything was entered: none is marked as clear."""
        for height_m, words in (
            (3.0, "every club is clear, 332 mm to spare with the driver"),
            (2.75, "test the driver, the estimate has 82 mm to spare; the 4-iron is clear"),
        ):
            unseen = room(ceiling_m=height_m, things=(), none_of=())
            told = answer("swing.longest_club", player(), unseen)
            self.assertIs(told.state, State.TIGHT)
            unless = "unless something is in the way that nobody entered"
            self.assertEqual(told.headline.text(METRIC), f"Ada: {words}; {unless}")
            bags = evaluated(player(), unseen).reading(Bags)
            assert bags is not None
            bands = {swung.band for bag in bags.bags for swung in bag.swung}
            self.assertIn(Band.SO_FAR, bands)
            self.assertNotIn(Band.CLEAR, bands)


class EnclosureTests(CheckTestCase):
    def answer(self, box: Enclosure, where: Room | None = None) -> Told:
        return answer("enclosure.swing", player(), box, where or room())

    def test_a_shallow_box_ends_before_the_swing(self) -> None:
        """0.599 m short of its mouth; the left panel at 0.90 m is nearest: 0.714 m by a dense sampler of the disc."""
        self.assert_verdict(self.answer(worlds.enclosure()), "clear", "714 mm", "0 mm", "714 mm")

    def test_a_deep_wide_high_box_keeps_clear(self) -> None:
        """Right across the swing: roof at 2.90 leaves 2.90 − 2.668 = 0.232 m; the sides more."""
        box = worlds.enclosure(depth_m=5.0, inner_width_m=4.5, inner_height_m=2.9)
        self.assert_verdict(self.answer(box), "clear", "232 mm", "0 mm", "232 mm")

    def test_a_deep_narrow_box_is_struck(self) -> None:
        """2.80 m inside: the left panel at 0.90 m, the hub at 1.317: in the plane 0.417 / cos 57° = 0.766 m away.

        r = 1.464 m is 0.698 too long.
        """
        box = worlds.enclosure(depth_m=5.0, inner_width_m=2.8, inner_height_m=2.9)
        self.assert_verdict(self.answer(box), "blocked", "−698 mm", "0 mm", "−698 mm")

    def test_a_low_roof_is_tight(self) -> None:
        box = worlds.enclosure(depth_m=5.0, inner_width_m=4.5, inner_height_m=2.75)
        self.assert_verdict(self.answer(box), "tight", "82 mm", "0 mm", "82 mm")

    def test_unknown_without_its_depth(self) -> None:
        self.assert_unknown(self.answer(worlds.enclosure(depth_m=None)), "The depth of Box")


class ProjectorTests(CheckTestCase):
    def answer(self, x_m: float, distance_m: float, height_m: float) -> Told:
        return answer("projector.swing", player(), Lens(x_m, distance_m, height_m, False))

    def test_well_in_front_is_clear(self) -> None:
        """The disc's foremost point is 1.999 m from the wall, 0.81 m left of the ball line and 1.17 m up.

        The body ends 0.35 m behind the lens: 0.4 + 0.649 + 0.35 = 1.399.
        """
        self.assert_verdict(self.answer(1.494, 0.649, 1.168), "clear", "600 mm", "300 mm", "300 mm")

    def test_just_outside_is_tight(self) -> None:
        self.assert_verdict(self.answer(1.494, 0.849, 1.168), "tight", "400 mm", "300 mm", "100 mm")

    def test_too_near_is_blocked(self) -> None:
        self.assert_verdict(self.answer(1.494, 1.149, 1.168), "blocked", "100 mm", "300 mm", "−200 mm")
