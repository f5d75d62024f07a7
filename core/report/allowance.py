"""What a room allows before any part is chosen: clubs, spot, kinds of monitor, picture, throw, enclosure (trade)."""

from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass, replace
from enum import StrEnum

from core.bay import SIDE_BULGE_M, Hood, hood_solids, projector_box
from core.checks.along import GAP_COMFORT_M
from core.checks.ball import ball_limits
from core.checks.figures import metres
from core.checks.limits import State, at_least
from core.checks.readings import HANGING_DROP_M, MONITOR_BODY_M, PROJECTOR_BODY_M
from core.checks.spots import SCREEN_DISTANCE, Around, HittingSpot, hitting_spots
from core.checks.swing import projector_limit
from core.checks.swing_limit import swing_limit
from core.geometry.ball_rules import BEHIND_BALL, BallRoom, swing_rules
from core.geometry.ceiling import Ceiling, ceiling_of
from core.geometry.picture import fit_shape
from core.geometry.shadow import Lens
from core.geometry.solids import door_fittings, stored_solids, thing_solids
from core.geometry.surroundings import Surroundings
from core.geometry.swing_clearance import clearances
from core.geometry.swing_disc import swing_disc
from core.model.brief import Handedness, Player
from core.model.clubs import Club
from core.model.room import Layout, Room
from core.quantities import say

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
LENS_STEP_M = 0.05
"""Places of a lens are tried so close; where one is in a swing's way is then found by halving."""

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
        return State.BLOCKED if self.left_m is None else at_least(self.left_m, 0.0, COMFORT_LEFT_M).state


@dataclass(frozen=True)
class PictureRoom:
    """The largest picture of a shape between walls, floor and ceiling, frame taken off, in metres."""

    shape: str
    width_m: float
    height_m: float

    def within(self, enclosure: "EnclosureRoom") -> "PictureRoom":
        """The largest of its shape inside the largest enclosure: as much less as that is, frame taken off."""
        widest_m, highest_m = enclosure.width_m - 2 * FRAME_M, enclosure.height_m - 2 * FRAME_M
        share = (
            min(1.0, max(0.0, widest_m) / self.width_m, max(0.0, highest_m) / self.height_m) if self.width_m else 0.0
        )
        return PictureRoom(self.shape, self.width_m * share, self.height_m * share)


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
        return len(self.spots) == 1 and self.spots[0].is_clear


def allowance(room: Room, players: tuple[Player, ...], surface_m: float) -> Allowance:
    """What `room` allows `players` on a hitting surface that high, whatever is bought.

    Raises `MissingFact` where the ceiling's highest point is not known.
    """
    ceiling = ceiling_of(room)
    layout = Layout(screen_y_m=GAP_COMFORT_M + room.wall_foam_m, ball_x_m=room.width_m / 2)
    place = BallRoom(room.width_m, room.length_m, ceiling, surface_m)
    empty = Around(
        Surroundings(
            place,
            (0.0, 0.0, surface_m),
            (),
            (*thing_solids(room), *door_fittings(room), *stored_solids(room, playing=True)),
            (),
        ),
        None,
        layout.bay_middle_m(room),
        layout.screen_y_m,
        SCREEN_DISTANCE,
    )
    reaches = tuple(_reach(player, empty) for player in players)
    swinging = tuple(reach.player.model_copy(update={"longest_club": reach.club}) for reach in reaches if reach.club)
    spots = hitting_spots(_with(empty, *swinging))
    ball = next((spot.best for spot in spots if spot.best is not None), None)
    widest = _picture(SHAPES[0], room, ceiling, layout)
    return Allowance(
        reaches=reaches,
        spots=spots,
        behind_left_m=None if ball is None else _behind_left_m(place, swinging, ball),
        to_screen_m=None if ball is None else ball[1] - layout.screen_y_m,
        monitors=tuple(_monitors(room, ceiling, layout, swinging if spots else players, spots)),
        pictures=tuple(_picture(shape, room, ceiling, layout) for shape in SHAPES),
        throw=_throw(place, layout, swinging, spots, widest.width_m),
        enclosure=_enclosure(place, layout, swinging, spots),
    )


def _with(around: Around, *players: Player) -> Around:
    return replace(around, surroundings=replace(around.surroundings, players=players))


def _reach(player: Player, empty: Around) -> ReachOfPlayer:
    early = player.model_copy(update={"early_release": True})
    return ReachOfPlayer(player, _longest(player, empty), _longest(early, empty))


