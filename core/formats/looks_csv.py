"""What was seen of prices as CSV: one span a row, from the first look to the last one that found the same."""

import re
from collections.abc import Callable, Iterable, Iterator, Mapping, Sequence
from datetime import date
from typing import NamedTuple

from pydantic import ValidationError

from core.formats.errors import BadFile, FileError, row_problem
from core.formats.price_list import PriceTable
from core.formats.table import table_text
from core.model.observation import Look, Source
from core.model.parts.price import ACCEPTED_PRICE, price_text, read_price
from core.model.shops import Shop, SoldAs
from core.model.typed import FieldErrors
from core.quantities.money import MoneyError

COLUMNS = (
    "part", "shop", "sold_as", "price", "in_stock", "first_seen", "last_seen", "source", "address", "held_back",
    "struck",
)  # fmt: skip
NEEDED = ("part", "shop", "price", "first_seen")
ACCEPTED_DAY = "a day such as 2026-11-30 or 30.11.2026"
GUESSES: Mapping[str, tuple[str, ...]] = {
    "part": ("id", "sku", "product", "item", "name"),
    "shop": ("store", "seller", "dealer"),
    "sold_as": ("condition", "state"),
    "price": ("amount", "cost"),
    "in_stock": ("stock", "available"),
    "first_seen": ("date", "day", "seen", "when"),
    "address": ("link", "url"),
}
"""Headings by which a column is usually called."""
MOST_LOOK_ROWS = 250_000
_CONDITIONS = tuple(each.value for each in SoldAs)
_SOURCES = tuple(each.value for each in Source)
_DOTTED = re.compile(r"^(\d{1,2})\.(\d{1,2})\.(\d{4})$")


class SeenSpan(NamedTuple):
    """A look, and the last day on which the same was found."""

    look: Look
    last_seen: date
    held_back: str = ""
    """Why it is not believed yet."""
    struck: str = ""
    """Why somebody struck it out."""


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
        span.held_back,
        span.struck,
    ]


class Knowledge(NamedTuple):
    """What a table may name."""

    shops: Mapping[str, Shop]
    """By id and by name, in small letters."""
    part_of: Callable[[str], str | None]
    """The part of that id, or of that maker and name."""


def guessed_columns(heading: Sequence[str]) -> dict[str, int]:
    """Which column holds what, by its heading; what is not recognised is left out."""
    folded = [cell.strip().casefold().replace(" ", "_") for cell in heading]
    found: dict[str, int] = {}
    for column in COLUMNS:
        named = (folded.index(word) for word in (column, *GUESSES.get(column, ())) if word in folded)
        at = next((number for number in named if number not in found.values()), None)
        if at is not None:
            found[column] = at
    return found


def look_rows(table: PriceTable, columns: Mapping[str, int], known: Knowledge) -> Iterator[LookRow]:
    """What each row says, or what is wrong with it; `columns` say where each thing stands, counted from 0.

    Raises `BadFile` where columns are lacking.
    """
    lacks = [column for column in NEEDED if column not in columns]
    if lacks:
        told = f"lacks columns for {', '.join(lacks)}; say which they are"
        raise BadFile([FileError("heading", ", ".join(table.heading)[:200], told)])
    return (
        _row(line, {column: cells[at] for column, at in columns.items() if at < len(cells)}, known)
        for line, cells in table.rows
    )


def _row(line: int, cells: Mapping[str, str], known: Knowledge) -> LookRow:
    try:
        return LookRow(line, tuple(_looks(cells, known)), "")
    except FieldErrors as errors:
        return LookRow(line, (), row_problem(errors))


def _looks(cells: Mapping[str, str], known: Knowledge) -> Iterator[Look]:
    if cells.get("struck", "").strip():
        raise FieldErrors([("struck", cells["struck"], "nothing: what was struck out is not taken in again")])
    shop = known.shops.get(cells.get("shop", "").strip().casefold())
    if shop is None:
        names = dict.fromkeys(shop.name for shop in known.shops.values())
        raise FieldErrors([("shop", cells.get("shop", ""), ", ".join(names) or "a shop that is entered first")])
    first = _day("first_seen", cells.get("first_seen", ""))
    last = _day("last_seen", cells["last_seen"]) if cells.get("last_seen", "").strip() else first
    if last < first:
        raise FieldErrors([("last_seen", last.isoformat(), f"{first.isoformat()} or later")])
    named = cells.get("part", "").strip()
    facts = {
        "part": known.part_of(named) or named,
        "shop": shop.id,
        "sold_as": _one_of("sold_as", cells.get("sold_as", ""), _CONDITIONS) or SoldAs.NEW,
        "price": _price(cells.get("price", ""), shop),
        "in_stock": _one_of("in_stock", cells.get("in_stock", ""), ("yes", "no")) != "no",
        "source": _one_of("source", cells.get("source", ""), _SOURCES) or Source.FILE,
        "address": cells.get("address", "").strip(),
    }
    for day in dict.fromkeys((first, last)):
        try:
            yield Look.model_validate({**facts, "day": day})
        except ValidationError as error:
            (wrong, *_) = error.errors(include_url=False, include_context=False)
            raise FieldErrors([(f"{wrong['loc'][0]}", wrong["input"], wrong["msg"])]) from error


def _day(column: str, cell: str) -> date:
    told = cell.strip()
    dotted = _DOTTED.match(told)
    try:
        return date(int(dotted[3]), int(dotted[2]), int(dotted[1])) if dotted else date.fromisoformat(told[:10])
    except ValueError:
        raise FieldErrors([(column, cell, ACCEPTED_DAY)]) from None


def _one_of(column: str, cell: str, words: Sequence[str]) -> str:
    told = cell.strip().casefold()
    if told and told not in words:
        raise FieldErrors([(column, cell, ", ".join(words))])
    return told


def _price(cell: str, shop: Shop) -> object:
    """A bare amount is in the money of its shop."""
    try:
        return read_price(cell, shop.currency)
    except MoneyError:
        raise FieldErrors([("price", cell, ACCEPTED_PRICE)]) from None
