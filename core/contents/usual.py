"""Usual things with usual sizes (trade): what a tap on the list puts into the room, to be measured and corrected."""

from collections.abc import Iterable
from typing import NamedTuple

from core.geometry.ceiling import ceiling_of
from core.model.facts import MissingFact
from core.model.free_ids import free_id, free_name
from core.model.modes import ClearKind, KeptClear, Mode, ModeKind
from core.model.room import Room
from core.model.things import (
    BayPart,
    FixedTo,
    Opening,
    OpeningKind,
    Opens,
    Socket,
    Stored,
    StoredKind,
    Thing,
    ThingKind,
    Wall,
)

FULL = None
"""As long as the room is in that direction."""


class Usual(NamedTuple):
    """Sizes across, along and up in metres, what holds it, and the height of its lower edge where it stands clear."""

    across_m: float | None
    along_m: float | None
    up_m: float | None
    fixed_to: FixedTo = FixedTo.FLOOR
    lower_edge_m: float = 0.0


USUAL_THINGS = {
    ThingKind.BEAM: Usual(FULL, 0.15, 0.20, FixedTo.CEILING),
    ThingKind.RAIL: Usual(0.06, 2.40, 0.12, FixedTo.CEILING),
    ThingKind.DUCT: Usual(0.30, FULL, 0.25, FixedTo.CEILING),
    ThingKind.LAMP: Usual(0.30, 0.30, 0.25, FixedTo.CEILING),
    ThingKind.OPENER: Usual(0.35, 0.60, 0.30, FixedTo.CEILING),
    ThingKind.COLUMN: Usual(0.20, 0.20, FULL),
    ThingKind.SHELF: Usual(0.30, 1.20, 0.35, FixedTo.WALL, 1.50),
    ThingKind.RADIATOR: Usual(0.12, 1.00, 0.60, FixedTo.WALL, 0.10),
    ThingKind.HEATER: Usual(0.45, 0.45, 0.75),
    ThingKind.OTHER: Usual(0.50, 0.50, 0.50),
}
USUAL_STORED = {
    StoredKind.CAR: Usual(1.85, 4.50, 1.50),
    StoredKind.BOAT: Usual(1.50, 4.20, 1.40),
    StoredKind.BENCH: Usual(0.60, 1.80, 0.90),
    StoredKind.BICYCLES: Usual(0.60, 1.80, 1.10),
    StoredKind.FURNITURE: Usual(0.90, 2.00, 0.90),
    StoredKind.GYM: Usual(1.20, 2.00, 1.50),
    StoredKind.BOXES: Usual(1.00, 1.00, 1.20),
}
USUAL_CLEAR = {
    ClearKind.PEOPLE: Usual(2.00, 0.80, 2.00),
    ClearKind.SEATS: Usual(2.00, 0.90, 1.30),
    ClearKind.OPEN_FLOOR: Usual(2.00, 2.00, 2.20),
    ClearKind.WAY: Usual(0.80, FULL, 2.00),
}
"""At the rear wall, the way along the right one."""
UP_IN_MODE = {
    ModeKind.FILMS: (BayPart.PROJECTOR, BayPart.SCREEN, BayPart.ENCLOSURE),
    ModeKind.GYM: (BayPart.PROJECTOR, BayPart.SCREEN, BayPart.ENCLOSURE),
    ModeKind.VEHICLE: (BayPart.PROJECTOR,),
}
"""What of the bay is usually up in it."""
DOOR = (0.90, 2.05, 0.0)
WINDOW = (1.20, 1.20, 0.90)
"""Width, height and sill in metres."""


