"""What the plans of titles and monitors cost: once, each year, or nothing where they are bundled."""

from collections.abc import Iterable
from contextlib import suppress
from fractions import Fraction
from typing import NamedTuple

from core.model.brief import Brief
from core.model.build import Slot
from core.model.chain import plans_of
from core.model.facts import Missing, MissingFact
from core.model.ledger import Ledger
from core.model.parts import Billing, MonitorPlan, Part, Plan
from core.money.amounts import in_currency
from core.money.categories import category_of
from core.money.counted import settled
from core.money.fees import Fee, Terms
from core.money.line import Line, Payment
from core.money.price_book import PriceBook
from core.quantities import Money


def fee_of(part: Part, plan: Plan, brief: Brief, book: PriceBook) -> Fee | None:
    """How `plan` of `part` is paid over time; `None` for what is free or paid once. Raises `MissingFact`."""
    if not plan.billing.fees_a_year:
        return None
    return Fee(in_currency(book.plan_price(part, plan), brief), plan.billing.fees_a_year, terms_of(plan, brief))


def terms_of(plan: Plan, brief: Brief, quantity: int = 1) -> Terms:
    """How the fee for so many of `plan` begins and rises; a lower beginning in a currency without a rate is none."""
    first: Money | None = None
    if plan.intro_price is not None:
        with suppress(MissingFact):
            first = in_currency(plan.intro_price, brief) * quantity
    rise = brief.fee_rise_share if plan.rise_share is None else plan.rise_share
    payments = 1 if plan.intro_payments is None else plan.intro_payments
    return Terms(first, payments if first else 0, plan.months_free or 0, Fraction(str(rise)))


class Licensed(NamedTuple):
    """A part with the plan chosen for it, and where it is."""

    part: Part
    plan: Plan | None
    slot: Slot | None
    owned: bool
    beside: str = ""
    """The extra that it is; empty on the chain."""
    quantity: int = 1
    """How many there are of it, each under a plan of its own."""

    def line(
        self,
        label: str,
        licence: str,
        payment: Payment = Payment.LIST_PRICE,
        amounts: tuple[Money | None, Money | None] = (None, None),
        missing: Missing | None = None,
    ) -> Line:
        """A line of its licence: once, and each year."""
        once, yearly = amounts
        return Line(
            self.slot,
            label,
            payment,
            once,
            yearly,
            missing=missing,
            licence=licence,
            beside=self.beside,
            part=self.part.id,
            quantity=self.quantity,
            category=category_of(self.part),
        )


def bringing_along(held: Iterable[Plan | None]) -> frozenset[str]:
    """Ids of the software that costs nothing while these plans are held."""
    return frozenset(title for plan in held if isinstance(plan, MonitorPlan) for title in plan.bundled_titles)


def licence_lines(
    licensed: "Licensed", brief: Brief, book: PriceBook, bringing: frozenset[str], ledger: Ledger
) -> tuple[Line, ...]:
    """What the plan of a part costs, nothing for software that plans are `bringing` along; a line of its own too where
    none is chosen and none is free."""
    part, plan = licensed.part, licensed.plan
    if plan is not None:
        return (_plan_line(licensed, plan, brief, book, bringing, ledger),)
    plans = plans_of(part)
    if not plans or any(plan.billing is Billing.FREE for plan in plans):
        return ()
    missing = MissingFact(f"Which plan of {part.name} is taken", "Choose it under the part: all of them are paid for.")
    return (licensed.line(f"{part.name}: plan not chosen", "none", missing=missing.missing),)


def _plan_line(
    licensed: Licensed, plan: Plan, brief: Brief, book: PriceBook, bringing: frozenset[str], ledger: Ledger
) -> Line:
    part, nothing = licensed.part, Money(0, brief.currency)
    label = f"{part.name}: plan {plan.name}"
    if part.id in bringing:
        return licensed.line(label, plan.id, Payment.BUNDLED, (nothing, nothing))
    if plan.billing is Billing.FREE:
        return licensed.line(label, plan.id, Payment.FREE, (nothing, nothing))
    listed: Money | MissingFact
    try:
        listed = in_currency(book.plan_price(part, plan), brief) * licensed.quantity
    except MissingFact as missing:
        listed = missing
    # What is paid once was paid when it was bought; a newcomer pays it anew.
    owned = licensed.owned and plan.billing is Billing.ONCE
    line = licensed.line(label, plan.id)
    return settled(
        line,
        listed,
        ledger.of(line.key),
        brief,
        owned=owned,
        fees_a_year=plan.billing.fees_a_year,
        terms=terms_of(plan, brief, licensed.quantity),
    )
