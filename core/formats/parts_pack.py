"""The parts pack: spec sheets of parts, as JSON."""

from collections import Counter
from collections.abc import Callable
from typing import Any, Literal, Self

from pydantic import Field, ValidationError, model_validator

from core.formats.errors import BadFile, FileError, bad_file
from core.formats.reading import read_json
from core.formats.versions import CURRENT, UnknownVersion, Version, upgraded_part
from core.model.parts import SHEET, AnyPart
from core.model.record import Name, Record


class PartsPack(Record):
    """Parts that travel together."""

    format: Literal["jungle-parts"] = "jungle-parts"
    version: Version = CURRENT  # type: ignore[assignment]
    name: Name
    parts: tuple[AnyPart, ...] = Field(max_length=5000)

    @model_validator(mode="after")
    def _distinct_ids(self) -> Self:
        twice = sorted(id for id, times in Counter(part.id for part in self.parts).items() if times > 1)
        if twice:
            raise ValueError(f"parts share an id: {', '.join(twice[:20])}")
        return self


def read_parts_pack(text: str | bytes) -> PartsPack:
    """The parts in `text`, of any version. Raises `BadFile` with every error by its place."""
    document = with_upgraded_parts(read_json(text))
    if isinstance(document, dict) and isinstance(document.get("parts"), list):
        document = {**document, "parts": _one_by_one(document["parts"])}
    try:
        return PartsPack.model_validate(document)
    except ValidationError as error:
        raise bad_file(error) from error


def _one_by_one(parts: list[Any]) -> list[Any]:
    """Each part validated by itself: thousands in one go would let nothing else run meanwhile.

    Where one is bad they stay as they are, so that all errors are told by their place in the whole.
    """
    try:
        return [SHEET.validate_python(part) for part in parts]
    except ValidationError:
        return parts


def write_parts_pack(pack: PartsPack) -> str:
    """`pack` as indented JSON; `read_parts_pack` gives it back unchanged, unknown fields included."""
    return pack.model_dump_json(indent=2) + "\n"


def with_upgraded_parts(
    document: object, upgraded_rest: Callable[[dict[str, Any], int], dict[str, Any]] = lambda rest, version: rest
) -> object:
    """A file's `document` with its parts, and what `upgraded_rest` looks after, as the current version has them.

    Raises `BadFile` for a version that is not known; what is no document at all is left to its validation.
    """
    if not isinstance(document, dict):
        return document
    version, parts = document.get("version", 1), document.get("parts")
    try:
        if isinstance(parts, list):
            upgraded = [upgraded_part(part, version) if isinstance(part, dict) else part for part in parts]
            document = {**document, "parts": upgraded}
        return {**upgraded_rest(document, version), "version": CURRENT}
    except UnknownVersion as unknown:
        raise BadFile([FileError("version", repr(version)[:80], str(unknown))]) from unknown
