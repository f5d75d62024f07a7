"""Solids of both layouts, and what is in each other's way."""

from typing import Any
from unittest import TestCase

from core.checks.limits import State
from core.checks.verdict import Told
from core.geometry.boxes import Box
from core.geometry.ceiling import ceiling_of
from core.geometry.conflicts import conflicts, free_shift, near
from core.geometry.solids import Group, door_sweeps, nearest_wall, stored_solids, thing_solids
from core.model.room import Room
from core.model.things import Looked, Wall
from core.quantities import UnitSystem
from core.report import evaluate
from core.report.evaluation_of import evaluation_of
from tests.core import worlds
from tests.core.worlds import door, room, stored, thing

METRIC = UnitSystem.METRIC


def verdict(id: str, where: Room, **layout: Any) -> Told:
    looked = where.model_copy(update={"none_of": tuple(Looked)})
    build = worlds.full_build(room=looked, layout=worlds.layout(**layout), brief=worlds.full_brief())
    report = evaluate(build, worlds.full_parts())
    return report.told(next(v for v in report.verdicts if v.id == id))


class NearTests(TestCase):
    def test_what_is_within_reach_along_every_axis(self) -> None:
        """A part 0.5 m beside, beyond or above a thing of a metre is near within 0.6 m, and not within 0.4."""
        (thing_solid,) = thing_solids(room(things=[thing(x_m=1, y_m=2, z_m=1, width_m=1, length_m=1).model_dump()]))
        standing = thing_solid._replace(box=Box((1, 2, 1), (2, 3, 2)))
        for x, y, z in ((2.5, 2, 1), (1, 3.5, 1), (1, 2, 2.5), (-0.5, 2, 1), (1, 0.5, 1), (1, 2, -0.5)):
            part = standing._replace(box=Box((x, y, z), (x + 1, y + 1, z + 1)))
            for within_m, found in ((0.6, [(standing, part)]), (0.4, [])):
                with self.subTest(at=(x, y, z), within_m=within_m):
                    self.assertEqual(near([standing], [part], within_m), found)


class SolidTests(TestCase):
    def test_what_hangs_has_nothing_above_it_and_what_stands_nothing_below(self) -> None:
        hanging, standing = (
            thing_solids(room(things=[thing(fixed_to=to).model_dump()]))[0].reach for to in ("ceiling", "floor")
        )
        self.assertEqual((hanging.high[2], standing.low[2]), (float("inf"), float("-inf")))

    def test_a_shelf_is_fixed_to_the_wall_that_it_is_nearest_to(self) -> None:
        where = room()
        for box, wall in (
            (Box((0, 3, 1), (0.3, 4, 1.3)), Wall.LEFT),
            (Box((4.3, 3, 1), (4.6, 4, 1.3)), Wall.RIGHT),
            (Box((2, 0, 1), (3, 0.3, 1.3)), Wall.SCREEN),
            (Box((2, 6.6, 1), (3, 7.0, 1.3)), Wall.REAR),
        ):
            self.assertIs(nearest_wall(box, where), wall)

    def test_decisions_count(self) -> None:
        """Padded by 50 mm, at its new place as far as that is known, or gone."""
        padded = thing_solids(room(things=[thing(decision="pad").model_dump()]))[0].box
        self.assertAlmostEqual(padded.low[2], 2.75)
        moved = thing_solids(room(things=[thing(decision="move", new_y_m=6.0).model_dump()]))[0].box
        self.assertEqual(moved.low, (0.0, 6.0, 2.8))
        self.assertEqual(thing_solids(room(things=[thing(decision="remove").model_dump()])), ())

    def test_a_stored_thing_is_elsewhere_or_away_while_people_play(self) -> None:
        at = {"x_m": 1.0, "y_m": 2.0, "play_x_m": 3.0}
        for while_playing, low in (("out", None), ("stays", (1.0, 2.0, 0.0)), ("moved", (3.0, 2.0, 0.0))):
            where = room(stored=[stored(while_playing=while_playing, **at).model_dump()])
            found = [solid.box.low for solid in stored_solids(where, playing=True)]
            self.assertEqual(found, [] if low is None else [low])
            self.assertEqual(stored_solids(where, playing=False)[0].box.low, (1.0, 2.0, 0.0))


