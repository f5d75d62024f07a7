"""A watch: what somebody waits for, up to which price, and until when."""

from datetime import date
from enum import StrEnum
from typing import Annotated

from pydantic import Field

from core.model.record import Currency, MinorMoney, Record, Several
from core.model.shops import ShopId, SoldAs


class WatchKind(StrEnum):
    """What a price is watched of."""

    LINE = "line"
    """A part that a build needs, all of its pieces, delivered by the shop that is cheapest."""
    PLACE = "place"
    """Whatever serves in a place of the chain: the cheapest, delivered, that nothing rules out there."""
    FEE = "fee"
    """A year of a fee."""
    TOTAL = "total"
    """The whole build, what is still to be bought in the best basket, delivered."""


class Watch(Record):
    """What is waited for. A target of nothing is none: it would never be reached."""

    kind: WatchKind
    subject: Annotated[str, Field(max_length=200)] = ""
    """The line, by its key, or the place; empty for the whole build."""
    target_minor: Annotated[MinorMoney, Field(gt=0)]
    currency: Currency
    """Of the build, when it was set."""
    needed_by: date | None = None
    """Empty for the day by which the build is to be playable."""
    sold_as: Several[SoldAs] = ()
    """Only in these conditions; in any, where none is named."""
    shops: Several[ShopId] = ()
    """Only from these shops; from any, where none is named."""

    def allows(self, shop: str, sold_as: SoldAs) -> bool:
        """An offer of that shop, in that condition, counts."""
        return (not self.shops or shop in self.shops) and (not self.sold_as or sold_as in self.sold_as)


def crosses(under: bool, figure_minor: int | None, target_minor: int) -> tuple[bool, bool]:
    """Whether a watch is under its target now, and whether it has just come there.

    While nobody knows the figure it stays as it was: what is sold out for a week and then costs the same is no news.

    >>> crosses(False, 900, 1000), crosses(True, 900, 1000), crosses(True, None, 1000), crosses(True, 1001, 1000)
    ((True, True), (True, False), (True, False), (False, False))
    """
    if figure_minor is None:
        return under, False
    now = figure_minor <= target_minor
    return now, now and not under
