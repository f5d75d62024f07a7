"""The build file: one build and the spec sheets of the parts it hangs, as JSON."""

from typing import Any, Literal, Self

from pydantic import Field, ValidationError, model_validator

from core.formats.errors import bad_file
from core.formats.parts_pack import with_upgraded_parts
from core.formats.reading import read_json
from core.formats.versions import CURRENT, Version, upgraded_build
from core.model.build import Build
from core.model.chain import UnknownPart, resolve_chain
from core.model.kit import resolve_kit
from core.model.ledger import MOST_ENTRIES
from core.model.parts import AnyPart, Part
from core.model.record import Record
from core.model.shops import MOST_SHOPS, Offer, Shop


class BuildFile(Record):
    """A build that can be evaluated anywhere: it brings the parts that it hangs."""

    format: Literal["jungle-build"] = "jungle-build"
    version: Version = CURRENT  # type: ignore[assignment]
    build: Build
    parts: tuple[AnyPart, ...] = Field(default=(), max_length=500)
    shops: tuple[Shop, ...] = Field(default=(), max_length=MOST_SHOPS)
    offers: tuple[Offer, ...] = Field(default=(), max_length=MOST_ENTRIES)
    """Those that quotes were taken from, and the shops that they are of."""

    @property
    def parts_by_id(self) -> dict[str, Part]:
        """The parts, by their id."""
        return {part.id: part for part in self.parts}

    @model_validator(mode="after")
    def _parts_are_there(self) -> Self:
        if len(self.parts_by_id) != len(self.parts):
            raise ValueError("two parts share an id; every part needs an id of its own")
        try:
            resolve_chain(self.build, self.parts_by_id)
            resolve_kit(self.build, self.parts_by_id)
        except UnknownPart as unknown:
            raise ValueError(str(unknown)) from unknown
        return self


def read_build_file(text: str | bytes) -> BuildFile:
    """The build in `text`, of any version. Raises `BadFile` with every error by its place."""
    document = with_upgraded_parts(read_json(text), _upgraded)
    try:
        return BuildFile.model_validate(document)
    except ValidationError as error:
        raise bad_file(error) from error


def write_build_file(file: BuildFile) -> str:
    """`file` as indented JSON; `read_build_file` gives it back unchanged, unknown fields included."""
    return file.model_dump_json(indent=2) + "\n"


def _upgraded(document: dict[str, Any], version: int) -> dict[str, Any]:
    build = document.get("build")
    return {**document, "build": upgraded_build(build, version)} if isinstance(build, dict) else document
