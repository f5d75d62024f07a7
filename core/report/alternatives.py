"""What every candidate for a place on the chain would do, before it is picked: the checks, asked once for each."""

from collections.abc import Mapping
from dataclasses import dataclass

from core.checks.register import REGISTRY
from core.checks.verdict import State, Verdict
from core.model.build import Build, HungPart, Slot, slot_for
from core.model.chain import plans_of
from core.model.parts import LaunchMonitor, MonitorPlan, Part, Title
from core.quantities import Money
from core.report.evaluate import evaluate
from core.report.report import Report


@dataclass(frozen=True)
class Alternative:
    """One candidate hung in place of what hangs there now."""

    part: Part
    hangs_now: bool
    state: State
    """Worst state of the verdicts that the candidate takes part in."""
    reasons: tuple[Verdict, ...]
    """What is blocked, unknown or tight with it, worst first."""
    better: tuple[Verdict, ...]
    """Verdicts that come out better than they do now."""
    worse: tuple[Verdict, ...]
    """Verdicts that come out worse than they do now."""
    up_front_change: Money
    yearly_change: Money
    priced: bool
    """Its price is known; otherwise the changes leave it out."""


def alternatives(build: Build, parts: Mapping[str, Part], slot: Slot) -> tuple[Alternative, ...]:
    """Every part among `parts` that can hang in `slot`, usable ones first, then by what they add up front."""
    now = evaluate(build, parts)
    candidates = [part for part in parts.values() if slot_for(part) is slot]
    weighed = [_weigh(build, parts, slot, part, now) for part in candidates]
    return tuple(sorted(weighed, key=lambda weighed: (weighed.state is State.BLOCKED, weighed.up_front_change.minor)))


def hung(build: Build, parts: Mapping[str, Part], slot: Slot, part: Part) -> Build:
    """`build` with `part` in `slot`, under the plan that suits it best; decisions on another part are dropped."""
    now = build.chain.get(slot)
    if now is not None and now.part == part.id:
        return build
    decided = HungPart(part=part.id, plan=_default_plan(build, parts, part))
    return build.model_copy(update={"chain": {**build.chain, slot: decided}})


def _default_plan(build: Build, parts: Mapping[str, Part], part: Part) -> str | None:
    """The first plan the maker lists that is of the tier the hung title asks for; else the first."""
    plans = plans_of(part)
    title = parts.get(build.chain[Slot.TITLE].part) if Slot.TITLE in build.chain else None
    if isinstance(part, LaunchMonitor) and isinstance(title, Title):
        tier = next((link.tier for link in title.monitor_links if link.monitor == part.id), 0)
        plans = tuple(plan for plan in plans if isinstance(plan, MonitorPlan) and plan.tier >= tier) or plans
    return plans[0].id if plans else None


def _weigh(build: Build, parts: Mapping[str, Part], slot: Slot, part: Part, now: Report) -> Alternative:
    changed = evaluate(hung(build, parts, slot, part), parts)
    before = {(verdict.id, verdict.subject): verdict for verdict in now.verdicts}
    touched = [verdict for verdict in changed.verdicts if _involves(verdict, slot, before)]
    ranked = sorted((v for v in touched if v.state is not State.CLEAR), key=lambda v: -v.state.rank)
    moved = [(verdict, before.get((verdict.id, verdict.subject))) for verdict in changed.verdicts]
    return Alternative(
        part=part,
        hangs_now=slot in build.chain and build.chain[slot].part == part.id,
        state=ranked[0].state if ranked else State.CLEAR,
        reasons=tuple(ranked),
        better=tuple(verdict for verdict, was in moved if was and verdict.state.rank < was.state.rank),
        worse=tuple(verdict for verdict, was in moved if was and verdict.state.rank > was.state.rank),
        up_front_change=changed.costs.up_front - now.costs.up_front,
        yearly_change=changed.costs.yearly - now.costs.yearly,
        priced=not any(line.missing for line in changed.costs.lines if line.slot is slot),
    )


def _involves(verdict: Verdict, slot: Slot, before: Mapping[tuple[str, str], Verdict]) -> bool:
    """The verdict belongs to the place, or is not what it was without the candidate."""
    if slot in REGISTRY[verdict.id].place.slots:
        return True
    was = before.get((verdict.id, verdict.subject))
    return was is not None and verdict.state.rank > was.state.rank
