"""A difference put onto the report that it was made from is the report itself, over random builds and moves."""

from random import Random
from typing import Any
from unittest import TestCase

from pydantic import TypeAdapter

from core.formats.report_json import report_json
from core.formats.report_json.difference import ReportChange, report_change
from core.formats.report_json.report import ReportJson, doubts_by_check
from core.formats.report_json.verdicts import verdict_json
from core.model.build import Build
from core.model.room import Layout
from core.quantities import UnitSystem
from core.report import evaluate
from tests.core.matrix.case import TODAY
from tests.core.random_builds import random_build, sample_parts

WHOLE = TypeAdapter(ReportJson)
CHANGE = TypeAdapter(ReportChange)
MOVES = 4


def put_onto(items: list[Any], change: dict[str, Any]) -> list[Any]:
    """A list with its difference, as whoever shows it puts it on."""
    places = range(change["length"])
    return [change["at"].get(str(place), items[place] if place < len(items) else None) for place in places]


def with_difference(whole: dict[str, Any], change: dict[str, Any]) -> dict[str, Any]:
    found = {**whole, **{name: value for name, value in change["summary"].items() if value is not None}}
    for name in ("verdicts", "small_items"):
        found[name] = put_onto(whole[name], change[name])
    for name in ("scene", "stowed"):
        if change[name] is not None:
            was, now = whole[name], change[name]
            lists = {part: put_onto(was[part], now[part]) for part in ("shapes", "dimensions", "handles")}
            found[name] = {**now, **lists}
    return found


def moved(build: Build, dice: Random) -> Build:
    """The ball, the screen or a thing somewhere else."""
    if build.room.things and dice.random() < 0.4:
        thing = build.room.things[0].model_copy(update={"y_m": round(dice.uniform(0, 3), 3)})
        return build.model_copy(update={"room": build.room.model_copy(update={"things": (thing,)})})
    changes = {
        "ball_x_m": round(dice.uniform(0.5, build.room.width_m - 0.5), 3),
        "ball_y_m": round(dice.uniform(2.0, build.room.length_m - 0.5), 3),
        "screen_y_m": round(dice.uniform(0.1, 1.0), 3),
    }
    field = dice.choice(list(changes))
    layout = Layout.model_validate({**build.layout.model_dump(), field: changes[field]})
    return build.model_copy(update={"layout": layout})


class DifferenceTests(TestCase):
    def test_a_difference_makes_the_whole(self) -> None:
        dice = Random(77)
        for seed in range(20):
            build = random_build(seed)
            for system in (UnitSystem.METRIC, UnitSystem.IMPERIAL):
                before = evaluate(build, sample_parts(), today=TODAY)
                told = report_json(before, system)
                sent = WHOLE.dump_python(told, mode="json")
                for _ in range(MOVES):
                    there = moved(build, dice)
                    after = evaluate(there, sample_parts(), today=TODAY, before=before)
                    change = CHANGE.dump_python(report_change(after, before, told, system), mode="json")
                    alone = evaluate(there, sample_parts(), today=TODAY)
                    with self.subTest(seed=seed):
                        self.assertEqual(
                            with_difference(sent, change), WHOLE.dump_python(report_json(alone, system), mode="json")
                        )

    def test_what_leans_on_doubts_is_tried_again_once_something_is_let_go(self) -> None:
        parts = sample_parts()
        for seed in range(10):
            build = random_build(seed)
            before = evaluate(build, parts, today=TODAY)
            there = moved(build, Random(seed))
            dragged = evaluate(there, parts, today=TODAY, before=before, moving=True)
            dropped = evaluate(there, parts, today=TODAY, before=before)
            with self.subTest(seed=seed):
                self.assertIs(dragged.leanings, before.leanings)
                self.assertEqual(dragged.verdicts, dropped.verdicts)
                self.assertEqual(dropped.leanings, evaluate(there, parts, today=TODAY).leanings)

    def test_verdicts_are_told_as_if_nobody_had_told_them_before(self) -> None:
        """Over edits of one build after the other, in both systems, with what was told of all of them still kept."""
        dice, again = Random(5), 0
        for seed in range(12):
            build = random_build(seed)
            for _ in range(MOVES):
                build = moved(build, dice)
                renamed = [p.model_copy(update={"name": f"{p.name}{dice.randint(1, 2)}"}) for p in build.brief.players]
                brief = build.brief.model_copy(update={"players": tuple(renamed)})
                build = build.model_copy(update={"brief": brief, "name": f"B{dice.randint(1, 3)}"})
                report = evaluate(build, sample_parts(), today=TODAY)
                for system in (UnitSystem.METRIC, UnitSystem.IMPERIAL):
                    doubts = doubts_by_check(report, system)
                    told = report_json(report, system).verdicts
                    afresh = [verdict_json(report.told(v), system, doubts.get(v.id, [])) for v in report.verdicts]
                    with self.subTest(seed=seed):
                        self.assertEqual(told, afresh)
                        same = report_json(report, system).verdicts
                        again += sum(one is other for one, other in zip(told, same, strict=True))
        self.assertGreater(again, 1_000, "most of them are kept")
