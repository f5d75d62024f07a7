"""The Room view: what rooms allow, and which one is chosen."""

from typing import Any

from ninja import Router

from core.formats.report_json.rooms import RoomsJson, rooms_json
from core.report.comparison import rooms_of
from jungle.api.changes import Change
from jungle.api.replies import edit_on, show
from jungle.api.requests import SignedIn
from jungle.api.routers.builds import EDIT_REPLIES
from jungle.api.schemas import NewRoom, Problems, ScreenWall
from jungle.builds.services import candidates
from jungle.builds.services.editing import find_build
from jungle.builds.services.people import units_of

router = Router(tags=["rooms"])


@router.get("/{int:build_id}/rooms", response={200: RoomsJson, 404: Problems})
def read_rooms(request: SignedIn, build_id: int) -> Any:
    """What every room allows, side by side, and what the chosen one is short of."""
    build = find_build(build_id, request.user)
    return rooms_json(rooms_of(build.design, build.judged.sheets), units_of(request.user))


@router.post("/{int:build_id}/rooms", response=EDIT_REPLIES)
def add_room(request: SignedIn, build_id: int, body: NewRoom) -> Any:
    """Consider another room."""
    return show(request, candidates.add_room(edit_on(request, build_id, body), body.name))


@router.post("/{int:build_id}/rooms/screen", response=EDIT_REPLIES)
def turn_screen(request: SignedIn, build_id: int, body: ScreenWall) -> Any:
    """Hang the screen on another wall of the chosen room."""
    return show(request, candidates.turn_screen(edit_on(request, build_id, body), body.quarters))


@router.post("/{int:build_id}/rooms/{room_id}/choose", response=EDIT_REPLIES)
def choose_room(request: SignedIn, build_id: int, room_id: str, body: ScreenWall) -> Any:
    """Build in another room."""
    return show(request, candidates.choose_room(edit_on(request, build_id, body), room_id, body.quarters))


@router.post("/{int:build_id}/rooms/{room_id}/drop", response=EDIT_REPLIES)
def drop_room(request: SignedIn, build_id: int, room_id: str, body: Change) -> Any:
    """No longer consider a room."""
    return show(request, candidates.drop_room(edit_on(request, build_id, body), room_id))
