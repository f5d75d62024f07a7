"""Sets of licences as JSON."""

from dataclasses import dataclass

from core.checks.licence_sets import Licences, LicenceSet
from core.formats.report_json.figures import FigureJson, maybe_figure_json, signed_money_json
from core.quantities import UnitSystem
from core.report.licences import PricedPart

SETS_TOLD = 6


@dataclass(frozen=True, slots=True)
class FurtherPlanJson:
    """The plan of a further title or monitor, by the extra that it is."""

    extra: str
    plan: str | None


@dataclass(frozen=True, slots=True)
class LicenceSetJson:
    """One way to decide about licences, made, judged and priced."""

    names: list[str]
    up_front: FigureJson | None
    yearly: FigureJson | None
    horizon: FigureJson | None
    more: FigureJson | None
    """Over the horizon, than what is held."""
    locked: list[str]
    """What it leaves locked that another set unlocks."""
    adds: list[str]
    """What it brings that the least one does not: nobody asked for it."""
    held: bool
    monitor_plan: str | None
    title_plan: str | None
    add_ons: list[str]
    further: list[FurtherPlanJson]


@dataclass(frozen=True, slots=True)
class PricedPartJson:
    """Another monitor, or other software, with its least set."""

    part: str
    name: str
    device: FigureJson | None
    licences: list[str]
    total: FigureJson | None
    locked: list[str]
    rules_out: list[str]
    """What is blocked with it and was not before."""


@dataclass(frozen=True, slots=True)
class LicencesJson:
    """The sets of a build, the best first, and what other monitors and other software cost with theirs."""

    headline: str
    years: int
    sets: list[LicenceSetJson]
    tried: int
    cut_short: bool
    monitors: list[PricedPartJson]
    titles: list[PricedPartJson]


def licences_json(
    found: Licences, monitors: tuple[PricedPart, ...], titles: tuple[PricedPart, ...], system: UnitSystem
) -> LicencesJson:
    """`found` for a reader of `system`."""
    always = (found.for_the_same, found.held)
    told = [each for n, each in enumerate(found.sets) if n < SETS_TOLD or any(each is other for other in always)]
    return LicencesJson(
        headline=found.headline.text(system),
        years=found.years,
        sets=[_set_json(each, found, system) for each in told],
        tried=len(found.sets),
        cut_short=found.cut_short,
        monitors=[_priced_json(each, system) for each in monitors],
        titles=[_priced_json(each, system) for each in titles],
    )


def _set_json(each: LicenceSet, found: Licences, system: UnitSystem) -> LicenceSetJson:
    held = found.held.horizon
    return LicenceSetJson(
        names=list(each.names),
        up_front=maybe_figure_json(each.up_front, system),
        yearly=maybe_figure_json(each.yearly, system),
        horizon=maybe_figure_json(each.horizon, system),
        more=signed_money_json(each.horizon - held) if each.horizon is not None and held is not None else None,
        locked=[told.headline.text(system) for told in each.locked],
        adds=list(each.adds_to(found.least)),
        held=each is found.held,
        monitor_plan=each.choice.monitor_plan,
        title_plan=each.choice.title_plan,
        add_ons=list(each.choice.add_ons),
        further=[FurtherPlanJson(*one) for one in each.choice.further],
    )


def _priced_json(each: PricedPart, system: UnitSystem) -> PricedPartJson:
    return PricedPartJson(
        part=each.part.id,
        name=f"{each.part.maker} {each.part.name}",
        device=maybe_figure_json(each.device, system),
        licences=list(each.least.names),
        total=maybe_figure_json(each.total, system),
        locked=[told.headline.text(system) for told in each.least.locked],
        rules_out=[told.headline.text(system) for told in each.rules_out],
    )
