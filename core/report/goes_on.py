"""Where a person goes on with what no press can do: the field for what was found out, or the place it is about."""

from core.checks import GRAPH
from core.checks.needs import ITEMS, SmallItems
from core.checks.verdict import Cure, Verdict
from core.model.facts import FactAt, at_place

SMALL_ITEMS = "small"


def goes_on_at(cure: Cure, verdict: Verdict, small: SmallItems | None) -> FactAt:
    """Where `cure` of `verdict` is gone on with.

    What it says itself; else the fact that is missing; else what fills a small item that the check judges; else the
    place of the chain; else the view that the check stands in.
    """
    if cure.at is not None:
        return cure.at
    if verdict.missing is not None and verdict.missing.at.record:
        return verdict.missing.at
    item = _item_of(verdict.id, small)
    if item is not None:
        return FactAt(SMALL_ITEMS, item)
    place = GRAPH[verdict.id].place
    if place.slots:
        return at_place(place.slots[-1])
    return FactAt(place.step.value, "")


def _item_of(check_id: str, small: SmallItems | None) -> str | None:
    """The one small item of a build that a check reads itself; else the one that it reads through others."""
    for read in (GRAPH[check_id].reads.types, GRAPH.reads_of(check_id)):
        items = [id for id, need in ITEMS.items() if need in read and small is not None and id in small.by_id]
        if len(items) == 1:
            return items[0]
    return None
