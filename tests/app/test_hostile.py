"""Input that nobody sends by accident: no server error, nothing half stored, and an answer at once."""

import json
import time
from collections.abc import Iterator
from typing import Any

from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import override_settings

from core.formats.errors import MOST_ERRORS
from jungle.api.api import api
from jungle.builds.models import StoredBuild
from jungle.catalogue.entries import revision_of, states_of
from tests.app.worlds import ApiTestCase, file_text
from tests.core import worlds

JSON = "application/json"
LONGEST_S = 2.0
DIGITS = "9" * 400
BODIES: dict[str, str | bytes] = {
    "half a character": '{"revision": 0, "name": "\\ud800", "kind": "\\udfff", "part": "\\ud800"}',
    "endless digits": f'{{"revision": {DIGITS}, "width_m": {DIGITS}, "name": "{DIGITS}"}}',
    "endless decimals": f'{{"revision": 0, "width_m": 0.{DIGITS}, "ball_x_m": 1e{DIGITS}}}',
    "endless exponent": '{"revision": 0, "width_m": 1e999, "height_m": -1e999}',
    "no number": '{"revision": NaN, "width_m": Infinity}',
    "deep brackets": "[" * 50_000 + "]" * 50_000,
    "deep objects": '{"a":' * 20_000 + "1" + "}" * 20_000,
    "a list": "[]",
    "nothing": "null",
    "a text": '"revision"',
    "wrong kinds": '{"revision": true, "width_m": true, "name": {}, "purposes": [], "facts": "x", "rows": []}',
    "a huge name": json.dumps({"revision": 0, "name": "x" * 100_000, "kind": "y" * 9_000, "part": "z" * 9_000}),
    "one name twice": '{"revision": 0, "revision": 1, "name": "a", "name": "b"}',
    "a byte order mark": b'\xef\xbb\xbf{"revision": 0, "name": "marked"}',
    "no UTF-8": b'{"revision": 0, "name": "\xff\xfe"}',
    "control characters": json.dumps({"revision": 0, "name": "a\u0000b\u202ec", "facts": {"maker": "\u0007"}}),
    "raw control characters": b'{"revision": 0, "name": "a\x00b"}',
    "eight thousand strangers": json.dumps({"revision": 0, **{f"key{n}": n for n in range(8_000)}}),
    "cut off": '{"revision": 0, "name": "a',
    "empty": "",
}


def endpoints(build_id: int) -> Iterator[tuple[str, str]]:
    """Every endpoint that takes a body as JSON, with ids that are there."""
    here = {
        "build_id": build_id, "slot": "mat", "part_id": "mat", "field": "thickness_m", "player_id": "ada",
        "club": "driver", "group": "things", "content_id": "beam", "room_id": "room", "item": "mat",
        "extra_id": "extra", "check_id": "swing.ceiling", "kind": "ready-made", "place": "mat", "of": "mat",
        "line_id": "own", "funding_id": "funding", "category": "monitor", "shop_id": "larkmoor", "offer_id": "offer",
        "job_id": "00000000-0000-4000-8000-000000000000", "observation_id": 1, "change": "confirm", "part": "mat",
        "source_id": 1, "watch_id": 1, "alert_id": 1,
    }  # fmt: skip
    for path, methods in api.get_openapi_schema()["paths"].items():
        for method, told in methods.items():
            if JSON in told.get("requestBody", {}).get("content", {}):
                yield method, path.format(**here)


