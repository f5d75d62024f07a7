"""The region of clear ball positions against asking the checks at every point of a grid."""

from math import hypot
from unittest import TestCase

from hypothesis import assume, given, settings
from hypothesis import strategies as st
from shapely import MultiPoint, Point, Polygon

from core.checks.along import BallDistance
from core.checks.limits import State
from core.checks.monitor_rules import MonitorRules, beside_rule
from core.checks.readings import USUAL_MAT_M
from core.checks.spots import Around, HittingSpot, hitting_spots
from core.geometry.hitting_region import Area, nearest_inside, typed_inside
from core.model.brief import Brief, Handedness, Player
from core.model.build import Build
from core.model.room import CeilingShape, Room
from core.model.things import Looked
from core.quantities import UnitSystem
from core.report.evaluation_of import evaluation_of
from tests.core.worlds import around, layout, left_hander, player, room, thing

AWAY_M = 0.004


@st.composite
def rooms(draw: st.DrawFn, most_things: int = 0) -> Room:
    low = draw(st.integers(240, 320)) / 100
    boxes = [
        thing(
            id=f"thing-{number}",
            x_m=draw(st.integers(0, 400)) / 100,
            y_m=draw(st.integers(0, 600)) / 100,
            z_m=draw(st.integers(0, 250)) / 100,
            width_m=draw(st.integers(5, 200)) / 100,
            length_m=draw(st.integers(5, 200)) / 100,
            height_m=draw(st.integers(5, 100)) / 100,
            fixed_to=draw(st.sampled_from(["ceiling", "wall", "floor"])),
        ).model_dump()
        for number in range(draw(st.integers(0, most_things)))
    ]
    return room(
        width_m=draw(st.integers(300, 650)) / 100,
        length_m=draw(st.integers(500, 900)) / 100,
        ceiling_m=low,
        ridge_m=low + draw(st.integers(0, 150)) / 100,
        ceiling_shape=draw(st.sampled_from(list(CeilingShape))),
        things=boxes,
        none_of=(Looked.THINGS, Looked.OPENINGS),
    )


def spots(where: Room, *players: Player) -> tuple[HittingSpot, ...]:
    placed = layout()
    middle_m = placed.bay_middle_m(where)
    return hitting_spots(
        Around(
            around(where, placed, *players, surface_m=USUAL_MAT_M), None, middle_m, placed.screen_y_m, BallDistance()
        )
    )


RULES = ("room.behind_ball", "room.free_side", "swing.ceiling", "swing.side_walls", "swing.rear_wall", "swing.things")


def all_clear(where: Room, at: tuple[float, float], players: tuple[Player, ...]) -> bool:
    """Every check that the region stands for, asked one by one with the ball there."""
    build = Build(name="B", room=where, layout=layout(ball_x_m=at[0], ball_y_m=at[1]), brief=Brief(players=players))
    found = evaluation_of(build, {})
    states = [verdict.state for rule in RULES for verdict in found.of_check(rule)]
    (to_screen,) = found.of_check("room.ball_to_screen")
    return all(state is State.CLEAR for state in states) and to_screen.state is not State.BLOCKED


def inside_by(areas: tuple[Area, ...], x: float, y: float) -> float:
    """Distance to the nearest edge, negative outside."""
    at = Point(x, y)
    shapes = [
        Polygon(outline, holes) if len(outline) > 2 else MultiPoint(outline).convex_hull for outline, holes in areas
    ]
    for shape in shapes:
        if shape.contains(at):
            return float(shape.boundary.distance(at))
    return -min((float(shape.distance(at)) for shape in shapes), default=9.0)


