"""How a household wants to build: the answers of the brief that are choices among words."""

from enum import StrEnum

from core.model.record import Identifier, Name, Record


class TaxTreatment(StrEnum):
    """Whether sales tax is a cost: a business may reclaim it."""

    PAID = "paid"
    RECLAIMED = "reclaimed"


class Valuation(StrEnum):
    """How gifts and owned things count against the cap: what leaves the purse, or what they would cost a newcomer."""

    CASH = "cash"
    NEWCOMER = "newcomer"


class Approach(StrEnum):
    """Buy what will last, or start with the least that works and grow."""

    BUY_ONCE = "buy_once"
    START_SMALL = "start_small"


class Noise(StrEnum):
    """What the house and its neighbours put up with."""

    ANY = "any"
    DAMPED = "damped"
    QUIET = "quiet"


class Subscriptions(StrEnum):
    """What the household thinks of fees that come again."""

    FINE = "fine"
    RATHER_NOT = "rather_not"
    NEVER = "never"


class Looks(StrEnum):
    """How it shall look: a living room asks for an enclosure, a shed does not."""

    PLAIN = "plain"
    FINISHED = "finished"


class Skill(StrEnum):
    """What the builders do themselves. Mains electrics and opener springs are a licensed trade's, always."""

    TIMBER = "timber"
    SEWING = "sewing"
    CEILING = "ceiling"


class Condition(Record):
    """Something that the household asks for before money is spent, and whether it is met."""

    id: Identifier
    text: Name
    met: bool = False
