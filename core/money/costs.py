"""The cost of a build, line by line: up front, each year, and over the horizon."""

from collections.abc import Iterable
from dataclasses import dataclass
from decimal import Decimal
from enum import StrEnum
from typing import NamedTuple

from core.geometry.floor_cover import Cover, roll_cover, tile_cover
from core.model.brief import Brief
from core.model.build import Slot
from core.model.chain import Chain, Hung, plans_of
from core.model.facts import FactAt, Missing, MissingFact, known
from core.model.household import TaxTreatment, Valuation
from core.model.laying import Rectangle
from core.model.parts import Billing, Flooring, FloorRoll, FloorTiles, Mat, MonitorPlan, Part, Plan, Price
from core.model.room import Layout, Room
from core.money.price_book import PriceBook
from core.money.staying import stays_behind
from core.quantities import Money, Quantity, Sentence, Unit, say

MONTHS = 12
COSTS_SCOPE = (
    "Parts on the chain and their plans, extras, and the small items that are chosen, tax included. "
    "Left out: small items still open, delivery, electricity, building works, resale."
)


class MissingRate(MissingFact):
    """An amount in `currency` cannot be added up: the brief has no rate for it."""

    def __init__(self, currency: str, into: str) -> None:
        super().__init__(
            f"The rate from {currency} to {into}",
            f"Enter in the brief what 1 {currency} costs in {into}.",
            FactAt("brief", f"rate_{currency}"),
        )


class Payment(StrEnum):
    """Where the amount of a line comes from."""

    LIST_PRICE = "list price"
    QUOTE = "quote"
    OWNED = "owned"
    BUNDLED = "bundled"
    FREE = "free"


class Line(NamedTuple):
    """One line of the cost. An amount that is not known is `None`, and `missing` says why."""

    slot: Slot | None
    """Its place on the chain; `None` for an extra that belongs to no place."""
    label: str
    payment: Payment
    up_front: Money | None
    yearly: Money | None
    replacement_value: Money | None = None
    """What something owned is worth."""
    newcomers: Money | None = None
    """What it would cost somebody who owns nothing and was quoted nothing: its worth as typed, else its list price."""
    quantity: int = 1
    unit: str = ""
    missing: Missing | None = None
    worth_missing: Missing | None = None
    """Why it is not known what something owned would cost a newcomer."""
    beside: str = ""
    """The extra or small item that it is of; empty for what hangs on the chain."""
    licence: str = ""
    """Id of the plan that it is of; empty for a part itself."""
    stays_behind: bool = False
    """It is cut, laid or used up for this room, and does not go along to the next."""

    @property
    def id(self) -> str:
        """What a purchase, a price history or a schedule may name it by: the same for as long as it is there."""
        place = self.beside or f"{self.slot}"
        return f"{place}:plan" if self.licence else place


class Bought(NamedTuple):
    """Something bought beside the chain: an extra, or a small item that is decided about."""

    id: str
    slot: Slot | None
    part: Part
    units: int | MissingFact
    owned: bool
    quote_minor: int | None
    billing: Billing = Billing.ONCE
    """How its price is paid."""
    unit: str = ""
    """What it is bought by, where that is not pieces."""
    fixed: bool | None = None
    """Of what is laid: glued or taped down; `None` as is usual for its kind."""


