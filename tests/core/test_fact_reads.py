"""Which checks read which facts, against clearing the fact and looking what becomes unknown; and doubts."""

from datetime import date
from unittest import TestCase

from core.checks.fact_reads import OF_EVERY_PART, checks_reading, facts_by_check
from core.checks.register import REGISTRY
from core.model.parts import KINDS, FactSource, Projector, kind_of
from core.quantities import UnitSystem
from core.report import evaluate
from core.report.doubts import doubts_of
from core.report.evaluate import answers_of
from tests.core import worlds
from tests.core.matrix.case import TODAY, world

FEW = ("note", "plans", "monitor_links", "machine_needs", "shapes", "platforms", "measures")


class FactReadTests(TestCase):
    def test_whatever_changes_when_a_fact_is_cleared_is_said_to_read_it(self) -> None:
        build, parts = world({})
        before = {(v.id, v.subject): v.headline for v in answers_of(build, parts, today=TODAY).verdicts}
        for part in worlds.full_parts().values():
            for field, info in type(part).model_fields.items():
                if info.is_required() or field in OF_EVERY_PART or field in FEW or getattr(part, field) is None:
                    continue
                cleared = part.model_copy(update={field: info.default})
                after = answers_of(build, {**parts, part.id: cleared}, today=TODAY).verdicts
                changed = {v.id for v in after if before.get((v.id, v.subject)) != v.headline}
                with self.subTest(part=part.id, field=field):
                    self.assertLessEqual(changed, set(checks_reading(KINDS[kind_of(part)], field)))

    def test_a_fact_is_read_through_what_is_derived(self) -> None:
        self.assertIn("picture.throw", checks_reading(KINDS["projector"], "throw_min"))
        self.assertIn("display.cable", checks_reading(KINDS["projector"], "throw_min"), "by the place of the lens")
        self.assertIn("display.cable", checks_reading(KINDS["video_cable"], "length_m"), "out of the kit")
        self.assertIn("money.up_front", checks_reading(KINDS["mat"], "price"))
        self.assertEqual(checks_reading(KINDS["case"], "material"), ())
        self.assertEqual(set(facts_by_check()), {check.id for check in REGISTRY.checks})

    def test_every_fact_of_every_kind_says_what_it_means(self) -> None:
        for kind, sheet in KINDS.items():
            self.assertTrue(sheet.__doc__)
            for field, info in sheet.model_fields.items():
                if field not in ("kind", "sources"):
                    self.assertTrue(info.description, f"{kind}.{field}")


class DoubtTests(TestCase):
    PART = worlds.projector(
        sources={
            "throw_min": FactSource(source="maker's sheet", seen=date(2026, 6, 1), other=0.72, other_source="a shop"),
            "lumens": FactSource(source="maker's sheet", seen=date(2025, 1, 1)),
        }
    )

    def test_disputed_and_old_facts_are_told(self) -> None:
        told = {doubt.field: doubt.what.text(UnitSystem.METRIC) for doubt in doubts_of(self.PART, TODAY)}
        self.assertEqual(told["throw_min"], "Lamp, least throw ratio: maker's sheet says 0.69, a shop says 0.72")
        self.assertEqual(told["lumens"], "Lamp, brightness: read 23 months ago in maker's sheet")
        self.assertNotIn("lumens", {doubt.field for doubt in doubts_of(self.PART, None)}, "old only against a date")

    def test_a_report_hangs_doubts_on_the_checks_that_lean_on_them(self) -> None:
        parts = {**worlds.full_parts(), "projector": self.PART}
        by_field = {doubt.field: doubt.checks for doubt in evaluate(worlds.full_build(), parts, today=TODAY).doubts}
        self.assertIn("picture.luminance", by_field["lumens"])
        self.assertNotIn("picture.throw", by_field["lumens"])

    def test_on_a_disputed_fact_leans_what_the_other_value_changes(self) -> None:
        """The lens hangs from 3.19 m on, or from 3.33 m; yearly fees and outputs are the same with either."""
        parts = {**worlds.full_parts(), "projector": self.PART}
        report = evaluate(worlds.full_build(), parts, today=TODAY)
        (throw,) = (doubt for doubt in report.doubts if doubt.field == "throw_min")
        self.assertIn("picture.throw", throw.checks)
        self.assertIn("money.yearly", checks_reading(Projector, "throw_min"), "by the length of a cable that is bought")
        self.assertNotIn("money.yearly", throw.checks)
        self.assertNotIn("machine.outputs", throw.checks)

    def test_a_source_of_no_fact_is_refused(self) -> None:
        with self.assertRaisesRegex(ValueError, "no fact of this sheet"):
            worlds.projector(sources={"colour": FactSource(source="a shop")})
