"""Numbers as people type and read them: the unit on a field says how its text is understood and told back."""

import re
from collections.abc import Callable, Iterator, Mapping
from functools import cache
from typing import Annotated, Any, TypeVar, get_args, get_origin

from pydantic import ValidationError

from core.model.record import In, Record
from core.quantities import LengthError, Money, Quantity, Unit, UnitSystem, format_length, parse_length
from core.quantities.length import ACCEPTED_LENGTHS
from core.quantities.money import ACCEPTED_MONEY, MoneyError, parse_minor
from core.quantities.units import LUX_PER_FOOTCANDLE, METRES_PER_SECOND_PER_MPH

ACCEPTED_SPEED = "a speed such as 60, 60 m/s, 134 mph or 216 km/h"
ACCEPTED_SHARE = "a percentage such as 10 or 7.5 %"
ACCEPTED_HOURS = "hours such as 4, 3.5 or 4 h"
ACCEPTED_MINUTES = "minutes such as 20 or 20 min"
ACCEPTED_VOLTS = "a voltage such as 230 or 120 V"
ACCEPTED_AMPERES = "a current such as 16 or 16 A"
ACCEPTED_WATTS = "a power such as 300, 300 W or 1.5 kW"
ACCEPTED_LIGHT = "a light level such as 30 lux or 3 fc"
_SPEED_UNITS = {"m/s": 1.0, "mph": METRES_PER_SECOND_PER_MPH, "km/h": 1 / 3.6}
_LIGHT_UNITS = {"lux": 1.0, "lx": 1.0, "fc": LUX_PER_FOOTCANDLE}

_BARE_SPEED = {UnitSystem.METRIC: "m/s", UnitSystem.IMPERIAL: "mph"}
_BARE_LIGHT = {UnitSystem.METRIC: "lux", UnitSystem.IMPERIAL: "fc"}
_BOUNDS = {"ge": "at least", "gt": "more than", "le": "at most", "lt": "less than"}


class FieldErrors(ValueError):
    """What is wrong with typed values: for each, the field, the value, and what is accepted."""

    def __init__(self, errors: list[tuple[str, object, str]]) -> None:
        super().__init__("; ".join(f"{field}: {value!r}; accepted: {accepted}" for field, value, accepted in errors))
        self.errors = errors


R = TypeVar("R", bound=Record)


def changed(record: R, changes: Mapping[str, object], system: UnitSystem, currency: str) -> R:
    """`record` with `changes` made, texts read in `system` and money in `currency`; an empty text clears a field.

    Raises `FieldErrors`, and changes nothing, where a text cannot be read or a value is out of bounds.
    """
    kind = type(record)
    errors: list[tuple[str, object, str]] = []
    read: dict[str, object] = {}
    for field, value in changes.items():
        try:
            read[field] = _read(value, unit_of(kind, field), system, currency)
        except (LengthError, MoneyError, _NotRead) as error:
            errors.append((field, value, _ACCEPTED_BY_ERROR.get(type(error), str(error))))
    if errors:
        raise FieldErrors(errors)
    try:
        return kind.model_validate({**record.model_dump(), **read})
    except ValidationError as error:
        raise FieldErrors([_bound_error(found, kind, changes, system, currency) for found in error.errors()]) from error


def field_texts(record: Record, system: UnitSystem, currency: str, path: str = "") -> Iterator[tuple[str, str]]:
    """(path, text) of every number with a unit in `record` and what it holds, exactly as it is stored."""
    for field in type(record).model_fields:
        value, place = getattr(record, field), f"{path}{field}"
        if isinstance(value, Record):
            yield from field_texts(value, system, currency, f"{place}.")
        elif isinstance(value, tuple):
            for index, item in enumerate(value):
                if isinstance(item, Record):
                    yield from field_texts(item, system, currency, f"{place}.{index}.")
        elif isinstance(value, dict):
            for key, item in value.items():
                if isinstance(item, Record):
                    yield from field_texts(item, system, currency, f"{place}.{key}.")
        elif value is not None and (unit := unit_of(type(record), field)) is not None:
            yield place, _told(value, unit, system, currency)


