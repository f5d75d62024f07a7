"""The drawing as geometry with meaning: plan and side section, dimension lines, and what may be dragged.

Both views share the horizontal axis u, along the target line from the wall behind the screen. In the plan v is
the distance from the left wall, in the section the height above the bare floor. All metres, v upward.
"""

from dataclasses import dataclass
from typing import Literal

from core.geometry.ceiling import Ceiling
from core.geometry.picture import Picture
from core.geometry.shadow import HEAD_HALF_WIDTH_M, HEAD_OVER_HEIGHT_M, Lens, shadow_share
from core.geometry.swing_disc import swing_disc
from core.model.brief import Handedness, Player
from core.model.room import CeilingShape, Layout, Room

View = Literal["plan", "section"]
Point = tuple[float, float]


@dataclass(frozen=True)
class Shape:
    """A polygon, line or point. `meaning` says what it is; `subject` whose, where it belongs to a player."""

    view: View
    meaning: str
    points: tuple[Point, ...]
    closed: bool = True
    subject: str = ""
    label: str = ""


@dataclass(frozen=True)
class Dimension:
    """A measured line. `field` names what typing on it changes; empty where it only follows."""

    view: View
    label: str
    start: Point
    end: Point
    value_m: float
    field: str = ""


@dataclass(frozen=True)
class Handle:
    """Something that may be dragged: `u_field` takes u − `u_origin`, `v_field` takes v; empty where it cannot go."""

    view: View
    target: str
    label: str
    at: Point
    u_field: str
    v_field: str = ""
    u_origin_m: float = 0.0


@dataclass(frozen=True)
class Scene:
    """All that the drawing shows."""

    length_m: float
    width_m: float
    height_m: float
    shapes: tuple[Shape, ...]
    dimensions: tuple[Dimension, ...]
    handles: tuple[Handle, ...]


@dataclass(frozen=True)
class Furnishing:
    """What of the chain takes up space, sizes in metres; `None` where nothing hangs or its size is not known."""

    surface_m: float = 0.0
    floor_m: float = 0.0
    screen: tuple[float, float] | None = None
    """Width and height."""
    enclosure: tuple[float, float, float] | None = None
    """Outer width, outer height, depth."""
    mat: tuple[float, float] | None = None
    """Width and length."""
    monitor: tuple[Literal["behind", "beside", "overhead"], float] | None = None
    """Where it is and how far from the ball: behind, beside, or ahead on the ceiling."""
    picture: Picture | None = None
    lens: Lens | None = None


def scene_of(
    room: Room,
    layout: Layout,
    players: tuple[Player, ...],
    furnishing: Furnishing,
    ceiling: Ceiling | None,
    hitting: tuple[tuple[Point, ...], ...] = (),
) -> Scene:
    """The drawing of a room with what stands, hangs and swings in it; flat while the ceiling is not known.

    `hitting` holds the corners (x, y) of the regions the ball may be in.
    """
    regions = [Shape("plan", "hitting-region", tuple((y, x) for x, y in corners)) for corners in hitting if corners]
    shapes = [*_room_shapes(room, layout, ceiling), *regions, *_furniture_shapes(room, layout, players, furnishing)]
    for player in players:
        shapes += _player_shapes(player, layout, furnishing)
    if furnishing.lens and furnishing.picture:
        shapes += _beam_shapes(furnishing.lens, furnishing.picture, room, layout)
        shapes += _shadow_shapes(furnishing.lens, furnishing.picture, layout, players, furnishing)
    return Scene(
        length_m=room.length_m,
        width_m=room.width_m,
        height_m=max(room.ceiling_m, room.ridge_m or 0.0) if ceiling and not ceiling.is_flat else room.ceiling_m,
        shapes=tuple(shapes),
        dimensions=tuple(_dimensions(room, layout, furnishing)),
        handles=tuple(_handles(room, layout, furnishing)),
    )


