"""A list price: an amount in a currency, with tax or before it, as people type and read it."""

import re
from functools import lru_cache

from core.model.record import Currency, MinorMoney, Record
from core.quantities import Money
from core.quantities.money import DECIMALS_BY_CURRENCY, SYMBOLS, MoneyError, parse_minor

ACCEPTED_PRICE = "an amount such as 1250 or 1,250.50; USD 120 in another currency; 120 + tax where tax comes on top"
DOLLARS = frozenset({"USD", "CAD", "AUD", "NZD"})
"""Currencies whose people write a bare dollar sign and mean their own."""
PRICES_KEPT = 4096
"""A long table asks the same over and over."""
_TAX_ADDED = re.compile(r"\s*(?:\+|plus)\s*tax\s*$", re.IGNORECASE)
_CODE = re.compile(r"^\s*([A-Za-z]{3})\b|\b([A-Za-z]{3})\s*$")


class Price(Record):
    """A list price. Without `tax_included` the brief's tax is added."""

    minor: MinorMoney
    currency: Currency = "EUR"
    tax_included: bool = True

    @property
    def money(self) -> Money:
        """The price as money."""
        return Money(self.minor, self.currency)

    @property
    def told(self) -> str:
        """As it stands in a list: with its symbol or code, and that tax comes on top, where it does."""
        return self.money.text() + self._tax_words

    @property
    def _tax_words(self) -> str:
        return "" if self.tax_included else " + tax"


def price_text(price: Price) -> str:
    """`price` as it would be typed, whatever the reader's own currency is.

    >>> price_text(Price(minor=64900)), price_text(Price(minor=12000, currency="USD", tax_included=False))
    ('€649.00', 'USD 120.00 + tax')
    """
    told = price.money.text()
    if price.currency in DOLLARS:
        told = f"{price.currency} {told.removeprefix(SYMBOLS.get(price.currency, price.currency)).strip()}"
    return told + price._tax_words


@lru_cache(maxsize=PRICES_KEPT)
def read_price(text: str, currency: str) -> Price:
    """The price meant by `text`, in `currency` unless it names another. Raises `MoneyError`.

    >>> read_price("$1,250", "CAD"), read_price("120 usd + tax", "EUR").tax_included
    (Price(minor=125000, currency='CAD', tax_included=True), False)
    """
    amount = _TAX_ADDED.sub("", text)
    named = _named_currency(amount, currency)
    bare = _CODE.sub("", amount).replace(SYMBOLS["USD"], "") if named in DOLLARS else _CODE.sub("", amount)
    return Price(minor=parse_minor(bare, named), currency=named, tax_included=amount == text)


def _named_currency(amount: str, currency: str) -> str:
    code = _CODE.search(amount)
    if code:
        named = (code[1] or code[2]).upper()
        if named not in DECIMALS_BY_CURRENCY:
            raise MoneyError(amount)
        return named
    symbols = {symbol: named for named, symbol in SYMBOLS.items() if symbol in amount}
    if SYMBOLS["USD"] in symbols and currency in DOLLARS:
        return currency
    return next(iter(symbols.values()), currency)
