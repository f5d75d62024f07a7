"""Facts that a verdict leans on and that are old or disputed: shown with it, so that nobody buys on them unasked."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date

from core.checks.fact_reads import checks_reading
from core.model.parts import FactSource, Part
from core.model.parts.words import fact_text, fact_words
from core.quantities import Sentence, say

STALE_DAYS = 365
"""A fact that was read longer ago than this is worth a second look (trade)."""


@dataclass(frozen=True)
class Doubt:
    """One fact of one part, the checks that read it, and what is doubtful about it."""

    part: Part
    field: str
    checks: tuple[str, ...]
    what: Sentence


def doubts_of(part: Part, today: date | None) -> Iterator[Doubt]:
    """What is doubtful on the sheet of `part`; without `today` nothing is old."""
    for field, source in part.sources.items():
        for what in _what(part, field, source, today):
            yield Doubt(part, field, checks_reading(type(part), field), what)


def _what(part: Part, field: str, source: FactSource, today: date | None) -> Iterator[Sentence]:
    words = fact_words(type(part), field)
    if source.other is not None:
        yield say(
            "{part}, {fact}: {one} says {this}, {other} says {that}",
            part=part.name,
            fact=words,
            one=source.source,
            this=fact_text(type(part), field, getattr(part, field, None)),
            other=source.other_source or "another",
            that=fact_text(type(part), field, source.other),
        )
    if source.seen is not None and today is not None and (today - source.seen).days > STALE_DAYS:
        months = (today - source.seen).days // 30
        yield say(
            "{part}, {fact}: read {months} months ago in {source}",
            part=part.name,
            fact=words,
            months=str(months),
            source=source.source,
        )
