"""What rooms allow before any part is chosen, what they are short of, and rooms side by side."""

from unittest import TestCase

from core.checks.limits import State
from core.contents.growing import Measurement, grown
from core.geometry.shadow import Lens
from core.model.build import Build
from core.model.candidates import NoSuchRoom, with_candidate, with_chosen, with_screen_turned, without_candidate
from core.model.clubs import Club
from core.model.facts import MissingFact
from core.quantities import UnitSystem
from core.report.allowance import EnclosureRoom, MonitorKind, PictureRoom, allowance
from core.report.bottleneck import bottleneck
from core.report.comparison import compare, rooms_of
from tests.core import worlds
from tests.core.checks.base import answer
from tests.core.worlds import layout, left_hander, player, room, stored, thing

METRIC = UnitSystem.METRIC


class AllowanceTests(TestCase):
    def test_the_longest_club_anywhere_on_the_floor(self) -> None:
        """2.75 m: the driver leaves 82 mm, 3- and 5-wood 129 and 147; the 4-iron's apex of 2.535 leaves 0.215."""
        (reach,) = allowance(room(ceiling_m=2.75), (player(),), 0.0).reaches
        self.assertIs(reach.club, Club.FOUR_IRON)
        self.assertIsNone(reach.early_release_club, "by 2.932 − 2.668 m higher even a wedge is too close")

    def test_a_ridge_is_used_where_it_is_high(self) -> None:
        """Under the ridge there is more than over the eaves, so the ball goes there."""
        shed = room(ceiling_m=2.5, ridge_m=3.6, ceiling_shape="ridge_along")
        (reach,) = allowance(shed, (player(),), 0.0).reaches
        self.assertIs(reach.club, Club.DRIVER)

    def test_a_radar_shares_the_length(self) -> None:
        """7.00 − 2.0 − 0.15 = 4.85 behind, 0.40 + 2.4 = 2.80 of flight: half of the 2.05 between is 1.025."""
        found = {m.kind: m.left_m for m in allowance(room(), (player(),), 0.0).monitors}
        self.assertAlmostEqual(found[MonitorKind.REAR_RADAR] or 0, 1.025)
        self.assertAlmostEqual(found[MonitorKind.OVERHEAD_CAMERA] or 0, 0.30, msg="3.00 − 2.70")

    def test_the_largest_picture_by_shape(self) -> None:
        """4.6 wide and 3.0 high less 0.2 each way: 4.40 wide at 16:9, 2.80 high at 1:1."""
        pictures = {p.shape: (p.width_m, p.height_m) for p in allowance(room(), (), 0.0).pictures}
        self.assertAlmostEqual(pictures["16:9"][0], 4.40, places=3)
        self.assertAlmostEqual(pictures["1:1"][1], 2.80, places=3)

    def test_inside_an_enclosure_a_picture_loses_its_frame(self) -> None:
        """4.00 × 2.81 m outside is 3.80 × 2.61 m inside: 16:9 is as wide as that, a square as high."""
        hood = EnclosureRoom(4.0, 2.81, 2.2)
        wide, square = PictureRoom("16:9", 4.4, 2.475).within(hood), PictureRoom("1:1", 2.91, 2.91).within(hood)
        self.assertAlmostEqual(wide.width_m, 3.80, places=3)
        self.assertAlmostEqual(wide.height_m, 2.1375, places=3)
        self.assertAlmostEqual(square.width_m, 2.61, places=3)
        small = PictureRoom("1:1", 1.0, 1.0)
        self.assertEqual(small.within(hood), small)

    def test_under_a_slope_a_wider_picture_is_lower(self) -> None:
        """Ridge 3.6 over the middle of 4.6 m, eaves 2.4: at half width w the roof is 3.6 − 1.2·w/2.3.

        A square w × w with 0.2 m of frame: w = 3.4 − 0.6/2.3·w, so w = 3.4 / (1 + 0.6/2.3) = 2.6966.
        """
        shed = room(ceiling_m=2.4, ridge_m=3.6, ceiling_shape="ridge_along")
        square = next(p for p in allowance(shed, (), 0.0).pictures if p.shape == "1:1")
        self.assertAlmostEqual(square.width_m, 2.6966, places=3)

    def test_throws_keep_off_the_swing(self) -> None:
        """Under 3.0 m a lens at 2.85 m is over the ball, 1.8 m beside the top of the swing: nowhere in its way.

        All of 7.0 − 0.4 − 0.2 = 6.4 m over a picture of 4.40 m.
        """
        throw = allowance(room(), (player(),), 0.0).throw
        self.assertAlmostEqual(throw.ahead or 0, 6.4 / 4.40, places=3)
        self.assertIsNone(throw.behind_least)

    def test_a_throw_that_is_promised_is_what_the_check_allows(self) -> None:
        for ceiling_m, club, height_m in ((3.0, "driver", 1.8), (2.85, "wedge", 1.9), (2.8, "4-iron", 1.6)):
            where, who = room(ceiling_m=ceiling_m), player(longest_club=club, height_m=height_m)
            found = allowance(where, (who,), 0.0)
            (spot,) = found.spots
            assert spot.best is not None
            assert found.throw.ahead is not None
            placed = layout(ball_x_m=spot.best[0], ball_y_m=spot.best[1])
            away_m = (found.throw.ahead - 0.01) * found.pictures[0].width_m
            lens = Lens(where.width_m / 2, away_m, where.ceiling_m - 0.15, proposed=False)
            self.assertIsNot(answer("projector.swing", who, where, placed, lens).state, State.BLOCKED)

    def test_without_a_spot_nothing_is_promised(self) -> None:
        found = allowance(room(ceiling_m=2.2), (player(),), 0.0)
        self.assertEqual({m.state for m in found.monitors}, {State.BLOCKED})
        self.assertEqual((found.behind_left_m, found.throw.ahead, found.enclosure.depth_m), (None, None, None))

    def test_before_anybody_plays_spots_are_not_known(self) -> None:
        self.assertEqual({m.state for m in allowance(room(), (), 0.0).monitors}, {State.UNKNOWN})
        empty = worlds.full_build()
        empty = empty.model_copy(update={"brief": empty.brief.model_copy(update={"players": ()})})
        self.assertIsNone(rooms_of(empty, worlds.full_parts()).short_of)

    def test_a_ridge_that_was_not_measured(self) -> None:
        with self.assertRaises(MissingFact):
            allowance(room(ceiling_shape="ridge_along", ridge_m=None), (player(),), 0.0)


