"""What a person does with shops and offers: enter, change and drop them, take files in, undo and redo."""

from collections.abc import Callable, Iterable, Mapping
from contextlib import suppress
from dataclasses import dataclass
from datetime import date
from enum import StrEnum
from typing import NamedTuple

from django.contrib.auth.models import User
from django.db import transaction
from django.utils import timezone
from pydantic import ValidationError

from core.formats.offers_csv import OfferRow, offer_rows
from core.formats.price_list import PriceTable
from core.formats.shops_csv import ShopRow, are_shops, shop_rows
from core.formats.shops_file import ShopsFile
from core.model.observation import FIRST_DAY, Look, Source
from core.model.shop_forms import check_currency, offer_from, shop_from
from core.model.shops import MOST_OFFERS, Market, Offer, Shop
from core.model.typed import FieldErrors
from core.quantities import UnitSystem
from jungle.catalogue.sheets import new_id
from jungle.market.models import MarketEdit, What
from jungle.market.said import say, take_back
from jungle.market.terms import Documents, Key, MarketMoved, documents_of, market_of, revision_of, store

Typed = Mapping[str, object]


class NoSuchTerm(LookupError):
    """There is no such shop or offer."""


class StaleMarket(Exception):
    """Shops and offers were changed since they were seen."""

    def __init__(self) -> None:
        super().__init__("Shops and offers were changed in another window. Look at them again first.")


class NothingToStep(LookupError):
    """There is no edit to go back to, or to make again."""


@dataclass(frozen=True)
class By:
    """Who changes shops and offers, the revision that they saw, and how they type."""

    actor: User
    revision: int | None = None
    units: UnitSystem = UnitSystem.METRIC


class Standing(StrEnum):
    """How a shop or an offer in a file stands to what is known."""

    NEW = "new"
    CHANGED = "changed"
    SAME = "same"


class FileRow(NamedTuple):
    """A shop or an offer of a file, and what taking it does; or what is wrong with it."""

    line: int
    """Where it stands in a table; 0 in a file that has no lines."""
    term: Shop | Offer | None
    standing: Standing | None
    problem: str = ""


def shop_as_typed(by: By, typed: Typed) -> Shop:
    """A new shop as it would be entered; nothing is stored. Raises `FieldErrors`."""
    return shop_from(new_id("shop"), typed, None, by.units)


def add_shop(by: By, typed: Typed) -> Shop:
    """A shop. Raises `FieldErrors`."""
    shop = shop_as_typed(by, typed)
    _change(by, f"Added {shop.name}", lambda market: [shop])
    return shop


def change_shop(by: By, shop_id: str, typed: Typed) -> Shop:
    """Other terms for a shop. Raises `FieldErrors`, `NoSuchTerm`."""
    before = find_shop(market_of(by.actor.pk), shop_id)
    shop = shop_from(shop_id, typed, before, by.units)
    if shop.currency != before.currency and any(o.shop == shop_id for o in market_of(by.actor.pk).offers):
        raise FieldErrors([("currency", shop.currency, f"{before.currency}, in which its offers are told")])
    _change(by, f"Terms of {shop.name}", lambda market: [shop])
    return shop


def drop_shop(by: By, shop_id: str) -> None:
    """Take a shop out, with all that it offers."""
    shop = find_shop(market_of(by.actor.pk), shop_id)
    offers = [(What.OFFER, o.id) for o in market_of(by.actor.pk).offers if o.shop == shop_id]
    _change(by, f"Took {shop.name} out", lambda market: [], gone=[(What.SHOP, shop_id), *offers])


def add_offer(by: By, shop_id: str, typed: Typed, day: date) -> Offer:
    """An offer of a shop. Raises `FieldErrors`, `NoSuchTerm`."""
    market = market_of(by.actor.pk)
    if len(market.offers) >= MOST_OFFERS:
        raise FieldErrors([("part", f"{typed.get('part', '')}", f"at most {MOST_OFFERS} offers in all")])
    shop = find_shop(market, shop_id)
    offer = offer_from(new_id("offer"), shop, typed, None, day, by.units)
    _change(by, f"An offer of {shop.name}", lambda market: [offer])
    return offer


