"""Monitor, software and machine: who talks to whom, at which tier, and whether the machine is strong enough."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Annotated

from core.checks.figures import in_a_row, stated_input
from core.checks.limits import Limit, State, Words, at_least, tightest
from core.checks.places import between
from core.checks.register import check, derive
from core.checks.verdict import Answer, Basis, Input, find_out
from core.model.brief import Brief
from core.model.build import Slot
from core.model.facts import FactAt, MissingFact, at_place, known, known_some
from core.model.household import Approach
from core.model.parts import Display, LaunchMonitor, Machine, MonitorPlan, ResolutionNeeds, Title, link_to
from core.model.parts.software import MachineNeeds
from core.model.parts.systems import runs_on
from core.quantities import Quantity, Unit, say

DEFAULT_MINIMUM_MEMORY_GB = 16.0
DEFAULT_RECOMMENDED_MEMORY_GB = 32.0
"""Trade defaults where the software's maker states nothing."""
GRAPHICS = "Graphics"
DEFAULT_LINES = 1080
"""Resolution asked of a machine whose picture is on its own screen."""


@check("title.monitor", title="Software listens to the monitor", place=between(Slot.MONITOR, Slot.TITLE))
def title_listens(
    monitor: Annotated[LaunchMonitor, "id"],
    plan: Annotated[MonitorPlan, "tier"] | None,
    title: Annotated[Title, "monitor_links"],
) -> Answer:
    """The software has a link to this monitor, and the monitor's plan is of the tier the link asks for.

    A native link is clear. A connector is at one's own risk: neither maker supports it. Without a link, or
    with too low a plan, no shot arrives.
    """
    links = known(title, "monitor_links")
    link = link_to(title, monitor)
    tier = plan.tier if plan else 0

    monitors = ", ".join(link.monitor for link in links) or "no monitor"
    connected = Words(State.TIGHT, "connector", "native")
    limits: tuple[Limit | Words, ...] = (Words(State.BLOCKED, "no link", "native or connector"),)
    if link is not None:
        held = at_least(tier, link.tier, unit=Unit.TIER)
        limits = (held, connected) if link.via == "connector" else (held,)
    deciding = tightest(limits)
    return Answer(
        limits,
        headline=lambda: (
            say("{title} has no link to {monitor}", title=title.name, monitor=monitor.name)
            if link is None
            else say("Through a connector, at your own risk")
            if deciding is connected
            else say("Native link, plan {tier} is enough", tier=deciding.has)
            if deciding.state is State.CLEAR
            else say(
                "Needs plan {tier} of {monitor}, has {has}", tier=deciding.wants, monitor=monitor.name, has=deciding.has
            )
        ),
        formula="tier of the plan held − tier the link asks for",
        inputs=lambda: (
            stated_input("Link", link.via if link else "none"),
            stated_input("Plan held", plan.name if plan else "none"),
        ),
        cures=lambda: (
            (say("{title} listens to: {linked}.", title=title.name, linked=monitors),)
            if link is None
            else (say("Software with a native link is supported by its maker."),)
            if deciding is connected
            else (
                find_out(at_place(Slot.MONITOR), "Plans that unlock it: {names}.", names=_enough(monitor, link.tier)),
            )
        ),
    )


def _enough(monitor: LaunchMonitor, tier: int) -> str:
    enough = sorted((plan for plan in monitor.plans if plan.tier >= tier), key=lambda plan: plan.tier)
    return ", ".join(plan.name for plan in enough) or "none of its plans"


@check("machine.platform", title="Software runs on the machine", place=between(Slot.TITLE, Slot.MACHINE))
def platform(title: Annotated[Title, "limited_on", "platforms"], machine: Annotated[Machine, "platform"]) -> Answer:
    """The machine's operating system is among those the software is made for, and not one on which it does less."""
    has = known(machine, "platform")
    offers = known_some(title, "platforms")
    runs, limited = runs_on(has, offers), runs_on(has, title.limited_on)
    state = State.BLOCKED if not runs else State.TIGHT if limited else State.CLEAR
    return Answer(
        Words(state, has, " or ".join(offers)),
        headline=lambda: (
            say("{title} does less on {has} than elsewhere", title=title.name, has=has)
            if state is State.TIGHT
            else say("{title} runs on {offers}; this is {has}", title=title.name, offers=", ".join(offers), has=has)
        ),
        formula="operating system among the software's platforms, and not among those on which it does less",
        inputs=lambda: (
            stated_input("Machine", has),
            stated_input("Software", ", ".join(offers)),
            stated_input("Does less on", in_a_row(title.limited_on)),
        ),
        cures=lambda: (
            say("Choose a machine with {offers}.", offers=" or ".join(o for o in offers if o not in title.limited_on)),
        ),
    )


MEMORY = "Memory"


@dataclass(frozen=True)
class _SpecLine:
    """One line of a machine's spec against the software's."""

    name: str
    unit: Unit
    has: float
    minimum: float
    recommended: float

    @property
    def headroom(self) -> float:
        """What it has over what is recommended, as a ratio."""
        return self.has / self.recommended if self.recommended else float("inf")

    def limit(self, approach: Approach) -> Limit:
        """The minimum is required; the recommended comfortable, unless one starts small and buys again."""
        comfortable = self.recommended if approach is Approach.BUY_ONCE else self.minimum
        return at_least(self.has, self.minimum, comfortable, self.unit)


