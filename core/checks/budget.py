"""The build against both caps of the brief."""

from core.checks.figures import share
from core.checks.places import IN_BUDGET
from core.checks.register import check
from core.checks.verdict import Basis, Input, State, Verdict, judge
from core.model.brief import Brief
from core.model.facts import MissingFact
from core.money.costs import Costs
from core.quantities import Money, say


@check("money.up_front", title="Up-front cap", place=IN_BUDGET)
def up_front(brief: Brief, costs: Costs) -> Verdict:
    """What is spent up front stays under its cap, the contingency included.

    Within the cap only without the contingency is tight. A line without a price leaves the answer unknown,
    unless the rest alone is over the cap.
    """
    cap = brief.up_front_cap
    if cap is None:
        raise MissingFact("The up-front cap", "Enter in the brief what may be spent up front.")
    margin = cap - costs.up_front
    _answered_or_missing(margin, costs)
    state = judge(margin.minor, costs.contingency.minor)
    return Verdict(
        state,
        say(
            "{spent} of {cap} up front, {contingency} kept back",
            spent=costs.up_front,
            cap=cap,
            contingency=costs.contingency,
        ),
        measured=costs.up_front,
        required=cap,
        margin=margin,
        basis=Basis.MEASURED,
        formula="cap − sum of up-front lines; comfort is the contingency",
        inputs=lambda: (
            Input("Up-front cap", cap, Basis.MEASURED),
            *(Input(line.label, line.up_front, Basis.SPEC) for line in costs.lines if line.up_front is not None),
            Input("Contingency share", share(brief.contingency_share), Basis.MEASURED),
            Input("Contingency", costs.contingency, Basis.MEASURED),
        ),
        changes=()
        if state is State.CLEAR
        else (say("{over} less, or a higher cap, makes it clear.", over=costs.contingency - margin),),
    )


@check("money.yearly", title="Yearly cap", place=IN_BUDGET)
def yearly(brief: Brief, costs: Costs) -> Verdict:
    """Yearly fees stay under their cap. A fee that uses the whole cap is tight."""
    cap = brief.yearly_cap
    if cap is None:
        raise MissingFact("The yearly cap", "Enter in the brief what it may cost each year.")
    margin = cap - costs.yearly
    _answered_or_missing(margin, costs)
    state = judge(margin.minor, 1 if costs.yearly.minor else 0)
    return Verdict(
        state,
        say("{fees} of {cap} each year", fees=costs.yearly, cap=cap),
        measured=costs.yearly,
        required=cap,
        margin=margin,
        basis=Basis.MEASURED,
        formula="yearly cap − sum of yearly fees; 12 × a monthly fee",
        inputs=lambda: (
            Input("Yearly cap", cap, Basis.MEASURED),
            *(Input(line.label, line.yearly, Basis.SPEC) for line in costs.lines if line.yearly and line.yearly.minor),
        ),
        changes=() if state is State.CLEAR else (say("Choose lower plans, or a title that is bought once."),),
    )


def _answered_or_missing(margin: Money, costs: Costs) -> None:
    if margin.minor >= 0 and costs.missing:
        raise costs.missing[0]
