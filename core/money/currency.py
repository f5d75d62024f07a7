"""A build told in another currency: every amount that somebody typed is converted, by a rate that somebody entered."""

from decimal import Decimal
from typing import Any

from core.model.brief import Brief, ExchangeRate
from core.model.build import Build
from core.quantities import Money

RATE_DIGITS = Decimal("0.000001")
AMOUNTS = ("up_front_cap_minor", "yearly_cap_minor", "outlet_minor")
AMOUNTS_OF_PARTS = ("quote_minor", "replacement_value_minor")


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
            "extras": tuple(converted(extra, AMOUNTS_OF_PARTS) for extra in build.extras),
            "small_items": {id: converted(small, AMOUNTS_OF_PARTS) for id, small in build.small_items.items()},
        }
    )


def has_amounts(build: Build) -> bool:
    """Somebody typed an amount of money."""
    decided = (*build.chain.values(), *build.extras, *build.small_items.values())
    return any(getattr(build.brief, field) is not None for field in AMOUNTS) or any(
        getattr(record, field, None) is not None for record in decided for field in AMOUNTS_OF_PARTS
    )


def _rates_by_way_of(brief: Brief, through: ExchangeRate) -> tuple[ExchangeRate, ...]:
    """Every rate of the brief as it is in the currency of `through`, and that of the currency left behind."""
    others = (rate for rate in brief.exchange_rates if rate.currency != through.currency)
    told = [ExchangeRate(currency=brief.currency, rate=(1 / through.rate).quantize(RATE_DIGITS), dated=through.dated)]
    for rate in others:
        told.append(rate.model_copy(update={"rate": (rate.rate / through.rate).quantize(RATE_DIGITS)}))
    return tuple(told)
