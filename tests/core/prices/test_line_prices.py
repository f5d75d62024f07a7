"""What a build still needs, with what was seen of its prices: money, tax, delivery and conditions done by hand."""

from collections.abc import Mapping
from dataclasses import replace
from datetime import date, timedelta
from fractions import Fraction
from itertools import product
from random import Random
from typing import Any
from unittest import TestCase

import numpy as np

from core.model.shops import Shop, SoldAs
from core.money.amounts import Buyer
from core.money.delivered_days import DeliveredDays
from core.money.order import Need, order_of
from core.prices.advice import READ_DAYS, Say, advice_on
from core.prices.asked import Asked
from core.prices.back_test import trials
from core.prices.habits import FEWEST_OF_A_KIND, FEWEST_WEEKS, habits_of
from core.prices.history import SOLD_OUT
from core.quantities import UnitSystem
from core.report.price_chart import price_chart, spans_of
from core.report.prices import Asking, LinePrices, line_prices, needed_by_of, week_costs_minor_of
from tests.core import worlds
from tests.core.money import market
from tests.core.random_builds import seeds

TODAY = date(2026, 11, 30)
BUYER = Buyer("EUR", TODAY, tax_share=Fraction(1, 5), rates=(("USD", Fraction(9, 10)),))
NEED = Need("mat/mat", "mat")


def asked(*last: float | None, **facts: Any) -> Asked:
    """A year at 100.00, and so many days to today at what is given."""
    days = np.full(READ_DAYS, np.nan)
    days[-365:] = 100_00.0
    days[len(days) - len(last) :] = [np.nan if euros is None else 100 * euros for euros in last]
    told = {"part": "mat", "shop": "a", "sold_as": SoldAs.NEW, "currency": "EUR", "tax_included": True, **facts}
    return Asked(**told, days=days)


def shops(**terms: Any) -> Mapping[str, Shop]:
    return {id: market.shop(id=id, name=id.upper(), **terms) for id in "abc"}


def asking(needed_by: date = TODAY + timedelta(weeks=26), **facts: Any) -> Asking:
    return Asking(
        **{"buyer": BUYER, "shops": shops(), "today": TODAY, "needed_by": needed_by, "needed_by_line": {}, **facts}
    )


def prices(*found: Asked, need: Need = NEED, alike: tuple[Asked, ...] = (), **facts: Any) -> LinePrices:
    (line,) = line_prices([need], {"mat/mat": "Softfair"}, found, asking(**facts), lambda part: alike)
    return line


