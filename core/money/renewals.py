"""Fees as dated payments: when each was begun, when it comes again, and until when it can be stopped."""

from calendar import monthrange
from collections.abc import Iterable
from datetime import date, timedelta
from typing import NamedTuple

from core.model.ledger import Ledger
from core.money.line import Line
from core.quantities import Money

MONTHS_OF_A_YEAR = 12


class Renewal(NamedTuple):
    """A fee that comes again."""

    line: Line
    amount: Money | None
    """Of one payment."""
    months: int
    """Between payments."""
    begun: date | None
    """On which it was paid first; `None` until somebody says."""
    next: date | None
    """On which it comes again, today at the earliest."""
    cancel_by: date | None
    """The last day to stop it before that; `None` while nobody says how long before."""


def renewals_of(lines: Iterable[Line], ledger: Ledger, today: date) -> tuple[Renewal, ...]:
    """Every fee of `lines`, the next to come first; those that nobody has paid yet last."""
    found = [_renewal(line, ledger, today) for line in lines if line.is_fee]
    return tuple(sorted(found, key=lambda each: (each.next is None, each.next or today, each.line.label)))


def later(day: date, months: int) -> date:
    """The same day so many months later; the last of a month that is shorter.

    >>> later(date(2026, 1, 31), 1), later(date(2024, 2, 29), 12)
    (datetime.date(2026, 2, 28), datetime.date(2025, 2, 28))
    """
    whole = day.month - 1 + months
    year, month = day.year + whole // MONTHS_OF_A_YEAR, whole % MONTHS_OF_A_YEAR + 1
    return date(year, month, min(day.day, monthrange(year, month)[1]))


def _renewal(line: Line, ledger: Ledger, today: date) -> Renewal:
    entry = ledger.of(line.key)
    months = MONTHS_OF_A_YEAR // line.fees_a_year
    begun = entry.paid_on if entry else None
    if begun is None:
        return Renewal(line, line.payment_due, months, None, None, None)
    passed = max(0, (today.year - begun.year) * MONTHS_OF_A_YEAR + today.month - begun.month) // months
    # Counted from the first payment each time: the 31st stays the 31st where a month has one.
    coming = ((number, later(begun, months * number)) for number in range(max(1, passed), passed + 3))
    number, next_on = next((number, day) for number, day in coming if day >= today)
    notice = entry.notice_days if entry else None
    amount = line.fee.payment(number) if line.fee else None
    return Renewal(line, amount, months, begun, next_on, None if notice is None else next_on - timedelta(notice))
