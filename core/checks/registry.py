"""The register of checks. A check's typed parameters are the declaration of what it reads.

The runner passes what is asked for and nothing else. A check is made only where everything it reads is there.
"""

import inspect
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from functools import cached_property, wraps
from typing import NamedTuple, ParamSpec, TypeVar, get_type_hints

from core.checks.declared import BadCheck, Check, Derivation, Reads, asked_type, reads_of
from core.checks.deriving import Derived, Deriving, Readings, arguments
from core.checks.places import Place
from core.checks.verdict import Verdict, unknown
from core.model.brief import Player
from core.model.facts import MissingFact

P = ParamSpec("P")
T = TypeVar("T")


class Registry:
    """Checks by id and derivations by the type they give."""

    def __init__(self) -> None:
        self._checks: dict[str, Check] = {}
        self._ordered: tuple[Check, ...] = ()
        self._with_types: tuple[tuple[frozenset[type], Check], ...] = ()
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
            self._checks[id] = Check(id, title, place, reads, function, manual, Player in reads.types)
            self._ordered = tuple(self._checks[id] for id in sorted(self._checks))
            self._with_types = tuple((check.reads.types, check) for check in self._ordered)
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

    def gather(self, gives: type, reads: Reads, run: Callable[..., object]) -> None:
        """Register what is made from any of `reads`: each is passed if it is there and known, else `None`.

        Raises `BadCheck` where `gives` is derived already.
        """
        self._add(Derivation(gives, reads, run, lenient=True))

    def _derive(self, function: Callable[P, T], *, lenient: bool) -> Callable[P, T]:
        reads = reads_of(function, function.__name__)
        gives, _ = asked_type(get_type_hints(function).get("return"), function.__name__, "return")
        self._add(Derivation(gives, reads, function, lenient))
        return function

    def _add(self, derivation: Derivation) -> None:
        gives = derivation.gives
        if gives in self._derivations:
            raise BadCheck(f"{gives.__name__} is derived twice")
        for earlier in self._derivations.values():
            if gives in earlier.reads.types:
                raise BadCheck(f"{earlier.gives.__name__} reads {gives.__name__}, which is derived after it")
        self._derivations[gives] = derivation

    def derived(self, given: Readings, until: type | None = None) -> Readings:
        """`given` and everything that can be derived from it; with `until`, nothing after that."""
        return Deriving(self._derivations.values(), given).on(until).readings

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
        derivations, was = self._derivations.values(), before.derived if before else None
        deriving = Deriving(derivations, given, was)
        if settle is not None:
            settled = settle.by(deriving.on(settle.upon).readings)
            if settled is not None:
                deriving = Deriving(derivations, settled, was, draft=deriving)
        readings, missing = deriving.on().readings, deriving.unknown
        changed = deriving.changed | {Player} if before and before.players != players else deriving.changed
        by_player = [(player, {**readings, Player: player}) for player in players]
        for_all = [(None, readings)]
        by_check = dict(before.by_check) if before else {}
        asked = self._asked_again(changed) if before else list(self.checks)
        if only is not None:
            by_check = {id: verdicts for id, verdicts in by_check.items() if id in only}
            asked = [check for check in asked if check.id in only]
        for check in asked:
            verdicts = []
            for player, available in by_player if check.per_player else for_all:
                verdict = _answer(check, available, missing)
                if verdict is not None:
                    verdicts.append(verdict.signed(check.id, player))
            by_check[check.id] = tuple(verdicts)
        return Answers(players, Derived(readings, deriving.given), by_check, tuple(check.id for check in asked))

    def _asked_again(self, changed: set[type]) -> list[Check]:
        return [check for types, check in self._with_types if not changed.isdisjoint(types)]


class Settle(NamedTuple):
    """Replaces what is given once `upon` is derived; `by` answers `None` where it may stay."""

    upon: type
    by: Callable[[Readings], Readings | None]


@dataclass(frozen=True)
class Answers:
    """Readings, and the verdicts that they give for these players, by check."""

    players: tuple[Player, ...]
    derived: Derived
    by_check: Mapping[str, tuple[Verdict, ...]]
    asked: tuple[str, ...] = ()
    """Ids of the checks that were asked; the others are answered as they were before."""

    @cached_property
    def verdicts(self) -> tuple[Verdict, ...]:
        """All verdicts, checks in order of id, players in their own order."""
        return tuple(verdict for verdicts in self.by_check.values() for verdict in verdicts)

    @cached_property
    def by_subject(self) -> Mapping[tuple[str, str], Verdict]:
        """Each verdict by its check and the id of the player that it speaks of."""
        return {verdict.key: verdict for verdict in self.verdicts}

    def reading(self, kind: type[T]) -> T | None:
        """A reading, or `None` where it is absent or not known."""
        value = self.derived.readings.get(kind)
        return value if isinstance(value, kind) else None


def _answer(check: Check, readings: Readings, missing: set[type]) -> Verdict | None:
    """The verdict of one check, not signed yet, or `None` where something it reads is not there."""
    try:
        found = arguments(check.reads, readings, missing)
        return None if found is None else check.run(*found)
    except MissingFact as fact:
        return unknown(fact)
