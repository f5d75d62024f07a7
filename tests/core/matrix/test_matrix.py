"""Every check in every one of the four states, with the numbers worked out beside each row."""

from unittest import TestCase

from core.checks import GRAPH
from core.checks.limits import State
from core.checks.verdict import Told
from core.quantities import UnitSystem, figure_text
from tests.core.matrix import money_rows, monitor_rows, parts_rows, picture_rows, room_rows
from tests.core.matrix.case import Case, answered

TABLES = (monitor_rows, parts_rows, picture_rows, room_rows, money_rows)
METRIC = UnitSystem.METRIC


def told(verdict: Told) -> str:
    if verdict.state is State.UNKNOWN:
        return verdict.headline.text(METRIC).removesuffix(" is not known")
    figures = [
        figure_text(figure, METRIC) if figure is not None else "–" for figure in (verdict.measured, verdict.required)
    ]
    return " | ".join([*figures, verdict.margin.text(METRIC) if verdict.margin else "–"])


class MatrixTests(TestCase):
    def rows(self) -> dict[str, list[Case]]:
        return {check: rows for table in TABLES for check, rows in table.ROWS.items()}

    def test_every_check_has_a_row_for_every_state(self) -> None:
        rows = self.rows()
        self.assertEqual(set(rows), {check.id for check in GRAPH.checks})
        for check, cases in rows.items():
            with self.subTest(check):
                self.assertEqual({case.state for case in cases}, {state.value for state in State})

    def test_every_row(self) -> None:
        for check, cases in self.rows().items():
            for case in cases:
                with self.subTest(check, state=case.state, words=case.words):
                    subject = case.changes.get("subject", "")
                    verdicts = answered(check, case.changes)
                    found = [verdict for verdict in verdicts if not subject or verdict.subject == subject]
                    self.assertTrue(found, "the check was not made")
                    self.assertEqual((found[0].state.value, told(found[0])), (case.state, case.told))
                    self.assertEqual(bool(found[0].cures), found[0].state is not State.CLEAR)
                    self.assertTrue(found[0].state is State.UNKNOWN or found[0].inputs())
