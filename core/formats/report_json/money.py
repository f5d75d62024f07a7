"""The money of a build in one scope, as JSON."""

from dataclasses import dataclass
from fractions import Fraction

from core.formats.report_json.costs import LineJson, begins, line_json
from core.formats.report_json.figures import FigureJson, figure_json, maybe_figure_json, text_of
from core.model.brief import Stage
from core.model.ledger import Category
from core.money.horizon import WEEKS
from core.money.once import AtOdds
from core.money.renewals import Renewal
from core.quantities import Money, Quantity, Unit, UnitSystem
from core.quantities.money import DECIMALS_BY_CURRENCY
from core.report.buy_list import ToBuy
from core.report.money import MoneyInScope, Swing
from core.report.whole_money import OnceOrAgain, WholeMoney
from core.report.years import OverYears, Staying

EVERY = {1: "every month", 12: "every year"}


@dataclass(frozen=True, slots=True)
class TotalsJson:
    """One total under each way of valuing what is not bought with money."""

    cash: FigureJson
    gifts_at_list: FigureJson
    newcomer: FigureJson


@dataclass(frozen=True, slots=True)
class HeadJson:
    """What a category comes to, and its share of all."""

    category: Category
    up_front: FigureJson
    share: float
    share_text: str


@dataclass(frozen=True, slots=True)
class MoneyStretchJson:
    """A stretch of the measured line of money: paid, ordered, planned, kept back, free, or over the cap."""

    words: str
    amount: FigureJson
    begins: float
    """Where it begins, as a share of the whole line."""
    share: float


@dataclass(frozen=True, slots=True)
class SwingJson:
    """By how much a line can move the total; shares are of the longest."""

    key: str
    label: str
    low: FigureJson
    likely: FigureJson
    high: FigureJson
    low_share: float
    likely_share: float
    high_share: float
    """Where its ends and its likeliest value lie on a common scale, 0 to 1."""


@dataclass(frozen=True, slots=True)
class OddsJson:
    """How likely the total is to come to so much."""

    under_cap: float | None
    under_cap_text: str
    likely: FigureJson
    """Every other time it is no more than this."""
    nine_in_ten: FigureJson
    """Nine times in ten it is no more than this."""


@dataclass(frozen=True, slots=True)
class YearJson:
    """One year, and all until its end."""

    up_front: FigureJson
    fees: FigureJson
    used_up: FigureJson
    electricity: FigureJson
    total: FigureJson
    so_far: FigureJson
    hired: FigureJson | None
    """What a hired bay had cost by then."""
    so_far_share: float
    hired_share: float | None
    """Both as shares of the largest amount in the chart."""


@dataclass(frozen=True, slots=True)
class UsedUpJson:
    """Something that wears or runs out, what one costs and how long it lasts."""

    name: str
    cost: FigureJson
    lasts: str


@dataclass(frozen=True, slots=True)
class LifeJson:
    """How much is struck, or how long something lasts, as it is taken."""

    field: str
    """Of the ledger."""
    text: str


@dataclass(frozen=True, slots=True)
class ResaleRateJson:
    """What is left of the price of things of a category."""

    category: Category
    first: str
    later: str


@dataclass(frozen=True, slots=True)
class StayingJson:
    """The same years with what is there already, and nothing bought."""

    parts: list[str]
    total: FigureJson
    later_year: FigureJson | None
    an_hour: FigureJson | None


@dataclass(frozen=True, slots=True)
class YearsJson:
    """The build over its horizon."""

    years: list[YearJson]
    total: FigureJson
    resale: FigureJson
    later_year: FigureJson | None
    a_month: FigureJson
    an_hour: FigureJson | None
    beats_hiring: str
    """After how many hours of play; empty where nobody says what hiring costs."""
    used_up: list[UsedUpJson]
    staying: StayingJson | None
    """Nothing where nothing is there yet."""
    lives: list[LifeJson]
    resale_rates: list[ResaleRateJson]
    asked: list[str]
    """What nobody has said, and is in no sum."""


