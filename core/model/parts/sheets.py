"""Spec sheets as forms: what each kind asks, and a sheet from what was typed into one."""

from collections.abc import Mapping

from pydantic import ValidationError

from core.model.forms import FormField, facts_from, form_fields, read_fact
from core.model.parts import KINDS, Part
from core.model.typed import FieldErrors, read_value, with_changes
from core.quantities import UnitSystem

NOT_IN_FORMS = frozenset({"id", "kind", "price", "sources"})
"""The price is typed as money, sources are told fact by fact."""


def sheet_fields(kind: str) -> tuple[FormField, ...]:
    """What the sheet of `kind` asks, in its own order. Raises `KeyError` for a kind that there is not."""
    return form_fields(KINDS[kind], NOT_IN_FORMS)


def sheet_from(
    kind: str, id: str, typed: Mapping[str, object], before: Part | None, system: UnitSystem, currency: str
) -> Part:
    """The sheet of `kind` under `id` with what was typed; what is not named stays as it was `before`.

    An empty text clears a fact. Raises `FieldErrors` naming the field, the value and what is accepted.
    """
    part = KINDS[kind]
    strange = [name for name in typed if name not in part.model_fields and name != "price_minor"]
    if strange:
        raise FieldErrors([(name, typed[name], f"a fact of a {kind.replace('_', ' ')}") for name in strange])
    facts = facts_from(part, typed, system, currency)
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


def fact_from(part: type[Part], field: str, typed: str, system: UnitSystem, currency: str) -> str | float | None:
    """What a second source states of `field`, in the fact's own unit; words for what is no number.

    Raises `FieldErrors` for a number that cannot be read.
    """
    value = read_value(part, field, read_fact(part, field, typed), system, currency)
    return value if isinstance(value, int | float) and not isinstance(value, bool) else typed.strip() or None
