"""The API: one edit, one request, one report; and what it answers to bad input."""

import json
from typing import Any

from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client, override_settings
from django.utils import timezone

from core.report import evaluate
from jungle.builds.models import StoredBuild
from tests.app.worlds import ApiTestCase, file_text, full_build_of, person
from tests.core import worlds


class ReadingTests(ApiTestCase):
    def test_a_build_comes_with_its_report_and_texts(self) -> None:
        reply = self.client.get(self.url()).json()
        self.assertEqual(reply["texts"]["room.width_m"], "4.60 m")
        self.assertEqual(reply["parts"]["screen"]["name"], "Square")
        self.assertEqual(len(reply["report"]["slots"]), 8)
        self.assertIsNone(reply["undo"])
        verdicts = evaluate(worlds.full_build(), worlds.full_parts(), today=timezone.localdate()).verdicts
        self.assertEqual([v["id"] for v in reply["report"]["verdicts"]], [v.id for v in verdicts])

    def test_workings_say_what_the_other_source_would_make_of_it(self) -> None:
        """Rated 90, 66 needed; another says 60."""
        cited = {"revision": 1, "source": "a sheet", "other": "60 m/s", "other_source": "a shop"}
        path = "/api/catalogue/parts/screen/sources/rated_ball_speed_m_s"
        self.client.put(path, cited, content_type="application/json")
        workings = self.client.get(self.url("/verdicts/screen.rating")).json()
        self.assertEqual(workings["verdict"]["state"], "clear")
        (other,) = workings["others"]
        self.assertEqual((other["source"], other["state"], other["margin"]), ("a shop", "blocked", "6.0 m/s short"))
        self.assertEqual(self.client.get(self.url("/verdicts/screen.room")).json()["others"], [])

    def test_the_list_tells_what_is_in_the_way(self) -> None:
        self.send("patch", "/room", ceiling_m="2.3")
        (summary,) = self.client.get("/api/builds").json()
        self.assertGreater(summary["blocked"], 0)
        self.assertEqual(summary["state"], "blocked")
        self.assertEqual(summary["up_front"], "€4,950.00")

    def test_a_place_whose_price_is_not_known_does_not_say_nothing(self) -> None:
        reply = self.send("patch", "/brief", currency="USD", up_front_cap_minor="10000", yearly_cap_minor="300").json()
        amounts = {status["slot"]: status["up_front"] for status in reply["report"]["slots"]}
        self.assertEqual(amounts["mat"], "price not known")
        self.assertEqual(reply["report"]["costs"]["missing_rates"], ["EUR"])
        costs = reply["report"]["costs"]
        self.assertEqual((costs["up_front"]["unpriced"], costs["yearly"]["unpriced"]), (9, 1), "8 parts, 1 paid plan")
        self.assertEqual(reply["report"]["costs"]["up_front"]["cap"]["text"], "$10,000.00", "a cap is a cap")

    def test_the_money_line_reaches_to_the_larger_of_cap_and_need(self) -> None:
        """4950 and 495 kept back, cap 5000: the line is 5445 long and the cap stands at 5000 / 5445."""
        up_front = self.send("patch", "/brief", up_front_cap_minor="5000").json()["report"]["costs"]["up_front"]
        self.assertAlmostEqual(up_front["cap_share"], 5000 / 5445)
        self.assertAlmostEqual(up_front["total_share"] + up_front["contingency_share"], 1.0)
        self.assertEqual((up_front["left"]["text"], up_front["state"]), ("€50.00", "tight"))

    def test_units_switch_for_the_reader_alone(self) -> None:
        self.client.patch("/api/session", {"units": "imperial"}, content_type="application/json")
        reply = self.client.get(self.url()).json()
        self.assertEqual(reply["texts"]["room.width_m"], "15 ft 1⅛ in")
        self.assertEqual(reply["build"]["room"]["width_m"], 4.6)
        self.assertEqual(self.client.get("/api/session").json()["units"], "imperial")

    def test_a_verdict_opens_into_its_workings(self) -> None:
        workings = self.client.get(self.url("/verdicts/swing.ceiling?subject=ada")).json()
        self.assertEqual(workings["verdict"]["subject"], "Ada")
        self.assertEqual(workings["margin"], "292 mm")
        self.assertIn("Cocked radius r", [row["name"] for row in workings["inputs"]])
        self.assertIn("stays under the ceiling", workings["manual"])
        self.assertEqual(self.client.get(self.url("/verdicts/swing.ceiling?subject=zoe")).status_code, 404)
        self.assertEqual(self.client.get(self.url("/verdicts/no.such")).status_code, 404)

    def test_the_file_is_offered_for_download(self) -> None:
        reply = self.client.get(self.url("/file"))
        self.assertIn("attachment", reply["Content-Disposition"])
        self.assertEqual(json.loads(reply.content)["format"], "jungle-build")


