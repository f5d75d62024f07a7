"""What an owner does with single sheets: write one, change a fact of one, take it back, take it out.

Each function decides what the entries become; `plans.services.parts` judges the builds that it touches, and stores it.
"""

from collections.abc import Mapping
from uuid import uuid4

from core.model.parts import KINDS, Price
from core.model.parts.base import FactSource
from core.model.parts.sheets import fact_from, sheet_from
from core.model.typed import FieldErrors, with_changes
from core.quantities import UnitSystem
from jungle.catalogue.entries import EntryState, States, keep_sheets, states_of
from jungle.catalogue.models import Entry, Origin

TOKEN_LENGTH = 10
Typed = Mapping[str, object]


class NoSuchPart(LookupError):
    """The owner's catalogue has no part of that id."""


class StaleEntry(Exception):
    """The part was changed since it was seen. Carries its entry as it is now."""

    def __init__(self, entry: Entry) -> None:
        super().__init__(f"part {entry.part_id} is at revision {entry.revision}")
        self.entry = entry


def new_id(kind: str) -> str:
    """An id that no other part ever has, whatever the part is called, and in which script."""
    return f"{kind.replace('_', '-')}-{uuid4().hex[:TOKEN_LENGTH]}"


def find_entry(owner_id: int, part_id: str, revision: int | None = None) -> Entry:
    """The owner's entry. Raises `NoSuchPart`, or `StaleEntry` where it is not at the `revision` named."""
    entry = Entry.objects.visible_to(owner_id).named(part_id).select_related("sheet").first()
    if entry is None:
        raise NoSuchPart(f"There is no part '{part_id}'.")
    if revision is not None and entry.revision != revision:
        raise StaleEntry(entry)
    return entry


def part_added(part_id: str, kind: str, typed: Typed, units: UnitSystem, currency: str) -> States:
    """A part of the owner's own. Raises `FieldErrors`."""
    if kind not in KINDS:
        raise FieldErrors([("kind", kind, ", ".join(KINDS))])
    (digest,) = keep_sheets([sheet_from(kind, part_id, typed, None, units, currency)])
    return {part_id: EntryState(digest, None, Origin.OWN)}


def facts_changed(entry: Entry, typed: Typed, units: UnitSystem, currency: str) -> States:
    """Other facts for a part; the sheet as it came is kept, so that it can be taken back. Raises `FieldErrors`."""
    sheet = sheet_from(entry.sheet.kind, entry.part_id, typed, entry.spec, units, currency)
    return {entry.part_id: _state(entry).changed_to(*keep_sheets([sheet]))}


def source_cited(entry: Entry, field: str, typed: Typed, units: UnitSystem) -> States:
    """Where a fact was read, when, and what another source states. Raises `FieldErrors`."""
    sheet = entry.spec
    if field not in type(sheet).model_fields:
        raise FieldErrors([("field", field, "a fact of this sheet")])
    before = sheet.sources.get(field) or FactSource(source="not said")
    read = dict(typed)
    currency = sheet.price.currency if sheet.price else Price.model_fields["currency"].default
    if isinstance(other := typed.get("other"), str):
        read["other"] = fact_from(type(sheet), field, other, units, currency)
    source = with_changes(before, read, units, currency)
    sheet = sheet.model_copy(update={"sources": {**sheet.sources, field: source}})
    return {entry.part_id: _state(entry).changed_to(*keep_sheets([sheet]))}


def sheet_restored(entry: Entry) -> States:
    """The sheet as it came, the owner's own changes taken back."""
    state = _state(entry)
    return {entry.part_id: state if state.came_as is None else EntryState(state.came_as, None, state.origin)}


def taken_out(owner_id: int, part_id: str) -> States:
    """The part is not there any more. Raises `NoSuchPart`."""
    if not states_of(owner_id, [part_id]):
        raise NoSuchPart(f"There is no part '{part_id}'.")
    return {part_id: None}


def _state(entry: Entry) -> EntryState:
    return EntryState(entry.sheet_id, entry.came_as_id, entry.origin)
