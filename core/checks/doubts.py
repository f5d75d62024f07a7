"""Facts on the sheets of a build that are old or disputed."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date
from typing import NamedTuple

from pydantic import ValidationError

from core.checks.readings import Today
from core.checks.register import derive
from core.model.chain import Chain
from core.model.kit import Kit
from core.model.parts import FactSource, Part
from core.model.parts.words import fact_text, fact_words
from core.quantities import Sentence, say

STALE_DAYS = 365
"""A fact that was read longer ago than this is worth a second look (trade)."""


class Doubt(NamedTuple):
    """One fact of one part, and what is doubtful about it."""

    part: Part
    field: str
    what: Sentence
    other: Part | None = None
    """The part as a second source has it, where the fact is disputed."""


@dataclass(frozen=True, eq=False)
class Doubts:
    """What is doubtful about the parts that a build names, part by part in order of their ids."""

    each: tuple[Doubt, ...]


@derive
def doubts(chain: Chain, kit: Kit, today: Today | None) -> Doubts:
    """What the sheets themselves say, that a fact is disputed or when it was read."""
    hung, beside = (hanging.part for hanging in chain), (part for _, part in kit.extras)
    chosen = (part for _, _, part in kit.small if part is not None)
    by_id = {part.id: part for part in (*hung, *beside, *chosen)}
    day = today.date if today else None
    return Doubts(tuple(doubt for id in sorted(by_id) for doubt in doubts_of(by_id[id], day)))


def doubts_of(part: Part, today: date | None) -> Iterator[Doubt]:
    """What is doubtful on the sheet of `part`; without `today` nothing is old."""
    for field, source in part.sources.items():
        if source.other is not None:
            yield Doubt(part, field, _disputed(part, field, source), stating(part, field, source.other))
        if source.seen is not None and today is not None and (today - source.seen).days > STALE_DAYS:
            yield Doubt(part, field, _old(part, field, source, (today - source.seen).days))


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
