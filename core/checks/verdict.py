"""What a check answers: limits, which are values, and how to tell of them, which is asked for when somebody looks."""

from collections.abc import Callable
from enum import StrEnum
from typing import NamedTuple

from core.checks.limits import Comparison, Limit, State, Words, tightest
from core.model.acts import Act
from core.model.facts import FactAt, Missing
from core.quantities import Figure, Sentence, say


class Basis(StrEnum):
    """Where a number comes from."""

    PHYSICS = "physics"
    SPEC = "spec"
    STANDARD = "standard"
    TRADE = "trade"
    MEASURED = "measured"


class Input(NamedTuple):
    """One number that went into a verdict or a figure."""

    name: str
    value: Figure
    basis: Basis


class Cure(NamedTuple):
    """What would change a verdict: in words, and as what a press does to the build, where a press can do it."""

    words: Sentence
    act: Act | None = None
    promise: State | None = State.CLEAR
    """How the verdict comes out at worst once it is done; `None` where that hangs on more than this."""
    at: FactAt | None = None
    """Where what a person found out, or agreed on, is entered: of what no press can do."""


def press(act: Act, template: str, promise: State | None = State.CLEAR, /, **figures: Figure) -> Cure:
    """A cure that a press carries out; braces in the template name the figures that follow."""
    return Cure(say(template, **figures), act, promise)


def find_out(at: FactAt, template: str, /, **figures: Figure) -> Cure:
    """A cure that a person carries out, and that tells once its outcome is entered at `at`."""
    return Cure(say(template, **figures), at=at)


Inputs = Callable[[], tuple[Input, ...]]
Cures = tuple[Sentence | Cure, ...]


class Answer(NamedTuple):
    """What the function of a check gives back: its limits, and how to tell of them. The tightest limit decides."""

    limits: Comparison | tuple[Comparison, ...]
    headline: Callable[[], Sentence]
    formula: str
    inputs: Inputs
    cures: Callable[[], Cures]
    """What would change it, the least trouble first; nobody asks while it is clear."""
    basis: Basis = Basis.SPEC

    @property
    def compared(self) -> tuple[Comparison, ...]:
        """The limits, one or several."""
        return (self.limits,) if isinstance(self.limits, Limit | Words) else self.limits


class Verdict(NamedTuple):
    """How one check came out, as a value: it can be compared, stored, and sent as a difference."""

    id: str
    subject_id: str
    """Id of the player it speaks of, where a check is made for each."""
    state: State
    limits: tuple[Comparison, ...] = ()
    missing: Missing | None = None
    """The fact that is not known."""

    def about(self, subject_id: str) -> "Verdict":
        """This verdict, of a player."""
        return tuple.__new__(Verdict, (self[0], subject_id, *self[2:]))

    @property
    def key(self) -> tuple[str, str]:
        """Tells the verdicts of a build apart: the check, and whom it speaks of."""
        return self.id, self.subject_id

    @property
    def deciding(self) -> Comparison | None:
        """The limit that decides; `None` where a fact is not known."""
        return tightest(self.limits) if self.limits else None

    @property
    def measured(self) -> Figure | None:
        """What there is."""
        limit = self.deciding
        return None if limit is None else limit.has

    @property
    def required(self) -> Figure | None:
        """What is wanted: the least, or the most, that is put up with."""
        limit = self.deciding
        return None if limit is None else limit.wants

    @property
    def margin(self) -> Sentence | None:
        """What is left between the two."""
        limit = self.deciding
        return None if limit is None else limit.margin

    @property
    def margin_told(self) -> Sentence | None:
        """What is left between the two, as it stands beside a headline."""
        limit = self.deciding
        return None if limit is None else limit.margin_told


class Told(NamedTuple):
    """A verdict as somebody reads it."""

    verdict: Verdict
    subject: str
    """The name of the player it speaks of."""
    headline: Sentence
    cures: tuple[Cure, ...]
    """What would change it, the least trouble first; none where it is clear."""
    basis: Basis = Basis.SPEC
    formula: str = ""
    inputs: Inputs = tuple

    @property
    def state(self) -> State:
        """As the verdict's."""
        return self.verdict.state

    @property
    def measured(self) -> Figure | None:
        """As the verdict's."""
        return self.verdict.measured

    @property
    def required(self) -> Figure | None:
        """As the verdict's."""
        return self.verdict.required

    @property
    def margin(self) -> Sentence | None:
        """As the verdict's."""
        return self.verdict.margin


def tell(verdict: Verdict, answer: Answer | Missing, subject: str = "") -> Told:
    """`verdict` with what `answer` has to say of it, or what is missing and how to get it."""
    if isinstance(answer, Missing):
        return Told(
            verdict, subject, say("{fact} is not known", fact=answer.fact), (Cure(say("{how}", how=answer.how)),)
        )
    cures = () if verdict.state is State.CLEAR else answer.cures()
    told = tuple(cure if isinstance(cure, Cure) else Cure(cure) for cure in cures)
    return Told(verdict, subject, answer.headline(), told, answer.basis, answer.formula, answer.inputs)


def verdict_of(id: str, compared: tuple[Comparison, ...] | Missing, subject_id: str = "") -> Verdict:
    """The verdict that limits give, or a fact that is missing."""
    if isinstance(compared, Missing):
        return Verdict(id, subject_id, State.UNKNOWN, missing=compared)
    return Verdict(id, subject_id, tightest(compared).state, compared)
