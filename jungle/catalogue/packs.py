"""Packs and price lists: looked at before anything is stored, taken in as decided, written out."""

from collections.abc import Mapping

from core.formats.pack_preview import Choice, PackRow, Standing, compare, usual_choice
from core.formats.parts_pack import PartsPack, read_parts_pack
from core.formats.price_list import Column, ListRow, guessed_mapping, list_rows, read_table
from core.model.typed import FieldErrors
from core.model.usual import free_id
from jungle.catalogue.history import recorded
from jungle.catalogue.models import Origin, Part
from jungle.catalogue.services import row_of


def preview_pack(owner_id: int, text: bytes) -> tuple[PartsPack, tuple[PackRow, ...]]:
    """What a pack would do, part by part; nothing is stored. Raises `BadFile`."""
    pack = read_parts_pack(text)
    parts = Part.objects.visible_to(owner_id)
    touched = frozenset(parts.touched().values_list("name_id", flat=True))
    return pack, compare(pack.parts, parts.named(*(part.id for part in pack.parts)).sheets(), touched)


def take_pack(owner_id: int, text: bytes, choices: Mapping[str, str]) -> dict[Choice, int]:
    """Take a pack in, each part as `choices` say by id, or as is usual; answers how many of each.

    Raises `BadFile`, or `FieldErrors` for a choice that there is not, storing nothing.
    """
    pack, rows = preview_pack(owner_id, text)
    chosen = {row.part.id: _choice(row, choices.get(row.part.id)) for row in rows}
    held = set(Part.objects.visible_to(owner_id).values_list("name_id", flat=True))
    done = dict.fromkeys(Choice, 0)
    with recorded(owner_id, f"Took in pack {pack.name}"):
        for row in rows:
            choice = chosen[row.part.id]
            done[choice] += 1
            if choice is Choice.KEEP:
                continue
            sheet = row.part
            if choice is Choice.BOTH:
                sheet = sheet.model_copy(update={"id": free_id(sheet.id[:74], held)})
            held.add(sheet.id)
            Part.objects.visible_to(owner_id).named(sheet.id).delete()
            row_of(owner_id, sheet, Origin.PACK).save()
    return done


def written_pack(owner_id: int, name: str) -> PartsPack:
    """The owner's own parts, and those whose facts the owner has changed."""
    sheets = Part.objects.visible_to(owner_id).touched().sheets()
    return PartsPack.model_validate({"name": name, "parts": [sheet.model_dump() for sheet in sheets.values()]})


def preview_list(
    owner_id: int, text: bytes, mapping: Mapping[str, int], currency: str
) -> tuple[tuple[str, ...], dict[Column, int], tuple[ListRow, ...]]:
    """The heading of a price list, which column holds what, and what each row does. Raises `BadFile`, `FieldErrors`."""
    table = read_table(text)
    columns = _columns(mapping, len(table.heading)) or guessed_mapping(table.heading)
    return table.heading, columns, list_rows(table, columns, Part.objects.visible_to(owner_id).sheets(), currency)


def take_list(owner_id: int, text: bytes, mapping: Mapping[str, int], currency: str) -> tuple[int, int]:
    """Take in the rows of a price list that nothing is wrong with; answers how many prices and how many new parts."""
    _, _, rows = preview_list(owner_id, text, mapping, currency)
    prices = added = 0
    with recorded(owner_id, "Took in a price list"):
        for sheet in (row.part for row in rows if row.part is not None):
            here = Part.objects.visible_to(owner_id).named(sheet.id).first()
            if here is None:
                row_of(owner_id, sheet, Origin.OWN).save()
                added += 1
            else:
                if here.origin != Origin.OWN and not here.original:
                    here.original = here.document
                here.document = sheet.model_dump_json()
                here.save()
                prices += 1
    return prices, added


def _choice(row: PackRow, said: str | None) -> Choice:
    if row.standing is Standing.SAME:
        return Choice.KEEP
    if said is None:
        return usual_choice(row.standing)
    if said not in list(Choice):
        raise FieldErrors([(f"choices.{row.part.id}", said, ", ".join(Choice))])
    return Choice(said)


def _columns(mapping: Mapping[str, int], width: int) -> dict[Column, int]:
    columns: dict[Column, int] = {}
    for name, number in mapping.items():
        if name not in list(Column):
            raise FieldErrors([("mapping", name, ", ".join(Column))])
        if not 0 <= number < width:
            raise FieldErrors([(f"mapping.{name}", number, f"a column from 0 to {width - 1}")])
        columns[Column(name)] = number
    return columns