class RegionTests(TestCase):
    def assert_agrees(self, where: Room, *wanted: Player, step_cm: int = 45) -> None:
        spot = spots(where, *wanted)[0]
        players = tuple(p for p in wanted if p.handedness in spot.hands)
        for x_cm in range(10, int(where.width_m * 100), step_cm):
            for y_cm in range(10, int(where.length_m * 100), step_cm):
                at = (x_cm / 100, y_cm / 100)
                inside = inside_by(spot.areas, *at)
                if abs(inside) > AWAY_M:
                    self.assertEqual(all_clear(where, at, players), inside > 0, f"{at} in {where}")

    @settings(max_examples=40)
    @given(rooms(), st.booleans())
    def test_inside_is_clear_and_outside_is_not(self, where: Room, both: bool) -> None:
        self.assert_agrees(where, player(), *([left_hander(height_m=1.66)] if both else []))

    @settings(max_examples=25)
    @given(rooms(most_things=4))
    def test_things_in_the_way_are_cut_out_of_it(self, where: Room) -> None:
        self.assert_agrees(where, player(height_m=1.7))

    @settings(max_examples=60)
    @given(rooms(most_things=4), st.floats(0, 5), st.floats(0, 8))
    def test_a_typed_spot_is_inside_and_as_near_as_can_be_typed(self, where: Room, x: float, y: float) -> None:
        areas = spots(where, player())[0].areas
        assume(areas)
        typed, near = typed_inside(areas, (x, y)), nearest_inside(areas, (x, y))
        assume(typed is not None)
        assert typed is not None
        self.assertEqual(nearest_inside(areas, typed), typed)
        if hypot(typed[0] - near[0], typed[1] - near[1]) > hypot(0.0015, 0.0015):
            tenths = [(near[0] + dx / 10_000, near[1] + dy / 10_000) for dx in (-1, 0, 1) for dy in (-1, 0, 1)]
            stored = [(round(to_x, 4), round(to_y, 4)) for to_x, to_y in tenths]
            self.assertFalse([at for at in stored if nearest_inside(areas, at) == at], "the next place inside")

    def test_a_sliver_is_left_for_a_place_that_can_be_typed(self) -> None:
        """A spike of 0.02 mm that points at what is wanted, on a square of 1 m: the ball lies in the square."""
        spike = ((1.0, 1.0), (2.0, 1.0), (2.0, 2.0), (1.50006, 2.0), (1.50005, 4.0), (1.50004, 2.0), (1.0, 2.0))
        self.assertEqual(typed_inside((Area(spike, ()),), (1.50005, 4.0)), (1.5, 1.5))
        alone = ((1.00002, 1.0), (1.00004, 1.0), (1.00004, 2.0), (1.00002, 2.0))
        self.assertIsNone(typed_inside((Area(alone, ()),), (1.0, 1.5)))

    @settings(max_examples=60)
    @given(rooms(most_things=4))
    def test_the_best_spot_is_clear(self, where: Room) -> None:
        spot = spots(where, player())[0]
        if spot.is_clear and spot.best is not None:
            surroundings = around(
                where, layout(ball_x_m=spot.best[0], ball_y_m=spot.best[1]), player(), surface_m=USUAL_MAT_M
            )
            closest = surroundings.closest(player(), player().longest_club)
            self.assertGreater(closest.clearance_m, 0.15 - 0.0006, "rounded to the millimetre")

    def test_the_centre_is_taken_where_it_is_clear(self) -> None:
        (spot,) = spots(room(), player(), left_hander())
        self.assertEqual(spot.best, (2.3, 3.4), "centre across, 3.0 m from the screen at 0.40 m")

    def test_a_net_lets_one_stand_nearer(self) -> None:
        """One that asks for 1.6 m: the region begins at 0.4 + 1.6, not 0.4 + 2.4, and the best spot is at 0.4 + 2.4."""
        for distance, nearest_m, best in (
            (BallDistance(), 2.8, (2.3, 3.4)),
            (BallDistance(1.6, 2.4, "Net"), 2.0, (2.3, 2.8)),
        ):
            (spot,) = hitting_spots(Around(around(room(), layout(), player()), None, 2.3, 0.4, distance))
            self.assertAlmostEqual(min(y for area in spot.areas for _, y in area.outline), nearest_m)
            self.assertEqual(spot.best, best)

    def test_a_narrow_room_moves_a_right_hander_right(self) -> None:
        """3.2 m wide: the disc needs 1.780 m and 0.15 on the left, so 1.930 instead of the centre at 1.60.

        The outline of a region runs within a millimetre inside the edge, and a spot is a whole number of them.
        """
        (spot,) = spots(room(width_m=3.2), player())
        assert spot.best is not None
        self.assertGreaterEqual(spot.best[0], 1.930)
        self.assertLessEqual(spot.best[0], 1.931)

    def test_a_column_makes_a_hole(self) -> None:
        """A column in the middle of a wide room: the ball may be on any side of it, and nowhere near."""
        column = thing(kind="column", x_m=5, y_m=6.0, z_m=0, width_m=0.2, length_m=0.2, height_m=3, fixed_to="floor")
        (spot,) = spots(room(width_m=12, length_m=14, things=[column.model_dump()]), player())
        self.assertEqual([len(area.holes) for area in spot.areas], [1])

    def test_a_monitor_may_have_its_place_for_one_hand_only(self) -> None:
        """3.2 m wide: a camera 1.1 m before a left-hander's ball, of 0.15 m, has it for x ≥ 1.25; theirs ends
        at 1.270. Right-handers keep the spot that serves them, and a left-hander is told where to swing without it.
        """
        where = room(width_m=3.2)
        distance = BallDistance()
        alone = spots(where, player(), left_hander())
        camera = MonitorRules("Bystand", (), ((Handedness.LEFT, beside_rule(Handedness.LEFT, 3.2, 1.1)),))
        surroundings = around(where, layout(), player(), left_hander(), surface_m=USUAL_MAT_M)
        left, right = hitting_spots(Around(surroundings, None, 1.6, 0.4, distance, monitor=camera))
        self.assertEqual(right, alone[1])
        self.assertEqual(left.best, alone[0].best)
        self.assertTrue(left.reason.text(UnitSystem.METRIC).endswith("Bystand has no place there."))
        self.assertNotIn("Bystand", right.reason.text(UnitSystem.METRIC))

    def test_both_hands_get_a_spot_each_where_one_cannot_serve(self) -> None:
        """3.2 m wide: a right-hander needs x ≥ 1.930, a left-hander x ≤ 1.270."""
        found = spots(room(width_m=3.2), player(), left_hander())
        self.assertEqual([spot.hands for spot in found], [("left",), ("right",)])
        best = [spot.best for spot in found]
        self.assertAlmostEqual(sum(at[0] for at in best if at is not None), 3.2, places=3)

    def test_under_a_ceiling_that_is_too_low_it_is_told_across_and_along(self) -> None:
        (spot,) = spots(room(ceiling_m=2.4), player())
        self.assertEqual((spot.areas, spot.best, spot.is_clear), ((), (2.3, 3.4), False))
        (high,) = spots(room(), player())
        self.assertEqual((high.best, high.is_clear), (spot.best, True))
        self.assertEqual(spots(room()), ())

    def test_a_room_that_is_too_narrow_has_none(self) -> None:
        (spot,) = spots(room(width_m=2.0), player())
        self.assertEqual((spot.areas, spot.best, spot.is_clear), ((), None, False))

    def test_nearest_point_of_a_square(self) -> None:
        square = (Area(((0.0, 0.0), (2.0, 0.0), (2.0, 2.0), (0.0, 2.0))),)
        for wanted, nearest in {(1.0, 1.0): (1.0, 1.0), (3.0, 1.0): (2.0, 1.0), (-1.0, -1.0): (0.0, 0.0)}.items():
            self.assertEqual(nearest_inside(square, wanted), nearest)
