"""The facts that rule a part out, and the search for the smallest single change that would admit it.

Changes are tried in the order of the trouble they make: a plan, a move of what is in the room, something beside
the chain, another part, an answer of the brief, and last of all the room itself. Each is tried on the same checks
that ruled the part out; what admits it must not rule anything else out that is not ruled out today.
"""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field, replace
from datetime import date
from functools import cached_property
from itertools import islice
from typing import NamedTuple

from core.checks import GRAPH
from core.checks.declared import Reads
from core.checks.evaluation import Evaluation
from core.checks.graph import EACH_PLAYER, Fact, places_among
from core.checks.limits import State
from core.checks.needs import ITEMS, SmallItems
from core.checks.verdict import Told, Verdict
from core.model.brief import Player
from core.model.build import Build, Slot
from core.model.kit import Kit
from core.model.parts import Part
from core.quantities import Sentence
from core.report.consequence import Consequence, consequence
from core.report.evaluation_of import evaluation_of, glance_at
from core.report.small_items import SmallStatus, small_statuses
from core.report.why_not.changes import Change, Changes, Readings, Trouble
from core.report.why_not.placing import Placed, place_for

MOST_TOGETHER = 3
AS_ITEM = "small item"
"""Says in a key that it is not a check that rules something out, but what a small item asks of its part."""
Key = tuple[str, str]


@dataclass(frozen=True)
class Admission:
    """One change that would admit the part, and what both do to the rest of the build."""

    trouble: Trouble
    change: Sentence
    does: Consequence
    build: Build
    """With the part and the change in it."""

    @property
    def may_be_pressed(self) -> bool:
        """A room does not grow by a press."""
        return self.trouble is not Trouble.ROOM


@dataclass(frozen=True)
class WhyNot:
    """The facts that rule a part out, worst first, and what would admit it, least trouble first."""

    part: Part
    slot: Slot | None
    """Its place on the chain, if it hangs there."""
    item: str
    """Title of the small item that it would be chosen for; empty where it is not."""
    ruled_out_by: tuple[Told, ...]
    objections: tuple[Sentence, ...]
    """What the small item asks, and the part does not do."""
    admitted_by: tuple[Admission, ...]
    together: tuple[Admission, ...] = ()
    """Where no single change admits it: several that do so together, one made upon the other."""
    tried: tuple[Trouble, ...] = ()
    """What single changes were tried."""


def why_not(build: Build, parts: Mapping[str, Part], part: Part, today: date | None = None) -> WhyNot:
    """What speaks against `part` where it goes: on the chain, for a small item, or beside everything."""
    put = place_for(build, parts, part)
    without = evaluation_of(put.without, parts, today=today)
    there = evaluation_of(put.build, parts, before=without)
    already, blocked = _blocked(without, put), _blocked(there, put)
    against = tuple(v for v in there.verdicts if v.state is State.BLOCKED and _concerns(v, put.slot, already))
    status = _status(there, put)
    objections = tuple(found.reason for found in status.objections if found.blocked) if status else ()
    title = status.item.item.title if status else ""
    if not against and not objections:
        return WhyNot(part, put.slot, title, (), (), ())
    now = evaluation_of(build, parts, before=without)
    tolerated = frozenset(blocked - {verdict.key for verdict in against} - {(AS_ITEM, put.item)})
    search = _Search(Changes(put.build, parts, put, there), tolerated, now)
    found = tuple(search.admissions())
    told = tuple(there.told(verdict) for verdict in against)
    together = () if found else search.together()
    return WhyNot(part, put.slot, title, told, objections, found, together, search.tried)


class Tried(NamedTuple):
    """A change that was carried out, and a first look at what it comes to."""

    words: Sentence
    build: Build
    glance: Evaluation


