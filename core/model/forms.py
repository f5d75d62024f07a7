"""Records as forms: what each field asks, in which unit, and a record from what was typed into one."""

from collections.abc import Iterable, Iterator, Mapping
from datetime import date
from enum import StrEnum
from types import UnionType
from typing import Annotated, Any, Literal, NamedTuple, TypeVar, Union, get_args, get_origin

from pydantic import ValidationError

from core.model.free_ids import free_id
from core.model.parts.base import Plan, RefersTo
from core.model.parts.price import ACCEPTED_PRICE, Price, price_text, read_price
from core.model.parts.words import fact_words
from core.model.record import Record
from core.model.typed import FieldErrors, field_texts, read_value, unit_of, value_text, with_changes
from core.quantities import Unit, UnitSystem
from core.quantities.money import MoneyError

PLAIN = frozenset({"maker", "name", "note"})
MINOR = "_minor"
"""A price is typed as money, under its own name with this behind it."""
R = TypeVar("R", bound=Record)


class FieldKind(StrEnum):
    """How a fact is typed."""

    QUANTITY = "quantity"
    NUMBER = "number"
    YES_NO = "yes_no"
    CHOICE = "choice"
    CHOICES = "choices"
    WORDS = "words"
    TEXT = "text"
    MONEY = "money"
    DAY = "day"
    RECORDS = "records"
    """Rows of a form of their own."""


AS_THEY_ARE = (FieldKind.QUANTITY, FieldKind.TEXT, FieldKind.CHOICE, FieldKind.DAY)
"""What is read from text where the record is made."""


class FormField(NamedTuple):
    """One field of a record, as a form asks it."""

    name: str
    label: str
    meaning: str
    typed_as: FieldKind
    unit: Unit | None
    options: tuple[tuple[str, str], ...]
    """Value and words of each, where it is a choice."""
    fields: tuple["FormField", ...] = ()
    """What each row asks, where it is records; a fact of a record within is `outer.inner`."""
    refers_to: str = ""
    """The place on the chain whose parts are the options; empty where they are fixed, or there are none."""


def form_fields(kind: type[Record], leave_out: frozenset[str] = frozenset({"id"})) -> tuple[FormField, ...]:
    """What the form of a record asks, in the record's own order."""
    return tuple(_asked(kind, name) for name in kind.model_fields if name not in leave_out)


def facts_from(kind: type[Record], typed: Mapping[str, object], system: UnitSystem, currency: str) -> dict[str, object]:
    """What was typed into a form of `kind`, by field; quantities stay texts, which `with_changes` reads.

    Raises `FieldErrors` naming the field, the value and what is accepted.
    """
    facts: dict[str, object] = {}
    for name, value in typed.items():
        money = name.removesuffix(MINOR)
        if name not in kind.model_fields and money in kind.model_fields:
            facts[money] = _price(name, value, currency)
        elif name not in kind.model_fields:
            raise FieldErrors([(name, value, f"one of {', '.join(kind.model_fields)}")])
        else:
            facts[name] = (
                _rows(kind, name, value, system, currency) if record_of(kind, name) else read_fact(kind, name, value)
            )
    return facts


def changed(record: R, typed: Mapping[str, object], system: UnitSystem, currency: str) -> R:
    """`record` with what was typed into its form; an empty text clears a field. Raises `FieldErrors`."""
    return with_changes(record, facts_from(type(record), typed, system, currency), system, currency)


def usual_form(kind: type[Record], currency: str) -> dict[str, str]:
    """What stands in the form of a `kind` that is new: what holds where nothing else is said."""
    usual = {name: field.default for name, field in kind.model_fields.items() if not field.is_required()}
    return {
        name: value_text(kind, name, value, UnitSystem.METRIC, currency) if unit_of(kind, name) else typed_text(value)
        for name, value in usual.items()
        if value not in (None, "", ())
    }


def typed_form(record: Record, system: UnitSystem, currency: str) -> dict[str, str]:
    """What stands in the form of `record` before anything is typed, but for its lists of records."""
    lists = {name for name in type(record).model_fields if record_of(type(record), name)}
    return {name: text for name, text in _typed_row(record, system, currency) if name not in lists}


