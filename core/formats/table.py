"""Tables as CSV, as spreadsheets read them and run nothing of."""

import csv
from collections.abc import Iterable, Sequence
from io import StringIO

FORMULA_BEGINS = ("=", "+", "-", "@", "\t", "\r")
"""A cell that begins so is run by spreadsheets: an apostrophe before it makes it text."""


def table_text(columns: Sequence[str], rows: Iterable[Iterable[str]]) -> str:
    """`rows` under a row of headings; no cell is a formula."""
    out = StringIO()
    table = csv.writer(out, lineterminator="\r\n")
    table.writerow(columns)
    table.writerows([harmless(cell) for cell in row] for row in rows)
    return out.getvalue()


def harmless(cell: str) -> str:
    """`cell` as a spreadsheet shows it and does not run it."""
    return f"'{cell}" if cell.startswith(FORMULA_BEGINS) else cell
