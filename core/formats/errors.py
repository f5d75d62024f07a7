"""Errors in a file, each with its place."""

import json
from collections.abc import Sequence
from contextlib import suppress
from dataclasses import dataclass
from math import isfinite

from pydantic import ValidationError

TAGGED = 2
"""A part's place carries its kind after its number: ('parts', 3, 'projector', 'throw_min')."""


@dataclass(frozen=True)
class FileError:
    """One thing wrong: where, what stands there, and what is accepted."""

    place: str
    value: str
    problem: str

    def __str__(self) -> str:
        return f"{self.place}: {self.problem}" + (f" (found {self.value})" if self.value else "")


class BadFile(ValueError):
    """A file that cannot be read, with everything that is wrong with it."""

    def __init__(self, errors: Sequence[FileError]) -> None:
        super().__init__("; ".join(map(str, errors)))
        self.errors = tuple(errors)


def refuse_endless_numbers(text: str | bytes) -> None:
    """Raises `BadFile` for a number that JSON has no word for: it could not be written back.

    What is no JSON at all is left to whoever reads it next, who tells its place.
    """
    endless: list[str] = []

    def noted(number: str) -> float:
        value = float(number)
        if not isfinite(value):
            endless.append(number)
        return value

    with suppress(ValueError, RecursionError):
        json.loads(text, parse_constant=noted, parse_float=noted)
    if endless:
        raise BadFile([FileError("file", endless[0], "numbers must be finite")])


def bad_file(error: ValidationError) -> BadFile:
    """The `BadFile` that says what validation found."""
    return BadFile([_file_error(found["loc"], found["input"], found["msg"]) for found in error.errors()])


def _file_error(place: tuple[str | int, ...], value: object, problem: str) -> FileError:
    steps = list(place)
    if len(steps) > TAGGED and steps[0] == "parts":
        del steps[TAGGED]
    shown = "" if isinstance(value, dict | list) else repr(value)[:80]
    return FileError(".".join(map(str, steps)) or "file", shown, problem.removeprefix("Value error, "))