class LinePricesTests(TestCase):
    def test_the_cheapest_at_the_till_counts(self) -> None:
        """100.00; 80.00 with a fifth of tax on top is 96.00; 105.00 in dollars at 0.9 is 94.50."""
        self.assertEqual(prices(asked(100)).advice.today_minor, 100_00)
        self.assertEqual(prices(asked(100), asked(80, shop="b", tax_included=False)).advice.today_minor, 96_00)
        dollars = asked(105, shop="c", currency="USD")
        self.assertEqual(prices(asked(100), dollars).advice.today_minor, 94_50)

    def test_all_of_it_delivered(self) -> None:
        """Three at 100.00 and 5.90 for bringing them; a shop that is 1.00 dearer a piece and brings for nothing."""
        fees = [{"fee_minor": 590}, {"fee_minor": 0, "from_minor": 303_00}]
        three = NEED._replace(quantity=3)
        self.assertEqual(prices(asked(100), need=three, shops=shops(delivery=fees)).advice.today_minor, 305_90)
        dearer = asked(101, shop="b")
        self.assertEqual(prices(asked(100), dearer, need=three, shops=shops(delivery=fees)).advice.today_minor, 303_00)

    def test_money_without_a_rate_is_left_out(self) -> None:
        self.assertEqual(prices(asked(100), asked(10, currency="GBP")).advice.today_minor, 100_00)

    def test_a_shop_that_is_gone_is_left_out(self) -> None:
        self.assertEqual(prices(asked(100), asked(10, shop="gone")).advice.today_minor, 100_00)

    def test_used_things_are_told_apart(self) -> None:
        found = prices(asked(100), asked(40, sold_as=SoldAs.USED))
        self.assertEqual((found.advice.today_minor, found.used_minor, found.offers), (100_00, 40_00, 2))
        seen = (asked(100, observations=7), asked(99, shop="b", observations=5), asked(40, sold_as=SoldAs.USED))
        self.assertEqual(prices(*seen).observations, 12, "of new ones")

    def test_what_is_told(self) -> None:
        """A look makes the three weeks after it known as well: forty unknown days are 61 since the look."""

        def headline(*found: Asked, **facts: Any) -> str:
            return prices(*found, **facts).headline.text(UnitSystem.METRIC)

        self.assertEqual(headline(), "No price of it was ever seen")
        gone = headline(asked(*[None] * 40))
        self.assertEqual(gone, "Nobody has seen what it costs today: €100.00, 61 days ago")
        used = headline(asked(40, sold_as=SoldAs.USED))
        self.assertEqual(used, "Nobody has seen a new one for years")
        sold_out = asked(90, *[SOLD_OUT / 100] * 3)
        self.assertEqual(headline(sold_out), "Sold out wherever it was looked for; €90.00 3 days ago")
        self.assertIn("€90.00 a day ago", headline(asked(90, SOLD_OUT)))
        self.assertEqual(headline(asked(*[0] * READ_DAYS)), "Sold out wherever it was looked for")
        short = asked(100)
        short.days[:-100] = np.nan
        self.assertEqual(headline(short), "€100.00 today; 15 weeks are too few to say more")
        self.assertEqual(prices(asked(70)).advice.say, Say.BUY)
        self.assertTrue(headline(asked(70)).startswith("€70.00 today; waiting is expected to come to €"))
        self.assertTrue(headline(asked(100)).startswith("€100.00 today; buy at €"))
        self.assertEqual(headline(asked(100), needed_by=TODAY), "€100.00 today, and it is needed")

    def test_it_is_drawn_week_by_week_up_to_today(self) -> None:
        weekly = prices(asked(90, 80)).weekly
        self.assertEqual((len(weekly), weekly[-1], weekly[-2], weekly[0]), (78, 80_00, 100_00, None))

    def test_it_is_needed_when_it_is_to_be_playable(self) -> None:
        day = date(2027, 2, 1)
        build = worlds.full_build(brief=worlds.full_brief(playable_by=day))
        self.assertEqual(needed_by_of(build, TODAY), day)
        soon = worlds.full_build(brief=worlds.full_brief(playable_by=None))
        self.assertEqual(needed_by_of(soon, TODAY), TODAY + timedelta(weeks=26))
        own = prices(asked(100), needed_by_line={"mat/mat": TODAY})
        self.assertEqual((own.needed_by, own.advice.say), (TODAY, Say.BUY))

    def test_weeks_without_play_cost_what_a_hired_bay_does(self) -> None:
        """Four hours a week at 28.00."""
        build = worlds.full_build(brief=worlds.full_brief(hours_a_week=4.0))
        self.assertIsNone(week_costs_minor_of(build))
        said = build.model_copy(update={"ledger": build.ledger.model_copy(update={"hire_hour_minor": 28_00})})
        self.assertEqual(week_costs_minor_of(said), 112_00)
        self.assertEqual(prices(asked(100), week_costs_minor=112_00.0).advice.say, Say.BUY, "a week costs more than it")


class SoldOutTests(TestCase):
    """What was sold out now and then may be gone: a look at a line says the same as one at its history."""

    def test_whoever_waits_risks_that_it_is_gone(self) -> None:
        """Sold out on 10 of 53 weekly looks, known on 43: gone with 0.2 · 10 / (53 + 26) a week."""
        rare = with_sales(asked(100))
        for back in range(7, 147, 14):
            rare.days[-back - 7 : -back] = SOLD_OUT
        sold_out = sum(bool(day == SOLD_OUT) for day in rare.days[::-1][::7])
        found = habits_of(rare.days, TODAY, 26)
        assert found is not None
        self.assertAlmostEqual(found.gone, 0.2 * sold_out / (53 + 26))
        self.assertEqual(sold_out, 10)

    def test_a_line_that_is_brought_for_nothing_is_advised_on_as_its_history_is(self) -> None:
        for trial in trials("lines", 40):
            needed_by = trial.asked_on + timedelta(weeks=trial.weeks)
            days = trial.known.days(trial.asked_on, READ_DAYS)
            one = asked()
            one.days[:] = days
            line = prices(one, today=trial.asked_on, needed_by=needed_by)
            self.assertEqual(line.advice, advice_on(days, trial.asked_on, needed_by))

    def test_an_offer_of_another_shop_is_there(self) -> None:
        found = prices(asked(*[0] * 10), asked(120, shop="b"))
        self.assertEqual(found.advice.today_minor, 120_00)
        self.assertFalse((found.seen == SOLD_OUT).any())


