"""The stand-ins as servers on loopback: one process, a port for each shop and one for exchange rates."""

import logging
import time
from collections.abc import Callable, Iterable, Iterator
from contextlib import contextmanager, suppress
from datetime import date
from http.server import BaseHTTPRequestHandler, ThreadingHTTPServer
from threading import Lock, Thread
from urllib.parse import urlsplit

from django.utils import timezone

from jungle.market.sample_prices import SILENT_SHOP
from jungle.standins.answer import Answer, dated
from jungle.standins.goods import SampleGoods
from jungle.standins.misbehaving import Misbehaving
from jungle.standins.rates_desk import rates_answer
from jungle.standins.shop_front import CATALOGUE_AT, front_answer

LOOPBACK = "127.0.0.1"
RATES = "rates"
PLACES = (*CATALOGUE_AT, RATES)
"""Every stand-in, in the order of their ports."""
PIECE_BYTES = 400
log = logging.getLogger(__name__)

Answers = Callable[[str, str, date], Answer]
"""What a stand-in answers: to a path, where it is, on a day."""
CLOSED = Answer(b"Closed until further notice.", status=503)  # type: ignore[arg-type]


class _Goods:
    """The goods of today, made once a day."""

    def __init__(self) -> None:
        self._lock = Lock()
        self._today: SampleGoods | None = None

    def on(self, day: date) -> SampleGoods:
        with self._lock:
            if self._today is None or self._today.day != day:
                self._today = SampleGoods(day)
            return self._today


def answers_of(place: str, goods: _Goods) -> Answers:
    """How the stand-in of that name answers. One of the shops has closed without a word."""
    if place == RATES:
        return lambda path, origin, day: rates_answer(path, day)
    if place == SILENT_SHOP:
        return lambda path, origin, day: CLOSED
    return lambda path, origin, day: front_answer(goods.on(day).of(place), path, origin)


@contextmanager
def standing(first_port: int = 0, today: Callable[[], date] = timezone.localdate) -> Iterator[dict[str, str]]:
    """All stand-ins from `first_port` on, or wherever there is room; where each of them is, by its name.

    Raises `OSError` where a port is taken. `today` says which day they take it to be.
    """
    goods = _Goods()
    servers: list[ThreadingHTTPServer] = []
    try:
        for number, place in enumerate(PLACES):
            handler = _handler(answers_of(place, goods), today)
            servers.append(ThreadingHTTPServer((LOOPBACK, first_port and first_port + number), handler))
            Thread(target=servers[-1].serve_forever, daemon=True).start()
        yield dict(zip(PLACES, map(_origin, servers), strict=True))
    finally:
        _close(servers)


def _close(servers: Iterable[ThreadingHTTPServer]) -> None:
    for server in servers:
        server.shutdown()
        server.server_close()


def _origin(server: ThreadingHTTPServer) -> str:
    return f"http://{LOOPBACK}:{server.server_address[1]}"


def _handler(answers: Answers, today: Callable[[], date]) -> type[BaseHTTPRequestHandler]:
    misbehaving = Misbehaving()

    class Handler(BaseHTTPRequestHandler):
        """One request."""

        server_version = "StandIn"
        sys_version = ""

        def do_GET(self) -> None:
            """Answer, as well or as badly as it was asked to."""
            day = today()
            spoil, path = misbehaving.split(urlsplit(self.path).path)
            origin = f"http://{self.headers.get('host', LOOPBACK)}"
            asked = {name.lower(): told for name, told in self.headers.items()}
            answer = answers(path, origin, day)
            self._send(spoil(dated(answer, day, asked) if answer.status == 200 else answer))

        def _send(self, answer: Answer) -> None:
            with suppress(OSError):  # Whoever asked may have gone.
                self.send_response(answer.status)
                for name, told in answer.headers.items():
                    self.send_header(name, told)
                self.send_header("Content-Type", answer.content_type)
                self.send_header("Content-Length", str(answer.claims_bytes or len(answer.content)))
                self.end_headers()
                self._send_content(answer)

        def _send_content(self, answer: Answer) -> None:
            if not answer.pause_s:
                self.wfile.write(answer.content)
                return
            for start in range(0, len(answer.content), PIECE_BYTES):
                self.wfile.write(answer.content[start : start + PIECE_BYTES])
                time.sleep(answer.pause_s)

        def log_message(self, format: str, *args: object) -> None:
            """What is asked of a stand-in is told by whoever asks."""

    return Handler
