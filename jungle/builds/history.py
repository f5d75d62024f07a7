"""The history of a build: each edit as its difference to the one before, whole ones in between.

Nothing of it is ever thrown away: twenty thousand edits of a furnished build take some ten megabytes.
"""

import json
from collections.abc import Iterator
from typing import NamedTuple

import jsonpatch

from core.formats.stored import read_stored_build
from core.model.build import Build
from jungle.builds.models import Edit, StoredBuild


class StoredDocument(NamedTuple):
    """A document as it is stored, and the version that it was written in."""

    document: str
    version: int


WHOLE_EVERY = 50
"""Going back reads at most so many differences."""
LABEL_LENGTH = 200


def record(
    build: StoredBuild, number: int, label: str, actor_id: int, before: str = "", version_before: int = 0
) -> None:
    """Remember what `build` has become as edit `number`; `before` is the document of the edit before, if any.

    That is the very document which the history has for that edit: going along the history stores it as it is there.
    What was undone before is forgotten.
    """
    build.edits.filter(number__gte=number).delete()
    whole = number % WHOLE_EVERY == 0 or version_before != build.version
    difference = "" if whole else _difference(before, build.document)
    Edit.objects.create(
        build=build,
        number=number,
        label=label[:LABEL_LENGTH],
        actor_id=actor_id,
        version=build.version,
        document="" if difference else build.document,
        difference=difference,
    )


def rewrite(build: StoredBuild) -> None:
    """Let the edit that `build` went back to leave what it has become: parts that came back have other ids now.

    The edit after it, which is told by its difference, is kept whole first.
    """
    following = stored_after(build, build.edit_number + 1)
    if following is not None:
        _keep_whole(build, build.edit_number + 1, following)
    _keep_whole(build, build.edit_number, StoredDocument(build.document, build.version))


def stored_after(build: StoredBuild, number: int) -> StoredDocument | None:
    """What edit `number` left, as it was stored; `None` where there is no such edit."""
    edits = build.edits.filter(number__lte=number)
    start = edits.exclude(document="").order_by("-number").first()
    if start is None:
        return None
    if start.number == number:
        return StoredDocument(start.document, start.version)
    steps = dict(edits.filter(number__gt=start.number).values_list("number", "difference"))
    document = json.loads(start.document)
    for step in range(start.number + 1, number + 1):
        if step not in steps:
            return None
        document = jsonpatch.apply_patch(document, steps[step])
    return StoredDocument(json.dumps(document), start.version)


def readable_before(build: StoredBuild, number: int) -> Iterator[tuple[int, StoredDocument, Build]]:
    """The states before edit `number` that can be read, the newest first, each with its number and as it is stored."""
    for earlier in range(number - 1, -1, -1):
        try:
            stored = stored_after(build, earlier)
            if stored is not None:
                yield earlier, stored, read_stored_build(*stored)
        except (ValueError, jsonpatch.JsonPatchException):
            continue


def _keep_whole(build: StoredBuild, number: int, stored: StoredDocument) -> None:
    build.edits.filter(number=number).update(document=stored.document, version=stored.version, difference="")


def _difference(before: str, after: str) -> str:
    """What turns one document into the other; empty where that would not give back the very same."""
    start, end = json.loads(before), json.loads(after)
    # Most edits change one part of the whole; what is the same is compared much faster than it is patched.
    same = {key for key in start.keys() & end.keys() if start[key] == end[key]}
    start, end = ({key: told[key] for key in told.keys() - same} for told in (start, end))
    patch = jsonpatch.make_patch(start, end)
    text: str = patch.to_string()
    return text if len(text) < len(after) and patch.apply(start) == end else ""
