"""What was seen of prices as CSV: one span a row, from the first look to the last one that found the same."""

from collections.abc import Iterable, Iterator, Mapping
from datetime import date
from typing import NamedTuple

from pydantic import ValidationError

from core.formats.errors import BadFile, FileError, row_problem
from core.formats.price_list import PriceTable
from core.formats.table import table_text
from core.model.observation import Look, Source
from core.model.parts.price import ACCEPTED_PRICE, price_text, read_price
from core.model.shops import SoldAs
from core.model.typed import FieldErrors
from core.quantities.money import MoneyError

COLUMNS = ("part", "shop", "sold_as", "price", "in_stock", "first_seen", "last_seen", "source", "address")
NEEDED = ("part", "shop", "price", "first_seen")
ACCEPTED_DAY = "a day such as 2026-11-30"


class SeenSpan(NamedTuple):
    """A look, and the last day on which the same was found."""

    look: Look
    last_seen: date


class LookRow(NamedTuple):
    """One row: the line it stands on, and the looks that it tells of, the first and the last; or what is wrong."""

    line: int
    looks: tuple[Look, ...]
    problem: str


def looks_csv(spans: Iterable[SeenSpan]) -> Iterator[str]:
    """The table in pieces, a thousand rows each, so that a million need not be held; `look_rows` reads it back."""
    heading = table_text(COLUMNS, ())
    piece: list[list[str]] = []
    yield heading
    for span in spans:
        piece.append(_cells(span))
        if len(piece) == 1000:
            yield table_text(COLUMNS, piece).removeprefix(heading)
            piece.clear()
    if piece:
        yield table_text(COLUMNS, piece).removeprefix(heading)


def _cells(span: SeenSpan) -> list[str]:
    look = span.look
    return [
        look.part,
        look.shop,
        look.sold_as.value,
        price_text(look.price),
        "yes" if look.in_stock else "no",
        look.day.isoformat(),
        span.last_seen.isoformat(),
        look.source.value,
        look.address,
    ]


def look_rows(table: PriceTable, currencies: Mapping[str, str]) -> Iterator[LookRow]:
    """What each row says, or what is wrong with it. `currencies` are those of known shops, which a bare amount is in.

    Raises `BadFile` where columns are lacking.
    """
    heading = table.columns
    lacks = [column for column in NEEDED if column not in heading]
    if lacks:
        told = f"lacks the columns {', '.join(lacks)}; accepted: {', '.join(COLUMNS)}"
        raise BadFile([FileError("heading", ", ".join(table.heading)[:200], told)])
    return (_row(line, dict(zip(heading, cells, strict=False)), currencies) for line, cells in table.rows)


def _row(line: int, cells: Mapping[str, str], currencies: Mapping[str, str]) -> LookRow:
    try:
        return LookRow(line, tuple(_looks(cells, currencies)), "")
    except FieldErrors as errors:
        return LookRow(line, (), row_problem(errors))


def _looks(cells: Mapping[str, str], currencies: Mapping[str, str]) -> Iterator[Look]:
    shop = cells["shop"].strip()
    if shop not in currencies:
        raise FieldErrors([("shop", shop, ", ".join(currencies) or "a shop that is entered first")])
    first = _day("first_seen", cells["first_seen"])
    last = _day("last_seen", cells["last_seen"]) if cells.get("last_seen", "").strip() else first
    if last < first:
        raise FieldErrors([("last_seen", last.isoformat(), f"{first.isoformat()} or later")])
    facts = {
        "part": cells["part"].strip(),
        "shop": shop,
        "sold_as": _one_of("sold_as", cells.get("sold_as", ""), [each.value for each in SoldAs]) or SoldAs.NEW,
        "price": _price(cells["price"], currencies[shop]),
        "in_stock": _one_of("in_stock", cells.get("in_stock", ""), ["yes", "no"]) != "no",
        "source": _one_of("source", cells.get("source", ""), [each.value for each in Source]) or Source.FILE,
        "address": cells.get("address", "").strip(),
    }
    for day in dict.fromkeys((first, last)):
        try:
            yield Look.model_validate({**facts, "day": day})
        except ValidationError as error:
            (wrong, *_) = error.errors(include_url=False, include_context=False)
            raise FieldErrors([(f"{wrong['loc'][0]}", wrong["input"], wrong["msg"])]) from error


def _day(column: str, cell: str) -> date:
    try:
        return date.fromisoformat(cell.strip())
    except ValueError:
        raise FieldErrors([(column, cell, ACCEPTED_DAY)]) from None


def _one_of(column: str, cell: str, words: list[str]) -> str:
    told = cell.strip().casefold()
    if told and told not in words:
        raise FieldErrors([(column, cell, ", ".join(words))])
    return told


def _price(cell: str, currency: str) -> object:
    try:
        return read_price(cell, currency)
    except MoneyError:
        raise FieldErrors([("price", cell, ACCEPTED_PRICE)]) from None
