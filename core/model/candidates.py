"""Several rooms, or one with its screen on another wall: kept beside each other, one of them chosen."""

from core.model.build import Build, CandidateRoom
from core.model.free_ids import free_id
from core.model.placing import proposed_in
from core.model.room import Layout, Room
from core.model.turning import turned_room


class NoSuchRoom(LookupError):
    """No candidate room has that id."""


def with_candidate(build: Build, name: str) -> Build:
    """`build` with the room as it is kept aside under `name`, to be measured as another once it is chosen."""
    ids = [candidate.id for candidate in build.candidates]
    fresh = CandidateRoom(id=free_id("room", ids), room=Room(name=name), layout=proposed_in(Room(), Layout()))
    return build.model_copy(update={"candidates": (*build.candidates, fresh)})


def with_chosen(build: Build, id: str) -> Build:
    """`build` in another room: the one that was chosen takes its place among the candidates.

    Raises `NoSuchRoom`.
    """
    wanted = _found(build, id)
    aside = CandidateRoom(id=wanted.id, room=build.room, layout=build.layout)
    candidates = tuple(aside if candidate.id == id else candidate for candidate in build.candidates)
    return build.model_copy(update={"room": wanted.room, "layout": wanted.layout, "candidates": candidates})


def without_candidate(build: Build, id: str) -> Build:
    """`build` without a room that is not chosen. Raises `NoSuchRoom`."""
    _found(build, id)
    return build.model_copy(update={"candidates": tuple(room for room in build.candidates if room.id != id)})


def with_screen_turned(build: Build, quarters: int) -> Build:
    """`build` with the screen on the wall that is so many quarters of a turn further to the right."""
    room = turned_room(build.room, quarters)
    return build.model_copy(update={"room": room, "layout": proposed_in(room, build.layout)})


def _found(build: Build, id: str) -> CandidateRoom:
    for candidate in build.candidates:
        if candidate.id == id:
            return candidate
    raise NoSuchRoom(f"There is no room '{id}' beside the chosen one.")
