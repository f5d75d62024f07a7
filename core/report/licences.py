"""The least set of licences: monitor's plan, packages, software's plan, packs and connectors, decided together.

Each set is made in the build and judged by the very checks that read licences; nothing here knows what they ask.
"""

from collections.abc import Callable, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from itertools import chain, combinations, islice, product
from typing import NamedTuple

from core.checks.evaluation import Evaluation
from core.checks.verdict import Told, Verdict
from core.model.build import Build, Extra, HungPart, Slot
from core.model.chain import plans_of
from core.model.free_ids import free_id
from core.model.ledger import COURSE
from core.model.parts import Connector, CoursePack, LaunchMonitor, MonitorPackage, MonitorPlan, Part, TitlePlan
from core.money.line import Line
from core.quantities import Money, Sentence, say
from core.report.alternatives import build_with
from core.report.evaluation_of import evaluation_of, known_costs
from core.report.why_not.changes import dearness

UNLOCKED_BY = (
    "title.monitor",
    "monitor.data",
    "title.features",
    "title.courses",
    "title.wished_courses",
    "title.packs",
    "title.later_versions",
    "title.subscription",
    "monitor.subscription",
)
"""The checks that licences answer: links, data, features, courses, versions, and what the household thinks of fees."""
ADD_ONS = (MonitorPackage, CoursePack, Connector)
MOST_OF_A_KIND = 4
"""Add-ons of one kind that are weighed together, the first by price: sixteen ways."""
MOST_SETS = 600

Progress = Callable[[float, str], bool]
"""Told the share that is done and what is looked at; answers whether to go on."""


def _on(share_done: float, words: str) -> bool:
    return True


class Stopped(Exception):
    """Whoever watched did not want to go on."""


class Choice(NamedTuple):
    """One way to decide about licences."""

    monitor_plan: str | None
    title_plan: str | None
    add_ons: tuple[str, ...]
    """Ids of parts, in order."""


@dataclass(frozen=True)
class LicenceSet:
    """A choice made in a build, judged and priced."""

    choice: Choice
    names: tuple[str, ...]
    """Its plans and add-ons, as people call them."""
    build: Build
    up_front: Money | None
    yearly: Money | None
    horizon: Money | None
    """Over the brief's years; `None` where a price is not known."""
    locked: tuple[Told, ...]
    """What it leaves locked that another set unlocks."""

    @property
    def dearness(self) -> tuple[int, bool, int, int]:
        """Least left locked first, then cheapest, unknown last; of equals the one with fewer add-ons."""
        minor = self.horizon.minor if self.horizon else 0
        return len(self.locked), self.horizon is None, minor, len(self.choice.add_ons)


@dataclass(frozen=True)
class Licences:
    """The sets of a build, the best first, and the one that it holds."""

    held: LicenceSet
    sets: tuple[LicenceSet, ...]
    cut_short: bool
    """There were more than could be looked at."""

    @property
    def least(self) -> LicenceSet:
        """The cheapest of those that leave the least locked."""
        return self.sets[0]

    @property
    def for_the_same(self) -> LicenceSet:
        """The cheapest that leaves nothing locked that the held one unlocks."""
        locked = {told.verdict.key for told in self.held.locked}
        serving = [each for each in self.sets if {told.verdict.key for told in each.locked} <= locked]
        return min(serving, key=lambda each: each.dearness[1:])

    @property
    def headline(self) -> Sentence:
        """What an experienced friend would say of what is held."""
        held, same, least = self.held, self.for_the_same, self.least
        years = str(held.build.brief.horizon_years)
        if held.horizon is None:
            return say("What the plans that you hold cost is not known")
        if same.horizon is not None and same.horizon < held.horizon:
            less = held.horizon - same.horizon
            words = "{names} unlocks no less, for {less} less over {years} years"
            return say(words, names=_in_words(same), less=less, years=years)
        if len(least.locked) == len(held.locked):
            return say("What you hold is the least that unlocks what is wanted")
        if least.horizon is None:
            return say("What you hold leaves something locked; what would unlock it has no price")
        words = "What you hold leaves something locked; {names} unlocks more, for {more} more over {years} years"
        return say(words, names=_in_words(least), more=least.horizon - held.horizon, years=years)


class MonitorPrice(NamedTuple):
    """Another monitor, with the licences that reach as much of what is wanted as any of it can."""

    part: LaunchMonitor
    least: LicenceSet
    device: Money | None
    total: Money | None
    """Device and licences over the brief's years; `None` where a price is not known."""

    @property
    def dearness(self) -> tuple[int, bool, int]:
        """Least left locked first, then cheapest, unknown last."""
        return len(self.least.locked), self.total is None, self.total.minor if self.total else 0