class BottleneckTests(TestCase):
    def test_a_low_ceiling_names_what_more_height_unlocks(self) -> None:
        """2.75 m: 2.668 + 0.15 = 2.818, so the driver is clear from 70 mm more on, in whole centimetres."""
        found = bottleneck(room(ceiling_m=2.75), (player(),), 0.0)
        self.assertIs(found.tightest, Measurement.CEILING)
        driver = next(unlock for unlock in found.unlocks if "driver" in unlock.goal.text(METRIC))
        self.assertEqual((driver.measurement, round(driver.more_m, 2)), (Measurement.CEILING, 0.07))

    def test_what_it_says_is_true(self) -> None:
        where, players = room(ceiling_m=2.7, width_m=3.3, length_m=5.2), (player(), left_hander(height_m=1.7))
        for unlock in bottleneck(where, players, 0.0).unlocks:
            larger = bottleneck(grown(where, unlock.measurement, unlock.more_m), players, 0.0)
            self.assertIn(unlock.goal, larger.met)
            smaller = bottleneck(grown(where, unlock.measurement, unlock.more_m - 0.02), players, 0.0)
            self.assertNotIn(unlock.goal, smaller.met)

    def test_what_hangs_goes_up_with_the_ceiling(self) -> None:
        where = room(things=[thing().model_dump(), thing(id="shelf", fixed_to="wall", x_m=4.3, z_m=1).model_dump()])
        self.assertAlmostEqual(grown(where, Measurement.CEILING, 0.5).things[0].z_m, 3.3)
        self.assertAlmostEqual(grown(where, Measurement.WIDTH, 0.5).things[1].x_m, 4.8)

    def test_a_room_that_allows_everything_is_short_of_nothing(self) -> None:
        found = bottleneck(room(width_m=6, length_m=9, ceiling_m=3.4), (player(), left_hander()), 0.0)
        self.assertEqual((found.unlocks, found.out_of_reach, found.tightest), ((), (), None))


class CandidateTests(TestCase):
    def build(self) -> Build:
        return with_candidate(worlds.full_build(room=room(stored=[stored().model_dump()])), "Garage")

    def test_every_room_with_its_screen_on_every_wall(self) -> None:
        options = compare(self.build(), 0.0)
        self.assertEqual(len(options), 8)
        self.assertEqual([option.chosen for option in options], [True] + [False] * 7)
        sizes = {(option.screen_wall.value, option.candidate) for option in options}
        self.assertEqual(len(sizes), 8)

    def test_opposite_walls_of_an_empty_box_allow_the_same(self) -> None:
        options = compare(worlds.full_build(), 0.0)
        one, two, three, four = (option.allowance for option in options if option.allowance)
        self.assertEqual([m.left_m for m in one.monitors], [m.left_m for m in three.monitors])
        self.assertEqual([p.width_m for p in two.pictures], [p.width_m for p in four.pictures])

    def test_choosing_swaps_rooms(self) -> None:
        build = self.build()
        garage = build.candidates[0].id
        chosen = with_chosen(build, garage)
        self.assertEqual((chosen.room.name, chosen.candidates[0].room), ("Garage", build.room))
        self.assertEqual(with_chosen(chosen, garage), build)

    def test_turning_places_the_ball_anew(self) -> None:
        build = with_screen_turned(worlds.full_build(), 1)
        self.assertEqual((build.room.width_m, build.room.length_m), (7.0, 4.6))
        self.assertEqual((build.layout.ball_x_m, build.layout.ball_y_m), (3.5, 3.4))

    def test_dropping(self) -> None:
        build = self.build()
        self.assertEqual(without_candidate(build, build.candidates[0].id).candidates, ())
        with self.assertRaisesRegex(NoSuchRoom, "no room 'attic'"):
            without_candidate(build, "attic")

    def test_a_room_without_its_ridge_says_what_is_missing(self) -> None:
        build = worlds.full_build(room=room(ceiling_shape="ridge_along", ridge_m=None))
        rooms = rooms_of(build, worlds.full_parts())
        self.assertIsNone(rooms.short_of)
        assert rooms.options[0].unknown is not None
        self.assertIn("highest point is not known", rooms.options[0].unknown.text(METRIC))
