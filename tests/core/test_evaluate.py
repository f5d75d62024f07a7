"""The whole report: what it holds, and properties that no single check shows."""

from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from core.checks.limits import Limit, State
from core.checks.places import Step
from core.formats.report_json import workings_json
from core.model.brief import Brief, Player, Stage
from core.model.build import Build, HungPart, Slot
from core.model.chain import UnknownPart
from core.model.parts import BehindTheBall
from core.quantities import UnitSystem
from core.report import evaluate
from tests.core import worlds

METRIC, IMPERIAL = UnitSystem.METRIC, UnitSystem.IMPERIAL
centimetres = st.integers


def states(build: Build) -> dict[tuple[str, str], State]:
    report = evaluate(build, worlds.full_parts())
    return {(verdict.id, verdict.subject_id): verdict.state for verdict in report.verdicts}


def mirrored(build: Build) -> Build:
    """The build seen in a mirror: the ball as far from the other wall, every player's other hand."""
    other = {"right": "left", "left": "right"}
    players = tuple(
        Player.model_validate({**player.model_dump(), "handedness": other[player.handedness]})
        for player in build.brief.players
    )
    layout = build.layout.model_copy(update={"ball_x_m": round(build.room.width_m - build.layout.ball_x_m, 4)})
    return build.model_copy(update={"brief": build.brief.model_copy(update={"players": players}), "layout": layout})


def with_lens_placed(build: Build) -> Build:
    """The build with projector and monitor put where they stay, whatever the room does."""
    placed = {"lens_distance_m": 3.5, "lens_height_m": 2.1, "monitor_distance_m": 2.3}
    return build.model_copy(update={"layout": build.layout.model_copy(update=placed)})


@st.composite
def builds(draw: st.DrawFn) -> Build:
    def length(low: int, high: int) -> float:
        return draw(st.integers(low, high)) / 100

    width = length(250, 600)
    players = tuple(
        worlds.player(
            name,
            height_m=length(140, 205),
            handedness=draw(st.sampled_from(["right", "left"])),
            early_release=draw(st.booleans()),
        )
        for name in ("Ada", "Lin")[: draw(st.integers(1, 2))]
    )
    brief = worlds.full_build().brief.model_copy(update={"players": players})
    return worlds.full_build(
        brief=brief,
        room=worlds.room(width_m=width, length_m=length(400, 900), ceiling_m=length(220, 380)),
        layout=worlds.layout(
            ball_x_m=draw(st.integers(20, int(width * 100) - 20)) / 100,
            ball_y_m=length(150, 500),
            screen_y_m=length(0, 100),
        ),
    )


class ReportTests(TestCase):
    def test_a_full_build_is_answered_place_by_place(self) -> None:
        report = evaluate(worlds.full_build(), worlds.full_parts())
        self.assertEqual([status.slot for status in report.slots], list(Slot))
        self.assertNotIn(None, [status.state for status in report.slots])
        self.assertEqual(len(report.links), len(Slot) - 1)
        deciding = [link.deciding for link in report.links]
        self.assertTrue(all(verdict is not None for verdict in deciding))
        self.assertFalse(report.blocked)

    def test_an_empty_build_asks_for_what_is_missing(self) -> None:
        report = evaluate(Build(name="New"), {})
        asked = [(question.step, question.question.text(METRIC)) for question in report.questions]
        self.assertEqual(asked[0], (Step.BRIEF, "Who will swing here is not known"))
        steps = [step for step, _ in asked]
        self.assertEqual((steps.count(Step.BRIEF), steps.count(Step.MONEY)), (1, 2), "players, and both caps")
        self.assertIn((Step.ROOM, "The width is a first guess"), asked)
        self.assertEqual(sum(step is Step.PARTS for step, _ in asked), 7, "all places but the optional enclosure")

    def test_a_net_asks_for_less(self) -> None:
        build = Build(name="New", brief=Brief(stage="net", players=(worlds.player(),)))
        parts = [question.slot for question in evaluate(build, {}).questions if question.step is Step.PARTS]
        self.assertEqual(parts, [Slot.MAT, Slot.MONITOR, Slot.SCREEN])

    def test_what_needs_a_look_comes_worst_first(self) -> None:
        build = worlds.full_build(room=worlds.room(ceiling_m=2.4))
        attention = evaluate(build, worlds.full_parts()).attention
        ranks = [verdict.state.rank for verdict in attention]
        self.assertEqual(ranks, sorted(ranks, reverse=True))
        self.assertIs(attention[0].state, State.BLOCKED)
        self.assertNotIn(State.CLEAR, [verdict.state for verdict in attention])

    def test_a_missing_fact_is_asked_for_once(self) -> None:
        parts = {**worlds.full_parts(), "projector": worlds.projector(width_px=None, height_px=None)}
        questions = [question.question.text(METRIC) for question in evaluate(worlds.full_build(), parts).questions]
        self.assertEqual(questions.count("The pixels across of Lamp is not known"), 1)

    def test_a_part_that_is_not_there_or_hangs_in_a_wrong_place(self) -> None:
        build = worlds.full_build()
        for part, problem in (("ghost", "not among the parts"), ("mat", "hangs in place 'mat'")):
            wrong = build.model_copy(update={"chain": {**build.chain, Slot.TITLE: HungPart(part=part)}})
            with self.subTest(part), self.assertRaisesRegex(UnknownPart, problem):
                evaluate(wrong, worlds.full_parts())
        unplanned = build.model_copy(update={"chain": {Slot.TITLE: HungPart(part="title", plan="gold")}})
        with self.assertRaisesRegex(UnknownPart, "has no plan 'gold'; it has monthly"):
            evaluate(unplanned, worlds.full_parts())

    def test_every_verdict_names_its_basis_formula_and_change(self) -> None:
        build = worlds.full_build(room=worlds.full_room(ceiling_m=2.4, width_m=2.6, length_m=5.0))
        report = evaluate(build, worlds.full_parts())
        for told in map(report.told, report.verdicts):
            with self.subTest(told.verdict.id):
                self.assertTrue(told.formula and told.inputs() and told.basis)
                self.assertEqual(bool(told.cures), told.state is not State.CLEAR)