def licences_for(
    build: Build,
    parts: Mapping[str, Part],
    now: Evaluation | None = None,
    progress: Progress = _on,
) -> Licences | None:
    """Every set for the monitor and the software that hang; `None` where neither does. Raises `Stopped`."""
    if not {Slot.MONITOR, Slot.TITLE} & build.chain.keys():
        return None
    now = now or evaluation_of(build, parts)
    held = _held(build, parts)
    choices = list(islice(_choices(build, parts), MOST_SETS + 1))
    every = dict.fromkeys((held, *choices[:MOST_SETS]))
    judged = []
    for number, choice in enumerate(every):
        if not progress(number / len(every), "sets of licences"):
            raise Stopped
        with_it = build if choice == held else under_licences(build, parts, choice)
        judged.append((choice, with_it, evaluation_of(with_it, parts, before=now)))
    best = _best_states(found for _, _, found in judged)
    sets = [_set(choice, with_it, found, parts, best) for choice, with_it, found in judged]
    return Licences(
        held=next(each for each in sets if each.choice == held),
        sets=tuple(sorted(sets, key=lambda each: each.dearness)),
        cut_short=len(choices) > MOST_SETS,
    )


def monitors_with_licences(
    build: Build, parts: Mapping[str, Part], monitors: Sequence[LaunchMonitor], progress: Progress = _on
) -> tuple[MonitorPrice, ...]:
    """What each of `monitors` costs with its least set, cheapest of those first that leave the least locked."""
    now = evaluation_of(build, parts)
    found = []
    for number, monitor in enumerate(monitors):
        if not progress(number / len(monitors), f"licences with {monitor.name}"):
            raise Stopped
        with_it = build_with(build, parts, Slot.MONITOR, monitor, now)
        licences = licences_for(with_it, parts)
        assert licences is not None
        device = _device(licences.least.build, parts, monitor)
        licence = licences.least.horizon
        total = device + licence if device and licence else None
        wanted = _wanting(licences.least.build, parts)
        found.append(MonitorPrice(monitor, _with_locked(licences.least, wanted), device, total))
    return tuple(sorted(found, key=lambda each: each.dearness))


def under_licences(build: Build, parts: Mapping[str, Part], choice: Choice) -> Build:
    """`build` with the plans and add-ons of `choice`; add-ons that it has already stay as they are."""
    chain_of = dict(build.chain)
    for slot, plan in ((Slot.MONITOR, choice.monitor_plan), (Slot.TITLE, choice.title_plan)):
        hung = chain_of.get(slot)
        if hung is not None and hung.plan != plan:
            chain_of[slot] = hung.model_copy(update={"plan": plan})
    kept = [extra for extra in build.extras if not isinstance(parts[extra.part], ADD_ONS) or extra.owned]
    held = {extra.part: extra for extra in build.extras}
    for id in choice.add_ons:
        if id not in {extra.part for extra in kept}:
            taken = [extra.id for extra in (*build.extras, *kept)]
            kept.append(held.get(id) or Extra(id=free_id(f"licence-{id}"[:70], taken), part=id))
    return build.model_copy(update={"chain": chain_of, "extras": tuple(kept)})


def adds(dearer: LicenceSet, least: LicenceSet, parts: Mapping[str, Part]) -> tuple[str, ...]:
    """What a set unlocks or brings along that the least one does not: nobody asked for it."""
    more, less = _brings(dearer, parts), _brings(least, parts)
    return tuple(what for what in more if what not in less)


def _brings(licences: LicenceSet, parts: Mapping[str, Part]) -> dict[str, None]:
    found: dict[str, None] = {}
    for slot in (Slot.MONITOR, Slot.TITLE):
        hung = licences.build.chain.get(slot)
        plan = _plan_of(hung, parts)
        if isinstance(plan, MonitorPlan):
            found.update(dict.fromkeys(field.words for field in plan.unlocks))
            found.update(dict.fromkeys(parts[id].name for id in plan.bundled_titles if id in parts))
        if isinstance(plan, TitlePlan):
            found.update(dict.fromkeys(feature.words for feature in plan.features or ()))
            if plan.courses:
                found[f"{plan.courses} courses"] = None
    for id in licences.choice.add_ons:
        part = parts[id]
        if isinstance(part, MonitorPackage):
            found.update(dict.fromkeys(field.words for field in part.unlocks))
        elif isinstance(part, CoursePack):
            found[part.name] = None
    return found


def _in_words(licences: LicenceSet) -> str:
    return " with ".join(licences.names) or "nothing"


def _plan_of(hung: HungPart | None, parts: Mapping[str, Part]) -> object:
    if hung is None:
        return None
    return next((plan for plan in plans_of(parts[hung.part]) if plan.id == hung.plan), None)


def _held(build: Build, parts: Mapping[str, Part]) -> Choice:
    add_ons = sorted(extra.part for extra in build.extras if isinstance(parts[extra.part], ADD_ONS))
    monitor, title = build.chain.get(Slot.MONITOR), build.chain.get(Slot.TITLE)
    return Choice(monitor.plan if monitor else None, title.plan if title else None, tuple(add_ons))


