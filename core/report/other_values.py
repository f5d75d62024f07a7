"""What a verdict would be if the second source of a disputed fact were right."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from datetime import date

from core.checks import GRAPH
from core.checks.doubts import Doubts
from core.checks.verdict import Told, Verdict
from core.model.build import Build
from core.model.parts import Part
from core.model.parts.words import fact_text, fact_words
from core.quantities import Figure
from core.report.evaluation_of import evaluation_of


@dataclass(frozen=True)
class OtherValue:
    """A disputed fact that a verdict leans on, what the second source states, and the verdict with that."""

    part: Part
    fact: str
    source: str
    value: Figure
    told: Told


def with_other_values(
    build: Build, parts: Mapping[str, Part], verdict: Verdict, today: date | None = None
) -> Iterator[OtherValue]:
    """`verdict` made again for each disputed fact that its check reads, with what the other source states."""
    doubts = evaluation_of(build, parts, today=today).reading(Doubts)
    for part, field, _, other in doubts.each if doubts else ():
        if other is None or verdict.id not in GRAPH.checks_reading(type(part), field):
            continue
        found = evaluation_of(build, {**parts, part.id: other}, today=today)
        for with_it in found.of_check(verdict.id):
            if with_it.key == verdict.key:
                value = fact_text(type(part), field, getattr(other, field))
                words, origin = fact_words(type(part), field), part.sources[field].other_source or "another"
                yield OtherValue(part, words, origin, value, found.told(with_it))
