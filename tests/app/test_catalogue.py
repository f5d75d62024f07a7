"""The Catalogue over HTTP: found, written, changed, taken back; packs, price lists, reports; nothing half stored."""

import json
from typing import Any
from unittest.mock import patch

from django.core.files.uploadedfile import SimpleUploadedFile
from hypothesis import given, settings
from hypothesis import strategies as st
from hypothesis.extra.django import TestCase as HypothesisTestCase

from core.formats.errors import BadFile
from core.formats.parts_pack import PartsPack, read_parts_pack, write_parts_pack
from core.model.parts import KINDS, Projector
from core.model.typed import FieldErrors
from core.report import shortlist
from jungle.builds.services.parts import By, adopt_samples, change_part, take_list, take_pack
from jungle.catalogue.entries import EntryState, keep_sheets, revision_of, store_states
from jungle.catalogue.models import Entry, Origin
from jungle.catalogue.packs import parse_list, parse_pack, written_pack
from tests.app.worlds import ApiTestCase, adopt_parts, person, sheets_of
from tests.core import worlds


def upload(content: bytes | str, name: str = "file.json") -> SimpleUploadedFile:
    return SimpleUploadedFile(name, content if isinstance(content, bytes) else content.encode())


def pack(*parts: Any, name: str = "Pack") -> str:
    return write_parts_pack(PartsPack(name=name, parts=parts))


def _typed(facts: dict[str, str]) -> dict[str, str]:
    """As a form sends them."""
    return {name: {"True": "yes", "False": "no"}.get(value, value) for name, value in facts.items()}


class CatalogueTestCase(ApiTestCase):
    def read(self, path: str) -> Any:
        return self.client.get(f"/api/catalogue{path}").json()

    def call(self, method: str, path: str, **body: Any) -> Any:
        """A request on the revision that the part, or the catalogue, is at, unless the body names one."""
        if path in ("/undo", "/redo"):
            body = {"revision": revision_of(self.owner.pk), **body}
        elif path.startswith("/parts/"):
            entry = Entry.objects.visible_to(self.owner.pk).filter(part_id=path.split("/")[2]).first()
            body = {"revision": entry.revision if entry else 0, **body}
        return getattr(self.client, method)(f"/api/catalogue{path}", body, content_type="application/json")

    def add(self, kind: str, **facts: str) -> str:
        """The id of a part of one's own."""
        made = self.call("post", "/parts", kind=kind, facts=facts)
        self.assertEqual(made.status_code, 201, made.content)
        return str(made.json()["part"]["part"])

    def remove(self, id: str, query: str = "") -> Any:
        return self.client.delete(f"/api/catalogue/parts/{id}{query}")

    def sheet(self, id: str) -> Any:
        return sheets_of(self.owner)[id]


class SampleTests(CatalogueTestCase):
    def test_sample_sheets_follow_the_sample_world_unless_their_owner_changed_them(self) -> None:
        owner = person("cy")
        adopt_samples(owner)
        newest = sheets_of(owner)
        old = [
            newest[id].model_copy(update={"note": "As it was."}) for id in ("lumenhay-lantern-z", "brightmere-widebeam")
        ]
        states = {
            sheet.id: EntryState(digest, None, Origin.SAMPLE)
            for sheet, digest in zip(old, keep_sheets(old), strict=True)
        }
        store_states(owner.pk, revision_of(owner.pk), states)
        changed = Entry.objects.get(owner=owner, part_id="brightmere-widebeam")
        change_part(By(owner), "brightmere-widebeam", changed.revision, {"lumens": "4321 lm"}, "EUR")
        self.assertEqual(sheets_of(owner)["lumenhay-lantern-z"].note, "As it was.")
        adopt_samples(owner)
        self.assertEqual(sheets_of(owner)["lumenhay-lantern-z"], newest["lumenhay-lantern-z"])
        self.assertEqual(
            sheets_of(owner)["brightmere-widebeam"].note, "As it was.", "its owner has changed a fact of it"
        )


