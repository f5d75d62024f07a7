"""Clearance of swings from boxes against a slow sampler written apart, and by properties."""

from collections.abc import Mapping
from math import cos, pi, radians, sin, sqrt
from unittest import TestCase

import numpy as np
from hypothesis import example, given, settings
from hypothesis import strategies as st

from core.geometry.boxes import Box
from core.geometry.ceiling import ceiling_of
from core.geometry.swing_clearance import Floats, clearances
from core.geometry.swing_disc import Point3, swing_disc
from core.model.brief import Player
from core.model.clubs import Club
from core.model.reaches import MeasuredReach
from core.model.room import CeilingShape, Room
from core.model.turning import turned_room
from tests.core.worlds import around, layout, left_hander, player, room, stored, thing

AGREED_M = 0.001
ROUNDS = 2
ON_A_FACE_M = 1e-9
coordinates = st.tuples(st.floats(0, 4.4), st.floats(0, 7), st.floats(0, 2.8))
sizes = st.tuples(st.floats(0.05, 1.5), st.floats(0.05, 1.5), st.floats(0.05, 1.5))
clubs = st.sampled_from(list(Club))
BALL = (2.3, 3.5, 0.0)


@st.composite
def boxes(draw: st.DrawFn) -> Box:
    low, size = draw(coordinates), draw(sizes)
    return Box(low, (low[0] + size[0], low[1] + size[1], low[2] + size[2]))


@st.composite
def swingers(draw: st.DrawFn) -> Player:
    who = player if draw(st.booleans()) else left_hander
    found = who(height_m=draw(st.integers(130, 205)) / 100, early_release=draw(st.booleans()))
    shares = st.none() | st.integers(85, 115)
    return slowly_swung(found, {way: draw(shares) for way in ("height", "back", "behind", "ahead")})


def slowly_swung(who: Player, percent: Mapping[str, int | None]) -> Player:
    """`who`, measured with every club in some directions: so much of what is estimated."""
    reaches = []
    for club in Club:
        estimated = furthest(who, club)
        reached = {f"{way}_m": estimated[way] * share / 100 for way, share in percent.items() if share is not None}
        reaches.append(MeasuredReach.model_validate({"club": club, **reached}))
    return who.model_copy(update={"measured_reaches": tuple(reaches) if any(percent.values()) else ()})


def furthest(who: Player, club: Club) -> dict[str, float]:
    """How far the disc of the formula goes each way."""
    arm = 0.36 * who.height_m
    full = arm + club.length_m
    cock = radians(20 if who.early_release else 75)
    cocked = sqrt(arm**2 + club.length_m**2 + 2 * arm * club.length_m * cos(cock))
    phi = np.linspace(-pi, pi, 361)
    beside = float(((cocked + (full - cocked) * np.maximum(0.0, -np.sin(phi))) * np.cos(phi)).max())
    height = 0.80 * who.height_m + cocked * sin(radians(57))
    return {"height": height, "back": (full + cocked) * cos(radians(57)), "behind": beside, "ahead": beside}


def sampled_m(who: Player, club: Club, ball: Point3, box: Box, toward: int = 0) -> float:
    """Clearance by the formula of the swing disc and grids over all of it, hub to rim, without the core.

    Where samples lie in the box it is minus the longest piece of reach from such a sample to the rim. Each further grid
    looks closer around the best sample of the one before, until its steps are under a tenth of a millimetre.
    `toward` turns the target line to the right by quarters of a turn; the box stays where it is.
    """
    clearance, phi, share = best_sample_m(
        who, club, ball, box, toward, np.linspace(-pi, pi, 721), np.linspace(0, 1, 301)
    )
    # Deep in a box the clearance hardly changes with the angle: the second grid looks far to either side.
    wide, deep = pi / 6, 2 / 300
    for _ in range(ROUNDS):
        near_phi = np.linspace(phi - wide, phi + wide, 1201)
        near_share = np.clip(np.linspace(share - deep, share + deep, 201), 0, 1)
        clearance, phi, share = best_sample_m(who, club, ball, box, toward, near_phi, near_share)
        wide, deep = wide / 100, deep / 25
    return clearance


