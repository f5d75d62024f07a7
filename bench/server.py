"""The demo as people run it, on data of its own, and a client that is signed in."""

import json
import os
import socket
import subprocess
import tempfile
import time
from collections.abc import Iterator
from contextlib import contextmanager, suppress
from http.client import HTTPConnection
from pathlib import Path
from typing import Any

ROOT = Path(__file__).resolve().parent.parent
START_TIMEOUT_S = 60


DEMO_NAME = "Boat shed by the lake"


class Client:
    """One kept connection to the demo, with the cookies of its owner."""

    def __init__(self, port: int) -> None:
        self.port = port
        self._connection = HTTPConnection("127.0.0.1", port)
        self._cookies: dict[str, str] = {}
        self.received = 0
        """Bytes of the last answer."""
        self.call("GET", "/")

    def call(self, method: str, path: str, body: object = None) -> Any:
        """The JSON that answers, or the text of a page."""
        return self._send(method, path, json.dumps(body) if body is not None else None, "application/json")

    def upload(self, path: str, content: str) -> Any:
        """The JSON that answers a file."""
        boundary = "a-boundary-that-no-pack-holds"
        head = f'--{boundary}\r\nContent-Disposition: form-data; name="file"; filename="file.json"\r\n\r\n'
        body = f"{head}{content}\r\n--{boundary}--\r\n"
        return self._send("POST", path, body.encode(), f"multipart/form-data; boundary={boundary}")

    def _send(self, method: str, path: str, body: str | bytes | None, content_type: str) -> Any:
        cookies = "; ".join(f"{name}={value}" for name, value in self._cookies.items())
        headers = {
            "Cookie": cookies,
            "Content-Type": content_type,
            "X-CSRFToken": self._cookies.get("csrftoken", ""),
        }
        self._connection.request(method, path, body, headers)
        reply = self._connection.getresponse()
        content = reply.read()
        self.received = len(content)
        for header in reply.headers.get_all("Set-Cookie") or []:
            name, _, value = header.partition(";")[0].partition("=")
            self._cookies[name] = value
        if reply.status >= 400:
            raise RuntimeError(f"{method} {path}: {reply.status} {content[:200]!r}")
        return json.loads(content) if reply.headers.get_content_type() == "application/json" else content

    def build_named(self, name: str) -> int:
        """The id of the demo build of that name."""
        return next(int(build["id"]) for build in self.call("GET", "/api/builds") if build["name"] == name)


@contextmanager
def demo() -> Iterator[tuple[int, int, Path]]:
    """The running demo: its port, the id of its first process, and its data folder."""
    with socket.socket() as free:
        free.bind(("127.0.0.1", 0))
        port = free.getsockname()[1]
    with tempfile.TemporaryDirectory() as data:
        environment = {**os.environ, "JUNGLE_DATA_DIR": data, "JUNGLE_PORT": str(port), "JUNGLE_JOURNAL_MODE": "WAL"}
        process = subprocess.Popen(["scripts/demo"], cwd=ROOT, env=environment, stdout=subprocess.DEVNULL)
        try:
            _wait_for(port)
            yield port, process.pid, Path(data)
        finally:
            process.terminate()
            process.wait()


def _wait_for(port: int) -> None:
    deadline = time.monotonic() + START_TIMEOUT_S
    while time.monotonic() < deadline:
        try:
            socket.create_connection(("127.0.0.1", port), timeout=1).close()
        except OSError:
            time.sleep(0.2)
        else:
            return
    raise TimeoutError("the demo did not start")


def processes(first: int, running: str) -> list[int]:
    """The processes that `first` began, and theirs, whose command has the word `running`."""
    found, begun = [], [first]
    while begun:
        parent = begun.pop()
        with suppress(OSError):
            children = [int(pid) for pid in Path(f"/proc/{parent}/task/{parent}/children").read_text().split()]
            begun += children
            found += [pid for pid in children if running in _words_of(pid)]
    return found


def _words_of(pid: int) -> list[str]:
    return [Path(word).name for word in Path(f"/proc/{pid}/cmdline").read_text().split("\0")]
