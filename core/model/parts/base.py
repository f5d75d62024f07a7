"""What every part says of itself: who makes it, what it costs, how it is licensed, and where its facts come from.

A fact that a maker does not state is `None`; a check that needs it answers *unknown* and names it.
"""

from datetime import date
from enum import StrEnum
from functools import cache
from typing import Annotated, NamedTuple, Self

from pydantic import Field, model_validator

from core.model.parts.price import Price
from core.model.record import Identifier, In, Kilograms, Label, Name, Note, Number, Pieces, Record, Watts, Whole
from core.quantities import Unit


class RefersTo(NamedTuple):
    """Marks an id as that of another part, one that hangs in `place`."""

    place: str


Shape = Annotated[str, Field(pattern=r"^[1-9][0-9]?:[1-9][0-9]?$")]
MonitorId = Annotated[Identifier, RefersTo("monitor")]
TitleId = Annotated[Identifier, RefersTo("title")]
Year = Annotated[Whole, Field(ge=1990, le=2100)]


class Billing(StrEnum):
    """How a plan is paid for."""

    FREE = "free"
    MONTHLY = "monthly"
    YEARLY = "yearly"
    ONCE = "once"

    @property
    def fees_a_year(self) -> int:
        """How often a year is paid for; 0 for what is free, or paid once."""
        return {Billing.MONTHLY: 12, Billing.YEARLY: 1}.get(self, 0)


class Plan(Record):
    """One way of licensing a title or a monitor's own services."""

    id: Identifier
    """The plan's own name in files."""
    name: Name
    """What its maker calls it."""
    billing: Billing = Billing.FREE
    """How it is paid."""
    price: Price | None = None
    """What one period costs, or the single payment; nothing for a free plan."""
    intro_price: Price | None = None
    """What each of the first payments costs, where a subscription begins lower."""
    intro_payments: Annotated[Pieces, Field(le=60)] | None = None
    """How many payments begin lower; one, where it is not said."""
    months_free: Annotated[Pieces, Field(le=12)] | None = None
    """Months at the beginning that cost nothing."""
    rise_share: Annotated[Number, In(Unit.SHARE), Field(ge=0, le=0.5)] | None = None
    """By how much it is dearer each year; as the brief takes it of all fees, where it is not said."""

    @property
    def told(self) -> str:
        """What it costs, as people say it: how it begins, and what follows."""
        if self.price is None:
            return "free" if self.billing is Billing.FREE else "price not known"
        usual = self.price.told + PERIOD[self.billing]
        if self.intro_price is not None and self.billing.fees_a_year:
            count = self.intro_payments or 1
            payments = "payment" if count == 1 else f"{count} payments"
            usual = f"{self.intro_price.told} for the first {payments}, then {usual}"
        if not self.months_free:
            return usual
        return f"{usual}, {self.months_free} {'month' if self.months_free == 1 else 'months'} free"


PERIOD = {Billing.FREE: "", Billing.MONTHLY: " a month", Billing.YEARLY: " a year", Billing.ONCE: " once"}


class FactSource(Record):
    """Where one fact of a sheet was read, when, and what somebody else says of the same."""

    source: Name
    seen: date | None = None
    """The day on which it was read."""
    other: Label | Annotated[Number, Field(ge=-(10**12), le=10**12)] | None = None
    """What a second source states instead, in the fact's own unit; both are kept, and the conflict is shown."""
    other_source: Label = ""


class Part(Record):
    """What every part says of itself."""

    id: Identifier
    """The part's own name in files; letters, digits and hyphens."""
    maker: Name
    """Who makes it."""
    name: Name
    """What its maker calls it."""
    price: Price | None = None
    """The list price; of a pack, a metre or a stick where the part is sold by these."""
    note: Note = ""
    """One thing a buyer should know."""
    sources: dict[str, FactSource] = {}
    """By field of this sheet: where the fact was read, and when."""

    @model_validator(mode="after")
    def _sources_name_facts(self) -> Self:
        fields = type(self).model_fields
        for name in self.sources:
            if name not in fields and name not in (self.model_extra or {}):
                raise ValueError(f"sources name '{name}', which is no fact of this sheet")
        return self

    @model_validator(mode="after")
    def _distinct_plans(self) -> Self:
        ids = [plan.id for plan in getattr(self, "plans", ())]
        if len(ids) != len(set(ids)):
            raise ValueError("two plans share an id; each needs an id of its own")
        return self


class Device(Part):
    """A part that draws power."""

    power_w: Watts | None = None
    """What it draws from the mains at work; 0 for one that runs off a battery or another device."""


class Weighed(Part):
    """A part whose weight something else has to carry."""

    weight_kg: Kilograms | None = None
    """Its own weight, without what it is fixed with."""


@cache
def kinds_of(kind: type[Part | Plan]) -> tuple[type, ...]:
    """`kind` and what it is a kind of, up to what all parts or plans are."""
    return tuple(base for base in kind.__mro__ if issubclass(base, Part | Plan) and base not in (Part, Plan))
