"""A check over every combination of candidates for the places that it reads, worked out reading by reading.

A reading depends on a few of the places, and comes out alike for many candidates: parts with the same facts are one
to whoever reads no others, and equal readings are one to whoever asks for them. So each function of the graph is
asked once for each different thing it reads, however many combinations lead there.
"""

from collections.abc import Hashable, Mapping, Sequence
from dataclasses import dataclass
from math import prod
from typing import Any, NamedTuple

import numpy
from numpy.typing import NDArray

from core.checks.declared import Check, Derivation, Read
from core.checks.graph import Graph
from core.checks.memo import keyer
from core.checks.readings import hung_readings
from core.checks.verdict import Verdict, verdict_of
from core.model.brief import Player
from core.model.build import Slot
from core.model.facts import Missing, MissingFact
from core.model.parts import Part, Plan

MOST_COMBINATIONS = 5_000_000
"""Of one table: beyond that it would take more memory than the process should."""
Numbers = NDArray[numpy.int64]


class TooManyCombinations(ValueError):
    """A table would be too large; says how large."""


class Candidate(NamedTuple):
    """What may hang in a place, under one of its plans."""

    part: Part
    plan: Plan | None = None


class Grid(NamedTuple):
    """A value for every combination of candidates of some places: numbers into the values there are."""

    places: tuple[Slot, ...]
    """In the order of the chain; one axis each."""
    numbers: Numbers
    values: tuple[Any, ...]


@dataclass(frozen=True)
class Table:
    """The verdicts of one check over candidates."""

    check: str
    places: tuple[Slot, ...]
    """In the order of the chain; one axis each."""
    by_player: tuple[Grid, ...]
    """One grid for each player where the check is made for each, else one."""

    @property
    def combinations(self) -> int:
        """How many there are."""
        return self.by_player[0].numbers.size if self.by_player else 0

    def at(self, *candidates: int) -> tuple[Verdict, ...]:
        """The verdicts with one candidate in each place, by their numbers; none where the check is not made."""
        cells = [grid.values[grid.numbers[candidates]] for grid in self.by_player]
        return tuple(verdict for verdict in cells if verdict is not None)


class Tabulation:
    """Tables of checks over `candidates` for some places of a build; all else is as the build gives it.

    `given` are the readings of the build with any candidate in these places. What is worked out for one table serves
    the next.
    """

    def __init__(
        self,
        graph: Graph,
        given: Mapping[type, object],
        players: Sequence[Player],
        candidates: Mapping[Slot, Sequence[Candidate]],
    ) -> None:
        self._graph, self._players, self._candidates = graph, tuple(players), candidates
        self._grids: dict[tuple[type, int | None], Grid] = {}
        hung = {slot: [hung_readings(*candidate) for candidate in candidates[slot]] for slot in candidates}
        varied = {kind for each in hung.values() for readings in each for kind in readings}
        for kind, value in given.items():
            if kind not in varied:
                self._grids[kind, None] = _constant(value)
        for slot, readings in hung.items():
            for kind in {kind for each in readings for kind in each}:
                self._grids[kind, None] = _grid((slot,), [each.get(kind) for each in readings])
        for number, player in enumerate(players):
            self._grids[Player, number] = _constant(player)

    def table(self, check_id: str) -> Table:
        """The table of one check. Raises `TooManyCombinations`."""
        check = self._graph[check_id]
        places = tuple(slot for slot in self._graph.places_of(check_id) if slot in self._candidates)
        numbers = tuple(range(len(self._players))) if check.per_player else (None,)
        grids = tuple(_spread(self._judged(check, number), places, self._sizes(places)) for number in numbers)
        return Table(check_id, places, grids)

    def grid(self, kind: type, number: int | None = None) -> Grid:
        """A reading over the places that it depends on, of a player where each has one of their own."""
        of_player = number if kind in self._graph.per_player else None
        found = self._grids.get((kind, of_player))
        if found is None:
            derivation = self._graph.derivations.get(kind)
            found = _constant(None) if derivation is None else self._walked(derivation, of_player)
            self._grids[kind, of_player] = found
        return found

    def _judged(self, check: Check, number: int | None) -> Grid:
        subject = "" if number is None else self._players[number].id
        grid = self._walked(check, number)
        verdicts = [None if value is None else verdict_of(check.id, value, subject) for value in grid.values]
        return grid._replace(values=tuple(verdicts))

    def _walked(self, node: Check | Derivation, number: int | None) -> Grid:
        """What `node` answers for everything different that it is asked."""
        read = [_classes(self.grid(each.type, number), each) for each in node.reads.each]
        places = tuple(slot for slot in Slot if any(slot in grid.places for grid in read))
        asked, back = _different([_spread(grid, places, self._sizes(places)).numbers for grid in read], read)
        answers: dict[Hashable, int] = {}
        numbers = []
        for row in asked:
            answer = _answer(node, [grid.values[value] for grid, value in zip(read, row, strict=True)])
            numbers.append(answers.setdefault(answer, len(answers)))
        return Grid(places, numpy.array(numbers, dtype=numpy.int64)[back], tuple(answers))

    def _sizes(self, places: tuple[Slot, ...]) -> tuple[int, ...]:
        sizes = tuple(len(self._candidates[slot]) for slot in places)
        if prod(sizes) > MOST_COMBINATIONS:
            names = " × ".join(f"{size} {slot}" for slot, size in zip(places, sizes, strict=True))
            raise TooManyCombinations(f"{names} are more than {MOST_COMBINATIONS:,} combinations")
        return sizes


