"""Sample exchange rates, dated: a stand-in for a bank's list that ships with the application."""

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
    told = read_json(RATES.read_bytes())
    euros = {other: Decimal(rate) for other, rate in told["euros_for_one"].items()}
    return tuple(
        ExchangeRate(
            currency=other, rate=(rate / euros[currency]).quantize(RATE_DIGITS), dated=f"{told['dated']}, a sample"
        )
        for other, rate in euros.items()
        if other != currency
    )
