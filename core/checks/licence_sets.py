"""Sets of licences: plans, packages, packs and connectors decided together, each made, judged and priced.

Each set is made in the build and judged by the very checks that read licences; nothing here knows what they ask.
"""

from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import chain, combinations, islice, product
from typing import NamedTuple, TypeVar

from core.checks.evaluation import Evaluation
from core.checks.limits import State
from core.checks.memo import Memo
from core.checks.prices import LicenceCosts
from core.checks.readings import Given, Today, given_readings
from core.checks.verdict import Told, Verdict
from core.checks.weights import is_wanted
from core.model.brief import Brief, Purpose
from core.model.build import Build, Extra, Slot
from core.model.chain import ADD_ONS, LICENSED, Chain, plans_of
from core.model.dearness import dearness
from core.model.facts import Missing
from core.model.free_ids import free_id
from core.model.kit import Kit
from core.model.parts import (
    Connector,
    CoursePack,
    LaunchMonitor,
    MonitorPackage,
    MonitorPlan,
    Part,
    Plan,
    Title,
    TitlePlan,
)
from core.model.progress import Progress, tell_progress, unwatched
from core.quantities import Money, Sentence, say

UNLOCKED_BY = (
    "title.monitor",
    "title.further",
    "monitor.data",
    "monitor.packages",
    "monitor.putting",
    "title.features",
    "title.courses",
    "title.wished_courses",
    "title.packs",
    "title.later_versions",
    "title.subscription",
    "monitor.subscription",
)
"""The checks that licences answer: links, data, features, courses, versions, and what the household thinks of fees."""
MOST_OF_A_KIND = 4
"""Add-ons of one kind that are weighed together, the first by price: sixteen ways."""

T = TypeVar("T")


class Choice(NamedTuple):
    """One way to decide about licences."""

    monitor_plan: str | None
    title_plan: str | None
    add_ons: tuple[str, ...]
    """Ids of parts, in order."""
    further: tuple[tuple[str, str | None], ...] = ()
    """Of further titles and monitors: the extra that each is, and its plan."""


@dataclass(frozen=True)
class LicenceSet:
    """A choice made in a build, judged and priced."""

    choice: Choice
    names: tuple[str, ...]
    """Its plans and add-ons, as people call them."""
    up_front: Money | None
    yearly: Money | None
    horizon: Money | None
    """Over the brief's years; `None` where a price is not known."""
    at_least: Money
    """What of that is known."""
    missing: Missing | None
    """The first price that is not known."""
    locked: tuple[Told, ...]
    """What it leaves locked that another set unlocks, or may."""
    open: tuple[Missing, ...]
    """Facts without which it is not known what it unlocks."""
    brings: tuple[str, ...]
    """All that it unlocks or brings along."""

    @property
    def dearness(self) -> tuple[int, bool, int, int]:
        """Least left locked first, then cheapest, unknown last; of equals the one with fewer add-ons."""
        minor = self.horizon.minor if self.horizon else 0
        return len(self.locked), self.horizon is None, minor, len(self.choice.add_ons)

    @property
    def locks(self) -> frozenset[tuple[str, str]]:
        """What it leaves locked, by verdict."""
        return frozenset(told.verdict.key for told in self.locked)

    @property
    def in_words(self) -> str:
        """Its names in a row."""
        return " with ".join(self.names) or "nothing"

    def adds_to(self, least: "LicenceSet") -> tuple[str, ...]:
        """What it unlocks or brings along that `least` does not: nobody asked for it."""
        return tuple(what for what in self.brings if what not in least.brings)


