"""The length and width of the room shared out around the ball (trade)."""

from dataclasses import dataclass

from core.checks.figures import measured_in_room, metres, placed, stated
from core.checks.places import IN_ROOM
from core.checks.register import check, derive
from core.checks.verdict import ROUNDING, Basis, Input, State, Verdict, judge
from core.geometry.picture import Picture
from core.geometry.swing_disc import swing_disc
from core.model.brief import Brief, Handedness, Player
from core.model.facts import known, known_players
from core.model.parts import Enclosure, Net, Surface
from core.model.room import Layout, Room
from core.quantities import say

GAP_LEAST_M = 0.30
GAP_COMFORT_M = 0.40
GAP_WITH_FOAM_M = 0.20
FOAM_LEAST_M = 0.05
NET_COMFORT_M = 0.10
"""Over what a net gives, for what stands behind it (trade)."""
NET_COMFORT_FACTOR = 1.5
BALL_TO_SCREEN_LEAST_M = 2.4
BALL_TO_SCREEN_COMFORT_M = 3.0
BEHIND_BALL_OVER_RADIUS_M = 0.30
BEHIND_BALL_COMFORT_M = 0.15
FREE_SIDE_LEAST_M = 0.90
FREE_SIDE_COMFORT_M = 0.15
CENTRED_M = 0.05
"""Offset of the ball line that nobody sees."""


@dataclass(frozen=True)
class BallDistance:
    """From the ball to what stops it, in metres: the least, and what is comfortable."""

    least_m: float = BALL_TO_SCREEN_LEAST_M
    comfortable_m: float = BALL_TO_SCREEN_COMFORT_M
    net: str = ""
    """The net whose maker asks for it."""


@derive
def ball_distance(surface: Surface | None) -> BallDistance:
    """What a screen wants, or what the maker of the net says."""
    if not isinstance(surface, Net):
        return BallDistance()
    least_m = known(surface.stand_off_m, surface, "distance that it asks for")
    return BallDistance(least_m, NET_COMFORT_FACTOR * least_m, surface.name)


def gap_behind_m(room: Room, layout: Layout) -> float:
    """What is free behind the screen, in metres: the foam on the wall uses up its own thickness."""
    return layout.screen_y_m - room.wall_foam_m


def least_gap_m(room: Room) -> float:
    """The least that a screen needs behind it, in metres: foam on the wall takes what is left of a ball."""
    return GAP_WITH_FOAM_M if room.wall_foam_m >= FOAM_LEAST_M else GAP_LEAST_M


@check("room.gap_behind_screen", title="Gap behind the screen", place=IN_ROOM)
def gap_behind_screen(room: Room, layout: Layout, surface: Surface | None) -> Verdict:
    """The screen has room to give: 0.40 m is comfortable, 0.30 m the least, 0.20 m with 50 mm of foam on the wall.

    A net gives more: the least is what its maker says, and 0.10 m besides is comfortable.
    The foam's own thickness uses up gap. Never hang a sheet against a wall: the ball comes back.
    """
    gap_m = gap_behind_m(room, layout)
    if isinstance(surface, Net):
        least_m = known(surface.gives_m, surface, "way that a ball pushes it back")
        comfortable_m = least_m + NET_COMFORT_M
    else:
        least_m, comfortable_m = least_gap_m(room), GAP_COMFORT_M
    margin_m = gap_m - least_m
    state = judge(margin_m, comfortable_m - least_m)
    cures = [say("Move the screen {more} into the room.", more=metres(comfortable_m - gap_m))]
    if state is State.BLOCKED and least_m == GAP_LEAST_M and not isinstance(surface, Net):
        cures.append(
            say(
                "With {foam} of foam on the wall, {least} is enough.",
                foam=metres(FOAM_LEAST_M),
                least=metres(GAP_WITH_FOAM_M),
            )
        )
    return Verdict(
        state,
        say("{gap} for the screen to give, {least} is the least", gap=metres(gap_m), least=metres(least_m)),
        measured=metres(gap_m),
        required=metres(least_m),
        margin=metres(margin_m),
        formula="screen to wall − foam on the wall",
        inputs=lambda: (
            placed("Screen to wall", layout.screen_y_m),
            Input("Foam on the wall", metres(room.wall_foam_m), Basis.MEASURED),
            *((stated(f"{surface.name} gives", metres(least_m)),) if isinstance(surface, Net) else ()),
        ),
        changes=() if state is State.CLEAR else tuple(cures),
    )


@check("room.ball_to_screen", title="Ball to screen", place=IN_ROOM)
def ball_to_screen(layout: Layout, asked: BallDistance) -> Verdict:
    """Ball to screen: 3.0 m is comfortable, 2.4 m the least, for rebound and for the eye.

    A net shows nothing and gives little back: the least is what its maker says, half as much again comfortable.
    """
    distance_m = layout.ball_to_screen_m
    margin_m = distance_m - asked.least_m
    state = judge(margin_m, asked.comfortable_m - asked.least_m)
    back = say("Move the ball back {more}.", more=metres(asked.comfortable_m - distance_m))
    return Verdict(
        state,
        say(
            "{distance} from ball to screen, {least} is the least",
            distance=metres(distance_m),
            least=metres(asked.least_m),
        ),
        measured=metres(distance_m),
        required=metres(asked.least_m),
        margin=metres(margin_m),
        formula="ball to wall − screen to wall",
        inputs=lambda: (
            placed("Ball to wall", layout.ball_y_m),
            placed("Screen to wall", layout.screen_y_m),
            *((stated(f"{asked.net} asks for", metres(asked.least_m)),) if asked.net else ()),
        ),
        changes=() if state is State.CLEAR else (back,),
    )