class FindTests(CatalogueTestCase):
    def found(self, query: str) -> list[str]:
        return [part["name"] for part in self.read(f"/parts?{query}")["parts"]]

    def test_by_kind_words_and_price(self) -> None:
        self.assertEqual(self.found("kind=projector"), ["Lamp"])
        self.assertEqual(self.found("text=maker sq"), ["Square"])
        self.assertEqual(self.found("least=850&most=1000"), ["Tower", "Lamp"])

    def test_a_part_is_found_by_what_was_changed_of_it(self) -> None:
        """The list is filled out of the sheets by the database, whichever way a sheet is written."""
        self.call("patch", "/parts/screen", facts={"name": "Östra duk", "price_minor": "12345"})
        self.assertEqual(self.found("text=östra"), ["Östra duk"])
        self.assertEqual(self.found("least=12344&most=12346"), ["Östra duk"])
        self.call("post", "/undo")
        self.assertEqual(self.found("text=östra"), [])
        self.assertEqual(self.found("least=290&most=310"), ["Square"])

    def test_by_what_fits_the_room_and_works_with_what_is_hung(self) -> None:
        high = worlds.screen(id="high", name="High", height_m=4.0)
        weak = worlds.computer(id="weak", name="Weak", graphics_grade=1)
        adopt_parts(self.owner.pk, (high, weak))
        here = f"build={self.build.pk}"
        self.assertIn("High", self.found("kind=impact_screen"))
        self.assertEqual(self.found(f"kind=impact_screen&fits=true&{here}"), ["Square"])
        self.assertEqual(sorted(self.found(f"kind=computer&fits=true&{here}")), ["Tower", "Weak"])
        self.assertEqual(self.found(f"kind=computer&works=true&{here}"), ["Tower"])

    def test_more_than_can_be_judged_at_once_are_counted(self) -> None:
        """Twenty screens beside the eight parts of the build; with room for nine only two screens are judged."""
        adopt_parts(self.owner.pk, [worlds.screen(id=f"screen-{n}", name=f"Spare {n}") for n in range(19)])
        path = f"/parts?works=true&build={self.build.pk}"
        self.assertEqual(self.read(path)["unjudged"], 0)
        with patch.multiple(shortlist, MOST_JUDGED=20, JUDGED_OF_MANY=9):
            found = self.read(path)
        self.assertEqual((found["unjudged"], found["found"]), (18, 9))

    def test_kinds_say_what_each_fact_means_and_what_reads_it(self) -> None:
        kinds = {kind["kind"]: kind for kind in self.read("/kinds")}
        self.assertEqual(set(kinds), set(KINDS))
        throw = next(field for field in kinds["projector"]["fields"] if field["name"] == "throw_min")
        self.assertIn("Throw distance", throw["read_by"])
        self.assertTrue(throw["meaning"])

    def test_a_catalogue_is_its_owners_alone(self) -> None:
        self.client.force_login(person("bo"))
        self.assertEqual(self.found("text=maker square"), [])
        self.assertEqual(self.client.get("/api/catalogue/parts/mat").status_code, 404)
        self.assertEqual(self.call("patch", "/parts/mat", facts={"thickness_m": "1"}).status_code, 404)


