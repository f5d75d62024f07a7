"""What a stand-in answers to a request."""

import hashlib
from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import UTC, date, datetime, time
from email.utils import format_datetime
from http import HTTPStatus


@dataclass(frozen=True)
class Answer:
    """A status, what is sent, and what is said of it."""

    content: bytes = b""
    content_type: str = "text/plain; charset=utf-8"
    status: HTTPStatus = HTTPStatus.OK
    headers: Mapping[str, str] = field(default_factory=dict)
    claims_bytes: int | None = None
    """How long it says it is, where that is not true."""
    pause_s: float = 0.0
    """Between one small piece and the next."""


NOT_FOUND = Answer(b"There is no such page.", status=HTTPStatus.NOT_FOUND)


def dated(answer: Answer, day: date, asked: Mapping[str, str]) -> Answer:
    """`answer` with its tag and date; empty, where whoever `asked`, by headers in small letters, has it already."""
    tag = f'"{hashlib.sha256(answer.content).hexdigest()[:20]}"'
    changed = format_datetime(datetime.combine(day, time(), UTC), usegmt=True)
    headers = {**answer.headers, "ETag": tag, "Last-Modified": changed}
    known = asked.get("if-none-match")
    if known == tag or (known is None and asked.get("if-modified-since") == changed):
        return Answer(status=HTTPStatus.NOT_MODIFIED, headers=headers)
    return Answer(answer.content, answer.content_type, answer.status, headers)
