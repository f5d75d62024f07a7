"""The facts that rule a part out, and the search for the smallest single change that would admit it.

Changes are tried in the order of the trouble they make: a plan, a move of what is in the room, something beside
the chain, another part, an answer of the brief, and last of all the room itself. Each is tried on the same checks
that ruled the part out; what admits it must not rule anything else out that is not ruled out today.
"""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace
from datetime import date

from core.checks.register import REGISTRY
from core.checks.registry import Answers
from core.checks.small_items import SmallItems
from core.checks.small_items.register import RULES
from core.checks.verdict import State, Verdict
from core.model.build import Build, Slot
from core.model.kit import Kit
from core.model.parts import Part
from core.quantities import Money, Sentence
from core.report.evaluate import answers_of, known_costs
from core.report.small_items import SmallStatus, small_statuses
from core.report.why_not.changes import Changes, Trouble
from core.report.why_not.placing import Placed, placed

MOST_TOGETHER = 3
AS_ITEM = "small item"
"""Says in a key that it is not a check that rules something out, but what a small item asks of its part."""
Key = tuple[str, str]


@dataclass(frozen=True)
class Admission:
    """One change that would admit the part, and what the build then costs more up front than now."""

    trouble: Trouble
    change: Sentence
    up_front_change: Money


@dataclass(frozen=True)
class WhyNot:
    """The facts that rule a part out, worst first, and what would admit it, least trouble first."""

    part: Part
    slot: Slot | None
    """Its place on the chain, if it hangs there."""
    item: str
    """Title of the small item that it would be chosen for; empty where it is not."""
    ruled_out_by: tuple[Verdict, ...]
    objections: tuple[Sentence, ...]
    """What the small item asks, and the part does not do."""
    admitted_by: tuple[Admission, ...]
    together: tuple[Admission, ...] = ()
    """Where no single change admits it: several that do so together, one made upon the other."""


def why_not(build: Build, parts: Mapping[str, Part], part: Part, today: date | None = None) -> WhyNot:
    """What speaks against `part` where it goes: on the chain, for a small item, or beside everything."""
    put = placed(build, parts, part)
    without = answers_of(put.without, parts, today=today)
    there = answers_of(put.build, parts, before=without)
    already, blocked = _blocked(without, put), _blocked(there, put)
    against = tuple(v for v in there.verdicts if v.state is State.BLOCKED and _concerns(v, put.slot, already))
    status = _status(there, put)
    objections = tuple(found.reason for found in status.objections if found.blocked) if status else ()
    title = status.item.item.title if status else ""
    if not against and not objections:
        return WhyNot(part, put.slot, title, (), (), ())
    now = answers_of(build, parts, before=without)
    tolerated = frozenset(blocked - {verdict.key for verdict in against} - {(AS_ITEM, put.item)})
    search = _Search(Changes(put.build, parts, put, there), tolerated, now)
    reads = _all_reads(blocked - tolerated)
    found = tuple(search.admissions(reads))
    return WhyNot(part, put.slot, title, against, objections, found, () if found else search.together(reads))


@dataclass(frozen=True)
class _Search:
    changes: Changes
    """Of the build with the part in it."""
    tolerated: frozenset[Key]
    """What is blocked today and stays so."""
    now: Answers

    def admissions(self, reads: frozenset[type]) -> Iterator[Admission]:
        """The first change of each kind of trouble that admits the part; `reads` is what the blocked rules read."""
        for trouble, changes in self.changes.by_trouble(reads, self._touched):
            for words, changed in changes:
                if not self._answers(changed, quickly=True)[1] <= self.tolerated:
                    continue
                answers, blocked = self._answers(changed)
                if blocked <= self.tolerated:
                    yield self._admission(trouble, words, answers)
                    break

    def together(self, reads: frozenset[type]) -> tuple[Admission, ...]:
        """Changes made one upon the other, each of which rules fewer things out; none where that leads nowhere."""
        search, made = self, []
        for _ in range(MOST_TOGETHER):
            step = search._step(reads)
            if step is None:
                return ()
            admission, search = step
            made.append(admission)
            if not search._still:
                return tuple(made)
        return ()

    @property
    def _still(self) -> frozenset[Key]:
        """What rules the part out before any change."""
        return _blocked(self.changes.answers, self.changes.placed) - self.tolerated

    @property
    def _touched(self) -> frozenset[Slot]:
        return frozenset(slot for key in self._still for slot in _slots(key))

    def _step(self, reads: frozenset[type]) -> "tuple[Admission, _Search] | None":
        still = self._still
        for trouble, changes in self.changes.by_trouble(reads, self._touched):
            for words, changed in changes:
                if not self._answers(changed, quickly=True)[1] - self.tolerated < still:
                    continue
                answers, blocked = self._answers(changed)
                if blocked - self.tolerated < still:
                    further = replace(self.changes, build=changed, answers=answers)
                    return self._admission(trouble, words, answers), replace(self, changes=further)
        return None

    def _answers(self, changed: Build, *, quickly: bool = False) -> tuple[Answers, frozenset[Key]]:
        """What a changed build answers, and what is blocked in it.

        Quickly, only what rules the part out is asked again: most changes fail there already.
        """
        only = frozenset(id for id, _ in self._still) if quickly else None
        answers = answers_of(changed, self.changes.parts, before=self.changes.answers, only=only)
        return answers, _blocked(answers, self.changes.placed)

    def _admission(self, trouble: Trouble, words: Sentence, answers: Answers) -> Admission:
        return Admission(trouble, words, known_costs(answers).up_front - known_costs(self.now).up_front)


def _blocked(answers: Answers, put: Placed) -> frozenset[Key]:
    """Keys of the blocked verdicts, and of the small item that the part was put in for, where it does not serve."""
    found = {verdict.key for verdict in answers.verdicts if verdict.state is State.BLOCKED}
    status = _status(answers, put)
    if status is not None and status.state is State.BLOCKED:
        found.add((AS_ITEM, put.item))
    return frozenset(found)


def _status(answers: Answers, put: Placed) -> SmallStatus | None:
    items, kit = answers.reading(SmallItems), answers.reading(Kit)
    if not put.item or items is None or kit is None:
        return None
    return next((status for status in small_statuses(items, kit) if status.item.item.id == put.item), None)


def _slots(key: Key) -> tuple[Slot, ...]:
    return (RULES[key[1]].item.near,) if key[0] == AS_ITEM else REGISTRY[key[0]].place.slots


def _concerns(verdict: Verdict, slot: Slot | None, blocked_today: frozenset[Key]) -> bool:
    return slot in REGISTRY[verdict.id].place.slots or verdict.key not in blocked_today


def _all_reads(keys: frozenset[Key]) -> frozenset[type]:
    """Everything that the rules of `keys` read, themselves or through what is derived."""
    found: set[type] = set()
    waiting: list[type] = []
    for id, subject in keys:
        waiting += [read.type for read in (RULES[subject] if id == AS_ITEM else REGISTRY[id]).reads.each]
    while waiting:
        kind = waiting.pop()
        if kind not in found:
            found.add(kind)
            derivation = REGISTRY.derivations.get(kind)
            waiting += derivation.reads.types if derivation else ()
    return frozenset(found)
