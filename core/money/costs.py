"""The cost of a build, line by line: up front, each year, and over the horizon."""

from collections.abc import Iterator
from dataclasses import dataclass
from decimal import Decimal
from enum import StrEnum

from core.geometry.floor_cover import Cover, roll_cover, tile_cover
from core.model.brief import Brief
from core.model.build import Slot
from core.model.chain import Chain, Hanging
from core.model.facts import MissingFact, known
from core.model.household import TaxTreatment, Valuation
from core.model.parts import Billing, Flooring, FloorRoll, FloorTiles, MonitorPlan, Plan, Price, Title
from core.model.room import Room
from core.quantities import Money, Quantity, Sentence, Unit, say

MONTHS = 12
SCOPE = (
    "Parts on the chain and their plans, tax included. "
    "Left out: small items, delivery, electricity, building works, resale."
)


class MissingRate(MissingFact):
    """An amount in `currency` cannot be added up: the brief has no rate for it."""

    def __init__(self, currency: str, into: str) -> None:
        super().__init__(
            f"The rate from {currency} to {into}", f"Enter in the brief what 1 {currency} costs in {into}."
        )
        self.currency = currency


class Payment(StrEnum):
    """Where the amount of a line comes from."""

    LIST_PRICE = "list price"
    QUOTE = "quote"
    OWNED = "owned"
    BUNDLED = "bundled"
    FREE = "free"


@dataclass(frozen=True)
class Line:
    """One line of the cost. An amount that is not known is `None`, and `missing` says why."""

    slot: Slot
    label: str
    payment: Payment
    up_front: Money | None
    yearly: Money | None
    replacement_value: Money | None = None
    """What it would cost a newcomer."""
    quantity: int = 1
    unit: str = ""
    missing: MissingFact | None = None


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
    """What the same build would cost somebody who owns nothing of it."""
    horizon_years: int
    contingency_share: float
    up_front_cap: Money | None
    yearly_cap: Money | None
    counted: Money
    """What counts against the up-front cap: what is spent, or what a newcomer would spend."""
    scope: str = SCOPE

    def of_slot(self, slot: Slot) -> tuple[Money, Money] | None:
        """What the lines of one place come to, up front and each year; `None` while one of them is not known."""
        lines = [line for line in self.lines if line.slot is slot]
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
        owned = self.newcomer - self.up_front
        return (
            say("{share} of {up_front}", share=Quantity(self.contingency_share, Unit.SHARE), up_front=self.up_front),
            say(
                "{up_front} up front + {years} × {yearly}",
                up_front=self.up_front,
                years=str(self.horizon_years),
                yearly=self.yearly,
            ),
            say("{up_front} and {owned} for what is owned already", up_front=self.up_front, owned=owned),
        )

    @property
    def missing(self) -> tuple[MissingFact, ...]:
        """Why amounts are not known, line by line."""
        return tuple(line.missing for line in self.lines if line.missing)

    @property
    def missing_rates(self) -> tuple[str, ...]:
        """Currencies that the brief has no rate for, each once."""
        return tuple(sorted({fact.currency for fact in self.missing if isinstance(fact, MissingRate)}))


def costs_of(brief: Brief, chain: Chain, room: Room) -> Costs:
    """What `chain` costs in the brief's currency, the floor covered wall to wall."""
    lines = tuple(line for hanging in chain for line in _lines(hanging, brief, chain, room))
    up_front = Money.total([line.up_front for line in lines if line.up_front], brief.currency)
    yearly = Money.total([line.yearly for line in lines if line.yearly], brief.currency)
    owned = [line.replacement_value for line in lines if line.replacement_value]
    newcomer = up_front + Money.total(owned, brief.currency)
    return Costs(
        lines=lines,
        up_front=up_front,
        contingency=up_front.scaled(Decimal(str(brief.contingency_share))),
        yearly=yearly,
        horizon=up_front + yearly * brief.horizon_years,
        newcomer=newcomer,
        horizon_years=brief.horizon_years,
        contingency_share=brief.contingency_share,
        up_front_cap=brief.up_front_cap,
        yearly_cap=brief.yearly_cap,
        counted=newcomer if brief.valuation is Valuation.NEWCOMER else up_front,
    )


def floor_cover(flooring: Flooring, room: Room) -> Cover:
    """What to buy of `flooring` for the whole floor. Raises `MissingFact` where its size is not stated."""
    if isinstance(flooring, FloorTiles):
        side_m = known(flooring.tile_side_m, flooring, "tile size")
        return tile_cover(room.width_m, room.length_m, side_m, known(flooring.tiles_per_pack, flooring, "pack size"))
    if isinstance(flooring, FloorRoll):
        return roll_cover(room.width_m, room.length_m, known(flooring.roll_width_m, flooring, "roll width"))
    raise TypeError(f"{type(flooring).__name__} has no way to be laid")


