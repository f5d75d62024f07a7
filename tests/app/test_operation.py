"""Running it: what is logged, what is said when nothing can be stored, backups, tidying."""

import logging
import sqlite3
import stat
import threading
from contextlib import closing
from datetime import timedelta
from io import StringIO
from pathlib import Path
from tempfile import TemporaryDirectory
from unittest.mock import patch

from django.contrib.sessions.models import Session
from django.core.management import CommandError, call_command
from django.db import DatabaseError, OperationalError, connection, connections
from django.test import Client, TestCase, TransactionTestCase, override_settings
from django.utils import timezone

from jungle.builds.models import StoredBuild
from jungle.builds.services import room
from jungle.builds.services.builds import start_build
from jungle.builds.services.editing import On
from jungle.trouble import trouble_of
from jungle.web import health, keeping
from jungle.web.trace import TraceFilter
from tests.app.worlds import ApiTestCase, full_build_of, person
from tests.core import worlds

LINE = "%(levelname)s [%(request_id)s person %(who)s] %(name)s: %(message)s"


def storage_error(name: str) -> OperationalError:
    """As Django raises what SQLite says."""
    cause = sqlite3.OperationalError(name)
    cause.sqlite_errorname = name
    error = OperationalError(name)
    error.__cause__ = cause
    return error


class TraceTests(ApiTestCase):
    def test_every_reply_has_an_id_of_its_own(self) -> None:
        ids = {self.client.get(path)["X-Request-Id"] for path in ("/api/builds", "/api/builds", "/", "/healthz")}
        self.assertEqual(len(ids), 4)

    def test_what_went_wrong_is_logged_and_the_person_is_told_its_id(self) -> None:
        with (
            patch("jungle.builds.services.room.with_changes", side_effect=RuntimeError("unforeseen")),
            self.assertLogs("jungle", "ERROR") as logs,
        ):
            reply = self.send("patch", "/room", width_m=5)
        self.assertEqual(reply.status_code, 500)
        self.assertIn(reply["X-Request-Id"], reply.json()["message"])
        self.assertIn("RuntimeError: unforeseen", "".join(logs.output))
        TraceFilter().filter(record := logs.records[0])
        told = logging.Formatter(LINE).format(record)
        self.assertIn(f"[{reply['X-Request-Id']} person {self.owner.pk}]", told)
        self.assertIn(self.url("/room"), told)

    def test_a_page_that_fails_says_so_too(self) -> None:
        self.client.raise_request_exception = False
        with (
            patch("jungle.web.sign_in.behind_unknown_proxy", side_effect=RuntimeError("unforeseen")),
            self.assertLogs("jungle.web.pages", "ERROR") as logs,
        ):
            reply = self.client.get("/sign-in")
        self.assertContains(reply, reply["X-Request-Id"], status_code=500)
        self.assertIn("RuntimeError: unforeseen", "".join(logs.output))


class StorageTroubleTests(ApiTestCase):
    def reply_to(self, error: DatabaseError) -> tuple[int, str, str]:
        with patch("jungle.builds.services.editing.store", side_effect=error):
            reply = self.send("patch", "/room", width_m=5)
        return reply.status_code, reply.json()["message"], reply.get("Retry-After", "")

    def test_busy_is_told_as_such_and_to_be_tried_again(self) -> None:
        status, message, again = self.reply_to(storage_error("SQLITE_BUSY"))
        self.assertEqual((status, again), (503, "1"))
        self.assertIn("Try again", message)

    def test_a_full_disk_or_a_read_only_folder_is_said_and_reading_goes_on(self) -> None:
        for name, words in (("SQLITE_FULL", "disk is full"), ("SQLITE_READONLY", "cannot be written")):
            with self.assertLogs("jungle.api.errors", "ERROR"):
                status, message, again = self.reply_to(storage_error(name))
            self.assertEqual((status, again), (507, ""))
            self.assertIn(words, message)
            self.assertEqual(self.client.get(self.url()).status_code, 200)
        self.assertEqual(StoredBuild.objects.get(pk=self.build.pk).revision, 0)

    def test_a_really_full_database(self) -> None:
        """SQLite is told that it may have no page more."""
        with connection.cursor() as cursor:
            cursor.execute("PRAGMA page_count")
            pages = cursor.fetchone()[0]
            cursor.execute("PRAGMA freelist_count")
            if cursor.fetchone()[0] > 20:
                self.skipTest("there is room in pages that were used before")
            cursor.execute(f"PRAGMA max_page_count = {pages}")
        try:
            with self.assertLogs("jungle", "ERROR"):
                last = [self.client.post("/api/builds", {"name": "x" * 100}, "application/json") for _ in range(40)][-1]
            self.assertEqual(last.status_code, 507, last.content)
            self.assertEqual(self.client.get("/api/builds").status_code, 200)
        finally:
            with connection.cursor() as cursor:
                cursor.execute("PRAGMA max_page_count = 1073741823")

    def test_another_error_is_none_of_the_place(self) -> None:
        self.assertIsNone(trouble_of(DatabaseError("syntax")))

    def test_a_page_says_it_in_words(self) -> None:
        client = Client(raise_request_exception=False)
        with (
            patch("jungle.web.sign_in.LoginView.dispatch", side_effect=storage_error("SQLITE_FULL")),
            self.assertLogs("jungle.web.pages", "ERROR"),
        ):
            reply = client.post("/sign-in", {"username": "bo", "password": "x"})
        self.assertContains(reply, "The disk is full", status_code=507)

    @override_settings(LOCAL=True)
    def test_what_fails_before_an_endpoint_is_reached_is_told_in_words_too(self) -> None:
        client = Client(raise_request_exception=False)
        with (
            patch("jungle.web.local.local_owner", side_effect=storage_error("SQLITE_IOERR_SHMSIZE")),
            patch("jungle.trouble.FULL_BELOW_BYTES", 2**62),
            self.assertLogs("jungle", "ERROR"),
        ):
            reply = client.get("/api/builds")
        self.assertEqual(reply.status_code, 507)
        self.assertIn("The disk is full", reply.json()["message"])


