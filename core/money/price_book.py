"""The price book: what a part or a plan costs, in which quantity, on which day. Money learns prices here alone."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from datetime import date
from functools import cached_property

from core.model.chain import plans_of
from core.model.facts import not_stated
from core.model.parts import Part, Plan, Price


@dataclass(frozen=True)
class PriceBook:
    """Prices by what they are of, as they were known on `day`; `None` for one that nobody has stated."""

    prices: tuple[tuple[str, Price | None], ...]
    day: date | None = None

    def unit_price(self, part: Part, quantity: int = 1) -> Price:
        """What one of `part` costs where `quantity` are bought. Raises `MissingFact`."""
        price = self._by_key.get(part.id)
        if price is None:
            raise not_stated(part, "price")
        return price

    def plan_price(self, part: Part, plan: Plan) -> Price:
        """What one period of `plan`, or its single payment, costs. Raises `MissingFact`."""
        price = self._by_key.get(_key(part, plan))
        if price is None:
            raise not_stated(plan, "price", part)
        return price

    @cached_property
    def _by_key(self) -> Mapping[str, Price | None]:
        return dict(self.prices)


def price_book_of(parts: Iterable[Part], day: date | None = None) -> PriceBook:
    """The prices on the sheets of `parts`: the same for every quantity, and on every day."""
    prices: dict[str, Price | None] = {}
    for part in parts:
        prices[part.id] = part.price
        prices.update({_key(part, plan): plan.price for plan in plans_of(part)})
    return PriceBook(tuple(sorted(prices.items(), key=lambda entry: entry[0])), day)


def _key(part: Part, plan: Plan) -> str:
    return f"{part.id}/{plan.id}"
