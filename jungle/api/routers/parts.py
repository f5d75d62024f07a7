"""The Parts view: the chain, its alternatives, and what is bought beside it."""

from typing import Annotated, Any

from django.utils import timezone
from ninja import Query, Router

from core.formats.report_json import WhyNotJson, alternative_json, scene_json, serving_json, why_not_json
from core.formats.report_json.routes import route_json
from core.model.build import Slot, slot_for
from core.model.facts import MissingFact
from core.report import evaluate
from core.report.alternatives import alternatives, hung
from core.report.routes import routes_to
from core.report.shortlist import prices_of, swapped_first, weighed_first
from core.report.small_items import options_for
from core.report.why_not import why_not
from jungle.api.changes import Change
from jungle.api.replies import edit_on, send, show
from jungle.api.requests import SignedIn
from jungle.api.routers.builds import EDIT_REPLIES
from jungle.api.schemas import (
    Alternatives,
    Decision,
    ExtraChange,
    Hang,
    NewExtra,
    PartFilter,
    Problems,
    Routes,
    ScenePreview,
    SmallChange,
    SmallOptions,
)
from jungle.catalogue.finding import found_parts
from jungle.catalogue.models import Entry
from jungle.plans.services import chain, kit
from jungle.plans.services.editing import NothingThere, find_build
from jungle.plans.services.people import units_of

router = Router(tags=["parts"])
NOT_THERE: dict[int, Any] = {404: Problems, 422: Problems}


@router.get("/{int:build_id}/chain/{slot}", response={200: Alternatives, **NOT_THERE})
def list_alternatives(request: SignedIn, build_id: int, slot: Slot, wanted: Annotated[PartFilter, Query()]) -> Any:
    """Every candidate for a place that the filter lets through, and what it would do there."""
    build, units = find_build(build_id, request.user), units_of(request.user)
    plan = build.plan
    owned = Entry.objects.visible_to(request.user.pk)
    here = tuple(owned.of_slots(slot).listed())
    matching = found_parts(here, wanted, plan.brief.currency)
    hung_now = owned.named(*plan.parts_named).sheets()
    chosen = weighed_first(matching, slot, prices_of(plan, hung_now))
    sheets = {**hung_now, **owned.named(*chosen).sheets()}
    today = timezone.localdate()
    asked = [found for found in alternatives(plan, sheets, slot, today) if found.part.id in chosen]
    usable = [found for found in asked if not wanted.usable or found.state.value != "blocked"]
    reply = Alternatives.model_construct(
        revision=build.revision,
        slot=slot,
        candidates=[alternative_json(found, units, today) for found in usable],
        all=len(here),
        unweighed=len(matching) - len(chosen),
        kinds=sorted({part.kind for part in here}),
    )
    return send(reply)


@router.get("/{int:build_id}/chain/{slot}/drawing/{part_id}", response={200: ScenePreview, **NOT_THERE})
def preview_part(request: SignedIn, build_id: int, slot: Slot, part_id: str) -> Any:
    """The drawing as it would be with a part in a place; nothing is stored."""
    build, units = find_build(build_id, request.user), units_of(request.user)
    plan = build.plan
    sheets = Entry.objects.visible_to(request.user.pk).named(*plan.parts_named, part_id).sheets()
    part = sheets.get(part_id)
    if part is None or slot_for(part) is not slot:
        raise NothingThere(f"There is no part '{part_id}' for place '{slot}'.")
    scene = evaluate(hung(plan, sheets, slot, part), sheets).scene
    return send(ScenePreview.model_construct(part=part_id, name=part.name, scene=scene_json(scene, units)))


@router.get("/{int:build_id}/chain/{slot}/routes", response={200: Routes, **NOT_THERE})
def list_routes(request: SignedIn, build_id: int, slot: Slot) -> Any:
    """Ready-made, thrifty by hand, fine by hand: what each costs, takes and asks."""
    build, units = find_build(build_id, request.user), units_of(request.user)
    plan, sheets = build.plan, Entry.objects.visible_to(request.user.pk).sheets()
    try:
        routes, unknown = routes_to(slot, plan, sheets), ""
    except MissingFact as missing:
        routes, unknown = (), f"{missing.fact} is not known. {missing.how}"
    found = [route_json(route, plan.brief, units) for route in routes]
    return send(Routes.model_construct(routes=found, unknown=unknown))


@router.get("/{int:build_id}/why-not/{part_id}", response={200: WhyNotJson, **NOT_THERE})
def read_why_not(request: SignedIn, build_id: int, part_id: str) -> Any:
    """Which facts rule a part out here, and the smallest change that would admit it."""
    build, units = find_build(build_id, request.user), units_of(request.user)
    owned = Entry.objects.visible_to(request.user.pk)
    plan, hung = build.plan, build.judged.sheets
    swaps = swapped_first(owned.exclude(sheet__slot="").listed(), prices_of(plan, hung))
    sheets = {**owned.named(part_id, *swaps).sheets(), **hung}
    if part_id not in sheets:
        raise NothingThere(f"There is no part '{part_id}'.")
    return why_not_json(why_not(plan, sheets, sheets[part_id], timezone.localdate()), units)


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
    build, units = find_build(build_id, request.user), units_of(request.user)
    sheets = kit.sheets_for_items(request.user.pk, build.plan, item)
    try:
        options = options_for(build.plan, sheets, item)
    except LookupError as error:
        raise NothingThere(f"No small item '{item}' follows from this build.") from error
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
