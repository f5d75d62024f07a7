"""Offers as CSV: one a row, with the shop and the part by their ids, and the price as people write it."""

from collections.abc import Iterable, Iterator, Mapping
from datetime import date
from typing import NamedTuple

from core.formats.errors import BadFile, FileError, row_problem
from core.formats.price_list import PriceTable
from core.formats.table import table_text
from core.model.forms import typed_form
from core.model.shop_forms import offer_from
from core.model.shops import Offer, Shop
from core.model.typed import FieldErrors
from core.quantities import UnitSystem

COLUMNS = (
    "id", "shop", "part", "price", "regular", "sold_as", "warranty_months", "lead_days", "good_until", "in_stock",
    "seen",    "address",
)  # fmt: skip
NEEDED = ("id", "shop", "part", "price", "seen")
FIELDS = {"price": "price_minor", "regular": "regular_minor"}
"""Columns that are called otherwise than what they fill."""


class OfferRow(NamedTuple):
    """One row: the line it stands on, and the offer, or what is wrong."""

    line: int
    offer: Offer | None
    problem: str


def offers_csv(offers: Iterable[Offer]) -> str:
    """`offers` as a table; `offer_rows` reads it back."""
    return table_text(COLUMNS, map(_cells, offers))


def _cells(offer: Offer) -> list[str]:
    typed = {"id": offer.id, **typed_form(offer, UnitSystem.METRIC, offer.price.currency)}
    return [typed.get(FIELDS.get(column, column), "") for column in COLUMNS]


def offer_rows(table: PriceTable, shops: Mapping[str, Shop]) -> tuple[OfferRow, ...]:
    """What each row says: an offer of one of `shops`, or what is wrong. Raises `BadFile` where columns are lacking."""
    heading = table.columns
    lacks = [column for column in NEEDED if column not in heading]
    if lacks:
        told = f"lacks the columns {', '.join(lacks)}; accepted: {', '.join(COLUMNS)}"
        raise BadFile([FileError("heading", ", ".join(table.heading)[:200], told)])
    return tuple(_rows(table, heading, shops))


def _rows(table: PriceTable, heading: list[str], shops: Mapping[str, Shop]) -> Iterator[OfferRow]:
    seen: set[str] = set()
    for line, cells in table.rows:
        row = {column: cell for column, cell in zip(heading, cells, strict=False) if column in COLUMNS}
        try:
            shop, id = shops.get(row["shop"]), row["id"]
            if shop is None:
                raise FieldErrors([("shop", row["shop"], ", ".join(shops) or "a shop that is entered first")])
            if id in seen:
                raise FieldErrors([("id", id, "an id of its own in every row")])
            typed = {FIELDS.get(column, column): text for column, text in row.items() if column not in ("shop", "id")}
            offer = offer_from(id, shop, typed, None, date.min, UnitSystem.METRIC)
            seen.add(id)
            yield OfferRow(line, offer, "")
        except FieldErrors as errors:
            yield OfferRow(line, None, row_problem(errors))
