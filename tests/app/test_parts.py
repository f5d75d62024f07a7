"""The Parts view over HTTP: filters, looking before picking, why not, locks, small items, extras."""

from typing import Any

from django.core.files.uploadedfile import SimpleUploadedFile

from jungle.builds.services import editing
from jungle.builds.services.parts import adopt_samples
from jungle.catalogue.models import Entry
from tests.app.worlds import ApiTestCase, adopt_parts, on, person
from tests.core import worlds
from tests.core.matrix.case import extra

CABLES = (
    extra("video_cable", "Short", plug="hdmi", length_m=5, lines_max=2160, technology="passive", price={"minor": 900}),
    extra("video_cable", "Long", plug="hdmi", length_m=10, lines_max=1080, technology="passive", price={"minor": 2900}),
)


class PartsTestCase(ApiTestCase):
    def setUp(self) -> None:
        super().setUp()
        strong = worlds.computer(id="strong", name="Strong", graphics_grade=9, price=worlds.price(2000))
        weak = worlds.computer(id="weak", name="Weak", graphics_grade=2, price=worlds.price(200))
        far = worlds.projector(id="far", name="Far", throw_min=2.0, throw_max=2.2, price=worlds.price(700))
        adopt_parts(self.owner.pk, (strong, weak, far, *CABLES, extra("heater", "Blower", method="fan", power_w=2000)))

    def get(self, path: str) -> Any:
        return self.client.get(self.url(path)).json()


class AlternativeTests(PartsTestCase):
    def names(self, query: str = "") -> list[str]:
        return [found["name"] for found in self.get(f"/chain/machine{query}")["candidates"]]

    def test_filters_by_words_price_kind_and_what_works(self) -> None:
        self.assertEqual(self.names(), ["Tower", "Strong", "Weak"])
        self.assertEqual(self.names("?text=str"), ["Strong"])
        self.assertEqual(self.names("?most=1500"), ["Tower", "Weak"])
        self.assertEqual(self.names("?least=1,500"), ["Strong"])
        self.assertEqual(self.names("?usable=true"), ["Tower", "Strong"])
        self.assertEqual(self.names("?kind=tablet"), [])
        reply = self.get("/chain/machine?text=nothing")
        self.assertEqual((reply["all"], reply["kinds"]), (3, ["computer"]))

    def test_everyday_words_find_what_their_makers_call_otherwise(self) -> None:
        adopt_samples(self.owner)

        def found(slot: str, words: str) -> set[str]:
            return {one["name"] for one in self.get(f"/chain/{slot}?text={words}")["candidates"]}

        self.assertIn("Finegrain", found("display", "4k"))
        self.assertNotIn("Widebeam", found("display", "4k"))
        short = found("display", "short throw")
        self.assertTrue(short)
        self.assertNotIn("Cinema Long", short)
        self.assertEqual(found("machine", "phone"), {"Flake", "Flake, older (used)"})
        self.assertIn("Tower", found("machine", "pc"))

    def test_a_price_that_cannot_be_read_is_named(self) -> None:
        refused = self.client.get(self.url("/chain/machine?most=cheap"))
        self.assertEqual((refused.status_code, refused.json()["errors"][0]["field"]), (422, "most"))

    def test_a_part_is_drawn_before_it_is_picked_and_nothing_is_stored(self) -> None:
        def lens(scene: dict[str, Any]) -> float:
            return float(next(h["at"]["u"] for h in scene["handles"] if h["target"] == "projector"))

        now = self.get("")
        shown = self.get("/chain/display/drawing/far")
        self.assertEqual(shown["name"], "Far")
        self.assertGreater(lens(shown["scene"]), lens(now["report"]["scene"]))
        self.assertEqual(self.get("")["revision"], now["revision"])
        self.assertEqual(self.client.get(self.url("/chain/display/drawing/mat")).status_code, 404)

    def test_why_not(self) -> None:
        found = self.get("/why-not/weak")
        self.assertEqual([reason["id"] for reason in found["ruled_out_by"]], ["machine.spec"])
        beside = self.get("/why-not/short")
        self.assertEqual((beside["slot"], beside["item"]), (None, "Video cable"))
        self.assertEqual(len(beside["objections"]), 1)
        self.assertEqual(self.client.get(self.url("/why-not/nothing")).status_code, 404)

    def test_routes(self) -> None:
        kinds = [route["kind"] for route in self.get("/chain/enclosure/routes")["routes"]]
        self.assertEqual(kinds, ["ready-made", "thrifty by hand", "fine by hand"])
        self.assertEqual(self.get("/chain/monitor/routes")["routes"], [])