class SheetTests(CatalogueTestCase):
    def test_a_part_of_ones_own(self) -> None:
        facts = {"maker": "Nest", "name": "Perch 4", "lumens": "3500 lm", "weight_kg": "4", "inputs": "hdmi, vga"}
        made = self.call("post", "/parts", kind="projector", facts={**facts, "price_minor": "899"})
        self.assertEqual(made.status_code, 201)
        sheet = self.sheet(made.json()["part"]["part"])
        self.assertEqual((sheet.lumens, sheet.inputs, sheet.price.minor), (3500, ("hdmi", "vga"), 89_900))
        again = self.call("post", "/parts", kind="projector", facts=facts).json()
        self.assertNotEqual(again["part"]["part"], sheet.id, "neither takes the other's place")

    def test_a_bare_price_is_in_the_currency_of_the_build_that_is_open(self) -> None:
        self.send("patch", "/brief", exchange_rates=[{"currency": "USD", "rate": "0.9"}])
        self.send("patch", "/brief", currency="USD")
        facts = {"maker": "Ours", "name": "Old lamp", "price_minor": "1,250"}
        made = self.call("post", "/parts", kind="projector", facts=facts, build=self.build.pk)
        self.assertEqual(made.json()["part"]["price"], "$1,250.00")

    def test_a_monitor_and_a_title_of_ones_own_work_together(self) -> None:
        monitor = worlds.radar().model_dump(mode="json", exclude={"id", "kind", "price", "plans", "sources"})
        facts = {name: str(value) for name, value in monitor.items() if isinstance(value, str | int | float)}
        facts = {**facts, "measures": "ball_speed, launch_angle, launch_direction", "links": "usb", "name": "Own eye"}
        plans = [{"name": "Whole year", "billing": "yearly", "price_minor": "79", "tier": "1"}]
        made = self.call("post", "/parts", kind="rear_radar", facts=_typed(facts), rows={"plans": plans})
        self.assertEqual(made.status_code, 201, made.content)
        links = [{"monitor": made.json()["part"]["part"], "tier": "1"}]
        changed = self.call("patch", "/parts/title", facts={}, rows={"monitor_links": links})
        self.assertEqual(changed.json()["rows"]["monitor_links"][0]["tier"], "1")
        reply = self.send("put", "/chain/monitor", part=made.json()["part"]["part"]).json()
        states = {v["id"]: v["state"] for v in reply["report"]["verdicts"]}
        self.assertEqual(states["title.monitor"], "clear")
        self.assertEqual(reply["build"]["chain"]["monitor"]["plan"], "plan")

    def test_a_title_that_does_not_say_what_it_listens_to(self) -> None:
        facts = {"maker": "Nest", "name": "Quiet Links", "platforms": "Wicket OS"}
        made = self.call("post", "/parts", kind="title", facts=facts, rows={}).json()
        self.assertEqual(made["rows"]["monitor_links"], [])
        reply = self.send("put", "/chain/title", part=made["part"]["part"]).json()
        states = {v["id"]: v["state"] for v in reply["report"]["verdicts"]}
        self.assertEqual(states["title.monitor"], "unknown")

    def test_bad_facts_name_the_field_and_store_nothing(self) -> None:
        before = sheets_of(self.owner)
        refused = self.call("post", "/parts", kind="projector", facts={"maker": "N", "name": "P", "lumens": "bright"})
        self.assertEqual((refused.status_code, refused.json()["errors"][0]["field"]), (422, "lumens"))
        self.assertEqual(self.call("post", "/parts", kind="boat", facts={}).status_code, 422)
        self.assertEqual(sheets_of(self.owner), before)

    def test_a_fact_is_changed_for_oneself_and_taken_back(self) -> None:
        changed = self.call("patch", "/parts/projector", facts={"lumens": "1000"}).json()
        self.assertTrue(changed["part"]["changed"])
        verdicts = {v["id"]: v["state"] for v in self.client.get(self.url()).json()["report"]["verdicts"]}
        self.assertEqual(verdicts["picture.luminance"], "tight", "checks read the changed fact")
        self.assertEqual([p["name"] for p in self.read("/parts?own=true")["parts"]], ["Lamp"])
        restored = self.call("post", "/parts/projector/restore").json()
        self.assertFalse(restored["part"]["changed"])
        self.assertEqual(self.sheet("projector").lumens, 4000)

    def test_typing_the_old_value_again_takes_the_change_back(self) -> None:
        self.call("patch", "/parts/projector", facts={"lumens": "1000"})
        self.assertFalse(self.call("patch", "/parts/projector", facts={"lumens": "4000"}).json()["part"]["changed"])

    def test_a_source_and_what_another_says(self) -> None:
        cited = self.call(
            "put",
            "/parts/projector/sources/lumens",
            source="its sheet",
            seen="2024-01-05",
            other="3600 lm",
            other_source="a test",
        )
        fact = next(fact for fact in cited.json()["facts"] if fact["field"] == "lumens")
        self.assertEqual((fact["source"], fact["other"], len(fact["doubts"])), ("its sheet", "3600 lm", 2))
        verdicts = self.client.get(self.url()).json()["report"]["verdicts"]
        luminance = next(verdict for verdict in verdicts if verdict["id"] == "picture.luminance")
        self.assertIn("its sheet says 4,000 lm, a test says 3,600 lm", luminance["doubts"][0])
        self.assertEqual(self.call("put", "/parts/projector/sources/colour", source="x").status_code, 422)
        unread = self.call("put", "/parts/projector/sources/lumens", source="x", other="rather dim")
        self.assertEqual(unread.status_code, 422)
        feet = self.call("put", "/parts/screen/sources/width_m", source="x", other="9 ft").json()
        width = next(fact for fact in feet["facts"] if fact["field"] == "width_m")
        self.assertEqual(width["other"], "2.743 m", "read in the unit of the fact")

    def test_a_part_in_a_build_stays(self) -> None:
        refused = self.remove("mat")
        self.assertEqual(refused.status_code, 409)
        self.assertEqual(refused.json()["builds"], [{"build": "Test", "what": ["the mat"]}])
        saw = self.add("tool", maker="N", name="Saw")
        self.assertEqual(self.remove(saw).status_code, 204)
        self.assertEqual(self.client.get(f"/api/catalogue/parts/{saw}").status_code, 404)


