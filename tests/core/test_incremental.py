"""Asking again only what changed comes to the same as asking everything."""

from typing import Any
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from core.checks.registry import Answers
from core.model.build import Build, Slot
from core.quantities import UnitSystem
from core.report.alternatives import alternatives
from core.report.evaluate import answers_of
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


def told(answers: Answers) -> list[tuple[object, ...]]:
    return [
        (v.id, v.subject, v.state, v.headline.text(UnitSystem.METRIC), v.measured, v.required, v.margin)
        for v in answers.verdicts
    ]


class IncrementalTests(TestCase):
    @settings(max_examples=60)
    @given(st.sampled_from(CHANGES), st.sampled_from(CHANGES))
    def test_from_any_build_to_any_other(self, one: dict[str, Any], other: dict[str, Any]) -> None:
        before_build, before_parts = world(one)
        build, parts = world(other)
        before = answers_of(before_build, before_parts, today=TODAY)
        self.assertEqual(
            told(answers_of(build, parts, today=TODAY, before=before)), told(answers_of(build, parts, today=TODAY))
        )

    def test_a_check_that_reads_nothing_that_changed_keeps_its_answer(self) -> None:
        build, parts = world({})
        before = answers_of(build, parts)
        after = answers_of(*world({"hung_monitor__plan": "full"}), before=before)
        self.assertIs(after.by_check["room.gap_behind_screen"], before.by_check["room.gap_behind_screen"])

    def test_weighing_leaves_the_build_as_it_was(self) -> None:
        build, parts = world({})
        document = Build.model_validate(build.model_dump())
        for slot in Slot:
            alternatives(build, parts, slot)
        self.assertEqual(build, document)
