"""Every edit of a catalogue can be undone, whatever it touched: one fact, or all parts of a pack."""

from collections.abc import Callable, Iterator, Mapping
from contextlib import contextmanager

from django.db import transaction

from jungle.catalogue.models import CatalogueEdit, Part

STATE = ("slot", "kind", "document", "origin", "original")
EDITS_KEPT = 100
LABEL_LENGTH = 200
State = dict[str, str]


class NothingToUndo(LookupError):
    """There is no edit of the catalogue to go back to, or to make again."""


class PartInUse(Exception):
    """A part cannot be taken out while builds hang it. Names them."""


class ChangedSince(Exception):
    """A part is not as the edit left it: something that is not an edit of the catalogue has changed it."""


@contextmanager
def recorded(owner_id: int, label: str) -> Iterator[None]:
    """One edit of an owner's catalogue, whole or not at all; what could have been redone before is forgotten.

    An edit that changes nothing is none.
    """
    with transaction.atomic():
        before = _states(owner_id)
        yield
        after = _states(owner_id)
        touched = {id for id in before.keys() | after.keys() if before.get(id) != after.get(id)}
        if not touched:
            return
        edits = CatalogueEdit.objects.filter(owner_id=owner_id)
        edits.filter(undone=True).delete()
        edits.create(
            owner_id=owner_id,
            label=label[:LABEL_LENGTH],
            before={id: before.get(id) for id in touched},
            after={id: after.get(id) for id in touched},
        )
        old = edits.order_by("-pk").values_list("pk", flat=True)[EDITS_KEPT:]
        edits.filter(pk__in=list(old)).delete()


def undo_edit(owner_id: int, used_by: Callable[[str], list[str]]) -> None:
    """Take the newest edit back.

    Raises `NothingToUndo`, `PartInUse` where builds need a part it brought, or `ChangedSince`; nothing is then changed.
    """
    edit = _newest(owner_id)
    if edit is None:
        raise NothingToUndo("There is nothing to undo in the catalogue.")
    _swap(owner_id, edit, edit.after, edit.before, used_by)


def redo_edit(owner_id: int, used_by: Callable[[str], list[str]]) -> None:
    """Make the edit again that was undone last. Raises as `undo_edit` does."""
    edit = _undone(owner_id)
    if edit is None:
        raise NothingToUndo("There is nothing to redo in the catalogue.")
    _swap(owner_id, edit, edit.before, edit.after, used_by)


def edit_labels(owner_id: int) -> tuple[str, str]:
    """What `undo_edit` would take back and what `redo_edit` would make again; empty where there is nothing."""
    newest, undone = _newest(owner_id), _undone(owner_id)
    return newest.label if newest else "", undone.label if undone else ""


@transaction.atomic
def _swap(
    owner_id: int,
    edit: CatalogueEdit,
    held: Mapping[str, State | None],
    wanted: Mapping[str, State | None],
    used_by: Callable[[str], list[str]],
) -> None:
    parts, states = Part.objects.visible_to(owner_id), _states(owner_id)
    for id, state in wanted.items():
        if states.get(id) != held[id]:
            raise ChangedSince(f"'{id}' has changed since; what was done to it cannot be undone or redone.")
        if state is not None:
            parts.update_or_create(owner_id=owner_id, name_id=id, defaults=state)
        elif builds := used_by(id):
            raise PartInUse(
                f"{parts.get(name_id=id).sheet.name} is part of {', '.join(builds)}. Take it off there first."
            )
        else:
            parts.named(id).delete()
    edit.undone = not edit.undone
    edit.save()


def _newest(owner_id: int) -> CatalogueEdit | None:
    return CatalogueEdit.objects.filter(owner_id=owner_id, undone=False).order_by("-pk").first()


def _undone(owner_id: int) -> CatalogueEdit | None:
    return CatalogueEdit.objects.filter(owner_id=owner_id, undone=True).order_by("pk").first()


def _states(owner_id: int) -> dict[str, State]:
    rows = Part.objects.visible_to(owner_id).values("name_id", *STATE)
    return {row.pop("name_id"): row for row in rows}
