"""What each candidate would do, as JSON."""

from dataclasses import dataclass
from datetime import date

from core.checks.limits import State
from core.formats.report_json.figures import FigureJson, signed_money_json
from core.formats.report_json.verdicts import ReasonJson, reasons_json
from core.formats.spec_sheet import spec_rows
from core.model.parts import Part
from core.quantities import UnitSystem
from core.report.alternatives import Alternative


@dataclass(frozen=True, slots=True)
class FactJson:
    """One row of a spec sheet."""

    name: str
    text: str
    source: str
    """Where it was read, and when."""
    doubts: list[str]
    """What is old or disputed about it."""


@dataclass(frozen=True, slots=True)
class AlternativeJson:
    """A candidate for a place, and what it would do there."""

    part: str
    kind: str
    maker: str
    name: str
    note: str
    price: str
    hangs_now: bool
    state: State
    reasons: list[ReasonJson]
    better: list[ReasonJson]
    worse: list[ReasonJson]
    links: list[ReasonJson]
    """For each link to a neighbour, the rule that could break it."""
    up_front_change: FigureJson
    yearly_change: FigureJson
    horizon_change: FigureJson
    priced: bool
    facts: list[FactJson]


def facts_json(part: Part, system: UnitSystem, today: date) -> list[FactJson]:
    """The sheet of `part` as rows."""
    rows = spec_rows(part, system, today)
    return [FactJson(row.name, row.text, row.source, list(row.doubts)) for row in rows]


def alternative_json(alternative: Alternative, system: UnitSystem, today: date) -> AlternativeJson:
    """`alternative` for a reader of `system`."""
    part = alternative.part
    return AlternativeJson(
        part=part.id,
        kind=getattr(part, "kind", ""),
        maker=part.maker,
        name=part.name,
        note=part.note,
        price=part.price.told if part.price else "price not known",
        hangs_now=alternative.hangs_now,
        state=alternative.state,
        reasons=reasons_json(map(alternative.told, alternative.reasons), system),
        better=reasons_json(map(alternative.told, alternative.better), system),
        worse=reasons_json(map(alternative.told, alternative.worse), system),
        up_front_change=signed_money_json(alternative.up_front_change),
        yearly_change=signed_money_json(alternative.yearly_change),
        horizon_change=signed_money_json(alternative.horizon_change),
        links=reasons_json(map(alternative.told, alternative.links), system),
        priced=alternative.priced,
        facts=facts_json(part, system, today),
    )
