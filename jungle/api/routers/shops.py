"""Shops and what they offer: listed, written, changed; taken in and written out."""

from functools import cache
from typing import Annotated, Any

from django.http import HttpResponse
from django.utils import timezone
from ninja import File, Form, Query, Router, Status
from ninja.files import UploadedFile
from pydantic import TypeAdapter

from core.formats.offers_csv import offers_csv
from core.formats.price_list import read_table
from core.formats.report_json.shops import ShopFormsJson, forms_json, shop_detail_json, shop_json
from core.formats.shops_csv import shops_csv
from core.formats.shops_file import ShopsFile, read_shops_file, write_shops_file
from core.model.shops import Offer, Shop
from jungle.api.replies import send
from jungle.api.requests import SignedIn
from jungle.api.routers.catalogue import FormRevision
from jungle.api.schemas import Problems
from jungle.api.shop_schemas import (
    AtRevision,
    ShopChange,
    ShopDetail,
    ShopRow,
    ShopsList,
    ShopsPreview,
    ShopsStep,
    ShopsTaken,
)
from jungle.builds.services.people import units_of
from jungle.catalogue.models import Entry
from jungle.market import services as market
from jungle.market.services import By, FileRow
from jungle.market.terms import market_of, revision_of

router = Router(tags=["shops"])
REFUSED: dict[int, Any] = {404: Problems, 409: Problems, 422: Problems}


@router.get("", response=ShopsList)
def list_shops(request: SignedIn) -> Any:
    """Every shop with its terms in words."""
    return send(_list(request))


@router.get("/forms", response=ShopFormsJson)
def list_forms(request: SignedIn) -> Any:
    """What the forms of a shop and of an offer ask."""
    return HttpResponse(_forms(), content_type="application/json")


@router.get("/parts", response=list[tuple[str, str]])
def list_parts(request: SignedIn) -> Any:
    """Every part of the catalogue by id and name: what an offer may be of."""
    listed = Entry.objects.visible_to(request.user.pk).listed()
    names = sorted(((part.id, f"{part.maker} {part.name}") for part in listed), key=lambda named: named[1].lower())
    return HttpResponse(TypeAdapter(list[tuple[str, str]]).dump_json(names), content_type="application/json")


@router.post("", response={201: ShopDetail, **REFUSED})
def add_shop(request: SignedIn, body: ShopChange) -> Any:
    """A shop."""
    shop = market.add_shop(_by(request, body), {**body.facts, **body.rows})
    return send(_detail(request, shop.id), 201)


@router.post("/undo", response={200: ShopsList, **REFUSED})
def undo(request: SignedIn, body: ShopsStep) -> Any:
    """Take the newest edit of shops and offers back."""
    market.undo(_by(request, body))
    return send(_list(request))


@router.post("/redo", response={200: ShopsList, **REFUSED})
def redo(request: SignedIn, body: ShopsStep) -> Any:
    """Make the edit again that was undone last."""
    market.redo(_by(request, body))
    return send(_list(request))


@router.get("/file", response={200: Any})
def write_file(request: SignedIn) -> Any:
    """All shops and offers, as a shops file."""
    known = market_of(request.user.pk)
    text = write_shops_file(ShopsFile(shops=known.shops, offers=known.offers))
    return _file(text, "application/json", "shops.json")


@router.get("/offers.csv", response={200: Any})
def write_offers(request: SignedIn) -> Any:
    """All offers, as a table."""
    return _file(offers_csv(market_of(request.user.pk).offers), "text/csv; charset=utf-8", "offers.csv")


@router.get("/shops.csv", response={200: Any})
def write_shops(request: SignedIn) -> Any:
    """All shops with their terms, as a table."""
    return _file(shops_csv(market_of(request.user.pk).shops), "text/csv; charset=utf-8", "shops.csv")


@router.post("/file/preview", response={200: ShopsPreview, 422: Problems})
def preview_file(request: SignedIn, file: File[UploadedFile]) -> Any:
    """What a shops file, or a table of shops or offers, would do; nothing is stored."""
    revision, rows = revision_of(request.user.pk), _rows(request, file)
    return send(ShopsPreview.model_construct(revision=revision, rows=[_row(row) for row in rows]))


