"""What an owner does with single sheets: write one, change a fact of one, take it back, take it out."""

from collections.abc import Mapping

from core.model.parts import KINDS
from core.model.parts.base import FactSource
from core.model.parts.sheets import fact_from, sheet_from
from core.model.typed import FieldErrors, changed
from core.model.usual import free_id
from core.quantities import UnitSystem
from jungle.catalogue.history import PartInUse, recorded
from jungle.catalogue.models import Origin, Part
from jungle.catalogue.services import row_of

ID_LENGTH = 60


class NoSuchPart(LookupError):
    """The owner's catalogue has no part of that id."""


def add_part(owner_id: int, kind: str, typed: Mapping[str, object], units: UnitSystem, currency: str) -> Part:
    """A part of the owner's own. Raises `FieldErrors`."""
    if kind not in KINDS:
        raise FieldErrors([("kind", kind, ", ".join(KINDS))])
    held = Part.objects.visible_to(owner_id).values_list("name_id", flat=True)
    words = "-".join(f"{typed.get('maker', '')} {typed.get('name', '')}".lower().split())
    stem = "".join(letter for letter in words if letter.isascii() and (letter.isalnum() or letter == "-"))
    sheet = sheet_from(kind, free_id(stem[:ID_LENGTH].strip("-") or "part", held), typed, None, units, currency)
    part = row_of(owner_id, sheet, Origin.OWN)
    with recorded(owner_id, f"Added {sheet.name}"):
        part.save()
    return part


def change_part(owner_id: int, part_id: str, typed: Mapping[str, object], units: UnitSystem, currency: str) -> Part:
    """Other facts for a part; the sheet as it came is kept, so that it can be taken back. Raises `FieldErrors`."""
    part = find_part(owner_id, part_id)
    sheet = sheet_from(part.kind, part_id, typed, part.sheet, units, currency)
    with recorded(owner_id, f"Facts of {part.sheet.name}"):
        return _store(part, sheet)


def cite(owner_id: int, part_id: str, field: str, typed: Mapping[str, object], units: UnitSystem) -> Part:
    """Say where a fact was read, when, and what another source states. Raises `FieldErrors`."""
    part = find_part(owner_id, part_id)
    sheet = part.sheet
    if field not in type(sheet).model_fields:
        raise FieldErrors([("field", field, "a fact of this sheet")])
    before = sheet.sources.get(field) or FactSource(source="not said")
    read = dict(typed)
    if isinstance(other := typed.get("other"), str):
        read["other"] = fact_from(type(sheet), field, other, units, "EUR")
    source = changed(before, read, units, "EUR")
    sources = {**sheet.sources, field: source}
    with recorded(owner_id, f"Source of a fact of {sheet.name}"):
        return _store(part, sheet.model_copy(update={"sources": sources}))


def restore_part(owner_id: int, part_id: str) -> Part:
    """The sheet as it came, the owner's own changes taken back."""
    part = find_part(owner_id, part_id)
    if part.original:
        with recorded(owner_id, f"Changes of {part.sheet.name} taken back"):
            part.document, part.original = part.original, ""
            part.save()
    return part


def remove_part(owner_id: int, part_id: str, used_by: list[str]) -> None:
    """Take a part out of the catalogue. Raises `PartInUse` where `used_by` names builds that have it."""
    part = find_part(owner_id, part_id)
    if used_by:
        raise PartInUse(f"{part.sheet.name} is part of {', '.join(used_by)}. Take it off there first.")
    with recorded(owner_id, f"Took {part.sheet.name} out"):
        part.delete()


def find_part(owner_id: int, part_id: str) -> Part:
    """The part, if it is there. Raises `NoSuchPart`."""
    part = Part.objects.visible_to(owner_id).named(part_id).first()
    if part is None:
        raise NoSuchPart(f"There is no part '{part_id}'.")
    return part


def _store(part: Part, sheet: object) -> Part:
    document = sheet.model_dump_json()  # type: ignore[attr-defined]
    if document != part.document:
        if part.origin != Origin.OWN and not part.original:
            part.original = part.document
        part.document = document if document != part.original else part.original
        if part.document == part.original:
            part.original = ""
        part.save()
    return part
