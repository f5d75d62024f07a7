"""One evaluation: readings and verdicts that follow from what a build gives, each worked out when it is asked for."""

from collections.abc import Mapping
from functools import cached_property
from typing import TypeVar

from core.checks.declared import Check, Derivation
from core.checks.graph import Changed, Graph
from core.checks.memo import Memo
from core.checks.verdict import Answer, Told, Verdict, tell, verdict_of
from core.model.brief import Player
from core.model.facts import Missing, MissingFact
from core.model.record import Record

T = TypeVar("T")
Readings = Mapping[type, object]
NOT_ASKED = object()
NOT_MADE = ()
"""The verdicts of a check where something that it reads is not there."""


class Evaluation:
    """What `given` comes to for `players`.

    A memory shared with others makes it ask again only what nobody has asked before; with an evaluation of something
    that differs little `before`, what reads nothing that differs is not even looked up.
    """

    def __init__(
        self,
        graph: Graph,
        given: Readings,
        players: tuple[Player, ...],
        memo: Memo,
        before: "Evaluation | None" = None,
    ) -> None:
        self.graph = graph
        self.players = players
        self.given = given
        self._memo = memo
        self._before = before
        changed = _changed(given, before.given, players, before.players) if before else None
        self._touched = graph.touched_by(changed) if changed is not None else None
        self._retold = graph.touched_by(dict.fromkeys(changed)) if changed is not None else frozenset()
        self._readings: dict[type, object] = dict(given)
        self._of_player: list[dict[type, object]] = [{Player: player} for player in players]
        self._verdicts: dict[str, tuple[Verdict, ...]] = {}
        self._answers: dict[tuple[str, int], Answer] = {}

    def reading(self, kind: type[T]) -> T | None:
        """A reading, or `None` where it is absent or not known."""
        value = self._value(kind, None)
        return value if isinstance(value, kind) else None

    def under(self, given: Readings, memo: Memo) -> "Evaluation":
        """What comes out where `given` stands in place of what this was given; remembered in `memo`."""
        return Evaluation(self.graph, given, self.players, memo, self)

    @cached_property
    def verdicts(self) -> tuple[Verdict, ...]:
        """All verdicts, checks in order of id, players in their own order."""
        self._take_over()
        return tuple(verdict for check in self.graph.checks for verdict in self.of_check(check.id))

    def _take_over(self) -> None:
        """Take over the verdicts that the evaluation before has, and nothing that differs can change."""
        before, touched = self._before, self._touched
        if before is not None and touched is not None:
            before._take_over()
            taken = {id: found for id, found in before._verdicts.items() if id not in touched}
            self._verdicts = {**taken, **self._verdicts}

    @cached_property
    def by_key(self) -> Mapping[tuple[str, str], Verdict]:
        """Each verdict by its check and the id of the player that it speaks of."""
        return {verdict.key: verdict for verdict in self.verdicts}

    def of_check(self, id: str) -> tuple[Verdict, ...]:
        """The verdicts of one check, one for each player where it is made for each."""
        found = self._verdicts.get(id)
        if found is None:
            if self._touched is not None and id not in self._touched and self._before is not None:
                found = self._before.of_check(id)
            else:
                found = self._judged(self.graph[id])
            self._verdicts[id] = found
        return found

    def told(self, verdict: Verdict) -> Told:
        """`verdict`, which this evaluation gave, in words: headline, cures, formula and inputs."""
        check = self.graph[verdict.id]
        number = self._numbers[verdict.subject_id] if check.per_player else None
        return tell(verdict, verdict.missing or self._answer(check, number), self.subject(verdict))

    def subject(self, verdict: Verdict) -> str:
        """The name of the player that `verdict` speaks of; empty where it speaks of nobody."""
        return self.players[self._numbers[verdict.subject_id]].name if verdict.subject_id else ""

    def read_by(self, verdict: Verdict) -> tuple[object, ...] | None:
        """What the check of `verdict` read to come to it; `None` where something of it is not known."""
        check = self.graph[verdict.id]
        try:
            return self._arguments(check, self._numbers[verdict.subject_id] if check.per_player else None)
        except MissingFact:
            return None

    def may_be_told_otherwise(self, id: str) -> bool:
        """Whether check `id` reads anything that is not the very same in the evaluation before.

        Words may tell more of a record than the facts that its answer comes from, so any other record counts.
        """
        if self._before is None or self._touched is None or self.players != self._before.players:
            return True
        if id not in self._retold:
            return False
        check, before = self.graph[id], self._before
        numbers = range(len(self.players)) if check.per_player else (None,)
        return any(
            self._value(read.type, number) is not before._value(read.type, number)
            for number in numbers
            for read in check.reads.each
        )

    @cached_property
    def _numbers(self) -> Mapping[str, int]:
        return {player.id: number for number, player in enumerate(self.players)}

    def _answer(self, check: Check, number: int | None) -> Answer:
        key = check.id, -1 if number is None else number
        answer = self._answers.get(key)
        if answer is None:
            values = self._arguments(check, number)
            assert values is not None
            answer = check.run(*values)  # type: ignore[assignment]
            assert answer is not None
            self._answers[key] = answer
        return answer

    def _judged(self, check: Check) -> tuple[Verdict, ...]:
        if not check.per_player:
            verdict = self._outcome(check, None)
            return NOT_MADE if verdict is None else (verdict,)
        outcomes = ((player, self._outcome(check, number)) for number, player in enumerate(self.players))
        return tuple(verdict.about(player.id) for player, verdict in outcomes if verdict is not None)

    def _outcome(self, check: Check, number: int | None) -> Verdict | None:
        """The verdict of a check, about nobody yet; `None` where something that it reads is not there."""
        try:
            values = self._arguments(check, number)
            if values is None:
                return None
            memory = self._memo.of(check)
            kept = memory.find(values)
            if kept is not None:
                verdict: Verdict = kept[1]
                return verdict
            answer: Answer = check.run(*values)  # type: ignore[assignment]
        except MissingFact as fact:
            return verdict_of(check.id, fact.missing)
        self._answers[check.id, -1 if number is None else number] = answer
        verdict = verdict_of(check.id, answer.compared)
        memory.keep(values, verdict)
        return verdict

    def _value(self, kind: type, number: int | None) -> object:
        """A reading, the `Missing` that stands in for one, or `None`."""
        of_player = number is not None and kind in self.graph.per_player
        readings = self._of_player[number] if of_player else self._readings  # type: ignore[index]
        value = readings.get(kind, NOT_ASKED)
        if value is not NOT_ASKED:
            return value
        derivation = self.graph.derivations.get(kind)
        if derivation is None:
            return None
        if self._touched is not None and kind not in self._touched and self._before is not None:
            value = self._before._value(kind, number)
        else:
            value = self._derived(derivation, number if of_player else None)
        readings[kind] = value
        return value

    def _derived(self, derivation: Derivation, number: int | None) -> object:
        try:
            values = self._arguments(derivation, number)
            if values is None:
                return None
            memory = self._memo.of(derivation)
            kept = memory.find(values)
            if kept is not None:
                return kept[1]
            value = derivation.run(self) if derivation.asks_on else derivation.run(*values)
        except MissingFact as fact:
            return self._memo.one(Missing, fact.missing)
        if value is not None:
            value = self._memo.one(derivation.gives, value)
        memory.keep(values, value)
        return value

    def _arguments(self, node: Check | Derivation, number: int | None) -> tuple[object, ...] | None:
        """What a function reads, in the order of its parameters; `None` where one that must be there is absent.

        Raises the `MissingFact` that stands in for one of them.
        """
        values: list[object] = []
        readings = self._readings
        missing: Missing | None = None
        for kind, optional, absent in node.reads.asked:
            value = readings.get(kind, NOT_ASKED)
            if value is NOT_ASKED:
                value = self._value(kind, number)
            if value is None:
                value = absent
                if value is None and not optional:
                    return None
            elif type(value) is Missing:
                if node.takes_missing:
                    pass
                elif node.lenient and optional:
                    value = None
                else:
                    missing = missing or value
            values.append(value)
        if missing is not None:
            raise MissingFact(*missing)
        return tuple(values)


def _changed(
    given: Readings, before: Readings, players: tuple[Player, ...], players_before: tuple[Player, ...]
) -> Changed:
    """What is given now and is not the very same as before, and what was given before and is not now."""
    changed: dict[type, frozenset[str] | None] = dict.fromkeys(before.keys() - given.keys())
    if players is not players_before and players != players_before:
        changed[Player] = None
    # A part is given as each of the kinds that it is; what differs of it is found out once.
    known: dict[int, frozenset[str] | None] = {}
    for kind, value in given.items():
        was = before.get(kind)
        if value is not was:
            if id(value) not in known:
                known[id(value)] = _fields_changed(value, was)
            changed[kind] = known[id(value)]
    return changed


def _fields_changed(value: object, before: object) -> frozenset[str] | None:
    """The fields in which two records of one kind differ; `None` where they are no such records."""
    if not isinstance(value, Record) or type(value) is not type(before):
        return None
    now, was = value.__dict__, before.__dict__
    fields = type(value).model_fields
    return frozenset(name for name in fields if now[name] is not was[name] and now[name] != was[name])
