"""The routes to what hangs in a place, each carried out with the part that comes out cheapest, and judged."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass

from core.checks.evaluation import Evaluation
from core.checks.needs import SmallItems
from core.checks.works import Works
from core.model.build import Build, Slot
from core.model.chain import Chain
from core.model.facts import MissingFact
from core.model.kit import Kit
from core.model.parts import Part
from core.money.amounts import cost_of
from core.money.price_book import price_book_of
from core.quantities import Money
from core.report.alternatives import build_with
from core.report.consequence import ruled_out
from core.report.evaluation_of import evaluation_of, known_costs
from core.report.routes.route import Elsewhere, Purchase, Route
from core.report.routes.ways import ITEMS_OF_WAY, WAYS, Way, candidates_of
from core.report.small_items import with_cheapest

MOST_TRIED = 8
"""Candidates of one way that are carried out, the cheapest of them: each is a build of its own."""


@dataclass(frozen=True)
class Start:
    """A build with a place empty, and nothing bought for the small items of the places that a way may change."""

    build: Build
    parts: Mapping[str, Part]
    slot: Slot
    evaluation: Evaluation


def routes_to(slot: Slot, build: Build, parts: Mapping[str, Part]) -> tuple[Route, ...]:
    """The ways to come by what hangs in `slot`; none where there is only one: to buy it.

    All are completed to one scope: the part, and every small item of the places that one of them may change. Raises
    `MissingFact` where what is made to measure has no measure yet.
    """
    if slot not in WAYS:
        return ()
    start = _start(slot, build, parts)
    return tuple(_route(way, start, build) for way in WAYS[slot])


def _start(slot: Slot, build: Build, parts: Mapping[str, Part]) -> Start:
    small = evaluation_of(build, parts).reading(SmallItems)
    items = small.by_id if small else {}
    bought = {
        id
        for id, decision in build.small_items.items()
        if decision.choice == "buy" and id in items and items[id].item.near in ITEMS_OF_WAY[slot]
    }
    bare = build.model_copy(
        update={
            "chain": {place: hanging for place, hanging in build.chain.items() if place is not slot},
            "small_items": {id: decision for id, decision in build.small_items.items() if id not in bought},
        }
    )
    return Start(bare, parts, slot, evaluation_of(bare, parts))


def _route(way: Way, start: Start, build: Build) -> Route:
    candidates = sorted(candidates_of(way, build, start.parts), key=lambda part: _price(part, build))[:MOST_TRIED]
    carried_out = [_carried_out(way, start, part) for part in candidates]
    if not carried_out:
        nothing = Money(0, build.brief.currency)
        return Route(way.kind, None, start.evaluation, None, (), (), nothing, (), way.caution, (way.words,))
    return min(carried_out, key=_order)


def _price(part: Part, build: Build) -> tuple[bool, int, str]:
    try:
        return False, cost_of(part, 1, build.brief, price_book_of([part])).minor, part.id
    except MissingFact:
        return True, 0, part.id


def _order(route: Route) -> tuple[int, int, int]:
    return len(route.against), len(route.lacks), route.money.minor


def _carried_out(way: Way, start: Start, part: Part) -> Route:
    parts = {**start.parts, part.id: part}
    near = ITEMS_OF_WAY[start.slot]
    build = with_cheapest(build_with(start.build, parts, start.slot, part, start.evaluation), parts, near)
    there = evaluation_of(build, parts, before=start.evaluation)
    small, works = there.reading(SmallItems), there.reading(Works)
    items = [item for item in small.items if item.item.near in near] if small else []
    against = [there.told(verdict) for verdict in ruled_out(there, start.evaluation)]
    return Route(
        kind=way.kind,
        build=build,
        evaluation=there,
        made=None if part.id in start.parts else part,
        purchases=tuple(_purchases(start, there)),
        elsewhere=tuple(_elsewhere(start, there)),
        money=known_costs(there).up_front - known_costs(start.evaluation).up_front,
        works=tuple(work for work in works.works if work.slot is start.slot) if works else (),
        caution=way.caution,
        lacks=tuple(item.item.title.lower() for item in items if item.item.id not in build.small_items),
        against=tuple(against),
    )


def _purchases(start: Start, there: Evaluation) -> Iterator[Purchase]:
    """Every line of the cost that was none with the place empty, what is made to measure aside."""
    before = {line.id for line in known_costs(start.evaluation).lines}
    chain, kit, small = there.reading(Chain), there.reading(Kit), there.reading(SmallItems)
    assert chain is not None
    assert kit is not None
    items = small.by_id if small else {}
    for line in known_costs(there).lines:
        if line.id in before:
            continue
        hanging = chain.at(line.slot) if line.slot and not line.beside else None
        part = hanging.part if hanging else kit.picked(line.beside)
        need = items[line.beside].need if line.beside in items else None
        if part is not None and part.id in start.parts:
            yield Purchase(part, line, need.why if need else None)


def _elsewhere(start: Start, there: Evaluation) -> Iterator[Elsewhere]:
    """Every line of the cost that there was with the place empty, and that costs another amount now, or nothing."""
    after = {line.id: line.up_front for line in known_costs(there).lines}
    for line in known_costs(start.evaluation).lines:
        if line.up_front is not None:
            more = (after.get(line.id) or Money(0, line.up_front.currency)) - line.up_front
            if more.minor:
                yield Elsewhere(line.label, more)
