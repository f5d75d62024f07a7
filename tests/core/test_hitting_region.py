"""The region of clear ball positions against asking the checks at every point of a grid."""

from math import hypot
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from core.checks.along import ball_to_screen, behind_ball, free_side
from core.checks.swing import rear_wall, side_walls, under_ceiling
from core.checks.verdict import State
from core.geometry.ceiling import ceiling_of
from core.geometry.hitting_region import Point, nearest_inside
from core.model.brief import Brief, Player
from core.model.room import CeilingShape, Room
from core.report.hitting import HittingSpot, hitting_spots
from tests.core.worlds import BARE_FLOOR, layout, left_hander, player, room

AWAY_M = 0.002


@st.composite
def rooms(draw: st.DrawFn) -> Room:
    low = draw(st.integers(240, 320)) / 100
    return room(
        width_m=draw(st.integers(300, 650)) / 100,
        length_m=draw(st.integers(500, 900)) / 100,
        ceiling_m=low,
        ridge_m=low + draw(st.integers(0, 150)) / 100,
        ceiling_shape=draw(st.sampled_from(list(CeilingShape))),
    )


def spots(where: Room, *players: Player) -> tuple[HittingSpot, ...]:
    return hitting_spots(where, layout(), players, ceiling_of(where), 0.0)


def all_clear(where: Room, at: Point, players: tuple[Player, ...]) -> bool:
    """Every check that the region stands for, asked one by one with the ball there."""
    placed, ceiling = layout(ball_x_m=at[0], ball_y_m=at[1]), ceiling_of(where)
    states = [behind_ball(Brief(players=players), where, placed).state]
    for who in players:
        states += [
            under_ceiling(who, where, placed, BARE_FLOOR, ceiling).state,
            side_walls(who, where, placed, BARE_FLOOR).state,
            rear_wall(who, where, placed, BARE_FLOOR).state,
            free_side(who, where, placed).state,
        ]
    return all(state is State.CLEAR for state in states) and ball_to_screen(placed).state is not State.BLOCKED


def distance_inside(corners: tuple[Point, ...], at: Point) -> float:
    """Distance to the nearest edge, negative outside; the corners go round to the left."""
    found: list[float] = []
    for (x1, y1), (x2, y2) in zip(corners, (*corners[1:], corners[0]), strict=True):
        length = hypot(x2 - x1, y2 - y1)
        if length > 1e-9:
            found.append(((x2 - x1) * (at[1] - y1) - (y2 - y1) * (at[0] - x1)) / length)
    return min(found)


class RegionTests(TestCase):
    @settings(max_examples=40, deadline=None)
    @given(rooms(), st.booleans())
    def test_inside_is_clear_and_outside_is_not(self, where: Room, both: bool) -> None:
        players: tuple[Player, ...] = (player(), left_hander(height_m=1.66)) if both else (player(),)
        spot = spots(where, *players)[0]
        if len(spot.hands) < len({p.handedness for p in players}):
            players = tuple(p for p in players if p.handedness in spot.hands)
        for x_cm in range(10, int(where.width_m * 100), 45):
            for y_cm in range(10, int(where.length_m * 100), 45):
                at = (x_cm / 100, y_cm / 100)
                inside = distance_inside(spot.corners, at) if len(spot.corners) > 2 else -1.0
                if abs(inside) > AWAY_M:
                    self.assertEqual(all_clear(where, at, players), inside > 0, f"{at} in {where}")

    @settings(max_examples=40, deadline=None)
    @given(rooms())
    def test_the_best_spot_is_clear(self, where: Room) -> None:
        spot = spots(where, player())[0]
        if spot.best is not None and len(spot.corners) > 2:
            self.assertGreater(distance_inside(spot.corners, spot.best), -AWAY_M)

    def test_the_centre_is_taken_where_it_is_clear(self) -> None:
        (spot,) = spots(room(), player(), left_hander())
        self.assertEqual(spot.best, (2.3, 3.4), "centre across, 3.0 m from the screen at 0.40 m")

    def test_a_narrow_room_moves_a_right_hander_right(self) -> None:
        """3.2 m wide: the disc needs 1.780 m and 0.15 on the left, so 1.930 instead of the centre at 1.60."""
        (spot,) = spots(room(width_m=3.2), player())
        assert spot.best is not None
        self.assertAlmostEqual(spot.best[0], 1.930, places=3)

    def test_both_hands_get_a_spot_each_where_one_cannot_serve(self) -> None:
        """3.2 m wide: a right-hander needs x ≥ 1.930, a left-hander x ≤ 1.270."""
        found = spots(room(width_m=3.2), player(), left_hander())
        self.assertEqual([spot.hands for spot in found], [("left",), ("right",)])
        best = [spot.best for spot in found]
        self.assertAlmostEqual(sum(at[0] for at in best if at is not None), 3.2, places=3)

    def test_a_room_that_is_too_low_has_none(self) -> None:
        (spot,) = spots(room(ceiling_m=2.4), player())
        self.assertEqual((spot.corners, spot.best), ((), None))
        self.assertEqual(hitting_spots(room(), layout(), (), ceiling_of(room()), 0.0), ())

    def test_nearest_point_of_a_square(self) -> None:
        square = ((0.0, 0.0), (2.0, 0.0), (2.0, 2.0), (0.0, 2.0))
        for wanted, nearest in {(1.0, 1.0): (1.0, 1.0), (3.0, 1.0): (2.0, 1.0), (-1.0, -1.0): (0.0, 0.0)}.items():
            self.assertEqual(nearest_inside(square, wanted), nearest)
