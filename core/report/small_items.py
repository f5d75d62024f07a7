"""Small items as a report tells them, the parts that could serve, and what of the decisions still holds."""

from collections.abc import Container, Mapping
from dataclasses import dataclass, replace

from core.checks.asks import Objection
from core.checks.evaluation import Evaluation
from core.checks.limits import State
from core.checks.needs import ITEMS, SmallItem, SmallItems
from core.model.build import Build, Slot, SmallDecision
from core.model.facts import MissingFact
from core.model.kit import Kit
from core.model.parts import KINDS, Part
from core.money.amounts import cost_of
from core.money.price_book import price_book_of
from core.quantities import Money, Quantity
from core.report.consequence import ruled_out
from core.report.evaluation_of import evaluation_of


@dataclass(frozen=True)
class SmallStatus:
    """One item of a build: what was decided, and whether that serves."""

    item: SmallItem
    decision: SmallDecision | None
    part: Part | None
    objections: tuple[Objection, ...]
    units: int | None
    """How many to buy; `None` while nothing is chosen, or how much is needed is not known."""
    left_over: Quantity | None

    @property
    def state(self) -> State | None:
        """How the choice comes out; `None` while nothing is decided."""
        if self.decision is None:
            return State.UNKNOWN if self.item.missing else None
        if self.decision.choice == "strike":
            return State.CLEAR
        return max((found.state for found in self.objections), key=lambda state: state.rank, default=State.CLEAR)


@dataclass(frozen=True)
class Option:
    """A part that could serve for an item."""

    part: Part
    objections: tuple[Objection, ...]
    units: int | None
    total: Money | None
    """What so many cost in the brief's currency; `None` where that is not known."""

    @property
    def serves(self) -> bool:
        """Nothing speaks against it."""
        return not self.objections and self.units is not None

    @property
    def rank(self) -> tuple[int, int]:
        """How bad the worst is that speaks against it, and how much does."""
        return max((found.state.rank for found in self.objections), default=0), len(self.objections)


def small_statuses(small: SmallItems, kit: Kit) -> tuple[SmallStatus, ...]:
    """Every item that follows from a build, in the order of the chain."""
    return tuple(_status(item, kit) for item in small.items)


def kinds_serving(*items: str) -> frozenset[str]:
    """The kinds of part that are of use for these small items, or for any where none is named."""
    asked = tuple(need.item.kind for id, need in ITEMS.items() if not items or id in items)
    return frozenset(kind for kind, part in KINDS.items() if issubclass(part, asked))


def options_for(build: Build, parts: Mapping[str, Part], item_id: str) -> tuple[Option, ...]:
    """The parts of the right kind for an item: those that serve first, the cheapest of them in front.

    Each that nothing speaks against is bought and judged: what it would rule out speaks against it. Raises
    `LookupError` for an item that does not follow from the build.
    """
    found = evaluation_of(build, parts)
    item = _small_items(found).by_id.get(item_id)
    if item is None:
        raise LookupError(item_id)
    options = [
        _carried_out(build, parts, item, option, found) if option.serves else option
        for option in _options(build, parts, item)
    ]
    return tuple(sorted(options, key=_rank))


def best_item_for(build: Build, parts: Mapping[str, Part], part: Part) -> str | None:
    """Id of the small item that `part` could be chosen for and serves best; `None` where none asks for its kind."""
    asking = [item for item in _small_items(evaluation_of(build, parts)).items if isinstance(part, item.item.kind)]
    best = min(asking, key=lambda item: len(item.objections(part)), default=None)
    return None if best is None else best.item.id


def with_cheapest(build: Build, parts: Mapping[str, Part], near: Container[Slot] = tuple(Slot)) -> Build:
    """`build` with the cheapest part that serves for every item that is still open and has one, of places `near`.

    Each is bought and judged before the next is: one that would rule something out is passed over.
    """
    found = evaluation_of(build, parts)
    for id in [item.item.id for item in _small_items(found).items if item.item.near in near]:
        item = _small_items(found).by_id.get(id)
        if item is None or id in build.small_items:
            continue
        for option in _options(build, parts, item):
            if option.serves and option.total is not None:
                with_it = bought(build, item, option.part)
                there = evaluation_of(with_it, parts, before=found)
                if not ruled_out(there, found):
                    build, found = with_it, there
                    break
    return build


def _carried_out(
    build: Build, parts: Mapping[str, Part], item: SmallItem, option: Option, before: Evaluation
) -> Option:
    there = evaluation_of(bought(build, item, option.part), parts, before=before)
    against = (Objection(State.BLOCKED, there.told(verdict).headline) for verdict in ruled_out(there, before))
    return replace(option, objections=(*option.objections, *against))


def bought(build: Build, item: SmallItem, part: Part) -> Build:
    """`build` with `part` bought for a small item."""
    decided = {**build.small_items, item.item.id: SmallDecision(choice="buy", part=part.id)}
    return build.model_copy(update={"small_items": decided})


def without_unserving(build: Build, found: Evaluation) -> Build:
    """`build`, whose evaluation is `found`, with every small item open again whose part does not serve any more."""
    small, kit = found.reading(SmallItems), found.reading(Kit)
    if not build.small_items or small is None or kit is None:
        return build
    decided = [(item, build.small_items[item.item.id]) for item in small.items if item.item.id in build.small_items]
    chosen = [(item, kit.picked(item.item.id)) for item, decision in decided if decision.choice != "strike"]
    astray = {
        item.item.id
        for item, part in chosen
        if part is not None and any(objection.blocked for objection in item.objections(part))
    }
    if not astray:
        return build
    kept = {id: decision for id, decision in build.small_items.items() if id not in astray}
    return build.model_copy(update={"small_items": kept})


def without_lapsed(build: Build, parts: Mapping[str, Part]) -> Build:
    """`build` without strikes of items whose reason is gone: should the reason return, so does the item."""
    struck = {id for id, decision in build.small_items.items() if decision.choice == "strike"}
    if not struck:
        return build
    lapsed = struck - {item.item.id for item in _small_items(evaluation_of(build, parts)).items}
    if not lapsed:
        return build
    kept = {id: decision for id, decision in build.small_items.items() if id not in lapsed}
    return build.model_copy(update={"small_items": kept})


def _small_items(found: Evaluation) -> SmallItems:
    small = found.reading(SmallItems)
    assert small is not None
    return small


def _status(item: SmallItem, kit: Kit) -> SmallStatus:
    decision, part = kit.decided(item.item.id), kit.picked(item.item.id)
    found: tuple[Objection, ...] = ()
    units, left_over = None, None
    if part is not None and item.need is not None:
        found = item.objections(part)
        try:
            units, left_over = item.units(part), item.left_over(part)
        except MissingFact as missing:
            found = (*found, Objection.missing(missing))
    return SmallStatus(item, decision, part, found, units, left_over)


def _options(build: Build, parts: Mapping[str, Part], item: SmallItem) -> tuple[Option, ...]:
    options = [_option(build, item, part) for part in parts.values() if isinstance(part, item.item.kind)]
    return tuple(sorted(options, key=_rank))


def _rank(option: Option) -> tuple[bool, tuple[int, int], bool, int]:
    return not option.serves, option.rank, option.total is None, option.total.minor if option.total else 0


def _option(build: Build, item: SmallItem, part: Part) -> Option:
    found = item.objections(part)
    try:
        units = item.units(part)
        total = cost_of(part, units, build.brief, price_book_of([part])) if part.price else None
    except MissingFact as missing:
        return Option(part, (*found, Objection.missing(missing)), None, None)
    return Option(part, found, units, total)
