"""The walls of a room as finite panels, with windows and doors as holes in them."""

from dataclasses import dataclass
from typing import NamedTuple

from core.geometry.swing_disc import Point3
from core.model.room import Room
from core.model.things import Opening, OpeningKind, Wall

INWARD = {Wall.LEFT: 1.0, Wall.RIGHT: -1.0, Wall.SCREEN: 1.0, Wall.REAR: -1.0}
"""Which way from each wall into the room: along x off the side walls, along y off the others."""


class Hole(NamedTuple):
    """A window or door in a panel, from its lower corner that is nearer to where the wall begins to the other one."""

    opening: Opening
    low: tuple[float, float]
    """Along the wall and up, in metres."""
    high: tuple[float, float]

    @property
    def is_glass(self) -> bool:
        """A ball that gets so far breaks it; so it may, where nobody has said whether a door has glass."""
        return self.opening.kind is OpeningKind.WINDOW or self.opening.glazed is not False


@dataclass(frozen=True)
class Panel:
    """One wall: places in it count along it, from the screen's wall or from the left one, and up from the floor."""

    wall: Wall
    corner: tuple[float, float]
    """x and y of where it begins, in metres."""
    length_m: float
    holes: tuple[Hole, ...]

    def at(self, along_m: float, up_m: float = 0.0, inward_m: float = 0.0) -> Point3:
        """The place in the room that is so far along and up the wall, and so far before it.

        >>> room = Room(width_m=4.0, length_m=7.0)
        >>> panel_of(Wall.RIGHT, room).at(1.5, 0.3), panel_of(Wall.REAR, room).at(1.0, 2.0, 0.5)
        ((4.0, 1.5, 0.3), (1.0, 6.5, 2.0))
        >>> [panel_of(wall, room).at(1.0, 2.0, 0.5) for wall in (Wall.SCREEN, Wall.RIGHT, Wall.LEFT)]
        [(1.0, 0.5, 2.0), (3.5, 1.0, 2.0), (0.5, 1.0, 2.0)]
        """
        (x, y), off_m = self.corner, INWARD[self.wall] * inward_m
        if self.wall.runs_along:
            return x + off_m, y + along_m, up_m
        return x + along_m, y + off_m, up_m


@dataclass(frozen=True)
class Walls:
    """The four walls, as one faces the target: screen, right, rear, left."""

    panels: tuple[Panel, ...]

    def of(self, wall: Wall) -> Panel:
        """One of them."""
        return next(panel for panel in self.panels if panel.wall is wall)


def walls_of(room: Room) -> Walls:
    """All walls of `room`."""
    return Walls(tuple(panel_of(wall, room) for wall in Wall))


def panel_of(wall: Wall, room: Room) -> Panel:
    """One wall of `room`."""
    corner = {Wall.RIGHT: (room.width_m, 0.0), Wall.REAR: (0.0, room.length_m)}.get(wall, (0.0, 0.0))
    holes = tuple(_hole(opening) for opening in room.openings if opening.wall is wall)
    return Panel(wall, corner, room.length_m if wall.runs_along else room.width_m, holes)


def _hole(opening: Opening) -> Hole:
    low = opening.along_m, opening.sill_m
    return Hole(opening, low, (low[0] + opening.width_m, low[1] + opening.height_m))
