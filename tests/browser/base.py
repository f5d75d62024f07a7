"""The real interface in headless Chromium, failing on any console error, page error or failed request."""

import os
import re
from pathlib import Path
from typing import ClassVar

from django.contrib.staticfiles.testing import StaticLiveServerTestCase
from django.core.management import call_command
from django.test import override_settings
from playwright.sync_api import Browser, BrowserContext, Error, Page, Playwright, Request, expect, sync_playwright

from jungle.builds.models import StoredBuild
from tests.browser.chromium import DESK, EXECUTABLE, FLAGS
from tests.working import BesideServer

AXE = Path(__file__).resolve().parents[2] / "frontend" / "node_modules" / "axe-core" / "axe.min.js"
WCAG = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"]
EXPECT_MS = 10_000
CONTRAST = ["color-contrast"]
"""All of WCAG that another theme changes."""
VIOLATIONS = """async (runOnly) => {
  const found = await axe.run(document, { runOnly, resultTypes: ['violations', 'incomplete'], preload: false })
  const told = ({ id, nodes }, why) => nodes.map((node) =>
    `${id}: ${node.target} ${(why ?? node.failureSummary ?? '').slice(0, 200)}`)
  const scrolled = (each) => each !== null && (scrolled(each.parentElement) || (getComputedStyle(each).overflow !==
    'visible' && (each.scrollWidth > each.clientWidth || each.scrollHeight > each.clientHeight)))
  const unseen = ({ any, target }) => any.some(({ data }) => data?.messageKey === 'elmPartiallyObscured') &&
    !scrolled(document.querySelector(target[0]))
  return found.violations.flatMap((one) => told(one)).concat(found.incomplete.flatMap(({ id, nodes }) =>
    told({ id, nodes: nodes.filter(unseen) }, 'was not looked at')))
}"""
"""What is wrong on a page, and text whose colours were not looked at, but for what lies further on in a long list or a
wide table."""
WHOLE_PAGE_PX = """Math.max(...[...document.querySelectorAll('*')].map((each) => each.scrollHeight)) + innerHeight"""
"""A window of this height shows all that a part of the page scrolls: of what is out of sight no colours are told."""
KEYS_ARE_STILL_MS = 700
"""Longer than a run of key presses on the drawing is waited for."""


MOST_TABS = 250
FOCUSED = """(() => {
  const at = document.activeElement
  return at.getAttribute('aria-label') || at.labels?.[0]?.innerText || at.innerText || ''
})()"""
"""What somebody who sees nothing is told of where they are."""


