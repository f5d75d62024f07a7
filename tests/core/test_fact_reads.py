"""What a check declares that it reads, against what it really takes off records; and doubts, which follow from that."""

from collections.abc import Iterator
from contextlib import suppress
from datetime import date, timedelta
from functools import cache
from typing import Any
from unittest import TestCase
from unittest.mock import patch

from core.checks import GRAPH
from core.checks.declared import Check, Derivation, Read
from core.checks.doubts import doubts_of
from core.checks.evaluation import Evaluation
from core.checks.memo import Memo
from core.checks.needs import Need
from core.checks.readings import Today, given_readings
from core.model import facts
from core.model.kit import Beside
from core.model.parts import KINDS, FactSource, Projector, kind_of
from core.model.record import Record
from core.quantities import UnitSystem
from core.report import evaluate
from core.report.evaluation_of import evaluation_of
from tests.core import worlds
from tests.core.matrix.case import TODAY, world
from tests.core.matrix.test_matrix import TABLES
from tests.core.random_builds import furnished_build, sample_parts, seeds

FEW = ("note", "plans", "monitor_links", "machine_needs", "shapes", "platforms", "measures")
RANDOM_BUILDS = 36
NAMING = frozenset({"id", "name", "maker", "note", "kind", "sources"})


class Watch:
    """Which facts were taken off records, by the parameter that the record was passed as."""

    naming = False
    """A part is named in an error: that is no answer yet."""

    def __init__(self) -> None:
        self.taken: set[str] = set()
        self.looking = False

    def watched(self, read: Read, value: Any) -> Any:
        """`value` with every fact that is taken off it noted."""
        if isinstance(value, Beside):
            beside = type(value)(self._record(read, part) for part in value)
            beside.counts = value.counts
            return beside
        return self._record(read, value) if isinstance(value, Record) else value

    def _record(self, read: Read, record: Record) -> Record:
        kind = _watched_kind(type(record))
        copy: Record = kind.__new__(kind)
        object.__setattr__(copy, "__dict__", {**record.__dict__, "_watch": self, "_read": read})
        for held in ("__pydantic_fields_set__", "__pydantic_extra__", "__pydantic_private__"):
            object.__setattr__(copy, held, getattr(record, held, None))
        return copy


@cache
def _watched_kind(kind: Any) -> Any:
    def taking(self: Any, name: str) -> Any:
        if name in kind.model_fields:
            inside = object.__getattribute__(self, "__dict__")
            watch, read = inside["_watch"], inside["_read"]
            if watch.looking and not Watch.naming and read.facts is not None and name not in read.facts:
                watch.taken.add(f"{read.name}.{name}")
        return kind.__getattribute__(self, name)

    return type(kind.__name__, (kind,), {"__getattribute__": taking, "__module__": kind.__module__})


class Watching(Evaluation):
    """An evaluation in which every function is also run on records that note what is taken off them."""

    undeclared: set[str]

    def _arguments(self, node: Check | Derivation, number: int | None) -> tuple[object, ...] | None:
        values = super()._arguments(node, number)
        # What asks an evaluation for itself takes nothing off what it is declared to come from.
        if values is not None and not (isinstance(node, Derivation) and node.asks_on):
            watch = Watch()
            watched = [watch.watched(read, value) for read, value in zip(node.reads.each, values, strict=True)]
            watch.looking = True
            with suppress(facts.MissingFact, AssertionError, KeyError):
                node.run(*watched)
            name = node.id if isinstance(node, Check) else node.gives.__name__
            self.undeclared |= {f"{name}: {taken}" for taken in watch.taken}
        return values


def named(*args: Any) -> facts.MissingFact:
    """As `not_stated`, unwatched."""
    Watch.naming = True
    try:
        return NOT_STATED(*args)
    finally:
        Watch.naming = False


NOT_STATED = facts.not_stated