@dataclass(frozen=True, eq=False)
class Licences:
    """The sets of a build, the best first, and the one that it holds."""

    held: LicenceSet
    sets: tuple[LicenceSet, ...]
    cut_short: bool
    """There were more than could be looked at."""
    years: int
    says_what_for: bool
    """The brief says what is wanted; until it does, all that is held is."""

    @property
    def in_years(self) -> str:
        """The time that they are paid over."""
        return "1 year" if self.years == 1 else f"{self.years} years"

    @property
    def least(self) -> LicenceSet:
        """The cheapest of those that leave the least locked."""
        return self.sets[0]

    @property
    def serving(self) -> tuple[LicenceSet, ...]:
        """Those of which it is known that they leave nothing locked that the held one unlocks; it is among them."""
        alike = (each for each in self._as_wanted if each.locks <= self.held.locks and not each.open)
        return (self.held, *(each for each in alike if each is not self.held))

    @property
    def may_serve(self) -> tuple[LicenceSet, ...]:
        """Those that would serve, or cost less, if what is not known of them were well."""
        return tuple(
            each
            for each in self._as_wanted
            if (each.open or each.missing)
            and all(told.state is State.UNKNOWN or told.verdict.key in self.held.locks for told in each.locked)
        )

    @property
    def _as_wanted(self) -> tuple[LicenceSet, ...]:
        """Until the brief says what for, those that bring all that the held one does."""
        return tuple(each for each in self.sets if self.says_what_for or not self.held.adds_to(each))

    @property
    def for_the_same(self) -> LicenceSet:
        """The cheapest of those that serve as the held one does."""
        return min(self.serving, key=lambda each: each.dearness[1:])

    @property
    def headline(self) -> Sentence:
        """What an experienced friend would say of what is held."""
        held, same, least, years = self.held, self.for_the_same, self.least, self.in_years
        if held.horizon is None:
            return say("What the plans that you hold cost is not known")
        if held.open:
            return say("What the plans that you hold unlock is not known: {fact}", fact=held.open[0].fact)
        if same.horizon is not None and same.horizon < held.horizon:
            less = held.horizon - same.horizon
            words = "{names} unlocks no less, for {less} less over {years}"
            return say(words, names=same.in_words, less=less, years=years)
        if len(least.locked) == len(held.locked):
            return say("What you hold is the least that unlocks what is wanted")
        if least.horizon is None:
            return say("What you hold leaves something locked; what would unlock it has no price")
        words = "What you hold leaves something locked; {names} unlocks more, for {more} more over {years}"
        return say(words, names=least.in_words, more=least.horizon - held.horizon, years=years)


def weigh_licences(
    now: Evaluation, add_ons: Iterable[Part], most: int, progress: Progress = unwatched
) -> Licences | None:
    """Every set for the monitors and the software of the build that was evaluated `now`, with what it has of add-ons
    and `add_ons` besides; `None` where it has neither. Raises `Stopped`.

    Beyond `most` sets the rest is not looked at. Nothing of them is remembered: they would push out what is.
    """
    given = now.given
    assert isinstance(given, Given)
    parts = {**{part.id: part for part in add_ons}, **parts_in(given)}
    licensed = [*_hung(given), *_beside(given)]
    if not licensed:
        return None
    held = held_licences(given.build, parts)
    choices = list(islice(_choices(given.build, [part for _, part in licensed], parts), most + 1))
    memo, judged = Memo(), []
    every = tuple(dict.fromkeys((held, *choices[:most])))
    for number, choice in enumerate(every):
        tell_progress(progress, number / len(every), "sets of licences")
        there = now if choice == held else _under(now, given, parts, choice, memo)
        judged.append((choice, there))
    best = _best_states(there for _, there in judged)
    sets = [_set(choice, there, parts, best) for choice, there in judged]
    brief = given.build.brief
    return Licences(
        held=sets[0],
        sets=tuple(sorted(sets, key=lambda each: each.dearness)),
        cut_short=len(choices) > most,
        years=brief.horizon_years,
        says_what_for=_says_what_for(brief),
    )


def parts_in(given: Given) -> dict[str, Part]:
    """The parts on the chain and beside it, by id."""
    hung, kit = _record(given, Chain), _record(given, Kit)
    return {**{part.id: part for part in kit.parts}, **{each.part.id: each.part for each in hung}}


