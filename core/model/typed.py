"""Numbers as people type and read them: the unit on a field says how its text is understood and told back."""

from collections.abc import Callable, Iterable, Iterator, Mapping
from functools import cache
from itertools import zip_longest
from typing import Annotated, Any, TypeVar, get_args, get_origin

from pydantic import ValidationError

from core.model.record import In, Record
from core.model.text import plain_words
from core.quantities import LengthError, Money, Unit, UnitSystem, format_length, parse_length
from core.quantities.length import ACCEPTED_LENGTHS
from core.quantities.money import (
    ACCEPTED_FINE_MONEY,
    ACCEPTED_MONEY,
    FineMoneyError,
    MoneyError,
    fine_text,
    parse_fine_minor,
    parse_minor,
)
from core.quantities.numbers import READ_IN, WHOLE, NotRead, number_text, read_number

LONGEST_TYPED = 40
"""No quantity needs more characters, and endless digits would not be told back."""
_BOUNDS = {"ge": "at least", "gt": "more than", "le": "at most", "lt": "less than"}


class FieldErrors(ValueError):
    """What is wrong with typed values: for each, the field, the value, and what is accepted."""

    def __init__(self, errors: list[tuple[str, object, str]]) -> None:
        super().__init__("; ".join(f"{field}: {value!r}; accepted: {accepted}" for field, value, accepted in errors))
        self.errors = errors


R = TypeVar("R", bound=Record)


def with_changes(record: R, changes: Mapping[str, object], system: UnitSystem, currency: str) -> R:
    """`record` with `changes` made, texts read in `system` and money in `currency`; an empty text clears a field.

    Raises `FieldErrors`, and changes nothing, where a text cannot be read or a value is out of bounds.
    """
    kind = type(record)
    errors: list[tuple[str, object, str]] = []
    read: dict[str, object] = {}
    for field, value in changes.items():
        try:
            read[field] = read_value(kind, field, value, system, currency)
        except FieldErrors as error:
            errors += error.errors
    if errors:
        raise FieldErrors(errors)
    try:
        return kind.model_validate({**record.model_dump(), **read})
    except ValidationError as error:
        raise FieldErrors([_bound_error(found, kind, changes, system, currency) for found in error.errors()]) from error


def read_value(kind: type[Record], field: str, value: object, system: UnitSystem, currency: str) -> object:
    """What a typed `value` is as `field` of `kind`; an empty text is nothing. Raises `FieldErrors`."""
    try:
        return _read(value, unit_of(kind, field), system, currency)
    except (LengthError, MoneyError, FineMoneyError, NotRead) as error:
        raise FieldErrors([(field, value, _ACCEPTED_BY_ERROR.get(type(error), str(error)))]) from error


def value_text(kind: type[Record], field: str, value: object, system: UnitSystem, currency: str) -> str:
    """`value` as it would be typed into `field` of `kind`; empty for nothing."""
    unit = unit_of(kind, field)
    if unit is None or not isinstance(value, int | float):
        return "" if value is None else str(value)
    return _told(value, unit, system, currency)


def field_texts(
    record: Record, system: UnitSystem, currency: str, path: str = "", but: Record | None = None
) -> Iterator[tuple[str, str]]:
    """(path, text) of every number with a unit in `record` and what it holds, exactly as it is stored.

    What is the very same in `but`, another record of its kind, is left out.
    """
    for field in type(record).model_fields:
        value, place = getattr(record, field), f"{path}{field}"
        was = getattr(but, field, None)
        if but is not None and value is was:
            continue
        for key, item, other in _held(value, was):
            yield from field_texts(item, system, currency, f"{place}{key}.", other)
        if isinstance(value, int | float) and (unit := unit_of(type(record), field)) is not None:
            yield place, _told(value, unit, system, currency)


