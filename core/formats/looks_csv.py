"""What was seen of prices as CSV: one span a row, from the first look to the last one that found the same."""

import re
from collections.abc import Callable, Iterable, Iterator, Mapping, Sequence
from datetime import date
from typing import Any, NamedTuple

from pydantic import ValidationError

from core.formats.errors import BadFile, FileError, row_problem
from core.formats.price_list import PriceTable
from core.formats.table import table_text
from core.model.observation import Look, Source
from core.model.parts.price import ACCEPTED_PRICE, Price, price_text, read_price
from core.model.shops import Shop, SoldAs
from core.model.text import plain_words
from core.model.typed import FieldErrors
from core.quantities.money import MoneyError

COLUMNS = (
    "part", "shop", "sold_as", "price", "in_stock", "first_seen", "last_seen", "source", "address", "held_back",
    "struck",
)  # fmt: skip
NEEDED = ("part", "shop", "price", "first_seen")
ACCEPTED_PART = "a part of the catalogue, by its id or by its maker and name; an id of small letters, digits and dashes"
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
ANY_CURRENCY = "EUR"
_FIELDS = {"first_seen": "day", "last_seen": "day"}
"""Columns that are called otherwise in a look."""
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
    today: date
    """Nothing was seen after it."""


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
        return LookRow(line, _looks(cells, known), "")
    except FieldErrors as errors:
        return LookRow(line, (), row_problem(errors))


def _looks(cells: Mapping[str, str], known: Knowledge) -> tuple[Look, ...]:
    """Raises `FieldErrors` with all that is wrong."""
    wrong: list[tuple[str, object, str]] = []
    read = _read(cells, wrong)
    shop = known.shops.get(cells.get("shop", "").casefold())
    if shop is None:
        names = dict.fromkeys(shop.name for shop in known.shops.values())
        wrong.append(("shop", cells.get("shop", ""), ", ".join(names) or "a shop that is entered first"))
    price = _price(cells.get("price", ""), shop)
    if price is None:
        wrong.append(("price", cells.get("price", ""), ACCEPTED_PRICE))
    first, last = read.pop("first_seen"), read.pop("last_seen", None)
    wrong += _not_in_order(first, last, known.today)
    named = cells.get("part", "")
    facts = {
        "part": known.part_of(named) or named,
        "shop": shop and shop.id,
        "price": price,
        "source": Source.FILE,
        "address": cells.get("address", ""),
        **read,
    }
    looks = [_look(facts, day, wrong) for day in ((first, last) if last and last != first else (first,))]
    if wrong:
        raise FieldErrors(wrong)
    return tuple(look for look in looks if look)


def _not_in_order(first: date | None, last: date | None, today: date) -> Iterator[tuple[str, object, str]]:
    """Days that are not in their order, from the first to the last to today."""
    if first and first > today:
        yield "first_seen", first.isoformat(), f"{today.isoformat()} or earlier"
    elif last and last > today:
        yield "last_seen", last.isoformat(), f"{today.isoformat()} or earlier"
    elif first and last and last < first:
        yield "last_seen", last.isoformat(), f"{first.isoformat()} or later"


def _read(cells: Mapping[str, str], wrong: list[tuple[str, object, str]]) -> dict[str, Any]:
    """What cells mean by themselves; `None` for those that are `wrong`."""
    read: dict[str, Any] = {"first_seen": None}
    for column, cell in cells.items():
        if column in _READERS and (cell or column in NEEDED):
            means, accepted = _READERS[column]
            read[column] = means(cell)
            if read[column] is None:
                wrong.append((column, cell, accepted))
    return read


def _look(facts: Mapping[str, object], day: date | None, wrong: list[tuple[str, object, str]]) -> Look | None:
    try:
        return Look.model_validate({**facts, "day": day})
    except ValidationError as error:
        told = {_FIELDS.get(column, column) for column, *_ in wrong}
        for one in error.errors(include_url=False, include_context=False):
            column = f"{one['loc'][0]}"
            if column not in told:
                wrong.append((column, one["input"], ACCEPTED_PART if column == "part" else plain_words(one["msg"])))
        return None


def _day(cell: str) -> date | None:
    dotted = _DOTTED.match(cell)
    try:
        return date(int(dotted[3]), int(dotted[2]), int(dotted[1])) if dotted else date.fromisoformat(cell[:10])
    except ValueError:
        return None


def _price(cell: str, shop: Shop | None) -> Price | None:
    """A bare amount is in the money of its shop; where that is not known, any tells whether it can be read."""
    try:
        return read_price(cell, shop.currency if shop else ANY_CURRENCY)
    except MoneyError:
        return None


def _one_of(meant: Mapping[str, object]) -> tuple[Callable[[str], object | None], str]:
    """Reads one of some words, in any case."""
    return lambda cell: meant.get(cell.casefold()), ", ".join(meant)


_READERS: Mapping[str, tuple[Callable[[str], object | None], str]] = {
    "sold_as": _one_of({each.value: each for each in SoldAs}),
    "in_stock": _one_of({"yes": True, "no": False}),
    "first_seen": (_day, ACCEPTED_DAY),
    "last_seen": (_day, ACCEPTED_DAY),
    "source": _one_of({each.value: each for each in Source}),
    "struck": (lambda cell: None, "nothing: what was struck out is not taken in again"),
}
"""What a cell of a column means by itself, `None` where it cannot be read; and what is accepted."""
