"""The money of a build in one scope: totals under every way of valuing it, its heads, and how certain it is."""

from collections.abc import Iterable
from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple

from core.model.ledger import Category, Funding, Ledger
from core.money.contingency import Used, used_of
from core.money.costs import OUTSIDE, Costs, kept_back
from core.money.line import Line, Payment
from core.money.odds import Odds, ThreePoint, odds_of, to_firm_up
from core.quantities import Figure, Money, Quantity, Sentence, Unit, say

USUAL_SCOPE = frozenset(Category) - OUTSIDE
GIVEN = (Payment.GIFT, Payment.SAMPLE, Payment.BARTER)
FIRM_UP = 3
MOST_OF_ALL = 0.5
"""A head that takes more than half of the money leaves the others short (trade)."""


class Totals(NamedTuple):
    """One total under each way of valuing what is not bought with money."""

    cash: Money
    """What leaves the purse."""
    gifts_at_list: Money
    """The same, with gifts, samples and what was bartered at what they are worth."""
    newcomer: Money
    """What somebody who owns nothing of it would pay at list prices."""


class Head(NamedTuple):
    """What one category comes to."""

    category: Category
    up_front: Money
    share: float
    """Of all of the total."""


class Swing(NamedTuple):
    """By how much one line can move the total."""

    line: Line
    low: Money
    high: Money


@dataclass(frozen=True)
class MoneyInScope:
    """The lines of a build that are in a scope, and what follows from them."""

    lines: tuple[Line, ...]
    left_out: tuple[Line, ...]
    """Lines of categories that are switched out, or not switched in."""
    later: tuple[Line, ...]
    """Wishes: outside every total."""
    scope: frozenset[Category]
    currency: str
    cap: Money | None
    yearly_cap: Money | None
    contingency_share: float
    counts_newcomer: bool
    """What a newcomer would pay counts against the cap, by the brief."""
    funding: tuple[Funding, ...]
    used: Used
    """What of the contingency is used."""

    @cached_property
    def totals(self) -> Totals:
        """Under each way of valuing it."""
        cash = self._sum(line.up_front for line in self.lines)
        given = self._sum(line.replacement_value for line in self.lines if line.payment in GIVEN)
        return Totals(cash, cash + given, self._sum(line.newcomers for line in self.lines))

    @property
    def yearly(self) -> Money:
        """Fees of a year."""
        return self._sum(line.yearly for line in self.lines)

    @property
    def paid(self) -> Money:
        """What was paid already."""
        return self._sum(line.up_front for line in self.lines if line.payment is Payment.PAID)

    @property
    def ordered(self) -> Money:
        """What was ordered, and is not paid yet."""
        return self._sum(line.up_front for line in self.lines if line.ordered)

    @property
    def contingency(self) -> Money:
        """Kept back of what counts."""
        return kept_back(self.counted, self.contingency_share)

    @property
    def counted(self) -> Money:
        """What counts against the cap: cash, or what a newcomer would pay."""
        return self.totals.newcomer if self.counts_newcomer else self.totals.cash

    @property
    def free(self) -> Money | None:
        """What is really free under the cap: neither spent, planned nor kept back; `None` without a cap."""
        return None if self.cap is None else self.cap - self.counted - self.contingency

    @property
    def unpriced(self) -> tuple[Line, ...]:
        """Lines of which nobody knows what they cost: in no total."""
        return tuple(line for line in self.lines if line.missing is not None)

    @cached_property
    def heads(self) -> tuple[Head, ...]:
        """What each category comes to, the largest first; those that come to nothing are left."""
        all_of_it = self.totals.cash.minor or 1
        sums = {
            category: self._sum(line.up_front for line in self.lines if line.category is category)
            for category in Category
        }
        found = [Head(category, money, money.minor / all_of_it) for category, money in sums.items() if money.minor]
        return tuple(sorted(found, key=lambda head: (-head.up_front.minor, head.category)))

    @property
    def starving(self) -> Sentence | None:
        """That one head takes more than half of the money; `None` where none does, or there is no other."""
        if len(self.heads) < 2 or self.heads[0].share <= MOST_OF_ALL:
            return None
        most, least = self.heads[0], self.heads[-1]
        return say(
            "{most} takes {share} of the money, {least} gets {rest}: see that it is not starved",
            most=most.category.value.capitalize(),
            share=Quantity(most.share, Unit.SHARE),
            least=least.category.value,
            rest=least.up_front,
        )

    @cached_property
    def swings(self) -> tuple[Swing, ...]:
        """By how much each line that is guessed can move the total, the longest first."""
        found = [
            Swing(line, line.low, line.high)
            for line in self.lines
            if line.low is not None and line.high is not None and line.low < line.high and not line.is_fee
        ]
        return tuple(sorted(found, key=lambda swing: (swing.low.minor - swing.high.minor, swing.line.key)))

    @cached_property
    def odds(self) -> Odds:
        """How likely the total in cash is to come to so much, with the lines that have a price."""
        return odds_of(_three_points(self.lines))

    @property
    def under_cap(self) -> float | None:
        """The odds that the cash stays under the cap.

        `None` without a cap, while a line has no price, or where list prices count, which nobody guesses.
        """
        if self.cap is None or self.unpriced or self.counts_newcomer:
            return None
        return self.odds.under(self.cap.minor)

    @property
    def under_yearly_cap(self) -> float | None:
        """The odds that the fees of a usual year stay under the cap each year.

        `None` without a cap, while a fee has no price, or where no fee is guessed.
        """
        fees = [line for line in self.lines if line.is_fee]
        guessed = any(line.low is not None and line.low != line.high for line in fees)
        if self.yearly_cap is None or not guessed or any(line.missing for line in fees):
            return None
        return odds_of([_three_point_yearly(line) for line in fees]).under(self.yearly_cap.minor)

    @property
    def firm_up_first(self) -> tuple[Line, ...]:
        """The three lines that make the total most uncertain."""
        return tuple(self.lines[place] for place in to_firm_up(_three_points(self.lines), FIRM_UP))

    @property
    def headline(self) -> Sentence:
        """What an experienced friend says first."""
        told: dict[str, Figure] = {
            "spent": self.totals.cash,
            "kept": self.contingency,
            "count": str(len(self.unpriced)),
        }
        open_ones = "" if not self.unpriced else ", and {count} lines have no price yet"
        if len(self.unpriced) == 1:
            open_ones = ", and one line has no price yet"
        free = self.free
        if free is None:
            return say("{spent} up front, no cap set" + open_ones, **told)
        if free.minor < 0:
            over = Money(-free.minor, self.currency)
            return say("{over} over the cap with {kept} kept back" + open_ones, over=over, **told)
        return say("{free} really free, with {kept} kept back" + open_ones, free=free, **told)

    @property
    def scope_words(self) -> str:
        """What the totals take in, and what they leave out."""
        inside = ", ".join(category.value for category in Category if category in self.scope)
        outside = [category.value for category in Category if category not in self.scope]
        told = f"In it: {inside}; tax included where it is not reclaimed, licences paid once."
        left = f" Left out: {', '.join(outside)}." if outside else ""
        return told + left + (f" For later: {len(self.later)}." if self.later else "")

    @property
    def funded(self) -> Money:
        """What comes in to pay for it."""
        return Money.total([Money(each.minor, self.currency) for each in self.funding], self.currency)

    def _sum(self, amounts: Iterable[Money | None]) -> Money:
        return Money.total([amount for amount in amounts if amount is not None], self.currency)


