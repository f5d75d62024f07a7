"""How good the advice is: the rule against others and against hindsight, on markets that it was not fitted on."""

from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from random import Random
from typing import NamedTuple

import numpy as np

from core.prices.advice import READ_DAYS, Say, advice_on
from core.prices.habits import FEWEST_WEEKS, WEEK_DAYS
from core.prices.history import SOLD_OUT, Floats, History, history_of, prices_of
from core.prices.simulated import Habit, market

KNOWN_DAYS = 540
"""Of the past that whoever asks has seen: a year and a half."""
READ_EVERY_DAYS = 3
OWN_WEEKS = 8
"""How long whoever asks could have waited, where what was really asked is gone through."""
OWN_EVERY_DAYS = 28
FIRST = date(2021, 3, 1)
USUAL_MINOR = (9_900, 39_900, 129_900, 219_900)


@dataclass(frozen=True)
class Trial:
    """One thing that somebody needs by a day: what was seen of it, and what it came to cost week by week."""

    habit: Habit | None
    """What its market was simulated with; `None` for what was really asked."""
    known: History
    asked_on: date
    weekly_minor: tuple[float, ...]
    """The price on the day on which it is asked for, and each week later up to the one in which it is needed; not a
    number where it could not be had."""

    @property
    def weeks(self) -> int:
        """Until it is needed."""
        return len(self.weekly_minor) - 1


@dataclass(frozen=True)
class Paid:
    """What each rule paid, as a share of what hindsight did; 1 is as good as that."""

    rule: str
    mean: float
    worst: float
    late: float
    """Share of trials in which it bought in the last week because it had to."""
    dearer: float
    """Share of trials in which it paid more than on the first day."""


class Outcome(NamedTuple):
    """What one rule paid in one trial."""

    habit: Habit | None
    rule: str
    share: float
    """Of what hindsight paid."""
    late: bool
    """It bought in the last week because it had to."""
    dearer: bool
    """It paid more than on the first day."""


def trials(seed: str, count: int, habits: Sequence[Habit] = tuple(Habit)) -> Iterable[Trial]:
    """Markets of each of `habits` in turn, each with a day on which somebody asks and one by which it is needed."""
    for number in range(count):
        chance = Random(f"{seed} {number}")
        habit, usual = habits[number % len(habits)], chance.choice(USUAL_MINOR)
        first = FIRST + timedelta(days=chance.randint(0, 364))
        weeks = chance.choice((6, 10, 16, 26))
        length = KNOWN_DAYS + weeks * 7 + 1
        quotes = list(market(f"{seed} {number}", habit, usual, first, length))
        if not quotes[KNOWN_DAYS].in_stock:
            continue
        readings = (
            (first + timedelta(days=day), quotes[day].minor, quotes[day].in_stock)
            for day in range(0, KNOWN_DAYS + 1, READ_EVERY_DAYS)
        )
        later = (quotes[KNOWN_DAYS + 7 * week] for week in range(weeks + 1))
        prices = tuple(float(quote.minor) if quote.in_stock else float("nan") for quote in later)
        yield Trial(habit, history_of(readings), first + timedelta(days=KNOWN_DAYS), prices)


def own_trials(days: Floats, today: date) -> Iterator[Trial]:
    """What was really asked on `days`, of which the last is `today`, as if somebody had asked every few weeks and
    needed the thing `OWN_WEEKS` later. `days` say where it was sold out."""
    until, prices = len(days) - 1, prices_of(days)
    for back in range(OWN_WEEKS * WEEK_DAYS, len(days), OWN_EVERY_DAYS):
        at = until - back
        before = days[at % READ_EVERY_DAYS : at + 1 : READ_EVERY_DAYS]
        if np.isnan(prices[at]) or (~np.isnan(prices_of(before))).sum() * READ_EVERY_DAYS < FEWEST_WEEKS * WEEK_DAYS:
            continue
        asked_on = today - timedelta(days=back)
        readings = (
            (
                asked_on - timedelta(days=READ_EVERY_DAYS * (len(before) - 1 - number)),
                round(float(minor)),
                bool(minor != SOLD_OUT),
            )
            for number, minor in enumerate(before)
            if not np.isnan(minor)
        )
        later = prices[at : at + OWN_WEEKS * WEEK_DAYS + 1 : WEEK_DAYS]
        yield Trial(None, history_of(readings), asked_on, tuple(float(minor) for minor in later))


def outcomes(tried: Iterable[Trial]) -> Iterator[Outcome]:
    """What each rule paid in each trial."""
    for trial in tried:
        prices = np.array(trial.weekly_minor)
        hindsight = float(np.nanmin(prices))
        for name, rule in RULES.items():
            week = rule(trial, prices)
            paid = _paid(prices, week)
            yield Outcome(trial.habit, name, paid / hindsight, week >= trial.weeks, paid > prices[0])


def summed(found: Iterable[Outcome]) -> Mapping[str, Paid]:
    """What the rules paid over all of `found`, by their names."""
    by_rule: dict[str, list[Outcome]] = {}
    for one in found:
        by_rule.setdefault(one.rule, []).append(one)
    return {rule: _summed(rule, some) for rule, some in by_rule.items()}


def _summed(rule: str, found: Sequence[Outcome]) -> Paid:
    shares = [one.share for one in found]
    late, dearer = (sum(each) / len(found) for each in zip(*((one.late, one.dearer) for one in found), strict=True))
    return Paid(rule, sum(shares) / len(shares), max(shares), late, dearer)


def _paid(prices: Floats, week: int) -> float:
    """What it costs in `week`; something like it, at a tenth more than last seen, where it cannot be had any more."""
    if not np.isnan(prices[week]):
        return float(prices[week])
    known = prices[: week + 1][~np.isnan(prices[: week + 1])]
    return 1.10 * float(known.max())


def _by_advice(trial: Trial, prices: Floats) -> int:
    """Buys in the first week in which it is told to; each week is seen and asked about anew."""
    needed_by = trial.asked_on + timedelta(weeks=trial.weeks)
    known = trial.known
    for week in range(trial.weeks):
        day = trial.asked_on + timedelta(weeks=week)
        if np.isnan(prices[week]):
            known = known.with_reading(day, known.seen[-1].minor, in_stock=False)
            continue
        known = known.with_reading(day, round(prices[week]))
        if advice_on(known.days(day, READ_DAYS), day, needed_by).say is not Say.WAIT:
            return week
    return trial.weeks


def _at_once(trial: Trial, prices: Floats) -> int:
    return 0


def _under_the_median(trial: Trial, prices: Floats) -> int:
    """Buys as soon as it costs less than the median of the year before; else when it is needed."""
    known = prices_of(trial.known.days(trial.asked_on, 365))
    median = float(np.nanmedian(known))
    return next((week for week in range(trial.weeks) if prices[week] < median), trial.weeks)


def _for_the_target(trial: Trial, prices: Floats) -> int:
    """Waits for a tenth less than on the first day; else buys when it is needed."""
    return next((week for week in range(trial.weeks) if prices[week] <= 0.9 * prices[0]), trial.weeks)


RULES = {
    "the advice": _by_advice,
    "at once": _at_once,
    "under the median": _under_the_median,
    "a tenth less": _for_the_target,
}
