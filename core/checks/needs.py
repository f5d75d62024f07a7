"""Places beside the chain: what is needed there, how much of it, and what a part must be to fill one.

A *need* is a reading like any other: it follows from chosen parts and methods, says why, and gives the limits of the
rules that will judge what fills it as asks. The check on a place reads the need, so that nothing is written twice.
"""

import math
from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from typing import ClassVar, NamedTuple, TypeVar

from core.checks.asks import Ask, Objection, objections
from core.checks.declared import BadCheck, Derivation, Read, Reads
from core.checks.limits import Comparison, State, Words
from core.checks.register import REGISTER
from core.geometry.cutting import cut_out
from core.model.build import Slot
from core.model.facts import Missing, MissingFact, known
from core.model.kit import Beside
from core.model.parts import Part
from core.quantities import Quantity, Sentence, Unit
from core.quantities.tolerances import ROUNDING

P = TypeVar("P", bound=Part)


class ItemKind(NamedTuple):
    """A small item as it is declared: once for all builds."""

    id: str
    title: str
    near: Slot
    """The place on the chain that it belongs to."""
    kind: type[Part]
    sold_by: tuple[str, ...] = ()
    """Facts whose product is what one unit holds: pieces in a pack, metres in a stick."""
    asks: tuple[str, ...] = ()
    """Facts that a part may be asked for."""


ITEMS: "dict[str, type[Need]]" = {}
"""Every small item there may be, by its id."""


@dataclass(frozen=True)
class Need:
    """Why an item is there, how much of it is needed, and what is asked of it. Each item is a class of its own."""

    item: ClassVar[ItemKind]
    amount: Quantity
    """Pieces or metres."""
    why: Sentence
    asks: tuple[Ask, ...] = ()
    cuts_m: tuple[float, ...] = ()
    """Pieces that are cut out of sticks, where that decides how many are bought."""

    def __init_subclass__(cls) -> None:
        """Register an item. Raises `BadCheck` for a duplicate id, or a fact in `sold_by` that its kind has not."""
        if cls.item.id in ITEMS:
            raise BadCheck(f"small item {cls.item.id} is registered twice")
        if unknown := [fact for fact in cls.item.sold_by if fact not in cls.item.kind.model_fields]:
            raise BadCheck(
                f"small item {cls.item.id} is sold by {unknown[0]}, which no {cls.item.kind.__name__} states"
            )
        ITEMS[cls.item.id] = cls

    def ask(self, fact: str) -> Ask:
        """What is asked of one fact."""
        return next(ask for ask in self.asks if ask.fact == fact)

    def meant(self, parts: Beside[P]) -> tuple[P, ...]:
        """Those of `parts` that are made for this place; the others are for something else."""
        purposes = [ask for ask in self.asks if ask.purpose]
        return tuple(part for part in parts if all(ask.limit(part).state is State.CLEAR for ask in purposes))

    def limits(self, part: Part, *facts: str) -> tuple[Comparison, ...]:
        """The limits that `part` is judged by, of all asks or of those for `facts`. Raises `MissingFact`."""
        asked = [ask for ask in self.asks if not facts or ask.fact in facts]
        return tuple(ask.limit(part) for ask in asked if ask.concerns(part))

    def best(self, parts: Beside[P]) -> P | None:
        """Of the parts that are meant for this place the one that serves best; the first of equals."""
        return min(self.meant(parts), key=self._worst, default=None)

    def serving(self, parts: Beside[P]) -> Iterator[tuple[P, int]]:
        """Those of `parts` that nothing rules out for this place, each with how many of it there are."""
        for part, count in parts.counted(math.ceil(self.amount.value)):
            if not any(limit.state is State.BLOCKED for limit in self.limits(part)):
                yield part, count

    def unfilled(self, fact: str = "") -> Words:
        """The limit of a place that is still empty: what is wanted, of the fact that decides, and nothing there."""
        ask = self.ask(fact) if fact else None
        return Words(State.TIGHT, "none chosen yet", ask.wants(self.item.kind) if ask else "one that serves")

    def _worst(self, part: Part) -> int:
        try:
            return max((limit.state.rank for limit in self.limits(part)), default=0)
        except MissingFact:
            return State.UNKNOWN.rank

    def units(self, part: Part) -> int:
        """How many of `part` to buy, rounded up to whole ones. Raises `MissingFact` where its sheet does not say."""
        if self.cuts_m:
            cutting = cut_out(self.cuts_m, self._held(part))
            # No stick is as long as the longest edge: that is what it is asked for, and here it counts by the metre.
            if cutting is not None:
                return len(cutting.sticks)
        return max(1, math.ceil(self.amount.value / self._held(part) - ROUNDING))

    def left_over(self, part: Part) -> Quantity:
        """What is left of the last unit. Raises `MissingFact` as `units` does."""
        return Quantity(self.units(part) * self._held(part) - self.amount.value, self.amount.unit)

    def _held(self, part: Part) -> float:
        return math.prod(float(known(part, fact)) for fact in self.item.sold_by)


class SmallItem(NamedTuple):
    """An item that follows from this build."""

    item: ItemKind
    need: Need | None
    missing: Missing | None = None
    """Why the need is not known."""

    def units(self, part: Part) -> int:
        """How many of `part` to buy. Raises `MissingFact` where that is not known."""
        return self._need.units(part)

    def left_over(self, part: Part) -> Quantity:
        """What is left of the last unit. Raises `MissingFact` as `units` does."""
        return self._need.left_over(part)

    def objections(self, part: Part) -> tuple[Objection, ...]:
        """What speaks against `part`; nothing while the need is not known."""
        return () if self.need is None else tuple(objections(self.need.asks, part))

    @property
    def _need(self) -> Need:
        if self.need is None:
            how_much = f"How much of {self.item.title.lower()}"
            raise MissingFact(*(self.missing or Missing(how_much, "Complete the parts around it.")))
        return self.need


@dataclass(frozen=True)
class SmallItems:
    """Every small item that follows from a build, in the order of the chain."""

    items: tuple[SmallItem, ...]

    @property
    def by_id(self) -> dict[str, SmallItem]:
        """Each by the id of its kind."""
        return {item.item.id: item for item in self.items}


def gather_items() -> None:
    """Make `SmallItems` a reading, of all needs that are registered. Called once, after the last of them."""
    places = list(Slot)
    kinds = sorted(ITEMS.values(), key=lambda need: places.index(need.item.near))

    def gathered(*needs: Need | Missing | None) -> SmallItems:
        """What is needed beside the chain."""
        return SmallItems(tuple(_items(kinds, needs)))

    reads = Reads(tuple(Read(need.item.id, need, optional=True) for need in kinds))
    REGISTER.add(Derivation(SmallItems, reads, gathered, lenient=True, takes_missing=True))


def _items(kinds: Iterable[type[Need]], needs: Iterable[Need | Missing | None]) -> Iterable[SmallItem]:
    for kind, need in zip(kinds, needs, strict=True):
        if isinstance(need, Missing):
            yield SmallItem(kind.item, None, need)
        elif need is not None:
            yield SmallItem(kind.item, need)


def items_reading(kind: type[Part], field: str) -> tuple[str, ...]:
    """Titles of the small items whose part is of `kind`, and that ask for `field` of it or are counted by it."""
    asked = (need.item for need in ITEMS.values() if issubclass(kind, need.item.kind))
    return tuple(item.title for item in asked if field in item.sold_by or field in item.asks)


def pieces(count: int) -> Quantity:
    """`count` pieces."""
    return Quantity(count, Unit.PIECES)
