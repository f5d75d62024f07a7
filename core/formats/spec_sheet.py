"""A spec sheet as rows that people read: every fact in words, its value in the reader's own units, and its source."""

from collections.abc import Iterator
from datetime import date
from typing import NamedTuple

from core.checks import GRAPH
from core.checks.doubts import doubts_of
from core.checks.needs import items_reading
from core.model.forms import record_of
from core.model.parts import Part
from core.model.parts.words import NOT_STATED, fact_text, fact_words
from core.quantities import UnitSystem, figure_text

SHOWN_ELSEWHERE = frozenset(
    {"id", "kind", "maker", "name", "price", "note", "plans", "monitor_links", "machine_needs", "sources"}
)


class SpecRow(NamedTuple):
    """One fact: its field, what it is called, what it says, where it was read, and what is doubtful about it."""

    field: str
    name: str
    text: str
    source: str
    doubts: tuple[str, ...]


def spec_rows(part: Part, system: UnitSystem, today: date | None = None) -> Iterator[SpecRow]:
    """Each fact of `part` in the order of its sheet; facts not stated say so."""
    doubtful: dict[str, list[str]] = {}
    for doubt in doubts_of(part, today):
        doubtful.setdefault(doubt.field, []).append(doubt.what.text(system))
    for field in type(part).model_fields:
        if field not in SHOWN_ELSEWHERE:
            source = part.sources.get(field)
            told = (
                f"{source.source}, {source.seen:%Y-%m-%d}"
                if source and source.seen
                else source.source
                if source
                else ""
            )
            words = fact_words(type(part), field)
            text = figure_text(fact_text(type(part), field, getattr(part, field)), system)
            yield SpecRow(field, words[0].upper() + words[1:], text, told, tuple(doubtful.get(field, ())))


def read_by(kind: type[Part], field: str) -> list[str]:
    """Titles of what reads a fact: checks, then small items. A list of records is read where its records are."""
    checks = dict.fromkeys(GRAPH.checks_reading(kind, field))
    if (record := record_of(kind, field)) is not None:
        checks.update(dict.fromkeys(id for name in record.model_fields for id in GRAPH.checks_reading(record, name)))
    return [*(GRAPH[id].title for id in checks), *items_reading(kind, field)]


__all__ = ["NOT_STATED", "SpecRow", "read_by", "spec_rows"]
