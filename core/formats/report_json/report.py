"""The whole report as JSON."""

from dataclasses import dataclass
from typing import TypedDict

from pydantic import TypeAdapter

from core.checks import GRAPH
from core.checks.bag import Bag, Band
from core.checks.figures import metres
from core.checks.length_budget import LengthBudget
from core.checks.limits import State, at_least
from core.checks.places import Step
from core.checks.spots import HittingSpot
from core.checks.verdict import Told
from core.formats.report_json.costs import CostsJson, costs_json
from core.formats.report_json.drawing import SceneJson, scene_json
from core.formats.report_json.small_items import SmallItemJson, small_item_json
from core.formats.report_json.tellings import TELLINGS
from core.formats.report_json.verdicts import VerdictJson, WorkingsJson, workings_json
from core.model.brief import Handedness, Stage
from core.model.build import Slot
from core.model.clubs import Club
from core.model.things import BayPart
from core.quantities import UnitSystem, figure_text
from core.quantities.tolerances import SAME_SPOT_M
from core.report import LinkStatus, Report, SlotStatus
from core.report.routes.ways import WAYS

CAUTION = (
    "Estimates are not a safety certificate: test at low speed first. Local codes come first; mains wiring is a "
    "licensed electrician's work."
)


@dataclass(frozen=True, slots=True)
class SlotJson:
    """A place on the chain and what its lines cost; `state` is empty while nothing hangs there."""

    slot: Slot
    optional: bool
    state: State | None
    up_front: str
    yearly: str
    routes: bool
    """There are several ways to come by what hangs here."""


@dataclass(frozen=True, slots=True)
class LinkJson:
    """Between two parts: the state, and the one thing that could break it with its margin."""

    upper: Slot
    lower: Slot
    state: State | None
    headline: str
    margin: str
    verdict: str | None
    subject: str
    subject_id: str


@dataclass(frozen=True, slots=True)
class QuestionJson:
    """An open question, where it is answered, and how."""

    step: Step
    slot: Slot | None
    question: str
    how: str


@dataclass(frozen=True, slots=True)
class AttentionJson:
    """Which verdict is not clear; the first of a list is to be looked at first."""

    id: str
    subject: str
    subject_id: str


@dataclass(frozen=True, slots=True)
class StepJson:
    """A step of the work: its worst state, what is in the way there, and how many questions are open."""

    step: Step
    state: State
    blocked: int
    questions: int


@dataclass(frozen=True, slots=True)
class HittingJson:
    """A spot to hit from, for the players of these hands; `x_m` and `y_m` are empty where there is none."""

    hands: list[Handedness]
    x_m: float | None
    y_m: float | None
    here: bool
    """The ball is there already, to the centimetre."""
    reason: str


@dataclass(frozen=True, slots=True)
class ClubJson:
    """A club: clear, to be tested, or not; what it has to spare, and to what it comes nearest."""

    club: Club
    band: Band
    state: State
    spare: str
    nearest: str
    wanted: bool
    """The player wants to swing it: it is no longer than the longest."""


@dataclass(frozen=True, slots=True)
class BagJson:
    """A player's clubs, longest first."""

    player: str
    clubs: list[ClubJson]


@dataclass(frozen=True, slots=True)
class StageJson:
    """A stage of the build, the places it adds, and what they cost."""

    stage: Stage
    slots: list[Slot]
    up_front: str
    yearly: str
    of: list[str]
    """The lines that its amounts are made up of."""
    unpriced: list[str]
    """Lines without a price: not in its amounts."""
    empty: list[Slot]
    """Places it needs in which nothing hangs yet."""


@dataclass(frozen=True, slots=True)
class WorkJson:
    """A piece of work, who does it, and the household's own hours on it."""

    id: str
    what: str
    who: str
    hours: str


@dataclass(frozen=True, slots=True)
class StretchJson:
    """One part of the room's length, and what asks for so much of it."""

    words: str
    text: str
    asked_by: str


@dataclass(frozen=True, slots=True)
class LengthJson:
    """How the length of the room is shared out at least, and what is left or missing."""

    room: str
    stretches: list[StretchJson]
    left: str
    state: State


@dataclass(frozen=True, slots=True)
class ReportJson:
    """Everything the core says of a build."""

    blocked: bool
    verdicts: list[VerdictJson]
    attention: list[AttentionJson]
    steps: list[StepJson]
    slots: list[SlotJson]
    links: list[LinkJson]
    scene: SceneJson
    stowed: SceneJson | None
    costs: CostsJson
    questions: list[QuestionJson]
    hitting: list[HittingJson]
    length: LengthJson | None
    assumed: list[str]
    up_for_good: list[BayPart]
    bags: list[BagJson]
    stages: list[StageJson]
    works: list[WorkJson]
    small_items: list[SmallItemJson]
    caution: str


@dataclass(frozen=True, slots=True)
class FullReportJson:
    """The report and the workings of every verdict: what the shell prints."""

    report: ReportJson
    workings: list[WorkingsJson]


_FULL_REPORT = TypeAdapter(FullReportJson)


def report_json(report: Report, system: UnitSystem) -> ReportJson:
    """`report` for a reader of `system`."""
    doubts = doubts_by_check(report, system)
    return ReportJson(
        verdicts=[TELLINGS.told(report, verdict, system, doubts.get(verdict.id, [])) for verdict in report.verdicts],
        scene=scene_json(report.scene, system),
        stowed=scene_json(report.stowed, system) if report.stowed else None,
        small_items=[small_item_json(status, system) for status in report.small],
        caution=CAUTION,
        **summary_json(report, system),
    )


