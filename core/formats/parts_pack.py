"""The parts pack: spec sheets of parts, as JSON."""

from typing import Literal, Self

from pydantic import Field, ValidationError, model_validator

from core.formats.errors import bad_file, refuse_endless_numbers
from core.model.parts import AnyPart
from core.model.record import Name, Record


class PartsPack(Record):
    """Parts that travel together."""

    format: Literal["jungle-parts"] = "jungle-parts"
    version: Literal[1] = 1
    name: Name
    parts: tuple[AnyPart, ...] = Field(max_length=5000)

    @model_validator(mode="after")
    def _distinct_ids(self) -> Self:
        ids = [part.id for part in self.parts]
        twice = sorted({id for id in ids if ids.count(id) > 1})
        if twice:
            raise ValueError(f"parts share an id: {', '.join(twice)}")
        return self


def read_parts_pack(text: str | bytes) -> PartsPack:
    """The parts in `text`. Raises `BadFile` with every error by its place."""
    refuse_endless_numbers(text)
    try:
        return PartsPack.model_validate_json(text)
    except ValidationError as error:
        raise bad_file(error) from error


def write_parts_pack(pack: PartsPack) -> str:
    """`pack` as indented JSON; `read_parts_pack` gives it back unchanged, unknown fields included."""
    return pack.model_dump_json(indent=2) + "\n"
