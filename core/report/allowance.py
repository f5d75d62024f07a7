"""What a room allows before any part is chosen: clubs, spot, kinds of monitor, picture, throw, enclosure (trade)."""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from enum import StrEnum

from core.checks.along import (
    BEHIND_BALL_OVER_RADIUS_M,
    GAP_COMFORT_M,
)
from core.checks.figures import metres
from core.checks.readings import MONITOR_BODY_M, PROJECTOR_BODY_M
from core.checks.swing import SWING_CLEARANCE_M
from core.checks.verdict import State, judge
from core.geometry.ceiling import Ceiling, ceiling_of
from core.geometry.picture import fit_shape
from core.geometry.solids import SIDE_BULGE_M, stored_solids, thing_solids
from core.geometry.surroundings import Surroundings
from core.geometry.swing_disc import COMFORT_M, swing_disc
from core.model.brief import Handedness, Player
from core.model.clubs import Club
from core.model.room import Layout, Room
from core.quantities import say
from core.report.hitting import HittingSpot, hitting_spots

SHAPES = ("16:9", "16:10", "4:3", "1:1")
FRAME_M = 0.10
"""Border and frame around a picture (trade)."""
RADAR_BEHIND_M = 2.0
FLIGHT_LEAST_M = 2.4
BESIDE_M = 0.6
"""Ball to the middle of a camera beside it (trade)."""
OVERHEAD_LEAST_M = 2.7
"""Least mounting height that makers of overhead cameras usually state (trade)."""
OVERHEAD_AHEAD_M = 0.85
COMFORT_LEFT_M = 0.15
WORTHWHILE_PICTURE_M = 2.4
"""A picture of 16:9 from this width on fills the eye from 3 m (trade)."""
HALVINGS = 24


RULES_OF_THUMB = (
    say("Worked out with the screen {gap} off its wall.", gap=metres(GAP_COMFORT_M)),
    say(
        "By rule of thumb {high} of ceiling suits nearly everybody, {usual} most adults; below {low} the driver goes.",
        high=metres(3.05),
        usual=metres(2.75),
        low=metres(2.6),
    ),
    say(
        "About {one} of width is the least for one hand hitting off centre; {both} serves both from the centre.",
        one=metres(3.0),
        both=metres(4.5),
    ),
)
"""Trade; what is computed here agrees with them."""


class MonitorKind(StrEnum):
    """The usual kinds, by where they sit and what they need."""

    REAR_RADAR = "rear_radar"
    SIDE_CAMERA = "side_camera"
    OVERHEAD_CAMERA = "overhead_camera"
    HYBRID = "radar_camera_hybrid"


@dataclass(frozen=True)
class ReachOfPlayer:
    """The longest club that has a clear spot somewhere on this floor; `None` where not even a wedge has."""

    player: Player
    club: Club | None
    early_release_club: Club | None
    """The same if the wrists unhinge early."""


@dataclass(frozen=True)
class MonitorRoom:
    """What is left of the room for a kind of monitor, at the best ball spot for it; negative is short."""

    kind: MonitorKind
    left_m: float | None
    """`None` where nobody has a clear spot."""
    known: bool = True
    """Somebody plays; before, nothing can be said of spots."""

    @property
    def state(self) -> State:
        """Clear from 0.15 m."""
        if not self.known:
            return State.UNKNOWN
        return State.BLOCKED if self.left_m is None else judge(self.left_m, COMFORT_LEFT_M)


@dataclass(frozen=True)
class PictureRoom:
    """The largest picture of a shape between walls, floor and ceiling, frame taken off, in metres."""

    shape: str
    width_m: float
    height_m: float


@dataclass(frozen=True)
class ThrowRoom:
    """Throw ratios for the largest 16:9 picture: up to `ahead` before the swing, from `behind_least` behind it."""

    ahead: float | None
    behind_least: float | None
    behind_most: float | None
    """`None` where there is no room for a projector there."""


@dataclass(frozen=True)
class EnclosureRoom:
    """Largest outside width and height, and the depth at which it still ends before the swings, in metres."""

    width_m: float
    height_m: float
    depth_m: float | None


