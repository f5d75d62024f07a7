"""How a price has moved so far, week by week: what waiting leans on."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from math import log
from statistics import median

import numpy as np

from core.prices.history import SOLD_OUT, Floats, prices_of
from core.prices.standing import on_sale, regular_prices

WEEK_DAYS = 7
FEWEST_WEEKS = 26
"""With less than half a year that is known there is no advice: one sale more or less would turn it."""
UNSEEN_DEPTHS = (0.10,)
"""Of the sale that nobody has seen yet (trade)."""
SEASON_WEEKS = 2
"""A sale comes again in the same weeks of the year, give or take so many (trade)."""
SEASON_WORTH = 12.0
"""So many weeks of the whole history weigh as much as one week of the season itself."""
DEPTHS_KEPT = 8
CLEARS_WEEKS = 26
"""What is cleared out goes down in steps within so many weeks, and up in none of them."""
CLEARS_STEPS = 2
CLEARS_FROM = 0.06
CLEARS_ON = 0.6
"""Of the pace at which it went down so far, this share is believed to go on (trade)."""
CLEARED_GONE = 0.04
"""A week, of what is cleared out (trade: half a year until the last one is sold)."""
DRIFT_WORTH_WEEKS = 26.0
"""A drift is believed by half when it has been seen for so long."""
GONE_WORTH_WEEKS = 26.0
FEWEST_OF_A_KIND = 3
"""With fewer things of a kind nothing is taken to be its habit (trade)."""


@dataclass(frozen=True)
class Habits:
    """What weeks were like, as shares of the regular price."""

    weeks: int
    """Of which the price is known."""
    on_sale: bool
    """There is one today."""
    regular_minor: float
    begins: tuple[float, ...]
    """The odds that a sale begins in each week to come, from next week on, where there is none."""
    stays: float
    """The odds that a sale goes on for another week."""
    depths: tuple[float, ...]
    """By which share sales were less, equally likely each."""
    drift_a_week: float
    """By which share the regular price rises each week; less than nothing where it falls."""
    gone: float
    """The odds that a week from now it cannot be had any more."""
    cleared: bool = False
    """It is being cleared out."""


def habits_of(days: Floats, today: date, weeks_ahead: int, regular: Floats | None = None) -> Habits | None:
    """How the price on `days`, of which the last is `today`, has moved; `None` where the history cannot carry it.

    Weeks are read back from today. `days` say where it was sold out. `regular` are the regular prices on them, where
    they are known already.
    """
    seen = days[::-1][::WEEK_DAYS][::-1]
    weekly = prices_of(seen)
    known_regular = None if regular is None else regular[::-1][::WEEK_DAYS][::-1]
    regular = regular_prices(prices_of(days), WEEK_DAYS) if known_regular is None else known_regular
    known = ~np.isnan(weekly) & ~np.isnan(regular)
    if known.sum() < FEWEST_WEEKS or not known[-1]:
        return None
    fall = _cleared(weekly[known][-CLEARS_WEEKS:])
    if fall is not None:
        falls = (-CLEARS_ON * fall, max(CLEARED_GONE, _gone(seen)))
        return Habits(int(known.sum()), False, float(weekly[-1]), (0.0,) * weeks_ahead, 0.0, (), *falls, cleared=True)
    sale = on_sale(weekly, regular) & known
    week_of = _weeks_of_year(today, np.arange(len(weekly)) - len(weekly) + 1)
    before, after = known[:-1] & ~sale[:-1], known[1:]
    could_begin, began = before & after, before & after & sale[1:]
    overall = (began.sum() + 0.5) / (could_begin.sum() + 26.0) if could_begin.any() else 0.0
    ahead = _weeks_of_year(today, np.arange(1, weeks_ahead + 1))
    begins = tuple(_in_season(ahead, week_of[1:], could_begin, began, overall).tolist())
    could_stay = sale[:-1] & after
    stays = (could_stay & sale[1:]).sum() + 1.0
    depths = 1 - weekly[sale] / regular[sale]
    return Habits(
        weeks=int(known.sum()),
        on_sale=bool(sale[-1]),
        regular_minor=float(regular[-1]),
        begins=begins,
        stays=float(stays / (could_stay.sum() + 2.0)),
        depths=_quantiles(depths) or UNSEEN_DEPTHS,
        drift_a_week=_drift(regular[known]),
        gone=_gone(seen),
    )


def pooled(others: Sequence[Habits], regular_minor: float, on_sale: bool = False) -> Habits | None:
    """The habits of a thing that is known too shortly, from those of others of its kind; `None` with too few of them.

    What is being cleared out tells nothing of others.
    """
    told = [one for one in others if not one.cleared]
    if len(told) < FEWEST_OF_A_KIND:
        return None
    return Habits(
        weeks=int(np.median([one.weeks for one in told])),
        on_sale=on_sale,
        regular_minor=regular_minor,
        begins=tuple(float(odds) for odds in np.mean([one.begins for one in told], axis=0)),
        stays=float(np.mean([one.stays for one in told])),
        depths=_quantiles(np.array([depth for one in told for depth in one.depths])),
        drift_a_week=float(np.median([one.drift_a_week for one in told])),
        gone=float(np.mean([one.gone for one in told])),
    )


def _cleared(weekly: Floats) -> float | None:
    """By which share it went down each week, of what is cleared out; `None` for what is not."""
    steps = np.diff(np.log(weekly))
    if (steps > 0).any() or (steps < 0).sum() < CLEARS_STEPS or -steps.sum() < CLEARS_FROM:
        return None
    since = int(np.flatnonzero(steps < 0)[0])
    return float(-steps.sum() / (len(steps) - since))


def _weeks_of_year(today: date, weeks: np.ndarray) -> np.ndarray:
    """The week of the year in which the day lies that is so many weeks from today."""
    days = np.datetime64(today, "D") + WEEK_DAYS * weeks
    since_new_year: np.ndarray = (days - days.astype("datetime64[Y]")).astype(int)
    return (since_new_year + 1) // WEEK_DAYS


def _in_season(
    ahead: np.ndarray, weeks: np.ndarray, could_begin: np.ndarray, began: np.ndarray, overall: float
) -> Floats:
    """The odds for each week of the year in `ahead`, from those near it among `weeks`."""
    apart = np.abs(weeks[None, :] - ahead[:, None])
    near = (np.minimum(apart, 52 - apart) <= SEASON_WEEKS).astype(np.float64)
    count, hits = near @ could_begin.astype(np.float64), near @ began.astype(np.float64)
    odds: Floats = (hits + SEASON_WORTH * overall) / (count + SEASON_WORTH)
    return odds


def _quantiles(depths: Floats) -> tuple[float, ...]:
    if not len(depths):
        return ()
    shares = (np.arange(DEPTHS_KEPT) + 0.5) / DEPTHS_KEPT
    return tuple(float(depth) for depth in np.quantile(depths, shares, method="inverted_cdf"))


def _drift(regular: Floats) -> float:
    """From the middle of the first third to that of the last, so that a sale at either end moves it little."""
    third = max(1, len(regular) // 3)
    weeks = len(regular) - third
    rise = log(median(regular[-third:].tolist()) / median(regular[:third].tolist()))
    return rise / (weeks + DRIFT_WORTH_WEEKS)


def _gone(weekly: Floats) -> float:
    """A thing that was sold out now and then is gone for good less often than not."""
    known = weekly[~np.isnan(weekly)]
    return float(0.2 * (known == SOLD_OUT).sum() / (len(known) + GONE_WORTH_WEEKS))
