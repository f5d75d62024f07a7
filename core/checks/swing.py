"""The swing disc against ceiling and walls, for every player (trade estimate, see `core.geometry.swing_disc`)."""

from math import degrees

from core.checks.figures import measured_in_room, metres, placed
from core.checks.places import IN_ROOM, on
from core.checks.readings import HittingSurface
from core.checks.register import check
from core.checks.verdict import Basis, Input, State, Verdict, judge
from core.geometry.ceiling import Ceiling
from core.geometry.shadow import Lens
from core.geometry.swing_disc import COMFORT_M, PLANE_RAD, UNCERTAINTY_M, Point3, SwingDisc, swing_disc
from core.model.brief import Player
from core.model.build import Slot
from core.model.clubs import Club
from core.model.facts import known
from core.model.parts import Enclosure
from core.model.room import Layout, Room
from core.quantities import Quantity, Sentence, Unit, say

PROJECTOR_CLEARANCE_M = 0.30
"""Least distance of a projector from a swing disc (trade)."""
PROJECTOR_COMFORT_M = 0.15
TEST_SWING = say("Do a slow test swing with the longest club and measure how high and wide it reaches.")


def ball_at(layout: Layout, surface: HittingSurface) -> Point3:
    """The ball on its mat: x, y, z in the room, in metres."""
    return layout.ball_x_m, layout.ball_y_m, surface.height_m


def swing_inputs(player: Player, disc: SwingDisc) -> tuple[Input, ...]:
    """What the disc of `player` was computed from."""
    club = player.longest_club
    release = "early, 20° of wrist cock" if player.early_release else "usual, 75°"
    estimated = (
        Input("Player's height", metres(player.height_m), Basis.MEASURED),
        Input(f"Club length, {club}", metres(club.length_m), Basis.TRADE),
        Input("Release", release, Basis.TRADE),
        Input("Swing plane", Quantity(degrees(PLANE_RAD), Unit.DEGREE), Basis.TRADE),
        Input("Cocked radius r", metres(disc.cocked_radius_m), Basis.TRADE),
    )
    reach = player.measured_reach(club)
    if reach is None:
        return estimated
    return (Input(f"Measured reach, {reach.dated}", metres(reach.height_m), Basis.MEASURED), *estimated)


def swing_state(clearance_m: float, disc: SwingDisc) -> State:
    """Clear from 0.15 m; tight while an estimate's ±0.10 m leaves it open, or a measured swing just passes."""
    return judge(clearance_m, COMFORT_M, 0.0 if disc.measured else UNCERTAINTY_M)


def swing_basis(disc: SwingDisc) -> Basis:
    """Measured where the reach was, otherwise a trade estimate."""
    return Basis.MEASURED if disc.measured else Basis.TRADE


def test_swing(disc: SwingDisc) -> tuple[Sentence, ...]:
    """The slow test swing as a cure, unless it was made."""
    return () if disc.measured else (TEST_SWING,)


@check("swing.ceiling", title="Swing under the ceiling", place=IN_ROOM)
def under_ceiling(player: Player, room: Room, layout: Layout, surface: HittingSurface, ceiling: Ceiling) -> Verdict:
    """The player's longest club stays under the ceiling, at right angles to it where it slopes.

    apex = 0.80·H + r·sin 57°, r = sqrt(La² + Lc² + 2·La·Lc·cos w). Clear from 0.15 m to spare. The estimate
    is good to 0.10 m, so within that of touching the answer is 'tight, test it'. A measured reach replaces it.
    """
    club, ball = player.longest_club, ball_at(layout, surface)
    disc = swing_disc(player, club)
    margin_m, at = ceiling.clearance_m(disc, ball)
    state = swing_state(margin_m, disc)
    needs, has = metres(at[2] - surface.height_m), metres(ceiling.height_m(at[0], at[1]) - surface.height_m)
    return Verdict(
        state,
        say(
            "{who}'s {club} needs {needs} of {has}",
            who=player.name,
            club=player.longest_club.value,
            needs=needs,
            has=has,
        ),
        measured=has,
        required=needs,
        margin=metres(margin_m),
        basis=swing_basis(disc),
        formula="smallest distance from the swing disc to the ceiling, lining, floor and mat taken off",
        inputs=lambda: (
            measured_in_room(room, "ceiling_m", "Ceiling" if ceiling.is_flat else "Eaves"),
            *(() if room.ridge_m is None or ceiling.is_flat else (measured_in_room(room, "ridge_m", "Highest point"),)),
            Input("Lining", metres(room.lining_m), Basis.MEASURED),
            Input("Floor and mat", metres(surface.height_m), Basis.SPEC),
            *swing_inputs(player, disc),
        ),
        changes=() if state is State.CLEAR else _ceiling_cures(player, ceiling, ball, disc, margin_m),
    )


