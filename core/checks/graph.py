"""The graph of the job: checks, the readings they ask for, what these are derived from, down to facts of records."""

from collections.abc import Collection, Container, Iterable, Iterator, Mapping
from functools import cached_property
from graphlib import CycleError, TopologicalSorter

from core.checks.declared import BadCheck, Check, Derivation, Reads
from core.model.brief import Brief, Player
from core.model.build import PART_TYPE_BY_SLOT, Slot
from core.model.chain import Chain
from core.model.kit import Beside
from core.model.parts import MonitorPlan, Part, TitlePlan
from core.model.record import Record

Fact = tuple[type[Record], str]
PLAN_PLACES: Mapping[type, Slot] = {MonitorPlan: Slot.MONITOR, TitlePlan: Slot.TITLE}
Node = Check | Derivation
Changed = Mapping[type, frozenset[str] | None]
"""The types of readings that are not the very same as before: of a record the fields that differ, else `None`."""
THERE_ALONE = ""
"""In place of a field: it is read for being there, which a record that only differs still is."""
EACH_PLAYER: Fact = (Brief, "players")
"""Where the readings of type `Player` come from."""


class Graph:
    """Frozen: what is registered, sorted by what depends on what."""

    def __init__(self, checks: Iterable[Check], derivations: Iterable[Derivation], given: frozenset[type]) -> None:
        self.checks: tuple[Check, ...] = tuple(sorted(checks, key=lambda check: check.id))
        """By id."""
        by_type = {derivation.gives: derivation for derivation in derivations}
        for name, reads in (
            *((check.id, check.reads) for check in self.checks),
            *((kind.__name__, derivation.reads) for kind, derivation in by_type.items()),
        ):
            nowhere = [kind.__name__ for kind in reads.types if kind not in by_type and kind not in given]
            if nowhere:
                raise BadCheck(f"{name} reads {', '.join(sorted(nowhere))}, which nobody gives")
        before = {kind: derivation.reads.types & by_type.keys() for kind, derivation in by_type.items()}
        try:
            order = tuple(TopologicalSorter(before).static_order())
        except CycleError as circle:
            names = " → ".join(kind.__name__ for kind in circle.args[1])
            raise BadCheck(f"readings go round in a circle: {names}") from circle
        self.derivations: Mapping[type, Derivation] = {kind: by_type[kind] for kind in order}
        """By what they give, each after what it reads."""
        self._by_id = {check.id: check for check in self.checks}
        self.per_player: frozenset[type] = self._of_each_player()
        """Readings that every player has one of."""

    def __getitem__(self, id: str) -> Check:
        return self._by_id[id]

    def reads_of(self, id: str) -> frozenset[type]:
        """All types that a check reads, itself or through what is derived."""
        return self._reach[id]

    def facts_of(self, id: str) -> frozenset[Fact]:
        """All facts that a check reads, itself or through what is derived."""
        return self._facts[id]

    def checks_reading(self, kind: type[Record], field: str) -> tuple[str, ...]:
        """Ids of the checks that read `field` of a record of `kind`, in order of id."""
        return self._checks_by_fact.get((kind, field), ())

    def places_of(self, id: str) -> tuple[Slot, ...]:
        """The places of the chain whose part or plan has a say in a check, in the order of the chain."""
        return places_among(self._reach[id])

    def beside_of(self, id: str) -> tuple[type[Part], ...]:
        """The kinds of part beside the chain that have a say in a check."""
        kinds = (kind for kind in self._reach[id] if issubclass(kind, Beside))
        return tuple(sorted((kind.kind for kind in kinds), key=lambda kind: kind.__name__))

    def _of_each_player(self) -> frozenset[type]:
        found: set[type] = {Player}
        for kind, derivation in self.derivations.items():
            if not derivation.reads.types.isdisjoint(found):
                found.add(kind)
        return frozenset(found)

    def touched_by(self, changed: Changed) -> frozenset[type | str]:
        """All readings, and ids of checks, that may come out differently where this has `changed`."""
        found: set[type | str] = set()
        for kind, fields in changed.items():
            by_field = self._dependents.get(kind, {})
            for field in by_field if fields is None else (None, *fields):
                found |= by_field.get(field, frozenset())
        return frozenset(found)

    @cached_property
    def _dependents(self) -> Mapping[type, Mapping[str | None, frozenset[type | str]]]:
        """By type and field, the readings and ids of checks that come from it; under `None` from what is read whole."""
        found: dict[type, dict[str | None, set[type | str]]] = {}
        nodes: list[tuple[type | str, Reads]] = [(check.id, check.reads) for check in self.checks]
        nodes += [(gives, derivation.reads) for gives, derivation in self.derivations.items()]
        for name, reads in nodes:
            below = (self.derivations[kind].reads for kind in self.asked_by(reads) if kind in self.derivations)
            for read in (read for each in (reads, *below) for read in each.each):
                of_kind = found.setdefault(read.type, {})
                for field in (None,) if read.facts is None else (*read.facts, THERE_ALONE):
                    of_kind.setdefault(field, set()).add(name)
        return {kind: {field: frozenset(names) for field, names in by.items()} for kind, by in found.items()}

    def facts_below(self, reads: Reads, beside: Container[type] = ()) -> frozenset[Fact]:
        """All facts that something reads which asks for `reads`, but for what it has by way of a type of `beside`."""
        asked = self.asked_by(reads, beside)
        below = (self.derivations[kind] for kind in asked if kind in self.derivations and kind not in beside)
        return reads.facts.union(*(each.reads.facts for each in below), {EACH_PLAYER} if Player in asked else ())

    def asked_by(self, reads: Reads, not_below: Container[type] = ()) -> frozenset[type]:
        """All types that something reads which asks for `reads`; what is read for one of `not_below` is left out."""
        found: set[type] = set()
        waiting = list(reads.types)
        while waiting:
            kind = waiting.pop()
            if kind not in found:
                found.add(kind)
                if kind in self.derivations and kind not in not_below:
                    waiting += self.derivations[kind].reads.types
        return frozenset(found)

    @cached_property
    def _reach(self) -> Mapping[str, frozenset[type]]:
        return {check.id: self.asked_by(check.reads) for check in self.checks}

    @cached_property
    def _facts(self) -> Mapping[str, frozenset[Fact]]:
        return {check.id: self.facts_below(check.reads) for check in self.checks}

    @cached_property
    def _checks_by_fact(self) -> Mapping[Fact, tuple[str, ...]]:
        found: dict[Fact, list[str]] = {}
        for check in self.checks:
            for fact in {below for kind, field in self._facts[check.id] for below in _as_stated(kind, field)}:
                found.setdefault(fact, []).append(check.id)
        return {fact: tuple(ids) for fact, ids in found.items()}


def places_among(kinds: Collection[type]) -> tuple[Slot, ...]:
    """The places of the chain of which `kinds` tell a part or a plan, in the order of the chain."""
    return tuple(slot for slot in Slot if any(_speaks_of(kind, slot) for kind in kinds))


def _speaks_of(kind: type, slot: Slot) -> bool:
    if kind is Chain:
        return True
    if issubclass(kind, Beside):
        return False
    if kind in PLAN_PLACES:
        return PLAN_PLACES[kind] is slot
    hangs = PART_TYPE_BY_SLOT[slot]
    return issubclass(kind, Part) and (issubclass(kind, hangs) or issubclass(hangs, kind))


def _as_stated(kind: type[Record], field: str) -> Iterator[Fact]:
    """A fact of a class is one of every kind that is a kind of it."""
    waiting = [kind]
    while waiting:
        each = waiting.pop()
        yield each, field
        waiting += each.__subclasses__()
