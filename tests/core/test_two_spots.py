"""A spot for each hand: everybody is judged at their own, and what is asked of the ball is asked of both."""

from unittest import TestCase

from core.checks.laid_floor import LaidFloor
from core.model import acts
from core.model.brief import Handedness
from core.model.build import Build
from core.report.evaluation_of import evaluation_of
from tests.core.random_builds import random_build, sample_parts, seeds
from tests.core.worlds import layout

OF_A_PLAYER = (
    "monitor.beside",
    "picture.shadow",
    "projector.swing",
    "room.free_side",
    "swing.ceiling",
    "swing.longest_club",
    "swing.rear_wall",
    "swing.side_walls",
    "swing.things",
    "enclosure.swing",
)


def all_at(build: Build, hand: Handedness) -> Build:
    """`build` with one spot for all, where the ball of this hand lies."""
    return acts.ball_put(*build.layout.ball_of(hand), ())(build)


class TwoSpotsTests(TestCase):
    def test_everybody_is_judged_at_their_own_spot(self) -> None:
        """As in the same build with one spot, where that is theirs."""
        compared = 0
        for seed in seeds(80):
            build = random_build(seed)
            if not build.layout.two_spots:
                continue
            both = evaluation_of(build, sample_parts())
            floor = both.reading(LaidFloor)
            # Over floors of two heights the higher one counts for both.
            if floor and len({floor.height_m(*build.layout.ball_of(hand)) for hand in Handedness}) > 1:
                continue
            for hand in Handedness:
                alone = evaluation_of(all_at(build, hand), sample_parts())
                for player in build.brief.players:
                    if player.handedness is not hand:
                        continue
                    for rule in OF_A_PLAYER:
                        key = rule, player.id
                        # Where a camera beside the ball is proposed depends on both spots.
                        if rule == "monitor.beside" and build.layout.monitor_distance_m is None:
                            continue
                        with self.subTest(seed=seed, rule=rule, hand=hand):
                            self.assertEqual(both.by_key.get(key), alone.by_key.get(key))
                            compared += key in both.by_key
        self.assertGreater(compared, 100)

    def test_what_is_asked_of_the_ball_is_asked_of_both(self) -> None:
        """The spot that it is worse for decides."""
        for seed in seeds(60):
            build = random_build(seed)
            if not build.layout.two_spots:
                continue
            both = evaluation_of(build, sample_parts())
            for rule in ("room.ball_to_screen", "monitor.flight", "room.picture_offset"):
                alone = [evaluation_of(all_at(build, hand), sample_parts()).of_check(rule) for hand in Handedness]
                for verdict, right, left in zip(both.of_check(rule), *alone, strict=True):
                    with self.subTest(seed=seed, rule=rule):
                        self.assertEqual(verdict.state.rank, max(right.state.rank, left.state.rank))

    def test_moving_one_ball_leaves_the_other(self) -> None:
        build = Build(name="Two", layout=layout(left_ball_x_m=3.0, left_ball_y_m=3.2))
        right = acts.ball_moved(across_m=0.1, along_m=0.2, hand=Handedness.RIGHT)(build).layout
        self.assertEqual((right.ball_x_m, right.ball_y_m), (2.4, 3.7))
        self.assertEqual((right.left_ball_x_m, right.left_ball_y_m), (3.0, 3.2))
        left = acts.ball_moved(across_m=0.1, along_m=0.2, hand=Handedness.LEFT)(build).layout
        self.assertEqual((left.ball_x_m, left.ball_y_m), (2.3, 3.5))
        self.assertEqual((left.left_ball_x_m, left.left_ball_y_m), (3.1, 3.4))

    def test_with_one_spot_either_hand_moves_it(self) -> None:
        build = Build(name="One", layout=layout())
        moved = acts.ball_moved(across_m=0.1, hand=Handedness.LEFT)(build).layout
        self.assertEqual((moved.ball_x_m, moved.left_ball_x_m), (2.4, None))
