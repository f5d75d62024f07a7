"""Why a part does not work here, as JSON."""

from dataclasses import dataclass

from core.formats.report_json.figures import FigureJson, signed_money_json
from core.formats.report_json.verdicts import ReasonJson, reasons_json
from core.quantities import UnitSystem
from core.report.why_not import Trouble, WhyNot


@dataclass(frozen=True, slots=True)
class AdmissionJson:
    """One change that would admit the part."""

    trouble: Trouble
    change: str
    up_front_change: FigureJson


@dataclass(frozen=True, slots=True)
class WhyNotJson:
    """What rules a part out, and what would admit it, least trouble first."""

    part: str
    name: str
    ruled_out_by: list[ReasonJson]
    admitted_by: list[AdmissionJson]


def why_not_json(found: WhyNot, system: UnitSystem) -> WhyNotJson:
    """`found` for a reader of `system`."""
    return WhyNotJson(
        part=found.part.id,
        name=found.part.name,
        ruled_out_by=reasons_json(found.ruled_out_by, system),
        admitted_by=[
            AdmissionJson(a.trouble, a.change.text(system), signed_money_json(a.up_front_change))
            for a in found.admitted_by
        ],
    )
