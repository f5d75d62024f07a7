"""What a person does, from nothing to a build that is judged."""

import json
import re
from pathlib import Path
from tempfile import TemporaryDirectory

from playwright.sync_api import expect

from jungle.builds.models import StoredBuild
from tests.browser.base import BrowserTestCase
from tests.browser.chromium import PHONE

DEMO_BUILD = Path("jungle/demo/builds/boat-shed.json")


class FromNothingTests(BrowserTestCase):
    def test_a_build_is_begun_briefed_measured_and_hung(self) -> None:
        page = self.page
        page.goto(self.live_server_url)
        page.get_by_label("What do you call it").fill("Attic")
        page.get_by_role("button", name="Begin").click()

        expect(page.get_by_text("Nobody yet.")).to_be_visible()
        page.get_by_role("button", name="Add a player").click()
        self.type_into("Name", "Ida")
        self.type_into("Height of Ida", "5'9\"")
        page.get_by_label("Hand of Ida").select_option("left")
        self.saved()
        self.type_into("Up-front cap", "6000")
        self.type_into("Yearly cap", "300")
        expect(page.get_by_label("Up-front cap", exact=True)).to_have_value("€6,000.00")
        page.get_by_role("group", name="putting and short game").get_by_label("4, much").check(force=True)
        self.saved()

        page.get_by_role("link", name=re.compile("^Room|Room")).first.click()
        expect(page.get_by_text("first guess").first).to_be_visible()
        for label, text in (("Width", "4.2"), ("Length", "6500mm"), ("Ceiling height", "2,9")):
            self.type_into(label, text)
        expect(page.get_by_text("first guess")).to_have_count(0)

        page.get_by_role("link", name="Parts").first.click()
        for place, part in (
            ("Floor", "Lawn 4 m"),
            ("Mat", "Stance 1.5"),
            ("Launch monitor", "Outfield 2"),
            ("Software", "Fairhollow"),
            ("Machine", "Tower 5"),
            ("Display", "Lantern Z"),
            ("Screen or net", "Wide 3.5"),
            ("Enclosure", "Bay 3.7"),
        ):
            slot = page.get_by_role("button", name=re.compile(f"{place}.*Choose one"))
            slot.click()
            page.get_by_role("button", name=f"Choose {part}", exact=True).click()
            self.saved()
            hung = page.get_by_role("button", name=re.compile(f"{place}.*{re.escape(part)}")).first
            expect(hung).to_be_visible()
            hung.click()

        plan = StoredBuild.objects.get(name="Attic").design
        self.assertEqual(len(plan.chain), 8)
        self.assertEqual((plan.room.width_m, plan.room.length_m, plan.room.ceiling_m), (4.2, 6.5, 2.9))
        self.assertEqual(plan.brief.players[0].handedness, "left")
        self.assertEqual(plan.brief.purposes["putting"], 4)  # type: ignore[index]
        expect(page.get_by_text("nothing open").first).to_be_visible()


class BriefTests(BrowserTestCase):
    def test_what_the_household_allows_steers_the_parts(self) -> None:
        page = self.open("brief")
        page.get_by_label("Drilling").select_option("no")
        page.get_by_label("Subscriptions", exact=True).select_option("better avoided")
        self.saved()
        page.keyboard.press("Escape")
        page.get_by_role("link", name="Parts").first.click()
        expect(page.get_by_text("Lantern Z hangs from the ceiling, and nothing may be drilled")).to_be_visible()
        expect(page.get_by_text("Plan Yearly is a subscription")).to_be_visible()

    def test_another_view_begins_at_its_top(self) -> None:
        page = self.open("brief")
        page.get_by_label("Hours a week for building", exact=True).scroll_into_view_if_needed()
        main = page.get_by_role("main")
        self.assertGreater(main.evaluate("element => element.scrollTop"), 0)
        page.get_by_role("link", name="Catalogue").first.click()
        expect(page.get_by_role("heading", name="Catalogue")).to_be_visible()
        self.assertEqual(main.evaluate("element => element.scrollTop"), 0)

    def test_what_the_household_has_yet_to_say_is_asked(self) -> None:
        page = self.open("brief")
        page.get_by_label("Drilling").select_option("have yet to be asked about")
        self.saved()
        expect(page.get_by_text("Whether walls and ceiling may be drilled is not known")).to_be_visible()
        page.get_by_label("Drilling").select_option("may be drilled")
        page.get_by_label("Subscriptions", exact=True).select_option("not yet decided on")
        self.saved()
        expect(page.get_by_text("What you think of subscriptions is not known")).to_be_visible()
        self.build.refresh_from_db()
        self.assertIsNone(self.build.design.brief.subscriptions)

    def test_what_guards_a_window_is_said_in_the_room(self) -> None:
        """The window in the right wall, moved ahead of the ball at 3.7 m, is bare until it is said to be netted."""
        page = self.open("room")
        page.get_by_role("button", name="lake window").first.click()
        self.type_into("Begins at, lake window", "1.0")
        page.get_by_label("Before it, against balls: lake window").select_option("nothing")
        self.saved()
        expect(page.get_by_text("lake window ahead of the ball, bare")).to_be_visible()
        page.get_by_label("Before it, against balls: lake window").select_option("netting or board")
        self.saved()
        expect(page.get_by_text("lake window ahead of the ball, behind a net")).to_be_visible()


