"""Rounds: each reads every source that is watched once; asked for, or begun by itself every so many hours."""

from datetime import timedelta

from django.db import transaction
from django.utils import timezone

from jungle.market.models import KnownMarket, PriceSource, Reading, Round

ROUNDS_KEPT = 60


def begin_round(owner_id: int) -> Round:
    """A round over all sources that are not paused; the one that is not over yet, where there is one."""
    with transaction.atomic():
        going = Round.objects.filter(owner_id=owner_id, ended_at=None).first()
        if going is not None:
            return going
        begun = Round.objects.create(owner_id=owner_id)
        sources = PriceSource.objects.filter(owner_id=owner_id, paused=False)
        Reading.objects.bulk_create([Reading(round=begun, source=source) for source in sources])
        over = Round.objects.filter(owner_id=owner_id).values_list("pk", flat=True)[ROUNDS_KEPT:]
        Round.objects.filter(pk__in=list(over)).delete()
    return begun


def schedule(owner_id: int, read_every_hours: int | None) -> None:
    """Read all sources every so many hours; only when somebody asks, where none are named."""
    KnownMarket.objects.update_or_create(owner_id=owner_id, defaults={"read_every_hours": read_every_hours})


def read_every_hours(owner_id: int) -> int | None:
    """How often all sources are read."""
    return KnownMarket.objects.filter(pk=owner_id).values_list("read_every_hours", flat=True).first()


def owners_due() -> list[int]:
    """Whose sources are to be read again: whose last round began so long ago as they wish."""
    wishes = KnownMarket.objects.filter(read_every_hours__isnull=False, owner__price_sources__paused=False)
    found = []
    for owner_id, hours in wishes.values_list("owner_id", "read_every_hours").distinct():
        assert hours is not None
        newest = Round.objects.filter(owner_id=owner_id).first()
        if newest is None or timezone.now() - newest.begun_at >= timedelta(hours=hours):
            found.append(owner_id)
    return found
