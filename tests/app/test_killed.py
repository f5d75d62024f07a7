"""What answers and what works is killed at any moment: nothing acknowledged is lost, and all is done once.

`JUNGLE_KILL_ROUNDS=20` runs it for longer.
"""

import os
import signal
import sqlite3
import threading
import time
from contextlib import closing, suppress
from http.client import HTTPException
from pathlib import Path
from random import Random
from typing import Any, ClassVar

from django.test import SimpleTestCase

from bench.server import DEMO_NAME, Client, demo, processes
from jungle.standins.shop_front import CATALOGUE_AT

ROUNDS = int(os.environ.get("JUNGLE_KILL_ROUNDS", "1"))
WRITES = 100
KILLS_OF_A_ROUND = 3
LONGEST_WAIT_S = 20


class KilledTests(SimpleTestCase):
    """One demo for all of them: each kills something else of it."""

    port: ClassVar[int]
    first: ClassVar[int]
    """The process that began the others."""
    data: ClassVar[Path]

    @classmethod
    def setUpClass(cls) -> None:
        super().setUpClass()
        cls.port, cls.first, cls.data = cls.enterClassContext(demo())

    def setUp(self) -> None:
        self.database = self.enterContext(closing(sqlite3.connect(self.data / "jungle.sqlite3")))

    def test_nothing_acknowledged_is_lost(self) -> None:
        build_id = Client(self.port).build_named(DEMO_NAME)
        for number in range(ROUNDS):
            chance = Random(number)
            done = threading.Event()
            killer = threading.Thread(target=self.kill_now_and_then, args=(self.first, chance, done))
            killer.start()
            try:
                revision, width = self.write(self.port, build_id, chance)
            finally:
                done.set()
                killer.join()
            now = self.patient(self.port, lambda client: client.call("GET", f"/api/builds/{build_id}"))
            self.assertEqual((now["revision"], now["build"]["room"]["width_m"]), (revision, width))
        self.assertEqual(self.database.execute("PRAGMA integrity_check").fetchone(), ("ok",))
        edits = self.database.execute("SELECT count(*) FROM plans_edit WHERE build_id = ?", [build_id]).fetchone()
        self.assertEqual(edits, (revision + 1,), "as many edits in the history as were made")

    def write(self, port: int, build_id: int, chance: Random) -> tuple[int, float]:
        """Writes one edit after the other; answers the last revision and what it set."""
        path = f"/api/builds/{build_id}"
        known = self.patient(port, lambda client: client.call("GET", path))
        client = self.patient(port, lambda client: client)
        revision, width = known["revision"], known["build"]["room"]["width_m"]
        for _ in range(WRITES):
            wanted = round(chance.uniform(4.4, 5.4), 3)

            try:
                reply = client.call("PATCH", f"{path}/room", {"revision": revision, "width_m": wanted})
            except (OSError, HTTPException, RuntimeError):
                # No answer: it may be stored or not, but nothing that was answered before may be gone.
                client = self.patient(port, lambda client: client)
                reply = self.patient(port, lambda client: client.call("GET", path))
                held = (reply["revision"], reply["build"]["room"]["width_m"])
                self.assertIn(held, ((revision, width), (revision + 1, wanted)))
            revision, width = reply["revision"], reply["build"]["room"]["width_m"]
        return revision, width

    def kill_now_and_then(self, first: int, chance: Random, done: threading.Event) -> None:
        for _ in range(KILLS_OF_A_ROUND):
            if done.wait(chance.uniform(0.2, 2.5)):
                return
            answering = processes(first, "gunicorn")
            if answering:
                os.kill(chance.choice(answering), signal.SIGKILL)

    def patient(self, port: int, ask: Any) -> Any:
        """What `ask` answers, once somebody does."""
        deadline = time.monotonic() + LONGEST_WAIT_S
        while True:
            try:
                return ask(Client(port))
            except (OSError, HTTPException, RuntimeError):
                if time.monotonic() > deadline:
                    raise
                time.sleep(0.2)

    def test_a_job_whose_worker_is_killed_is_done_all_the_same(self) -> None:
        client = Client(self.port)
        path = f"/api/builds/{client.build_named(DEMO_NAME)}/money/baskets"
        for number in range(ROUNDS):
            chance = Random(number)
            client.call("POST", path, {})
            time.sleep(chance.uniform(0.3, 2.0))
            self.kill_the_worker()
            told = self.when_over(client, path)
            self.assertEqual(told["job"]["state"], "done", told)
            self.assertGreater(len(told["baskets"]["baskets"]), 0)
        asked = "SELECT state, count(*) FROM worker_job WHERE kind = 'baskets' GROUP BY state"
        self.assertEqual(self.database.execute(asked).fetchall(), [("done", ROUNDS)])

    def test_a_round_whose_worker_is_killed_loses_and_doubles_nothing(self) -> None:
        """Six shops, one of which answers to nobody, and the rates; killed anywhere in it, then left to end."""
        for number in range(ROUNDS):
            chance = Random(number)
            Client(self.port).call("POST", "/api/prices/sources/rounds")
            for _ in range(2):  # A third time would be one too many for a job.
                time.sleep(chance.uniform(0.2, 3.0))
                self.kill_the_worker()
            told = self.when_over(Client(self.port), "/api/prices/sources")
            states = sorted(reading["state"] for reading in told["rounds"][0]["readings"])
            self.assertEqual(states, ["failed", *["read"] * len(CATALOGUE_AT)], told["job"])
            twice = self.database.execute(
                "SELECT series_id, first_seen, minor, in_stock, held_back, count(*) AS times"
                " FROM market_observation GROUP BY 1, 2, 3, 4, 5 HAVING times > 1"
            ).fetchall()
            self.assertEqual(twice, [])
            self.assertEqual(self.database.execute("SELECT count(*) FROM watching_alert").fetchall(), [(2,)])

    def kill_the_worker(self) -> None:
        for worker in processes(self.first, "work"):
            with suppress(OSError):
                os.kill(worker, signal.SIGKILL)

    def when_over(self, client: Client, path: str) -> Any:
        deadline = time.monotonic() + 2 * LONGEST_WAIT_S
        while time.monotonic() < deadline:
            told = client.call("GET", path)
            if told["job"]["state"] not in ("waiting", "running"):
                return told
            time.sleep(0.3)
        raise TimeoutError("the job is not over")
