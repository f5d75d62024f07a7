"""Prices as amounts in the currency of the brief, with tax or without, as it is counted."""

from fractions import Fraction

from core.model.brief import Brief
from core.model.facts import FactAt, MissingFact
from core.model.household import TaxTreatment
from core.model.parts import Part, Price
from core.money.price_book import PriceBook
from core.quantities import Money


class MissingRate(MissingFact):
    """An amount in `currency` cannot be added up: the brief has no rate for it."""

    def __init__(self, currency: str, into: str) -> None:
        super().__init__(
            f"The rate from {currency} to {into}",
            f"Enter in the brief what 1 {currency} costs in {into}.",
            FactAt("brief", f"rate_{currency}"),
        )


def in_currency(price: Price, brief: Brief) -> Money:
    """`price` in the brief's currency, tax added, or taken off where it is reclaimed.

    Raises `MissingFact` where the brief has no rate for it.
    """
    amount = price.money
    if price.tax_included is (brief.tax_treatment is TaxTreatment.RECLAIMED):
        with_tax = 1 + Fraction(str(brief.tax_share))
        amount = amount.scaled(Fraction(1) / with_tax if price.tax_included else with_tax)
    if price.currency == brief.currency:
        return amount
    rate = next((rate.rate for rate in brief.exchange_rates if rate.currency == price.currency), None)
    if rate is None:
        raise MissingRate(price.currency, brief.currency)
    return amount.converted(rate, brief.currency)


def untaxed(quote: Money | None, brief: Brief) -> Money | None:
    """A quote is what is paid at the till: where tax is reclaimed, that much comes off it."""
    if quote is None or brief.tax_treatment is not TaxTreatment.RECLAIMED:
        return quote
    return quote.scaled(1 / (1 + Fraction(str(brief.tax_share))))


def cost_of(part: Part, quantity: int, brief: Brief, book: PriceBook) -> Money:
    """What `quantity` of `part` cost in the brief's currency. Raises `MissingFact`."""
    return in_currency(book.unit_price(part, quantity), brief) * quantity
