"""What a check answers: never a bare yes or no, but measured, required, margin, and what would change it."""

from collections.abc import Callable
from enum import StrEnum
from typing import NamedTuple, Self

from core.model.brief import Player
from core.model.facts import MissingFact
from core.quantities import Figure, Sentence, say


class State(StrEnum):
    """How a check came out, from best to worst; `rank` is 0 for clear up to 3 for blocked."""

    rank: int

    CLEAR = "clear", 0
    TIGHT = "tight", 1
    UNKNOWN = "unknown", 2
    BLOCKED = "blocked", 3

    def __new__(cls, name: str, rank: int) -> Self:
        """A member that is its name and knows its rank."""
        state = str.__new__(cls, name)
        state._value_ = name
        state.rank = rank
        return state


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


Inputs = Callable[[], tuple[Input, ...]]
SIGNATURE = ("id", "subject", "subject_id")
"""Last fields of a verdict: whose answer it is."""


class Verdict(NamedTuple):
    """The answer of one check. `margin` is what is left between measured and required; negative is short."""

    state: State
    headline: Sentence
    measured: Figure | None = None
    required: Figure | None = None
    margin: Figure | None = None
    basis: Basis = Basis.TRADE
    formula: str = ""
    inputs: Inputs = tuple
    """Called only when somebody opens the verdict: most of a report's values would be these."""
    changes: tuple[Sentence, ...] = ()
    """What would change it, the least trouble first."""
    id: str = ""
    subject: str = ""
    """The name of the player it speaks of, where a check is made for each."""
    subject_id: str = ""
    """That player's id: two of them may have one name."""

    @property
    def key(self) -> tuple[str, str]:
        """Tells the verdicts of a build apart: the check, and whom it speaks of."""
        return self.id, self.subject_id

    def signed(self, id: str, player: Player | None = None) -> "Verdict":
        """This verdict as the answer of check `id`, about `player` where a check is made for each."""
        about = (player.name, player.id) if player else ("", "")
        return tuple.__new__(Verdict, (*self[: -len(SIGNATURE)], id, *about))


def unknown(missing: MissingFact) -> Verdict:
    """The verdict where a fact is missing: names it and says how to get it."""
    return Verdict(
        state=State.UNKNOWN,
        headline=say("{fact} is not known", fact=missing.fact),
        basis=Basis.SPEC,
        changes=(say("{how}", how=missing.how),),
    )


def judge(margin: float, comfort: float, slack: float = 0.0) -> State:
    """Blocked below `-slack`, tight below `comfort`, clear from there on; all three in the margin's unit.

    >>> [judge(margin, comfort=0.15, slack=0.10).value for margin in (-0.11, -0.09, 0.14, 0.15)]
    ['blocked', 'tight', 'tight', 'clear']
    """
    if margin < -slack - ROUNDING:
        return State.BLOCKED
    return State.TIGHT if margin < comfort - ROUNDING else State.CLEAR


ROUNDING = 1e-9
"""Margins this near a threshold have reached it: 3.00 − 2.60 is 0.40 to a person, not 0.3999…"""
