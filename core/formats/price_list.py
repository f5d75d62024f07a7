"""Price lists as CSV: columns mapped by whoever reads one, each row told what it does or what is wrong with it."""

import csv
import io
from collections.abc import Callable, Iterable, Mapping, Sequence
from enum import StrEnum
from typing import NamedTuple

from core.formats.errors import BadFile, FileError
from core.model.found import Listed
from core.model.parts import KINDS, Part, Price
from core.model.parts.sheets import sheet_from
from core.model.typed import FieldErrors
from core.quantities import Money, UnitSystem
from core.quantities.money import ACCEPTED_MONEY, DECIMALS_BY_CURRENCY, MoneyError, parse_minor

MOST_ROWS = 5000
DELIMITERS = ",;\t"


class Column(StrEnum):
    """What a column of the list holds."""

    ID = "id"
    MAKER = "maker"
    NAME = "name"
    KIND = "kind"
    PRICE = "price"
    CURRENCY = "currency"
    NOTE = "note"


GUESSES = {
    Column.ID: ("id", "part", "code", "article", "sku"),
    Column.MAKER: ("maker", "brand", "manufacturer"),
    Column.NAME: ("name", "title", "item", "description", "product"),
    Column.KIND: ("kind", "type", "category"),
    Column.PRICE: ("price", "cost", "amount", "eur", "usd", "gbp"),
    Column.CURRENCY: ("currency",),
    Column.NOTE: ("note", "remark", "comment"),
}
"""Headings by which a column is usually called."""


class PriceTable(NamedTuple):
    """A list as it was read: its heading, and its rows with the line each stands on."""

    heading: tuple[str, ...]
    rows: tuple[tuple[int, tuple[str, ...]], ...]

    @property
    def columns(self) -> list[str]:
        """Its heading as fields are called: in small letters, words joined."""
        return [cell.lower().replace(" ", "_") for cell in self.heading]


class ListRow(NamedTuple):
    """One row: the line it stands on, what it does, and the part as it would be; or what is wrong."""

    line: int
    does: str
    part: Part | None
    before: Money | None
    problem: str


def read_table(text: bytes, most_rows: int = MOST_ROWS) -> PriceTable:
    """The rows of a CSV file, comma, semicolon or tab between columns. Raises `BadFile`."""
    try:
        told = text.decode("utf-8-sig")
    except UnicodeDecodeError:
        told = text.decode("cp1252", errors="replace")
    if "\x00" in told:
        raise BadFile([FileError("file", "", "is no text; a CSV file is accepted")])
    first = told.splitlines()[0] if told.strip() else ""
    delimiter = max(DELIMITERS, key=first.count)
    try:
        rows = list(csv.reader(io.StringIO(told), delimiter=delimiter))
    except csv.Error as error:
        raise BadFile([FileError("file", "", f"cannot be read as CSV: {error}")]) from error
    numbered = [(line, tuple(cell.strip() for cell in row)) for line, row in enumerate(rows, 1) if any(row)]
    if not numbered:
        raise BadFile([FileError("file", "", "is empty; a heading and one row for each part are accepted")])
    if len(numbered) - 1 > most_rows:
        raise BadFile(
            [FileError("file", str(len(numbered) - 1), f"at most {most_rows} rows below the heading are read")]
        )
    return PriceTable(numbered[0][1], tuple(numbered[1:]))


def chosen_columns(mapping: Mapping[str, object], may_hold: Sequence[str], width: int) -> dict[str, int]:
    """Which of `width` columns holds what, as somebody chose it. Raises `FieldErrors`."""
    columns: dict[str, int] = {}
    for name, number in mapping.items():
        if name not in may_hold:
            raise FieldErrors([("mapping", name, ", ".join(may_hold))])
        if isinstance(number, bool) or not isinstance(number, int) or not 0 <= number < width:
            raise FieldErrors([(f"mapping.{name}", number, f"a column from 0 to {width - 1}")])
        columns[name] = number
    return columns


def guessed_mapping(heading: tuple[str, ...]) -> dict[Column, int]:
    """Which column holds what, by its heading; what is not recognised is left out."""
    mapping: dict[Column, int] = {}
    for column, words in GUESSES.items():
        for number, cell in enumerate(heading):
            if cell.lower() in words and number not in mapping.values():
                mapping[column] = number
                break
    return mapping


