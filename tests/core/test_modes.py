"""Other uses of the room: what is kept clear, with what is up and what is out, and what a press then does."""

from typing import Any
from unittest import TestCase

from core.checks.limits import State
from core.checks.modes import ModeLayouts
from core.contents.changes import ContentGroup, with_usual, without
from core.model.build import Build
from core.model.modes import KeptClear
from core.model.room import Room
from core.model.things import BayPart
from core.model.typed import FieldErrors
from core.quantities import UnitSystem
from core.report.evaluate import evaluate, mode_scene
from core.report.evaluation_of import evaluation_of
from tests.core import worlds
from tests.core.matrix.case import mode, zone
from tests.core.random_builds import furnished_build, sample_parts, seeds


def world(*modes: dict[str, Any], zones: tuple[dict[str, Any], ...] = (), **facts: Any) -> Build:
    """The full build, 4.6 × 7.0 m, whose room is used otherwise too."""
    return worlds.full_build(room=worlds.full_room(modes=modes, kept_clear=zones, **facts), brief=worlds.full_brief())


def told(build: Build) -> tuple[State, str]:
    report = evaluate(build, worlds.full_parts())
    verdict = next(verdict for verdict in report.verdicts if verdict.id == "layout.modes")
    return verdict.state, report.told(verdict).headline.text(UnitSystem.METRIC)


class UsualTests(TestCase):
    def test_a_mode_comes_with_what_it_usually_keeps_clear(self) -> None:
        room = with_usual(Room(), ContentGroup.MODES, "films")
        self.assertEqual([one.name for one in room.modes], ["films"])
        self.assertEqual([(one.kind, one.mode) for one in room.kept_clear], [("seats", "films")])

    def test_a_zone_names_its_mode(self) -> None:
        room = with_usual(Room(), ContentGroup.MODES, "gym")
        self.assertEqual(len(with_usual(room, ContentGroup.KEPT_CLEAR, "way", "gym").kept_clear), 2)
        with self.assertRaises(FieldErrors):
            with_usual(room, ContentGroup.KEPT_CLEAR, "way", "films")

    def test_the_zones_of_a_mode_go_with_it(self) -> None:
        room = without(with_usual(Room(), ContentGroup.MODES, "gym"), ContentGroup.MODES, "gym")
        self.assertEqual((room.modes, room.kept_clear), ((), ()))

    def test_a_room_without_modes_is_not_asked(self) -> None:
        report = evaluate(worlds.full_build(), worlds.full_parts())
        self.assertNotIn("layout.modes", [verdict.id for verdict in report.verdicts])


