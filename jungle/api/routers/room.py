"""The Room view: measuring and moving."""

from typing import Any

from ninja import Router

from jungle.api.replies import edit_on, preview_reply, send, show
from jungle.api.requests import SignedIn
from jungle.api.routers.builds import EDIT_REPLIES
from jungle.api.schemas import LayoutChange, Preview, PreviewChange, Problems, RoomChange
from jungle.plans.services import room
from jungle.plans.services.editing import find_build
from jungle.plans.services.people import units_of

router = Router(tags=["room"])


@router.patch("/{int:build_id}/room", response=EDIT_REPLIES)
def measure_room(request: SignedIn, build_id: int, body: RoomChange) -> Any:
    """Enter measurements."""
    build = room.measure_room(edit_on(request, build_id, body), body.changes())
    return show(request, build)


@router.patch("/{int:build_id}/layout", response=EDIT_REPLIES)
def move(request: SignedIn, build_id: int, body: LayoutChange) -> Any:
    """Move ball, screen line, projector or monitor."""
    build = room.move(edit_on(request, build_id, body), body.changes())
    return show(request, build)


@router.post("/{int:build_id}/preview", response={200: Preview, 404: Problems, 422: Problems})
def preview(request: SignedIn, build_id: int, body: PreviewChange) -> Any:
    """What moving something would do, while it is dragged; nothing is stored."""
    build, units = find_build(build_id, request.user), units_of(request.user)
    plan = room.moved(build.plan, body.changes(), units)
    return send(preview_reply(build, plan, body.number, units))
