"""The parts beside the chain: what was chosen by wish, and what was decided about small items."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache, cached_property
from typing import TYPE_CHECKING, TypeVar

from core.kept import kept
from core.model.build import Build, Extra, SmallDecision
from core.model.chain import UnknownPart
from core.model.parts import Part, kinds_of

P = TypeVar("P", bound=Part)


class Beside(tuple[P, ...]):
    """All parts of one kind that stand beside the chain, extras first; `Beside[Lamp]` is a class of its own.

    So a check that reads lamps is asked again when a lamp changes, and not for a cable.
    """

    @classmethod
    @cache
    def of(cls, kind: type[Part]) -> type["Beside[Part]"]:
        """The class that `Beside[kind]` names."""
        return type(f"Beside[{kind.__name__}]", (cls,), {"kind": kind})

    if not TYPE_CHECKING:
        __class_getitem__ = of


@dataclass(frozen=True)
class Kit:
    """Extras with their parts, and the decided small items with theirs; an owned one may have none."""

    extras: tuple[tuple[Extra, Part], ...] = ()
    small: tuple[tuple[str, SmallDecision, Part | None], ...] = ()

    def by_kind(self) -> Mapping[type, Beside[Part]]:
        """The parts under their own kind and every kind that it is one of, each as `Beside[kind]`."""
        small = (part for _, _, part in self.small if part is not None)
        return _by_kind(*(part for _, part in self.extras), *small)

    def decided(self, item: str) -> SmallDecision | None:
        """What was decided about a small item."""
        return self._small_by_id[item][0] if item in self._small_by_id else None

    def picked(self, item: str) -> Part | None:
        """The part that was chosen for a small item."""
        return self._small_by_id[item][1] if item in self._small_by_id else None

    @cached_property
    def _small_by_id(self) -> dict[str, tuple[SmallDecision, Part | None]]:
        return {id: (decision, part) for id, decision, part in self.small}


@kept
def _by_kind(*parts: Part) -> Mapping[type, Beside[Part]]:
    found: dict[type[Part], list[Part]] = {}
    for part in parts:
        for kind in kinds_of(type(part)):
            found.setdefault(kind, []).append(part)
    return {beside: beside(alike) for kind, alike in found.items() for beside in [Beside.of(kind)]}


def resolve_kit(build: Build, parts: Mapping[str, Part]) -> Kit:
    """The kit of `build`, its references looked up in `parts`. Raises `UnknownPart` for one that is not there."""
    extras = tuple((extra, _found(extra.part, f"extras.{extra.id}", parts)) for extra in build.extras)
    small = tuple(
        (id, decision, _found(decision.part, f"small_items.{id}", parts) if decision.part else None)
        for id, decision in build.small_items.items()
    )
    return Kit(extras, small)


def _found(id: str, place: str, parts: Mapping[str, Part]) -> Part:
    part = parts.get(id)
    if part is None:
        raise UnknownPart(place, f"part '{id}' is not among the parts given")
    return part
