"""What a stand-in shop sells on a day: the sample world's offers, at what its market asks then."""

from collections.abc import Iterator
from datetime import date
from functools import cached_property, lru_cache
from typing import NamedTuple
from zlib import crc32

from core.model.parts import Part
from core.model.shops import Offer, Shop
from core.money.shopping import BULKY
from jungle.catalogue.adoption import sample_sheets
from jungle.market.adoption import listed_market
from jungle.market.sample_prices import quotes_of


class Article(NamedTuple):
    """One thing on one day, as the shop knows it."""

    number: str
    """The shop's own; nobody else's."""
    sheet: Part
    offer: Offer
    minor: int
    regular_minor: int
    in_stock: bool

    @property
    def price(self) -> str:
        """What is asked, in figures."""
        return f"{self.minor / 100:.2f}"

    @property
    def is_bulky(self) -> bool:
        """The shop charges for it as for something bulky."""
        return isinstance(self.sheet, BULKY)

    @property
    def path(self) -> str:
        """Where its page is."""
        return f"/things/{self.number.lower()}"


class Goods(NamedTuple):
    """What one shop has on one day."""

    shop: Shop
    day: date
    articles: tuple[Article, ...]

    def at(self, path: str) -> Article | None:
        """The article whose page that is."""
        return next((article for article in self.articles if article.path == path), None)


class SampleGoods:
    """All shops of the sample world on one day."""

    def __init__(self, day: date) -> None:
        self.day = day
        self._market = listed_market(day)

    @cached_property
    def _sheets(self) -> dict[str, Part]:
        return {sheet.id: sheet for sheet in sample_sheets()}

    @lru_cache(maxsize=8)  # noqa: B019 (it lives as long as a day does)
    def of(self, shop_id: str) -> Goods:
        """What the shop of that id has."""
        return Goods(self._market.shop_by_id[shop_id], self.day, tuple(self._articles(shop_id)))

    def _articles(self, shop_id: str) -> Iterator[Article]:
        for offer in self._market.offers:
            if offer.shop == shop_id and offer.part in self._sheets:
                quote = quotes_of(offer, self.day)[-1]
                number = f"{shop_id[:2].upper()}-{crc32(offer.id.encode()) % 1_000_000:06}"
                sheet = self._sheets[offer.part]
                yield Article(number, sheet, offer, quote.minor, quote.regular_minor, quote.in_stock)
