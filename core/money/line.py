"""One line of the cost of a build, and where its amount comes from."""

from enum import StrEnum
from fractions import Fraction
from typing import NamedTuple

from core.model.build import Slot
from core.model.facts import Missing
from core.model.ledger import Category, line_key
from core.money.fees import Fee
from core.quantities import Money, Quantity

OWN = "own"
"""In place of a part: of building works, and of lines of one's own."""


class Payment(StrEnum):
    """Where the amount of a line comes from."""

    LIST_PRICE = "list price"
    ESTIMATE = "estimate"
    QUOTE = "quote"
    PAID = "paid"
    OWNED = "owned"
    GIFT = "gift"
    BARTER = "barter"
    SAMPLE = "lent sample"
    BUNDLED = "bundled"
    FREE = "free"


STILL_TO_BUY = (Payment.LIST_PRICE, Payment.ESTIMATE, Payment.QUOTE)


class Line(NamedTuple):
    """One line of the cost. An amount that is not known is `None`, and `missing` says why."""

    slot: Slot | None
    """Its place on the chain; `None` for an extra that belongs to no place."""
    label: str
    payment: Payment = Payment.LIST_PRICE
    up_front: Money | None = None
    yearly: Money | None = None
    replacement_value: Money | None = None
    """What something owned is worth."""
    newcomers: Money | None = None
    """What it would cost somebody who owns nothing and was quoted nothing: its worth as typed, else its list price."""
    low: Money | None = None
    high: Money | None = None
    """Between what its amount may be, where that is a guess."""
    part: str = ""
    """Id of the part that it is of; empty for works."""
    quantity: int = 1
    unit: str = ""
    left_over: Quantity | None = None
    """What is left of what is bought: of a pack, a stick or a roll; `None` where nothing is."""
    missing: Missing | None = None
    worth_missing: Missing | None = None
    """Why it is not known what something owned would cost a newcomer."""
    beside: str = ""
    """The extra or small item that it is of; empty for what hangs on the chain."""
    licence: str = ""
    """Id of the plan that it is of; empty for a part itself."""
    stays_behind: bool = False
    """It is cut, laid or used up for this room, and does not go along to the next."""
    fees_a_year: int = 0
    """How often a year it is paid: what is known of its money is of one payment; 0 for what is paid once."""
    fee: Fee | None = None
    """How it is paid over time; `None` for what is paid once, and while its price is not known."""
    category: Category = Category.SMALL_ITEMS
    nice: bool = False
    """It would be nice; else it is essential."""
    later: bool = False
    """A wish, outside today's totals."""
    ordered: bool = False
    """It was ordered, and is not paid yet."""

    @property
    def is_fee(self) -> bool:
        """It is paid again and again."""
        return self.fees_a_year > 0

    @property
    def may_be_bought(self) -> bool:
        """A shop may sell it: a part that nobody has yet, and no plan or fee."""
        return bool(self.part) and self.payment in STILL_TO_BUY and not self.licence and not self.is_fee

    @property
    def payment_due(self) -> Money | None:
        """What is paid at once: all of it, or of a fee the first payment; `None` while nobody knows."""
        if not self.is_fee:
            return self.up_front
        return self.fee.payment(0) if self.fee else None

    @property
    def each(self) -> Money | None:
        """What one of several, or of one unit, comes to; `None` for one alone, and while nobody knows."""
        amount = self.payment_due if self.is_fee else self.up_front
        if amount is None or not amount.minor or self.quantity < 2:
            return None
        return amount.scaled(Fraction(1, self.quantity))

    def fees_in(self, year: int) -> Money | None:
        """What is paid again for `year`, counted from 0; `None` where it is not known."""
        return self.fee.in_year(year) if self.fee else self.yearly

    @property
    def id(self) -> str:
        """What a purchase, a price history or a schedule may name it by: the same for as long as it is there."""
        return f"{self.place}:plan" if self.licence else self.place

    @property
    def place(self) -> str:
        """Where on the chain or beside it the line stands."""
        return self.beside or f"{self.slot}"

    @property
    def key(self) -> str:
        """Under what the ledger keeps it: of this part and this plan, whatever else takes its place."""
        return line_key(self.place, self.part or OWN, self.licence)
