"""The register of small items. Each is a function whose typed parameters say what it follows from."""

import threading
from collections.abc import Callable
from dataclasses import dataclass

from core.checks.register import REGISTRY
from core.checks.registry import BadCheck, Read, reads_of
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
    reads: tuple[Read, ...]
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
        self.readings: dict[type, object] = {}
        self.items: dict[str, SmallItem | None] = {}


def close_register() -> None:
    """Make `SmallItems` a reading, from everything that any rule reads. Called once, after the last rule."""
    kinds = {read.type: read._replace(optional=True) for rule in RULES.values() for read in rule.reads}

    rules_of = {kind: [r for r in RULES.values() if any(read.type is kind for read in r.reads)] for kind in kinds}
    memory = _Memory()
    order = list(Slot)

    def gathered(*values: object) -> SmallItems:
        """What all rules answer; a rule that would read the very same as the last time is not asked again.

        One build is weighed with forty candidates for a place, and most rules read nothing of it.
        """
        readings = dict(zip(kinds, values, strict=True))
        last, items = memory.readings, memory.items
        changed = [kind for kind, value in readings.items() if kind not in last or last[kind] is not value]
        for rule in {rule.item.id: rule for kind in changed for rule in rules_of[kind]}.values():
            items[rule.item.id] = _answer(rule, readings)
        memory.readings = readings
        found = [item for item in items.values() if item]
        return SmallItems(tuple(sorted(found, key=lambda item: (order.index(item.item.near), ranks[item.item.id]))))

    ranks = {id: rank for rank, id in enumerate(RULES)}
    REGISTRY.gather(SmallItems, tuple(kinds.values()), gathered)


def _answer(rule: Rule, readings: dict[type, object]) -> SmallItem | None:
    arguments = [readings[read.type] for read in rule.reads]
    if any(value is None and not read.optional for read, value in zip(rule.reads, arguments, strict=True)):
        return None
    try:
        need = rule.run(*arguments)
    except MissingFact as missing:
        return SmallItem(rule.item, None, missing)
    return SmallItem(rule.item, need) if need else None
