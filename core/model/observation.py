"""What was seen of a price: one look at one part in one shop on one day."""

from datetime import date
from enum import StrEnum
from typing import Annotated

from pydantic import AfterValidator, Field

from core.model.parts.base import RefersTo
from core.model.parts.price import Price
from core.model.record import Identifier, Label, Record
from core.model.shops import SoldAs


def _more_than_nothing(price: Price) -> Price:
    if price.minor == 0:
        raise ValueError("must be more than nothing; what cannot be had is out of stock")
    return price


FIRST_DAY = date(2000, 1, 1)
"""Nothing that is sold now was seen before it; a day before it is a slip of the hand."""
PartId = Annotated[Identifier, RefersTo("part")]
ShopId = Annotated[Identifier, RefersTo("shop")]


class Source(StrEnum):
    """Where a price was seen."""

    READING = "reading"
    TYPED = "typed"
    FILE = "file"
    RECEIPT = "receipt"


class Look(Record):
    """One look: what a shop asked for a part in one condition."""

    part: PartId
    shop: ShopId
    sold_as: SoldAs = SoldAs.NEW
    price: Annotated[Price, AfterValidator(_more_than_nothing)]
    in_stock: bool = True
    bulky: bool | None = None
    """The shop charges for it as for something bulky; empty where it does not say."""
    day: Annotated[date, Field(ge=FIRST_DAY)]
    source: Source = Source.TYPED
    address: Label = ""
    """Where it was seen."""
    name: Label = ""
    """What the shop calls it."""
    until_now: SoldAs | None = None
    """In which other condition the shop sold it until now under the same number; empty where that is no other."""
