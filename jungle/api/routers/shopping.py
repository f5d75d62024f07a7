"""What shops ask for the lines of a build, and taking their offers."""

from typing import Annotated, Any

from django.utils import timezone
from ninja import Path, Router

from core.formats.report_json.shops import offered_json, order_json, taken_price_json
from core.model.ledger import LineOf, LinePlace
from core.report.shopping import taken_offers
from jungle.api.replies import edit_on, send, show
from jungle.api.requests import SignedIn
from jungle.api.routers.builds import EDIT_REPLIES
from jungle.api.schemas import Problems
from jungle.api.shop_schemas import OfferedLines, OffersTaken, SampleRates, TakenOffers
from jungle.builds.services import shopping
from jungle.builds.services.editing import find_build
from jungle.builds.services.people import units_of
from jungle.market.rates import rates_for

router = Router(tags=["shopping"])


@router.get(
    "/{int:build_id}/money/lines/{place}/{of}/offers", response={200: OfferedLines, 404: Problems, 422: Problems}
)
def list_offers(
    request: SignedIn, build_id: int, place: Annotated[LinePlace, Path()], of: Annotated[LineOf, Path()]
) -> Any:
    """What every shop asks for a line, delivered by itself, the cheapest first."""
    judged, units = find_build(build_id, request.user).judged, units_of(request.user)
    found = shopping.shopping_for(request.user, judged.document, judged.sheets)
    taken = taken_offers(judged.document.ledger).get(f"{place}/{of}")
    names, today = {**found.names, **found.labels}, timezone.localdate()
    offers = shopping.offers_of(found, f"{place}/{of}")
    return send(
        OfferedLines.model_construct(offers=[offered_json(offer, names, taken, today, units) for offer in offers])
    )


@router.get("/{int:build_id}/money/sample-rates", response={200: SampleRates, 404: Problems})
def list_sample_rates(request: SignedIn, build_id: int) -> Any:
    """What other money costs in the build's, by the dated list that was read last, else by one that ships with the
    application."""
    currency = find_build(build_id, request.user).design.brief.currency
    return send(SampleRates.model_construct(rates=list(rates_for(request.user.pk, currency))))


@router.get("/{int:build_id}/money/taken", response={200: TakenOffers, 404: Problems, 422: Problems})
def list_taken(request: SignedIn, build_id: int) -> Any:
    """The orders that the offers taken make now, and which quotes do not hold any more."""
    judged, units = find_build(build_id, request.user).judged, units_of(request.user)
    found = shopping.shopping_for(request.user, judged.document, judged.sheets)
    now = shopping.taken_now(found, judged.document)
    return send(
        TakenOffers.model_construct(
            orders=[order_json(order, found.labels, units) for order in now.orders],
            changed=[taken_price_json(price, found.labels, units) for price in now.changed],
            missing=now.missing,
        )
    )


@router.post("/{int:build_id}/money/offers", response=EDIT_REPLIES)
def take_offers(request: SignedIn, build_id: int, body: OffersTaken) -> Any:
    """Take offers onto lines as their quotes, or take them back."""
    return show(request, shopping.take_offers(edit_on(request, build_id, body), body.choices))
