"""Paths as JSON."""

from dataclasses import dataclass

from core.formats.report_json.figures import FigureJson, figure_json, maybe_figure_json, signed_money_json
from core.money.paths import Path, Taken
from core.quantities import UnitSystem


@dataclass(frozen=True, slots=True)
class GivenUpJson:
    """Something that the next build has no more."""

    label: str
    cost: FigureJson
    sells_for: FigureJson | None
    """Nothing where nobody knows."""


@dataclass(frozen=True, slots=True)
class StepTakenJson:
    """A build on the way, as it is taken."""

    name: str
    day: str
    assumed: bool
    """Nobody said when."""
    bought: FigureJson
    new: list[str]
    fees: FigureJson
    given_up: list[GivenUpJson]
    unpriced: list[str]


@dataclass(frozen=True, slots=True)
class PathJson:
    """A row of builds, beside buying the last of them at once."""

    headline: str
    steps: list[StepTakenJson]
    total: FigureJson
    at_once: FigureJson
    thrown_away: FigureJson
    over_at_once: FigureJson


def path_json(path: Path, system: UnitSystem) -> PathJson:
    """`path` for a reader of `system`."""
    return PathJson(
        headline=path.headline.text(system),
        steps=[_step_json(step, system) for step in path.steps],
        total=figure_json(path.total, system),
        at_once=figure_json(path.at_once, system),
        thrown_away=figure_json(path.thrown_away, system),
        over_at_once=signed_money_json(path.over_at_once),
    )


def _step_json(step: Taken, system: UnitSystem) -> StepTakenJson:
    return StepTakenJson(
        name=step.name,
        day=step.day.isoformat(),
        assumed=step.assumed,
        bought=figure_json(step.bought, system),
        new=list(step.new),
        fees=figure_json(step.fees, system),
        given_up=[
            GivenUpJson(each.label, figure_json(each.cost, system), maybe_figure_json(each.sells_for, system))
            for each in step.given_up
        ],
        unpriced=list(step.unpriced),
    )
