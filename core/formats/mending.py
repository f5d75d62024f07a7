"""Documents that were kept before their bounds were: what they hold beyond them is left out, so that the rest is read.

Only for what a database holds. A file that somebody brings is refused with its errors, so that they are mended there.
"""

from collections.abc import Callable
from typing import Any, TypeVar

from pydantic import ValidationError

from core.model.record import Record

R = TypeVar("R", bound=Record)
Place = tuple[str | int, ...]
MOST_MENDED = 200
"""A document with more faults than that is none of ours."""


def mended_document(read: Callable[[Any], R], document: Any, tagged: bool = False) -> tuple[R, tuple[str, ...]]:
    """What `read` makes of `document`, and the places of what had to be left out for that.

    With `tagged`, the first step of each place names the kind of the whole and is no step. `document` is changed.
    Raises `ValidationError` where nothing can be left out that would make it readable.
    """
    left_out: list[str] = []
    for _ in range(MOST_MENDED):
        try:
            return read(document), tuple(left_out)
        except ValidationError as error:
            found = error.errors(include_url=False)[0]
            place: Place = tuple(step for step in found["loc"][1 if tagged else 0 :] if step != "[key]")
            if found["type"] == "missing":
                place = place[:-1]
            gone = _shortened(document, place, found) or _without(document, place)
            if not gone:
                raise
            left_out.append(gone)
    raise ValueError(f"more than {MOST_MENDED} faults")


def _shortened(document: Any, place: Place, found: Any) -> str:
    """A list that is too long, cut; tells what is left out, or nothing where it is no such list."""
    most = found.get("ctx", {}).get("max_length")
    held = _at(document, place)
    if found["type"] != "too_long" or not isinstance(held, list) or most is None:
        return ""
    del held[most:]
    return f"{'.'.join(map(str, place))} beyond {most}"


def _without(document: Any, place: Place) -> str:
    """Takes what is at `place` out, or what holds it where it is a step of no document; tells which place it was."""
    while place:
        holder, step = _at(document, place[:-1]), place[-1]
        if _holds(holder, step):
            holder.pop(step)
            return ".".join(map(str, place))
        place = place[:-1]
    return ""


def _holds(holder: Any, step: str | int) -> bool:
    return step in holder if isinstance(holder, dict) else isinstance(holder, list) and isinstance(step, int)


def _at(document: Any, place: Place) -> Any:
    for step in place:
        try:
            document = document[step]
        except (LookupError, TypeError):
            return None
    return document
