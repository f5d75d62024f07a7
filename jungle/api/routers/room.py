"""The Room view: measuring and moving."""

from typing import Any

from ninja import Router

from jungle.api.replies import edit_on, preview_reply, send, show
from jungle.api.requests import SignedIn
from jungle.api.routers.builds import EDIT_REPLIES
from jungle.api.schemas import Dragged, DraggedPreview, LayoutChange, Preview, Problems, RoomChange
from jungle.builds.services import dragging, room
from jungle.builds.services.editing import find_build
from jungle.builds.services.people import units_of

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


@router.post("/{int:build_id}/drag", response=EDIT_REPLIES)
def drop(request: SignedIn, build_id: int, body: Dragged) -> Any:
    """What is dragged is let go: the core says which fields follow, and where they stop."""
    return show(request, dragging.drag(edit_on(request, build_id, body), body.drag, stowed=body.stowed))


@router.post("/{int:build_id}/drag/preview", response={200: Preview, 404: Problems, 422: Problems})
def preview(request: SignedIn, build_id: int, body: DraggedPreview) -> Any:
    """What differs while something is dragged; nothing is stored."""
    build, units = find_build(build_id, request.user), units_of(request.user)
    design = dragging.design_dragged(build, body.drag, units, stowed=body.stowed)
    return send(preview_reply(build, design, body.number, units))
