"""What a build still needs, with what was seen of its prices: money, tax and conditions done by hand."""

from datetime import date, timedelta
from fractions import Fraction
from typing import Any
from unittest import TestCase

import numpy as np

from core.model.shops import SoldAs
from core.money.amounts import Buyer
from core.money.order import Need
from core.prices.advice import READ_DAYS, Say
from core.prices.asked import Asked
from core.quantities import UnitSystem
from core.report.prices import LinePrices, line_prices, needed_by_of
from tests.core import worlds

TODAY = date(2026, 11, 30)
BUYER = Buyer("EUR", TODAY, tax_share=Fraction(1, 5), rates=(("USD", Fraction(9, 10)),))


def asked(*last: float | None, **facts: Any) -> Asked:
    """A year at 100.00, and so many days to today at what is given."""
    days = np.full(READ_DAYS, np.nan)
    days[-365:] = 100_00.0
    days[len(days) - len(last) :] = [np.nan if euros is None else 100 * euros for euros in last]
    told = {"part": "mat", "shop": "a", "sold_as": SoldAs.NEW, "currency": "EUR", "tax_included": True, **facts}
    return Asked(**told, days=days)


def prices(*found: Asked, **brief: Any) -> LinePrices:
    build = worlds.full_build(brief=worlds.full_brief(playable_by=None, **brief))
    (line,) = line_prices(build, [Need("mat/mat", "mat", 2)], {"mat/mat": "Softfair"}, found, BUYER, TODAY)
    return line


class LinePricesTests(TestCase):
    def test_the_cheapest_at_the_till_counts(self) -> None:
        """100.00; 80.00 with a fifth of tax on top is 96.00; 105.00 in dollars at 0.9 is 94.50."""
        self.assertEqual(prices(asked(100)).advice.today_minor, 100_00)
        self.assertEqual(prices(asked(100), asked(80, shop="b", tax_included=False)).advice.today_minor, 96_00)
        dollars = asked(105, shop="c", currency="USD")
        self.assertEqual(prices(asked(100), dollars).advice.today_minor, 94_50)

    def test_money_without_a_rate_is_left_out(self) -> None:
        self.assertEqual(prices(asked(100), asked(10, currency="GBP")).advice.today_minor, 100_00)

    def test_used_things_are_told_apart(self) -> None:
        found = prices(asked(100), asked(40, sold_as=SoldAs.USED))
        self.assertEqual((found.advice.today_minor, found.used_minor, found.offers), (100_00, 40_00, 2))

    def test_what_is_told(self) -> None:
        def headline(*found: Asked, **brief: Any) -> str:
            return prices(*found, **brief).headline.text(UnitSystem.METRIC)

        self.assertEqual(headline(), "No price of it was ever seen")
        self.assertEqual(headline(asked(*[None] * 40)), "Nobody has seen what it costs today")
        short = asked(100)
        short.days[:-100] = np.nan
        self.assertEqual(headline(short), "€100.00 today; 15 weeks are too few to say more")
        self.assertEqual(prices(asked(70)).advice.say, Say.BUY)
        self.assertTrue(headline(asked(70)).startswith("€70.00 today; waiting is expected to come to €"))
        self.assertTrue(headline(asked(100)).startswith("€100.00 today; buy at €"))

    def test_it_is_drawn_week_by_week_up_to_today(self) -> None:
        weekly = prices(asked(90, 80)).weekly
        self.assertEqual((len(weekly), weekly[-1], weekly[-2], weekly[0]), (78, 80_00, 100_00, None))

    def test_it_is_needed_when_it_is_to_be_playable(self) -> None:
        day = date(2027, 2, 1)
        build = worlds.full_build(brief=worlds.full_brief(playable_by=day))
        self.assertEqual(needed_by_of(build, TODAY), day)
        soon = worlds.full_build(brief=worlds.full_brief(playable_by=None))
        self.assertEqual(needed_by_of(soon, TODAY), TODAY + timedelta(weeks=26))
