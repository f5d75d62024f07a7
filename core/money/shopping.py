"""Which lines of a build are still to be bought, and what their parcels weigh."""

from collections.abc import Iterable, Mapping

from core.model.parts import Carpet, Enclosure, FrameMaterial, Mat, Part, Television, Turf
from core.model.parts.base import Weighed
from core.money.line import Line
from core.money.order import Need

BULKY = (Carpet, Enclosure, FrameMaterial, Mat, Television, Turf)
"""Longer than a parcel service takes, as they are usually sent (trade)."""


def needs_of(lines: Iterable[Line], parts: Mapping[str, Part]) -> tuple[Need, ...]:
    """What is still to be bought of `lines`: parts of which it is known how many are needed; no fees and no plans."""
    return tuple(
        need_of(line, parts[line.part])
        for line in lines
        if line.may_be_bought and line.part in parts and _amount_is_known(line, parts[line.part])
    )


def _amount_is_known(line: Line, part: Part) -> bool:
    """A line that has no list price, though its part has one, does not know how many there are."""
    return line.newcomers is not None or part.price is None


def need_of(line: Line, part: Part) -> Need:
    """What a line needs of a shop."""
    each_kg = part.weight_kg if isinstance(part, Weighed) else None
    weight_kg = None if each_kg is None else each_kg * line.quantity
    return Need(line.key, part.id, line.quantity, weight_kg, isinstance(part, BULKY))