def under_licences(build: Build, parts: Mapping[str, Part], choice: Choice) -> Build:
    """`build` with the plans and add-ons of `choice`; add-ons that it has already stay as they are."""
    chain_of = dict(build.chain)
    for slot, plan in ((Slot.MONITOR, choice.monitor_plan), (Slot.TITLE, choice.title_plan)):
        hung = chain_of.get(slot)
        if hung is not None and hung.plan != plan:
            chain_of[slot] = hung.model_copy(update={"plan": plan})
    plans, chosen = dict(choice.further), set(choice.add_ons)
    kept = [
        extra.model_copy(update={"plan": plans[extra.id]}) if plans.get(extra.id, extra.plan) != extra.plan else extra
        for extra in build.extras
        if extra.owned or extra.part in chosen or not isinstance(parts[extra.part], ADD_ONS)
    ]
    for id in choice.add_ons:
        if id not in {extra.part for extra in kept}:
            taken = [extra.id for extra in (*build.extras, *kept)]
            kept.append(Extra(id=free_id(f"licence-{id}"[:70], taken), part=id))
    changed = tuple(kept) != build.extras
    return build.model_copy(update={"chain": chain_of, **({"extras": tuple(kept)} if changed else {})})


def held_licences(build: Build, parts: Mapping[str, Part]) -> Choice:
    """What a build has decided about licences."""
    monitor, title = build.chain.get(Slot.MONITOR), build.chain.get(Slot.TITLE)
    return Choice(
        monitor.plan if monitor else None,
        title.plan if title else None,
        tuple(sorted({extra.part for extra in build.extras if isinstance(parts[extra.part], ADD_ONS)})),
        tuple((extra.id, extra.plan) for extra in build.extras if isinstance(parts[extra.part], LICENSED)),
    )


def _hung(given: Given) -> Iterator[tuple[str, Part]]:
    return ((each.slot, each.part) for each in _record(given, Chain) if isinstance(each.part, LICENSED))


def _beside(given: Given) -> Iterator[tuple[str, Part]]:
    return ((extra.id, part) for extra, part in _record(given, Kit).extras if isinstance(part, LICENSED))


def _record(given: Given, kind: type[T]) -> T:
    value = given[kind]
    assert isinstance(value, kind)
    return value


def _under(now: Evaluation, given: Given, parts: Mapping[str, Part], choice: Choice, memo: Memo) -> Evaluation:
    build = under_licences(given.build, parts, choice)
    return now.under(given_readings(build, parts, now.reading(Today), before=given, memo=memo), memo)


def _choices(build: Build, licensed: Sequence[Part], parts: Mapping[str, Part]) -> Iterator[Choice]:
    monitors = {part.id for part in licensed if isinstance(part, LaunchMonitor)}
    titles = {part.id for part in licensed if isinstance(part, Title)}
    owned = {extra.part for extra in build.extras if extra.owned and isinstance(parts[extra.part], ADD_ONS)}
    # What a small item asks for is decided there, and is there in every set.
    settled = {decision.part for decision in build.small_items.values() if decision.part}
    free = [part for part in parts.values() if part.id not in owned | settled]
    kinds: tuple[list[Part], ...] = (
        [p for p in free if isinstance(p, MonitorPackage) and monitors & {*p.monitors}],
        [p for p in free if isinstance(p, CoursePack) and titles & {*(p.titles or ())}],
        [p for p in free if isinstance(p, Connector) and monitors & {*p.monitors} and titles & {*p.titles}],
    )
    ways = [list(_subsets(kind, build.brief.currency)) for kind in kinds]
    hung = (build.chain.get(slot) for slot in (Slot.MONITOR, Slot.TITLE))
    plans, other_plans = (_plans(parts[each.part] if each else None) for each in hung)
    further = [extra for extra in build.extras if isinstance(parts[extra.part], LICENSED)]
    further_plans = [[(extra.id, plan) for plan in _plans(parts[extra.part])] for extra in further]
    for plan, other, beside in product(plans, other_plans, product(*further_plans)):
        for add_ons in product(*ways):
            chosen = {part.id for part in chain.from_iterable(add_ons)} | owned
            yield Choice(plan, other, tuple(sorted(chosen)), tuple(beside))


