"""What the sample world's shops asked on every day: a market from a seed, which moves on with the days."""

from collections.abc import Iterable, Iterator
from datetime import date, timedelta
from random import Random

from core.model.observation import Look, Source
from core.model.parts.price import Price
from core.model.shops import Offer, SoldAs
from core.prices.simulated import Habit, Quote, market, used_market

SEED = "the sample world"
FIRST = date(2025, 1, 1)
"""On which its market begins; before that nobody asked for anything."""
KNOWN_DAYS = 548
"""A year and a half: what somebody who opens it has seen."""
LOOKS_EVERY_DAYS = 3
TOLD_AGAIN_DAYS = 18
"""A price that stays is told again after so long, so that it is known to have stayed."""
SILENT_SHOP, SILENT_DAYS = "overfen-imports", 61
"""A shop that nobody has heard of for two months."""
HABITS = {
    Habit.REGULAR_SALES: 4,
    Habit.RARE_SALES: 4,
    Habit.DRIFTING_UP: 2,
    Habit.CLEARING_OUT: 1,
    Habit.NO_PATTERN: 2,
}
"""How many of the sample offers move so, one beside the other."""


def quotes_of(offer: Offer, until: date) -> list[Quote]:
    """What a sample offer was asked for on every day from the first of its market to `until`."""
    seed, days = f"{SEED}: {offer.id}", max(1, (until - FIRST).days + 1)
    usual = offer.regular_minor or offer.price.minor
    if offer.sold_as is not SoldAs.NEW:
        return list(used_market(seed, usual, FIRST, days))
    (habit,) = Random(seed).choices(list(HABITS), list(HABITS.values()))
    return list(market(seed, habit, usual, FIRST, days))


def as_asked(offer: Offer, today: date) -> Offer:
    """A sample offer as it is today, or was when its shop was heard of last; sold out, at what was asked before."""
    last = last_heard(offer, today)
    quotes = quotes_of(offer, last)
    quote = next((quote for quote in reversed(quotes) if quote.in_stock), quotes[-1])
    return offer.model_copy(
        update={
            "price": offer.price.model_copy(update={"minor": quote.minor}),
            "in_stock": quotes[-1].in_stock,
            "seen": min(offer.seen, last),
            "regular_minor": quote.regular_minor if quote.regular_minor > quote.minor else None,
        }
    )


def last_heard(offer: Offer, today: date) -> date:
    """The last day on which anybody heard of its shop."""
    return today - timedelta(days=SILENT_DAYS) if offer.shop == SILENT_SHOP else today


def sample_looks(offers: Iterable[Offer], today: date) -> Iterator[Look]:
    """What was seen of sample offers in the year and a half up to today."""
    for offer in offers:
        last = last_heard(offer, today)
        yield from _looks(offer, quotes_of(offer, last), last, today - timedelta(days=KNOWN_DAYS))


def _looks(offer: Offer, quotes: list[Quote], last: date, since: date) -> Iterator[Look]:
    told: Quote | None = None
    told_on = since
    for back in range((len(quotes) - 1) // LOOKS_EVERY_DAYS * LOOKS_EVERY_DAYS, -1, -LOOKS_EVERY_DAYS):
        day, quote = last - timedelta(days=back), quotes[len(quotes) - 1 - back]
        same = told is not None and (quote.minor, quote.in_stock) == (told.minor, told.in_stock)
        if day < since or (same and back and (day - told_on).days < TOLD_AGAIN_DAYS):
            continue
        told, told_on = quote, day
        yield Look(
            part=offer.part,
            shop=offer.shop,
            sold_as=offer.sold_as,
            price=Price(minor=quote.minor, currency=offer.price.currency, tax_included=offer.price.tax_included),
            in_stock=quote.in_stock,
            day=day,
            source=Source.READING,
            address=offer.address,
        )
