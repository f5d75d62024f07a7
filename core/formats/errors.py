"""Errors in a file, each with its place."""

from collections.abc import Sequence
from dataclasses import dataclass

from pydantic import ValidationError

from core.model.text import plain_words, unwritable
from core.model.typed import FieldErrors

LONGEST_SHOWN = 40
"""Characters of a value that is not accepted."""
MOST_ERRORS = 20
"""Told at once; whoever mends these sees the next."""
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


def bad_file(error: ValidationError) -> BadFile:
    """The `BadFile` that says what validation found."""
    errors = error.errors(include_url=False, include_context=False)
    told = [_file_error(found["loc"], found["input"], found["msg"]) for found in errors[:MOST_ERRORS]]
    if len(errors) > MOST_ERRORS:
        told.append(FileError("file", "", f"holds {len(errors) - MOST_ERRORS} more errors"))
    return BadFile(told)


def _file_error(place: tuple[str | int, ...], value: object, problem: str) -> FileError:
    steps = list(place)
    if len(steps) > TAGGED and steps[0] == "parts":
        del steps[TAGGED]
    shown = (
        ""
        if isinstance(value, dict | list)
        else ascii(value)[:80]
        if isinstance(value, str) and unwritable(value)
        else repr(value)[:80]
    )
    return FileError(".".join(map(str, steps)) or "file", shown, plain_words(problem))


def row_problem(errors: FieldErrors) -> str:
    """What is wrong with a row of a table: each field with its value, and what is accepted, on a line of its own."""
    return "\n".join(
        f"{field} '{str(value)[:LONGEST_SHOWN]}'; accepted: {accepted}" for field, value, accepted in errors.errors
    )
