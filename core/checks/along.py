"""The length and width of the room shared out around the ball (trade)."""

from collections.abc import Iterable
from dataclasses import dataclass
from math import atan2, degrees
from typing import Annotated

from core.checks.ball import ball_back, ball_limits, limit_of
from core.checks.declared import THERE
from core.checks.figures import enough, measured_in_room, metres, placed_input, stated_input
from core.checks.limits import State, at_least, at_most, tightest
from core.checks.places import IN_ROOM
from core.checks.readings import BallPlaces, Balls, BayMiddle, OwnBall
from core.checks.register import check, derive
from core.checks.verdict import Answer, Basis, Input, press
from core.geometry.ball_rules import (
    BEHIND_BALL,
    BallRoom,
    Inside,
    free_side_rules,
    swing_rules,
    to_screen_rule,
)
from core.geometry.picture import Picture
from core.geometry.swing_disc import swing_disc
from core.model import acts
from core.model.brief import Brief, Handedness, Player
from core.model.facts import known, known_players
from core.model.kit import Beside
from core.model.parts import Net, ProjectionSheet, Surface
from core.model.room import Layout, Room
from core.quantities import Quantity, Unit, say
from core.quantities.tolerances import ROUNDING

GAP_LEAST_M = 0.30
GAP_COMFORT_M = 0.40
GAP_WITH_FOAM_M = 0.20
FOAM_LEAST_M = 0.05
NET_COMFORT_M = 0.10
"""Over what a net gives, for what stands behind it (trade)."""
NET_COMFORT_FACTOR = 1.5
BALL_TO_SCREEN_LEAST_M = 2.4
BALL_TO_SCREEN_COMFORT_M = 3.0
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
def ball_distance(
    surface: Annotated[Surface, "gives_m", "name", "stand_off_m"] | None,
    nets: Annotated[Beside[Net], "gives_m", "name", "stand_off_m"],
) -> BallDistance:
    """What a screen wants, or what the maker of the net says; to a sheet behind a net what that gives besides."""
    struck = struck_surface(surface, nets) if surface else None
    if not isinstance(struck, Net):
        return BallDistance()
    least_m = known(struck, "stand_off_m")
    behind_m = 0.0 if struck is surface else known(struck, "gives_m")
    return BallDistance(least_m + behind_m, NET_COMFORT_FACTOR * least_m + behind_m, struck.name)


def struck_surface(surface: Surface, nets: Iterable[Net]) -> Surface:
    """What a ball meets first: a net that hangs before a sheet for pictures, else the surface itself."""
    return next(iter(nets), surface) if isinstance(surface, ProjectionSheet) else surface


def gap_behind_m(room: Room, layout: Layout) -> float:
    """What is free behind the screen, in metres: the foam on the wall uses up its own thickness."""
    return layout.screen_y_m - room.wall_foam_m


def least_gap_m(room: Room) -> float:
    """The least that a screen needs behind it, in metres: foam on the wall takes what is left of a ball."""
    return GAP_WITH_FOAM_M if room.wall_foam_m >= FOAM_LEAST_M else GAP_LEAST_M


