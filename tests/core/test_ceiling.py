"""Sloping ceilings against a slow sampler written apart, and by properties."""

from itertools import pairwise
from math import atan, cos
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from core.checks.limits import State
from core.geometry.ceiling import ceiling_of
from core.geometry.swing_disc import swing_disc
from core.model.clubs import Club
from core.model.facts import MissingFact
from core.model.room import CeilingShape, Room
from core.report import evaluate
from tests.core import worlds
from tests.core.checks.base import answer
from tests.core.worlds import left_hander, player, room

SLOPING = [shape for shape in CeilingShape if shape is not CeilingShape.FLAT]
lengths = st.integers(250, 900).map(lambda cm: cm / 100)


@st.composite
def sheds(draw: st.DrawFn) -> Room:
    low = draw(st.integers(180, 320)) / 100
    return room(
        width_m=draw(lengths),
        length_m=draw(lengths),
        ceiling_m=low,
        ridge_m=low + draw(st.integers(0, 250)) / 100,
        ceiling_shape=draw(st.sampled_from(SLOPING)),
        lining_m=draw(st.sampled_from([0.0, 0.05])),
    )


def height_by_hand(shed: Room, x: float, y: float) -> float:
    """Height of the bare ceiling over a point, from the share of the way to the high side."""
    assert shed.ridge_m is not None
    across, along = x / shed.width_m, y / shed.length_m
    share = {
        "high_left": 1 - across,
        "high_right": across,
        "high_screen": 1 - along,
        "high_rear": along,
        "ridge_along": 1 - abs(2 * across - 1),
        "ridge_across": 1 - abs(2 * along - 1),
    }[shed.ceiling_shape.value]
    return shed.ceiling_m + share * (shed.ridge_m - shed.ceiling_m)


def nearest_by_brute_force(shed: Room, points: list[tuple[float, float, float]]) -> float:
    """Vertical gap times the cosine of the slope, at every point of a dense swing, on the slope over that point.

    A point near a ridge may be nearer to the far slope than to its own; the true distance to a convex roof is
    the least over all its slopes, so both are tried, each carried on beyond the ridge.
    """
    assert shed.ridge_m is not None
    rise, found = shed.ridge_m - shed.ceiling_m, []
    ridged = shed.ceiling_shape.value.startswith("ridge")
    span = shed.width_m if shed.ceiling_shape.value in ("high_left", "high_right", "ridge_along") else shed.length_m
    tilt = atan(rise / (span / 2 if ridged else span))
    for x, y, z in points:
        gaps = [height_by_hand(shed, x, y) - z]
        if ridged:
            way = x if shed.ceiling_shape.value == "ridge_along" else y
            gaps.append(shed.ceiling_m + 2 * (1 - way / span) * rise - z)
            gaps.append(shed.ceiling_m + 2 * way / span * rise - z)
        found.append(min(gaps) * cos(tilt))
    return min(found) - shed.lining_m


