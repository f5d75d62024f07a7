"""The evaluation of a build: what every other question about it begins with."""

from collections.abc import Mapping
from datetime import date

from core.checks import GRAPH, MEMO
from core.checks.evaluation import Evaluation
from core.checks.needs import SmallItems
from core.checks.readings import Given, Today, given_readings
from core.model.build import Build
from core.model.parts import Part
from core.money.costs import Costs


def evaluation_of(
    build: Build, parts: Mapping[str, Part], *, today: date | None = None, before: Evaluation | None = None
) -> Evaluation:
    """Readings and verdicts of `build`, each worked out when it is asked for, unless the like of it was before.

    What was chosen for a small item that nothing asks for any more is not there: it is not paid for, takes no power and
    stops no ball. Should its reason return, so does it.

    With the evaluation of a build `before` that differs little, without `today` on the same day. Raises `UnknownPart`
    as `evaluate` does.
    """
    found = _evaluation_of(build, parts, today, before)
    lapsed = _lapsed(build, found)
    if not lapsed:
        return found
    there = _evaluation_of(_without(build, lapsed), parts, today, before)
    # What only its own part had made needless is needed again without it: that part stays.
    lapsed &= _lapsed(build, there)
    return _evaluation_of(_without(build, lapsed), parts, today, before)


def glance_at(build: Build, parts: Mapping[str, Part], before: Evaluation) -> Evaluation:
    """As `evaluation_of`, but for small items that lapse with what differs from the build evaluated `before`.

    For a search that looks at hundreds: finding out about those costs more than most questions. What passes is
    evaluated in full.
    """
    return _evaluation_of(build, parts, None, before)


def _evaluation_of(
    build: Build, parts: Mapping[str, Part], today: date | None, before: Evaluation | None
) -> Evaluation:
    day = Today(today) if today is not None else before.reading(Today) if before else None
    given_before = before.given if before and isinstance(before.given, Given) else None
    given = given_readings(build, parts, day, before=given_before, memo=MEMO)
    return Evaluation(GRAPH, given, build.brief.players, MEMO, before)


def _lapsed(build: Build, found: Evaluation) -> set[str]:
    """The small items of `build` that a part was chosen for, and that nothing in `found` asks for."""
    chosen = {id for id, made in build.small_items.items() if made.part is not None and made.choice != "strike"}
    small = found.reading(SmallItems) if chosen else None
    return chosen - small.by_id.keys() if small else set()


def _without(build: Build, items: set[str]) -> Build:
    kept = {id: made for id, made in build.small_items.items() if id not in items}
    return build.model_copy(update={"small_items": kept})


def known_costs(found: Evaluation) -> Costs:
    """What the build costs; always known, line by line where not in all."""
    costs = found.reading(Costs)
    assert costs is not None
    return costs
