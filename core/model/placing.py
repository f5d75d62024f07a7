"""Where things are before anybody puts them somewhere."""

from core.model.build import Build
from core.model.room import Layout, Room

BALL_TO_SCREEN_M = 3.0
"""Where the ball goes in a room that is new, turned or measured anew: the comfortable distance (trade)."""
BEHIND_M = 1.0
BALL_DECIMALS = 4
PLACES = (
    "left_ball_x_m",
    "left_ball_y_m",
    "lens_distance_m",
    "lens_height_m",
    "lens_x_m",
    "monitor_distance_m",
    "screen_x_m",
)
"""Of the layout, what is proposed or follows as long as nobody says."""


def begun(name: str) -> Build:
    """A build of which nothing is known yet: a usual room, and a ball that follows what is measured of it."""
    build = Build(name=name)
    return build.model_copy(update={"layout": proposed_in(build.room, build.layout)})


def proposed_in(room: Room, layout: Layout) -> Layout:
    """`layout` for another floor, where nobody has put anything yet: ball, bay, lens and monitor as proposed."""
    places = dict.fromkeys(PLACES)
    return with_ball_following(room, layout.model_copy(update={**places, "ball_placed": False}))


def with_ball_following(room: Room, layout: Layout) -> Layout:
    """`layout` with a ball that nobody placed before the middle of the bay, at a comfortable distance where it can.

    >>> nobody = Layout(ball_placed=False)
    >>> [with_ball_following(Room(width_m=w, length_m=l), nobody).ball_y_m for w, l in ((4.0, 6.0), (4.0, 3.0))]
    [3.4, 2.0]
    """
    if layout.ball_placed:
        return layout
    furthest_m = max(layout.screen_y_m, room.length_m - BEHIND_M)
    x_m, y_m = layout.bay_middle_m(room), min(layout.screen_y_m + BALL_TO_SCREEN_M, furthest_m)
    return layout.model_copy(update={"ball_x_m": round(x_m, BALL_DECIMALS), "ball_y_m": round(y_m, BALL_DECIMALS)})
