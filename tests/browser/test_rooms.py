"""Awkward rooms from nothing to an answer, at both widths: sheds, stowed things, candidate rooms, the tape."""

import re
from typing import ClassVar

from playwright.sync_api import Page, expect

from core.model.things import Remedy
from jungle.builds.models import StoredBuild
from tests.browser.base import BrowserTestCase
from tests.browser.chromium import DESK, PHONE


class RoomJourneys(BrowserTestCase):
    """Run at the width of a desk; the class below runs them at that of a phone."""

    viewport: ClassVar[dict[str, int]] = DESK

    def unfold(self) -> None:
        """What is clear is folded away on a phone."""
        if self.viewport == PHONE:
            self.page.get_by_text(re.compile(r"^\d+ clear answers?$")).click()

    def test_a_pitched_shed_from_nothing_to_a_chosen_hitting_spot(self) -> None:
        page = self.page
        page.goto(self.live_server_url)
        page.get_by_label("What do you call it").fill("Boat house")
        page.get_by_role("button", name="Begin").click()
        page.get_by_role("button", name="Add a player").click()
        self.type_into("Name", "Ida")
        self.type_into("Height of Ida", "1.93")
        page.get_by_role("link", name="Room").first.click()
        for label, text in (("Width", "4.6"), ("Length", "7.8"), ("Ceiling height", "2.4")):
            self.type_into(label, text)
        page.get_by_label("Shape of the ceiling").select_option("ridge_along")
        self.saved()
        expect(page.get_by_text("The height of the ceiling's highest point is not known").first).to_be_visible()
        self.type_into("Highest point", "3.9")
        page.get_by_label("What to add: In the way").select_option("beam")
        page.get_by_role("button", name="Add to: In the way").click()
        self.saved()
        self.type_into("Lower edge, beam", "2.6")
        self.type_into("From the screen wall, beam", "6.9")
        self.unfold()
        expect(page.get_by_text(re.compile("Ida: .* to beam"))).to_be_visible()
        page.get_by_role("button", name="Put the ball there").click()
        self.saved()
        expect(page.get_by_text("the ball is here")).to_be_visible()
        plan = StoredBuild.objects.get(name="Boat house").design
        self.assertEqual((plan.room.ceiling_shape, plan.room.things[0].z_m), ("ridge_along", 2.6))
        self.assertNotEqual(plan.layout.ball_x_m, 2.25)
        self.assert_fits(page)

    def test_a_conflict_of_the_stowed_layout_is_found_and_cured(self) -> None:
        page = self.open("room")
        page.get_by_role("button", name="dinghy on its trolley", exact=True).click()
        self.type_into("From the screen wall, dinghy on its trolley", "1.2")
        self.type_into("From the left wall, dinghy on its trolley", "0.3")
        answer = page.get_by_text(re.compile("enclosure's left side and dinghy on its trolley overlap|dinghy.*overlap"))
        expect(answer.first).to_be_visible()
        page.get_by_role("button", name="stowed").click()
        expect(page.locator("path[fill='url(#clash)']").first).to_be_attached()
        page.get_by_role("button", name=re.compile("overlap by")).first.click()
        cure = page.get_by_role("dialog").get_by_text(re.compile(r"Move dinghy on its trolley .* (back|right|left)"))
        words = cure.inner_text()
        page.keyboard.press("Escape")
        millimetres = re.search(r"trolley ([\d.]+) (mm|m) (back|right|left)", words)
        assert millimetres is not None
        by_m = float(millimetres[1]) / (1000 if millimetres[2] == "mm" else 1)
        side = "From the screen wall" if millimetres[3] == "back" else "From the left wall"
        start = 1.2 if millimetres[3] == "back" else 0.3
        self.type_into(f"{side}, dinghy on its trolley", f"{start + (by_m if millimetres[3] != 'left' else -by_m):.3f}")
        self.unfold()
        expect(page.get_by_text("Everything finds its place")).to_be_visible()
        expect(page.locator("path[fill='url(#clash)']")).to_have_count(0)

    def test_a_measured_swing_replaces_the_estimate_and_is_withdrawn(self) -> None:
        page = self.open("room")
        page.get_by_text("Slow test swing, measured with a tape").click()
        if self.viewport == PHONE:
            for words in ("Step 2 of 5", "Step 3 of 5", "Step 4 of 5"):
                page.get_by_role("button", name="Done, next step").click()
                expect(page.get_by_text(words)).to_be_visible()
            page.get_by_role("button", name="Now measure").click()
            expect(page.get_by_text("Step 5 of 5")).to_be_visible()
        page.get_by_label("Who swings").select_option("player-2")
        self.type_into("Highest point of the clubhead", "2.62")
        self.unfold()
        page.get_by_role("button", name="and 2 more of Swing under the ceiling").click()
        expect(page.get_by_text("Eskil's driver needs 2.62 m", exact=False)).to_be_visible()
        page.get_by_role("button", name="Withdraw the driver of Eskil").click()
        self.saved()
        expect(page.get_by_text("Eskil's driver needs 2.798 m", exact=False)).to_be_visible()

    def test_rooms_side_by_side(self) -> None:
        page = self.open("rooms")
        expect(page.get_by_text("Nothing: it allows all that was asked.")).to_be_visible()
        page.get_by_label("Consider another room").fill("Cellar")
        page.get_by_role("button", name="Add it").click()
        self.saved()
        page.get_by_role("button", name="Build here: Cellar, screen as it is").click()
        self.saved()
        expect(page.get_by_role("heading", name="Cellar: what it allows")).to_be_visible()
        expect(page.get_by_text("The bottleneck is the height.")).to_be_visible()
        self.build.refresh_from_db()
        self.assertEqual(self.build.design.room.name, "Cellar")
        self.assertEqual(self.build.design.candidates[0].room.name, "Boat shed")
        page.get_by_role("button", name="Build here: Cellar, screen on the right wall").click()
        self.saved()
        self.build.refresh_from_db()
        self.assertEqual((self.build.design.room.width_m, self.build.design.room.length_m), (6.0, 4.5))
        self.assert_fits(page)

    def test_something_soft_is_laid_before_the_screen(self) -> None:
        self.allowed = ("422",)
        page = self.open("catalogue")
        page.get_by_label("Kind").select_option("turf")
        page.get_by_role("button", name="Lay over the floor Lawn 4 m").click()
        self.saved()
        page.get_by_role("link", name="Room").first.click()
        zone = (("From the left wall", "0.7"), ("From the screen wall", "0.4"), ("Width", "3.2"), ("Length", "1.3"))
        for label, typed in zone:
            self.type_into(f"{label}: Lawn 4 m", typed)
        expect(page.locator("svg[role=group] path title", has_text="Lawn 4 m")).to_be_attached()
        self.type_into("From the left wall: Lawn 4 m", "7")
        expect(page.get_by_text("a place inside the room, which is 4.60 m that way", exact=False)).to_be_visible()
        page.keyboard.press("Escape")
        page.get_by_role("button", name="Take up Lawn 4 m").click()
        self.saved()
        expect(page.get_by_label("Width: Lawn 4 m")).to_have_count(0)
        self.assert_fits(page)

    def test_the_room_is_used_for_films_too(self) -> None:
        page = self.open("room")
        page.get_by_label("What to add: Other uses of the room").select_option("films")
        page.get_by_role("button", name="Add to: Other uses of the room").click()
        self.saved()
        expect(page.get_by_role("button", name="films", exact=True)).to_have_attribute("aria-pressed", "true")
        expect(page.locator("svg[role=group] path title", has_text="seats").first).to_be_attached()
        page.get_by_role("button", name="seats", exact=True).click()
        self.type_into("From the screen wall, seats", "0.6")
        self.type_into("From the left wall, seats", "0.7")
        expect(page.get_by_text(re.compile("films: .* is in seats by")).first).to_be_visible()
        page.get_by_role("button", name=re.compile("is in seats by")).first.click()
        page.get_by_role("dialog").get_by_role("button", name=re.compile("Move seats to where it is free")).click()
        self.saved()
        page.keyboard.press("Escape")
        expect(page.get_by_text(re.compile("films: .* is in seats by"))).to_have_count(0)
        page.get_by_role("button", name="Take films out of the list").click()
        self.saved()
        expect(page.get_by_text("None: films, a gym or people who look on each want their own place.")).to_be_visible()
        self.assert_fits(page)

    def test_layers_zoom_and_files(self) -> None:
        page = self.open("room")
        discs = page.locator("svg[role=group] path[stroke-dasharray='1 4']")
        expect(discs.first).to_be_attached()
        page.get_by_text("Layers", exact=True).click()
        page.get_by_label("swings", exact=True).uncheck()
        expect(discs).to_have_count(0)
        page.get_by_text("Layers", exact=True).click()
        page.get_by_role("button", name="Nearer").click()
        wide = self.handle_left(page)
        page.locator("body").press("ArrowLeft")
        self.assertAlmostEqual(self.handle_left(page), wide + 60, delta=1)
        page.locator("body").press("0")
        page.get_by_text("Save or print").click()
        for words, ending in (("Save as SVG, to scale", "svg"), ("Save as DXF, in metres", "dxf")):
            with page.expect_download() as download:
                page.get_by_role("link", name=words).click()
            self.assertEqual(download.value.suggested_filename, f"boat-shed-by-the-lake-playing.{ending}")

    def handle_left(self, page: Page) -> float:
        box = (
            page.get_by_role("slider", name=re.compile("^Ball on the floor plan"))
            .locator("circle")
            .first.bounding_box()
        )
        assert box is not None
        return float(box["x"])

    def test_one_measurement_after_the_other_through_a_lost_connection(self) -> None:
        self.allowed = ("ERR_INTERNET_DISCONNECTED", "422")
        page = self.open("room/measure")
        field = page.get_by_role("textbox", name=re.compile("Width"))
        field.fill("nonsense")
        page.get_by_role("button", name="Keep it, next").click()
        expect(page.get_by_role("alert").filter(has_text="is not accepted")).to_be_visible()
        field.fill("4.7")
        page.get_by_role("button", name="Keep it, next").click()
        expect(page.get_by_role("textbox", name=re.compile("Length"))).to_be_visible()
        self.context.set_offline(True)
        for text in ("7.9", "2.7"):
            page.get_by_role("textbox", name=re.compile("Length|Height")).fill(text)
            page.get_by_role("button", name="Keep it, next").click()
            expect(page.get_by_role("textbox", name=re.compile("Height|Highest"))).to_be_visible()
        expect(page.get_by_text("2 edits wait")).to_be_visible()
        page.get_by_role("button", name="Back", exact=True).click()
        expect(page.get_by_role("textbox", name=re.compile("Height"))).to_have_value("2.7")
        self.context.set_offline(False)
        expect(page.get_by_text("The server did not answer.")).to_have_count(0)
        self.saved()
        self.build.refresh_from_db()
        room = self.build.design.room
        self.assertEqual((room.width_m, room.length_m, room.ceiling_m), (4.7, 7.9, 2.7))
        page.get_by_role("link", name="Done").click()
        expect(page.get_by_label("Length", exact=True)).to_have_value("7.90 m")

    def test_a_thing_is_added_moved_and_decided_about_by_keyboard(self) -> None:
        page = self.open("room")
        page.get_by_label("What to add: In the way").focus()
        page.keyboard.type("lamp")
        page.keyboard.press("Tab")
        page.keyboard.press("Enter")
        self.saved()
        self.build.refresh_from_db()
        lamp = self.build.design.room.things[-1]
        self.assertEqual(lamp.kind, "lamp")
        handle = page.get_by_role("slider", name=re.compile("^lamp-2 on the floor plan|^lamp 2 on the floor plan"))
        handle.focus()
        self.press("Shift+ArrowRight", "ArrowUp")
        self.build.refresh_from_db()
        moved = self.build.design.room.things[-1]
        self.assertAlmostEqual(moved.y_m, lamp.y_m + 0.1, places=2)
        self.assertAlmostEqual(moved.x_m, lamp.x_m + 0.01, places=2)
        page.get_by_label(f"We: {moved.name}").focus()
        page.keyboard.type("remove")
        page.keyboard.press("Enter")
        self.saved()
        self.build.refresh_from_db()
        self.assertEqual(self.build.design.room.things[-1].decision, Remedy.REMOVE)
        page.get_by_role("button", name=f"Take {moved.name} out of the list").press("Enter")
        self.saved()
        # What was pressed is gone: the focus stays near by, on a list of choices, where the key undoes as elsewhere.
        expect(page.get_by_label("What to add: In the way")).to_be_focused()
        page.keyboard.press("Control+z")
        self.saved()
        self.build.refresh_from_db()
        self.assertEqual(self.build.design.room.things[-1].name, moved.name)


