"""Whether all of the mat lies between the walls with its strip under the ball (physics)."""

from collections.abc import Iterator
from typing import Annotated, NamedTuple

from core.checks.figures import metres, stated_input
from core.checks.floor import STRIP_LENGTH_LEAST_M, STRIP_WIDTH_LEAST_M
from core.checks.limits import Limit, at_least, tightest
from core.checks.places import on
from core.checks.readings import BallPlaces
from core.checks.register import check
from core.checks.verdict import Answer, Basis, Cure, Input, press
from core.geometry.mat_place import middle_between
from core.model import acts
from core.model.brief import Handedness
from core.model.build import Slot
from core.model.facts import known
from core.model.parts import Mat
from core.model.room import Room
from core.quantities import Sentence, say


class Side(NamedTuple):
    """The nearer of two walls, how far the ball is from it, and what of the mat is wanted there."""

    limit: Limit
    wall: str


@check("mat.room", title="Room for the mat", place=on(Slot.MAT))
def room_for_mat(
    mat: Annotated[Mat, "length_m", "strip_length_m", "strip_width_m", "width_m"],
    room: Annotated[Room, "length_m", "width_m"],
    places: BallPlaces,
) -> Answer:
    """Half of the mat finds room between the ball and each wall.

    Where a wall is nearer the mat is pushed away from it. As long as 0.40 × 0.90 m of its strip, taken to be in its
    middle, lie around the ball still, that is tight; beyond that the ball lies off the strip, or the mat has to be cut.
    """
    width_m, length_m = known(mat, "width_m"), known(mat, "length_m")
    sides = [side for spot in places.spots for side in _sides(mat, room, spot)]
    decides = tightest(tuple(side.limit for side in sides))
    wall = next(side.wall for side in sides if side.limit is decides)
    return Answer(
        tuple(side.limit for side in sides),
        headline=lambda: say(
            "{has} from the ball to {wall}, half of the mat is {half}",
            has=decides.has,
            wall=wall,
            half=metres(decides.comfortable),
        ),
        formula="ball to the nearer wall − half of the mat, less half of what its strip has over 0.40 × 0.90 m",
        inputs=lambda: (
            stated_input("Mat, wide", metres(width_m)),
            stated_input("Mat, long", metres(length_m)),
            Input("Room, wide", metres(room.width_m), Basis.MEASURED),
            Input("Room, long", metres(room.length_m), Basis.MEASURED),
        ),
        cures=lambda: _cures((width_m, length_m), room, places),
        basis=Basis.PHYSICS,
    )


def _sides(mat: Mat, room: Room, spot: tuple[float, float]) -> Iterator[Side]:
    for ball_m, size, room_m, strip, least_m, walls in (
        (spot[0], "width_m", room.width_m, "strip_width_m", STRIP_WIDTH_LEAST_M, ("the left wall", "the right wall")),
        (
            spot[1],
            "length_m",
            room.length_m,
            "strip_length_m",
            STRIP_LENGTH_LEAST_M,
            ("the screen wall", "the rear wall"),
        ),
    ):
        has_m, wall = min((ball_m, walls[0]), (room_m - ball_m, walls[1]))
        half_m = known(mat, size) / 2
        pushed = has_m < half_m and 2 * half_m <= room_m
        spare_m = max(0.0, known(mat, strip) - least_m) / 2 if pushed else 0.0
        yield Side(at_least(has_m, half_m - spare_m, half_m), wall)


def _cures(mat_m: tuple[float, float], room: Room, places: BallPlaces) -> tuple[Sentence | Cure, ...]:
    room_m = room.width_m, room.length_m
    if any(size > there for size, there in zip(mat_m, room_m, strict=True)):
        return (say("Choose a smaller mat, or cut this one to the room."),)
    put = []
    for hand in Handedness:
        x_m, y_m = (middle_between(*along) for along in zip(places.of(hand), mat_m, room_m, strict=True))
        put.append(acts.ball_put(x_m, y_m, (hand,), one_for_all=len(places.spots) == 1))
    return (
        press(acts.together(*put), "Move the ball until all of the mat lies between the walls."),
        say("Choose a smaller mat."),
    )
