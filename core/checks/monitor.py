"""The launch monitor: where it stands, the flight it needs, whom it serves, what it can measure."""

from collections.abc import Sequence
from dataclasses import dataclass

from core.checks.figures import measured_in_room, metres, placed, stated
from core.checks.places import between, on
from core.checks.readings import MONITOR_BODY_M, HittingSurface, MonitorSpot
from core.checks.register import check
from core.checks.verdict import Basis, Input, Inputs, State, Verdict, judge
from core.geometry.ceiling import Ceiling
from core.model.brief import Brief, Handedness, Player
from core.model.build import Slot
from core.model.facts import known, known_players
from core.model.parts import BehindTheBall, FloorStanding, LaunchMonitor, OverheadCamera, SideCamera
from core.model.room import Layout, Room
from core.quantities import Quantity, Sentence, Unit, say

FLIGHT_COMFORT_M = 0.15
PLACEMENT_COMFORT_M = 0.10
CEILING_COMFORT_M = 0.05
LEVEL_COMFORT_SHARE = 0.5
"""Half the tolerance is left for what the floor does later."""
SPEED_COMFORT_M_S = 3.0


@dataclass(frozen=True)
class _Limit:
    """One of several limits on the same place; the one with the least margin decides."""

    margin_m: float
    comfort_m: float
    measured_m: float
    required_m: float
    headline: Sentence
    cure: Sentence


def _tightest(limits: Sequence[_Limit], formula: str, inputs: Inputs, basis: Basis) -> Verdict:
    limit = min(limits, key=lambda limit: limit.margin_m - limit.comfort_m)
    state = judge(limit.margin_m, limit.comfort_m)
    return Verdict(
        state,
        limit.headline,
        measured=metres(limit.measured_m),
        required=metres(limit.required_m),
        margin=metres(limit.margin_m),
        basis=basis,
        formula=formula,
        inputs=inputs,
        changes=() if state is State.CLEAR else (limit.cure,),
    )


def _range_limits(spot_m: float, near_m: float, far_m: float, where: str) -> tuple[_Limit, _Limit]:
    return (
        _Limit(
            spot_m - near_m,
            0.0,
            spot_m,
            near_m,
            say("Stands {spot} {where}, at least {near}", spot=metres(spot_m), where=where, near=metres(near_m)),
            say("Move it {more} further from the ball.", more=metres(near_m - spot_m)),
        ),
        _Limit(
            far_m - spot_m,
            0.0,
            spot_m,
            far_m,
            say("Stands {spot} {where}, at most {far}", spot=metres(spot_m), where=where, far=metres(far_m)),
            say("Move it {more} nearer to the ball.", more=metres(spot_m - far_m)),
        ),
    )


@check("monitor.behind", title="Room for the monitor behind the ball", place=on(Slot.MONITOR))
def behind(monitor: BehindTheBall, spot: MonitorSpot, room: Room, layout: Layout) -> Verdict:
    """A monitor behind the ball stands within its maker's range, with 0.15 m for its body before the rear wall."""
    near_m = known(monitor.distance_min_m, monitor, "distance from the ball")
    far_m = known(monitor.distance_max_m, monitor, "distance from the ball")
    behind_m = room.length_m - layout.ball_y_m
    needed_m = spot.distance_m + MONITOR_BODY_M
    wall = _Limit(
        behind_m - needed_m,
        PLACEMENT_COMFORT_M,
        behind_m,
        needed_m,
        say("Needs {needed} behind the ball, has {behind}", needed=metres(needed_m), behind=metres(behind_m)),
        say(
            "Move the ball {more} toward the screen, or choose a monitor that stands nearer.",
            more=metres(PLACEMENT_COMFORT_M + needed_m - behind_m),
        ),
    )
    return _tightest(
        (wall, *_range_limits(spot.distance_m, near_m, far_m, "behind the ball")),
        "length − ball to wall − (distance behind the ball + 0.15 m); and the maker's range",
        lambda: (
            stated("Nearest to the ball", metres(near_m)),
            stated("Furthest from the ball", metres(far_m)),
            placed("Stands behind the ball (proposed)" if spot.proposed else "Stands behind the ball", spot.distance_m),
            measured_in_room(room, "length_m", "Length"),
        ),
        Basis.SPEC,
    )


