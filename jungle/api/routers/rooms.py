"""The rooms that are considered, and which one is chosen."""

from typing import Any

from ninja import Router

from jungle.api.changes import Change
from jungle.api.replies import edit_on, show
from jungle.api.requests import SignedIn
from jungle.api.routers.builds import EDIT_REPLIES
from jungle.api.schemas import NewRoom, ScreenWall
from jungle.builds.services import candidates

router = Router(tags=["rooms"])


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
