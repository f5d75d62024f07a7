"""python -m scripts.screenshots: the pictures in docs/screenshots, from the demo data at 1280 × 800."""

import re
from collections.abc import Callable
from pathlib import Path

from playwright.sync_api import Page, sync_playwright

from bench.server import DEMO_NAME, ROOT, Client, demo
from tests.browser.chromium import DESK, EXECUTABLE, FLAGS, PHONE

SHOTS = ROOT / "docs" / "screenshots"
SETTLE_MS = 400


def stay(page: Page) -> None:
    """The view as it opens."""


def compare_rooms(page: Page) -> None:
    """What each room allows, once the worker has come to it."""
    page.get_by_role("table").first.wait_for()


def open_monitors(page: Page) -> None:
    """The launch monitor's place, with its alternatives."""
    page.get_by_role("button", name=re.compile("Launch monitor")).click()
    page.get_by_role("button", name="Choose Outfield 2").wait_for()


def ask_why(page: Page) -> None:
    """The workings of the blocked link."""
    page.get_by_role("button", name=re.compile("Needs plan tier 2")).first.click()
    page.get_by_role("heading", name="The rule").wait_for()


def look_before_picking(page: Page) -> None:
    """A projector that is only looked at, drawn in its place."""
    page.get_by_role("button", name=re.compile("Display")).first.click()
    page.get_by_role("button", name="Choose Squarelight").hover()
    page.get_by_text("which is not chosen yet").wait_for()


def see_small_items(page: Page) -> None:
    """Small items, one of them open."""
    page.get_by_role("button", name=re.compile("Padding of the frame")).click()
    page.get_by_role("button", name="Choose Pipe foam").wait_for()
    page.get_by_role("heading", name="Small items").scroll_into_view_if_needed()


def open_a_sheet(page: Page) -> None:
    """A sheet with disputed facts."""
    page.get_by_role("button", name="Lantern Z", exact=True).click()
    page.get_by_role("dialog").wait_for()


def open_money(page: Page) -> None:
    """What counts of every line, with one of them open."""
    page.keyboard.press("m")
    page.get_by_role("heading", name="Where it goes").wait_for()
    page.get_by_text("Lumenhay Lantern Z").first.click()


def open_a_shop(page: Page) -> None:
    """Every shop with its terms."""
    page.keyboard.press("s")
    page.get_by_text("6 shops").wait_for()


def stow(page: Page) -> None:
    """The stowed layout, with the dinghy chosen."""
    page.get_by_role("button", name="stowed").click()
    page.get_by_role("button", name="dinghy on its trolley", exact=True).click()
    page.get_by_role("heading", name="What it must still hold").scroll_into_view_if_needed()


def face_the_screen(page: Page) -> None:
    """The view toward the screen."""
    page.get_by_role("button", name="toward the screen").click()
    page.get_by_text("TOWARD THE SCREEN · from the ball").wait_for()


def measure_the_beam(page: Page) -> None:
    """A few measurements on."""
    for _ in range(8):
        page.get_by_role("button", name="Keep it, next").click()


def open_a_history(page: Page) -> None:
    """What the second thing came to over time, and what stands behind the advice."""
    page.get_by_text("History, offers, numbers and watch").nth(1).click()
    page.get_by_text("Read a day").wait_for()
    page.get_by_text("Read a day").scroll_into_view_if_needed()


def wait_for_a_round(page: Page) -> None:
    """What came of the first round, which the worker begins by itself."""
    page.get_by_text("6 of 7 read").wait_for(timeout=60_000)


PICTURES: tuple[tuple[str, str, dict[str, int], Callable[[Page], None]], ...] = (
    ("builds", "/", DESK, stay),
    ("brief", "/builds/{id}/brief", DESK, stay),
    ("room", "/builds/{id}/room", DESK, stay),
    ("room-phone", "/builds/{id}/room", PHONE, stay),
    ("room-stowed", "/builds/{id}/room", DESK, stow),
    ("room-toward-the-screen", "/builds/{id}/room", DESK, face_the_screen),
    ("rooms", "/builds/{id}/rooms", DESK, compare_rooms),
    ("measure-phone", "/builds/{id}/room/measure", PHONE, measure_the_beam),
    ("parts", "/builds/{id}/parts", DESK, stay),
    ("parts-alternatives", "/builds/{id}/parts", DESK, look_before_picking),
    ("parts-small-items", "/builds/{id}/parts", DESK, see_small_items),
    ("catalogue", "/builds/{id}/catalogue", DESK, stay),
    ("catalogue-sheet", "/builds/{id}/catalogue", DESK, open_a_sheet),
    ("why", "/builds/{id}/parts", DESK, ask_why),
    ("money", "/builds/{id}/parts", DESK, open_money),
    ("prices", "/builds/{id}/prices", DESK, open_a_history),
    ("sources", "/builds/{id}/prices/sources", DESK, wait_for_a_round),
    ("shops", "/builds/{id}/parts", DESK, open_a_shop),
    ("print", "/builds/{id}/print", DESK, stay),
)


def main() -> None:
    """All pictures."""
    SHOTS.mkdir(parents=True, exist_ok=True)
    with demo() as (port, _, _), sync_playwright() as playwright:
        build_id = Client(port).build_named(DEMO_NAME)
        browser = playwright.chromium.launch(executable_path=EXECUTABLE, args=FLAGS)
        for name, address, viewport, act in PICTURES:
            page = browser.new_context(viewport=viewport).new_page()  # type: ignore[arg-type]
            page.goto(f"http://127.0.0.1:{port}{address.format(id=build_id)}")
            page.wait_for_load_state("networkidle")
            act(page)
            page.wait_for_timeout(SETTLE_MS)
            page.screenshot(path=Path(SHOTS / f"{name}.png"))
        browser.close()


if __name__ == "__main__":
    main()
