"""A stand-in that misbehaves when it is asked to: below `/misbehaving/`, by the name of what it does wrong."""

import re
from collections.abc import Callable, Mapping
from dataclasses import replace
from http import HTTPStatus
from itertools import count

from jungle.standins.answer import Answer

PREFIX = "/misbehaving/"
_AMOUNT = re.compile(rb"\b\d+[.,]\d\d\b")
_CURRENCY = re.compile(rb"\bEUR\b|\bUSD\b")


def _slow(answer: Answer) -> Answer:
    return replace(answer, pause_s=0.5)


def _too_many(answer: Answer) -> Answer:
    return Answer(b"Not so fast.", status=HTTPStatus.TOO_MANY_REQUESTS, headers={"Retry-After": "1"})


def _broken(answer: Answer) -> Answer:
    return Answer(b"Something went wrong.", status=HTTPStatus.INTERNAL_SERVER_ERROR)


def _truncated(answer: Answer) -> Answer:
    return replace(answer, content=answer.content[: len(answer.content) // 2], claims_bytes=len(answer.content))


def _other_currency(answer: Answer) -> Answer:
    return replace(answer, content=_CURRENCY.sub(b"GBP", answer.content))


def _renamed(answer: Answer) -> Answer:
    """Every thing is another one under the same number."""
    content = re.sub(rb'("title": "|"name": ")[^"]*', rb"\1Something else", answer.content)
    return replace(answer, content=content)


def _other_condition(answer: Answer) -> Answer:
    """What was new is used under the same number; of the feed that names conditions so."""
    return replace(answer, content=answer.content.replace(b'"condition": "new"', b'"condition": "used"'))


def _in_words(answer: Answer) -> Answer:
    return replace(answer, content=_AMOUNT.sub(b"ask us", answer.content))


def _far_too_cheap(answer: Answer) -> Answer:
    """A decimal point in the wrong place."""
    return replace(answer, content=_AMOUNT.sub(lambda found: b"%.2f" % (_number(found[0]) / 10), answer.content))


def _elsewhere(answer: Answer) -> Answer:
    return Answer(status=HTTPStatus.FOUND, headers={"Location": "http://elsewhere.example/feed.json"})


def _endless(answer: Answer) -> Answer:
    return replace(answer, content=answer.content * (12_000_000 // max(1, len(answer.content))))


def _number(amount: bytes) -> float:
    return float(amount.replace(b",", b"."))


DOES: Mapping[str, Callable[[Answer], Answer]] = {
    "slow": _slow,
    "too-many": _too_many,
    "broken": _broken,
    "truncated": _truncated,
    "other-currency": _other_currency,
    "renamed": _renamed,
    "other-condition": _other_condition,
    "in-words": _in_words,
    "far-too-cheap": _far_too_cheap,
    "elsewhere": _elsewhere,
    "endless": _endless,
}
ONCE = "once-"
"""Before a name: only every other time."""


class Misbehaving:
    """What is asked of one server; it counts, for what goes wrong every other time."""

    def __init__(self) -> None:
        self._asked: dict[str, count[int]] = {}

    def split(self, path: str) -> tuple[Callable[[Answer], Answer], str]:
        """What it does to the answer, and the path that is really asked for."""
        if not path.startswith(PREFIX):
            return _well, path
        how, _, rest = path.removeprefix(PREFIX).partition("/")
        if how.startswith(ONCE):
            times = next(self._asked.setdefault(path, count()))
            return (_well if times % 2 else DOES.get(how.removeprefix(ONCE), _well)), f"/{rest}"
        return DOES.get(how, _well), f"/{rest}"


def _well(answer: Answer) -> Answer:
    return answer
