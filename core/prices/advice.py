"""Buy now or wait, in numbers; nothing where the history cannot carry an answer."""

from dataclasses import dataclass
from datetime import date, timedelta
from enum import StrEnum
from statistics import median

import numpy as np

from core.prices.habits import WEEK_DAYS, Habits, habits_of
from core.prices.history import Floats, prices_of
from core.prices.reservation import Waiting

READ_DAYS = 730
"""Of the past that habits are told from: two years show each season twice."""
MOST_WEEKS = 104
WORTH_WAITING_FOR = 0.0005
"""Waiting that is expected to save less of the price than this is not worth the trouble (trade)."""


class Say(StrEnum):
    """What is advised."""

    BUY = "buy"
    WAIT = "wait"
    NOTHING = "nothing"


@dataclass(frozen=True)
class Advice:
    """Whether to buy or to wait, and why. Amounts are in minor units of one currency."""

    say: Say
    weeks_known: int
    """Of the history that this rests on."""
    today_minor: int | None
    weeks: int
    """Until it is needed."""
    buy_at_minor: float | None = None
    """At this price and under it, buy today."""
    by_week_minor: tuple[float, ...] = ()
    """The price to buy at in each week to come in which there is no sale, today first."""
    expected_minor: float | None = None
    """What whoever waits is expected to pay, with what the weeks cost."""
    best_minor: float | None = None
    """The price that the usual sale comes to: what one may hope for."""
    best_odds: float | None = None
    """The odds that a sale as deep as that, or deeper, begins before it is needed."""
    saves_minor: float | None = None
    """What waiting is expected to be worth; less than nothing where it costs."""
    risks_minor: float | None = None
    """What waiting costs where no sale comes: the regular price on the day, and the weeks, less today's price."""
    turns_on: date | None = None
    """From this day on it is bought at the price of today, if that has not changed."""


def advice_on(
    days: Floats,
    today: date,
    needed_by: date,
    week_costs_minor: float = 0.0,
    kind: Habits | None = None,
    regular: Floats | None = None,
) -> Advice:
    """What to do about a thing that costs what it does on `days`, the last of them `today`, and is needed by a day.

    `days` say where it was sold out. `week_costs_minor` is what a week without it costs. `kind` are the habits of
    things like it, taken where its own history is too short. `regular` are the regular prices on `days`, where they are
    known already. Nothing is advised while its price today is not known, or nothing of the past.
    """
    weeks, prices = weeks_until(today, needed_by), prices_of(days)
    now = None if np.isnan(prices[-1]) else round(float(prices[-1]))
    habits = habits_of(days, today, max(weeks, 1), regular) or kind
    if now is None or habits is None:
        known = int((~np.isnan(prices[::-1][::WEEK_DAYS])).sum())
        return Advice(Say.NOTHING, known, now, weeks)
    waiting = Waiting(habits, weeks, week_costs_minor)
    return _weighed(waiting, now, today)


def _weighed(waiting: Waiting, now: int, today: date) -> Advice:
    habits, weeks = waiting.habits, waiting.weeks
    if weeks == 0:
        return Advice(Say.BUY, habits.weeks, now, 0, turns_on=today)
    waits = waiting.reservation_minor(0, now, on_sale=habits.on_sale)
    buy_at = waits + WORTH_WAITING_FOR * now
    depth = median(habits.depths) if habits.depths else 0.0
    best = habits.regular_minor * (1 - depth)
    hoped = best if habits.depths and best < now else None
    return Advice(
        Say.BUY if now <= buy_at else Say.WAIT,
        habits.weeks,
        now,
        weeks,
        buy_at_minor=buy_at,
        by_week_minor=waiting.by_week,
        expected_minor=waits,
        best_minor=hoped,
        best_odds=None if hoped is None else waiting.sale_odds(depth, on_sale=habits.on_sale),
        saves_minor=now - waits,
        risks_minor=float(waiting.regular[-1]) + weeks * waiting.week_costs_minor - now,
        turns_on=today + timedelta(weeks=_turns(waiting, now)),
    )


def _turns(waiting: Waiting, now: int) -> int:
    """The first week in which today's price is one to buy at, whatever came before."""
    on_sale = waiting.habits.on_sale
    for week in range(waiting.weeks):
        if now <= waiting.reservation_minor(week, now, on_sale=on_sale) + WORTH_WAITING_FOR * now:
            return week
    return waiting.weeks


def weeks_until(today: date, needed_by: date) -> int:
    """Whole weeks in which to wait; none where it is needed already."""
    return min(MOST_WEEKS, max(0, (needed_by - today).days // WEEK_DAYS))
