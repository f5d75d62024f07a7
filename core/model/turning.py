"""The same room with the screen on another wall: everything in it told anew from there."""

from typing import TypeVar

from core.model.modes import KeptClear
from core.model.room import CeilingShape, Room
from core.model.things import Joists, Opening, Socket, Stored, Thing, Wall
from core.quantities.tolerances import STORED_DECIMALS

ROUND = (Wall.SCREEN, Wall.RIGHT, Wall.REAR, Wall.LEFT)
"""The walls as one turns to the right."""
_ACROSS_TO_ALONG = {
    CeilingShape.FLAT: CeilingShape.FLAT,
    CeilingShape.RIDGE_ALONG: CeilingShape.RIDGE_ACROSS,
    CeilingShape.RIDGE_ACROSS: CeilingShape.RIDGE_ALONG,
    CeilingShape.HIGH_SCREEN: CeilingShape.HIGH_LEFT,
    CeilingShape.HIGH_LEFT: CeilingShape.HIGH_REAR,
    CeilingShape.HIGH_REAR: CeilingShape.HIGH_RIGHT,
    CeilingShape.HIGH_RIGHT: CeilingShape.HIGH_SCREEN,
}
PLACES = (("x_m", "y_m"), ("new_x_m", "new_y_m"), ("play_x_m", "play_y_m"))


def turned_room(room: Room, quarters: int) -> Room:
    """`room` as told by somebody who has turned to the right by `quarters` of a turn: the screen hangs there now.

    >>> wide = Room(width_m=5, length_m=3)
    >>> turned_room(wide, 1).width_m, turned_room(wide, 1).length_m, turned_room(wide, 4) == wide
    (3.0, 5.0, True)
    """
    for _ in range(quarters % 4):
        room = _turned_once(room)
    return room


def _turned_once(room: Room) -> Room:
    """Facing the right wall: what was toward the rear is now to the right, what was toward the right lies ahead."""
    measured = {"width_m": "length_m", "length_m": "width_m"}
    return room.model_copy(
        update={
            "width_m": room.length_m,
            "length_m": room.width_m,
            "guessed": tuple(measured.get(field, field) for field in room.guessed),
            "ceiling_shape": _ACROSS_TO_ALONG[room.ceiling_shape],
            "things": tuple(_turned_box(thing, room) for thing in room.things),
            "stored": tuple(_turned_box(stored, room) for stored in room.stored),
            "kept_clear": tuple(_turned_box(zone, room) for zone in room.kept_clear),
            "openings": tuple(_turned_opening(opening, room) for opening in room.openings),
            "sockets": tuple(_turned_socket(socket, room) for socket in room.sockets),
            "joists": None if room.joists is None else _turned_joists(room.joists, room),
        }
    )


B = TypeVar("B", Thing, Stored, KeptClear)


def _turned_box(box: B, room: Room) -> B:
    """Its far right corner becomes the near one: y is the distance that it had from the right wall."""
    changes: dict[str, object] = {"width_m": box.length_m, "length_m": box.width_m}
    for across, along in PLACES:
        if across in type(box).model_fields:
            x, y = getattr(box, across), getattr(box, along)
            changes[across] = y
            changes[along] = None if x is None else round(room.width_m - x - box.width_m, STORED_DECIMALS)
    return box.model_copy(update=changes)


def _turned_opening(opening: Opening, room: Room) -> Opening:
    wall, along_m, mirrored = _turned_stretch(opening.wall, opening.along_m, opening.width_m, room)
    return opening.model_copy(update={"wall": wall, "along_m": along_m, "hinge_far": opening.hinge_far is not mirrored})


def _turned_socket(socket: Socket, room: Room) -> Socket:
    wall, along_m, _ = _turned_stretch(socket.wall, socket.along_m, 0.0, room)
    return socket.model_copy(update={"wall": wall, "along_m": along_m})


def _turned_stretch(wall: Wall, along_m: float, width_m: float, room: Room) -> tuple[Wall, float, bool]:
    """A stretch of wall as told from the right wall, and whether it now counts from its other end.

    Side walls count from the screen wall and the others from the left wall. What counted along x now counts along
    y from the other end; what counted along y counts along x from the same one.
    """
    to = ROUND[(ROUND.index(wall) - 1) % len(ROUND)]
    if wall.runs_along:
        return to, along_m, False
    return to, round(room.width_m - along_m - width_m, STORED_DECIMALS), True


def _turned_joists(joists: Joists, room: Room) -> Joists:
    """Joists that counted from the left wall now count from the rear: the last of them becomes the first."""
    if not joists.along:
        return joists.model_copy(update={"along": True})
    over_m = room.width_m - joists.first_m
    first_m = round(over_m % joists.spacing_m, STORED_DECIMALS)
    return joists.model_copy(update={"along": False, "first_m": first_m})