@check("room.gap_behind_screen", title="Gap behind the screen", place=IN_ROOM)
def gap_behind_screen(
    room: Annotated[Room, "wall_foam_m"],
    layout: Annotated[Layout, "screen_y_m"],
    surface: Annotated[Surface, "gives_m"] | None,
    nets: Annotated[Beside[Net], "name"],
) -> Answer:
    """The screen has room to give: 0.40 m is comfortable, 0.30 m the least, 0.20 m with 50 mm of foam on the wall.

    A net gives more: the least is what its maker says, and 0.10 m besides is comfortable. A sheet behind a net is not
    struck, and may hang where it likes.
    The foam's own thickness uses up gap. Never hang a sheet against a wall: the ball comes back.
    """
    gap_m = gap_behind_m(room, layout)
    if isinstance(surface, Net):
        least_m = known(surface, "gives_m")
        comfortable_m = least_m + NET_COMFORT_M
    elif surface is not None and struck_surface(surface, nets) is not surface:
        least_m = comfortable_m = 0.0
    else:
        least_m, comfortable_m = least_gap_m(room), GAP_COMFORT_M
    with_foam_m = layout.screen_y_m - FOAM_LEAST_M
    foam_would_do = gap_m < least_m == GAP_LEAST_M and with_foam_m >= GAP_WITH_FOAM_M and not isinstance(surface, Net)
    more = enough(comfortable_m - gap_m)
    return Answer(
        at_least(gap_m, least_m, comfortable_m),
        headline=lambda: say(
            "{gap} for the screen to give, {least} is the least", gap=metres(gap_m), least=metres(least_m)
        ),
        formula="screen to wall − foam on the wall",
        inputs=lambda: (
            placed_input("Screen to wall", layout.screen_y_m),
            Input("Foam on the wall", metres(room.wall_foam_m), Basis.MEASURED),
            *((stated_input(f"{surface.name} gives", metres(least_m)),) if isinstance(surface, Net) else ()),
        ),
        cures=lambda: (
            press(acts.moved(screen_y_m=more.value), "Move the screen {more} into the room.", more=more),
            *(
                (
                    press(
                        acts.in_room(wall_foam_m=FOAM_LEAST_M),
                        "With {foam} of foam on the wall, {least} is enough.",
                        State.TIGHT,
                        foam=metres(FOAM_LEAST_M),
                        least=metres(GAP_WITH_FOAM_M),
                    ),
                )
                if foam_would_do
                else ()
            ),
        ),
        basis=Basis.TRADE,
    )


@check("room.ball_to_screen", title="Ball to screen", place=IN_ROOM)
def ball_to_screen(balls: Balls, asked: BallDistance) -> Answer:
    """Ball to screen: 3.0 m is comfortable, 2.4 m the least, for rebound and for the eye.

    A net shows nothing and gives little back: the least is what its maker says, half as much again comfortable.
    """
    places = balls.places
    rule = to_screen_rule(places.screen_y_m, asked.least_m, asked.comfortable_m)
    limit = tightest(tuple(limit_of(rule, spot) for spot in balls.spots))
    more = enough(-limit.headroom)
    return Answer(
        limit,
        headline=lambda: say(
            "{distance} from ball to screen, {least} is the least", distance=limit.has, least=limit.wants
        ),
        formula="ball to wall − screen to wall",
        inputs=lambda: (
            placed_input("Ball to wall", places.to_screen_m + places.screen_y_m),
            placed_input("Screen to wall", places.screen_y_m),
            *((stated_input(f"{asked.net} asks for", metres(asked.least_m)),) if asked.net else ()),
        ),
        cures=lambda: (ball_back(places, more),),
        basis=Basis.TRADE,
    )


@check("room.behind_ball", title="Behind the ball", place=IN_ROOM)
def behind_ball(
    brief: Annotated[Brief, "players"], place: BallRoom, balls: Balls, room: Annotated[Room, THERE]
) -> Answer:
    """Behind the ball there is the full radius R of the longest swing and 0.30 m."""
    swings = [(player, swing_disc(player, player.longest_club)) for player in known_players(brief)]
    of_limit = {
        limit: (player, disc)
        for player, disc in swings
        for limit in ball_limits(
            [rule for rule in swing_rules(disc, place) if rule.check == BEHIND_BALL], balls.of(player.handedness)
        )
    }
    least = tightest(tuple(of_limit))
    more = enough(-least.headroom)
    player, disc = of_limit[least]
    radius_m, widest = disc.full_radius_m, player.name
    return Answer(
        least,
        headline=lambda: say(
            "{behind} behind the ball, {who} needs {required}", behind=least.has, who=widest, required=least.wants
        ),
        formula="length − ball to wall − (R + 0.30 m), R = 0.36·H + club length",
        inputs=lambda: (
            measured_in_room(room, "length_m", "Length"),
            placed_input("Ball to the wall behind the screen", balls.of(player.handedness)[1]),
            Input(f"Full radius R, {widest}", metres(radius_m), Basis.TRADE),
        ),
        cures=lambda: (
            press(
                acts.all_balls_moved(-more.value),
                "Move the ball {more} toward the screen.",
                more=more,
            ),
        ),
        basis=Basis.TRADE,
    )


