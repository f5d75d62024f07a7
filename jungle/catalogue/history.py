"""Every edit of a catalogue can be undone, whatever it touched: one fact, or all parts of a pack."""

from collections.abc import Mapping

from jungle.catalogue.bulk import write_rows
from jungle.catalogue.entries import EntryState, States
from jungle.catalogue.models import CatalogueEdit, TouchedEntry

EDITS_KEPT = 100
LABEL_LENGTH = 200


class NothingToUndo(LookupError):
    """There is no edit of the catalogue to go back to, or to make again."""


class ChangedSince(Exception):
    """A part is not as the edit left it: something that is not an edit of the catalogue has changed it."""


def record_edit(owner_id: int, label: str, before: Mapping[str, EntryState], after: States) -> None:
    """Remember an edit; what could have been redone before it is forgotten, and what is too long ago."""
    edits = CatalogueEdit.objects.filter(owner_id=owner_id)
    edits.filter(undone=True).delete()
    edit = edits.create(owner_id=owner_id, label=label[:LABEL_LENGTH])
    rows = [(edit.pk, id, *_columns(before.get(id)), *_columns(state)) for id, state in after.items()]
    write_rows(TouchedEntry, ("edit", "part_id", *_sides("before"), *_sides("after")), rows)
    old = edits.order_by("-pk").values_list("pk", flat=True)[EDITS_KEPT:]
    edits.filter(pk__in=list(old)).delete()


def edit_to_undo(owner_id: int) -> CatalogueEdit:
    """The newest edit. Raises `NothingToUndo`."""
    if edit := _newest(owner_id):
        return edit
    raise NothingToUndo("There is nothing to undo in the catalogue.")


def edit_to_redo(owner_id: int) -> CatalogueEdit:
    """The edit that was undone last. Raises `NothingToUndo`."""
    if edit := _undone(owner_id):
        return edit
    raise NothingToUndo("There is nothing to redo in the catalogue.")


def states_around(edit: CatalogueEdit) -> tuple[States, States]:
    """The entries that `edit` touched, as they were before it and after it."""
    before: dict[str, EntryState | None] = {}
    after: dict[str, EntryState | None] = {}
    for touched in edit.touched.all():
        id = touched.part_id
        before[id] = _state(touched.sheet_before, touched.came_as_before, touched.origin_before)
        after[id] = _state(touched.sheet_after, touched.came_as_after, touched.origin_after)
    return before, after


def edit_labels(owner_id: int) -> tuple[str, str]:
    """What undo would take back and what redo would make again; empty where there is nothing."""
    newest, undone = _newest(owner_id), _undone(owner_id)
    return newest.label if newest else "", undone.label if undone else ""


def _newest(owner_id: int) -> CatalogueEdit | None:
    return CatalogueEdit.objects.filter(owner_id=owner_id, undone=False).order_by("-pk").first()


def _undone(owner_id: int) -> CatalogueEdit | None:
    return CatalogueEdit.objects.filter(owner_id=owner_id, undone=True).order_by("pk").first()


def _sides(side: str) -> tuple[str, str, str]:
    return f"sheet_{side}", f"came_as_{side}", f"origin_{side}"


def _columns(state: EntryState | None) -> tuple[str, str, str]:
    return (state.sheet, state.came_as or "", state.origin) if state else ("", "", "")


def _state(sheet: str, came_as: str, origin: str) -> EntryState | None:
    return EntryState(sheet, came_as or None, origin) if sheet else None
