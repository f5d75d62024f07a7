"""The sample shops' catalogues as sources that are read once a day."""

from urllib.parse import urlsplit

from django.contrib.auth.models import User

from jungle.market.models import KnownMarket, PriceSource
from jungle.standins.rates_desk import RATES_AT
from jungle.standins.servers import LOOPBACK, PLACES, RATES
from jungle.standins.shop_front import CATALOGUE_AT

READ_EVERY_HOURS = 24


def adopt_sample_sources(actor: User, first_port: int) -> None:
    """Have the stand-ins' catalogues read that were never taken out; one that stands elsewhere now is read there."""
    fresh = not actor.price_sources.exists() and not actor.rounds.exists()
    held = {(source.shop, urlsplit(source.address).path): source for source in actor.price_sources.all()}
    for place, path in {**CATALOGUE_AT, RATES: RATES_AT}.items():
        address = f"http://{LOOPBACK}:{first_port + PLACES.index(place)}{path}"
        shop = "" if place == RATES else place
        source = held.get((shop, path))
        if source is not None and urlsplit(source.address).hostname == LOOPBACK:
            PriceSource.objects.filter(pk=source.pk).update(address=address)
        elif fresh:
            PriceSource.objects.create(owner=actor, shop=shop, address=address, private=True)
    if fresh:
        KnownMarket.objects.filter(pk=actor.pk).update(read_every_hours=READ_EVERY_HOURS)