class ConflictTests(TestCase):
    def found(self, where: Room) -> list[tuple[str, str]]:
        solids = (*thing_solids(where), *door_sweeps(where), *stored_solids(where, playing=False))
        return [(c.first.name, c.second.name) for c in conflicts(solids, where, ceiling_of(where))]

    def test_touching_is_no_conflict(self) -> None:
        bench = stored(id="bench", name="bench", x_m=1.5, y_m=2.8, width_m=0.6, length_m=1.8, height_m=0.9)
        self.assertEqual(self.found(room(stored=[stored().model_dump(), bench.model_dump()])), [])

    def test_the_overlap_is_told_along_each_axis(self) -> None:
        bench = stored(id="bench", name="bench", x_m=1.2, y_m=6.0, width_m=0.6, length_m=1.0, height_m=0.9)
        where = room(stored=[stored().model_dump(), bench.model_dump()])
        solids = stored_solids(where, playing=False)
        (conflict,) = conflicts(solids, where, ceiling_of(where))
        for found, expected in zip(conflict.overlap_m, (0.3, 1.0, 0.9), strict=True):
            self.assertAlmostEqual(found, expected)

    def test_walls_and_a_low_roof_count(self) -> None:
        tall = stored(y_m=3.5, height_m=2.9).model_dump()
        self.assertEqual(self.found(room(stored=[tall])), [("dinghy", "rear wall")])
        low = room(stored=[stored(height_m=2.9).model_dump()], ceiling_m=2.8)
        self.assertEqual(self.found(low), [("dinghy", "ceiling")])

    def test_a_door_meets_only_what_is_within_its_width_of_the_hinges(self) -> None:
        """Hinged at 1.0 m in the rear wall, 0.90 wide: a crate in the far corner of its square is 0.92 m away."""
        near = stored(x_m=1.0, y_m=6.2, width_m=0.3, length_m=0.3).model_dump()
        far = stored(x_m=1.65, y_m=6.1, width_m=0.2, length_m=0.25).model_dump()
        self.assertEqual(len(self.found(room(openings=[door()], stored=[near]))), 1)
        self.assertEqual(self.found(room(openings=[door()], stored=[far])), [])
        self.assertEqual(self.found(room(openings=[door(opens="outward")], stored=[near])), [])

    def test_the_shortest_way_out_is_free_of_everything(self) -> None:
        post = thing(kind="column", x_m=1.4, y_m=5.0, z_m=0, width_m=0.2, length_m=0.2, height_m=3, fixed_to="floor")
        where = room(things=[post.model_dump()], stored=[stored(x_m=0.2).model_dump()])
        solids = (*thing_solids(where), *stored_solids(where, playing=False))
        (conflict,) = conflicts(solids, where, ceiling_of(where))
        post_solid, dinghy = conflict.first, conflict.second
        shift = free_shift(dinghy, post_solid, solids, where, ceiling_of(where), 0.0)
        assert shift is not None
        self.assertAlmostEqual(shift[0], 1.4, msg="0.3 to the left would stand in the wall")
        stuck = room(width_m=1.8, things=[post.model_dump()], stored=[stored(length_m=7.0, y_m=0).model_dump()])
        solids = (*thing_solids(stuck), *stored_solids(stuck, playing=False))
        worst = conflicts(solids, stuck, None)[0]
        self.assertIsNone(free_shift(worst.second, worst.first, solids, stuck, None, 0.0))

    def test_the_rooms_own_things_may_touch(self) -> None:
        post = thing(id="post", x_m=1.0, fixed_to="floor")
        self.assertEqual(self.found(room(things=[thing().model_dump(), post.model_dump()])), [])
        self.assertIs(thing_solids(room(things=[post.model_dump()]))[0].group, Group.ROOM)


