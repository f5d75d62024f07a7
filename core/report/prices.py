"""What is known of the prices of what a build still needs: usual, today, and whether to buy or to wait."""

from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import date, timedelta
from functools import cached_property
from itertools import islice

import numpy as np

from core.model.build import Build
from core.model.shops import Shop, SoldAs
from core.money.amounts import Buyer
from core.money.delivered_days import DeliveredDays
from core.money.order import Need
from core.prices.advice import READ_DAYS, Advice, Say, advice_on, weeks_until
from core.prices.asked import Asked
from core.prices.habits import FEWEST_WEEKS, WEEK_DAYS, Habits, habits_of, pooled
from core.prices.history import GAP_DAYS, SOLD_OUT, Floats, cheapest, prices_of
from core.prices.standing import Standing, regular_prices, standing
from core.quantities import Money, Sentence, say

USUALLY_NEEDED_WEEKS = 26
"""Where the brief names no day by which it must be playable."""
DRAWN_WEEKS = 78
Alike = Callable[[str], Sequence[Asked]]
"""What was asked for other parts of the kind of one; looked up where its own history is too short."""


@dataclass(frozen=True)
class Asking:
    """Who asks about prices, and when."""

    buyer: Buyer
    shops: Mapping[str, Shop]
    today: date
    needed_by: date
    needed_by_line: Mapping[str, date]
    """Where a line has a day of its own."""
    week_costs_minor: float = 0.0
    """What a week without play costs, where that is to be counted."""

    @cached_property
    def delivered(self) -> DeliveredDays:
        """What lines came to in those shops."""
        return DeliveredDays(self.shops, self.buyer)

    def needed(self, line: str) -> date:
        """When that line is needed."""
        return self.needed_by_line.get(line, self.needed_by)


@dataclass(frozen=True)
class LinePrices:
    """One line that is still to be bought: all of its pieces, delivered by itself."""

    line: str
    label: str
    part: str
    quantity: int
    standing: Standing | None
    """Of new ones, in the currency of the build."""
    advice: Advice
    seen: Floats
    """The cheapest new ones on each day, today last; `SOLD_OUT` where none could be had, not a number where nobody
    knows."""
    offers: int
    """How many shops and conditions were ever seen."""
    observations: int
    """How many observations of new ones all this rests on."""
    used_minor: int | None
    """The cheapest that are not new, today."""
    currency: str
    needed_by: date
    leans_on: int = 0
    """How many other parts of its kind the advice leans on; none where its own history carries it."""

    @cached_property
    def days(self) -> Floats:
        """What the cheapest new ones came to on each day; not a number where there was no price."""
        return prices_of(self.seen)

    @property
    def weekly(self) -> tuple[int | None, ...]:
        """The cheapest new ones at the end of each week, oldest first, today last."""
        return tuple(minor_or_none(day) for day in self.days[::-1][::WEEK_DAYS][:DRAWN_WEEKS][::-1])

    @property
    def headline(self) -> Sentence:
        """What an experienced friend would say."""
        told = self.advice
        now = None if told.today_minor is None else Money(told.today_minor, self.currency)
        if now is None:
            return self._last_seen
        if told.say is Say.NOTHING:
            return say("{now} today; {weeks} weeks are too few to say more", now=now, weeks=str(told.weeks_known))
        if told.buy_at_minor is None or not told.weeks:
            return say("{now} today, and it is needed", now=now)
        at, expected = (Money(round(minor or 0), self.currency) for minor in (told.buy_at_minor, told.expected_minor))
        if told.say is Say.BUY:
            return say("{now} today; waiting is expected to come to {at}", now=now, at=expected)
        return say("{now} today; buy at {at} or less", now=now, at=at)

    @property
    def _last_seen(self) -> Sentence:
        """How old the newest price is that is known of it, and what it was."""
        known, sold_out = np.flatnonzero(~np.isnan(self.days)), self.seen[-1] == SOLD_OUT
        if not len(known):
            if sold_out:
                return say("Sold out wherever it was looked for")
            return say("Nobody has seen a new one for years" if self.offers else "No price of it was ever seen")
        last = Money(round(float(self.days[known[-1]])), self.currency)
        since = len(self.days) - 1 - int(known[-1])
        if sold_out:
            ago = "a day ago" if since == 1 else "{days} days ago"
            return say("Sold out wherever it was looked for; {last} " + ago, last=last, days=str(since))
        # Each look holds for a while; before that nobody looked.
        days = since + GAP_DAYS
        return say("Nobody has seen what it costs today: {last}, {days} days ago", last=last, days=str(days))


def needed_by_of(build: Build, today: date) -> date:
    """When things are needed: the day by which it is to be playable, else half a year from today."""
    return build.brief.playable_by or today + timedelta(weeks=USUALLY_NEEDED_WEEKS)


