"""What is in the room besides the bay, where it is in one of the two layouts."""

from collections.abc import Iterable, Iterator

from core.drawing.shapes import Dimension, Handle, Layer, Point, Shape, View, rectangle
from core.geometry.boxes import Box
from core.geometry.conflicts import Conflict
from core.geometry.panels import Walls
from core.geometry.solids import Group, Solid
from core.model.modes import KeptClear
from core.model.room import Room
from core.model.things import Remedy, Stored, Thing, Wall, WhilePlaying

MEANING_BY_GROUP = {Group.ROOM: "thing", Group.STORED: "stored", Group.ZONE: "kept-clear"}


def solid_shapes(solids: Iterable[Solid]) -> Iterator[Shape]:
    """Obstructions and stored things as rectangles in both views."""
    for solid in solids:
        if solid.hinge is None and solid.group is not Group.BAY:
            meaning = MEANING_BY_GROUP[solid.group]
            for view, low, high in _faces(solid.box):
                yield _named(view, meaning, low, high, solid.key, solid.name)


def standing_shapes(solids: Iterable[Solid]) -> Iterator[Shape]:
    """What of the bay stays up."""
    for solid in solids:
        if solid.group is Group.BAY:
            for view, low, high in _faces(solid.box):
                yield rectangle(view, "standing", low, high, solid.name, Layer.BAY)


def removed_shapes(room: Room) -> Iterator[Shape]:
    """What was decided to go is still shown, as a trace."""
    for thing in room.things:
        if thing.decision is Remedy.REMOVE:
            low = (thing.x_m, thing.y_m, thing.z_m)
            high = (thing.x_m + thing.width_m, thing.y_m + thing.length_m, thing.z_m + thing.height_m)
            for view, lower, upper in _faces(Box(low, high)):
                yield _named(view, "removed", lower, upper, f"things/{thing.id}", thing.name)


def conflict_shapes(conflicts: Iterable[Conflict]) -> Iterator[Shape]:
    """Where two things reach into each other."""
    for conflict in conflicts:
        label = f"{conflict.first.name} and {conflict.second.name}"
        for view, low, high in _faces(conflict.first.box.common(conflict.second.box)):
            yield rectangle(view, "conflict", low, high, label, Layer.OBSTRUCTIONS)


def content_handles(room: Room, walls: Walls, *, playing: bool) -> Iterator[Handle]:
    """What of the room's contents may be dragged in this layout."""
    for thing in room.things:
        if thing.decision is not Remedy.REMOVE:
            prefix = "new_" if thing.decision is Remedy.MOVE else ""
            x, y, z = thing.counts_at
            half_x, half_y, half_z = thing.width_m / 2, thing.length_m / 2, thing.height_m / 2
            target = f"things/{thing.id}"
            along = (f"{prefix}y_m", half_y)
            yield _handle("floor", target, thing.name, (y, x), along, (f"{prefix}x_m", half_x))
            yield _handle("section", target, thing.name, (y, z), along, (f"{prefix}z_m", half_z))
    yield from _opening_handles(room, walls)
    for stored in room.stored:
        if playing and stored.while_playing is WhilePlaying.OUT:
            continue
        prefix = "play_" if playing and stored.while_playing is WhilePlaying.MOVED else ""
        x, y = (stored.playing_at if playing else None) or (stored.x_m, stored.y_m)
        target = f"stored/{stored.id}"
        along = (f"{prefix}y_m", stored.length_m / 2)
        yield _handle("floor", target, stored.name, (y, x), along, (f"{prefix}x_m", stored.width_m / 2))


def _opening_handles(room: Room, walls: Walls) -> Iterator[Handle]:
    """Windows, doors and sockets slide along their wall on the floor plan, and up and down in the section."""
    for opening in room.openings:
        target, half = f"openings/{opening.id}", opening.width_m / 2
        yield _on_wall(target, opening.name, opening.wall, opening.along_m, half, walls)
        up = (_seen_at(opening.wall, opening.along_m + half, walls), opening.sill_m)
        yield Handle("section", target, opening.name, up, "", "sill_m")
    for socket in room.sockets:
        target = f"sockets/{socket.id}"
        yield _on_wall(target, socket.name, socket.wall, socket.along_m, 0.0, walls)
        up = (_seen_at(socket.wall, socket.along_m, walls), socket.height_m)
        yield Handle("section", target, socket.name, up, "", "height_m")


def _on_wall(target: str, name: str, wall: Wall, along_m: float, half_m: float, walls: Walls) -> Handle:
    x, y, _ = walls.of(wall).at(along_m + half_m)
    if wall.runs_along:
        return Handle("floor", target, name, (y, x), "along_m", "", half_m, u_reach_m=half_m)
    return Handle("floor", target, name, (y, x), "", "along_m", 0.0, half_m, v_reach_m=half_m)


def _seen_at(wall: Wall, along_m: float, walls: Walls) -> float:
    """Where a place in a wall is along the target line, as the section shows it."""
    return walls.of(wall).at(along_m)[1]


