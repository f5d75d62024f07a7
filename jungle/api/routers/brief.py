"""The Brief view: questions and players."""

from typing import Any

from ninja import Router

from core.model.clubs import Club
from jungle.api.changes import Change
from jungle.api.replies import edit_on, show
from jungle.api.requests import SignedIn
from jungle.api.routers.builds import EDIT_REPLIES
from jungle.api.schemas import BriefChange, PlayerChange, TestSwing
from jungle.builds.services import brief

router = Router(tags=["brief"])


@router.patch("/{int:build_id}/brief", response=EDIT_REPLIES)
def change_brief(request: SignedIn, build_id: int, body: BriefChange) -> Any:
    """Answer questions of the brief."""
    build = brief.change_brief(edit_on(request, build_id, body), body.changes())
    return show(request, build)


@router.post("/{int:build_id}/players", response=EDIT_REPLIES)
def add_player(request: SignedIn, build_id: int, body: PlayerChange) -> Any:
    """Add a player."""
    build = brief.add_player(edit_on(request, build_id, body), body.changes())
    return show(request, build)


@router.patch("/{int:build_id}/players/{player_id}", response=EDIT_REPLIES)
def change_player(request: SignedIn, build_id: int, player_id: str, body: PlayerChange) -> Any:
    """Change a player."""
    build = brief.change_player(edit_on(request, build_id, body), player_id, body.changes())
    return show(request, build)


@router.post("/{int:build_id}/players/{player_id}/remove", response=EDIT_REPLIES)
def remove_player(request: SignedIn, build_id: int, player_id: str, body: Change) -> Any:
    """Remove a player."""
    build = brief.remove_player(edit_on(request, build_id, body), player_id)
    return show(request, build)


@router.put("/{int:build_id}/players/{player_id}/reaches/{club}", response=EDIT_REPLIES)
def measure_reach(request: SignedIn, build_id: int, player_id: str, club: Club, body: TestSwing) -> Any:
    """Enter a test swing."""
    on = edit_on(request, build_id, body)
    return show(request, brief.measure_reach(on, player_id, club, body.changes()))


@router.post("/{int:build_id}/players/{player_id}/reaches/{club}/withdraw", response=EDIT_REPLIES)
def withdraw_reach(request: SignedIn, build_id: int, player_id: str, club: Club, body: Change) -> Any:
    """Take a test swing back."""
    return show(request, brief.withdraw_reach(edit_on(request, build_id, body), player_id, club))
