"""What sticks out of a room through a door that stands open for it."""

from collections.abc import Iterable, Iterator
from typing import NamedTuple

from core.geometry.boxes import Box
from core.geometry.solids import Group, Solid
from core.model.room import Room
from core.model.things import Opening, OpeningKind, Wall
from core.quantities.tolerances import TOUCHING_M

UP = 2


class StickingOut(NamedTuple):
    """A thing, and the door that it sticks out through."""

    thing: str
    door: str


def walls_passed(box: Box, room: Room) -> tuple[Wall, ...]:
    """The walls that `box` reaches beyond."""
    beyond_m = {
        Wall.LEFT: -box.low[0],
        Wall.RIGHT: box.high[0] - room.width_m,
        Wall.SCREEN: -box.low[1],
        Wall.REAR: box.high[1] - room.length_m,
    }
    return tuple(wall for wall, by_m in beyond_m.items() if by_m > TOUCHING_M)


def door_for(box: Box, wall: Wall, room: Room) -> Opening | None:
    """The door in `wall` that is wide and high enough for all of `box` where it is, some of which is in the room."""
    if box.high[0] <= 0 or box.high[1] <= 0 or box.low[0] >= room.width_m or box.low[1] >= room.length_m:
        return None
    across = 1 if wall.runs_along else 0
    doors = (each for each in room.openings if each.wall is wall and each.kind is OpeningKind.DOOR)
    return next((door for door in doors if _passes(box, across, door)), None)


def _passes(box: Box, across: int, door: Opening) -> bool:
    """`across` is the axis that runs along the door's wall."""
    frame = {across: (door.along_m, door.along_m + door.width_m), UP: (door.sill_m, door.sill_m + door.height_m)}
    return all(
        low_m - TOUCHING_M <= box.low[axis] and box.high[axis] <= high_m + TOUCHING_M
        for axis, (low_m, high_m) in frame.items()
    )


def sticking_out(solids: Iterable[Solid], room: Room) -> Iterator[StickingOut]:
    """What is stored and reaches out of the room through a door, and through which."""
    for solid in solids:
        if solid.group is Group.STORED:
            for wall in walls_passed(solid.box, room):
                if door := door_for(solid.box, wall, room):
                    yield StickingOut(solid.name, door.name)
