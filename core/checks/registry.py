"""The register of checks. A check's typed parameters are the declaration of what it reads.

A *reading* is a value that checks and derivations may ask for by its type: a part of the build, or something
derived from parts, such as the picture. The runner passes what is asked for and nothing else. A check is made
only where everything it reads is there; a parameter typed `X | None` may be absent.
"""

import inspect
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from functools import cached_property, wraps
from types import UnionType
from typing import Any, NamedTuple, ParamSpec, TypeVar, Union, get_args, get_origin, get_type_hints

from core.checks.places import Place
from core.checks.verdict import Verdict, unknown
from core.model.brief import Player
from core.model.facts import MissingFact
from core.model.kit import Beside

P = ParamSpec("P")
T = TypeVar("T")
Readings = Mapping[type, object]


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
    read_types: frozenset[type]


@dataclass(frozen=True)
class Derivation:
    """A registered way to get a reading from others. Answers `None` where there is none to get."""

    gives: type
    reads: tuple[Read, ...]
    run: Callable[..., object]
    lenient: bool
    """What is not known counts as absent, where it may be absent."""
    read_types: frozenset[type]


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

    @property
    def derivations(self) -> Mapping[type, Derivation]:
        """All derivations, by what they give."""
        return self._derivations

    def __getitem__(self, id: str) -> Check:
        return self._checks[id]

    def check(self, id: str, *, title: str, place: Place) -> Callable[[Callable[P, Verdict]], Callable[P, Verdict]]:
        """Register a function as the check `id`.

        Raises `BadCheck` for a duplicate id, a missing docstring, a parameter without a class as its type,
        or a return type other than `Verdict`.
        """

        def register(function: Callable[P, Verdict]) -> Callable[P, Verdict]:
            reads = reads_of(function, id)
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
            read_types = _types_of(reads)
            self._checks[id] = Check(id, title, place, reads, function, manual, Player in read_types, read_types)
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

    def gather(self, gives: type, reads: tuple[Read, ...], run: Callable[..., object]) -> None:
        """Register what is made from any of `reads`: each is passed if it is there and known, else `None`.

        Raises `BadCheck` where `gives` is derived already.
        """
        self._add(Derivation(gives, reads, run, lenient=True, read_types=_types_of(reads)))

    def _derive(self, function: Callable[P, T], *, lenient: bool) -> Callable[P, T]:
        reads = reads_of(function, function.__name__)
        gives, _ = _asked_type(get_type_hints(function).get("return"), function.__name__, "return")
        self._add(Derivation(gives, reads, function, lenient, _types_of(reads)))
        return function

    def _add(self, derivation: Derivation) -> None:
        gives = derivation.gives
        if gives in self._derivations:
            raise BadCheck(f"{gives.__name__} is derived twice")
        for earlier in self._derivations.values():
            if gives in earlier.read_types:
                raise BadCheck(f"{earlier.gives.__name__} reads {gives.__name__}, which is derived after it")
        self._derivations[gives] = derivation

    def derived(
        self,
        given: Readings,
        before: "Answers | None" = None,
        *,
        draft: "Derived | None" = None,
        until: type | None = None,
    ) -> "Derived":
        """`given` and everything that can be derived from it, and the types whose reading is not what it was `before`.

        A derivation that reads nothing that has changed is not run again; what comes out equal has not changed.
        With a `draft`, what it holds serves where nothing has changed since. With `until`, nothing is derived after it.
        """
        known = before.readings if before else {}
        drafted = draft.readings if draft else {}
        changed = _changed(given, before.given if before else {})
        readings = {kind: value if kind in changed else known[kind] for kind, value in given.items()}
        redone = _changed(given, draft.given) if draft else set()
        for kind, derivation in self._derivations.items():
            if before and derivation.read_types.isdisjoint(changed):
                value = known.get(kind)
            else:
                if kind in drafted and derivation.read_types.isdisjoint(redone):
                    value = drafted[kind]
                else:
                    value = _derive(derivation, readings)
                if before and _same(value, known.get(kind)):
                    value = known.get(kind)
                else:
                    changed.add(kind)
            if draft and value is not drafted.get(kind):
                redone.add(kind)
            if value is not None:
                readings[kind] = value
            if kind is until:
                break
        return Derived(readings, frozenset(changed), given)

    def answers(
        self,
        given: Readings,
        players: tuple[Player, ...],
        before: "Answers | None" = None,
        only: frozenset[str] | None = None,
        settle: "Settle | None" = None,
    ) -> "Answers":
        """Every verdict that `given` allows. With answers from `before`, only what has changed is asked again.

        With `only`, nothing but the checks of these ids is answered. With `settle`, what is given may first be
        replaced, seeing what has been derived from it by then.
        """
        draft = None
        if settle is not None:
            draft = self.derived(given, before, until=settle.upon)
            given = settle.by(draft.readings) or given
        readings, changed, _ = self.derived(given, before, draft=draft)
        if before and before.players != players:
            changed |= {Player}
        by_player = [(player.name, {**readings, Player: player}) for player in players]
        for_all = [("", readings)]
        by_check = dict(before.by_check) if before else {}
        asked = self._asked_again(changed) if before else list(self.checks)
        if only is not None:
            by_check = {id: verdicts for id, verdicts in by_check.items() if id in only}
            asked = [check for check in asked if check.id in only]
        for check in asked:
            verdicts = []
            for subject, available in by_player if check.per_player else for_all:
                verdict = answer(check, available)
                if verdict is not None:
                    verdicts.append(verdict.signed(check.id, subject))
            by_check[check.id] = tuple(verdicts)
        return Answers(players, readings, by_check, given, tuple(check.id for check in asked))

    def _asked_again(self, changed: frozenset[type]) -> list[Check]:
        return [check for check in self._ordered if not changed.isdisjoint(check.read_types)]


