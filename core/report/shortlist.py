"""Of more candidates than anybody reads, those that are weighed: the nearest in price to what hangs now."""

from collections.abc import Iterable, Mapping

from core.model.build import Build, Slot
from core.model.found import Listed
from core.model.parts import Part
from core.quantities import Money

MOST_WEIGHED = 40
"""Candidates of one place weighed at once: the others are reached by asking for them."""
MOST_WEIGHED_IN_SWING = 20
"""So many where every one of them has all swings measured again: what people stand on, and what is around them."""
IN_SWING = frozenset({Slot.FLOOR, Slot.MAT, Slot.ENCLOSURE})
MOST_JUDGED = 80
"""Candidates of all places together that a search judges at once."""
JUDGED_OF_MANY = 32
"""So many where there are more: a search answers while somebody types."""

MOST_SWAPPED = 24
"""Parts of each place that why-not tries in place of what hangs there."""

Prices = Mapping[Slot, Money]
"""List prices of what hangs."""


def prices_of(build: Build, parts: Mapping[str, Part]) -> Prices:
    """What hangs on the chain of `build` costs, where that is known; `parts` has what hangs."""
    hung = {slot: parts[decided.part].price for slot, decided in build.chain.items() if decided.part in parts}
    return {slot: price.money for slot, price in hung.items() if price is not None}


def weighed_first(candidates: Iterable[Listed], slot: Slot, prices: Prices) -> tuple[str, ...]:
    """Ids of the candidates for `slot` that are weighed when somebody opens it."""
    return nearest_in_price(candidates, slot, prices, MOST_WEIGHED_IN_SWING if slot in IN_SWING else MOST_WEIGHED)


def judged_first(candidates: Iterable[Listed], prices: Prices) -> tuple[str, ...]:
    """Ids of those that hang on the chain; of too many as many of each place, nearest in price.

    A place with fewer leaves its share to the others.
    """
    of_place: dict[Slot, list[Listed]] = {slot: [] for slot in Slot}
    for part in candidates:
        if part.slot is not None:
            of_place[part.slot].append(part)
    most = JUDGED_OF_MANY if sum(map(len, of_place.values())) > MOST_JUDGED else MOST_JUDGED
    chosen: list[str] = []
    for number, slot in enumerate(sorted(of_place, key=lambda slot: len(of_place[slot]))):
        share = (most - len(chosen)) // (len(of_place) - number)
        chosen += nearest_in_price(of_place[slot], slot, prices, share)
    return tuple(chosen)


def swapped_first(candidates: Iterable[Listed], prices: Prices) -> frozenset[str]:
    """Ids of the parts that why-not may hang in place of others: so many of each place, nearest in price."""
    every = tuple(candidates)
    return frozenset(id for slot in Slot for id in nearest_in_price(every, slot, prices, MOST_SWAPPED))


def nearest_in_price(candidates: Iterable[Listed], slot: Slot, prices: Prices, most: int) -> tuple[str, ...]:
    """Ids of the `most` candidates for `slot` nearest in list price to what hangs there now; else the cheapest.

    Amounts of different currencies are not compared: those in another come after, in the order of their ids.
    """
    here = prices.get(slot)

    def distance(part: Listed) -> tuple[int, int, str]:
        if part.price is None:
            return 2, 0, part.id
        if here is None:
            return 0, part.price.minor, part.id
        return (
            (0, abs(part.price.minor - here.minor), part.id)
            if part.price.currency == here.currency
            else (1, 0, part.id)
        )

    nearest = sorted((part for part in candidates if part.slot is slot), key=distance)
    return tuple(part.id for part in nearest[:most])
