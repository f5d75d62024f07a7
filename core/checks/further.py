"""Further software and monitors beside the chain, each under a plan of its own: what the main ones need not do."""

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Annotated, NamedTuple

from core.checks.figures import in_a_row, stated_input
from core.checks.limits import State, Words
from core.checks.places import on
from core.checks.register import check, derive
from core.checks.verdict import Answer
from core.model.build import Slot
from core.model.chain import plan_of
from core.model.facts import known
from core.model.kit import Beside, Kit
from core.model.parts import (
    DataField,
    LaunchMonitor,
    MonitorPackage,
    MonitorPlan,
    Part,
    Plan,
    Title,
    TitlePlan,
    link_to,
)
from core.quantities import say


class Held(NamedTuple):
    """A monitor with the plan that it is under."""

    monitor: LaunchMonitor
    plan: MonitorPlan | None

    @property
    def tier(self) -> int:
        """Of its plan; 0 without one."""
        return self.plan.tier if self.plan else 0


@dataclass(frozen=True, eq=False)
class _Together:
    """Parts with the plan of each. Equal where the very same records are: comparing sheets costs more than asking."""

    each: tuple[tuple[Part, Plan | None], ...]

    def __eq__(self, other: object) -> bool:
        return type(self) is type(other) and isinstance(other, _Together) and self._identity == other._identity

    def __hash__(self) -> int:
        return hash(self._identity)

    @property
    def _identity(self) -> tuple[tuple[int, int], ...]:
        return tuple((id(part), id(plan)) for part, plan in self.each)


@dataclass(frozen=True, eq=False)
class FurtherTitles(_Together):
    """Software beside the one on the chain, with the plan of each."""

    each: tuple[tuple[Title, TitlePlan | None], ...]


@dataclass(frozen=True, eq=False)
class FurtherMonitors(_Together):
    """Monitors beside the one on the chain, with the plan of each."""

    each: tuple[Held, ...]


@dataclass(frozen=True)
class FurtherData:
    """What each further monitor measures under its plan and packages, by its name."""

    each: tuple[tuple[str, frozenset[DataField]], ...]

    def tells(self, wanted: Iterable[DataField]) -> str:
        """The name of one that measures all that is `wanted`; empty where none does."""
        asked = frozenset(wanted)
        return next((name for name, told in self.each if asked and asked <= told), "")


@derive
def further_titles(
    kit: Annotated[Kit, "id", "monitor_links", "name", "plans"],
) -> FurtherTitles | None:
    """All of them; `None` where there are none."""
    found = [
        (part, plan if isinstance(plan, TitlePlan) else None) for part, plan in _beside(kit) if isinstance(part, Title)
    ]
    return FurtherTitles(tuple(found)) if found else None


@derive
def further_monitors(kit: Annotated[Kit, "id", "measures", "name", "plans"]) -> FurtherMonitors | None:
    """All of them; `None` where there are none."""
    found = [
        Held(part, plan if isinstance(plan, MonitorPlan) else None)
        for part, plan in _beside(kit)
        if isinstance(part, LaunchMonitor)
    ]
    return FurtherMonitors(tuple(found)) if found else None


def _beside(kit: Kit) -> Iterable[tuple[object, Plan | None]]:
    return ((part, plan_of(part, extra.plan, extra.id)) for extra, part in kit.extras)


@dataclass(frozen=True, eq=False)
class TitlesHeard(_Together):
    """Further software that a monitor is heard in, with the plan of each."""

    each: tuple[tuple[Title, TitlePlan], ...]


@derive
def titles_heard(
    titles: FurtherTitles,
    monitor: Annotated[LaunchMonitor, "id"] | None,
    plan: Annotated[MonitorPlan, "tier"] | None,
    others: FurtherMonitors | None,
) -> TitlesHeard | None:
    """Those under a plan that a shot arrives in. Others offer nothing, and so do those of which nobody says so."""
    held = _all_held(monitor, plan, others)
    heard = ((title, own) for title, own in titles.each if own is not None and title.monitor_links is not None)
    found = tuple((title, own) for title, own in heard if listens(title, held) is not State.BLOCKED)
    return TitlesHeard(found) if found else None


def _all_held(monitor: LaunchMonitor | None, plan: MonitorPlan | None, others: FurtherMonitors | None) -> list[Held]:
    return ([Held(monitor, plan)] if monitor else []) + list(others.each if others else ())


@derive
def further_data(
    monitors: FurtherMonitors, packages: Annotated[Beside[MonitorPackage], "monitors", "needs_tier", "unlocks"]
) -> FurtherData:
    """What its maker does not say that a further monitor measures, it does not: it stands in for nothing then."""
    return FurtherData(tuple((held.monitor.name, _measured(held, packages)) for held in monitors.each))


def _measured(held: Held, packages: Iterable[MonitorPackage]) -> frozenset[DataField]:
    unlocked = held.plan.unlocks if held.plan else ()
    return frozenset((*(held.monitor.measures or ()), *unlocked, *unlocked_by(packages, held)))


def unlocked_by(packages: Iterable[MonitorPackage], held: Held) -> tuple[DataField, ...]:
    """What packages made for a monitor unlock under its plan. Raises `MissingFact` where one's plan is not stated."""
    own = [package for package in packages if held.monitor.id in package.monitors]
    working = [package for package in own if known(package, "needs_tier") <= held.tier]
    return tuple(data for package in working for data in package.unlocks)


@check("title.further", title="Further software listens", place=on(Slot.TITLE))
def further_listens(
    titles: FurtherTitles,
    monitor: Annotated[LaunchMonitor, "id"] | None,
    plan: Annotated[MonitorPlan, "tier"] | None,
    others: FurtherMonitors | None,
) -> Answer:
    """Each further title has a link to a monitor that is held, under a plan of the tier that the link asks for.

    Through a connector it is at one's own risk: tight. Without a link, or under too low a plan, no shot arrives in it.
    """
    held = _all_held(monitor, plan, others)
    found = [(title.name, listens(title, held)) for title, _ in titles.each]
    worst = max((state for _, state in found), key=lambda state: state.rank)
    deaf = [name for name, state in found if state is State.BLOCKED]
    astray = [name for name, state in found if state is State.TIGHT]
    return Answer(
        Words(worst, in_a_row(deaf or astray), "none"),
        headline=lambda: (
            say("{titles} hears no shot", titles=in_a_row(deaf))
            if deaf
            else say("{titles} through a connector, at your own risk", titles=in_a_row(astray))
            if astray
            else say("{titles} hears a monitor that is held", titles=in_a_row(name for name, _ in found))
        ),
        formula="further software without a native link to a monitor that is held, under its plan",
        inputs=lambda: (
            *(stated_input(f"Plan of {title.name}", own.name if own else "none") for title, own in titles.each),
            *(stated_input(f"Plan of {each.monitor.name}", each.plan.name if each.plan else "none") for each in held),
        ),
        cures=lambda: (
            say("Take a plan that the link asks for, or give up {titles}.", titles=in_a_row(deaf or astray)),
        ),
    )


def listens(title: Title, held: Iterable[Held]) -> State:
    """How well `title` hears the best of the monitors that are held. Raises `MissingFact` where it does not say."""
    known(title, "monitor_links")
    states = (_heard(title, each) for each in held)
    return min(states, key=lambda state: state.rank, default=State.BLOCKED)


def _heard(title: Title, held: Held) -> State:
    link = link_to(title, held.monitor)
    if link is None or held.tier < link.tier:
        return State.BLOCKED
    return State.TIGHT if link.via == "connector" else State.CLEAR
