"""Facts that a verdict leans on and that are old or disputed: shown with it, so that nobody buys on them unasked."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date

from pydantic import ValidationError

from core.checks import GRAPH
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
    other: Part | None = None
    """The part as a second source has it, where the fact is disputed."""


def doubts_of(part: Part, today: date | None) -> Iterator[Doubt]:
    """What is doubtful on the sheet of `part`; without `today` nothing is old."""
    for field, source in part.sources.items():
        checks = GRAPH.checks_reading(type(part), field)
        if source.other is not None:
            yield Doubt(part, field, checks, _disputed(part, field, source), stating(part, field, source.other))
        if source.seen is not None and today is not None and (today - source.seen).days > STALE_DAYS:
            yield Doubt(part, field, checks, _old(part, field, source, (today - source.seen).days))


def stating(part: Part, field: str, other: str | float) -> Part | None:
    """`part` as another source has it; `None` where its words are no value of that fact."""
    try:
        return type(part).model_validate({**part.model_dump(), field: other})
    except ValidationError:
        return None


def _disputed(part: Part, field: str, source: FactSource) -> Sentence:
    return say(
        "{part}, {fact}: {one} says {this}, {other} says {that}",
        part=part.name,
        fact=fact_words(type(part), field),
        one=source.source,
        this=fact_text(type(part), field, getattr(part, field, None)),
        other=source.other_source or "another",
        that=fact_text(type(part), field, source.other),
    )


def _old(part: Part, field: str, source: FactSource, days: int) -> Sentence:
    return say(
        "{part}, {fact}: read {months} months ago in {source}",
        part=part.name,
        fact=fact_words(type(part), field),
        months=str(days // 30),
        source=source.source,
    )
