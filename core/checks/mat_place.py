"""Where the mats lie, whether all of them do between the walls, and what stands on them (physics)."""

from collections.abc import Iterator
from dataclasses import dataclass
from math import dist
from typing import Annotated, NamedTuple

from core.checks.declared import THERE
from core.checks.figures import metres, stated_input
from core.checks.floor import STRIP_LENGTH_LEAST_M, STRIP_WIDTH_LEAST_M
from core.checks.laid_floor import LaidFloor
from core.checks.limits import Limit, at_least, tightest
from core.checks.places import on
from core.checks.readings import MONITOR_BODY_M, BallPlaces, HittingSurface, MonitorSpot, hands_that_play
from core.checks.register import check, derive, derive_from_known
from core.checks.verdict import Answer, Basis, Cure, Input, press
from core.geometry.mat_place import middle_between
from core.model import acts
from core.model.brief import Brief, Handedness
from core.model.build import Slot
from core.model.facts import known
from core.model.parts import FloorStanding, Mat, SideCamera
from core.model.room import Layout, Room
from core.quantities import Sentence, say
from core.quantities.tolerances import ROUNDING


@dataclass(frozen=True)
class MatPlaces:
    """The middle of each mat: one under each ball, or one that is large enough for both."""

    middles: tuple[tuple[float, float], ...]
    shared: bool = False
    """Two balls lie on one mat."""

    def of(self, ball: tuple[float, float]) -> tuple[float, float]:
        """The middle of the mat that a ball lies on."""
        return min(self.middles, key=lambda middle: dist(middle, ball))


@dataclass(frozen=True)
class MonitorFoot:
    """What a floor-standing monitor stands on."""

    height_m: float
    """Above the bare floor, its pad included."""
    on_mat: bool
    uneven_m: float = 0.0
    """By how much the place for one hand is higher than the place for the other."""


@derive
def mat_places(
    mat: Annotated[Mat, "length_m", "width_m"], room: Annotated[Room, "length_m", "width_m"], places: BallPlaces
) -> MatPlaces:
    """Under each ball, pushed away from a wall that is in the way.

    Two balls share a mat that leaves 0.40 × 0.90 m around both of them; else each has one of its own.
    """
    sizes, spots = (known(mat, "width_m"), known(mat, "length_m")), places.spots
    between = _between_walls(
        ((places.right[0] + places.left[0]) / 2, (places.right[1] + places.left[1]) / 2), sizes, room
    )
    if len(spots) > 1 and all(_lies_on(spot, between, sizes) for spot in spots):
        return MatPlaces((between,), shared=True)
    return MatPlaces(tuple(_between_walls(spot, sizes, room) for spot in spots))


def _lies_on(ball: tuple[float, float], middle: tuple[float, float], mat_m: tuple[float, float]) -> bool:
    """What is struck lies around the ball, on the mat."""
    least = STRIP_WIDTH_LEAST_M, STRIP_LENGTH_LEAST_M
    return all(
        abs(here - there) <= (size_m - least_m) / 2 + ROUNDING
        for here, there, size_m, least_m in zip(ball, middle, mat_m, least, strict=True)
    )


def _between_walls(at: tuple[float, float], mat_m: tuple[float, float], room: Room) -> tuple[float, float]:
    return middle_between(at[0], mat_m[0], room.width_m), middle_between(at[1], mat_m[1], room.length_m)


@dataclass(frozen=True)
class MatsBought:
    """How many mats there are to buy."""

    count: int | None
    """`None` where it is not known whether two balls share one."""


@derive_from_known
def mats_bought(mats: MatPlaces | None, places: BallPlaces) -> MatsBought:
    """One for each that lies there."""
    alone = 1 if len(places.spots) == 1 else None
    return MatsBought(alone if mats is None else len(mats.middles))


@derive
def monitor_foot(
    monitor: Annotated[FloorStanding, THERE],
    spot: MonitorSpot,
    mat: Annotated[Mat, "length_m", "width_m"] | None,
    mats: MatPlaces | None,
    surface: HittingSurface,
    floor: LaidFloor | None,
    places: BallPlaces,
    brief: Annotated[Brief, "players", "visitors"],
    layout: Annotated[Layout, "monitor_pad_m"],
) -> MonitorFoot:
    """On the mat where that reaches under all of it; else on what is laid where it stands.

    Of two places, one for each hand, the one that is the most out of level decides.
    """
    beside = isinstance(monitor, SideCamera)
    stands = []
    for hand in hands_that_play(brief) or (Handedness.RIGHT,):
        ball = places.of(hand)
        at = _monitor_stands(ball, hand, spot.distance_m) if beside else (ball[0], ball[1] + spot.distance_m)
        on_mat = mat is not None and mats is not None and _reaches_under(mat, mats.of(ball), at)
        beneath_m = floor.height_m(*at) if floor is not None else 0.0
        stands.append((surface.height_m if on_mat else beneath_m, on_mat))
    foot_m, on_mat = max(stands, key=lambda stand: abs(stand[0] - surface.height_m))
    heights_m = [height_m for height_m, _ in stands]
    return MonitorFoot(foot_m + layout.monitor_pad_m, on_mat, max(heights_m) - min(heights_m))


def _monitor_stands(ball: tuple[float, float], hand: Handedness, distance_m: float) -> tuple[float, float]:
    """Beside the ball, before the player of that hand."""
    return ball[0] + (distance_m if hand is Handedness.RIGHT else -distance_m), ball[1]


def _reaches_under(mat: Mat, middle: tuple[float, float], at: tuple[float, float]) -> bool:
    """The mat reaches under all of a monitor, at whose ball it lies."""
    sizes = known(mat, "width_m"), known(mat, "length_m")
    return all(
        abs(here - there) + MONITOR_BODY_M / 2 <= size_m / 2
        for here, there, size_m in zip(at, middle, sizes, strict=True)
    )


class Side(NamedTuple):
    """The nearer of two walls, how far the ball is from it, and what of the mat is wanted there."""

    limit: Limit
    wall: str


@check("mat.room", title="Room for the mat", place=on(Slot.MAT))
def room_for_mat(
    mat: Annotated[Mat, "length_m", "strip_length_m", "strip_width_m", "width_m"],
    room: Annotated[Room, "length_m", "width_m"],
    places: BallPlaces,
    mats: MatPlaces,
) -> Answer:
    """Half of the mat finds room between the ball and each wall.

    Where a wall is nearer the mat is pushed away from it. As long as 0.40 × 0.90 m of its strip, taken to be in its
    middle, lie around the ball still, that is tight; beyond that the ball lies off the strip, or the mat has to be cut.
    One that two balls share lies between them, and is not pushed.
    """
    width_m, length_m = known(mat, "width_m"), known(mat, "length_m")
    spots = mats.middles if mats.shared else places.spots
    sides = [side for spot in spots for side in _sides(mat, room, spot)]
    decides = tightest(tuple(side.limit for side in sides))
    wall = next(side.wall for side in sides if side.limit is decides)
    return Answer(
        tuple(side.limit for side in sides),
        headline=lambda: say(
            "{has} from {what} to {wall}, half of the mat is {half}",
            has=decides.has,
            what="between the balls" if mats.shared else "the ball",
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
