"""Documents as a database keeps them: a build or a spec sheet as JSON, beside the version that it was written in."""

import json

from core.formats.versions import CURRENT, upgraded_build, upgraded_part
from core.model.build import Build
from core.model.parts import SHEET, Part


def write_stored(document: Build | Part) -> str:
    """`document` as it is kept, of version `CURRENT`."""
    return document.model_dump_json()


def read_stored_build(text: str, version: int) -> Build:
    """The build in `text`, which was written as `version`. Raises `ValueError` for one that cannot be read."""
    if version == CURRENT:
        return Build.model_validate_json(text)
    return Build.model_validate(upgraded_build(json.loads(text), version))


def read_stored_sheet(text: str, version: int) -> Part:
    """The spec sheet in `text`, which was written as `version`. Raises `ValueError` for one that cannot be read."""
    if version == CURRENT:
        return SHEET.validate_json(text)
    return SHEET.validate_python(upgraded_part(json.loads(text), version))
