"""What a build costs, as JSON."""

from dataclasses import dataclass

from core.checks.limits import State
from core.checks.verdict import Verdict
from core.formats.report_json.figures import FigureJson, figure_json, maybe_figure_json, text_of, texts_of
from core.model.build import Slot
from core.model.ledger import Category
from core.money.costs import Costs
from core.money.fees import Fee
from core.money.line import Line, Payment
from core.quantities import Money, UnitSystem
from core.quantities.tolerances import ROUNDING


@dataclass(frozen=True, slots=True)
class LineJson:
    """One line of the cost."""

    id: str
    slot: Slot | None
    label: str
    quantity: str
    each: FigureJson | None
    """What one of several, or of one unit, comes to."""
    left_over: str
    """Of what is bought; empty where nothing is."""
    payment: Payment
    up_front: FigureJson | None
    yearly: FigureJson | None
    replacement_value: FigureJson | None
    missing: str
    beside: str
    """The extra or small item that it is of; empty on the chain."""
    key: str
    """Under what the ledger keeps what is known of its money."""
    category: Category
    nice: bool
    ordered: bool
    may_be_bought: bool
    """A shop may sell it, so that there may be offers for it."""
    fees_a_year: int
    """How often a year it is paid, and what is known of its money is of one payment; 0 for what is paid once."""
    begins: str
    """Of a fee: how its first payments and later years differ; empty where they do not."""


@dataclass(frozen=True, slots=True)
class BudgetJson:
    """One measured line of money up to its cap. Shares are of the whole line: the larger of cap and total."""

    total: FigureJson
    cap: FigureJson | None
    left: FigureJson | None
    contingency: FigureJson | None
    total_share: float
    contingency_share: float
    cap_share: float
    words: str
    """What the total is: planned, or planned with so much of it paid."""
    unpriced: int
    """Lines whose amount is not known and so is left out of the total."""
    state: State


@dataclass(frozen=True, slots=True)
class CostsJson:
    """What it costs, and the scope of the sums."""

    lines: list[LineJson]
    works: list[LineJson]
    """Building works, outside every total."""
    up_front: BudgetJson
    yearly: BudgetJson
    horizon: FigureJson
    horizon_years: int
    newcomer: FigureJson
    contingency_workings: str
    horizon_workings: str
    newcomer_workings: str
    unpriced: int
    missing_rates: list[str]
    scope: str


def costs_json(costs: Costs, verdicts: tuple[Verdict, ...], system: UnitSystem) -> CostsJson:
    """`costs` with both budget lines, for a reader of `system`."""
    by_id = {verdict.id: verdict for verdict in verdicts}
    contingency, horizon, newcomer = texts_of(costs.workings, system)
    return CostsJson(
        lines=[line_json(line, system) for line in costs.lines],
        works=[line_json(line, system) for line in costs.works],
        up_front=_budget(
            by_id["money.up_front"],
            costs.counted,
            costs.up_front_cap,
            costs.contingency,
            [line.up_front for line in costs.lines],
            _planned(costs),
            system,
        ),
        yearly=_budget(
            by_id["money.yearly"],
            costs.yearly,
            costs.yearly_cap,
            None,
            [line.yearly for line in costs.lines],
            "in fees",
            system,
        ),
        horizon=figure_json(costs.horizon, system),
        horizon_years=costs.horizon_years,
        newcomer=figure_json(costs.newcomer, system),
        contingency_workings=contingency,
        horizon_workings=horizon,
        newcomer_workings=newcomer,
        unpriced=len(costs.missing),
        missing_rates=list(costs.missing_rates),
        scope=costs.scope,
    )


def _planned(costs: Costs) -> str:
    paid = costs.paid
    if costs.counts_owned or not paid.minor:
        return "at list prices" if costs.counts_owned else "planned"
    return "paid" if paid == costs.up_front else f"planned, {paid.text()} of it paid"


def _budget(
    verdict: Verdict,
    total: Money,
    cap: Money | None,
    contingency: Money | None,
    amounts: list[Money | None],
    words: str,
    system: UnitSystem,
) -> BudgetJson:
    kept = contingency.minor if contingency else 0
    whole = max(cap.minor if cap else 0, total.minor + kept, 1)
    return BudgetJson(
        total=figure_json(total, system),
        cap=maybe_figure_json(cap, system),
        left=None if cap is None else figure_json(cap - total, system),
        contingency=maybe_figure_json(contingency, system),
        total_share=total.minor / whole,
        contingency_share=kept / whole,
        cap_share=cap.minor / whole if cap else 1.0,
        words=words,
        unpriced=amounts.count(None),
        state=verdict.state,
    )


def line_json(line: Line, system: UnitSystem) -> LineJson:
    """`line` for a reader of `system`."""
    return LineJson(
        id=line.id,
        slot=line.slot,
        label=line.label,
        quantity=f"{line.quantity} {line.unit}".strip(),
        each=maybe_figure_json(line.each, system),
        left_over=text_of(line.left_over, system) if line.left_over and line.left_over.value > ROUNDING else "",
        payment=line.payment,
        up_front=maybe_figure_json(line.up_front, system),
        yearly=maybe_figure_json(line.yearly, system),
        replacement_value=maybe_figure_json(line.replacement_value, system),
        missing=line.missing.fact if line.missing else "",
        beside=line.beside,
        key=line.key,
        category=line.category,
        nice=line.nice,
        ordered=line.ordered,
        may_be_bought=line.may_be_bought,
        fees_a_year=line.fees_a_year,
        begins=begins(line.fee) if line.fee else "",
    )


def begins(fee: Fee) -> str:
    """How `fee` begins and goes on, in words; empty where every payment is the same."""
    terms, told = fee.terms, []
    if terms.months_free:
        months = "month is" if terms.months_free == 1 else f"{terms.months_free} months are"
        told.append(f"the first {months} free")
    if terms.first is not None and fee.begins_lower:
        count = terms.first_payments
        told.append(f"the first {'payment is' if count == 1 else f'{count} payments are'} {terms.first.text()}")
    if terms.rise:
        told.append(f"taken to rise by {float(terms.rise) * 100:g} % a year")
    return "; ".join(told)
