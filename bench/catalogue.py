"""Alternatives and finding over catalogues that are larger than the sample one, all made of its own parts."""

from collections.abc import Iterator
from random import Random

from bench.server import ROOT
from core.formats.parts_pack import read_parts_pack
from core.model.build import Slot, slot_for
from core.model.found import Listed, Wanted, matching_parts
from core.model.parts import Part
from core.model.parts.words import fact_words
from core.quantities import Money

PACKS = ROOT / "jungle" / "demo" / "parts"
SPREAD = 0.05
"""Copies differ by so much in every length, price and weight."""


def sample_parts() -> dict[str, Part]:
    """The sample catalogue."""
    return {part.id: part for pack in sorted(PACKS.glob("*.json")) for part in read_parts_pack(pack.read_text()).parts}


def grown(parts: dict[str, Part], wanted: int, slot: Slot | None = None) -> dict[str, Part]:
    """`parts` and copies of them with other numbers, until there are `wanted`; of one place, where it is named."""
    numbers = Random(4)
    copied = [part for part in parts.values() if slot is None or slot_for(part) is slot]
    rest = {} if slot is None else {id: part for id, part in parts.items() if slot_for(part) is not slot}
    many = {part.id: part for part in copied}
    while len(many) < wanted:
        part = copied[len(many) % len(copied)]
        id = f"{part.id[:70]}-{len(many)}"
        changes = {field: value * numbers.uniform(1 - SPREAD, 1 + SPREAD) for field, value in _lengths(part)}
        many[id] = part.model_copy(update={**changes, "id": id})
    return {**rest, **many}


def facts_in(parts: dict[str, Part]) -> int:
    """Facts that are stated on all sheets together."""
    return sum(getattr(part, field) is not None for part in parts.values() for field in type(part).model_fields)


def find_everything(parts: tuple[Listed, ...]) -> None:
    """By words, by kind and by price, as a person goes through a catalogue."""
    for wanted in (Wanted(text="screen"), Wanted(kind="projector"), Wanted(most=Money(50_000, "EUR"))):
        list(matching_parts(parts, wanted))


def largest_place(parts: dict[str, Part]) -> Slot:
    """The place that most of `parts` can hang in."""
    return max(Slot, key=lambda slot: sum(slot_for(part) is slot for part in parts.values()))


def _lengths(part: Part) -> Iterator[tuple[str, float]]:
    for field in type(part).model_fields:
        value = getattr(part, field)
        if isinstance(value, float) and field.endswith(("_m", "_kg")) and fact_words(type(part), field):
            yield field, value
