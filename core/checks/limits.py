"""Limits: what a check compares. State, margin and what is required follow from them here, and nowhere else."""

from enum import StrEnum
from math import inf
from typing import NamedTuple, TypeVar

from core.quantities import Figure, Money, Quantity, Sentence, Unit, say
from core.quantities.tolerances import ROUNDING


class State(StrEnum):
    """How a check came out, from best to worst; `rank` is 0 for clear up to 3 for blocked."""

    rank: int

    CLEAR = "clear", 0
    TIGHT = "tight", 1
    UNKNOWN = "unknown", 2
    BLOCKED = "blocked", 3

    def __new__(cls, name: str, rank: int) -> "State":
        """A member that is its name and knows its rank."""
        state = str.__new__(cls, name)
        state._value_ = name
        state.rank = rank
        return state


class Sense(StrEnum):
    """On which side of its bounds a number is well."""

    AT_LEAST = "at least"
    AT_MOST = "at most"


SHORT_BY = {
    Unit.TIER: ("one tier too low", "{short} tiers too low"),
    Unit.GRADE: ("one class too low", "{short} classes too low"),
    Unit.PIECES: ("one short", "{short} short"),
    Unit.COURSES: ("none there", "{short} short"),
    Unit.PLAYERS: ("one player left out", "{short} players left out"),
}
"""How a builder says that so many are wanting, of what is counted."""
SPARE_UNIT = {Unit.TIER: Unit.TIERS, Unit.GRADE: Unit.GRADES}
"""What is left of a number that only orders things."""


class Limit(NamedTuple):
    """One number against what it must reach, or must not exceed.

    Blocked beyond `least` by more than what is `tolerated`, tight short of `comfortable`, clear from there on.
    """

    measured: float
    least: float
    """What is required: the least, or the most, that is put up with."""
    comfortable: float
    unit: Unit | str
    """A unit, or the currency of an amount in minor units."""
    sense: Sense = Sense.AT_LEAST
    tolerated: float = 0.0
    """So far beyond `least` it is still only tight: the uncertainty of an estimate, or endless for a mere wish."""

    @property
    def spare(self) -> float:
        """What is left between measured and required, in the limit's unit; negative is short."""
        spare = self.measured - self.least
        return spare if self.sense is Sense.AT_LEAST else -spare

    @property
    def headroom(self) -> float:
        """What is left over what is comfortable; negative is not clear."""
        room = self.measured - self.comfortable
        return room if self.sense is Sense.AT_LEAST else -room

    @property
    def state(self) -> State:
        """Blocked, tight or clear.

        >>> [at_least(has, 0.0, 0.15, tolerated=0.10).state.value for has in (-0.11, -0.10, 0.14, 0.15)]
        ['blocked', 'tight', 'tight', 'clear']
        """
        if self.spare < -self.tolerated - ROUNDING:
            return State.BLOCKED
        return State.TIGHT if self.headroom < -ROUNDING else State.CLEAR

    @property
    def has(self) -> Figure:
        """What was measured."""
        return self._figure(self.measured)

    @property
    def wants(self) -> Figure:
        """What is required."""
        return self._figure(self.least)

    @property
    def shortfall(self) -> Figure:
        """By how much it is short of what is required, or over it; nothing where it is not."""
        return self._figure(max(0.0, -self.spare))

    @property
    def margin(self) -> Sentence:
        """What is left, with its sign; what is tolerated beyond the bound is told as such."""
        spare, state = self.spare, self.state
        if spare < -ROUNDING and self.unit in SHORT_BY:
            one, many = SHORT_BY[Unit(self.unit)]
            short = f"{-spare:g}"
            told = say(one) if short == "1" else say(many, short=short)
            return told if state is State.BLOCKED else told._replace(template=f"{told.template}, tolerated")
        if spare < -ROUNDING and state is State.TIGHT:
            return say("{by} " + self._beyond + ", tolerated", by=self._figure(-spare))
        return say("{spare}", spare=self._figure(spare if abs(spare) > ROUNDING else 0.0, spare=True))

    @property
    def margin_told(self) -> Sentence:
        """The margin as it stands beside a headline, where a bare figure says nothing.

        >>> [at_least(has, 2.0).margin_told.template for has in (2.5, 1.5)], at_most(2.5, 2.0).margin_told.template
        (['{spare} to spare', '{by} short'], '{by} over')
        """
        margin = self.margin
        if margin.template != "{spare}":
            return margin
        if self.spare < -ROUNDING:
            return say("{by} " + self._beyond, by=self._figure(-self.spare, spare=True))
        return margin._replace(template="{spare} to spare")

    @property
    def _beyond(self) -> str:
        return "short" if self.sense is Sense.AT_LEAST else "over"

    def _figure(self, value: float, *, spare: bool = False) -> Figure:
        if isinstance(self.unit, Unit):
            return Quantity(value, SPARE_UNIT.get(self.unit, self.unit) if spare else self.unit)
        return Money(round(value), self.unit)


class Words(NamedTuple):
    """A rule about words: what there is and what is wanted, and how it came out."""

    state: State
    has: Figure
    wants: Figure
    lacks: str = ""
    """What of the wanted there is not."""

    @property
    def headroom(self) -> float:
        """There is no number to be short by."""
        return 0.0 if self.state is State.CLEAR else -inf

    @property
    def margin(self) -> Sentence | None:
        """What is lacking, where it can be named."""
        return say("lacks {lacks}", lacks=self.lacks) if self.lacks else None

    @property
    def margin_told(self) -> Sentence | None:
        """The same beside a headline."""
        return self.margin


Comparison = Limit | Words
C = TypeVar("C", bound=Limit | Words)
ENDLESS = inf
"""Tolerated: a wish that is not met rules nothing out."""


def at_least(
    measured: float,
    least: float,
    comfortable: float | None = None,
    unit: Unit | str = Unit.METRE,
    *,
    tolerated: float = 0.0,
) -> Limit:
    """`measured` reaches `least`; clear from `comfortable` on, or from `least` where nothing is said."""
    return Limit(measured, least, least if comfortable is None else comfortable, unit, Sense.AT_LEAST, tolerated)


def at_most(
    measured: float,
    most: float,
    comfortable: float | None = None,
    unit: Unit | str = Unit.METRE,
    *,
    tolerated: float = 0.0,
) -> Limit:
    """`measured` does not exceed `most`; clear up to `comfortable`, or up to `most` where nothing is said."""
    return Limit(measured, most, most if comfortable is None else comfortable, unit, Sense.AT_MOST, tolerated)


def tightest(limits: tuple[C, ...]) -> C:
    """The one that decides: the worst state, and of equals the one with the least over what is comfortable.

    A breach of 70 mm is not hidden by a wall that is nearer than is comfortable.

    >>> tightest((at_least(0.0, 0.0, 0.1), at_least(-0.07, 0.0))).measured
    -0.07
    """
    return min(limits, key=lambda limit: (-limit.state.rank, limit.headroom))
