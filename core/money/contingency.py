"""What of the contingency is used: what was paid beyond a guess, and what came after the build was called finished."""

from collections.abc import Iterable
from datetime import date
from typing import NamedTuple

from core.model.ledger import Entry, Ledger
from core.money.line import OWN, Line
from core.quantities import Money


class Used(NamedTuple):
    """What the contingency went into."""

    overruns: Money
    """Of all lines that were guessed and paid, Σ max(0, paid − likely)."""
    since: Money
    """Lines that nobody knew of before the build was called finished."""
    late: tuple[Line, ...]

    @property
    def total(self) -> Money:
        """Both; a line that came late is counted whole, and not for its overrun as well."""
        return self.overruns + self.since


def used_of(lines: Iterable[Line], ledger: Ledger, currency: str) -> Used:
    """What of the contingency `lines` have used. What is paid counts with tax, as it was paid."""
    overruns, late = 0, []
    for line in lines:
        entry = _entry_of(line, ledger)
        if entry is None:
            continue
        if _came_late(entry, ledger.finished_on):
            late.append(line)
        elif entry.paid_minor is not None and entry.likely_minor is not None:
            overruns += max(0, entry.paid_minor - entry.likely_minor)
    since = Money.total([line.up_front for line in late if line.up_front], currency)
    return Used(Money(overruns, currency), since, tuple(late))


def _entry_of(line: Line, ledger: Ledger) -> Entry | None:
    if line.key.endswith(f"/{OWN}"):
        return next((own for own in ledger.own if own.id == line.beside), None)
    return ledger.of(line.key)


def _came_late(entry: Entry, finished_on: date | None) -> bool:
    """All that is known of it is of after that day."""
    days = [day for day in (entry.guessed_on, entry.quoted_on, entry.paid_on) if day is not None]
    return finished_on is not None and bool(days) and min(days) > finished_on
