"""Why a part does not work here, and the smallest single change that would admit it.

Changes are tried in the order of the trouble they make: a plan, a move of what is in the room, something beside
the chain, another part, an answer of the brief, and last of all the room itself. Each is tried on the same checks
that ruled the part out; what admits it must not rule anything else out that is not ruled out today.
"""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace
from enum import StrEnum

from core.checks.register import REGISTRY
from core.checks.registry import Answers
from core.checks.verdict import State, Verdict
from core.model.brief import Brief, Stage
from core.model.build import Build, Slot, slot_for
from core.model.chain import plans_of
from core.model.parts import Part
from core.model.room import Layout, Room
from core.quantities import Money, Quantity, Sentence, Unit, say
from core.report.alternatives import hung
from core.report.evaluate import answers_of, known_costs

STEP_M = 0.05
MOST_STEPS = 20
"""Things are moved by a metre at most."""
MOST_TOGETHER = 3
ROOM_STEP_M = 0.02
MOST_ROOM_STEPS = 40


class Trouble(StrEnum):
    """What a change is made to, least trouble first."""

    PLAN = "plan"
    MOVE = "move"
    BESIDE = "beside"
    SWAP = "swap"
    BRIEF = "brief"
    ROOM = "room"


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
    ruled_out_by: tuple[Verdict, ...]
    admitted_by: tuple[Admission, ...]
    together: tuple[Admission, ...] = ()
    """Where no single change admits it: several that do so together, one made upon the other."""


def why_not(build: Build, parts: Mapping[str, Part], part: Part) -> WhyNot:
    """What speaks against hanging `part`. Raises `ValueError` for a part that hangs nowhere on the chain."""
    slot = slot_for(part)
    if slot is None:
        raise ValueError(f"{part.id} hangs nowhere on the chain")
    now = answers_of(build, parts)
    with_it = hung(build, parts, slot, part)
    there = answers_of(with_it, parts, before=now)
    blocked = _blocked(there)
    against = tuple(v for v in there.verdicts if v.state is State.BLOCKED and _concerns(v, slot, _blocked(now)))
    if not against:
        return WhyNot(part, (), ())
    search = _Search(with_it, parts, slot, part, there, frozenset(blocked - {_key(v) for v in against}), now)
    reads = frozenset(kind for verdict in against for kind in _reads(verdict.id))
    found = tuple(search.admissions(reads))
    return WhyNot(part, against, found, () if found else search.together(reads))


