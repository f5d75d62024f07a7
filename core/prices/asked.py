"""What one shop asked for one part in one condition, day by day."""

from dataclasses import dataclass

from core.model.shops import SoldAs
from core.prices.history import Floats


@dataclass(frozen=True, eq=False)
class Asked:
    """A series of prices, in minor units of the shop's own currency."""

    part: str
    shop: str
    sold_as: SoldAs
    currency: str
    tax_included: bool
    days: Floats
    """`SOLD_OUT` on days on which it could not be had, not a number where nobody knows."""
    observations: int = 1
    """How many these days rest on."""