@patch("core.checks.screen.not_stated", named)
@patch("core.model.facts.not_stated", named)
class DeclaredTests(TestCase):
    def test_nothing_is_taken_off_a_record_that_is_not_declared(self) -> None:
        undeclared: set[str] = set()
        for table in TABLES:
            for check, cases in table.ROWS.items():
                for case in cases:
                    build, parts = world(case.changes)
                    found = Watching(GRAPH, given_readings(build, parts, Today(TODAY)), build.brief.players, Memo())
                    found.undeclared = undeclared
                    found.of_check(check)
        self.assertEqual(undeclared, set())

    def test_nor_in_builds_made_at_random(self) -> None:
        undeclared: set[str] = set()
        for seed in seeds(RANDOM_BUILDS):
            build = furnished_build(seed)
            given = given_readings(build, sample_parts(), Today(TODAY))
            found = Watching(GRAPH, given, build.brief.players, Memo())
            found.undeclared = undeclared
            self.assertTrue(found.verdicts)
        self.assertEqual(undeclared, set())

    def test_a_check_declares_all_that_is_asked_of_a_part_which_fills_a_place(self) -> None:
        nodes: tuple[Check | Derivation, ...] = (*GRAPH.checks, *GRAPH.derivations.values())
        for node in nodes:
            needs = [read.type.item for read in node.reads.each if issubclass(read.type, Need)]
            for read in node.reads.each:
                if issubclass(read.type, Beside):
                    asked = {fact for item in needs if issubclass(read.type.kind, item.kind) for fact in item.asks}
                    self.assertLessEqual(asked, set(read.facts or ()), node)

    def test_whatever_changes_when_a_fact_is_cleared_is_said_to_read_it(self) -> None:
        build, parts = world({})
        before = evaluation_of(build, parts, today=TODAY).by_key
        for part in worlds.full_parts().values():
            for field, info in type(part).model_fields.items():
                if info.is_required() or field in NAMING or field in FEW or getattr(part, field) is None:
                    continue
                cleared = part.model_copy(update={field: info.default})
                after = evaluation_of(build, {**parts, part.id: cleared}, today=TODAY).verdicts
                changed = {verdict.id for verdict in after if before.get(verdict.key) != verdict}
                with self.subTest(part=part.id, field=field):
                    self.assertLessEqual(changed, set(GRAPH.checks_reading(KINDS[kind_of(part)], field)))

    def test_whatever_another_answer_changes_is_said_to_read_it(self) -> None:
        build, parts = world({})
        before = evaluation_of(build, parts, today=TODAY).by_key
        for name, record in (("brief", build.brief), ("room", build.room), ("layout", build.layout)):
            for field, value in _others(record):
                changed_build = build.model_copy(update={name: record.model_copy(update={field: value})})
                after = evaluation_of(changed_build, parts, today=TODAY).verdicts
                changed = {verdict.id for verdict in after if before.get(verdict.key) != verdict}
                with self.subTest(name, field=field):
                    self.assertLessEqual(changed, set(GRAPH.checks_reading(type(record), field)))

    def test_a_fact_is_read_through_what_is_derived(self) -> None:
        reading = GRAPH.checks_reading
        self.assertIn("picture.throw", reading(KINDS["projector"], "throw_min"))
        self.assertIn("display.cable", reading(KINDS["projector"], "throw_min"), "by the place of the lens")
        self.assertIn("display.cable", reading(KINDS["video_cable"], "length_m"), "out of the kit")
        self.assertEqual(reading(KINDS["case"], "material"), ())

    def test_places_follow_from_what_is_read(self) -> None:
        self.assertEqual([slot.value for slot in GRAPH.places_of("picture.throw")], ["title", "display", "screen"])
        self.assertEqual([kind.__name__ for kind in GRAPH.beside_of("display.mount")], ["Mount"])

    def test_every_fact_of_every_kind_says_what_it_means(self) -> None:
        for kind, sheet in KINDS.items():
            self.assertTrue(sheet.__doc__)
            for field, info in sheet.model_fields.items():
                if field not in ("kind", "sources"):
                    self.assertTrue(info.description, f"{kind}.{field}")


def _others(record: Record) -> Iterator[tuple[str, object]]:
    """Another value for every number and yes or no of a record."""
    for field in type(record).model_fields:
        value = getattr(record, field)
        if isinstance(value, bool):
            yield field, not value
        elif isinstance(value, int | float):
            yield field, value * 1.25 + 0.05 if isinstance(value, float) else value + 1


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

    def test_a_fact_is_old_after_a_year(self) -> None:
        for days, told in ((365, []), (366, ["Lamp, brightness: read 12 months ago in maker's sheet"])):
            seen = FactSource(source="maker's sheet", seen=TODAY - timedelta(days=days))
            found = doubts_of(worlds.projector(sources={"lumens": seen}), TODAY)
            self.assertEqual([doubt.what.text(UnitSystem.METRIC) for doubt in found], told)

    def test_a_report_hangs_doubts_on_the_checks_that_lean_on_them(self) -> None:
        parts = {**worlds.full_parts(), "projector": self.PART}
        report = evaluate(worlds.full_build(), parts, today=TODAY)
        by_field = {leaning.doubt.field: leaning.checks for leaning in report.leanings}
        self.assertIn("picture.luminance", by_field["lumens"])
        self.assertNotIn("picture.throw", by_field["lumens"])

    def test_on_a_disputed_fact_leans_what_the_other_value_changes(self) -> None:
        """The lens hangs from 3.19 m on, or from 3.33 m; yearly fees and outputs are the same with either."""
        parts = {**worlds.full_parts(), "projector": self.PART}
        report = evaluate(worlds.full_build(), parts, today=TODAY)
        (throw,) = (leaning for leaning in report.leanings if leaning.doubt.field == "throw_min")
        self.assertIn("picture.throw", throw.checks)
        self.assertIn("money.yearly", GRAPH.checks_reading(Projector, "throw_min"), "by the length of what is bought")
        self.assertNotIn("money.yearly", throw.checks)
        self.assertNotIn("machine.outputs", throw.checks)

    def test_a_source_of_no_fact_is_refused(self) -> None:
        with self.assertRaisesRegex(ValueError, "no fact of this sheet"):
            worlds.projector(sources={"colour": FactSource(source="a shop")})