def _answer(node: Check | Derivation, values: list[Any]) -> Any:
    """What a function answers: limits or a reading, `None` where something is not there, or what is missing."""
    asked, missing = [], None
    for read, value in zip(node.reads.each, values, strict=True):
        given = read.absent if value is None else value
        if given is None and not read.optional:
            return None
        if type(given) is Missing and not node.takes_missing:
            if node.lenient and read.optional:
                given = None
            else:
                missing = missing or given
        asked.append(given)
    if missing is not None:
        return missing
    try:
        answer: Any = node.run(*asked)
    except MissingFact as fact:
        return fact.missing
    return answer.compared if isinstance(node, Check) else answer


def _constant(value: object) -> Grid:
    return Grid((), numpy.zeros((), dtype=numpy.int64), (value,))


def _grid(places: tuple[Slot, ...], values: Sequence[Any]) -> Grid:
    return Grid(places, numpy.arange(len(values), dtype=numpy.int64), tuple(values))


def _classes(grid: Grid, read: Read) -> Grid:
    """`grid` with values that `read` cannot tell apart made one: of a record, those with the same facts."""
    tell_apart = keyer(read)
    first: dict[Hashable, int] = {}
    alike = []
    for number, value in enumerate(grid.values):
        plain = value is None or type(value) is Missing
        alike.append(first.setdefault((plain, value if plain else tell_apart(value)), number))
    return grid._replace(numbers=numpy.array(alike, dtype=numpy.int64)[grid.numbers])


def _spread(grid: Grid, places: tuple[Slot, ...], sizes: tuple[int, ...]) -> Grid:
    """`grid` over more places, which it does not depend on."""
    shape = [size if slot in grid.places else 1 for slot, size in zip(places, sizes, strict=True)]
    return grid._replace(places=places, numbers=numpy.broadcast_to(grid.numbers.reshape(shape), sizes))


def _different(numbers: list[Numbers], read: list[Grid]) -> tuple[list[tuple[int, ...]], Numbers]:
    """The different rows among grids of one shape, and for each combination which of them it has."""
    if not numbers:
        return [()], numpy.zeros((), dtype=numpy.int64)
    code = numpy.zeros(numbers[0].shape, dtype=numpy.int64)
    for grid, each in zip(read, numbers, strict=True):
        _, code = numpy.unique(code * len(grid.values) + each, return_inverse=True)
        code = code.reshape(each.shape)
    _, where, back = numpy.unique(code, return_index=True, return_inverse=True)
    rows = zip(*(each.reshape(-1)[where].tolist() for each in numbers), strict=True)
    return list(rows), back.reshape(code.shape)
