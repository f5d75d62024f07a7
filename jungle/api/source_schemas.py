"""What goes in and out of the endpoints of sources and rounds."""

from typing import Annotated, Literal

from ninja import Schema
from pydantic import ConfigDict, Field, StringConstraints

from core.formats.report_json.sources import UnderstoodJson
from core.model.record import Identifier
from jungle.api.job_schemas import JobNow
from jungle.market.sources import MOST_ADDRESS

Address = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=MOST_ADDRESS)]
Key = Annotated[str, StringConstraints(max_length=120)]
MOST_PARTS = 5000
MOST_FACTS = 20


Word = Annotated[str, StringConstraints(max_length=120)]


class LookAsked(Schema):
    """An address to look at, as one of a shop's that is known, or of one that is entered with it."""

    model_config = ConfigDict(extra="forbid")

    address: Address
    shop: Identifier | Literal[""] = ""
    new_shop: Annotated[dict[Word, Word], Field(max_length=MOST_FACTS)] | None = None
    """What is known of a new shop, as it is typed; instead of one that is entered."""
    private: bool = False
    """Its host may be a private address."""


class SourceAdded(LookAsked):
    """An address to read from now on, after a look at it."""

    parts: Annotated[dict[Key, Identifier | None], Field(max_length=MOST_PARTS)] = {}
    """What things are, by the shop's number, where that is otherwise than they were recognised; nothing for a thing
    that is no part."""


class LookJob(Schema):
    """What was understood of an address, or how far that is; neither where none was looked at yet."""

    job: JobNow | None
    understood: UnderstoodJson | None


class SourceNow(Schema):
    """A source, and how it is with it."""

    id: int
    shop: str
    address: str
    paused: bool
    parts: int
    """So many of its things are parts of the catalogue."""
    read_at: str
    """Empty for one that was never read."""
    failed: str
    """Why it could not be read the last time."""
    silent_days: int | None
    """Since a price was seen in that shop; nothing where none ever was."""
    is_silent: bool
    """For so long that nobody knows its prices any more."""


class ReadingNow(Schema):
    """What came of one source in a round."""

    shop: str
    address: str
    state: str
    words: str
    new: int
    extended: int
    held_back: int


class RoundNow(Schema):
    """A round, and what came of each source in it."""

    id: int
    begun_at: str
    ended_at: str
    """Empty while it goes on."""
    readings: list[ReadingNow]


class SourcesNow(Schema):
    """All sources, the last rounds, and how often they are read."""

    job: JobNow | None
    """Of the round that was asked for last."""
    sources: list[SourceNow]
    rounds: list[RoundNow]
    read_every_hours: int | None


class Schedule(Schema):
    """How often all sources are read; nothing for only when somebody asks."""

    model_config = ConfigDict(extra="forbid")

    read_every_hours: Annotated[int, Field(strict=True, ge=1, le=24 * 30)] | None


class Paused(Schema):
    """Whether rounds leave a source out."""

    model_config = ConfigDict(extra="forbid")

    paused: bool
