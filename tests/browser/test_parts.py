"""Journeys through parts and catalogue: by keys alone, swapping a monitor, an owned computer, a pack with conflicts."""

import json
import re
from pathlib import Path
from tempfile import TemporaryDirectory

from playwright.sync_api import expect

from core.formats.parts_pack import PartsPack, write_parts_pack
from core.model.build import Build, Slot
from core.model.parts import SHEET, ImpactScreen, Title
from jungle.builds.services.builds import start_build
from jungle.builds.services.parts import By, change_part
from jungle.catalogue.models import Entry
from tests.browser.base import BrowserTestCase
from tests.browser.chromium import PHONE


class KeyboardTests(BrowserTestCase):
    def test_a_whole_chain_is_hung_from_nothing_by_keys_alone(self) -> None:
        build = start_build(self.build.owner, Build(name="By keys"))
        page = self.page
        page.goto(f"{self.live_server_url}/builds/{build.pk}/brief")
        expect(page.get_by_role("navigation", name="Steps")).to_be_visible()
        page.keyboard.press("p")
        chosen = {
            "Floor": "Rubber tile 40",
            "Mat": "Softfair",
            "Launch monitor": "Bystand",
            "Software": "Meadow Range",
            "Machine": "Tower 5",
            "Display": "Lantern Z",
            "Screen or net": "Square 2.4",
            "Enclosure": "Corner kit 2.8",
        }
        expect(page.get_by_role("button", name=re.compile("^.*Floor"))).to_be_visible()
        for place, part in chosen.items():
            self.press_on(f"^{place}\n.*Choose one")
            expect(page.get_by_role("button", name=f"Choose {part}", exact=True)).to_be_visible()
            self.press_on(f"^Choose {re.escape(part)}$")
            self.saved()
            expect(page.get_by_role("button", name=re.compile(f"{place}.*{re.escape(part)}")).first).to_be_visible()
            page.evaluate("document.activeElement.blur()")
            self.press_on(f"^{place}\n")
        self.press_on("^Take the cheapest that serve$")
        self.saved()
        build.refresh_from_db()
        self.assertEqual(len(build.design.chain), len(Slot))
        self.assertIn("video-cable", build.design.small_items)


class MissingTests(BrowserTestCase):
    def test_what_a_person_has_to_do_leads_to_where_it_goes_on(self) -> None:
        """A test swing to its fields, with the player chosen; another part to its place, which opens."""
        page = self.open("room")
        page.get_by_role("button", name=re.compile("Eskil's driver needs")).first.click()
        page.get_by_role("button", name=re.compile("^Enter it: Do a slow test swing")).click()
        expect(page.get_by_label("Who swings")).to_be_focused()
        page.goto(f"{self.live_server_url}/builds/{self.build.pk}/parts")
        page.get_by_role("button", name=re.compile("Picture uses")).first.click()
        page.get_by_role("button", name=re.compile("^Open Screen or net: ")).first.click()
        expect(page.locator("[data-place=screen]")).to_be_focused()
        expect(page.locator("[data-place=screen]")).to_have_attribute("aria-expanded", "true")
        page.get_by_role("button", name=re.compile("Needs plan tier 2")).first.click()
        page.get_by_role("button", name="Open Launch monitor: Plans that unlock it: Complete.").click()
        expect(page.locator("[data-place=monitor]")).to_be_focused()

    def test_a_fact_that_is_not_known_leads_to_its_field(self) -> None:
        """Of the brief, and of a sheet: the view that has it opens, and the field is ready to be typed in."""
        page = self.open("brief")
        self.type_into("Hours a week of play", "")
        self.open()
        page.get_by_role("button", name=re.compile("Display")).first.click()
        page.get_by_role("button", name=re.compile("How many hours a week you will play is not known")).first.click()
        page.get_by_role("button", name="Enter it").click()
        expect(page.get_by_label("Hours a week of play")).to_be_focused()
        self.type_into("Hours a week of play", "3")
        self.change_fact("projector", "light_hours", "")
        self.open()
        page.get_by_role("button", name=re.compile("Display")).first.click()
        page.get_by_role("button", name=re.compile("life of the light source of .* is not known")).first.click()
        page.get_by_role("button", name="Enter it").click()
        expect(page.locator("[data-field=light_hours]")).to_be_focused()

    def change_fact(self, kind: str, field: str, typed: str) -> None:
        """Another fact for the part of that kind that hangs."""
        self.build.refresh_from_db()
        hung = [decided.part for decided in self.build.design.chain.values()]
        entry = Entry.objects.get(owner=self.build.owner, part_id__in=hung, sheet__kind=kind)
        change_part(By(self.build.owner), entry.part_id, entry.revision, {field: typed}, "EUR")


