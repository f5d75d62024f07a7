"""Replies that a browser keeps as files."""

from django.http import HttpResponse
from django.utils.http import content_disposition_header
from django.utils.text import slugify

from jungle.builds.models import StoredBuild


def file_of(build: StoredBuild, content: str | bytes, content_type: str, ending: str) -> HttpResponse:
    """`content` as a file that carries the name of `build`, or its number where a name has no letters."""
    reply = HttpResponse(content, content_type=content_type)
    name = slugify(build.name, allow_unicode=True) or f"build-{build.pk}"
    reply["Content-Disposition"] = content_disposition_header(True, f"{name}{ending}")
    return reply