def _ceiling_cures(
    player: Player, ceiling: Ceiling, ball: Point3, disc: SwingDisc, margin_m: float
) -> tuple[Sentence, ...]:
    cures = [*test_swing(disc)] if margin_m >= -UNCERTAINTY_M else []
    for club in player.longest_club.and_shorter():
        shorter = swing_disc(player, club)
        spare_m, _ = ceiling.clearance_m(shorter, ball)
        if swing_state(spare_m, shorter) is State.CLEAR:
            cures.append(say("A {club} at the longest leaves {spare}.", club=club.value, spare=metres(spare_m)))
            break
    cures.append(say("{more} more height makes it clear.", more=metres(COMFORT_M - margin_m)))
    return tuple(cures)


@check("swing.side_walls", title="Swing between the walls", place=IN_ROOM)
def side_walls(player: Player, room: Room, layout: Layout, surface: HittingSurface) -> Verdict:
    """The player's longest club stays off both side walls, by the widest points of the swing disc."""
    disc = swing_disc(player, player.longest_club)
    low, high = disc.bounds(ball_at(layout, surface))
    left_m, right_m = low[0], room.width_m - high[0]
    nearest, clearance_m, other_m = ("left", left_m, right_m) if left_m <= right_m else ("right", right_m, left_m)
    state = swing_state(clearance_m, disc)
    cures: list[Sentence] = []
    if state is not State.CLEAR:
        shift_m = COMFORT_M - clearance_m
        away = "right" if nearest == "left" else "left"
        if other_m - shift_m >= COMFORT_M:
            cures.append(say("Move the ball {shift} to the {away}.", shift=metres(shift_m), away=away))
        cures += [*test_swing(disc), say("{more} more width makes it clear.", more=metres(shift_m))]
    return Verdict(
        state,
        say("{who}: {spare} to the {wall} wall", who=player.name, spare=metres(clearance_m), wall=nearest),
        measured=metres(clearance_m),
        required=metres(0.0),
        margin=metres(clearance_m),
        formula="smallest distance from the swing disc to a side wall",
        inputs=lambda: (
            measured_in_room(room, "width_m", "Width"),
            placed("Ball to left wall", layout.ball_x_m),
            *swing_inputs(player, disc),
        ),
        changes=tuple(cures),
    )


@check("swing.rear_wall", title="Swing before the rear wall", place=IN_ROOM)
def rear_wall(player: Player, room: Room, layout: Layout, surface: HittingSurface) -> Verdict:
    """The backswing of the player's longest club stays off the wall behind the golfer."""
    disc = swing_disc(player, player.longest_club)
    _, high = disc.bounds(ball_at(layout, surface))
    clearance_m = room.length_m - high[1]
    state = swing_state(clearance_m, disc)
    forward = say("Move the ball {shift} toward the screen.", shift=metres(COMFORT_M - clearance_m))
    return Verdict(
        state,
        say("{who}: {spare} to the rear wall", who=player.name, spare=metres(clearance_m)),
        measured=metres(clearance_m),
        required=metres(0.0),
        margin=metres(clearance_m),
        formula="room length − furthest point of the swing disc",
        inputs=lambda: (
            measured_in_room(room, "length_m", "Length"),
            placed("Ball to the wall behind the screen", layout.ball_y_m),
            *swing_inputs(player, disc),
        ),
        changes=() if state is State.CLEAR else (forward, *test_swing(disc)),
    )


def room_clearance_m(
    player: Player, club: Club, room: Room, layout: Layout, surface: HittingSurface, ceiling: Ceiling
) -> float:
    """Smallest distance in metres from the disc of `player` with `club` to ceiling, side walls and rear wall."""
    disc, ball = swing_disc(player, club), ball_at(layout, surface)
    low, high = disc.bounds(ball)
    return min(
        ceiling.clearance_m(disc, ball)[0],
        low[0],
        room.width_m - high[0],
        room.length_m - high[1],
    )


