"""A build seen in a mirror: left is right, and who played right-handed plays left-handed."""

from typing import Any, TypeVar

from core.model.brief import Handedness
from core.model.build import Build
from core.model.laying import Laid
from core.model.modes import KeptClear
from core.model.room import CeilingShape, Layout, Room
from core.model.things import Joists, Opening, Socket, Stored, Thing, Wall

WALLS = {Wall.LEFT: Wall.RIGHT, Wall.RIGHT: Wall.LEFT}
SHAPES = {
    CeilingShape.HIGH_LEFT: CeilingShape.HIGH_RIGHT,
    CeilingShape.HIGH_RIGHT: CeilingShape.HIGH_LEFT,
}
HANDS = {Handedness.LEFT: Handedness.RIGHT, Handedness.RIGHT: Handedness.LEFT}
B = TypeVar("B", Thing, Stored, KeptClear)
L = TypeVar("L", bound=Laid)


def mirrored(build: Build) -> Build:
    """`build` with everything on the other side."""
    players = tuple(
        player.model_copy(update={"handedness": HANDS[player.handedness]}) for player in build.brief.players
    )
    return build.model_copy(
        update={
            "brief": build.brief.model_copy(update={"players": players}),
            "room": _room(build.room),
            "layout": _laid(_layout(build.layout, build.room), build.room),
            "extras": tuple(_laid(extra, build.room) for extra in build.extras),
        }
    )


def _room(room: Room) -> Room:
    return room.model_copy(
        update={
            "ceiling_shape": SHAPES.get(room.ceiling_shape, room.ceiling_shape),
            "things": tuple(_box(thing, room) for thing in room.things),
            "stored": tuple(_box(stored, room) for stored in room.stored),
            "kept_clear": tuple(_box(zone, room) for zone in room.kept_clear),
            "openings": tuple(_opening(opening, room) for opening in room.openings),
            "sockets": tuple(_socket(socket, room) for socket in room.sockets),
            "joists": _joists(room.joists, room),
        }
    )


def _box(box: B, room: Room) -> B:
    places = ("x_m", "new_x_m", "play_x_m")
    changes: dict[str, Any] = {
        field: round(room.width_m - at - box.width_m, 4)
        for field in places
        for at in [getattr(box, field, None)]
        if at is not None
    }
    return box.model_copy(update=changes)


def _laid(laid: L, room: Room) -> L:
    """What covers a zone of the floor: from the right wall as it was from the left one."""
    zone = laid.zone_in(room.width_m, room.length_m)
    return laid.model_copy(
        update={"floor_x_m": round(room.width_m - zone.x1_m, 4), "floor_width_m": round(zone.width_m, 4)}
        if not laid.is_wall_to_wall
        else {}
    )


def _opening(opening: Opening, room: Room) -> Opening:
    if opening.wall in WALLS:
        return opening.model_copy(update={"wall": WALLS[opening.wall]})
    along_m = round(room.width_m - opening.along_m - opening.width_m, 4)
    return opening.model_copy(update={"along_m": along_m, "hinge_far": not opening.hinge_far})


def _socket(socket: Socket, room: Room) -> Socket:
    if socket.wall in WALLS:
        return socket.model_copy(update={"wall": WALLS[socket.wall]})
    return socket.model_copy(update={"along_m": round(room.width_m - socket.along_m, 4)})


def _joists(joists: Joists | None, room: Room) -> Joists | None:
    if joists is None or not joists.along:
        return joists
    return joists.model_copy(update={"first_m": round((room.width_m - joists.first_m) % joists.spacing_m, 4)})


def _layout(layout: Layout, room: Room) -> Layout:
    def across(x_m: float | None) -> float | None:
        return None if x_m is None else round(room.width_m - x_m, 4)

    (right_x, right_y), (left_x, left_y) = (layout.ball_of(hand) for hand in (Handedness.RIGHT, Handedness.LEFT))
    if not layout.two_spots:
        left_x, left_y = right_x, right_y
    changes: dict[str, Any] = {
        "ball_x_m": across(left_x),
        "ball_y_m": left_y,
        "left_ball_x_m": across(right_x) if layout.two_spots else None,
        "left_ball_y_m": right_y if layout.two_spots else None,
        "screen_x_m": across(layout.screen_x_m),
        "lens_x_m": across(layout.lens_x_m),
        "machine_x_m": across(layout.machine_x_m),
    }
    return layout.model_copy(update=changes)