class EditTests(ApiTestCase):
    def test_each_edit_answers_with_the_new_report(self) -> None:
        for method, path, body, look in (
            ("patch", "/room", {"width_m": "5.1"}, lambda b: b["room"]["width_m"] == 5.1),
            ("patch", "/layout", {"ball_x_m": 2.5}, lambda b: b["layout"]["ball_x_m"] == 2.5),
            ("patch", "/brief", {"yearly_cap_minor": "500"}, lambda b: b["brief"]["yearly_cap_minor"] == 50_000),
            ("patch", "/brief", {"may_drill": False}, lambda b: not b["brief"]["may_drill"]),
            ("post", "/players", {"name": "Zoe"}, lambda b: len(b["brief"]["players"]) == 3),
            ("patch", "/players/ada", {"early_release": True}, lambda b: b["brief"]["players"][0]["early_release"]),
            (
                "put",
                "/players/ada/reaches/driver",
                {"height_m": "2.6"},
                lambda b: b["brief"]["players"][0]["measured_reaches"][0]["height_m"] == 2.6,
            ),
            (
                "post",
                "/players/ada/reaches/driver/withdraw",
                {},
                lambda b: not b["brief"]["players"][0]["measured_reaches"],
            ),
            (
                "patch",
                "/room",
                {"ceiling_shape": "ridge_along", "ridge_m": "3.8"},
                lambda b: b["room"]["ridge_m"] == 3.8,
            ),
            ("post", "/players/lin/remove", {}, lambda b: len(b["brief"]["players"]) == 2),
            ("patch", "/chain/mat", {"owned": True}, lambda b: b["chain"]["mat"]["owned"]),
            ("post", "/chain/mat/take-down", {}, lambda b: "mat" not in b["chain"]),
            ("put", "/chain/mat", {"part": "mat"}, lambda b: b["chain"]["mat"]["part"] == "mat"),
            ("patch", "", {"name": "Barn"}, lambda b: b["name"] == "Barn"),
        ):
            with self.subTest(path):
                before = self.build.revision
                reply = self.send(method, path, **body)
                self.assertEqual(reply.status_code, 200, reply.content)
                self.assertTrue(look(reply.json()["build"]))
                self.assertGreater(reply.json()["revision"], before)
        undone = self.send("post", "/undo").json()
        self.assertNotEqual(undone["build"]["name"], "Barn")
        self.assertEqual(undone["redo"], "Renamed to Barn")
        self.assertEqual(self.send("post", "/redo").json()["build"]["name"], "Barn")

    def test_a_preview_stores_nothing(self) -> None:
        reply = self.send("post", "/drag/preview", view="floor", target="ball", u=5.5, v=2.3, number=7)
        self.assertEqual(reply.json()["number"], 7)
        self.assertEqual((reply.json()["revision"], reply.json()["texts"]), (0, {"layout.ball_y_m": "5.50 m"}))
        different = reply.json()["report"]["verdicts"]["at"].values()
        states = {v["id"]: v["state"] for v in different if v["subject"] == "Ada"}
        self.assertEqual(states["swing.rear_wall"], "tight")
        self.assertNotIn("title.courses", states, "no ball moves it")
        self.build.refresh_from_db()
        self.assertEqual((self.build.revision, self.build.design.layout.ball_y_m), (0, 3.5))

    def test_alternatives_of_a_place(self) -> None:
        reply = self.client.get(self.url("/chain/machine")).json()
        self.assertEqual([candidate["part"] for candidate in reply["candidates"]], ["computer"])
        self.assertTrue(reply["candidates"][0]["hangs_now"])

    def test_a_build_begins_and_ends(self) -> None:
        begun = self.client.post("/api/builds", {"name": "Attic"}, content_type="application/json")
        self.assertEqual(begun.status_code, 201)
        self.assertEqual(begun.json()["build"]["room"]["guessed"], ["width_m", "length_m", "ceiling_m"])
        self.assertEqual(self.client.delete(f"/api/builds/{begun.json()['id']}").status_code, 204)
        self.assertEqual(StoredBuild.objects.visible_to(self.owner.pk).count(), 1)


