"""One line of the cost of a build, and where its amount comes from."""

from enum import StrEnum
from typing import NamedTuple

from core.model.build import Slot
from core.model.facts import Missing
from core.quantities import Money


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
