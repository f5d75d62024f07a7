"""The Parts view: the chain and its alternatives."""

from typing import Any

from ninja import Router

from core.formats.report_json import alternative_json
from core.model.build import Slot
from core.report.alternatives import alternatives
from jungle.api.replies import send, show
from jungle.api.requests import SignedIn
from jungle.api.routers.builds import EDIT_REPLIES
from jungle.api.schemas import Alternatives, Change, Decision, Hang, Problems
from jungle.catalogue.models import Part
from jungle.plans.services import chain
from jungle.plans.services.editing import On, find_build
from jungle.plans.services.people import units_of

router = Router(tags=["parts"])


@router.get("/{int:build_id}/chain/{slot}", response={200: Alternatives, 404: Problems, 422: Problems})
def list_alternatives(request: SignedIn, build_id: int, slot: Slot) -> Any:
    """Every candidate for a place, and what it would do there."""
    build, units = find_build(build_id, request.user), units_of(request.user)
    sheets = Part.objects.visible_to(request.user.pk).sheets()
    candidates = [alternative_json(found, units) for found in alternatives(build.plan, sheets, slot)]
    return send(Alternatives.model_construct(revision=build.revision, slot=slot, candidates=candidates))


@router.put("/{int:build_id}/chain/{slot}", response=EDIT_REPLIES)
def hang_part(request: SignedIn, build_id: int, slot: Slot, body: Hang) -> Any:
    """Hang a part."""
    build = chain.hang_part(On(build_id, body.revision, request.user), slot, body.part)
    return show(request, build)


@router.patch("/{int:build_id}/chain/{slot}", response=EDIT_REPLIES)
def decide_on_part(request: SignedIn, build_id: int, slot: Slot, body: Decision) -> Any:
    """Choose a plan, mark as owned, enter a quote."""
    build = chain.decide_on_part(On(build_id, body.revision, request.user), slot, body.changes())
    return show(request, build)


@router.post("/{int:build_id}/chain/{slot}/take-down", response=EDIT_REPLIES)
def take_down(request: SignedIn, build_id: int, slot: Slot, body: Change) -> Any:
    """Take a part off the chain."""
    build = chain.take_down(On(build_id, body.revision, request.user), slot)
    return show(request, build)
