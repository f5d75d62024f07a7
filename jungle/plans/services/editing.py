"""The one way a build changes: on the revision it was seen at, recorded, or not at all."""

from collections.abc import Callable, Iterable
from dataclasses import dataclass

from django.contrib.auth.models import User
from django.db import transaction

from core.model.build import Build as BuildDocument
from core.report.small_items import without_lapsed
from jungle.catalogue.models import Part
from jungle.plans.models import Build, Edit

LABEL_LENGTH = 200


class StaleRevision(Exception):
    """The build has changed since it was seen. Carries the build as it is now."""

    def __init__(self, build: Build) -> None:
        super().__init__(f"build {build.pk} is at revision {build.revision}")
        self.build = build


class Locked(Exception):
    """A part that is locked would be swapped or taken down. Says which, and how to go on."""


class NothingThere(LookupError):
    """Something named in a request is not there for this person."""


@dataclass(frozen=True)
class On:
    """Which build an edit is for, the revision it was made on, and who makes it."""

    build_id: int
    revision: int
    actor: User


def find_build(build_id: int, actor: User) -> Build:
    """The build, if it is there for `actor`; otherwise `NothingThere`."""
    build = Build.objects.visible_to(actor.pk).filter(pk=build_id).first()
    if build is None:
        raise NothingThere(f"There is no build {build_id}.")
    return build


@transaction.atomic
def edit(on: On, label: str, change: Callable[[BuildDocument], BuildDocument]) -> Build:
    """Make one edit. What could have been redone before it is forgotten; an edit that changes nothing is none.

    Raises `StaleRevision` when the build is no longer at `on.revision`, and whatever `change` raises; the
    build is then as it was.
    """
    build = _current(on)
    before = build.plan
    after = _settled(build, change(before))
    if after == before:
        return build
    build.edits.filter(number__gt=build.edit_number).delete()
    build.become(after, build.edit_number + 1)
    Edit.objects.create(
        build=build, number=build.edit_number, label=label[:LABEL_LENGTH], actor=on.actor, document=build.document
    )
    return build


@transaction.atomic
def undo(on: On) -> Build:
    """Go back one edit. Raises `NothingThere` at the beginning."""
    return _step(on, -1)


@transaction.atomic
def redo(on: On) -> Build:
    """Make the edit again that was undone last. Raises `NothingThere` where none was."""
    return _step(on, +1)


def history_labels(build: Build) -> tuple[str | None, str | None]:
    """What `undo` would take back, and what `redo` would make again."""
    number = build.edit_number
    labels = dict(build.edits.filter(number__in=(number, number + 1)).values_list("number", "label"))
    return labels[number] if number else None, labels.get(number + 1)


def named(fields: Iterable[str]) -> str:
    """Fields as a label says them: `up_front_cap_minor` is 'up front cap'."""
    return ", ".join(field.removesuffix("_minor").removesuffix("_m").replace("_", " ") for field in fields)


def _settled(build: Build, after: BuildDocument) -> BuildDocument:
    """`after` without strikes of small items whose reason is gone with this edit."""
    if not any(decision.choice == "strike" for decision in after.small_items.values()):
        return after
    return without_lapsed(after, Part.objects.visible_to(build.owner_id).named(*after.parts_named).sheets())


def _current(on: On) -> Build:
    build = find_build(on.build_id, on.actor)
    if build.revision != on.revision:
        raise StaleRevision(build)
    return build


def _step(on: On, by: int) -> Build:
    build = _current(on)
    number = build.edit_number + by
    target = build.edits.filter(number=number).first() if number >= 0 else None
    if target is None:
        raise NothingThere("There is nothing to undo." if by < 0 else "There is nothing to redo.")
    build.become(BuildDocument.model_validate_json(target.document), number)
    return build
