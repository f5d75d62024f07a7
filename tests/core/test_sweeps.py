"""Sweeps over random builds: what is not known is never clear, and what means the same is answered the same."""

from collections import Counter
from collections.abc import Iterator, Mapping
from typing import Any
from unittest import TestCase

from pydantic import ValidationError

from core.checks.evaluation import Evaluation
from core.checks.limits import Limit, State
from core.model.build import Build
from core.model.parts import Part
from core.model.things import Looked
from core.report.evaluation_of import evaluation_of
from tests.core.matrix.case import TODAY
from tests.core.random_builds import furnished_build, sample_parts, seeds

WISHES = frozenset({"playable_by", "up_front_cap_minor", "yearly_cap_minor", "setup_minutes"})
"""Of the brief: what nobody asks for is not checked."""
STANDS_BY_ITSELF = frozenset({"price", "plans", "sources"})


def judged(build: Build, parts: Mapping[str, Part]) -> Evaluation:
    return evaluation_of(build, parts, today=TODAY)


def looked_through(build: Build) -> Build:
    """`build` in a room of which nobody has said that it has none of something."""
    return build.model_copy(update={"room": build.room.model_copy(update={"none_of": ()})})


def with_one_fact_less(build: Build) -> Iterator[tuple[str, Build, Mapping[str, Part]]]:
    """`build` without one fact of a part, of the brief or of the room, and without all of one kind of thing."""
    parts = sample_parts()
    for id in sorted(build.parts_named):
        part = parts[id]
        for field, info in type(part).model_fields.items():
            if info.default is None and getattr(part, field) is not None and field not in STANDS_BY_ITSELF:
                yield f"{id}.{field}", build, {**parts, id: part.model_copy(update={field: None})}
        yield f"{id}.price", build, {**parts, id: part.model_copy(update={"price": None})}
    for field, info in type(build.brief).model_fields.items():
        if info.default is None and getattr(build.brief, field) is not None and field not in WISHES:
            yield f"brief.{field}", changed(build, "brief", **{field: None}), parts
    for field, info in type(build.room).model_fields.items():
        if info.default is None and getattr(build.room, field) is not None:
            yield f"room.{field}", changed(build, "room", **{field: None}), parts
    for group in (Looked.THINGS, Looked.OPENINGS, Looked.SOCKETS):
        yield f"room.{group}", changed(build, "room", **{group: ()}), parts


def changed(build: Build, record: str, **fields: Any) -> Build:
    return build.model_copy(update={record: getattr(build, record).model_copy(update=fields)})


class NotKnownTests(TestCase):
    def test_a_fact_that_is_not_known_clears_nothing_and_hides_nothing(self) -> None:
        tried = 0
        for seed in seeds(5):
            build = looked_through(furnished_build(seed))
            before = judged(build, sample_parts())
            for what, without, parts in with_one_fact_less(build):
                tried += 1
                after = judged(without, parts).by_key
                for verdict in before.verdicts:
                    there = after.get(verdict.key)
                    with self.subTest(seed=seed, without=what, check=verdict.key):
                        self.assertIsNotNone(there, "it vanished")
                        if there is not None and verdict.state is not State.CLEAR:
                            self.assertIsNot(there.state, State.CLEAR)
        self.assertGreater(tried, 600)

    def test_a_room_that_nobody_looked_through_is_clear_of_nothing(self) -> None:
        asked = {
            Looked.THINGS: {"swing.things", "room.flight", "projector.beam"},
            Looked.OPENINGS: {"room.glass"},
            Looked.SOCKETS: {"power.sockets", "projector.socket"},
            Looked.JOISTS: {"projector.joist"},
        }
        for seed in seeds(5):
            build = looked_through(furnished_build(seed))
            for what, checks in asked.items():
                empty = None if what is Looked.JOISTS else ()
                found = judged(changed(build, "room", **{what: empty}), sample_parts())
                for verdict in (verdict for check in checks for verdict in found.of_check(check)):
                    with self.subTest(seed=seed, without=what, check=verdict.key):
                        self.assertIn(verdict.state, (State.UNKNOWN, State.BLOCKED))