def _box(view: View, meaning: str, low: Point, high: Point, label: str = "") -> Shape:
    (u0, v0), (u1, v1) = low, high
    return Shape(view, meaning, ((u0, v0), (u1, v0), (u1, v1), (u0, v1)), label=label)


def _room_shapes(room: Room, layout: Layout, ceiling: Ceiling | None) -> list[Shape]:
    shapes = [
        _box("plan", "room", (0, 0), (room.length_m, room.width_m)),
        Shape("section", "room", ((0, 0), (room.length_m, 0), *_roof(room, layout, ceiling))),
    ]
    if room.ceiling_shape is CeilingShape.RIDGE_ALONG:
        middle_m = room.width_m / 2
        shapes.append(Shape("plan", "ridge", ((0, middle_m), (room.length_m, middle_m)), False))
        if room.ridge_m is not None:
            shapes.append(Shape("section", "ridge", ((0, room.ridge_m), (room.length_m, room.ridge_m)), False))
    elif room.ceiling_shape is CeilingShape.RIDGE_ACROSS:
        middle_m = room.length_m / 2
        shapes.append(Shape("plan", "ridge", ((middle_m, 0), (middle_m, room.width_m)), False))
    if room.ceiling_shape in (CeilingShape.RIDGE_ALONG, CeilingShape.HIGH_LEFT, CeilingShape.HIGH_RIGHT):
        eaves = ((0.0, room.ceiling_m), (room.length_m, room.ceiling_m))
        shapes.append(Shape("section", "ridge", eaves, False, label="eaves"))
    if room.lining_m:
        roof = _roof(room, layout, ceiling)
        thick_m = room.lining_m
        shapes.append(Shape("section", "lining", (*roof, *((u, v - thick_m) for u, v in reversed(roof)))))
    if room.wall_foam_m:
        shapes.append(_box("plan", "foam", (0, 0), (room.wall_foam_m, room.width_m)))
        shapes.append(_box("section", "foam", (0, 0), (room.wall_foam_m, room.ceiling_m)))
    shapes.append(
        Shape("plan", "target-line", ((layout.screen_y_m, layout.ball_x_m), (layout.ball_y_m, layout.ball_x_m)), False)
    )
    return shapes


def _roof(room: Room, layout: Layout, ceiling: Ceiling | None) -> tuple[Point, ...]:
    """The ceiling's outline over the ball line, from the rear wall to the one behind the screen, lining included."""
    if ceiling is None:
        return (room.length_m, room.ceiling_m), (0, room.ceiling_m)
    lining_m = room.lining_m * ceiling.planes[0].steepness
    bends = (room.length_m, room.length_m / 2, 0.0) if len(ceiling.planes) > 1 else (room.length_m, 0.0)
    return tuple((y, ceiling.height_m(layout.ball_x_m, y) + lining_m) for y in bends)


def _furniture_shapes(room: Room, layout: Layout, players: tuple[Player, ...], furnishing: Furnishing) -> list[Shape]:
    middle_m, screen_m = room.width_m / 2, layout.screen_y_m
    shapes: list[Shape] = []
    if furnishing.floor_m:
        shapes.append(_box("section", "floor", (0, 0), (room.length_m, furnishing.floor_m)))
    if furnishing.mat:
        wide, long = furnishing.mat
        low = (layout.ball_y_m - long / 2, layout.ball_x_m - wide / 2)
        high = (layout.ball_y_m + long / 2, layout.ball_x_m + wide / 2)
        shapes.append(_box("plan", "mat", low, high, "mat"))
        shapes.append(_box("section", "mat", (low[0], 0), (high[0], furnishing.surface_m)))
    if furnishing.enclosure:
        wide, high_m, deep = furnishing.enclosure
        shapes.append(
            _box(
                "plan",
                "enclosure",
                (screen_m, middle_m - wide / 2),
                (screen_m + deep, middle_m + wide / 2),
                "enclosure",
            )
        )
        shapes.append(_box("section", "enclosure", (screen_m, 0), (screen_m + deep, high_m)))
    wide, high_m = furnishing.screen or (0.0, 0.0)
    half_m = wide / 2 or middle_m
    bottom_m = layout.screen_bottom_m
    top_m = bottom_m + high_m if high_m else room.ceiling_m
    meaning = "screen" if furnishing.screen else "screen-line"
    shapes.append(
        Shape("plan", meaning, ((screen_m, middle_m - half_m), (screen_m, middle_m + half_m)), False, label="screen")
    )
    shapes.append(Shape("section", meaning, ((screen_m, bottom_m), (screen_m, top_m)), False, label="screen"))
    if furnishing.monitor:
        shapes += _monitor_shapes(*furnishing.monitor, room, layout, players, furnishing)
    return shapes


