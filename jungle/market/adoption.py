"""The sample world's shops and offers, as if they had been seen today."""

from contextlib import suppress
from datetime import date, timedelta
from functools import lru_cache
from pathlib import Path

from django.contrib.auth.models import User
from django.utils import timezone

from core.formats.offers_csv import offer_rows
from core.formats.price_list import read_table
from core.formats.shops_file import read_shops_file
from core.model.observation import Look, Source
from core.model.parts.price import Price
from core.model.shops import Market, Offer
from jungle.market.models import KnownMarket, What
from jungle.market.observing import Recorded, record
from jungle.market.sample_prices import as_asked, sample_looks
from jungle.market.terms import MarketMoved, market_of, revision_of, store

ATTEMPTS = 3
MISREAD = "greywold-softfair"
DEMO = Path(__file__).resolve().parent.parent / "demo"


def adopt_sample_shops(actor: User) -> None:
    """Put the sample shops and offers into what somebody knows, where nothing was ever known."""
    if revision_of(actor.pk) == 0:
        market = sample_market(timezone.localdate())
        shops = {(What.SHOP, shop.id): shop.model_dump_json() for shop in market.shops}
        offers = {(What.OFFER, offer.id): offer.model_dump_json() for offer in market.offers}
        store(actor.pk, 0, {}, {**shops, **offers}, None)


def adopt_sample_prices(actor: User, today: date) -> Recorded | None:
    """Put what was seen of the sample offers into what somebody knows; `None` where anything was seen ever before."""
    if actor.price_series.exists():
        return None
    recorded = record(actor.pk, sample_looks(listed_market(today).offers, today))
    record(actor.pk, [_misread(today)], {MISREAD: "Softfair"})
    return recorded


def _misread(today: date) -> Look:
    """Something small that somebody took for the mat: held back until it is confirmed."""
    return Look(
        part=MISREAD,
        shop="codling-pike",
        price=Price(minor=1290),
        day=today,
        source=Source.FILE,
        name="Swatch of a mat",
    )


def adopt_terms(actor: User, brought: Market) -> None:
    """Shops and offers that came with a build, where nothing of that id is known: what is known stays as it is."""
    for _ in range(ATTEMPTS):
        revision, known = revision_of(actor.pk), market_of(actor.pk)
        shops = [shop for shop in brought.shops if shop.id not in known.shop_by_id]
        offers = [offer for offer in brought.offers if offer.id not in known.offer_by_id]
        told = {(What.SHOP, shop.id): shop.model_dump_json() for shop in shops}
        told |= {(What.OFFER, offer.id): offer.model_dump_json() for offer in offers}
        with suppress(MarketMoved):
            if told:
                store(actor.pk, revision, {}, told, "Shops that came with a build")
            return


def forget_market(actor: User) -> None:
    """Leave nothing of what somebody knows of shops, as if it had never been known."""
    actor.terms.all().delete()
    actor.market_edits.all().delete()
    actor.price_series.all().delete()
    actor.rounds.all().delete()
    actor.price_sources.all().delete()
    KnownMarket.objects.filter(pk=actor.pk).delete()


@lru_cache(maxsize=2)
def sample_market(today: date) -> Market:
    """The sample shops and offers, seen so much later that the newest was seen `today`, at what is asked then."""
    listed = listed_market(today)
    return Market(listed.shops, tuple(as_asked(offer, today) for offer in listed.offers))


def listed_market(today: date) -> Market:
    """As `sample_market`, at what each offer is usually asked for: what its market begins with."""
    shops = read_shops_file((DEMO / "shops.json").read_bytes()).shops
    rows = offer_rows(read_table((DEMO / "offers.csv").read_bytes()), {shop.id: shop for shop in shops})
    offers = [row.offer for row in rows if row.offer is not None]
    later = today - max(offer.seen for offer in offers)
    return Market(shops, tuple(_moved(offer, later) for offer in offers))


def _moved(offer: Offer, later: timedelta) -> Offer:
    until = offer.good_until + later if offer.good_until else None
    return offer.model_copy(update={"seen": offer.seen + later, "good_until": until})
