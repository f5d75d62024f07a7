"""The data that the brief wants against the data that monitor, plan and packages tell."""

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Annotated, NamedTuple

from core.checks.declared import THERE
from core.checks.figures import in_a_row, stated_input
from core.checks.further import FurtherData, FurtherMonitors, Held, unlocked_by
from core.checks.limits import State, Words
from core.checks.places import on
from core.checks.register import check, derive
from core.checks.verdict import Answer, Basis, Input
from core.checks.weights import is_wanted, lacking
from core.model.brief import Brief, Purpose
from core.model.build import Slot
from core.model.facts import known
from core.model.kit import Beside
from core.model.parts import DataField, LaunchMonitor, MonitorPackage, MonitorPlan
from core.quantities import Sentence, say

NEEDED_BY_PURPOSE: dict[Purpose, tuple[DataField, ...]] = {
    Purpose.FULL_ROUNDS: (DataField.BALL_SPEED, DataField.LAUNCH_ANGLE, DataField.LAUNCH_DIRECTION),
    Purpose.CLUB_TESTING: (DataField.BALL_SPEED, DataField.SPIN_RATE, DataField.CARRY),
    Purpose.COACHING: (DataField.CLUB_SPEED,),
    Purpose.PUTTING: (DataField.PUTTING,),
    Purpose.SWING_WORK: (DataField.BALL_SPEED,),
}
"""Without these a purpose is not met at all (trade)."""
WISHED_BY_PURPOSE: dict[Purpose, tuple[DataField, ...]] = {
    Purpose.FULL_ROUNDS: (DataField.SPIN_RATE, DataField.SPIN_AXIS),
    Purpose.CLUB_TESTING: (DataField.CLUB_SPEED, DataField.IMPACT_LOCATION),
    Purpose.COACHING: (DataField.CLUB_PATH, DataField.FACE_ANGLE, DataField.ATTACK_ANGLE),
    Purpose.SWING_WORK: (DataField.CLUB_PATH, DataField.FACE_ANGLE),
}
"""These make it better (trade)."""


@dataclass(frozen=True)
class WantedData:
    """What the purposes need of the main monitor, and what they would like besides."""

    needed: tuple[DataField, ...]
    wished: tuple[DataField, ...]
    elsewhere: tuple[tuple[Purpose, str], ...] = ()
    """Purposes of which a further monitor tells all that is wanted, each with its name."""


@dataclass(frozen=True)
class ToldData:
    """What the monitor tells with the plan and the packages that are held."""

    measured: frozenset[DataField]
    estimated: frozenset[DataField]


@derive
def wanted_data(brief: Annotated[Brief, "purposes"], further: FurtherData | None) -> WantedData | None:
    """`None` where no purpose weighs enough to decide parts. A further monitor serves a purpose where it measures all
    that the purpose needs and likes; the main one is not asked for that then."""
    purposes = [purpose for purpose in Purpose if is_wanted(brief, purpose)]
    elsewhere = {purpose: further.tells(_all_of(purpose)) for purpose in purposes} if further else {}
    own = [purpose for purpose in purposes if not elsewhere.get(purpose)]
    needed = _union(NEEDED_BY_PURPOSE, own)
    wished = tuple(data for data in _union(WISHED_BY_PURPOSE, own) if data not in needed)
    served = tuple((purpose, name) for purpose, name in elsewhere.items() if name)
    return WantedData(needed, wished, served) if needed or wished or served else None


@derive
def told_data(
    monitor: Annotated[LaunchMonitor, "derives", "id", "measures"],
    plan: Annotated[MonitorPlan, "tier", "unlocks"] | None,
    packages: Annotated[Beside[MonitorPackage], "monitors", "needs_tier", "unlocks"],
) -> ToldData:
    """What it measures of itself, what the plan unlocks, and what packages add that work under that plan."""
    own, added = known(monitor, "measures"), unlocked_by(packages, Held(monitor, plan))
    return ToldData(frozenset((*own, *(plan.unlocks if plan else ()), *added)), frozenset(monitor.derives))


class PackageHeld(NamedTuple):
    """A package that is made for a monitor that is held."""

    name: str
    asks_tier: int
    has_tier: int
    """Of the plan of that monitor."""
    adds: bool
    """It unlocks something that monitor and plan do not tell without it."""