@dataclass(frozen=True)
class _Search:
    build: Build
    """With the part in its place."""
    parts: Mapping[str, Part]
    slot: Slot
    part: Part
    there: Answers
    tolerated: frozenset[tuple[str, str]]
    """What is blocked today and stays so."""
    now: Answers

    def admissions(self, reads: frozenset[type]) -> Iterator[Admission]:
        """The first change of each kind of trouble that admits the part; `reads` is what the blocked checks read."""
        for trouble, changes in self._changes(reads):
            for words, changed in changes:
                if not self._unblocks(changed):
                    continue
                answers = answers_of(changed, self.parts, before=self.there)
                if _blocked(answers) <= self.tolerated:
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
            if _blocked(search.there) <= self.tolerated:
                return tuple(made)
        return ()

    def _step(self, reads: frozenset[type]) -> "tuple[Admission, _Search] | None":
        still = _blocked(self.there) - self.tolerated
        only = frozenset(id for id, _ in still)
        for trouble, changes in self._changes(reads):
            for words, changed in changes:
                quick = _blocked(answers_of(changed, self.parts, before=self.there, only=only)) - self.tolerated
                if not quick < still:
                    continue
                answers = answers_of(changed, self.parts, before=self.there)
                if _blocked(answers) - self.tolerated < still:
                    admission = self._admission(trouble, words, answers)
                    return admission, replace(self, build=changed, there=answers)
        return None

    def _admission(self, trouble: Trouble, words: Sentence, answers: Answers) -> Admission:
        return Admission(trouble, words, known_costs(answers).up_front - known_costs(self.now).up_front)

    def _changes(self, reads: frozenset[type]) -> list[tuple[Trouble, Iterator[tuple[Sentence, Build]]]]:
        tried: list[tuple[Trouble, Iterator[tuple[Sentence, Build]]]] = [(Trouble.PLAN, self._plans())]
        if Layout in reads:
            tried.append((Trouble.MOVE, self._moves()))
        tried += [(Trouble.BESIDE, self._beside()), (Trouble.SWAP, self._swaps())]
        if Brief in reads:
            tried.append((Trouble.BRIEF, self._answers()))
        if Room in reads:
            tried.append((Trouble.ROOM, self._rooms()))
        return tried

    def _unblocks(self, changed: Build) -> bool:
        """The checks that rule the part out do so no more; asked first, since most changes fail here already."""
        only = frozenset(id for id, _ in _blocked(self.there) - self.tolerated)
        return _blocked(answers_of(changed, self.parts, before=self.there, only=only)) <= self.tolerated

    def _plans(self) -> Iterator[tuple[Sentence, Build]]:
        for slot in (self.slot, *(slot for slot in (Slot.MONITOR, Slot.TITLE) if slot is not self.slot)):
            decided = self.build.chain.get(slot)
            if decided is not None:
                part = self.parts[decided.part]
                for plan in plans_of(part):
                    if plan.id != decided.plan:
                        chain = {**self.build.chain, slot: decided.model_copy(update={"plan": plan.id})}
                        words = say("Take plan {plan} of {part}.", plan=plan.name, part=part.name)
                        yield words, self.build.model_copy(update={"chain": chain})

    def _moves(self) -> Iterator[tuple[Sentence, Build]]:
        layout, room = self.build.layout, self.build.room
        proposed = {"lens_distance_m": None, "lens_height_m": None, "monitor_distance_m": None}
        if any(getattr(layout, field) is not None for field in proposed):
            yield say("Put lens and monitor where they are proposed."), self._placed(proposed)
        ways = (
            ("ball_y_m", +1, room.length_m, "Move the ball {by} back."),
            ("ball_y_m", -1, room.length_m, "Move the ball {by} toward the screen."),
            ("screen_y_m", +1, room.length_m, "Move the screen {by} into the room."),
            ("screen_y_m", -1, room.length_m, "Move the screen {by} toward its wall."),
            ("screen_bottom_m", -1, room.ceiling_m, "Hang the screen {by} lower."),
            ("screen_bottom_m", +1, room.ceiling_m, "Hang the screen {by} higher."),
            ("ball_x_m", +1, room.width_m, "Move the ball {by} to the right."),
            ("ball_x_m", -1, room.width_m, "Move the ball {by} to the left."),
            ("monitor_pad_m", +1, 0.5, "Put the monitor on a pad {by} higher."),
        )
        for steps in range(1, MOST_STEPS + 1):
            by_m = steps * STEP_M
            for field, sign, most_m, template in ways:
                to_m = round(getattr(layout, field) + sign * by_m, 4)
                if 0 <= to_m <= most_m:
                    yield say(template, by=Quantity(by_m, Unit.METRE)), self._placed({field: to_m})

    def _placed(self, changes: Mapping[str, float | None]) -> Build:
        return self.build.model_copy(update={"layout": self.build.layout.model_copy(update=dict(changes))})

    def _beside(self) -> Iterator[tuple[Sentence, Build]]:
        for extra in self.build.extras:
            rest = tuple(other for other in self.build.extras if other.id != extra.id)
            name = self.parts[extra.part].name
            yield say("Do without {extra}.", extra=name), self.build.model_copy(update={"extras": rest})
        for id, decision in self.build.small_items.items():
            if decision.part is not None:
                rest_of_small = {other: kept for other, kept in self.build.small_items.items() if other != id}
                name = self.parts[decision.part].name
                yield (
                    say("Choose another for {part}.", part=name),
                    self.build.model_copy(update={"small_items": rest_of_small}),
                )

    def _swaps(self) -> Iterator[tuple[Sentence, Build]]:
        """Another part in a neighbouring place, unless it is locked; the cheapest first."""
        order = list(Slot)
        touched = {slot for key in _blocked(self.there) - self.tolerated for slot in REGISTRY[key[0]].place.slots}
        near = [
            slot
            for slot in order
            if slot is not self.slot and slot in (touched | {Slot.TITLE, Slot.MONITOR, Slot.SCREEN, Slot.ENCLOSURE})
        ]
        for slot in near:
            decided = self.build.chain.get(slot)
            if decided is None or decided.locked:
                continue
            others = [part for part in self.parts.values() if slot_for(part) is slot and part.id != decided.part]
            for other in sorted(others, key=lambda part: part.price.minor if part.price else 0):
                words = say("Hang {other} in place of {part}.", other=other.name, part=self.parts[decided.part].name)
                yield words, hung(self.build, self.parts, slot, other)

    def _answers(self) -> Iterator[tuple[Sentence, Build]]:
        brief = self.build.brief
        if not brief.may_drill:
            yield say("Get leave to drill."), self._asked({"may_drill": True})
        words = {
            Stage.NET: "a net",
            Stage.TABLET: "a net or screen with a tablet",
            Stage.PROJECTED: "a projected picture",
        }
        for stage in Stage:
            if stage is not brief.stage:
                yield say("Build {stage} instead.", stage=words[stage]), self._asked({"stage": stage})
        if brief.visitors:
            yield say("Play without visitors."), self._asked({"visitors": False})

    def _asked(self, changes: Mapping[str, object]) -> Build:
        return self.build.model_copy(update={"brief": self.build.brief.model_copy(update=dict(changes))})

    def _rooms(self) -> Iterator[tuple[Sentence, Build]]:
        room = self.build.room
        for steps in range(1, MOST_ROOM_STEPS + 1):
            by_m = steps * ROOM_STEP_M
            for field, template in (
                ("ceiling_m", "A ceiling {by} higher."),
                ("width_m", "A room {by} wider."),
                ("length_m", "A room {by} longer."),
            ):
                grown: dict[str, object] = {field: getattr(room, field) + by_m}
                if field == "ceiling_m" and room.ridge_m is not None:
                    grown["ridge_m"] = room.ridge_m + by_m
                yield (
                    say(template, by=Quantity(by_m, Unit.METRE)),
                    self.build.model_copy(update={"room": room.model_copy(update=grown)}),
                )


def _blocked(answers: Answers) -> frozenset[tuple[str, str]]:
    return frozenset(_key(verdict) for verdict in answers.verdicts if verdict.state is State.BLOCKED)


def _key(verdict: Verdict) -> tuple[str, str]:
    return verdict.id, verdict.subject


def _concerns(verdict: Verdict, slot: Slot, blocked_today: frozenset[tuple[str, str]]) -> bool:
    return slot in REGISTRY[verdict.id].place.slots or _key(verdict) not in blocked_today


def _reads(check: str) -> frozenset[type]:
    """Everything that a check reads, itself or through what is derived."""
    found: set[type] = set()
    waiting = list(REGISTRY[check].read_types)
    while waiting:
        kind = waiting.pop()
        if kind not in found:
            found.add(kind)
            derivation = REGISTRY.derivations.get(kind)
            waiting += [read.type for read in derivation.reads] if derivation else []
    return frozenset(found)
