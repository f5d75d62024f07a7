"""The build against both caps of the brief."""

from dataclasses import dataclass
from decimal import Decimal
from typing import Annotated

from core.checks.figures import share
from core.checks.limits import Limit, State, Words, at_most
from core.checks.needs import SmallItems
from core.checks.places import IN_BUDGET
from core.checks.readings import Filled
from core.checks.register import check, derive_from_known
from core.checks.stages import OptionalPlaces
from core.checks.verdict import Answer, Basis, Cures, Input, press
from core.model import acts
from core.model.brief import Brief
from core.model.build import Slot
from core.model.facts import Missing, MissingFact, known
from core.money.costs import Costs
from core.money.line import Payment
from core.quantities import Figure, Money, Sentence, say

USED_SHARE = Decimal("0.65")
"""What a part in good order costs used, of its list price (trade)."""
USED_LINES = 3


CAPS = frozenset({"money.up_front", "money.yearly"})
"""What something costs is told beside it: that it goes over a cap rules it out for nobody but its owner."""


@dataclass(frozen=True)
class StillOpen:
    """What a build still has to buy: places that may not stay empty, and small items that nobody has decided about."""

    places: int
    items: int

    @property
    def count(self) -> int:
        """Both together."""
        return self.places + self.items

    @property
    def words(self) -> str:
        """As many as there are of each."""
        told = ((self.places, "place", "places"), (self.items, "small item", "small items"))
        return " and ".join(f"{count} {one if count == 1 else more}" for count, one, more in told if count)


@derive_from_known
def still_open(filled: Filled, optional: OptionalPlaces | None, small: SmallItems | None) -> StillOpen:
    """Places of the chain, and small items that follow from what is chosen."""
    may_be_empty = optional.slots if optional else frozenset()
    places = [slot for slot in Slot if slot not in filled.slots and slot not in may_be_empty]
    decided = filled.items | filled.struck
    return StillOpen(len(places), sum(item.item.id not in decided for item in (small.items if small else ())))


@check("money.up_front", title="Up-front cap", place=IN_BUDGET)
def up_front(
    brief: Annotated[Brief, "currency", "up_front_cap_minor", "used_is_fine"], costs: Costs, still: StillOpen
) -> Answer:
    """What is spent up front stays under its cap, the contingency included.

    Within the cap only without the contingency is tight, and so it is while obligatory places or small items are open:
    they will cost something. A line without a price leaves the answer unknown, unless the rest alone is over the cap.
    """
    cap = Money(known(brief, "up_front_cap_minor"), brief.currency)
    with_contingency = cap.minor - costs.contingency.minor
    limit = _known(at_most(costs.counted.minor, cap.minor, with_contingency, cap.currency), costs.counted_missing)
    open_ones = Words(State.TIGHT, still.words, "nothing open")
    told: dict[str, Figure] = {
        "spent": costs.counted,
        "cap": cap,
        "contingency": costs.contingency,
        "open": still.words,
    }
    but = ", and {open} will cost more" if still.count else ""
    return Answer(
        (limit, open_ones) if still.count and limit.state is State.CLEAR else limit,
        headline=lambda: say("{spent} of {cap} up front, {contingency} kept back" + but, **told),
        formula="cap − sum of up-front lines; comfort is the contingency, with nothing left to choose",
        inputs=lambda: (
            Input("Up-front cap", cap, Basis.MEASURED),
            *(Input(line.label, line.up_front, Basis.SPEC) for line in costs.lines if line.up_front is not None),
            Input("Contingency share", share(brief.contingency_share), Basis.MEASURED),
            Input("Contingency", costs.contingency, Basis.MEASURED),
        ),
        cures=lambda: (*_choose(still), *(_spend_less(brief, costs, cap) if limit.state is not State.CLEAR else ())),
        basis=Basis.MEASURED,
    )


def _choose(still: StillOpen) -> tuple[Sentence, ...]:
    return (say("Choose what is still open: {open}.", open=still.words),) if still.count else ()


def _spend_less(brief: Brief, costs: Costs, cap: Money) -> Cures:
    """By how much it has to be less, or the cap more."""
    needed = costs.counted + costs.contingency
    open_too = costs.counted_missing
    return (
        say("{over} less makes it clear.", over=needed - cap),
        press(
            acts.in_brief(up_front_cap_minor=needed.minor),
            "Raise the cap to {cap}.",
            State.UNKNOWN if open_too else State.TIGHT,
            cap=needed,
        ),
        *(_used(costs) if brief.used_is_fine else ()),
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
def yearly(brief: Annotated[Brief, "currency", "yearly_cap_minor"], costs: Costs) -> Answer:
    """Yearly fees stay under their cap. A fee that uses the whole cap is tight."""
    cap = Money(known(brief, "yearly_cap_minor"), brief.currency)
    comfortable = cap.minor - 1 if costs.yearly.minor else cap.minor
    return Answer(
        _known(at_most(costs.yearly.minor, cap.minor, comfortable, cap.currency), costs.missing),
        headline=lambda: say("{fees} of {cap} each year", fees=costs.yearly, cap=cap),
        formula="yearly cap − sum of yearly fees; 12 × a monthly fee",
        inputs=lambda: (
            Input("Yearly cap", cap, Basis.MEASURED),
            *(Input(line.label, line.yearly, Basis.SPEC) for line in costs.lines if line.yearly and line.yearly.minor),
        ),
        cures=lambda: (
            say("Choose lower plans, or software that is bought once."),
            press(
                acts.in_brief(yearly_cap_minor=costs.yearly.minor + 1),
                "Raise the yearly cap to just over {fees}.",
                State.UNKNOWN if costs.missing else State.CLEAR,
                fees=costs.yearly,
            ),
        ),
        basis=Basis.MEASURED,
    )


def _known(limit: Limit, missing: tuple[Missing, ...]) -> Limit:
    """`limit`; what more it costs is not known only as long as the rest is within the cap."""
    if missing and limit.state is not State.BLOCKED:
        raise MissingFact(*missing[0])
    return limit
