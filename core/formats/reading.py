"""JSON from outside, read once and within bounds: whatever passes can be kept, told back, and written again."""

import json
from math import isfinite
from typing import Any

from core.formats.errors import BadFile, FileError
from core.model.text import LINE_BREAKS, unwritable

MOST_DEEP = 32
"""Brackets within brackets. A build needs nine."""
LONGEST_NUMBER = 40
"""Signs of one number; a double needs at most 24, and a longer one costs more than it says."""
LONGEST_TEXT = 20_000


def read_json(text: str | bytes) -> Any:
    """What `text` holds; a mark of byte order before it is passed over.

    Raises `BadFile` for what is no JSON in UTF-8, names a key twice, nests deeper than `MOST_DEEP`, or holds a number
    that is endless or of more than `LONGEST_NUMBER` signs, a text longer than `LONGEST_TEXT`, a control character, or
    half of a character.
    """
    try:
        told = text if isinstance(text, str) else text.decode("utf-8")
    except UnicodeDecodeError as error:
        raise _bad("is not text in UTF-8; a file that Jungle has written is, and ends in .json") from error
    try:
        value = json.loads(
            told.removeprefix("\ufeff"),
            parse_int=_whole,
            parse_float=_finite,
            parse_constant=_finite,
            object_pairs_hook=_named_once,
        )
    except RecursionError as error:
        raise _bad(f"has brackets more than {MOST_DEEP} deep") from error
    except json.JSONDecodeError as error:
        raise _bad(f"is no JSON: {error.msg} (line {error.lineno}, column {error.colno})") from error
    fault = _fault(value, MOST_DEEP)
    if fault is not None:
        place, problem = fault
        raise _bad(problem, ".".join(reversed(place)) or "file")
    return value


def _bad(problem: str, place: str = "file", value: str = "") -> BadFile:
    return BadFile([FileError(place, value, problem)])


def _whole(digits: str) -> int:
    if len(digits) > LONGEST_NUMBER:
        raise _bad(f"holds a number of {len(digits)} signs; at most {LONGEST_NUMBER} are read", value=digits[:20] + "…")
    return int(digits)


def _finite(number: str) -> float:
    if len(number) > LONGEST_NUMBER:
        raise _bad(f"holds a number of {len(number)} signs; at most {LONGEST_NUMBER} are read", value=number[:20] + "…")
    value = float(number)
    if not isfinite(value):
        raise _bad("numbers must be finite", value=number)
    return value


def _named_once(pairs: list[tuple[str, Any]]) -> dict[str, Any]:
    found = dict(pairs)
    if len(found) != len(pairs):
        names = [name for name, _ in pairs]
        twice = next(name for name in found if names.count(name) > 1)
        raise _bad("is named twice in one place", repr(twice[:80]))
    return found


def _fault(value: object, deep: int) -> tuple[list[str], str] | None:
    """The first thing in `value` that cannot be kept: its place, innermost step first, and what is wrong with it."""
    if isinstance(value, str):
        return _text_fault(value)
    if not isinstance(value, dict | list):
        return None
    if deep == 0:
        return [], f"has brackets more than {MOST_DEEP} deep"
    for step, inner in value.items() if isinstance(value, dict) else enumerate(value):
        fault = (isinstance(step, str) and _text_fault(step)) or _fault(inner, deep - 1)
        if fault:
            fault[0].append(ascii(step)[1:-1][:80] if isinstance(step, str) else str(step))
            return fault
    return None


def _text_fault(text: str) -> tuple[list[str], str] | None:
    if len(text) > LONGEST_TEXT:
        return [], f"is a text of {len(text)} characters; at most {LONGEST_TEXT} are read"
    sign = unwritable(text, LINE_BREAKS)
    return ([], f"must hold no control characters ({sign} is one)") if sign else None
