"""The launch monitor: where it stands, the flight it needs, whom it serves, what it can measure."""

from typing import Annotated

from core.checks.asks import ask_equal
from core.checks.ball import ball_back, limit_of
from core.checks.declared import THERE
from core.checks.figures import enough, measured_in_room, metres, placed_input, stated_input
from core.checks.limits import Limit, State, Words, at_least, at_most, tightest
from core.checks.mat_place import MonitorFoot
from core.checks.monitor_rules import CEILING_COMFORT_M, behind_rule, beside_rule, flight_rule
from core.checks.needs import ItemKind, Need, pieces
from core.checks.places import between, on
from core.checks.readings import (
    MONITOR_BODY_M,
    PLACEMENT_COMFORT_M,
    BallPlaces,
    Filled,
    HittingSurface,
    MonitorSpot,
    hands_that_play,
)
from core.checks.register import check, derive
from core.checks.space import OverheadSpot
from core.checks.speeds import FastestBall
from core.checks.verdict import Answer, Basis, Cure, Input, Inputs, find_out, press
from core.model import acts
from core.model.brief import Brief, Handedness, Player
from core.model.build import Slot
from core.model.facts import PLAYERS, at_place, known, known_players
from core.model.parts import BehindTheBall, FloorStanding, LaunchMonitor, Mat, OverheadCamera, SideCamera, Supply
from core.model.room import Layout, Room
from core.quantities import Quantity, Sentence, Unit, say
from core.quantities.tolerances import LEAST_MOVE_M, ROUNDING

LEVEL_COMFORT_SHARE = 0.5
"""Half the tolerance is left for what the floor does later."""
SPEED_COMFORT_M_S = 3.0

Said = dict[Limit, tuple[Sentence, Sentence | Cure]]
"""Limits on one place, each with its headline and its cure."""


class LevellingFeet(Need):
    """What brings a monitor level with the ball."""

    item = ItemKind("levelling-feet", "Pad or levelling feet", near=Slot.MONITOR, kind=Supply, asks=("use",))


def _tightest_of(said: Said, formula: str, inputs: Inputs) -> Answer:
    deciding = tightest(tuple(said))
    assert isinstance(deciding, Limit)
    headline, cure = said[deciding]
    return Answer(tuple(said), lambda: headline, formula, inputs, lambda: (cure,))


def _range_limits(spot_m: float, near_m: float, far_m: float, where: str, cure: Cure) -> Said:
    return {
        at_least(spot_m, near_m): (
            say("Stands {spot} {where}, at least {near}", spot=metres(spot_m), where=where, near=metres(near_m)),
            cure,
        ),
        at_most(spot_m, far_m): (
            say("Stands {spot} {where}, at most {far}", spot=metres(spot_m), where=where, far=metres(far_m)),
            cure,
        ),
    }


def _stands_between(at_ease_m: tuple[float, float]) -> Cure:
    """Within its maker's range and off the wall."""
    near_m, far_m = at_ease_m
    act = acts.laid_out(monitor_distance_m=(near_m + far_m) / 2)
    if far_m - near_m < LEAST_MOVE_M:
        return press(act, "Put the monitor {near} from the ball.", near=metres(near_m))
    return press(act, "Put the monitor between {near} and {far} from the ball.", near=metres(near_m), far=metres(far_m))


@check("monitor.behind", title="Room for the monitor behind the ball", place=on(Slot.MONITOR))
def behind(
    monitor: Annotated[BehindTheBall, "distance_max_m", "distance_min_m"],
    spot: MonitorSpot,
    room: Annotated[Room, "guessed", "length_m"],
    places: BallPlaces,
) -> Answer:
    """A monitor behind the ball stands within its maker's range, with 0.15 m for its body before the rear wall."""
    near_m, far_m = known(monitor, "distance_min_m"), known(monitor, "distance_max_m")
    rule = behind_rule(room.length_m, spot.distance_m)
    wall = tightest(tuple(limit_of(rule, at) for at in places.spots))
    behind_m = wall.measured
    at_ease_m = near_m, min(far_m, behind_m - MONITOR_BODY_M - PLACEMENT_COMFORT_M)
    more = enough(at_ease_m[0] - at_ease_m[1])
    cure = (
        _stands_between(at_ease_m)
        if at_ease_m[0] <= at_ease_m[1]
        else press(
            acts.together(acts.all_balls_moved(-more.value), acts.laid_out(monitor_distance_m=near_m)),
            "Move the ball {more} toward the screen, the monitor {near} behind it.",
            more=more,
            near=metres(near_m),
        )
    )
    return _tightest_of(
        {
            wall: (say("Needs {needed} behind the ball, has {behind}", needed=wall.wants, behind=wall.has), cure),
            **_range_limits(spot.distance_m, near_m, far_m, "behind the ball", cure),
        },
        "length − ball to wall − (distance behind the ball + 0.15 m); and the maker's range",
        lambda: (
            stated_input("Nearest to the ball", metres(near_m)),
            stated_input("Furthest from the ball", metres(far_m)),
            placed_input(
                "Stands behind the ball (proposed)" if spot.proposed else "Stands behind the ball", spot.distance_m
            ),
            measured_in_room(room, "length_m", "Length"),
        ),
    )