class DeliveredDaysTests(TestCase):
    def test_each_day_is_an_order_of_that_day_without_codes(self) -> None:
        """On random terms and prices, to the rounding of its lines."""
        tried = 0
        for seed in seeds(60):
            dice = Random(seed)
            shop = market.random_shop("a", dice, ["mat", "lamp", "net"])
            need = Need("mat/mat", "mat", dice.randrange(1, 9), dice.choice((None, 3.0, 20.0)), dice.random() < 0.3)
            days = np.array([np.nan, *(float(dice.randrange(1, 300_00)) for _ in range(4))])
            taxed = dice.random() < 0.7
            one = Asked("mat", "a", SoldAs.NEW, shop.currency, taxed, days)
            others = Asked("lamp", "a", SoldAs.NEW, shop.currency, not taxed, days[::-1]), replace(one, shop="gone")
            buyer = replace(BUYER, reclaims_tax=dice.random() < 0.3)
            of_other, found, nowhere = DeliveredDays({"a": shop}, buyer).of([others[0], one, others[1]], need)
            self.assertTrue(np.isnan(nowhere).all(), "of a shop that nobody knows")
            self.assertTrue(np.isnan(found[0]))
            if np.isnan(found).all():
                continue
            for asked_for, minors, totals in ((one, days[1:], found[1:]), (others[0], days[:0:-1], of_other[:-1])):
                for minor, total in zip(minors, totals, strict=True):
                    terms = {"currency": shop.currency, "tax_included": asked_for.tax_included}
                    order = order_of(shop, [need.met_by(market.offer("mat", int(minor), "a", **terms))], buyer)
                    self.assertAlmostEqual(total, order.total.minor, delta=1.5)
                    tried += 1
        self.assertGreater(tried, 100)

    def test_nothing_without_a_weight_that_decides(self) -> None:
        shop = market.shop(id="a", delivery=[{"fee_minor": 390, "most_kg": 5}, {"fee_minor": 990}])
        delivered = DeliveredDays({"a": shop}, BUYER)
        self.assertTrue(np.isnan(delivered.of([asked(100)], NEED)).all())
        ((*_, heavy),) = delivered.of([asked(100)], NEED._replace(weight_kg=6.0))
        self.assertEqual(heavy, 109_90)