@dataclass(frozen=True)
class PictureLines:
    """Lines that the picture is drawn with: those of the display, or as many as most have while none is chosen."""

    lines: int


@derive
def picture_lines(display: Annotated[Display, "height_px"] | None) -> PictureLines:
    """What the display shows."""
    return PictureLines(display_lines(display) if display else DEFAULT_LINES)


@check("machine.spec", title="Machine is strong enough", place=between(Slot.TITLE, Slot.MACHINE))
def spec(
    brief: Annotated[Brief, "approach"],
    title: Annotated[Title, "id", "machine_needs", "maker", "name"],
    machine: Annotated[Machine, "graphics_grade", "graphics_memory_gb", "memory_gb", "processor_grade", "storage_gb"],
    picture: PictureLines,
) -> Answer:
    """The machine meets the software's stated computer at the resolution of the picture, line by line.

    The weakest line is named: graphics below the minimum, since they decide, else the one furthest below what is
    recommended. Where the software's maker states no memory, 16 GB is the least and 32 GB comfortable (trade). More
    memory does not rescue weak graphics.
    """
    lines = picture.lines
    needs = _needs_at(title, lines)
    compared = tuple(_spec_lines(needs, machine))
    silent = all(line.name == MEMORY for line in compared) and not title.machine_needs
    weakest = min(compared, key=lambda line: _weakness(line, line.limit(brief.approach).state))
    limit = weakest.limit(brief.approach)
    if silent and limit.state is not State.BLOCKED:
        raise not_told(title)
    name, asked = weakest.name.lower(), Quantity(weakest.recommended, weakest.unit)
    retire = limit.state is State.BLOCKED and weakest.name == GRAPHICS
    words = {
        State.BLOCKED: "Too weak in {line}: {has}, {least} is the least",
        State.TIGHT: "Just enough in {line}: {has}, {asked} is recommended",
        State.CLEAR: "Strong enough, with its {line} at {has}; {asked} is recommended",
    }[limit.state]
    return Answer(
        limit,
        headline=lambda: say(
            words, line=name, has=limit.has, least=Quantity(weakest.minimum, weakest.unit), asked=asked
        ),
        formula="each line of the machine against the software's minimum and recommended machine",
        inputs=lambda: (
            stated_input("Picture", Quantity(lines, Unit.LINES)),
            *(
                Input(
                    f"{line.name}, asked {line.minimum:g} to {line.recommended:g}",
                    Quantity(line.has, line.unit),
                    Basis.SPEC,
                )
                for line in compared
            ),
        ),
        cures=lambda: (
            (say("Graphics below the minimum: retire this machine rather than upgrade it."),)
            if retire
            else (say("Upgrade the {line} to {asked}.", line=name, asked=asked),)
        ),
    )


def _weakness(line: _SpecLine, state: State) -> tuple[int, bool, float]:
    decides = state is State.BLOCKED and line.name == GRAPHICS
    return -state.rank, not decides, line.headroom


def display_lines(display: Display) -> int:
    """Lines of the picture that the display shows. Raises `MissingFact` where its maker does not say."""
    return known(display, "height_px")


def not_told(title: Title, picture: str = "") -> MissingFact:
    """What software's maker does not say of the computer it wants."""
    return MissingFact(
        f"What {title.name} asks of a machine{picture}",
        f"Ask {title.maker} for its stated computer.",
        FactAt(f"parts/{title.id}", "machine_needs"),
    )


def _needs_at(title: Title, lines: int) -> ResolutionNeeds:
    if not title.machine_needs:
        # Silence about everything leaves the usual least of memory (trade); more than that nobody can tell.
        silent = MachineNeeds()
        return ResolutionNeeds(lines=lines, minimum=silent, recommended=silent)
    needs = sorted(title.machine_needs, key=lambda needs: needs.lines)
    fitting = next((needs for needs in needs if needs.lines >= lines), None)
    if fitting is None:
        raise not_told(title, f" for {lines} lines")
    return fitting


def _spec_lines(needs: ResolutionNeeds, machine: Machine) -> Iterator[_SpecLine]:
    least, best = needs.minimum, needs.recommended
    least_memory, best_memory = least.memory_gb, best.memory_gb
    if least_memory is None and best_memory is None:
        least_memory, best_memory = DEFAULT_MINIMUM_MEMORY_GB, DEFAULT_RECOMMENDED_MEMORY_GB
    rows = (
        (GRAPHICS, Unit.GRADE, "graphics_grade", least.graphics_grade, best.graphics_grade),
        ("Graphics memory", Unit.GIGABYTE, "graphics_memory_gb", least.graphics_memory_gb, best.graphics_memory_gb),
        (MEMORY, Unit.GIGABYTE, "memory_gb", least_memory, best_memory),
        ("Processor", Unit.GRADE, "processor_grade", least.processor_grade, best.processor_grade),
        ("Storage", Unit.GIGABYTE, "storage_gb", least.storage_gb, best.storage_gb),
    )
    for name, unit, field, minimum, recommended in rows:
        asked = [value for value in (minimum, recommended) if value is not None]
        if asked:
            yield _SpecLine(name, unit, known(machine, field), asked[0], asked[-1])