def change_offer(by: By, offer_id: str, typed: Typed, day: date) -> Offer:
    """Other facts for an offer. Raises `FieldErrors`, `NoSuchTerm`."""
    market = market_of(by.actor.pk)
    before = find_offer(market, offer_id)
    shop = find_shop(market, before.shop)
    offer = offer_from(offer_id, shop, typed, before, day, by.units)
    _change(by, f"An offer of {shop.name}", lambda market: [offer])
    return offer


def drop_offer(by: By, offer_id: str) -> None:
    """Take an offer out. Raises `NoSuchTerm`."""
    find_offer(market_of(by.actor.pk), offer_id)
    _change(by, "Took an offer out", lambda market: [], gone=[(What.OFFER, offer_id)])


def file_rows(owner_id: int, file: ShopsFile) -> tuple[FileRow, ...]:
    """What taking a shops file in does, one by one; nothing is stored."""
    market = market_of(owner_id)
    shops = {**market.shop_by_id, **{shop.id: shop for shop in file.shops}}
    held: Mapping[str, Shop | Offer] = {**market.shop_by_id, **{offer.id: offer for offer in market.offers}}
    rows = [FileRow(0, shop, _standing(shop, market.shop_by_id.get(shop.id))) for shop in file.shops]
    for offer in file.offers:
        known = held.get(offer.id)
        problem = _problem(offer, shops)
        rows.append(FileRow(0, None if problem else offer, None if problem else _standing(offer, known), problem))
    return tuple(rows)


def table_rows(owner_id: int, table: PriceTable) -> tuple[FileRow, ...]:
    """What taking a table of offers, or of shops, in does, row by row; nothing is stored. Raises `BadFile`."""
    market = market_of(owner_id)
    if are_shops(table):
        return tuple(_shop_row(row, market.shop_by_id) for row in shop_rows(table, market.shop_by_id))
    offers = {offer.id: offer for offer in market.offers}
    return tuple(_table_row(row, offers) for row in offer_rows(table, market.shop_by_id))


def take(by: By, rows: Iterable[FileRow], label: str) -> int:
    """Take in what nothing is wrong with and what is not the same already; answers how many.

    Raises `FieldErrors` where there would be too many offers.
    """
    wanted = [row.term for row in rows if row.term is not None and row.standing is not Standing.SAME]
    ids = {offer.id for offer in market_of(by.actor.pk).offers}
    ids |= {term.id for term in wanted if isinstance(term, Offer)}
    if len(ids) > MOST_OFFERS:
        raise FieldErrors([("file", f"{len(ids)} offers", f"at most {MOST_OFFERS} in all")])
    if wanted:
        _change(by, label, lambda market: wanted, source=Source.FILE)
    return len(wanted)


def undo(by: By) -> None:
    """Take the newest edit back. Raises `NothingToStep`, `StaleMarket`."""
    _step(by, undone=False)


def redo(by: By) -> None:
    """Make the edit again that was undone last. Raises `NothingToStep`, `StaleMarket`."""
    _step(by, undone=True)


def edit_labels(owner_id: int) -> tuple[str, str]:
    """What undo would take back and redo make again; empty where there is nothing."""
    newest, undone = _edit_at(owner_id, undone=False), _edit_at(owner_id, undone=True)
    return newest.label if newest else "", undone.label if undone else ""


def find_shop(market: Market, shop_id: str) -> Shop:
    """The shop of that id. Raises `NoSuchTerm`."""
    if shop := market.shop_by_id.get(shop_id):
        return shop
    raise NoSuchTerm(f"There is no shop '{shop_id}'.")


def find_offer(market: Market, offer_id: str) -> Offer:
    """The offer of that id. Raises `NoSuchTerm`."""
    if offer := market.offer_by_id.get(offer_id):
        return offer
    raise NoSuchTerm(f"There is no offer '{offer_id}'.")