class SummaryJson(TypedDict):
    """What is told of a report besides its verdicts, drawings and small items."""

    blocked: bool
    attention: list[AttentionJson]
    steps: list[StepJson]
    slots: list[SlotJson]
    links: list[LinkJson]
    costs: CostsJson
    questions: list[QuestionJson]
    hitting: list[HittingJson]
    length: LengthJson | None
    assumed: list[str]
    up_for_good: list[BayPart]
    bags: list[BagJson]
    stages: list[StageJson]
    works: list[WorkJson]


def summary_json(report: Report, system: UnitSystem) -> SummaryJson:
    """The part of `report` that is short, for a reader of `system`."""
    subject = report.evaluation.subject
    return SummaryJson(
        blocked=report.blocked,
        steps=[_step(step, report) for step in Step],
        attention=[
            AttentionJson(id=verdict.id, subject=subject(verdict), subject_id=verdict.subject_id)
            for verdict in report.attention
        ],
        slots=[_slot(status) for status in report.slots],
        links=[_link(link, report.told(link.deciding) if link.deciding else None, system) for link in report.links],
        costs=costs_json(report.costs, report.verdicts, system),
        questions=[
            QuestionJson(
                step=question.step,
                slot=question.slot,
                question=question.question.text(system),
                how=question.how.text(system),
            )
            for question in report.questions
        ],
        length=_length(report.length, system) if report.length else None,
        assumed=[sentence.text(system) for sentence in report.assumed],
        up_for_good=list(report.up_for_good),
        hitting=[_hitting(spot, report, system) for spot in report.hitting],
        bags=[_bag(bag, system) for bag in report.bags],
        stages=[
            StageJson(
                stage.stage,
                list(stage.slots),
                stage.up_front.text(),
                stage.yearly.text(),
                list(stage.of),
                list(stage.unpriced),
                list(stage.empty),
            )
            for stage in report.stages
        ],
        works=[
            WorkJson(work.id, work.what.text(system), work.who, f"about {work.own_hours:g} h" if work.own_hours else "")
            for work in report.works
        ],
    )


def _length(budget: LengthBudget, system: UnitSystem) -> LengthJson:
    left = at_least(budget.left_m, 0.0)
    return LengthJson(
        figure_text(metres(budget.room_m), system),
        [StretchJson(s.words, figure_text(metres(s.length_m), system), s.asked_by) for s in budget.stretches],
        figure_text(metres(abs(budget.left_m)), system) + (" left" if left.state is State.CLEAR else " missing"),
        left.state,
    )


def _bag(bag: Bag, system: UnitSystem) -> BagJson:
    wanted = bag.player.longest_club.and_shorter()
    return BagJson(
        bag.player.id,
        [
            ClubJson(
                swung.club,
                swung.band,
                STATE_BY_BAND[swung.band],
                figure_text(swung.limit.has, system),
                swung.closest.name,
                swung.club in wanted,
            )
            for swung in bag.swung
        ],
    )


STATE_BY_BAND = {
    Band.CLEAR: State.CLEAR,
    Band.SO_FAR: State.UNKNOWN,
    Band.TEST: State.TIGHT,
    Band.NO: State.BLOCKED,
}
"""How a band is marked."""


def doubts_by_check(report: Report, system: UnitSystem) -> dict[str, list[str]]:
    """What is doubtful about the facts that each check leans on, by its id."""
    by_check: dict[str, list[str]] = {}
    for leaning in report.leanings:
        for check in leaning.checks:
            by_check.setdefault(check, []).append(leaning.doubt.what.text(system))
    return by_check


def full_report_text(report: Report, system: UnitSystem) -> str:
    """The report with all workings, as indented JSON."""
    workings = [workings_json(report.told(verdict), system) for verdict in report.verdicts]
    return _FULL_REPORT.dump_json(FullReportJson(report_json(report, system), workings), indent=2).decode()


def _step(step: Step, report: Report) -> StepJson:
    states = [verdict.state for verdict in report.verdicts if GRAPH[verdict.id].place.step is step]
    questions = sum(question.step is step for question in report.questions)
    asked = [State.UNKNOWN] if questions else []
    return StepJson(
        step=step,
        state=max([State.CLEAR, *asked, *states], key=lambda state: state.rank),
        blocked=states.count(State.BLOCKED),
        questions=questions,
    )


def _link(link: LinkStatus, deciding: Told | None, system: UnitSystem) -> LinkJson:
    if deciding is None:
        return LinkJson(link.upper, link.lower, link.state, "", "", None, "", "")
    margin = deciding.verdict.margin_told
    return LinkJson(
        upper=link.upper,
        lower=link.lower,
        state=link.state,
        headline=deciding.headline.text(system),
        margin=margin.text(system) if margin else "",
        verdict=deciding.verdict.id,
        subject=deciding.subject,
        subject_id=deciding.verdict.subject_id,
    )


def _slot(status: SlotStatus) -> SlotJson:
    if status.costs is None:
        up_front, yearly = "price not known", ""
    else:
        up_front, yearly = status.costs[0].text(), status.costs[1].text() if status.costs[1].minor else ""
    return SlotJson(status.slot, status.optional, status.state, up_front, yearly, routes=status.slot in WAYS)


def _hitting(spot: HittingSpot, report: Report, system: UnitSystem) -> HittingJson:
    x_m, y_m = spot.best or (None, None)
    balls = {handle.target: handle.at for handle in report.scene.handles if handle.view == "floor"}
    own = {Handedness.RIGHT: balls["ball"], Handedness.LEFT: balls.get("left-ball", balls["ball"])}
    here = spot.best is not None and all(
        abs(own[hand][1] - spot.best[0]) < SAME_SPOT_M and abs(own[hand][0] - spot.best[1]) < SAME_SPOT_M
        for hand in spot.hands
    )
    return HittingJson(list(spot.hands), x_m, y_m, here, spot.reason.text(system))