class PackTests(CatalogueTestCase):
    def preview(self, text: str) -> dict[str, str]:
        reply = self.client.post("/api/catalogue/pack/preview", {"file": upload(text)}).json()
        return {row["part"]: row["standing"] for row in reply["rows"]}

    def take(self, text: str, **choices: str) -> Any:
        return self.client.post("/api/catalogue/pack", {"file": upload(text), "choices": json.dumps(choices)})

    def test_new_changed_and_in_conflict_are_shown_before_anything_is_stored(self) -> None:
        self.call("patch", "/parts/projector", facts={"lumens": "1000"})
        text = pack(
            worlds.mat(thickness_m=0.05), worlds.projector(lumens=5000), worlds.screen(), worlds.tiles(id="new")
        )
        before = sheets_of(self.owner)
        self.assertEqual(
            self.preview(text), {"mat": "changed", "projector": "conflict", "screen": "same", "new": "new"}
        )
        self.assertEqual(sheets_of(self.owner), before)
        self.assertEqual(self.take(text).json(), {"take": 2, "keep": 2, "both": 0})
        self.assertEqual((self.sheet("mat").thickness_m, self.sheet("projector").lumens), (0.05, 1000))

    def test_choices_are_followed(self) -> None:
        text = pack(worlds.mat(thickness_m=0.05), worlds.projector(lumens=5000), worlds.tiles(id="new"))
        self.take(text, mat="keep", projector="both", new="keep")
        self.assertEqual(self.sheet("mat").thickness_m, 0.04)
        both = sorted(sheet.lumens or 0 for sheet in sheets_of(self.owner).values() if isinstance(sheet, Projector))
        self.assertEqual((self.sheet("projector").lumens, both), (4000, [4000, 5000]))
        self.assertNotIn("new", sheets_of(self.owner))

    def test_a_choice_that_there_is_not_stores_nothing(self) -> None:
        refused = self.take(pack(worlds.tiles(id="new"), worlds.mat(id="other")), new="perhaps")
        self.assertEqual((refused.status_code, refused.json()["errors"][0]["field"]), (422, "choices.new"))
        self.assertTrue({"new", "other"}.isdisjoint(sheets_of(self.owner)))
        broken = self.client.post("/api/catalogue/pack", {"file": upload(pack()), "choices": "[1"})
        self.assertEqual(broken.status_code, 422)

    def test_ones_own_are_written_out_and_read_elsewhere(self) -> None:
        saw = self.add("tool", maker="N", name="Saw")
        self.call("patch", "/parts/projector", facts={"lumens": "1000"})
        written = self.client.get("/api/catalogue/pack").content
        self.assertEqual({part.id for part in read_parts_pack(written).parts}, {saw, "projector"})
        other = person("bo")
        take_pack(By(other), parse_pack(written), {})
        self.assertEqual(set(sheets_of(other)), {saw, "projector"})


