"""Verdicts as JSON, in short and with their workings; the manual of checks."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from core.checks import GRAPH
from core.checks.limits import State
from core.checks.places import Step
from core.checks.verdict import Basis, Told
from core.formats.report_json.figures import FigureJson, figure_json, maybe_figure_json
from core.model.build import Slot
from core.quantities import UnitSystem, figure_text
from core.report.other_values import OtherValue


@dataclass(frozen=True, slots=True)
class VerdictJson:
    """One answer of one check."""

    id: str
    title: str
    subject: str
    subject_id: str
    step: Step
    slots: tuple[Slot, ...]
    state: State
    rank: int
    """0 for clear up to 3 for blocked."""
    headline: str
    margin: str
    changes: list[str]
    doubts: list[str]
    """Facts that it leans on and that are old or disputed."""
    missing: str
    """Record and field of the fact that is not known, as `brief.hours_a_week` or `parts/radar.links`; else empty."""


@dataclass(frozen=True, slots=True)
class InputJson:
    """One number that went into a verdict."""

    name: str
    value: FigureJson
    basis: Basis


@dataclass(frozen=True, slots=True)
class WorkingsJson:
    """How an answer came about: figures, basis, formula, inputs, and the rule itself."""

    verdict: VerdictJson
    measured: FigureJson | None
    required: FigureJson | None
    margin: str
    basis: Basis
    formula: str
    inputs: list[InputJson]
    manual: str
    others: list["OtherValueJson"]
    """What it would be if the second source of a disputed fact were right."""


@dataclass(frozen=True, slots=True)
class OtherValueJson:
    """A disputed fact with the value of its second source, and the answer with that."""

    fact: str
    value: str
    source: str
    state: State
    headline: str
    margin: str


@dataclass(frozen=True, slots=True)
class ReasonJson:
    """A verdict in short."""

    id: str
    title: str
    subject: str
    subject_id: str
    state: State
    headline: str


@dataclass(frozen=True, slots=True)
class CheckJson:
    """A check and its page in the manual."""

    id: str
    title: str
    manual: str


def verdict_json(told: Told, system: UnitSystem, doubts: Sequence[str] = ()) -> VerdictJson:
    """`told` in short, with what is doubtful about the facts it leans on, for a reader of `system`."""
    verdict = told.verdict
    check = GRAPH[verdict.id]
    margin = verdict.margin_told
    return VerdictJson(
        id=verdict.id,
        title=check.title,
        subject=told.subject,
        subject_id=verdict.subject_id,
        step=check.place.step,
        slots=check.place.slots,
        state=verdict.state,
        rank=verdict.state.rank,
        headline=told.headline.text(system),
        margin=margin.text(system) if margin else "",
        changes=[cure.words.text(system) for cure in told.cures],
        doubts=list(doubts),
        missing=verdict.missing.at.path if verdict.missing else "",
    )


def workings_json(told: Told, system: UnitSystem, others: Iterable[OtherValue] = ()) -> WorkingsJson:
    """`told` and how it came about, for a reader of `system`."""
    return WorkingsJson(
        verdict=verdict_json(told, system),
        measured=maybe_figure_json(told.measured, system),
        required=maybe_figure_json(told.required, system),
        margin=told.margin.text(system) if told.margin else "",
        basis=told.basis,
        formula=told.formula,
        inputs=[
            InputJson(name=input.name, value=figure_json(input.value, system), basis=input.basis)
            for input in told.inputs()
        ],
        manual=_unwrapped(GRAPH[told.verdict.id].manual),
        others=[_other(other, system) for other in others],
    )


def _other(other: OtherValue, system: UnitSystem) -> OtherValueJson:
    margin = other.told.verdict.margin_told
    return OtherValueJson(
        fact=f"{other.part.name}, {other.fact}",
        value=figure_text(other.value, system),
        source=other.source,
        state=other.told.state,
        headline=other.told.headline.text(system),
        margin=margin.text(system) if margin else "",
    )


def reasons_json(told: Iterable[Told], system: UnitSystem) -> list[ReasonJson]:
    """Verdicts as reasons for or against a candidate."""
    return [
        ReasonJson(
            id=each.verdict.id,
            title=GRAPH[each.verdict.id].title,
            subject=each.subject,
            subject_id=each.verdict.subject_id,
            state=each.state,
            headline=each.headline.text(system),
        )
        for each in told
    ]


def checks_json() -> list[CheckJson]:
    """The manual: every check there is."""
    return [CheckJson(id=check.id, title=check.title, manual=_unwrapped(check.manual)) for check in GRAPH.checks]


def _unwrapped(docstring: str) -> str:
    paragraphs = docstring.split("\n\n")
    return "\n\n".join(" ".join(paragraph.split()) for paragraph in paragraphs)
