"""A stand-in for a bank's list of exchange rates: a dated one for every day, around the sample world's rates."""

import json
from datetime import date, timedelta
from decimal import Decimal
from http import HTTPStatus
from math import sin
from zlib import crc32

from jungle.market.rates import sample_euros
from jungle.standins.answer import NOT_FOUND, Answer

SWING = 0.015
"""By which share a rate moves around the sample's over half a year."""
HALF_YEAR_DAYS = 183.0
RATES_AT = "/rates.json"
"""The list of today."""


def rates_answer(path: str, today: date) -> Answer:
    """The list of today at `/rates.json`, of another day at `/rates/2026-11-30.json`; none of days to come."""
    named = path.removeprefix("/rates/").removesuffix(".json")
    try:
        day = today if path == RATES_AT else date.fromisoformat(named)
    except ValueError:
        return NOT_FOUND
    if day > today or day < today - timedelta(days=3650):
        return Answer(b"There is no list of that day.", status=HTTPStatus.NOT_FOUND)
    told = {"dated": day.isoformat(), "euros_for_one": rates_on(day)}
    return Answer(json.dumps(told).encode(), "application/json")


def rates_on(day: date) -> dict[str, str]:
    """What one of each currency costs in euros on that day."""
    return {currency: str(_moved(currency, rate, day)) for currency, rate in sample_euros().items()}


def _moved(currency: str, rate: Decimal, day: date) -> Decimal:
    if currency == "EUR":
        return rate
    phase = crc32(currency.encode()) % 1000
    share = SWING * sin(day.toordinal() / HALF_YEAR_DAYS * 6.283 + phase)
    return (rate * Decimal(str(round(1 + share, 6)))).quantize(Decimal("0.000001"))