@check("monitor.beside", title="Room for the monitor beside the ball", place=on(Slot.MONITOR))
def beside(
    player: Annotated[Player, "handedness", "name"],
    monitor: Annotated[SideCamera, "distance_max_m", "distance_min_m"],
    spot: MonitorSpot,
    room: Annotated[Room, "width_m"],
    places: BallPlaces,
) -> Answer:
    """A side camera stands on the free side of the ball within its range, with room for its body before the wall."""
    near_m, far_m = known(monitor, "distance_min_m"), known(monitor, "distance_max_m")
    rule = beside_rule(player.handedness, room.width_m, spot.distance_m)
    wall = limit_of(rule, places.of(player.handedness))
    free_m = wall.measured
    at_ease_m = near_m, min(far_m, free_m - MONITOR_BODY_M - PLACEMENT_COMFORT_M)
    more = enough(at_ease_m[0] - at_ease_m[1])
    from_wall_m = -more.value if player.handedness is Handedness.RIGHT else more.value
    cure = (
        _stands_between(at_ease_m)
        if at_ease_m[0] <= at_ease_m[1]
        else press(
            acts.together(
                acts.ball_moved(across_m=from_wall_m, hand=player.handedness),
                acts.laid_out(monitor_distance_m=near_m),
            ),
            "Move the ball {more} from that wall, the monitor {near} beside it.",
            more=more,
            near=metres(near_m),
        )
    )
    needs = say("Needs {needed} on {who}'s free side, has {free}", needed=wall.wants, who=player.name, free=wall.has)
    return _tightest_of(
        {wall: (needs, cure), **_range_limits(spot.distance_m, near_m, far_m, "beside the ball", cure)},
        "free side − (distance beside the ball + 0.15 m); and the maker's range",
        lambda: (
            stated_input("Nearest to the ball", metres(near_m)),
            stated_input("Furthest from the ball", metres(far_m)),
            placed_input(
                "Stands beside the ball (proposed)" if spot.proposed else "Stands beside the ball", spot.distance_m
            ),
            placed_input("Ball to left wall", places.of(player.handedness)[0]),
        ),
    )


@check("monitor.overhead", title="Height of the monitor on the ceiling", place=on(Slot.MONITOR))
def overhead(
    monitor: Annotated[OverheadCamera, "mount_height_max_m", "mount_height_min_m"],
    spot: OverheadSpot,
    room: Annotated[Room, "guessed"],
    surface: HittingSurface,
) -> Answer:
    """An overhead camera hangs within its maker's range of heights above the hitting surface, ahead of the ball."""
    low_m, high_m = known(monitor, "mount_height_min_m"), known(monitor, "mount_height_max_m")
    height_m = spot.ceiling_m - surface.height_m
    least = at_least(height_m, low_m, low_m + CEILING_COMFORT_M)
    most = at_most(height_m, high_m, high_m - CEILING_COMFORT_M)
    return _tightest_of(
        {
            least: (
                say("Hangs at {height}, at least {low}", height=least.has, low=least.wants),
                say("Needs {more} more height, or another kind of monitor.", more=enough(-least.headroom)),
            ),
            most: (
                say("Hangs at {height}, at most {high}", height=most.has, high=most.wants),
                press(
                    acts.moved(monitor_drop_m=enough(-most.headroom).value),
                    "Hang it on a drop rod {more} longer.",
                    more=enough(-most.headroom),
                ),
            ),
        },
        "ceiling − lining − drop rod − hitting surface, against the maker's range",
        lambda: (
            stated_input("Lowest mount", metres(low_m)),
            stated_input("Highest mount", metres(high_m)),
            measured_in_room(room, "ceiling_m", "Ceiling"),
            surface.told,
        ),
    )


