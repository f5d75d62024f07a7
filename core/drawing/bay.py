"""The bay: floor, mat, enclosure, screen, monitor, picture and the projector's beam."""

from collections.abc import Iterator

from core.bay import Bay
from core.bay.bay import LAMP, MOUNT, NETTING
from core.drawing.shapes import Point, Shape, rectangle
from core.geometry.picture import Picture
from core.geometry.shadow import HEAD_OVER_HEIGHT_M, Lens, shadow_share
from core.geometry.solids import Solid
from core.geometry.swing_disc import swing_disc
from core.model.brief import Handedness, Player
from core.model.room import Layout, Room
from core.model.things import BayPart


def furniture_shapes(room: Room, layout: Layout, bay: Bay) -> Iterator[Shape]:
    """Target line, floor, and the parts of the bay as they stand."""
    for x, y in dict.fromkeys(layout.ball_of(hand) for hand in Handedness):
        yield Shape("floor", "target-line", ((layout.screen_y_m, x), (y, x)), False)
    yield from _floor_shapes(layout, bay)
    for mat in bay.of(BayPart.MAT):
        yield from _outlines("mat", (mat,), "mat")
    panels = bay.of(BayPart.ENCLOSURE)
    if panels:
        yield from _outlines("enclosure", panels, "enclosure")
    yield from _screen_shapes(room, layout, bay)
    for solid in bay.of(NETTING, MOUNT, LAMP):
        yield from _outlines(solid.key, (solid,), solid.name)
    yield from _monitor_shapes(bay)


def _floor_shapes(layout: Layout, bay: Bay) -> Iterator[Shape]:
    """Every layer from the side where the ball lies over it, and from above where it covers a part of the floor."""
    for layer in bay.floor:
        x0, y0, x1, y1 = layer.zone
        if x0 <= layout.ball_x_m <= x1:
            yield rectangle("section", "floor", (y0, layer.foot_m), (y1, layer.top_m))
        if not layer.is_wall_to_wall:
            yield rectangle("floor", "floor-layer", (y0, x0), (y1, x1), layer.name)


def _outlines(meaning: str, solids: tuple[Solid, ...], label: str = "") -> Iterator[Shape]:
    """What `solids` take up together, seen from above and from the side; the name is told in the first."""
    low = tuple(min(solid.box.low[axis] for solid in solids) for axis in range(3))
    high = tuple(max(solid.box.high[axis] for solid in solids) for axis in range(3))
    yield rectangle("floor", meaning, (low[1], low[0]), (high[1], high[0]), label)
    yield rectangle("section", meaning, (low[1], low[2]), (high[1], high[2]))


def _screen_shapes(room: Room, layout: Layout, bay: Bay) -> Iterator[Shape]:
    """The screen as a line; while none hangs there, the line where one would."""
    screens = bay.of(BayPart.SCREEN)
    u = layout.screen_y_m
    if screens:
        (x0, _, z0), (x1, _, z1) = screens[0].box.low, screens[0].box.high
    else:
        x0, x1, z0, z1 = 0.0, room.width_m, layout.screen_bottom_m, room.ceiling_m
    meaning = "screen" if screens else "screen-line"
    yield Shape("floor", meaning, ((u, x0), (u, x1)), False, label="screen")
    yield Shape("section", meaning, ((u, z0), (u, z1)), False, label="screen")


def _monitor_shapes(bay: Bay) -> Iterator[Shape]:
    """Where it is, for each hand; from the side the first hides the others."""
    spots = [
        _spots(solid, overhead=bay.monitor is not None and bay.monitor.where == "overhead")
        for solid in bay.of(BayPart.MONITOR)
    ]
    yield from (Shape("floor", "monitor", (above,), False, label="monitor") for above, _ in spots)
    yield from (Shape("section", "monitor", (beside,), False, label="monitor") for _, beside in spots[:1])


def _spots(solid: Solid, *, overhead: bool) -> tuple[Point, Point]:
    """The middle of a body from above, and where it stands or hangs from the side."""
    (x0, y0, z0), (x1, y1, z1) = solid.box.low, solid.box.high
    u = (y0 + y1) / 2
    return (u, (x0 + x1) / 2), (u, z1 if overhead else z0)


def beam_shapes(lens: Lens, picture: Picture, room: Room, layout: Layout) -> list[Shape]:
    """The picture and the light that makes it."""
    screen_m, lens_m, middle_m = layout.screen_y_m, layout.screen_y_m + lens.distance_m, layout.bay_middle_m(room)
    left, right = (screen_m, middle_m - picture.width_m / 2), (screen_m, middle_m + picture.width_m / 2)
    low, high = (screen_m, picture.bottom_m), (screen_m, picture.top_m)
    return [
        Shape("floor", "beam", ((lens_m, lens.x_m), left, right)),
        Shape("section", "beam", ((lens_m, lens.height_m), low, high)),
        Shape("floor", "picture", (left, right), False),
        Shape("section", "picture", (low, high), False),
    ]


def shadow_shapes(
    lens: Lens,
    picture: Picture,
    middle_m: float,
    layout: Layout,
    players: tuple[Player, ...],
    surface_m: float,
) -> list[Shape]:
    """What golfers at the ball shade of the picture."""
    shapes = []
    for player in players:
        head_m = surface_m + player.height_m + HEAD_OVER_HEIGHT_M
        ball_x_m, ball_y_m = layout.ball_of(player.handedness)
        head_x_m = ball_x_m + swing_disc(player, player.longest_club).hub_x_m
        reaches = shadow_share(lens, picture, middle_m, head_x_m, head_m, ball_y_m - layout.screen_y_m)
        if reaches > 0:
            low = (layout.screen_y_m, picture.bottom_m)
            high = (layout.screen_y_m, picture.bottom_m + reaches * picture.height_m)
            shapes.append(Shape("section", "shadow", (low, high), False, player.name, f"shadow of {player.name}"))
    return shapes
