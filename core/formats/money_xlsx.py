"""The money of a build as a workbook: lines, what is to be bought, the years; sums are formulas that recompute."""

from collections.abc import Iterable
from io import BytesIO

from openpyxl import Workbook
from openpyxl.styles import Font
from openpyxl.utils import get_column_letter
from openpyxl.worksheet.worksheet import Worksheet

from core.formats.table import harmless
from core.money.line import Line
from core.quantities import Money, UnitSystem
from core.quantities.money import DECIMALS_BY_CURRENCY
from core.report.money import MoneyInScope
from core.report.whole_money import WholeMoney

BOLD = Font(bold=True)
WIDEST = 60
LINES_FROM = 6
"""The row of the first line: above it stand name, scope and headings."""
Cell = str | float | int | None


def money_xlsx(name: str, whole: WholeMoney, system: UnitSystem) -> bytes:
    """`whole` as a workbook; texts are never formulas, whatever they begin with."""
    book = Workbook()
    lines = book.active
    assert isinstance(lines, Worksheet)
    _lines(lines, name, whole.in_scope)
    _to_buy(book.create_sheet("To buy"), whole, system)
    _years(book.create_sheet("Years"), whole)
    for sheet in book.worksheets:
        _widened(sheet)
    out = BytesIO()
    book.save(out)
    return out.getvalue()


def _lines(sheet: Worksheet, name: str, money: MoneyInScope) -> None:
    sheet.title = "Money"
    currency = money.currency
    sheet.append([harmless(name)])
    sheet.append([money.headline.text(UnitSystem.METRIC)])
    sheet.append([money.scope_words])
    sheet.append([])
    sheet.append(["line", "category", "quantity", "counts as", f"up front, {currency}", f"a year, {currency}"])
    for row in (1, 5):
        for cell in sheet[row]:
            cell.font = BOLD
    for line in money.lines:
        sheet.append(_line(line))
    last = max(LINES_FROM, LINES_FROM + len(money.lines) - 1)
    total = last + 2
    put = {
        total: ("total", f"=SUM(E{LINES_FROM}:E{last})", f"=SUM(F{LINES_FROM}:F{last})"),
        total + 1: ("kept back", f"=ROUND(E{total}*{money.contingency_share},{DECIMALS_BY_CURRENCY[currency]})", None),
        total + 2: ("cap", _plain(money.cap), None),
        total + 3: ("really free", f"=E{total + 2}-E{total}-E{total + 1}" if money.cap else None, None),
    }
    if money.counts_newcomer:
        put[total + 1] = ("kept back", _plain(money.contingency), None)
        put[total + 3] = ("really free, of what a newcomer would pay", _plain(money.free), None)
    for row, (words, up_front, yearly) in put.items():
        sheet.cell(row, 1, words).font = BOLD
        sheet.cell(row, 5, up_front)
        sheet.cell(row, 6, yearly)
    _as_money(sheet, ("E", "F"), currency)
    sheet.freeze_panes = f"A{LINES_FROM}"


def _line(line: Line) -> list[Cell]:
    return [
        harmless(line.label),
        line.category.value,
        f"{line.quantity} {line.unit}".strip(),
        line.payment.value if line.missing is None else f"{line.missing.fact} is not known",
        _plain(line.up_front),
        _plain(line.yearly),
    ]


def _to_buy(sheet: Worksheet, whole: WholeMoney, system: UnitSystem) -> None:
    currency = whole.in_scope.currency
    sheet.append(["line", "quantity", "stage", f"amount, {currency}", "so far", "check first", "shop", "paid"])
    _bold_heading(sheet)
    for number, each in enumerate(whole.to_buy, start=2):
        fee = each.line.is_fee
        before = f"E{number - 1}" if number > 2 else "0"
        sheet.append(
            [
                harmless(each.line.label) + (" (its first year)" if fee else ""),
                f"{each.line.quantity} {each.line.unit}".strip(),
                each.stage.value if each.stage else "",
                _plain(each.amount),
                f"={before}" if fee else f"={before}+D{number}",
                "; ".join(reason.text(system) for reason in each.held),
                harmless(each.shop),
                "yes" if each.is_paid else "no",
            ]
        )
    _as_money(sheet, ("D", "E"), currency)


def _years(sheet: Worksheet, whole: WholeMoney) -> None:
    currency = whole.in_scope.currency
    sheet.append(["year", "up front", "fees", "used up", "electricity", f"in all, {currency}", "so far"])
    _bold_heading(sheet)
    for number, year in enumerate(whole.years.horizon.years, start=1):
        row = number + 1
        amounts = [_plain(each) for each in (year.up_front, year.fees, year.used_up, year.electricity)]
        sheet.append([number, *amounts, f"=SUM(B{row}:E{row})", f"=SUM(F$2:F{row})"])
    _as_money(sheet, ("B", "C", "D", "E", "F", "G"), currency)


def _bold_heading(sheet: Worksheet) -> None:
    for cell in sheet[1]:
        cell.font = BOLD


def _as_money(sheet: Worksheet, columns: Iterable[str], currency: str) -> None:
    decimals = DECIMALS_BY_CURRENCY[currency]
    shown = "#,##0" + ("." + "0" * decimals if decimals else "")
    for column in columns:
        for cell in sheet[column]:
            cell.number_format = shown


def _widened(sheet: Worksheet) -> None:
    for number, column in enumerate(sheet.columns, start=1):
        longest = max((len(str(cell.value)) for cell in column if cell.value and cell.row > 4), default=8)
        sheet.column_dimensions[get_column_letter(number)].width = min(WIDEST, longest + 2)


def _plain(money: Money | None) -> float | None:
    return None if money is None else money.minor / 10 ** DECIMALS_BY_CURRENCY[money.currency]
