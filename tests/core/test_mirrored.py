"""A mirrored build answers as the one that it mirrors; a turned room is the same room told from another wall."""

from unittest import TestCase

from core.checks import GRAPH
from core.checks.cable_ways import MachineSpot
from core.checks.limits import Limit
from core.checks.verdict import Verdict
from core.geometry.boxes import Box
from core.geometry.ceiling import ceiling_of
from core.geometry.solids import door_fittings, door_sweeps, stored_solids, thing_solids
from core.model.brief import Handedness
from core.model.build import Build
from core.model.room import Room
from core.model.turning import turned_room
from core.report.evaluation_of import evaluation_of
from tests.core.mirroring import mirrored
from tests.core.random_builds import furnished_build, sample_parts, seeds

HANDED = {"monitor.hands", "screen.sides", "room.fragile"}
"""What is made for one hand is not made for the other; one net for two hands hangs on the right."""
NEAR_M = 5e-4
"""Places are stored to the tenth of a millimetre."""


def machine_by_either_wall(build: Build) -> bool:
    """Nobody has placed it, and balls in the middle leave the choice: it stands at the left wall."""
    layout = build.layout
    balls = [layout.ball_of(hand)[0] for hand in Handedness]
    return layout.machine_x_m is None and abs(sum(balls) / 2 - build.room.width_m / 2) < NEAR_M


def of_the_machine(check: str) -> bool:
    return MachineSpot in GRAPH.reads_of(check)


def one_decides(verdict: Verdict) -> bool:
    """Not two limits that are missed by as much: then rounding says which of them is told."""
    missed = sorted(limit.headroom for limit in verdict.limits if limit.state is verdict.state)
    return len(missed) < 2 or missed[1] - missed[0] > NEAR_M


class MirrorTests(TestCase):
    def test_a_mirrored_build_answers_alike(self) -> None:
        compared = 0
        for seed in seeds(36):
            build = furnished_build(seed)
            here = evaluation_of(build, sample_parts())
            there = evaluation_of(mirrored(build), sample_parts())
            self.assertEqual(here.by_key.keys(), there.by_key.keys(), seed)
            for key, verdict in here.by_key.items():
                if verdict.id in HANDED or (machine_by_either_wall(build) and of_the_machine(verdict.id)):
                    continue
                other = there.by_key[key]
                with self.subTest(seed=seed, check=key):
                    limit, mirror = verdict.deciding, other.deciding
                    if not isinstance(limit, Limit) or not isinstance(mirror, Limit):
                        self.assertIs(verdict.state, other.state)
                        continue
                    if one_decides(verdict):
                        self.assertAlmostEqual(limit.measured, mirror.measured, delta=NEAR_M)
                    if min(abs(limit.headroom), abs(limit.spare)) > NEAR_M:
                        self.assertIs(verdict.state, other.state)
                    compared += 1
        self.assertGreater(compared, 1_800)


class TurnTests(TestCase):
    """Told from the wall to the right, what was y is x, and what was x counts from the other end as y."""

    def turned(self, box: Box, room: Room) -> tuple[float, ...]:
        (x0, y0, z0), (x1, y1, z1) = box.low, box.high
        return y0, room.width_m - x1, z0, y1, room.width_m - x0, z1

    def test_every_quarter_is_the_same_room(self) -> None:
        for seed in seeds(26):
            room = furnished_build(seed).room
            for _ in range(4):
                after = turned_room(room, 1)
                self.assertEqual((after.width_m, after.length_m), (room.length_m, room.width_m))
                for solids in (
                    thing_solids,
                    door_sweeps,
                    door_fittings,
                    lambda where: stored_solids(where, playing=True),
                    lambda where: stored_solids(where, playing=False),
                ):
                    here = sorted(self.turned(solid.box, room) for solid in solids(room))
                    there = sorted((*solid.box.low, *solid.box.high) for solid in solids(after))
                    for one, other in zip(here, there, strict=True):
                        for a, b in zip(one, other, strict=True):
                            self.assertAlmostEqual(a, b, delta=NEAR_M, msg=f"{seed}")
                for share_x in (0.1, 0.4, 0.9):
                    for share_y in (0.2, 0.7):
                        x, y = share_x * room.width_m, share_y * room.length_m
                        self.assertAlmostEqual(
                            ceiling_of(room).height_m(x, y), ceiling_of(after).height_m(y, room.width_m - x)
                        )
                room = after