class LayoutVerdictTests(TestCase):
    def test_a_dinghy_under_a_standing_enclosure(self) -> None:
        """The box is 1.00 deep from 0.40, its left side at 0.85 to 0.90: the hull from 1.2 m on is 0.20 in it."""
        where = room(stored=[stored(x_m=0.0, y_m=1.2).model_dump()])
        answer = verdict("layout.stowed", where, stays_up=("enclosure",))
        self.assertIs(answer.state, State.BLOCKED)
        self.assertIn("enclosure's left side", answer.headline.text(METRIC))
        self.assertIn("dinghy", answer.headline.text(METRIC))
        cures = [cure.words.text(METRIC) for cure in answer.cures]
        self.assertIn("Take the enclosure down while the room is stowed.", cures)
        self.assertIs(verdict("layout.stowed", where, stays_up=()).state, State.CLEAR)

    def test_what_the_cure_says_cures(self) -> None:
        where = room(stored=[stored(x_m=0.0, y_m=1.2).model_dump()])
        cure = verdict("layout.stowed", where, stays_up=("enclosure",)).cures[0].words.text(METRIC)
        self.assertEqual(cure, "Move dinghy 250 mm back: then it is free.")
        moved = room(stored=[stored(x_m=0.0, y_m=1.45).model_dump()])
        self.assertIs(verdict("layout.stowed", moved, stays_up=("enclosure",)).state, State.CLEAR)

    def test_a_bench_where_the_golfer_stands(self) -> None:
        bench = stored(name="bench", x_m=1.1, y_m=3.2, width_m=0.5, length_m=0.6, height_m=0.5, while_playing="stays")
        answer = verdict("layout.playing", room(stored=[bench.model_dump()]))
        self.assertIs(answer.state, State.BLOCKED)
        self.assertIn("at the ball", answer.headline.text(METRIC))
        cures = [cure.words.text(METRIC) for cure in answer.cures]
        self.assertIn("Take bench out while people play.", cures)
        self.assertFalse([cure for cure in cures if "while the room is stowed" in cure])

    def test_a_door_is_called_by_its_name(self) -> None:
        for name, told in (("door", "swing of the door"), ("boat door", "swing of boat door")):
            (sweep,) = door_sweeps(room(openings=[door(name=name)]))
            self.assertEqual(sweep.name, told)

    def test_an_empty_room_is_not_asked(self) -> None:
        empty = worlds.full_build(room=room(none_of=(Looked.THINGS, Looked.OPENINGS)))
        ids = {v.id for v in evaluate(empty, worlds.full_parts()).verdicts}
        self.assertFalse({"layout.playing", "layout.stowed", "swing.things"} & ids)


class WayOutTests(TestCase):
    def test_a_thing_is_told_to_move_the_way_that_frees_it(self) -> None:
        """Two boxes 1 m long and wide that overlap by 0.10 m: one moves by that and a hand's breadth, away."""
        for place, words in (
            ({"x_m": 1.1, "y_m": 4.0}, "Move one 150 mm left: then it is free."),
            ({"x_m": 2.9, "y_m": 4.0}, "Move one 150 mm right: then it is free."),
            ({"x_m": 2.0, "y_m": 3.1}, "Move one 150 mm toward the screen: then it is free."),
            ({"x_m": 2.0, "y_m": 4.9}, "Move one 150 mm back: then it is free."),
        ):
            size = {"width_m": 1.0, "length_m": 1.0, "height_m": 1.0, "while_playing": "out"}
            one = worlds.stored(id="one", name="one", **size, **place).model_dump()
            other = worlds.stored(id="other", name="other", **size, x_m=2.0, y_m=4.0).model_dump()
            build = worlds.full_build(room=worlds.room(stored=[one, other]), chain={})
            found = evaluation_of(build, {})
            (verdict,) = found.of_check("layout.stowed")
            self.assertIn(words, [change.words.text(UnitSystem.METRIC) for change in found.told(verdict).cures])
