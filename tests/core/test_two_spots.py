"""A spot for each hand: everybody is judged at their own, and what is asked of the ball is asked of both."""

from unittest import TestCase

from core.checks.evaluation import Evaluation
from core.checks.laid_floor import LaidFloor
from core.checks.mat_place import MatPlaces
from core.model import acts
from core.model.brief import Handedness
from core.model.build import Build, Slot
from core.money.costs import Costs
from core.money.line import Line
from core.report.evaluation_of import evaluation_of
from tests.core import worlds
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


class MatsTests(TestCase):
    """Right-handers hit from 2.0 m, left-handers from a metre further right, off mats of 1.5 m unless said."""

    def found(self, left_x_m: float | None = 3.0, **mat: object) -> Evaluation:
        build = worlds.full_build(room=worlds.full_room())
        spots = {"ball_x_m": 2.0, "left_ball_x_m": left_x_m, "left_ball_y_m": left_x_m and 3.5}
        layout = build.layout.model_copy(update=spots)
        parts = {**worlds.full_parts(), "mat": worlds.mat(**mat)}
        return evaluation_of(build.model_copy(update={"layout": layout}), parts)

    def bought(self, found: Evaluation) -> Line:
        costs = found.reading(Costs)
        assert costs is not None
        return next(line for line in costs.lines if line.slot is Slot.MAT)

    def test_a_mat_that_leaves_a_strip_around_both_balls_is_shared(self) -> None:
        """1.0 m apart on 1.5: 0.25 m of mat beyond each, of which 0.20 are wanted; it lies between them."""
        mats = self.found().reading(MatPlaces)
        self.assertEqual(mats, MatPlaces(((2.5, 3.5),), shared=True))
        self.assertEqual(self.bought(self.found()).quantity, 1)

    def test_balls_further_apart_want_a_mat_each(self) -> None:
        """1.2 m apart: 0.15 m beyond each are too little, and two of 400.00 are paid for."""
        found = self.found(3.2)
        self.assertEqual(found.reading(MatPlaces), MatPlaces(((2.0, 3.5), (3.2, 3.5))))
        line = self.bought(found)
        assert line.up_front is not None
        self.assertEqual((line.quantity, line.up_front.minor), (2, 80_000))

    def test_a_shared_mat_pushed_off_a_wall_must_still_lie_under_both(self) -> None:
        """1.0 m apart, the nearer 0.20 m off the wall: pushed to 0.75 the mat leaves it 0.20 m; at 0.15 it does not."""
        build = worlds.full_build(room=worlds.full_room())
        for x_m, shared in ((0.20, True), (0.15, False)):
            spots = {"ball_x_m": x_m, "left_ball_x_m": x_m + 1.0, "left_ball_y_m": 3.5}
            of = build.model_copy(update={"layout": build.layout.model_copy(update=spots)})
            mats = evaluation_of(of, worlds.full_parts()).reading(MatPlaces)
            assert mats is not None
            self.assertEqual(mats.shared, shared, x_m)

    def test_of_a_mat_of_unknown_size_nobody_knows_how_many(self) -> None:
        line = self.bought(self.found(width_m=None))
        self.assertIsNone(line.up_front)
        assert line.missing is not None
        self.assertIn("large enough for both spots", line.missing.fact)
        self.assertEqual(self.bought(self.found(None, width_m=None)).quantity, 1)
