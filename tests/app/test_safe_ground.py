"""What is stored can always be shown: edits that used to store what could not be, and catalogues under builds."""

import json
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from typing import Any
from unittest.mock import patch

from django.core.files.uploadedfile import SimpleUploadedFile
from django.db import transaction
from django.utils.timezone import localdate

from core.formats.mending import mended_document
from core.formats.versions import CURRENT, upgraded_part
from core.model.build import Build, CandidateRoom, Extra, Slot
from core.model.parts import SHEET
from core.model.room import Room
from core.report import evaluate
from core.report.shortlist import MOST_SWAPPED
from jungle.builds import judging
from jungle.builds.models import BuildPart, Edit, StoredBuild
from jungle.builds.services import parts
from jungle.builds.services.builds import start_build
from jungle.catalogue.entries import clear_unused_sheets
from jungle.catalogue.models import Entry, Sheet, SheetQuerySet
from tests.app.test_catalogue import CatalogueTestCase, pack, upload
from tests.app.worlds import ApiTestCase, adopt_parts, person, sheets_of
from tests.core import worlds

JSON = "application/json"


@contextmanager
def undone() -> Iterator[None]:
    """Nothing of what is done within stays."""
    point = transaction.savepoint()
    try:
        yield
    finally:
        transaction.savepoint_rollback(point)


class AcceptedEditTests(ApiTestCase):
    def opened(self) -> Any:
        """Everything of the build, and the list of builds."""
        for path in ("", "/drawing.svg", "/file", "/chain/mat"):
            self.assertEqual(self.client.get(self.url(path)).status_code, 200, path)
        self.assertTrue(self.rooms()["options"])
        (listed,) = self.client.get("/api/builds").json()
        self.assertEqual(listed["unreadable"], "")

    def made(self, *edits: tuple[str, str, dict[str, Any]]) -> list[int]:
        statuses = []
        for method, path, body in edits:
            reply = self.send(method, path, **body)
            self.assertIn(reply.status_code, (200, 422), reply.content[:300])
            statuses.append(reply.status_code)
            self.opened()
        return statuses

    def test_a_door_then_a_narrower_room_then_the_screen_on_another_wall(self) -> None:
        self.made(
            ("post", "/contents/openings", {"kind": "door"}),
            ("patch", "/contents/openings/door", {"along_m": 3.6}),
            ("patch", "/room", {"width_m": 2}),
            *[("post", "/rooms/screen", {"quarters": 1})] * 4,
        )

    def test_a_socket_and_a_window_beyond_a_shortened_wall(self) -> None:
        self.made(
            ("post", "/contents/sockets", {"kind": "socket"}),
            ("patch", "/contents/sockets/socket", {"along_m": 5}),
            ("post", "/contents/openings", {"kind": "window"}),
            ("patch", "/room", {"length_m": 1.5}),
            *[("post", "/rooms/screen", {"quarters": 3})] * 4,
        )

    def test_a_long_room_turned_and_joists_turned(self) -> None:
        statuses = self.made(
            ("patch", "/room", {"length_m": 55}),
            ("post", "/rooms/screen", {"quarters": 1}),
            ("put", "/joists", {"along": True, "first_m": 5, "spacing_m": 0.6}),
            ("patch", "/room", {"width_m": 1.2}),
            *[("post", "/rooms/screen", {"quarters": 1})] * 4,
        )
        self.assertEqual(statuses, [200] * len(statuses))

    def test_one_more_than_a_build_can_hold_is_refused_and_said(self) -> None:
        full = self.build.design.model_copy(
            update={
                "candidates": tuple(CandidateRoom(id=f"room-{n}", room=Room(), layout={}) for n in range(12)),
                "extras": tuple(Extra(id=f"extra-{n}", part="mat") for n in range(100)),
                "brief": self.build.design.brief.model_copy(
                    update={
                        "players": tuple(
                            self.build.design.brief.players[0].model_copy(update={"id": f"p-{n}"}) for n in range(24)
                        )
                    }
                ),
            }
        )
        text = Build.model_validate(full.model_dump()).model_dump_json()
        StoredBuild.objects.filter(pk=self.build.pk).update(document=text)
        more: dict[str, dict[str, Any]] = {"/rooms": {"name": "One more"}, "/extras": {"part": "mat"}, "/players": {}}
        for path, body in more.items():
            reply = self.send("post", path, **body)
            self.assertEqual(reply.status_code, 422, path)
            self.assertIn("at most", reply.json()["errors"][0]["accepted"])
        self.opened()

    def test_an_edit_that_cannot_be_shown_is_not_stored(self) -> None:
        before = self.build.revision
        with (
            patch.object(judging, "evaluate", side_effect=ZeroDivisionError("a border of half the screen")),
            self.assertLogs("jungle.builds.judging", "ERROR"),
        ):
            reply = self.send("patch", "/room", width_m=5)
        self.assertEqual(reply.status_code, 422)
        self.assertIn("nothing was changed", reply.json()["message"])
        self.build.refresh_from_db()
        self.assertEqual((self.build.revision, Edit.objects.filter(build=self.build).count()), (before, 1))

    def test_two_players_of_one_name_are_two(self) -> None:
        self.send("patch", "/players/lin", name="Ada")
        reply = self.client.get(self.url()).json()
        told = [(v["subject"], v["subject_id"]) for v in reply["report"]["verdicts"] if v["id"] == "swing.ceiling"]
        self.assertEqual(told, [("Ada", "ada"), ("Ada", "lin")])
        workings = [self.client.get(self.url(f"/verdicts/swing.ceiling?subject={id}")).content for _, id in told]
        self.assertEqual(len(set(workings)), 2, "each is shown their own")
        rooms = self.rooms()
        reaches = rooms["options"][0]["allowance"]["reaches"]
        self.assertEqual([reach["id"] for reach in reaches], ["ada", "lin"])


