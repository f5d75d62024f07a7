"""What is to be bought, as a table that spreadsheets read."""

from collections.abc import Iterable

from core.formats.table import table_text
from core.quantities import Money, UnitSystem
from core.quantities.money import DECIMALS_BY_CURRENCY
from core.report.buy_list import ToBuy

COLUMNS = (
    "line", "quantity", "stage", "amount", "currency", "once or a year", "running total", "check first", "shop",
    "seen at", "paid for by", "ordered", "paid",
)  # fmt: skip


def buy_list_csv(to_buy: Iterable[ToBuy], system: UnitSystem) -> str:
    """`to_buy` in its order, with a row of headings; amounts are plain decimals."""
    return table_text(COLUMNS, (_row(each, system) for each in to_buy))


def _row(each: ToBuy, system: UnitSystem) -> tuple[str, ...]:
    line = each.line
    return (
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


def _decimal(money: Money | None) -> str:
    if money is None:
        return ""
    decimals = DECIMALS_BY_CURRENCY[money.currency]
    return f"{money.minor / 10**decimals:.{decimals}f}"
