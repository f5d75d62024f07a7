"""What is known of the money of each line: guessed, quoted and paid are three different things, kept side by side."""

from collections.abc import Mapping
from datetime import date
from enum import StrEnum
from typing import Annotated, Self
from zlib import crc32

from pydantic import Field, model_validator

from core.model.record import FineMoney, Identifier, In, Label, MinorMoney, Name, Number, Pieces, Record, Whole
from core.quantities import Unit

MOST_ENTRIES = 400
PLACE, OF = "[a-z0-9_-]{1,80}", "[a-z0-9-]{1,80}(:[a-z0-9-]{1,80})?"
LinePlace = Annotated[str, Field(pattern=f"^{PLACE}$")]
"""A place of the chain, an extra, or a small item."""
LineOf = Annotated[str, Field(pattern=f"^{OF}$")]
"""What stands there: a part, with ':sim' for its plan of that name."""
LineKey = Annotated[str, Field(pattern=f"^{PLACE}/{OF}$")]
"""Where a line stands and what it is of: 'monitor/pellworth-bystand', with ':sim' for its plan of that name.

What is said of one part is not said of another that takes its place, and is there again when the first one returns.
"""


Shots = Annotated[Whole, In(Unit.PIECES), Field(ge=1, le=10_000_000)]
ShareLeft = Annotated[Number, In(Unit.SHARE), Field(ge=0, le=1)]


class Category(StrEnum):
    """What kind of thing a line pays for."""

    MONITOR = "monitor"
    SOFTWARE = "software"
    COMPUTING = "computing"
    PICTURE = "picture"
    ENCLOSURE = "enclosure"
    FLOOR = "floor"
    COMFORT = "comfort"
    SMALL_ITEMS = "small items"
    TOOLS = "tools"
    DELIVERY = "delivery"
    WORKS = "building works"
    DECORATION = "decoration"


class CameAs(StrEnum):
    """How something comes that is not bought with money."""

    GIFT = "gift"
    BARTER = "barter"
    SAMPLE = "lent sample"


class Entry(Record):
    """All that is known of the money of one line; amounts are with tax and in the brief's currency.

    Of a fee that comes again they are of one payment.

    The most certain amount counts: paid, quoted, guessed. None overwrites another.
    """

    low_minor: MinorMoney | None = None
    """The least that all of the line is guessed to cost; the likeliest, where empty."""
    likely_minor: MinorMoney | None = None
    """What all of the line is guessed to cost."""
    high_minor: MinorMoney | None = None
    """The most that all of the line is guessed to cost; the likeliest, where empty."""
    guessed_by: Label = ""
    guessed_on: date | None = None
    quote_minor: MinorMoney | None = None
    """What a shop asks."""
    quote_for_each: bool = False
    """It is for one of them; else for all of the line."""
    quote_from: Label = ""
    quoted_on: date | None = None
    quote_until: date | None = None
    """How long it stands."""
    ordered_on: date | None = None
    """The day on which it was ordered, and not paid yet."""
    offer: Identifier | None = None
    """The offer that the quote is of; empty for one that was typed."""
    paid_minor: MinorMoney | None = None
    """What was paid for all of the line."""
    paid_to: Label = ""
    paid_on: date | None = None
    receipt_seen: bool = False
    notice_days: Annotated[Pieces, Field(le=400)] | None = None
    """Of a fee: how many days before it comes again it must be stopped."""
    came_as: CameAs | None = None
    """Empty for what is bought."""
    nice: bool = False
    """It would be nice; else it is essential."""
    later: bool = False
    """A wish: outside today's total, and in the forecast."""

    @model_validator(mode="after")
    def _guessed_in_order(self) -> Self:
        guesses = [minor for minor in (self.low_minor, self.likely_minor, self.high_minor) if minor is not None]
        if guesses and self.likely_minor is None:
            raise ValueError("an estimate needs likely_minor, beside what it costs at least and at most")
        if guesses != sorted(guesses):
            told = f"low {self.low_minor}, likely {self.likely_minor}, high {self.high_minor}"
            raise ValueError(f"an estimate is no higher at its low end and no lower at its high end: {told}")
        return self

    @property
    def says_nothing(self) -> bool:
        """It is as one that was never made."""
        return self == type(self).model_construct()


class OwnLine(Entry):
    """A line of one's own: a carpenter, a skip, paint."""

    id: Identifier
    name: Name
    category: Category
    quantity: Annotated[Pieces, Field(ge=1)] = 1


class Funding(Record):
    """Money that comes in to pay for it: never a discount."""

    id: Identifier
    name: Name
    minor: MinorMoney
    sold: bool = False
    """Something was sold for it; else it was put aside."""
    on: date | None = None
    received: bool = False


class Resale(Record):
    """What things of a category sell for, as shares of their price when new."""

    first_share: ShareLeft | None = None
    """After a year; as the trade has it, where empty."""
    later_share: ShareLeft | None = None
    """What is left of that each year later; as the trade has it, where empty."""


class Ledger(Record):
    """The money of a build, line by line, and what pays for it."""

    entries: Annotated[dict[LineKey, Entry], Field(max_length=MOST_ENTRIES)] = {}
    own: Annotated[tuple[OwnLine, ...], Field(max_length=100)] = ()
    funding: Annotated[tuple[Funding, ...], Field(max_length=100)] = ()
    finished_on: date | None = None
    """The day on which the build was called finished; what comes after it re-opens its total, and is told apart."""
    kilowatt_hour_minor: FineMoney | None = None
    """What a kilowatt-hour of electricity costs."""
    hire_hour_minor: MinorMoney | None = None
    """What an hour in a hired bay costs."""
    shots_an_hour: Annotated[Pieces, Field(ge=1, le=1000)] | None = None
    """Balls struck in an hour of play."""
    shots_a_ball: Shots | None = None
    """Shots that one ball lasts."""
    shots_a_tee: Shots | None = None
    """Shots that one tee lasts."""
    shots_a_mat: Shots | None = None
    """Shots that a mat lasts."""
    shots_a_screen: Shots | None = None
    """Shots that a screen lasts in one place."""
    lamp_share: ShareLeft | None = None
    """What a new lamp costs, as a share of its projector."""
    resale: dict[Category, Resale] = {}
    """By category, where somebody knows better than the trade."""

    def of(self, key: str) -> Entry | None:
        """What is known of a line."""
        return self.entries.get(key)

    def with_parts_named(self, names: Mapping[str, str]) -> "Ledger":
        """The same with its parts under other ids, by their old ones."""
        return self.model_copy(update={"entries": {_renamed(key, names): entry for key, entry in self.entries.items()}})


def line_key(place: str, part: str, plan: str = "") -> str:
    """Under what the ledger keeps a line.

    >>> line_key("monitor", "radar"), line_key("monitor", "radar", "sim")
    ('monitor/radar', 'monitor/radar:sim')
    """
    return f"{place}/{part}" + (f":{plan}" if plan else "")


COURSE = "course"
"""In place of a plan: of a course that is bought by itself."""


def course_place(name: str) -> str:
    """Where the line of a course stands that is bought by itself: the same for as long as it is called so.

    >>> course_place("Old Quarry") == course_place("old quarry"), len(course_place("Old Quarry"))
    (True, 15)
    """
    return f"{COURSE}-{crc32(name.casefold().encode()):08x}"


def _renamed(key: str, names: Mapping[str, str]) -> str:
    place, _, of = key.partition("/")
    part, _, plan = of.partition(":")
    return line_key(place, names.get(part, part), plan)
