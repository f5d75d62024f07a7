"""Records that are equal are one: what an edit leaves as it was stays the very same object.

Answers are remembered by the facts of a record and by the identity of what holds records; after an edit a document is
validated as a whole, which makes all of it anew.
"""

from typing import TypeVar, cast

from core.model.record import Record

T = TypeVar("T")


def sharing(after: T, before: object) -> T:
    """`after`, equal to what it was; whatever of it is equal to what stood in its place `before` is that object."""
    if type(after) is not type(before):
        return after
    if after == before:
        return before
    if isinstance(after, Record):
        fields = type(after).model_fields
        shared = {name: sharing(getattr(after, name), getattr(before, name)) for name in fields}
        return cast(T, after.model_copy(update=shared))
    if isinstance(after, dict):
        was = cast(dict[object, object], before)
        return cast(T, {key: sharing(value, was.get(key)) for key, value in after.items()})
    if isinstance(after, tuple):
        was_there = dict(enumerate(cast(tuple[object, ...], before)))
        return cast(T, tuple(sharing(value, was_there.get(number)) for number, value in enumerate(after)))
    return after
