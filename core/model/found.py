"""Finding parts: by kind, by words, and by what they cost."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass

from core.model.parts import Part, kind_of
from core.quantities import Money


@dataclass(frozen=True)
class Wanted:
    """What a part must be to be found; an empty field asks for nothing."""

    text: str = ""
    """Words that all occur in its maker, name, note or kind."""
    kind: str = ""
    least: Money | None = None
    most: Money | None = None
    """Between these; a part without a price, or with one in another currency, is not found by price."""


def found(parts: Mapping[str, Part], wanted: Wanted) -> Iterator[tuple[str, Part]]:
    """The parts that are `wanted`, by id."""
    words = wanted.text.lower().split()
    for id, part in parts.items():
        if (not wanted.kind or kind_of(part) == wanted.kind) and _costs(part, wanted) and _has(part, words):
            yield id, part


def _has(part: Part, words: list[str]) -> bool:
    if not words:
        return True
    told = f"{part.maker} {part.name} {part.note} {kind_of(part).replace('_', ' ')}".lower()
    return all(word in told for word in words)


def _costs(part: Part, wanted: Wanted) -> bool:
    bounds = [money for money in (wanted.least, wanted.most) if money is not None]
    if not bounds:
        return True
    if part.price is None or any(money.currency != part.price.currency for money in bounds):
        return False
    minor = part.price.minor
    return (wanted.least is None or minor >= wanted.least.minor) and (wanted.most is None or minor <= wanted.most.minor)
