"""Every view, at both widths and in both themes, against WCAG 2.2 AA; and signing in."""

import re

from django.contrib.auth.models import User
from django.test import override_settings
from playwright.sync_api import expect

from tests.browser.base import CONTRAST, WCAG, BrowserTestCase
from tests.browser.chromium import PHONE

LEAST_PX = 31.5
PRESSED = """() => [...document.querySelectorAll('main button, main select, main summary, main input')]
  .filter((each) => each.offsetHeight > 0 && !each.closest('.sr-only') && !each.matches('.cursor-text'))
  .map((each) => [each.getAttribute('aria-label') ?? each.innerText,
    Math.max(each.offsetHeight, each.closest('label')?.offsetHeight ?? 0)])"""
"""What is pressed in a view, and how high it is: but for the figures on the drawing, which it would cover."""


class AccessTests(BrowserTestCase):
    def test_views_and_panels(self) -> None:
        page = self.page
        page.goto(self.live_server_url)
        expect(page.get_by_role("link", name="Boat shed by the lake")).to_be_visible()
        self.assert_accessible(page, "builds")
        for theme, rules in (("paper", WCAG), ("night", CONTRAST)):
            page.evaluate("theme => localStorage.setItem('jungle-theme', theme)", theme)
            for view in ("brief", "rooms", "room/measure", "room"):
                self.open(view)
                self.assert_accessible(page, f"{view}, {theme}", rules)
            expect(page.get_by_role("button", name="stowed")).to_be_visible()
            page.get_by_role("button", name="stowed").click()
            page.get_by_role("button", name="dinghy on its trolley", exact=True).click()
            page.get_by_text("Layers", exact=True).click()
            self.assert_accessible(page, f"stowed layout, a thing and the layers open, {theme}", rules)
            self.open("parts")
            self.assert_accessible(page, f"parts, {theme}", rules)
            page.get_by_role("button", name=re.compile("Launch monitor")).click()
            expect(page.get_by_role("button", name="Choose Outfield 2")).to_be_visible()
            self.assert_accessible(page, f"alternatives, {theme}", rules)
            page.get_by_role("button", name=re.compile("^Why not: .* Plover")).click()
            expect(page.get_by_role("heading", name="The smallest change")).to_be_visible()
            self.assert_accessible(page, f"why not, {theme}", rules)
            page.keyboard.press("Escape")
            page.get_by_role("button", name=re.compile("^.*Video cable")).click()
            expect(page.get_by_role("button", name="Choose Video active 10 m")).to_be_visible()
            self.assert_accessible(page, f"small items, {theme}", rules)
            page.locator("body").press("?")
            expect(page.get_by_role("dialog", name="Keys")).to_be_visible()
            self.assert_accessible(page, f"keys, {theme}", rules)
            page.keyboard.press("Escape")
            page.get_by_role("button", name=re.compile("Needs plan tier 2")).first.click()
            expect(page.get_by_role("heading", name="The rule")).to_be_visible()
            self.assert_accessible(page, f"why, {theme}", rules)
            page.keyboard.press("Escape")

    def test_the_catalogue(self) -> None:
        page = self.open("catalogue")
        expect(page.get_by_role("button", name="Plover", exact=True)).to_be_visible()
        self.assert_accessible(page, "catalogue")
        self.assert_fits(page)
        page.get_by_label("Words", exact=True).fill("lantern")
        expect(page.get_by_role("button", name="Plover", exact=True)).to_have_count(0)
        for task in (
            "Write a part of your own",
            "Read a computer’s report",
            "Take in a parts pack",
            "Take in a price list",
        ):
            page.get_by_role("button", name=task).click()
            expect(page.get_by_role("button", name=task, expanded=True)).to_be_visible()
            self.assert_accessible(page, task)
            self.assert_fits(page)
        page.get_by_role("button", name="Take in a price list").click()
        page.get_by_role("button", name="Lantern Z", exact=True).click()
        expect(page.get_by_role("dialog", name="Lantern Z")).to_be_visible()
        page.get_by_role("button", name="Source of least throw ratio").click()
        self.assert_accessible(page, "a sheet")
        page.get_by_role("button", name="Change facts for yourself").click()
        self.assert_accessible(page, "a sheet as a form")

    def test_the_theme_is_remembered(self) -> None:
        page = self.open("room")
        page.get_by_role("button", name="Switch to the night theme").click()
        page.reload()
        expect(page.get_by_role("button", name="Switch to the day theme")).to_be_visible()
        self.assertEqual(page.evaluate("document.documentElement.dataset.theme"), "night")


class PhoneAccessTests(AccessTests):
    viewport = PHONE

    def test_the_answers_are_on_the_first_screen_between_low_bars(self) -> None:
        page = self.open("room")
        fit = page.get_by_role("heading", name="Does it fit").bounding_box()
        assert fit is not None
        self.assertLess(fit["y"], PHONE["height"] * 0.6)
        bars = page.evaluate(
            "[...document.querySelectorAll('.shell > header, .shell nav, .shell > button:last-child')]"
            ".reduce((high, bar) => high + bar.offsetHeight, 0)"
        )
        self.assertLess(bars, PHONE["height"] / 5)
        self.assertGreater(bars, 0)

    def test_nothing_that_is_pressed_is_small(self) -> None:
        for view in ("brief", "room", "parts", "catalogue"):
            found = self.open(view).evaluate(PRESSED)
            with self.subTest(view):
                self.assertGreater(len(found), 5)
                self.assertEqual([name for name, high in found if high < LEAST_PX], [])

    def test_on_a_low_screen_the_bars_go_along_with_the_page(self) -> None:
        """A window of 1280 × 800 magnified to twice its size."""
        page = self.open("room")
        page.set_viewport_size({"width": 640, "height": 400})
        self.assertGreater(page.evaluate("document.documentElement.scrollHeight"), 800)


@override_settings(LOCAL=False)
class SignInTests(BrowserTestCase):
    def test_a_page_guards_everything(self) -> None:
        User.objects.create_user("ada", password="a long enough secret")
        page = self.page
        page.goto(f"{self.live_server_url}/")
        expect(page.get_by_role("heading", name="Jungle")).to_be_visible()
        self.assert_accessible(page, "sign-in")
        page.get_by_label("Name").fill("ada")
        page.get_by_label("Password").fill("wrong")
        page.get_by_role("button", name="Sign in").click()
        expect(page.get_by_role("alert")).to_contain_text("do not match")
        page.get_by_label("Name").fill("ada")
        page.get_by_label("Password").fill("a long enough secret")
        page.get_by_role("button", name="Sign in").click()
        expect(page.get_by_text("You have no build yet.")).to_be_visible()
        page.get_by_role("button", name="Sign ada out").click()
        expect(page.get_by_role("button", name="Sign in")).to_be_visible()
