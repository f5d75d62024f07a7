"""Where to hit from: the region that is clear for everybody, the best spot in it, or one for each hand."""

from dataclasses import dataclass

from core.checks.along import (
    BEHIND_BALL_COMFORT_M,
    BEHIND_BALL_OVER_RADIUS_M,
    FREE_SIDE_COMFORT_M,
    FREE_SIDE_LEAST_M,
    BallDistance,
)
from core.geometry.hitting_region import Area, HalfPlane, Point, free_side_limit, nearest_inside
from core.geometry.surroundings import Surroundings
from core.geometry.swing_disc import swing_disc
from core.model.brief import Handedness, Player
from core.model.room import Layout, Room
from core.quantities import Quantity, Sentence, Unit, say

LENGTH_DECIMALS = 3
SCREEN_DISTANCE = BallDistance()


@dataclass(frozen=True)
class HittingSpot:
    """A region of ball positions and the best one in it, for the players of one or both hands."""

    hands: tuple[Handedness, ...]
    areas: tuple[Area, ...]
    """None where nobody can stand."""
    best: Point | None
    reason: Sentence


def hitting_spots(
    surroundings: Surroundings, layout: Layout, distance: BallDistance = SCREEN_DISTANCE
) -> tuple[HittingSpot, ...]:
    """One spot that serves all players; where there is none and both hands play, one for each hand.

    `distance` is what a net asks for, where one hangs.
    """
    players = surroundings.players
    if not players:
        return ()
    together = _spot(surroundings, layout, distance, players)
    hands = sorted({player.handedness for player in players})
    if together.best is not None or len(hands) == 1:
        return (together,)
    groups = [tuple(player for player in players if player.handedness is hand) for hand in hands]
    return tuple(_spot(surroundings, layout, distance, group) for group in groups)


def _spot(
    surroundings: Surroundings, layout: Layout, distance: BallDistance, players: tuple[Player, ...]
) -> HittingSpot:
    room = surroundings.room
    rules = [
        HalfPlane(0, -1, -(layout.screen_y_m + distance.least_m)),
        *(free_side_limit(player, room, FREE_SIDE_LEAST_M + FREE_SIDE_COMFORT_M) for player in players),
        *(_behind(player, room) for player in players),
    ]
    areas = surroundings.clear_floor(players, rules)
    hands = tuple(sorted({player.handedness for player in players}))
    if not areas:
        return HittingSpot(hands, (), None, say("No spot on this floor is clear for {who}.", who=_names(players)))
    wanted = (room.width_m / 2, layout.screen_y_m + distance.comfortable_m)
    x_m, y_m = nearest_inside(areas, wanted)
    reason = say(
        "Clear for {who}; {offset} beside the picture's centre, {to_screen} from the screen.",
        who=_names(players),
        offset=Quantity(abs(x_m - room.width_m / 2), Unit.METRE),
        to_screen=Quantity(y_m - layout.screen_y_m, Unit.METRE),
    )
    return HittingSpot(hands, areas, (round(x_m, LENGTH_DECIMALS), round(y_m, LENGTH_DECIMALS)), reason)


def _behind(player: Player, room: Room) -> HalfPlane:
    radius_m = swing_disc(player, player.longest_club).full_radius_m
    return HalfPlane(0, 1, room.length_m - radius_m - BEHIND_BALL_OVER_RADIUS_M - BEHIND_BALL_COMFORT_M)


def _names(players: tuple[Player, ...]) -> str:
    return ", ".join(player.name for player in players)
