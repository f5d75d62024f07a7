"""One way to compare a verdict: state and all three figures as a person reads them, and where it is short, the cure."""

from unittest import TestCase

from core.checks import GRAPH
from core.checks.evaluation import Evaluation
from core.checks.limits import State
from core.checks.memo import Memo
from core.checks.readings import HittingSurface
from core.checks.verdict import Told
from core.model.brief import Brief, Player
from core.model.kit import Kit
from core.model.parts import Flooring, Mat, Part, Plan, kinds_of
from core.model.room import Layout, Room
from core.quantities import Figure, UnitSystem, figure_text
from tests.core import worlds

METRIC = UnitSystem.METRIC


def told(figure: Figure | None) -> str:
    return "" if figure is None else figure_text(figure, METRIC)


def answer(check: str, *given: object) -> Told:
    """What `check` says where `given` are the readings."""
    found = evaluated(*given)
    return found.told(found.of_check(check)[0])


def evaluated(*given: object) -> Evaluation:
    """Every verdict where `given` are the readings; a player plays alone, and what is not given is as usual.

    Without a mat and a floor people stand on the bare one.
    """
    players = tuple(value for value in given if isinstance(value, Player))
    readings: dict[type, object] = {
        Room: worlds.room(),
        Layout: worlds.layout(),
        Brief: Brief(players=players),
        Kit: Kit(),
    }
    if not any(isinstance(value, Mat | Flooring) for value in given):
        readings[HittingSurface] = HittingSurface(0.0, 0.0)
    for value in given:
        kinds = kinds_of(type(value)) if isinstance(value, Part | Plan) else (type(value),)
        readings.update(dict.fromkeys(kinds, value))
    return Evaluation(GRAPH, readings, players, Memo())


class CheckTestCase(TestCase):
    def assert_verdict(
        self, verdict: Told, state: str, measured: str, required: str, margin: str, cure: str | None = None
    ) -> None:
        """The whole answer; `cure` is the first change offered, and a clear verdict offers none."""
        shown = verdict.margin.text(METRIC) if verdict.margin else ""
        found = (verdict.state.value, told(verdict.measured), told(verdict.required), shown)
        self.assertEqual(found, (state, measured, required, margin))
        self.assertTrue(verdict.headline.text(METRIC))
        self.assertTrue(verdict.formula)
        self.assertTrue(verdict.inputs())
        if verdict.state is State.CLEAR:
            self.assertEqual(verdict.cures, ())
        else:
            self.assertTrue(verdict.cures)
        if cure is not None:
            self.assertEqual(verdict.cures[0].words.text(METRIC), cure)

    def assert_unknown(self, verdict: Told, fact: str) -> None:
        """The answer names the fact that is missing and how to get it."""
        self.assertEqual(verdict.state, State.UNKNOWN)
        self.assertEqual(verdict.headline.text(METRIC), f"{fact} is not known")
        self.assertTrue(verdict.cures[0].words.text(METRIC))