def list_rows(
    table: PriceTable,
    mapping: Mapping[Column, int],
    lines: Iterable[Listed],
    sheets_of: Callable[[Iterable[str]], Mapping[str, Part]],
    currency: str,
    new_id: Callable[[str], str],
) -> tuple[ListRow, ...]:
    """What each row does: a new price for a part that `lines` tell of, or a new part; in `currency` unless said.

    `sheets_of` gives sheets by id, for the parts that occur in the list; `new_id` an id for a part of a kind.
    """
    by_id: dict[str, str] = {}
    by_name: dict[tuple[str, str], str] = {}
    ambiguous: set[tuple[str, str]] = set()
    for line in lines:
        by_id[line.id] = line.id
        called = line.maker.lower(), line.name.lower()
        if by_name.setdefault(called, line.id) != line.id:
            ambiguous.add(called)
    rows = [
        (number, {column: cells[at] for column, at in mapping.items() if at < len(cells)})
        for number, cells in table.rows
    ]
    named = [by_id.get(row.get(Column.ID, "")) or by_name.get(_named(row)) for _, row in rows]
    held = sheets_of({id for id in named if id})
    seen: set[str | tuple[str, str]] = set()
    found = []
    for (number, row), id in zip(rows, named, strict=True):
        try:
            if row.get(Column.ID, "") not in by_id and _named(row) in ambiguous:
                raise _RowProblem("two parts here have that maker and name; give the id of the one that is meant")
            if (key := id or _named(row)) in seen:
                raise _RowProblem(f"{id or ' '.join(_named(row)).strip()} stands in an earlier row already")
            if id and id not in held:
                raise _RowProblem(f"{id} cannot be read here: it was taken out meanwhile, or is damaged")
            part = _priced(held[id], row, currency) if id else _new_part(row, currency, new_id)
            seen.add(key)
            before = held[id].price if id else None
            found.append(ListRow(number, "price" if id else "new part", part, before.money if before else None, ""))
        except _RowProblem as problem:
            found.append(ListRow(number, "", None, None, str(problem)))
    return tuple(found)


class _RowProblem(ValueError):
    """What is wrong with a row: the column, what stands there, and what is accepted."""


def _named(row: Mapping[Column, str]) -> tuple[str, str]:
    return row.get(Column.MAKER, "").lower(), row.get(Column.NAME, "").lower()


def _priced(part: Part, row: Mapping[Column, str], currency: str) -> Part:
    return part.model_copy(update={"price": _price(row, currency)})


def _new_part(row: Mapping[Column, str], currency: str, new_id: Callable[[str], str]) -> Part:
    price = _price(row, currency)
    told = row.get(Column.KIND, "")
    kind = told.lower().replace(" ", "_")
    if kind not in KINDS:
        wrong = f"kind '{told[:40]}'" if kind else "no part here has that id or name, and no kind is given"
        raise _RowProblem(f"{wrong}; accepted for a new part: {', '.join(KINDS)}")
    typed = {column.value: row.get(column, "") for column in (Column.MAKER, Column.NAME, Column.NOTE)}
    try:
        part = sheet_from(kind, new_id(kind), typed, None, UnitSystem.METRIC, currency)
    except FieldErrors as errors:
        field, value, accepted = errors.errors[0]
        raise _RowProblem(f"{field} '{str(value)[:40]}'; accepted: {accepted}") from errors
    return part.model_copy(update={"price": price})


def _price(row: Mapping[Column, str], currency: str) -> Price:
    told = row.get(Column.CURRENCY, "").upper() or currency
    if told not in DECIMALS_BY_CURRENCY:
        raise _RowProblem(f"currency '{told[:10]}'; accepted: {', '.join(DECIMALS_BY_CURRENCY)}")
    typed = row.get(Column.PRICE, "")
    try:
        return Price(minor=parse_minor(typed, told), currency=told)
    except (MoneyError, ValueError) as error:
        raise _RowProblem(f"price '{typed[:40]}'; accepted: {ACCEPTED_MONEY}") from error
