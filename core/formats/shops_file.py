"""The shops file: shops with their terms and what they offer, as JSON."""

from typing import Literal, Self

from pydantic import Field, ValidationError, model_validator

from core.formats.errors import bad_file
from core.formats.reading import read_json
from core.model.record import Record
from core.model.shops import MOST_OFFERS, MOST_SHOPS, Market, Offer, Shop


class ShopsFile(Record):
    """Shops and offers that travel together; an offer may be of a shop that its reader knows already."""

    format: Literal["jungle-shops"] = "jungle-shops"
    version: Literal[1] = 1
    shops: tuple[Shop, ...] = Field(default=(), max_length=MOST_SHOPS)
    offers: tuple[Offer, ...] = Field(default=(), max_length=MOST_OFFERS)

    @model_validator(mode="after")
    def _distinct_ids(self) -> Self:
        for what, ids in (("shops", [s.id for s in self.shops]), ("offers", [o.id for o in self.offers])):
            twice = sorted({id for id in ids if ids.count(id) > 1}) if len(set(ids)) < len(ids) else []
            if twice:
                raise ValueError(f"{what} share an id: {', '.join(twice[:20])}")
        shops = {shop.id: shop for shop in self.shops}
        for offer in self.offers:
            shop = shops.get(offer.shop)
            if shop is not None and offer.price.currency != shop.currency:
                raise ValueError(f"offer {offer.id} is in {offer.price.currency}, and {shop.id} asks {shop.currency}")
        return self

    @property
    def market(self) -> Market:
        """What it tells of."""
        return Market(self.shops, self.offers)


def read_shops_file(text: str | bytes) -> ShopsFile:
    """The shops and offers in `text`. Raises `BadFile` with every error by its place."""
    try:
        return ShopsFile.model_validate(read_json(text))
    except ValidationError as error:
        raise bad_file(error) from error


def write_shops_file(file: ShopsFile) -> str:
    """`file` as indented JSON; `read_shops_file` gives it back unchanged, unknown fields included."""
    return file.model_dump_json(indent=2) + "\n"
