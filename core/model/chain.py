"""The chain with its parts: what a build's references mean, looked up once."""

from collections.abc import Callable, Hashable, Iterator, Mapping
from dataclasses import dataclass
from functools import cached_property
from typing import ClassVar

from core.model.build import Build, HungPart, Slot, slot_for
from core.model.parts import Connector, CoursePack, LaunchMonitor, MonitorPackage, Part, Plan, Title


class UnknownPart(LookupError):
    """A build names a part or plan that is not among the parts it came with, or hangs it in a wrong place."""

    def __init__(self, place: str, problem: str) -> None:
        super().__init__(f"{place}: {problem}")
        self.place = place
        self.problem = problem


@dataclass(frozen=True)
class Hung:
    """A part in its place, the plan chosen for it, and what was decided about it."""

    slot: Slot
    part: Part
    decided: HungPart
    plan: Plan | None


@dataclass(frozen=True, eq=False)
class Chain:
    """What hangs where, in the order of the chain.

    Two are equal where the very same records hang in them: comparing sheets costs more than most questions about them.
    """

    kind: ClassVar[type[Part]] = Part
    hangings: tuple[Hung, ...]

    def __eq__(self, other: object) -> bool:
        return isinstance(other, Chain) and self._identity == other._identity

    def __hash__(self) -> int:
        return hash(self._identity)

    @cached_property
    def _identity(self) -> tuple[tuple[Slot, int, int, int], ...]:
        return tuple((hung.slot, id(hung.part), id(hung.decided), id(hung.plan)) for hung in self.hangings)

    def by_facts(self, take: Callable[[Part], Hashable]) -> Hashable:
        """What tells this chain from others, where `take` takes the facts of a part that matter."""
        return tuple((hung.slot, id(hung.decided), id(hung.plan), take(hung.part)) for hung in self.hangings)

    def __iter__(self) -> Iterator[Hung]:
        return iter(self.hangings)

    def at(self, slot: Slot) -> Hung | None:
        """What hangs in `slot`."""
        return next((hanging for hanging in self.hangings if hanging.slot is slot), None)


LICENSED = (LaunchMonitor, Title)
ADD_ONS = (MonitorPackage, CoursePack, Connector)
"""What is bought to such a part besides its plan."""


def plans_of(part: Part) -> tuple[Plan, ...]:
    """The plans that `part` is licensed under; none for a part that needs none."""
    return part.plans if isinstance(part, LICENSED) else ()


def resolve_chain(build: Build, parts: Mapping[str, Part]) -> Chain:
    """The chain of `build`, its references looked up in `parts`.

    Raises `UnknownPart` for a part or plan that is not there, or a part in a place where its kind cannot hang.
    """
    return Chain(tuple(_found(slot, build.chain[slot], parts) for slot in Slot if slot in build.chain))


def _found(slot: Slot, decided: HungPart, parts: Mapping[str, Part]) -> Hung:
    part = parts.get(decided.part)
    if part is None:
        raise UnknownPart(f"chain.{slot}", f"part '{decided.part}' is not among the parts given")
    return _hanging(slot, decided, part)


def _hanging(slot: Slot, decided: HungPart, part: Part) -> Hung:
    if slot_for(part) is not slot:
        raise UnknownPart(f"chain.{slot}", f"part '{part.id}' hangs in place '{slot_for(part) or 'none'}', not here")
    return Hung(slot, part, decided, plan_of(part, decided.plan, f"chain.{slot}"))


def plan_of(part: Part, id: str | None, place: str) -> Plan | None:
    """The plan of `part` that a build names in `place`. Raises `UnknownPart` where there is none of that name."""
    if id is None:
        return None
    plans = {plan.id: plan for plan in plans_of(part)}
    if id not in plans:
        raise UnknownPart(place, f"'{part.id}' has no plan '{id}'; it has {', '.join(plans) or 'none'}")
    return plans[id]
