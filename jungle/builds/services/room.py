"""The room and what is placed in it."""

from collections.abc import Mapping

from core.model.build import Build
from core.model.laying import Laid
from core.model.moves import LayoutMove, layout_changes, outside
from core.model.placing import with_ball_following
from core.model.room import Room
from core.model.typed import FieldErrors, with_changes
from core.quantities import UnitSystem, format_length
from jungle.builds.models import StoredBuild
from jungle.builds.services.editing import On, edit, field_words
from jungle.builds.services.people import units_of


def measure_room(on: On, changes: Mapping[str, object]) -> StoredBuild:
    """Enter measurements of the room; what was a first guess no longer is one."""
    units = units_of(on.actor)

    def change(build: Build) -> Build:
        guessed = tuple(field for field in build.room.guessed if field not in changes)
        room = with_changes(build.room, {**changes, "guessed": guessed}, units, build.brief.currency)
        return build.model_copy(update={"room": room, "layout": with_ball_following(room, build.layout)})

    return edit(on, f"Room: {field_words(changes)}", change)


def move(on: On, changes: Mapping[str, object]) -> StoredBuild:
    """Move the ball, the screen line, the projector or the monitor."""
    units = units_of(on.actor)
    return edit(on, f"Moved the {_things(changes)}", lambda build: design_moved(build, changes, units))


def design_moved(build: Build, changes: Mapping[str, object], units: UnitSystem) -> Build:
    """`build` with something moved, nothing stored: what a drag shows on its way."""
    given = with_changes(LayoutMove(), changes, units, build.brief.currency)
    typed = frozenset(changes)
    placed = layout_changes(build.layout, build.room, given, typed)
    refuse_outside(placed, build.room, changes, units)
    layout = with_changes(build.layout, placed, units, build.brief.currency)
    return build.model_copy(update={"layout": with_ball_following(build.room, layout)})


def refuse_outside(placed: Mapping[str, object], room: Room, changes: Mapping[str, object], units: UnitSystem) -> None:
    """Raise `FieldErrors` where `placed` is outside the room; `changes` are what was typed for it."""
    if beyond := outside(placed, room, frozenset(changes)):
        raise FieldErrors(
            [
                (field, changes[field], f"a place inside the room, which is {format_length(most_m, units)} that way")
                for field, most_m in beyond
            ]
        )


def _things(changes: Mapping[str, object]) -> str:
    """What a move is of: `ball_x_m` and `ball_y_m` are both the ball."""
    return " and ".join(dict.fromkeys(_MOVED_THINGS.get(field, "ball") for field in changes))


_MOVED_THINGS = {
    "screen_y_m": "screen line",
    "screen_x_m": "bay",
    "screen_to_right_wall_m": "bay",
    "screen_bottom_m": "screen",
    "left_ball_x_m": "left-handers' ball",
    "left_ball_y_m": "left-handers' ball",
    "lens_distance_m": "projector",
    "lens_x_m": "projector",
    "lens_height_m": "projector",
    "monitor_distance_m": "monitor",
    "monitor_drop_m": "monitor's drop rod",
    "monitor_pad_m": "monitor's pad",
    "mat_lies": "mat",
    **dict.fromkeys(Laid.model_fields, "floor covering"),
    "stays_up": "parts that stay up",
}