class UnreadableTests(ApiTestCase):
    """Something unreadable is there all the same: it says so, hides nothing, goes back, and can be deleted."""

    def setUp(self) -> None:
        super().setUp()
        self.send("patch", "/room", width_m=5)
        self.other = self.client.post("/api/builds", {"name": "Other"}, JSON).json()["id"]

    def listed(self) -> dict[int, Any]:
        return {build["id"]: build for build in self.client.get("/api/builds").json()}

    def damage(self, **fields: object) -> None:
        StoredBuild.objects.filter(pk=self.build.pk).update(**fields)

    def test_a_document_that_cannot_be_read(self) -> None:
        for document, version in (('{"name": "Test", "room": {"width_m": -3}}', CURRENT), ("{", CURRENT), ("{}", 99)):
            with self.subTest(document, version=version):
                self.damage(document=document, version=version)
                builds = self.listed()
                self.assertIn("cannot be read", builds[self.build.pk]["unreadable"])
                self.assertEqual(builds[self.build.pk]["as_of"], f"{localdate()}", "its last good state")
                self.assertEqual(builds[self.other]["unreadable"], "")
                opened = self.client.get(self.url())
                self.assertEqual((opened.status_code, opened.json()["id"]), (422, self.build.pk))
                self.assertIsNone(self.rooms())
                self.assertEqual(self.client.get(self.url("/rooms/compared")).json()["job"]["state"], "failed")
                self.assertEqual(self.send("patch", "/room", width_m=4).status_code, 422)
        self.assertEqual(self.send("post", "/undo").json()["build"]["room"]["width_m"], 4.6)

    def test_one_whose_newest_states_cannot_be_read_goes_back_to_the_newest_that_can(self) -> None:
        self.send("patch", "/room", width_m=6)
        Edit.objects.filter(build=self.build, number=1).update(document="{", difference="")
        self.damage(document="{")
        self.assertEqual(self.send("post", "/undo").json()["build"]["room"]["width_m"], 4.6)

    def test_one_whose_state_before_cannot_be_shown_goes_further_back(self) -> None:
        self.send("patch", "/room", width_m=6)
        real = evaluate

        def fails_at_five(build: Build, *rest: Any, **named: Any) -> Any:
            if build.room.width_m == 5:
                raise ZeroDivisionError
            return real(build, *rest, **named)

        with (
            patch.object(judging, "evaluate", side_effect=fails_at_five),
            self.assertLogs("jungle.builds.judging", "ERROR"),
        ):
            self.assertEqual(self.send("post", "/undo").json()["build"]["room"]["width_m"], 4.6)

    def test_a_part_that_is_gone(self) -> None:
        Entry.objects.filter(owner=self.owner, part_id="screen").delete()
        self.assertIn("'screen'", self.listed()[self.build.pk]["unreadable"])
        self.assertEqual(self.client.get(self.url()).status_code, 422)
        reply = self.send("post", "/undo")
        self.assertEqual(reply.status_code, 200, reply.content[:300])
        self.assertEqual(reply.json()["parts"]["screen"]["name"], "Square", "it came back with the undo")

    def test_it_can_be_deleted(self) -> None:
        self.damage(document="{")
        self.assertEqual(self.client.delete(self.url()).status_code, 204)
        self.assertEqual(list(self.listed()), [self.other])

    def test_an_unreadable_sheet_hides_only_itself(self) -> None:
        Sheet.objects.filter(pk=Entry.objects.get(owner=self.owner, part_id="mat").sheet_id).update(
            document='{"kind": "mat"}'
        )
        with (
            patch.dict("jungle.catalogue.kept._kept", clear=True),
            patch.dict("jungle.builds.judging._kept", clear=True),
            self.assertLogs("jungle.catalogue.kept", "ERROR"),
        ):
            self.assertEqual(self.client.get("/api/catalogue/parts").status_code, 200)
            self.assertEqual(self.client.get("/api/builds").status_code, 200)
            self.assertEqual(self.client.get(self.url()).status_code, 422)