@dataclass(frozen=True, slots=True)
class ToBuyJson:
    """A line that is to be bought, or was."""

    key: str
    label: str
    quantity: str
    stage: Stage | None
    amount: FigureJson | None
    a_year: bool
    """The amount is a fee of its first year, and in no running total."""
    running: FigureJson
    held: list[str]
    """What is to be checked first; nothing where it is safe to buy."""
    covered_by: str
    paid: bool
    ordered: bool
    from_shop: str
    """Who quoted it, or was paid."""
    seen_at: str
    """Where the offer that was taken was seen; a link, where it begins like one."""


@dataclass(frozen=True, slots=True)
class RenewalJson:
    """A fee that comes again."""

    key: str
    label: str
    amount: FigureJson | None
    every: str
    begun: str
    next: str
    """The day on which it comes again; empty until somebody says when it was paid first."""
    cancel_by: str


@dataclass(frozen=True, slots=True)
class OnceAgainYearJson:
    """What either has cost by the end of a year; shares are of the most that any of them comes to."""

    once: str
    again: str
    once_share: float
    again_share: float


@dataclass(frozen=True, slots=True)
class AtOddsJson:
    """What a licence paid once, and one paid again, are expected to cost at such odds of changing."""

    odds: str
    once: FigureJson
    again: FigureJson
    cheaper: str
    """`once`, `again`, or `same`."""
    by_year: list[OnceAgainYearJson]


@dataclass(frozen=True, slots=True)
class OnceOrAgainJson:
    """Two plans of one part: one paid once, one paid again."""

    part: str
    once: str
    again: str
    once_costs: FigureJson
    a_year: FigureJson
    begins: str
    """How the one paid again begins and rises; empty where every payment is the same."""
    years: int
    pays_after: str
    turns_at: str
    """The yearly odds of changing at which the answer turns; empty where it never does."""
    at_odds: list[AtOddsJson]


@dataclass(frozen=True, slots=True)
class MoneyJson:
    """The money of a build: totals and what they take in, heads, lines, and how certain it is."""

    headline: str
    stretches: list[MoneyStretchJson]
    cap_share: float
    """Where the cap is on the line, whose whole is the larger of cap and all that is planned; 1 without a cap."""
    scope_words: str
    categories: list[Category]
    """The categories that are in it."""
    all_categories: list[Category]
    totals: TotalsJson
    yearly: FigureJson
    paid: FigureJson
    contingency: FigureJson
    used: FigureJson
    """Of the contingency: paid beyond guesses, and what came after the build was called finished."""
    since_finished: FigureJson | None
    """What came after that day; nothing where there is no such day, or nothing came."""
    late: list[str]
    cap: FigureJson | None
    free: FigureJson | None
    funded: FigureJson
    heads: list[HeadJson]
    starving: str
    lines: list[LineJson]
    left_out: list[LineJson]
    later: list[LineJson]
    unpriced: list[str]
    """Names of lines without a price: in no total."""
    swings: list[SwingJson]
    odds: OddsJson | None
    """Nothing while no line is guessed."""
    under_yearly_cap: str
    """The odds that the fees of a year stay under their cap; empty while no fee is guessed, or nobody can say."""
    firm_up_first: list[str]
    over_years: YearsJson
    to_buy: list[ToBuyJson]
    renewals: list[RenewalJson]
    once_or_again: list[OnceOrAgainJson]
    wasted: list[str]
    """Plans that fees were paid for, and that nothing is under any more."""


