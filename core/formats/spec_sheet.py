"""A spec sheet as rows to read: every fact of a part, with its unit, in the reader's own."""

from collections.abc import Iterator

from core.model.parts import Part
from core.model.typed import field_texts
from core.quantities import UnitSystem

SHOWN_ELSEWHERE = frozenset({"id", "kind", "maker", "name", "price", "note", "plans", "monitor_links", "machine_needs"})
NOT_STATED = "not stated"


def spec_rows(part: Part, system: UnitSystem) -> Iterator[tuple[str, str]]:
    """(fact, text) for each fact of `part` in the order of its sheet; facts not stated say so."""
    texts = dict(field_texts(part, system, part.price.currency if part.price else "EUR"))
    for field in type(part).model_fields:
        if field in SHOWN_ELSEWHERE:
            continue
        value = getattr(part, field)
        if value is None:
            text = NOT_STATED
        elif isinstance(value, tuple):
            text = ", ".join(map(str, value)) or NOT_STATED
        else:
            text = texts.get(field, str(value))
        yield _label(field), text


def _label(field: str) -> str:
    words = field.replace("_px", "_in_pixels")
    for suffix in ("_m_s", "_deg", "_gb", "_m"):
        words = words.removesuffix(suffix)
    return words.replace("_", " ").capitalize()
