"""One way to compare a verdict: state and all three figures as a person reads them, and where it is short, the cure."""

from unittest import TestCase

from core.checks.verdict import State, Verdict
from core.quantities import Figure, UnitSystem, figure_text

METRIC = UnitSystem.METRIC


def told(figure: Figure | None) -> str:
    return "" if figure is None else figure_text(figure, METRIC)


class CheckTestCase(TestCase):
    def assert_verdict(
        self, verdict: Verdict, state: str, measured: str, required: str, margin: str, cure: str | None = None
    ) -> None:
        """The whole answer; `cure` is the first change offered, and a clear verdict offers none."""
        found = (verdict.state.value, told(verdict.measured), told(verdict.required), told(verdict.margin))
        self.assertEqual(found, (state, measured, required, margin))
        self.assertTrue(verdict.headline.text(METRIC))
        self.assertTrue(verdict.formula)
        self.assertTrue(verdict.inputs())
        if verdict.state is State.CLEAR:
            self.assertEqual(verdict.changes, ())
        else:
            self.assertTrue(verdict.changes)
        if cure is not None:
            self.assertEqual(verdict.changes[0].text(METRIC), cure)

    def assert_unknown(self, verdict: Verdict, fact: str) -> None:
        """The answer names the fact that is missing and how to get it."""
        self.assertEqual(verdict.state, State.UNKNOWN)
        self.assertEqual(verdict.headline.text(METRIC), f"{fact} is not known")
        self.assertTrue(verdict.changes[0].text(METRIC))