def money_json(whole: WholeMoney, system: UnitSystem) -> MoneyJson:
    """All of the money of a build, for a reader of `system`."""
    money, years, to_buy = whole.in_scope, whole.years, whole.to_buy
    totals = money.totals
    return MoneyJson(
        headline=money.headline.text(system),
        stretches=_stretches(money, system),
        cap_share=money.cap.minor / _whole(money) if money.cap else 1.0,
        scope_words=money.scope_words,
        categories=[category for category in Category if category in money.scope],
        all_categories=list(Category),
        totals=TotalsJson(
            figure_json(totals.cash, system),
            figure_json(totals.gifts_at_list, system),
            figure_json(totals.newcomer, system),
        ),
        yearly=figure_json(money.yearly, system),
        paid=figure_json(money.paid, system),
        contingency=figure_json(money.contingency, system),
        used=figure_json(money.used.total, system),
        since_finished=figure_json(money.used.since, system) if money.used.late else None,
        late=[line.label for line in money.used.late],
        cap=maybe_figure_json(money.cap, system),
        free=maybe_figure_json(money.free, system),
        funded=figure_json(money.funded, system),
        heads=[
            HeadJson(
                head.category,
                figure_json(head.up_front, system),
                head.share,
                text_of(Quantity(head.share, Unit.SHARE), system),
            )
            for head in money.heads
        ],
        starving=money.starving.text(system) if money.starving else "",
        lines=[line_json(line, system) for line in money.lines],
        left_out=[line_json(line, system) for line in money.left_out],
        later=[line_json(line, system) for line in money.later],
        unpriced=[line.label for line in money.unpriced],
        swings=_swings(money.swings, system),
        odds=_odds(money, system) if money.swings else None,
        under_yearly_cap=_share_text(money.under_yearly_cap, system),
        firm_up_first=[line.label for line in money.firm_up_first],
        over_years=_years(years, system),
        to_buy=[_to_buy(each, system) for each in to_buy],
        renewals=[_renewal_json(each, system) for each in whole.renewals],
        once_or_again=[_once_json(each, system) for each in whole.once_or_again],
        wasted=list(whole.wasted),
    )


def _to_buy(each: ToBuy, system: UnitSystem) -> ToBuyJson:
    line = each.line
    return ToBuyJson(
        key=line.key,
        label=line.label,
        quantity=f"{line.quantity} {line.unit}".strip(),
        stage=each.stage,
        amount=maybe_figure_json(each.amount, system),
        a_year=line.is_fee,
        running=figure_json(each.running, system),
        held=[reason.text(system) for reason in each.held],
        covered_by=each.covered_by,
        paid=each.is_paid,
        ordered=line.ordered,
        from_shop=each.shop,
        seen_at=each.seen_at,
    )


def _years(found: OverYears, system: UnitSystem) -> YearsJson:
    horizon, had, hired = found.horizon, found.had, found.hired
    most = max(*(amount.minor for amount in (*had, *hired)), 1)
    return YearsJson(
        years=[
            YearJson(
                up_front=figure_json(year.up_front, system),
                fees=figure_json(year.fees, system),
                used_up=figure_json(year.used_up, system),
                electricity=figure_json(year.electricity, system),
                total=figure_json(year.total, system),
                so_far=figure_json(had[number], system),
                hired=figure_json(hired[number], system) if hired else None,
                so_far_share=had[number].minor / most,
                hired_share=hired[number].minor / most if hired else None,
            )
            for number, year in enumerate(horizon.years)
        ],
        total=figure_json(horizon.total, system),
        resale=figure_json(horizon.resale, system),
        later_year=maybe_figure_json(horizon.later_year, system),
        a_month=figure_json(horizon.a_month, system),
        an_hour=maybe_figure_json(horizon.an_hour, system),
        beats_hiring=_beats_hiring(found),
        used_up=[
            UsedUpJson(item.name, figure_json(item.cost, system), f"{float(item.life_hours):,.0f} h of play")
            for item in found.used_up
        ],
        staying=_staying(found.staying, system) if found.staying else None,
        lives=[LifeJson(field, _life(field, value)) for field, value in found.lives._asdict().items()],
        resale_rates=[
            ResaleRateJson(rate.category, _percent(rate.first), _percent(rate.later)) for rate in found.resale
        ],
        asked=list(found.asked),
    )


def _life(field: str, value: Fraction) -> str:
    return _percent(value) if field.endswith("_share") else f"{float(value):,.0f}"


def _staying(found: Staying, system: UnitSystem) -> StayingJson:
    horizon = found.horizon
    return StayingJson(
        list(found.parts),
        figure_json(horizon.total, system),
        maybe_figure_json(horizon.later_year, system),
        maybe_figure_json(horizon.an_hour, system),
    )


def _percent(share: Fraction) -> str:
    return f"{float(share) * 100:g} %"


def _beats_hiring(found: OverYears) -> str:
    if found.hire_an_hour is None or not found.horizon.hours:
        return ""
    hours = found.hours_to_beat_hiring
    if hours is None:
        return "Hiring at that price never costs more: an hour of your own costs as much to run."
    years = float(hours / (found.horizon.hours_a_week * WEEKS))
    return f"Hiring has cost as much after {float(hours):,.0f} hours, {years:.1f} years of your play."


