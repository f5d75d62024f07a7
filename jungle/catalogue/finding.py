"""Finding parts in a catalogue."""

from collections.abc import Iterable
from typing import Protocol

from core.model.found import Listed, Wanted, matching_parts
from core.model.typed import FieldErrors
from core.quantities import Money
from core.quantities.money import ACCEPTED_MONEY, MoneyError, parse_minor


class PartsWanted(Protocol):
    """Which parts are looked for, as a person types it."""

    text: str
    kind: str
    least: str
    most: str


def found_parts(parts: Iterable[Listed], wanted: PartsWanted, currency: str) -> tuple[Listed, ...]:
    """Those of `parts` that are wanted. Raises `FieldErrors` for a price that cannot be read."""
    bounds: dict[str, Money | None] = {"least": None, "most": None}
    for field in bounds:
        typed = getattr(wanted, field).strip()
        try:
            bounds[field] = Money(parse_minor(typed, currency), currency) if typed else None
        except MoneyError as error:
            raise FieldErrors([(field, typed, ACCEPTED_MONEY)]) from error
    return tuple(matching_parts(parts, Wanted(wanted.text, wanted.kind, bounds["least"], bounds["most"])))