class BetterTests(TestCase):
    """A fact that is better makes nothing worse that it is asked for."""

    MORE: Mapping[str, tuple[str, ...]] = {
        "airflow_l_s": ("air.fresh",),
        "ball_speed_max_m_s": ("monitor.ball_speed",),
        "distance_max_m": ("monitor.behind", "monitor.beside"),
        "inner_height_m": ("enclosure.swing",),
        "inner_width_m": ("enclosure.swing",),
        "keystone_across_max_deg": ("picture.lens_aside",),
        "keystone_max_deg": ("picture.lens_height",),
        "lens_above_max": ("picture.lens_height",),
        "lens_aside_max": ("picture.lens_aside",),
        "level_tolerance_m": ("monitor.level",),
        "lumens": ("picture.contrast", "picture.luminance"),
        "mount_height_max_m": ("monitor.overhead",),
        "native_contrast": ("picture.contrast",),
        "rated_ball_speed_m_s": ("screen.rating",),
        "rated_w": ("power.strips",),
        "sockets": ("power.sockets",),
        "strip_length_m": ("mat.strip",),
        "strip_width_m": ("mat.strip",),
        "throw_max": ("picture.throw",),
        "width_px": ("picture.sharpness",),
    }
    LESS: Mapping[str, tuple[str, ...]] = {
        "distance_min_m": ("monitor.behind", "monitor.beside"),
        "flight_min_m": ("monitor.flight",),
        "lens_above_min": ("picture.lens_height",),
        "mount_height_min_m": ("monitor.overhead",),
        "noise_db": ("noise.devices",),
        "power_w": ("power.circuit", "power.strips"),
        "room_height_min_m": ("monitor.room",),
        "room_length_min_m": ("monitor.room",),
        "room_width_min_m": ("monitor.room",),
        "stand_off_m": ("room.ball_to_screen",),
        "throw_min": ("picture.throw",),
    }

    def test_a_better_fact_never_makes_its_own_check_worse(self) -> None:
        tried: Counter[str] = Counter()
        for seed in seeds(18):
            build = furnished_build(seed)
            parts = sample_parts()
            before = judged(build, parts)
            for id in dict.fromkeys(build.parts_named):
                for better, own, factor in (
                    *((field, own, factor) for field, own in self.MORE.items() for factor in (1.05, 1.5, 3.0)),
                    *((field, own, factor) for field, own in self.LESS.items() for factor in (0.95, 0.6, 0.2)),
                ):
                    part = _better(parts[id], better, factor)
                    if part is None:
                        continue
                    after = judged(build, {**parts, id: part})
                    for check in own:
                        for one, other in zip(before.of_check(check), after.of_check(check), strict=True):
                            tried[better] += 1
                            with self.subTest(seed=seed, part=id, better=better, factor=factor, check=one.key):
                                self.assertLessEqual(other.state.rank, one.state.rank)
        self.assertEqual({*self.MORE, *self.LESS} - tried.keys(), set())


def _better(part: Part, field: str, factor: float) -> Part | None:
    """`part` with so many times as much of a fact; `None` where it says nothing of it, or could not be so."""
    value = getattr(part, field, None)
    if value is None or isinstance(value, bool):
        return None
    more = value * factor if value >= 0 else value / factor
    told = round(more) if isinstance(value, int) else more
    try:
        return type(part).model_validate({**part.model_dump(), field: told})
    except ValidationError:
        return None


class SameTests(TestCase):
    def test_players_in_another_order_and_by_another_name(self) -> None:
        for seed in seeds(10):
            build = furnished_build(seed)
            players = tuple(
                player.model_copy(update={"name": f"Somebody {number}"})
                for number, player in enumerate(reversed(build.brief.players))
            )
            before = judged(build, sample_parts())
            after = judged(changed(build, "brief", players=players), sample_parts())
            states = [{verdict.key: verdict.state for verdict in found.verdicts} for found in (before, after)]
            with self.subTest(seed=seed):
                self.assertEqual(*states)

    def test_two_of_something_are_one_and_one_more(self) -> None:
        """Quantities count everywhere: two heaters heat, draw and cost as much as one and another."""
        counted = 0
        for seed in seeds(16):
            build = furnished_build(seed)
            # Of what is laid as much is bought as its zone takes.
            for extra in (extra for extra in build.extras if not extra.laid):
                one = [other for other in build.extras if other.id != extra.id]
                single = extra.model_copy(update={"quantity": 1})
                apart = (*one, single, single.model_copy(update={"id": "another"}))
                double = (*one, extra.model_copy(update={"quantity": 2}))
                found = [
                    {
                        verdict.key: (verdict.state, verdict.deciding if isinstance(verdict.deciding, Limit) else None)
                        for verdict in judged(build.model_copy(update={"extras": extras}), sample_parts()).verdicts
                        # Two that stand apart may be under two plans, of which one costs less.
                        if verdict.id != "title.licences" or extra.plan is None
                    }
                    for extras in (double, apart)
                ]
                counted += 1
                with self.subTest(seed=seed, extra=extra.part):
                    self.assertEqual(*found)
        self.assertGreater(counted, 25)