def _choices(build: Build, parts: Mapping[str, Part]) -> Iterator[Choice]:
    monitor, title = _hung(build, parts, Slot.MONITOR), _hung(build, parts, Slot.TITLE)
    owned = [extra.part for extra in build.extras if extra.owned and isinstance(parts[extra.part], ADD_ONS)]
    kinds = (
        [p for p in parts.values() if isinstance(p, MonitorPackage) and monitor and monitor.id in p.monitors],
        [p for p in parts.values() if isinstance(p, CoursePack) and title and title.id in (p.titles or ())],
        [p for p in parts.values() if isinstance(p, Connector) and _connects(p, monitor, title)],
    )
    ways = [list(_subsets(kind, build.brief.currency)) for kind in kinds]
    for plan, other in product(_plans(monitor), _plans(title)):
        for add_ons in product(*ways):
            chosen = {part.id for part in chain.from_iterable(add_ons)} | set(owned)
            yield Choice(plan, other, tuple(sorted(chosen)))


def _subsets(parts: Sequence[Part], currency: str) -> Iterator[tuple[Part, ...]]:
    """Every way to take some of them, none first; of many the first by price and name."""
    cheapest = sorted(parts, key=lambda part: dearness(part, currency))[:MOST_OF_A_KIND]
    return chain.from_iterable(combinations(cheapest, count) for count in range(len(cheapest) + 1))


def _connects(connector: Connector, monitor: Part | None, title: Part | None) -> bool:
    both = monitor is not None and title is not None
    return both and monitor.id in connector.monitors and title.id in connector.titles  # type: ignore[union-attr]


def _hung(build: Build, parts: Mapping[str, Part], slot: Slot) -> Part | None:
    hung = build.chain.get(slot)
    return parts[hung.part] if hung else None


def _plans(part: Part | None) -> tuple[str | None, ...]:
    """Every plan; a part without plans has none to choose."""
    return (tuple(plan.id for plan in plans_of(part)) if part else ()) or (None,)


def _best_states(found: Iterable[Evaluation]) -> dict[tuple[str, str], int]:
    """How well each check that licences answer comes out at best, by key."""
    best: dict[tuple[str, str], int] = {}
    for evaluation in found:
        for verdict in _answers(evaluation):
            best[verdict.key] = min(best.get(verdict.key, verdict.state.rank), verdict.state.rank)
    return best


def _answers(found: Evaluation) -> tuple[Verdict, ...]:
    return tuple(verdict for verdict in found.verdicts if verdict.id in UNLOCKED_BY)


def _set(
    choice: Choice, build: Build, found: Evaluation, parts: Mapping[str, Part], best: Mapping[tuple[str, str], int]
) -> LicenceSet:
    lines = _licence_lines(known_costs(found).lines, parts)
    years, currency = build.brief.horizon_years, build.brief.currency
    known = not any(line.missing for line in lines)
    up_front = Money.total([line.up_front for line in lines if line.up_front], currency)
    yearly = Money.total([line.yearly for line in lines if line.yearly], currency)
    locked = tuple(found.told(v) for v in _answers(found) if v.state.rank > best.get(v.key, v.state.rank))
    return LicenceSet(
        choice,
        tuple(_names(build, parts, choice)),
        build,
        up_front if known else None,
        yearly if known else None,
        Money.total([up_front, *_fees(lines, years)], currency) if known else None,
        locked,
    )


def _fees(lines: Iterable[Line], years: int) -> Iterator[Money]:
    return (line.fee.within(years) for line in lines if line.fee)


def _licence_lines(lines: Iterable[Line], parts: Mapping[str, Part]) -> list[Line]:
    """Plans and add-ons of what hangs on the chain; further titles have plans of their own."""
    return [
        line
        for line in lines
        if (line.licence and line.slot in (Slot.MONITOR, Slot.TITLE) and not line.beside)
        or line.licence == COURSE
        or isinstance(parts.get(line.part), ADD_ONS)
    ]


def _names(build: Build, parts: Mapping[str, Part], choice: Choice) -> Iterator[str]:
    for slot in (Slot.MONITOR, Slot.TITLE):
        hung = build.chain.get(slot)
        plan = _plan_of(hung, parts)
        if hung is not None and plan is not None:
            yield f"{parts[hung.part].name} {getattr(plan, 'name', '')}"
    yield from (parts[id].name for id in choice.add_ons)


def _device(build: Build, parts: Mapping[str, Part], monitor: Part) -> Money | None:
    lines = known_costs(evaluation_of(build, parts)).lines
    line = next((line for line in lines if line.part == monitor.id and not line.licence and not line.beside), None)
    return line.up_front if line else None


def _wanting(build: Build, parts: Mapping[str, Part]) -> tuple[Told, ...]:
    """What the best set of a monitor still leaves open of all that licences answer."""
    found = evaluation_of(build, parts)
    return tuple(found.told(verdict) for verdict in _answers(found) if verdict.state.rank > 0)


def _with_locked(licences: LicenceSet, locked: tuple[Told, ...]) -> LicenceSet:
    return LicenceSet(
        licences.choice, licences.names, licences.build, licences.up_front, licences.yearly, licences.horizon, locked
    )