@dataclass(frozen=True)
class _Search:
    changes: Changes
    """Of the build with the part in it."""
    tolerated: frozenset[Key]
    """What is blocked today and stays so."""
    now: Evaluation
    carried_out: "dict[Trouble, list[Tried]]" = field(default_factory=dict)

    def admissions(self) -> Iterator[Admission]:
        """The first change of each kind of trouble that admits the part."""
        for trouble, tried in self._tried():
            for words, changed, glance in tried:
                if self._admits(glance) and self._rules_nothing_out(found := self._settled(changed)):
                    yield self._admission(trouble, words, found, changed)
                    break

    def together(self) -> tuple[Admission, ...]:
        """Changes made one upon the other, each of which rules fewer things out; none where that leads nowhere."""
        search, made = self, []
        for _ in range(MOST_TOGETHER):
            step = search._step()
            if step is None:
                return ()
            admission, search = step
            made.append(admission)
            if not search._still:
                return tuple(made)
        return ()

    def _tried(self) -> "Iterator[tuple[Trouble, Iterator[Tried]]]":
        """Every change and the build with it; each is carried out once."""
        for trouble, changes in self.changes.by_trouble(_all_reads(self._still)):
            yield trouble, self._carried_out(trouble, changes)

    def _carried_out(self, trouble: Trouble, changes: Iterator[Change]) -> "Iterator[Tried]":
        known = self.carried_out.setdefault(trouble, [])
        yield from known
        for words, changed in islice(changes, len(known), None):
            glance = glance_at(changed, self.changes.parts, self.changes.evaluation)
            known.append(Tried(words, changed, glance))
            yield known[-1]

    @property
    def tried(self) -> tuple[Trouble, ...]:
        """Every kind of trouble of which at least one change was carried out."""
        return tuple(trouble for trouble in Trouble if self.carried_out.get(trouble))

    @cached_property
    def _still(self) -> frozenset[Key]:
        """What rules the part out before any change."""
        return _blocked(self.changes.evaluation, self.changes.placed) - self.tolerated

    def _step(self) -> "tuple[Admission, _Search] | None":
        still = self._still
        for trouble, tried in self._tried():
            for words, changed, glance in tried:
                if not self._left(glance) < still:
                    continue
                found = self._settled(changed)
                if _blocked(found, self.changes.placed) - self.tolerated < still:
                    further = replace(self.changes, build=changed, evaluation=found)
                    return self._admission(trouble, words, found, changed), _Search(further, self.tolerated, self.now)
        return None

    def _settled(self, changed: Build) -> Evaluation:
        return evaluation_of(changed, self.changes.parts, before=self.changes.evaluation)

    def _rules_nothing_out(self, found: Evaluation) -> bool:
        return _blocked(found, self.changes.placed) <= self.tolerated

    def _admits(self, found: Evaluation) -> bool:
        """None of the reasons is left; most changes fail at the one that reads least, and no other is asked."""
        return not any(_rules_out(key, found, self.changes.placed) for key in sorted(self._still, key=_effort))

    def _left(self, found: Evaluation) -> frozenset[Key]:
        """Which of the reasons still rule the part out."""
        return frozenset(key for key in self._still if _rules_out(key, found, self.changes.placed))

    def _admission(self, trouble: Trouble, words: Sentence, found: Evaluation, changed: Build) -> Admission:
        return Admission(trouble, words, consequence(self.now, found), changed)


def _rules_out(key: Key, found: Evaluation, put: Placed) -> bool:
    """What `key` names is blocked."""
    id, subject = key
    if id == AS_ITEM:
        status = _status(found, put)
        return status is not None and status.state is State.BLOCKED
    return any(v.state is State.BLOCKED for v in found.of_check(id) if v.subject_id == subject)


def _blocked(found: Evaluation, put: Placed) -> frozenset[Key]:
    """Keys of the blocked verdicts, and of the small item that the part was put in for, where it does not serve."""
    keys = {verdict.key for verdict in found.verdicts if verdict.state is State.BLOCKED}
    status = _status(found, put)
    if status is not None and status.state is State.BLOCKED:
        keys.add((AS_ITEM, put.item))
    return frozenset(keys)


def _status(found: Evaluation, put: Placed) -> SmallStatus | None:
    items, kit = found.reading(SmallItems), found.reading(Kit)
    if not put.item or items is None or kit is None:
        return None
    return next((status for status in small_statuses(items, kit) if status.item.item.id == put.item), None)


def _effort(key: Key) -> int:
    """How much has to be worked out before it is known whether `key` rules something out."""
    return len(GRAPH.asked_by(_reads_of(ITEMS[key[1]])) if key[0] == AS_ITEM else GRAPH.reads_of(key[0]))


def _concerns(verdict: Verdict, slot: Slot | None, blocked_today: frozenset[Key]) -> bool:
    return slot in GRAPH[verdict.id].place.slots or verdict.key not in blocked_today


def _all_reads(keys: frozenset[Key]) -> Readings:
    """Everything that the rules of `keys` read, themselves or through what is derived."""
    items = [_reads_of(ITEMS[subject]) for id, subject in keys if id == AS_ITEM]
    checks = [id for id, _ in keys if id != AS_ITEM]
    facts = frozenset[Fact]().union(*(GRAPH.facts_below(item) for item in items), *map(GRAPH.facts_of, checks))
    types = frozenset[type]().union(*(GRAPH.asked_by(item) for item in items), *map(GRAPH.reads_of, checks))
    near = {ITEMS[subject].item.near for id, subject in keys if id == AS_ITEM}
    return Readings(types, facts | _of_players(facts), frozenset(places_among(types)) | near)


def _of_players(facts: frozenset[Fact]) -> frozenset[Fact]:
    """Whoever reads what a player swings reads the brief's players."""
    return frozenset({EACH_PLAYER}) if (Player, "longest_club") in facts else frozenset()


def _reads_of(need: type) -> Reads:
    return GRAPH.derivations[need].reads