class SwapTests(BrowserTestCase):
    def test_another_monitor_and_all_that_follows(self) -> None:
        page = self.open()
        expect(page.get_by_role("button", name=re.compile("Lamp on the ball"))).to_be_visible()
        page.get_by_role("button", name=re.compile("Launch monitor.*Twosight")).click()
        page.get_by_role("button", name="Choose Bystand", exact=True).hover()
        expect(page.get_by_text("Drawn with Bystand, which is not chosen yet")).to_be_visible()
        page.get_by_role("button", name="Choose Bystand", exact=True).click()
        self.saved()
        expect(page.get_by_text("which is not chosen yet")).to_have_count(0)
        expect(page.get_by_role("button", name=re.compile("Launch monitor.*Bystand"))).to_be_visible()
        expect(page.get_by_role("button", name=re.compile("Lamp on the ball"))).to_have_count(0)
        expect(page.get_by_role("button", name=re.compile("Case of the monitor"))).to_be_visible()
        page.get_by_text("more answers about it").click()
        expect(page.get_by_text("Stands beside the ball without a case").first).to_be_visible()
        page.get_by_role("button", name="Undo: Chose Bystand").click()
        self.saved()
        expect(page.get_by_role("button", name=re.compile("Launch monitor.*Twosight"))).to_be_visible()
        expect(page.get_by_role("button", name=re.compile("Lamp on the ball"))).to_be_visible()

    def test_filter_lock_and_why_not(self) -> None:
        page = self.open()
        page.get_by_role("button", name=re.compile("Screen or net")).click()
        page.get_by_label("Words").fill("tri-layer")
        expect(page.get_by_role("button", name=re.compile("^Choose Tri-layer"))).to_have_count(2)
        page.get_by_role("button", name=re.compile("^Why not: .*Tri-layer 3.0 × 2.3")).click()
        dialog = page.get_by_role("dialog", name=re.compile("^Why not Tri-layer 3.0 × 2.3"))
        expect(dialog.get_by_text("in place of Bay 2.8")).to_be_visible()
        page.keyboard.press("Escape")
        page.get_by_label("Locked: it stays while others change").check()
        self.saved()
        expect(page.get_by_role("button", name=re.compile("^Choose Tri-layer"))).to_have_count(0)
        expect(page.get_by_role("button", name="Take it out")).to_have_count(0)

    def test_small_items_are_chosen_struck_off_and_come_back(self) -> None:
        page = self.open()
        row = page.get_by_role("button", name=re.compile("^(?!Choose).*Surge strip"))
        row.click()
        expect(page.get_by_text("Here because: 4 devices are plugged in")).to_be_visible()
        page.get_by_role("button", name="Choose Surge strip 6").click()
        self.saved()
        expect(row).to_contain_text("Surge strip 6, Thrumwell")
        page.get_by_role("button", name="Strike it off").click()
        self.saved()
        expect(row).to_contain_text("struck off")
        page.get_by_role("button", name="Open again").click()
        self.saved()
        expect(row).to_contain_text("Choose one")

    def test_why_a_cable_does_not_serve(self) -> None:
        page = self.open()
        page.get_by_role("button", name=re.compile("^(?!Choose).*Video cable")).click()
        page.get_by_role("button", name="Why not Video 2 m").click()
        dialog = page.get_by_role("dialog", name="Why not Video 2 m")
        expect(dialog.get_by_text("for the small item “Video cable”")).to_be_visible()
        expect(dialog.get_by_text(re.compile("Length 2.00 m, at least .* m asked"))).to_be_visible()

    def test_a_slow_test_shot_beats_the_estimate(self) -> None:
        page = self.open()
        page.get_by_role("button", name=re.compile("Screen or net")).click()
        page.get_by_text("more answers about it").click()
        expect(page.get_by_text("Held every 300 mm, not tested yet")).to_be_visible()
        page.get_by_label("A slow test shot came back").fill("1.7")
        page.get_by_label("A slow test shot came back").press("Enter")
        self.saved()
        expect(page.get_by_text("A slow shot came back 1.70 m of 3.25 m").first).to_be_visible()
        page.keyboard.press("Escape")
        page.evaluate("document.activeElement.blur()")
        page.keyboard.press("Control+z")
        self.saved()
        expect(page.get_by_text("Held every 300 mm, not tested yet")).to_be_visible()


