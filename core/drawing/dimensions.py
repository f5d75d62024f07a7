"""Dimension lines of room and layout, and the handles of what may be dragged."""

from core.bay import Bay
from core.drawing.shapes import Dimension, Handle
from core.model.brief import Handedness
from core.model.room import CeilingShape, Layout, Room
from core.model.things import BayPart

USUAL_HALF_M = 1.0
"""Half of a screen that is not chosen yet."""


def room_dimensions(room: Room) -> list[Dimension]:
    """Length, width and height."""
    length, width, high = room.length_m, room.width_m, room.ceiling_m
    flat = room.ceiling_shape is CeilingShape.FLAT
    dimensions = [
        Dimension("floor", "Length", (0, width), (length, width), length, "room.length_m"),
        Dimension("floor", "Width", (length, 0), (length, width), width, "room.width_m"),
        Dimension("section", "Ceiling" if flat else "Eaves", (length, 0), (length, high), high, "room.ceiling_m"),
    ]
    if not flat and room.ridge_m is not None:
        dimensions.append(
            Dimension("section", "Highest point", (length, 0), (length, room.ridge_m), room.ridge_m, "room.ridge_m")
        )
    return dimensions


def layout_dimensions(room: Room, layout: Layout, bay: Bay) -> list[Dimension]:
    """The room's own measurements, and how the layout shares them out."""
    length, width = room.length_m, room.width_m
    screen, ball_y, ball_x = layout.screen_y_m, layout.ball_y_m, layout.ball_x_m
    middle = layout.bay_middle_m(room)
    dimensions = [
        *room_dimensions(room),
        Dimension("floor", "Gap behind the screen", (0, 0), (screen, 0), screen, "layout.screen_y_m"),
        Dimension("floor", "Ball to screen", (screen, 0), (ball_y, 0), ball_y - screen, "layout.ball_to_screen_m"),
        Dimension("floor", "Behind the ball", (ball_y, 0), (length, 0), length - ball_y, "layout.behind_ball_m"),
        Dimension("floor", "Bay's middle to left wall", (0, 0), (0, middle), middle, "layout.screen_x_m"),
        Dimension(
            "floor",
            "Bay's middle to right wall",
            (0, middle),
            (0, width),
            width - middle,
            "layout.screen_to_right_wall_m",
        ),
        Dimension("floor", "Ball to left wall", (length, 0), (length, ball_x), ball_x, "layout.ball_x_m"),
        Dimension(
            "floor", "Ball to right wall", (length, ball_x), (length, width), width - ball_x, "layout.right_wall_m"
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
    if layout.two_spots:
        left_x, left_y = layout.ball_of(Handedness.LEFT)
        dimensions += [
            Dimension(
                "floor",
                "Left-handers' ball to left wall",
                (left_y, 0),
                (left_y, left_x),
                left_x,
                "layout.left_ball_x_m",
            ),
            Dimension(
                "floor",
                "Left-handers' ball to screen wall",
                (0, left_x),
                (left_y, left_x),
                left_y,
                "layout.left_ball_y_m",
            ),
        ]
    if bay.monitor and bay.monitor.where == "behind":
        u = ball_y + bay.monitor.distance_m
        dimensions.append(
            Dimension(
                "floor", "Monitor to ball", (ball_y, ball_x), (u, ball_x), u - ball_y, "layout.monitor_distance_m"
            )
        )
    if lens := bay.lens:
        u = screen + lens.distance_m
        dimensions += [
            Dimension("section", "Lens to screen", (screen, 0), (u, 0), lens.distance_m, "layout.lens_distance_m"),
            Dimension("section", "Lens height", (u, 0), (u, lens.height_m), lens.height_m, "layout.lens_height_m"),
        ]
    return dimensions


def layout_handles(room: Room, layout: Layout, bay: Bay) -> list[Handle]:
    """Ball, screen line, bay and projector."""
    handles = [
        Handle("floor", "ball", "Ball", (layout.ball_y_m, layout.ball_x_m), "ball_y_m", "ball_x_m"),
        Handle("section", "ball", "Ball", (layout.ball_y_m, bay.surface_m), "ball_y_m"),
        Handle("floor", "screen", "Screen line", (layout.screen_y_m, layout.bay_middle_m(room)), "screen_y_m"),
        _bay_handle(room, layout, bay),
    ]
    if layout.two_spots:
        x, y = layout.ball_of(Handedness.LEFT)
        handles.append(Handle("floor", "left-ball", "Left-handers' ball", (y, x), "left_ball_y_m", "left_ball_x_m"))
    if lens := bay.lens:
        u = layout.screen_y_m + lens.distance_m
        handles += [
            Handle("floor", "projector", "Projector", (u, lens.x_m), "lens_distance_m", "lens_x_m", layout.screen_y_m),
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


def _bay_handle(room: Room, layout: Layout, bay: Bay) -> Handle:
    """At the far end of the screen: all of the bay moves across the room with it."""
    screens = [solid.box for solid in bay.of(BayPart.SCREEN)]
    half_m = (screens[0].high[0] - screens[0].low[0]) / 2 if screens else USUAL_HALF_M
    at = layout.screen_y_m, layout.bay_middle_m(room) + half_m
    return Handle("floor", "bay", "Bay across", at, "", "screen_x_m", v_origin_m=half_m, v_least_m=2 * half_m)