def usual_thing(kind: ThingKind, room: Room, taken: Iterable[str]) -> Thing:
    """An obstruction of the usual size: overhead in the middle of the room, on the left wall, or on the floor there.

    What hangs from the ceiling touches it where it is lowest over it; a column reaches up to it there.
    """
    usual = USUAL_THINGS[kind]
    across, along = _size(usual.across_m, room.width_m), _size(usual.along_m, room.length_m)
    on_wall = usual.fixed_to is FixedTo.WALL
    x, y = 0.0 if on_wall else (room.width_m - across) / 2, (room.length_m - along) / 2
    overhead_m = _ceiling_m(room, (x, x + across), (y, y + along))
    up = _size(usual.up_m, overhead_m)
    z = overhead_m - up if usual.fixed_to is FixedTo.CEILING else usual.lower_edge_m
    return Thing(
        id=free_id(kind, taken),
        kind=kind,
        name=free_name(kind, taken),
        x_m=x,
        y_m=y,
        z_m=max(0.0, z),
        width_m=across,
        length_m=along,
        height_m=up,
        fixed_to=usual.fixed_to,
    )


def usual_stored(kind: StoredKind, room: Room, taken: Iterable[str]) -> Stored:
    """A thing the room must still hold, of the usual size, along the left wall in the rear."""
    usual = USUAL_STORED[kind]
    across, along = _size(usual.across_m, room.width_m), _size(usual.along_m, room.length_m)
    y = max(0.0, room.length_m - along)
    return Stored(
        id=free_id(kind, taken),
        kind=kind,
        name=free_name(kind, taken),
        x_m=0.0,
        y_m=y,
        width_m=across,
        length_m=along,
        height_m=_size(usual.up_m, _ceiling_m(room, (0.0, across), (y, y + along))),
    )


def usual_opening(kind: OpeningKind, room: Room, taken: Iterable[str]) -> Opening:
    """A door in the rear wall, or a window in the left one."""
    door = kind is OpeningKind.DOOR
    width, height, sill = DOOR if door else WINDOW
    wall = Wall.REAR if door else Wall.LEFT
    run = room.length_m if wall.runs_along else room.width_m
    return Opening(
        id=free_id(kind, taken),
        kind=kind,
        name=free_name(kind, taken),
        wall=wall,
        along_m=max(0.0, (run - width) / 2),
        width_m=width,
        height_m=height,
        sill_m=sill,
        opens=Opens.INWARD if door else Opens.NOT,
    )


def usual_mode(kind: ModeKind, taken: Iterable[str]) -> Mode:
    """A use of the room as it usually is."""
    return Mode(
        id=free_id(kind, taken),
        kind=kind,
        name=free_name(kind, taken),
        plays=kind is ModeKind.SPECTATORS,
        stays_up=UP_IN_MODE.get(kind, ()),
    )


def usual_clear(kind: ClearKind, mode: str, room: Room, taken: Iterable[str]) -> KeptClear:
    """A zone in the middle at the rear wall, where nobody swings; a way along the right wall."""
    usual = USUAL_CLEAR[kind]
    across, along = _size(usual.across_m, room.width_m), _size(usual.along_m, room.length_m)
    x = room.width_m - across if kind is ClearKind.WAY else (room.width_m - across) / 2
    y = max(0.0, room.length_m - along)
    up = min(usual.up_m or 0.0, _ceiling_m(room, (x, x + across), (y, y + along)))
    taken = tuple(taken)
    id = kind.replace("_", "-")
    return KeptClear(
        id=free_id(id, taken),
        kind=kind,
        name=free_name(id, taken).replace("-", " "),
        mode=mode,
        x_m=x,
        y_m=y,
        width_m=across,
        length_m=along,
        height_m=up,
    )


def usual_socket(room: Room, taken: Iterable[str]) -> Socket:
    """A socket half-way along the left wall."""
    return Socket(
        id=free_id("socket", taken), name=free_name("socket", taken), wall=Wall.LEFT, along_m=room.length_m / 2
    )


def _size(usual_m: float | None, room_m: float) -> float:
    return room_m if usual_m is None else min(usual_m, room_m)


def _ceiling_m(room: Room, x_m: tuple[float, float], y_m: tuple[float, float]) -> float:
    """Least height of the ceiling over a rectangle; of the eaves while the ridge is not measured."""
    try:
        return ceiling_of(room).lowest_over_m(x_m, y_m)
    except MissingFact:
        return room.ceiling_m - room.lining_m
