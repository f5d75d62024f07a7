"""evaluate(build, parts): every verdict on a build, its drawing, its money, its open questions."""

from collections.abc import Callable, Iterator, Mapping
from dataclasses import replace
from datetime import date
from itertools import pairwise

import core.checks  # noqa: F401  registers the checks
from core.checks.along import BallDistance
from core.checks.cables import DisplayRun, MachineSpot
from core.checks.deriving import Readings
from core.checks.household import Today
from core.checks.places import Step
from core.checks.readings import given_readings
from core.checks.register import REGISTRY
from core.checks.registry import Answers, Registry, Settle
from core.checks.small_items import SmallItems
from core.checks.space import PlayingLayout, StowedLayout
from core.checks.verdict import State, Verdict, unknown
from core.checks.works import Works
from core.drawing import Scene, scene_of, stowed_scene_of
from core.geometry.ceiling import Ceiling
from core.geometry.furnishing import Furnishing
from core.geometry.surroundings import Surroundings
from core.model.build import Build, Slot, optional_slots
from core.model.facts import NobodySwings
from core.model.kit import Kit
from core.model.parts import Part
from core.money.costs import Costs
from core.quantities import say
from core.report.doubts import Doubt, doubts_of
from core.report.hitting import SCREEN_DISTANCE, hitting_spots
from core.report.report import LinkStatus, OpenQuestion, Report, SlotStatus
from core.report.small_items import SmallStatus, small_statuses
from core.report.stages import stage_costs

ROOM_QUESTIONS = {"width_m": "width", "length_m": "length", "ceiling_m": "ceiling height"}


def evaluate(
    build: Build, parts: Mapping[str, Part], registry: Registry = REGISTRY, *, today: date | None = None
) -> Report:
    """The report on `build`, whose chain refers to `parts` by id; without `today` nothing is said of dates.

    Raises `UnknownPart` where the chain names a part or plan that is not there.
    """
    answers = answers_of(build, parts, registry, today=today)
    verdicts = answers.verdicts
    worst = _worst_by_place(verdicts, registry)
    surroundings = answers.reading(Surroundings)
    distance = answers.reading(BallDistance) or SCREEN_DISTANCE
    hitting = hitting_spots(surroundings, build.layout, distance) if surroundings else ()
    playing = answers.reading(PlayingLayout)
    items, kit = answers.reading(SmallItems), answers.reading(Kit)
    small = small_statuses(items, kit) if items and kit else ()
    costs = known_costs(answers)
    return Report(
        verdicts=verdicts,
        slots=tuple(_slot_status(slot, build, worst, costs) for slot in Slot),
        links=tuple(_link_status(upper, lower, build, worst) for upper, lower in pairwise(Slot)),
        scene=scene_of(
            build.room,
            build.layout,
            build.brief.players,
            answers.reading(Furnishing) or Furnishing(),
            answers.reading(Ceiling),
            tuple(area for spot in hitting for area in spot.areas),
            surroundings,
            playing.solids if playing else (),
            playing.conflicts if playing else (),
            spot.at if (spot := answers.reading(MachineSpot)) else None,
            run.route if (run := answers.reading(DisplayRun)) else None,
        ),
        stowed=_stowed_scene(build, answers),
        costs=costs,
        stages=stage_costs(build.brief, costs),
        works=works.works if (works := answers.reading(Works)) else (),
        small=small,
        doubts=tuple(_leaned_on(build, parts, answers, today)),
        questions=(*_questions(build, verdicts, registry), *_open_items(small)),
        hitting=hitting,
    )


def answers_of(
    build: Build,
    parts: Mapping[str, Part],
    registry: Registry = REGISTRY,
    *,
    today: date | None = None,
    before: Answers | None = None,
    only: frozenset[str] | None = None,
    settle: Callable[[Readings], Build | None] | None = None,
) -> Answers:
    """Readings and verdicts alone. With the answers of a build that differs little, only what changed is asked again.

    Without `today` the day is that of the answers before, if there are any.
    With `only`, nothing but the checks of these ids is answered. `settle` sees the small items that follow from the
    build, and may answer with another build to be judged in its place. Raises `UnknownPart` as `evaluate` does.
    """

    day = Today(today) if today is not None else before.reading(Today) if before else None

    def given(shown: Build) -> dict[type, object]:
        readings = given_readings(shown, parts)
        if day is not None:
            readings[Today] = day
        return readings

    def settled(readings: Readings) -> Readings | None:
        other = settle(readings) if settle else None
        return None if other is None else given(other)

    return registry.answers(
        given(build), build.brief.players, before, only, Settle(SmallItems, settled) if settle else None
    )


