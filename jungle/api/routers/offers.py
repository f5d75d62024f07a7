"""What may be done about what is not clear: looked at, and pressed."""

from typing import Annotated, Any

from ninja import Query, Router

from core.formats.report_json.offers import offer_json
from core.model.build import Slot
from core.report.routes import RouteKind
from jungle.api.replies import edit_on, send, show
from jungle.api.requests import SignedIn
from jungle.api.routers.builds import EDIT_REPLIES
from jungle.api.schemas import Offers, Press, Problems
from jungle.builds.services import pressing
from jungle.builds.services.editing import find_build
from jungle.builds.services.people import units_of

router = Router(tags=["offers"])
Subject = Annotated[str, Query(max_length=120)]
NOT_THERE: dict[int, Any] = {404: Problems, 422: Problems}


@router.get("/{int:build_id}/verdicts/{check_id}/offers", response={200: Offers, **NOT_THERE})
def list_offers(request: SignedIn, build_id: int, check_id: str, subject: Subject = "") -> Any:
    """What may be done about a verdict, and what each does to the rest."""
    design, units = find_build(build_id, request.user).design, units_of(request.user)
    found = pressing.offered(request.user, design, check_id, subject)
    return send(Offers.model_construct(offers=[offer_json(offer, units) for offer in found]))


@router.post("/{int:build_id}/verdicts/{check_id}/offers", response=EDIT_REPLIES)
def press_offer(request: SignedIn, build_id: int, check_id: str, body: Press, subject: Subject = "") -> Any:
    """Do one of them."""
    return show(request, pressing.press_offer(edit_on(request, build_id, body), check_id, subject, body.words))


@router.get("/{int:build_id}/spots", response={200: Offers, **NOT_THERE})
def list_spots(request: SignedIn, build_id: int) -> Any:
    """Where the ball may be put, and what that does to the rest."""
    units = units_of(request.user)
    found = pressing.spots(request.user, find_build(build_id, request.user))
    return send(Offers.model_construct(offers=[offer_json(offer, units) for offer in found]))


@router.post("/{int:build_id}/spots", response=EDIT_REPLIES)
def press_spot(request: SignedIn, build_id: int, body: Press) -> Any:
    """Put the ball on one of them."""
    return show(request, pressing.press_spot(edit_on(request, build_id, body), body.words))


@router.post("/{int:build_id}/why-not/{part_id}/admit", response=EDIT_REPLIES)
def admit(request: SignedIn, build_id: int, part_id: str, body: Press) -> Any:
    """Hang a part that was ruled out, with a change that admits it; with all that do together where none is named."""
    return show(request, pressing.admit(edit_on(request, build_id, body), part_id, body.words))


@router.post("/{int:build_id}/chain/{slot}/routes/{kind}", response=EDIT_REPLIES)
def take_route(request: SignedIn, build_id: int, slot: Slot, kind: RouteKind, body: Press) -> Any:
    """Come by what hangs there that way."""
    return show(request, pressing.take_route(edit_on(request, build_id, body), slot, kind))
