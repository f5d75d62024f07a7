"""Exchange rates, dated: those that were read last, else those of a sample list that ships with the application."""

from collections.abc import Mapping
from decimal import Decimal
from functools import cache
from pathlib import Path

from core.formats.errors import BadFile
from core.formats.rates_list import RatesList, read_rates
from core.model.brief import ExchangeRate
from core.money.currency import RATE_DIGITS
from jungle.market.models import KnownMarket

RATES = Path(__file__).resolve().parent.parent / "demo" / "rates.json"


def rates_for(owner_id: int, currency: str) -> tuple[ExchangeRate, ...]:
    """What one of each other currency costs in `currency`, as it was read last."""
    kept = KnownMarket.objects.filter(pk=owner_id).values_list("rates", flat=True).first()
    try:
        read = read_rates(kept.encode()) if kept else None
    except BadFile:  # It was kept by a version that read other lists.
        read = None
    if read is None or currency not in read.euros_for_one:
        return sample_rates(currency)
    return _rates_in(currency, read.euros_for_one, read.dated.isoformat())


def keep_rates(owner_id: int, content: bytes) -> RatesList:
    """Store a list that was read; an older one than the one that is known changes nothing. Raises `BadFile`."""
    read = read_rates(content)
    known, _ = KnownMarket.objects.get_or_create(owner_id=owner_id)
    if not known.rates or read_rates(known.rates.encode()).dated <= read.dated:
        KnownMarket.objects.filter(pk=owner_id).update(rates=content.decode("utf-8", errors="replace"))
    return read


@cache
def sample_rates(currency: str) -> tuple[ExchangeRate, ...]:
    """What one of each other currency costs in `currency`, by the sample list."""
    return _rates_in(currency, sample_euros(), f"{_sample().dated}, a sample")


def sample_euros() -> Mapping[str, Decimal]:
    """What one of each currency costs in euros, by the sample list."""
    return _sample().euros_for_one


@cache
def _sample() -> RatesList:
    return read_rates(RATES.read_bytes())


def _rates_in(currency: str, euros: Mapping[str, Decimal], dated: str) -> tuple[ExchangeRate, ...]:
    return tuple(
        ExchangeRate(currency=other, rate=(rate / euros[currency]).quantize(RATE_DIGITS), dated=dated)
        for other, rate in euros.items()
        if other != currency
    )
