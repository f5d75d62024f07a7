"""Finding parts in a catalogue of any size: by kind, by words, and by what they cost, before any sheet is read."""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from typing import NamedTuple

from core.model.build import Slot, slot_for
from core.model.parts import Part, kind_of
from core.quantities import Money


class Listed(NamedTuple):
    """What a list of parts says of one: enough to look for it."""

    id: str
    kind: str
    slot: Slot | None
    """The place on the chain where it hangs."""
    maker: str
    name: str
    note: str
    price: Money | None


@dataclass(frozen=True)
class Wanted:
    """What a part must be to be found; an empty field asks for nothing."""

    text: str = ""
    """Words that all occur in its maker, name, note or kind."""
    kind: str = ""
    least: Money | None = None
    most: Money | None = None
    """Between these; a part without a price, or with one in another currency, is not found by price."""


def listing_of(part: Part) -> Listed:
    """The line of `part` in a list."""
    price = part.price.money if part.price else None
    return Listed(part.id, kind_of(part), slot_for(part), part.maker, part.name, part.note, price)


def matching_parts(parts: Iterable[Listed], wanted: Wanted) -> Iterator[Listed]:
    """The parts that are `wanted`."""
    words = wanted.text.lower().split()
    for part in parts:
        if (not wanted.kind or part.kind == wanted.kind) and _costs(part.price, wanted) and _has(part, words):
            yield part


def _has(part: Listed, words: list[str]) -> bool:
    if not words:
        return True
    told = f"{part.maker} {part.name} {part.note} {part.kind.replace('_', ' ')}".lower()
    return all(word in told for word in words)


def _costs(price: Money | None, wanted: Wanted) -> bool:
    bounds = [money for money in (wanted.least, wanted.most) if money is not None]
    if not bounds:
        return True
    if price is None or any(money.currency != price.currency for money in bounds):
        return False
    least, most = wanted.least, wanted.most
    return (least is None or price.minor >= least.minor) and (most is None or price.minor <= most.minor)