@dataclass(frozen=True)
class PackagesHeld:
    """Packages that are made for monitors that are held."""

    each: tuple[PackageHeld, ...]

    @property
    def locked(self) -> tuple[PackageHeld, ...]:
        """Those that ask for a higher plan."""
        return tuple(package for package in self.each if package.asks_tier > package.has_tier)

    @property
    def idle(self) -> tuple[PackageHeld, ...]:
        """Those that add nothing."""
        return tuple(package for package in self.each if not package.adds)


@derive
def packages_held(
    packages: Annotated[Beside[MonitorPackage], "monitors", "name", "needs_tier", "unlocks"],
    monitor: Annotated[LaunchMonitor, "id", "measures"] | None,
    plan: Annotated[MonitorPlan, "tier", "unlocks"] | None,
    further: FurtherMonitors | None,
) -> PackagesHeld | None:
    """`None` where there are none."""
    held = [*([Held(monitor, plan)] if monitor else ()), *(further.each if further else ())]
    made = [(package, one) for package in packages for one in held if one.monitor.id in package.monitors]
    return PackagesHeld(tuple(_package_held(*each) for each in made)) if made else None


def _package_held(package: MonitorPackage, held: Held) -> PackageHeld:
    told = {*(held.monitor.measures or ()), *(held.plan.unlocks if held.plan else ())}
    return PackageHeld(package.name, known(package, "needs_tier"), held.tier, bool({*package.unlocks} - told))


@check("monitor.packages", title="Packages work under the plan", place=on(Slot.MONITOR))
def packages_work(packages: PackagesHeld, monitor: Annotated[LaunchMonitor, "name", "plans"] | None) -> Answer:
    """A package that asks for a higher plan than is held unlocks nothing: blocked. One that repeats what monitor and
    plan tell is tight."""
    locked, idle = packages.locked, packages.idle
    least = max((package.asks_tier for package in locked), default=0)
    enough = [plan.name for plan in monitor.plans if plan.tier >= least] if monitor and locked else []
    names = in_a_row(package.name for package in locked or idle or packages.each)
    return Answer(
        Words(
            State.BLOCKED if locked else State.TIGHT if idle else State.CLEAR,
            names if locked or idle else "none",
            "none that is locked or adds nothing",
        ),
        headline=lambda: (
            say("{packages} works with a higher plan alone", packages=names)
            if locked
            else say("{packages} unlocks nothing that is not told without it", packages=names)
            if idle
            else say("{packages} works under the plan that is held", packages=names)
        ),
        formula="tier of the plan held − tier that the package asks for, and what it unlocks beyond monitor and plan",
        inputs=lambda: tuple(
            stated_input(package.name, f"asks tier {package.asks_tier}, the plan is of {package.has_tier}")
            for package in packages.each
        ),
        cures=lambda: (
            (
                say("Take a plan of tier {tier}, or drop it.", tier=str(least)),
                *((say("Plans that are enough: {plans}.", plans=in_a_row(enough)),) if enough else ()),
            )
            if locked
            else (say("Drop the package, or take a lower plan."),)
        ),
    )


@check("monitor.data", title="Data for the purposes", place=on(Slot.MONITOR))
def data(
    monitor: Annotated[LaunchMonitor, "by_package", "name", "plans"],
    wishes: WantedData,
    told: ToldData,
    plan: Annotated[MonitorPlan, THERE] | None,
) -> Answer:
    """The monitor tells what the purposes need, and what they would like besides.

    What is needed and cannot be had from it with any plan or package blocks; what one would unlock, what is only
    estimated, and what is wished and missing is tight. The least plan or package that unlocks it is named.
    """
    everything = (*wishes.needed, *wishes.wished)
    missing = [field for field in everything if field not in told.measured and field not in told.estimated]
    estimated = [field for field in everything if field in told.estimated and field not in told.measured]
    obtainable = {*monitor.by_package, *(field for other in monitor.plans for field in other.unlocks)}
    hopeless = [field for field in missing if field in wishes.needed and field not in obtainable]
    if hopeless:
        state, headline = (
            State.BLOCKED,
            say("{monitor} never tells {data}", monitor=monitor.name, data=_words(hopeless)),
        )
    elif missing:
        state, headline = State.TIGHT, say("Does not tell {data}", data=_words(missing))
    elif estimated:
        state, headline = State.TIGHT, say("Estimates {data}", data=_words(estimated))
    else:
        state, headline = State.CLEAR, say("Measures all that is wanted")
    return Answer(
        Words(
            state,
            _words([field for field in everything if field in told.measured]),
            _words(everything),
            _words(hopeless or missing) if missing else "",
        ),
        headline=lambda: headline,
        formula="data needed and wished by purposes that weigh 3 or more − data measured",
        inputs=lambda: (
            stated_input("Measured", _words(sorted(told.measured))),
            stated_input("Estimated", _words(sorted(told.estimated))),
            Input("Needed", _words(wishes.needed), Basis.TRADE),
            Input("Wished", _words(wishes.wished), Basis.TRADE),
            *(stated_input(f"Told by {name}", f"all for {purpose.words}") for purpose, name in wishes.elsewhere),
            *(stated_input(f"Plan {other.name} unlocks", _words(other.unlocks)) for other in monitor.plans),
        ),
        cures=lambda: _cures(monitor, plan, missing, estimated),
    )


