"""The register of checks and derivations: filled while the modules of this package load, then frozen into a graph."""

import inspect
from collections.abc import Callable, Collection, Iterable, Iterator
from functools import wraps
from typing import TYPE_CHECKING, ParamSpec, TypeVar, get_type_hints

from core.checks.declared import BadCheck, Check, Derivation, Read, given_type, merged, read_of, reads_of
from core.checks.graph import Graph
from core.checks.places import Place
from core.checks.verdict import Answer, Told, tell, verdict_of
from core.model.facts import MissingFact

if TYPE_CHECKING:
    from core.checks.evaluation import Evaluation

P = ParamSpec("P")
T = TypeVar("T")


class Register:
    """Checks by id and derivations by the type they give."""

    def __init__(self) -> None:
        self._checks: dict[str, Check] = {}
        self._derivations: dict[type, Derivation] = {}
        self._asking: list[tuple[type, Callable[..., object], frozenset[str], tuple[Read, ...]]] = []

    def check(self, id: str, *, title: str, place: Place) -> Callable[[Callable[P, Answer]], Callable[P, Told]]:
        """Register a function as the check `id`; by its own name it can be asked, and tells what it answers.

        Raises `BadCheck` for a duplicate id, a missing docstring, a parameter without a class as its type,
        or a return type other than `Answer`.
        """

        def register(function: Callable[P, Answer]) -> Callable[P, Told]:
            reads = reads_of(function, id)
            if get_type_hints(function).get("return") is not Answer:
                raise BadCheck(f"check {id} must return Answer")
            if id in self._checks:
                raise BadCheck(f"check {id} is registered twice")
            self._checks[id] = Check(id, title, place, reads, function, inspect.cleandoc(function.__doc__ or ""))

            @wraps(function)
            def told(*args: P.args, **kwargs: P.kwargs) -> Told:
                try:
                    answer = function(*args, **kwargs)
                except MissingFact as fact:
                    return tell(verdict_of(id, fact.missing), fact.missing)
                return tell(verdict_of(id, answer.compared), answer)

            return told

        return register

    def derive(self, function: Callable[P, T]) -> Callable[P, T]:
        """Register a function as the way to get what its return type names (`None` aside).

        Raises `BadCheck` as `check` does, and where that type is derived already.
        """
        return self._derive(function, lenient=False)

    def derive_from_known(self, function: Callable[P, T]) -> Callable[P, T]:
        """As `derive`; an optional parameter that stands for something unknown is passed as `None`."""
        return self._derive(function, lenient=True)

    def derive_by_asking(
        self, checks: Collection[str], readings: Collection[object]
    ) -> Callable[[Callable[["Evaluation"], T]], Callable[["Evaluation"], T]]:
        """Register a function that is passed an evaluation, and asks it, and others that differ in what hangs, for the
        `checks` and for `readings`, told as parameters are. It reads whatever these come from.

        Raises `BadCheck` as `derive` does; a check that there is not is told when the register is frozen.
        """

        def register(function: Callable[["Evaluation"], T]) -> Callable[["Evaluation"], T]:
            gives = given_type(get_type_hints(function).get("return"), function.__name__)
            named = tuple(read_of(hint, function.__name__, "readings") for hint in readings)
            self._asking.append((gives, function, frozenset(checks), named))
            return function

        return register

    def _add_asking(self) -> None:
        for gives, function, asked, readings in self._asking:
            unknown = asked - self._checks.keys()
            if unknown:
                raise BadCheck(f"{gives.__name__} asks check {min(unknown)}, which there is not")
            of_checks = (read for id in sorted(asked) for read in self._checks[id].reads.each)
            reads = merged(self._given_below((*of_checks, *readings)))
            self.add(Derivation(gives, reads, function, lenient=False, takes_missing=True, asks_on=True))
        self._asking.clear()

    def _given_below(self, asked: Iterable[Read]) -> Iterator[Read]:
        """What a build itself gives of all that is `asked`, there or below."""
        waiting, seen = list(asked), set[type]()
        while waiting:
            read = waiting.pop()
            derivation = self._derivations.get(read.type)
            if derivation is None:
                yield read
            elif read.type not in seen:
                seen.add(read.type)
                waiting += derivation.reads.each

    def frozen(self, given: frozenset[type]) -> Graph:
        """The graph of all that is registered, where `given` are the types of what a build gives itself.

        Raises `BadCheck` where something reads what nobody gives, or readings go round in a circle.
        """
        self._add_asking()
        return Graph(tuple(self._checks.values()), tuple(self._derivations.values()), given)

    def add(self, derivation: Derivation) -> None:
        """Register a derivation. Raises `BadCheck` where what it gives is derived already."""
        if derivation.gives in self._derivations:
            raise BadCheck(f"{derivation.gives.__name__} is derived twice")
        self._derivations[derivation.gives] = derivation

    def _derive(self, function: Callable[P, T], *, lenient: bool) -> Callable[P, T]:
        reads = reads_of(function, function.__name__)
        gives = given_type(get_type_hints(function).get("return"), function.__name__)
        self.add(Derivation(gives, reads, function, lenient))
        return function


REGISTER = Register()
check = REGISTER.check
derive = REGISTER.derive
derive_from_known = REGISTER.derive_from_known
