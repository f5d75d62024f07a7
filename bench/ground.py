"""Large catalogues, long histories and many builds through the running server, with somebody else at work meanwhile."""

import json
import os
import statistics
import subprocess
import threading
import time
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

from bench.catalogue import grown, sample_parts
from bench.clock import seconds
from bench.server import DEMO_NAME, ROOT, Client
from core.formats.parts_pack import PartsPack, write_parts_pack

MANY = 5000
BUILDS = 155
EDITS = 20_000
CATALOGUE = 20_000
Tell = Callable[[str, str, str], None]


@contextmanager
def somebody_at_work(port: int, build_id: int) -> Iterator[list[float]]:
    """Somebody who edits all the while; how long each of their edits took."""
    stop = threading.Event()
    waits: list[float] = []

    def work() -> None:
        client = Client(port)
        revision = client.call("GET", f"/api/builds/{build_id}")["revision"]
        while not stop.is_set():
            begun = time.perf_counter()
            body = {"revision": revision, "width_m": 4.6 + len(waits) % 7 / 100}
            revision = client.call("PATCH", f"/api/builds/{build_id}/room", body)["revision"]
            waits.append(time.perf_counter() - begun)

    worker = threading.Thread(target=work)
    worker.start()
    try:
        yield waits
    finally:
        stop.set()
        worker.join()


def _pack(number: int, name: str) -> str:
    sample = sample_parts()
    new = tuple(part for id, part in grown(sample, len(sample) + number).items() if id not in sample)
    parts = [part.model_copy(update={"id": f"{part.id[:70]}-{name}", "note": name}) for part in new]
    return write_parts_pack(PartsPack(name=name, parts=tuple(parts)))


def _undo(client: Client) -> Any:
    history = client.call("GET", "/api/catalogue/history")
    return client.call("POST", "/api/catalogue/undo", {"revision": history["revision"]})


def bench_bulk(port: int, tell: Tell) -> None:
    """A pack and a list of five thousand, and their undo, while somebody else edits."""
    client = Client(port)
    build_id = client.build_named(DEMO_NAME)
    pack = _pack(MANY, "many")
    ids = [part["id"] for part in json.loads(pack)["parts"]]
    rows = "id,price\n" + "".join(f"{id},{number % 900 + 10}\n" for number, id in enumerate(ids))
    works: tuple[tuple[str, Callable[[], object]], ...] = (
        (f"looking at a pack of {MANY:,} parts", lambda: client.upload("/api/catalogue/pack/preview", pack)),
        (f"taking in a pack of {MANY:,} parts", lambda: client.upload("/api/catalogue/pack", pack)),
        (f"taking in a list of {MANY:,} rows", lambda: client.upload("/api/catalogue/list", rows)),
        ("undoing the list", lambda: _undo(client)),
        ("undoing the pack", lambda: _undo(client)),
    )
    with somebody_at_work(port, build_id) as waits:
        time.sleep(1)
        for what, work in works:
            before = len(waits)
            took = seconds(work)
            meanwhile = waits[before:] or [0.0]
            tell(
                f"{what}; longest edit of somebody else meanwhile",
                f"{took:.2f} s; {max(meanwhile):.2f} s",
                "3 s; 0.5 s",
            )


def bench_large(port: int, tell: Tell) -> None:
    """Twenty thousand parts: finding, hanging, and going on after it."""
    client = Client(port)
    build_id = client.build_named(DEMO_NAME)
    for number in range(CATALOGUE // MANY):
        client.upload("/api/catalogue/pack", _pack(MANY, f"lot-{number}"))
    hung = client.call("GET", f"/api/builds/{build_id}")
    part = hung["build"]["chain"]["mat"]["part"]
    revision = [hung["revision"]]

    def hang() -> None:
        client.call("POST", f"/api/builds/{build_id}/chain/mat/take-down", {"revision": revision[0]})
        body = {"revision": revision[0] + 1, "part": part}
        revision[0] = client.call("PUT", f"/api/builds/{build_id}/chain/mat", body)["revision"]

    for what, work in (
        ("finding by words", lambda: client.call("GET", "/api/catalogue/parts?text=screen")),
        ("alternatives for the display", lambda: client.call("GET", f"/api/builds/{build_id}/chain/display")),
        ("taking a part down and hanging it again", hang),
    ):
        work()
        times = [seconds(work) for _ in range(12)]
        tell(
            f"{what} in {CATALOGUE:,} parts, median / longest",
            f"{statistics.median(times) * 1000:.0f} / {max(times) * 1000:.0f} ms",
            "–",
        )


def bench_many_builds(port: int, tell: Tell) -> None:
    """A list of many builds, kept with their summaries."""
    client = Client(port)
    build_id = client.build_named(DEMO_NAME)
    text = json.dumps(client.call("GET", f"/api/builds/{build_id}/file"))
    for _ in range(BUILDS):
        client.upload("/api/builds/import", text)
    times = [seconds(lambda: client.call("GET", "/api/builds")) for _ in range(12)]
    tell(f"list of {BUILDS + 2} builds, median", f"{statistics.median(times) * 1000:.0f} ms", "–")


def bench_history(data: Path, tell: Tell) -> None:
    """Twenty thousand edits of one build: how large the database grows, and whether the last are as quick."""
    done = subprocess.run(
        [ROOT / ".venv" / "bin" / "python", "-m", "bench.history", str(EDITS)],
        cwd=ROOT,
        env={**os.environ, "JUNGLE_DATA_DIR": str(data / "history"), "JUNGLE_JOURNAL_MODE": "WAL"},
        capture_output=True,
        text=True,
        check=True,
    )
    told = json.loads(done.stdout.splitlines()[-1])
    tell(f"database after {EDITS:,} edits of the demo build", f"{told['size_mb']:.1f} MB", "30 MB")
    tell(
        "storing an edit, the first and the last thousand, median",
        f"{told['first_ms']:.1f} / {told['last_ms']:.1f} ms",
        "as quick",
    )
    tell("undo, after all of them, median", f"{told['undo_ms']:.1f} ms", "–")
