"""The report as JSON: the contract between the core and every screen, and what the shell prints.

Every figure carries its value, its unit and its text in the reader's own units, so that nobody else formats.
"""

from collections.abc import Iterable
from dataclasses import dataclass

from pydantic import TypeAdapter

from core.checks.places import Step
from core.checks.register import REGISTRY
from core.checks.verdict import Basis, State, Verdict
from core.formats.spec_sheet import spec_rows
from core.geometry.scene import Dimension, Scene, View
from core.model.build import Slot
from core.money.costs import Costs, Line, Payment
from core.quantities import Figure, Money, Quantity, Sentence, UnitSystem, figure_text, format_length
from core.report import Report
from core.report.alternatives import Alternative

CAUTION = (
    "Estimates are not a safety certificate: test at low speed first. Local codes come first; mains wiring is a "
    "licensed electrician's work."
)


@dataclass(frozen=True, slots=True)
class FigureJson:
    """A figure: `value` in SI units, minor units of money, or nothing for a word; `text` for the reader."""

    value: float | None
    unit: str
    text: str


@dataclass(frozen=True, slots=True)
class InputJson:
    """One number that went into a verdict."""

    name: str
    value: FigureJson
    basis: Basis


@dataclass(frozen=True, slots=True)
class VerdictJson:
    """One answer of one check."""

    id: str
    title: str
    subject: str
    step: Step
    slots: tuple[Slot, ...]
    state: State
    headline: str
    margin: str
    changes: list[str]


@dataclass(frozen=True, slots=True)
class WorkingsJson:
    """How an answer came about: figures, basis, formula, inputs, and the rule itself."""

    verdict: VerdictJson
    measured: FigureJson | None
    required: FigureJson | None
    margin: FigureJson | None
    basis: Basis
    formula: str
    inputs: list[InputJson]
    manual: str


@dataclass(frozen=True, slots=True)
class CheckJson:
    """A check and its page in the manual."""

    id: str
    title: str
    manual: str


@dataclass(frozen=True, slots=True)
class SlotJson:
    """A place on the chain and what its lines cost; `state` is empty while nothing hangs there."""

    slot: Slot
    optional: bool
    state: State | None
    up_front: str
    yearly: str


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


@dataclass(frozen=True, slots=True)
class PointJson:
    """A point of the drawing, in metres."""

    u: float
    v: float


@dataclass(frozen=True, slots=True)
class ShapeJson:
    """A shape of the drawing and what it means. `points` holds u and v of one point after the other, in metres."""

    view: View
    meaning: str
    points: list[float]
    closed: bool
    subject: str
    label: str


@dataclass(frozen=True, slots=True)
class DimensionJson:
    """A dimension line; `field` names what typing on it sets, empty where it only follows."""

    view: View
    label: str
    start: PointJson
    end: PointJson
    text: str
    field: str


@dataclass(frozen=True, slots=True)
class HandleJson:
    """What may be dragged, and which fields of the layout follow the pointer."""

    view: View
    target: str
    label: str
    at: PointJson
    u_field: str
    v_field: str
    u_origin_m: float


@dataclass(frozen=True, slots=True)
class SceneJson:
    """The drawing, in metres."""

    length_m: float
    width_m: float
    height_m: float
    shapes: list[ShapeJson]
    dimensions: list[DimensionJson]
    handles: list[HandleJson]


@dataclass(frozen=True, slots=True)
class LineJson:
    """One line of the cost."""

    slot: Slot
    label: str
    quantity: str
    payment: Payment
    up_front: FigureJson | None
    yearly: FigureJson | None
    replacement_value: FigureJson | None
    missing: str


@dataclass(frozen=True, slots=True)
class BudgetJson:
    """One measured line of money up to its cap. Shares are of the cap, or of the total where none is set."""

    total: FigureJson
    cap: FigureJson | None
    left: FigureJson | None
    contingency: FigureJson | None
    total_share: float
    contingency_share: float
    state: State


@dataclass(frozen=True, slots=True)
class CostsJson:
    """What it costs, and the scope of the sums."""

    lines: list[LineJson]
    up_front: BudgetJson
    yearly: BudgetJson
    horizon: FigureJson
    horizon_years: int
    newcomer: FigureJson
    contingency_workings: str
    horizon_workings: str
    newcomer_workings: str
    unpriced: int
    missing_rates: list[str]
    scope: str


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


@dataclass(frozen=True, slots=True)
class StepJson:
    """A step of the work: its worst state, what is in the way there, and how many questions are open."""

    step: Step
    state: State
    blocked: int
    questions: int


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
    costs: CostsJson
    questions: list[QuestionJson]
    caution: str


@dataclass(frozen=True, slots=True)
class FullReportJson:
    """The report and the workings of every verdict: what the shell prints."""

    report: ReportJson
    workings: list[WorkingsJson]