@check("room.free_side", title="Free side of the ball", place=IN_ROOM)
def free_side(
    player: Annotated[Player, "handedness"], room: Annotated[Room, "width_m"], ball: OwnBall, inside: Inside | None
) -> Answer:
    """From the ball line to the wall the player faces there is at least 0.90 m.

    Where the ball lies inside an enclosure, its side is that wall.
    """
    right_handed = player.handedness is Handedness.RIGHT
    limits = ball_limits(free_side_rules(right_handed, room.width_m, inside), ball.at)
    least = tightest(tuple(limits))
    more = enough(-least.headroom)
    in_enclosure = limits[least].before_m is not None
    return Answer(
        least,
        headline=lambda: say(
            "{who} faces the enclosure's side {free} from the ball line"
            if in_enclosure
            else "{who} faces a wall {free} from the ball line",
            who=player.name,
            free=least.has,
        ),
        formula="ball line to the wall on the side away from the player",
        inputs=lambda: (
            measured_in_room(room, "width_m", "Width"),
            placed_input("Ball to left wall", ball.at[0]),
            *((stated_input("Half of the enclosure inside", metres(inside.half_width_m)),) if inside else ()),
            Input("Plays", f"{player.handedness}-handed", Basis.MEASURED),
        ),
        cures=lambda: (
            press(
                acts.ball_moved(across_m=-more.value if right_handed else more.value, hand=player.handedness),
                "Move the ball {more} to the {side}.",
                more=more,
                side="left" if right_handed else "right",
            ),
        ),
        basis=Basis.TRADE,
    )


@check("room.picture_offset", title="Ball line and picture centre", place=IN_ROOM)
def picture_offset(middle: BayMiddle, places: BallPlaces, picture: Picture) -> Answer:
    """How far the ball line is beside the picture's centre: aim lines are shifted by that, and the eye sees it.

    Up to 50 mm nobody sees; a ball line that runs past the edge of the picture cannot be aimed. The aim is shifted by
    atan(offset / ball to screen). Of two spots the one that is further off decides.
    """
    x_m, y_m = max(places.spots, key=lambda spot: abs(spot[0] - middle.x_m))
    offset_m, to_screen_m = abs(x_m - middle.x_m), y_m - places.screen_y_m
    aim = Quantity(degrees(atan2(offset_m, max(to_screen_m, 0.0))), Unit.DEGREE)
    side = "right" if x_m < middle.x_m else "left"
    two = len(places.spots) > 1
    return Answer(
        at_most(offset_m, picture.width_m / 2, CENTRED_M),
        headline=lambda: (
            say("Ball line {offset} beside the picture's centre", offset=metres(offset_m))
            if offset_m > ROUNDING
            else say("The ball line meets the picture's centre")
        ),
        formula="|ball line − middle of the picture|, against half the picture; aim: atan(offset / ball to screen)",
        inputs=lambda: (
            placed_input("Ball to left wall", x_m),
            placed_input("Middle of the picture to left wall", middle.x_m),
            placed_input("Ball to screen", to_screen_m),
            stated_input("Picture width", metres(picture.width_m)),
            Input(f"Picture's middle, to the {side} of the ball line", aim, Basis.PHYSICS),
        ),
        cures=lambda: (
            say("Put the bay's middle between the two spots.")
            if two
            else press(acts.ball_put(middle.x_m, y_m, ()), "Put the ball before the picture's middle."),
            say(
                "The picture's middle is {aim} to the {side} of the ball line: shift the aim in the software by that, "
                "{offset} on the screen.",
                aim=aim,
                side=side,
                offset=metres(offset_m),
            ),
        ),
        basis=Basis.TRADE,
    )
