"""Another currency: amounts are converted by a rate that somebody entered, or the change is refused."""

from decimal import Decimal
from unittest import TestCase

from core.model.brief import Brief, ExchangeRate
from core.model.build import Build, Slot
from core.money.currency import NoRate, in_currency_of


class CurrencyTests(TestCase):
    """One dollar costs 0.80 €, one pound 1.20 €: 100 € are 125 $, and a pound is 1.50 $."""

    RATES = (
        ExchangeRate(currency="USD", rate=Decimal("0.8"), dated="today"),
        ExchangeRate(currency="GBP", rate=Decimal("1.2")),
    )
    BUILD = Build.model_validate(
        {
            "name": "B",
            "brief": Brief(up_front_cap_minor=10_000, exchange_rates=RATES),
            "chain": {"mat": {"part": "mat", "quote_minor": 4_000}},
            "extras": [{"id": "e", "part": "p", "quote_minor": 80}],
        }
    )

    def test_every_amount_is_converted(self) -> None:
        told = in_currency_of(self.BUILD, "USD")
        self.assertEqual((told.brief.currency, told.brief.up_front_cap_minor), ("USD", 12_500))
        self.assertEqual((told.chain[Slot.MAT].quote_minor, told.extras[0].quote_minor), (5_000, 100))
        self.assertIsNone(told.brief.yearly_cap_minor)

    def test_rates_are_known_by_way_of_it(self) -> None:
        rates = {rate.currency: rate.rate for rate in in_currency_of(self.BUILD, "USD").brief.exchange_rates}
        self.assertEqual(rates, {"EUR": Decimal("1.25"), "GBP": Decimal("1.5")})

    def test_there_and_back(self) -> None:
        self.assertEqual(in_currency_of(in_currency_of(self.BUILD, "USD"), "EUR").chain, self.BUILD.chain)

    def test_without_decimals(self) -> None:
        """100 € at 0.00625 € a yen are 16,000 ¥."""
        brief = Brief(
            up_front_cap_minor=10_000, exchange_rates=(ExchangeRate(currency="JPY", rate=Decimal("0.00625")),)
        )
        self.assertEqual(in_currency_of(Build(name="B", brief=brief), "JPY").brief.up_front_cap_minor, 16_000)

    def test_without_a_rate_it_is_refused(self) -> None:
        with self.assertRaisesRegex(NoRate, "enter first what 1 CHF costs in EUR"):
            in_currency_of(self.BUILD, "CHF")

    def test_without_amounts_nothing_is_converted(self) -> None:
        self.assertEqual(in_currency_of(Build(name="B"), "CHF").brief.currency, "CHF")