class CatalogueTests(BrowserTestCase):
    def file(self, name: str, text: str) -> str:
        folder = TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        path = Path(folder.name) / name
        path.write_text(text)
        return str(path)

    def test_an_owned_computer_from_its_report(self) -> None:
        page = self.open("catalogue")
        page.get_by_role("button", name="Read a computer’s report").click()
        lines = (
            "Operating System: Wicket OS 11",
            "Processor: Corvane 5 (12 CPUs)",
            "Memory: 32768MB RAM",
            "Card name: Shardel Basic 2",
            "Dedicated Memory: 2048 MB",
            "Free Space: 300 GB",
        )
        report = "\n".join(lines)
        page.get_by_label("The report").set_input_files(self.file("report.txt", report))
        expect(page.get_by_text("facts from it (diagnostic text)")).to_be_visible()
        for label, text in (
            ("name", "Old office machine"),
            ("lines that it sends", "1080"),
            ("USB sockets", "4"),
            ("power", "90 W"),
            ("noise", "30"),
        ):
            page.get_by_label(label, exact=True).fill(text)
        page.get_by_label("HDMI").check()
        page.get_by_role("button", name="Choose it as your own machine").click()
        self.saved()
        expect(page.get_by_role("button", name="Choose it as your own machine")).to_have_count(0)
        page.get_by_role("link", name="Parts").first.click()
        expect(page.get_by_role("button", name=re.compile("Machine.*Old office machine.*owned"))).to_be_visible()
        expect(page.get_by_text("Too weak in graphics: class 2").first).to_be_visible()

    def test_a_pack_with_conflicts(self) -> None:
        held = Entry.objects.get(owner=self.build.owner, part_id="lumenhay-lantern-z").spec
        page = self.open("catalogue")
        page.get_by_role("button", name="Lantern Z", exact=True).click()
        page.get_by_role("button", name="Change facts for yourself").click()
        page.get_by_label("brightness", exact=True).fill("3000")
        page.get_by_label("brightness", exact=True).press("Tab")
        page.get_by_role("button", name="Keep these facts").click()
        expect(page.get_by_text("3,000 lm").first).to_be_visible()
        page.keyboard.press("Escape")
        new = SHEET.validate_python({"kind": "tool", "id": "nest-saw", "maker": "Nest", "name": "Saw"})
        brighter = held.model_copy(update={"lumens": 4400.0})
        pack = PartsPack(name="Spring", parts=(brighter, new))
        page.get_by_role("button", name="Take in a parts pack").click()
        page.get_by_label("A JSON file").set_input_files(self.file("pack.json", write_parts_pack(pack)))
        expect(page.get_by_text("1 new, 0 changed, 1 in conflict")).to_be_visible()
        expect(page.get_by_text("brightness: 3,000 lm here, 4,400 lm in the pack")).to_be_visible()
        page.get_by_label("What to do with Lantern Z").select_option("both")
        page.get_by_role("button", name="Take it in like this").click()
        expect(page.get_by_role("button", name="Saw", exact=True)).to_be_visible()
        expect(page.get_by_role("button", name="Lantern Z", exact=True)).to_have_count(2)

    def test_one_key_undoes_what_was_done_last_in_catalogue_or_build(self) -> None:
        page = self.open("catalogue")
        page.get_by_label("Words").fill("lantern")
        expect(page.get_by_text(re.compile("^3 parts of"))).to_be_visible()
        page.get_by_role("button", name="Lantern Z", exact=True).click()
        page.get_by_role("button", name="Change facts for yourself").click()
        page.get_by_label("list price", exact=True).fill("USD 990 + tax")
        page.get_by_role("button", name="Keep these facts").click()
        expect(page.get_by_text("$990.00 + tax").first).to_be_visible()
        page.keyboard.press("Escape")
        page.get_by_role("button", name="Choose as display Lantern S").click()
        self.saved()
        expect(page.get_by_role("button", name="Undo: Chose Lantern S")).to_be_visible()
        page.keyboard.press("Control+z")
        self.saved()
        expect(page.get_by_role("button", name="Redo: Chose Lantern S")).to_be_visible()
        expect(page.get_by_text("$990.00 + tax").first).to_be_visible()
        page.keyboard.press("Control+z")
        expect(page.get_by_text("€1,090.00").first).to_be_visible()
        page.get_by_role("button", name="Redo: Facts of Lantern Z").click()
        expect(page.get_by_text("$990.00 + tax").first).to_be_visible()

    def test_a_title_of_ones_own_picks_the_monitor_it_listens_to(self) -> None:
        page = self.open("catalogue")
        page.get_by_role("button", name="Write a part of your own").click()
        form = page.get_by_role("region", name="A part of your own")
        form.get_by_label("Kind", exact=True).select_option("title")
        form.get_by_label("maker", exact=True).fill("Ourselves")
        form.get_by_label("name", exact=True).fill("Back Garden")
        form.get_by_role("button", name="Add to monitors that it listens to").click()
        form.get_by_label("monitor", exact=True).select_option("Lodestill Twosight")
        form.get_by_role("button", name="Add it to the catalogue").click()
        opened = page.get_by_role("dialog", name="Back Garden")
        expect(opened.get_by_role("region", name="monitors that it listens to")).to_contain_text("Lodestill Twosight")
        sheet = Entry.objects.get(sheet__name="Back Garden").spec
        assert isinstance(sheet, Title)
        self.assertEqual([link.monitor for link in sheet.monitor_links or ()], ["lodestill-twosight"])

    def test_sheets_are_typed_and_told_in_feet_and_pounds(self) -> None:
        """9 ft is 2.7432 m, 14 lb are 6.3503 kg; the sheet is metric again at one key."""
        page = self.open("catalogue")
        page.keyboard.press("u")
        expect(page.get_by_role("button", name="Units: imperial. Switch to metric")).to_be_visible()
        page.get_by_label("Words").fill("square 2.7")
        expect(page.get_by_text(re.compile("^1 part of"))).to_be_visible()
        page.get_by_role("button", name="Square 2.7", exact=True).click()
        page.get_by_role("button", name="Change facts for yourself").click()
        page.get_by_label("width", exact=True).fill("9 ft")
        page.get_by_label("weight", exact=True).fill("14 lb")
        page.get_by_role("button", name="Keep these facts").click()
        dialog = page.get_by_role("dialog")
        expect(dialog.get_by_text("9 ft 0 in")).to_be_visible()
        expect(dialog.get_by_text("14.0 lb")).to_be_visible()
        sheet = Entry.objects.get(owner=self.build.owner, part_id="tentmoor-square-27").spec
        assert isinstance(sheet, ImpactScreen)
        assert sheet.width_m is not None
        assert sheet.weight_kg is not None
        self.assertAlmostEqual(sheet.width_m, 2.7432, places=4)
        self.assertAlmostEqual(sheet.weight_kg, 14 * 0.45359237, places=4)

    def test_a_broken_pack_says_where(self) -> None:
        self.allowed = ("422",)
        page = self.open("catalogue")
        page.get_by_role("button", name="Take in a parts pack").click()
        broken = {"name": "Broken", "parts": [{"kind": "tool", "id": "A B", "maker": "N", "name": "Saw"}]}
        page.get_by_label("A JSON file").set_input_files(self.file("pack.json", json.dumps(broken)))
        expect(page.get_by_role("alert")).to_contain_text("parts.0.id")

    def test_a_price_list_row_by_row(self) -> None:
        page = self.open("catalogue")
        page.get_by_role("button", name="Take in a price list").click()
        text = "article,cost now\nlumenhay-lantern-z,999\nghost,5\n"
        page.get_by_label("A CSV file").set_input_files(self.file("list.csv", text))
        expect(page.get_by_text("0 rows can be taken, 2 rows cannot.")).to_be_visible()
        page.get_by_label("price", exact=True).select_option("1")
        expect(page.get_by_text("1 row can be taken, 1 row cannot.")).to_be_visible()
        expect(page.get_by_text("no part here has that id or name")).to_be_visible()
        page.get_by_role("button", name="Take in what can be taken").click()
        expect(page.get_by_text("€999.00").first).to_be_visible()

    def test_an_extra_from_the_catalogue(self) -> None:
        page = self.open("catalogue")
        page.get_by_label("Words").fill("fan heater")
        expect(page.get_by_text(re.compile("^2 parts of"))).to_be_visible()
        page.get_by_role("button", name="Add to the build Fan heater").click()
        self.saved()
        page.keyboard.press("Escape")
        page.get_by_role("link", name="Parts").first.click()
        expect(page.get_by_text("Fan heater moves air, and the radar takes it for a club").first).to_be_visible()
        page.get_by_role("button", name="Drop Fan heater").click()
        self.saved()
        expect(page.get_by_text("Fan heater moves air")).to_have_count(0)

    def test_what_fits_and_works(self) -> None:
        page = self.open("catalogue")
        page.get_by_label("Kind").select_option("impact_screen")
        expect(page.get_by_role("button", name="Tri-layer 4.0 × 2.5", exact=True)).to_be_visible()
        page.get_by_label("works with what is hung").check()
        expect(page.get_by_role("button", name="Tri-layer 4.0 × 2.5", exact=True)).to_have_count(0)
        expect(page.get_by_role("button", name="Square 2.7", exact=True)).to_be_visible()
        page.get_by_label("works with what is hung").uncheck()
        page.get_by_role("button", name="Would it work? Tri-layer 3.0 × 2.3").click()
        expect(page.get_by_role("dialog").get_by_text("in place of Bay 2.8")).to_be_visible()

    def test_a_price_that_cannot_be_read_is_refused_in_place_of_the_list(self) -> None:
        self.allowed = ("422",)
        page = self.open("catalogue")
        listed = page.get_by_role("button", name="Would it work?")
        expect(listed.first).to_be_visible()
        page.get_by_label("Price from").fill("dear")
        page.get_by_label("Price from").press("Tab")
        expect(page.get_by_role("alert")).to_contain_text("Price from, dear: an amount")
        expect(page.get_by_label("Price from")).to_have_attribute("aria-invalid", "true")
        expect(listed).to_have_count(0)
        page.get_by_label("Price from").fill("")
        page.get_by_label("Price from").press("Tab")
        expect(page.get_by_role("alert")).to_have_count(0)
        expect(listed.first).to_be_visible()


class PhonePartsTests(BrowserTestCase):
    viewport = PHONE

    def test_parts_and_catalogue_fit_a_phone(self) -> None:
        page = self.open()
        page.get_by_role("button", name=re.compile("Display")).first.click()
        expect(page.get_by_role("button", name="Choose Squarelight")).to_be_visible()
        self.assert_fits(page)
        page.get_by_role("button", name=re.compile("Gloves")).click()
        expect(page.get_by_role("button", name="Choose Gloves, three")).to_be_visible()
        self.assert_fits(page)
        self.open("catalogue")
        self.assert_fits(page)