class LockTests(PartsTestCase):
    def test_what_is_locked_stays_while_others_change(self) -> None:
        self.assertEqual(self.send("patch", "/chain/machine", locked=True).status_code, 200)
        refused = self.send("put", "/chain/machine", part="strong")
        self.assertEqual(refused.status_code, 422)
        self.assertIn("The machine is locked", refused.json()["message"])
        self.assertEqual(self.send("post", "/chain/machine/take-down").status_code, 422)
        self.assertEqual(self.send("put", "/chain/display", part="far").status_code, 200)
        self.send("patch", "/chain/machine", locked=False)
        self.assertEqual(self.send("put", "/chain/machine", part="strong").status_code, 200)

    def test_a_tested_signal_is_kept(self) -> None:
        reply = self.send("patch", "/chain/monitor", signal="weak").json()
        states = {v["id"]: v["state"] for v in reply["report"]["verdicts"]}
        self.assertEqual(states["monitor.signal"], "blocked")


class SmallItemTests(PartsTestCase):
    def item(self, reply: dict[str, Any], id: str = "video-cable") -> dict[str, Any]:
        return next(item for item in reply["report"]["small_items"] if item["id"] == id)

    def test_bought_owned_struck_off_and_open_again(self) -> None:
        options = self.get("/small-items/video-cable")["options"]
        self.assertEqual([(o["name"], o["serves"]) for o in options], [("Long", True), ("Short", False)])
        bought = self.send("put", "/small-items/video-cable", choice="buy", part="long").json()
        self.assertEqual((self.item(bought)["state"], self.item(bought)["part_name"]), ("clear", "Long, Maker"))
        self.assertIn("video-cable", [line["beside"] for line in bought["report"]["costs"]["lines"]])
        owned = self.send("put", "/small-items/video-cable", choice="own").json()
        self.assertEqual(self.item(owned)["choice"], "own")
        struck = self.send("put", "/small-items/video-cable", choice="strike", part=None).json()
        self.assertEqual((self.item(struck)["choice"], self.item(struck)["part"]), ("strike", None))
        again = self.send("post", "/small-items/video-cable/reopen").json()
        self.assertEqual(self.item(again)["choice"], "")
        self.assertEqual(self.send("post", "/small-items/video-cable/reopen").status_code, 404)

    def test_what_is_struck_off_returns_with_its_reason(self) -> None:
        self.send("put", "/small-items/video-cable", choice="strike", part=None)
        self.send("post", "/chain/display/take-down")
        back = self.send("put", "/chain/display", part="projector").json()
        self.assertEqual(self.item(back)["choice"], "")

    def test_a_cable_that_another_projector_outgrows_is_open_again(self) -> None:
        self.send("put", "/small-items/video-cable", choice="buy", part="long")
        moved = self.send("patch", "/layout", machine_x_m="0", machine_y_m="6.9").json()
        self.assertEqual(self.item(moved)["state"], "blocked", "a move does not throw a choice away")
        sharp = worlds.projector(id="sharp", name="Sharp", width_px=3840, height_px=2160)
        adopt_parts(self.owner.pk, (sharp,))
        swapped = self.send("put", "/chain/display", part="sharp").json()
        self.assertEqual(self.item(swapped)["choice"], "")

    def test_the_cheapest_that_serve_in_one_edit(self) -> None:
        reply = self.send("post", "/small-items/cheapest").json()
        self.assertEqual(self.item(reply)["part"], "long")
        self.assertEqual(reply["undo"], "Cheapest small items")

    def test_items_and_parts_that_are_not_there(self) -> None:
        self.assertEqual(self.send("put", "/small-items/thread", choice="own").status_code, 404)
        self.assertEqual(self.send("put", "/small-items/video-cable", choice="buy", part="mat").status_code, 404)
        self.assertEqual(self.client.get(self.url("/small-items/nonsense")).status_code, 404)
        self.assertEqual(self.send("put", "/small-items/video-cable", choice="maybe").status_code, 422)