def _row_fields(kind: type[Record], prefix: str = "") -> Iterator[FormField]:
    for name in kind.model_fields:
        inner = _inner(kind.model_fields[name].annotation)
        if inner is Price:
            yield FormField(f"{prefix}{name}_minor", name, _meaning(kind, name), FieldKind.MONEY, None, ())
        elif isinstance(inner, type) and issubclass(inner, Record):
            yield from _row_fields(inner, f"{prefix}{name}.")
        elif name != "id":
            field = _field(kind, name)
            outer = f"{prefix.rstrip('.')}: " if prefix else ""
            yield field._replace(name=f"{prefix}{name}", label=f"{outer}{field.label}")


def _price(field: str, typed: object, currency: str) -> Price | None:
    if typed in (None, ""):
        return None
    try:
        return read_price(str(typed), currency)
    except (MoneyError, ValidationError) as error:
        raise FieldErrors([(field, typed, ACCEPTED_PRICE)]) from error


def typed_rows(records: tuple[Record, ...], system: UnitSystem, currency: str = "EUR") -> list[dict[str, str]]:
    """The rows of a form that `records` would be typed as."""
    return [dict(_typed_row(record, system, currency)) for record in records]


def _typed_row(record: Record, system: UnitSystem, currency: str, prefix: str = "") -> Iterator[tuple[str, str]]:
    told = dict(field_texts(record, system, currency))
    for name in type(record).model_fields:
        value = getattr(record, name)
        if isinstance(value, Price):
            yield f"{prefix}{name}_minor", price_text(value)
        elif isinstance(value, Record):
            yield from _typed_row(value, system, currency, f"{prefix}{name}.")
        else:
            yield f"{prefix}{name}", told.get(name, typed_text(value))


def typed_text(value: object) -> str:
    """A value without a unit as it is typed into a form."""
    if value is None:
        return ""
    if isinstance(value, bool):
        return "yes" if value else "no"
    return ", ".join(map(str, value)) if isinstance(value, tuple) else str(value)


def record_of(part: type[Record], name: str) -> type[Record] | None:
    """The kind of record that `name` is a list of; `None` for anything else."""
    inner = _inner(part.model_fields[name].annotation)
    item = get_args(inner)[0] if get_origin(inner) is tuple else None
    return item if isinstance(item, type) and issubclass(item, Record) else None


def _rows(kind: type[Record], name: str, value: object, system: UnitSystem, currency: str) -> object:
    inner = record_of(kind, name)
    assert inner is not None
    if not isinstance(value, list):
        raise FieldErrors([(name, value, "a list of rows")])
    if issubclass(inner, Plan):
        value = _with_ids(value)
    return tuple(_row(inner, f"{name}.{number}", row, system, currency) for number, row in enumerate(value))


def _with_ids(rows: list[object]) -> list[object]:
    """Rows of plans, each with an id: a new one is numbered, whatever it is called, so that builds can name it."""
    taken = {str(row.get("id")) for row in rows if isinstance(row, dict) and row.get("id")}
    named: list[object] = []
    for row in rows:
        if isinstance(row, dict) and not row.get("id"):
            id = free_id("plan", taken)
            taken.add(id)
            named.append({**row, "id": id})
        else:
            named.append(row)
    return named


def _row(kind: type[Record], path: str, typed: object, system: UnitSystem, currency: str) -> Record:
    """One record from a row. Raises `FieldErrors` by its path."""
    if not isinstance(typed, dict):
        raise FieldErrors([(path, typed, "a row of facts by name")])
    facts: dict[str, object] = {}
    within: dict[str, dict[str, object]] = {}
    for name, value in typed.items():
        outer, _, inner = str(name).partition(".")
        if inner:
            within.setdefault(outer, {})[inner] = value
        elif value not in ("", None):
            facts.update(_cell(kind, f"{path}.{name}", str(name), value, system, currency))
    for outer, inside in within.items():
        inner_kind = _inner(kind.model_fields[outer].annotation) if outer in kind.model_fields else None
        if not (isinstance(inner_kind, type) and issubclass(inner_kind, Record)):
            raise FieldErrors([(f"{path}.{outer}", "", f"one of {', '.join(kind.model_fields)}")])
        facts[outer] = _row(inner_kind, f"{path}.{outer}", inside, system, currency)
    try:
        return kind.model_validate(facts)
    except ValidationError as error:
        found = error.errors()[0]
        place = ".".join(map(str, (path, *found["loc"])))
        raise FieldErrors([(place, str(typed.get(str(found["loc"][0]), "")), found["msg"])]) from error