class ConflictTests(ApiTestCase):
    def test_the_second_window_is_told_and_shown_the_newer_build(self) -> None:
        self.send("patch", "/room", width_m="5")
        late = self.send("patch", "/room", revision=0, width_m="6")
        self.assertEqual(late.status_code, 409)
        self.assertEqual(late.json()["message"], "This build was changed in another window.")
        self.assertEqual(late.json()["current"]["build"]["room"]["width_m"], 5.0)
        self.build.refresh_from_db()
        self.assertEqual(self.build.design.room.width_m, 5.0)

    def test_an_edit_that_is_sent_again_is_no_conflict_with_itself(self) -> None:
        """Its answer was lost, and another window may have made an edit since: it is in, and is not made twice."""
        first = self.send("post", "/players", revision=0, key="a")
        self.send("patch", "/room", revision=1, width_m="5", key="b")
        again = self.send("post", "/players", revision=0, key="a")
        self.assertEqual((again.status_code, again.json()["revision"]), (200, 2))
        self.assertEqual(len(again.json()["build"]["brief"]["players"]), len(first.json()["build"]["brief"]["players"]))
        other = self.send("post", "/players", revision=0, key="c")
        self.assertEqual(other.status_code, 409)
        undone = self.send("post", "/undo", revision=2, key="d")
        self.assertEqual(self.send("post", "/undo", revision=2, key="d").json()["revision"], undone.json()["revision"])

    def test_conditions_that_are_new_get_their_ids_here(self) -> None:
        asked = [{"text": "The car fits"}, {"text": "Quiet after nine"}]
        kept = self.send("patch", "/brief", conditions=asked).json()["build"]["brief"]["conditions"]
        self.assertEqual([one["id"] for one in kept], ["condition", "condition-2"])
        more = [kept[1], {"text": "The door opens"}]
        again = self.send("patch", "/brief", conditions=more).json()["build"]["brief"]["conditions"]
        self.assertEqual([(one["id"], one["text"]) for one in again][1], ("condition", "The door opens"))


class BadInputTests(ApiTestCase):
    def refused(self, method: str, path: str, **body: Any) -> list[dict[str, str]]:
        reply = self.send(method, path, **body)
        self.assertEqual(reply.status_code, 422, reply.content)
        self.assertTrue(reply.json()["message"])
        self.build.refresh_from_db()
        self.assertEqual(self.build.revision, 0)
        errors: list[dict[str, str]] = reply.json()["errors"]
        return errors

    def test_field_value_and_what_is_accepted(self) -> None:
        for method, path, body, field, value, accepted in (
            ("patch", "/room", {"width_m": "wide"}, "width_m", "wide", "a length such as"),
            ("patch", "/room", {"width_m": "90"}, "width_m", "90", "at most 60.00 m"),
            ("patch", "/room", {"ridge_m": "1.2"}, "", "", "ridge_m must not be lower than ceiling_m"),
            ("patch", "/room", {"light": "neon"}, "light", "neon", "lamp_on_ball"),
            ("patch", "/layout", {"ball_x_m": "-2"}, "ball_x_m", "-2", "at least 0 mm"),
            ("patch", "/brief", {"horizon_years": 90}, "horizon_years", "90", "less than or equal to 30"),
            ("patch", "/brief", {"currency": "XXX"}, "currency", "XXX", "currency 'XXX' is not known"),
            ("patch", "/brief", {"contingency_share": "250"}, "contingency_share", "250", "at most 100 %"),
            ("patch", "/players/ada", {"height_m": "12"}, "height_m", "12", "at most 2.30 m"),
            ("patch", "/money/lines/mat/mat", {"quote_minor": "cheap"}, "quote_minor", "cheap", "an amount such as"),
            ("patch", "/chain/title", {"plan": "gold"}, "chain.title", "", "has no plan 'gold'"),
            ("patch", "/room", {"colour": "red"}, "colour", "red", "Extra inputs"),
            ("patch", "", {"name": ""}, "name", "", "must not be empty"),
        ):
            with self.subTest(body=body):
                (error,) = self.refused(method, path, **body)
                self.assertEqual(error["field"], field)
                self.assertIn(value, error["value"])
                self.assertIn(accepted, error["accepted"])

    def test_what_is_not_there(self) -> None:
        for method, path, body in (
            ("patch", "/players/ghost", {"name": "X"}),
            ("put", "/chain/mat", {"part": "ghost"}),
            ("post", "/undo", {}),
        ):
            self.assertEqual(self.send(method, path, **dict[str, Any](body)).status_code, 404)
        self.assertEqual(self.client.get("/api/builds/99999").status_code, 404)
        self.assertEqual(self.client.get(self.url("/chain/nowhere")).status_code, 422)

    def test_a_bad_file_lists_its_errors_by_place(self) -> None:
        document = json.loads(file_text())
        document["build"]["room"]["width_m"] = -3
        document["parts"][5]["lumens"] = "bright"
        upload = SimpleUploadedFile("build.json", json.dumps(document).encode())
        reply = self.client.post("/api/builds/import", {"file": upload})
        self.assertEqual(reply.status_code, 422)
        self.assertEqual([e["field"] for e in reply.json()["errors"]], ["build.room.width_m", "parts.5.lumens"])
        self.assertEqual(StoredBuild.objects.count(), 1)

    def test_a_good_file_is_a_new_build(self) -> None:
        upload = SimpleUploadedFile("build.json", file_text())
        self.assertEqual(self.client.post("/api/builds/import", {"file": upload}).status_code, 201)
        self.assertEqual(StoredBuild.objects.count(), 2)

    def test_bytes_that_are_no_text(self) -> None:
        upload = SimpleUploadedFile("build.json", b"\xff\xfe\x00")
        self.assertEqual(self.client.post("/api/builds/import", {"file": upload}).status_code, 422)


