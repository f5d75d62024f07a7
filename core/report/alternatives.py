"""What every candidate for a place on the chain would do, before it is picked: the checks, asked once for each."""

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass
from datetime import date

from core.checks import GRAPH
from core.checks.evaluation import Evaluation
from core.checks.limits import State
from core.checks.space import PlayingLayout, StowedLayout
from core.checks.verdict import Told, Verdict
from core.geometry.ceiling import Ceiling
from core.geometry.surroundings import Surroundings
from core.model.build import Build, Slot, hung_anew, slot_for
from core.model.chain import plans_of
from core.model.parts import LaunchMonitor, MonitorPlan, Part, Title, link_to
from core.model.room import Layout, Room
from core.quantities import Money
from core.report.evaluation_of import evaluation_of, known_costs
from core.report.small_items import without_unserving

ROOM_READINGS: frozenset[type] = frozenset({Room, Layout, Ceiling, Surroundings, PlayingLayout, StowedLayout})
LINKED = 2
"""Parts that a link joins."""


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
    links: tuple[Verdict, ...]
    """For each link to a neighbour on the chain, the verdict that could break it."""
    up_front_change: Money
    yearly_change: Money
    horizon_change: Money
    priced: bool
    """Its price is known; otherwise the changes leave it out."""
    evaluation: Evaluation
    """Of the build with the candidate in it."""

    @property
    def fits_room(self) -> bool:
        """Nothing that measures the room or the layout rules it out."""
        blocked = (verdict for verdict in self.reasons if verdict.state is State.BLOCKED)
        return not any(GRAPH[verdict.id].reads.types & ROOM_READINGS for verdict in blocked)

    def told(self, verdict: Verdict) -> Told:
        """One of its verdicts in words."""
        return self.evaluation.told(verdict)


def alternatives(
    build: Build, parts: Mapping[str, Part], slot: Slot, today: date | None = None
) -> tuple[Alternative, ...]:
    """Every part among `parts` that can hang in `slot`: by state, then what they leave tight, then what they add."""
    candidates = [part for part in parts.values() if slot_for(part) is slot]
    return tuple(sorted(each_weighed(build, parts, candidates, today), key=_order))


def each_weighed(
    build: Build, parts: Mapping[str, Part], candidates: Iterable[Part], today: date | None = None
) -> Iterator[Alternative]:
    """Each of `candidates` that hangs on the chain, in its own place, against the rest of `build`."""
    now = evaluation_of(build, parts, today=today)
    for part in candidates:
        slot = slot_for(part)
        if slot is not None:
            yield _weigh(build, parts, slot, part, now)


def _order(found: Alternative) -> tuple[int, int, int]:
    worst = [verdict for verdict in found.reasons if verdict.state is found.state]
    return found.state.rank, len(worst), found.up_front_change.minor


def build_with(
    build: Build, parts: Mapping[str, Part], slot: Slot, part: Part, before: Evaluation | None = None
) -> Build:
    """`build` with `part` in `slot`, under the plan that suits it best; decisions on another part are dropped.

    A small item that was bought for another part, and does not serve this one, is open again. `before` may be the
    evaluation of `build`.
    """
    return _hung(build, parts, slot, part, before)[0]


def _hung(
    build: Build, parts: Mapping[str, Part], slot: Slot, part: Part, before: Evaluation | None
) -> tuple[Build, Evaluation]:
    now = build.chain.get(slot)
    if now is not None and now.part == part.id:
        return build, evaluation_of(build, parts, before=before)
    decided = hung_anew(part.id, _default_plan(build, parts, part))
    swapped = build.model_copy(update={"chain": {**build.chain, slot: decided}})
    there = evaluation_of(swapped, parts, before=before)
    shown = without_unserving(swapped, there)
    return shown, there if shown is swapped else evaluation_of(shown, parts, before=there)


def _default_plan(build: Build, parts: Mapping[str, Part], part: Part) -> str | None:
    """The first plan the maker lists that is of the tier the hung title asks for; else the first."""
    plans = plans_of(part)
    title = parts.get(build.chain[Slot.TITLE].part) if Slot.TITLE in build.chain else None
    if isinstance(part, LaunchMonitor) and isinstance(title, Title):
        link = link_to(title, part)
        tier = link.tier if link else 0
        plans = tuple(plan for plan in plans if isinstance(plan, MonitorPlan) and plan.tier >= tier) or plans
    return plans[0].id if plans else None


def _weigh(build: Build, parts: Mapping[str, Part], slot: Slot, part: Part, now: Evaluation) -> Alternative:
    _, there = _hung(build, parts, slot, part, now)
    before = now.by_key
    met = ((verdict, before.get(verdict.key)) for verdict in there.verdicts)
    moved = [(verdict, was) for verdict, was in met if was is not None and was is not verdict and was != verdict]
    own = [verdict for verdict in there.verdicts if slot in GRAPH[verdict.id].place.slots]
    worse = [verdict for verdict, was in moved if verdict.state.rank > was.state.rank]
    beside = [verdict for verdict in worse if slot not in GRAPH[verdict.id].place.slots]
    ranked = sorted((v for v in (*own, *beside) if v.state is not State.CLEAR), key=lambda v: -v.state.rank)
    costs, costs_now = known_costs(there), known_costs(now)
    return Alternative(
        part=part,
        hangs_now=slot in build.chain and build.chain[slot].part == part.id,
        state=ranked[0].state if ranked else State.CLEAR,
        reasons=tuple(ranked),
        better=tuple(verdict for verdict, was in moved if verdict.state.rank < was.state.rank),
        worse=tuple(worse),
        links=tuple(_deciding_links(own)),
        up_front_change=costs.up_front - costs_now.up_front,
        yearly_change=costs.yearly - costs_now.yearly,
        horizon_change=costs.horizon - costs_now.horizon,
        priced=costs.of_slot(slot) is not None,
        evaluation=there,
    )


def _deciding_links(verdicts: Iterable[Verdict]) -> Iterator[Verdict]:
    by_link: dict[tuple[Slot, ...], Verdict] = {}
    for verdict in verdicts:
        slots = GRAPH[verdict.id].place.slots
        if len(slots) == LINKED:
            was = by_link.get(slots)
            if was is None or verdict.state.rank > was.state.rank:
                by_link[slots] = verdict
    yield from by_link.values()