@check("monitor.beside", title="Room for the monitor beside the ball", place=on(Slot.MONITOR))
def beside(player: Player, monitor: SideCamera, spot: MonitorSpot, room: Room, layout: Layout) -> Verdict:
    """A side camera stands on the free side of the ball within its range, with room for its body before the wall."""
    near_m = known(monitor.distance_min_m, monitor, "distance from the ball")
    far_m = known(monitor.distance_max_m, monitor, "distance from the ball")
    free_m = room.width_m - layout.ball_x_m if player.handedness is Handedness.RIGHT else layout.ball_x_m
    needed_m = spot.distance_m + MONITOR_BODY_M
    wall = _Limit(
        free_m - needed_m,
        PLACEMENT_COMFORT_M,
        free_m,
        needed_m,
        say(
            "Needs {needed} on {who}'s free side, has {free}",
            needed=metres(needed_m),
            who=player.name,
            free=metres(free_m),
        ),
        say("Move the ball {more} from that wall.", more=metres(PLACEMENT_COMFORT_M + needed_m - free_m)),
    )
    return _tightest(
        (wall, *_range_limits(spot.distance_m, near_m, far_m, "beside the ball")),
        "free side − (distance beside the ball + 0.15 m); and the maker's range",
        lambda: (
            stated("Nearest to the ball", metres(near_m)),
            stated("Furthest from the ball", metres(far_m)),
            placed("Stands beside the ball (proposed)" if spot.proposed else "Stands beside the ball", spot.distance_m),
            placed("Ball to left wall", layout.ball_x_m),
        ),
        Basis.SPEC,
    )


@check("monitor.overhead", title="Height of the monitor on the ceiling", place=on(Slot.MONITOR))
def overhead(monitor: OverheadCamera, room: Room, layout: Layout, ceiling: Ceiling, surface: HittingSurface) -> Verdict:
    """An overhead camera hangs within its maker's range of heights above the hitting surface, ahead of the ball."""
    low_m = known(monitor.mount_height_min_m, monitor, "mounting height")
    high_m = known(monitor.mount_height_max_m, monitor, "mounting height")
    near_m = known(monitor.ahead_min_m, monitor, "distance ahead of the ball")
    far_m = known(monitor.ahead_max_m, monitor, "distance ahead of the ball")
    height_m = ceiling.height_m(layout.ball_x_m, layout.ball_y_m - (near_m + far_m) / 2) - surface.height_m
    return _tightest(
        (
            _Limit(
                height_m - low_m,
                CEILING_COMFORT_M,
                height_m,
                low_m,
                say("Hangs at {height}, at least {low}", height=metres(height_m), low=metres(low_m)),
                say("Needs {more} more height, or another kind of monitor.", more=metres(low_m - height_m)),
            ),
            _Limit(
                high_m - height_m,
                CEILING_COMFORT_M,
                height_m,
                high_m,
                say("Hangs at {height}, at most {high}", height=metres(height_m), high=metres(high_m)),
                say("Hang it on a drop rod of {more} or more.", more=metres(height_m - high_m)),
            ),
        ),
        "ceiling − lining − hitting surface, against the maker's range",
        lambda: (
            stated("Lowest mount", metres(low_m)),
            stated("Highest mount", metres(high_m)),
            measured_in_room(room, "ceiling_m", "Ceiling"),
            Input("Hitting surface", metres(surface.height_m), Basis.SPEC),
        ),
        Basis.SPEC,
    )


@check("monitor.flight", title="Flight before the screen", place=on(Slot.MONITOR))
def flight(monitor: BehindTheBall, layout: Layout) -> Verdict:
    """A monitor that watches the flight sees as much of it as its maker asks, between ball and screen."""
    needs_m = known(monitor.flight_min_m, monitor, "flight it needs")
    has_m = layout.ball_to_screen_m
    margin_m = has_m - needs_m
    state = judge(margin_m, FLIGHT_COMFORT_M)
    return Verdict(
        state,
        say("Needs {needs} of flight, has {has}", needs=metres(needs_m), has=metres(has_m)),
        measured=metres(has_m),
        required=metres(needs_m),
        margin=metres(margin_m),
        basis=Basis.SPEC,
        formula="ball to screen − flight the maker asks for",
        inputs=lambda: (
            stated("Flight asked for", metres(needs_m)),
            placed("Ball to wall", layout.ball_y_m),
            placed("Screen to wall", layout.screen_y_m),
        ),
        changes=()
        if state is State.CLEAR
        else (
            say("Move the ball back {more}.", more=metres(FLIGHT_COMFORT_M - margin_m)),
            say("A side or overhead camera needs no flight."),
        ),
    )