def money_in(costs: Costs, ledger: Ledger, scope: frozenset[Category] = USUAL_SCOPE) -> MoneyInScope:
    """The money of a build whose `costs` and `ledger` are given, with the lines of the categories of `scope` alone."""
    every = (*costs.lines, *costs.works)
    return MoneyInScope(
        lines=tuple(line for line in every if line.category in scope),
        left_out=tuple(line for line in every if line.category not in scope),
        later=costs.later,
        scope=scope,
        currency=costs.up_front.currency,
        cap=costs.up_front_cap,
        yearly_cap=costs.yearly_cap,
        contingency_share=costs.contingency_share,
        counts_newcomer=costs.counts_owned,
        funding=ledger.funding,
        used=used_of([line for line in every if line.category in scope], ledger, costs.up_front.currency),
    )


def _three_points(lines: Iterable[Line]) -> list[ThreePoint]:
    """What each line comes to up front, as an estimate; certain where nobody guesses."""
    return [_three_point(line) for line in lines]


def _three_point(line: Line) -> ThreePoint:
    if line.up_front is None:
        return ThreePoint(0, 0, 0)
    likely = line.up_front.minor
    if line.low is None or line.high is None or line.is_fee:
        return ThreePoint(likely, likely, likely)
    return ThreePoint(line.low.minor, likely, line.high.minor)


def _three_point_yearly(line: Line) -> ThreePoint:
    likely = line.yearly.minor if line.yearly else 0
    if line.low is None or line.high is None:
        return ThreePoint(likely, likely, likely)
    return ThreePoint(line.low.minor, likely, line.high.minor)