@check("monitor.flight", title="Flight before the screen", place=on(Slot.MONITOR))
def flight(monitor: Annotated[BehindTheBall, "flight_min_m"], places: BallPlaces) -> Answer:
    """A monitor that watches the flight sees as much of it as its maker asks, between ball and screen."""
    needs_m = known(monitor, "flight_min_m")
    rule = flight_rule(places.screen_y_m, needs_m)
    limit = tightest(tuple(limit_of(rule, at) for at in places.spots))
    more = enough(-limit.headroom)
    return Answer(
        limit,
        headline=lambda: say("Needs {needs} of flight, has {has}", needs=limit.wants, has=limit.has),
        formula="ball to screen − flight the maker asks for",
        inputs=lambda: (
            stated_input("Flight asked for", metres(needs_m)),
            placed_input("Ball to wall", places.to_screen_m + places.screen_y_m),
            placed_input("Screen to wall", places.screen_y_m),
        ),
        cures=lambda: (
            ball_back(places, more),
            say("A side or overhead camera needs no flight."),
        ),
    )


@check("monitor.hands", title="Serves both hands", place=on(Slot.MONITOR))
def hands(
    brief: Annotated[Brief, "players", "visitors"],
    monitor: Annotated[LaunchMonitor, "both_hands"],
    places: BallPlaces,
) -> Answer:
    """The monitor serves every player's handedness: where it stands, when moved across, or not at all.

    Visitors may be of either hand. Where each hand has a spot of its own, what stands is moved across from one to the
    other, and of what hangs half-way between them the maker says whether it sees both.
    """
    left = [player.name for player in known_players(brief) if player.handedness is Handedness.LEFT]
    if brief.visitors:
        left.append("visitors")
    play = hands_that_play(brief)
    served = known(monitor, "both_hands")
    words = {"unmoved": "both hands, unmoved", "moved": "both hands, moved across", "no": "right hand only"}
    unserved = bool(left) and served == "no"
    apart = len(places.spots) > 1
    moved = len(play) > 1 and (served == "moved" or apart)
    return Answer(
        Words(
            State.BLOCKED if unserved else State.TIGHT if moved else State.CLEAR,
            words[served],
            "both hands" if len(play) > 1 else f"{play[0]} hand",
            ", ".join(left) if unserved else "",
        ),
        headline=lambda: (
            say("Serves {served}; each hand has a spot of its own", served=words[served])
            if apart and not unserved
            else say("Serves {served}; left-handed: {left}", served=words[served], left=", ".join(left))
            if left
            else say("Serves {served}; everybody plays right-handed", served=words[served])
        ),
        formula="players whose hand the monitor does not serve",
        inputs=lambda: (
            stated_input("Serves", words[served]),
            Input("Left-handers", ", ".join(left) or "none", Basis.MEASURED),
        ),
        cures=lambda: (
            say("Ask its maker whether it sees both spots; else move it across with the player.")
            if apart and not unserved
            else say("A monitor behind or above the ball serves both hands without being moved."),
        ),
    )


def _step_limit(
    monitor: FloorStanding, surface: HittingSurface, foot: MonitorFoot, layout: Layout
) -> tuple[Limit, float]:
    """How far a monitor's foot is from the hitting surface, against what its maker allows; and the step itself."""
    if surface.floor_m and not foot.on_mat:
        known(layout, "mat_lies")
    tolerance_m = known(monitor, "level_tolerance_m")
    step_m = foot.height_m - surface.height_m
    return at_most(abs(step_m), tolerance_m, tolerance_m * LEVEL_COMFORT_SHARE), step_m


