"""Verdicts as JSON, in short and with their workings; the manual of checks."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from core.checks.places import Step
from core.checks.register import REGISTRY
from core.checks.verdict import Basis, State, Verdict
from core.formats.report_json.figures import FigureJson, figure_json, maybe_figure_json, text_of, texts_of
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
    margin: FigureJson | None
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


def verdict_json(verdict: Verdict, system: UnitSystem, doubts: Sequence[str] = ()) -> VerdictJson:
    """`verdict` in short, with what is doubtful about the facts it leans on, for a reader of `system`."""
    check = REGISTRY[verdict.id]
    return VerdictJson(
        id=verdict.id,
        title=check.title,
        subject=verdict.subject,
        subject_id=verdict.subject_id,
        step=check.place.step,
        slots=check.place.slots,
        state=verdict.state,
        rank=verdict.state.rank,
        headline=verdict.headline.text(system),
        margin=text_of(verdict.margin, system),
        changes=texts_of(verdict.changes, system),
        doubts=list(doubts),
    )


def workings_json(verdict: Verdict, system: UnitSystem, others: Iterable[OtherValue] = ()) -> WorkingsJson:
    """`verdict` and how it came about, for a reader of `system`."""
    return WorkingsJson(
        verdict=verdict_json(verdict, system),
        measured=maybe_figure_json(verdict.measured, system),
        required=maybe_figure_json(verdict.required, system),
        margin=maybe_figure_json(verdict.margin, system),
        basis=verdict.basis,
        formula=verdict.formula,
        inputs=[
            InputJson(name=input.name, value=figure_json(input.value, system), basis=input.basis)
            for input in verdict.inputs()
        ],
        manual=_unwrapped(REGISTRY[verdict.id].manual),
        others=[_other(other, system) for other in others],
    )


def _other(other: OtherValue, system: UnitSystem) -> OtherValueJson:
    return OtherValueJson(
        fact=f"{other.part.name}, {other.fact}",
        value=figure_text(other.value, system),
        source=other.source,
        state=other.verdict.state,
        headline=other.verdict.headline.text(system),
        margin=text_of(other.verdict.margin, system),
    )


def reasons_json(verdicts: Iterable[Verdict], system: UnitSystem) -> list[ReasonJson]:
    """Verdicts as reasons for or against a candidate."""
    return [
        ReasonJson(
            id=verdict.id,
            title=REGISTRY[verdict.id].title,
            subject=verdict.subject,
            subject_id=verdict.subject_id,
            state=verdict.state,
            headline=verdict.headline.text(system),
        )
        for verdict in verdicts
    ]


def checks_json() -> list[CheckJson]:
    """The manual: every check there is."""
    return [CheckJson(id=check.id, title=check.title, manual=_unwrapped(check.manual)) for check in REGISTRY.checks]


def _unwrapped(docstring: str) -> str:
    paragraphs = docstring.split("\n\n")
    return "\n\n".join(" ".join(paragraph.split()) for paragraph in paragraphs)
