"""Parts that come into a catalogue with the sample world, with a build's file, or back with an undo."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from functools import cache
from itertools import count
from pathlib import Path

from core.formats.parts_pack import read_parts_pack
from core.model.parts import Part as SpecSheet
from jungle.catalogue.entries import EntryState, States, digest_of, keep_sheets, states_of
from jungle.catalogue.models import Origin

SAMPLE_PACKS = Path(__file__).resolve().parent.parent / "demo" / "parts"
STEM_LENGTH = 70


@dataclass(frozen=True)
class Adoption:
    """Entries that parts get, and under which id each of them is kept, by the id that it came with."""

    states: States
    kept_as: Mapping[str, str]


def adoption_of(owner_id: int, sheets: Iterable[SpecSheet]) -> Adoption:
    """What becomes of a catalogue that `sheets` join.

    A part that is already there, the same in every field, is not added again. One that has the id of another
    part is kept beside it under a new id: neither spec sheet is lost.
    """
    held = {id: state.sheet for id, state in states_of(owner_id).items()}
    fresh: list[SpecSheet] = []
    kept_as: dict[str, str] = {}
    for sheet in sheets:
        for id in _ids_to_try(sheet.id):
            named = sheet if id == sheet.id else sheet.model_copy(update={"id": id})
            if id not in held or held[id] == digest_of(named):
                break
        kept_as[sheet.id] = id
        if id not in held:
            held[id] = digest_of(named)
            fresh.append(named)
    digests = keep_sheets(fresh)
    states = {sheet.id: EntryState(digest, None, Origin.PACK) for sheet, digest in zip(fresh, digests, strict=True)}
    return Adoption(states, kept_as)


def samples_adopted(owner_id: int) -> States:
    """The entries with the sample parts that are not there yet.

    Those that are there follow the sample world, unless their owner has changed a fact of them.
    """
    held, states = states_of(owner_id), {}
    sheets = sample_sheets()
    for sheet, digest in zip(sheets, keep_sheets(sheets), strict=True):
        there = held.get(sheet.id)
        if there is None or (there.origin == Origin.SAMPLE and there.came_as is None and there.sheet != digest):
            states[sheet.id] = EntryState(digest, None, Origin.SAMPLE)
    return states


@cache
def sample_sheets() -> tuple[SpecSheet, ...]:
    """The sample world's parts."""
    packs = (read_parts_pack(path.read_text()) for path in sorted(SAMPLE_PACKS.glob("*.json")))
    return tuple(sheet for pack in packs for sheet in pack.parts)


def _ids_to_try(id: str) -> Iterable[str]:
    yield id
    for number in count(2):
        yield f"{id[:STEM_LENGTH]}-{number}"
