"""Asking again only what is not remembered comes to the same as asking everything."""

from typing import Any
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from core.checks import GRAPH
from core.checks.evaluation import Evaluation
from core.checks.memo import Memo
from core.checks.readings import Today, given_readings
from core.model.build import Build, Slot
from core.model.room import Layout
from core.report.alternatives import alternatives
from core.report.evaluation_of import evaluation_of
from tests.core import worlds
from tests.core.matrix.case import TODAY, extra, world

CHANGES: tuple[dict[str, Any], ...] = (
    {"room__width_m": 5.2},
    {"room__ceiling_m": 2.4, "room__things": ()},
    {"layout__ball_y_m": 4.2},
    {"layout__lens_height_m": 2.5},
    {"brief__players": (worlds.player("Bo", height_m=1.5).model_dump(),)},
    {"brief__noise": "any", "brief__up_front_cap_minor": 100_000},
    {"without": ("display",)},
    {"without": ("monitor", "mat")},
    {"hung_monitor__plan": "full"},
    {"beside": [extra("heater", "Blower", method="fan", power_w=2000)]},
    {"screen__width_m": None},
    {"enclosure__depth_m": 3.0},
    {"title__shapes": ("1:1",)},
)


class IncrementalTests(TestCase):
    @settings(max_examples=30)
    @given(st.sampled_from(CHANGES), st.sampled_from(CHANGES))
    def test_a_memory_of_another_build_changes_nothing(self, one: dict[str, Any], other: dict[str, Any]) -> None:
        memo = Memo()
        for changes in (one, other):
            build, parts = world(changes)
            given = given_readings(build, parts, Today(TODAY))
            remembered = Evaluation(GRAPH, given, build.brief.players, memo)
            afresh = Evaluation(GRAPH, given, build.brief.players, Memo())
            self.assertEqual(remembered.verdicts, afresh.verdicts)
            told = [[found.told(v).headline for v in found.verdicts] for found in (remembered, afresh)]
            self.assertEqual(*told)

    @settings(max_examples=30)
    @given(st.sampled_from(CHANGES), st.sampled_from(CHANGES))
    def test_what_no_changed_field_reaches_is_taken_over(self, one: dict[str, Any], other: dict[str, Any]) -> None:
        """With nothing remembered but the evaluation before: what is taken over from it is what would come out."""
        before: Evaluation | None = None
        for changes in (one, other):
            build, parts = world(changes)
            given = given_readings(build, parts, Today(TODAY))
            beside = Evaluation(GRAPH, given, build.brief.players, Memo(), before)
            afresh = Evaluation(GRAPH, given, build.brief.players, Memo())
            self.assertEqual(beside.verdicts, afresh.verdicts)
            before = beside
            self.assertTrue(before.verdicts)

    def test_a_field_touches_what_reads_it_and_no_more(self) -> None:
        moved = GRAPH.touched_by({Layout: frozenset({"ball_x_m"})})
        anything = GRAPH.touched_by({Layout: None})
        self.assertIn("swing.side_walls", moved)
        self.assertNotIn("picture.throw", moved)
        self.assertIn("picture.throw", anything)
        self.assertLess(moved, anything)

    def test_what_is_remembered_is_forgotten_when_there_is_too_much(self) -> None:
        memo = Memo(most=2)
        for width in (4.6, 4.7, 4.8, 4.6):
            build, parts = world({"room__width_m": width})
            given = given_readings(build, parts)
            verdicts = Evaluation(GRAPH, given, build.brief.players, memo).verdicts
            self.assertEqual(verdicts, Evaluation(GRAPH, given, build.brief.players, Memo()).verdicts)

    def test_another_sheet_of_any_part_counts_at_once(self) -> None:
        """Also where the builds before and after hold the very same chain, extras and decisions."""
        beside = [extra("heater", "Blower", method="fan", power_w=2000), extra("lamp", "Spot", power_w=40)]
        build, parts = world({"beside": beside})
        before = evaluation_of(build, parts, today=TODAY)
        self.assertTrue(before.verdicts)
        for id, changes in (("blower", {"power_w": 900}), ("radar", {"power_w": 60}), ("screen", {"layers": 1})):
            other = {**parts, id: parts[id].model_copy(update=changes)}
            after = evaluation_of(build, other, before=before)
            with self.subTest(part=id):
                self.assertNotEqual(after.verdicts, before.verdicts)
                self.assertEqual(after.verdicts, evaluation_of(build, other, today=TODAY).verdicts)

    def test_weighing_leaves_the_build_as_it_was(self) -> None:
        build, parts = world({})
        document = Build.model_validate(build.model_dump())
        for slot in Slot:
            alternatives(build, parts, slot)
        self.assertEqual(build, document)
