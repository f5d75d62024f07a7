"""Old prices that a build counts on: how old each is, and what it decides."""

from collections.abc import Iterator, Mapping
from datetime import date, timedelta
from math import floor
from typing import NamedTuple

from core.checks.doubts import STALE_DAYS
from core.model.build import Build
from core.model.ledger import Entry
from core.model.parts import Part
from core.money.costs import Costs
from core.money.line import Line, Payment
from core.prices.history import GAP_DAYS, holds_until
from core.quantities import Money, Quantity, Sentence, Unit, say


class _Told(NamedTuple):
    """When a price was told, by whom, until when that may be relied on, and why no longer."""

    known_on: date
    told_by: str
    until: date
    why: Sentence


class OldPrice(NamedTuple):
    """A price that a line is counted at, and that is to be asked for again before anybody relies on it."""

    line: Line
    amount: Money
    known_on: date
    told_by: str
    """Who said it; empty where nobody wrote that down."""
    why: Sentence
    """Why it is old."""
    decides: Sentence


def old_prices(build: Build, costs: Costs, sheets: Mapping[str, Part], today: date) -> Iterator[OldPrice]:
    """The lines of `costs` whose price is old, the dearest first.

    A quote is old when it has run out, or a sale may have ended since it was told; a list price after a year.
    """
    for line in sorted(costs.lines, key=_dearness):
        told = _told(line, build, sheets)
        if told is not None and line.up_front is not None and told.until < today:
            decides = _decides(line, line.up_front, costs)
            yield OldPrice(line, line.up_front, told.known_on, told.told_by, told.why, decides)


def dearer_by(line: Line, costs: Costs) -> Money | None:
    """By how much that line may be dearer, with what is kept back for it, before the build is over its cap; less than
    nothing where it is so already, `None` where there is no cap, or the line does not count against it."""
    if costs.up_front_cap is None or (costs.counts_owned and line.payment is Payment.QUOTE):
        return None
    left = costs.up_front_cap - costs.counted - costs.contingency
    return Money(floor(left.minor / (1 + costs.contingency_share)), left.currency)


def _told(line: Line, build: Build, sheets: Mapping[str, Part]) -> _Told | None:
    """`None` where no day is known."""
    if line.payment is Payment.QUOTE:
        entry = build.ledger.of(line.key)
        return _quoted(entry) if entry else None
    source = sheets[line.part].sources.get("price") if line.part in sheets else None
    if line.payment is not Payment.LIST_PRICE or source is None or source.seen is None:
        return None
    why = say("A list price is taken to hold for {days} days", days=str(STALE_DAYS))
    return _Told(source.seen, source.source, source.seen + timedelta(days=STALE_DAYS), why)


def _quoted(entry: Entry) -> _Told | None:
    if entry.quoted_on is None:
        return None
    if entry.quote_until is not None:
        why = say("It ran out on {day}", day=f"{entry.quote_until}")
        return _Told(entry.quoted_on, entry.quote_from, entry.quote_until, why)
    why = say("A quote without a day is taken to hold for {days} days", days=str(GAP_DAYS))
    return _Told(entry.quoted_on, entry.quote_from, holds_until(entry.quoted_on), why)


def _decides(line: Line, amount: Money, costs: Costs) -> Sentence:
    by = dearer_by(line, costs)
    if by is None:
        return say("It decides the total alone: no cap counts it")
    if by.minor < 0:
        return say("The build is over its cap already, with what is kept back")
    if by.minor >= amount.minor:
        return say("It could double, and the build would keep to its cap")
    share = Quantity(by.minor / amount.minor, Unit.SHARE)
    return say("{more} more, {share} of it, and the build is over its cap", more=by, share=share)


def _dearness(line: Line) -> int:
    return -line.up_front.minor if line.up_front else 0
