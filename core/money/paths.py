"""Buy once, or start small and grow: what a row of builds of the same person costs, and what is given up on the way."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date
from fractions import Fraction
from typing import NamedTuple

from core.model.ledger import Ledger
from core.money.line import Line, Payment
from core.money.renewals import MONTHS_OF_A_YEAR, later
from core.money.wear import NOTHING_SAID, resale_of
from core.quantities import Figure, Money, Sentence, say

APART_MONTHS = 12
"""Between two steps of which nobody says when they are taken."""


class Step(NamedTuple):
    """A build on the way, as it is planned."""

    name: str
    day: date | None
    """On which it is to be there; `None` where nobody says."""
    lines: tuple[Line, ...]


class GivenUp(NamedTuple):
    """Something that the next build has no more."""

    label: str
    cost: Money
    sells_for: Money | None
    """`None` where nobody knows what it cost when new."""

    @property
    def lost(self) -> Money:
        """What it cost less what it sells for, nothing at least; all of it, where that is not known."""
        left = self.cost - self.sells_for if self.sells_for else self.cost
        return left if left.minor > 0 else Money(0, left.currency)


class Taken(NamedTuple):
    """A step as it is taken."""

    name: str
    day: date
    assumed: bool
    """Nobody said when: a year after the one before, or today."""
    bought: Money
    """What was not there before."""
    new: tuple[str, ...]
    fees: Money
    """Until the next step, or until the years are over; each at its usual amount."""
    given_up: tuple[GivenUp, ...]
    unpriced: tuple[str, ...]
    """In no sum."""


@dataclass(frozen=True)
class Path:
    """A row of steps, beside buying its last build at once."""

    steps: tuple[Taken, ...]
    at_once: Money
    """The last build bought on the first day, with its fees over the same years."""

    @property
    def thrown_away(self) -> Money:
        """What things that were given up cost, less what they sold for."""
        return Money.total([each.lost for step in self.steps for each in step.given_up], self.at_once.currency)

    @property
    def sold(self) -> Money:
        """What comes back for things that are given up."""
        found = [each.sells_for for step in self.steps for each in step.given_up if each.sells_for]
        return Money.total(found, self.at_once.currency)

    @property
    def total(self) -> Money:
        """All that is bought and all fees, less what is sold on the way."""
        spent = [amount for step in self.steps for amount in (step.bought, step.fees)]
        return Money.total(spent, self.at_once.currency) - self.sold

    @property
    def over_at_once(self) -> Money:
        """What growing costs over buying the last build at once; less than nothing where it is cheaper."""
        return self.total - self.at_once

    @property
    def headline(self) -> Sentence:
        """Buy once, or twice."""
        last, over = self.steps[-1].name, self.over_at_once
        if len(self.steps) == 1:
            return say("{last} at once comes to {total}", last=last, total=self.total)
        told: dict[str, Figure] = {"count": str(len(self.steps)), "last": last, "thrown": self.thrown_away}
        told["over"] = over if over.minor >= 0 else Money(-over.minor, over.currency)
        more = "{over} more than" if over.minor > 0 else "{over} less than" if over.minor < 0 else "as much as"
        return say(f"In {{count}} steps, {{last}} costs {more} bought at once; {{thrown}} is thrown away", **told)


def path_of(steps: Sequence[Step], years: int, today: date, currency: str, ledger: Ledger = NOTHING_SAID) -> Path:
    """`steps`, at least one, one after the other, over so many years from the first; prices are as known today.

    What a step has that the one before has too is bought once: the same part or line under the same plan, piece by
    piece. What it has no more is sold, by its category and age. What is owned already costs what it cost on the way.
    """
    days = _days(steps, today)
    end = later(days[0], MONTHS_OF_A_YEAR * years)
    bought_on: dict[str, date] = {}
    cost_of: dict[str, Money] = {}
    taken = []
    for number, step in enumerate(steps):
        before = _by_what(steps[number - 1].lines) if number else {}
        there = _by_what(step.lines)
        until = min(days[number + 1], end) if number + 1 < len(steps) else end
        spent = {what: _bought(line, before.get(what), currency) for what, line in there.items()}
        new = {what: paid for what, paid in spent.items() if what not in before or paid.minor}
        for what in new:
            bought_on.setdefault(what, days[number])
        for what, paid in spent.items():
            cost_of[what] = (cost_of[what] + paid) if what in before and what in cost_of else paid
        gone = []
        for what, line in before.items():
            surplus, cost = _surplus(line, there.get(what), cost_of[what])
            cost_of[what] = cost_of[what] - cost
            if surplus is not None:
                gone.append(_given_up(surplus, cost, days[number], bought_on.get(what, days[number - 1]), ledger))
        # A free plan, or one that is paid by the month, leaves nothing behind.
        given_up = tuple(each for each in gone if each.cost.minor or each.sells_for != Money(0, currency))
        taken.append(
            Taken(
                step.name,
                days[number],
                step.day != days[number],
                Money.total(list(spent.values()), currency),
                tuple(there[what].label for what in new if what not in before),
                _fees(step.lines, days[number], until, currency),
                given_up,
                tuple(line.label for line in step.lines if line.missing is not None),
            )
        )
    last = steps[-1].lines
    up_front = [cost_of[what] if line.payment is Payment.OWNED else _cash(line, currency)
                for what, line in _by_what(last).items()]  # fmt: skip
    return Path(tuple(taken), Money.total(up_front, currency) + _fees(last, days[0], end, currency))


def _days(steps: Sequence[Step], today: date) -> tuple[date, ...]:
    """When each is taken: as it says, where that is after the one before; else a year after that."""
    days: list[date] = []
    for step in steps:
        at_least = days[-1] if days else None
        if step.day is not None and (at_least is None or step.day > at_least):
            days.append(step.day)
        else:
            days.append(today if at_least is None else later(at_least, APART_MONTHS))
    return tuple(days)


def _by_what(lines: Iterable[Line]) -> dict[str, Line]:
    """Lines by what they pay for, wherever it stands: several of one part are one line of so many."""
    found: dict[str, Line] = {}
    for line in lines:
        what = f"{line.part or line.label}:{line.licence}"
        other = found.get(what)
        found[what] = line if other is None else _together(other, line)
    return found


def _together(one: Line, other: Line) -> Line:
    def both(first: Money | None, second: Money | None) -> Money | None:
        return first + second if first and second else first or second

    return one._replace(
        quantity=one.quantity + other.quantity,
        up_front=both(one.up_front, other.up_front),
        newcomers=both(one.newcomers, other.newcomers),
    )


def _cash(line: Line, currency: str) -> Money:
    return line.up_front or Money(0, currency)


def _bought(line: Line, before: Line | None, currency: str) -> Money:
    """What of a line is bought anew: all of it, or as many as there are more than before."""
    more = line.quantity - (before.quantity if before else 0)
    if not line.quantity:
        return Money(0, currency)
    return _cash(line, currency).scaled(Fraction(max(0, more), line.quantity))


def _surplus(line: Line, there: Line | None, cost: Money) -> tuple[Line | None, Money]:
    """What of a line is given up, all of it or as many as there are fewer, with its share of the cost; or nothing."""
    if there is None:
        return line, cost
    count = line.quantity - there.quantity
    if count <= 0:
        return None, Money(0, cost.currency)
    share = Fraction(count, line.quantity)
    worth = {name: amount.scaled(share) for name in ("up_front", "newcomers") if (amount := getattr(line, name))}
    return line._replace(quantity=count, **worth), cost.scaled(share)


def _given_up(line: Line, cost: Money, day: date, bought_on: date, ledger: Ledger) -> GivenUp:
    months = (day.year - bought_on.year) * MONTHS_OF_A_YEAR + day.month - bought_on.month - (day.day < bought_on.day)
    sells_for = resale_of(line, max(1, months // MONTHS_OF_A_YEAR), ledger)
    return GivenUp(line.label, cost, Money(0, cost.currency) if line.is_fee else sells_for)


def _fees(lines: Iterable[Line], since: date, until: date, currency: str) -> Money:
    """Fees of whole months, at their usual amount."""
    months = max(0, (until.year - since.year) * MONTHS_OF_A_YEAR + until.month - since.month)
    yearly = Money.total([line.yearly for line in lines if line.yearly], currency)
    return yearly.scaled(Fraction(months, MONTHS_OF_A_YEAR))
