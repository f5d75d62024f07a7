"""A small item: what follows from the parts, how much of it, and what a part must be to serve."""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from enum import StrEnum
from typing import NamedTuple

from core.model.build import Slot
from core.model.facts import MissingFact, known
from core.model.parts import Part
from core.model.typed import unit_of
from core.quantities import Figure, Quantity, Sentence, Unit, say


class Test(StrEnum):
    """How a fact of a part is compared with what is asked."""

    AT_LEAST = "at least"
    AT_MOST = "at most"
    IS = "is"
    HAS = "has"


class Ask(NamedTuple):
    """One thing that a part must be: a fact of its sheet, in words, and the value it must reach, be or include."""

    fact: str
    words: str
    test: Test
    value: float | str | bool


def at_least(fact: str, words: str, value: float) -> Ask:
    """The fact reaches `value`."""
    return Ask(fact, words, Test.AT_LEAST, value)


def at_most(fact: str, words: str, value: float) -> Ask:
    """The fact does not exceed `value`."""
    return Ask(fact, words, Test.AT_MOST, value)


def equals(fact: str, words: str, value: str | bool) -> Ask:
    """The fact is `value`."""
    return Ask(fact, words, Test.IS, value)


def includes(fact: str, words: str, value: str) -> Ask:
    """The fact is a list that has `value`."""
    return Ask(fact, words, Test.HAS, value)


class Need(NamedTuple):
    """Why an item is there, how much of it is needed, and what is asked of it."""

    amount: Quantity
    """Pieces or metres."""
    why: Sentence
    asks: tuple[Ask, ...] = ()


class ItemKind(NamedTuple):
    """A small item as it is declared: once for all builds."""

    id: str
    title: str
    near: Slot
    """The place on the chain that it belongs to."""
    kind: type[Part]
    sold_by: tuple[str, ...] = ()
    """Facts whose product is what one unit holds: pieces in a pack, metres in a stick."""


@dataclass(frozen=True)
class SmallItem:
    """An item that follows from this build."""

    item: ItemKind
    need: Need | None
    missing: MissingFact | None = None
    """Why the need is not known."""

    def units(self, part: Part) -> int:
        """How many of `part` to buy, rounded up to whole ones. Raises `MissingFact` where its sheet does not say."""
        if self.need is None:
            raise self.missing or MissingFact(f"How much of {self.item.title.lower()}", "Complete the parts around it.")
        holds = 1.0
        for fact in self.item.sold_by:
            holds *= known(getattr(part, fact), part, _words(fact))
        return max(1, math.ceil(self.need.amount.value / holds - ROUNDING))

    def left_over(self, part: Part) -> Quantity:
        """What is left of the last unit. Raises `MissingFact` as `units` does."""
        units = self.units(part)
        assert self.need is not None
        holds = math.prod(float(getattr(part, fact)) for fact in self.item.sold_by)
        return Quantity(units * holds - self.need.amount.value, self.need.amount.unit)


ROUNDING = 1e-9
"""6.0 m of a need that was added up is six metres, not six and a hair."""


class Objection(NamedTuple):
    """Why a part does not serve, or might not: a fact against it, or one that is not stated."""

    blocked: bool
    reason: Sentence

    @classmethod
    def missing(cls, fact: MissingFact) -> "Objection":
        """What is not known about a part that might serve."""
        return cls(False, say("{fact} is not known", fact=fact.fact))


def objections(asks: tuple[Ask, ...], part: Part) -> Iterator[Objection]:
    """What speaks against `part`, one for each ask that it does not meet."""
    for ask in asks:
        value = getattr(part, ask.fact, None)
        if value is None:
            yield Objection(False, say("The {fact} of {part} is not stated", fact=ask.words, part=part.name))
        elif not _meets(ask, value):
            has = _told(part, ask.fact, value)
            asked = _told(part, ask.fact, ask.value)
            bound = f"{ask.test.value} " if ask.test in (Test.AT_LEAST, Test.AT_MOST) else ""
            yield Objection(
                True, say("{fact} {has}, " + bound + "{asked} asked", fact=ask.words.capitalize(), has=has, asked=asked)
            )


def _meets(ask: Ask, value: object) -> bool:
    if (
        ask.test in (Test.AT_LEAST, Test.AT_MOST)
        and isinstance(value, int | float)
        and isinstance(ask.value, int | float)
    ):
        spare = value - ask.value if ask.test is Test.AT_LEAST else ask.value - value
        return spare >= -ROUNDING
    if ask.test is Test.HAS:
        return isinstance(value, tuple) and ask.value in value
    return bool(value == ask.value)


def _told(part: Part, fact: str, value: object) -> Figure:
    unit = unit_of(type(part), fact)
    if isinstance(value, bool):
        return "yes" if value else "no"
    if isinstance(value, int | float):
        return Quantity(value, unit or Unit.PIECES)
    if isinstance(value, tuple):
        return ", ".join(getattr(item, "words", str(item)) for item in value) or "none"
    return str(getattr(value, "words", value))


def _words(fact: str) -> str:
    return fact.removesuffix("_m").replace("_", " ")
