"""Prices of what a build still needs, as JSON."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date

from core.formats.report_json.figures import FigureJson, figure_json, maybe_figure_json, signed_money_json
from core.prices.advice import Advice
from core.prices.history import holds_until
from core.prices.standing import Standing
from core.quantities import Money, Quantity, Unit, UnitSystem
from core.report.old_prices import OldPrice
from core.report.price_chart import PriceChart, price_chart
from core.report.prices import LinePrices
from core.report.shopping import OfferedLine


@dataclass(frozen=True, slots=True)
class StandingJson:
    """What is usual of a price, over the 365 days up to today."""

    usual: FigureJson
    lowest: FigureJson
    low: FigureJson
    high: FigureJson
    regular: FigureJson
    cheaper: FigureJson | None
    """The share of the days on which it cost less than today."""
    sales: int
    sale_months: list[int]
    usual_depth: FigureJson | None
    usual_sale_days: int | None
    """How long a sale lasts as a rule; nothing while none is over."""
    days_known: int


@dataclass(frozen=True, slots=True)
class AdviceJson:
    """Buy or wait, with the numbers that it rests on."""

    say: str
    weeks_known: int
    weeks: int
    today: FigureJson | None
    buy_at: FigureJson | None
    expected: FigureJson | None
    best: FigureJson | None
    best_odds: FigureJson | None
    saves: FigureJson | None
    risks: FigureJson | None
    turns_on: str | None


@dataclass(frozen=True, slots=True)
class LinePricesJson:
    """One line that is still to be bought."""

    line: str
    label: str
    part: str
    quantity: int
    headline: str
    advice: AdviceJson
    standing: StandingJson | None
    used: FigureJson | None
    """The cheapest that is not new, today."""
    offers: int
    observations: int
    needed_by: str
    leans_on: int
    """How many other parts of its kind the advice leans on; none where its own history carries it."""
    weekly: list[int | None]
    """The cheapest at the end of each week in minor units, today last; nothing where nobody saw one."""


@dataclass(frozen=True, slots=True)
class OldPriceJson:
    """A price that the build counts on, and that is to be asked for again."""

    line: str
    label: str
    amount: str
    known_on: str
    days_ago: int
    told_by: str
    why: str
    """Why it is old."""
    decides: str


@dataclass(frozen=True, slots=True)
class PricesJson:
    """All lines that are still to be bought."""

    today: str
    needed_by: str
    week_costs: FigureJson | None
    """What a week without play costs; nothing where the build does not say."""
    lines: list[LinePricesJson]
    old: list[OldPriceJson]
    """Prices that the build counts on and that are old, the dearest first."""


@dataclass(frozen=True, slots=True)
class PriceSpanJson:
    """Days on which it cost the same."""

    first: str
    last: str
    minor: int
    text: str


@dataclass(frozen=True, slots=True)
class SoldOutJson:
    """Days on which it could not be had."""

    first: str
    last: str


@dataclass(frozen=True, slots=True)
class SaleJson:
    """A span in which it cost less than regularly."""

    first: str
    last: str
    text: str
    """The least that it cost."""
    depth: str


@dataclass(frozen=True, slots=True)
class BuyAtJson:
    """The price to buy at in one week to come."""

    day: str
    minor: int
    text: str


@dataclass(frozen=True, slots=True)
class PriceChartJson:
    """A line over time, for a chart and for the table behind it."""

    first: str
    today: str
    needed_by: str
    spans: list[PriceSpanJson]
    sold_out: list[SoldOutJson]
    sales: list[SaleJson]
    buy_at: list[BuyAtJson]


@dataclass(frozen=True, slots=True)
class DeliveredOfferJson:
    """What a shop asks for all of a line now, delivered by itself."""

    shop: str
    sold_as: str
    total: str
    """Empty where it is not known."""
    missing: str
    codes: list[str]
    """Those that its total takes off; what a line came to over time is without any."""
    exchanged: str
    """At which rate, and of which day, it comes from the shop's currency; empty where it does not."""
    seen: str
    seen_days_ago: int
    is_old: bool
    """It was seen so long ago that it is to be asked for before anybody relies on it."""


@dataclass(frozen=True, slots=True)
class LineDetailJson:
    """One line, opened."""

    line: LinePricesJson
    chart: PriceChartJson
    offers: list[DeliveredOfferJson]


def prices_json(
    lines: Sequence[LinePrices],
    old: Iterable[OldPrice],
    today: date,
    needed_by: date,
    week_costs: Money | None,
    system: UnitSystem,
) -> PricesJson:
    """`lines`, and the `old` prices that the build counts on, for a reader of `system`."""
    return PricesJson(
        today.isoformat(),
        needed_by.isoformat(),
        maybe_figure_json(week_costs, system),
        [_line_json(line, system) for line in lines],
        [_old_json(one, today, system) for one in old],
    )


