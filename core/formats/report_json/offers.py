"""What may be done, and what it does to everything else, as JSON."""

from dataclasses import dataclass

from core.checks.limits import State
from core.formats.report_json.figures import FigureJson, signed_money_json
from core.formats.report_json.verdicts import ReasonJson, reasons_json
from core.quantities import UnitSystem
from core.report.consequence import Consequence
from core.report.offers import Offer


@dataclass(frozen=True, slots=True)
class ConsequenceJson:
    """What comes out better and worse then, and what changes of the money."""

    better: list[ReasonJson]
    worse: list[ReasonJson]
    up_front_change: FigureJson
    yearly_change: FigureJson


@dataclass(frozen=True, slots=True)
class OfferJson:
    """One way; `does` is empty where a person has to do it, and no press can."""

    words: str
    state: State | None
    """How the verdict comes out then; empty where it is no longer asked."""
    does: ConsequenceJson | None
    at: str
    """Where a person goes on, such as `brief.may_drill`, `chain.mat` or `small.mount`; empty where it is pressed."""


def consequence_json(found: Consequence, system: UnitSystem) -> ConsequenceJson:
    """`found` for a reader of `system`."""
    return ConsequenceJson(
        better=reasons_json(found.better, system),
        worse=reasons_json(found.worse, system),
        up_front_change=signed_money_json(found.up_front_change),
        yearly_change=signed_money_json(found.yearly_change),
    )


def offer_json(offer: Offer, system: UnitSystem) -> OfferJson:
    """`offer` for a reader of `system`."""
    does = consequence_json(offer.does, system) if offer.does else None
    return OfferJson(offer.words.text(system), offer.state, does, offer.at.path)
