"""The evaluation of a build: what every other question about it begins with."""

from collections.abc import Mapping
from datetime import date

from core.checks import GRAPH, MEMO
from core.checks.evaluation import Evaluation
from core.checks.readings import Given, Today, given_readings
from core.model.build import Build
from core.model.parts import Part
from core.money.costs import Costs


def evaluation_of(
    build: Build, parts: Mapping[str, Part], *, today: date | None = None, before: Evaluation | None = None
) -> Evaluation:
    """Readings and verdicts of `build`, each worked out when it is asked for, unless the like of it was before.

    With the evaluation of a build `before` that differs little, without `today` on the same day. Raises `UnknownPart`
    as `evaluate` does.
    """
    day = Today(today) if today is not None else before.reading(Today) if before else None
    given_before = before.given if before and isinstance(before.given, Given) else None
    given = given_readings(build, parts, day, before=given_before, memo=MEMO)
    return Evaluation(GRAPH, given, build.brief.players, MEMO, before)


def known_costs(found: Evaluation) -> Costs:
    """What the build costs; always known, line by line where not in all."""
    costs = found.reading(Costs)
    assert costs is not None
    return costs