class DrawingTests(BrowserTestCase):
    def test_the_ball_is_dragged_and_everything_follows(self) -> None:
        page = self.open("room")
        ball = page.get_by_role("slider", name=re.compile("^Ball on the floor plan"))
        box = ball.locator("circle").first.bounding_box()
        assert box is not None
        x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
        page.mouse.move(x, y)
        page.mouse.down()
        page.mouse.move(x + 40, y - 30, steps=6)
        expect(page.get_by_role("button", name=re.compile("^Behind the ball: 3"))).to_be_visible()
        self.build.refresh_from_db()
        self.assertEqual(self.build.design.layout.ball_y_m, 3.7, "nothing is stored before the ball is let go")
        page.mouse.up()
        self.saved()
        self.build.refresh_from_db()
        layout = self.build.design.layout
        self.assertGreater(layout.ball_y_m, 4.0)
        self.assertGreater(layout.ball_x_m, 2.5)
        self.assertEqual(self.build.revision, 1, "one drag is one edit")
        self.type_into("Right wall to ball", "2.3")
        self.build.refresh_from_db()
        self.assertEqual(self.build.design.layout.ball_x_m, 2.3)

    def test_arrow_keys_nudge_what_is_marked(self) -> None:
        page = self.open("room")
        screen = page.get_by_role("slider", name=re.compile("^Screen line"))
        screen.focus()
        self.press("ArrowRight", "Shift+ArrowRight")
        expect(page.get_by_role("button", name=re.compile("^Gap behind the screen: 560 mm"))).to_be_visible()
        self.build.refresh_from_db()
        self.assertEqual(self.build.design.layout.screen_y_m, 0.56)
        self.assertEqual(self.build.revision, 1)

    def test_the_projector_is_dragged_on_the_section(self) -> None:
        page = self.open("parts")
        projector = page.get_by_role("slider", name=re.compile("^Projector on the section"))
        box = projector.locator("circle").first.bounding_box()
        assert box is not None
        page.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
        page.mouse.down()
        page.mouse.move(box["x"] + 60, box["y"] + 10, steps=4)
        page.mouse.up()
        self.saved()
        self.build.refresh_from_db()
        self.assertIsNotNone(self.build.design.layout.lens_distance_m)
        self.assertIsNotNone(self.build.design.layout.lens_height_m)

    def test_a_length_is_typed_on_its_dimension_line(self) -> None:
        page = self.open("room")
        for text, told in (
            ("2.4", "2.40 m"),
            ("2700mm", "2.70 m"),
            ("9'10½\"", "3.01 m"),
            ("9 ft 10 1/2 in", "3.01 m"),
        ):
            page.get_by_role("button", name=re.compile("^Eaves:")).click()
            page.keyboard.insert_text(text)
            page.keyboard.press("Enter")
            self.saved()
            expect(page.get_by_role("button", name=f"Eaves: {told}. Type another length")).to_be_visible()

    def test_nonsense_is_refused_where_it_was_typed(self) -> None:
        self.allowed = ("422",)
        page = self.open("room")
        page.get_by_role("button", name=re.compile("^Eaves:")).click()
        page.keyboard.insert_text("high")
        page.keyboard.press("Enter")
        expect(page.get_by_role("alert")).to_contain_text("high is not accepted: a length such as 2.4")
        page.keyboard.press("Escape")
        expect(page.get_by_role("alert")).to_have_count(0)
        expect(page.get_by_role("button", name=re.compile("^Eaves: 2.65 m"))).to_be_visible()