def _subsets(parts: Sequence[Part], currency: str) -> Iterator[tuple[Part, ...]]:
    """Every way to take some of them, none first; of many the first by price and name."""
    cheapest = sorted(parts, key=lambda part: dearness(part, currency))[:MOST_OF_A_KIND]
    return chain.from_iterable(combinations(cheapest, count) for count in range(len(cheapest) + 1))


def _plans(part: Part | None) -> tuple[str | None, ...]:
    """Every plan; a part without plans has none to choose."""
    return (tuple(plan.id for plan in plans_of(part)) if part else ()) or (None,)


def _best_states(found: Iterable[Evaluation]) -> dict[tuple[str, str], int]:
    """How well each check that licences answer comes out at best, by key."""
    best: dict[tuple[str, str], int] = {}
    for evaluation in found:
        for verdict in answers(evaluation):
            best[verdict.key] = min(best.get(verdict.key, verdict.state.rank), verdict.state.rank)
    return best


def answers(found: Evaluation) -> tuple[Verdict, ...]:
    """The verdicts of the checks that licences answer."""
    return tuple(chain.from_iterable(found.of_check(id) for id in UNLOCKED_BY))


def _set(
    choice: Choice, found: Evaluation, parts: Mapping[str, Part], best: Mapping[tuple[str, str], int]
) -> LicenceSet:
    given, costs = found.given, found.reading(LicenceCosts)
    assert isinstance(given, Given)
    assert costs is not None
    brief, lines = given.build.brief, costs.lines
    missing = next((line.missing for line in lines if line.missing), None)
    up_front = Money.total([line.up_front for line in lines if line.up_front], brief.currency)
    yearly = Money.total([line.yearly for line in lines if line.yearly], brief.currency)
    fees = [line.fee.within(brief.horizon_years) for line in lines if line.fee]
    horizon = Money.total([up_front, *fees], brief.currency)
    held = [*_plans_held(given)]
    return LicenceSet(
        choice,
        (*(f"{part.name} {plan.name}" for part, plan in held), *(parts[id].name for id in choice.add_ons)),
        None if missing else up_front,
        None if missing else yearly,
        None if missing else horizon,
        horizon,
        missing,
        tuple(found.told(v) for v in answers(found) if v.state.rank > best.get(v.key, v.state.rank)),
        tuple(verdict.missing for verdict in answers(found) if verdict.missing),
        tuple(_brings(held, choice, parts)),
    )


def with_locked(licences: LicenceSet, found: Evaluation) -> LicenceSet:
    """A set told with all that it leaves open, whether or not another set would unlock it."""
    return replace(licences, locked=tuple(found.told(v) for v in answers(found) if v.state.rank > 0))


def _plans_held(given: Given) -> Iterator[tuple[Part, Plan]]:
    hung, kit = _record(given, Chain), _record(given, Kit)
    both = (*((each.part, each.decided.plan) for each in hung), *((part, extra.plan) for extra, part in kit.extras))
    return ((part, plan) for part, id in both for plan in plans_of(part) if plan.id == id)


def _brings(held: Iterable[tuple[Part, Plan]], choice: Choice, parts: Mapping[str, Part]) -> dict[str, None]:
    found: dict[str, None] = {}
    for part, plan in held:
        if isinstance(plan, MonitorPlan):
            found.update(dict.fromkeys(field.words for field in plan.unlocks))
            found.update(dict.fromkeys(parts[id].name for id in plan.bundled_titles if id in parts))
        elif isinstance(plan, TitlePlan):
            found.update(dict.fromkeys(feature.words for feature in plan.features or ()))
            if plan.courses:
                found[f"{plan.courses} courses of {part.name}"] = None
    for id in choice.add_ons:
        add_on = parts[id]
        if isinstance(add_on, MonitorPackage):
            found.update(dict.fromkeys(field.words for field in add_on.unlocks))
        elif isinstance(add_on, CoursePack):
            found[add_on.name] = None
    return found


def _says_what_for(brief: Brief) -> bool:
    return bool(brief.courses_wanted) or any(is_wanted(brief, purpose) for purpose in Purpose)