def _longest(player: Player, empty: Around) -> Club | None:
    for club in player.longest_club.and_shorter():
        (spot,) = hitting_spots(_with(empty, player.model_copy(update={"longest_club": club})))
        if spot.is_clear:
            return club
    return None


def _behind_left_m(place: BallRoom, players: Iterable[Player], ball: tuple[float, float]) -> float:
    discs = {swing_disc(player, player.longest_club) for player in players}
    rules = [rule for disc in discs for rule in swing_rules(disc, place) if rule.check == BEHIND_BALL]
    return min(limit.spare for limit in ball_limits(rules, (*ball, place.surface_m)))


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


def _swings(players: tuple[Player, ...], spots: tuple[HittingSpot, ...]) -> list[tuple[Player, tuple[float, float]]]:
    """Everybody who swings, at the spot of their hand."""
    return [
        (player, spot.best)
        for spot in spots
        if spot.best is not None
        for player in players
        if player.handedness in spot.hands
    ]


def _throw(
    place: BallRoom, layout: Layout, players: tuple[Player, ...], spots: tuple[HittingSpot, ...], width_m: float
) -> ThrowRoom:
    """The lens under the ceiling in the middle of the room, wherever no swing rules it out."""
    swings = _swings(players, spots)
    most_m = place.length_m - PROJECTOR_BODY_M - layout.screen_y_m
    if not swings or width_m <= 0 or most_m <= 0:
        return ThrowRoom(None, None, None)

    discs = [(swing_disc(player, player.longest_club), (*ball, place.surface_m)) for player, ball in swings]

    def free(distance_m: float) -> bool:
        y = layout.screen_y_m + distance_m
        height_m = place.ceiling.height_m(place.width_m / 2, y) - HANGING_DROP_M
        body = projector_box(Lens(place.width_m / 2, distance_m, height_m, proposed=True), layout.screen_y_m)
        nearest_m = clearances(discs, [body]).distance_m.min()
        return projector_limit(float(nearest_m)).state is not State.BLOCKED

    tried = [step * LENS_STEP_M for step in range(int(most_m / LENS_STEP_M) + 1)]
    taken = [distance_m for distance_m in tried if not free(distance_m)]
    if not taken:
        return ThrowRoom(most_m / width_m, None, None)
    ahead_m = _edge_m(taken[0], taken[0] - LENS_STEP_M, free)
    least_m = _edge_m(taken[-1], taken[-1] + LENS_STEP_M, free)
    behind = (least_m / width_m, most_m / width_m) if most_m >= least_m else (None, None)
    return ThrowRoom(ahead_m / width_m if ahead_m > 0 else None, *behind)


def _edge_m(taken_m: float, free_m: float, free: Callable[[float], bool]) -> float:
    """The free distance that is nearest to one that is taken."""
    for _ in range(HALVINGS):
        middle_m = (taken_m + free_m) / 2
        taken_m, free_m = (taken_m, middle_m) if free(middle_m) else (middle_m, free_m)
    return free_m


def _enclosure(
    place: BallRoom, layout: Layout, players: tuple[Player, ...], spots: tuple[HittingSpot, ...]
) -> EnclosureRoom:
    """As wide as its sides may bulge, as high as the ceiling over it, and as deep as everybody's swing stays clear."""
    width_m = max(0.0, place.width_m - 2 * SIDE_BULGE_M)
    sides = ((place.width_m - width_m) / 2, (place.width_m + width_m) / 2)

    def high_m(depth_m: float) -> float:
        return place.ceiling.lowest_over_m(sides, (layout.screen_y_m, layout.screen_y_m + depth_m))

    def fits(depth_m: float) -> bool:
        panels = hood_solids(
            Hood(width_m, high_m(depth_m), depth_m, width_m, high_m(depth_m)), layout.screen_y_m, place.width_m / 2
        )
        swings = (
            (player, Surroundings(place, (*ball, place.surface_m), (player,), (), panels))
            for player, ball in _swings(players, spots)
        )
        return all(
            swing_limit(closest.clearance_m, closest.doubt_m).state is State.CLEAR
            for player, around in swings
            for closest in [around.closest_panel(player, player.longest_club)]
        )

    if not _swings(players, spots):
        return EnclosureRoom(width_m, high_m(0.0), None)
    low_m, deep_m = 0.0, place.length_m - layout.screen_y_m
    for _ in range(HALVINGS):
        middle_m = (low_m + deep_m) / 2
        low_m, deep_m = (middle_m, deep_m) if fits(middle_m) else (low_m, middle_m)
    return EnclosureRoom(width_m, high_m(low_m), low_m)
