"""Spec sheets as forms: what each kind asks, in which unit, and a sheet from what was typed into one."""

from collections.abc import Iterable, Iterator, Mapping
from enum import StrEnum
from types import UnionType
from typing import Annotated, Any, Literal, NamedTuple, Union, get_args, get_origin

from pydantic import ValidationError

from core.model.free_ids import free_id
from core.model.parts import KINDS, Part, Price
from core.model.parts.base import Plan, RefersTo
from core.model.parts.price import ACCEPTED_PRICE, price_text, read_price
from core.model.parts.words import fact_words
from core.model.record import Record
from core.model.typed import FieldErrors, field_texts, read_value, unit_of, with_changes
from core.quantities import Unit, UnitSystem
from core.quantities.money import MoneyError

NOT_IN_FORMS = frozenset({"id", "kind", "price", "sources"})
"""The price is typed as money, sources are told fact by fact."""
PLAIN = frozenset({"maker", "name", "note"})


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
    RECORDS = "records"
    """Rows of a form of their own."""


class SheetField(NamedTuple):
    """One fact of a kind's sheet."""

    name: str
    label: str
    meaning: str
    typed_as: FieldKind
    unit: Unit | None
    options: tuple[tuple[str, str], ...]
    """Value and words of each, where it is a choice."""
    fields: tuple["SheetField", ...] = ()
    """What each row asks, where it is records; a fact of a record within is `outer.inner`."""
    refers_to: str = ""
    """The place on the chain whose parts are the options; empty where they are fixed, or there are none."""


def sheet_fields(kind: str) -> tuple[SheetField, ...]:
    """What the sheet of `kind` asks, in its own order. Raises `KeyError` for a kind that there is not."""
    part = KINDS[kind]
    return tuple(_field(part, name) for name in part.model_fields if name not in NOT_IN_FORMS)


def _row_fields(kind: type[Record], prefix: str = "") -> Iterator[SheetField]:
    for name in kind.model_fields:
        inner = _inner(kind.model_fields[name].annotation)
        if inner is Price:
            yield SheetField(f"{prefix}{name}_minor", name, _meaning(kind, name), FieldKind.MONEY, None, ())
        elif isinstance(inner, type) and issubclass(inner, Record):
            yield from _row_fields(inner, f"{prefix}{name}.")
        elif name != "id":
            field = _field(kind, name)
            outer = f"{prefix.rstrip('.')}: " if prefix else ""
            yield field._replace(name=f"{prefix}{name}", label=f"{outer}{field.label}")


def sheet_from(
    kind: str, id: str, typed: Mapping[str, object], before: Part | None, system: UnitSystem, currency: str
) -> Part:
    """The sheet of `kind` under `id` with what was typed; what is not named stays as it was `before`.

    An empty text clears a fact. Raises `FieldErrors` naming the field, the value and what is accepted.
    """
    part = KINDS[kind]
    facts = {
        name: _rows(part, name, value, system, currency) if record_of(part, name) else _read(part, name, value)
        for name, value in typed.items()
        if name in part.model_fields
    }
    strange = [name for name in typed if name not in part.model_fields and name != "price_minor"]
    if strange:
        raise FieldErrors([(name, typed[name], f"a fact of a {kind.replace('_', ' ')}") for name in strange])
    if "price_minor" in typed:
        facts["price"] = _price("price_minor", typed["price_minor"], currency)
    start = before if before is not None else _blank(part, id, facts)
    return with_changes(start, facts, system, currency)


def _blank(part: type[Part], id: str, facts: Mapping[str, object]) -> Part:
    named = {field: facts.get(field) or "" for field in ("maker", "name")}
    missing = [field for field, value in named.items() if not str(value).strip()]
    if missing:
        raise FieldErrors([(field, "", "a name of 1 to 120 characters") for field in missing])
    try:
        return part.model_validate({"id": id, **named})
    except ValidationError as error:
        wrong = [str(found["loc"][0]) for found in error.errors()]
        raise FieldErrors([(field, facts.get(field), "a name of 1 to 120 characters") for field in wrong]) from error


def _price(field: str, typed: object, currency: str) -> Price | None:
    if typed in (None, ""):
        return None
    try:
        return read_price(str(typed), currency)
    except (MoneyError, ValidationError) as error:
        raise FieldErrors([(field, typed, ACCEPTED_PRICE)]) from error


def fact_from(part: type[Part], field: str, typed: str, system: UnitSystem, currency: str) -> str | float | None:
    """What a second source states of `field`, in the fact's own unit; words for what is no number.

    Raises `FieldErrors` for a number that cannot be read.
    """
    value = read_value(part, field, _read(part, field, typed), system, currency)
    return value if isinstance(value, int | float) and not isinstance(value, bool) else typed.strip() or None


def typed_rows(records: tuple[Record, ...], system: UnitSystem) -> list[dict[str, str]]:
    """The rows of a form that `records` would be typed as."""
    return [dict(_typed_row(record, system)) for record in records]


def _typed_row(record: Record, system: UnitSystem, prefix: str = "") -> Iterator[tuple[str, str]]:
    told = dict(field_texts(record, system, "EUR"))
    for name in type(record).model_fields:
        value = getattr(record, name)
        if isinstance(value, Price):
            yield f"{prefix}{name}_minor", price_text(value)
        elif isinstance(value, Record):
            yield from _typed_row(value, system, f"{prefix}{name}.")
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


def _rows(part: type[Record], name: str, value: object, system: UnitSystem, currency: str) -> object:
    kind = record_of(part, name)
    assert kind is not None
    if not isinstance(value, list):
        raise FieldErrors([(name, value, "a list of rows")])
    if issubclass(kind, Plan):
        value = _with_ids(value)
    return tuple(_row(kind, f"{name}.{number}", row, system, currency) for number, row in enumerate(value))


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
        return {name: read_value(kind, name, _read(kind, name, value), system, currency)}
    except FieldErrors as error:
        raise FieldErrors([(path, value, accepted) for _, _, accepted in error.errors]) from error


def _read(part: type[Record], name: str, value: object) -> object:
    """A typed value as the record takes it: words into a list, text into a number or yes and no."""
    field = _field(part, name)
    if value in ("", None):
        return _empty(part, name)
    if not isinstance(value, str) or field.typed_as in (FieldKind.QUANTITY, FieldKind.TEXT, FieldKind.CHOICE):
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


def _empty(part: type[Record], name: str) -> object:
    default = part.model_fields[name].default
    return default if not part.model_fields[name].is_required() else ""


def _field(part: type[Record], name: str) -> SheetField:
    record = record_of(part, name)
    if record is not None:
        rows = tuple(_row_fields(record))
        return SheetField(name, fact_words(part, name), _meaning(part, name), FieldKind.RECORDS, None, (), rows)
    unit = unit_of(part, name)
    annotation = part.model_fields[name].annotation
    options: tuple[tuple[str, str], ...] = ()
    inner = _inner(annotation)
    place = _place_referred_to(annotation, part.model_fields[name].metadata)
    if unit is not None:
        typed_as = FieldKind.QUANTITY
    elif name in PLAIN:
        typed_as = FieldKind.TEXT
    elif inner is bool:
        typed_as = FieldKind.YES_NO
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
    words, meaning = fact_words(part, name), _meaning(part, name)
    return SheetField(name, words, meaning, typed_as, unit, options, refers_to=place)


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
