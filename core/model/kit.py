"""The parts beside the chain: what was chosen by wish, and what was decided about small items."""

from collections.abc import Callable, Hashable, Iterator, Mapping
from dataclasses import dataclass
from functools import cache, cached_property
from operator import is_
from typing import TYPE_CHECKING, ClassVar, TypeVar

from core.model.build import Build, Extra, SmallDecision
from core.model.chain import UnknownPart, plan_of
from core.model.parts import Part, kinds_of

P = TypeVar("P", bound=Part)


class Beside(tuple[P, ...]):
    """All parts of one kind that stand beside the chain, extras first; `Beside[Lamp]` is a class of its own.

    So a check that reads lamps is asked again when a lamp changes, and not for a cable.
    """

    kind: type[Part] = Part
    counts: tuple[int | None, ...] = ()
    """How many of each there are; `None` for as many as the small item asks for that it was chosen for."""

    @classmethod
    @cache
    def of(cls, kind: type[Part]) -> type["Beside[Part]"]:
        """The class that `Beside[kind]` names."""
        return type(f"Beside[{kind.__name__}]", (cls,), {"kind": kind})

    if not TYPE_CHECKING:
        __class_getitem__ = of

    def __eq__(self, other: object) -> bool:
        """Parts are told apart by identity: comparing their sheets costs more than most questions about them."""
        return self is other or (
            type(self) is type(other)
            and self.counts == other.counts
            and len(self) == len(other)
            and all(map(is_, self, other))
        )

    def __hash__(self) -> int:
        return hash((type(self), self.counts, *map(id, self)))

    def by_facts(self, take: Callable[[Part], Hashable]) -> Hashable:
        """What tells these parts from others, where `take` takes the facts of one that matter."""
        return (self.counts, *map(take, self))

    def counted(self, asked: int = 1) -> Iterator[tuple[P, int]]:
        """Each part and how many of it there are, where its small item asks for so many pieces."""
        counts = self.counts or (1,) * len(self)
        return ((part, asked if count is None else count) for part, count in zip(self, counts, strict=True))


@dataclass(frozen=True, eq=False)
class Kit:
    """Extras with their parts, and the decided small items with theirs; an owned one may have none.

    Two are equal where they hold the very same records.
    """

    kind: ClassVar[type[Part]] = Part
    extras: tuple[tuple[Extra, Part], ...] = ()
    small: tuple[tuple[str, SmallDecision, Part | None], ...] = ()

    def __eq__(self, other: object) -> bool:
        return isinstance(other, Kit) and self._identity == other._identity

    def __hash__(self) -> int:
        return hash(self._identity)

    @cached_property
    def _identity(self) -> tuple[tuple[object, ...], ...]:
        extras = ((id(extra), id(part)) for extra, part in self.extras)
        return (*extras, *((item, id(decision), id(part)) for item, decision, part in self.small))

    def by_facts(self, take: Callable[[Part], Hashable]) -> Hashable:
        """What tells this kit from others, where `take` takes the facts of a part that matter."""
        extras = tuple((id(extra), take(part)) for extra, part in self.extras)
        small = tuple((item, id(decision), part and take(part)) for item, decision, part in self.small)
        return extras, small

    @property
    def parts(self) -> Iterator[Part]:
        """All parts in it."""
        yield from (part for _, part in self.extras)
        yield from (part for _, _, part in self.small if part is not None)

    def by_kind(self) -> Mapping[type, Beside[Part]]:
        """The parts under their own kind and every kind that it is one of, each as `Beside[kind]`.

        What was struck off is not there, though it is still known which part it had been.
        """
        found: dict[type[Part], list[tuple[Part, int | None]]] = {}
        small = ((part, None) for _, decision, part in self.small if part is not None and decision.choice != "strike")
        for part, count in (*((part, extra.quantity) for extra, part in self.extras), *small):
            for kind in kinds_of(type(part)):
                found.setdefault(kind, []).append((part, count))
        return dict(map(_beside, found, found.values()))

    def decided(self, item: str) -> SmallDecision | None:
        """What was decided about a small item."""
        return self._small_by_id[item][0] if item in self._small_by_id else None

    def picked(self, item: str) -> Part | None:
        """The part that was chosen for a small item."""
        return self._small_by_id[item][1] if item in self._small_by_id else None

    @cached_property
    def _small_by_id(self) -> dict[str, tuple[SmallDecision, Part | None]]:
        return {id: (decision, part) for id, decision, part in self.small}


def _beside(kind: type[Part], alike: list[tuple[Part, int | None]]) -> tuple[type, Beside[Part]]:
    of_kind = Beside.of(kind)
    beside = of_kind(part for part, _ in alike)
    beside.counts = tuple(count for _, count in alike)
    return of_kind, beside


def resolve_kit(build: Build, parts: Mapping[str, Part]) -> Kit:
    """The kit of `build`, its references looked up in `parts`. Raises `UnknownPart` for one that is not there, and
    for a plan that its part has not."""
    extras = tuple((extra, _looked_up(extra.part, f"extras.{extra.id}", parts)) for extra in build.extras)
    for extra, part in extras:
        plan_of(part, extra.plan, f"extras.{extra.id}")
    small = tuple(
        (id, decision, _looked_up(decision.part, f"small_items.{id}", parts) if decision.part else None)
        for id, decision in build.small_items.items()
    )
    return Kit(extras, small)


def _looked_up(id: str, place: str, parts: Mapping[str, Part]) -> Part:
    part = parts.get(id)
    if part is None:
        raise UnknownPart(place, f"part '{id}' is not among the parts given")
    return part
