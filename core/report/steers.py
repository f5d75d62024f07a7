"""What each answer of the brief steers, as it follows from what checks and readings declare that they read."""

from collections.abc import Mapping
from functools import cache

from core.checks import GRAPH
from core.checks.household import Unsettled
from core.checks.needs import SmallItems
from core.checks.spots import Spots
from core.checks.stages import OptionalPlaces, StageCosts
from core.checks.works import Works
from core.model.brief import Brief
from core.money.costs import Costs

LARGE: Mapping[type, str] = {
    Unsettled: "open questions",
    SmallItems: "which small items are asked for",
    Costs: "every sum of money",
    Works: "what has to be done, and by whom",
    OptionalPlaces: "which places of the chain must be filled",
    StageCosts: "the subtotal of each stage",
    Spots: "where to hit from",
}
"""Readings that people know by a name of their own. What leans on one is not listed besides."""


@cache
def steered_by(field: str) -> tuple[str | type, ...]:
    """Ids of the checks that read `field` of the brief, then the large readings that do, neither by way of another."""
    checks = [check.id for check in GRAPH.checks if (Brief, field) in GRAPH.facts_below(check.reads, LARGE)]
    large = [kind for kind in LARGE if (Brief, field) in GRAPH.facts_below(GRAPH.derivations[kind].reads, LARGE)]
    return (*checks, *large)


def steers() -> dict[str, list[str]]:
    """By field of the brief: checks by their titles, and what else changes, in words."""
    return {field: list(dict.fromkeys(map(_words, steered_by(field)))) for field in Brief.model_fields}


def _words(what: str | type) -> str:
    return GRAPH[what].title if isinstance(what, str) else LARGE[what]
