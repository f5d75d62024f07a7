"""Spec sheets as forms: what each kind asks, in which unit, and a sheet from what was typed into one."""

from collections.abc import Mapping
from enum import StrEnum
from types import UnionType
from typing import Annotated, Any, Literal, NamedTuple, Union, get_args, get_origin

from core.model.parts import KINDS, Part, Price
from core.model.parts.words import fact_words, meaning
from core.model.typed import FieldErrors, changed, unit_of
from core.quantities import Unit, UnitSystem

NOT_IN_FORMS = frozenset({"id", "kind", "price", "sources", "plans", "monitor_links", "machine_needs"})
"""The price is typed as money; what is a list of records is read from a pack."""
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


class SheetField(NamedTuple):
    """One fact of a kind's sheet."""

    name: str
    label: str
    meaning: str
    typed_as: FieldKind
    unit: Unit | None
    options: tuple[tuple[str, str], ...]
    """Value and words of each, where it is a choice."""


def sheet_fields(kind: str) -> tuple[SheetField, ...]:
    """What the sheet of `kind` asks, in its own order. Raises `KeyError` for a kind that there is not."""
    part = KINDS[kind]
    return tuple(_field(part, name) for name in part.model_fields if name not in NOT_IN_FORMS)


def sheet_from(
    kind: str, id: str, typed: Mapping[str, object], before: Part | None, system: UnitSystem, currency: str
) -> Part:
    """The sheet of `kind` under `id` with what was typed; what is not named stays as it was `before`.

    An empty text clears a fact. Raises `FieldErrors` naming the field, the value and what is accepted.
    """
    part = KINDS[kind]
    facts = {name: _read(part, name, value) for name, value in typed.items() if name in part.model_fields}
    strange = [name for name in typed if name not in part.model_fields and name != "price_minor"]
    if strange:
        raise FieldErrors([(name, typed[name], f"a fact of a {kind.replace('_', ' ')}") for name in strange])
    if "price_minor" in typed:
        facts["price"] = _price(typed["price_minor"], before, system, currency)
    start = before if before is not None else _blank(part, id, facts)
    return changed(start, facts, system, currency)


def _blank(part: type[Part], id: str, facts: Mapping[str, object]) -> Part:
    named = {field: facts.get(field) or "" for field in ("maker", "name")}
    missing = [field for field, value in named.items() if not str(value).strip()]
    if missing:
        raise FieldErrors([(field, "", "a name of 1 to 120 characters") for field in missing])
    return part.model_validate({"id": id, **named})


def _price(typed: object, before: Part | None, system: UnitSystem, currency: str) -> object:
    if typed in (None, ""):
        return None
    held = before.price if before is not None and before.price else Price(minor=0, currency=currency)
    try:
        return changed(held, {"minor": typed}, system, held.currency)
    except FieldErrors as error:
        raise FieldErrors([("price_minor", value, accepted) for _, value, accepted in error.errors]) from error


def _read(part: type[Part], name: str, value: object) -> object:
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


def _empty(part: type[Part], name: str) -> object:
    default = part.model_fields[name].default
    return default if not part.model_fields[name].is_required() else ""


def _field(part: type[Part], name: str) -> SheetField:
    unit = unit_of(part, name)
    annotation = part.model_fields[name].annotation
    options: tuple[tuple[str, str], ...] = ()
    inner = _inner(annotation)
    if unit is not None:
        typed_as = FieldKind.QUANTITY
    elif name in PLAIN:
        typed_as = FieldKind.TEXT
    elif inner is bool:
        typed_as = FieldKind.YES_NO
    elif get_origin(inner) is tuple:
        items = _inner(get_args(inner)[0])
        options = _options(items)
        typed_as = FieldKind.CHOICES if options else FieldKind.WORDS
    elif options := _options(inner):
        typed_as = FieldKind.CHOICE
    elif inner in (int, float):
        typed_as = FieldKind.NUMBER
    else:
        typed_as = FieldKind.TEXT
    return SheetField(name, fact_words(part, name), meaning(part, name), typed_as, unit, options)


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