@override_settings(LOCAL=False)
class HostileBodyTests(ApiTestCase):
    def send_raw(self, method: str, path: str, body: str | bytes, content_type: str = JSON) -> Any:
        begun = time.monotonic()
        reply = self.client.generic(method.upper(), path, body, content_type=content_type)
        took = time.monotonic() - begun
        self.assertLess(reply.status_code, 500, (method, path, reply.content[:300]))
        self.assertLess(took, LONGEST_S, (method, path))
        return reply

    def test_no_body_breaks_an_endpoint_or_stores_half(self) -> None:
        for method, path in endpoints(self.build.pk):
            for what, body in BODIES.items():
                with self.subTest(what, method=method, path=path):
                    reply = self.send_raw(method, path, body)
                    if reply.status_code == 422:
                        self.assertLessEqual(len(reply.json().get("errors", [])), MOST_ERRORS)
        self.build.refresh_from_db()
        self.assertEqual(self.client.get(self.url()).status_code, 200)

    def test_json_that_comes_as_a_form_is_refused(self) -> None:
        for content_type in ("multipart/form-data; boundary=x", "multipart/form-data", "text/plain", "application/xml"):
            for method, path in (
                ("post", "/api/builds"),
                ("patch", self.url("/room")),
                ("post", "/api/catalogue/parts"),
            ):
                self.send_raw(method, path, '{"revision": 0, "name": "a"}', content_type)

    def test_addresses(self) -> None:
        for path in (
            "/api/builds/99999999999999999999999", "/api/builds/-1",
            "/api/catalogue/parts/%00", "/api/catalogue/parts/%ED%A0%80", f"/api/catalogue/parts/{'x' * 3000}",
            self.url("/chain/mat?least=" + DIGITS), self.url("/chain/mat?least=1e5"),
            "/api/catalogue/parts?text=%00", "/api/catalogue/parts?build=" + DIGITS,
            "/api/catalogue/parts?least=1&least=2",
            self.url("/verdicts/%F0%28%8C%28?subject=%ED%A0%80"), self.url("/drawing.svg?layout=%00"),
        ):  # fmt: skip
            with self.subTest(path[:60]):
                self.send_raw("get", path, b"")

    def test_a_boolean_is_no_length_and_no_revision(self) -> None:
        self.assertEqual(self.send("patch", "/room", width_m=True).status_code, 422)
        self.assertEqual(self.send("patch", "/room", revision=True, width_m=5).status_code, 422)
        self.assertEqual(self.send("patch", "/layout", ball_x_m=False).status_code, 422)

    def test_a_marked_file_is_read(self) -> None:
        file = SimpleUploadedFile("build.json", b"\xef\xbb\xbf" + file_text())
        self.assertEqual(self.client.post("/api/builds/import", {"file": file}).status_code, 201)

    def test_what_is_too_large_is_refused_before_it_is_read(self) -> None:
        for path, most in (
            ("/api/builds/import", 2),
            ("/api/catalogue/pack/preview", 10),
            ("/api/catalogue/list", 10),
            ("/api/catalogue/machine-report", 5),
        ):
            large = SimpleUploadedFile("file", b" " * (most * 1024 * 1024 + 100_000))
            reply = self.client.post(path, {"file": large})
            self.assertEqual(reply.status_code, 413, path)
            self.assertIn(f"at most {most} MB", reply.json()["message"])
        reply = self.client.generic("POST", "/api/builds", b" " * 600_000, content_type=JSON)
        self.assertEqual(reply.status_code, 413)

    def test_a_reply_is_short_however_much_is_wrong(self) -> None:
        reply = self.send_raw("patch", self.url("/room"), BODIES["eight thousand strangers"])
        self.assertEqual((reply.status_code, len(reply.json()["errors"])), (422, MOST_ERRORS))
        self.assertLess(len(reply.content), 10_000)


