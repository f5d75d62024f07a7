"""Shops, what they ask for parts, and on which terms."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date
from enum import StrEnum
from functools import cached_property
from typing import Annotated, Self

from pydantic import Field, model_validator

from core.model.parts.base import RefersTo
from core.model.parts.price import Price
from core.model.record import (
    Currency,
    Identifier,
    In,
    Kilograms,
    Label,
    MinorMoney,
    Name,
    Number,
    Record,
    Several,
    Whole,
    Word,
)
from core.quantities import Unit

Share = Annotated[Number, In(Unit.SHARE), Field(gt=0, lt=1)]
"""A share of a price, more than nothing and less than all of it."""
PartId = Annotated[Identifier, RefersTo("part")]
ShopId = Annotated[Identifier, RefersTo("shop")]
Days = Annotated[Whole, Field(ge=0, le=3_650)]
MOST_OFFERS = 5000
MOST_SHOPS = 200


def is_over(until: date | None, day: date | None) -> bool:
    """What was good until then is good no more."""
    return until is not None and day is not None and until < day


class SoldAs(StrEnum):
    """In which state a shop sells something."""

    NEW = "new"
    REFURBISHED = "refurbished"
    EX_DISPLAY = "ex-display"
    USED = "used"


class Offer(Record):
    """What one shop asks for one part on one day."""

    id: Identifier
    shop: ShopId
    part: PartId
    price: Price
    """For one, as it stands in the shop: of a sale, the lower one."""
    regular_minor: MinorMoney | None = None
    """What it asks when there is no sale, with tax or before it like the price; empty where there is no sale."""
    sold_as: SoldAs = SoldAs.NEW
    warranty_months: Annotated[Whole, Field(ge=0, le=240)] | None = None
    lead_days: Days | None = None
    """Until it is sent: 0 from stock; empty where the shop does not say."""
    good_until: date | None = None
    in_stock: bool = True
    """It could be had when it was seen last."""
    seen: date
    address: Label = ""
    """Where it was seen."""

    def is_to_be_had(self, day: date | None) -> bool:
        """It is in stock as far as anybody knows, and still good on `day`."""
        return self.in_stock and not is_over(self.good_until, day)

    @model_validator(mode="after")
    def _a_sale_is_lower(self) -> Self:
        if self.regular_minor is not None and self.regular_minor < self.price.minor:
            raise ValueError(f"regular_minor {self.regular_minor} is under the price {self.price.minor}")
        return self


class Code(Record):
    """What is typed at the till for less: a share of each line, or an amount off the order."""

    code: Word
    """As it is typed."""
    share: Share | None = None
    """Of each line that it is good for; else it is an amount off the order."""
    off_minor: Annotated[MinorMoney, Field(gt=0)] | None = None
    least_spend_minor: MinorMoney = 0
    """What the lines it is good for come to before any code."""
    excludes: Several[PartId] = ()
    """Parts that it is not good for."""
    new_only: bool = False
    """It is good for what is sold as new alone."""
    until: date | None = None

    @property
    def name(self) -> str:
        """What it is called by."""
        return self.code

    @model_validator(mode="after")
    def _one_kind(self) -> Self:
        if (self.share is None) is (self.off_minor is None):
            raise ValueError(f"code {self.code} is either a share or an amount off, not both and not neither")
        return self


class Bundle(Record):
    """Parts that cost less together; the saving is lost when one of them leaves."""

    name: Name
    members: Annotated[Several[PartId], Field(min_length=2)]
    saving_minor: Annotated[MinorMoney, Field(gt=0)]
    until: date | None = None


class Rebate(Record):
    """Money that comes back later, for what was bought in this shop alone: pending until it is received."""

    name: Name
    share: Share | None = None
    """Of what its lines come to; else it is an amount."""
    amount_minor: Annotated[MinorMoney, Field(gt=0)] | None = None
    least_spend_minor: MinorMoney = 0
    parts: Several[PartId] = ()
    """What it is good for; everything, where none is named."""
    claim_days: Days | None = None
    """After the purchase, until it must have been claimed."""
    until: date | None = None

    @model_validator(mode="after")
    def _one_kind(self) -> Self:
        if (self.share is None) is (self.amount_minor is None):
            raise ValueError(f"rebate {self.name} is either a share or an amount, not both and not neither")
        return self


class DeliveryFee(Record):
    """What a shop takes for bringing an order: the least of its fees that the order is good for."""

    fee_minor: MinorMoney
    """0 for nothing."""
    most_kg: Kilograms | None = None
    """For orders up to this weight; empty for every weight."""
    from_minor: MinorMoney = 0
    """For orders whose goods come to at least this after codes."""


class Shop(Record):
    """A shop and its terms; amounts are in its currency."""

    id: Identifier
    name: Name
    country: Name
    """Where it sends from."""
    currency: Currency = "EUR"
    tax_included: bool = True
    """Its fees, amounts off and savings are told with tax; each offer says so for itself."""
    codes: Annotated[tuple[Code, ...], Field(max_length=8)] = ()
    """In the order in which it takes them off."""
    codes_at_once: Annotated[Whole, Field(ge=0, le=10)] | None = None
    """How many one order may use; empty for all of them."""
    codes_add_up: bool = False
    """20 % and 10 % are 30 % here; they compound to 28 % where this is not said."""
    bundles: Several[Bundle] = ()
    rebates: Several[Rebate] = ()
    delivery: Several[DeliveryFee] = ()
    """None where it brings everything for nothing."""
    bulky_minor: MinorMoney = 0
    """On top, for an order with something bulky in it, whatever else is free."""
    may_collect: bool = False
    """One may fetch it for nothing."""
    return_days: Days | None = None
    returns_paid: bool | None = None
    """It pays for what is sent back; empty where it does not say."""

    @property
    def must_weigh(self) -> bool:
        """What it brings costs by weight, and cannot be fetched: what nobody has weighed cannot be ordered."""
        return not self.may_collect and any(fee.most_kg is not None for fee in self.delivery)

    @model_validator(mode="after")
    def _names_once(self) -> Self:
        codes, bundles, rebates = ([term.name for term in what] for what in (self.codes, self.bundles, self.rebates))
        for names in (codes, bundles, rebates):
            if len(set(names)) < len(names):
                raise ValueError(f"shop {self.id} has two terms of one name: {', '.join(names)}")
        members = [member for bundle in self.bundles for member in bundle.members]
        if len(set(members)) < len(members):
            raise ValueError(f"shop {self.id} has a part in two bundles, or twice in one: {', '.join(members)}")
        if self.codes_add_up and sum(code.share or 0.0 for code in self.codes) >= 1:
            raise ValueError(f"the codes of shop {self.id} add up to the whole price or more")
        return self


@dataclass(frozen=True)
class Market:
    """Shops and what they offer, as one household knows them."""

    shops: tuple[Shop, ...] = ()
    offers: tuple[Offer, ...] = ()

    @cached_property
    def shop_by_id(self) -> Mapping[str, Shop]:
        """The shops, by their id."""
        return {shop.id: shop for shop in self.shops}

    @cached_property
    def offer_by_id(self) -> Mapping[str, Offer]:
        """The offers, by their id; those of shops that are not there are none."""
        return {offer.id: offer for offer in self.offers if offer.shop in self.shop_by_id}

    @cached_property
    def offers_by_part(self) -> Mapping[str, tuple[Offer, ...]]:
        """What is offered of each part."""
        found: dict[str, list[Offer]] = {}
        for offer in self.offer_by_id.values():
            found.setdefault(offer.part, []).append(offer)
        return {part: tuple(offers) for part, offers in found.items()}
