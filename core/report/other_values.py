"""What a verdict would be if the second source of a disputed fact were right."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from datetime import date

from core.checks.fact_reads import checks_reading
from core.checks.verdict import Verdict
from core.model.build import Build
from core.model.parts import Part
from core.model.parts.words import fact_text, fact_words
from core.quantities import Figure
from core.report.doubts import stating
from core.report.evaluate import answers_of


@dataclass(frozen=True)
class OtherValue:
    """A disputed fact that a verdict leans on, what the second source states, and the verdict with that."""

    part: Part
    fact: str
    source: str
    value: Figure
    verdict: Verdict


def with_other_values(
    build: Build, parts: Mapping[str, Part], verdict: Verdict, today: date | None = None
) -> Iterator[OtherValue]:
    """`verdict` made again for each disputed fact that its check reads, with what the other source states."""
    before = answers_of(build, parts, today=today)
    for id in sorted(build.parts_named):
        part = parts[id]
        for field, source in part.sources.items():
            if source.other is None or verdict.id not in checks_reading(type(part), field):
                continue
            other = stating(part, field, source.other)
            if other is None:
                continue
            answers = answers_of(build, {**parts, id: other}, before=before, only=frozenset({verdict.id}))
            found = answers.by_subject.get(verdict.key)
            if found is not None:
                value = fact_text(type(part), field, getattr(other, field))
                yield OtherValue(part, fact_words(type(part), field), source.other_source or "another", value, found)
