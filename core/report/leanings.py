"""Verdicts that lean on facts which are old or disputed: it is shown with them, so that nobody buys on them unasked."""

from collections.abc import Iterator, Mapping
from typing import NamedTuple

from core.checks import GRAPH
from core.checks.doubts import Doubt, Doubts
from core.checks.evaluation import Evaluation
from core.model.build import Build
from core.model.parts import Part
from core.report.evaluation_of import evaluation_of


class Leaning(NamedTuple):
    """What is doubtful about a fact, and the ids of the checks that lean on it."""

    doubt: Doubt
    checks: tuple[str, ...]


def leanings(
    build: Build, parts: Mapping[str, Part], found: Evaluation, before: tuple[Leaning, ...] = ()
) -> Iterator[Leaning]:
    """What is doubtful in `build`, whose evaluation is `found`. On a disputed fact leans what the other changes.

    With the leanings of the build that was evaluated before.
    """
    doubts = found.reading(Doubts)
    known = {id(leaning.doubt): leaning for leaning in before}
    for doubt in doubts.each if doubts else ():
        checks = GRAPH.checks_reading(type(doubt.part), doubt.field)
        if id(doubt) in known and not any(map(found.may_be_told_otherwise, checks)):
            yield known[id(doubt)]
            continue
        if doubt.other is not None:
            told = evaluation_of(build, {**parts, doubt.part.id: doubt.other}, before=found)
            checks = tuple(check for check in checks if told.of_check(check) != found.of_check(check))
        yield Leaning(doubt, checks)
