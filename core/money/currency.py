"""A build told in another currency: every amount that somebody typed is converted, by a rate that somebody entered."""

from collections.abc import Iterable
from decimal import Decimal
from typing import Any

from core.model.brief import Brief, ExchangeRate
from core.model.build import Build
from core.model.record import Record
from core.quantities import Money
from core.quantities.money import DECIMALS_BY_CURRENCY

RATE_DIGITS = Decimal("0.000001")
AMOUNTS = ("up_front_cap_minor", "yearly_cap_minor", "outlet_minor")
AMOUNTS_OF_PARTS = ("replacement_value_minor",)
AMOUNTS_OF_LEDGER = ("hire_hour_minor",)
FINE_DIGITS = Decimal("0.01")
AMOUNTS_OF_LINES = ("low_minor", "likely_minor", "high_minor", "quote_minor", "paid_minor")


class NoRate(ValueError):
    """Amounts were typed in one currency, and nobody has said what the other costs."""

    def __init__(self, currency: str, wanted: str) -> None:
        super().__init__(f"enter first what 1 {wanted} costs in {currency}: the amounts typed so far are {currency}")
        self.currency = currency
        self.wanted = wanted


def in_currency_of(build: Build, currency: str) -> Build:
    """`build` with all its amounts in `currency`. Raises `NoRate` where there are any and the brief has no rate for it.

    Of the other rates those that are known stay known, by way of it.
    """
    brief = build.brief
    if currency == brief.currency:
        return build
    rate = next((rate for rate in brief.exchange_rates if rate.currency == currency), None)
    if rate is None:
        if has_amounts(build):
            raise NoRate(brief.currency, currency)
        return build.model_copy(update={"brief": brief.model_copy(update={"currency": currency, "exchange_rates": ()})})
    into = 1 / rate.rate

    def converted(record: Any, fields: tuple[str, ...]) -> Any:
        amounts = {field: getattr(record, field, None) for field in fields}
        told = {
            field: Money(minor, brief.currency).converted(into, currency).minor
            for field, minor in amounts.items()
            if minor is not None
        }
        return record.model_copy(update=told)

    return build.model_copy(
        update={
            "brief": converted(brief, AMOUNTS).model_copy(
                update={"currency": currency, "exchange_rates": _rates_by_way_of(brief, rate)}
            ),
            "chain": {slot: converted(hung, AMOUNTS_OF_PARTS) for slot, hung in build.chain.items()},
            "ledger": converted(build.ledger, AMOUNTS_OF_LEDGER).model_copy(
                update={
                    "kilowatt_hour_minor": _fine(build.ledger.kilowatt_hour_minor, brief.currency, into, currency),
                    "entries": {key: converted(entry, AMOUNTS_OF_LINES) for key, entry in build.ledger.entries.items()},
                    "own": tuple(converted(line, AMOUNTS_OF_LINES) for line in build.ledger.own),
                    "funding": tuple(converted(came, ("minor",)) for came in build.ledger.funding),
                }
            ),
        }
    )


def _fine(minor: float | None, currency: str, rate: Decimal, into: str) -> float | None:
    """An amount in minor units and parts of them, in another currency."""
    if minor is None:
        return None
    shift = DECIMALS_BY_CURRENCY[into] - DECIMALS_BY_CURRENCY[currency]
    return float((Decimal(str(minor)) * rate).scaleb(shift).quantize(FINE_DIGITS))


def has_amounts(build: Build) -> bool:
    """Somebody typed an amount of money."""
    ledger = build.ledger
    typed: tuple[tuple[Iterable[Record], tuple[str, ...]], ...] = (
        ((build.brief,), AMOUNTS),
        (build.chain.values(), AMOUNTS_OF_PARTS),
        ((*ledger.entries.values(), *ledger.own), AMOUNTS_OF_LINES),
        (ledger.funding, ("minor",)),
        ((ledger,), (*AMOUNTS_OF_LEDGER, "kilowatt_hour_minor")),
    )
    return any(
        getattr(record, field) is not None for records, fields in typed for record in records for field in fields
    )


def _rates_by_way_of(brief: Brief, through: ExchangeRate) -> tuple[ExchangeRate, ...]:
    """Every rate of the brief as it is in the currency of `through`, and that of the currency left behind."""
    others = (rate for rate in brief.exchange_rates if rate.currency != through.currency)
    told = [ExchangeRate(currency=brief.currency, rate=(1 / through.rate).quantize(RATE_DIGITS), dated=through.dated)]
    for rate in others:
        told.append(rate.model_copy(update={"rate": (rate.rate / through.rate).quantize(RATE_DIGITS)}))
    return tuple(told)
