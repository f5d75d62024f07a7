"""What is in the room: obstructions, openings, sockets, joists, and what it must still hold."""

from collections.abc import Mapping

from core.contents.changes import ContentGroup, with_changed, with_usual, without
from core.model.build import Build
from core.model.room import Room
from core.model.things import Joists
from core.model.typed import with_changes
from core.quantities import UnitSystem
from jungle.builds.models import StoredBuild
from jungle.builds.services.editing import On, edit, field_words
from jungle.builds.services.people import units_of


def add_content(on: On, group: ContentGroup, kind: str, mode: str = "") -> StoredBuild:
    """Put something usual into the room, to be measured and corrected; a zone is kept clear in one `mode`."""
    added = f"Added: {kind.replace('_', ' ')}"
    return edit(on, added, lambda build: _with_room(build, with_usual(build.room, group, kind, mode)))


def change_content(on: On, group: ContentGroup, id: str, changes: Mapping[str, object]) -> StoredBuild:
    """Measure, move, or decide about one of the room's contents."""
    units = units_of(on.actor)
    label = f"{id.replace('-', ' ')}: {_told(changes)}"
    return edit(on, label, lambda build: content_changed(build, group, id, changes, units))


def content_changed(
    build: Build, group: ContentGroup, id: str, changes: Mapping[str, object], units: UnitSystem
) -> Build:
    """`build` with one of the room's contents changed, nothing stored: what a drag shows on its way."""
    return _with_room(build, with_changed(build.room, group, id, changes, units, build.brief.currency))


def remove_content(on: On, group: ContentGroup, id: str) -> StoredBuild:
    """Take something out of the room's records: it never was there."""
    return edit(on, f"Taken out: {id}", lambda build: _with_room(build, without(build.room, group, id)))


def measure_joists(on: On, changes: Mapping[str, object]) -> StoredBuild:
    """Say how the joists run."""
    units = units_of(on.actor)

    def change(build: Build) -> Build:
        joists = with_changes(build.room.joists or Joists(), changes, units, build.brief.currency)
        return _with_room(build, build.room.model_copy(update={"joists": joists}))

    return edit(on, f"Joists: {field_words(changes)}", change)


def forget_joists(on: On) -> StoredBuild:
    """The joists are not known any more."""
    return edit(on, "Joists not known", lambda build: _with_room(build, build.room.model_copy(update={"joists": None})))


def _told(changes: Mapping[str, object]) -> str:
    """What a change is of: x and y are both its place."""
    return ", ".join(dict.fromkeys(_WORDS.get(field, field_words([field])) for field in changes))


_WORDS = {
    "x_m": "place",
    "y_m": "place",
    "z_m": "lower edge",
    "new_x_m": "new place",
    "new_y_m": "new place",
    "new_z_m": "new place",
    "play_x_m": "place while playing",
    "play_y_m": "place while playing",
}


def _with_room(build: Build, room: Room) -> Build:
    return build.model_copy(update={"room": room})
