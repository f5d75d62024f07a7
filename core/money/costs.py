"""The cost of a build, line by line: up front, each year, and over the horizon."""

from collections.abc import Iterable
from dataclasses import dataclass
from decimal import Decimal
from fractions import Fraction
from typing import NamedTuple

from core.model.brief import Brief
from core.model.build import Slot
from core.model.chain import Chain, Hung
from core.model.facts import FactAt, Missing, MissingFact
from core.model.household import Valuation
from core.model.ledger import Category, Ledger, OwnLine
from core.model.parts import Billing, Flooring, Mat, Part
from core.model.room import Layout, Room
from core.money.amounts import cost_of
from core.money.categories import category_of
from core.money.counted import settled
from core.money.fees import Terms
from core.money.floor_bought import laid, unit_laid
from core.money.licences import Licensed, bringing_along, licence_lines
from core.money.line import Line, Payment
from core.money.price_book import PriceBook
from core.money.staying import stays_behind
from core.quantities import Money, Quantity, Sentence, Unit, say

COSTS_SCOPE = (
    "Parts on the chain and their plans, extras, and the small items that are chosen, tax included. "
    "Left out: small items still open, delivery but of offers that were taken, electricity, building works, resale."
)


EMPTY = Ledger()
OUTSIDE = frozenset({Category.WORKS, Category.DECORATION})
"""What is in no total unless somebody switches it in."""


class Bought(NamedTuple):
    """Something bought beside the chain: an extra, or a small item that is decided about."""

    id: str
    slot: Slot | None
    part: Part
    units: int | MissingFact
    owned: bool
    billing: Billing = Billing.ONCE
    """How its price is paid."""
    unit: str = ""
    """What it is bought by, where that is not pieces."""
    left_over: Quantity | None = None
    fixed: bool | None = None
    """Of what is laid: glued or taped down; `None` as is usual for its kind."""


@dataclass(frozen=True)
class Costs:
    """All lines and what they come to. Totals leave out lines whose amount is not known."""

    lines: tuple[Line, ...]
    up_front: Money
    contingency: Money
    yearly: Money
    fees: tuple[Money, ...]
    """Of each of the years of the horizon."""
    newcomer: Money
    """What the same build would cost somebody who owns nothing of it, at list prices."""
    horizon_years: int
    contingency_share: float
    up_front_cap: Money | None
    yearly_cap: Money | None
    counted: Money
    """What counts against the up-front cap: what is spent, or what a newcomer would spend."""
    works: tuple[Line, ...] = ()
    """Building works, and decoration: outside every total."""
    later: tuple[Line, ...] = ()
    """Wishes: outside every total."""
    counts_owned: bool = False
    """What is owned counts against the cap as well."""
    scope: str = COSTS_SCOPE

    def of_slot(self, slot: Slot) -> tuple[Money, Money] | None:
        """What the part in one place and its plan come to, up front and each year; `None` while one is not known."""
        lines = [line for line in self.lines if line.slot is slot and not line.beside]
        if any(line.missing for line in lines):
            return None
        currency = self.up_front.currency
        return (
            Money.total([line.up_front for line in lines if line.up_front], currency),
            Money.total([line.yearly for line in lines if line.yearly], currency),
        )

    @property
    def horizon(self) -> Money:
        """Up front and all fees of its years; contingency not included."""
        return Money.total([self.up_front, *self.fees], self.up_front.currency)

    @property
    def paid(self) -> Money:
        """What of it was paid already."""
        paid = [line.up_front for line in self.lines if line.payment is Payment.PAID and line.up_front]
        return Money.total(paid, self.up_front.currency)

    @property
    def workings(self) -> tuple[Sentence, Sentence, Sentence]:
        """How contingency, horizon and newcomer's cost are made up."""
        more = self.newcomer - self.up_front
        return (
            say("{share} of {counted}", share=Quantity(self.contingency_share, Unit.SHARE), counted=self.counted),
            self._over_years,
            say("list prices of everything: {more} over what you pay up front", more=more)
            if more.minor >= 0
            else say(
                "list prices of everything: {less} less than you pay up front", less=Money(-more.minor, more.currency)
            ),
        )

    @property
    def _over_years(self) -> Sentence:
        years = str(self.horizon_years)
        if set(self.fees) == {self.yearly}:
            return say(
                "{up_front} up front + {years} × {yearly}", up_front=self.up_front, years=years, yearly=self.yearly
            )
        words = "{up_front} up front + {fees} of fees in {years} years, as they begin and rise"
        return say(words, up_front=self.up_front, fees=self.horizon - self.up_front, years=years)

    @property
    def missing(self) -> tuple[Missing, ...]:
        """Why amounts are not known, line by line."""
        return tuple(line.missing for line in self.lines if line.missing)

    @property
    def worth_missing(self) -> tuple[Missing, ...]:
        """Why it is not known what things are worth, line by line: of those that are bought, and of those owned."""
        return (*self.missing, *(line.worth_missing for line in self.lines if line.worth_missing))

    @property
    def counted_missing(self) -> tuple[Missing, ...]:
        """Why what counts against the up-front cap is not known."""
        return self.worth_missing if self.counts_owned else self.missing

    @property
    def missing_rates(self) -> tuple[str, ...]:
        """Currencies that the brief has no rate for, each once."""
        rates = (fact.at.field for fact in self.missing if fact.at.record == "brief")
        return tuple(sorted({field.removeprefix("rate_") for field in rates if field.startswith("rate_")}))


def kept_back(counted: Money, share: float) -> Money:
    """The contingency: its share of what counts against the cap."""
    return counted.scaled(Decimal(str(share)))


