"""evaluate(build, parts): every verdict on a build, its drawing, its money, its open questions."""

from collections.abc import Iterator, Mapping
from datetime import date
from itertools import pairwise

from core.bay import Bay
from core.checks import GRAPH
from core.checks.bag import Bags
from core.checks.cable_ways import DisplayRun, MachineSpot
from core.checks.evaluation import Evaluation
from core.checks.household import Unsettled
from core.checks.length_budget import LengthBudget
from core.checks.limits import State
from core.checks.modes import ModeLayouts
from core.checks.needs import SmallItems
from core.checks.places import Step
from core.checks.readings import HittingSurface
from core.checks.space import PlayingLayout, StowedLayout
from core.checks.spots import Spots
from core.checks.stages import OptionalPlaces, StageCosts
from core.checks.verdict import Verdict
from core.checks.works import Works
from core.drawing import Scene, scene_of, stowed_scene_of
from core.drawing.front import front_scene_of
from core.geometry.ceiling import Ceiling
from core.geometry.panels import Walls
from core.geometry.surroundings import Surroundings
from core.model.build import Build, Slot
from core.model.facts import NobodySwings
from core.model.kit import Kit
from core.model.parts import Part
from core.money.costs import Costs
from core.quantities import Quantity, Sentence, Unit, say
from core.report.evaluation_of import evaluation_of, known_costs
from core.report.leanings import Leaning, leanings
from core.report.report import LinkStatus, OpenQuestion, Report, SlotStatus
from core.report.small_items import SmallStatus, small_statuses

ROOM_QUESTIONS = {"width_m": "width", "length_m": "length", "ceiling_m": "ceiling height"}


def evaluate(
    build: Build,
    parts: Mapping[str, Part],
    *,
    today: date | None = None,
    before: Report | None = None,
    moving: bool = False,
) -> Report:
    """The report on `build`, whose chain refers to `parts` by id; without `today` nothing is said of dates.

    With the report on a build `before` that differs little, on the same day. While something is `moving`, what leans on
    doubtful facts is taken to be as before: trying each of them takes as long as all the rest.

    Raises `UnknownPart` where the chain names a part or plan that is not there.
    """
    found = evaluation_of(build, parts, today=today, before=before.evaluation if before else None)
    verdicts = found.verdicts
    worst = _worst_by_place(verdicts)
    items, kit = found.reading(SmallItems), found.reading(Kit)
    small = small_statuses(items, kit) if items and kit else ()
    costs, spots, works = known_costs(found), found.reading(Spots), found.reading(Works)
    stages, optional = found.reading(StageCosts), found.reading(OptionalPlaces)
    bags = found.reading(Bags)
    may_be_empty = optional.slots if optional else frozenset()
    return Report(
        evaluation=found,
        slots=tuple(_slot_status(slot, build, worst, costs, may_be_empty) for slot in Slot),
        links=tuple(_link_status(upper, lower, build, worst) for upper, lower in pairwise(Slot)),
        scene=_scene(build, found),
        stowed=_stowed_scene(build, found),
        costs=costs,
        stages=stages.stages if stages else (),
        works=works.works if works else (),
        small=small,
        leanings=before.leanings if moving and before else _leanings(build, parts, found, before),
        questions=(*_questions(build, found, may_be_empty), *_open_items(small)),
        hitting=spots.spots if spots else (),
        length=found.reading(LengthBudget),
        assumed=tuple(_assumed(found)),
        up_for_good=build.layout.up_for_good(packed_away=build.brief.packed_away),
        bags=bags.bags if bags else (),
    )


def _leanings(build: Build, parts: Mapping[str, Part], found: Evaluation, before: Report | None) -> tuple[Leaning, ...]:
    return tuple(leanings(build, parts, found, before.leanings if before else ()))


def _assumed(found: Evaluation) -> Iterator[Sentence]:
    surface = found.reading(HittingSurface)
    if surface is not None and surface.assumed:
        words = "People are taken to stand {height} over the bare floor, {assumed}."
        yield say(words, height=Quantity(surface.height_m, Unit.METRE), assumed=surface.assumed)


def _scene(build: Build, found: Evaluation) -> Scene:
    playing, spots, spot, run = (found.reading(kind) for kind in (PlayingLayout, Spots, MachineSpot, DisplayRun))
    bay, walls = found.reading(Bay), found.reading(Walls)
    assert bay is not None
    assert walls is not None
    return scene_of(
        build.room,
        build.layout,
        walls,
        build.brief.players,
        bay,
        found.reading(Ceiling),
        hitting=tuple(area for each in spots.spots for area in each.areas) if isinstance(spots, Spots) else (),
        surroundings=found.reading(Surroundings),
        contents=playing.solids if isinstance(playing, PlayingLayout) else (),
        conflicts=playing.conflicts if isinstance(playing, PlayingLayout) else (),
        machine=spot.at if isinstance(spot, MachineSpot) else None,
        cable=run.route if isinstance(run, DisplayRun) else None,
    )


