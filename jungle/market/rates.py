"""Exchange rates, dated: those of a sample list that ships with the application."""

from collections.abc import Mapping
from decimal import Decimal
from functools import cache
from pathlib import Path

from core.formats.reading import read_json
from core.model.brief import ExchangeRate
from core.money.currency import RATE_DIGITS

RATES = Path(__file__).resolve().parent.parent / "demo" / "rates.json"


@cache
def sample_rates(currency: str) -> tuple[ExchangeRate, ...]:
    """What one of each other currency costs in `currency`."""
    return rates_in(currency, sample_euros(), f"{read_json(RATES.read_bytes())['dated']}, a sample")


@cache
def sample_euros() -> Mapping[str, Decimal]:
    """What one of each currency costs in euros, by the sample list."""
    told = read_json(RATES.read_bytes())["euros_for_one"]
    return {currency: Decimal(rate) for currency, rate in told.items()}


def rates_in(currency: str, euros: Mapping[str, Decimal], dated: str) -> tuple[ExchangeRate, ...]:
    """What one of each other currency costs in `currency`, by a list of what each costs in euros."""
    return tuple(
        ExchangeRate(currency=other, rate=(rate / euros[currency]).quantize(RATE_DIGITS), dated=dated)
        for other, rate in euros.items()
        if other != currency
    )