@dataclass(frozen=True)
class Allowance:
    """All that a room allows."""

    reaches: tuple[ReachOfPlayer, ...]
    spots: tuple[HittingSpot, ...]
    behind_left_m: float | None
    """Left behind the ball after the longest swing and 0.30 m."""
    to_screen_m: float | None
    monitors: tuple[MonitorRoom, ...]
    pictures: tuple[PictureRoom, ...]
    throw: ThrowRoom
    enclosure: EnclosureRoom

    @property
    def one_spot(self) -> bool:
        """One spot serves everybody."""
        return len(self.spots) == 1 and self.spots[0].best is not None


def allowance(room: Room, players: tuple[Player, ...], surface_m: float) -> Allowance:
    """What `room` allows `players` on a hitting surface that high, whatever is bought.

    Raises `MissingFact` where the ceiling's highest point is not known.
    """
    ceiling = ceiling_of(room)
    layout = Layout(screen_y_m=GAP_COMFORT_M + room.wall_foam_m, ball_x_m=room.width_m / 2)
    reaches = tuple(_reach(player, room, ceiling, layout, surface_m) for player in players)
    swinging = tuple(reach.player.model_copy(update={"longest_club": reach.club}) for reach in reaches if reach.club)
    spots = hitting_spots(_around(room, ceiling, layout, swinging, surface_m), layout)
    ball = next((spot.best for spot in spots if spot.best is not None), None)
    widest = _picture(SHAPES[0], room, ceiling, layout)
    return Allowance(
        reaches=reaches,
        spots=spots,
        behind_left_m=None if ball is None else _behind_left_m(room, swinging, ball[1]),
        to_screen_m=None if ball is None else ball[1] - layout.screen_y_m,
        monitors=tuple(_monitors(room, ceiling, layout, swinging if spots else players, spots)),
        pictures=tuple(_picture(shape, room, ceiling, layout) for shape in SHAPES),
        throw=_throw(room, layout, swinging, spots, widest.width_m),
        enclosure=_enclosure(room, ceiling, layout, swinging, spots),
    )


def _around(
    room: Room, ceiling: Ceiling, layout: Layout, players: tuple[Player, ...], surface_m: float
) -> Surroundings:
    things = (*thing_solids(room), *stored_solids(room, playing=True))
    return Surroundings(room, ceiling, (layout.ball_x_m, layout.ball_y_m, surface_m), players, things, ())


def _reach(player: Player, room: Room, ceiling: Ceiling, layout: Layout, surface_m: float) -> ReachOfPlayer:
    early = player.model_copy(update={"early_release": True})
    return ReachOfPlayer(
        player,
        _longest(player, room, ceiling, layout, surface_m),
        _longest(early, room, ceiling, layout, surface_m),
    )


def _longest(player: Player, room: Room, ceiling: Ceiling, layout: Layout, surface_m: float) -> Club | None:
    for club in player.longest_club.and_shorter():
        swinging = (player.model_copy(update={"longest_club": club}),)
        (spot,) = hitting_spots(_around(room, ceiling, layout, swinging, surface_m), layout)
        if spot.best is not None:
            return club
    return None


def _behind_left_m(room: Room, players: Iterable[Player], ball_y_m: float) -> float:
    radius_m = max(swing_disc(player, player.longest_club).full_radius_m for player in players)
    return room.length_m - ball_y_m - radius_m - BEHIND_BALL_OVER_RADIUS_M


def _monitors(
    room: Room, ceiling: Ceiling, layout: Layout, players: tuple[Player, ...], spots: tuple[HittingSpot, ...]
) -> Iterator[MonitorRoom]:
    corners = [corner for spot in spots for area in spot.areas for corner in area.outline]
    if not corners:
        yield from (MonitorRoom(kind, None, known=bool(players)) for kind in MonitorKind)
        return
    near_m, far_m = min(y for _, y in corners), max(y for _, y in corners)
    flight_from_m = layout.screen_y_m + FLIGHT_LEAST_M
    behind_to_m = room.length_m - RADAR_BEHIND_M - MONITOR_BODY_M
    y_m = min(max((flight_from_m + behind_to_m) / 2, near_m), far_m)
    radar_m = min(behind_to_m - y_m, y_m - flight_from_m)
    beside = [_beside_m(hand, room, spots) for hand in {player.handedness for player in players}]
    beside_m = None if None in beside else min(left_m for left_m in beside if left_m is not None)
    ball_x_m, ball_y_m = next(spot.best for spot in spots if spot.best is not None)
    overhead_m = ceiling.height_m(ball_x_m, ball_y_m - OVERHEAD_AHEAD_M) - OVERHEAD_LEAST_M
    yield MonitorRoom(MonitorKind.REAR_RADAR, radar_m)
    yield MonitorRoom(MonitorKind.SIDE_CAMERA, beside_m)
    yield MonitorRoom(MonitorKind.OVERHEAD_CAMERA, overhead_m)
    yield MonitorRoom(MonitorKind.HYBRID, radar_m)


