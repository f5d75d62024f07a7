"""The register of small items. Each is a function whose typed parameters say what it follows from."""

import threading
from collections.abc import Callable
from dataclasses import dataclass

from core.checks.declared import BadCheck, Reads, reads_of
from core.checks.register import REGISTRY
from core.checks.small_items.item import ItemKind, Need, SmallItem
from core.model.build import Slot
from core.model.facts import MissingFact
from core.model.parts import Part

Function = Callable[..., Need | None]


@dataclass(frozen=True)
class SmallItems:
    """Every small item that follows from a build, in the order of the chain."""

    items: tuple[SmallItem, ...]


@dataclass(frozen=True)
class Rule:
    """A registered item, what it reads, and the function that says whether and how much."""

    item: ItemKind
    reads: Reads
    run: Function


RULES: dict[str, Rule] = {}


def small_item(
    id: str, title: str, *, near: Slot, kind: type[Part], sold_by: tuple[str, ...] = ()
) -> Callable[[Function], Function]:
    """Register a function as the rule for item `id`; it answers `None` where the item is not needed.

    Raises `BadCheck` for a duplicate id, a fact in `sold_by` that `kind` has not, or as `check` does.
    """

    def register(function: Function) -> Function:
        if id in RULES:
            raise BadCheck(f"small item {id} is registered twice")
        if unknown := [fact for fact in sold_by if fact not in kind.model_fields]:
            raise BadCheck(f"small item {id} is sold by {unknown[0]}, which {kind.__name__} does not state")
        RULES[id] = Rule(ItemKind(id, title, near, kind, sold_by), reads_of(function, id), function)
        return function

    return register


class _Memory(threading.local):
    """What the rules read last in this thread, and what they answered."""

    def __init__(self) -> None:
        self.values: tuple[object, ...] = ()
        self.items: dict[str, SmallItem | None] = {}


def close_register() -> None:
    """Make `SmallItems` a reading, from everything that any rule reads. Called once, after the last rule."""
    reads = {read.type: read._replace(optional=True) for rule in RULES.values() for read in rule.reads.each}
    kinds = tuple(reads)
    rules_of = {kind: tuple(id for id, rule in RULES.items() if kind in rule.reads.types) for kind in kinds}
    places = list(Slot)
    in_order = sorted(RULES, key=lambda id: places.index(RULES[id].item.near))
    memory = _Memory()

    def gathered(*values: object) -> SmallItems:
        """What all rules answer; a rule that would read the very same as the last time is not asked again.

        One build is weighed with forty candidates for a place, and most rules read nothing of it.
        """
        last, items = memory.values, memory.items
        changed = (
            [kind for kind, value, was in zip(kinds, values, last, strict=True) if value is not was] if last else kinds
        )
        readings = dict(zip(kinds, values, strict=True))
        for id in {id for kind in changed for id in rules_of[kind]}:
            found = _answer(RULES[id], readings)
            if found != items.get(id):
                items[id] = found
        memory.values = values
        return SmallItems(tuple(item for id in in_order if (item := items.get(id)) is not None))

    REGISTRY.gather(SmallItems, Reads(tuple(reads.values())), gathered)


def _answer(rule: Rule, readings: dict[type, object]) -> SmallItem | None:
    if any(readings[kind] is None for kind in rule.reads.required):
        return None
    try:
        need = rule.run(*(readings[kind] for kind in rule.reads.in_order[0]))
    except MissingFact as missing:
        return SmallItem(rule.item, None, missing)
    return SmallItem(rule.item, need) if need else None
