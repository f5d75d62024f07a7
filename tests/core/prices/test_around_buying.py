"""Before buying and after it: whom to ask, whether sending back would save, what was missed, and the calendar."""

from datetime import UTC, datetime, timedelta
from typing import Any
from unittest import TestCase

import numpy as np
from icalendar import Calendar

from core.formats.prices_ics import prices_ics
from core.model.build import Build, Slot
from core.model.ledger import Entry, Ledger
from core.model.parts import KINDS as PART_KINDS
from core.model.shops import Offer
from core.money.line import Line
from core.money.order import Need
from core.prices.back_test import OWN_WEEKS, outcomes, own_trials, summed
from core.prices.habits import FEWEST_WEEKS
from core.quantities import Money, UnitSystem
from core.report.after_buying import Bought, after_buying
from core.report.ask_first import KINDS, QUESTIONS, questions_for
from tests.core import worlds
from tests.core.money import market
from tests.core.prices.test_line_prices import TODAY, asked, asking, prices, with_sales

MAT = worlds.mat()
LINE = Line(Slot.MAT, "Softfair", part=MAT.id, newcomers=Money(1, "EUR"))


def bought(*last: float, days_ago: int = 10, offered: Offer | None = None, **terms: Any) -> Bought:
    """The mat was bought for 100.00 so many days ago; since then it came to what is given, day by day."""
    entry = Entry(paid_minor=100_00, paid_on=TODAY - timedelta(days=days_ago), paid_to="A",
                  offer=offered.id if offered else None)  # fmt: skip
    build = Build(name="Bay", ledger=Ledger(entries={LINE.key: entry}))
    shops = {"a": market.shop(id="a", name="A", **terms)}
    offers = {offered.id: offered} if offered else {}
    seen = asked(*last, part=MAT.id)
    (found,) = after_buying(build, [LINE], {MAT.id: MAT}, offers, [seen], asking(shops=shops))
    return found


class AfterBuyingTests(TestCase):
    def test_a_lower_price_within_the_days_saves_what_is_left_after_the_parcel(self) -> None:
        """100.00 paid, 80.00 and 5.90 for bringing it now, 5.90 to send the other back: 8.20 saved."""
        fees = [{"fee_minor": 590}]
        offered = market.offer(MAT.id, 94_10, "a")
        found = bought(80, return_days=14, returns_paid=False, delivery=fees, offered=offered)
        self.assertEqual((found.now_minor, found.return_costs_minor, found.saves_minor), (85_90, 5_90, 8_20))
        self.assertTrue(found.is_worth_sending_back)
        told = found.headline.text(UnitSystem.METRIC)
        self.assertIn("sending it back by 2026-12-04", told)
        self.assertIn("€5.90 for the parcel, if that costs as much as bringing it does", told)

    def test_a_shop_that_pays_for_returns_costs_nothing(self) -> None:
        found = bought(80, return_days=14, returns_paid=True)
        self.assertEqual((found.return_costs_minor, found.saves_minor), (0, 20_00))

    def test_after_the_days_it_was_missed(self) -> None:
        found = bought(80, 90, return_days=7)
        self.assertIsNone(found.return_by)
        self.assertFalse(found.is_worth_sending_back)
        self.assertEqual((found.least_minor, found.least_on), (80_00, TODAY - timedelta(days=1)))
        self.assertEqual(found.headline.text(UnitSystem.METRIC), "Missed: €20.00 less on 2026-11-29, before delivery")

    def test_what_it_cost_before_the_purchase_was_not_missed(self) -> None:
        found = bought(50, *[100] * 11, days_ago=10, return_days=14)
        self.assertEqual(found.headline.text(UnitSystem.METRIC), "Well bought: nobody asked less since")

    def test_what_is_compared_is_without_delivery_as_it_was_paid(self) -> None:
        """95.00 and 12.90 for bringing it: 5.00 less than the 100.00 that were paid for the goods were missed."""
        found = bought(95, delivery=[{"fee_minor": 1290}])
        self.assertEqual((found.now_minor, found.least_minor), (107_90, 95_00))
        self.assertIn("Missed: €5.00", found.headline.text(UnitSystem.METRIC))

    def test_a_trifle_is_not_worth_the_parcel(self) -> None:
        self.assertFalse(bought(99, return_days=14, returns_paid=True).is_worth_sending_back)

    def test_an_unknown_shop_takes_nothing_back(self) -> None:
        entry = Entry(paid_minor=100_00, paid_on=TODAY, paid_to="a friend")
        build = Build(name="Bay", ledger=Ledger(entries={LINE.key: entry}))
        (found,) = after_buying(build, [LINE], {MAT.id: MAT}, {}, [], asking())
        self.assertEqual((found.return_by, found.saves_minor), (None, None))
        self.assertEqual(found.headline.text(UnitSystem.METRIC), "Nobody has seen its price since")


