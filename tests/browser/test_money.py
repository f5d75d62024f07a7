"""The Money view: entries beside each other, scopes, lines of one's own, years, by keys and at phone width."""

import re

from playwright.sync_api import expect

from tests.browser.base import BrowserTestCase
from tests.browser.chromium import PHONE


class MoneyJourneys(BrowserTestCase):
    def test_guessed_quoted_and_paid(self) -> None:
        self.allowed = ("422",)
        page = self.open("money")
        expect(page.get_by_role("heading", name=re.compile("€790.70 really free"))).to_be_visible()
        page.get_by_text("Lodestill Twosight").first.click()
        line = page.get_by_role("listitem").filter(has_text="Lodestill Twosight").first
        for label, text in (("At least", "1,900"), ("At most", "2,190")):
            line.get_by_label(label, exact=True).fill(text)
            line.get_by_label(label, exact=True).press("Enter")
            expect(line.get_by_role("alert")).to_contain_text("from low over likely to high")
            line.get_by_label(label, exact=True).press("Escape")
        for label, text in (("Likely", "2,000"), ("At least", "1,900"), ("At most", "2,190")):
            line.get_by_label(label, exact=True).fill(text)
            line.get_by_label(label, exact=True).press("Enter")
            self.saved()
        expect(page.get_by_role("heading", name=re.compile("€999.70 really free"))).to_be_visible()
        expect(page.get_by_text("Firm up first")).to_contain_text("Lodestill Twosight")
        line.get_by_label("Amount paid").fill("2,050")
        line.get_by_label("Amount paid").press("Enter")
        self.saved()
        expect(page.get_by_text("Paid so far")).to_be_visible()
        expect(line).to_contain_text("paid")
        page.get_by_role("button", name=re.compile("^Undo")).click()
        self.saved()
        expect(line.locator("summary").first).to_contain_text("estimate")

    def test_scope_is_switched_in_place(self) -> None:
        page = self.open("money")
        page.get_by_role("checkbox", name="building works").check()
        expect(page.get_by_role("heading", name=re.compile("really free"))).to_contain_text("€350.70")
        expect(page.get_by_text(re.compile("Left out: decoration"))).to_be_visible()
        page.get_by_role("checkbox", name="floor").uncheck()
        expect(page.get_by_role("region", name="floor")).to_have_count(0)

    def test_a_line_of_ones_own_and_what_pays_for_it(self) -> None:
        self.allowed = ("422",)
        page = self.open("money")
        page.get_by_label("A line of your own").fill("Skip")
        page.get_by_role("button", name="Add it").first.click()
        self.saved()
        page.get_by_text("3 lines outside the total").click()
        expect(page.get_by_text("What Skip costs is not known")).to_be_visible()
        page.get_by_label("From what").fill("Kayak")
        page.get_by_label("Amount", exact=True).fill("lots")
        page.get_by_role("button", name="Add it").last.click()
        expect(page.get_by_role("alert")).to_contain_text("an amount such as")
        page.get_by_label("Amount", exact=True).fill("250")
        page.get_by_role("button", name="Add it").last.click()
        self.saved()
        expect(page.get_by_text("€5,050.00")).to_be_visible()

    def test_the_years_against_hiring(self) -> None:
        page = self.open("money")
        expect(page.get_by_text(re.compile(r"Hiring has cost as much after \d+ hours"))).to_be_visible()
        self.type_into("An hour in a hired bay", "0.10")
        expect(page.get_by_text(re.compile("Hiring at that price never costs more"))).to_be_visible()
        self.type_into("An hour in a hired bay", "")
        expect(page.get_by_role("columnheader", name="Hired, so far")).to_have_count(0)

    def test_it_is_accessible(self) -> None:
        page = self.open("money")
        page.get_by_text("Lumenhay Lantern Z").first.click()
        page.get_by_text("lines outside the total").click()
        self.assert_accessible(page, "money")


class MoneyOnAPhone(BrowserTestCase):
    viewport = PHONE

    def test_no_sideways_scroll(self) -> None:
        page = self.open("money")
        page.get_by_text("Lumenhay Lantern Z").first.click()
        self.assertLessEqual(page.evaluate("document.documentElement.scrollWidth"), PHONE["width"])


class BuyListJourneys(BrowserTestCase):
    def test_ticked_when_paid_and_taken_back(self) -> None:
        page = self.open("money")
        box = page.get_by_role("checkbox", name="Lumenhay Lantern Z is paid")
        box.check()
        self.saved()
        expect(page.get_by_role("heading", name="Paid", exact=True)).to_be_visible()
        expect(page.get_by_text("Check first: Needs plan tier 2").first).to_be_visible()
        page.get_by_role("button", name=re.compile("^Undo: Lumenhay Lantern Z: paid")).click()
        self.saved()
        expect(box).not_to_be_checked()
        with page.expect_download() as kept:
            page.get_by_role("link", name="As a table (CSV)").click()
        self.assertEqual(kept.value.suggested_filename, "boat-shed-by-the-lake-to-buy.csv")
