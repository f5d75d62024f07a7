"""What is known of the prices of what a build still needs: usual, today, and whether to buy or to wait."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from fractions import Fraction

import numpy as np

from core.model.build import Build
from core.model.shops import SoldAs
from core.money.amounts import Buyer
from core.money.order import Need
from core.prices.advice import READ_DAYS, Advice, Say, advice_on
from core.prices.asked import Asked
from core.prices.habits import WEEK_DAYS
from core.prices.history import Floats
from core.prices.standing import Standing, standing
from core.quantities import Money, Sentence, say

USUALLY_NEEDED_WEEKS = 26
"""Where the brief names no day by which it must be playable."""
DRAWN_WEEKS = 78


@dataclass(frozen=True)
class LinePrices:
    """One line that is still to be bought."""

    line: str
    label: str
    part: str
    quantity: int
    standing: Standing | None
    """Of one new one, at the till, in the currency of the build."""
    advice: Advice
    weekly: tuple[int | None, ...]
    """The cheapest new one at the end of each week, oldest first, today last."""
    offers: int
    """How many shops and conditions were ever seen."""
    used_minor: int | None
    """The cheapest that is not new, today."""
    currency: str

    @property
    def headline(self) -> Sentence:
        """What an experienced friend would say."""
        told = self.advice
        now = None if told.today_minor is None else Money(told.today_minor, self.currency)
        if now is None:
            return say("Nobody has seen what it costs today" if self.offers else "No price of it was ever seen")
        if told.say is Say.NOTHING:
            return say("{now} today; {weeks} weeks are too few to say more", now=now, weeks=str(told.weeks_known))
        if told.buy_at_minor is None or not told.weeks:
            return say("{now} today, and it is needed", now=now)
        at, expected = (Money(round(minor or 0), self.currency) for minor in (told.buy_at_minor, told.expected_minor))
        if told.say is Say.BUY:
            return say("{now} today; waiting is expected to come to {at}", now=now, at=expected)
        return say("{now} today; buy at {at} or less", now=now, at=at)


def needed_by_of(build: Build, today: date) -> date:
    """When things are needed: the day by which it is to be playable, else half a year from today."""
    return build.brief.playable_by or today + timedelta(weeks=USUALLY_NEEDED_WEEKS)


def line_prices(
    build: Build,
    needs: Iterable[Need],
    labels: Mapping[str, str],
    asked: Sequence[Asked],
    buyer: Buyer,
    today: date,
) -> tuple[LinePrices, ...]:
    """Every line of `needs`, in their order. What is in a currency without a rate is left out.

    A week before the day on which it is needed costs nothing: nobody plays before the rest is there.
    """
    needed_by = needed_by_of(build, today)
    by_part: dict[str, list[Asked]] = {}
    for one in asked:
        by_part.setdefault(one.part, []).append(one)
    return tuple(
        _of_line(need, labels[need.line], by_part.get(need.part, []), buyer, today, needed_by) for need in needs
    )


def _of_line(need: Need, label: str, asked: Sequence[Asked], buyer: Buyer, today: date, needed_by: date) -> LinePrices:
    new = cheapest_of([one for one in asked if one.sold_as is SoldAs.NEW], buyer)
    other = cheapest_of([one for one in asked if one.sold_as is not SoldAs.NEW], buyer)
    told = advice_on(new, today, needed_by)
    return LinePrices(
        line=need.line,
        label=label,
        part=need.part,
        quantity=need.quantity,
        standing=standing(new, today),
        advice=told,
        weekly=tuple(_minor(day) for day in new[::-1][::WEEK_DAYS][:DRAWN_WEEKS][::-1]),
        offers=len(asked),
        used_minor=_minor(other[-1]),
        currency=buyer.currency,
    )


def cheapest_of(asked: Sequence[Asked], buyer: Buyer) -> Floats:
    """The least that any of `asked` comes to at the till on each day; not a number where none has a price."""
    found = np.full(READ_DAYS, np.inf)
    for one in asked:
        if one.currency == buyer.currency or one.currency in dict(buyer.rates):
            factor = buyer.factor_from(one.currency) * buyer.tax_factor(included=one.tax_included)
            found = np.fmin(found, one.days * float(Fraction(factor)))
    found[np.isinf(found)] = np.nan
    return found


def _minor(day: float) -> int | None:
    return None if np.isnan(day) else round(float(day))
