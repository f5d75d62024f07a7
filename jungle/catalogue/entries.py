"""What an owner's catalogue holds, and the one way in which that changes: on the revision it was seen at."""

from collections.abc import Iterable, Mapping
from hashlib import sha256
from typing import Any, NamedTuple

from django.db import transaction
from django.db.models import QuerySet

from core.formats.stored import write_stored
from core.formats.versions import CURRENT
from core.model.build import slot_for
from core.model.parts import Part as SpecSheet
from core.model.parts import kind_of
from jungle.catalogue.bulk import write_rows
from jungle.catalogue.models import Catalogue, Entry, Sheet, TouchedEntry

WRITTEN_AT_ONCE = 250
"""Sheets in one transaction: a hundredth of a second, so that nobody waits for the others."""
SHEET_FIELDS = ("digest", "version", "kind", "slot", "document")


class CatalogueMoved(Exception):
    """The catalogue is not at the revision any more at which something was decided; decide again."""


class EntryState(NamedTuple):
    """One entry: digests of its sheet and of the one it came with, where that is another, and where it came from."""

    sheet: str
    came_as: str | None
    origin: str

    def changed_to(self, sheet: str) -> "EntryState":
        """This entry with another sheet; the one it came with is kept, unless its owner wrote it or is back at it."""
        came_as = self.came_as or (None if self.origin == "own" else self.sheet)
        return EntryState(sheet, None if came_as == sheet else came_as, self.origin)


States = Mapping[str, EntryState | None]
"""Entries by part id; `None` for one that is not there."""


def revision_of(owner_id: int) -> int:
    """The revision of an owner's catalogue; a new owner's is 0."""
    return Catalogue.objects.filter(pk=owner_id).values_list("revision", flat=True).first() or 0


def states_of(owner_id: int, ids: Iterable[str] | None = None) -> dict[str, EntryState]:
    """The entries of an owner, by part id; with `ids`, those of them that are there."""
    entries = Entry.objects.visible_to(owner_id)
    columns = ("part_id", "sheet_id", "came_as_id", "origin")
    if ids is None:
        return {id: EntryState(*rest) for id, *rest in entries.values_list(*columns)}
    wanted, found = list(ids), {}
    for start in range(0, len(wanted), WRITTEN_AT_ONCE):
        some = entries.named(*wanted[start : start + WRITTEN_AT_ONCE])
        found.update({id: EntryState(*rest) for id, *rest in some.values_list(*columns)})
    return found


def digest_of(sheet: SpecSheet) -> str:
    """By which `sheet` is found."""
    return _digest(write_stored(sheet))


def keep_sheets(sheets: Iterable[SpecSheet]) -> list[str]:
    """Write `sheets` that are not there yet, a few at a time; answers their digests, in order.

    A sheet alone shows nobody anything, so this goes before the transaction that gives somebody an entry.
    """
    rows = [_row_of(sheet) for sheet in sheets]
    digests = [digest for digest, *_ in rows]
    for start in range(0, len(rows), WRITTEN_AT_ONCE):
        some = digests[start : start + WRITTEN_AT_ONCE]
        there = set(Sheet.objects.filter(pk__in=some).values_list("pk", flat=True))
        new = [row for row in rows[start : start + WRITTEN_AT_ONCE] if row[0] not in there]
        if new:
            with transaction.atomic():
                write_rows(Sheet, SHEET_FIELDS, new, replacing_on=("digest",))
    return digests


def hold(owner_id: int, revision: int) -> None:
    """Make sure, to the end of this transaction, that the catalogue is and stays at `revision`.

    Raises `CatalogueMoved`.
    """
    _move(owner_id, revision, revision)


@transaction.atomic
def store_states(owner_id: int, revision: int, states: States) -> None:
    """Make the entries what `states` say, if the catalogue is still at `revision`. Raises `CatalogueMoved`."""
    _move(owner_id, revision, revision + 1)
    entries = Entry.objects.visible_to(owner_id)
    gone = [id for id, state in states.items() if state is None]
    for start in range(0, len(gone), WRITTEN_AT_ONCE):
        entries.named(*gone[start : start + WRITTEN_AT_ONCE]).delete()
    there = [(id, state) for id, state in states.items() if state is not None]
    rows = [(owner_id, id, state.sheet, state.came_as, state.origin, revision + 1) for id, state in there]
    fields = ("owner", "part_id", "sheet", "came_as", "origin", "revision")
    write_rows(Entry, fields, rows, replacing_on=("owner", "part_id"))


def _move(owner_id: int, revision: int, to: int) -> None:
    if revision == 0:
        Catalogue.objects.get_or_create(owner_id=owner_id)
    if not Catalogue.objects.filter(pk=owner_id, revision=revision).update(revision=to):
        raise CatalogueMoved


def _row_of(sheet: SpecSheet) -> tuple[str, int, str, str, str]:
    """Digest, version, kind, slot and document, as `SHEET_FIELDS` names them."""
    document = write_stored(sheet)
    return _digest(document), CURRENT, kind_of(sheet), slot_for(sheet) or "", document


def _digest(document: str) -> str:
    return sha256(f"{CURRENT}:{document}".encode()).hexdigest()


def clear_unused_sheets(used_elsewhere: QuerySet[Any, Any]) -> int:
    """Delete sheets that no entry has, no edit of a catalogue touched, and nobody uses elsewhere; answers how many."""
    referring = [Entry.objects.values("sheet_id"), Entry.objects.exclude(came_as=None).values("came_as_id")]
    for name in ("sheet_before", "came_as_before", "sheet_after", "came_as_after"):
        referring.append(TouchedEntry.objects.exclude(**{name: ""}).values(name))
    unused = Sheet.objects.exclude(pk__in=used_elsewhere)
    for used in referring:
        unused = unused.exclude(pk__in=used)
    return unused.delete()[0]
