"""A shop's kit beside the same lines bought singly."""

from typing import NamedTuple

from core.model.shops import Bundle, Shop
from core.money.basket import Basket
from core.quantities import Figure, Money, Sentence, say


class Held(NamedTuple):
    """One thing that a kit holds."""

    part: str
    wanted: bool
    """The build still needs it."""
    quantity: int
    single: Money
    """What so many of it cost at the till of that shop by themselves."""


class KitOrOwn(NamedTuple):
    """A kit of a shop, and the same lines of a build without it."""

    shop: Shop
    bundle: Bundle
    held: tuple[Held, ...]
    left_out: tuple[str, ...]
    """Lines of the same categories that the kit does not bring: in both totals."""
    without: tuple[str, ...]
    """Lines of the same categories that nobody offers: in neither."""
    kit: Basket
    """The kit, what it brings that nobody needs, and the cheapest of what it leaves out; delivered."""
    own: Basket
    """The cheapest of each, delivered, the kit not taken."""

    @property
    def saving(self) -> Money:
        """What the kit spares; less than nothing where it is dearer."""
        return self.own.total - self.kit.total

    @property
    def headline(self) -> Sentence:
        """Which of the two to take, and what speaks against it."""
        extra = sum(not each.wanted for each in self.held)
        told: dict[str, Figure] = {"kit": self.bundle.name, "shop": self.shop.name, "saving": self.saving}
        words = "{kit} of {shop} spares {saving}"
        if self.saving.minor < 0:
            told["saving"] = Money(-self.saving.minor, self.saving.currency)
            words = "Your own is {saving} cheaper than {kit} of {shop}"
        elif not self.saving.minor:
            words = "{kit} of {shop} costs as much as your own"
        if extra:
            told["count"] = str(extra)
            words += ", {count} of its things not needed here" if extra > 1 else ", one of its things not needed here"
        return say(words, **told)
