"""Baskets: an order at each shop that something is bought in, what they must keep to, and what a search found."""

from dataclasses import dataclass
from datetime import date

from core.money.order import Order
from core.quantities import Money, Sentence


@dataclass(frozen=True)
class Limits:
    """What a basket must keep to."""

    most_shops: int | None = None
    new_only: bool = False
    here_by: date | None = None
    """Offers without a lead time do not promise it."""
    not_shops: frozenset[str] = frozenset()


NO_LIMITS = Limits()


@dataclass(frozen=True)
class Basket:
    """An order for each shop that something is bought in."""

    orders: tuple[Order, ...]
    choices: tuple[tuple[str, str], ...]
    """Offers by line."""
    currency: str

    @property
    def total(self) -> Money:
        """All of it, delivered."""
        return Money.total([order.total for order in self.orders], self.currency)


class NoBasket(ValueError):
    """No choice of offers keeps to the limits; `lines` are those that no offer is there for, if that is why."""

    def __init__(self, lines: tuple[str, ...]) -> None:
        super().__init__("no offer for " + ", ".join(lines) if lines else "no offers that keep to the limits together")
        self.lines = lines


@dataclass(frozen=True)
class Baskets:
    """What was found for the lines that anybody offers something for."""

    best: Basket | None
    one_shop: Basket | None
    """The cheapest shop that has everything the best basket has; `None` where none has, or the best is of one."""
    one_fewer: Basket | None
    """The best of one shop less; `None` where there is none, or it is that of one shop."""
    without: tuple[str, ...]
    """Lines that no offer within the limits is there for: in none of the baskets."""
    notes: tuple[Sentence, ...]
    """Shops that could not be looked at, and why; and that none has everything."""