def _old_json(one: OldPrice, today: date, system: UnitSystem) -> OldPriceJson:
    return OldPriceJson(
        line=one.line.key,
        label=one.line.label,
        amount=one.amount.text(),
        known_on=one.known_on.isoformat(),
        days_ago=(today - one.known_on).days,
        told_by=one.told_by,
        why=one.why.text(system),
        decides=one.decides.text(system),
    )


def line_detail_json(
    line: LinePrices, offers: Sequence[OfferedLine], today: date, system: UnitSystem
) -> LineDetailJson:
    """`line` with all that is asked for it now."""
    chart = price_chart(line, today)
    return LineDetailJson(
        _line_json(line, system), _chart_json(chart, line.currency), [_offer_json(one, today, system) for one in offers]
    )


def _chart_json(chart: PriceChart, currency: str) -> PriceChartJson:
    def text(minor: int) -> str:
        return Money(minor, currency).text()

    return PriceChartJson(
        first=chart.first.isoformat(),
        today=chart.today.isoformat(),
        needed_by=chart.needed_by.isoformat(),
        spans=[
            PriceSpanJson(span.first.isoformat(), span.last.isoformat(), span.minor, text(span.minor))
            for span in chart.spans
        ],
        sold_out=[SoldOutJson(first.isoformat(), last.isoformat()) for first, last in chart.sold_out],
        sales=[
            SaleJson(sale.first.isoformat(), sale.last.isoformat(), text(sale.minor), f"{sale.depth:.0%}")
            for sale in chart.sales
        ],
        buy_at=[BuyAtJson(day.isoformat(), minor, text(minor)) for day, minor in chart.buy_at],
    )


def _offer_json(one: OfferedLine, today: date, system: UnitSystem) -> DeliveredOfferJson:
    return DeliveredOfferJson(
        shop=one.shop.name,
        sold_as=one.offer.sold_as.value,
        total=one.order.total.text() if one.order else "",
        missing=f"{one.missing.fact} is not known" if one.missing else "",
        codes=[code.code for code in one.order.codes] if one.order else [],
        exchanged=one.order.exchanged.text(system) if one.order and one.order.exchanged else "",
        seen=one.offer.seen.isoformat(),
        seen_days_ago=(today - one.offer.seen).days,
        is_old=holds_until(one.offer.seen) < today,
    )


def _line_json(line: LinePrices, system: UnitSystem) -> LinePricesJson:
    return LinePricesJson(
        line=line.line,
        label=line.label,
        part=line.part,
        quantity=line.quantity,
        headline=line.headline.text(system),
        advice=_advice_json(line.advice, line.currency, system),
        standing=_standing_json(line.standing, line.currency, system) if line.standing else None,
        used=maybe_figure_json(_money(line.used_minor, line.currency), system),
        offers=line.offers,
        observations=line.observations,
        needed_by=line.needed_by.isoformat(),
        leans_on=line.leans_on,
        weekly=list(line.weekly),
    )


def _advice_json(told: Advice, currency: str, system: UnitSystem) -> AdviceJson:
    return AdviceJson(
        say=told.say.value,
        weeks_known=told.weeks_known,
        weeks=told.weeks,
        today=maybe_figure_json(_money(told.today_minor, currency), system),
        buy_at=maybe_figure_json(_money(told.buy_at_minor, currency), system),
        expected=maybe_figure_json(_money(told.expected_minor, currency), system),
        best=maybe_figure_json(_money(told.best_minor, currency), system),
        best_odds=_share(told.best_odds, system),
        saves=_signed(told.saves_minor, currency),
        risks=_signed(told.risks_minor, currency),
        turns_on=told.turns_on.isoformat() if told.turns_on else None,
    )


def _standing_json(found: Standing, currency: str, system: UnitSystem) -> StandingJson:
    def money(minor: int) -> FigureJson:
        return figure_json(Money(minor, currency), system)

    return StandingJson(
        usual=money(found.usual_minor),
        lowest=money(found.lowest_minor),
        low=money(found.low_minor),
        high=money(found.high_minor),
        regular=money(found.regular_minor),
        cheaper=_share(found.cheaper_share, system),
        sales=len(found.sales),
        sale_months=list(found.sale_months),
        usual_depth=_share(found.usual_depth, system),
        usual_sale_days=found.usual_sale_days,
        days_known=found.days_known,
    )


def _money(minor: float | None, currency: str) -> Money | None:
    return None if minor is None or minor == float("inf") else Money(round(minor), currency)


def _signed(minor: float | None, currency: str) -> FigureJson | None:
    amount = _money(minor, currency)
    return None if amount is None else signed_money_json(amount)


def _share(share: float | None, system: UnitSystem) -> FigureJson | None:
    return None if share is None else figure_json(Quantity(share, Unit.SHARE), system)