def week_costs_minor_of(build: Build) -> float | None:
    """What a week without play costs who hires a bay meanwhile; `None` while the build does not say."""
    hour_minor, hours = build.ledger.hire_hour_minor, build.brief.hours_a_week
    return None if hour_minor is None or hours is None else hour_minor * hours


def line_prices(
    needs: Iterable[Need], labels: Mapping[str, str], asked: Sequence[Asked], asking: Asking, alike: Alike
) -> tuple[LinePrices, ...]:
    """Every line of `needs`, in their order. What is in a currency without a rate is left out, and so is what a shop
    brings by a weight that nobody knows."""
    by_part: dict[str, list[Asked]] = {}
    for one in asked:
        by_part.setdefault(one.part, []).append(one)
    kinds = _Kinds(alike, asking)
    return tuple(_of_line(need, labels[need.line], by_part.get(need.part, []), asking, kinds) for need in needs)


def _of_line(need: Need, label: str, asked: Sequence[Asked], asking: Asking, kinds: "_Kinds") -> LinePrices:
    new = cheapest_of([one for one in asked if one.sold_as is SoldAs.NEW], need, asking)
    other = cheapest_of([one for one in asked if one.sold_as is not SoldAs.NEW], need, asking)
    needed_by, prices = asking.needed(need.line), prices_of(new)
    regular = regular_prices(prices)
    told = advice_on(new, asking.today, needed_by, asking.week_costs_minor, regular=regular)
    found = LinePrices(
        line=need.line,
        label=label,
        part=need.part,
        quantity=need.quantity,
        standing=standing(prices, asking.today, regular),
        advice=told,
        seen=new,
        offers=len(asked),
        observations=sum(one.observations for one in asked if one.sold_as is SoldAs.NEW),
        used_minor=minor_or_none(prices_of(other)[-1]),
        currency=asking.buyer.currency,
        needed_by=needed_by,
    )
    leans = told.say is Say.NOTHING and told.today_minor is not None
    return _leaning(found, need, asking, kinds) if leans else found


def _leaning(found: LinePrices, need: Need, asking: Asking, kinds: "_Kinds") -> LinePrices:
    """The same with the habits of its kind, where enough is known of those."""
    habits = kinds.habits(need, max(1, weeks_until(asking.today, found.needed_by)))
    kind = pooled(habits, float(found.advice.today_minor or 0))
    if kind is None:
        return found
    told = advice_on(found.seen, asking.today, found.needed_by, asking.week_costs_minor, kind)
    return replace(found, advice=told, leans_on=len(habits))


class _Kinds:
    """How others of a kind moved, each worked out once for all needs that cost as much to bring."""

    def __init__(self, alike: Alike, asking: Asking) -> None:
        self._alike, self._asking = alike, asking
        self._known: dict[tuple[Need, int], dict[str, Habits | None]] = {}

    def habits(self, need: Need, weeks: int) -> list[Habits]:
        """Of each other part at its cheapest, new, as many pieces as of `need`; without those that are known too
        shortly to tell."""
        by_part: dict[str, list[Asked]] = {}
        for one in self._alike(need.part):
            if one.part != need.part and one.sold_as is SoldAs.NEW:
                by_part.setdefault(one.part, []).append(one)
        known = self._known.setdefault((need._replace(line="", part=""), weeks), {})
        known.update(self._worked_out({part: new for part, new in by_part.items() if part not in known}, need, weeks))
        found = (known[part] for part in sorted(by_part))
        return [habits for habits in found if habits is not None]

    def _worked_out(self, by_part: Mapping[str, Sequence[Asked]], need: Need, weeks: int) -> dict[str, Habits | None]:
        long = {part: new for part, new in by_part.items() if _weeks_known(new) >= FEWEST_WEEKS}
        days = cheapest_each(list(long.values()), need, self._asking)
        habits = (habits_of(each, self._asking.today, weeks) for each in days)
        return {**dict.fromkeys(by_part), **dict(zip(long, habits, strict=True))}


def _weeks_known(asked: Sequence[Asked]) -> int:
    """In how many weeks any of them had a price: delivered it is known in no more of them."""
    return int((np.stack([one.days[::-1][::WEEK_DAYS] for one in asked]) > SOLD_OUT).any(axis=0).sum())


def cheapest_of(asked: Sequence[Asked], need: Need, asking: Asking) -> Floats:
    """The least that all of `need` came to, delivered, at any of `asked`; `SOLD_OUT` and not a number on days without a
    price."""
    days: Floats = cheapest_each([asked], need, asking)[0]
    return days


def cheapest_each(things: Sequence[Sequence[Asked]], need: Need, asking: Asking) -> Floats:
    """The same of several things, a row each; so many as are needed of each."""
    delivered = iter(asking.delivered.of([one for thing in things for one in thing], need))
    return cheapest([tuple(islice(delivered, len(thing))) for thing in things], READ_DAYS)


def minor_or_none(day: float) -> int | None:
    """A day's price in whole minor units; `None` where it is not known."""
    return None if np.isnan(day) else round(float(day))