@derive
def levelling_feet(
    monitor: Annotated[FloorStanding, "level_tolerance_m", "name"],
    mat: Annotated[Mat, THERE],
    surface: HittingSurface,
    foot: MonitorFoot,
    layout: Annotated[Layout, "mat_lies"],
    filled: Filled,
) -> LevellingFeet | None:
    """Where the monitor on its pad is still further below the ball than its maker allows.

    Feet that were chosen stay as long as they bring it nearer than is comfortable.
    """
    limit, step_m = _step_limit(monitor, surface, foot, layout)
    chosen = LevellingFeet.item.id in filled.items
    if step_m > 0 or limit.state is State.CLEAR or (limit.state is State.TIGHT and not chosen):
        return None
    why = say("{monitor} must stand level with the ball, {step} over its foot", monitor=monitor.name, step=limit.has)
    return LevellingFeet(pieces(1), why, (ask_equal("use", "levelling feet", purpose=True),))


@check("monitor.level", title="Monitor level with the ball", place=between(Slot.MAT, Slot.MONITOR))
def level(
    monitor: Annotated[FloorStanding, "level_tolerance_m"],
    mat: Annotated[Mat, THERE],
    surface: HittingSurface,
    foot: MonitorFoot,
    layout: Annotated[Layout, "mat_lies", "monitor_pad_m"],
    filled: Filled,
) -> Answer:
    """The monitor's foot is level with the hitting surface, within the tolerance its maker states.

    It stands on the mat where that reaches under it, else on the covering beside it, on a pad of its own if it has
    one. Levelling feet that were chosen for it bring it up to the ball.
    """
    limit, step_m = _step_limit(monitor, surface, foot, layout)
    on_feet = step_m < 0 and LevellingFeet.item.id in filled.items
    return Answer(
        Words(State.CLEAR, "on levelling feet", "level with the ball") if on_feet else limit,
        headline=lambda: (
            say("Brought level with the ball by its feet")
            if on_feet
            else say(
                "Stands {step} {direction} the ball, {tolerance} is allowed",
                step=limit.has,
                direction="below" if step_m < 0 else "above",
                tolerance=limit.wants,
            )
        ),
        formula="tolerance − |what it stands on + pad − hitting surface|",
        inputs=lambda: (
            Input("Tolerance", limit.wants, Basis.SPEC),
            surface.told,
            stated_input("Stands on", mat.name if foot.on_mat else "the floor beside it"),
            placed_input("Pad under the monitor", layout.monitor_pad_m),
        ),
        cures=lambda: (
            find_out(at_place(Slot.FLOOR), "Lay the same floor under both of its places, one for each hand.")
            if foot.uneven_m > limit.comfortable
            else press(
                acts.laid_out(monitor_pad_m=layout.monitor_pad_m - step_m),
                "Put it on a pad {more} thick.",
                more=metres(layout.monitor_pad_m - step_m),
            )
            if step_m < 0
            else press(acts.moved(monitor_pad_m=-step_m), "Lower its pad by {less}.", less=metres(step_m))
            if step_m <= layout.monitor_pad_m + ROUNDING
            else find_out(
                at_place(Slot.MAT),
                "Raise the mat by {more}, and take its pad away.",
                more=metres(step_m - layout.monitor_pad_m),
            ),
        ),
    )


@check("monitor.ball_speed", title="Ball speeds it can read", place=on(Slot.MONITOR))
def ball_speed(monitor: Annotated[LaunchMonitor, "ball_speed_max_m_s"], fastest: FastestBall) -> Answer:
    """The fastest driver struck here stays below the greatest ball speed the monitor reads.

    Visitors of unknown skill count as the fast band.
    """
    limit = at_least(
        known(monitor, "ball_speed_max_m_s"),
        fastest.speed_m_s,
        fastest.speed_m_s + SPEED_COMFORT_M_S,
        Unit.METRE_PER_SECOND,
    )
    return Answer(
        limit,
        headline=lambda: say(
            "Reads up to {greatest}, {who} hits {speed}", greatest=limit.has, who=fastest.who, speed=limit.wants
        ),
        formula="greatest ball speed read − fastest driver ball speed",
        inputs=lambda: (
            Input("Greatest ball speed", limit.has, Basis.SPEC),
            Input(f"Ball speed, {fastest.who}", Quantity(fastest.speed_m_s, Unit.METRE_PER_SECOND), Basis.TRADE),
        ),
        cures=lambda: (find_out(PLAYERS, "Measure {who}'s ball speed; the band is a guess.", who=fastest.who),),
    )
