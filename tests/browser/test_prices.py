"""Prices over time as somebody uses them: what to buy now, the numbers behind it, and a look that is wrong."""

from datetime import timedelta

from django.utils import timezone
from playwright.sync_api import expect

from core.model.observation import Look
from jungle.market.observing import record
from jungle.standins.servers import standing
from jungle.standins.shop_front import CATALOGUE_AT
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
        expect(line.get_by_text("€499.00 today")).to_be_visible()
        other = page.get_by_role("listitem").filter(has=page.get_by_role("heading", name="Lodestill Twosight"))
        expect(other.get_by_text("No price of it was ever seen")).to_be_visible()
        line.get_by_text("History, offers, numbers and watch").click()
        expect(line.get_by_text("Usual, of 365 days")).to_be_visible()
        expect(line.get_by_text("today €499.00", exact=True)).to_be_attached()
        days = line.get_by_label("Read a day of Greywold Softfair")
        days.press("ArrowLeft")
        expect(line.get_by_text(": €539.00")).to_be_visible()
        self.assert_accessible(page, "prices, the numbers open")
        line.get_by_text("What was seen").click()
        line.get_by_role("button", name="Wrong: €460.00").click()
        line.get_by_label("Why it is wrong").fill("that was the smaller one")
        line.get_by_role("button", name="Strike", exact=True).click()
        expect(line.get_by_text("Struck out: that was the smaller one")).to_be_visible()
        expect(line.get_by_text("€539.00 today")).to_be_visible()
        line.get_by_role("button", name="Bring back €460.00").click()
        expect(line.get_by_text("€499.00 today")).to_be_visible()
        self.assert_accessible(page, "prices, the log open")
        self.assert_fits(page)

    def test_a_watch_that_is_crossed_at_once(self) -> None:
        page = self.open("prices")
        line = page.get_by_role("listitem").filter(has=page.get_by_role("heading", name="Greywold Softfair"))
        line.get_by_text("History, offers, numbers and watch").click()
        target = line.get_by_label("Tell me at or under: Greywold Softfair")
        self.allowed = ("422",)
        target.fill("soon")
        line.get_by_role("button", name="Watch it").click()
        expect(line.get_by_role("alert")).to_contain_text("amount")
        target.fill("9000")
        line.get_by_text("Conditions and shops").click()
        line.get_by_label("new", exact=True).check()
        line.get_by_role("button", name="Watch it").click()
        expect(line.get_by_text("Watched for €9,000.00 or less").first).to_be_visible()
        alert = page.get_by_role("region", name="Came to their targets")
        expect(alert.get_by_text("at €9,000.00 or less as you wished")).to_be_visible()
        line.get_by_role("button", name="Change: Greywold Softfair").click()
        expect(target).to_have_value("€9,000.00")
        target.fill("8000")
        line.get_by_role("button", name="Watch it").click()
        expect(line.get_by_text("Watched for €8,000.00 or less").first).to_be_visible()
        expect(alert.get_by_text("at €9,000.00 or less as you wished")).to_be_visible()
        expect(alert.get_by_text("at €8,000.00 or less as you wished")).to_be_visible()
        self.assert_accessible(page, "prices with an alert")
        self.assert_fits(page)
        for left in (1, 0):
            alert.get_by_role("button", name="Put away: Greywold Softfair").first.click()
            expect(alert.get_by_role("button", name="Put away: Greywold Softfair")).to_have_count(left)
        line.get_by_role("button", name="Watch no more: Greywold Softfair").click()
        expect(line.get_by_role("button", name="Watch it")).to_be_visible()

    def test_whom_to_ask_first(self) -> None:
        page = self.open("prices")
        said = page.get_by_label("What they said: A driving range near you")
        said.fill("Two in March")
        said.press("Enter")
        expect(page.get_by_text("What they said, ")).to_be_visible()


class PhonePriceJourneys(PriceJourneys):
    viewport = PHONE


class SourceJourneys(BrowserTestCase):
    viewport = DESK

    def test_from_an_address_to_a_round(self) -> None:
        page = self.open("prices/sources")
        self.allowed = ("422",)
        expect(page.get_by_text("No source is read yet")).to_be_visible()
        with standing() as at:
            page.get_by_label("Shop", exact=True).select_option(label="a new shop")
            page.get_by_label("Address of its feed").fill(f"{at['turnagain']}{CATALOGUE_AT['turnagain']}")
            page.get_by_role("button", name="Look at it").click()
            expect(page.get_by_text("Accepted: ").first).to_be_visible()
            page.get_by_label("name", exact=True).fill("Quillwick")
            page.get_by_label("country", exact=True).fill("Denmark")
            page.get_by_label("country", exact=True).press("Tab")
            page.get_by_role("button", name="Look at it").click()
            expect(page.get_by_text("a private address: it is read only where that is allowed")).to_be_visible()
            page.get_by_label("It is on this machine").check()
            page.get_by_role("button", name="Look at it").click()
            expect(page.get_by_text("Understood as a page")).to_be_visible()
            page.get_by_label("Taken to be").first.select_option(label="no part")
            self.assert_accessible(page, "a source, understood")
            page.get_by_role("button", name="Read it from now on").click()
            expect(page.get_by_role("heading", name="1 source")).to_be_visible()
            page.get_by_role("button", name="Read all prices now").click()
            expect(page.get_by_text("1 of 1 read")).to_be_visible()
        self.assert_accessible(page, "sources and a round")
        self.assert_fits(page)
        page.get_by_role("button", name="Pause: Quillwick").click()
        expect(page.get_by_role("button", name="Read again: Quillwick")).to_be_visible()
        expect(page.get_by_role("button", name="Read all prices now")).to_be_disabled()
        page.get_by_role("button", name="Take out: Quillwick").click()
        expect(page.get_by_text("No source is read yet")).to_be_visible()

    def test_a_history_of_ones_own(self) -> None:
        page = self.open("prices/sources")
        table = b"Day,Thing,Store,Paid\n2026-06-01,Greywold Softfair,Larkmoor Home Golf,549\n2026-06-02,x,y,z\n"
        page.get_by_label("A table (CSV)").set_input_files(
            {"name": "mine.csv", "mimeType": "text/csv", "buffer": table}
        )
        expect(page.get_by_text("say which columns hold")).to_be_visible()
        page.get_by_label("part, by id or name").select_option(label="Thing")
        page.get_by_label("price of one").select_option(label="Paid")
        expect(page.get_by_text("2 rows, 1 with something wrong")).to_be_visible()
        self.assert_accessible(page, "a history, mapped")
        self.assert_fits(page)
        page.get_by_role("button", name="Take in what is right").click()
        expect(page.get_by_text("2 rows: 1 new, 0 as known, 0 held back, 1 left out")).to_be_visible()


class PhoneSourceJourneys(SourceJourneys):
    viewport = PHONE
