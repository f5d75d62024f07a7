"""Packs and price lists: looked at before anything is stored, decided as their reader says, written out."""

from collections.abc import Mapping
from dataclasses import dataclass

from core.formats.pack_preview import Choice, PackRow, Standing, compare, usual_choice
from core.formats.parts_pack import PartsPack, read_parts_pack
from core.formats.price_list import Column, ListRow, PriceTable, chosen_columns, guessed_mapping, list_rows, read_table
from core.model.parts import Part as SpecSheet
from core.model.typed import FieldErrors
from core.quantities.money import DECIMALS_BY_CURRENCY
from jungle.catalogue.entries import EntryState, States, keep_sheets, states_of
from jungle.catalogue.models import Entry, Origin, Sheet
from jungle.catalogue.sheets import new_id


@dataclass(frozen=True)
class PackRead:
    """A pack, and how each of its parts stands to an owner's catalogue."""

    pack: PartsPack
    rows: tuple[PackRow, ...]


def read_pack(owner_id: int, pack: PartsPack) -> PackRead:
    """What `pack` would do, part by part; nothing is stored."""
    held = states_of(owner_id, [part.id for part in pack.parts])
    touched = frozenset(id for id, state in held.items() if state.came_as or state.origin == Origin.OWN)
    return PackRead(pack, compare(pack.parts, _sheets(held), touched))


def parse_pack(text: bytes) -> PartsPack:
    """The pack in a file. Raises `BadFile`."""
    return read_parts_pack(text)


def pack_taken(owner_id: int, pack: PartsPack, choices: Mapping[str, str]) -> tuple[States, dict[Choice, int]]:
    """The entries with a pack taken in, each part as `choices` say by id, or as is usual; and how many of each.

    Raises `FieldErrors` for a choice that there is not.
    """
    rows = read_pack(owner_id, pack).rows
    chosen = {row.part.id: _choice(row, choices.get(row.part.id)) for row in rows}
    done = dict.fromkeys(Choice, 0)
    sheets: list[SpecSheet] = []
    for row in rows:
        choice = chosen[row.part.id]
        done[choice] += 1
        if choice is Choice.TAKE:
            sheets.append(row.part)
        elif choice is Choice.BOTH:
            sheets.append(row.part.model_copy(update={"id": new_id(row.part.kind)}))  # type: ignore[attr-defined]
    digests = keep_sheets(sheets)
    states = {sheet.id: EntryState(digest, None, Origin.PACK) for sheet, digest in zip(sheets, digests, strict=True)}
    return states, done


def written_pack(owner_id: int, name: str) -> PartsPack:
    """The owner's own parts, and those whose facts the owner has changed."""
    sheets = Entry.objects.visible_to(owner_id).touched().sheets()
    return PartsPack.model_validate({"name": name, "parts": [sheet.model_dump() for sheet in sheets.values()]})


@dataclass(frozen=True)
class ListRead:
    """A price list, which of its columns holds what, and what each row does."""

    table: PriceTable
    columns: Mapping[Column, int]
    rows: tuple[ListRow, ...]


def read_list(owner_id: int, table: PriceTable, mapping: Mapping[str, int], currency: str) -> ListRead:
    """What a price list would do; nothing is stored. Raises `FieldErrors` for an unknown column or currency."""
    if currency not in DECIMALS_BY_CURRENCY:
        raise FieldErrors([("currency", currency, ", ".join(DECIMALS_BY_CURRENCY))])
    columns = _columns(mapping, len(table.heading)) or guessed_mapping(table.heading)
    owned = Entry.objects.visible_to(owner_id)
    rows = list_rows(table, columns, owned.listed(), lambda ids: owned.named(*ids).sheets(), currency, new_id)
    return ListRead(table, columns, rows)


def parse_list(text: bytes) -> PriceTable:
    """The rows in a file. Raises `BadFile`."""
    return read_table(text)


def list_taken(
    owner_id: int, table: PriceTable, mapping: Mapping[str, int], currency: str
) -> tuple[States, dict[str, int]]:
    """The entries with the rows of a list taken in that nothing is wrong with; how many prices, and new parts."""
    sheets = [row.part for row in read_list(owner_id, table, mapping, currency).rows if row.part is not None]
    held = states_of(owner_id, [sheet.id for sheet in sheets])
    states: dict[str, EntryState | None] = {}
    for sheet, digest in zip(sheets, keep_sheets(sheets), strict=True):
        here = held.get(sheet.id)
        states[sheet.id] = here.changed_to(digest) if here else EntryState(digest, None, Origin.OWN)
    return states, {"prices": len(held), "added": len(sheets) - len(held)}


def _sheets(held: Mapping[str, EntryState]) -> Mapping[str, SpecSheet]:
    found = Sheet.objects.read(state.sheet for state in held.values())
    return {id: found[state.sheet] for id, state in held.items() if state.sheet in found}


def _choice(row: PackRow, said: str | None) -> Choice:
    if row.standing is Standing.SAME:
        return Choice.KEEP
    if said is None:
        return usual_choice(row.standing)
    if said not in list(Choice):
        raise FieldErrors([(f"choices.{row.part.id}", said, ", ".join(Choice))])
    return Choice(said)


def _columns(mapping: Mapping[str, int], width: int) -> dict[Column, int]:
    return {Column(name): number for name, number in chosen_columns(mapping, list(Column), width).items()}
