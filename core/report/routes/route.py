"""One way to come by something: what is bought for it, the hours it takes, and what one must be able to do."""

from collections.abc import Callable, Iterable, Mapping
from dataclasses import dataclass
from enum import StrEnum
from typing import TypeVar

from core.model.brief import Brief
from core.model.facts import MissingFact
from core.model.household import Skill
from core.model.parts import Part
from core.money.costs import in_currency
from core.quantities import Money, Sentence

P = TypeVar("P", bound=Part)


class RouteKind(StrEnum):
    """The schools: buy it, make it cheaply, or make it well."""

    READY_MADE = "ready-made"
    THRIFTY = "thrifty by hand"
    FINE = "fine by hand"


@dataclass(frozen=True)
class Bought:
    """So many of a part, and what they cost; `None` while its price is not known."""

    part: Part
    units: int
    cost: Money | None
    why: Sentence


@dataclass(frozen=True)
class Route:
    """A way to come by what a place needs."""

    kind: RouteKind
    bought: tuple[Bought, ...]
    hours: float
    skills: tuple[Skill, ...]
    caution: str = ""
    lacks: tuple[str, ...] = ()
    """What the catalogue has no part for: the money leaves it out."""

    def money(self, currency: str) -> Money:
        """What all of it costs, as far as it is known."""
        return Money.total([bought.cost for bought in self.bought if bought.cost], currency)

    def lacking(self, skills: Iterable[Skill]) -> tuple[Skill, ...]:
        """Skills it asks for that are not among `skills`."""
        held = set(skills)
        return tuple(skill for skill in self.skills if skill not in held)


class Basket:
    """What a route buys, the cheapest of the catalogue that serves; what there is none of is noted."""

    def __init__(self, parts: Mapping[str, Part], brief: Brief) -> None:
        self.bought: list[Bought] = []
        self.lacks: list[str] = []
        self._parts, self._brief = parts, brief

    def cheapest(
        self, kind: type[P], words: str, why: Sentence, units: Callable[[P], int | None], serves: Callable[[P], bool]
    ) -> P | None:
        """Put so many of the cheapest serving part in; `units` answers `None` for one that cannot be counted."""
        found: list[tuple[int, Bought, P]] = []
        for part in self._parts.values():
            if isinstance(part, kind) and serves(part) and (count := units(part)) is not None:
                cost = self._cost(part, count)
                if cost is not None:
                    found.append((cost.minor, Bought(part, count, cost, why), part))
        if not found:
            self.lacks.append(words)
            return None
        _, bought, part = min(found, key=lambda entry: (entry[0], entry[2].id))
        self.bought.append(bought)
        return part

    def _cost(self, part: Part, count: int) -> Money | None:
        try:
            return in_currency(part.price, self._brief) * count if part.price else None
        except MissingFact:
            return None