class ExtraTests(PartsTestCase):
    def test_a_heater_is_added_counted_and_dropped(self) -> None:
        added = self.send("post", "/extras", part="blower").json()
        (one,) = added["build"]["extras"]
        self.assertEqual(added["beside"]["blower"]["name"], "Blower")
        states = {v["id"]: v["state"] for v in added["report"]["verdicts"]}
        self.assertEqual(states["monitor.interference"], "blocked")
        self.send("patch", f"/extras/{one['id']}", quantity=2)
        line = f"/money/lines/{one['id']}/blower"
        changed = self.send("patch", line, quote_minor="30", quote_for_each=True).json()
        line = next(line for line in changed["report"]["costs"]["lines"] if line["beside"] == one["id"])
        self.assertEqual((line["quantity"], line["up_front"]["text"]), ("2", "€60.00"))
        dropped = self.send("post", f"/extras/{one['id']}/drop").json()
        self.assertEqual(dropped["build"]["extras"], [])
        editing.undo(on(self.build))
        self.build.refresh_from_db()
        self.assertEqual(len(self.build.design.extras), 1)

    def test_a_further_title_has_a_plan_of_its_own(self) -> None:
        added = self.send("post", "/extras", part="title").json()
        (one,) = added["build"]["extras"]
        self.assertEqual(one["plan"], "monthly", "the first that its maker lists")
        before = self.build.design
        refused = self.send("patch", f"/extras/{one['id']}", plan="lifelong")
        self.assertEqual(refused.status_code, 404)
        self.assertIn("There is no plan 'lifelong'", refused.json()["message"])
        self.build.refresh_from_db()
        self.assertEqual(self.build.design.extras[0].plan, "monthly")
        self.assertEqual(before.chain, self.build.design.chain)
        (licence,) = (line for line in added["report"]["costs"]["lines"] if line["id"] == f"{one['id']}:plan")
        self.assertEqual(licence["beside"], one["id"])

    def test_a_covering_is_laid_over_the_floor(self) -> None:
        added = self.send("post", "/extras", part="tiles").json()
        (one,) = added["build"]["extras"]
        self.assertTrue(one["laid"])
        place = f"/extras/{one['id']}"
        self.send("patch", place, floor_x_m="1", floor_y_m="0.4")
        laid = self.send("patch", place, floor_width_m="2.6", floor_length_m="1.2").json()
        (line,) = (line for line in laid["report"]["costs"]["lines"] if line["beside"] == one["id"])
        self.assertEqual(line["quantity"], "5 packs")
        self.assertEqual(laid["texts"]["extras.0.floor_width_m"], "2.60 m")
        refused = self.send("patch", place, floor_x_m="9")
        self.assertEqual(refused.status_code, 422)
        self.assertIn("a place inside the room, which is 4.60 m that way", refused.content.decode())

    def test_bad_extras(self) -> None:
        self.assertEqual(self.send("post", "/extras", part="ghost").status_code, 404)
        self.assertEqual(self.send("patch", "/extras/ghost", quantity=1).status_code, 404)
        self.send("post", "/extras", part="blower")
        for quantity in ("0", "some", "1.5", ""):
            refused = self.send("patch", "/extras/extra", quantity=quantity)
            self.assertEqual((refused.status_code, refused.json()["errors"][0]["field"]), (422, "quantity"), quantity)

    def test_the_build_file_carries_them(self) -> None:
        self.send("post", "/extras", part="blower")
        self.send("put", "/small-items/video-cable", choice="buy", part="long")
        file = self.client.get(self.url("/file")).content
        other = person("bo")
        self.client.force_login(other)
        adopt_samples(other)
        self.client.post("/api/builds/import", {"file": _upload(file)})
        ids = set(Entry.objects.visible_to(other.pk).values_list("part_id", flat=True))
        self.assertLessEqual({"blower", "long"}, ids)


def _upload(content: bytes, name: str = "file.json") -> Any:
    return SimpleUploadedFile(name, content)


class FilterTests(ApiTestCase):
    def test_candidates_by_a_fact_that_decides(self) -> None:
        path = f"/api/builds/{self.build.pk}/chain/display"
        every = self.client.get(path).json()
        self.assertIn("lumens", [fact["field"] for fact in every["facts"]])
        bright = self.client.get(path, {"fact": "lumens", "value": "99,000 lm"}).json()
        self.assertEqual((bright["candidates"], bright["all"]), ([], every["all"]))
        dim = self.client.get(path, {"fact": "lumens", "value": "10"}).json()
        self.assertEqual(len(dim["candidates"]), len(every["candidates"]))
        refused = self.client.get(path, {"fact": "lumens", "value": "very"})
        self.assertEqual(refused.status_code, 422)
        self.assertEqual(self.client.get(path, {"fact": "colour", "value": "1"}).status_code, 422)