@check("swing.longest_club", title="Longest club", place=IN_ROOM)
def longest_club(player: Player, room: Room, layout: Layout, surface: HittingSurface, ceiling: Ceiling) -> Verdict:
    """The longest club, up to the one the player wants, whose swing disc stays clear of ceiling and walls."""
    clearances = {
        club: room_clearance_m(player, club, room, layout, surface, ceiling)
        for club in player.longest_club.and_shorter()
    }
    wanted_m = clearances[player.longest_club]
    states = {club: swing_state(clearance_m, swing_disc(player, club)) for club, clearance_m in clearances.items()}
    clear = [club for club, state in states.items() if state is State.CLEAR]
    possible = [club for club, state in states.items() if state is not State.BLOCKED]
    longest = clear[0].value if clear else "none"
    state = states[player.longest_club]
    if state is State.CLEAR:
        headline = say("{who}: {club} is clear", who=player.name, club=longest)
    else:
        headline = say("{who}: longest clear club {club}", who=player.name, club=longest)
    return Verdict(
        state,
        headline,
        measured=longest,
        required=player.longest_club.value,
        margin=metres(wanted_m),
        formula="for each club, the smallest distance from its swing disc to ceiling, side walls and rear wall",
        inputs=lambda: tuple(
            Input(f"Clearance with the {club}", metres(clearance_m), Basis.TRADE)
            for club, clearance_m in clearances.items()
        ),
        changes=()
        if state is State.CLEAR
        else (
            say("Possible after a slow test swing: {club}.", club=possible[0].value if possible else "none"),
            say("See the ceiling and wall answers for what is in the way."),
        ),
    )


@check("enclosure.swing", title="Swing inside the enclosure", place=on(Slot.ENCLOSURE))
def inside_enclosure(
    player: Player, enclosure: Enclosure, room: Room, layout: Layout, surface: HittingSurface
) -> Verdict:
    """Where the enclosure reaches into the swing disc, its sides and roof keep off it; otherwise it ends short of it.

    Side panels are centred across the room. Clearance is the smallest of: disc to side panel, disc to roof,
    for the part of the disc inside the box; or disc to the mouth of the box.
    """
    depth_m = known(enclosure.depth_m, enclosure, "depth")
    inner_m = known(enclosure.inner_width_m, enclosure, "inner width")
    roof_m = known(enclosure.inner_height_m, enclosure, "inner height")
    disc = swing_disc(player, player.longest_club)
    ball = ball_at(layout, surface)
    mouth_m = layout.screen_y_m + depth_m
    front_m = disc.bounds(ball)[0][1]
    if front_m >= mouth_m:
        clearance_m = front_m - mouth_m
        headline = say("{who}'s swing ends {spare} short of the enclosure", who=player.name, spare=metres(clearance_m))
        state = State.CLEAR
    else:
        points = disc.at(ball)
        inside = points[points[:, 1] < mouth_m]
        left_m = (room.width_m - inner_m) / 2
        clearance_m = float(
            min(
                inside[:, 0].min() - left_m,
                left_m + inner_m - inside[:, 0].max(),
                roof_m - inside[:, 2].max(),
            )
        )
        state = swing_state(clearance_m, disc)
        headline = say("{who}'s swing keeps {spare} inside the box", who=player.name, spare=metres(clearance_m))
    back_m = mouth_m - front_m
    return Verdict(
        state,
        headline,
        measured=metres(clearance_m),
        required=metres(0.0),
        margin=metres(clearance_m),
        formula="smallest distance from the swing disc to side panels and roof, or to the mouth of the box",
        inputs=lambda: (
            Input("Depth", metres(depth_m), Basis.SPEC),
            Input("Inner width", metres(inner_m), Basis.SPEC),
            Input("Inner height", metres(roof_m), Basis.SPEC),
            placed("Gap behind the screen", layout.screen_y_m),
            *swing_inputs(player, disc),
        ),
        changes=()
        if state is State.CLEAR
        else (say("Move the ball {back} back, out of the box.", back=metres(back_m)), *test_swing(disc)),
    )


@check("projector.swing", title="Projector out of the swing", place=on(Slot.DISPLAY))
def projector_clearance(player: Player, lens: Lens, layout: Layout, surface: HittingSurface) -> Verdict:
    """The projector hangs at least 0.30 m outside the player's swing disc."""
    disc = swing_disc(player, player.longest_club)
    at_lens = (lens.x_m, layout.screen_y_m + lens.distance_m, lens.height_m)
    nearest_m = disc.distance_m(ball_at(layout, surface), at_lens)
    margin_m = nearest_m - PROJECTOR_CLEARANCE_M
    state = judge(margin_m, PROJECTOR_COMFORT_M)
    return Verdict(
        state,
        say("{who}'s club passes {near} from the projector", who=player.name, near=metres(nearest_m)),
        measured=metres(nearest_m),
        required=metres(PROJECTOR_CLEARANCE_M),
        margin=metres(margin_m),
        formula="smallest distance from the swing disc to the lens − 0.30 m",
        inputs=lambda: (
            placed("Lens to screen", lens.distance_m),
            placed("Lens height", lens.height_m),
            *swing_inputs(player, disc),
        ),
        changes=()
        if state is State.CLEAR
        else (
            say("Hang the projector higher, or further from the ball within its throw range."),
            say("Choose a projector with another throw ratio."),
        ),
    )
