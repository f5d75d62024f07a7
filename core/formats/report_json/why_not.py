"""Why a part does not work here, as JSON."""

from dataclasses import dataclass

from core.formats.report_json.offers import ConsequenceJson, consequence_json
from core.formats.report_json.verdicts import ReasonJson, reasons_json
from core.model.build import Slot
from core.quantities import UnitSystem
from core.report.why_not import Admission, Trouble, WhyNot


@dataclass(frozen=True, slots=True)
class AdmissionJson:
    """One change that would admit the part."""

    trouble: Trouble
    change: str
    press: bool
    """A press does it; a room only a builder makes larger."""
    does: ConsequenceJson


@dataclass(frozen=True, slots=True)
class WhyNotJson:
    """What rules a part out, and what would admit it, least trouble first."""

    part: str
    name: str
    slot: Slot | None
    """Its place on the chain, if it hangs there."""
    item: str
    """The small item that it would be chosen for; empty where it is not."""
    ruled_out_by: list[ReasonJson]
    objections: list[str]
    """What the small item asks, and the part does not do."""
    admitted_by: list[AdmissionJson]
    together: list[AdmissionJson]
    """Several changes that admit it only together."""
    tried: list[str]
    """What was tried of single changes."""


def why_not_json(found: WhyNot, system: UnitSystem) -> WhyNotJson:
    """`found` for a reader of `system`."""
    return WhyNotJson(
        part=found.part.id,
        name=found.part.name,
        slot=found.slot,
        item=found.item,
        ruled_out_by=reasons_json(found.ruled_out_by, system),
        objections=[objection.text(system) for objection in found.objections],
        admitted_by=[_admission(admission, system) for admission in found.admitted_by],
        together=[_admission(admission, system) for admission in found.together],
        tried=[trouble.tried for trouble in found.tried],
    )


def _admission(found: Admission, system: UnitSystem) -> AdmissionJson:
    does = consequence_json(found.does, system)
    return AdmissionJson(found.trouble, found.change.text(system), found.may_be_pressed, does)