@transaction.atomic
def _change(
    by: By,
    label: str,
    decide: Callable[[Market], Iterable[Shop | Offer]],
    gone: Iterable[Key] = (),
    source: Source = Source.TYPED,
) -> None:
    """What `decide` says in place of what was there, and without what is `gone`, as one edit. Prices are remembered."""
    owner_id = by.actor.pk
    revision = revision_of(owner_id)
    if by.revision is not None and by.revision != revision:
        raise StaleMarket
    after = {_key(term): term.model_dump_json() for term in decide(market_of(owner_id))}
    after.update(dict.fromkeys(gone, ""))
    before = _stored(owner_id, revision, after, label)
    say(owner_id, _said(before, after, source))


def _stored(owner_id: int, revision: int, after: Documents, label: str | None) -> Documents:
    """What stood there before."""
    before = documents_of(owner_id, after)
    try:
        store(owner_id, revision, before, after, label)
    except MarketMoved as moved:
        raise StaleMarket from moved
    return before


def _said(before: Documents, after: Documents, source: Source) -> list[Look]:
    """What offers say of prices in `after` that they did not say `before`."""
    offers = [key for key in after if key[0] is What.OFFER]
    said = ((_look(before.get(key, ""), source), _look(after[key], source)) for key in offers)
    return [now for was, now in said if now is not None and now != was]


def _look(document: str, source: Source) -> Look | None:
    # One that cannot be read says nothing.
    offer = None
    with suppress(ValidationError):
        offer = Offer.model_validate_json(document) if document else None
    if offer is None or offer.price.minor == 0 or not FIRST_DAY <= offer.seen <= timezone.localdate():
        return None
    facts = {"part": offer.part, "shop": offer.shop, "sold_as": offer.sold_as, "in_stock": offer.in_stock}
    return Look(price=offer.price, day=offer.seen, source=source, address=offer.address[:120], **facts)


@transaction.atomic
def _step(by: By, *, undone: bool) -> None:
    owner_id = by.actor.pk
    revision = revision_of(owner_id)
    if by.revision is not None and by.revision != revision:
        raise StaleMarket
    edit = _edit_at(owner_id, undone=undone)
    if edit is None:
        raise NothingToStep(f"There is nothing to {'redo' if undone else 'undo'} among shops and offers.")
    touched = list(edit.touched.all())
    before = {(What(each.what), each.term_id): each.before for each in touched}
    after = {(What(each.what), each.term_id): each.after for each in touched}
    _stored(owner_id, revision, after if undone else before, None)
    (say if undone else take_back)(owner_id, _said(before, after, Source.TYPED))
    MarketEdit.objects.filter(pk=edit.pk).update(undone=not undone)


def _edit_at(owner_id: int, *, undone: bool) -> MarketEdit | None:
    edits = MarketEdit.objects.filter(owner_id=owner_id, undone=undone)
    return edits.order_by("pk" if undone else "-pk").first()


def _key(term: Shop | Offer) -> Key:
    return (What.SHOP if isinstance(term, Shop) else What.OFFER, term.id)


def _standing(term: Shop | Offer, known: Shop | Offer | None) -> Standing:
    if known is None:
        return Standing.NEW
    return Standing.SAME if known == term else Standing.CHANGED


def _problem(offer: Offer, shops: Mapping[str, Shop]) -> str:
    shop = shops.get(offer.shop)
    if shop is None:
        return f"shop '{offer.shop}' is neither in the file nor known; accepted: {', '.join(shops) or 'none yet'}"
    try:
        check_currency(offer, shop)
    except FieldErrors as errors:
        return str(errors)
    return ""


def _shop_row(row: ShopRow, known: Mapping[str, Shop]) -> FileRow:
    if row.shop is None:
        return FileRow(row.line, None, None, row.problem)
    return FileRow(row.line, row.shop, _standing(row.shop, known.get(row.shop.id)))


def _table_row(row: OfferRow, known: Mapping[str, Offer]) -> FileRow:
    if row.offer is None:
        return FileRow(row.line, None, None, row.problem)
    return FileRow(row.line, row.offer, _standing(row.offer, known.get(row.offer.id)))