class PermissionTests(ApiTestCase):
    def test_nobody_sees_or_changes_builds_of_somebody_else(self) -> None:
        stranger = Client()
        stranger.force_login(person("mallory"))
        self.assertEqual(stranger.get("/api/builds").json(), [])
        for method, path in (
            ("get", ""), ("get", "/file"), ("get", "/chain/mat"), ("delete", ""), ("patch", "/room"),
            ("post", "/undo"), ("post", "/drag/preview"), ("post", "/drag"), ("put", "/chain/mat"),
        ):  # fmt: skip
            body: dict[str, Any] = {"part": "mat"} if method == "put" else {}
            if path.startswith("/drag"):
                body = {"view": "floor", "target": "ball", "u": 3, "v": 2}
            with self.subTest(method=method, path=path):
                self.assertEqual(self.send(method, path, stranger, **body).status_code, 404)
        self.assertTrue(StoredBuild.objects.filter(pk=self.build.pk, revision=0).exists())

    def test_parts_of_somebody_else_cannot_be_hung(self) -> None:
        mallory = person("mallory")
        other = full_build_of(mallory)
        other.owner.entries.filter(part_id="mat").delete()
        client = Client()
        client.force_login(mallory)
        reply = client.put(
            f"/api/builds/{other.pk}/chain/mat", {"revision": 0, "part": "mat"}, content_type="application/json"
        )
        self.assertEqual(reply.status_code, 404)

    @override_settings(LOCAL=False)
    def test_nobody_signed_in_gets_nothing(self) -> None:
        nobody = Client()
        for path in ("/api/builds", "/api/session", self.url(), self.url("/file")):
            self.assertEqual(nobody.get(path).status_code, 401)
        self.assertRedirects(nobody.get("/builds/1/room"), "/sign-in?next=/builds/1/room")

    def test_a_change_without_the_token_is_refused(self) -> None:
        strict = Client(enforce_csrf_checks=True)
        strict.force_login(self.owner)
        self.assertEqual(self.send("patch", "/room", strict, width_m="5").status_code, 403)


class FrontTests(ApiTestCase):
    def test_the_view_toward_the_screen_is_asked_for(self) -> None:
        scene = self.client.get(f"/api/builds/{self.build.pk}/drawing/front").json()
        self.assertEqual({shape["view"] for shape in scene["shapes"]}, {"front"})
        self.assertEqual(scene["length_m"], self.build.design.room.width_m)
        self.assertEqual(self.client.get("/api/builds/999999/drawing/front").status_code, 404)
