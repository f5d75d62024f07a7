"""The Room view: what is in the room."""

from typing import Any

from ninja import Router

from core.contents.changes import ContentGroup
from jungle.api.changes import Change
from jungle.api.replies import edit_on, show
from jungle.api.requests import SignedIn
from jungle.api.routers.builds import EDIT_REPLIES
from jungle.api.schemas import ContentChange, JoistsChange, NewContent
from jungle.builds.services import contents

router = Router(tags=["room"])


@router.put("/{int:build_id}/joists", response=EDIT_REPLIES)
def measure_joists(request: SignedIn, build_id: int, body: JoistsChange) -> Any:
    """Say how the joists run."""
    return show(request, contents.measure_joists(edit_on(request, build_id, body), body.changes()))


@router.post("/{int:build_id}/joists/forget", response=EDIT_REPLIES)
def forget_joists(request: SignedIn, build_id: int, body: Change) -> Any:
    """The joists are not known any more."""
    return show(request, contents.forget_joists(edit_on(request, build_id, body)))


@router.post("/{int:build_id}/contents/{group}", response=EDIT_REPLIES)
def add_content(request: SignedIn, build_id: int, group: ContentGroup, body: NewContent) -> Any:
    """Put something of the usual size into the room."""
    return show(request, contents.add_content(edit_on(request, build_id, body), group, body.kind, body.mode))


@router.patch("/{int:build_id}/contents/{group}/{content_id}", response=EDIT_REPLIES)
def change_content(request: SignedIn, build_id: int, group: ContentGroup, content_id: str, body: ContentChange) -> Any:
    """Measure, move, or decide about something in the room."""
    on = edit_on(request, build_id, body)
    return show(request, contents.change_content(on, group, content_id, body.changes()))


@router.post("/{int:build_id}/contents/{group}/{content_id}/remove", response=EDIT_REPLIES)
def remove_content(request: SignedIn, build_id: int, group: ContentGroup, content_id: str, body: Change) -> Any:
    """Take something out of the room's records."""
    return show(request, contents.remove_content(edit_on(request, build_id, body), group, content_id))
