"""What the functions of the graph have answered, by what they read: one memory for every evaluation of a process.

Records are large, and comparing or hashing one costs more than most questions about it. So of a record only the facts
that a function declares are compared, by value; what is derived is made one object for each value, and is compared as
that. A reading that comes out as before is the very same object, and nothing that reads it is asked again.
"""

from collections.abc import Callable, Hashable
from operator import attrgetter
from typing import Any, get_args

from core.checks.declared import Check, Derivation, Read
from core.model.chain import Chain
from core.model.kit import Beside, Kit
from core.model.parts import Part
from core.model.record import Record

MOST_KEPT = 96
"""Answers of one function; beyond that they are forgotten, and the memory of it begins anew."""
Kept = tuple[tuple[object, ...], Any]
"""What was read, so that no other object can take its identity, and what was answered."""
Keyer = Callable[[Any], Hashable]


class Memory:
    """What is remembered of one function."""

    __slots__ = ("_answers", "_asked", "_keyers", "_most", "_same")

    def __init__(self, node: Check | Derivation, most: int) -> None:
        self._keyers = tuple(keyer(read) for read in node.reads.each)
        self._answers: dict[Hashable, Kept] = {}
        self._same: dict[tuple[int, ...], Kept] = {}
        self._most = most
        self._asked: tuple[tuple[object, ...], Hashable] = ((), None)
        """What was asked last and not found, with its key: it is what is kept next, unless others ask meanwhile."""

    def find(self, values: tuple[object, ...]) -> Kept | None:
        """The answer to the like of `values`: the facts that are read are equal, and everything else is the same.

        The very same values, as most are from one edit to the next, are found without looking at a fact.
        """
        kept = self._same.get(tuple(map(id, values)))
        if kept is None:
            key = self._key(values)
            kept = self._answers.get(key)
            if kept is None:
                self._asked = values, key
            else:
                self._keep_same(values, kept[1])
        return kept

    def keep(self, values: tuple[object, ...], answer: object) -> None:
        """Remember an answer."""
        if len(self._answers) >= self._most:
            self._answers.clear()
        asked, key = self._asked
        self._answers[key if asked is values else self._key(values)] = values, answer
        self._keep_same(values, answer)

    def _keep_same(self, values: tuple[object, ...], answer: object) -> None:
        if len(self._same) >= self._most:
            self._same.clear()
        self._same[tuple(map(id, values))] = values, answer

    def _key(self, values: tuple[object, ...]) -> Hashable:
        return tuple([keyer(value) for keyer, value in zip(self._keyers, values, strict=True)])


class Memo:
    """Answers by function and by what it read."""

    def __init__(self, most: int = MOST_KEPT) -> None:
        self._most = most
        self._memories: dict[object, Memory] = {}
        self._values: dict[type, dict[object, object]] = {}

    def forget(self) -> None:
        """Begin anew."""
        self._memories.clear()
        self._values.clear()

    def of(self, node: Check | Derivation) -> Memory:
        """What is remembered of one function."""
        memory = self._memories.get(node)
        if memory is None:
            memory = self._memories[node] = Memory(node, self._most)
        return memory

    def one(self, kind: type, value: object) -> object:
        """The one object for every reading of `kind` that is equal to `value`."""
        values = self._values.get(kind)
        if values is None:
            values = self._values[kind] = {}
        elif len(values) >= self._most:
            values.clear()
        return values.setdefault(value, value)


def keyer(read: Read) -> Keyer:
    """Tells readings of one parameter apart: by the facts of a record, or by the identity of anything else."""
    facts = read.facts
    if facts is None:
        return id
    if issubclass(read.type, Beside | Chain | Kit):
        take = _taker(facts)
        return lambda value: None if value is None else value.by_facts(take)
    return _taker(facts)


def _taker(facts: tuple[str, ...]) -> Keyer:
    """Takes `facts` off a record of any kind: plain values as they are, and of what holds records the identity."""
    by_kind: dict[type, Keyer] = {type(None): id}

    def taken(record: Any) -> Hashable:
        kind = type(record)
        take = by_kind.get(kind)
        if take is None:
            take = by_kind[kind] = _taker_of(kind, facts)
        return take(record)

    return taken


def _taker_of(kind: type[Record], facts: tuple[str, ...]) -> Keyer:
    there = [fact for fact in facts if fact in kind.model_fields]
    plain = [fact for fact in there if not _holds_records(kind.model_fields[fact].annotation)]
    held = [fact for fact in there if fact not in plain]
    # What a part is tells which of its facts there are; records of one class all have the same.
    is_part = issubclass(kind, Part)
    take: Keyer = attrgetter(*plain) if plain else _nothing
    if held:
        take_held = attrgetter(*held) if len(held) > 1 else _only(held[0])
        return lambda record: (kind, take(record), *map(id, take_held(record)))
    return (lambda record: (kind, take(record))) if is_part else take


def _nothing(record: object) -> Hashable:
    return None


def _only(fact: str) -> Callable[[Any], tuple[object, ...]]:
    take = attrgetter(fact)
    return lambda record: (take(record),)


def _holds_records(annotation: Any) -> bool:
    if isinstance(annotation, type) and issubclass(annotation, Record | dict):
        return True
    return any(_holds_records(part) for part in get_args(annotation)) or getattr(annotation, "__origin__", None) is dict
