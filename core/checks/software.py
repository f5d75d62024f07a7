"""Monitor, title and machine: who talks to whom, at which tier, and whether the machine is strong enough."""

from collections.abc import Iterator
from dataclasses import dataclass

from core.checks.figures import met, stated
from core.checks.places import between
from core.checks.register import check, derive
from core.checks.verdict import Basis, Input, State, Verdict, judge
from core.model.brief import Brief
from core.model.build import Slot
from core.model.facts import MissingFact, known
from core.model.household import Approach
from core.model.parts import Display, LaunchMonitor, Machine, MonitorLink, MonitorPlan, ResolutionNeeds, Title, link_to
from core.quantities import Quantity, Sentence, Unit, say

DEFAULT_MINIMUM_MEMORY_GB = 16.0
DEFAULT_RECOMMENDED_MEMORY_GB = 32.0
"""Trade defaults where the title's maker states nothing."""
GRAPHICS = "Graphics"
DEFAULT_LINES = 1080
"""Resolution asked of a machine whose picture is on its own screen."""


@check("title.monitor", title="Title listens to the monitor", place=between(Slot.MONITOR, Slot.TITLE))
def title_listens(monitor: LaunchMonitor, plan: MonitorPlan | None, title: Title) -> Verdict:
    """The title has a link to this monitor, and the monitor's plan is of the tier the link asks for.

    A native link is clear. A connector is at one's own risk: neither maker supports it. Without a link, or
    with too low a plan, no shot arrives.
    """
    links = known(title.monitor_links, title, "list of monitors it listens to")
    link = link_to(title, monitor)
    tier = plan.tier if plan else 0

    def inputs() -> tuple[Input, ...]:
        held = plan.name if plan else "none"
        return stated("Link", link.via if link else "none"), stated("Plan held", held)

    if link is None:
        linked = ", ".join(link.monitor for link in links) or "no monitor"
        return Verdict(
            State.BLOCKED,
            say("{title} has no link to {monitor}", title=title.name, monitor=monitor.name),
            measured="no link",
            required="native or connector",
            margin=met(False),
            basis=Basis.SPEC,
            formula="links that the title's maker lists",
            inputs=inputs,
            changes=(say("{title} listens to: {linked}.", title=title.name, linked=linked),),
        )
    state, headline, changes = _link_state(monitor, link, tier)
    return Verdict(
        state,
        headline,
        measured=Quantity(tier, Unit.TIER),
        required=Quantity(link.tier, Unit.TIER),
        margin=Quantity(tier - link.tier, Unit.TIERS),
        basis=Basis.SPEC,
        formula="tier of the plan held − tier the link asks for",
        inputs=inputs,
        changes=changes,
    )


def _link_state(monitor: LaunchMonitor, link: MonitorLink, tier: int) -> tuple[State, Sentence, tuple[Sentence, ...]]:
    if tier < link.tier:
        enough = sorted((plan for plan in monitor.plans if plan.tier >= link.tier), key=lambda plan: plan.tier)
        headline = say(
            "Needs plan {tier} of {monitor}, has {has}",
            tier=Quantity(link.tier, Unit.TIER),
            monitor=monitor.name,
            has=Quantity(tier, Unit.TIER),
        )
        names = ", ".join(plan.name for plan in enough) or "none of its plans"
        return State.BLOCKED, headline, (say("Plans that unlock it: {names}.", names=names),)
    if link.via == "connector":
        cure = say("A title with a native link is supported by its maker.")
        return State.TIGHT, say("Through a connector, at your own risk"), (cure,)
    return State.CLEAR, say("Native link, plan {tier} is enough", tier=Quantity(tier, Unit.TIER)), ()


@check("machine.platform", title="Title runs on the machine", place=between(Slot.TITLE, Slot.MACHINE))
def platform(title: Title, machine: Machine) -> Verdict:
    """The machine's operating system is among those the title is made for, and not one on which it does less."""
    has = known(machine.platform, machine, "operating system")
    offers = known(title.platforms or None, title, "list of platforms")
    runs, limited = has in offers, has in title.limited_on
    state = State.BLOCKED if not runs else State.TIGHT if limited else State.CLEAR
    return Verdict(
        state,
        say("{title} does less on {has} than elsewhere", title=title.name, has=has)
        if state is State.TIGHT
        else say("{title} runs on {offers}; this is {has}", title=title.name, offers=", ".join(offers), has=has),
        measured=has,
        required=" or ".join(offers),
        margin=met(state is State.CLEAR),
        basis=Basis.SPEC,
        formula="operating system among the title's platforms, and not among those on which it does less",
        inputs=lambda: (
            stated("Machine", has),
            stated("Title", ", ".join(offers)),
            stated("Does less on", ", ".join(title.limited_on) or "none"),
        ),
        changes=()
        if state is State.CLEAR
        else (
            say("Choose a machine with {offers}.", offers=" or ".join(o for o in offers if o not in title.limited_on)),
        ),
    )


