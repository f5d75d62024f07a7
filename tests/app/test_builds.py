"""Builds as wholes: files in and out, the catalogue they bring, the demo, the shell."""

import json
from datetime import timedelta
from io import StringIO
from pathlib import Path
from tempfile import TemporaryDirectory
from unittest.mock import patch

from django.core.management import call_command
from django.test import Client, TestCase
from django.utils import timezone

from core.formats.build_file import read_build_file, write_build_file
from core.formats.errors import BadFile
from core.model.build import Slot
from jungle.builds.models import Edit, StoredBuild
from jungle.builds.services.builds import build_file, import_build
from jungle.builds.services.parts import adopt_samples
from jungle.builds.services.welcome import local_owner
from jungle.catalogue.models import Entry
from tests.app.worlds import ApiTestCase, adopt_parts, file_text, full_build_of, person, sheets_of
from tests.core import worlds

DEMO_BUILD = Path("jungle/demo/builds/boat-shed.json")


class FileTests(TestCase):
    def test_a_build_goes_out_and_comes_back_as_a_new_one(self) -> None:
        owner = person()
        build = full_build_of(owner)
        text = write_build_file(build_file(build)).encode()
        copy = import_build(owner, text)
        self.assertNotEqual(copy.pk, build.pk)
        self.assertEqual(copy.design, build.design)
        self.assertEqual(Entry.objects.visible_to(owner.pk).count(), 8, "the same parts are not kept twice")

    def test_somebody_elses_parts_join_the_catalogue(self) -> None:
        build = import_build(person(), file_text())
        self.assertEqual(build.design.chain[Slot.SCREEN].part, "screen")
        self.assertEqual(Entry.objects.visible_to(build.owner_id).count(), 8)

    def test_another_part_of_the_same_id_is_kept_beside_it(self) -> None:
        owner = person()
        adopt_parts(owner.pk, [worlds.screen(name="Mine", gain=0.8)])
        build = import_build(owner, file_text())
        self.assertEqual(build.design.chain[Slot.SCREEN].part, "screen-2")
        sheets = sheets_of(owner)
        self.assertEqual((sheets["screen"].name, sheets["screen-2"].name), ("Mine", "Square"))
        again = import_build(owner, file_text())
        self.assertEqual(again.design.chain[Slot.SCREEN].part, "screen-2")
        self.assertEqual(Entry.objects.visible_to(owner.pk).count(), 9)

    def test_unknown_fields_survive_the_database(self) -> None:
        document = json.loads(file_text())
        document["build"]["room"]["cupboards"] = [{"x_m": 1.2}]
        document["parts"][0]["warranty_years"] = 3
        written = json.loads(write_build_file(build_file(import_build(person(), json.dumps(document).encode()))))
        self.assertEqual(written["build"]["room"]["cupboards"], [{"x_m": 1.2}])
        self.assertIn(3, [part.get("warranty_years") for part in written["parts"]])

    def test_a_bad_file_stores_nothing(self) -> None:
        document = json.loads(file_text())
        document["build"]["room"]["width_m"] = 0
        owner = person()
        with self.assertRaises(BadFile):
            import_build(owner, json.dumps(document).encode())
        self.assertEqual((StoredBuild.objects.count(), Entry.objects.count(), Edit.objects.count()), (0, 0, 0))


class CopyTests(ApiTestCase):
    def test_a_copy_stands_beside_it_and_goes_its_own_way(self) -> None:
        self.send("patch", "/room", width_m="5")
        copied = self.client.post(self.url("/copy")).json()
        copy = StoredBuild.objects.get(pk=copied["id"])
        self.assertEqual((copy.name, copy.edit_number), ("Test, copy", 0))
        self.assertEqual(copy.design.model_copy(update={"name": "Test"}), self.stored().design)
        self.assertEqual(
            set(copy.ties.values_list("part_id")), set(self.build.ties.filter(current=True).values_list("part_id"))
        )
        self.send("patch", "/room", width_m="6")
        self.assertEqual(StoredBuild.objects.get(pk=copy.pk).design.room.width_m, 5)
        self.assertEqual(self.client.post(self.url("/copy")).json()["build"]["name"], "Test, copy 2")

    def test_nobody_copies_what_is_not_theirs(self) -> None:
        stranger = Client()
        stranger.force_login(person("eve"))
        self.assertEqual(stranger.post(self.url("/copy")).status_code, 404)

    def test_files_carry_the_name_of_the_build(self) -> None:
        for name, file in (("Test", "test"), ("Grün & Blau", "gr%C3%BCn-blau"), ("???", f"build-{self.build.pk}")):
            self.send("patch", "", name=name)
            for path, ending in (
                ("/file", ".json"),
                ("/drawing.svg", "-playing.svg"),
                ("/drawing.dxf", "-playing.dxf"),
            ):
                with self.subTest(name, path=path):
                    self.assertIn(file + ending, self.client.get(self.url(path))["Content-Disposition"])

    def stored(self) -> StoredBuild:
        return StoredBuild.objects.get(pk=self.build.pk)


