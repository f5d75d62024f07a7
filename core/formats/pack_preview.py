"""What a parts pack would do to a catalogue, before anything is stored."""

from collections.abc import Iterable, Mapping
from enum import StrEnum
from typing import NamedTuple

from core.model.parts import Part, kind_of
from core.model.parts.words import fact_text, fact_words
from core.quantities import Figure


class Standing(StrEnum):
    """How a part of a pack stands to the catalogue."""

    NEW = "new"
    SAME = "same"
    CHANGED = "changed"
    """The catalogue holds an older state of it that nobody has touched."""
    CONFLICT = "conflict"
    """The catalogue's owner has changed it, wrote it, or holds another kind of part under its id."""


class Difference(NamedTuple):
    """One fact that is not the same."""

    field: str
    words: str
    here: Figure
    there: Figure


class PackRow(NamedTuple):
    """One part of a pack."""

    part: Part
    standing: Standing
    differences: tuple[Difference, ...]


class Choice(StrEnum):
    """What to do with a part of a pack."""

    TAKE = "take"
    KEEP = "keep"
    BOTH = "both"
    """Keep what is here, and add the pack's beside it under a new id."""


def compare(parts: Iterable[Part], held: Mapping[str, Part], touched: frozenset[str]) -> tuple[PackRow, ...]:
    """How each of `parts` stands to what is `held`; `touched` are ids whose sheets the owner wrote or changed."""
    return tuple(_row(part, held.get(part.id), part.id in touched) for part in parts)


def usual_choice(standing: Standing) -> Choice:
    """What happens to a part that nobody says anything of: nothing that its owner did is lost."""
    return Choice.TAKE if standing in (Standing.NEW, Standing.CHANGED) else Choice.KEEP


def _row(part: Part, here: Part | None, touched: bool) -> PackRow:
    if here is None:
        return PackRow(part, Standing.NEW, ())
    if here.model_dump() == part.model_dump():
        return PackRow(part, Standing.SAME, ())
    if kind_of(here) != kind_of(part):
        other = Difference("kind", "kind", kind_of(here).replace("_", " "), kind_of(part).replace("_", " "))
        return PackRow(part, Standing.CONFLICT, (other,))
    return PackRow(part, Standing.CONFLICT if touched else Standing.CHANGED, tuple(_differences(here, part)))


def _differences(here: Part, there: Part) -> list[Difference]:
    kind = type(here)
    names = [*kind.model_fields, *sorted({*(here.model_extra or {}), *(there.model_extra or {})})]
    found = []
    for name in names:
        one, other = getattr(here, name, None), getattr(there, name, None)
        if one != other:
            words = fact_words(kind, name)
            found.append(Difference(name, words, _told(kind, name, one), _told(kind, name, other)))
    return found


def _told(kind: type[Part], name: str, value: object) -> Figure:
    if name == "price":
        return value.money if value is not None and hasattr(value, "money") else "not stated"
    if name == "sources":
        return f"{len(value)} sources" if isinstance(value, dict) else "none"
    return fact_text(kind, name, value)