def costs_of(
    brief: Brief,
    book: PriceBook,
    chain: Chain,
    room: Room,
    layout: Layout,
    beside: Iterable[Line] = (),
    works: Iterable[Line] = (),
    mats: int | None = 1,
    ledger: Ledger = EMPTY,
    bringing: frozenset[str] = frozenset(),
) -> Costs:
    """What `chain` and the lines `beside` it cost by `book` and `ledger` in the brief's currency.

    Software costs nothing that plans on the chain are `bringing` along, or others are. The floor as far as it is laid,
    and so many `mats`; `None` where that is not known. What is for later is in no total, nor are building works and
    decoration.
    """
    bringing |= bringing_along(hung.plan for hung in chain)
    hung = (line for hanging in chain for line in _lines(hanging, brief, book, room, layout, bringing, mats, ledger))
    wanted = (*hung, *beside, *(_own_line(own, brief) for own in ledger.own))
    lines = tuple(line for line in wanted if not line.later and line.category not in OUTSIDE)
    up_front = Money.total([line.up_front for line in lines if line.up_front], brief.currency)
    yearly = Money.total([line.yearly for line in lines if line.yearly], brief.currency)
    newcomer = Money.total([line.newcomers for line in lines if line.newcomers], brief.currency)
    counted = newcomer if brief.valuation is Valuation.NEWCOMER else up_front
    return Costs(
        lines=lines,
        up_front=up_front,
        contingency=kept_back(counted, brief.contingency_share),
        yearly=yearly,
        fees=tuple(_fees_of_year(lines, year, brief.currency) for year in range(brief.horizon_years)),
        newcomer=newcomer,
        horizon_years=brief.horizon_years,
        contingency_share=brief.contingency_share,
        up_front_cap=brief.up_front_cap,
        yearly_cap=brief.yearly_cap,
        counted=counted,
        works=(*works, *(line for line in wanted if not line.later and line.category in OUTSIDE)),
        later=tuple(line for line in wanted if line.later),
        counts_owned=brief.valuation is Valuation.NEWCOMER,
    )


def _fees_of_year(lines: Iterable[Line], year: int, currency: str) -> Money:
    return Money.total([fees for line in lines if line.is_fee and (fees := line.fees_in(year))], currency)


def _lines(
    hanging: Hung,
    brief: Brief,
    book: PriceBook,
    room: Room,
    layout: Layout,
    bringing: frozenset[str],
    mats: int | None,
    ledger: Ledger,
) -> tuple[Line, ...]:
    line = _part_line(hanging, brief, book, room, layout, mats, ledger)
    licensed = Licensed(hanging.part, hanging.plan, hanging.slot, hanging.decided.owned)
    return line, *licence_lines(licensed, brief, book, bringing, ledger)


def _part_line(
    hanging: Hung, brief: Brief, book: PriceBook, room: Room, layout: Layout, mats: int | None, ledger: Ledger
) -> Line:
    part, decided = hanging.part, hanging.decided
    quantity, unit, left_over = 1, "", None
    listed: Money | MissingFact
    try:
        quantity, unit, left_over = _quantity(hanging, room, layout, mats)
        listed = cost_of(part, quantity, brief, book)
    except MissingFact as missing:
        listed = missing
    line = Line(
        hanging.slot,
        f"{part.maker} {part.name}",
        part=part.id,
        category=category_of(part),
        quantity=quantity,
        unit=unit,
        left_over=left_over,
        stays_behind=stays_behind(part, layout.floor_fixed if isinstance(part, Flooring) else None),
    )
    value = decided.replacement_value_minor
    worth = None if value is None else Money(value, brief.currency)
    return settled(line, listed, ledger.of(line.key), brief, owned=decided.owned, worth=worth)


def _own_line(own: OwnLine, brief: Brief) -> Line:
    line = Line(None, own.name, quantity=own.quantity, beside=own.id, category=own.category)
    unpriced = MissingFact(f"What {own.name} costs", "Guess it, or ask for a quote.", FactAt("ledger", own.id))
    return settled(line, unpriced, own, brief)


def bought_line(bought: Bought, brief: Brief, book: PriceBook, ledger: Ledger) -> Line:
    """What something beside the chain costs."""
    part = bought.part
    listed: Money | MissingFact
    try:
        if isinstance(bought.units, MissingFact):
            raise bought.units
        listed = cost_of(part, bought.units, brief, book)
    except MissingFact as missing:
        listed = missing
    line = Line(
        bought.slot,
        f"{part.maker} {part.name}",
        part=part.id,
        category=category_of(part),
        quantity=bought.units if isinstance(bought.units, int) else 1,
        unit=bought.unit,
        left_over=bought.left_over,
        beside=bought.id,
        stays_behind=stays_behind(part, bought.fixed),
    )
    terms = Terms(rise=Fraction(str(brief.fee_rise_share)))
    return settled(
        line,
        listed,
        ledger.of(line.key),
        brief,
        owned=bought.owned,
        fees_a_year=bought.billing.fees_a_year,
        terms=terms,
    )


def _quantity(hanging: Hung, room: Room, layout: Layout, mats: int | None) -> tuple[int, str, Quantity | None]:
    if isinstance(hanging.part, Mat):
        if mats is None:
            size = f"Whether one {hanging.part.name} is large enough for both spots"
            raise MissingFact(size, "Its sheet does not say how large it is.")
        return mats, "", None
    if not isinstance(hanging.part, Flooring):
        return 1, "", None
    covered = laid(hanging.part, layout.zone_in(room.width_m, room.length_m))
    return covered.units, unit_laid(hanging.part), covered.left_over