class HealthTests(TestCase):
    def test_well(self) -> None:
        reply = self.client.get("/healthz")
        self.assertEqual(reply.json(), {"well": True, "database": "ok", "migrations": "ok", "space": "ok"})

    def test_what_is_wrong_is_said(self) -> None:
        with patch.object(health, "LEAST_FREE_BYTES", 2**60):
            reply = self.client.get("/healthz")
        self.assertEqual(reply.status_code, 503)
        self.assertIn("MB are free", reply.json()["space"])
        with patch.dict(health.LOOKS, database=lambda: (_ for _ in ()).throw(storage_error("SQLITE_READONLY"))):
            self.assertIn("cannot be written", self.client.get("/healthz").json()["database"])


class TidyTests(TestCase):
    def test_ended_sessions_go(self) -> None:
        for key, days in (("old", -1), ("new", 1)):
            Session.objects.create(session_key=key, session_data="", expire_date=timezone.now() + timedelta(days=days))
        call_command("tidy", stdout=StringIO())
        self.assertEqual([session.session_key for session in Session.objects.all()], ["new"])


@override_settings(LOCAL=False)
class KeepingTests(TransactionTestCase):
    """Backups, on the real file and with somebody at work."""

    def setUp(self) -> None:
        self.folder = Path(self.enterContext(TemporaryDirectory()))
        self.owner = person()
        self.build = full_build_of(self.owner)

    def call(self, command: str, path: Path) -> str:
        out = StringIO()
        call_command(command, str(path), stdout=out)
        return out.getvalue()

    def test_there_and_back(self) -> None:
        backup = self.folder / "backup.sqlite3"
        self.assertIn("is whole", self.call("backup", backup))
        self.assertEqual(stat.S_IMODE(backup.stat().st_mode), 0o600)
        start_build(self.owner, worlds.full_build().model_copy(update={"name": "After"}))
        with patch.object(keeping, "database_path", wraps=keeping.database_path) as path:
            told = self.call("restore", backup)
            old = Path(told.split(" is in ")[1].rstrip(".\n"))
            self.addCleanup(old.unlink)
            self.assertTrue(path.called)
        self.assertEqual([build.name for build in StoredBuild.objects.all()], ["Test"])
        with closing(sqlite3.connect(old)) as kept:
            self.assertEqual(kept.execute("SELECT count(*) FROM plans_build").fetchone(), (2,))

    def test_what_is_not_whole_is_refused_and_nothing_is_changed(self) -> None:
        backup = self.folder / "backup.sqlite3"
        self.call("backup", backup)
        content = backup.read_bytes()
        torn, foreign, text = self.folder / "torn", self.folder / "foreign", self.folder / "text"
        torn.write_bytes(content[: len(content) // 2])
        text.write_text("a note")
        with closing(sqlite3.connect(foreign)) as database:
            database.execute("CREATE TABLE django_migrations (app, name)")
            database.commit()
        newer = self.folder / "newer"
        newer.write_bytes(content)
        with closing(sqlite3.connect(newer)) as database:
            database.execute(
                "INSERT INTO django_migrations (app, name, applied) VALUES ('plans', '9999_later', '2030')"
            )
            database.commit()
        for path, words in (
            (torn, "Nothing was changed"), (foreign, "something else"), (text, "no database"), (newer, "newer version"),
            (self.folder / "nowhere", "no file"),
        ):  # fmt: skip
            with self.subTest(path.name), self.assertRaisesMessage(CommandError, words):
                self.call("restore", path)
        self.assertEqual(StoredBuild.objects.count(), 1)

    def test_a_backup_while_people_work_is_whole_and_they_are_not_kept_waiting(self) -> None:
        stop = threading.Event()
        made: list[int] = []

        def work() -> None:
            revision = self.build.revision
            try:
                while not stop.is_set():
                    on = On(self.build.pk, revision, self.owner)
                    revision = room.measure_room(on, {"width_m": 4 + len(made) % 50 / 100}).revision
                    made.append(revision)
            finally:
                connections.close_all()

        worker = threading.Thread(target=work)
        worker.start()
        try:
            for number in range(5):
                self.call("backup", self.folder / f"{number}.sqlite3")
        finally:
            stop.set()
            worker.join()
        self.assertGreater(len(made), 0)
        with closing(sqlite3.connect(self.folder / "4.sqlite3")) as kept:
            revision, edits = kept.execute(
                "SELECT revision, (SELECT count(*) FROM plans_edit) FROM plans_build"
            ).fetchone()
        self.assertEqual(edits, revision + 1, "build and history belong together")
