"""Two at once, for every pair of operations on the same rows: nothing acknowledged is lost, all can be shown."""

import threading
from collections.abc import Callable
from itertools import combinations_with_replacement
from typing import Any

from django.core.files.uploadedfile import SimpleUploadedFile
from django.db import connections
from django.test import Client, TransactionTestCase, override_settings

from core.formats.build_file import write_build_file
from jungle.builds.models import Edit, StoredBuild
from jungle.builds.services.builds import build_file
from jungle.catalogue.entries import revision_of
from jungle.catalogue.models import Entry
from tests.app.test_catalogue import pack
from tests.app.worlds import adopt_parts, full_build_of, person, sheets_of
from tests.core import worlds

JSON = "application/json"
Act = Callable[["RaceTests", Client], Any]


def _edit(method: str, path: str, **body: Any) -> Act:
    def act(test: "RaceTests", client: Client) -> Any:
        sent = {"revision": test.revision, **body}
        return getattr(client, method)(f"/api/builds/{test.build.pk}{path}", sent, content_type=JSON)

    return act


def _part(method: str, path: str, **body: Any) -> Act:
    def act(test: "RaceTests", client: Client) -> Any:
        return getattr(client, method)(
            f"/api/catalogue/parts/{path}", {"revision": test.part_revision, **body}, content_type=JSON
        )

    return act


def _take_out(test: "RaceTests", client: Client) -> Any:
    return client.delete("/api/catalogue/parts/spare")


def _pack(test: "RaceTests", client: Client) -> Any:
    file = SimpleUploadedFile("pack.json", pack(worlds.mat(id="spare", name="From a pack")).encode())
    return client.post("/api/catalogue/pack", {"file": file, "choices": '{"spare": "take"}'})


def _list(test: "RaceTests", client: Client) -> Any:
    return client.post("/api/catalogue/list", {"file": SimpleUploadedFile("list.csv", b"id,price\nspare,77\n")})


def _undo_catalogue(test: "RaceTests", client: Client) -> Any:
    return client.post("/api/catalogue/undo", {"revision": test.catalogue_revision}, JSON)


def _import(test: "RaceTests", client: Client) -> Any:
    return client.post("/api/builds/import", {"file": SimpleUploadedFile("build.json", test.file)})


def _delete(test: "RaceTests", client: Client) -> Any:
    return client.delete(f"/api/builds/{test.build.pk}")


ACTS: dict[str, Act] = {
    "measure": _edit("patch", "/room", width_m=5.5),
    "answer": _edit("patch", "/brief", visitors=True),
    "hang the spare": _edit("put", "/chain/mat", part="spare"),
    "undo": _edit("post", "/undo"),
    "delete": _delete,
    "a fact": _part("patch", "spare", facts={"note": "measured"}),
    "another fact": _part("patch", "spare", facts={"thickness_m": "0.031"}),
    "restore": _part("post", "spare/restore"),
    "take out": _take_out,
    "pack": _pack,
    "list": _list,
    "undo in the catalogue": _undo_catalogue,
    "import": _import,
}


@override_settings(LOCAL=False)
class RaceTests(TransactionTestCase):
    def start(self, number: int) -> None:
        self.owner = person(f"racer-{number}")
        self.build = full_build_of(self.owner)
        adopt_parts(self.owner.pk, [worlds.mat(id="spare", name="Spare")])
        self.clients = [Client(), Client()]
        for client in self.clients:
            client.force_login(self.owner)
        self.clients[0].patch(f"/api/builds/{self.build.pk}/room", {"revision": 0, "length_m": 7.7}, JSON)
        entry = Entry.objects.get(owner=self.owner, part_id="spare")
        changed = {"revision": entry.revision, "facts": {"note": "first"}}
        self.clients[0].patch("/api/catalogue/parts/spare", changed, JSON)
        self.build.refresh_from_db()
        self.revision = self.build.revision
        self.part_revision = Entry.objects.get(owner=self.owner, part_id="spare").revision
        self.catalogue_revision = revision_of(self.owner.pk)
        self.file = write_build_file(build_file(self.build)).encode()

    def both(self, *acts: Act) -> list[Any]:
        """The replies of two at the same moment."""
        ready, replies = threading.Barrier(2), [None, None]

        def run(index: int, act: Act) -> None:
            try:
                ready.wait()
                replies[index] = act(self, self.clients[index])
            finally:
                connections.close_all()

        threads = [threading.Thread(target=run, args=pair) for pair in enumerate(acts)]
        for thread in threads:
            thread.start()
        for thread in threads:
            thread.join()
        return replies

    def test_every_pair(self) -> None:
        for number, (one, other) in enumerate(combinations_with_replacement(ACTS, 2)):
            with self.subTest(f"{one} and {other}"):
                self.start(number)
                replies = self.both(ACTS[one], ACTS[other])
                statuses = [reply.status_code for reply in replies]
                self.assertTrue(all(status < 500 or status == 503 for status in statuses), statuses)
                self.assertTrue(any(status < 300 for status in statuses), "at least one of them is made")
                self.everything_opens()
                made = {what for what, status in zip((one, other), statuses, strict=True) if status < 300}
                self.nothing_acknowledged_is_lost(made)

    def everything_opens(self) -> None:
        client = self.clients[0]
        for build in client.get("/api/builds").json():
            self.assertEqual(build["unreadable"], "")
            self.assertEqual(client.get(f"/api/builds/{build['id']}").status_code, 200)

    def nothing_acknowledged_is_lost(self, made: set[str]) -> None:
        build = StoredBuild.objects.filter(pk=self.build.pk).first()
        if build is not None:
            self.assertEqual(
                Edit.objects.filter(build=build, number__lte=build.edit_number).count(), build.edit_number + 1
            )
            if "undo" not in made:
                self.assertEqual(build.design.room.width_m == 5.5, "measure" in made)
                self.assertEqual(build.design.brief.visitors, "answer" in made)
        sheet = sheets_of(self.owner).get("spare")
        whole = {"restore", "pack", "undo in the catalogue", "take out"} & made
        if sheet is not None and not whole:
            self.assertEqual(sheet.note, "measured" if "a fact" in made else "first")
            self.assertEqual(getattr(sheet, "thickness_m", None) == 0.031, "another fact" in made)
            self.assertEqual(sheet.price is not None and sheet.price.minor == 7700, "list" in made)
        if "take out" in made and not {"pack", "import"} & made:
            self.assertTrue(sheet is None or "undo in the catalogue" in made)
