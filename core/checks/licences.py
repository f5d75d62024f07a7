"""Licences: what one that is paid once is worth later, what software is used for, packs and connectors that fit."""

from collections.abc import Iterable
from typing import Annotated

from core.checks.figures import in_a_row, stated_input
from core.checks.further import FurtherMonitors, FurtherTitles, TitlesHeard
from core.checks.limits import State, Words
from core.checks.places import between, on
from core.checks.register import check
from core.checks.verdict import Answer, Basis, Input
from core.checks.weights import is_wanted
from core.model.brief import Brief, Purpose
from core.model.build import Slot
from core.model.facts import known
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
    Title,
    TitlePlan,
    link_to,
)
from core.quantities import say

FEATURES_BY_PURPOSE: dict[Purpose, tuple[Feature, ...]] = {
    Purpose.SWING_WORK: (Feature.RANGE,),
    Purpose.CLUB_TESTING: (Feature.RANGE,),
    Purpose.COACHING: (Feature.RANGE, Feature.COACHING),
    Purpose.FAMILY_GAMES: (Feature.SKILLS_GAMES, Feature.CHILDREN),
    Purpose.PUTTING: (Feature.PUTTING,),
}
"""What a purpose wants of software (trade)."""


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
    further: TitlesHeard | None,
) -> Answer:
    """The software's plan, with its packs, offers what the purposes want: a range, games, coaching, putting; or further
    software does under its own."""
    purposes = [purpose for purpose in Purpose if is_wanted(brief, purpose)]
    asked = tuple(dict.fromkeys(f for purpose in purposes for f in FEATURES_BY_PURPOSE.get(purpose, ())))
    offered = known(plan, "features", title)
    others = further.each if further else ()
    titles = {title.id, *(other.id for other, _ in others)}
    packs = [pack for pack in course_packs if titles.intersection(pack.titles or ())]
    elsewhere = (feature for _, own in others for feature in own.features or ())
    has = tuple(dict.fromkeys((*offered, *(feature for pack in packs for feature in pack.features), *elsewhere)))
    missing = [feature for feature in asked if feature not in has]
    plans = [other.name for other in title.plans if other.features and set(missing) <= set(other.features)]
    never = bool(missing) and len(missing) == len(asked) and not plans
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
        formula="features wanted by purposes that weigh 3 or more − features of plans and packs",
        inputs=lambda: (
            stated_input("Offered", _features(has)),
            Input("Wanted", _features(asked), Basis.TRADE),
        ),
        cures=lambda: (
            (say("Plans that have it: {plans}.", plans=in_a_row(plans)),) if plans else (say("Choose other software."),)
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
    further_titles: FurtherTitles | None,
    further_monitors: FurtherMonitors | None,
) -> Answer:
    """Course packs and connectors are made for software that is held, packages for a monitor that is.

    A connector beside software that listens to the monitor natively has nothing to do: tight.
    """
    titles = {title.id, *(other.id for other, _ in (further_titles.each if further_titles else ()))}
    others = {held.monitor.id for held in (further_monitors.each if further_monitors else ())}
    monitors = others | {monitor.id} if monitor is not None else others
    astray = [pack.name for pack in course_packs if not titles.intersection(known(pack, "titles"))]
    astray += [
        connector.name
        for connector in connectors
        if not titles.intersection(connector.titles) or (monitors and not monitors.intersection(connector.monitors))
    ]
    if monitors:
        astray += [package.name for package in packages if not monitors.intersection(package.monitors)]
    link = link_to(title, monitor) if monitor is not None else None
    native = link is not None and link.via == "native"
    alone = native and len(titles) == 1 and not others
    idle = [connector.name for connector in connectors] if alone and not astray else []
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