def _cell(
    kind: type[Record], path: str, name: str, value: object, system: UnitSystem, currency: str
) -> dict[str, object]:
    """One typed value of a row under the field that it sets."""
    money = name.removesuffix("_minor")
    if money != name and money in kind.model_fields:
        return {money: _price(path, value, currency)}
    if name not in kind.model_fields:
        raise FieldErrors([(path, value, f"one of {', '.join(kind.model_fields)}")])
    try:
        return {name: read_value(kind, name, read_fact(kind, name, value), system, currency)}
    except FieldErrors as error:
        raise FieldErrors([(path, value, accepted) for _, _, accepted in error.errors]) from error


def read_fact(kind: type[Record], name: str, value: object) -> object:
    """A typed value as the record takes it: words into a list, text into a number or yes and no."""
    field = _field(kind, name)
    if value in ("", None):
        return _empty(kind, name)
    if not isinstance(value, str) or field.typed_as in AS_THEY_ARE:
        return value
    if field.typed_as is FieldKind.YES_NO:
        return {"yes": True, "no": False}.get(value.lower(), value)
    if field.typed_as is FieldKind.NUMBER:
        text = value.replace(",", ".").strip()
        try:
            return int(text) if text.lstrip("-").isdigit() else float(text)
        except ValueError as error:
            raise FieldErrors([(name, value, "a number such as 2 or 0.8")]) from error
    return tuple(word.strip() for word in value.split(",") if word.strip())


def _empty(kind: type[Record], name: str) -> object:
    default = kind.model_fields[name].default
    return default if not kind.model_fields[name].is_required() else ""


def _asked(kind: type[Record], name: str) -> FormField:
    """A field at the top of a form: a price is typed as money."""
    if _inner(kind.model_fields[name].annotation) is Price:
        return FormField(f"{name}{MINOR}", fact_words(kind, name), _meaning(kind, name), FieldKind.MONEY, None, ())
    return _field(kind, name)


def _field(kind: type[Record], name: str) -> FormField:
    record = record_of(kind, name)
    if record is not None:
        rows = tuple(_row_fields(record))
        return FormField(name, fact_words(kind, name), _meaning(kind, name), FieldKind.RECORDS, None, (), rows)
    unit = unit_of(kind, name)
    annotation = kind.model_fields[name].annotation
    options: tuple[tuple[str, str], ...] = ()
    inner = _inner(annotation)
    place = _place_referred_to(annotation, kind.model_fields[name].metadata)
    if unit is not None:
        typed_as = FieldKind.QUANTITY
    elif name in PLAIN:
        typed_as = FieldKind.TEXT
    elif inner is bool:
        typed_as = FieldKind.YES_NO
    elif inner is date:
        typed_as = FieldKind.DAY
    elif get_origin(inner) is tuple:
        items = _inner(get_args(inner)[0])
        options = _options(items)
        typed_as = FieldKind.CHOICES if options or place else FieldKind.WORDS
    elif (options := _options(inner)) or place:
        typed_as = FieldKind.CHOICE
    elif inner in (int, float):
        typed_as = FieldKind.NUMBER
    else:
        typed_as = FieldKind.TEXT
    words, meaning = fact_words(kind, name), _meaning(kind, name)
    return FormField(name, words, meaning, typed_as, unit, options, refers_to=place)


def _place_referred_to(annotation: Any, marks: Iterable[Any]) -> str:
    """The place that an id, or each of a list of ids, is marked to refer to; empty where it is not."""
    for mark in (*marks, *getattr(annotation, "__metadata__", ())):
        if isinstance(mark, RefersTo):
            return mark.place
    return next((place for inner in get_args(annotation) if (place := _place_referred_to(inner, ()))), "")


def _meaning(kind: type[Record], name: str) -> str:
    return kind.model_fields[name].description or ""


def _inner(annotation: Any) -> Any:
    """The type itself, without `None` and what annotates it."""
    if get_origin(annotation) is Annotated:
        return _inner(get_args(annotation)[0])
    if get_origin(annotation) in (Union, UnionType):
        kinds = [kind for kind in get_args(annotation) if kind is not type(None)]
        return _inner(kinds[0]) if kinds else annotation
    return annotation


def _options(kind: Any) -> tuple[tuple[str, str], ...]:
    if get_origin(kind) is Literal:
        return tuple((str(value), str(value).replace("_", " ")) for value in get_args(kind))
    if isinstance(kind, type) and issubclass(kind, StrEnum):
        return tuple((value.value, str(getattr(value, "words", value.value)).replace("_", " ")) for value in kind)
    return ()