@check("monitor.hands", title="Serves both hands", place=on(Slot.MONITOR))
def hands(brief: Brief, monitor: LaunchMonitor) -> Verdict:
    """The monitor serves every player's handedness: where it stands, when moved across, or not at all.

    Visitors may be of either hand.
    """
    players = known_players(brief)
    left = [player.name for player in players if player.handedness is Handedness.LEFT]
    served = known(monitor.both_hands, monitor, "handedness")
    if brief.visitors:
        left.append("visitors")
    mixed = brief.visitors or 0 < len(left) < len(players)
    unserved = len(left) if served == "no" else 0
    words = {"unmoved": "both hands, unmoved", "moved": "both hands, moved across", "no": "right hand only"}
    if unserved:
        state = State.BLOCKED
    else:
        state = State.TIGHT if mixed and served == "moved" else State.CLEAR
    return Verdict(
        state,
        say(
            "Serves {served}; {left} of {all} play left-handed",
            served=words[served],
            left=str(len(left)),
            all=str(len(players)),
        ),
        measured=words[served],
        required="both hands" if mixed else ("left hand" if left else "right hand"),
        margin=Quantity(-unserved, Unit.PLAYERS),
        basis=Basis.SPEC,
        formula="players whose hand the monitor does not serve",
        inputs=lambda: (
            stated("Serves", words[served]),
            Input("Left-handers", ", ".join(left) or "none", Basis.MEASURED),
        ),
        changes=()
        if state is State.CLEAR
        else (say("A monitor behind or above the ball serves both hands without being moved."),),
    )


@check("monitor.level", title="Monitor level with the ball", place=between(Slot.MAT, Slot.MONITOR))
def level(monitor: FloorStanding, surface: HittingSurface, layout: Layout) -> Verdict:
    """The monitor's foot is level with the hitting surface, within the tolerance its maker states.

    The mat is sunk into the floor covering; the monitor stands on the covering or on a pad of its own.
    """
    tolerance_m = known(monitor.level_tolerance_m, monitor, "level tolerance")
    foot_m = surface.floor_m + layout.monitor_pad_m
    step_m = foot_m - surface.height_m
    margin_m = tolerance_m - abs(step_m)
    state = judge(margin_m, tolerance_m * LEVEL_COMFORT_SHARE)
    direction = "below" if step_m < 0 else "above"
    cure = (
        say("Put it on a pad {more} thick.", more=metres(layout.monitor_pad_m - step_m))
        if step_m < 0
        else say("Lower its pad by {less}, or raise the mat.", less=metres(step_m))
    )
    return Verdict(
        state,
        say(
            "Stands {step} {direction} the ball, {tolerance} is allowed",
            step=metres(abs(step_m)),
            direction=direction,
            tolerance=metres(tolerance_m),
        ),
        measured=metres(abs(step_m)),
        required=metres(tolerance_m),
        margin=metres(margin_m),
        basis=Basis.SPEC,
        formula="tolerance − |floor covering + pad − mat|",
        inputs=lambda: (
            stated("Tolerance", metres(tolerance_m)),
            stated("Mat", metres(surface.height_m)),
            stated("Floor covering", metres(surface.floor_m)),
            placed("Pad under the monitor", layout.monitor_pad_m),
        ),
        changes=() if state is State.CLEAR else (cure,),
    )


@check("monitor.ball_speed", title="Ball speeds it can read", place=on(Slot.MONITOR))
def ball_speed(brief: Brief, monitor: LaunchMonitor) -> Verdict:
    """The fastest player's driver stays below the greatest ball speed the monitor reads."""
    players = known_players(brief)
    fastest, name = max((player.ball_speed_m_s, player.name) for player in players)
    limit = known(monitor.ball_speed_max_m_s, monitor, "greatest ball speed")
    margin = limit - fastest
    state = judge(margin, SPEED_COMFORT_M_S)
    speed, greatest = Quantity(fastest, Unit.METRE_PER_SECOND), Quantity(limit, Unit.METRE_PER_SECOND)
    return Verdict(
        state,
        say("Reads up to {greatest}, {who} hits {speed}", greatest=greatest, who=name, speed=speed),
        measured=greatest,
        required=speed,
        margin=Quantity(margin, Unit.METRE_PER_SECOND),
        basis=Basis.SPEC,
        formula="greatest ball speed read − fastest driver ball speed",
        inputs=lambda: (stated("Greatest ball speed", greatest), Input(f"Ball speed, {name}", speed, Basis.TRADE)),
        changes=() if state is State.CLEAR else (say("Measure {who}'s ball speed; the band is a guess.", who=name),),
    )