@dataclass(frozen=True)
class Costs:
    """All lines and what they come to. Totals leave out lines whose amount is not known."""

    lines: tuple[Line, ...]
    up_front: Money
    contingency: Money
    yearly: Money
    horizon: Money
    """Up front and `horizon_years` of yearly fees; contingency not included."""
    newcomer: Money
    """What the same build would cost somebody who owns nothing of it, at list prices."""
    horizon_years: int
    contingency_share: float
    up_front_cap: Money | None
    yearly_cap: Money | None
    counted: Money
    """What counts against the up-front cap: what is spent, or what a newcomer would spend."""
    works: tuple[Line, ...] = ()
    """Building works that a trade is paid for: outside every total."""
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
    def workings(self) -> tuple[Sentence, Sentence, Sentence]:
        """How contingency, horizon and newcomer's cost are made up."""
        more = self.newcomer - self.up_front
        return (
            say("{share} of {counted}", share=Quantity(self.contingency_share, Unit.SHARE), counted=self.counted),
            say(
                "{up_front} up front + {years} × {yearly}",
                up_front=self.up_front,
                years=str(self.horizon_years),
                yearly=self.yearly,
            ),
            say("list prices of everything: {more} over what you pay up front", more=more)
            if more.minor >= 0
            else say(
                "list prices of everything: {less} less than you pay up front", less=Money(-more.minor, more.currency)
            ),
        )

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


def costs_of(
    brief: Brief,
    book: PriceBook,
    chain: Chain,
    room: Room,
    layout: Layout,
    beside: Iterable[Line] = (),
    works: Iterable[Line] = (),
    mats: int | None = 1,
) -> Costs:
    """What `chain` and the lines `beside` it cost by `book` in the brief's currency.

    The floor as far as it is laid, and so many `mats`; `None` where that is not known.
    """
    monitor = chain.at(Slot.MONITOR)
    monitor_plan = monitor.plan if monitor else None
    hung = (line for hanging in chain for line in _lines(hanging, brief, book, room, layout, monitor_plan, mats))
    lines = (*hung, *beside)
    up_front = Money.total([line.up_front for line in lines if line.up_front], brief.currency)
    yearly = Money.total([line.yearly for line in lines if line.yearly], brief.currency)
    newcomer = Money.total([line.newcomers for line in lines if line.newcomers], brief.currency)
    counted = newcomer if brief.valuation is Valuation.NEWCOMER else up_front
    return Costs(
        lines=lines,
        up_front=up_front,
        contingency=counted.scaled(Decimal(str(brief.contingency_share))),
        yearly=yearly,
        horizon=up_front + yearly * brief.horizon_years,
        newcomer=newcomer,
        horizon_years=brief.horizon_years,
        contingency_share=brief.contingency_share,
        up_front_cap=brief.up_front_cap,
        yearly_cap=brief.yearly_cap,
        counted=counted,
        works=tuple(works),
        counts_owned=brief.valuation is Valuation.NEWCOMER,
    )


def floor_cover(flooring: Flooring, zone: Rectangle) -> Cover:
    """What to buy of `flooring` to cover `zone`. Raises `MissingFact` where its size is not stated."""
    if isinstance(flooring, FloorTiles):
        side_m, pack = known(flooring, "tile_side_m"), known(flooring, "tiles_per_pack")
        return tile_cover(zone.width_m, zone.length_m, side_m, pack)
    if isinstance(flooring, FloorRoll):
        return roll_cover(zone.width_m, zone.length_m, known(flooring, "roll_width_m"))
    raise TypeError(f"{type(flooring).__name__} has no way to be laid")


def unit_laid(flooring: Flooring) -> str:
    """What it is bought by."""
    return "packs" if isinstance(flooring, FloorTiles) else "m of roll"


def in_currency(price: Price, brief: Brief) -> Money:
    """`price` in the brief's currency, tax added, or taken off where it is reclaimed.

    Raises `MissingFact` where the brief has no rate for it.
    """
    amount = price.money
    if price.tax_included is (brief.tax_treatment is TaxTreatment.RECLAIMED):
        with_tax = 1 + Decimal(str(brief.tax_share))
        amount = amount.scaled(1 / with_tax if price.tax_included else with_tax)
    if price.currency == brief.currency:
        return amount
    rate = next((rate.rate for rate in brief.exchange_rates if rate.currency == price.currency), None)
    if rate is None:
        raise MissingRate(price.currency, brief.currency)
    return amount.converted(rate, brief.currency)