def _monitor_shapes(
    where: Literal["behind", "beside", "overhead"],
    distance_m: float,
    room: Room,
    layout: Layout,
    players: tuple[Player, ...],
    furnishing: Furnishing,
) -> list[Shape]:
    ball_y_m, ball_x_m = layout.ball_y_m, layout.ball_x_m
    foot_m = furnishing.floor_m + layout.monitor_pad_m
    if where == "behind":
        spots = [(ball_y_m + distance_m, ball_x_m, foot_m)]
    elif where == "overhead":
        spots = [(ball_y_m - distance_m, ball_x_m, room.ceiling_m - room.lining_m)]
    else:
        hands = {player.handedness for player in players} or {Handedness.RIGHT}
        sides = [1 if hand is Handedness.RIGHT else -1 for hand in sorted(hands)]
        spots = [(ball_y_m, ball_x_m + side * distance_m, foot_m) for side in sides]
    shapes = [Shape("plan", "monitor", ((u, across),), False, label="monitor") for u, across, _ in spots]
    shapes += [Shape("section", "monitor", ((u, up),), False, label="monitor") for u, _, up in spots[:1]]
    return shapes


def _player_shapes(player: Player, layout: Layout, furnishing: Furnishing) -> list[Shape]:
    disc = swing_disc(player, player.longest_club)
    ball_x, ball_y, ball_z = layout.ball_x_m, layout.ball_y_m, furnishing.surface_m
    plan = tuple((ball_y + y, ball_x + x) for x, y, _ in disc.outline_m)
    section = tuple((ball_y + y, ball_z + z) for _, y, z in disc.outline_m)
    head_m = furnishing.surface_m + player.height_m + HEAD_OVER_HEIGHT_M
    head_x_m = layout.ball_x_m + disc.hub_x_m
    club = f"{player.name}, {player.longest_club}"
    return [
        Shape("plan", "swing-disc", plan, True, player.name, club),
        Shape("section", "swing-disc", section, True, player.name, club),
        Shape("plan", "golfer", ((layout.ball_y_m, head_x_m),), False, player.name, player.name),
        Shape("section", "golfer", ((layout.ball_y_m, head_m - HEAD_HALF_WIDTH_M),), False, player.name, player.name),
    ]


def _beam_shapes(lens: Lens, picture: Picture, room: Room, layout: Layout) -> list[Shape]:
    screen_m, lens_m, middle_m = layout.screen_y_m, layout.screen_y_m + lens.distance_m, room.width_m / 2
    left, right = (screen_m, middle_m - picture.width_m / 2), (screen_m, middle_m + picture.width_m / 2)
    low, high = (screen_m, picture.bottom_m), (screen_m, picture.top_m)
    return [
        Shape("plan", "beam", ((lens_m, lens.x_m), left, right)),
        Shape("section", "beam", ((lens_m, lens.height_m), low, high)),
        Shape("plan", "picture", (left, right), False),
        Shape("section", "picture", (low, high), False),
    ]