class CatalogueUnderBuildsTests(CatalogueTestCase):
    """Whatever changes a catalogue looks at the builds that it touches: refuses by name, or brings them along."""

    def setUp(self) -> None:
        super().setUp()
        self.send("patch", "/chain/title", plan=sheets_of(self.owner)["title"].plans[0].id)  # type: ignore[attr-defined]

    def ways_to_lose(self) -> dict[str, Callable[[str], Any]]:
        other_kind = pack(worlds.mat(id="title", name="No title"))
        return {
            "plans out by the form": lambda along: self.call(
                "patch", "/parts/title", facts={}, rows={"plans": []}, bring_along=along == "true"
            ),
            "another kind under its id": lambda along: self.client.post(
                "/api/catalogue/pack",
                {"file": upload(other_kind), "choices": '{"title": "take"}', "bring_along": along},
            ),
            "a newer pack without its plan": lambda along: self.client.post(
                "/api/catalogue/pack",
                {"file": upload(pack(worlds.title(plans=()))), "choices": "{}", "bring_along": along},
            ),
            "taken out": lambda along: self.remove("title", f"?bring_along={along}"),
        }

    def test_each_refuses_by_name_and_changes_nothing(self) -> None:
        before = sheets_of(self.owner), self.client.get(self.url()).content
        for what, way in self.ways_to_lose().items():
            with self.subTest(what):
                refused = way("false")
                self.assertEqual(refused.status_code, 409, refused.content[:300])
                (loss,) = refused.json()["builds"]
                self.assertEqual(loss["build"], "Test")
                self.assertIn("title", loss["what"][0])
                self.assertEqual((sheets_of(self.owner), self.client.get(self.url()).content), before)

    def test_each_brings_the_build_along_and_both_can_go_back(self) -> None:
        for what, way in self.ways_to_lose().items():
            with self.subTest(what), undone():
                before = self.client.get(self.url()).json()
                self.assertLess(way("true").status_code, 300)
                after = self.client.get(self.url()).json()
                self.assertIn("Went on without", after["undo"])
                self.assertEqual(self.client.get("/api/builds").json()[0]["unreadable"], "")
                back = self.send("post", "/undo")
                self.assertEqual(back.status_code, 200, back.content[:300])
                hung = back.json()["build"]["chain"]["title"]
                self.assertEqual(hung["plan"], before["build"]["chain"]["title"]["plan"])
                self.assertEqual(back.json()["parts"]["title"]["name"], before["parts"]["title"]["name"])

    def test_undoing_an_added_plan_that_a_build_took(self) -> None:
        plans = [{"name": "Old", "id": self.build.design.chain[Slot.TITLE].plan or "x"}, {"name": "New"}]
        self.call("patch", "/parts/title", facts={}, rows={"plans": plans}, bring_along=True)
        added = sheets_of(self.owner)["title"].plans[-1].id  # type: ignore[attr-defined]
        self.assertEqual(self.send("patch", "/chain/title", plan=added).status_code, 200)
        for path in ("/undo", "/parts/title/restore"):
            self.assertEqual(self.call("post", path).status_code, 409, path)
        self.assertEqual(self.call("post", "/undo", bring_along=True).status_code, 200)
        self.assertIsNone(self.client.get(self.url()).json()["build"]["chain"]["title"]["plan"])

    def test_a_changed_fact_shows_in_the_list_at_once(self) -> None:
        before = self.client.get("/api/builds").json()[0]["up_front"]
        self.call("patch", "/parts/screen", facts={"price_minor": "9999"})
        self.build.refresh_from_db()
        self.assertNotEqual(self.client.get("/api/builds").json()[0]["up_front"], before)
        tie = BuildPart.objects.get(build=self.build, part_id="screen", current=True)
        self.assertEqual(tie.sheet_id, Entry.objects.get(owner=self.owner, part_id="screen").sheet_id)

    def test_a_part_that_is_hung_between_the_look_and_the_change_is_not_taken_out(self) -> None:
        adopt_parts(self.owner.pk, [worlds.mat(id="spare")])
        looked = parts._judged

        def then_hang(*asked: Any) -> Any:
            found = looked(*asked)
            if not found:
                self.assertEqual(self.send("put", "/chain/mat", part="spare").status_code, 200)
            return found

        with patch.object(parts, "_judged", side_effect=then_hang):
            self.assertEqual(self.remove("spare").status_code, 409)
        self.assertEqual(self.client.get(self.url()).json()["build"]["chain"]["mat"]["part"], "spare")

    def test_of_many_builds_the_further_ones_are_looked_up_and_judged_by_the_list(self) -> None:
        for name in ("Second", "Third"):
            start_build(self.owner, worlds.full_build().model_copy(update={"name": name}))
        self.client.get("/api/builds")
        with patch.object(parts, "MOST_BUILDS_JUDGED", 1):
            self.call("patch", "/parts/screen", facts={"price_minor": "9999"})
            days = list(StoredBuild.objects.order_by("pk").values_list("summary__day", flat=True))
            self.assertEqual(days.count(None), 2)
            self.assertEqual(self.remove("screen").status_code, 409, "none of them is overlooked")
        told = {build["up_front"] for build in self.client.get("/api/builds").json()}
        self.assertEqual(len(told), 1, "all of them know the new price")
        self.assertNotIn(None, StoredBuild.objects.values_list("summary__day", flat=True))

    def test_two_facts_of_one_part_changed_at_once_are_both_kept(self) -> None:
        revision = self.read("/parts/projector")["revision"]
        first = self.call("patch", "/parts/projector", revision=revision, facts={"lumens": "4100"})
        late = self.call("patch", "/parts/projector", revision=revision, facts={"weight_kg": "7"})
        self.assertEqual((first.status_code, late.status_code), (200, 409))
        current = late.json()["current"]
        self.assertEqual(current["revision"], first.json()["revision"], "told as it is now, to be made again on that")
        again = self.call("patch", "/parts/projector", revision=current["revision"], facts={"weight_kg": "7"})
        self.assertEqual(again.status_code, 200)
        self.assertEqual((self.sheet("projector").lumens, self.sheet("projector").weight_kg), (4100, 7))

    def test_whole_changes_name_the_catalogue_that_they_were_seen_on(self) -> None:
        seen = self.read("/history")["revision"]
        self.call("patch", "/parts/projector", facts={"lumens": "4100"})
        text = pack(worlds.tiles(id="new"))
        form = {"file": upload(text), "choices": "{}", "revision": str(seen)}
        self.assertEqual(self.client.post("/api/catalogue/pack", form).status_code, 409)
        rows = {"file": upload("id,price\nmat,1\n"), "revision": str(seen)}
        self.assertEqual(self.client.post("/api/catalogue/list", rows).status_code, 409)
        self.assertEqual(self.call("post", "/undo", revision=seen).status_code, 409)

    def test_a_sheet_is_one_whoever_has_it_and_goes_when_nobody_has_it(self) -> None:
        other = person("bo")
        self.client.force_login(other)
        self.client.post("/api/catalogue/pack", {"file": upload(pack(worlds.mat()))})
        mine, theirs = (Entry.objects.get(owner=who, part_id="mat").sheet_id for who in (self.owner, other))
        self.assertEqual(mine, theirs)
        self.assertEqual(self.client.get(f"/api/catalogue/parts/{mine}").status_code, 404, "only through an entry")
        self.client.post("/api/catalogue/pack", {"file": upload(pack(worlds.tiles(id="seldom", name="Seldom")))})
        self.client.delete("/api/catalogue/parts/seldom")
        self.assertEqual(clear_unused_sheets(BuildPart.objects.values("sheet_id")), 0, "undo may bring it back")
        other.catalogue_edits.all().delete()
        self.assertEqual(clear_unused_sheets(BuildPart.objects.values("sheet_id")), 1)
        self.assertEqual(self.client.get("/api/catalogue/parts/mat").status_code, 200)


