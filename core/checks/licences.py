"""Licences: nothing paid twice, what a licence paid once is worth later, packs and connectors that fit."""

from collections.abc import Iterable
from typing import Annotated

from core.checks.data import WantedData
from core.checks.figures import in_a_row, stated_input
from core.checks.limits import State, Words
from core.checks.places import between, on
from core.checks.register import check
from core.checks.verdict import Answer, Basis, Cure, Input, find_out, press
from core.checks.weights import is_wanted
from core.model import acts
from core.model.brief import Brief, Purpose
from core.model.build import Slot
from core.model.facts import FactAt, known
from core.model.kit import Beside
from core.model.parts import (
    Billing,
    Connector,
    CoursePack,
    DataLink,
    Feature,
    LaunchMonitor,
    LinkAdapter,
    Machine,
    MonitorPackage,
    MonitorPlan,
    Title,
    TitlePlan,
    link_to,
)
from core.quantities import Sentence, say

FEATURES_BY_PURPOSE: dict[Purpose, tuple[Feature, ...]] = {
    Purpose.SWING_WORK: (Feature.RANGE,),
    Purpose.CLUB_TESTING: (Feature.RANGE,),
    Purpose.COACHING: (Feature.RANGE, Feature.COACHING),
    Purpose.FAMILY_GAMES: (Feature.SKILLS_GAMES, Feature.CHILDREN),
    Purpose.PUTTING: (Feature.PUTTING,),
}
"""What a purpose wants of software (trade)."""


WEIGHED = FactAt("money", "licences")
"""Where every set of licences is weighed."""


@check("title.bundle", title="Nothing paid twice", place=between(Slot.MONITOR, Slot.TITLE))
def bundle(
    monitor: Annotated[LaunchMonitor, "id", "plans"],
    plan: Annotated[MonitorPlan, "bundled_titles", "name", "tier", "unlocks"],
    title: Annotated[Title, "id", "monitor_links", "name"],
    title_plan: Annotated[TitlePlan, "billing"],
    packages: Annotated[Beside[MonitorPackage], "monitors", "name", "needs_tier", "unlocks"],
    wishes: WantedData | None,
) -> Answer:
    """The monitor's plan is no higher than data and software need, and no package repeats what the plan unlocks.

    A higher plan that brings the software along is worth it where that would be paid for besides. A package that asks
    for a higher plan than is held unlocks nothing: blocked. Until purposes say what data are wanted, all that the plan
    unlocks is.
    """
    link = link_to(title, monitor)
    wanted_tier = link.tier if link else 0
    bundled = title.id in plan.bundled_titles
    its_packages = [package for package in packages if monitor.id in package.monitors]
    asked_tiers = {p.name: known(p, "needs_tier") for p in its_packages}
    locked = [name for name, tier in asked_tiers.items() if tier > plan.tier]
    repeated = [package.name for package in its_packages if set(package.unlocks) & set(plan.unlocks)]
    bringing = [other for other in monitor.plans if title.id in other.bundled_titles]
    paid = title_plan.billing is not Billing.FREE and not bundled
    twice = paid and plan.tier > wanted_tier and bool(plan.bundled_titles) and not bundled
    lower = _lower_plan(monitor, plan, max((wanted_tier, *asked_tiers.values())), title.id if bundled else "", wishes)
    cures: list[Sentence | Cure] = []
    if locked:
        headline = say("{packages} works with a higher plan alone", packages=in_a_row(locked))
        cures.append(say("Take a plan of tier {tier}, or drop it.", tier=str(max(asked_tiers.values()))))
    elif repeated:
        headline = say("Plan {plan} and {packages} unlock the same", plan=plan.name, packages=in_a_row(repeated))
        cures.append(say("Drop the package, or take a lower plan."))
    elif twice:
        headline = say(
            "Plan {plan} brings other software along, and {title} is paid besides", plan=plan.name, title=title.name
        )
        cures.append(say("Play what the plan brings: {titles}.", titles=in_a_row(plan.bundled_titles)))
    elif lower is not None:
        headline = say("Plan {plan} is dearer than what is used of it", plan=plan.name)
        act = acts.under_plan(Slot.MONITOR, lower.id)
        cures.append(press(act, "Take plan {plan}: it unlocks all that is wanted.", plan=lower.name))
    elif bundled:
        headline = say("Plan {plan} brings {title} along", plan=plan.name, title=title.name)
    else:
        headline = say("Each is paid for once")
    if locked or repeated or twice or lower:
        # What a check can tell at once is about plans that are held; every set is made and judged by the worker.
        cures.append(find_out(WEIGHED, "Weigh every set of plans, packages and packs: the least is shown."))
    if twice and bringing:
        cures.append(say("Plan {plan} brings {title} along.", plan=bringing[0].name, title=title.name))
    return Answer(
        Words(
            State.BLOCKED if locked else State.TIGHT if repeated or twice or lower else State.CLEAR,
            plan.name,
            "each paid for once",
        ),
        headline=lambda: headline,
        formula="software and data in the monitor's plan, against what is paid for besides",
        inputs=lambda: (
            stated_input("Plan brings", in_a_row(plan.bundled_titles)),
            stated_input("Plan unlocks", in_a_row(field.words for field in plan.unlocks)),
            stated_input("Software's plan", title_plan.name),
            *(stated_input(f"{name} needs", f"tier {tier}") for name, tier in asked_tiers.items()),
        ),
        cures=lambda: tuple(cures),
    )


