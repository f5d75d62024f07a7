"""Moving things on the drawing: any of its dimensions may be typed, and the rest follows."""

from collections.abc import Mapping

from core.model.laying import Laid
from core.model.record import Metres
from core.model.room import Layout, MatLies, Room
from core.model.things import BayPart


class LayoutMove(Laid):
    """What can be set of a layout: its own fields, and the distances that mean one of them."""

    ball_x_m: Metres | None = None
    ball_y_m: Metres | None = None
    screen_y_m: Metres | None = None
    screen_x_m: Metres | None = None
    screen_bottom_m: Metres | None = None
    left_ball_x_m: Metres | None = None
    left_ball_y_m: Metres | None = None
    lens_distance_m: Metres | None = None
    lens_x_m: Metres | None = None
    lens_height_m: Metres | None = None
    monitor_distance_m: Metres | None = None
    monitor_drop_m: Metres | None = None
    monitor_pad_m: Metres | None = None
    machine_x_m: Metres | None = None
    machine_y_m: Metres | None = None
    ball_to_screen_m: Metres | None = None
    behind_ball_m: Metres | None = None
    right_wall_m: Metres | None = None
    screen_to_right_wall_m: Metres | None = None
    mat_lies: MatLies | None = None
    stays_up: tuple[BayPart, ...] | None = None


MEANT_BY = {
    "ball_x_m": ("right_wall_m",),
    "ball_y_m": ("ball_to_screen_m", "behind_ball_m"),
    "left_ball_x_m": (),
    "left_ball_y_m": (),
    "lens_x_m": (),
    "screen_x_m": ("screen_to_right_wall_m",),
    "screen_y_m": (),
    "floor_x_m": (),
    "floor_y_m": (),
}
"""Places on the floor, each with the distances that mean it."""
CLEARABLE = frozenset(
    {
        *Laid.model_fields,
        "left_ball_x_m",
        "left_ball_y_m",
        "lens_distance_m",
        "lens_height_m",
        "lens_x_m",
        "machine_x_m",
        "machine_y_m",
        "mat_lies",
        "monitor_distance_m",
        "screen_x_m",
    }
)
"""Left empty, the core proposes a value."""


def layout_changes(layout: Layout, room: Room, move: LayoutMove, typed: frozenset[str]) -> dict[str, object]:
    """What `move` changes in `layout`, in the layout's own fields; `typed` names the fields that were given."""
    changes = {
        field: getattr(move, field)
        for field in Layout.model_fields
        if field in typed and (getattr(move, field) is not None or field in CLEARABLE)
    }
    screen_y_m = changes.get("screen_y_m", layout.screen_y_m)
    if move.ball_to_screen_m is not None:
        changes["ball_y_m"] = screen_y_m + move.ball_to_screen_m
    if move.behind_ball_m is not None:
        changes["ball_y_m"] = room.length_m - move.behind_ball_m
    if move.right_wall_m is not None:
        changes["ball_x_m"] = room.width_m - move.right_wall_m
    if move.screen_to_right_wall_m is not None:
        changes["screen_x_m"] = room.width_m - move.screen_to_right_wall_m
    if not layout.ball_placed and changes.keys() & {"ball_x_m", "ball_y_m"}:
        changes["ball_placed"] = True
    return changes


def outside(changes: Mapping[str, object], room: Room, typed: frozenset[str]) -> list[tuple[str, float]]:
    """What `changes` would put outside `room`: the field that was typed, and how far the room goes.

    What is outside already, since the room was measured smaller, is told by the checks.
    """
    found = []
    for field, meant_by in MEANT_BY.items():
        place, most_m = changes.get(field), room.width_m if field.endswith("x_m") else room.length_m
        meant = next((name for name in meant_by if name in typed), field)
        # A place that was typed as such has a least of its own.
        if isinstance(place, int | float) and (place > most_m or (place < 0 and meant != field)):
            found.append((meant, most_m))
    return found