def best_sample_m(
    who: Player, club: Club, ball: Point3, box: Box, toward: int, phis: Floats, shares: Floats
) -> tuple[float, float, float]:
    """The least clearance on a grid of angles and shares of the reach, and the angle and share that it is at."""
    arm = 0.36 * who.height_m
    full = arm + club.length_m
    cock = radians(20 if who.early_release else 75)
    cocked = sqrt(arm**2 + club.length_m**2 + 2 * arm * club.length_m * cos(cock))
    back, theta = (-1.0 if who.handedness == "right" else 1.0), radians(57)
    phi = phis[:, None]
    rim = cocked + (full - cocked) * np.maximum(0.0, -np.sin(phi))
    usual, measured = furthest(who, club), who.measured_reach(club)
    shown = {way: (getattr(measured, f"{way}_m", None) or usual[way]) for way in usual}
    flatter = back * shown["back"] / usual["back"]
    # From the hub to the rim, and as far on that way as the share says.
    to_rim = -rim * np.cos(phi)
    to_rim *= np.where(to_rim > 0, shown["behind"] / usual["behind"], shown["ahead"] / usual["ahead"])
    across_rim, up_rim = flatter * cos(theta) * rim * np.sin(phi), sin(theta) * rim * np.sin(phi)
    over = (1 - shares[None, :]) * np.sqrt(across_rim**2 + to_rim**2 + up_rim**2)
    across = flatter * full * cos(theta) + across_rim * shares[None, :]
    away = to_rim * shares[None, :]
    z = ball[2] + 0.80 * who.height_m + shown["height"] - usual["height"] + up_rim * shares[None, :]
    for _ in range(toward):
        # To the right of whoever has turned to the right is what was behind: toward greater y.
        across, away = -away, across
    squared = np.zeros_like(z)
    for values, low, high in zip((ball[0] + across, ball[1] + away, z), box.low, box.high, strict=True):
        squared += np.maximum(np.maximum(low - values, values - high), 0.0) ** 2
    # A sample on the very face of a box is in it, whatever the last digit of a cosine says.
    clearance = np.where(squared < ON_A_FACE_M**2, -over, np.sqrt(squared))
    row, column = np.unravel_index(int(clearance.argmin()), clearance.shape)
    return float(clearance[row, column]), float(phis[row]), float(shares[column])


def clearance_m(who: Player, club: Club, ball: Point3, box: Box) -> float:
    return clearances([(swing_disc(who, club), ball)], [box]).nearest(0, [0]).clearance_m


