"""Prices as amounts in the currency of the brief, with tax or without, as it is counted."""

from dataclasses import dataclass
from datetime import date
from decimal import Decimal
from fractions import Fraction
from functools import lru_cache

from core.model.brief import Brief
from core.model.facts import FactAt, MissingFact
from core.model.household import TaxTreatment
from core.model.parts import Part, Price
from core.money.price_book import PriceBook
from core.quantities import Money

ONE = Fraction(1)


class MissingRate(MissingFact):
    """An amount in `currency` cannot be added up: the brief has no rate for it."""

    def __init__(self, currency: str, into: str) -> None:
        super().__init__(
            f"The rate from {currency} to {into}",
            f"Enter in the brief what 1 {currency} costs in {into}.",
            FactAt("brief", f"rate_{currency}"),
        )


@dataclass(frozen=True)
class Buyer:
    """What of a household the amount of a price depends on: its currency, its tax, and what other money costs it."""

    currency: str
    day: date | None = None
    """On which it is bought; nothing is over yet where nobody says."""
    tax_share: Fraction = Fraction(0)
    """What is added to a price without tax."""
    reclaims_tax: bool = False
    rates: tuple[tuple[str, Fraction], ...] = ()
    """What one unit of another currency costs in the buyer's."""
    exchange_fee: Fraction = Fraction(0)
    """What a card takes on top for another currency, as a share."""
    rates_dated: tuple[tuple[str, str], ...] = ()
    """When each rate was read, where somebody said."""

    def tax_factor(self, *, included: bool) -> Fraction:
        """What an amount is multiplied by for what is asked at the till: tax is added where it comes on top."""
        return ONE if included else 1 + self.tax_share

    def factor_from(self, currency: str) -> Fraction:
        """What an amount of `currency` is multiplied by. Raises `MissingRate`."""
        if currency == self.currency:
            return ONE
        rate = dict(self.rates).get(currency)
        if rate is None:
            raise MissingRate(currency, self.currency)
        return rate * (1 + self.exchange_fee)

    def at_till(self, minor: Fraction, currency: str, *, tax_included: bool) -> Money:
        """What is asked for so many minor units of `currency`, rounded once. Raises `MissingRate`."""
        factor = self.tax_factor(included=tax_included) * self.factor_from(currency)
        return Money.rounded(minor * factor, self.currency, currency)

    def counts(self, paid: Money) -> Money:
        """What of an amount that was paid counts: tax that is reclaimed comes off it."""
        return paid.scaled(1 / (1 + self.tax_share)) if self.reclaims_tax else paid


def buyer_of(brief: Brief, day: date | None = None) -> Buyer:
    """The household of `brief` as it buys on `day`."""
    rates = tuple((known.currency, known.rate) for known in brief.exchange_rates)
    reclaims_tax = brief.tax_treatment is TaxTreatment.RECLAIMED
    dated = tuple((known.currency, known.dated) for known in brief.exchange_rates if known.dated)
    return _buyer(brief.currency, day, brief.tax_share, reclaims_tax, rates, brief.exchange_fee_share, dated)


@lru_cache(maxsize=64)
def _buyer(
    currency: str,
    day: date | None,
    tax_share: float,
    reclaims_tax: bool,
    rates: tuple[tuple[str, Decimal], ...],
    exchange_fee_share: float,
    rates_dated: tuple[tuple[str, str], ...],
) -> Buyer:
    """Made once for every household: each line of a build asks for it."""
    return Buyer(
        currency=currency,
        day=day,
        tax_share=Fraction(str(tax_share)),
        reclaims_tax=reclaims_tax,
        rates=tuple((known, Fraction(rate)) for known, rate in rates),
        exchange_fee=Fraction(str(exchange_fee_share)),
        rates_dated=rates_dated,
    )


def in_currency(price: Price, brief: Brief) -> Money:
    """`price` in the brief's currency, tax added, or taken off where it is reclaimed.

    Raises `MissingFact` where the brief has no rate for it.
    """
    buyer = buyer_of(brief)
    return buyer.counts(buyer.at_till(Fraction(price.minor), price.currency, tax_included=price.tax_included))


def untaxed(quote: Money | None, brief: Brief) -> Money | None:
    """A quote is what is paid at the till: where tax is reclaimed, that much comes off it."""
    return None if quote is None else buyer_of(brief).counts(quote)


def cost_of(part: Part, quantity: int, brief: Brief, book: PriceBook) -> Money:
    """What `quantity` of `part` cost in the brief's currency. Raises `MissingFact`."""
    return in_currency(book.unit_price(part, quantity), brief) * quantity