class AwkwardRoomTests(BrowserTestCase):
    def test_a_pitched_shed_is_measured_and_a_test_swing_replaces_the_estimate(self) -> None:
        page = self.open("room")
        tight = page.get_by_role("button", name=re.compile("Eskil's driver needs 2.798 m"))
        expect(tight).to_be_visible()
        page.get_by_text("Slow test swing, measured with a tape").click()
        page.get_by_label("Who swings").select_option(label="Eskil")
        self.type_into("Highest point of the clubhead", "2.62")
        expect(page.get_by_text("Eskil, driver: 2.62 m high")).to_be_visible()
        whole_bag = page.get_by_role("button", name=re.compile("Eskil: every club is clear"))
        expect(whole_bag).to_be_visible()
        self.type_into("Furthest to the golfer's back", "1.90")
        expect(page.get_by_text("2.62 m high, 1.90 m to the back")).to_be_visible()
        page.get_by_role("button", name="Withdraw the driver of Eskil").click()
        expect(tight).to_be_visible()
        expect(whole_bag).to_have_count(0)

    def test_the_best_spot_is_offered_and_taken(self) -> None:
        page = self.open("room")
        self.type_into("Left wall to ball", "1.2")
        page.get_by_role("button", name="Put the ball there").click()
        self.saved()
        expect(page.get_by_text("the ball is here")).to_be_visible()
        page.get_by_label("Shape of the ceiling").select_option("flat")
        self.saved()
        self.type_into("Ceiling height", "3.2")
        self.type_into("Width", "3.2")
        expect(page.get_by_text("No one spot serves both hands in this room.")).to_be_visible()
        expect(page.get_by_role("button", name="Put their ball there")).to_have_count(2)

    def test_the_view_toward_the_screen(self) -> None:
        page = self.open("room")
        page.get_by_role("button", name="toward the screen").click()
        expect(page.get_by_text("TOWARD THE SCREEN · from the ball")).to_be_visible()
        expect(page.get_by_text("FLOOR PLAN")).to_have_count(0)
        page.get_by_role("button", name=re.compile("^Width: ")).click()
        page.get_by_label("Width", exact=True).last.fill("5")
        page.keyboard.press("Enter")
        self.saved()
        expect(page.get_by_role("button", name=re.compile("^Width: 5.00 m"))).to_be_visible()
        page.get_by_role("button", name="toward the screen").click()
        expect(page.get_by_text("FLOOR PLAN")).to_be_visible()

    def test_two_hands_get_two_spots(self) -> None:
        """In a room 3.2 m wide and high enough each hand hits from a spot of its own, and one undo takes each back."""
        page = self.open("room")
        page.get_by_label("Shape of the ceiling").select_option("flat")
        self.saved()
        self.type_into("Ceiling height", "3.2")
        self.type_into("Width", "3.2")
        for _ in range(2):
            page.get_by_role("button", name="Put their ball there").first.click()
            self.saved()
        expect(page.get_by_role("slider", name=re.compile("^Left-handers' ball on the floor plan"))).to_be_visible()
        expect(page.get_by_text("their ball is here")).to_have_count(2)
        self.build.refresh_from_db()
        self.assertTrue(self.build.design.layout.two_spots)
        page.get_by_role("button", name=re.compile("^Undo")).click()
        self.saved()
        expect(page.get_by_text("their ball is here")).to_have_count(1)

    def test_a_slope_asks_for_its_highest_point(self) -> None:
        page = self.open("room")
        page.get_by_label("Shape of the ceiling").select_option("flat")
        self.saved()
        expect(page.get_by_label("Highest point", exact=True)).to_have_count(0)
        page.get_by_label("Shape of the ceiling").select_option("high_rear")
        self.saved()
        self.type_into("Highest point", "")
        expect(page.get_by_text("The height of the ceiling's highest point is not known").first).to_be_visible()
        self.type_into("Highest point", "11'")
        expect(page.get_by_role("button", name=re.compile("^Highest point: 3.353 m"))).to_be_visible()


