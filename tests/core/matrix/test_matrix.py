"""Every check in every state that it can answer, with the numbers worked out beside each row."""

from collections.abc import Iterator
from pathlib import Path
from unittest import TestCase

from core.checks.register import REGISTRY
from core.checks.verdict import State, Verdict
from core.formats.parts_pack import read_parts_pack
from core.model.build import Extra, slot_for
from core.model.parts import Part
from core.quantities import UnitSystem, figure_text
from core.report.alternatives import hung
from core.report.evaluate import answers_of
from tests.core.matrix import money_rows, monitor_rows, parts_rows, picture_rows, room_rows
from tests.core.matrix.case import TODAY, Case, answered, world

TABLES = (monitor_rows, parts_rows, picture_rows, room_rows, money_rows)
METRIC = UnitSystem.METRIC
PACKS = Path(__file__).resolve().parents[3] / "jungle" / "demo" / "parts"


def sample_parts() -> Iterator[Part]:
    for pack in sorted(PACKS.glob("*.json")):
        yield from read_parts_pack(pack.read_text()).parts


def blank(part: Part) -> Part:
    """`part` with every fact left out that may be."""
    kind = type(part)
    facts = {name: field.default for name, field in kind.model_fields.items() if not field.is_required()}
    return part.model_copy(update={name: value for name, value in facts.items() if name != "kind"})


def told(verdict: Verdict) -> str:
    if verdict.state is State.UNKNOWN:
        return verdict.headline.text(METRIC).removesuffix(" is not known")
    figures = (verdict.measured, verdict.required, verdict.margin)
    return " | ".join(figure_text(figure, METRIC) if figure is not None else "–" for figure in figures)


class MatrixTests(TestCase):
    def rows(self) -> dict[str, list[Case]]:
        return {check: rows for table in TABLES for check, rows in table.ROWS.items()}

    def test_every_check_has_a_row_for_every_state_that_it_can_answer(self) -> None:
        """A state without a row needs a reason why the check never answers it."""
        rows, never = self.rows(), {check: why for table in TABLES for check, why in table.NEVER.items()}
        self.assertEqual(set(rows), {check.id for check in REGISTRY.checks})
        for check, cases in rows.items():
            with self.subTest(check):
                states = {case.state for case in cases}
                self.assertEqual(states | set(never.get(check, {})), {state.value for state in State})
                self.assertFalse(states & set(never.get(check, {})), "a row shows that it can")

    def test_no_sample_part_brings_a_check_into_a_state_that_it_never_answers(self) -> None:
        """Every part of the sample world hung or put beside, as it is and with all that its maker may leave out."""
        never = {(check, state) for table in TABLES for check, states in table.NEVER.items() for state in states}
        build, parts = world({})
        before = answers_of(build, parts, today=TODAY)
        for sample in sample_parts():
            for part in (sample, blank(sample)):
                slot = slot_for(part)
                extras = (Extra(id="asked", part=part.id),)
                changed = (
                    hung(build, {**parts, part.id: part}, slot, part)
                    if slot
                    else build.model_copy(update={"extras": extras})
                )
                found = answers_of(changed, {**parts, part.id: part}, today=TODAY, before=before)
                states = {(verdict.id, verdict.state.value) for verdict in found.verdicts}
                self.assertEqual(states & never, set(), part.id)

    def test_every_row(self) -> None:
        for check, cases in self.rows().items():
            for case in cases:
                with self.subTest(check, state=case.state, words=case.words):
                    subject = case.changes.get("subject", "")
                    verdicts = answered(check, case.changes).verdicts
                    found = [verdict for verdict in verdicts if not subject or verdict.subject == subject]
                    self.assertTrue(found, "the check was not made")
                    self.assertEqual((found[0].state.value, told(found[0])), (case.state, case.told))
                    self.assertEqual(bool(found[0].changes), found[0].state is not State.CLEAR)
                    self.assertTrue(found[0].state is State.UNKNOWN or found[0].inputs())
