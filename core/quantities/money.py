"""Money: whole minor units of one currency. Floats are refused; two currencies never add up silently."""

import re
from dataclasses import dataclass
from decimal import Decimal
from fractions import Fraction
from typing import Self

ACCEPTED_MONEY = "an amount such as 1250 or 1,250.50"
ACCEPTED_FINE_MONEY = "an amount such as 0.32 or 0.2943"
DECIMALS_BY_CURRENCY = {
    "EUR": 2, "USD": 2, "GBP": 2, "CAD": 2, "AUD": 2, "NZD": 2, "CHF": 2,
    "SEK": 2, "NOK": 2, "DKK": 2, "PLN": 2, "ZAR": 2, "JPY": 0, "KRW": 0,
}  # fmt: skip
SYMBOLS = {"EUR": "€", "USD": "$", "GBP": "£", "JPY": "¥"}


class CurrencyMismatch(ArithmeticError):
    """Two currencies met in one sum without a rate."""

    def __init__(self, first: str, second: str) -> None:
        super().__init__(f"cannot add {second} to {first} without an exchange rate")


class MoneyError(ValueError):
    """Text that is not an amount of money."""

    def __init__(self, text: str) -> None:
        super().__init__(f"'{text}' is not an amount; accepted: {ACCEPTED_MONEY}")


class FineMoneyError(ValueError):
    """Text that is not a small amount of money."""

    def __init__(self, text: str) -> None:
        super().__init__(f"'{text}' is not an amount; accepted: {ACCEPTED_FINE_MONEY}")


@dataclass(frozen=True, order=True)
class Money:
    """`minor` whole cents (or the currency's least unit) of `currency`.

    >>> Money(129900, "EUR").scaled(Decimal("0.1")).text()
    '€129.90'
    """

    minor: int
    currency: str

    def __post_init__(self) -> None:
        if not isinstance(self.minor, int):
            raise TypeError(f"money is whole minor units, not {self.minor!r}")
        if self.currency not in DECIMALS_BY_CURRENCY:
            raise ValueError(f"unknown currency {self.currency!r}; known: {', '.join(DECIMALS_BY_CURRENCY)}")

    def __add__(self, other: Self) -> "Money":
        return Money(self.minor + self._same(other), self.currency)

    def __sub__(self, other: Self) -> "Money":
        return Money(self.minor - self._same(other), self.currency)

    def __mul__(self, times: int) -> "Money":
        return Money(self.minor * times, self.currency)

    def scaled(self, factor: Decimal | Fraction) -> "Money":
        """This amount times `factor`, rounded half up to whole minor units."""
        return Money.rounded(self.minor * Fraction(factor), self.currency)

    def converted(self, rate: Decimal | Fraction, currency: str) -> "Money":
        """This amount in `currency`, one major unit of ours being `rate` major units of that."""
        return Money.rounded(self.minor * Fraction(rate), currency, self.currency)

    def text(self) -> str:
        """Symbol or code, thousands grouped, the currency's decimals."""
        decimals = DECIMALS_BY_CURRENCY[self.currency]
        amount = f"{abs(Decimal(self.minor).scaleb(-decimals)):,.{decimals}f}"
        symbol = SYMBOLS.get(self.currency, f"{self.currency} ")
        return ("−" if self.minor < 0 else "") + symbol + amount

    def _same(self, other: Self) -> int:
        if other.currency != self.currency:
            raise CurrencyMismatch(self.currency, other.currency)
        return other.minor

    @classmethod
    def rounded(cls, minor: Fraction, currency: str, of: str | None = None) -> "Money":
        """`minor` units of `currency`, rounded half up to whole ones: the one place that rounds.

        What was worked out in the minor units `of` another currency keeps its value in major ones: 250 yen are 2.50.

        >>> Money.rounded(Fraction(5, 2), "EUR").minor, Money.rounded(Fraction(-5, 2), "EUR").minor
        (3, -3)
        """
        shift = DECIMALS_BY_CURRENCY[currency] - DECIMALS_BY_CURRENCY[of or currency]
        exact = minor * Fraction(10) ** shift
        whole = int(abs(exact) + Fraction(1, 2))
        return cls(whole if exact >= 0 else -whole, currency)

    @classmethod
    def total(cls, amounts: "list[Money]", currency: str) -> "Money":
        """The sum of `amounts`, all in `currency`; zero of it for none."""
        minor = 0
        for amount in amounts:
            if amount.currency != currency:
                raise CurrencyMismatch(currency, amount.currency)
            minor += amount.minor
        return cls(minor, currency)


def parse_minor(text: str, currency: str) -> int:
    """Minor units of `currency` meant by `text`; a comma or point before the last digits is the decimal mark.

    >>> parse_minor("€1,250.50", "EUR"), parse_minor("1 250,5", "EUR"), parse_minor("1.250", "EUR")
    (125050, 125050, 125000)

    What is finer than the currency is refused: 0.005 is no amount of euros. Raises `MoneyError`.
    """
    cleaned = re.sub(r"[\s']", "", text.replace(SYMBOLS.get(currency, currency), "").replace(currency, ""))
    decimals = DECIMALS_BY_CURRENCY[currency]
    match = re.fullmatch(r"(?P<whole>\d{1,9}|[1-9]\d{0,2}(?:[.,]\d{3})+)(?:[.,](?P<part>\d{1,2}))?", cleaned)
    if match is None or (match["part"] and decimals == 0):
        raise MoneyError(text)
    whole = re.sub(r"[.,]", "", match["whole"])
    return int(Decimal(f"{whole}.{match['part'] or 0}").scaleb(decimals))


def parse_fine_minor(text: str, currency: str) -> float:
    """Minor units, and hundredths of them, meant by `text`: what is sold by the million, such as a kilowatt-hour.

    >>> parse_fine_minor("0.2943", "EUR"), parse_fine_minor("€0,3", "EUR"), parse_fine_minor("31.5", "JPY")
    (29.43, 30.0, 31.5)

    Raises `MoneyError`.
    """
    cleaned = re.sub(r"[\s']", "", text.replace(SYMBOLS.get(currency, currency), "").replace(currency, ""))
    match = re.fullmatch(r"(?P<whole>\d{1,6})(?:[.,](?P<part>\d{1,4}))?", cleaned)
    if match is None:
        raise FineMoneyError(text)
    amount = Decimal(f"{match['whole']}.{match['part'] or 0}").scaleb(DECIMALS_BY_CURRENCY[currency])
    return float(round(amount, 2))


def fine_text(minor: float, currency: str) -> str:
    """So many minor units of `currency`, parts of them included.

    >>> fine_text(29.43, "EUR"), fine_text(30.0, "EUR")
    ('€0.2943', '€0.30')
    """
    decimals = DECIMALS_BY_CURRENCY[currency]
    whole = Decimal(str(minor)).scaleb(-decimals).quantize(Decimal(1).scaleb(-decimals - 2))
    amount = f"{whole:,f}"
    while amount.endswith("0") and len(amount.partition(".")[2]) > decimals:
        amount = amount[:-1]
    return SYMBOLS.get(currency, f"{currency} ") + amount.rstrip(".")
