"""What a change may hold: it follows from the records, so that no field and no bound is written a second time."""

from collections.abc import Callable, Iterator
from types import NoneType
from typing import Annotated, Any, TypeVar, get_args

from ninja import Schema
from pydantic import ConfigDict, Field, create_model

from core.model.record import Record
from core.model.typed import unit_of

Typed = Annotated[str, Field(max_length=40)] | Annotated[float, Field(strict=True, allow_inf_nan=False)]
"""A quantity: text as a person types it, in their units, or a number in the core's own unit."""
Revision = Annotated[int, Field(strict=True, ge=0, le=2**31)]
EditKey = Annotated[str, Field(max_length=64)]
ASIDE = frozenset({"revision", "key", "number"})
"""What a change tells of itself."""


def _absent_is_unchanged(schema: dict[str, Any]) -> None:
    for field in schema["properties"].values():
        field.pop("default", None)


class Change(Schema):
    """An edit, made on a build as it was at `revision`. Only the fields that are given change."""

    model_config = ConfigDict(extra="forbid", json_schema_extra=_absent_is_unchanged)

    revision: Revision
    key: EditKey = ""
    """Its own, so that an edit whose answer was lost is not made twice when it is sent again."""

    def changes(self) -> dict[str, object]:
        """The fields that were given, but for what a change tells of itself."""
        return self.model_dump(exclude_unset=True, exclude=set(ASIDE))


C = TypeVar("C", bound=Change)


def fields_of(*records: type[Record], leave_out: tuple[str, ...] = ()) -> Callable[[type[C]], type[C]]:
    """Give a change the fields of `records`, but for those left out; quantities as they are typed.

    Bounds of quantities are looked at where they are read, in the person's own units; all others are the records'.
    """

    def derived(change: type[C]) -> type[C]:
        fields: dict[str, Any] = {
            name: (annotation, None)
            for name, annotation in _annotations(records)
            if name not in leave_out and name not in change.model_fields
        }
        made: type[C] = create_model(
            change.__name__, __base__=change, __module__=change.__module__, __doc__=change.__doc__, **fields
        )
        return made

    return derived


def _annotations(records: tuple[type[Record], ...]) -> Iterator[tuple[str, Any]]:
    found: dict[str, Any] = {}
    for record in records:
        for name, info in record.model_fields.items():
            clearable = NoneType in get_args(info.annotation)
            if unit_of(record, name) is not None:
                annotation: Any = Typed | None if clearable else Typed
            else:
                annotation = Annotated[info.annotation, *info.metadata] if info.metadata else info.annotation
            # Where two records have it, what either takes is taken; the record itself has the last word.
            found[name] = annotation if name not in found or found[name] == annotation else found[name] | annotation
    yield from found.items()