@override_settings(LOCAL=True, ALLOWED_HOSTS=["localhost", "127.0.0.1"])
class BrowserTestCase(StaticLiveServerTestCase):
    """One browser for the class, a fresh context and the sample world for each test."""

    viewport: ClassVar[dict[str, int]] = DESK
    playwright: ClassVar[Playwright]
    browser: ClassVar[Browser]

    @classmethod
    def setUpClass(cls) -> None:
        os.environ["DJANGO_ALLOW_ASYNC_UNSAFE"] = "true"
        super().setUpClass()
        cls.playwright = sync_playwright().start()
        cls.addClassCleanup(cls.playwright.stop)
        cls.browser = cls.launched()
        cls.addClassCleanup(cls.browser.close)
        expect.set_options(timeout=EXPECT_MS)

    @classmethod
    def launched(cls) -> Browser:
        """The browser; now and then Chromium crashes before it answers, and is started once more."""
        try:
            return cls.playwright.chromium.launch(executable_path=EXECUTABLE, args=FLAGS)
        except Error:
            return cls.playwright.chromium.launch(executable_path=EXECUTABLE, args=FLAGS)

    def setUp(self) -> None:
        call_command("load_demo", verbosity=0, stdout=open(os.devnull, "w"))  # noqa: SIM115, PTH123
        self.build = StoredBuild.objects.get(name="Boat shed by the lake")
        self.problems: list[str] = []
        self.allowed: tuple[str, ...] = ()
        self.worker = BesideServer()
        self.worker.begin()
        self.context = self.new_context()
        self.page = self.new_page(self.context)

    def tearDown(self) -> None:
        self.worker.end()
        for context in self.browser.contexts:
            context.close()
        unexpected = [problem for problem in self.problems if not any(words in problem for words in self.allowed)]
        self.assertEqual(unexpected, [], "console errors, page errors or failed requests")

    def new_context(self) -> BrowserContext:
        context = self.browser.new_context(viewport=self.viewport, accept_downloads=True)  # type: ignore[arg-type]
        context.set_default_timeout(EXPECT_MS)
        return context

    def new_page(self, context: BrowserContext) -> Page:
        page = context.new_page()
        page.on("console", lambda message: self.note(message.text) if message.type in ("error", "warning") else None)
        page.on("pageerror", lambda error: self.note(f"page error: {error}"))
        page.on("requestfailed", self.note_failure)
        return page

    def note(self, problem: str) -> None:
        self.problems.append(problem)

    def note_failure(self, request: Request) -> None:
        # A request that the page itself gave up by leaving is no failure.
        if request.failure != "net::ERR_ABORTED":
            self.note(f"request failed: {request.url} {request.failure}")

    def open(self, view: str = "parts", page: Page | None = None) -> Page:
        """One of the demo build's views, ready to use."""
        page = page or self.page
        page.goto(f"{self.live_server_url}/builds/{self.build.pk}/{view}")
        expect(page.get_by_role("navigation", name="Steps")).to_be_visible()
        return page

    def saved(self, page: Page | None = None) -> None:
        """Wait until nothing is being saved."""
        expect((page or self.page).get_by_role("status", name="Saving")).to_have_count(0)

    def press(self, *keys: str) -> None:
        """Press a run of keys that is one edit once they are still, and wait until it is kept."""
        with self.page.expect_response(lambda response: response.url.endswith("/drag")):
            for key in keys:
                self.page.keyboard.press(key)
        # On a slow machine the keys may have been still between two of them: the last makes an edit of its own.
        self.page.wait_for_timeout(KEYS_ARE_STILL_MS)
        self.saved()

    def type_into(self, label: str, text: str, page: Page | None = None) -> None:
        """Type into a field and leave it."""
        page = page or self.page
        field = page.get_by_label(label, exact=True)
        field.fill(text)
        field.press("Enter")
        self.saved(page)

    def tab_to(self, name: str) -> None:
        """Walk by Tab to what is called `name`, a pattern."""
        wanted = re.compile(name, re.DOTALL)
        for _ in range(MOST_TABS):
            self.page.keyboard.press("Tab")
            if wanted.search(self.page.evaluate(FOCUSED)):
                return
        self.fail(f"no way by keys to {name}")

    def press_on(self, name: str, key: str = "Enter") -> None:
        """Walk by Tab to what is called `name` and press a key on it."""
        self.tab_to(name)
        self.page.keyboard.press(key)

    def key_in(self, name: str, text: str) -> None:
        """Walk by Tab to a field, type over what it holds and leave it with Enter."""
        self.tab_to(name)
        self.page.keyboard.press("Control+a")
        self.page.keyboard.type(text)
        self.page.keyboard.press("Enter")
        self.saved()

    def assert_accessible(self, page: Page, what: str, rules: list[str] = WCAG) -> None:
        """The axe scan finds nothing against WCAG 2.2 AA, or some of its rules."""
        # Colours on their way from one state to another are nobody's.
        page.evaluate(
            "() => Promise.all(document.getAnimations().filter((each) => each instanceof CSSTransition)"
            ".map((each) => each.finished.catch(() => null))).then(() => null)"
        )
        if not page.evaluate("'axe' in window"):
            page.evaluate(AXE.read_text())
        size = page.viewport_size
        assert size is not None
        page.set_viewport_size({"width": size["width"], "height": page.evaluate(WHOLE_PAGE_PX)})
        self.assertEqual(page.evaluate(VIOLATIONS, rules), [], what)
        page.set_viewport_size(size)

    def assert_fits(self, page: Page) -> None:
        """Nothing makes the page scroll sideways."""
        width = page.evaluate("document.documentElement.scrollWidth")
        self.assertLessEqual(width, self.viewport["width"])