class PhoneRoomJourneys(RoomJourneys):
    viewport = PHONE

    def test_two_fingers_look_nearer_and_one_pans(self) -> None:
        context = self.browser.new_context(viewport=self.viewport, has_touch=True)  # type: ignore[arg-type]
        page = self.open("room", self.new_page(context))
        drawing = page.get_by_role("group", name="Plan and side section of the room, to scale")
        drawing.scroll_into_view_if_needed()
        box = drawing.bounding_box()
        assert box is not None
        x, y = box["x"] + 20, box["y"] + box["height"] * 0.35
        touch = context.new_cdp_session(page)

        def fingers(kind: str, *points: tuple[float, float]) -> None:
            at = [{"x": px, "y": py, "id": number} for number, (px, py) in enumerate(points)]
            touch.send("Input.dispatchTouchEvent", {"type": kind, "touchPoints": at})

        before = self.handle_left(page)
        fingers("touchStart", (x, y))
        fingers("touchStart", (x, y), (x + 180, y + 60))
        for step in range(1, 9):
            fingers("touchMove", (x, y), (x + 180 + 10 * step, y + 60 + 6 * step))
        fingers("touchEnd")
        nearer = self.handle_left(page)
        self.assertGreater(nearer, before + 5, "what is right of the fixed finger moves away from it")
        fingers("touchStart", (x, y))
        for step in range(1, 6):
            fingers("touchMove", (x + 8 * step, y + 4 * step))
        fingers("touchEnd")
        self.assertAlmostEqual(self.handle_left(page), nearer + 40, delta=2)
