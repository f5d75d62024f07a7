"""What a function declares that it reads, by its typed parameters, down to the facts of a record.

A *reading* is a value that checks and derivations may ask for by its type: a record, a part of the build, or something
derived from them, such as the picture. `Annotated[Room, "width_m", "length_m"]` reads these two facts of the room and
no other to come to its answer, whatever it tells of it later; a record without facts is read as a whole. A parameter
typed `X | None` may be absent.
"""

import builtins
import inspect
from collections.abc import Callable, Iterable
from dataclasses import dataclass
from functools import cached_property
from types import UnionType
from typing import Annotated, Any, NamedTuple, Union, get_args, get_origin, get_type_hints

from core.checks.places import Place
from core.model.brief import Player
from core.model.chain import Chain
from core.model.kit import Beside, Kit
from core.model.parts import KINDS
from core.model.record import Record

THERE = object()
"""Marks a record that is read for being there, and for its kind, but for no fact: `Annotated[Mat, THERE]`."""


class BadCheck(TypeError):
    """A check or derivation that cannot be registered. Says what is wrong with it."""


class Read(NamedTuple):
    """One parameter: its name, the type it asks for, which facts of it, and whether it may be absent."""

    name: str
    type: type
    facts: tuple[str, ...] | None = None
    """Fields of a record, or of each part of `Beside[Kind]`, that are read; `None` where it is read as a whole."""
    optional: bool = False
    absent: object = None
    """What is passed where it is not there."""

    @property
    def record(self) -> "builtins.type[Record] | None":
        """The class whose facts these are; `None` for what is derived."""
        kind = getattr(self.type, "kind", None) if issubclass(self.type, Beside | Chain | Kit) else self.type
        return kind if isinstance(kind, type) and issubclass(kind, Record) else None


@dataclass(frozen=True)
class Reads:
    """What a function reads, parameter by parameter."""

    each: tuple[Read, ...]

    @cached_property
    def asked(self) -> tuple[tuple[type, bool, object], ...]:
        """Of each the type, whether it may be absent, and what is passed then: what every evaluation goes through."""
        return tuple((read.type, read.optional, read.absent) for read in self.each)

    @cached_property
    def types(self) -> frozenset[type]:
        """The types that it asks for."""
        return frozenset(read.type for read in self.each)

    @cached_property
    def facts(self) -> frozenset[tuple[type[Record], str]]:
        """The facts that it reads itself, each with the class that states it."""
        return frozenset(fact for read in self.each for fact in _stated(read))


@dataclass(frozen=True, eq=False)
class Derivation:
    """A registered way to get a reading from others. Answers `None` where there is none to get."""

    gives: type
    reads: Reads
    run: Callable[..., object]
    lenient: bool
    """What is not known counts as absent, where it may be absent."""
    takes_missing: bool = False
    """What is not known is passed as `Missing`, to be told with the rest."""
    asks_on: bool = False
    """It is passed the evaluation alone, and asks it, and others like it, for itself; it reads all that these read."""


@dataclass(frozen=True, eq=False)
class Check:
    """A registered check."""

    id: str
    title: str
    place: Place
    reads: Reads
    run: Callable[..., object]
    manual: str

    @cached_property
    def per_player(self) -> bool:
        """The check is made once for every player."""
        return Player in self.reads.types

    lenient = takes_missing = False
    """Checks are strict: what is not known is told."""


def reads_of(function: Callable[..., object], id: str) -> Reads:
    """What `function` reads, by its parameters. Raises `BadCheck` for a bad signature or a missing docstring."""
    if not inspect.getdoc(function):
        raise BadCheck(f"{id} has no docstring; it is the check's page in the manual")
    hints = get_type_hints(function, include_extras=True)
    return Reads(tuple(read_of(hints.get(name), id, name) for name in inspect.signature(function).parameters))


def merged(reads: Iterable[Read]) -> Reads:
    """One parameter for each type that is read, with all facts that any of `reads` takes off it; each may be absent."""
    found: dict[type, Read] = {}
    for read in reads:
        known = found.get(read.type)
        facts = read.facts if known is None else _both(known.facts, read.facts)
        found[read.type] = Read(read.type.__name__, read.type, facts, optional=True)
    return Reads(tuple(found.values()))


def _both(some: tuple[str, ...] | None, others: tuple[str, ...] | None) -> tuple[str, ...] | None:
    return None if some is None or others is None else tuple(dict.fromkeys((*some, *others)))


def given_type(hint: object, id: str) -> type:
    """The class that a derivation says it gives. Raises `BadCheck` for any other hint."""
    return read_of(hint, id, "return").type


def read_of(hint: object, id: str, name: str) -> Read:
    """What a parameter typed so reads. Raises `BadCheck` for a type that is no reading, and a fact that it has not."""
    kind, optional = hint, False
    if get_origin(hint) in (Union, UnionType):
        kinds = [option for option in get_args(hint) if option is not type(None)]
        kind, optional = (
            (kinds[0], True) if len(kinds) == 1 and len(get_args(hint)) == len(kinds) + 1 else (None, False)
        )
    facts: tuple[str, ...] | None = None
    if get_origin(kind) is Annotated:
        kind, *marks = get_args(kind)
        facts = tuple(mark for mark in marks if isinstance(mark, str))
    if not isinstance(kind, type) or kind is type(None):
        raise BadCheck(f"{id}: '{name}' must be typed as one class, or one class or None; it is {hint!r}")
    beside = issubclass(kind, Beside)
    read = Read(name, kind, facts, optional, kind() if beside else None)
    for fact in facts or ():
        if not any(fact in record.model_fields for record in _narrower(read)):
            raise BadCheck(f"{id}: '{name}' has no fact '{fact}'")
    return read


def _narrower(read: Read) -> tuple[type[Record], ...]:
    """The class that is read, and the kinds of part that are a kind of it: a function may ask which of them it has."""
    record = read.record
    if record is None:
        return ()
    return (record, *(kind for kind in KINDS.values() if issubclass(kind, record)))


def _stated(read: Read) -> Any:
    """(class, field) for every fact of a parameter: the class itself, or its kinds that alone state it."""
    for fact in read.facts or ():
        first, *others = _narrower(read)
        if fact in first.model_fields:
            yield first, fact
        else:
            yield from ((kind, fact) for kind in others if fact in kind.model_fields)
