"""The bay: floor, mat, enclosure, screen, monitor, picture and the projector's beam."""

from typing import Literal

from core.drawing.shapes import Shape, rectangle
from core.geometry.furnishing import Furnishing
from core.geometry.picture import Picture
from core.geometry.shadow import HEAD_OVER_HEIGHT_M, Lens, shadow_share
from core.geometry.swing_disc import swing_disc
from core.model.brief import Handedness, Player
from core.model.room import Layout, Room


def furniture_shapes(room: Room, layout: Layout, players: tuple[Player, ...], furnishing: Furnishing) -> list[Shape]:
    """Target line, floor, mat, enclosure, screen and monitor."""
    middle_m, screen_m = room.width_m / 2, layout.screen_y_m
    aim = ((screen_m, layout.ball_x_m), (layout.ball_y_m, layout.ball_x_m))
    shapes = [Shape("plan", "target-line", aim, False)]
    if furnishing.floor_m:
        shapes.append(rectangle("section", "floor", (0, 0), (room.length_m, furnishing.floor_m)))
    if furnishing.mat:
        wide, long = furnishing.mat
        low = (layout.ball_y_m - long / 2, layout.ball_x_m - wide / 2)
        high = (layout.ball_y_m + long / 2, layout.ball_x_m + wide / 2)
        shapes.append(rectangle("plan", "mat", low, high, "mat"))
        shapes.append(rectangle("section", "mat", (low[0], 0), (high[0], furnishing.surface_m)))
    if furnishing.enclosure:
        hood = furnishing.enclosure
        wide, high_m, deep = hood.outer_width_m, hood.outer_height_m, hood.depth_m
        shapes.append(
            rectangle(
                "plan",
                "enclosure",
                (screen_m, middle_m - wide / 2),
                (screen_m + deep, middle_m + wide / 2),
                "enclosure",
            )
        )
        shapes.append(rectangle("section", "enclosure", (screen_m, 0), (screen_m + deep, high_m)))
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


def beam_shapes(lens: Lens, picture: Picture, room: Room, layout: Layout) -> list[Shape]:
    """The picture and the light that makes it."""
    screen_m, lens_m, middle_m = layout.screen_y_m, layout.screen_y_m + lens.distance_m, room.width_m / 2
    left, right = (screen_m, middle_m - picture.width_m / 2), (screen_m, middle_m + picture.width_m / 2)
    low, high = (screen_m, picture.bottom_m), (screen_m, picture.top_m)
    return [
        Shape("plan", "beam", ((lens_m, lens.x_m), left, right)),
        Shape("section", "beam", ((lens_m, lens.height_m), low, high)),
        Shape("plan", "picture", (left, right), False),
        Shape("section", "picture", (low, high), False),
    ]


def shadow_shapes(
    lens: Lens, picture: Picture, layout: Layout, players: tuple[Player, ...], furnishing: Furnishing
) -> list[Shape]:
    """What golfers at the ball shade of the picture."""
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
