"""What each candidate would do, as JSON."""

from dataclasses import dataclass

from core.checks.verdict import State
from core.formats.report_json.figures import FigureJson, signed_money_json
from core.formats.report_json.verdicts import ReasonJson, reasons_json
from core.formats.spec_sheet import spec_rows
from core.quantities import UnitSystem
from core.report.alternatives import Alternative


@dataclass(frozen=True, slots=True)
class FactJson:
    """One row of a spec sheet."""

    name: str
    text: str


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
    up_front_change: FigureJson
    yearly_change: FigureJson
    priced: bool
    facts: list[FactJson]


def alternative_json(alternative: Alternative, system: UnitSystem) -> AlternativeJson:
    """`alternative` for a reader of `system`."""
    part = alternative.part
    return AlternativeJson(
        part=part.id,
        kind=getattr(part, "kind", ""),
        maker=part.maker,
        name=part.name,
        note=part.note,
        price=part.price.money.text() if part.price else "price not known",
        hangs_now=alternative.hangs_now,
        state=alternative.state,
        reasons=reasons_json(alternative.reasons, system),
        better=reasons_json(alternative.better, system),
        worse=reasons_json(alternative.worse, system),
        up_front_change=signed_money_json(alternative.up_front_change),
        yearly_change=signed_money_json(alternative.yearly_change),
        priced=alternative.priced,
        facts=[FactJson(name, text) for name, text in spec_rows(part, system)],
    )