class PartsTests(BrowserTestCase):
    def test_an_alternative_says_what_it_would_do_and_does_it(self) -> None:
        page = self.open("parts")
        expect(page.get_by_text("Needs plan tier 2 of Twosight, has tier 1").first).to_be_visible()
        page.get_by_role("button", name=re.compile("^blocked|Launch monitor")).filter(has_text="Launch monitor").click()
        junior = page.get_by_role("listitem").filter(has_text="Bystand Junior").last
        junior.get_by_role("button", name=re.compile("^blocked Bystand Junior")).click()
        expect(junior).to_contain_text("Serves both hands blocked")
        page.get_by_label("Plan", exact=True).select_option("complete")
        self.saved()
        page.get_by_text("more answers about it").click()
        expect(page.get_by_text("Native link, plan tier 2 is enough").last).to_be_visible()
        expect(page.get_by_role("link", name=re.compile("Each year €458.00"))).to_be_visible()
        page.get_by_role("button", name=re.compile("Launch monitor")).click()

        page.get_by_role("button", name=re.compile("Display")).filter(has_text="Lantern Z").click()
        page.get_by_role("button", name="Choose Finegrain").click()
        self.saved()
        expect(page.get_by_role("button", name=re.compile("Display.*Finegrain"))).to_be_visible()

    def test_owned_and_quoted(self) -> None:
        page = self.open("parts")
        page.get_by_role("button", name=re.compile("Mat.*Softfair")).click()
        self.type_into("Price quoted to you", "500")
        expect(page.get_by_role("link", name=re.compile("Up front €7,414.00"))).to_be_visible()
        page.get_by_label("I own it").first.check()
        self.saved()
        expect(page.get_by_role("link", name=re.compile("Up front €6,914.00"))).to_be_visible()
        self.type_into("Worth, to buy again", "450")
        page.get_by_role("link", name=re.compile("^Money, line by line")).click()
        expect(page.get_by_role("main")).to_contain_text("worth €450.00")
        expect(page.get_by_role("main")).to_contain_text("Left out: building works, decoration")

    def test_taken_down_and_undone(self) -> None:
        page = self.open("parts")
        page.get_by_role("button", name=re.compile("Enclosure.*Bay 2.8")).click()
        page.get_by_role("button", name="Take it out").click()
        self.saved()
        expect(page.get_by_role("button", name=re.compile("Enclosure.*Choose one"))).to_be_visible()
        page.get_by_role("button", name="Undo: Took the enclosure out").click()
        self.saved()
        expect(page.get_by_role("button", name=re.compile("Enclosure.*Bay 2.8"))).to_be_visible()

    def test_every_verdict_opens_into_its_workings(self) -> None:
        page = self.open("parts")
        page.get_by_role("button", name=re.compile("Picture uses 75 % of the panel")).first.click()
        dialog = page.get_by_role("dialog")
        for words in (
            "Projector on the picture",
            "75 %",
            "25 %",
            "What would change it",
            "From these inputs",
            "spec sheet",
            "The rule",
        ):
            expect(dialog).to_contain_text(words)
        page.keyboard.press("Escape")
        expect(dialog).to_have_count(0)


