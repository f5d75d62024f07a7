"""From nothing to an answer: a garage bay by keys, a shed by tape and phone, a blocked build cured by presses."""

import re

from playwright.sync_api import expect

from core.checks.limits import State
from core.model import acts
from core.model.build import Build
from core.report.evaluation_of import evaluation_of
from jungle.builds.models import StoredBuild
from jungle.builds.services.builds import start_build
from jungle.catalogue.models import Entry
from tests.browser.base import BrowserTestCase
from tests.browser.chromium import PHONE

MOST_PRESSES = 12


class GarageTests(BrowserTestCase):
    def test_a_bay_at_one_side_of_a_double_garage_by_keys_alone(self) -> None:
        """7.2 m wide; the bay's middle is 2.0 m from the left wall, and the other half is no business of it."""
        page = self.page
        page.goto(self.live_server_url)
        expect(page.get_by_label("What do you call it")).to_be_visible()
        self.tab_to("What do you call it")
        page.keyboard.type("Garage")
        page.keyboard.press("Enter")
        expect(page.get_by_text("Nobody yet.")).to_be_visible()
        self.press_on("^Add a player$")
        self.saved()
        self.key_in("^Name$", "Ida")
        self.key_in("^Height of Ida$", "1.78")
        page.evaluate("document.activeElement.blur()")
        page.keyboard.press("r")
        expect(page.get_by_text("first guess").first).to_be_visible()
        for label, text in (("Width", "7.2"), ("Length", "6.1"), ("Ceiling height", "2.9")):
            self.key_in(f"^{label}$", text)
        self.key_in("^Left wall to the bay's middle$", "2.0")
        for what in ("things", "openings"):
            self.press_on(f"There is none.*{what}")
            self.saved()
        garage = StoredBuild.objects.get(name="Garage")
        self.assertEqual((garage.design.layout.screen_x_m, garage.design.room.width_m), (2.0, 7.2))
        self.assertAlmostEqual(garage.design.layout.ball_x_m, 2.0, delta=0.6)
        expect(page.get_by_text("5.20 m").first).to_be_visible()
        page.evaluate("document.activeElement.blur()")
        page.keyboard.press("p")
        expect(page.get_by_role("button", name=re.compile("^.*Screen or net"))).to_be_visible()
        self.press_on("^Screen or net\n.*Choose one")
        expect(page.get_by_role("button", name="Choose Square 2.4", exact=True)).to_be_visible()
        self.press_on("^Choose Square 2.4$")
        self.saved()
        garage.refresh_from_db()
        sheets = Entry.objects.visible_to(self.build.owner.pk).sheets()
        across = evaluation_of(garage.design, sheets).by_key["screen.room", ""]
        self.assertIs(across.state, State.CLEAR)


class TapeTests(BrowserTestCase):
    viewport = PHONE

    def test_slope_beam_opener_door_and_socket_with_a_phone_and_a_tape(self) -> None:
        page = self.page
        build = start_build(self.build.owner, Build(name="Shed"))
        page.goto(f"{self.live_server_url}/builds/{build.pk}/room")
        page.get_by_label("Shape of the ceiling").select_option("ridge_along")
        self.saved()
        for group, kind in (
            ("In the way", "beam"),
            ("In the way", "opener"),
            ("Windows and doors", "door"),
            ("Sockets", "socket"),
        ):
            page.get_by_label(f"What to add: {group}").select_option(kind)
            page.get_by_role("button", name=f"Add to: {group}").click()
            self.saved()
        page.get_by_role("link", name="Measure one by one").click()
        typed = {
            "Width": "4.4",
            "Length": "7.1",
            "Height": "2.45",
            "Highest point": "3.6",
            "beam: lower edge": "2.5",
            "opener: from the left wall": "1.9",
            "opener: lower edge": "2.3",
            "door: begins at": "1.2",
            "socket: along the wall": "2.7",
            "socket: outlets": "2",
        }
        seen: list[str] = []
        asked = page.locator("form label span").first
        while (label := asked.inner_text()) not in seen:
            seen.append(label)
            field = page.get_by_role("textbox", name=re.compile(re.escape(label)))
            if label in typed:
                field.fill(typed[label])
            count = page.get_by_text(re.compile(r"^\d+ of \d+$"))
            here = count.inner_text()
            field.press("Enter")
            self.saved()
            if here.split(" of ")[0] == here.split(" of ")[1]:
                break
            expect(count).not_to_have_text(here)
        self.assertLessEqual(set(typed), set(seen))
        build.refresh_from_db()
        room = build.design.room
        beam, opener = room.things
        self.assertEqual((room.width_m, room.length_m, room.ceiling_m, room.ridge_m), (4.4, 7.1, 2.45, 3.6))
        self.assertEqual((beam.z_m, opener.x_m, opener.z_m), (2.5, 1.9, 2.3))
        self.assertEqual((room.openings[0].along_m, room.sockets[0].along_m, room.sockets[0].outlets), (1.2, 2.7, 2))


class PressTests(BrowserTestCase):
    def test_a_blocked_build_is_cured_by_presses_alone(self) -> None:
        """The boat shed with the ball nearly at the screen and a plan too low: nothing is typed, all is pressed."""
        page = self.page
        spoilt = acts.laid_out(ball_y_m=2.0, ball_placed=True)(self.build.design)
        build = start_build(self.build.owner, spoilt.model_copy(update={"name": "Spoilt"}))
        page.goto(f"{self.live_server_url}/builds/{build.pk}/parts")
        sheets = Entry.objects.visible_to(self.build.owner.pk).sheets()

        def blocked() -> list[str]:
            build.refresh_from_db()
            found = evaluation_of(build.design, sheets).verdicts
            return [verdict.id for verdict in found if verdict.state is State.BLOCKED]

        self.assertGreater(len(blocked()), 1)
        for _ in range(MOST_PRESSES):
            before = blocked()
            if not before:
                break
            page.goto(f"{self.live_server_url}/builds/{build.pk}/parts")
            first = page.locator("h2:has-text('To look at first') ~ button").first
            first.click()
            dialog = page.get_by_role("dialog")
            expect(dialog.get_by_role("button", name=re.compile("^Do it")).first).to_be_visible()
            dialog.get_by_role("button", name=re.compile("^Do it")).first.click()
            self.saved()
            page.keyboard.press("Escape")
        self.assertEqual(blocked(), [])
