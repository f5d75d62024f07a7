"""The swing disc against ceiling and walls, for every player (trade estimate, see `core.geometry.swing_disc`)."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from math import degrees

from core.checks.figures import measured_in_room, metres, placed
from core.checks.places import IN_ROOM, on
from core.checks.readings import HittingSurface
from core.checks.register import check, derive
from core.checks.space import Obstructions
from core.checks.verdict import Basis, Input, State, Verdict, judge
from core.geometry.shadow import Lens
from core.geometry.surroundings import Surroundings
from core.geometry.swing_disc import COMFORT_M, PLANE_RAD, UNCERTAINTY_M, Point3, SwingDisc, distances_m, swing_disc
from core.model.brief import Brief, Player
from core.model.build import Slot
from core.model.clubs import Club
from core.model.facts import known
from core.model.parts import Enclosure
from core.model.room import Layout, Room
from core.quantities import Quantity, Sentence, Unit, say

SWING_CLEARANCE_M = 0.30
"""Least distance of a projector from a swing disc (trade)."""
PROJECTOR_COMFORT_M = 0.15
LEAST_MOVE_M = 0.001
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
def under_ceiling(player: Player, room: Room, surroundings: Surroundings) -> Verdict:
    """The player's longest club stays under the ceiling, at right angles to it where it slopes.

    apex = 0.80·H + r·sin 57°, r = sqrt(La² + Lc² + 2·La·Lc·cos w). Clear from 0.15 m to spare. The estimate
    is good to 0.10 m, so within that of touching the answer is 'tight, test it'. A measured reach replaces it.
    """
    ceiling, surface_m = surroundings.ceiling, surroundings.ball[2]
    disc = swing_disc(player, player.longest_club)
    margin_m, at = ceiling.clearance_m(disc, surroundings.ball)
    state = swing_state(margin_m, disc)
    needs, has = metres(at[2] - surface_m), metres(ceiling.height_m(at[0], at[1]) - surface_m)
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
            Input("Floor and mat", metres(surface_m), Basis.SPEC),
            *swing_inputs(player, disc),
            *early_release_input(player, surroundings),
        ),
        changes=()
        if state is State.CLEAR
        else (
            *(test_swing(disc) if margin_m >= -UNCERTAINTY_M else ()),
            *shorter_club(player, lambda club: ceiling.clearance_m(swing_disc(player, club), surroundings.ball)[0]),
            *move_the_ball(player, surroundings),
            say("{more} more height, or a floor that much lower, makes it clear.", more=metres(COMFORT_M - margin_m)),
        ),
    )


def early_release_input(player: Player, surroundings: Surroundings) -> tuple[Input, ...]:
    """The clearance if the wrists unhinge early, which nobody is sure of before a test swing."""
    if player.early_release or player.measured_reach(player.longest_club):
        return ()
    early = swing_disc(player.model_copy(update={"early_release": True}), player.longest_club)
    clearance_m, _ = surroundings.ceiling.clearance_m(early, surroundings.ball)
    return (Input("Clearance with an early release", metres(clearance_m), Basis.TRADE),)


def shorter_club(player: Player, clearance_m: Callable[[Club], float]) -> tuple[Sentence, ...]:
    """The longest club that is clear by `clearance_m`, as a cure."""
    for club in player.longest_club.and_shorter():
        spare_m = clearance_m(club)
        if swing_state(spare_m, swing_disc(player, club)) is State.CLEAR:
            return (say("A {club} at the longest leaves {spare}.", club=club.value, spare=metres(spare_m)),)
    return ()


def move_the_ball(player: Player, surroundings: Surroundings) -> tuple[Sentence, ...]:
    """The shortest way to a spot where this player is clear of everything, as a cure; none where there is no spot."""
    shift = surroundings.shift_to_clear(player)
    if shift is None:
        return ()
    across_m, along_m = shift
    across = {"across": metres(abs(across_m)), "side": "right" if across_m > 0 else "left"}
    along = {"along": metres(abs(along_m)), "way": "back" if along_m > 0 else "toward the screen"}
    moves_across, moves_along = abs(across_m) >= LEAST_MOVE_M, abs(along_m) >= LEAST_MOVE_M
    if moves_across and moves_along:
        return (say("Move the ball {across} to the {side} and {along} {way}.", **across, **along),)
    if moves_across:
        return (say("Move the ball {across} to the {side}.", **across),)
    return (say("Move the ball {along} {way}.", **along),) if moves_along else ()


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


@check("swing.things", title="Swing past what is in the room", place=IN_ROOM)
def past_things(player: Player, obstructions: Obstructions, surroundings: Surroundings) -> Verdict:
    """The player's longest club stays off every obstruction and everything that stays in the room during play.

    Measured from the whole disc, hub to clubhead, to each box with what is behind it: nothing passes between a
    beam and the ceiling that it hangs from. Clear from 0.15 m; an estimate is good to 0.10 m. Where a thing is in
    the way the clearance is negative: by so much the reach would have to be shorter, along the plane of the swing.
    """
    club = player.longest_club
    disc, closest = swing_disc(player, club), surroundings.closest_thing(player, club)
    state = swing_state(closest.clearance_m, disc)
    short_m = COMFORT_M - closest.clearance_m
    overhead = closest.at[2] > surroundings.ball[2] + disc.hub_height_m
    return Verdict(
        state,
        say("{who}: {spare} to {thing}", who=player.name, spare=metres(closest.clearance_m), thing=closest.name),
        measured=metres(closest.clearance_m),
        required=metres(0.0),
        margin=metres(closest.clearance_m),
        basis=swing_basis(disc),
        formula="smallest distance from the swing disc to a box; minus the reach too long where one is in the way",
        inputs=lambda: (
            Input("Things in the room", str(len(obstructions.solids)), Basis.MEASURED),
            Input("Nearest, across", metres(closest.at[0]), Basis.TRADE),
            Input("Nearest, along", metres(closest.at[1]), Basis.TRADE),
            Input("Nearest, height", metres(closest.at[2]), Basis.TRADE),
            *swing_inputs(player, disc),
        ),
        changes=()
        if state is State.CLEAR
        else (
            *test_swing(disc),
            *move_the_ball(player, surroundings),
            *shorter_club(player, lambda shorter: surroundings.closest_thing(player, shorter).clearance_m),
            say("{thing} carries the building: only a structural engineer says what may be done.", thing=closest.name)
            if closest.carries
            else say("Move {thing} {more} away, or remove it.", thing=closest.name, more=metres(short_m)),
            *([say("Lower the floor by {more}.", more=metres(short_m))] if overhead else []),
        ),
    )


@check("swing.longest_club", title="Longest club", place=IN_ROOM)
def longest_club(player: Player, surroundings: Surroundings) -> Verdict:
    """The longest club, up to the one the player wants, whose swing disc stays clear of everything.

    Everything is ceiling, side walls and rear wall, what is in the way, and the enclosure.
    """
    wanted = surroundings.closest(player, player.longest_club)
    state = swing_state(wanted.clearance_m, swing_disc(player, player.longest_club))
    if state is State.CLEAR:
        clear = possible = player.longest_club.value
        headline = say("{who}: {club} is clear", who=player.name, club=clear)
    else:
        states = {
            club: swing_state(surroundings.closest(player, club).clearance_m, swing_disc(player, club))
            for club in player.longest_club.and_shorter()
        }
        clear = next((club.value for club, state in states.items() if state is State.CLEAR), "none")
        possible = next((club.value for club, state in states.items() if state is not State.BLOCKED), "none")
        headline = say("{who}: longest clear club {club}", who=player.name, club=clear)
    return Verdict(
        state,
        headline,
        measured=clear,
        required=player.longest_club.value,
        margin=metres(wanted.clearance_m),
        formula="for each club, the smallest distance from its swing disc to room, things in the way and enclosure",
        inputs=lambda: tuple(
            Input(f"Clearance with the {club}, to the {near.name}", metres(near.clearance_m), Basis.TRADE)
            for club in player.longest_club.and_shorter()
            for near in [surroundings.closest(player, club)]
        ),
        changes=()
        if state is State.CLEAR
        else (
            say("Possible after a slow test swing: {club}.", club=possible),
            say("The {thing} is in the way; its own answer says what helps.", thing=wanted.name),
        ),
    )


@check("enclosure.swing", title="Swing inside the enclosure", place=on(Slot.ENCLOSURE))
def inside_enclosure(player: Player, enclosure: Enclosure, layout: Layout, surroundings: Surroundings) -> Verdict:
    """The swing keeps off the enclosure's sides and roof, whether it reaches into the box or ends short of it.

    Side panels are centred across the room. A swing that is beyond a panel has gone through it, so behind each
    panel everything counts as solid.
    """
    depth_m = known(enclosure.depth_m, enclosure, "depth")
    inner_m = known(enclosure.inner_width_m, enclosure, "inner width")
    roof_m = known(enclosure.inner_height_m, enclosure, "inner height")
    known(enclosure.outer_width_m, enclosure, "outer width")
    known(enclosure.outer_height_m, enclosure, "outer height")
    disc = swing_disc(player, player.longest_club)
    closest = surroundings.closest_panel(player, player.longest_club)
    state = swing_state(closest.clearance_m, disc)
    spare = metres(closest.clearance_m)
    back_m = layout.screen_y_m + depth_m - disc.bounds(surroundings.ball)[0][1]
    return Verdict(
        state,
        say("{who}'s swing keeps {spare} from the {panel}", who=player.name, spare=spare, panel=closest.name),
        measured=spare,
        required=metres(0.0),
        margin=spare,
        basis=swing_basis(disc),
        formula="smallest distance from the swing disc to side panels and roof, negative through them",
        inputs=lambda: (
            Input("Depth", metres(depth_m), Basis.SPEC),
            Input("Inner width", metres(inner_m), Basis.SPEC),
            Input("Inner height", metres(roof_m), Basis.SPEC),
            placed("Gap behind the screen", layout.screen_y_m),
            *swing_inputs(player, disc),
        ),
        changes=()
        if state is State.CLEAR
        else (
            *([say("Move the ball {back} back, out of the box.", back=metres(back_m))] if back_m > 0 else []),
            *move_the_ball(player, surroundings),
            *shorter_club(player, lambda club: surroundings.closest_panel(player, club).clearance_m),
            *test_swing(disc),
        ),
    )


@dataclass(frozen=True)
class ClubsPastLens:
    """How near each player's longest club passes the projector's lens, in metres, by player's id."""

    nearest_m: Mapping[str, float]


