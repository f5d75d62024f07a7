"""Sets of licences as JSON."""

from collections.abc import Mapping
from dataclasses import dataclass

from core.formats.report_json.figures import FigureJson, maybe_figure_json, signed_money_json
from core.model.parts import Part
from core.quantities import UnitSystem
from core.report.licences import Licences, LicenceSet, MonitorPrice, adds

SETS_TOLD = 6


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


@dataclass(frozen=True, slots=True)
class MonitorPriceJson:
    """Another monitor with its least set."""

    part: str
    name: str
    device: FigureJson | None
    licences: list[str]
    total: FigureJson | None
    locked: list[str]


@dataclass(frozen=True, slots=True)
class LicencesJson:
    """The sets of a build, the best first, and what other monitors cost with theirs."""

    headline: str
    years: int
    sets: list[LicenceSetJson]
    tried: int
    cut_short: bool
    monitors: list[MonitorPriceJson]


def licences_json(
    found: Licences, monitors: tuple[MonitorPrice, ...], parts: Mapping[str, Part], system: UnitSystem
) -> LicencesJson:
    """`found` for a reader of `system`."""
    always = (found.for_the_same, found.held)
    told = [each for n, each in enumerate(found.sets) if n < SETS_TOLD or any(each is other for other in always)]
    return LicencesJson(
        headline=found.headline.text(system),
        years=found.held.build.brief.horizon_years,
        sets=[_set_json(each, found, parts, system) for each in told],
        tried=len(found.sets),
        cut_short=found.cut_short,
        monitors=[_monitor_json(each, system) for each in monitors],
    )


def _set_json(each: LicenceSet, found: Licences, parts: Mapping[str, Part], system: UnitSystem) -> LicenceSetJson:
    held = found.held.horizon
    return LicenceSetJson(
        names=list(each.names),
        up_front=maybe_figure_json(each.up_front, system),
        yearly=maybe_figure_json(each.yearly, system),
        horizon=maybe_figure_json(each.horizon, system),
        more=signed_money_json(each.horizon - held) if each.horizon is not None and held is not None else None,
        locked=[told.headline.text(system) for told in each.locked],
        adds=list(adds(each, found.least, parts)),
        held=each is found.held,
        monitor_plan=each.choice.monitor_plan,
        title_plan=each.choice.title_plan,
        add_ons=list(each.choice.add_ons),
    )


def _monitor_json(each: MonitorPrice, system: UnitSystem) -> MonitorPriceJson:
    return MonitorPriceJson(
        part=each.part.id,
        name=f"{each.part.maker} {each.part.name}",
        device=maybe_figure_json(each.device, system),
        licences=list(each.least.names),
        total=maybe_figure_json(each.total, system),
        locked=[told.headline.text(system) for told in each.least.locked],
    )
