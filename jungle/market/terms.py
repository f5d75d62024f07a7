"""What an owner knows of shops and offers, and the one way in which that changes: on the revision it was seen at."""

import logging
from collections.abc import Iterable, Mapping
from functools import lru_cache
from uuid import UUID, uuid4

from django.db import transaction
from django.utils import timezone

from core.model.shops import Market, Offer, Shop
from jungle.catalogue.bulk import write_rows
from jungle.catalogue.history import EDITS_KEPT, LABEL_LENGTH
from jungle.market.models import KnownMarket, MarketEdit, Term, TouchedTerm, What

MARKETS_KEPT = 4
"""Some two megabytes each, with six hundred offers."""

log = logging.getLogger(__name__)

Key = tuple[What, str]
Documents = Mapping[Key, str]
"""Documents by what and id; empty for one that is not there."""


class MarketMoved(Exception):
    """The shops and offers are not at the revision any more at which something was decided."""


def revision_of(owner_id: int) -> int:
    """The revision of what an owner knows; a new owner's is 0."""
    return KnownMarket.objects.filter(pk=owner_id).values_list("revision", flat=True).first() or 0


def market_of(owner_id: int) -> Market:
    """The shops and offers of an owner; one that cannot be read is left out, and logged."""
    stamp = KnownMarket.objects.filter(pk=owner_id).values_list("stamp", flat=True).first()
    return _market_at(owner_id, stamp) if stamp else Market()


def documents_of(owner_id: int, keys: Iterable[Key]) -> dict[Key, str]:
    """What stands under `keys`; empty where nothing does."""
    wanted = list(keys)
    held = {(What(what), id): document for what, id, document in _rows(owner_id)}
    return {key: held.get(key, "") for key in wanted}


@transaction.atomic
def store(owner_id: int, revision: int, before: Documents, after: Documents, label: str | None) -> None:
    """Make the documents what `after` says, recorded under `label`; with none, nothing is recorded.

    Raises `MarketMoved` where what is known is not at `revision` any more.
    """
    if revision == 0:
        KnownMarket.objects.get_or_create(owner_id=owner_id)
    if not KnownMarket.objects.filter(pk=owner_id, revision=revision).update(
        revision=revision + 1, stamp=uuid4(), changed_at=timezone.now()
    ):
        raise MarketMoved
    terms = Term.objects.visible_to(owner_id)
    for what in What:
        gone = [id for (kind, id), document in after.items() if kind is what and not document]
        for start in range(0, len(gone), 250):
            terms.filter(what=what, term_id__in=gone[start : start + 250]).delete()
    rows = [(owner_id, what.value, id, document) for (what, id), document in after.items() if document]
    write_rows(Term, ("owner", "what", "term_id", "document"), rows, replacing_on=("owner", "what", "term_id"))
    if label is not None:
        _record(owner_id, label, before, after)


def _record(owner_id: int, label: str, before: Documents, after: Documents) -> None:
    edits = MarketEdit.objects.filter(owner_id=owner_id)
    edits.filter(undone=True).delete()
    edit = edits.create(owner_id=owner_id, label=label[:LABEL_LENGTH])
    touched = [(edit.pk, what.value, id, before.get((what, id), ""), after[what, id]) for what, id in after]
    write_rows(TouchedTerm, ("edit", "what", "term_id", "before", "after"), touched)
    old = edits.order_by("-pk").values_list("pk", flat=True)[EDITS_KEPT:]
    edits.filter(pk__in=list(old)).delete()


@lru_cache(maxsize=MARKETS_KEPT)
def _market_at(owner_id: int, stamp: UUID) -> Market:
    shops: list[Shop] = []
    offers: list[Offer] = []
    for what, id, document in _rows(owner_id):
        try:
            if what == What.SHOP:
                shops.append(Shop.model_validate_json(document))
            else:
                offers.append(Offer.model_validate_json(document))
        except ValueError:
            log.exception("The %s %s of owner %s cannot be read", what, id, owner_id)
    return Market(tuple(shops), tuple(offers))


def _rows(owner_id: int) -> Iterable[tuple[str, str, str]]:
    return Term.objects.visible_to(owner_id).values_list("what", "term_id", "document")
