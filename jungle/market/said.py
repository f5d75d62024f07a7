"""What somebody says of a price: typed, in a file of offers, or by a receipt. Taken back, it is struck out."""

from collections.abc import Iterable

from django.db import transaction
from django.db.models import QuerySet

from core.model.observation import Look, Source
from jungle.market.models import Observation
from jungle.market.observing import bring_back, record, strike

TAKEN_BACK = "It was taken back."


@transaction.atomic
def say(owner_id: int, looks: Iterable[Look]) -> None:
    """Remember what is said; what was taken back before is brought back."""
    fresh = []
    for look in looks:
        struck = _said(owner_id, look).filter(struck=TAKEN_BACK).first()
        if struck is None:
            fresh.append(look)
        else:
            bring_back(owner_id, struck.pk)
    if fresh:
        record(owner_id, fresh)


@transaction.atomic
def take_back(owner_id: int, looks: Iterable[Look]) -> None:
    """Believe no more what was said, where nobody has seen the same since."""
    for look in looks:
        for observation in _said(owner_id, look).filter(struck="", last_seen=look.day):
            strike(owner_id, observation.pk, TAKEN_BACK)


def _said(owner_id: int, look: Look) -> QuerySet[Observation]:
    said = Observation.objects.filter(
        series__owner_id=owner_id,
        series__part=look.part,
        series__shop=look.shop,
        series__sold_as=look.sold_as,
        minor=look.price.minor,
        currency=look.price.currency,
        tax_included=look.price.tax_included,
        in_stock=look.in_stock,
        first_seen=look.day,
    )
    return said.exclude(source=Source.READING)
