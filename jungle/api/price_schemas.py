"""What goes in and out of the endpoints of prices over time."""

from enum import StrEnum
from typing import Annotated

from ninja import Schema
from pydantic import ConfigDict, StringConstraints

Reason = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=200)]


class Struck(Schema):
    """Why an observation is believed no more."""

    model_config = ConfigDict(extra="forbid")

    reason: Reason


class SeenChange(StrEnum):
    """What somebody does about an observation that is doubted."""

    BRING_BACK = "bring-back"
    CONFIRM = "confirm"


class SeenPrice(Schema):
    """A price as it was seen, from the first look to the last one that found the same."""

    id: int
    shop: str
    sold_as: str
    price: str
    in_stock: bool
    first_seen: str
    last_seen: str
    source: str
    held_back: str
    """Why it is not believed until somebody confirms it."""
    struck: str
    """Why somebody struck it out."""


class PriceLog(Schema):
    """What was seen of one part, the newest first; at most so many."""

    seen: list[SeenPrice]
    most: int
