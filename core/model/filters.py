"""Finding parts for a place by the facts that decide there: throw and light, lines, size, hands, data."""

from collections.abc import Mapping
from enum import StrEnum
from typing import Any, NamedTuple, get_args

from core.model.build import PART_TYPE_BY_SLOT, Slot
from core.model.parts import KINDS, Part
from core.model.parts.words import fact_words
from core.model.record import Record
from core.model.typed import FieldErrors, read_value
from core.quantities import UnitSystem


class Sense(StrEnum):
    """How a fact is compared with what is wanted."""

    AT_LEAST = "at_least"
    AT_MOST = "at_most"
    IS = "is"
    """The same, or among several."""


class FactFilter(NamedTuple):
    """One fact that parts of a place are found by."""

    field: str
    sense: Sense

    def words(self, slot: Slot) -> str:
        """What people call the fact."""
        return fact_words(self._kind(slot), self.field)

    def choices(self, slot: Slot) -> tuple[str, ...]:
        """The words that it may be; none where it is a number."""
        return tuple(dict.fromkeys(_words_in(self._kind(slot).model_fields[self.field].annotation)))

    def read(self, slot: Slot, text: str, system: UnitSystem, currency: str) -> object:
        """What is wanted, as typed. Raises `FieldErrors`."""
        choices = self.choices(slot)
        if choices:
            if text not in choices:
                raise FieldErrors([("value", text, ", ".join(choices))])
            return text
        value = read_value(self._kind(slot), self.field, text, system, currency)
        if not isinstance(value, int | float):
            raise FieldErrors([("value", text, f"a number for {self.words(slot)}")])
        return value

    def lets_through(self, part: Part, wanted: Any) -> bool:
        """`part` is like that. What its maker does not state is not found by it."""
        value = getattr(part, self.field, None)
        if value is None:
            return False
        if self.sense is Sense.AT_LEAST:
            return bool(value >= wanted)
        if self.sense is Sense.AT_MOST:
            return bool(value <= wanted)
        return wanted in value if isinstance(value, tuple) else value == wanted

    def _kind(self, slot: Slot) -> type[Record]:
        hanging = PART_TYPE_BY_SLOT[slot]
        kinds = (kind for kind in KINDS.values() if issubclass(kind, hanging))
        return next(kind for kind in kinds if self.field in kind.model_fields)


FILTERS: Mapping[Slot, tuple[FactFilter, ...]] = {
    Slot.FLOOR: (FactFilter("thickness_m", Sense.AT_MOST), FactFilter("pile_m", Sense.AT_MOST)),
    Slot.MAT: (
        FactFilter("width_m", Sense.AT_LEAST),
        FactFilter("thickness_m", Sense.AT_MOST),
        FactFilter("cushion", Sense.IS),
    ),
    Slot.MONITOR: (
        FactFilter("both_hands", Sense.IS),
        FactFilter("measures", Sense.IS),
        FactFilter("room_length_min_m", Sense.AT_MOST),
        FactFilter("room_height_min_m", Sense.AT_MOST),
    ),
    Slot.TITLE: (FactFilter("lines_max", Sense.AT_LEAST),),
    Slot.MACHINE: (
        FactFilter("graphics_grade", Sense.AT_LEAST),
        FactFilter("memory_gb", Sense.AT_LEAST),
        FactFilter("output_lines", Sense.AT_LEAST),
        FactFilter("noise_db", Sense.AT_MOST),
    ),
    Slot.DISPLAY: (
        FactFilter("throw_min", Sense.AT_MOST),
        FactFilter("throw_max", Sense.AT_LEAST),
        FactFilter("lumens", Sense.AT_LEAST),
        FactFilter("height_px", Sense.AT_LEAST),
        FactFilter("noise_db", Sense.AT_MOST),
    ),
    Slot.SCREEN: (
        FactFilter("width_m", Sense.AT_MOST),
        FactFilter("height_m", Sense.AT_MOST),
        FactFilter("rated_ball_speed_m_s", Sense.AT_LEAST),
        FactFilter("sound", Sense.IS),
    ),
    Slot.ENCLOSURE: (
        FactFilter("outer_width_m", Sense.AT_MOST),
        FactFilter("outer_height_m", Sense.AT_MOST),
        FactFilter("depth_m", Sense.AT_MOST),
    ),
}
"""What decides in each place, as people ask for it."""


def filter_by(slot: Slot, field: str) -> FactFilter:
    """The filter of `slot` by `field`. Raises `FieldErrors` for a fact that nobody is asked for there."""
    found = next((one for one in FILTERS[slot] if one.field == field), None)
    if found is None:
        raise FieldErrors([("fact", field, ", ".join(one.field for one in FILTERS[slot]))])
    return found


def _words_in(annotation: Any) -> list[str]:
    """The words of a literal or an enumeration within `annotation`."""
    if isinstance(annotation, type) and issubclass(annotation, StrEnum):
        return [each.value for each in annotation]
    if isinstance(annotation, str):
        return [annotation]
    return [word for part in get_args(annotation) for word in _words_in(part)]