def opening_dimensions(room: Room, walls: Walls) -> Iterator[Dimension]:
    """Where windows, doors and sockets are in their walls, and how large."""
    for opening in room.openings:
        subject = f"openings/{opening.id}"
        start, end = opening.along_m, opening.along_m + opening.width_m
        sill, top = opening.sill_m, opening.sill_m + opening.height_m
        yield _along_wall(subject, "Begins at", opening.wall, (0.0, start), "along_m", walls)
        yield _along_wall(subject, "Width of it", opening.wall, (start, end), "width_m", walls)
        yield _up_wall(subject, "Sill", opening.wall, (start + end) / 2, (0.0, sill), "sill_m", walls)
        yield _up_wall(subject, "Height", opening.wall, (start + end) / 2, (sill, top), "height_m", walls)
    for socket in room.sockets:
        subject = f"sockets/{socket.id}"
        yield _along_wall(subject, "Along the wall", socket.wall, (0.0, socket.along_m), "along_m", walls)
        yield _up_wall(
            subject, "Above the floor", socket.wall, socket.along_m, (0.0, socket.height_m), "height_m", walls
        )


def _along_wall(subject: str, label: str, wall: Wall, span: tuple[float, float], field: str, walls: Walls) -> Dimension:
    (x0, y0, _), (x1, y1, _) = (walls.of(wall).at(along_m) for along_m in span)
    return Dimension("floor", label, (y0, x0), (y1, x1), span[1] - span[0], f"{subject}.{field}", subject)


def _up_wall(
    subject: str, label: str, wall: Wall, along_m: float, span: tuple[float, float], field: str, walls: Walls
) -> Dimension:
    at = _seen_at(wall, along_m, walls)
    return Dimension("section", label, (at, span[0]), (at, span[1]), span[1] - span[0], f"{subject}.{field}", subject)


def content_dimensions(room: Room, walls: Walls, *, playing: bool) -> Iterator[Dimension]:
    """Where each thing is and how large, to be typed on the drawing while it is chosen."""
    yield from opening_dimensions(room, walls)
    for thing in room.things:
        if thing.decision is not Remedy.REMOVE:
            prefix = "new_" if thing.decision is Remedy.MOVE else ""
            yield from _box_dimensions(f"things/{thing.id}", thing, thing.counts_at, prefix)
    for stored in room.stored:
        at = stored.playing_at if playing else (stored.x_m, stored.y_m)
        if at is not None:
            prefix = "play_" if playing and stored.while_playing is WhilePlaying.MOVED else ""
            yield from _box_dimensions(f"stored/{stored.id}", stored, (*at, 0.0), prefix)


def zone_dimensions(room: Room, mode: str) -> Iterator[Dimension]:
    """Where each zone that is kept clear in a mode is, and how large."""
    for zone in room.kept_clear:
        if zone.mode == mode:
            yield from _box_dimensions(f"kept_clear/{zone.id}", zone, (zone.x_m, zone.y_m, 0.0), "")


def _box_dimensions(
    subject: str, record: Thing | Stored | KeptClear, at: tuple[float, float, float], prefix: str
) -> Iterator[Dimension]:
    x, y, z = at
    x1, y1, z1 = x + record.width_m, y + record.length_m, z + record.height_m
    middle_x, middle_y = (x + x1) / 2, (y + y1) / 2

    def line(view: View, label: str, start: Point, end: Point, field: str) -> Dimension:
        value_m = (end[0] - start[0]) + (end[1] - start[1])
        return Dimension(view, label, start, end, value_m, f"{subject}.{field}", subject)

    yield line("floor", "From the left wall", (middle_y, 0), (middle_y, x), f"{prefix}x_m")
    yield line("floor", "From the screen wall", (0, middle_x), (y, middle_x), f"{prefix}y_m")
    yield line("floor", "Along", (y, x1), (y1, x1), "length_m")
    yield line("floor", "Across", (y1, x), (y1, x1), "width_m")
    if isinstance(record, Thing):
        yield line("section", "Lower edge", (middle_y, 0), (middle_y, z), f"{prefix}z_m")
    yield line("section", "Height", (y1, z), (y1, z1), "height_m")


def _handle(
    view: View,
    target: str,
    name: str,
    corner: Point,
    along: tuple[str, float],
    other: tuple[str, float],
) -> Handle:
    (u_field, u_half), (v_field, v_half) = along, other
    at = (corner[0] + u_half, corner[1] + v_half)
    v_reach_m = v_half if view == "floor" else 0.0
    return Handle(view, target, name, at, u_field, v_field, u_half, v_half, u_reach_m=u_half, v_reach_m=v_reach_m)


def _faces(box: Box) -> Iterator[tuple[View, Point, Point]]:
    """The lower left and upper right corners of a box in both views."""
    (x0, y0, z0), (x1, y1, z1) = box.low, box.high
    yield "floor", (y0, x0), (y1, x1)
    yield "section", (y0, z0), (y1, z1)


def _named(view: View, meaning: str, low: Point, high: Point, subject: str, name: str) -> Shape:
    points = rectangle(view, meaning, low, high).points
    return Shape(view, meaning, points, True, subject, name, Layer.OBSTRUCTIONS)