def yearly_fee(part: Part, plan: Plan, brief: Brief, book: PriceBook) -> Money:
    """What `plan` of `part` costs a year; twelve months of a monthly one, nothing for what is paid once.

    Raises `MissingFact`.
    """
    if plan.billing in (Billing.FREE, Billing.ONCE):
        return Money(0, brief.currency)
    return in_currency(book.plan_price(part, plan), brief) * (MONTHS if plan.billing is Billing.MONTHLY else 1)


def _lines(
    hanging: Hung,
    brief: Brief,
    book: PriceBook,
    room: Room,
    layout: Layout,
    monitor_plan: Plan | None,
    mats: int | None,
) -> tuple[Line, ...]:
    line = _part_line(hanging, brief, book, room, layout, mats)
    licensed = Licensed(hanging.part, hanging.plan, hanging.slot, hanging.decided.owned)
    return line, *licence_lines(licensed, brief, book, monitor_plan)


def _part_line(hanging: Hung, brief: Brief, book: PriceBook, room: Room, layout: Layout, mats: int | None) -> Line:
    part, decided = hanging.part, hanging.decided
    quantity, unit = 1, ""
    listed: Money | MissingFact
    try:
        quantity, unit = _quantity(hanging, room, layout, mats)
        listed = cost_of(part, quantity, brief, book)
    except MissingFact as missing:
        listed = missing
    quote = None if decided.quote_minor is None else Money(decided.quote_minor, brief.currency)
    line = Line(
        hanging.slot,
        f"{part.maker} {part.name}",
        Payment.LIST_PRICE,
        None,
        Money(0, brief.currency),
        quantity=quantity,
        unit=unit,
        stays_behind=stays_behind(part, layout.floor_fixed if isinstance(part, Flooring) else None),
    )
    value = decided.replacement_value_minor
    worth = None if value is None else Money(value, brief.currency)
    return _paid(line, listed, owned=decided.owned, quote=_untaxed(quote, brief), worth=worth)


def _untaxed(quote: Money | None, brief: Brief) -> Money | None:
    """A quote is what is paid at the till: where tax is reclaimed, that much comes off it."""
    if quote is None or brief.tax_treatment is not TaxTreatment.RECLAIMED:
        return quote
    return quote.scaled(1 / (1 + Decimal(str(brief.tax_share))))


def bought_line(bought: Bought, brief: Brief, book: PriceBook) -> Line:
    """What something beside the chain costs."""
    id, slot, part, units, owned, quote_minor, billing, unit, fixed = bought
    nothing = Money(0, brief.currency)
    listed: Money | MissingFact
    try:
        if isinstance(units, MissingFact):
            raise units
        listed = cost_of(part, units, brief, book)
    except MissingFact as missing:
        listed = missing
    count = units if isinstance(units, int) else 1
    quote = None if quote_minor is None else Money(quote_minor, brief.currency) * count
    line = Line(
        slot,
        f"{part.maker} {part.name}",
        Payment.LIST_PRICE,
        None,
        nothing,
        quantity=count,
        unit=unit,
        beside=id,
        stays_behind=stays_behind(part, fixed),
    )
    paid = _paid(line, listed, owned=owned, quote=_untaxed(quote, brief))
    periods = {Billing.MONTHLY: MONTHS, Billing.YEARLY: 1}.get(billing)
    if periods is None or paid.up_front is None:
        return paid
    return paid._replace(up_front=nothing, newcomers=nothing, yearly=paid.up_front * periods)


def cost_of(part: Part, quantity: int, brief: Brief, book: PriceBook) -> Money:
    """What `quantity` of `part` cost in the brief's currency. Raises `MissingFact`."""
    return in_currency(book.unit_price(part, quantity), brief) * quantity