def _lower_plan(
    monitor: LaunchMonitor, plan: MonitorPlan, least_tier: int, brings: str, wishes: WantedData | None
) -> MonitorPlan | None:
    """The lowest under `plan` that links, brings that title along, and unlocks what of the wanted data it does."""
    wanted = set(plan.unlocks) if wishes is None else {*wishes.needed, *wishes.wished} & set(plan.unlocks)
    serving = (
        other
        for other in monitor.plans
        if least_tier <= other.tier < plan.tier
        and wanted <= set(other.unlocks)
        and (not brings or brings in other.bundled_titles)
    )
    return min(serving, key=lambda other: other.tier, default=None)


@check("title.later_versions", title="Later versions", place=on(Slot.TITLE))
def later_versions(
    title: Annotated[Title, "monitor_links"],
    plan: Annotated[TitlePlan, "billing", "later_versions", "name", "version"],
    monitor: Annotated[LaunchMonitor, "id"] | None,
) -> Answer:
    """A licence paid once may stop at today's version; a subscription brings later ones along.

    One that stops before the version in which the monitor's link came never hears the monitor.
    """
    once = plan.billing is Billing.ONCE
    later = known(plan, "later_versions", title) if once else True
    link = None if later or monitor is None else link_to(title, monitor)
    needs = link.from_version if link else None
    stops_at = plan.version if needs is None else known(plan, "version", title)
    behind = needs is not None and stops_at is not None and stops_at < needs
    if later:
        headline = say("Later versions are included")
    elif behind:
        headline = say(
            "Plan {plan} stops at version {stops}, the link came in {needs}",
            plan=plan.name,
            stops=str(stops_at),
            needs=str(needs),
        )
    else:
        headline = say("Plan {plan} stops at today's version", plan=plan.name)
    return Answer(
        Words(
            State.CLEAR if later else State.BLOCKED if behind else State.TIGHT,
            "included" if later else "not included",
            "included",
        ),
        headline=lambda: headline,
        formula="what the maker says of versions that come out later, and the version that the link asks for",
        inputs=lambda: (
            stated_input("Plan", plan.name),
            stated_input("Paid", plan.billing.value),
            stated_input("Stops at version", "none" if later else str(stops_at or "not stated")),
            stated_input("Link came in version", str(needs or "any")),
        ),
        cures=lambda: (
            say("Count in the price of a new licence within the horizon, or take a plan with later versions."),
        ),
    )


