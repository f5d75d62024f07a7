"""What goes in and out of the endpoints of shops and of what they offer."""

from typing import Annotated

from ninja import Schema
from pydantic import ConfigDict, Field

from core.formats.report_json.shops import OfferedJson, OrderJson, ShopDetailJson, ShopJson, TakenPriceJson
from core.model.brief import ExchangeRate
from core.model.ledger import MOST_ENTRIES, LineKey
from core.model.record import Identifier
from jungle.api.changes import Change, Revision
from jungle.api.schemas import TypedForm


class AtRevision(Schema):
    """Shops and offers as they were at `revision`."""

    revision: Annotated[int, Field(ge=0, le=2**31)]


class ShopsStep(AtRevision):
    """A change of shops and offers."""

    model_config = ConfigDict(extra="forbid")

    revision: Revision


class ShopChange(TypedForm, ShopsStep):
    """What was typed into the form of a shop, or of an offer."""


class ShopsList(Schema):
    """Every shop, and what undo would take back and redo make again."""

    shops: list[ShopJson]
    offers: int
    undo: str
    redo: str
    revision: int


class ShopDetail(Schema):
    """A shop, and the revision of all of them."""

    detail: ShopDetailJson
    revision: int


class ShopRow(Schema):
    """What a shop or an offer of a file does, or what is wrong with it."""

    line: int
    name: str
    price: str
    does: str
    """`new`, `changed` or `same`."""
    problem: str


class ShopsPreview(Schema):
    """What a file would do."""

    revision: int
    rows: list[ShopRow]


class ShopsTaken(Schema):
    """How many shops and offers were taken in."""

    taken: int


class OfferedLines(Schema):
    """What every shop asks for a line."""

    offers: list[OfferedJson]


class TakenOffers(Schema):
    """The orders that the offers taken make now, and which quotes do not hold any more."""

    orders: list[OrderJson]
    changed: list[TakenPriceJson]
    missing: str


class SampleRates(Schema):
    """Dated rates into the build's currency, to begin with."""

    rates: list[ExchangeRate]


class OffersTaken(Change):
    """Offers to take, by line; none to take one back. Those taken before are told as they are now."""

    choices: Annotated[dict[LineKey, Identifier | None], Field(max_length=MOST_ENTRIES)] = {}
