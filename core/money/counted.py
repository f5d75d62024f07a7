"""The amount of a line that counts: the most certain of what was paid, quoted and guessed, else its list price."""

from typing import NamedTuple

from core.model.brief import Brief
from core.model.facts import Missing, MissingFact
from core.model.ledger import CameAs, Entry
from core.money.amounts import untaxed
from core.money.fees import AS_USUAL, Fee, Terms
from core.money.line import STILL_TO_BUY, Line, Payment
from core.quantities import Money

NOTHING_KNOWN = Entry()
PAYMENT_BY_WAY = {CameAs.GIFT: Payment.GIFT, CameAs.BARTER: Payment.BARTER, CameAs.SAMPLE: Payment.SAMPLE}


class Counted(NamedTuple):
    """What counts of a line, and where it comes from."""

    payment: Payment
    amount: Money | None
    """`None` while nobody knows; `missing` says why."""
    low: Money | None = None
    high: Money | None = None
    """Between what it may be, where it is a guess."""
    worth: Money | None = None
    """What something that is not paid for is worth."""
    missing: Missing | None = None
    worth_missing: Missing | None = None
    """Why its worth, or what a newcomer would pay, is not known."""


def counted(
    entry: Entry | None,
    listed: Money | MissingFact,
    brief: Brief,
    *,
    quantity: int = 1,
    owned: bool = False,
    worth: Money | None = None,
) -> Counted:
    """What counts of a line that is `listed` at so much; `worth` is what its owner says that it is worth.

    Paid beats owned: what was paid for this build is known best. What came as a gift, by barter or as a sample costs no
    cash and keeps its worth. A quote for each counts for `quantity`. Tax that is reclaimed comes off what people typed,
    which is with tax.
    """
    entry = entry or NOTHING_KNOWN
    price, missing = (None, listed.missing) if isinstance(listed, MissingFact) else (listed, None)

    def told(minor: int | None) -> Money | None:
        return untaxed(None if minor is None else Money(minor, brief.currency), brief)

    paid, guessed = told(entry.paid_minor), told(entry.likely_minor)
    quote = told(None if entry.quote_minor is None else entry.quote_minor * (quantity if entry.quote_for_each else 1))
    if paid is not None:
        return Counted(Payment.PAID, paid, worth_missing=missing)
    if owned or entry.came_as is not None:
        payment = PAYMENT_BY_WAY[entry.came_as] if entry.came_as is not None else Payment.OWNED
        value = worth or price or quote or guessed
        return Counted(payment, Money(0, brief.currency), worth=value, worth_missing=missing if value is None else None)
    if quote is not None:
        return Counted(Payment.QUOTE, quote, worth_missing=missing)
    if guessed is not None:
        low, high = told(entry.low_minor), told(entry.high_minor)
        return Counted(Payment.ESTIMATE, guessed, low or guessed, high or guessed, worth_missing=missing)
    if price is None:
        return Counted(Payment.LIST_PRICE, None, missing=missing)
    return Counted(Payment.LIST_PRICE if price.minor else Payment.FREE, price)


def settled(
    line: Line,
    listed: Money | MissingFact,
    entry: Entry | None,
    brief: Brief,
    *,
    owned: bool = False,
    worth: Money | None = None,
    fees_a_year: int = 0,
    terms: Terms = AS_USUAL,
) -> Line:
    """`line` with what counts of it: up front, or each year for what is paid so often, on such terms.

    What was paid of a fee that begins otherwise is its first payment alone; those that follow are as listed.
    """
    found = counted(entry, listed, brief, quantity=line.quantity, owned=owned, worth=worth)
    begun_with: Money | None = None
    if entry is not None and fees_a_year and found.payment is Payment.PAID:
        unpaid = counted(entry.model_copy(update={"paid_minor": None}), listed, brief, quantity=line.quantity)
        if unpaid.amount is not None and Fee(unpaid.amount, fees_a_year, terms).begins_otherwise:
            begun_with, found = found.amount, unpaid._replace(payment=Payment.PAID)
    nothing = Money(0, brief.currency)
    times = fees_a_year or 1
    amount, low, high = (None if money is None else money * times for money in (found.amount, found.low, found.high))
    newcomers = found.worth or (None if isinstance(listed, MissingFact) else listed)
    return line._replace(
        payment=found.payment,
        fees_a_year=fees_a_year,
        fee=Fee(found.amount, fees_a_year, terms, begun_with) if fees_a_year and found.amount is not None else None,
        up_front=nothing if fees_a_year and amount is not None else amount,
        yearly=amount if fees_a_year else nothing,
        low=low,
        high=high,
        replacement_value=found.worth,
        newcomers=nothing if fees_a_year and amount is not None else newcomers,
        missing=found.missing,
        worth_missing=found.worth_missing,
        nice=entry is not None and entry.nice,
        later=entry is not None and entry.later,
        ordered=entry is not None and entry.ordered_on is not None and found.payment in STILL_TO_BUY,
    )