@check("title.features", title="What the software is used for", place=on(Slot.TITLE))
def features(
    brief: Annotated[Brief, "purposes"],
    title: Annotated[Title, "id", "plans"],
    plan: Annotated[TitlePlan, "features"],
    course_packs: Annotated[Beside[CoursePack], "features", "titles"],
) -> Answer:
    """The software's plan, with its packs, offers what the purposes want: a range, games, coaching, putting."""
    purposes = [purpose for purpose in Purpose if is_wanted(brief, purpose)]
    asked = tuple(dict.fromkeys(f for purpose in purposes for f in FEATURES_BY_PURPOSE.get(purpose, ())))
    offered = known(plan, "features", title)
    packs = [pack for pack in course_packs if title.id in (pack.titles or ())]
    has = (*offered, *(feature for pack in packs for feature in pack.features))
    missing = [feature for feature in asked if feature not in has]
    elsewhere = [other.name for other in title.plans if other.features and set(missing) <= set(other.features)]
    never = bool(missing) and len(missing) == len(asked) and not elsewhere
    return Answer(
        Words(
            State.BLOCKED if never else State.TIGHT if missing else State.CLEAR,
            _features(has),
            _features(asked),
            _features(missing) if missing else "",
        ),
        headline=lambda: (
            say("Lacks {missing}", missing=_features(missing)) if missing else say("Offers all that is wanted")
        ),
        formula="features wanted by purposes that weigh 3 or more − features of plan and packs",
        inputs=lambda: (
            stated_input("Offered", _features(has)),
            Input("Wanted", _features(asked), Basis.TRADE),
        ),
        cures=lambda: (
            (say("Plans that have it: {plans}.", plans=in_a_row(elsewhere)),)
            if elsewhere
            else (say("Choose other software."),)
        ),
    )


@check("title.online", title="Connection that the software needs", place=between(Slot.TITLE, Slot.MACHINE))
def online(
    title: Annotated[Title, "online"],
    machine: Annotated[Machine, "links"],
    adapters: Annotated[Beside[LinkAdapter], "gives"],
) -> Answer:
    """Software that must be connected to play needs a machine with Wi-Fi or a network cable."""
    needs = known(title, "online")
    own = known(machine, "links")
    links = (*own, *(link for adapter in adapters for link in adapter.gives or ()))
    connected = DataLink.WIFI in links or DataLink.NETWORK in links
    state = State.CLEAR if connected or needs == "no" else State.BLOCKED if needs == "needed" else State.TIGHT
    return Answer(
        Words(state, in_a_row(link.words for link in links), "Wi-Fi or network cable" if needs != "no" else "nothing"),
        headline=lambda: (
            say("{machine} can be connected", machine=machine.name)
            if connected
            else say("{title} plays without a connection", title=title.name)
            if needs == "no"
            else say("{machine} has no way to be connected", machine=machine.name)
        ),
        formula="Wi-Fi or network among the machine's links",
        inputs=lambda: (
            stated_input("Connection", needs),
            stated_input("Machine", in_a_row(link.words for link in own)),
        ),
        cures=lambda: (say("A small Wi-Fi adapter, or a network cable."),),
    )


@check("title.packs", title="Packs and connectors fit", place=on(Slot.TITLE))
def packs(
    title: Annotated[Title, "id", "monitor_links"],
    monitor: Annotated[LaunchMonitor, "id"] | None,
    course_packs: Annotated[Beside[CoursePack], "name", "titles"],
    connectors: Annotated[Beside[Connector], "monitors", "name", "titles"],
    packages: Annotated[Beside[MonitorPackage], "monitors", "name"],
) -> Answer:
    """Course packs and connectors are made for this software, packages for this monitor.

    A connector beside software that listens to the monitor natively has nothing to do: tight.
    """
    astray = [pack.name for pack in course_packs if title.id not in known(pack, "titles")]
    astray += [
        connector.name
        for connector in connectors
        if title.id not in connector.titles or (monitor is not None and monitor.id not in connector.monitors)
    ]
    if monitor is not None:
        astray += [package.name for package in packages if monitor.id not in package.monitors]
    link = link_to(title, monitor) if monitor is not None else None
    native = link is not None and link.via == "native"
    idle = [connector.name for connector in connectors] if native and not astray else []
    return Answer(
        Words(
            State.BLOCKED if astray else State.TIGHT if idle else State.CLEAR, in_a_row(astray or idle), "none astray"
        ),
        headline=lambda: (
            say("{names} is made for another", names=in_a_row(astray))
            if astray
            else say("{title} needs no {names}: it listens natively", title=title.name, names=in_a_row(idle))
            if idle
            else say("All packs are made for what hangs here")
        ),
        formula="packs, packages and connectors whose maker does not list what hangs here, or that have nothing to do",
        inputs=lambda: (
            stated_input("Software", title.name),
            stated_input("Monitor", monitor.name if monitor else "none"),
        ),
        cures=lambda: (say("Take {names} off, or choose what it is made for.", names=in_a_row(astray or idle)),),
    )


def _features(found: Iterable[Feature]) -> str:
    return in_a_row(feature.words for feature in found)