class HistoryTests(BrowserTestCase):
    def test_undo_and_redo_outlive_the_browser(self) -> None:
        self.open("room")
        self.type_into("Width", "4.8")
        self.type_into("Width", "5")
        self.context.close()
        page = self.open("room", self.new_page(self.new_context()))
        width = page.get_by_label("Width", exact=True)
        expect(width).to_have_value("5.00 m")
        page.get_by_role("button", name="Undo: Room: width").click()
        expect(width).to_have_value("4.80 m")
        page.locator("body").click(position={"x": 4, "y": 650})
        page.keyboard.press("Control+z")
        expect(width).to_have_value("4.60 m")
        page.keyboard.press("Control+Shift+z")
        expect(width).to_have_value("4.80 m")

    def test_two_windows_never_overwrite_each_other_silently(self) -> None:
        self.allowed = ("409",)
        first = self.open("room")
        second = self.open("room", self.new_page(self.new_context()))
        self.type_into("Length", "8.2", first)
        self.type_into("Width", "5.5", second)
        expect(second.get_by_text("This build was changed in another window.")).to_be_visible()
        expect(second.get_by_text("width 5.5")).to_be_visible()
        expect(second.get_by_label("Length", exact=True)).to_have_value("8.20 m")
        expect(second.get_by_label("Width", exact=True)).to_have_value("4.60 m")
        second.get_by_role("button", name="Make it now").click()
        expect(second.get_by_label("Width", exact=True)).to_have_value("5.50 m")
        self.build.refresh_from_db()
        self.assertEqual((self.build.design.room.width_m, self.build.design.room.length_m), (5.5, 8.2))

    def test_what_was_typed_survives_a_lost_connection(self) -> None:
        self.allowed = ("ERR_INTERNET_DISCONNECTED",)
        page = self.open("room")
        self.context.set_offline(True)
        page.get_by_label("Width", exact=True).fill("5.1")
        page.keyboard.press("Enter")
        expect(page.get_by_text("1 edit waits")).to_be_visible()
        expect(page.get_by_text("width 5.1")).to_be_visible()
        self.context.set_offline(False)
        expect(page.get_by_label("Width", exact=True)).to_have_value("5.10 m")


class FileTests(BrowserTestCase):
    def test_a_build_file_goes_out_and_comes_back(self) -> None:
        page = self.open("parts")
        with page.expect_download() as download:
            page.get_by_role("link", name="Write the build file").click()
        written = json.loads(Path(download.value.path()).read_text())
        self.assertEqual(written["build"]["name"], "Boat shed by the lake")
        page.goto(self.live_server_url)
        page.get_by_label("Yours or somebody else's, as a new build").set_input_files(DEMO_BUILD)
        expect(page.get_by_role("navigation", name="Steps")).to_be_visible()
        self.assertEqual(StoredBuild.objects.filter(name="Boat shed by the lake").count(), 2)

    def test_a_bad_file_lists_its_errors_and_stores_nothing(self) -> None:
        self.allowed = ("422",)
        document = json.loads(DEMO_BUILD.read_text())
        document["build"]["room"]["width_m"] = -4
        document["build"]["layout"]["ball_x_m"] = "left"
        with TemporaryDirectory() as folder:
            path = Path(folder) / "bad.json"
            path.write_text(json.dumps(document))
            self.page.goto(self.live_server_url)
            self.page.get_by_label("Yours or somebody else's, as a new build").set_input_files(path)
            alert = self.page.get_by_role("alert")
            expect(alert).to_contain_text("nothing was stored")
            expect(alert).to_contain_text("build.room.width_m")
            expect(alert).to_contain_text("build.layout.ball_x_m")
        self.assertEqual(StoredBuild.objects.filter(name="Boat shed by the lake").count(), 1)

    def test_a_build_is_copied(self) -> None:
        page = self.page
        page.goto(self.live_server_url)
        page.get_by_role("button", name="Copy Boat shed by the lake", exact=True).click()
        page.get_by_role("link", name="Boat shed by the lake, copy").click()
        expect(page.get_by_role("button", name=re.compile("Lantern Z")).first).to_be_visible()
        self.assertEqual(
            StoredBuild.objects.get(name="Boat shed by the lake, copy").design.chain, self.build.design.chain
        )

    def test_a_deleted_build_is_brought_back(self) -> None:
        page = self.page
        page.goto(self.live_server_url)
        shed = page.get_by_role("link", name="Boat shed by the lake")
        page.get_by_role("button", name="Delete Boat shed by the lake").click()
        expect(shed).to_have_count(0)
        page.get_by_role("button", name="Undo: bring Boat shed by the lake back").click()
        expect(shed).to_be_visible()
        expect(page.get_by_text("It can be brought back")).to_have_count(0)
        for name in ("Boat shed by the lake", "Box room in the flat", "Hay loft, in use"):
            page.get_by_role("button", name=f"Delete {name}").click()
            # The rows below move up under the pointer.
            expect(page.get_by_role("link", name=name)).to_have_count(0)
        expect(page.get_by_text("You have no build yet.")).to_be_visible()


