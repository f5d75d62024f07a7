"""One way to come by what hangs in a place, carried out: the build as it would be, its money, hours and skills."""

from collections.abc import Iterable
from dataclasses import dataclass
from enum import StrEnum

from core.checks.evaluation import Evaluation
from core.checks.verdict import Told
from core.checks.works import Work
from core.model.build import Build
from core.model.household import Skill
from core.model.parts import Part
from core.money.line import Line
from core.quantities import Money, Sentence


class RouteKind(StrEnum):
    """The schools: buy it, make it cheaply, or make it well."""

    READY_MADE = "ready-made"
    THRIFTY = "thrifty by hand"
    FINE = "fine by hand"


@dataclass(frozen=True)
class Purchase:
    """Something that a route buys, why, and its line of the cost."""

    part: Part
    line: Line
    why: Sentence | None
    """Why there is so much of it; of the part itself nothing need be said."""


@dataclass(frozen=True)
class Elsewhere:
    """A line of the cost in another place that comes out otherwise with the route."""

    label: str
    more: Money
    """Negative where less is spent there."""


@dataclass(frozen=True)
class Route:
    """A way to come by what a place needs, with all that follows from it."""

    kind: RouteKind
    build: Build | None
    """The build with it; `None` where the catalogue has no part for it at all."""
    evaluation: Evaluation
    """Of that build, or of one with the place empty."""
    made: Part | None
    """What is made to measure, and stands in no catalogue."""
    purchases: tuple[Purchase, ...]
    elsewhere: tuple[Elsewhere, ...]
    money: Money
    """What the build costs up front more than with the place empty, as far as prices are known."""
    works: tuple[Work, ...]
    caution: str
    lacks: tuple[str, ...] = ()
    """What the catalogue has nothing for that serves: the money leaves it out."""
    against: tuple[Told, ...] = ()
    """What it would rule out."""

    @property
    def hours(self) -> float:
        """What the works take, whoever does them."""
        return sum(work.hours for work in self.works)

    @property
    def skills(self) -> tuple[Skill, ...]:
        """What one must be able to do, each once."""
        return tuple(dict.fromkeys(skill for work in self.works for skill in work.skills))

    def lacking(self, skills: Iterable[Skill]) -> tuple[Skill, ...]:
        """Skills it asks for that are not among `skills`."""
        held = set(skills)
        return tuple(skill for skill in self.skills if skill not in held)