class LittleIsReadTests(ApiTestCase):
    """However large a catalogue and a list are, a request reads what it is about."""

    def setUp(self) -> None:
        super().setUp()
        adopt_parts(self.owner.pk, [worlds.screen(id=f"screen-{n}", name=f"Spare {n}") for n in range(60)])

    def sheets_read(self, ask: Callable[[], Any]) -> int:
        read = SheetQuerySet.read
        digests: set[str] = set()

        def counted(self: SheetQuerySet, wanted: Any) -> Any:
            digests.update(wanted := list(wanted))
            return read(self, wanted)

        with patch.object(SheetQuerySet, "read", counted):
            self.assertLess(ask().status_code, 300)
        return len(digests)

    def test_the_list_of_builds_judges_nothing_anew(self) -> None:
        with patch.object(judging, "evaluate", side_effect=AssertionError):
            self.assertEqual(self.client.get("/api/builds").json()[0]["name"], "Test")

    def test_hanging_reads_what_is_hung(self) -> None:
        self.assertEqual(self.sheets_read(lambda: self.send("put", "/chain/screen", part="screen-7")), 9)

    def test_why_not_reads_the_nearest_in_price(self) -> None:
        path = self.url("/why-not/screen-59")
        self.assertLessEqual(self.sheets_read(lambda: self.client.get(path)), 8 + MOST_SWAPPED + 1)