class WorkedValueTests(TestCase):
    def test_a_slab_straight_above_the_top_of_the_swing(self) -> None:
        """Ada's driver peaks at 2.668 m; a level slab from 2.90 m up leaves 0.232 m."""
        slab = Box((-9, -9, 2.9), (9, 9, 3.5))
        self.assertAlmostEqual(clearance_m(player(), Club.DRIVER, BALL, slab), 0.232, places=3)

    def test_a_block_beside_the_swing(self) -> None:
        """The disc reaches (R + r)·cos 57° = 1.780 m to Ada's back: from 2.30 to 0.520; the block ends at 0.40."""
        block = Box((-5, -9, 0), (0.4, 9, 5))
        self.assertAlmostEqual(clearance_m(player(), Club.DRIVER, BALL, block), 0.120, places=3)

    def test_a_post_in_the_middle_of_the_disc_is_in_the_way(self) -> None:
        """The hub is R·cos 57° = 0.983 m to the left of 2.30: at 1.317; the post ends at 1.217, 0.10 further back.

        In the plane that is 0.10 / cos 57° = 0.1836 m from the hub; r = 1.464 would have to be 1.280 shorter.
        """
        post = Box((1.117, 3.45, 0), (1.217, 3.55, 4))
        self.assertAlmostEqual(clearance_m(player(), Club.DRIVER, BALL, post), -1.280, places=2)

    def test_a_beam_is_not_passed_because_it_is_thin(self) -> None:
        """Lower edge 2.50 under an apex of 2.668: 0.168 m up, and along the plane 0.168 / sin 57° = 0.200 m."""
        beam = Box((0, 3.4, 2.5), (4.6, 3.55, 3.0))
        self.assertAlmostEqual(clearance_m(player(), Club.DRIVER, BALL, beam), -0.200, places=3)

    def test_a_box_around_the_hub_leaves_no_reach_at_all(self) -> None:
        """R = 0.648 + 1.156: all of it is too long."""
        around_hub = Box((1.0, 3.0, 1.0), (1.6, 4.0, 2.0))
        self.assertAlmostEqual(clearance_m(player(), Club.DRIVER, BALL, around_hub), -1.804, places=6)

    def test_a_box_just_beside_the_hub(self) -> None:
        """A wall 5 mm ahead of the hub, as wide as the disc: the reach turns steeply there; a fine search agrees."""
        wall = Box((-9, 3.505, -9), (9, 4.5, 9))
        found = clearance_m(player(), Club.DRIVER, BALL, wall)
        self.assertAlmostEqual(found, sampled_m(player(), Club.DRIVER, BALL, wall), delta=AGREED_M)

    def test_where_it_is_nearest(self) -> None:
        block = Box((-5, 4.0, 0), (0.4, 4.2, 5))
        near = clearances([(swing_disc(player(), Club.DRIVER), BALL)], [block]).nearest(0, [0])
        x, y, z = near.at
        away = sqrt(max(0, x - 0.4) ** 2 + max(0, 4.0 - y, y - 4.2) ** 2)
        self.assertAlmostEqual(away, near.clearance_m, places=6)
        self.assertTrue(0 < z < 2.668)


class PropertyTests(TestCase):
    @settings(max_examples=100)
    @given(swingers(), clubs, boxes())
    @example(player(height_m=1.91), Club.DRIVER, Box((1.387, 2, 1.387), (2.387, 3.5, 2.387)))
    @example(left_hander(height_m=1.91), Club.DRIVER, Box((1.387, 2, 1.387), (2.387, 3.5, 2.387)))
    def test_within_a_millimetre_of_a_dense_sampler(self, who: Player, club: Club, box: Box) -> None:
        self.assertAlmostEqual(clearance_m(who, club, BALL, box), sampled_m(who, club, BALL, box), delta=AGREED_M)

    @given(st.integers(130, 205), clubs, boxes())
    def test_left_and_right_are_mirror_images(self, height_cm: int, club: Club, box: Box) -> None:
        (x0, y0, z0), (x1, y1, z1) = box.low, box.high
        mirrored = Box((-x1, y0, z0), (-x0, y1, z1))
        height_m = height_cm / 100
        right = clearance_m(player(height_m=height_m), club, BALL, box)
        left = clearance_m(left_hander(height_m=height_m), club, (-2.3, 3.5, 0.0), mirrored)
        self.assertAlmostEqual(right, left, places=9)

    def test_where_it_is_nearest_is_mirrored(self) -> None:
        """A block that only one point of the swing is nearest to: beyond the top of it, to the side."""
        block = Box((0.2, 3.3, 1.9), (0.6, 3.45, 2.1))
        mirror = Box((-0.6, 3.3, 1.9), (-0.2, 3.45, 2.1))
        right = clearances([(swing_disc(player(), Club.DRIVER), BALL)], [block]).nearest(0, [0]).at
        left = clearances([(swing_disc(left_hander(), Club.DRIVER), (-2.3, 3.5, 0.0))], [mirror]).nearest(0, [0]).at
        for one, other in zip(right, (-left[0], left[1], left[2]), strict=True):
            self.assertAlmostEqual(one, other, places=6)

    @given(swingers(), boxes(), st.floats(0.0, 1.0), st.sampled_from(["ceiling", "wall", "floor"]))
    def test_moving_an_obstruction_away_never_makes_it_worse(
        self, who: Player, box: Box, by_m: float, fixed_to: str
    ) -> None:
        """Up for what hangs, lower for what stands, back to its wall for what is fixed to one."""
        (x0, y0, z0), (x1, y1, z1) = box.low, box.high
        near = thing(x_m=x0, y_m=y0, z_m=z0, width_m=x1 - x0, length_m=y1 - y0, height_m=z1 - z0, fixed_to=fixed_to)
        if fixed_to == "wall":
            near = near.model_copy(update={"x_m": 0.0})
        further = {
            "ceiling": {"z_m": near.z_m + by_m},
            "floor": {"height_m": max(0.01, near.height_m - by_m)},
            "wall": {"width_m": max(0.01, near.width_m - by_m)},
        }[fixed_to]
        before, after = (
            around(room(things=[at.model_dump()]), layout(), who).closest_thing(who, Club.DRIVER).clearance_m
            for at in (near, near.model_copy(update=further))
        )
        self.assertGreaterEqual(after, before - AGREED_M)