class PropertyTests(TestCase):
    @settings(max_examples=60)
    @given(builds())
    def test_a_mirrored_room_with_mirrored_players_has_the_same_verdicts(self, build: Build) -> None:
        # A monitor that serves right-handers alone is not symmetric by itself; the radar here serves both.
        self.assertEqual(states(build), states(mirrored(build)))

    @settings(max_examples=60)
    @given(builds(), st.integers(1, 150))
    def test_a_higher_ceiling_makes_no_verdict_worse(self, build: Build, more_cm: int) -> None:
        # The lens is placed: a proposed one would move up with the ceiling, into another spot.
        build = with_lens_placed(build)
        higher = build.model_copy(
            update={"room": build.room.model_copy(update={"ceiling_m": build.room.ceiling_m + more_cm / 100})}
        )
        before, after = states(build), states(higher)
        worse = [key for key, state in after.items() if state.rank > before[key].rank]
        self.assertEqual(worse, [])

    @settings(max_examples=40)
    @given(builds(), st.integers(1, 200))
    def test_a_longer_room_makes_nothing_worse_but_the_floor(self, build: Build, more_cm: int) -> None:
        build = with_lens_placed(build)
        longer = build.model_copy(
            update={"room": build.room.model_copy(update={"length_m": build.room.length_m + more_cm / 100})}
        )
        before, after = states(build), states(longer)
        worse = [key for key, state in after.items() if state.rank > before[key].rank and not _of_the_floor(key)]
        self.assertEqual(worse, [])

    @settings(max_examples=25)
    @given(builds())
    def test_metric_and_imperial_readers_get_the_same_answers(self, build: Build) -> None:
        report = evaluate(build, worlds.full_parts())
        for verdict in report.verdicts:
            one, other = (workings_json(report.told(verdict), system) for system in (METRIC, IMPERIAL))
            self.assertEqual(one.verdict.state, other.verdict.state)
            for first, second in ((one.measured, other.measured), (one.required, other.required)):
                self.assertEqual(first and first.value, second and second.value)

    @settings(max_examples=40)
    @given(builds())
    def test_state_and_margin_agree(self, build: Build) -> None:
        """Only what is blocked has a negative margin; what is tolerated beyond its bound says so."""
        for verdict in evaluate(build, worlds.full_parts()).verdicts:
            told = verdict.margin.text(METRIC) if verdict.margin else ""
            with self.subTest(verdict.id, state=verdict.state, margin=told):
                short = told.startswith("−") or told.endswith((" short", "too low", "left out", "none there"))
                if isinstance(verdict.deciding, Limit):
                    self.assertEqual(short, verdict.state is State.BLOCKED)
                else:
                    self.assertFalse(short)


def _of_the_floor(key: tuple[str, str]) -> bool:
    """More floor costs more and is cut another way."""
    return key[0] in {"floor.cover", "money.up_front"}


class MonitorKindTests(TestCase):
    def test_checks_of_a_kind_are_made_for_that_kind_alone(self) -> None:
        self.assertTrue(issubclass(type(worlds.radar()), BehindTheBall))
        ids = {verdict.id for verdict in evaluate(worlds.full_build(), worlds.full_parts()).verdicts}
        self.assertIn("monitor.behind", ids)
        self.assertNotIn("monitor.overhead", ids)


class WithoutMeasuringTests(TestCase):
    def test_a_net_and_a_mat_alone_are_a_build(self) -> None:
        """At the first stage, where nobody measures shots, mat and net are all that is asked for."""
        brief = worlds.full_brief().model_copy(update={"stage": Stage.NET, "measures_shots": False})
        full = worlds.full_build(brief=brief)
        bare = full.model_copy(update={"chain": {slot: full.chain[slot] for slot in (Slot.MAT, Slot.SCREEN)}})
        asked = {question.slot for question in evaluate(bare, worlds.full_parts()).questions if question.slot}
        self.assertEqual(asked & set(Slot) - {Slot.MAT, Slot.SCREEN}, set())
        empty = full.model_copy(update={"chain": {}})
        asked = {question.slot for question in evaluate(empty, worlds.full_parts()).questions if question.slot}
        self.assertEqual(asked, {Slot.MAT, Slot.SCREEN})