def _held(value: object, was: object) -> Iterator[tuple[str, Record, Record | None]]:
    """The records that a field holds, each with its key behind the field, and what `was` there of the same kind."""
    held: Iterable[tuple[str, object, object]] = ()
    if isinstance(value, Record):
        held = (("", value, was),)
    elif isinstance(value, tuple):
        others = was if isinstance(was, tuple) else ()
        held = ((f".{index}", item, other) for index, (item, other) in enumerate(zip_longest(value, others)))
    elif isinstance(value, dict):
        others_by_key = was if isinstance(was, dict) else {}
        held = ((f".{key}", item, others_by_key.get(key)) for key, item in value.items())
    for key, item, other in held:
        if isinstance(item, Record) and item is not other:
            yield key, item, other if isinstance(other, Record) and type(other) is type(item) else None


@cache
def unit_of(kind: type[Record], field: str) -> Unit | None:
    """The unit of a field of `kind`; `None` for one that is no quantity."""
    info = kind.model_fields[field]
    marks = [mark for mark in info.metadata if isinstance(mark, In)]
    return marks[0].unit if marks else _marked(info.annotation)


@cache
def _tightest(kind: type[Record], field: str, bound: str) -> float:
    """Of the bounds on a field and on the quantity that it is, the one that decides."""
    info = kind.model_fields[field]
    limits = [
        limit
        for mark in (*info.metadata, *_marks(info.annotation))
        if (limit := getattr(mark, bound, None)) is not None
    ]
    return float(max(limits) if bound in ("ge", "gt") else min(limits))


def _marks(annotation: Any) -> Iterator[Any]:
    """Everything that annotates the inside of `annotation`."""
    if get_origin(annotation) is Annotated:
        for mark in annotation.__metadata__:
            yield from (mark, *getattr(mark, "metadata", ()))
    for part in get_args(annotation):
        yield from _marks(part)


_ACCEPTED_BY_ERROR = {
    LengthError: ACCEPTED_LENGTHS,
    MoneyError: ACCEPTED_MONEY,
    FineMoneyError: ACCEPTED_FINE_MONEY,
}


def _marked(annotation: Any) -> Unit | None:
    if get_origin(annotation) is Annotated:
        for mark in annotation.__metadata__:
            if isinstance(mark, In):
                return mark.unit
    return next((unit for part in get_args(annotation) if (unit := _marked(part)) is not None), None)


READ_AS_MONEY: Mapping[Unit, Callable[[str, str], float]] = {
    Unit.MINOR_MONEY: parse_minor,
    Unit.FINE_MONEY: parse_fine_minor,
}


def _read(value: object, unit: Unit | None, system: UnitSystem, currency: str) -> object:
    if isinstance(value, float) and value.is_integer() and unit in (*WHOLE, Unit.MINOR_MONEY):
        return int(value)
    if not isinstance(value, str) or unit is None:
        return value
    text = value.strip()
    if not text:
        return None
    if len(text) > LONGEST_TYPED:
        raise NotRead(f"at most {LONGEST_TYPED} characters")
    if unit is Unit.METRE:
        return parse_length(text, system)
    if unit in READ_AS_MONEY:
        return READ_AS_MONEY[unit](text, currency)
    return read_number(text, unit, system) if unit in READ_IN else value


def _told(value: float, unit: Unit, system: UnitSystem, currency: str) -> str:
    if unit is Unit.METRE:
        return format_length(value, system)
    if unit is Unit.MINOR_MONEY:
        return Money(int(value), currency).text()
    if unit is Unit.FINE_MONEY:
        return fine_text(value, currency)
    return number_text(value, unit, system)


def _bound_error(
    found: Any, kind: type[Record], changes: Mapping[str, object], system: UnitSystem, currency: str
) -> tuple[str, object, str]:
    field = str(found["loc"][0]) if found["loc"] else ""
    accepted = plain_words(found["msg"])
    unit = unit_of(kind, field) if field in kind.model_fields else None
    for bound, words in _BOUNDS.items():
        if bound in found.get("ctx", {}) and unit is not None:
            accepted = f"{words} {_told(_tightest(kind, field, bound), unit, system, currency)}"
    return field, changes.get(field, found["input"]), accepted
