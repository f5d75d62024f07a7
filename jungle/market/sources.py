"""Where prices are read: adding a source after a look at what was understood of it, pausing it, taking it out."""

import json
from collections.abc import Mapping, Sequence
from typing import NamedTuple

from core.formats.price_sources.reader import Form, form_of, read_source
from core.formats.price_sources.told import Told
from core.formats.report_json.sources import UnderstoodJson
from core.model.shops import Shop, SoldAs
from core.model.typed import FieldErrors
from core.prices.recognised import Recognition
from jungle.catalogue.models import Entry
from jungle.market.hosts import Allowed, NotFetched, allowed_host, host_of
from jungle.market.models import PriceSource

MOST_SOURCES = 200
MOST_ADDRESS = 400


class NoSuchSource(LookupError):
    """There is no such source."""


class Known(NamedTuple):
    """A thing of a shop that is known: the part that it is, and what the shop called it when that was said."""

    part: str
    name: str
    sold_as: tuple[SoldAs, ...] = ()
    """In which conditions it is sold under that number; none while nobody looked."""

    def until_now(self, sold_as: SoldAs) -> SoldAs | None:
        """In which other condition it was sold, where it was never sold in this one."""
        return self.sold_as[0] if self.sold_as and sold_as not in self.sold_as else None


class Understood(NamedTuple):
    """What a source tells of, and which part each of its things is taken to be."""

    form: Form
    things: tuple[Told, ...]
    parts: Mapping[str, str]
    """By the shop's number; what is not recognised is left out."""


def understood(owner_id: int, content: bytes, content_type: str, shop: Shop | None) -> Understood:
    """What a source that was read, or a page that was saved, tells of. Raises `BadFile`."""
    currency, tax_included = (shop.currency, shop.tax_included) if shop else ("EUR", True)
    things = read_source(content, content_type, currency, tax_included)
    recognition = recognition_for(owner_id)
    parts = {one.key: recognition.part_of(one.key, one.called) for one in things}
    return Understood(form_of(content, content_type), things, {key: part for key, part in parts.items() if part})


def recognition_for(owner_id: int) -> Recognition:
    """Finds the parts of an owner's catalogue by what shops call them."""
    return Recognition(Entry.objects.visible_to(owner_id).listed())


def chosen(found: UnderstoodJson | None, address: str, parts: Mapping[str, str | None]) -> dict[str, Known]:
    """What the things of a source are, as it was understood and as `parts` say it otherwise. Raises `FieldErrors`."""
    if found is None or found.address != address:
        raise FieldErrors([("address", address, "the address that was looked at last")])
    taken = {one.key: parts.get(one.key, one.part or None) for one in found.things}
    sold_as: dict[str, tuple[SoldAs, ...]] = {}
    for one in found.things:
        sold_as[one.key] = (*sold_as.get(one.key, ()), SoldAs(one.condition))
    return {one.key: Known(part, one.called, sold_as[one.key]) for one in found.things if (part := taken[one.key])}


def add_source(owner_id: int, shop_id: str, address: str, private: bool, known: Mapping[str, Known]) -> PriceSource:
    """Read that address from now on, with what its things are known to be. Raises `FieldErrors`."""
    sources = PriceSource.objects.filter(owner_id=owner_id)
    try:
        host_of(address)
    except NotFetched as refusal:
        raise FieldErrors([("address", address, f"a web address. {refusal}")]) from refusal
    if len(address) > MOST_ADDRESS:
        raise FieldErrors([("address", f"{len(address)} characters", f"at most {MOST_ADDRESS}")])
    if sources.filter(address=address).exists():
        raise FieldErrors([("address", address, "an address that is not read already")])
    if sources.count() >= MOST_SOURCES:
        raise FieldErrors([("address", address, f"at most {MOST_SOURCES} sources in all")])
    return sources.create(
        owner_id=owner_id, shop=shop_id, address=address, private=private, known=json.dumps(dict(known))
    )


def find_source(owner_id: int, source_id: int) -> PriceSource:
    """A source of one's own. Raises `NoSuchSource`."""
    source = PriceSource.objects.filter(owner_id=owner_id, pk=source_id).first()
    if source is None:
        raise NoSuchSource("There is no such source.")
    return source


def pause_source(owner_id: int, source_id: int, paused: bool) -> None:
    """Leave a source out of rounds, or read it again. Raises `NoSuchSource`."""
    source = find_source(owner_id, source_id)
    PriceSource.objects.filter(pk=source.pk).update(paused=paused)


def drop_source(owner_id: int, source_id: int) -> None:
    """Read an address no more; what was seen there stays. Raises `NoSuchSource`."""
    find_source(owner_id, source_id).delete()


def hosts_of(sources: Sequence[PriceSource]) -> list[Allowed]:
    """The hosts that their owner has allowed by adding these."""
    return [allowed_host(source.address, source.private) for source in sources]


def known_of(source: PriceSource) -> dict[str, Known]:
    """What a source's things are known to be, by the shop's number."""
    told = json.loads(source.known)
    return {
        key: Known(part, name, tuple(SoldAs(each) for conditions in more for each in conditions))
        for key, (part, name, *more) in told.items()
    }