class KindTests(TestCase):
    def test_a_short_history_leans_on_others_of_its_kind(self) -> None:
        """Three mats had a sale of a third in each month; this one was seen for ten weeks only."""
        short = asked(100)
        short.days[:-70] = np.nan
        others = tuple(with_sales(asked(100, part=f"mat-{n}")) for n in range(FEWEST_OF_A_KIND))
        found = prices(short, alike=others)
        self.assertEqual((found.leans_on, found.advice.say), (3, Say.WAIT))
        assert found.advice.buy_at_minor is not None
        self.assertLess(found.advice.buy_at_minor, 90_00)

    def test_too_few_others_say_nothing(self) -> None:
        short = asked(100)
        short.days[:-70] = np.nan
        found = prices(short, alike=tuple(with_sales(asked(100, part=f"mat-{n}")) for n in range(2)))
        self.assertEqual((found.leans_on, found.advice.say), (0, Say.NOTHING))

    def test_others_that_are_short_themselves_tell_nothing_unless_shops_know_them_together(self) -> None:
        """Each known for 25 weeks; then in two shops, one after the other, for more."""
        short, days = asked(100), 7 * (FEWEST_WEEKS - 1)
        short.days[:-70] = np.nan
        others = [asked(100, part=f"mat-{n}") for n in range(FEWEST_OF_A_KIND)]
        for one in others:
            one.days[:-days] = np.nan
        self.assertEqual(prices(short, alike=tuple(others)).leans_on, 0)
        before = [asked(100, part=one.part, shop="b") for one in others]
        for one in before:
            one.days[-days:] = np.nan
        self.assertEqual(prices(short, alike=(*others, *before)).leans_on, FEWEST_OF_A_KIND)

    def test_lines_of_a_kind_together_are_told_as_each_alone(self) -> None:
        """Some of as many pieces, some of more or heavier ones, some needed earlier."""
        others = tuple(with_sales(asked(100 + n, part=f"mat-{n}")) for n in range(FEWEST_OF_A_KIND))
        loads: tuple[dict[str, Any], ...] = (
            {},
            {"quantity": 4},
            {"weight_kg": 31.0},
            {"weight_kg": None, "bulky": True},
        )
        kinds = enumerate(product(("softfair", "firmfair"), loads))
        light = NEED._replace(weight_kg=3.0)
        needs = [light._replace(line=f"mat/{number}", part=part, **load) for number, (part, load) in kinds]
        short = [asked(100, part=part) for part in ("softfair", "firmfair")]
        for one in short:
            one.days[:-70] = np.nan
        labels = {need.line: need.line for need in needs}
        terms = {"delivery": [{"fee_minor": 390, "most_kg": 5}, {"fee_minor": 49_00}], "bulky_minor": 25_00}
        asks = asking(shops=shops(**terms), needed_by_line={"mat/1": TODAY + timedelta(weeks=9)})
        together = line_prices(needs, labels, short, asks, lambda part: others)
        self.assertEqual([line.leans_on for line in together], [3, 3, 3, 0] * 2, "one of no weight has no price")
        for need, line in zip(needs, together, strict=True):
            (alone,) = line_prices([need], labels, short, asks, lambda part: others)
            self.assertEqual((line.advice, line.leans_on), (alone.advice, alone.leans_on))

    def test_a_long_one_leans_on_nothing(self) -> None:
        self.assertEqual(prices(asked(100), alike=(asked(1), asked(2), asked(3))).leans_on, 0)


class ChartTests(TestCase):
    def test_spans_and_gaps(self) -> None:
        days = np.array([1.0, 1.0, np.nan, 2.0, 3.0, 3.0])
        found = [(span.first.day, span.last.day, span.minor) for span in spans_of(days, date(2026, 3, 6))]
        self.assertEqual(found, [(1, 2, 1), (4, 4, 2), (5, 6, 3)])
        self.assertEqual(list(spans_of(np.full(9, np.nan), TODAY)), [])

    def test_what_is_drawn(self) -> None:
        line = prices(with_sales(asked(100)), needed_by=TODAY + timedelta(weeks=8))
        chart = price_chart(line, TODAY)
        self.assertEqual((chart.first, chart.spans[-1].last), (TODAY - timedelta(days=364), TODAY))
        self.assertEqual([day for day, _ in chart.buy_at], [TODAY + timedelta(weeks=week) for week in range(8)])
        self.assertGreater(len(chart.sales), 6)
        self.assertEqual({sale.minor for sale in chart.sales}, {66_00})

    def test_sold_out_is_told_from_not_looked(self) -> None:
        line = prices(asked(90, SOLD_OUT, SOLD_OUT, None, 80))
        self.assertEqual(price_chart(line, TODAY).sold_out, ((TODAY - timedelta(days=3), TODAY - timedelta(days=2)),))

    def test_nothing_seen_nothing_drawn(self) -> None:
        chart = price_chart(prices(), TODAY)
        self.assertEqual((chart.spans, chart.sales, chart.buy_at), ((), (), ()))


def with_sales(one: Asked) -> Asked:
    """A week of 66.00 in each five; not today."""
    for back in range(20, 360, 35):
        one.days[-back - 7 : -back] = 66_00.0
    return one
