"""What a part must be before there is one: asks, which are the limits of the rules that will judge it."""

from collections.abc import Iterator
from enum import StrEnum
from typing import NamedTuple

from core.checks.limits import Limit, Sense, State, Words
from core.model.facts import MissingFact, known
from core.model.parts import Part
from core.model.parts.words import fact_text, fact_words
from core.model.typed import unit_of
from core.quantities import Figure, Quantity, Sentence, Unit, say


class Test(StrEnum):
    """How a fact that is no number is compared with what is asked."""

    IS = "is"
    HAS = "has"
    ONE_OF = "is one of"
    HAS_ONE_OF = "has one of"
    NEAR = "is near"


class Ask(NamedTuple):
    """One thing that a part must be: a fact of its sheet, and the bounds it must keep, or the value it is or has."""

    fact: str
    test: Sense | Test
    value: float | str | bool | tuple[float | str, ...]
    comfortable: float | None = None
    purpose: bool = False
    """A part that does not meet it is for something else, and is no bad choice for this."""
    tolerated: float = 0.0
    """As of a limit."""
    softly: bool = False
    """Words that are not met are tight, and rule nothing out."""
    when: tuple[str, str] | None = None
    """Asked only of parts with this fact and value."""

    def concerns(self, part: Part) -> bool:
        """It is asked of `part`. Raises `MissingFact` where that depends on what its sheet does not say."""
        return self.when is None or bool(known(part, self.when[0]) == self.when[1])

    def limit(self, part: Part) -> Limit | Words:
        """The limit that `part` is judged by. Raises `MissingFact` where its sheet does not say."""
        value = known(part, self.fact)
        if isinstance(self.test, Sense):
            assert isinstance(self.value, float | int)
            comfortable = self.value if self.comfortable is None else self.comfortable
            return Limit(value, self.value, comfortable, self._unit(type(part)), self.test, self.tolerated)
        kind = type(part)
        if self.test is Test.NEAR:
            assert isinstance(self.value, tuple)
            off = min(abs(value - float(wanted)) for wanted in self.value)
            return Limit(off, self.tolerated, self.comfortable or 0.0, self._unit(kind), Sense.AT_MOST)
        if self.test in (Test.ONE_OF, Test.HAS_ONE_OF):
            assert isinstance(self.value, tuple)
            held = value if self.test is Test.HAS_ONE_OF else (value,)
            met = any(wanted in held for wanted in self.value)
        else:
            met = self.value in value if self.test is Test.HAS else value == self.value
        state = State.CLEAR if met else State.TIGHT if self.softly else State.BLOCKED
        return Words(state, _words(kind, self.fact, value), _words(kind, self.fact, self.value))

    def wants(self, kind: type[Part]) -> Figure:
        """What is asked, as it is told while there is no part."""
        if isinstance(self.test, Sense):
            assert isinstance(self.value, float | int)
            return Quantity(self.value if self.comfortable is None else self.comfortable, self._unit(kind))
        return _words(kind, self.fact, self.value)

    def _unit(self, kind: type[Part]) -> Unit:
        return unit_of(kind, self.fact) or Unit.PIECES


def _words(kind: type[Part], fact: str, value: object) -> Figure:
    """What a part has, or is asked for; of a yes or no the thing itself: a mark, or no mark."""
    if isinstance(value, bool):
        return fact_words(kind, fact) if value else f"no {fact_words(kind, fact)}"
    return fact_text(kind, fact, value)


def ask_at_least(fact: str, least: float, comfortable: float | None = None) -> Ask:
    """The fact reaches `least`, and is comfortable from `comfortable` on."""
    return Ask(fact, Sense.AT_LEAST, least, comfortable)


def ask_at_most(fact: str, most: float, comfortable: float | None = None) -> Ask:
    """The fact does not exceed `most`, and is comfortable up to `comfortable`."""
    return Ask(fact, Sense.AT_MOST, most, comfortable)


def ask_equal(fact: str, value: str | bool, *, purpose: bool = False) -> Ask:
    """The fact is `value`."""
    return Ask(fact, Test.IS, value, purpose=purpose)


def ask_among(fact: str, value: str) -> Ask:
    """The fact is a list that has `value`."""
    return Ask(fact, Test.HAS, value)


def ask_within(fact: str, values: tuple[float, ...], off: float, comfortable: float) -> Ask:
    """The fact is no further than `off` from one of `values`, and comfortably no further than `comfortable`."""
    return Ask(fact, Test.NEAR, values, comfortable, tolerated=off)


class Objection(NamedTuple):
    """What speaks against a part, and how much: blocked, tight, or a fact that is not stated."""

    state: State
    reason: Sentence

    @property
    def blocked(self) -> bool:
        """The part does not serve."""
        return self.state is State.BLOCKED

    @classmethod
    def missing(cls, fact: MissingFact) -> "Objection":
        """What is not known about a part that might serve."""
        return cls(State.UNKNOWN, say("{fact} is not known", fact=fact.fact))


def objections(asks: tuple[Ask, ...], part: Part) -> Iterator[Objection]:
    """What speaks against `part`, one for each ask that it does not meet comfortably."""
    for ask in asks:
        try:
            if not ask.concerns(part):
                continue
            limit = ask.limit(part)
        except MissingFact as missing:
            yield Objection.missing(missing)
            continue
        if limit.state is not State.CLEAR:
            yield Objection(limit.state, _reason(ask, limit, type(part)))


def _reason(ask: Ask, limit: Limit | Words, kind: type[Part]) -> Sentence:
    fact = fact_words(kind, ask.fact)
    fact = fact[0].upper() + fact[1:]
    if isinstance(limit, Words):
        return say("{fact} {has}, {wants} asked", fact=fact, has=limit.has, wants=limit.wants)
    if limit.state is State.TIGHT:
        comfortable = limit._replace(least=limit.comfortable).wants
        return say("{fact} {has}, {wants} is comfortable", fact=fact, has=limit.has, wants=comfortable)
    return say("{fact} {has}, " + f"{limit.sense} " + "{wants} asked", fact=fact, has=limit.has, wants=limit.wants)
