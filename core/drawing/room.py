"""The room itself: outline, ridge, lining, foam, openings, sockets and joists."""

from collections.abc import Iterator
from math import cos, pi, sin

from core.drawing.shapes import Layer, Point, Shape, rectangle
from core.geometry.ceiling import Ceiling
from core.geometry.panels import Walls
from core.geometry.solids import door_sweeps
from core.model.room import CeilingShape, Layout, Room
from core.model.things import Opening, Wall

WALL_MARK_M = 0.06
"""How far an opening is drawn into the room."""


def room_shapes(room: Room, layout: Layout, ceiling: Ceiling | None) -> list[Shape]:
    """Floor and outline, lines of eaves and ridge, lining and foam."""
    shapes = [
        rectangle("floor", "room", (0, 0), (room.length_m, room.width_m), layer=Layer.ROOM),
        Shape("section", "room", ((0, 0), (room.length_m, 0), *_roof(room, layout, ceiling)), layer=Layer.ROOM),
    ]
    if room.ceiling_shape is CeilingShape.RIDGE_ALONG:
        middle_m = room.width_m / 2
        shapes.append(Shape("floor", "ridge", ((0, middle_m), (room.length_m, middle_m)), False, layer=Layer.ROOM))
        if room.ridge_m is not None:
            shapes.append(
                Shape("section", "ridge", ((0, room.ridge_m), (room.length_m, room.ridge_m)), False, layer=Layer.ROOM)
            )
    elif room.ceiling_shape is CeilingShape.RIDGE_ACROSS:
        middle_m = room.length_m / 2
        shapes.append(Shape("floor", "ridge", ((middle_m, 0), (middle_m, room.width_m)), False, layer=Layer.ROOM))
    if room.ceiling_shape in (CeilingShape.RIDGE_ALONG, CeilingShape.HIGH_LEFT, CeilingShape.HIGH_RIGHT):
        eaves = ((0.0, room.ceiling_m), (room.length_m, room.ceiling_m))
        shapes.append(Shape("section", "ridge", eaves, False, label="eaves", layer=Layer.ROOM))
    if room.lining_m:
        roof = _roof(room, layout, ceiling)
        thick_m = room.lining_m
        shapes.append(
            Shape("section", "lining", (*roof, *((u, v - thick_m) for u, v in reversed(roof))), layer=Layer.ROOM)
        )
    if room.wall_foam_m:
        shapes.append(rectangle("floor", "foam", (0, 0), (room.wall_foam_m, room.width_m), layer=Layer.ROOM))
        shapes.append(rectangle("section", "foam", (0, 0), (room.wall_foam_m, room.ceiling_m), layer=Layer.ROOM))
    return shapes


def _roof(room: Room, layout: Layout, ceiling: Ceiling | None) -> tuple[Point, ...]:
    """The ceiling's outline over the ball line, from the rear wall to the one behind the screen, lining included."""
    if ceiling is None:
        return (room.length_m, room.ceiling_m), (0, room.ceiling_m)
    lining_m = room.lining_m * ceiling.planes[0].steepness
    bends = (room.length_m, room.length_m / 2, 0.0) if len(ceiling.planes) > 1 else (room.length_m, 0.0)
    return tuple((y, ceiling.height_m(layout.ball_x_m, y) + lining_m) for y in bends)


def opening_shapes(room: Room, walls: Walls) -> Iterator[Shape]:
    """Windows and doors on the floor plan, and what their leaves sweep; sockets; the joists overhead."""
    for opening in room.openings:
        low, high = _in_wall(opening.wall, opening.along_m, opening.width_m, walls)
        subject = f"openings/{opening.id}"
        mark = rectangle("floor", opening.kind.value, low, high, opening.name, Layer.OBSTRUCTIONS)
        yield Shape("floor", mark.meaning, mark.points, subject=subject, label=opening.name, layer=mark.layer)
        yield from _opening_in_section(opening, subject)
    for sweep in door_sweeps(room):
        if sweep.hinge is None:
            continue
        (x0, y0, _), (x1, y1, _) = sweep.box.low, sweep.box.high
        hinge_x, hinge_y = sweep.hinge
        free_x, free_y = x0 + x1 - hinge_x, y0 + y1 - hinge_y
        across, along = free_x - hinge_x, free_y - hinge_y
        arc = [(hinge_y, hinge_x)] + [
            (hinge_y + along * sin(turn), hinge_x + across * cos(turn))
            for turn in (step * pi / 24 for step in range(13))
        ]
        yield Shape("floor", "sweep", tuple(arc), subject=sweep.key, layer=Layer.OBSTRUCTIONS)
    for socket in room.sockets:
        low, _ = _in_wall(socket.wall, socket.along_m, 0.0, walls)
        at = (low[0], low[1])
        yield Shape("floor", "socket", (at,), False, f"sockets/{socket.id}", socket.name, Layer.OBSTRUCTIONS)
    if room.joists is not None:
        yield from _joist_shapes(room)


def _in_wall(wall: Wall, along_m: float, width_m: float, walls: Walls) -> tuple[Point, Point]:
    """The ends of a stretch of wall on the floor plan, a little deep."""
    panel = walls.of(wall)
    (x0, y0, _), (x1, y1, _) = panel.at(along_m), panel.at(along_m + width_m, inward_m=WALL_MARK_M)
    return (min(y0, y1), min(x0, x1)), (max(y0, y1), max(x0, x1))


def _opening_in_section(opening: Opening, subject: str) -> Iterator[Shape]:
    """Only the openings of the side wall that is looked at are seen from the side."""
    if opening.wall is Wall.RIGHT:
        low = (opening.along_m, opening.sill_m)
        high = (opening.along_m + opening.width_m, opening.sill_m + opening.height_m)
        seen = rectangle("section", f"{opening.kind}-seen", low, high)
        yield Shape("section", seen.meaning, seen.points, subject=subject, label=opening.name, layer=Layer.OBSTRUCTIONS)


def _joist_shapes(room: Room) -> Iterator[Shape]:
    joists = room.joists
    assert joists is not None
    across_m = room.width_m if joists.along else room.length_m
    at = joists.first_m
    while at < across_m:
        line = ((0.0, at), (room.length_m, at)) if joists.along else ((at, 0.0), (at, room.width_m))
        yield Shape("floor", "joist", line, False, layer=Layer.OBSTRUCTIONS)
        at += joists.spacing_m