class KeyboardTests(BrowserTestCase):
    def test_views_panels_and_units_by_single_keys(self) -> None:
        page = self.open("parts")
        page.keyboard.press("b")
        expect(page.get_by_role("heading", name="Who plays")).to_be_visible()
        page.keyboard.press("r")
        expect(page.get_by_role("heading", name="Does it fit")).to_be_visible()
        page.keyboard.press("u")
        expect(page.get_by_label("Width", exact=True)).to_have_value("15 ft 1⅛ in")
        page.keyboard.press("u")
        expect(page.get_by_label("Width", exact=True)).to_have_value("4.60 m")
        page.keyboard.press("m")
        expect(page.get_by_role("heading", name="One total, three ways of valuing it")).to_be_visible()
        page.keyboard.press("r")
        page.keyboard.press("?")
        expect(page.get_by_role("dialog", name="Keys")).to_be_visible()
        page.get_by_label("Single keys are shortcuts").uncheck()
        page.keyboard.press("Escape")
        page.keyboard.press("b")
        expect(page.get_by_role("heading", name="Does it fit")).to_be_visible()

    def test_a_part_is_swapped_without_a_mouse(self) -> None:
        page = self.open("parts")
        page.get_by_role("button", name=re.compile("Machine.*Forge 6")).focus()
        page.keyboard.press("Enter")
        hang = page.get_by_role("button", name="Choose Forge 8")
        hang.focus()
        page.keyboard.press("Enter")
        self.saved()
        expect(page.get_by_role("button", name=re.compile("Machine.*Forge 8"))).to_be_visible()

    def test_keys_typed_into_a_field_are_text(self) -> None:
        page = self.open("room")
        name = page.get_by_label("Name of the build")
        name.fill("")
        name.press_sequentially("barn pump")
        name.press("Enter")
        self.saved()
        expect(page.get_by_role("heading", name="Does it fit")).to_be_visible()
        self.build.refresh_from_db()
        self.assertEqual(self.build.name, "barn pump")


class PhoneTests(BrowserTestCase):
    viewport = PHONE

    def test_measuring_with_one_hand(self) -> None:
        page = self.open("room")
        for label, text in (("Width", "4.7"), ("Length", "8"), ("Ceiling height", "9'9\"")):
            self.type_into(label, text)
        self.assert_fits(page)
        self.build.refresh_from_db()
        self.assertEqual((self.build.design.room.width_m, self.build.design.room.ceiling_m), (4.7, 2.9718))

    def test_every_view_fits(self) -> None:
        for view in ("brief", "room", "parts"):
            page = self.open(view)
            self.assert_fits(page)
        page.get_by_role("button", name=re.compile("Launch monitor")).click()
        expect(page.get_by_role("button", name="Choose Outfield 2")).to_be_visible()
        self.assert_fits(page)
        page.goto(self.live_server_url)
        expect(page.get_by_role("link", name="Boat shed by the lake")).to_be_visible()
        self.assert_fits(page)

    def test_a_very_long_name_breaks_nothing(self) -> None:
        page = self.open("room")
        self.type_into("Name of the build", "An-extraordinarily-long-name-without-a-single-space" * 2)
        self.assert_fits(page)
        page.goto(self.live_server_url)
        expect(page.get_by_role("link", name=re.compile("^An-extra"))).to_be_visible()
        self.assert_fits(page)


class ErrorTests(BrowserTestCase):
    def test_an_address_that_leads_nowhere(self) -> None:
        self.allowed = ("404",)
        for path in ("/builds/999/room", "/nowhere"):
            self.page.goto(f"{self.live_server_url}{path}")
            expect(self.page.get_by_role("heading", name="There is nothing at this address")).to_be_visible()

    def test_a_build_that_cannot_be_fetched_can_be_tried_again(self) -> None:
        self.allowed = ("Failed to load resource", "request failed")
        page = self.page
        page.route("**/api/builds/*", lambda route: route.abort("connectionfailed"))
        page.goto(f"{self.live_server_url}/builds/{self.build.pk}/room")
        expect(page.get_by_role("alert")).to_contain_text("The server did not answer.")
        page.unroute("**/api/builds/*")
        page.get_by_role("button", name="Try again").click()
        expect(page.get_by_role("heading", name="Does it fit")).to_be_visible()
