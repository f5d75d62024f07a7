"""Feeds: a catalogue as a table, or as JSON."""

import json
from collections.abc import Iterator, Mapping

from core.formats.errors import BadFile, FileError
from core.formats.price_list import read_table
from core.formats.price_sources.told import MOST_THINGS, Told, named_fields, thing_from


def read_csv_feed(content: bytes, currency: str, tax_included: bool) -> tuple[Told, ...]:
    """The things of a table with a heading. Raises `BadFile`."""
    table = read_table(content)
    rows = (dict(zip(table.heading, cells, strict=False)) for _, cells in table.rows)
    if "price" not in named_fields(dict.fromkeys(table.heading, "x")):
        raise BadFile([FileError("heading", ", ".join(table.heading)[:200], "has no column of prices")])
    return tuple(thing_from(named_fields(row), currency, tax_included) for row in rows)


def read_json_feed(content: bytes, currency: str, tax_included: bool) -> tuple[Told, ...]:
    """The things of a JSON document: a list of objects, wherever it stands in it. Raises `BadFile`."""
    try:
        told = json.loads(content)
    except (ValueError, RecursionError) as error:
        raise BadFile([FileError("file", "", f"cannot be read as JSON: {str(error)[:120]}")]) from error
    rows = _rows(told)
    if rows is None:
        raise BadFile([FileError("file", "", "holds no list of things with prices")])
    if len(rows) > MOST_THINGS:
        raise BadFile([FileError("file", str(len(rows)), f"at most {MOST_THINGS} things are read")])
    return tuple(thing_from(named_fields(_flat(row)), currency, tax_included) for row in rows)


def _rows(told: object) -> list[Mapping[str, object]] | None:
    """The first list, from the top, in which objects stand."""
    level: list[object] = [told]
    while level:
        for one in level:
            if isinstance(one, list) and one and all(isinstance(row, dict) for row in one):
                return one
        level = [inner for one in level if isinstance(one, dict) for inner in one.values()]
    return None


def _flat(row: Mapping[str, object]) -> dict[str, object]:
    """A row with what its offer says beside its own."""
    return {**row, **{name: value for inner in _offers(row) for name, value in inner.items() if name not in row}}


def _offers(row: Mapping[str, object]) -> Iterator[Mapping[str, object]]:
    for name in ("offers", "offer"):
        inner = row.get(name)
        if isinstance(inner, list) and inner:
            inner = inner[0]
        if isinstance(inner, dict):
            yield inner
