"""Prices over time as somebody uses them: what to buy now, the numbers behind it, and a look that is wrong."""

from datetime import timedelta

from django.utils import timezone
from playwright.sync_api import expect

from core.model.observation import Look
from jungle.market.observing import record
from tests.browser.base import BrowserTestCase
from tests.browser.chromium import DESK, PHONE


class PriceJourneys(BrowserTestCase):
    viewport = DESK

    def setUp(self) -> None:
        super().setUp()
        today = timezone.localdate()
        looks = [
            Look.model_validate({"part": "greywold-softfair", "shop": "larkmoor", "day": today - timedelta(days=days),
                                 "price": {"minor": 500_00 if days else 460_00}})
            for days in range(300, -1, -10)
        ]  # fmt: skip
        record(self.build.owner_id, looks)

    def test_from_the_advice_to_a_look_that_was_wrong(self) -> None:
        page = self.open("prices")
        line = page.get_by_role("listitem").filter(has=page.get_by_role("heading", name="Greywold Softfair"))
        expect(line.get_by_text("€460.00 today")).to_be_visible()
        other = page.get_by_role("listitem").filter(has=page.get_by_role("heading", name="Lodestill Twosight"))
        expect(other.get_by_text("No price of it was ever seen")).to_be_visible()
        line.get_by_text("The numbers").click()
        expect(line.get_by_text("Usual, of 365 days")).to_be_visible()
        self.assert_accessible(page, "prices, the numbers open")
        line.get_by_text("What was seen").click()
        line.get_by_role("button", name="Wrong: €460.00").click()
        line.get_by_label("Why it is wrong").fill("that was the smaller one")
        line.get_by_role("button", name="Strike", exact=True).click()
        expect(line.get_by_text("Struck out: that was the smaller one")).to_be_visible()
        expect(line.get_by_text("€500.00 today")).to_be_visible()
        line.get_by_role("button", name="Bring back €460.00").click()
        expect(line.get_by_text("€460.00 today")).to_be_visible()
        self.assert_accessible(page, "prices, the log open")
        self.assert_fits(page)


class PhonePriceJourneys(PriceJourneys):
    viewport = PHONE
