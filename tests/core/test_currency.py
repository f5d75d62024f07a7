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
            "chain": {"mat": {"part": "mat", "replacement_value_minor": 4_000}},
            "ledger": {
                "entries": {"mat/mat": {"low_minor": 80, "likely_minor": 160, "high_minor": 240, "quote_minor": 400}},
                "own": [{"id": "skip", "name": "Skip", "category": "building works", "paid_minor": 800}],
                "funding": [{"id": "bike", "name": "Bike", "minor": 1_600, "sold": True}],
                "kilowatt_hour_minor": 29.44,
            },
        }
    )

    def test_every_amount_is_converted(self) -> None:
        told = in_currency_of(self.BUILD, "USD")
        self.assertEqual((told.brief.currency, told.brief.up_front_cap_minor), ("USD", 12_500))
        self.assertEqual(told.chain[Slot.MAT].replacement_value_minor, 5_000)
        entry, (skip,), (bike,) = told.ledger.entries["mat/mat"], told.ledger.own, told.ledger.funding
        self.assertEqual(
            (entry.low_minor, entry.likely_minor, entry.high_minor, entry.quote_minor), (100, 200, 300, 500)
        )
        self.assertEqual((skip.paid_minor, bike.minor), (1_000, 2_000))
        self.assertIsNone(told.brief.yearly_cap_minor)
        # 0.2944 € are 0.368 $.
        self.assertEqual(told.ledger.kilowatt_hour_minor, 36.8)

    def test_rates_are_known_by_way_of_it(self) -> None:
        rates = {rate.currency: rate.rate for rate in in_currency_of(self.BUILD, "USD").brief.exchange_rates}
        self.assertEqual(rates, {"EUR": Decimal("1.25"), "GBP": Decimal("1.5")})

    def test_there_and_back(self) -> None:
        again = in_currency_of(in_currency_of(self.BUILD, "USD"), "EUR")
        self.assertEqual((again.chain, again.ledger), (self.BUILD.chain, self.BUILD.ledger))

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