def least_plan(monitor: LaunchMonitor, data: list[DataField]) -> MonitorPlan | None:
    """The plan of the lowest tier that unlocks the most of `data`; `None` where none unlocks any."""
    gains = [(len(set(data) & set(plan.unlocks)), -plan.tier, plan) for plan in monitor.plans]
    best = max(gains, key=lambda gain: gain[:2], default=None)
    return best[2] if best and best[0] else None


def _cures(
    monitor: LaunchMonitor, plan: MonitorPlan | None, missing: list[DataField], estimated: list[DataField]
) -> tuple[Sentence, ...]:
    better = least_plan(monitor, missing or estimated)
    if better is not None and better != plan:
        unlocked = [field for field in missing or estimated if field in better.unlocks]
        return (say("Plan {plan} unlocks {data}.", plan=better.name, data=_words(unlocked)),)
    wanting = missing or estimated
    packaged = [field for field in wanting if field in monitor.by_package]
    if packaged:
        return (say("A package of {maker} unlocks {data}.", maker=monitor.maker, data=_words(packaged)),)
    return (say("Choose a monitor that measures {data}, or weigh what needs it less.", data=_words(wanting)),)


@check("monitor.putting", title="Reads putts", place=on(Slot.MONITOR))
def putting(
    brief: Annotated[Brief, "purposes"],
    monitor: Annotated[LaunchMonitor, "name"],
    told: ToldData,
    further: FurtherData | None,
) -> Answer:
    """Where putts are wanted, the monitor reads a ball that rolls, or a further one does; else a putt is a gimme,
    unless putting is a must.

    Cameras beside the ball or overhead see slow balls on the ground well; what sits behind it often does not.
    """
    putts = is_wanted(brief, Purpose.PUTTING)
    itself = DataField.PUTTING in told.measured
    other = further.tells((DataField.PUTTING,)) if further and not itself else ""
    reads = itself or bool(other)
    state = State.CLEAR if reads or not putts else lacking(brief, Purpose.PUTTING)
    if reads:
        headline = say("{monitor} reads putts", monitor=other or monitor.name)
    else:
        headline = say("{monitor} does not read putts", monitor=monitor.name)
    return Answer(
        Words(state, "reads putts" if reads else "no putts", "putts" if putts else "nothing"),
        headline=lambda: headline,
        formula="putting among the data measured, where putting weighs 3 or more",
        inputs=lambda: (stated_input("Measured", _words(sorted(told.measured))),),
        cures=lambda: (say("Play putts within a distance as holed, or choose a camera beside the ball or overhead."),),
    )


def _all_of(purpose: Purpose) -> tuple[DataField, ...]:
    return (*NEEDED_BY_PURPOSE.get(purpose, ()), *WISHED_BY_PURPOSE.get(purpose, ()))


def _union(by_purpose: dict[Purpose, tuple[DataField, ...]], purposes: list[Purpose]) -> tuple[DataField, ...]:
    return tuple(dict.fromkeys(field for purpose in purposes for field in by_purpose.get(purpose, ())))


def _words(fields: Iterable[DataField]) -> str:
    return in_a_row(field.words for field in fields)