@override_settings(LOCAL=False)
class HostileFileTests(ApiTestCase):
    def upload(self, path: str, text: str | bytes, **form: str) -> Any:
        content = text if isinstance(text, bytes) else text.encode("utf-8", "surrogatepass")
        begun = time.monotonic()
        reply = self.client.post(path, {"file": SimpleUploadedFile("file", content), **form})
        self.assertLess(time.monotonic() - begun, LONGEST_S)
        self.assertLess(reply.status_code, 500, (path, reply.content[:300]))
        return reply

    def held(self) -> tuple[object, ...]:
        return StoredBuild.objects.count(), states_of(self.owner.pk), revision_of(self.owner.pk)

    def test_no_file_breaks_a_reader_or_stores_half(self) -> None:
        before = self.held()
        paths = ("pack/preview", "pack", "list/preview", "list", "machine-report")
        for path in ("/api/builds/import", *(f"/api/catalogue/{path}" for path in paths)):
            for what, body in BODIES.items():
                with self.subTest(what, path=path):
                    self.upload(path, body)
        self.assertEqual(self.held(), before)

    def test_forms_with_odd_mappings_choices_and_currencies(self) -> None:
        rows, pack = "id,price\nmat,5\n", json.dumps({"format": "jungle-parts", "name": "P", "parts": []})
        for mapping in (
            '{"price": 1e400}',
            '{"price": true}',
            '{"price": -1}',
            '{"price": "1"}',
            "[]",
            "[" * 9_000,
            '{"\\ud800": 0}',
        ):
            self.assertEqual(
                self.upload("/api/catalogue/list/preview", rows, mapping=mapping).status_code, 422, mapping
            )
        self.assertEqual(self.upload("/api/catalogue/list", rows, build="XXX").status_code, 422)
        self.assertEqual(self.upload("/api/catalogue/list", rows, build="999999").status_code, 404)
        for choices in ('{"mat": []}', '{"mat": {}}', '"take"', "{" * 9_000):
            self.upload("/api/catalogue/pack", pack, choices=choices)

    def file_with(self, change: Any) -> bytes:
        document = json.loads(file_text())
        change(document)
        return json.dumps(document).encode()

    def test_sizes_without_bounds_are_refused_by_their_place(self) -> None:
        cases = {
            "parts.0.tile_side_m": 123456789012345.0,
            "build.room.width_m": 1e308,
            "build.layout.ball_x_m": -1e9,
            "build.brief.horizon_years": 10**15,
            "build.name": "x" * 121,
        }
        for place, value in cases.items():
            steps = place.split(".")

            def change(document: Any, steps: list[str] = steps, value: object = value) -> None:
                for step in steps[:-1]:
                    document = document[int(step) if step.isdigit() else step]
                document[steps[-1]] = value

            reply = self.upload("/api/builds/import", self.file_with(change))
            self.assertEqual(reply.status_code, 422, place)
            self.assertIn(place, [error["field"] for error in reply.json()["errors"]])
        self.assertEqual(StoredBuild.objects.count(), 1)

    def test_strips_borders_and_edges_that_cannot_be(self) -> None:
        for id, field, value in (
            ("mat", "strip_width_m", "-0.4"), ("mat", "thickness_m", "0"), ("screen", "border_m", "1e308"),
            ("screen", "border_m", "1.4"), ("projector", "throw_min", "0"),
            ("projector", "native_contrast", DIGITS[:40]),
            ("screen", "width_m", DIGITS + "'"), ("screen", "width_m", "true"),
        ):  # fmt: skip
            with self.subTest(f"{id}.{field} = {value[:20]}"):
                body = {"revision": self.revision(id), "facts": {field: value}}
                reply = self.client.patch(f"/api/catalogue/parts/{id}", body, content_type=JSON)
                self.assertEqual(reply.status_code, 422, reply.content[:300])

    def revision(self, part_id: str) -> int:
        return int(self.client.get(f"/api/catalogue/parts/{part_id}").json()["revision"])

    def test_a_list_with_a_name_that_is_too_long_says_so_in_its_row(self) -> None:
        rows = f"maker,name,kind,price\nM,{'x' * 300},tool,5\nM,Saw,tool,7\n"
        preview = self.upload("/api/catalogue/list/preview", rows).json()
        self.assertIn("1 to 120 characters", preview["rows"][0]["problem"])
        self.assertEqual(self.upload("/api/catalogue/list", rows).json(), {"prices": 0, "added": 1})

    def test_names_with_control_characters_do_not_reach_a_drawing(self) -> None:
        for name in ("a\u0000b", "a\u0001b", "a\u202eb", "two\nlines"):
            self.assertEqual(self.send("patch", "/players/ada", name=name).status_code, 422, repr(name))
        self.assertEqual(self.send("patch", "/players/ada", name="<b>&\"'").status_code, 200)
        self.assertIn(b"&lt;b&gt;", self.client.get(self.url("/drawing.svg")).content)

    def test_a_build_that_would_take_too_long_is_refused_with_the_bound_that_it_breaks(self) -> None:
        def crowd(document: Any) -> None:
            player = document["build"]["brief"]["players"][0]
            document["build"]["brief"]["players"] = [{**player, "id": f"p{n}", "name": f"P{n}"} for n in range(24)]
            thing = {"kind": "other", "x_m": 1, "y_m": 1, "z_m": 2, "width_m": 0.1, "length_m": 0.1, "height_m": 0.1}
            things = [{**thing, "id": f"t{n}", "name": f"T{n}", "fixed_to": "wall"} for n in range(60)]
            document["build"]["room"]["things"] = things

        reply = self.upload("/api/builds/import", self.file_with(crowd))
        self.assertEqual(reply.status_code, 422)
        self.assertIn("players times things", reply.json()["errors"][0]["accepted"])

    def test_the_same_new_part_twice_at_once_is_two(self) -> None:
        body = {"kind": "tool", "facts": {"maker": "M", "name": "Saw"}}
        made = [
            self.client.post("/api/catalogue/parts", body, content_type=JSON).json()["part"]["part"] for _ in range(2)
        ]
        self.assertEqual(len(set(made)), 2)

    def test_a_part_named_in_any_script_can_be_taken_out_again(self) -> None:
        body = {"kind": "tool", "facts": {"maker": "工房", "name": "鋸"}}
        made = self.client.post("/api/catalogue/parts", body, content_type=JSON).json()["part"]["part"]
        self.assertNotEqual(made, "part")
        self.assertEqual(self.client.delete(f"/api/catalogue/parts/{made}").status_code, 204)

    def test_a_part_whose_id_is_a_word_of_the_document_can_be_taken_out(self) -> None:
        pack = json.dumps(
            {"format": "jungle-parts", "name": "P", "parts": [{**worlds.mat().model_dump(mode="json"), "id": "driver"}]}
        )
        self.assertEqual(self.upload("/api/catalogue/pack", pack).json()["take"], 1)
        self.assertEqual(self.client.delete("/api/catalogue/parts/driver").status_code, 204)
