"""The build against both caps of the brief."""

from decimal import Decimal

from core.checks.figures import share
from core.checks.places import IN_BUDGET
from core.checks.register import check
from core.checks.verdict import Basis, Input, State, Verdict, judge
from core.model.brief import Brief
from core.model.facts import MissingFact
from core.money.costs import Costs, Payment
from core.quantities import Money, Sentence, say

USED_SHARE = Decimal("0.65")
"""What a part in good order costs used, of its list price (trade)."""
USED_LINES = 3


@check("money.up_front", title="Up-front cap", place=IN_BUDGET)
def up_front(brief: Brief, costs: Costs) -> Verdict:
    """What is spent up front stays under its cap, the contingency included.

    Within the cap only without the contingency is tight. A line without a price leaves the answer unknown,
    unless the rest alone is over the cap.
    """
    cap = brief.up_front_cap
    if cap is None:
        raise MissingFact("The up-front cap", "Enter in the brief what may be spent up front.")
    margin = cap - costs.counted
    _answered_or_missing(margin, costs)
    state = judge(margin.minor, costs.contingency.minor)
    return Verdict(
        state,
        say(
            "{spent} of {cap} up front, {contingency} kept back",
            spent=costs.counted,
            cap=cap,
            contingency=costs.contingency,
        ),
        measured=costs.counted,
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
        else (
            say("{over} less, or a higher cap, makes it clear.", over=costs.contingency - margin),
            *(_used(costs) if brief.used_is_fine else ()),
        ),
    )


def _used(costs: Costs) -> tuple[Sentence, ...]:
    """What the dearest lines would save if they were bought used."""
    bought = [line for line in costs.lines if line.payment is Payment.LIST_PRICE and line.up_front]
    dearest = sorted(bought, key=lambda line: -line.up_front.minor if line.up_front else 0)[:USED_LINES]
    spent = Money.total([line.up_front for line in dearest if line.up_front], costs.up_front.currency)
    names = ", ".join(line.label for line in dearest)
    saved = spent.scaled(1 - USED_SHARE)
    return (say("Used, about {saved} less: {names}.", saved=saved, names=names),) if dearest else ()


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
