"""All that the Money view tells of a build, made once for whoever asks: screen, shell, spreadsheet."""

from collections.abc import Iterator, Mapping
from contextlib import suppress
from dataclasses import dataclass
from datetime import date

from core.model.build import Build, Slot
from core.model.chain import plans_of
from core.model.facts import MissingFact
from core.model.ledger import Category
from core.model.parts import Billing, Part, Plan
from core.money.amounts import in_currency
from core.money.fees import Fee
from core.money.licences import fee_of
from core.money.once import AtOdds, break_even_years, over_odds, turning_odds, year_by_year
from core.money.price_book import price_book_of
from core.money.renewals import Renewal, renewals_of
from core.quantities import Money
from core.report.buy_list import NOWHERE_SEEN, ToBuy, buy_list
from core.report.money import MoneyInScope, money_in
from core.report.report import Report
from core.report.years import OverYears, over_years


@dataclass(frozen=True)
class OnceOrAgain:
    """Two plans of one part: one paid once, one paid again."""

    part: Part
    once: Plan
    again: Plan
    once_costs: Money
    fee: Fee
    years: int

    @property
    def a_year(self) -> Money:
        """What the one paid again usually costs a year."""
        return self.fee.usual * self.fee.a_year

    @property
    def pays_after_years(self) -> float:
        """After how many years the one paid once has paid."""
        return break_even_years(self.once_costs, self.fee)

    @property
    def turns_at(self) -> float | None:
        """The yearly odds of changing the title at which both cost the same."""
        return turning_odds(self.once_costs, self.fee, self.years)

    def year_by_year(self, odds: float) -> tuple[tuple[Money, Money], ...]:
        """What the one paid once, and the one paid again, have cost by the end of each year at such odds."""
        return year_by_year(self.once_costs, self.fee, self.years, odds)

    @property
    def at_odds(self) -> tuple[AtOdds, ...]:
        """What either is expected to cost, from never changing to changing every year."""
        return over_odds(self.once_costs, self.fee, self.years)


@dataclass(frozen=True)
class WholeMoney:
    """The money of a build."""

    in_scope: MoneyInScope
    years: OverYears
    to_buy: tuple[ToBuy, ...]
    renewals: tuple[Renewal, ...]
    once_or_again: tuple[OnceOrAgain, ...]
    wasted: tuple[str, ...]
    """Lines that fees were paid for, and that nothing in the build is under any more."""


def whole_money(
    build: Build,
    report: Report,
    parts: Mapping[str, Part],
    scope: frozenset[Category],
    today: date,
    addresses: Mapping[str, str] = NOWHERE_SEEN,
) -> WholeMoney:
    """The money of `build`, of the categories of `scope`, as it is seen on `today`; offers at their `addresses`."""
    return WholeMoney(
        in_scope=money_in(report.costs, build.ledger, scope),
        years=over_years(build, report),
        to_buy=buy_list(build, report, addresses),
        renewals=renewals_of(report.costs.lines, build.ledger, today),
        once_or_again=tuple(_once_or_again(build, parts)),
        wasted=tuple(sorted(_wasted(build, parts))),
    )


def _once_or_again(build: Build, parts: Mapping[str, Part]) -> Iterator[OnceOrAgain]:
    """Of monitor and software, each plan paid once against the cheapest that is paid again."""
    for slot in (Slot.MONITOR, Slot.TITLE):
        hung = build.chain.get(slot)
        part = parts.get(hung.part) if hung else None
        if part is None:
            continue
        book = price_book_of([part])
        again, once = [], []
        for plan in plans_of(part):
            with suppress(MissingFact):
                if plan.billing is Billing.ONCE:
                    once.append((in_currency(book.plan_price(part, plan), build.brief), plan))
                elif (fee := fee_of(part, plan, build.brief, book)) and fee.usual.minor:
                    again.append((fee, plan))
        if again:
            years = build.brief.horizon_years
            fee, plan = min(again, key=lambda each: each[0].within(years).minor)
            for costs, other in once:
                yield OnceOrAgain(part, other, plan, costs, fee, years)


def _wasted(build: Build, parts: Mapping[str, Part]) -> Iterator[str]:
    for key, entry in build.ledger.entries.items():
        _, _, of = key.partition("/")
        part, _, plan = of.partition(":")
        if plan and entry.paid_minor and key not in build.line_keys:
            yield f"{parts[part].name if part in parts else part}: plan {plan}"