class CeilingTests(TestCase):
    def test_worked_heights(self) -> None:
        """4 m wide, 6 m long, 2.4 m low, 3.4 m high; a quarter of the way in both directions."""
        for shape, height in {
            "high_left": 3.15,
            "high_right": 2.65,
            "high_screen": 3.15,
            "high_rear": 2.65,
            "ridge_along": 2.9,
            "ridge_across": 2.9,
        }.items():
            shed = room(width_m=4.0, length_m=6.0, ceiling_m=2.4, ridge_m=3.4, ceiling_shape=shape)
            self.assertAlmostEqual(ceiling_of(shed).height_m(1.0, 1.5), height)

    def test_a_slope_that_was_not_measured_is_asked_for(self) -> None:
        with self.assertRaisesRegex(MissingFact, "highest point"):
            ceiling_of(room(ceiling_shape="ridge_along"))
        build = worlds.full_build(room=room(ceiling_shape="ridge_along"))
        report = evaluate(build, worlds.full_parts())
        states = {verdict.id: verdict.state for verdict in report.verdicts}
        self.assertIs(states["swing.ceiling"], State.UNKNOWN)
        self.assertEqual(report.scene.height_m, 3.0, "drawn flat meanwhile")

    def test_a_ridge_below_the_eaves_is_refused(self) -> None:
        with self.assertRaisesRegex(ValueError, "must not be lower"):
            room(ceiling_m=3.0, ridge_m=2.5)

    def test_the_lowest_over_a_box_is_at_a_corner(self) -> None:
        shed = room(width_m=4.0, ceiling_m=2.4, ridge_m=3.4, ceiling_shape="ridge_along")
        self.assertAlmostEqual(ceiling_of(shed).lowest_over_m((1.0, 3.5), (0.0, 2.0)), 2.65)

    @settings(max_examples=60)
    @given(sheds(), st.floats(0.2, 0.8), st.floats(0.2, 0.8), st.booleans(), st.sampled_from(list(Club)))
    def test_clearance_within_two_millimetres_of_brute_force(
        self, shed: Room, across: float, along: float, left: bool, club: Club
    ) -> None:
        who = left_hander() if left else player()
        ball = (across * shed.width_m, along * shed.length_m, 0.04)
        disc = swing_disc(who, club)
        points = [(x, y, z) for x, y, z in (disc.points_m + ball).tolist()]
        dense = [
            (p[0] + (q[0] - p[0]) * t / 8, p[1] + (q[1] - p[1]) * t / 8, p[2] + (q[2] - p[2]) * t / 8)
            for p, q in pairwise(points)
            for t in range(8)
        ]
        found, _ = ceiling_of(shed).clearance_m(disc, ball)
        self.assertAlmostEqual(found, nearest_by_brute_force(shed, dense), delta=0.002)

    @settings(max_examples=40)
    @given(sheds(), st.floats(0.3, 0.7))
    def test_mirror_image(self, shed: Room, across: float) -> None:
        mirror = {"high_left": "high_right", "high_right": "high_left"}
        other = Room.model_validate(
            {**shed.model_dump(), "ceiling_shape": mirror.get(shed.ceiling_shape, shed.ceiling_shape)}
        )
        y = shed.length_m / 2
        here, _ = ceiling_of(shed).clearance_m(swing_disc(player(), Club.DRIVER), (across * shed.width_m, y, 0.0))
        there, _ = ceiling_of(other).clearance_m(
            swing_disc(left_hander(), Club.DRIVER), ((1 - across) * shed.width_m, y, 0.0)
        )
        self.assertAlmostEqual(here, there)

    def test_a_level_slope_is_a_flat_ceiling(self) -> None:
        disc, ball = swing_disc(player(), Club.DRIVER), (2.3, 3.5, 0.0)
        flat, _ = ceiling_of(room(ceiling_m=2.8)).clearance_m(disc, ball)
        for shape in SLOPING:
            level, _ = ceiling_of(room(ceiling_m=2.8, ridge_m=2.8, ceiling_shape=shape)).clearance_m(disc, ball)
            self.assertAlmostEqual(level, flat, places=4)

    def test_a_higher_ridge_never_makes_it_worse(self) -> None:
        for shape in SLOPING:
            states = []
            for ridge in (2.5, 2.8, 3.1, 3.6):
                shed = room(ceiling_m=2.5, ridge_m=ridge, ceiling_shape=shape)
                states.append(answer("swing.ceiling", player(), shed).state.rank)
            self.assertEqual(states, sorted(states, reverse=True), shape)


class MeasuredReachTests(TestCase):
    def test_it_replaces_the_estimate_of_that_club_and_shifts_the_others(self) -> None:
        """2.55 m measured instead of 2.668 estimated; under 2.60 m of ceiling 50 mm are left.

        The wedge is thought to reach as much less high: 2.474 − 0.118 = 2.356 m, and is no better known than before.
        """
        reach = {"club": "driver", "height_m": 2.55, "dated": "2026-11-20"}
        measured = player(measured_reaches=[reach])
        self.assertAlmostEqual(swing_disc(measured, Club.DRIVER).apex_m, 2.55)
        wedge = swing_disc(measured, Club.WEDGE)
        self.assertAlmostEqual(wedge.apex_m, 2.3564, places=4)
        self.assertAlmostEqual(wedge.doubt_m((0.0, 0.0, 1.0)), 0.10)
        low = room(ceiling_m=2.6)
        verdict = answer("swing.ceiling", measured, low)
        self.assertEqual((verdict.state, verdict.basis.value), (State.TIGHT, "measured"))
        self.assertIn("Test swing of 2026-11-20: how high with the driver", [row.name for row in verdict.inputs()])

    def test_what_was_measured_is_not_in_doubt(self) -> None:
        """68 mm too high is tight for an estimate and blocked once it was measured."""
        low = room(ceiling_m=2.6)
        guessed = answer("swing.ceiling", player(), low)
        measured = player(measured_reaches=[{"club": "driver", "height_m": 2.668}])
        known = answer("swing.ceiling", measured, low)
        self.assertEqual((guessed.state, known.state), (State.TIGHT, State.BLOCKED))