def _paid(
    line: Line, listed: Money | MissingFact, *, owned: bool, quote: Money | None, worth: Money | None = None
) -> Line:
    """`line` with what it really costs: nothing if owned, the quote if there is one, else the list price."""
    price, missing = (None, listed.missing) if isinstance(listed, MissingFact) else (listed, None)
    if owned:
        nothing = line.yearly
        value = worth or price
        return line._replace(
            payment=Payment.OWNED,
            up_front=nothing,
            replacement_value=value,
            newcomers=value,
            worth_missing=missing if value is None else None,
        )
    line = line._replace(newcomers=price)
    if quote is not None:
        return line._replace(payment=Payment.QUOTE, up_front=quote, worth_missing=missing)
    free = price is not None and price.minor == 0
    return line._replace(payment=Payment.FREE if free else Payment.LIST_PRICE, up_front=price, missing=missing)


def _quantity(hanging: Hung, room: Room, layout: Layout, mats: int | None) -> tuple[int, str]:
    if isinstance(hanging.part, Mat):
        if mats is None:
            size = f"Whether one {hanging.part.name} is large enough for both spots"
            raise MissingFact(size, "Its sheet does not say how large it is.")
        return mats, ""
    if not isinstance(hanging.part, Flooring):
        return 1, ""
    return floor_cover(hanging.part, layout.zone_in(room.width_m, room.length_m)).units, unit_laid(hanging.part)


def licence_lines(licensed: "Licensed", brief: Brief, book: PriceBook, monitor_plan: Plan | None) -> tuple[Line, ...]:
    """What the plan of a part costs; a line of its own too where none is chosen and none is free."""
    part, plan = licensed.part, licensed.plan
    if plan is not None:
        return (_plan_line(licensed, plan, brief, book, monitor_plan),)
    plans = plans_of(part)
    if not plans or any(plan.billing is Billing.FREE for plan in plans):
        return ()
    missing = MissingFact(f"Which plan of {part.name} is taken", "Choose it under the part: all of them are paid for.")
    return (licensed.line(f"{part.name}: plan not chosen", "none", missing=missing.missing),)


class Licensed(NamedTuple):
    """A part with the plan chosen for it, and where it is."""

    part: Part
    plan: Plan | None
    slot: Slot | None
    owned: bool
    beside: str = ""
    """The extra that it is; empty on the chain."""

    def line(
        self,
        label: str,
        licence: str,
        payment: Payment = Payment.LIST_PRICE,
        amounts: tuple[Money | None, Money | None] = (None, None),
        missing: Missing | None = None,
    ) -> Line:
        """A line of its licence: once, and each year."""
        return Line(self.slot, label, payment, *amounts, missing=missing, licence=licence, beside=self.beside)


def _paid_before(licensed: Licensed, label: str, plan: Plan, brief: Brief, book: PriceBook) -> Line:
    nothing = Money(0, brief.currency)
    line = licensed.line(label, plan.id, Payment.OWNED, (nothing, nothing))
    try:
        worth = in_currency(book.plan_price(licensed.part, plan), brief)
    except MissingFact as missing:
        return line._replace(worth_missing=missing.missing)
    return line._replace(replacement_value=worth, newcomers=worth)


def _plan_line(licensed: Licensed, plan: Plan, brief: Brief, book: PriceBook, monitor_plan: Plan | None) -> Line:
    part, nothing = licensed.part, Money(0, brief.currency)
    label = f"{part.name}: plan {plan.name}"
    if isinstance(monitor_plan, MonitorPlan) and part.id in monitor_plan.bundled_titles:
        return licensed.line(label, plan.id, Payment.BUNDLED, (nothing, nothing))
    if plan.billing is Billing.FREE:
        return licensed.line(label, plan.id, Payment.FREE, (nothing, nothing))
    if plan.billing is Billing.ONCE and licensed.owned:
        # Paid when it was bought; a newcomer pays it anew.
        return _paid_before(licensed, label, plan, brief, book)
    try:
        once = in_currency(book.plan_price(part, plan), brief) if plan.billing is Billing.ONCE else nothing
        yearly = yearly_fee(part, plan, brief, book)
    except MissingFact as missing:
        return licensed.line(label, plan.id, missing=missing.missing)
    return licensed.line(label, plan.id, amounts=(once, yearly))._replace(newcomers=once)
