"""The register of checks: what it refuses, what it passes, in which order it answers."""

from dataclasses import dataclass
from datetime import date
from typing import Annotated, Any
from unittest import TestCase

from core.checks import GRAPH
from core.checks.declared import BadCheck
from core.checks.evaluation import Evaluation
from core.checks.limits import State, Words
from core.checks.memo import Memo
from core.checks.places import IN_ROOM, between
from core.checks.register import Register
from core.checks.verdict import Answer
from core.model.brief import Player
from core.model.build import Slot
from core.model.facts import MissingFact
from core.model.room import Room
from core.quantities import say
from core.report import evaluate
from tests.core import worlds


@dataclass(frozen=True)
class Apple:
    weight: int


@dataclass(frozen=True)
class Pie:
    apples: int


CLEAR = Answer(Words(State.CLEAR, "fine", "fine"), lambda: say("fine"), "", tuple, tuple)


class RegistrationTests(TestCase):
    def setUp(self) -> None:
        self.registry = Register()
        self.check = self.registry.check("a.b", title="A", place=IN_ROOM)

    def refused(self, function: Any, message: str) -> None:
        with self.assertRaisesRegex(BadCheck, message):
            self.check(function)

    def test_a_check_without_a_docstring(self) -> None:
        def nameless(apple: Apple) -> Answer:
            return CLEAR

        self.refused(nameless, "a.b has no docstring")

    def test_a_parameter_without_a_type(self) -> None:
        def untyped(apple) -> Answer:  # type: ignore[no-untyped-def]
            """Untyped."""
            return CLEAR

        self.refused(untyped, "'apple' must be typed as one class")

    def test_a_parameter_of_several_classes(self) -> None:
        def either(apple: Apple | Pie) -> Answer:
            """Either."""
            return CLEAR

        self.refused(either, "'apple' must be typed as one class")

    def test_another_return_type(self) -> None:
        def words(apple: Apple) -> str:
            """Words."""
            return "fine"

        self.refused(words, "check a.b must return Answer")

    def test_an_id_twice(self) -> None:
        def good(apple: Apple) -> Answer:
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

    def test_what_reads_what_nobody_gives(self) -> None:
        def hungry(pie: Pie) -> Answer:
            """Reads a pie."""
            return CLEAR

        self.check(hungry)
        with self.assertRaisesRegex(BadCheck, "a.b reads Pie, which nobody gives"):
            self.registry.frozen(frozenset({Apple}))

    def test_readings_that_go_round_in_a_circle(self) -> None:
        def apple(pie: Pie) -> Apple:
            """Out of a pie."""
            return Apple(pie.apples)

        def pie(apple: Apple) -> Pie:
            """Out of an apple."""
            return Pie(apple.weight)

        self.registry.derive(apple)
        self.registry.derive(pie)
        with self.assertRaisesRegex(BadCheck, "round in a circle"):
            self.registry.frozen(frozenset())

    def test_a_fact_that_a_record_has_not(self) -> None:
        def wrong(room: Annotated[Room, "width_m", "colour"]) -> Answer:
            """Reads a colour."""
            return CLEAR

        self.refused(wrong, "'room' has no fact 'colour'")

    def test_links_are_between_neighbours(self) -> None:
        with self.assertRaisesRegex(ValueError, "not neighbours"):
            between(Slot.FLOOR, Slot.MONITOR)


class RunnerTests(TestCase):
    def setUp(self) -> None:
        self.registry = Register()

    def answers(self, **readings: object) -> list[tuple[str, str, str]]:
        given = {type(value): value for value in readings.values()}
        graph = self.registry.frozen(frozenset({Apple, Player, Room}))
        found = Evaluation(graph, given, (worlds.player(), worlds.left_hander()), Memo())
        return [(verdict.id, verdict.subject_id, verdict.state.value) for verdict in found.verdicts]

    def test_a_check_is_made_only_where_all_it_reads_is_there(self) -> None:
        @self.registry.derive
        def pie(room: Room) -> Pie:
            """Out of a room."""
            return Pie(1)

        @self.registry.check("apple", title="Apple", place=IN_ROOM)
        def apple(apple: Apple, pie: Pie | None) -> Answer:
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
        def eaten(pie: Pie) -> Answer:
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
        def eaten(pie: Pie) -> Answer:
            """Reads a pie."""
            return CLEAR

        self.assertEqual(self.answers(apple=Apple(2)), [("pie", "", "unknown")])

    def test_checks_come_by_id_and_players_in_their_order(self) -> None:
        for id in ("z", "a"):

            @self.registry.check(id, title=id, place=IN_ROOM)
            def swing(player: Player) -> Answer:
                """For each player."""
                return CLEAR

        self.assertEqual(
            self.answers(), [("a", "ada", "clear"), ("a", "lin", "clear"), ("z", "ada", "clear"), ("z", "lin", "clear")]
        )


class JobTests(TestCase):
    def test_every_check_that_a_full_build_can_trigger_is_answered(self) -> None:
        car = worlds.stored(kind="car", while_playing="stays").model_dump()
        used = worlds.full_room(modes=({"id": "gym", "kind": "gym", "name": "gym"},), stored=(car,))
        build = worlds.full_build(room=used, brief=worlds.full_brief())
        had = build.chain[Slot.DISPLAY].model_copy(update={"owned": True, "new_in": 2022})
        build = build.model_copy(update={"chain": {**build.chain, Slot.DISPLAY: had}})
        report = evaluate(build, worlds.full_parts(), today=date(2026, 11, 25))
        answered = {verdict.id for verdict in report.verdicts}
        other_kinds = {"monitor.beside", "monitor.overhead", "monitor.drilling", "monitor.case", "machine.mirror"}
        other_kinds |= {"title.further", "monitor.packages"}
        self.assertEqual(answered, {check.id for check in GRAPH.checks} - other_kinds)

    def test_every_check_has_a_page_in_the_manual(self) -> None:
        for check in GRAPH.checks:
            self.assertGreater(len(check.manual), 40, check.id)
