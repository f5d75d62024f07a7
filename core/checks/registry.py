"""The register of checks. A check's typed parameters are the declaration of what it reads.

A *reading* is a value that checks and derivations may ask for by its type: a part of the build, or something
derived from parts, such as the picture. The runner passes what is asked for and nothing else. A check is made
only where everything it reads is there; a parameter typed `X | None` may be absent.
"""

import inspect
from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass
from functools import wraps
from types import UnionType
from typing import Any, ParamSpec, TypeVar, Union, get_args, get_origin, get_type_hints

from core.checks.places import Place
from core.checks.verdict import Verdict, unknown
from core.model.brief import Player
from core.model.facts import MissingFact

P = ParamSpec("P")
T = TypeVar("T")
Readings = Mapping[type, object]


class BadCheck(TypeError):
    """A check or derivation that cannot be registered. Says what is wrong with it."""


@dataclass(frozen=True)
class Read:
    """One parameter: its name, the type it asks for, and whether it may be absent."""

    name: str
    type: type
    optional: bool


@dataclass(frozen=True)
class Check:
    """A registered check."""

    id: str
    title: str
    place: Place
    reads: tuple[Read, ...]
    run: Callable[..., Verdict]
    manual: str
    per_player: bool
    """The check is made once for every player."""


@dataclass(frozen=True)
class Derivation:
    """A registered way to get a reading from others. Answers `None` where there is none to get."""

    gives: type
    reads: tuple[Read, ...]
    run: Callable[..., object]
    lenient: bool
    """What is not known counts as absent, where it may be absent."""


class Registry:
    """Checks by id and derivations by the type they give."""

    def __init__(self) -> None:
        self._checks: dict[str, Check] = {}
        self._ordered: tuple[Check, ...] = ()
        self._derivations: dict[type, Derivation] = {}

    @property
    def checks(self) -> tuple[Check, ...]:
        """All checks, ordered by id."""
        return self._ordered

    def __getitem__(self, id: str) -> Check:
        return self._checks[id]

    def check(self, id: str, *, title: str, place: Place) -> Callable[[Callable[P, Verdict]], Callable[P, Verdict]]:
        """Register a function as the check `id`.

        Raises `BadCheck` for a duplicate id, a missing docstring, a parameter without a class as its type,
        or a return type other than `Verdict`.
        """

        def register(function: Callable[P, Verdict]) -> Callable[P, Verdict]:
            reads = _reads(function, id)
            if get_type_hints(function).get("return") is not Verdict:
                raise BadCheck(f"check {id} must return Verdict")
            if id in self._checks:
                raise BadCheck(f"check {id} is registered twice")

            @wraps(function)
            def answered(*args: P.args, **kwargs: P.kwargs) -> Verdict:
                try:
                    return function(*args, **kwargs).signed(id)
                except MissingFact as missing:
                    return unknown(missing).signed(id)

            manual = inspect.cleandoc(function.__doc__ or "")
            self._checks[id] = Check(id, title, place, reads, function, manual, _per_player(reads))
            self._ordered = tuple(self._checks[id] for id in sorted(self._checks))
            return answered

        return register

    def derive(self, function: Callable[P, T]) -> Callable[P, T]:
        """Register a function as the way to get what its return type names (`None` aside).

        Derivations run in the order in which they are registered, so one may read what an earlier one gives.
        Raises `BadCheck` as `check` does.
        """
        return self._derive(function, lenient=False)

    def derive_from_known(self, function: Callable[P, T]) -> Callable[P, T]:
        """As `derive`; an optional parameter that stands for something unknown is passed as `None`."""
        return self._derive(function, lenient=True)

    def _derive(self, function: Callable[P, T], *, lenient: bool) -> Callable[P, T]:
        reads = _reads(function, function.__name__)
        gives, _ = _asked_type(get_type_hints(function).get("return"), function.__name__, "return")
        if gives in self._derivations:
            raise BadCheck(f"{gives.__name__} is derived twice")
        self._derivations[gives] = Derivation(gives, reads, function, lenient)
        return function

    def derived(self, given: Readings) -> dict[type, object]:
        """`given` and everything that can be derived from it."""
        readings: dict[type, object] = dict(given)
        for derivation in self._derivations.values():
            try:
                arguments = _arguments(derivation.reads, readings, lenient=derivation.lenient)
                value = None if arguments is None else derivation.run(*arguments)
            except MissingFact as missing:
                value = missing
            if value is not None:
                readings[derivation.gives] = value
        return readings

    def verdicts(self, readings: Readings, players: tuple[Player, ...]) -> Iterator[Verdict]:
        """Every verdict that `readings` allow, checks in order of id, players in their own order."""
        by_player = [(player.name, {**readings, Player: player}) for player in players]
        for check in self.checks:
            for subject, available in by_player if check.per_player else [("", readings)]:
                if (verdict := answer(check, available)) is not None:
                    yield verdict.signed(check.id, subject)


def answer(check: Check, readings: Readings) -> Verdict | None:
    """The verdict of one check, not signed yet, or `None` where something it reads is not there."""
    try:
        arguments = _arguments(check.reads, readings)
        return None if arguments is None else check.run(*arguments)
    except MissingFact as missing:
        return unknown(missing)


def _per_player(reads: tuple[Read, ...]) -> bool:
    return any(read.type is Player for read in reads)


def _arguments(reads: tuple[Read, ...], readings: Readings, *, lenient: bool = False) -> list[Any] | None:
    """The readings in the order of the parameters; raises the `MissingFact` that stands in for one of them."""
    arguments = [readings.get(read.type) for read in reads]
    if lenient:
        arguments = [
            None if read.optional and isinstance(value, MissingFact) else value
            for read, value in zip(reads, arguments, strict=True)
        ]
    missing = None
    for read, value in zip(reads, arguments, strict=True):
        if value is None:
            if not read.optional:
                return None
        elif isinstance(value, MissingFact):
            missing = missing or value
    if missing is not None:
        raise missing
    return arguments


def _reads(function: Callable[..., object], id: str) -> tuple[Read, ...]:
    if not inspect.getdoc(function):
        raise BadCheck(f"{id} has no docstring; it is the check's page in the manual")
    hints = get_type_hints(function)
    names = inspect.signature(function).parameters
    return tuple(Read(name, *_asked_type(hints.get(name), id, name)) for name in names)


def _asked_type(hint: object, id: str, name: str) -> tuple[type, bool]:
    if get_origin(hint) in (Union, UnionType):
        options = get_args(hint)
        kinds = [option for option in options if option is not type(None)]
        if len(kinds) == 1 and isinstance(kinds[0], type) and len(options) == 2:
            return kinds[0], True
    elif isinstance(hint, type) and hint is not type(None):
        return hint, False
    raise BadCheck(f"{id}: '{name}' must be typed as one class, or one class or None; it is {hint!r}")
