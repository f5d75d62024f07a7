"""Shops, what they ask for parts, and on which terms."""

from datetime import date
from decimal import Decimal
from enum import StrEnum
from typing import Annotated, Self

from pydantic import Field, model_validator

from core.model.parts.price import Price
from core.model.record import Currency, Identifier, Kilograms, Label, MinorMoney, Name, Record, Several, Whole

Share = Annotated[Decimal, Field(gt=0, lt=1, max_digits=6)]
"""A share of a price, more than nothing and less than all of it."""
Days = Annotated[Whole, Field(ge=0, le=3_650)]


class SoldAs(StrEnum):
    """In which state a shop sells something."""

    NEW = "new"
    REFURBISHED = "refurbished"
    EX_DISPLAY = "ex-display"
    USED = "used"


class Offer(Record):
    """What one shop asks for one part on one day."""

    id: Identifier
    shop: Identifier
    part: Identifier
    price: Price
    """For one, as it stands in the shop: of a sale, the lower one."""
    regular_minor: MinorMoney | None = None
    """What it asks when there is no sale, in the same currency and with tax as `price`; empty where there is none."""
    sold_as: SoldAs = SoldAs.NEW
    warranty_months: Annotated[Whole, Field(ge=0, le=240)] | None = None
    lead_days: Days | None = None
    """Until it is sent: 0 from stock; empty where the shop does not say."""
    good_until: date | None = None
    seen: date
    address: Label = ""
    """Where it was seen."""

    @model_validator(mode="after")
    def _a_sale_is_lower(self) -> Self:
        if self.regular_minor is not None and self.regular_minor < self.price.minor:
            raise ValueError(f"regular_minor {self.regular_minor} is under the price {self.price.minor}")
        return self


class Code(Record):
    """What is typed at the till for less: a share of each line, or an amount off the order."""

    id: Identifier
    share: Share | None = None
    off_minor: Annotated[MinorMoney, Field(gt=0)] | None = None
    least_spend_minor: MinorMoney = 0
    """What the lines it is good for come to before any code."""
    excludes: Several[Identifier] = ()
    """Parts that it is not good for."""
    new_only: bool = False
    """It is good for what is sold as new alone."""
    until: date | None = None

    @model_validator(mode="after")
    def _one_kind(self) -> Self:
        if (self.share is None) is (self.off_minor is None):
            raise ValueError(f"code {self.id} is either a share or an amount off, not both and not neither")
        return self


class Bundle(Record):
    """Parts that cost less together; the saving is lost when one of them leaves."""

    id: Identifier
    name: Name
    members: Annotated[Several[Identifier], Field(min_length=2)]
    saving_minor: Annotated[MinorMoney, Field(gt=0)]
    until: date | None = None


class Rebate(Record):
    """Money that comes back later, for what was bought in this shop alone: pending until it is received."""

    id: Identifier
    name: Name
    share: Share | None = None
    amount_minor: Annotated[MinorMoney, Field(gt=0)] | None = None
    least_spend_minor: MinorMoney = 0
    parts: Several[Identifier] = ()
    """What it is good for; everything, where none is named."""
    claim_days: Days | None = None
    """After the purchase, until it must have been claimed."""
    until: date | None = None

    @model_validator(mode="after")
    def _one_kind(self) -> Self:
        if (self.share is None) is (self.amount_minor is None):
            raise ValueError(f"rebate {self.id} is either a share or an amount, not both and not neither")
        return self


class WeightBand(Record):
    """What delivery costs up to a weight."""

    most_kg: Kilograms | None = None
    """Empty for every weight."""
    fee_minor: MinorMoney


class Delivery(Record):
    """What a shop takes for bringing an order."""

    bands: Several[WeightBand] = ()
    """By weight, the lightest first; none where it brings everything for nothing."""
    bulky_minor: MinorMoney = 0
    """On top, for an order with something bulky in it."""
    free_from_minor: MinorMoney | None = None
    """What the goods must come to after codes for delivery to cost nothing; bulky things are charged still."""
    collection: bool = False
    """One may fetch it for nothing."""

    @model_validator(mode="after")
    def _in_order(self) -> Self:
        weights = [band.most_kg for band in self.bands]
        limits = [kg for kg in weights if kg is not None]
        if None in weights[:-1] or limits != sorted(set(limits)):
            raise ValueError("bands of delivery must grow heavier, and only the last may be for every weight")
        fees = [band.fee_minor for band in self.bands]
        if fees != sorted(fees):
            raise ValueError("bands of delivery must not get cheaper for more weight")
        return self


class Shop(Record):
    """A shop and its terms; amounts are in its currency."""

    id: Identifier
    name: Name
    country: Name
    currency: Currency = "EUR"
    tax_included: bool = True
    """Its fees, amounts off and savings are told with tax; each offer says so for itself."""
    codes: Several[Code] = ()
    """In the order in which it takes them off."""
    codes_at_once: Annotated[Whole, Field(ge=0, le=10)] | None = None
    """How many one order may use; empty for all of them."""
    codes_add_up: bool = False
    """20 % and 10 % are 30 % here; they compound to 28 % where this is not said."""
    bundles: Several[Bundle] = ()
    rebates: Several[Rebate] = ()
    delivery: Delivery = Delivery()
    return_days: Days | None = None
    returns_paid: bool | None = None
    """It pays for what is sent back; empty where it does not say."""

    @model_validator(mode="after")
    def _names_once(self) -> Self:
        for what in (self.codes, self.bundles, self.rebates):
            ids = [term.id for term in what]
            if len(set(ids)) < len(ids):
                raise ValueError(f"shop {self.id} has two terms of one id: {', '.join(ids)}")
        members = [member for bundle in self.bundles for member in bundle.members]
        if len(set(members)) < len(members):
            raise ValueError(f"shop {self.id} has a part in two bundles, or twice in one: {', '.join(members)}")
        if self.codes_add_up and sum((code.share or Decimal(0)) for code in self.codes) >= 1:
            raise ValueError(f"the codes of shop {self.id} add up to the whole price or more")
        return self