@dataclass(frozen=True, slots=True)
class FactJson:
    """One row of a spec sheet."""

    name: str
    text: str


@dataclass(frozen=True, slots=True)
class ReasonJson:
    """A verdict in short."""

    id: str
    title: str
    subject: str
    state: State
    headline: str


@dataclass(frozen=True, slots=True)
class AlternativeJson:
    """A candidate for a place, and what it would do there."""

    part: str
    kind: str
    maker: str
    name: str
    note: str
    price: str
    hangs_now: bool
    state: State
    reasons: list[ReasonJson]
    better: list[ReasonJson]
    worse: list[ReasonJson]
    up_front_change: FigureJson
    yearly_change: FigureJson
    priced: bool
    facts: list[FactJson]


def checks_json() -> list[CheckJson]:
    """The manual: every check there is."""
    return [CheckJson(id=check.id, title=check.title, manual=_unwrapped(check.manual)) for check in REGISTRY.checks]


def _unwrapped(docstring: str) -> str:
    paragraphs = docstring.split("\n\n")
    return "\n\n".join(" ".join(paragraph.split()) for paragraph in paragraphs)


def report_json(report: Report, system: UnitSystem) -> ReportJson:
    """`report` for a reader of `system`."""
    return ReportJson(
        blocked=report.blocked,
        verdicts=[_verdict(verdict, system) for verdict in report.verdicts],
        steps=[_step(step, report) for step in Step],
        attention=[AttentionJson(id=verdict.id, subject=verdict.subject) for verdict in report.attention],
        slots=[
            SlotJson(
                slot=status.slot,
                optional=status.optional,
                state=status.state,
                up_front=status.up_front.text(),
                yearly=status.yearly.text() if status.yearly.minor else "",
            )
            for status in report.slots
        ],
        links=[
            LinkJson(
                upper=link.upper,
                lower=link.lower,
                state=link.state,
                headline=link.deciding.headline.text(system) if link.deciding else "",
                margin=_text(link.deciding.margin if link.deciding else None, system),
                verdict=link.deciding.id if link.deciding else None,
                subject=link.deciding.subject if link.deciding else "",
            )
            for link in report.links
        ],
        scene=_scene(report.scene, system),
        costs=_costs(report.costs, report.verdicts, system),
        questions=[
            QuestionJson(
                step=question.step,
                slot=question.slot,
                question=question.question.text(system),
                how=question.how.text(system),
            )
            for question in report.questions
        ],
        caution=CAUTION,
    )


_FULL_REPORT = TypeAdapter(FullReportJson)


def full_report_text(report: Report, system: UnitSystem) -> str:
    """The report with all workings, as indented JSON."""
    workings = [workings_json(verdict, system) for verdict in report.verdicts]
    return _FULL_REPORT.dump_json(FullReportJson(report_json(report, system), workings), indent=2).decode()


def alternative_json(alternative: Alternative, system: UnitSystem) -> AlternativeJson:
    """`alternative` for a reader of `system`."""
    part = alternative.part
    return AlternativeJson(
        part=part.id,
        kind=getattr(part, "kind", ""),
        maker=part.maker,
        name=part.name,
        note=part.note,
        price=part.price.money.text() if part.price else "price not known",
        hangs_now=alternative.hangs_now,
        state=alternative.state,
        reasons=_reasons(alternative.reasons, system),
        better=_reasons(alternative.better, system),
        worse=_reasons(alternative.worse, system),
        up_front_change=_signed(alternative.up_front_change),
        yearly_change=_signed(alternative.yearly_change),
        priced=alternative.priced,
        facts=[FactJson(name, text) for name, text in spec_rows(part, system)],
    )


def _step(step: Step, report: Report) -> StepJson:
    states = [verdict.state for verdict in report.verdicts if REGISTRY[verdict.id].place.step is step]
    questions = sum(question.step is step for question in report.questions)
    asked = [State.UNKNOWN] if questions else []
    return StepJson(
        step=step,
        state=max([State.CLEAR, *asked, *states], key=lambda state: state.rank),
        blocked=states.count(State.BLOCKED),
        questions=questions,
    )


def _reasons(verdicts: Iterable[Verdict], system: UnitSystem) -> list[ReasonJson]:
    return [
        ReasonJson(
            id=verdict.id,
            title=REGISTRY[verdict.id].title,
            subject=verdict.subject,
            state=verdict.state,
            headline=verdict.headline.text(system),
        )
        for verdict in verdicts
    ]


def _figure(figure: Figure, system: UnitSystem) -> FigureJson:
    text = figure_text(figure, system)
    if isinstance(figure, Quantity):
        return FigureJson(value=figure.value, unit=figure.unit.value, text=text)
    if isinstance(figure, Money):
        return FigureJson(value=figure.minor, unit=figure.currency, text=text)
    return FigureJson(value=None, unit="", text=text)