@dataclass(frozen=True)
class _SpecLine:
    """One line of a machine's spec against the title's."""

    name: str
    unit: Unit
    has: float
    minimum: float
    recommended: float

    @property
    def headroom(self) -> float:
        """What it has over what is recommended, as a ratio."""
        return self.has / self.recommended if self.recommended else float("inf")

    def state(self, approach: Approach) -> State:
        """Blocked below the minimum; tight below the recommended, unless one starts small and buys again."""
        comfort = self.recommended - self.minimum if approach is Approach.BUY_ONCE else 0.0
        return judge(self.has - self.minimum, comfort)


@dataclass(frozen=True)
class PictureLines:
    """Lines that the picture is drawn with: those of the display, or as many as most have while none is chosen."""

    lines: int


@derive
def picture_lines(display: Display | None) -> PictureLines:
    """What the display shows."""
    return PictureLines(display_lines(display) if display else DEFAULT_LINES)


@check("machine.spec", title="Machine is strong enough", place=between(Slot.TITLE, Slot.MACHINE))
def spec(brief: Brief, title: Title, machine: Machine, picture: PictureLines) -> Verdict:
    """The machine meets the title's stated computer at the resolution of the picture, line by line.

    The weakest line is named: graphics below the minimum, since they decide, else the one furthest below what is
    recommended. Where the title's maker states no
    memory, 16 GB is the least and 32 GB comfortable (trade). More memory does not rescue weak graphics.
    """
    lines = picture.lines
    needs = _needs_at(title, lines)
    compared = tuple(_spec_lines(needs, machine))
    if not compared:
        raise MissingFact(f"What {title.name} asks of a machine", f"Ask {title.maker} for its stated computer.")
    weakest = min(compared, key=lambda line: _weakness(line, line.state(brief.approach)))
    state = weakest.state(brief.approach)
    has, asked = Quantity(weakest.has, weakest.unit), Quantity(weakest.recommended, weakest.unit)
    least = Quantity(weakest.minimum, weakest.unit)
    changes = []
    if state is State.BLOCKED and weakest.name == GRAPHICS:
        changes.append(say("Graphics below the minimum: retire this machine rather than upgrade it."))
    elif state is not State.CLEAR:
        changes.append(say("Upgrade the {line} to {asked}.", line=weakest.name.lower(), asked=asked))
    return Verdict(
        state,
        say("Weakest line: {line}, {has} of {asked}", line=weakest.name.lower(), has=has, asked=asked),
        measured=has,
        required=least,
        margin=Quantity(weakest.has - weakest.minimum, Unit.GRADES if weakest.unit is Unit.GRADE else weakest.unit),
        basis=Basis.SPEC,
        formula="each line of the machine against the title's minimum and recommended machine",
        inputs=lambda: (
            stated("Picture", Quantity(lines, Unit.LINES)),
            *(
                Input(
                    f"{line.name}, asked {line.minimum:g} to {line.recommended:g}",
                    Quantity(line.has, line.unit),
                    Basis.SPEC,
                )
                for line in compared
            ),
        ),
        changes=tuple(changes),
    )


def _weakness(line: _SpecLine, state: State) -> tuple[int, bool, float]:
    decides = state is State.BLOCKED and line.name == GRAPHICS
    return -state.rank, not decides, line.headroom


def display_lines(display: Display) -> int:
    """Lines of the picture that the display shows. Raises `MissingFact` where its maker does not say."""
    return known(display.height_px, display, "panel resolution")


def _needs_at(title: Title, lines: int) -> ResolutionNeeds:
    needs = sorted(title.machine_needs, key=lambda needs: needs.lines)
    fitting = next((needs for needs in needs if needs.lines >= lines), None)
    if fitting is None:
        raise MissingFact(
            f"What {title.name} asks of a machine for {lines} lines", f"Ask {title.maker} for its stated computer."
        )
    return fitting


def _spec_lines(needs: ResolutionNeeds, machine: Machine) -> Iterator[_SpecLine]:
    least, best = needs.minimum, needs.recommended
    least_memory, best_memory = least.memory_gb, best.memory_gb
    if least_memory is None and best_memory is None:
        least_memory, best_memory = DEFAULT_MINIMUM_MEMORY_GB, DEFAULT_RECOMMENDED_MEMORY_GB
    rows = (
        (GRAPHICS, Unit.GRADE, machine.graphics_grade, least.graphics_grade, best.graphics_grade),
        (
            "Graphics memory",
            Unit.GIGABYTE,
            machine.graphics_memory_gb,
            least.graphics_memory_gb,
            best.graphics_memory_gb,
        ),
        ("Memory", Unit.GIGABYTE, machine.memory_gb, least_memory, best_memory),
        ("Processor", Unit.GRADE, machine.processor_grade, least.processor_grade, best.processor_grade),
        ("Storage", Unit.GIGABYTE, machine.storage_gb, least.storage_gb, best.storage_gb),
    )
    for name, unit, has, minimum, recommended in rows:
        asked = [value for value in (minimum, recommended) if value is not None]
        if asked:
            yield _SpecLine(name, unit, known(has, machine, name.lower()), asked[0], asked[-1])
