"""Shops as CSV: one a row, terms that come several times as JSON in their cell, all as people type them."""

import json
from collections.abc import Iterable, Iterator, Mapping
from typing import NamedTuple

from pydantic import TypeAdapter, ValidationError

from core.formats.errors import BadFile, FileError, row_problem
from core.formats.price_list import PriceTable
from core.formats.table import table_text
from core.model.forms import record_of, typed_form, typed_rows
from core.model.record import Identifier
from core.model.shop_forms import shop_from
from core.model.shops import MOST_SHOPS, Shop
from core.model.typed import FieldErrors
from core.quantities import UnitSystem

TERMS = tuple(field for field in Shop.model_fields if record_of(Shop, field))
"""What a shop has several of."""
COLUMNS = (*(field for field in Shop.model_fields if field not in TERMS), *TERMS)
NEEDED = ("id", "name", "country")
ROWS = TypeAdapter(list[dict[str, str]])
_ID = TypeAdapter(Identifier)


class ShopRow(NamedTuple):
    """One row: the line it stands on, and the shop, or what is wrong."""

    line: int
    shop: Shop | None
    problem: str


def shops_csv(shops: Iterable[Shop]) -> str:
    """`shops` as a table; `shop_rows` reads it back."""
    return table_text(COLUMNS, map(_cells, shops))


def _cells(shop: Shop) -> list[str]:
    typed = {"id": shop.id, **typed_form(shop, UnitSystem.METRIC, shop.currency)}
    typed |= {field: _told(shop, field) for field in TERMS}
    return [typed.get(column, "") for column in COLUMNS]


def are_shops(table: PriceTable) -> bool:
    """The table is of shops and not of offers."""
    return set(NEEDED) <= set(table.columns) and "part" not in table.columns


def shop_rows(table: PriceTable, known: Mapping[str, Shop]) -> tuple[ShopRow, ...]:
    """What each row says: a shop, what is not told as it is `known`; or what is wrong. Raises `BadFile`."""
    if len(table.rows) > MOST_SHOPS:
        raise BadFile([FileError("file", str(len(table.rows)), f"at most {MOST_SHOPS} shops are read")])
    return tuple(_rows(table, known))


def _rows(table: PriceTable, known: Mapping[str, Shop]) -> Iterator[ShopRow]:
    heading, seen = table.columns, set[str]()
    for line, cells in table.rows:
        row = {column: cell for column, cell in zip(heading, cells, strict=False) if column in COLUMNS}
        try:
            id = _identified(row.pop("id", ""), seen)
            typed = {field: _read(field, text) if field in TERMS else text for field, text in row.items()}
            yield ShopRow(line, shop_from(id, typed, known.get(id), UnitSystem.METRIC), "")
        except FieldErrors as errors:
            yield ShopRow(line, None, row_problem(errors))


def _identified(id: str, seen: set[str]) -> str:
    try:
        _ID.validate_python(id)
    except ValidationError as error:
        raise FieldErrors([("id", id, "letters, digits and hyphens")]) from error
    if id in seen:
        raise FieldErrors([("id", id, "an id of its own in every row")])
    seen.add(id)
    return id


def _told(shop: Shop, field: str) -> str:
    rows = typed_rows(getattr(shop, field), UnitSystem.METRIC, shop.currency)
    told = [{name: text for name, text in row.items() if text} for row in rows]
    return json.dumps(told, ensure_ascii=False) if told else ""


def _read(field: str, text: str) -> list[dict[str, str]]:
    if not text:
        return []
    try:
        return ROWS.validate_json(text)
    except ValidationError as error:
        accepted = 'a list such as [{"fee_minor": "8.90"}], as the table is written'
        raise FieldErrors([(field, text, accepted)]) from error