def _shadow_shapes(
    lens: Lens, picture: Picture, layout: Layout, players: tuple[Player, ...], furnishing: Furnishing
) -> list[Shape]:
    shapes = []
    for player in players:
        head_m = furnishing.surface_m + player.height_m + HEAD_OVER_HEIGHT_M
        head_x_m = layout.ball_x_m + swing_disc(player, player.longest_club).hub_x_m
        reaches = shadow_share(lens, picture, head_x_m, head_m, layout.ball_to_screen_m)
        if reaches > 0:
            low = (layout.screen_y_m, picture.bottom_m)
            high = (layout.screen_y_m, picture.bottom_m + reaches * picture.height_m)
            shapes.append(Shape("section", "shadow", (low, high), False, player.name, f"shadow of {player.name}"))
    return shapes


def _dimensions(room: Room, layout: Layout, furnishing: Furnishing) -> list[Dimension]:
    length, width, high = room.length_m, room.width_m, room.ceiling_m
    flat = room.ceiling_shape is CeilingShape.FLAT
    screen, ball_y, ball_x = layout.screen_y_m, layout.ball_y_m, layout.ball_x_m
    dimensions = [
        Dimension("plan", "Length", (0, width), (length, width), length, "room.length_m"),
        Dimension("plan", "Width", (length, 0), (length, width), width, "room.width_m"),
        Dimension("section", "Ceiling" if flat else "Eaves", (length, 0), (length, high), high, "room.ceiling_m"),
        Dimension("plan", "Gap behind the screen", (0, 0), (screen, 0), screen, "layout.screen_y_m"),
        Dimension("plan", "Ball to screen", (screen, 0), (ball_y, 0), ball_y - screen, "layout.ball_to_screen_m"),
        Dimension("plan", "Behind the ball", (ball_y, 0), (length, 0), length - ball_y, "layout.behind_ball_m"),
        Dimension("plan", "Ball to left wall", (length, 0), (length, ball_x), ball_x, "layout.ball_x_m"),
        Dimension(
            "plan", "Ball to right wall", (length, ball_x), (length, width), width - ball_x, "layout.right_wall_m"
        ),
        Dimension(
            "section",
            "Under the screen",
            (screen, 0),
            (screen, layout.screen_bottom_m),
            layout.screen_bottom_m,
            "layout.screen_bottom_m",
        ),
    ]
    if not flat and room.ridge_m is not None:
        dimensions.append(
            Dimension("section", "Highest point", (length, 0), (length, room.ridge_m), room.ridge_m, "room.ridge_m")
        )
    if furnishing.monitor and furnishing.monitor[0] == "behind":
        u = ball_y + furnishing.monitor[1]
        dimensions.append(
            Dimension("plan", "Monitor to ball", (ball_y, ball_x), (u, ball_x), u - ball_y, "layout.monitor_distance_m")
        )
    if lens := furnishing.lens:
        u = screen + lens.distance_m
        dimensions += [
            Dimension("section", "Lens to screen", (screen, 0), (u, 0), lens.distance_m, "layout.lens_distance_m"),
            Dimension("section", "Lens height", (u, 0), (u, lens.height_m), lens.height_m, "layout.lens_height_m"),
        ]
    return dimensions


def _handles(room: Room, layout: Layout, furnishing: Furnishing) -> list[Handle]:
    handles = [
        Handle("plan", "ball", "Ball", (layout.ball_y_m, layout.ball_x_m), "ball_y_m", "ball_x_m"),
        Handle("section", "ball", "Ball", (layout.ball_y_m, furnishing.surface_m), "ball_y_m"),
        Handle("plan", "screen", "Screen line", (layout.screen_y_m, room.width_m / 2), "screen_y_m"),
    ]
    if lens := furnishing.lens:
        u = layout.screen_y_m + lens.distance_m
        handles += [
            Handle("plan", "projector", "Projector", (u, lens.x_m), "lens_distance_m", "", layout.screen_y_m),
            Handle(
                "section",
                "projector",
                "Projector",
                (u, lens.height_m),
                "lens_distance_m",
                "lens_height_m",
                layout.screen_y_m,
            ),
        ]
    return handles