def _whole(money: MoneyInScope) -> int:
    """What all of the measured line stands for, in minor units."""
    return max(money.cap.minor if money.cap else 0, money.counted.minor + money.contingency.minor, 1)


def _stretches(money: MoneyInScope, system: UnitSystem) -> list[MoneyStretchJson]:
    nothing = Money(0, money.currency)
    paid, ordered = (nothing, nothing) if money.counts_newcomer else (money.paid, money.ordered)
    planned = "at list prices" if money.counts_newcomer else "planned"
    free = money.free if money.free is not None and money.free.minor > 0 else Money(0, money.currency)
    stretches: list[MoneyStretchJson] = []
    begins = 0.0
    for words, amount in (
        ("paid", paid),
        ("ordered", ordered),
        (planned, money.counted - paid - ordered),
        ("kept back", money.contingency),
        ("free", free),
    ):
        share = amount.minor / _whole(money)
        if amount.minor:
            stretches.append(MoneyStretchJson(words, figure_json(amount, system), begins, share))
        begins += share
    return stretches


def _swings(swings: tuple[Swing, ...], system: UnitSystem) -> list[SwingJson]:
    """All on one scale, whose middle is what each line likely costs."""
    longest = max((max(_away(swing)) for swing in swings), default=0) or 1
    found = []
    for swing in swings:
        below, above = _away(swing)
        likely = swing.line.up_front
        assert likely is not None
        found.append(
            SwingJson(
                swing.line.key,
                swing.line.label,
                figure_json(swing.low, system),
                figure_json(likely, system),
                figure_json(swing.high, system),
                0.5 - below / longest / 2,
                0.5,
                0.5 + above / longest / 2,
            )
        )
    return found


def _away(swing: Swing) -> tuple[int, int]:
    likely = swing.line.up_front.minor if swing.line.up_front else 0
    return likely - swing.low.minor, swing.high.minor - likely


def _odds(money: MoneyInScope, system: UnitSystem) -> OddsJson:
    under = money.under_cap
    # To whole units: nobody guesses cents.
    whole = 10 ** DECIMALS_BY_CURRENCY[money.currency]
    reached = [Money(round(money.odds.reached_with(share) / whole) * whole, money.currency) for share in (0.5, 0.9)]
    return OddsJson(
        under,
        _share_text(under, system),
        figure_json(reached[0], system),
        figure_json(reached[1], system),
    )


def _share_text(share: float | None, system: UnitSystem) -> str:
    return "" if share is None else text_of(Quantity(share, Unit.SHARE), system)


def _renewal_json(each: Renewal, system: UnitSystem) -> RenewalJson:
    return RenewalJson(
        key=each.line.key,
        label=each.line.label,
        amount=maybe_figure_json(each.amount, system),
        every=EVERY.get(each.months, f"every {each.months} months"),
        begun=each.begun.isoformat() if each.begun else "",
        next=each.next.isoformat() if each.next else "",
        cancel_by=each.cancel_by.isoformat() if each.cancel_by else "",
    )


def _once_json(each: OnceOrAgain, system: UnitSystem) -> OnceOrAgainJson:
    return OnceOrAgainJson(
        part=each.part.name,
        once=each.once.name,
        again=each.again.name,
        once_costs=figure_json(each.once_costs, system),
        a_year=figure_json(each.a_year, system),
        begins=begins(each.fee),
        years=each.years,
        pays_after=f"{round(each.pays_after_years, 1):g} years",
        turns_at="" if each.turns_at is None else text_of(Quantity(each.turns_at, Unit.SHARE), system),
        at_odds=[_at_odds_json(at, each, system) for at in each.at_odds],
    )


def _at_odds_json(at: AtOdds, of: OnceOrAgain, system: UnitSystem) -> AtOddsJson:
    once, again = at.once.minor, at.again.minor
    cheaper = "same" if once == again else "once" if once < again else "again"
    odds = text_of(Quantity(at.odds, Unit.SHARE), system)
    years = of.year_by_year(at.odds)
    most = max(*(amount.minor for year in years for amount in year), 1)
    by_year = [
        OnceAgainYearJson(one.text(), other.text(), one.minor / most, other.minor / most) for one, other in years
    ]
    return AtOddsJson(odds, figure_json(at.once, system), figure_json(at.again, system), cheaper, by_year)
