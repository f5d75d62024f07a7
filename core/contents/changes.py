"""Adding, changing and removing what is in a room."""

from collections.abc import Mapping
from enum import StrEnum

from pydantic import ValidationError

from core.contents.inside import refuse_outside
from core.contents.usual import usual_clear, usual_mode, usual_opening, usual_socket, usual_stored, usual_thing
from core.model.free_ids import free_id, free_name
from core.model.modes import ClearKind, KeptClear, Mode, ModeKind
from core.model.record import Record
from core.model.room import MOST_THINGS, Content, Room
from core.model.things import Circuit, Opening, OpeningKind, Socket, Stored, StoredKind, Thing, ThingKind
from core.model.typed import FieldErrors, with_changes
from core.quantities import UnitSystem

SOCKET = "socket"
CIRCUIT = "circuit"
USUAL_ZONE = {
    ModeKind.FILMS: ClearKind.SEATS,
    ModeKind.GYM: ClearKind.OPEN_FLOOR,
    ModeKind.VEHICLE: ClearKind.WAY,
    ModeKind.SPECTATORS: ClearKind.SEATS,
}
"""What a mode keeps clear first."""


class ContentGroup(StrEnum):
    """The groups of a room's contents, each a field of `Room`."""

    THINGS = "things"
    STORED = "stored"
    OPENINGS = "openings"
    SOCKETS = "sockets"
    MODES = "modes"
    KEPT_CLEAR = "kept_clear"
    CIRCUITS = "circuits"


TYPE_BY_GROUP: dict[ContentGroup, type[Record]] = {
    ContentGroup.THINGS: Thing,
    ContentGroup.STORED: Stored,
    ContentGroup.OPENINGS: Opening,
    ContentGroup.SOCKETS: Socket,
    ContentGroup.MODES: Mode,
    ContentGroup.KEPT_CLEAR: KeptClear,
    ContentGroup.CIRCUITS: Circuit,
}
KINDS_BY_GROUP: dict[ContentGroup, tuple[str, ...]] = {
    ContentGroup.THINGS: tuple(ThingKind),
    ContentGroup.STORED: tuple(StoredKind),
    ContentGroup.OPENINGS: tuple(OpeningKind),
    ContentGroup.SOCKETS: (SOCKET,),
    ContentGroup.MODES: tuple(ModeKind),
    ContentGroup.KEPT_CLEAR: tuple(ClearKind),
    ContentGroup.CIRCUITS: (CIRCUIT,),
}


class NotInRoom(LookupError):
    """Nothing of that id is in that group of the room's contents."""


def with_usual(room: Room, group: ContentGroup, kind: str, mode: str = "") -> Room:
    """`room` with one more thing, of the usual size; a mode with what it usually keeps clear.

    A zone that is kept clear names its `mode`. Raises `FieldErrors` for a kind that the group does not have, and a mode
    that the room does not have.
    """
    if kind not in KINDS_BY_GROUP[group]:
        raise FieldErrors([("kind", kind, ", ".join(KINDS_BY_GROUP[group]))])
    taken = [content.id for content in room.contents]
    fresh: Content
    if group is ContentGroup.THINGS:
        fresh = usual_thing(ThingKind(kind), room, taken)
    elif group is ContentGroup.STORED:
        fresh = usual_stored(StoredKind(kind), room, taken)
    elif group is ContentGroup.OPENINGS:
        fresh = usual_opening(OpeningKind(kind), room, taken)
    elif group is ContentGroup.CIRCUITS:
        fresh = Circuit(id=free_id(CIRCUIT, taken), name=free_name(CIRCUIT, taken))
    elif group is ContentGroup.MODES:
        fresh = usual_mode(ModeKind(kind), taken)
        return _with_zone(_with(room, group, (*room.modes, fresh)), fresh)
    elif group is ContentGroup.KEPT_CLEAR:
        modes = [one.id for one in room.modes]
        if mode not in modes:
            raise FieldErrors([("mode", mode, ", ".join(modes) or "a mode: add one first")])
        fresh = usual_clear(ClearKind(kind), mode, room, taken)
    else:
        fresh = usual_socket(room, taken)
    return _with(room, group, (*_in(room, group), fresh))


def with_changed(
    room: Room, group: ContentGroup, id: str, changes: Mapping[str, object], units: UnitSystem, currency: str
) -> Room:
    """`room` with one of its contents changed, texts read in `units`.

    Raises `NotInRoom`, and `FieldErrors` for a field that such a thing does not have, a value it does not take, or a
    place outside the room.
    """
    wanted = content_of(room, group, id)
    fields = TYPE_BY_GROUP[group].model_fields
    strange = [(field, value, "a field of such a thing") for field, value in changes.items() if field not in fields]
    if strange:
        raise FieldErrors(strange)
    after = with_changes(wanted, changes, units, currency)
    refuse_outside(room, after, changes, units)
    return _with(room, group, tuple(after if content.id == id else content for content in _in(room, group)))


def without(room: Room, group: ContentGroup, id: str) -> Room:
    """`room` with one of its contents taken out. Raises `NotInRoom`."""
    content_of(room, group, id)
    if group is ContentGroup.MODES:
        zones = tuple(zone for zone in room.kept_clear if zone.mode != id)
        room = _with(room, ContentGroup.KEPT_CLEAR, zones)
    if group is ContentGroup.CIRCUITS:
        freed = {"circuit": None}
        sockets = tuple(socket.model_copy(update=freed) if socket.circuit == id else socket for socket in room.sockets)
        room = _with(room, ContentGroup.SOCKETS, sockets)
    return _with(room, group, tuple(content for content in _in(room, group) if content.id != id))


def _with_zone(room: Room, mode: Mode) -> Room:
    """`room` with what a fresh mode usually keeps clear."""
    kind = USUAL_ZONE.get(mode.kind)
    return room if kind is None else with_usual(room, ContentGroup.KEPT_CLEAR, kind, mode.id)


def content_of(room: Room, group: ContentGroup, id: str) -> Content:
    """One of the room's contents. Raises `NotInRoom`."""
    for content in _in(room, group):
        if content.id == id:
            return content
    raise NotInRoom(f"There is no '{id}' among the {group} of this room.")


def _in(room: Room, group: ContentGroup) -> tuple[Content, ...]:
    contents: tuple[Content, ...] = getattr(room, group)
    return contents


def _with(room: Room, group: ContentGroup, contents: tuple[Content, ...]) -> Room:
    try:
        return Room.model_validate({**room.model_dump(), group.value: [content.model_dump() for content in contents]})
    except ValidationError as error:
        raise FieldErrors([(group.value, str(len(contents)), f"at most {MOST_THINGS}")]) from error
