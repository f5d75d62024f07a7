"""The Parts view: the chain, its alternatives, and what is bought beside it."""

from typing import Annotated, Any

from django.utils import timezone
from ninja import Query, Router

from core.formats.report_json import WhyNotJson, alternative_json, scene_json, serving_json, why_not_json
from core.formats.report_json.routes import route_json
from core.model.build import Slot
from core.model.filters import FILTERS
from jungle.api.changes import Change
from jungle.api.replies import edit_on, send, show
from jungle.api.requests import SignedIn
from jungle.api.routers.builds import EDIT_REPLIES
from jungle.api.schemas import (
    Alternatives,
    Decision,
    ExtraChange,
    FilterFact,
    Hang,
    NewExtra,
    PlaceFilter,
    Problems,
    Routes,
    ScenePreview,
    SmallChange,
    SmallOptions,
)
from jungle.builds.services import chain, choosing, kit
from jungle.builds.services.editing import find_build
from jungle.builds.services.people import units_of

router = Router(tags=["parts"])
NOT_THERE: dict[int, Any] = {404: Problems, 422: Problems}


@router.get("/{int:build_id}/chain/{slot}", response={200: Alternatives, **NOT_THERE})
def list_alternatives(request: SignedIn, build_id: int, slot: Slot, wanted: Annotated[PlaceFilter, Query()]) -> Any:
    """Every candidate for a place that the filter lets through, and what it would do there."""
    build, units = find_build(build_id, request.user), units_of(request.user)
    weighed, today = choosing.weigh(request.user, build, slot, wanted, usable=wanted.usable), timezone.localdate()
    reply = Alternatives.model_construct(
        revision=build.revision,
        slot=slot,
        candidates=[alternative_json(found, units, today) for found in weighed.alternatives],
        all=weighed.all,
        unweighed=weighed.unweighed,
        kinds=list(weighed.kinds),
        facts=[
            FilterFact.model_construct(
                field=one.field, words=one.words(slot), sense=one.sense, choices=list(one.choices(slot))
            )
            for one in FILTERS[slot]
        ],
    )
    return send(reply)


@router.get("/{int:build_id}/chain/{slot}/drawing/{part_id}", response={200: ScenePreview, **NOT_THERE})
def preview_part(request: SignedIn, build_id: int, slot: Slot, part_id: str) -> Any:
    """The drawing as it would be with a part in a place; nothing is stored."""
    part, scene = choosing.drawn_with(request.user, find_build(build_id, request.user), slot, part_id)
    drawn = scene_json(scene, units_of(request.user))
    return send(ScenePreview.model_construct(part=part_id, name=part.name, scene=drawn))


@router.get("/{int:build_id}/chain/{slot}/routes", response={200: Routes, **NOT_THERE})
def list_routes(request: SignedIn, build_id: int, slot: Slot) -> Any:
    """Ready-made, thrifty by hand, fine by hand: what each costs, takes and asks."""
    build, units = find_build(build_id, request.user), units_of(request.user)
    routes, missing = choosing.routes(request.user, build, slot)
    unknown = f"{missing.fact} is not known. {missing.how}" if missing else ""
    told = [route_json(route, build.design.brief, units) for route in routes]
    return send(Routes.model_construct(routes=told, unknown=unknown))


@router.get("/{int:build_id}/why-not/{part_id}", response={200: WhyNotJson, **NOT_THERE})
def read_why_not(request: SignedIn, build_id: int, part_id: str) -> Any:
    """Which facts rule a part out here, and the smallest change that would admit it."""
    found = choosing.ask_why_not(request.user, find_build(build_id, request.user), part_id)
    return why_not_json(found, units_of(request.user))


@router.put("/{int:build_id}/chain/{slot}", response=EDIT_REPLIES)
def hang_part(request: SignedIn, build_id: int, slot: Slot, body: Hang) -> Any:
    """Hang a part."""
    build = chain.hang_part(edit_on(request, build_id, body), slot, body.part)
    return show(request, build)


@router.patch("/{int:build_id}/chain/{slot}", response=EDIT_REPLIES)
def decide_on_part(request: SignedIn, build_id: int, slot: Slot, body: Decision) -> Any:
    """Choose a plan, mark as owned or locked, enter a quote or what a test showed."""
    build = chain.decide_on_part(edit_on(request, build_id, body), slot, body.changes())
    return show(request, build)


@router.post("/{int:build_id}/chain/{slot}/take-down", response=EDIT_REPLIES)
def take_down(request: SignedIn, build_id: int, slot: Slot, body: Change) -> Any:
    """Take a part off the chain."""
    build = chain.take_down(edit_on(request, build_id, body), slot)
    return show(request, build)


@router.post("/{int:build_id}/small-items/cheapest", response=EDIT_REPLIES)
def take_cheapest(request: SignedIn, build_id: int, body: Change) -> Any:
    """Choose the cheapest part that serves for every small item that is open."""
    return show(request, kit.take_cheapest(edit_on(request, build_id, body)))


@router.get("/{int:build_id}/small-items/{item}", response={200: SmallOptions, **NOT_THERE})
def list_options(request: SignedIn, build_id: int, item: str) -> Any:
    """The parts that could serve for a small item."""
    units = units_of(request.user)
    options = choosing.serving(request.user, find_build(build_id, request.user), item)
    return send(SmallOptions.model_construct(item=item, options=[serving_json(option, units) for option in options]))


@router.put("/{int:build_id}/small-items/{item}", response=EDIT_REPLIES)
def decide_on_item(request: SignedIn, build_id: int, item: str, body: SmallChange) -> Any:
    """Buy, own or strike off a small item."""
    return show(request, kit.decide_on_item(edit_on(request, build_id, body), item, body.changes()))


@router.post("/{int:build_id}/small-items/{item}/reopen", response=EDIT_REPLIES)
def reopen_item(request: SignedIn, build_id: int, item: str, body: Change) -> Any:
    """Forget what was decided about a small item."""
    return show(request, kit.reopen_item(edit_on(request, build_id, body), item))


@router.post("/{int:build_id}/extras", response=EDIT_REPLIES)
def add_extra(request: SignedIn, build_id: int, body: NewExtra) -> Any:
    """Add a part beside the chain."""
    return show(request, kit.add_extra(edit_on(request, build_id, body), body.part))


@router.patch("/{int:build_id}/extras/{extra_id}", response=EDIT_REPLIES)
def change_extra(request: SignedIn, build_id: int, extra_id: str, body: ExtraChange) -> Any:
    """How many, owned or not, and what a shop asks."""
    return show(request, kit.change_extra(edit_on(request, build_id, body), extra_id, body.changes()))


@router.post("/{int:build_id}/extras/{extra_id}/drop", response=EDIT_REPLIES)
def drop_extra(request: SignedIn, build_id: int, extra_id: str, body: Change) -> Any:
    """Take an extra out of the build."""
    return show(request, kit.drop_extra(edit_on(request, build_id, body), extra_id))