def front_scene(build: Build, report: Report) -> Scene:
    """The view toward the screen, for who looks at it: an edit's report stays quick without."""
    found = report.evaluation
    playing, bay = found.reading(PlayingLayout), found.reading(Bay)
    assert bay is not None
    contents = playing.solids if playing else ()
    return front_scene_of(build.room, build.layout, build.brief.players, bay, found.reading(Ceiling), contents)


def mode_scene(build: Build, report: Report, mode: str) -> Scene | None:
    """The drawing of another use of the room, for who looks at it; `None` for a mode that the room does not have."""
    found = report.evaluation
    layouts, walls = found.reading(ModeLayouts), found.reading(Walls)
    layout = layouts.of(mode) if layouts else None
    if layout is None or walls is None:
        return None
    ceiling = found.reading(Ceiling)
    return stowed_scene_of(build.room, build.layout, walls, ceiling, layout.solids, layout.conflicts, layout.mode)


def _stowed_scene(build: Build, found: Evaluation) -> Scene | None:
    stowed, walls = found.reading(StowedLayout), found.reading(Walls)
    if stowed is None or walls is None:
        return None
    return stowed_scene_of(build.room, build.layout, walls, found.reading(Ceiling), stowed.solids, stowed.conflicts)


def _worst_by_place(verdicts: tuple[Verdict, ...]) -> dict[tuple[Slot, ...], Verdict]:
    by_place: dict[tuple[Slot, ...], Verdict] = {}
    for verdict in verdicts:
        slots = GRAPH[verdict.id].place.slots
        if slots not in by_place or verdict.state.rank > by_place[slots].state.rank:
            by_place[slots] = verdict
    return by_place


def _slot_status(
    slot: Slot, build: Build, worst: Mapping[tuple[Slot, ...], Verdict], costs: Costs, may_be_empty: frozenset[Slot]
) -> SlotStatus:
    state = worst[slot,].state if (slot,) in worst else State.CLEAR
    return SlotStatus(slot, slot in may_be_empty, state if slot in build.chain else None, costs.of_slot(slot))


def _link_status(upper: Slot, lower: Slot, build: Build, worst: Mapping[tuple[Slot, ...], Verdict]) -> LinkStatus:
    deciding = worst.get((upper, lower)) if upper in build.chain and lower in build.chain else None
    return LinkStatus(upper, lower, deciding.state if deciding else None, deciding)


def _questions(build: Build, found: Evaluation, may_be_empty: frozenset[Slot]) -> Iterator[OpenQuestion]:
    if not build.brief.players:
        nobody = NobodySwings().missing
        yield OpenQuestion(Step.BRIEF, say("{fact} is not known", fact=nobody.fact), say("{how}", how=nobody.how))
    unsettled = found.reading(Unsettled)
    yield from _household_questions(unsettled) if unsettled else ()
    for field in build.room.guessed:
        if name := ROOM_QUESTIONS.get(field):
            yield OpenQuestion(
                Step.ROOM,
                say("The {name} is a first guess", name=name),
                say("Measure it and type it on the drawing."),
            )
    for slot in Slot:
        if slot not in build.chain and slot not in may_be_empty:
            yield OpenQuestion(Step.PARTS, say("Nothing is chosen here yet"), say("Choose a part."), slot)
    yield from _questions_of_verdicts(found.verdicts)


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


def _household_questions(unsettled: Unsettled) -> Iterator[OpenQuestion]:
    for condition in unsettled.conditions:
        yield OpenQuestion(
            Step.BRIEF,
            say("Not settled yet: {condition}", condition=condition),
            say("Settle it before money is spent, and tick it."),
        )
    for kind in unsettled.homeless:
        yield OpenQuestion(
            Step.ROOM,
            say("Where the {thing} stands is not known", thing=kind.value),
            say("Add it to what the room must still hold."),
        )


def _questions_of_verdicts(verdicts: tuple[Verdict, ...]) -> Iterator[OpenQuestion]:
    asked = {NobodySwings().missing}
    for verdict in verdicts:
        missing = verdict.missing
        if missing is None or missing in asked:
            continue
        asked.add(missing)
        place = GRAPH[verdict.id].place
        yield OpenQuestion(
            place.step,
            say("{fact} is not known", fact=missing.fact),
            say("{how}", how=missing.how),
            place.slots[0] if place.slots else None,
            missing.at,
        )