def in_currency(price: Price, brief: Brief) -> Money:
    """`price` in the brief's currency, tax added, or taken off where it is reclaimed.

    Raises `MissingFact` where the brief has no rate for it.
    """
    amount, with_tax = price.money, 1 + Decimal(str(brief.tax_share))
    if brief.tax_treatment is TaxTreatment.RECLAIMED:
        if price.tax_included:
            amount = amount.scaled(1 / with_tax)
    elif not price.tax_included:
        amount = amount.scaled(with_tax)
    if price.currency == brief.currency:
        return amount
    rate = next((rate.rate for rate in brief.exchange_rates if rate.currency == price.currency), None)
    if rate is None:
        raise MissingRate(price.currency, brief.currency)
    return amount.converted(rate, brief.currency)


def yearly_fee(plan: Plan, brief: Brief) -> Money:
    """What `plan` costs a year; twelve months of a monthly one, nothing for what is paid once."""
    if plan.price is None or plan.billing in (Billing.FREE, Billing.ONCE):
        return Money(0, brief.currency)
    return in_currency(plan.price, brief) * (MONTHS if plan.billing is Billing.MONTHLY else 1)


def _lines(hanging: Hanging, brief: Brief, chain: Chain, room: Room) -> Iterator[Line]:
    yield _part_line(hanging, brief, room)
    if hanging.plan is not None:
        yield _plan_line(hanging, hanging.plan, brief, chain)
    if isinstance(hanging.part, Title):
        yield from _connector_lines(hanging.part, brief, chain)


def _part_line(hanging: Hanging, brief: Brief, room: Room) -> Line:
    part, decided = hanging.part, hanging.decided
    nothing = Money(0, brief.currency)
    label = f"{part.maker} {part.name}"
    quantity, unit = 1, ""
    listed: Money | None = None
    reason: MissingFact | None = None
    try:
        quantity, unit = _quantity(hanging, room)
        listed = in_currency(known(part.price, part, "price"), brief) * quantity
    except MissingFact as missing:
        reason = missing
    if decided.owned:
        value = decided.replacement_value_minor
        worth = listed if value is None else Money(value, brief.currency)
        return Line(hanging.slot, label, Payment.OWNED, nothing, nothing, worth, quantity, unit)
    if decided.quote_minor is not None:
        quote = Money(decided.quote_minor, brief.currency)
        return Line(hanging.slot, label, Payment.QUOTE, quote, nothing, quantity=quantity, unit=unit)
    payment = Payment.FREE if listed == nothing else Payment.LIST_PRICE
    return Line(hanging.slot, label, payment, listed, nothing, None, quantity, unit, reason)


def _quantity(hanging: Hanging, room: Room) -> tuple[int, str]:
    if not isinstance(hanging.part, Flooring):
        return 1, ""
    unit = "packs" if isinstance(hanging.part, FloorTiles) else "m of roll"
    return floor_cover(hanging.part, room).units, unit


def _plan_line(hanging: Hanging, plan: Plan, brief: Brief, chain: Chain) -> Line:
    nothing = Money(0, brief.currency)
    label = f"{hanging.part.name}: plan {plan.name}"
    if _bundled(hanging, chain):
        return Line(hanging.slot, label, Payment.BUNDLED, nothing, nothing)
    if plan.billing is Billing.FREE:
        return Line(hanging.slot, label, Payment.FREE, nothing, nothing)
    try:
        price = known(plan.price, hanging.part, f"price of plan {plan.name}")
        once = in_currency(price, brief) if plan.billing is Billing.ONCE else nothing
        return Line(hanging.slot, label, Payment.LIST_PRICE, once, yearly_fee(plan, brief))
    except MissingFact as missing:
        return Line(hanging.slot, label, Payment.LIST_PRICE, None, None, missing=missing)


def _bundled(hanging: Hanging, chain: Chain) -> bool:
    monitor = chain.at(Slot.MONITOR)
    plan = monitor.plan if monitor else None
    return isinstance(plan, MonitorPlan) and hanging.part.id in plan.bundled_titles


def _connector_lines(title: Title, brief: Brief, chain: Chain) -> Iterator[Line]:
    monitor = chain.at(Slot.MONITOR)
    links = [link for link in title.monitor_links if monitor and link.monitor == monitor.part.id]
    for link in links:
        if link.connector_price is None:
            continue
        label = f"{title.name}: connector"
        try:
            price = in_currency(link.connector_price, brief)
            yield Line(Slot.TITLE, label, Payment.LIST_PRICE, price, Money(0, brief.currency))
        except MissingFact as missing:
            yield Line(Slot.TITLE, label, Payment.LIST_PRICE, None, None, missing=missing)