class DemoTests(TestCase):
    def load(self, *arguments: str) -> str:
        out = StringIO()
        call_command("load_demo", *arguments, stdout=out)
        return out.getvalue()

    def test_loading_twice_changes_nothing(self) -> None:
        self.load()
        StoredBuild.objects.update(name="Renamed by me")
        self.load()
        self.assertEqual({build.name for build in StoredBuild.objects.all()}, {"Renamed by me"})

    def test_afresh_asks_first(self) -> None:
        self.load()
        StoredBuild.objects.update(name="Mine")
        with patch("builtins.input", return_value="n"):
            self.assertIn("Nothing was changed", self.load("--afresh"))
        self.assertEqual({build.name for build in StoredBuild.objects.all()}, {"Mine"})
        with patch("builtins.input", return_value="y"):
            self.load("--afresh")
        self.assertEqual(
            {build.name for build in StoredBuild.objects.all()},
            {"Boat shed by the lake", "Box room in the flat", "Hay loft, in use"},
        )

    def test_afresh_leaves_other_people_alone(self) -> None:
        other = full_build_of(person("other"))
        self.load("--afresh", "--yes")
        self.assertTrue(StoredBuild.objects.filter(pk=other.pk).exists())
        self.assertTrue(Entry.objects.visible_to(other.owner_id).exists())

    def test_sample_parts_are_adopted_once(self) -> None:
        owner = local_owner()
        before = sheets_of(owner)
        self.assertGreater(len(before), 48)
        adopt_samples(owner)
        self.assertEqual(sheets_of(owner), before)


class ShellTests(TestCase):
    def evaluate(self, path: Path, *arguments: str) -> tuple[int, str, str]:
        out, err = StringIO(), StringIO()
        with self.assertRaises(SystemExit) as caught:
            call_command("evaluate", str(path), *arguments, stdout=out, stderr=err)
        return int(str(caught.exception.code)), out.getvalue(), err.getvalue()

    def written(self, folder: str, text: str) -> Path:
        path = Path(folder) / "build.json"
        path.write_text(text)
        return path

    def test_money_of_a_file_in_a_scope(self) -> None:
        out = StringIO()
        call_command("money", str(DEMO_BUILD), stdout=out)
        whole = json.loads(out.getvalue())
        self.assertEqual(whole["totals"]["cash"]["text"], "€7,463.00")
        self.assertEqual(len(whole["over_years"]["years"]), 6)
        out = StringIO()
        call_command("money", str(DEMO_BUILD), "--category", "floor", stdout=out)
        self.assertEqual([head["category"] for head in json.loads(out.getvalue())["heads"]], ["floor"])

    def test_a_missing_rate_names_both_currencies(self) -> None:
        document = json.loads(file_text())
        document["parts"][0]["price"]["currency"] = "USD"
        err = StringIO()
        with TemporaryDirectory() as folder, self.assertRaises(SystemExit) as caught:
            call_command("money", str(self.written(folder, json.dumps(document))), stderr=err)
        self.assertEqual(caught.exception.code, 2)
        self.assertIn("no rate from USD to EUR", err.getvalue())

    def test_something_blocked_is_one(self) -> None:
        code, out, err = self.evaluate(DEMO_BUILD)
        self.assertEqual((code, err), (1, ""))
        full = json.loads(out)
        self.assertTrue(full["report"]["blocked"])
        self.assertIn("title.monitor", [v["id"] for v in full["report"]["verdicts"] if v["state"] == "blocked"])
        self.assertEqual(len(full["workings"]), len(full["report"]["verdicts"]))

    def test_nothing_blocked_is_nought(self) -> None:
        with TemporaryDirectory() as folder:
            code, out, _ = self.evaluate(self.written(folder, file_text().decode()), "--units", "imperial")
        self.assertEqual(code, 0)
        self.assertIn(" ft ", out)

    def test_a_bad_file_is_two_with_the_errors_on_standard_error(self) -> None:
        with TemporaryDirectory() as folder:
            broken = file_text().decode().replace('"width_m":4.6', '"width_m":-1')
            code, out, err = self.evaluate(self.written(folder, broken))
            self.assertEqual((code, out), (2, ""))
            self.assertIn("build.room.width_m: must be greater than or equal to 1 (found -1)", err)
            code, _, err = self.evaluate(Path(folder) / "missing.json")
        self.assertEqual(code, 2)
        self.assertIn("No such file", err)

    def test_the_demo_build_is_read_back_unchanged(self) -> None:
        file = read_build_file(DEMO_BUILD.read_text())
        self.assertEqual(read_build_file(write_build_file(file)), file)


class DeletedTests(ApiTestCase):
    def test_a_deleted_build_comes_back_with_its_history(self) -> None:
        self.send("patch", "/room", width_m="4.8")
        self.assertEqual(self.client.delete(self.url()).status_code, 204)
        self.assertEqual(self.client.get(self.url()).status_code, 404)
        self.assertEqual(self.send("patch", "/room", width_m="5").status_code, 404)
        self.assertEqual(self.client.get("/api/builds").json(), [])
        self.assertEqual(self.client.delete(self.url()).status_code, 404)
        self.assertEqual(self.client.post(self.url("/restore")).status_code, 204)
        self.assertEqual(self.client.post(self.url("/restore")).status_code, 404)
        self.assertEqual(self.client.get(self.url()).json()["undo"], "Room: width")
        self.client.force_login(person("bea"))
        self.assertEqual(self.client.post(self.url("/restore")).status_code, 404)

    def test_after_thirty_days_it_is_gone_for_good(self) -> None:
        self.client.delete(self.url())
        call_command("tidy", stdout=StringIO())
        self.assertTrue(StoredBuild.objects.filter(pk=self.build.pk).exists())
        StoredBuild.objects.update(deleted_at=timezone.now() - timedelta(days=31))
        call_command("tidy", stdout=StringIO())
        self.assertFalse(StoredBuild.objects.filter(pk=self.build.pk).exists())
