"""What is declared by registering a function: checks, derivations, and what they read, from their typed parameters.

A *reading* is a value that checks and derivations may ask for by its type: a part of the build, or something
derived from parts, such as the picture. A parameter typed `X | None` may be absent.
"""

import inspect
from collections.abc import Callable
from dataclasses import dataclass
from functools import cached_property
from types import UnionType
from typing import NamedTuple, Union, get_args, get_origin, get_type_hints

from core.checks.places import Place
from core.checks.verdict import Verdict
from core.model.kit import Beside


class BadCheck(TypeError):
    """A check or derivation that cannot be registered. Says what is wrong with it."""


class Read(NamedTuple):
    """One parameter: its name, the type it asks for, and whether it may be absent."""

    name: str
    type: type
    optional: bool
    absent: object = None
    """What is passed where it is not there."""


@dataclass(frozen=True)
class Reads:
    """What a function reads, parameter by parameter."""

    each: tuple[Read, ...]

    @cached_property
    def types(self) -> frozenset[type]:
        """The types that it asks for."""
        return frozenset(read.type for read in self.each)

    @cached_property
    def required(self) -> frozenset[type]:
        """Those of them without which there is nothing to ask."""
        return frozenset(read.type for read in self.each if not read.optional and read.absent is None)

    @cached_property
    def in_order(self) -> tuple[tuple[type, ...], tuple[object, ...]]:
        """The types parameter by parameter, and what is passed where one is not there."""
        return tuple(read.type for read in self.each), tuple(read.absent for read in self.each)


@dataclass(frozen=True)
class Check:
    """A registered check."""

    id: str
    title: str
    place: Place
    reads: Reads
    run: Callable[..., Verdict]
    manual: str
    per_player: bool
    """The check is made once for every player."""

    @property
    def read_types(self) -> frozenset[type]:
        """The types that it asks for."""
        return self.reads.types


@dataclass(frozen=True)
class Derivation:
    """A registered way to get a reading from others. Answers `None` where there is none to get."""

    gives: type
    reads: Reads
    run: Callable[..., object]
    lenient: bool
    """What is not known counts as absent, where it may be absent."""


def reads_of(function: Callable[..., object], id: str) -> Reads:
    """What `function` reads, by its parameters. Raises `BadCheck` for a bad signature or a missing docstring."""
    if not inspect.getdoc(function):
        raise BadCheck(f"{id} has no docstring; it is the check's page in the manual")
    hints = get_type_hints(function)
    names = inspect.signature(function).parameters
    return Reads(tuple(_read(name, *asked_type(hints.get(name), id, name)) for name in names))


def _read(name: str, kind: type, optional: bool) -> Read:
    """No parts of a kind beside the chain is a fact; everything else that is not there is missing."""
    return Read(name, kind, optional, kind() if issubclass(kind, Beside) else None)


def asked_type(hint: object, id: str, name: str) -> tuple[type, bool]:
    """The one class that `hint` names, and whether `None` will do. Raises `BadCheck` for any other hint."""
    if get_origin(hint) in (Union, UnionType):
        options = get_args(hint)
        kinds = [option for option in options if option is not type(None)]
        if len(kinds) == 1 and isinstance(kinds[0], type) and len(options) == 2:
            return kinds[0], True
    elif isinstance(hint, type) and hint is not type(None):
        return hint, False
    raise BadCheck(f"{id}: '{name}' must be typed as one class, or one class or None; it is {hint!r}")
