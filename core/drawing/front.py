"""The view toward the screen, as the golfer sees it: ridge, beams, side walls, screen, picture and lens.

u is the distance from the left wall, v the height above the bare floor.
"""

from collections.abc import Iterator
from dataclasses import replace

from core.bay import Bay
from core.bay.bay import NETTING
from core.drawing.shapes import Dimension, Layer, Point, Scene, Shape, rectangle
from core.geometry.boxes import Box
from core.geometry.ceiling import Ceiling
from core.geometry.shadow import HEAD_HALF_WIDTH_M, HEAD_OVER_HEIGHT_M
from core.geometry.solids import Group, Solid
from core.geometry.swing_disc import swing_disc
from core.model.brief import Handedness, Player
from core.model.room import CeilingShape, Layout, Room
from core.model.things import BayPart, Wall

LENS_HALF_M = 0.06


def front_scene_of(
    room: Room,
    layout: Layout,
    players: tuple[Player, ...],
    bay: Bay,
    ceiling: Ceiling | None,
    contents: tuple[Solid, ...] = (),
) -> Scene:
    """Everything seen along the target line, the room cut where the ball lies; flat while the ceiling is not known."""
    shapes = [
        Shape("front", "room", ((0.0, 0.0), (room.width_m, 0.0), *_roof(room, layout, ceiling)), layer=Layer.ROOM),
        *_openings(room),
        *_bay(bay),
        *_contents(contents),
        *_balls(layout, bay),
    ]
    for number, player in enumerate(players):
        shapes += (replace(shape, player=number) for shape in _player(player, layout, bay.surface_m))
    high_m = max((v for shape in shapes if shape.meaning == "room" for _, v in shape.points), default=room.ceiling_m)
    return Scene(room.width_m, 0.0, high_m, tuple(shapes), tuple(_dimensions(room, layout, bay)), ())


def _roof(room: Room, layout: Layout, ceiling: Ceiling | None) -> tuple[Point, ...]:
    """The ceiling over the ball line, from the right wall to the left one."""
    if ceiling is None:
        return (room.width_m, room.ceiling_m), (0.0, room.ceiling_m)
    bends = (room.width_m, room.width_m / 2, 0.0) if len(ceiling.planes) > 1 else (room.width_m, 0.0)
    return tuple((x, ceiling.height_m(x, layout.ball_y_m)) for x in bends)


def _openings(room: Room) -> Iterator[Shape]:
    for opening in room.openings:
        if opening.wall is Wall.SCREEN:
            low = opening.along_m, opening.sill_m
            high = low[0] + opening.width_m, low[1] + opening.height_m
            seen = rectangle("front", f"{opening.kind}-seen", low, high, opening.name, Layer.OBSTRUCTIONS)
            yield replace(seen, subject=f"openings/{opening.id}")


def _bay(bay: Bay) -> Iterator[Shape]:
    for layer in bay.floor:
        yield rectangle("front", "floor", (layer.zone.x0_m, layer.foot_m), (layer.zone.x1_m, layer.top_m))
    panels = bay.of(BayPart.ENCLOSURE)
    if panels:
        yield rectangle("front", "enclosure", *_face(_around(panels)), "enclosure")
    for solid in bay.of(BayPart.SCREEN):
        yield rectangle("front", "enclosure", *_face(solid.box), "screen")
    if bay.picture and bay.lens:
        middle_m = _middle(bay)
        half_m = bay.picture.width_m / 2
        low, high = (middle_m - half_m, bay.picture.bottom_m), (middle_m + half_m, bay.picture.top_m)
        yield rectangle("front", "beam", low, high, "picture")
        x, z, half_m = bay.lens.x_m, bay.lens.height_m, LENS_HALF_M
        yield rectangle("front", "mount", (x - half_m, z - half_m), (x + half_m, z + half_m), "lens")
    for key, meaning in ((NETTING, "netting"), (BayPart.MAT, "mat")):
        for solid in bay.of(key):
            yield rectangle("front", meaning, *_face(solid.box), solid.name)
    for solid in bay.of(BayPart.MONITOR):
        (x0, z0), (x1, _) = _face(solid.box)
        yield Shape("front", "monitor", (((x0 + x1) / 2, z0),), False, label="monitor")


def _middle(bay: Bay) -> float:
    """Of the picture across the room: that of the screen it is on."""
    (screen, *_) = bay.of(BayPart.SCREEN)
    return (screen.box.low[0] + screen.box.high[0]) / 2


def _contents(contents: tuple[Solid, ...]) -> Iterator[Shape]:
    for solid in contents:
        if solid.hinge is None and solid.group is not Group.BAY:
            meaning = "thing" if solid.group is Group.ROOM else "stored"
            shape = rectangle("front", meaning, *_face(solid.box), solid.name, Layer.OBSTRUCTIONS)
            yield replace(shape, subject=solid.key)


def _balls(layout: Layout, bay: Bay) -> Iterator[Shape]:
    for x, _ in dict.fromkeys(layout.ball_of(hand) for hand in Handedness):
        yield Shape("front", "socket", ((x, bay.surface_m),), False, label="ball")


def _player(player: Player, layout: Layout, surface_m: float) -> Iterator[Shape]:
    disc = swing_disc(player, player.longest_club)
    x, _ = layout.ball_of(player.handedness)
    outline = tuple((x + at[0], surface_m + at[2]) for at in disc.outline_m)
    club = f"{player.name}, {player.longest_club}"
    yield Shape("front", "swing-disc", outline, True, player.id, club, Layer.SWINGS)
    head_m = surface_m + player.height_m + HEAD_OVER_HEIGHT_M - HEAD_HALF_WIDTH_M
    yield Shape("front", "golfer", ((x + disc.hub_x_m, head_m),), False, player.id, player.name, Layer.SWINGS)


def _dimensions(room: Room, layout: Layout, bay: Bay) -> Iterator[Dimension]:
    width, high, middle = room.width_m, room.ceiling_m, layout.bay_middle_m(room)
    flat = room.ceiling_shape is CeilingShape.FLAT
    yield Dimension("front", "Width", (0, 0), (width, 0), width, "room.width_m")
    yield Dimension("front", "Ceiling" if flat else "Eaves", (width, 0), (width, high), high, "room.ceiling_m")
    if not flat and room.ridge_m is not None:
        yield Dimension("front", "Highest point", (0, 0), (0, room.ridge_m), room.ridge_m, "room.ridge_m")
    yield Dimension("front", "Bay's middle to left wall", (0, high), (middle, high), middle, "layout.screen_x_m")
    if bay.lens:
        x, z = bay.lens.x_m, bay.lens.height_m
        yield Dimension("front", "Lens height", (x, 0), (x, z), z, "layout.lens_height_m")


def _face(box: Box) -> tuple[Point, Point]:
    """What of a box is seen along the target line."""
    return (box.low[0], box.low[2]), (box.high[0], box.high[2])


def _around(solids: tuple[Solid, ...]) -> Box:
    low = tuple(min(solid.box.low[axis] for solid in solids) for axis in range(3))
    high = tuple(max(solid.box.high[axis] for solid in solids) for axis in range(3))
    return Box((low[0], low[1], low[2]), (high[0], high[1], high[2]))