def _leaned_on(build: Build, parts: Mapping[str, Part], answers: Answers, today: date | None) -> Iterator[Doubt]:
    """What is doubtful about the parts of `build`. On a disputed fact leans what the second source's value changes."""
    for part in _parts_there(build, parts):
        for doubt in doubts_of(part, today):
            if doubt.other is None:
                yield doubt
                continue
            told = answers_of(build, {**parts, part.id: doubt.other}, before=answers, only=frozenset(doubt.checks))
            leaning = tuple(id for id in doubt.checks if _figures(told, id) != _figures(answers, id))
            yield replace(doubt, checks=leaning)


def _figures(answers: Answers, check: str) -> list[tuple[object, ...]]:
    verdicts = answers.by_check.get(check, ())
    return [(v.subject_id, v.state, v.measured, v.required, v.margin) for v in verdicts]


def known_costs(answers: Answers) -> Costs:
    """What the build costs; always known, line by line where not in all."""
    costs = answers.reading(Costs)
    assert costs is not None
    return costs


def _stowed_scene(build: Build, answers: Answers) -> Scene | None:
    stowed = answers.reading(StowedLayout)
    if stowed is None:
        return None
    ceiling = answers.reading(Ceiling)
    return stowed_scene_of(build.room, build.layout, ceiling, stowed.solids, stowed.conflicts)


def _worst_by_place(verdicts: tuple[Verdict, ...], registry: Registry) -> dict[tuple[Slot, ...], Verdict]:
    by_place: dict[tuple[Slot, ...], Verdict] = {}
    for verdict in verdicts:
        slots = registry[verdict.id].place.slots
        if slots not in by_place or verdict.state.rank > by_place[slots].state.rank:
            by_place[slots] = verdict
    return by_place


def _slot_status(slot: Slot, build: Build, worst: Mapping[tuple[Slot, ...], Verdict], costs: Costs) -> SlotStatus:
    optional = slot in optional_slots(build.brief)
    state = worst[slot,].state if (slot,) in worst else State.CLEAR
    return SlotStatus(slot, optional, state if slot in build.chain else None, costs.of_slot(slot))


def _link_status(upper: Slot, lower: Slot, build: Build, worst: Mapping[tuple[Slot, ...], Verdict]) -> LinkStatus:
    deciding = worst.get((upper, lower)) if upper in build.chain and lower in build.chain else None
    return LinkStatus(upper, lower, deciding.state if deciding else None, deciding)


def _questions(build: Build, verdicts: tuple[Verdict, ...], registry: Registry) -> Iterator[OpenQuestion]:
    if not build.brief.players:
        nobody = unknown(NobodySwings())
        yield OpenQuestion(Step.BRIEF, nobody.headline, nobody.changes[0])
    yield from _household_questions(build)
    for field in build.room.guessed:
        if name := ROOM_QUESTIONS.get(field):
            yield OpenQuestion(
                Step.ROOM,
                say("The {name} is a first guess", name=name),
                say("Measure it and type it on the drawing."),
            )
    for slot in Slot:
        if slot not in build.chain and slot not in optional_slots(build.brief):
            yield OpenQuestion(Step.PARTS, say("Nothing hangs here yet"), say("Choose a part."), slot)
    yield from _questions_of_verdicts(build, verdicts, registry)


def _parts_there(build: Build, parts: Mapping[str, Part]) -> Iterator[Part]:
    yield from (parts[id] for id in sorted(build.parts_named))


def _open_items(small: tuple[SmallStatus, ...]) -> Iterator[OpenQuestion]:
    undecided = [status for status in small if status.decision is None]
    if len(undecided) == 1:
        yield OpenQuestion(
            Step.PARTS,
            say("One small item is still open: {title}", title=undecided[0].item.item.title.lower()),
            say("Choose it, or strike it off."),
        )
    elif undecided:
        yield OpenQuestion(
            Step.PARTS,
            say("{count} small items are still open", count=str(len(undecided))),
            say("Choose each of them, or take the cheapest that serve."),
        )


def _household_questions(build: Build) -> Iterator[OpenQuestion]:
    for condition in build.brief.conditions:
        if not condition.met:
            yield OpenQuestion(
                Step.BRIEF,
                say("Not settled yet: {condition}", condition=condition.text),
                say("Settle it before money is spent, and tick it."),
            )
    held = {stored.kind for stored in build.room.stored}
    for kind in build.brief.other_uses:
        if kind not in held:
            yield OpenQuestion(
                Step.ROOM,
                say("Where the {thing} stands is not known", thing=kind.value),
                say("Add it to what the room must still hold."),
            )


def _questions_of_verdicts(build: Build, verdicts: tuple[Verdict, ...], registry: Registry) -> Iterator[OpenQuestion]:
    asked = {unknown(NobodySwings()).headline}
    for verdict in verdicts:
        if verdict.state is not State.UNKNOWN or verdict.headline in asked:
            continue
        asked.add(verdict.headline)
        place = registry[verdict.id].place
        yield OpenQuestion(place.step, verdict.headline, verdict.changes[0], place.slots[0] if place.slots else None)
