"""Replies that a browser keeps as files, and what comes beside files that are sent."""

from typing import Any

from django.http import HttpResponse
from django.utils.http import content_disposition_header
from django.utils.text import slugify

from core.formats.errors import BadFile
from core.formats.reading import read_json
from core.model.typed import FieldErrors
from jungle.builds.models import StoredBuild


def file_of(build: StoredBuild, content: str | bytes, content_type: str, ending: str) -> HttpResponse:
    """`content` as a file that carries the name of `build`, or its number where a name has no letters."""
    reply = HttpResponse(content, content_type=content_type)
    name = slugify(build.name, allow_unicode=True) or f"build-{build.pk}"
    reply["Content-Disposition"] = content_disposition_header(True, f"{name}{ending}")
    return reply


def object_in(text: str, field: str) -> dict[str, Any]:
    """The JSON object that a field of a form holds. Raises `FieldErrors`."""
    try:
        value = read_json(text)
    except BadFile:
        value = None
    if not isinstance(value, dict):
        raise FieldErrors([(field, text, "a JSON object")])
    return value