class PriceListTests(CatalogueTestCase):
    CSV = "part;price\nmat;444\nghost;1\nscreen;dear\n"

    def test_rows_are_told_then_taken(self) -> None:
        form = {"file": upload(self.CSV, "list.csv"), "mapping": "{}"}
        preview = self.client.post("/api/catalogue/list/preview", form).json()
        self.assertEqual([row["problem"] == "" for row in preview["rows"]], [True, False, False])
        self.assertEqual(preview["mapping"], {"id": 0, "price": 1})
        taken = self.client.post("/api/catalogue/list", {**form, "file": upload(self.CSV)}).json()
        self.assertEqual(taken, {"prices": 1, "added": 0})
        self.assertEqual(self.sheet("mat").price.minor, 44_400)

    def test_a_mapping_that_does_not_fit_is_refused(self) -> None:
        for mapping in ('{"price": 7}', '{"colour": 0}', "nonsense"):
            refused = self.client.post("/api/catalogue/list/preview", {"file": upload(self.CSV), "mapping": mapping})
            self.assertEqual(refused.status_code, 422, mapping)


class ReportTests(CatalogueTestCase):
    def test_a_report_is_read_hung_and_judged(self) -> None:
        self.call("patch", "/parts/computer", facts={"graphics_name": "Shardel Taper"})
        text = "Operating System: Wicket OS 11\nMemory: 8192MB RAM\nCard name: Shardel Taper\nFree Space: 90 GB\n"
        read = self.client.post("/api/catalogue/machine-report", {"file": upload(text, "report.txt")}).json()
        self.assertEqual(read["facts"]["graphics_grade"], "6")
        self.assertIn("processor_grade", [fact["field"] for fact in read["asked"]])
        asked = {
            "maker": "Owned",
            "name": "Old one",
            "processor_grade": "5",
            "output_lines": "1080",
            "graphics_memory_gb": "8",
        }
        made = self.call("post", "/parts", kind="computer", facts={**read["facts"], **asked}).json()
        reply = self.send("put", "/chain/machine", part=made["part"]["part"]).json()
        spec = next(v for v in reply["report"]["verdicts"] if v["id"] == "machine.spec")
        self.assertEqual((spec["state"], spec["headline"]), ("blocked", "Too weak in memory: 8 GB, 16 GB is the least"))
        self.assertEqual(spec["changes"], ["Upgrade the memory to 16 GB."])


class NothingHalfStoredTests(HypothesisTestCase):
    @settings(max_examples=40)
    @given(st.data())
    def test_a_fuzzed_pack_is_taken_whole_or_not_at_all(self, data: st.DataObject) -> None:
        owner = person(f"p{data.draw(st.integers(0, 10**9))}")
        document = json.loads(pack(worlds.mat(), worlds.projector(), worlds.screen()))
        part = data.draw(st.sampled_from(document["parts"]))
        part[data.draw(st.sampled_from(sorted(part)))] = data.draw(
            st.none() | st.text(max_size=9) | st.integers() | st.booleans()
        )
        try:
            take_pack(By(owner), parse_pack(json.dumps(document).encode()), {})
        except BadFile:
            self.assertEqual(len(sheets_of(owner)), 0)
        else:
            self.assertEqual(len(sheets_of(owner)), 3)
            written_pack(owner.pk, "Mine")

    @settings(max_examples=40)
    @given(
        st.text(max_size=80),
        st.dictionaries(st.sampled_from(["id", "price", "kind", "x"]), st.integers(-1, 4), max_size=3),
    )
    def test_a_fuzzed_list_changes_only_what_its_rows_say(self, text: str, mapping: dict[str, int]) -> None:
        owner = person(f"q{abs(hash((text, str(mapping))))}")
        adopt_parts(owner.pk, [worlds.mat()])
        try:
            done = take_list(By(owner), parse_list(text.encode()), mapping, "EUR")
        except (BadFile, FieldErrors):
            done = {"prices": 0, "added": 0}
        self.assertEqual(len(sheets_of(owner)), 1 + done["added"])
        self.assertLessEqual(done["prices"], 1)