@router.post("/file", response={200: ShopsTaken, **REFUSED})
def take_file(request: SignedIn, file: File[UploadedFile], revision: Form[FormRevision | None] = None) -> Any:
    """Take in what nothing is wrong with of a shops file, or a table of shops or offers."""
    by = By(request.user, revision, units_of(request.user))
    taken = market.take(by, _rows(request, file), f"Took in {file.name or 'a file'}")
    return send(ShopsTaken(taken=taken))


@router.get("/{shop_id}", response={200: ShopDetail, **REFUSED})
def read_shop(request: SignedIn, shop_id: str) -> Any:
    """A shop with its terms as they are typed, and all that it offers."""
    return send(_detail(request, shop_id))


@router.patch("/{shop_id}", response={200: ShopDetail, **REFUSED})
def change_shop(request: SignedIn, shop_id: str, body: ShopChange) -> Any:
    """Other terms for a shop."""
    market.change_shop(_by(request, body), shop_id, {**body.facts, **body.rows})
    return send(_detail(request, shop_id))


@router.delete("/{shop_id}", response={204: None, **REFUSED})
def drop_shop(request: SignedIn, shop_id: str, at: Annotated[AtRevision, Query()]) -> Any:
    """Take a shop out, with all that it offers."""
    market.drop_shop(By(request.user, at.revision), shop_id)
    return Status(204, None)


@router.post("/{shop_id}/offers", response={201: ShopDetail, **REFUSED})
def add_offer(request: SignedIn, shop_id: str, body: ShopChange) -> Any:
    """An offer of a shop."""
    market.add_offer(_by(request, body), shop_id, body.facts, timezone.localdate())
    return send(_detail(request, shop_id), 201)


@router.patch("/{shop_id}/offers/{offer_id}", response={200: ShopDetail, **REFUSED})
def change_offer(request: SignedIn, shop_id: str, offer_id: str, body: ShopChange) -> Any:
    """Other facts for an offer."""
    market.change_offer(_by(request, body), offer_id, body.facts, timezone.localdate())
    return send(_detail(request, shop_id))


@router.delete("/{shop_id}/offers/{offer_id}", response={204: None, **REFUSED})
def drop_offer(request: SignedIn, shop_id: str, offer_id: str, at: Annotated[AtRevision, Query()]) -> Any:
    """Take an offer out."""
    market.drop_offer(By(request.user, at.revision), offer_id)
    return Status(204, None)


@cache
def _forms() -> bytes:
    return TypeAdapter(ShopFormsJson).dump_json(forms_json())


def _by(request: SignedIn, body: AtRevision) -> By:
    return By(request.user, body.revision, units_of(request.user))


def _list(request: SignedIn) -> ShopsList:
    known, units = market_of(request.user.pk), units_of(request.user)
    undo_label, redo_label = market.edit_labels(request.user.pk)
    return ShopsList.model_construct(
        shops=[shop_json(shop, known, units) for shop in sorted(known.shops, key=lambda shop: shop.name.lower())],
        offers=len(known.offers),
        undo=undo_label,
        redo=redo_label,
        revision=revision_of(request.user.pk),
    )


def _detail(request: SignedIn, shop_id: str) -> ShopDetail:
    known = market_of(request.user.pk)
    shop = market.find_shop(known, shop_id)
    offered = {offer.part for offer in known.offers if offer.shop == shop_id}
    listed = Entry.objects.visible_to(request.user.pk).named(*offered).listed()
    names = {part.id: f"{part.maker} {part.name}" for part in listed}
    detail = shop_detail_json(shop, known, names, timezone.localdate(), units_of(request.user))
    return ShopDetail.model_construct(detail=detail, revision=revision_of(request.user.pk))


def _rows(request: SignedIn, file: UploadedFile) -> tuple[FileRow, ...]:
    text = file.read()
    if text.lstrip()[:1] == b"{":
        return market.file_rows(request.user.pk, read_shops_file(text))
    return market.table_rows(request.user.pk, read_table(text))


def _row(row: FileRow) -> ShopRow:
    name = row.term.name if isinstance(row.term, Shop) else row.term.part if row.term else ""
    price = row.term.price.told if isinstance(row.term, Offer) else ""
    return ShopRow(line=row.line, name=name, price=price, does=row.standing or "", problem=row.problem)


def _file(text: str, content_type: str, name: str) -> HttpResponse:
    reply = HttpResponse(text, content_type=content_type)
    reply["Content-Disposition"] = f'attachment; filename="{name}"'
    return reply
