"""Candidate rooms, and the wall that the screen hangs on."""

from core.model.candidates import with_candidate, with_chosen, with_screen_turned, without_candidate
from jungle.builds.models import StoredBuild
from jungle.builds.services.editing import On, edit


def add_room(on: On, name: str) -> StoredBuild:
    """Another room to consider, with first guesses."""
    return edit(on, f"Room to consider: {name}", lambda build: with_candidate(build, name))


def choose_room(on: On, room_id: str, quarters: int) -> StoredBuild:
    """Build in that room, with the screen on that wall; the one chosen so far stays beside it."""
    return edit(on, "Another room", lambda build: with_screen_turned(with_chosen(build, room_id), quarters))


def turn_screen(on: On, quarters: int) -> StoredBuild:
    """Hang the screen on another wall of the chosen room."""
    return edit(on, "Screen on another wall", lambda build: with_screen_turned(build, quarters))


def drop_room(on: On, room_id: str) -> StoredBuild:
    """No longer consider a room."""
    return edit(on, "Room dropped", lambda build: without_candidate(build, room_id))
