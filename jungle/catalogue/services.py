"""Parts that come into a catalogue with the sample world or with a build."""

from collections.abc import Iterable
from pathlib import Path

from django.db import transaction

from core.formats.parts_pack import read_parts_pack
from core.model.build import slot_for
from core.model.parts import Part as SpecSheet
from core.model.parts import kind_of
from jungle.catalogue.models import Origin, Part

SAMPLE_PACKS = Path(__file__).resolve().parent.parent / "demo" / "parts"
RENAMES_TRIED = 1000


@transaction.atomic
def adopt_sample_parts(owner_id: int) -> int:
    """Put the sample parts that are not there yet into a catalogue; answers how many.

    Those that are there follow the sample world, unless their owner has changed a fact of them.
    """
    sheets = [
        sheet for pack in sorted(SAMPLE_PACKS.glob("*.json")) for sheet in read_parts_pack(pack.read_text()).parts
    ]
    held = {part.name_id: part for part in Part.objects.visible_to(owner_id)}
    rows = [row_of(owner_id, sheet, Origin.SAMPLE) for sheet in sheets]
    new = [row for row in rows if row.name_id not in held]
    Part.objects.bulk_create(new)
    for row in rows:
        there = held.get(row.name_id)
        if there and there.origin == Origin.SAMPLE and not there.original and there.document != row.document:
            there.slot, there.kind, there.document = row.slot, row.kind, row.document
            there.save()
    return len(new)


@transaction.atomic
def adopt_parts(owner_id: int, sheets: Iterable[SpecSheet]) -> dict[str, str]:
    """Put parts that come with a build into a catalogue, and say under which id each is kept.

    A part that is already there, the same in every field, is not added again. One that has the id of another
    part is kept beside it under a new id: neither spec sheet is lost.
    """
    sheets = tuple(sheets)
    held = dict(Part.objects.visible_to(owner_id).sheets())
    kept: dict[str, str] = {}
    for sheet in sheets:
        same = next(id for id in _ids_to_try(sheet.id) if id not in held or _same(held[id], sheet))
        kept[sheet.id] = same
        if same not in held:
            held[same] = sheet.model_copy(update={"id": same})
            row_of(owner_id, held[same], Origin.PACK).save()
    return kept


def row_of(owner_id: int, sheet: SpecSheet, origin: Origin) -> Part:
    """The row that holds `sheet`, not saved yet."""
    return Part(
        owner_id=owner_id,
        name_id=sheet.id,
        slot=slot_for(sheet) or "",
        kind=kind_of(sheet),
        document=sheet.model_dump_json(),
        origin=origin,
    )


def _ids_to_try(id: str) -> Iterable[str]:
    yield id
    for number in range(2, RENAMES_TRIED):
        yield f"{id[:74]}-{number}"


def _same(held: SpecSheet, given: SpecSheet) -> bool:
    return held.model_copy(update={"id": given.id}) == given