@derive
def clubs_past_lens(brief: Brief, lens: Lens, layout: Layout, surface: HittingSurface) -> ClubsPastLens | None:
    """All players at once; `None` while nobody plays."""
    if not brief.players:
        return None
    discs = tuple(swing_disc(player, player.longest_club) for player in brief.players)
    at_lens = (lens.x_m, layout.screen_y_m + lens.distance_m, lens.height_m)
    nearest = distances_m(discs, ball_at(layout, surface), at_lens)
    return ClubsPastLens({player.id: away_m for player, away_m in zip(brief.players, nearest, strict=True)})


@check("projector.swing", title="Projector out of the swing", place=on(Slot.DISPLAY))
def projector_clearance(player: Player, lens: Lens, clubs: ClubsPastLens) -> Verdict:
    """The projector hangs at least 0.30 m outside the player's swing disc."""
    disc = swing_disc(player, player.longest_club)
    nearest_m = clubs.nearest_m[player.id]
    margin_m = nearest_m - SWING_CLEARANCE_M
    state = judge(margin_m, PROJECTOR_COMFORT_M)
    return Verdict(
        state,
        say("{who}'s club passes {near} from the projector", who=player.name, near=metres(nearest_m)),
        measured=metres(nearest_m),
        required=metres(SWING_CLEARANCE_M),
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
