"""The price at which to buy, week by week: what waiting is expected to come to, worked out from the last week back."""

from dataclasses import dataclass
from functools import cached_property
from math import inf

import numpy as np

from core.prices.habits import Habits
from core.prices.history import Floats

GONE_COSTS = 1.10
"""What serves instead of something that is gone costs so much of its regular price (trade)."""

DEPTH_NOISE = 1e-9


@dataclass(frozen=True)
class Waiting:
    """What comes of waiting, for each week from today up to the one in which the thing is needed.

    In the last week it is bought at whatever it costs. All amounts are in minor units.
    """

    habits: Habits
    weeks: int
    week_costs_minor: float
    """What a week of waiting costs: bays hired meanwhile."""

    @cached_property
    def regular(self) -> Floats:
        """What it regularly costs in each week, today first."""
        growth: Floats = np.exp(self.habits.drift_a_week * np.arange(self.weeks + 1))
        return self.habits.regular_minor * growth

    @cached_property
    def _solved(self) -> tuple[list[float], list[list[float]]]:
        """What is expected to be paid from each week on by whoever waits in it: where there is no sale, and where there
        is one of each depth.

        A week at the regular price, and one on sale at each depth, are the states; the last week buys.
        """
        habits, last = self.habits, self.weeks
        regular, stays, stocked = self.regular.tolist(), habits.stays, 1 - habits.gone
        of_regular = [1 - depth for depth in habits.depths]
        regular_waits, sale_waits = [inf] * (last + 1), [[inf] * len(of_regular) for _ in range(last + 1)]
        paid_regular, paid_sale = regular[last], [regular[last] * share for share in of_regular]
        for week in range(last - 1, -1, -1):
            begins = habits.begins[week] if paid_sale else 0.0
            on_sale = sum(paid_sale) / len(paid_sale) if paid_sale else 0.0
            otherwise = self.week_costs_minor + habits.gone * GONE_COSTS * regular[week + 1]
            ends = otherwise + stocked * (1 - stays) * paid_regular
            regular_waits[week] = otherwise + stocked * ((1 - begins) * paid_regular + begins * on_sale)
            sale_waits[week] = [ends + stocked * stays * paid for paid in paid_sale]
            paid_regular = min(regular[week], regular_waits[week])
            asked = (regular[week] * share for share in of_regular)
            paid_sale = [min(paid, waits) for paid, waits in zip(asked, sale_waits[week], strict=True)]
        return regular_waits, sale_waits

    def reservation_minor(self, week: int, price_minor: float, *, on_sale: bool) -> float:
        """At this price and under it whoever needs the thing buys in that week; endless in the last one.

        On sale it depends on how deep the sale is: whoever waits may have it for as little next week too.
        """
        regular_waits, sale_waits = self._solved
        depths = np.array(self.habits.depths)
        if not on_sale or not len(depths):
            return regular_waits[week]
        depth = 1 - price_minor / self.regular[week]
        order = np.argsort(depths)
        return float(np.interp(depth, depths[order], np.array(sale_waits[week])[order]))

    @cached_property
    def by_week(self) -> tuple[float, ...]:
        """The price to buy at in each week in which there is no sale, today first; endless in the last one."""
        return tuple(self._solved[0])

    def sale_odds(self, depth: float, *, on_sale: bool) -> float:
        """The odds that a sale of that depth or deeper begins in one of the weeks before the thing is needed."""
        habits = self.habits
        if not habits.depths:
            return 0.0
        deep = float((np.array(habits.depths) >= depth - DEPTH_NOISE).mean())
        regular, sale = (0.0, 1.0) if on_sale else (1.0, 0.0)
        for begins in habits.begins[: self.weeks]:
            entering, leaving = regular * begins, sale * (1 - habits.stays)
            regular, sale = regular - entering + leaving, sale - leaving + entering * (1 - deep)
        return float(1 - regular - sale)
