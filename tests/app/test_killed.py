"""A worker is killed at any moment of two hundred writes: nothing acknowledged is lost, and the database is whole.

`JUNGLE_KILL_ROUNDS=20` runs it for longer.
"""

import os
import signal
import sqlite3
import threading
import time
from contextlib import closing
from http.client import HTTPException
from pathlib import Path
from random import Random
from typing import Any

from django.test import SimpleTestCase

from bench.server import DEMO_NAME, Client, demo

ROUNDS = int(os.environ.get("JUNGLE_KILL_ROUNDS", "1"))
WRITES = 200
KILLS_OF_A_ROUND = 3
LONGEST_WAIT_S = 20


class KilledTests(SimpleTestCase):
    def test_nothing_acknowledged_is_lost(self) -> None:
        with demo() as (port, first, data):
            build_id = Client(port).build_named(DEMO_NAME)
            for number in range(ROUNDS):
                chance = Random(number)
                done = threading.Event()
                killer = threading.Thread(target=self.kill_now_and_then, args=(first, chance, done))
                killer.start()
                try:
                    revision, width = self.write(port, build_id, chance)
                finally:
                    done.set()
                    killer.join()
                now = self.patient(port, lambda client: client.call("GET", f"/api/builds/{build_id}"))
                self.assertEqual((now["revision"], now["build"]["room"]["width_m"]), (revision, width))
            with closing(sqlite3.connect(data / "jungle.sqlite3")) as database:
                self.assertEqual(database.execute("PRAGMA integrity_check").fetchone(), ("ok",))
                (edits,) = database.execute("SELECT count(*) FROM plans_edit WHERE build_id = ?", [build_id]).fetchone()
                self.assertEqual(edits, revision + 1, "as many edits in the history as were made")

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
            children = Path(f"/proc/{first}/task/{first}/children").read_text().split()
            if children:
                os.kill(int(chance.choice(children)), signal.SIGKILL)

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