class AskFirstTests(TestCase):
    def test_each_question_once_in_the_order_of_needs(self) -> None:
        parts = {"mat": MAT, "strip": worlds.strip(id="strip"), "screen": worlds.screen(id="screen")}
        found = questions_for([Need("a", "screen"), Need("b", "mat"), Need("c", "strip"), Need("d", "gone")], parts)
        self.assertEqual([question.id for question in found], ["screen", "mat"])

    def test_every_kind_is_one_and_every_question_is_asked(self) -> None:
        self.assertLessEqual(set(KINDS), set(PART_KINDS))
        self.assertEqual(set(KINDS.values()), set(QUESTIONS))


class OwnTrialTests(TestCase):
    def test_each_begins_where_enough_was_known_and_ends_by_today(self) -> None:
        line = prices(with_sales(asked(100)))
        found = list(own_trials(line.seen, TODAY))
        self.assertGreater(len(found), 3)
        for trial in found:
            self.assertEqual(trial.weeks, OWN_WEEKS)
            self.assertLessEqual(trial.asked_on + timedelta(weeks=OWN_WEEKS), TODAY)
            self.assertGreaterEqual(trial.asked_on, TODAY - timedelta(days=364 - 7 * FEWEST_WEEKS))
            at = len(line.days) - 1 - (TODAY - trial.asked_on).days
            self.assertEqual(trial.weekly_minor[0], line.days[at])
            self.assertEqual(trial.weekly_minor[-1], line.days[at + 7 * OWN_WEEKS])
        paid = summed(outcomes(found))
        self.assertLess(paid["the advice"].mean, paid["at once"].mean, "there is a sale in each five weeks")

    def test_a_price_that_is_another_each_day_tells_days_apart(self) -> None:
        days = np.arange(100_00, 100_00 + 730, dtype=np.float64)
        for trial in own_trials(days, TODAY):
            asked = len(days) - 1 - (TODAY - trial.asked_on).days
            self.assertEqual(trial.weekly_minor, tuple(days[asked : asked + 7 * OWN_WEEKS + 1 : 7]))
            self.assertEqual(trial.known.days(trial.asked_on, 1).tolist(), [days[asked]])

    def test_nothing_known_nothing_tried(self) -> None:
        self.assertEqual(list(own_trials(np.full(730, np.nan), TODAY)), [])


class CalendarTests(TestCase):
    def test_needs_turns_and_sales_of_the_year_before(self) -> None:
        line = prices(with_sales(asked(100)), needed_by=TODAY + timedelta(weeks=8))
        text = prices_ics("Bay", [line], "build-1", TODAY, datetime(2026, 11, 30, 12, tzinfo=UTC))
        events = list(Calendar.from_ical(text).walk("VEVENT"))
        days = {str(event["summary"]): event["dtstart"].dt for event in events}
        self.assertEqual(days["Needed: Softfair"], TODAY + timedelta(weeks=8))
        sales = [event["dtstart"].dt for event in events if "A sale a year ago, €66.00" in str(event["summary"])]
        self.assertTrue(sales)
        self.assertTrue(all(TODAY < day <= TODAY + timedelta(weeks=8) for day in sales))
        self.assertEqual(len({str(event["uid"]) for event in events}), len(events))
