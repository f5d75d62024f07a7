"""The register of checks: what it refuses, what it passes, in which order it answers."""

from dataclasses import dataclass
from datetime import date
from typing import Any
from unittest import TestCase

from core.checks.declared import BadCheck
from core.checks.places import IN_ROOM, between
from core.checks.register import REGISTRY
from core.checks.registry import Registry
from core.checks.verdict import State, Verdict
from core.model.brief import Player
from core.model.build import Slot
from core.model.facts import MissingFact
from core.quantities import say
from core.report import evaluate
from tests.core import worlds


@dataclass(frozen=True)
class Apple:
    weight: int


@dataclass(frozen=True)
class Pie:
    apples: int


CLEAR = Verdict(State.CLEAR, say("fine"))


class RegistrationTests(TestCase):
    def setUp(self) -> None:
        self.registry = Registry()
        self.check = self.registry.check("a.b", title="A", place=IN_ROOM)

    def refused(self, function: Any, message: str) -> None:
        with self.assertRaisesRegex(BadCheck, message):
            self.check(function)

    def test_a_check_without_a_docstring(self) -> None:
        def nameless(apple: Apple) -> Verdict:
            return CLEAR

        self.refused(nameless, "a.b has no docstring")

    def test_a_parameter_without_a_type(self) -> None:
        def untyped(apple) -> Verdict:  # type: ignore[no-untyped-def]
            """Untyped."""
            return CLEAR

        self.refused(untyped, "'apple' must be typed as one class")

    def test_a_parameter_of_several_classes(self) -> None:
        def either(apple: Apple | Pie) -> Verdict:
            """Either."""
            return CLEAR

        self.refused(either, "'apple' must be typed as one class")

    def test_another_return_type(self) -> None:
        def words(apple: Apple) -> str:
            """Words."""
            return "fine"

        self.refused(words, "check a.b must return Verdict")

    def test_an_id_twice(self) -> None:
        def good(apple: Apple) -> Verdict:
            """Good."""
            return CLEAR

        self.check(good)
        self.refused(good, "registered twice")

    def test_a_derivation_twice(self) -> None:
        def pie(apple: Apple) -> Pie:
            """A pie."""
            return Pie(apple.weight)

        self.registry.derive(pie)
        with self.assertRaisesRegex(BadCheck, "Pie is derived twice"):
            self.registry.derive(pie)

    def test_links_are_between_neighbours(self) -> None:
        with self.assertRaisesRegex(ValueError, "not neighbours"):
            between(Slot.FLOOR, Slot.MONITOR)


class RunnerTests(TestCase):
    def setUp(self) -> None:
        self.registry = Registry()

    def answers(self, **readings: object) -> list[tuple[str, str, str]]:
        given = {type(value): value for value in readings.values()}
        answers = self.registry.answers(given, (worlds.player(), worlds.left_hander()))
        return [(verdict.id, verdict.subject, verdict.state.value) for verdict in answers.verdicts]

    def test_a_check_is_made_only_where_all_it_reads_is_there(self) -> None:
        @self.registry.check("apple", title="Apple", place=IN_ROOM)
        def apple(apple: Apple, pie: Pie | None) -> Verdict:
            """Needs an apple, may have a pie."""
            return CLEAR

        self.assertEqual(self.answers(), [])
        self.assertEqual(self.answers(apple=Apple(1)), [("apple", "", "clear")])

    def test_what_is_derived_may_be_read(self) -> None:
        @self.registry.derive
        def pie(apple: Apple) -> Pie | None:
            """A pie, of heavy apples only."""
            return Pie(1) if apple.weight > 1 else None

        @self.registry.check("pie", title="Pie", place=IN_ROOM)
        def eaten(pie: Pie) -> Verdict:
            """Reads a pie."""
            return CLEAR

        self.assertEqual(self.answers(apple=Apple(1)), [])
        self.assertEqual(self.answers(apple=Apple(2)), [("pie", "", "clear")])

    def test_a_missing_fact_reaches_every_check_that_needs_it(self) -> None:
        @self.registry.derive
        def pie(apple: Apple) -> Pie:
            """Never known."""
            raise MissingFact("The recipe", "Ask.")

        @self.registry.check("pie", title="Pie", place=IN_ROOM)
        def eaten(pie: Pie) -> Verdict:
            """Reads a pie."""
            return CLEAR

        self.assertEqual(self.answers(apple=Apple(2)), [("pie", "", "unknown")])

    def test_checks_come_by_id_and_players_in_their_order(self) -> None:
        for id in ("z", "a"):

            @self.registry.check(id, title=id, place=IN_ROOM)
            def swing(player: Player) -> Verdict:
                """For each player."""
                return CLEAR

        self.assertEqual(
            self.answers(), [("a", "Ada", "clear"), ("a", "Lin", "clear"), ("z", "Ada", "clear"), ("z", "Lin", "clear")]
        )


class JobTests(TestCase):
    def test_every_check_that_a_full_build_can_trigger_is_answered(self) -> None:
        build = worlds.full_build(room=worlds.full_room(), brief=worlds.full_brief())
        report = evaluate(build, worlds.full_parts(), today=date(2026, 11, 25))
        answered = {verdict.id for verdict in report.verdicts}
        other_kinds = {"monitor.beside", "monitor.overhead", "monitor.drilling", "monitor.case", "machine.mirror"}
        self.assertEqual(answered, {check.id for check in REGISTRY.checks} - other_kinds)

    def test_every_check_has_a_page_in_the_manual(self) -> None:
        for check in REGISTRY.checks:
            self.assertGreater(len(check.manual), 40, check.id)