def _maybe(figure: Figure | None, system: UnitSystem) -> FigureJson | None:
    return None if figure is None else _figure(figure, system)


def _text(figure: Figure | None, system: UnitSystem) -> str:
    return "" if figure is None else figure_text(figure, system)


def _signed(money: Money) -> FigureJson:
    sign = "+" if money.minor > 0 else ""
    return FigureJson(value=money.minor, unit=money.currency, text=sign + money.text() if money.minor else "±0")


def _texts(sentences: tuple[Sentence, ...], system: UnitSystem) -> list[str]:
    return [sentence.text(system) for sentence in sentences]


def _verdict(verdict: Verdict, system: UnitSystem) -> VerdictJson:
    check = REGISTRY[verdict.id]
    return VerdictJson(
        id=verdict.id,
        title=check.title,
        subject=verdict.subject,
        step=check.place.step,
        slots=check.place.slots,
        state=verdict.state,
        headline=verdict.headline.text(system),
        margin=_text(verdict.margin, system),
        changes=_texts(verdict.changes, system),
    )


def workings_json(verdict: Verdict, system: UnitSystem) -> WorkingsJson:
    """`verdict` and how it came about, for a reader of `system`."""
    return WorkingsJson(
        verdict=_verdict(verdict, system),
        measured=_maybe(verdict.measured, system),
        required=_maybe(verdict.required, system),
        margin=_maybe(verdict.margin, system),
        basis=verdict.basis,
        formula=verdict.formula,
        inputs=[
            InputJson(name=input.name, value=_figure(input.value, system), basis=input.basis)
            for input in verdict.inputs()
        ],
        manual=_unwrapped(REGISTRY[verdict.id].manual),
    )


def _point(point: tuple[float, float]) -> PointJson:
    return PointJson(u=round(point[0], 3), v=round(point[1], 3))


def _scene(scene: Scene, system: UnitSystem) -> SceneJson:
    return SceneJson(
        length_m=scene.length_m,
        width_m=scene.width_m,
        height_m=scene.height_m,
        shapes=[
            ShapeJson(
                view=shape.view,
                meaning=shape.meaning,
                points=[round(number, 3) for point in shape.points for number in point],
                closed=shape.closed,
                subject=shape.subject,
                label=shape.label,
            )
            for shape in scene.shapes
        ],
        dimensions=[_dimension(dimension, system) for dimension in scene.dimensions],
        handles=[
            HandleJson(
                view=handle.view,
                target=handle.target,
                label=handle.label,
                at=_point(handle.at),
                u_field=handle.u_field,
                v_field=handle.v_field,
                u_origin_m=handle.u_origin_m,
            )
            for handle in scene.handles
        ],
    )


def _dimension(dimension: Dimension, system: UnitSystem) -> DimensionJson:
    return DimensionJson(
        view=dimension.view,
        label=dimension.label,
        start=_point(dimension.start),
        end=_point(dimension.end),
        text=format_length(round(dimension.value_m, 4), system),
        field=dimension.field,
    )


def _costs(costs: Costs, verdicts: tuple[Verdict, ...], system: UnitSystem) -> CostsJson:
    by_id = {verdict.id: verdict for verdict in verdicts}
    contingency, horizon, newcomer = _texts(costs.workings, system)
    return CostsJson(
        lines=[_line(line, system) for line in costs.lines],
        up_front=_budget(by_id["money.up_front"], costs.up_front, costs.contingency, system),
        yearly=_budget(by_id["money.yearly"], costs.yearly, None, system),
        horizon=_figure(costs.horizon, system),
        horizon_years=costs.horizon_years,
        newcomer=_figure(costs.newcomer, system),
        contingency_workings=contingency,
        horizon_workings=horizon,
        newcomer_workings=newcomer,
        unpriced=len(costs.missing),
        missing_rates=list(costs.missing_rates),
        scope=costs.scope,
    )


def _budget(verdict: Verdict, total: Money, contingency: Money | None, system: UnitSystem) -> BudgetJson:
    cap = verdict.required if isinstance(verdict.required, Money) else None
    kept = contingency.minor if contingency else 0
    whole = max(cap.minor if cap else 0, total.minor + kept, 1)
    return BudgetJson(
        total=_figure(total, system),
        cap=_maybe(cap, system),
        left=_maybe(verdict.margin, system),
        contingency=_maybe(contingency, system),
        total_share=total.minor / whole,
        contingency_share=kept / whole,
        state=verdict.state,
    )


def _line(line: Line, system: UnitSystem) -> LineJson:
    return LineJson(
        slot=line.slot,
        label=line.label,
        quantity=f"{line.quantity} {line.unit}".strip(),
        payment=line.payment,
        up_front=_maybe(line.up_front, system),
        yearly=_maybe(line.yearly, system),
        replacement_value=_maybe(line.replacement_value, system),
        missing=line.missing.fact if line.missing else "",
    )