class HistoryKeptTests(ApiTestCase):
    def test_two_hundred_edits_all_go_back_and_take_little(self) -> None:
        for number in range(200):
            self.assertEqual(self.send("patch", "/room", width_m=4 + number / 100).status_code, 200)
        kept = Edit.objects.filter(build=self.build)
        size = sum(len(edit.document) + len(edit.difference) for edit in kept)
        self.assertEqual(kept.exclude(document="").count(), 1 + 200 // 50)
        self.assertLess(size, 12 * len(self.build.document), "less than twelve whole documents")
        for number in reversed(range(200)):
            undone = self.send("post", "/undo").json()
            self.assertEqual(undone["build"]["room"]["width_m"], round(4 + (number - 1) / 100, 4) if number else 4.6)
        self.assertEqual(self.send("post", "/redo").json()["build"]["room"]["width_m"], 4.0)

    def test_documents_of_the_first_version_are_upgraded_wherever_they_are(self) -> None:
        """In the database and in its history; files are tested with their formats."""
        old = self.build.design.model_dump(mode="json")
        old["brief"]["no_subscriptions"] = True
        del old["brief"]["subscriptions"]
        for rows in (StoredBuild.objects.filter(pk=self.build.pk), Edit.objects.filter(build=self.build)):
            rows.update(document=json.dumps(old), version=1)
        wish = self.client.get(self.url()).json()["build"]["brief"]["subscriptions"]
        self.assertEqual(wish, "rather_not")
        self.assertEqual(self.send("patch", "/room", width_m=5).json()["build"]["brief"]["subscriptions"], "rather_not")
        self.build.refresh_from_db()
        self.assertEqual(self.build.version, CURRENT)
        self.assertEqual(self.send("post", "/undo").json()["build"]["brief"]["subscriptions"], "rather_not")
        for width in (5, 6):
            self.send("patch", "/room", width_m=width)
        widths = [self.send("post", way).json()["build"]["room"]["width_m"] for way in ("/undo", "/undo", "/redo")]
        self.assertEqual(widths, [5, 4.6, 5], "differences are to what the history has, whatever its version")

    def test_a_part_that_came_back_under_another_id_stays_right_along_the_history(self) -> None:
        self.send("patch", "/room", width_m=5)
        self.send("post", "/chain/screen/take-down")
        self.client.delete("/api/catalogue/parts/screen")
        adopt_parts(self.owner.pk, [worlds.mat(id="screen", name="Another of that id")])
        back = self.send("post", "/undo").json()["build"]["chain"]["screen"]["part"]
        self.assertEqual(back, "screen-2")
        self.send("patch", "/room", width_m=6)
        seen = []
        for way in ("/undo", "/undo", "/redo", "/redo", "/undo"):
            build = self.send("post", way).json()["build"]
            seen.append((build["room"]["width_m"], build["chain"]["screen"]["part"]))
        self.assertEqual(seen, [(5, "screen-2"), (4.6, "screen-2"), (5, "screen-2"), (6, "screen-2"), (5, "screen-2")])

    def test_a_part_that_came_back_can_be_taken_down_again(self) -> None:
        self.send("post", "/chain/screen/take-down")
        self.client.delete("/api/catalogue/parts/screen")
        adopt_parts(self.owner.pk, [worlds.mat(id="screen", name="Another of that id")])
        self.send("post", "/undo")
        self.assertNotIn("screen", self.send("post", "/redo").json()["build"]["chain"])
        self.assertEqual(self.send("post", "/undo").json()["build"]["chain"]["screen"]["part"], "screen-2")


class MendingTests(ApiTestCase):
    def test_a_document_from_before_its_bounds_keeps_all_that_is_within_them(self) -> None:
        old = self.build.design.model_dump(mode="json")
        old["room"]["lining_m"] = -4
        old["brief"]["players"][1]["height_m"] = 12
        old["extras"] = [{"id": f"extra-{n}", "part": "mat"} for n in range(101)]
        build, left_out = mended_document(Build.model_validate, old)
        self.assertEqual(build.room, self.build.design.room.model_copy(update={"lining_m": 0.0}))
        self.assertEqual([player.id for player in build.brief.players], ["ada"])
        self.assertEqual(len(build.extras), 100)
        self.assertEqual(
            set(left_out), {"room.lining_m", "brief.players.1.height_m", "brief.players.1", "extras beyond 100"}
        )

    def test_a_sheet_from_before_its_bounds(self) -> None:
        old = {**worlds.mat().model_dump(mode="json"), "strip_width_m": -0.4, "price": {"minor": 5, "currency": "XXX"}}
        sheet, left_out = mended_document(SHEET.validate_python, upgraded_part(old, 1), tagged=True)
        self.assertIsNone(getattr(sheet, "strip_width_m", 0))
        self.assertEqual(set(left_out), {"strip_width_m", "price.currency"})
        self.assertEqual(upgraded_part({"kind": "floor_roll"}, 1), {"kind": "turf"})


class FileOfTheFirstVersionTests(ApiTestCase):
    def test_it_is_read(self) -> None:
        document = {
            "format": "jungle-build",
            "version": 1,
            "build": {"name": "Old", "brief": {"no_subscriptions": True}},
        }
        file = SimpleUploadedFile("build.json", json.dumps(document).encode())
        reply = self.client.post("/api/builds/import", {"file": file})
        self.assertEqual(reply.json()["build"]["brief"]["subscriptions"], "rather_not")