@check("room.behind_ball", title="Behind the ball", place=IN_ROOM)
def behind_ball(brief: Brief, room: Room, layout: Layout) -> Verdict:
    """Behind the ball there is the full radius R of the longest swing and 0.30 m."""
    players = known_players(brief)
    radius_m, widest = max((swing_disc(p, p.longest_club).full_radius_m, p.name) for p in players)
    behind_m = room.length_m - layout.ball_y_m
    required_m = radius_m + BEHIND_BALL_OVER_RADIUS_M
    margin_m = behind_m - required_m
    state = judge(margin_m, BEHIND_BALL_COMFORT_M)
    forward = say("Move the ball {more} toward the screen.", more=metres(BEHIND_BALL_COMFORT_M - margin_m))
    return Verdict(
        state,
        say(
            "{behind} behind the ball, {who} needs {required}",
            behind=metres(behind_m),
            who=widest,
            required=metres(required_m),
        ),
        measured=metres(behind_m),
        required=metres(required_m),
        margin=metres(margin_m),
        formula="length − ball to wall − (R + 0.30 m), R = 0.36·H + club length",
        inputs=lambda: (
            measured_in_room(room, "length_m", "Length"),
            placed("Ball to the wall behind the screen", layout.ball_y_m),
            Input(f"Full radius R, {widest}", metres(radius_m), Basis.TRADE),
        ),
        changes=() if state is State.CLEAR else (forward,),
    )


@check("room.free_side", title="Free side of the ball", place=IN_ROOM)
def free_side(player: Player, room: Room, layout: Layout, enclosure: Enclosure | None) -> Verdict:
    """From the ball line to the wall the player faces there is at least 0.90 m.

    Where the ball lies inside an enclosure, its side is that wall.
    """
    right_handed = player.handedness is Handedness.RIGHT
    inside = enclosure is not None and known(enclosure.depth_m, enclosure, "depth") > layout.ball_to_screen_m
    half_m = room.width_m / 2
    if enclosure is not None and inside:
        half_m = known(enclosure.inner_width_m, enclosure, "inner width") / 2
    aside_m = layout.ball_x_m - room.width_m / 2
    free_m = half_m - aside_m if right_handed else half_m + aside_m
    margin_m = free_m - FREE_SIDE_LEAST_M
    state = judge(margin_m, FREE_SIDE_COMFORT_M)
    shift = say(
        "Move the ball {more} to the {side}.",
        more=metres(FREE_SIDE_COMFORT_M - margin_m),
        side="left" if right_handed else "right",
    )
    return Verdict(
        state,
        say("{who} faces the enclosure's side {free} from the ball line", who=player.name, free=metres(free_m))
        if inside
        else say("{who} faces a wall {free} from the ball line", who=player.name, free=metres(free_m)),
        measured=metres(free_m),
        required=metres(FREE_SIDE_LEAST_M),
        margin=metres(margin_m),
        formula="ball line to the wall on the side away from the player",
        inputs=lambda: (
            measured_in_room(room, "width_m", "Width"),
            placed("Ball to left wall", layout.ball_x_m),
            *((stated("Half of the enclosure inside", metres(half_m)),) if inside else ()),
            Input("Plays", f"{player.handedness}-handed", Basis.MEASURED),
        ),
        changes=() if state is State.CLEAR else (shift,),
    )


@check("room.picture_offset", title="Ball line and picture centre", place=IN_ROOM)
def picture_offset(room: Room, layout: Layout, picture: Picture) -> Verdict:
    """How far the ball line is beside the picture's centre: aim lines are shifted by that, and the eye sees it.

    Up to 50 mm nobody sees; a ball line that runs past the edge of the picture cannot be aimed.
    """
    offset_m = abs(layout.ball_x_m - room.width_m / 2)
    half_m = picture.width_m / 2
    if offset_m <= CENTRED_M + ROUNDING:
        state = State.CLEAR
    else:
        state = State.TIGHT if offset_m < half_m - ROUNDING else State.BLOCKED
    return Verdict(
        state,
        say("Ball line {offset} beside the picture's centre", offset=metres(offset_m)),
        measured=metres(offset_m),
        required=metres(half_m),
        margin=metres(half_m - offset_m),
        formula="|ball line − room centre|, against half the picture",
        inputs=lambda: (placed("Ball to left wall", layout.ball_x_m), stated("Picture width", metres(picture.width_m))),
        changes=()
        if state is State.CLEAR
        else (
            say("Centre the ball, if all players are clear there."),
            say("Shift the aim line in the title by {offset}.", offset=metres(offset_m)),
        ),
    )