def _beside_m(hand: Handedness, room: Room, spots: tuple[HittingSpot, ...]) -> float | None:
    """What is left beside the ball on the side that a player of this hand faces, with the ball as far off as it may.

    `None` where there is no place for the ball of such a player.
    """
    across = [x for spot in spots if hand in spot.hands for area in spot.areas for x, _ in area.outline]
    if not across:
        return None
    free_m = room.width_m - min(across) if hand is Handedness.RIGHT else max(across)
    return free_m - BESIDE_M - MONITOR_BODY_M


def _picture(shape: str, room: Room, ceiling: Ceiling, layout: Layout) -> PictureRoom:
    """The largest that fits: under a slope a wider picture is also under a lower ceiling, so its width is searched."""
    across, down = shape.split(":")
    aspect = int(across) / int(down)
    middle_m, low_m, high_m = room.width_m / 2, 0.0, max(0.0, room.width_m - 2 * FRAME_M)

    def fits(width_m: float) -> bool:
        sides = (middle_m - width_m / 2, middle_m + width_m / 2)
        above_m = ceiling.lowest_over_m(sides, (layout.screen_y_m, layout.screen_y_m)) - 2 * FRAME_M
        return fit_shape(aspect, width_m, above_m)[0] >= width_m

    for _ in range(HALVINGS):
        middle = (low_m + high_m) / 2
        low_m, high_m = (middle, high_m) if fits(middle) else (low_m, middle)
    return PictureRoom(shape, low_m, low_m / aspect)


def _swing_span_m(players: tuple[Player, ...], spots: tuple[HittingSpot, ...]) -> tuple[float, float] | None:
    """From the front of the foremost swing to the back of the rearmost, along the target line."""
    found = []
    for spot in spots:
        for player in players:
            if spot.best is not None and player.handedness in spot.hands:
                low, high = swing_disc(player, player.longest_club).bounds((*spot.best, 0.0))
                found.append((low[1], high[1]))
    return (min(front for front, _ in found), max(back for _, back in found)) if found else None


def _throw(
    room: Room, layout: Layout, players: tuple[Player, ...], spots: tuple[HittingSpot, ...], width_m: float
) -> ThrowRoom:
    span = _swing_span_m(players, spots)
    if span is None or width_m <= 0:
        return ThrowRoom(None, None, None)
    ahead_m = span[0] - SWING_CLEARANCE_M - layout.screen_y_m
    least_m = span[1] + SWING_CLEARANCE_M - layout.screen_y_m
    most_m = room.length_m - PROJECTOR_BODY_M - layout.screen_y_m
    behind = (least_m / width_m, most_m / width_m) if most_m >= least_m else (None, None)
    return ThrowRoom(ahead_m / width_m if ahead_m > 0 else None, *behind)


def _enclosure(
    room: Room, ceiling: Ceiling, layout: Layout, players: tuple[Player, ...], spots: tuple[HittingSpot, ...]
) -> EnclosureRoom:
    width_m = max(0.0, room.width_m - 2 * SIDE_BULGE_M)
    span = _swing_span_m(players, spots)
    depth_m = None if span is None else max(0.0, span[0] - COMFORT_M - layout.screen_y_m)
    sides = ((room.width_m - width_m) / 2, (room.width_m + width_m) / 2)
    height_m = ceiling.lowest_over_m(sides, (layout.screen_y_m, layout.screen_y_m + (depth_m or 0.0)))
    return EnclosureRoom(width_m, height_m, depth_m)
