"""A dated list of exchange rates as JSON: what one of each currency costs in euros."""

from collections.abc import Mapping
from datetime import date
from decimal import Decimal, InvalidOperation
from typing import NamedTuple

from core.formats.errors import BadFile, FileError
from core.formats.reading import read_json
from core.quantities.money import DECIMALS_BY_CURRENCY

MOST_EUROS = Decimal(1_000_000)


class RatesList(NamedTuple):
    """Rates of one day."""

    dated: date
    euros_for_one: Mapping[str, Decimal]
    """By currency; the euro itself is 1."""


def read_rates(content: bytes) -> RatesList:
    """The list that `content` holds; currencies that are not known here are left out. Raises `BadFile`."""
    told = read_json(content)
    if not isinstance(told, dict) or not isinstance(told.get("euros_for_one"), dict):
        raise BadFile([FileError("euros_for_one", "", "is what each currency costs in euros, by its code")])
    try:
        dated = date.fromisoformat(str(told.get("dated", ""))[:10])
    except ValueError as error:
        raise BadFile([FileError("dated", str(told.get("dated", ""))[:40], "is a day such as 2026-11-30")]) from error
    rates = {str(code): _rate(str(code), rate) for code, rate in told["euros_for_one"].items()}
    known = {code: rate for code, rate in rates.items() if code in DECIMALS_BY_CURRENCY}
    if known.get("EUR") != 1:
        raise BadFile([FileError("euros_for_one.EUR", str(known.get("EUR", "")), "is 1")])
    return RatesList(dated, known)


def _rate(code: str, rate: object) -> Decimal:
    try:
        found = Decimal(str(rate))
    except InvalidOperation:
        found = Decimal(0)
    if not found.is_finite() or not 0 < found <= MOST_EUROS:
        raise BadFile([FileError(f"euros_for_one.{code[:10]}", str(rate)[:40], "is more than nothing, in figures")])
    return found
