"""A build over the years of its horizon: what it costs to have, and what hiring a bay would have cost."""

from collections.abc import Iterator
from dataclasses import dataclass
from fractions import Fraction
from typing import NamedTuple

from core.checks.power import Load
from core.model.build import Build
from core.model.chain import Chain
from core.model.kit import Kit
from core.model.ledger import Category, Ledger
from core.model.parts import Part
from core.money.horizon import WEEKS, Horizon, UsedUp, horizon_of
from core.money.line import Line, Payment
from core.money.wear import Lives, lives_of, resale_of, resale_shares, used_up_of
from core.quantities import Money
from core.report.report import Report


class ResaleRate(NamedTuple):
    """What is left of the price of things of a category that the build has."""

    category: Category
    first: Fraction
    """After a year."""
    later: Fraction
    """Of that, each year later."""


class Staying(NamedTuple):
    """The same years with what is there already, and nothing bought."""

    horizon: Horizon
    parts: tuple[str, ...]
    """What is there, as people call it."""


@dataclass(frozen=True)
class OverYears:
    """The years of a build, as far as anybody knows."""

    horizon: Horizon
    used_up: tuple[UsedUp, ...]
    lives: Lives
    resale: tuple[ResaleRate, ...]
    watts: float | None
    """What all devices draw at play; `None` while one does not say."""
    asked: tuple[str, ...]
    """What nobody has said, and is in no sum."""
    hire_an_hour: Money | None
    staying: Staying | None = None
    """`None` where nothing is there yet."""

    @property
    def hired(self) -> tuple[Money, ...]:
        """What the same hours in a hired bay come to by the end of each year; none while nobody says what one costs."""
        if self.hire_an_hour is None:
            return ()
        a_year = self.horizon.hours_a_week * WEEKS
        return tuple(self.hire_an_hour.scaled(a_year * (year + 1)) for year in range(len(self.horizon.years)))

    @property
    def had(self) -> tuple[Money, ...]:
        """What it has cost by the end of each year, nothing sold yet."""
        totals = [year.total for year in self.horizon.years]
        return tuple(Money.total(totals[: number + 1], totals[0].currency) for number in range(len(totals)))

    @property
    def hours_to_beat_hiring(self) -> Fraction | None:
        """Hours of play after which hiring had cost as much; `None` where it never does, or has no price."""
        return None if self.hire_an_hour is None else self.horizon.hours_to_beat(self.hire_an_hour)


THERE = frozenset({Payment.OWNED, Payment.GIFT, Payment.SAMPLE, Payment.BARTER, Payment.PAID})
"""What nobody buys any more."""


def over_years(build: Build, report: Report) -> OverYears:
    """`build` over the years of its brief; what nobody has said is named and in no sum."""
    ledger, currency, costs = build.ledger, build.brief.currency, report.costs
    load = report.evaluation.reading(Load)
    lives = lives_of(ledger)
    hours = Fraction(str(build.brief.hours_a_week or 0))
    used_up = tuple(_used_up(report, costs.lines, lives))
    price = ledger.kilowatt_hour_minor
    horizon = horizon_of(
        costs.up_front,
        costs.fees,
        used_up,
        Fraction(str(load.total_w)) if load else Fraction(0),
        Fraction(str(price or 0)),
        hours,
        Money.total([sold for line in costs.lines if (sold := resale_of(line, costs.horizon_years, ledger))], currency),
    )
    hire = None if ledger.hire_hour_minor is None else Money(ledger.hire_hour_minor, currency)
    asked = (
        *(() if build.brief.hours_a_week is not None else ("how many hours a week you play",)),
        *(() if price is not None else ("what electricity costs",)),
        *(() if load is not None else ("what every device draws",)),
    )
    return OverYears(
        horizon,
        used_up,
        lives,
        tuple(_resale(costs.lines, ledger)),
        load.total_w if load else None,
        asked,
        hire,
        _staying(build, report, lives, hours),
    )


def _staying(build: Build, report: Report, lives: Lives, hours: Fraction) -> Staying | None:
    """What is owned, given or paid for already, with its fees, wear and electricity."""
    ledger, currency, costs = build.ledger, build.brief.currency, report.costs
    there = [line for line in costs.lines if line.part and not line.licence and line.payment in THERE]
    if not there:
        return None
    ids, load = {line.part for line in there}, report.evaluation.reading(Load)
    names = {part.name for id, part in _parts_by_id(report) if id in ids}
    fees = [line.fee for line in costs.lines if line.fee and line.part in ids]
    watts = sum((Fraction(str(drawn)) for name, drawn in load.watts if name in names), Fraction(0)) if load else 0
    horizon = horizon_of(
        Money(0, currency),
        [Money.total([fee.in_year(year) for fee in fees], currency) for year in range(costs.horizon_years)],
        tuple(_used_up(report, tuple(there), lives)),
        Fraction(watts),
        Fraction(str(ledger.kilowatt_hour_minor or 0)),
        hours,
        Money.total([sold for line in there if (sold := resale_of(line, costs.horizon_years, ledger))], currency),
    )
    return Staying(horizon, tuple(dict.fromkeys(line.label for line in there)))


def _resale(lines: tuple[Line, ...], ledger: Ledger) -> Iterator[ResaleRate]:
    there = {line.category for line in lines if line.up_front is not None and not line.licence}
    return (ResaleRate(each, *resale_shares(each, ledger)) for each in Category if each in there)


def _used_up(report: Report, lines: tuple[Line, ...], lives: Lives) -> Iterator[UsedUp]:
    """Of every part that is bought or owned: what wears, at what one of it costs."""
    parts = dict(_parts_by_id(report))
    for line in lines:
        part = parts.get(line.part)
        if part is not None and not line.licence and line.newcomers is not None:
            yield from used_up_of(part, line.newcomers.scaled(Fraction(1, max(1, line.quantity))), lives)


def _parts_by_id(report: Report) -> Iterator[tuple[str, Part]]:
    chain, kit = report.evaluation.reading(Chain), report.evaluation.reading(Kit)
    if chain is not None:
        yield from ((hung.part.id, hung.part) for hung in chain)
    if kit is not None:
        yield from ((part.id, part) for part in kit.parts)