class ClearTests(TestCase):
    def test_what_is_up_counts_in_that_mode_only(self) -> None:
        """Seats 0.6 to 1.5 m from the screen wall are in the enclosure, 1.0 deep from 0.40 on, while that is up."""
        seats = zone("seats", "films", x_m=0.4, y_m=0.6)
        state, words = told(world(mode("films", stays_up=("enclosure",)), zones=(seats,)))
        self.assertIs(state, State.BLOCKED)
        self.assertIn("films: enclosure's left side is in seats", words)
        self.assertIs(told(world(mode("films"), zones=(seats,)))[0], State.CLEAR)

    def test_a_mat_is_stepped_over(self) -> None:
        floor = zone("open_floor", "gym", x_m=1.3, y_m=2.5, length_m=2.0, height_m=2.2)
        self.assertIs(told(world(mode("gym", stays_up=("mat",)), zones=(floor,), stored=()))[0], State.CLEAR)

    def test_what_is_out_is_in_nobodys_way(self) -> None:
        boat = worlds.stored(x_m=1.2, y_m=5.4, width_m=2.2, length_m=1.1, height_m=1.5)
        seats = zone("seats", "films", x_m=1.3, y_m=5.5)
        here = {"stored": (boat.model_dump(),), "openings": (), "none_of": ("openings",)}
        self.assertIs(told(world(mode("films"), zones=(seats,), **here))[0], State.BLOCKED)
        self.assertIs(told(world(mode("films", out=(boat.id,)), zones=(seats,), **here))[0], State.CLEAR)

    def test_who_looks_on_is_behind_the_ball_and_out_of_the_swings(self) -> None:
        """The ball is 3.5 m from the screen wall; a corner 2.0 m behind it is out of every swing."""
        looking = mode("spectators", plays=True)
        for y_m, state in ((3.0, State.BLOCKED), (3.6, State.BLOCKED), (5.9, State.CLEAR)):
            seats = zone("seats", "spectators", x_m=1.3, y_m=y_m)
            with self.subTest(y_m=y_m):
                self.assertIs(told(world(looking, zones=(seats,)))[0], state)

    def test_a_zone_beyond_the_wall_is_in_it(self) -> None:
        state, words = told(world(mode("gym"), zones=(zone("open_floor", "gym", x_m=3.6, y_m=4.0),)))
        self.assertIs(state, State.BLOCKED)
        self.assertIn("right wall", words)

    def test_it_is_drawn(self) -> None:
        build = world(mode("films", stays_up=("screen",)), zones=(zone("seats", "films", x_m=1.3, y_m=5.5),))
        report = evaluate(build, worlds.full_parts())
        scene = mode_scene(build, report, "films")
        assert scene is not None
        self.assertLessEqual({"kept-clear", "standing"}, {shape.meaning for shape in scene.shapes})
        self.assertIn("kept_clear/seats-zone.y_m", [line.field for line in scene.dimensions])
        self.assertIsNone(mode_scene(build, report, "gym"))


class PressTests(TestCase):
    def test_a_press_frees_what_it_says(self) -> None:
        """Over random builds: what was in the zone is no longer, or the zone is as wide or as far as was said."""
        pressed = set()
        for seed in seeds(60):
            build = furnished_build(seed)
            report = evaluate(build, sample_parts())
            verdict = next((one for one in report.verdicts if one.id == "layout.modes"), None)
            if verdict is None or verdict.state not in (State.BLOCKED, State.TIGHT):
                continue
            before = report.told(verdict)
            for cure in before.cures:
                if cure.act is None:
                    continue
                pressed.add(cure.words.template)
                after = cure.act(build)
                Build.model_validate(after.model_dump())
                there = evaluate(after, sample_parts())
                now = next(one for one in there.verdicts if one.id == "layout.modes")
                words = there.told(now).headline.text(UnitSystem.METRIC)
                with self.subTest(seed=seed, cure=cure.words.template):
                    self.assertNotEqual(words, before.headline.text(UnitSystem.METRIC))
        self.assertGreaterEqual(len(pressed), 4)


class PermanentTests(TestCase):
    def test_a_bay_that_is_not_packed_away_stays_up(self) -> None:
        """Whatever was ticked before: nobody takes it down for the boat."""
        boat = worlds.stored(x_m=0.0, y_m=1.2).model_dump()
        for packed_away, blocked in ((False, True), (True, False)):
            build = worlds.full_build(
                room=worlds.full_room(stored=(boat,), openings=(), none_of=("openings",)),
                brief=worlds.full_brief(packed_away=packed_away),
                layout=worlds.layout(stays_up=()),
            )
            state = next(
                one.state for one in evaluate(build, worlds.full_parts()).verdicts if one.id == "layout.stowed"
            )
            self.assertIs(state is State.BLOCKED, blocked)

    def test_mode_layouts_hold_all_of_the_bay_while_somebody_plays(self) -> None:
        layouts = evaluation_of(world(mode("spectators", plays=True)), worlds.full_parts()).reading(ModeLayouts)
        assert layouts is not None
        keys = {solid.key for solid in layouts.layouts[0].solids}
        self.assertLessEqual({BayPart.SCREEN, BayPart.ENCLOSURE, BayPart.MAT, BayPart.MONITOR}, keys)


class BoundTests(TestCase):
    def test_a_zone_is_at_least_as_high_as_a_step(self) -> None:
        with self.assertRaises(ValueError):
            KeptClear.model_validate(zone("seats", "films", x_m=0.0, y_m=0.0, height_m=0.1))
