"""What is to be bought, as a table that spreadsheets read."""

import csv
from collections.abc import Iterable
from io import StringIO

from core.quantities import Money, UnitSystem
from core.quantities.money import DECIMALS_BY_CURRENCY
from core.report.buy_list import ToBuy

COLUMNS = (
    "line", "quantity", "stage", "amount", "currency", "once or a year", "running total", "check first", "shop",
    "seen at", "paid for by", "ordered", "paid",
)  # fmt: skip
FORMULA_BEGINS = ("=", "+", "-", "@", "\t", "\r")
"""A cell that begins so is run by spreadsheets: an apostrophe before it makes it text."""


def buy_list_csv(to_buy: Iterable[ToBuy], system: UnitSystem) -> str:
    """`to_buy` in its order, with a row of headings; amounts are plain decimals."""
    out = StringIO()
    table = csv.writer(out, lineterminator="\r\n")
    table.writerow(COLUMNS)
    for each in to_buy:
        line = each.line
        table.writerow(
            harmless(cell)
            for cell in (
                line.label,
                f"{line.quantity} {line.unit}".strip(),
                each.stage.value if each.stage else "",
                _decimal(each.amount),
                each.running.currency,
                "a year" if line.is_fee else "once",
                _decimal(each.running),
                "; ".join(reason.text(system) for reason in each.held),
                each.shop,
                each.seen_at,
                each.covered_by,
                "yes" if line.ordered else "no",
                "yes" if each.is_paid else "no",
            )
        )
    return out.getvalue()


def harmless(cell: str) -> str:
    """`cell` as a spreadsheet shows it and does not run it."""
    return f"'{cell}" if cell.startswith(FORMULA_BEGINS) else cell


def _decimal(money: Money | None) -> str:
    if money is None:
        return ""
    decimals = DECIMALS_BY_CURRENCY[money.currency]
    return f"{money.minor / 10**decimals:.{decimals}f}"
