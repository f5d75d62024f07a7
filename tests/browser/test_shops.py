"""Shops and offers in the browser: entered, taken onto a line, the best basket; by keys and at phone width."""

import re
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import ClassVar

from django.test import override_settings
from playwright.sync_api import expect

from tests.browser.base import BrowserTestCase
from tests.browser.chromium import PHONE


class ShopJourneys(BrowserTestCase):
    def test_a_shop_and_an_offer_are_entered_and_taken(self) -> None:
        self.allowed = ("422",)
        page = self.open("parts")
        page.keyboard.press("s")
        page.get_by_role("button", name="Enter a shop").click()
        page.get_by_label("name", exact=True).fill("Harbour Store")
        page.get_by_label("country", exact=True).fill("Home")
        page.get_by_role("button", name="Add to delivery").click()
        page.get_by_label("fee", exact=True).fill("much")
        page.get_by_role("button", name="Enter it").click()
        expect(page.get_by_role("alert").first).to_contain_text("much is not accepted: an amount such as")
        expect(page.get_by_label("fee", exact=True)).to_be_focused()
        page.get_by_label("fee", exact=True).fill("5")
        page.get_by_role("button", name="Enter it").click()
        shop = page.get_by_role("dialog", name="Harbour Store")
        expect(shop.get_by_text("Delivery €5.00")).to_be_visible()
        shop.get_by_role("button", name="Add an offer").click()
        shop.get_by_label("part", exact=True).select_option("lumenhay-lantern-z")
        shop.get_by_label("price", exact=True).fill("900")
        shop.get_by_role("button", name="Add it").click()
        expect(shop.get_by_text("€900.00")).to_be_visible()
        shop.get_by_role("button", name="Close").click()
        page.keyboard.press("m")
        page.get_by_text("Lumenhay Lantern Z").first.click()
        line = page.get_by_role("region", name="Offers for Lumenhay Lantern Z")
        expect(line.get_by_role("listitem").first).to_contain_text("€905.00")
        line.get_by_role("button", name=re.compile("^Take the offer of Harbour Store")).click()
        self.saved()
        expect(page.get_by_role("heading", name="Offers taken, shop by shop")).to_be_visible()
        expect(page.get_by_role("region", name="delivery")).to_contain_text("€5.00")
        page.keyboard.press("Control+z")
        self.saved()
        expect(page.get_by_role("heading", name="Offers taken, shop by shop")).to_have_count(0)

    def test_a_table_is_looked_at_before_it_is_taken_in(self) -> None:
        page = self.open("shops")
        page.get_by_role("button", name="Take in shops or offers").click()
        rows = (
            "id,shop,part,price,seen\nmine,larkmoor,lumenhay-lantern-z,800,2026-11-01\nbad,nowhere,mat,5,2026-11-01\n"
        )
        with TemporaryDirectory() as folder:
            file = Path(folder) / "offers.csv"
            file.write_text(rows)
            page.locator("#shops-file").set_input_files(file)
            expect(page.get_by_text("Line 3. shop 'nowhere'")).to_be_visible()
        # What was looked at is taken in, though the file is gone.
        page.get_by_role("button", name="Take in what is right").click()
        expect(page.get_by_text("572 offers")).to_be_visible()
        page.get_by_role("button", name=re.compile("^Undo")).last.click()
        expect(page.get_by_text("571 offers")).to_be_visible()

    @override_settings(TASKS={"default": {"BACKEND": "django_tasks.backends.immediate.ImmediateBackend"}})
    def test_the_best_basket_is_worked_out_and_taken_with_one_undo(self) -> None:
        page = self.open("money")
        page.get_by_role("button", name="Work it out").click()
        baskets = page.get_by_role("region", name="The best basket").first
        expect(baskets.get_by_role("heading", name=re.compile("^One shop fewer"))).to_be_visible()
        baskets.get_by_role("button", name="Take it: The best basket").click()
        self.saved()
        expect(page.get_by_role("heading", name="Offers taken, shop by shop")).to_be_visible()
        expect(baskets.get_by_text("before later edits")).to_be_visible()
        page.reload()
        expect(page.get_by_text("before later edits")).to_be_visible()
        page.keyboard.press("Control+z")
        self.saved()
        expect(page.get_by_role("heading", name="Offers taken, shop by shop")).to_have_count(0)


class PhoneJourneys(BrowserTestCase):
    viewport: ClassVar[dict[str, int]] = PHONE

    def test_nothing_sticks_out_and_an_offer_is_found(self) -> None:
        page = self.open("shops")
        expect(page.get_by_text("6 shops")).to_be_visible()
        self.assertLessEqual(page.evaluate("document.documentElement.scrollWidth"), PHONE["width"])
        page.get_by_role("button", name=re.compile("^Larkmoor")).click()
        shop = page.get_by_role("dialog", name="Larkmoor Home Golf")
        shop.get_by_label(re.compile("Find among")).fill("thrumwell 15 m")
        expect(shop.get_by_role("listitem").filter(has_text="Thrumwell").first).to_be_visible()
        self.assertLessEqual(page.evaluate("document.documentElement.scrollWidth"), PHONE["width"])