@cache
def unit_of(kind: type[Record], field: str) -> Unit | None:
    """The unit of a field of `kind`; `None` for one that is no quantity."""
    info = kind.model_fields[field]
    marks = [mark for mark in info.metadata if isinstance(mark, In)]
    return marks[0].unit if marks else _marked(info.annotation)


class _NotRead(ValueError):
    """A text that is no number of the kind asked for; its message says what is accepted."""


_ACCEPTED_BY_ERROR = {LengthError: ACCEPTED_LENGTHS, MoneyError: ACCEPTED_MONEY}


def _marked(annotation: Any) -> Unit | None:
    if get_origin(annotation) is Annotated:
        for mark in annotation.__metadata__:
            if isinstance(mark, In):
                return mark.unit
    return next((unit for part in get_args(annotation) if (unit := _marked(part)) is not None), None)


def _read(value: object, unit: Unit | None, system: UnitSystem, currency: str) -> object:
    if not isinstance(value, str) or unit is None:
        return value
    text = value.strip()
    if not text:
        return None
    readers: dict[Unit, Callable[[], float]] = {
        Unit.METRE: lambda: parse_length(text, system),
        Unit.MINOR_MONEY: lambda: parse_minor(text, currency),
        Unit.SHARE: lambda: round(_number(text, {"%": 1.0}, "%", ACCEPTED_SHARE) / 100, 6),
        Unit.METRE_PER_SECOND: lambda: _number(text, _SPEED_UNITS, _BARE_SPEED[system], ACCEPTED_SPEED),
        Unit.HOUR: lambda: _number(text, {"h": 1.0}, "h", ACCEPTED_HOURS),
        Unit.MINUTE: lambda: _number(text, {"min": 1.0, "h": 60.0}, "min", ACCEPTED_MINUTES),
        Unit.VOLT: lambda: _number(text, {"v": 1.0}, "v", ACCEPTED_VOLTS),
        Unit.AMPERE: lambda: _number(text, {"a": 1.0}, "a", ACCEPTED_AMPERES),
        Unit.WATT: lambda: _number(text, {"w": 1.0, "kw": 1000.0}, "w", ACCEPTED_WATTS),
        Unit.LUX: lambda: _number(text, _LIGHT_UNITS, _BARE_LIGHT[system], ACCEPTED_LIGHT),
    }
    return readers[unit]() if unit in readers else value


def _number(text: str, units: Mapping[str, float], bare: str, accepted: str) -> float:
    match = re.fullmatch(r"(\d+(?:[.,]\d+)?)\s*([a-z/%]*)", text.lower())
    unit = (match[2] or bare) if match else ""
    if match is None or unit not in units:
        raise _NotRead(accepted)
    return float(match[1].replace(",", ".")) * units[unit]


def _told(value: float, unit: Unit, system: UnitSystem, currency: str) -> str:
    if unit is Unit.METRE:
        return format_length(value, system)
    if unit is Unit.MINOR_MONEY:
        return Money(int(value), currency).text()
    if unit is Unit.SHARE:
        return f"{value * 100:g} %"
    if unit in (Unit.HOUR, Unit.MINUTE):
        return f"{value:g} {unit}"
    return Quantity(value, unit).text(system)


def _bound_error(
    found: Any, kind: type[Record], changes: Mapping[str, object], system: UnitSystem, currency: str
) -> tuple[str, object, str]:
    field = str(found["loc"][0]) if found["loc"] else ""
    accepted = found["msg"].removeprefix("Value error, ")
    unit = unit_of(kind, field) if field in kind.model_fields else None
    for bound, words in _BOUNDS.items():
        limit = found.get("ctx", {}).get(bound)
        if limit is not None and unit is not None:
            accepted = f"{words} {_told(limit, unit, system, currency)}"
    return field, changes.get(field, found["input"]), accepted
