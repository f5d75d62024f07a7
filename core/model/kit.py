"""The parts beside the chain: what was chosen by wish, and what was decided about small items."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from typing import TypeVar

from core.model.build import Build, Extra, SmallDecision
from core.model.chain import UnknownPart
from core.model.parts import Part

P = TypeVar("P", bound=Part)


@dataclass(frozen=True)
class Kit:
    """Extras with their parts, and the decided small items with theirs; an owned one may have none."""

    extras: tuple[tuple[Extra, Part], ...] = ()
    small: tuple[tuple[str, SmallDecision, Part | None], ...] = ()

    def all(self, kind: type[P]) -> Iterator[P]:
        """Every part of `kind` that is there, extras first."""
        yield from (part for _, part in self.extras if isinstance(part, kind))
        yield from (part for _, _, part in self.small if isinstance(part, kind))

    def decided(self, item: str) -> SmallDecision | None:
        """What was decided about a small item."""
        return next((decision for id, decision, _ in self.small if id == item), None)

    def picked(self, item: str) -> Part | None:
        """The part that was chosen for a small item."""
        return next((part for id, _, part in self.small if id == item), None)


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