class Derived(NamedTuple):
    """Readings, and the types whose reading is not what it was before."""

    readings: dict[type, object]
    changed: frozenset[type]
    given: Readings


class Settle(NamedTuple):
    """Replaces what is given once `upon` is derived; `by` answers `None` where it may stay."""

    upon: type
    by: Callable[[Readings], Readings | None]


@dataclass(frozen=True)
class Answers:
    """Readings, and the verdicts that they give for these players, by check."""

    players: tuple[Player, ...]
    readings: Readings
    by_check: Mapping[str, tuple[Verdict, ...]]
    given: Readings
    """Of the readings those that were not derived."""
    asked: tuple[str, ...] = ()
    """Ids of the checks that were asked; the others are answered as they were before."""

    @cached_property
    def verdicts(self) -> tuple[Verdict, ...]:
        """All verdicts, checks in order of id, players in their own order."""
        return tuple(verdict for verdicts in self.by_check.values() for verdict in verdicts)

    @cached_property
    def by_subject(self) -> Mapping[tuple[str, str], Verdict]:
        """Each verdict by its check and the player that it speaks of."""
        return {(verdict.id, verdict.subject): verdict for verdict in self.verdicts}

    def reading(self, kind: type[T]) -> T | None:
        """A reading, or `None` where it is absent or not known."""
        value = self.readings.get(kind)
        return value if isinstance(value, kind) else None


def _types_of(reads: tuple[Read, ...]) -> frozenset[type]:
    return frozenset(read.type for read in reads)


def _changed(given: Readings, before: Readings) -> set[type]:
    """What is given now and was not the same before, and what was and is not now."""
    changed = set(before.keys() - given.keys())
    for kind, value in given.items():
        was = before.get(kind)
        if was is not value and not _same(was, value):
            changed.add(kind)
    return changed


def _derive(derivation: Derivation, readings: Readings) -> object:
    try:
        arguments = _arguments(derivation.reads, readings, lenient=derivation.lenient)
        return None if arguments is None else derivation.run(*arguments)
    except MissingFact as missing:
        return missing


def _same(value: object, other: object) -> bool:
    return value is other or (type(value) is type(other) and value == other)


def answer(check: Check, readings: Readings) -> Verdict | None:
    """The verdict of one check, not signed yet, or `None` where something it reads is not there."""
    try:
        arguments = _arguments(check.reads, readings)
        return None if arguments is None else check.run(*arguments)
    except MissingFact as missing:
        return unknown(missing)


def _arguments(reads: tuple[Read, ...], readings: Readings, *, lenient: bool = False) -> list[Any] | None:
    """The readings in the order of the parameters; raises the `MissingFact` that stands in for one of them."""
    arguments: list[Any] = []
    missing: MissingFact | None = None
    for _, kind, optional, absent in reads:
        value = readings.get(kind, absent)
        if value is None:
            if not optional:
                return None
        elif isinstance(value, MissingFact):
            if lenient and optional:
                value = None
            else:
                missing = missing or value
        arguments.append(value)
    if missing is not None:
        raise missing
    return arguments


def reads_of(function: Callable[..., object], id: str) -> tuple[Read, ...]:
    """What `function` reads, by its parameters. Raises `BadCheck` for a bad signature or a missing docstring."""
    if not inspect.getdoc(function):
        raise BadCheck(f"{id} has no docstring; it is the check's page in the manual")
    hints = get_type_hints(function)
    names = inspect.signature(function).parameters
    return tuple(_read(name, *_asked_type(hints.get(name), id, name)) for name in names)


def _read(name: str, kind: type, optional: bool) -> Read:
    """No parts of a kind beside the chain is a fact; everything else that is not there is missing."""
    return Read(name, kind, optional, kind() if issubclass(kind, Beside) else None)


def _asked_type(hint: object, id: str, name: str) -> tuple[type, bool]:
    if get_origin(hint) in (Union, UnionType):
        options = get_args(hint)
        kinds = [option for option in options if option is not type(None)]
        if len(kinds) == 1 and isinstance(kinds[0], type) and len(options) == 2:
            return kinds[0], True
    elif isinstance(hint, type) and hint is not type(None):
        return hint, False
    raise BadCheck(f"{id}: '{name}' must be typed as one class, or one class or None; it is {hint!r}")