class TurningTests(TestCase):
    @settings(max_examples=60)
    @given(swingers(), boxes(), st.integers(1, 3))
    def test_turning_the_room_with_its_contents_changes_nothing(self, who: Player, box: Box, turns: int) -> None:
        """A swing at a target line turned in the room as it is, against the core's in the room told from there."""
        (x0, y0, z0), (x1, y1, z1) = box.low, box.high
        here = thing(x_m=x0, y_m=y0, z_m=z0, width_m=x1 - x0, length_m=y1 - y0, height_m=z1 - z0, fixed_to="floor")
        where = room(things=[here.model_dump()])
        there = turned_room(where, turns)
        x, y = BALL[:2]
        for _ in range(turns):
            x, y = y, where.width_m - x
            where = where.model_copy(update={"width_m": where.length_m, "length_m": where.width_m})
        found = around(there, layout(ball_x_m=x, ball_y_m=y), who).closest_thing(who, Club.SEVEN_IRON).clearance_m
        tall = Box((here.x_m, here.y_m, -50.0), (x1, y1, here.z_m + here.height_m))
        expected = sampled_m(who, Club.SEVEN_IRON, BALL, tall, toward=turns)
        self.assertAlmostEqual(found, expected, delta=2 * AGREED_M)

    def test_four_quarters_are_a_full_turn(self) -> None:
        where = room(
            ceiling_shape="high_left",
            ridge_m=3.6,
            things=[thing(decision="move", new_x_m=0.4, new_y_m=1.0).model_dump()],
            stored=[stored(while_playing="moved", play_x_m=0.2, play_y_m=0.1).model_dump()],
            openings=[
                {
                    "id": "door",
                    "kind": "door",
                    "name": "door",
                    "wall": "left",
                    "along_m": 1,
                    "width_m": 0.9,
                    "height_m": 2,
                }
            ],
            sockets=[{"id": "socket", "name": "socket", "wall": "rear", "along_m": 1.2}],
            joists={"along": True, "first_m": 0.3, "spacing_m": 0.6},
        )
        self.assertEqual(turned_room(where, 4), where)
        self.assertEqual(turned_room(turned_room(where, 1), 3), where)
        self.assertEqual(turned_room(turned_room(where, 3), 1), where)
        self.assertEqual(turned_room(where, 2).openings[0].wall, "right")

    def test_the_ceiling_stays_over_the_same_corner(self) -> None:
        for shape in CeilingShape:
            where: Room = room(ceiling_shape=shape, ridge_m=3.8)
            x, y, there = 1.1, 2.3, where
            for _ in range(4):
                x, y = y, there.width_m - x
                there = turned_room(there, 1)
                here_m, there_m = ceiling_of(where).height_m(1.1, 2.3), ceiling_of(there).height_m(x, y)
                self.assertAlmostEqual(here_m, there_m, msg=shape.value)
