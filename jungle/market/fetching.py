"""Fetching a source as a polite guest: allowed hosts only, robots.txt, conditional, bounded, and tried again gently."""

import time
from collections.abc import Callable, Iterable
from dataclasses import dataclass, field
from http import HTTPStatus
from typing import NamedTuple
from urllib.robotparser import RobotFileParser

import httpx

from jungle.market.hosts import Allowed, NotFetched, addresses_of, host_of

AGENT = "Jungle"
HEADERS = {"User-Agent": f"{AGENT} (reads prices for one household)", "Accept": "*/*"}
MOST_BYTES = 8_000_000
MOST_SECONDS = 20.0
"""For one answer, however slowly it comes."""
PATIENCE_S = 5.0
"""Until a server says anything, or anything more."""
MOST_REDIRECTS = 3
ATTEMPTS = 3
WAITS_S = (0.5, 2.0)
"""Before the second attempt, and before the third; longer where the server asks for it, up to `MOST_WAIT_S`."""
MOST_WAIT_S = 10.0
TRY_AGAIN = frozenset({429, 500, 502, 503, 504})


class Kept(NamedTuple):
    """What a server said of what was read last, so that it need not be sent again."""

    etag: str = ""
    last_modified: str = ""


NOTHING_KEPT = Kept()


class Fetched(NamedTuple):
    """What a server sent; nothing where it has not changed."""

    content: bytes
    content_type: str
    kept: Kept
    unchanged: bool = False


@dataclass
class Fetcher:
    """Reads one address after the other, from hosts that are allowed."""

    allowed: Iterable[Allowed]
    sleep: Callable[[float], None] = time.sleep
    _robots: dict[tuple[str, str], RobotFileParser] = field(default_factory=dict)

    def fetch(self, address: str, kept: Kept = NOTHING_KEPT) -> Fetched:
        """What stands at `address`, unless it is what was `kept`. Raises `NotFetched`."""
        self._may_read(address)
        conditions = {"If-None-Match": kept.etag, "If-Modified-Since": kept.last_modified}
        return self._patiently(address, {name: told for name, told in conditions.items() if told}, kept)

    def _host(self, address: str) -> Allowed:
        named = host_of(address)
        for one in self.allowed:
            if (one.host, one.port) == (named.host, named.port):
                return one
        raise NotFetched(f"{named.told} is not among the hosts that are allowed.")

    def _may_read(self, address: str) -> None:
        """Raises `NotFetched` where robots.txt asks not to be read there; without one everything may be (RFC 9309)."""
        url = httpx.URL(address)
        place = url.scheme, self._host(address).told
        if place not in self._robots:
            rules = RobotFileParser()
            try:
                found = self._patiently(
                    str(url.copy_with(path="/robots.txt", query=None, fragment=None)), {}, NOTHING_KEPT
                )
                rules.parse(found.content.decode("utf-8", errors="replace").splitlines())
            except NoSuchPage:
                rules.parse([])
            self._robots[place] = rules
        if not self._robots[place].can_fetch(AGENT, address):
            raise NotFetched(f"Its robots.txt asks not to read {url.path}.")

    def _patiently(self, address: str, headers: dict[str, str], kept: Kept) -> Fetched:
        for attempt in range(ATTEMPTS):
            try:
                return self._along(address, headers, kept)
            except _Later as later:
                if attempt + 1 == ATTEMPTS:
                    raise NotFetched(f"{later}, {ATTEMPTS} times.") from later
                self.sleep(min(max(WAITS_S[attempt], later.after_s), MOST_WAIT_S))
        raise AssertionError("every attempt returns or raises")

    def _along(self, address: str, headers: dict[str, str], kept: Kept) -> Fetched:
        """Follows where the server sends it, on the same host alone."""
        begun = self._host(address)
        for _ in range(MOST_REDIRECTS + 1):
            answer = self._once(address, headers, kept)
            if isinstance(answer, Fetched):
                return answer
            named = host_of(answer)
            if (named.host, named.port) != (begun.host, begun.port):
                raise NotFetched(f"It sends the reader elsewhere, to {named.told}.")
            address = answer
        raise NotFetched("It sends the reader round and round.")

    def _once(self, address: str, headers: dict[str, str], kept: Kept) -> Fetched | str:
        """What the server answers, or where it sends the reader. Raises `NotFetched`, `_Later`."""
        url, host = httpx.URL(address), self._host(address)
        # The number that was checked is the number that is asked: a name could mean another one a moment later.
        number = addresses_of(host)[0]
        asked = {**HEADERS, **headers, "Host": url.netloc.decode("ascii")}
        began = time.monotonic()
        try:
            with (
                httpx.Client(timeout=PATIENCE_S, trust_env=False, follow_redirects=False) as client,
                client.stream(
                    "GET", url.copy_with(host=number), headers=asked, extensions={"sni_hostname": host.host}
                ) as answer,
            ):
                if answer.status_code in TRY_AGAIN:
                    raise _Later(f"It answers {_status(answer)}", _retry_after_s(answer))
                if answer.status_code == HTTPStatus.NOT_MODIFIED and headers:
                    return Fetched(b"", "", kept, unchanged=True)
                if answer.is_redirect:
                    return str(url.join(answer.headers["location"]))
                if answer.status_code in (HTTPStatus.NOT_FOUND, HTTPStatus.GONE):
                    raise NoSuchPage("There is no such page any more.")
                if answer.status_code != HTTPStatus.OK:
                    raise NotFetched(f"It answers {_status(answer)}.")
                content = _bounded(answer, began)
        except httpx.TimeoutException as error:
            raise _Later("It does not answer in time") from error
        except (httpx.HTTPError, httpx.InvalidURL) as error:
            raise _Later(f"It cannot be read to its end ({type(error).__name__})") from error
        told = answer.headers
        fresh = Kept(told.get("etag", "")[:200], told.get("last-modified", "")[:80])
        return Fetched(content, told.get("content-type", ""), fresh)


class NoSuchPage(NotFetched):
    """The server has nothing at the address."""


class _Later(Exception):
    """It may answer if it is asked again."""

    def __init__(self, words: str, after_s: float = 0.0) -> None:
        super().__init__(words)
        self.after_s = after_s


def _bounded(answer: httpx.Response, began: float) -> bytes:
    pieces, size = [], 0
    for piece in answer.iter_bytes():
        size += len(piece)
        if size > MOST_BYTES:
            raise NotFetched(f"It is larger than {MOST_BYTES // 1_000_000} MB.")
        if time.monotonic() - began > MOST_SECONDS:
            raise _Later(f"It took longer than {MOST_SECONDS:.0f} s")
        pieces.append(piece)
    return b"".join(pieces)


def _retry_after_s(answer: httpx.Response) -> float:
    told = answer.headers.get("retry-after", "")
    return float(told) if told.isdigit() else 0.0


def _status(answer: httpx.Response) -> str:
    return f"{answer.status_code} {answer.reason_phrase}".strip()
