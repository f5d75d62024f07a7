"""The changes that might admit a part, each kind in the order of the trouble it makes."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from enum import StrEnum
from typing import NamedTuple

from core.checks.cable_ways import MachineSpot
from core.checks.evaluation import Evaluation
from core.checks.graph import Fact
from core.contents.growing import Measurement, grown
from core.model.brief import Brief
from core.model.build import Build, Slot, slot_for
from core.model.chain import plans_of
from core.model.dearness import dearness
from core.model.parts import Part
from core.model.record import Record
from core.model.room import Layout, Room
from core.quantities import Quantity, Sentence, Unit, say
from core.report.alternatives import build_with
from core.report.evaluation_of import known_costs
from core.report.why_not.answers import less_asked
from core.report.why_not.placing import Placed

MOVE_STEP_M = 0.05
MOST_STEPS = 20
"""Things are moved by a metre at most."""
ROOM_STEP_M = 0.02
MOST_ROOM_STEPS = 40
GROWING = (
    (Measurement.CEILING, "ceiling_m", "A ceiling {by} higher."),
    (Measurement.WIDTH, "width_m", "A room {by} wider."),
    (Measurement.LENGTH, "length_m", "A room {by} longer."),
)

Change = tuple[Sentence, Build]


class Readings(NamedTuple):
    """What rules read: a change of anything else cannot change their answer."""

    types: frozenset[type]
    facts: frozenset[Fact]
    places: frozenset[Slot]
    """Those whose part or plan has a say."""

    def reads(self, record: type[Record], field: str) -> bool:
        """Whether `field` of a record of that kind is read."""
        return (record, field) in self.facts


class Trouble(StrEnum):
    """What a change is made to, least trouble first."""

    PLAN = "plan"
    MOVE = "move"
    BESIDE = "beside"
    SWAP = "swap"
    BRIEF = "brief"
    ROOM = "room"

    @property
    def tried(self) -> str:
        """What is tried of it, as somebody is told for whom none of it was of use."""
        return {
            Trouble.PLAN: "another plan",
            Trouble.MOVE: "a move of ball, screen, monitor or machine by up to a metre",
            Trouble.BESIDE: "doing without one thing beside the chain",
            Trouble.SWAP: "one of the parts nearest in price in another place",
            Trouble.BRIEF: "one other answer of the brief",
            Trouble.ROOM: "a room up to 0.8 m larger one way",
        }[self]


@dataclass(frozen=True)
class Changes:
    """What may be changed about a build in which a part was put, other than that part."""

    build: Build
    parts: Mapping[str, Part]
    placed: Placed
    evaluation: Evaluation
    """What the build answers before any change."""

    def by_trouble(self, reads: Readings) -> list[tuple[Trouble, Iterator[Change]]]:
        """Least trouble first; `reads` is what the rules against the part read: nothing else is worth changing."""
        return [
            (Trouble.PLAN, self._plans(reads.places)),
            (Trouble.MOVE, self._moves(reads)),
            (Trouble.BESIDE, self._beside()),
            (Trouble.SWAP, self._swaps(reads.places)),
            (Trouble.BRIEF, self._of_brief(reads)),
            (Trouble.ROOM, self._rooms(reads)),
        ]

    def _plans(self, read: frozenset[Slot]) -> Iterator[Change]:
        own = self.placed.slot
        for slot in (own, *(slot for slot in (Slot.MONITOR, Slot.TITLE) if slot is not own)):
            decided = self.build.chain.get(slot) if slot in read else None
            if slot and decided is not None:
                part = self.parts[decided.part]
                for plan in plans_of(part):
                    if plan.id != decided.plan:
                        chain = {**self.build.chain, slot: decided.model_copy(update={"plan": plan.id})}
                        words = say("Take plan {plan} of {part}.", plan=plan.name, part=part.name)
                        yield words, self.build.model_copy(update={"chain": chain})

    def _moves(self, reads: Readings) -> Iterator[Change]:
        layout, room = self.build.layout, self.build.room
        proposed = {"lens_distance_m": None, "lens_x_m": None, "lens_height_m": None, "monitor_distance_m": None}
        if any(getattr(layout, field) is not None and reads.reads(Layout, field) for field in proposed):
            yield say("Put lens and monitor where they are proposed."), self._moved(proposed)
        ways: tuple[tuple[str, int, float, str], ...] = (
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
        at = {field: getattr(layout, field) for field, *_ in ways}
        spot = self.evaluation.reading(MachineSpot)
        if spot is not None and MachineSpot in reads.types:
            at["machine_y_m"] = spot.at[1]
            ways = (
                ("machine_y_m", -1, room.length_m, "Move the machine {by} toward the screen."),
                ("machine_y_m", +1, room.length_m, "Move the machine {by} back."),
                *ways,
            )
        ways = tuple(way for way in ways if reads.reads(Layout, way[0]))
        for steps in range(1, MOST_STEPS + 1):
            by_m = steps * MOVE_STEP_M
            for field, sign, most_m, template in ways:
                to_m = round(at[field] + sign * by_m, 4)
                if 0 <= to_m <= most_m:
                    yield say(template, by=Quantity(by_m, Unit.METRE)), self._moved({field: to_m})

    def _moved(self, changes: Mapping[str, float | None]) -> Build:
        return self.build.model_copy(update={"layout": self.build.layout.model_copy(update=dict(changes))})

    def _beside(self) -> Iterator[Change]:
        for extra in self.build.extras:
            if extra.id == self.placed.extra:
                continue
            rest = tuple(other for other in self.build.extras if other.id != extra.id)
            name = self.parts[extra.part].name
            yield say("Do without {extra}.", extra=name), self.build.model_copy(update={"extras": rest})
        for id, decision in self.build.small_items.items():
            if decision.part is not None and id != self.placed.item:
                rest_of_small = {other: kept for other, kept in self.build.small_items.items() if other != id}
                name = self.parts[decision.part].name
                yield (
                    say("Choose another for {part}.", part=name),
                    self.build.model_copy(update={"small_items": rest_of_small}),
                )

    def _swaps(self, near: frozenset[Slot]) -> Iterator[Change]:
        """Another part in a neighbouring place, unless it is locked; the cheapest first."""
        for slot in (slot for slot in Slot if slot in near and slot is not self.placed.slot):
            decided = self.build.chain.get(slot)
            if decided is None or decided.locked:
                continue
            others = [part for part in self.parts.values() if slot_for(part) is slot and part.id != decided.part]
            for other in sorted(others, key=lambda part: dearness(part, self.build.brief.currency)):
                words = say("Choose {other} in place of {part}.", other=other.name, part=self.parts[decided.part].name)
                yield words, self._with_the_part(build_with(self.build, self.parts, slot, other, self.evaluation))

    def _with_the_part(self, changed: Build) -> Build:
        """`changed` with what was asked about still chosen for its small item: a swap opens what does not serve."""
        item = self.placed.item
        if not item:
            return changed
        small = {**changed.small_items, item: self.build.small_items[item]}
        return changed.model_copy(update={"small_items": small})

    def _of_brief(self, reads: Readings) -> Iterator[Change]:
        """Another answer to each question of the brief that is read, as far as there is one that asks for less."""
        for field, words, answer in less_asked(self.build.brief, known_costs(self.evaluation)):
            if reads.reads(Brief, field):
                yield words, self._asked({field: answer})

    def _asked(self, changes: Mapping[str, object]) -> Build:
        return self.build.model_copy(update={"brief": self.build.brief.model_copy(update=dict(changes))})

    def _rooms(self, reads: Readings) -> Iterator[Change]:
        growing = [way for way in GROWING if reads.reads(Room, way[1])]
        for steps in range(1, MOST_ROOM_STEPS + 1):
            by_m = steps * ROOM_STEP_M
            for measurement, _, template in growing:
                room = grown(self.build.room, measurement, by_m)
                yield say(template, by=Quantity(by_m, Unit.METRE)), self.build.model_copy(update={"room": room})
