"""The swing disc against ceiling and walls, for every player (trade estimate, see `core.geometry.swing_disc`)."""

from collections.abc import Callable
from dataclasses import dataclass
from math import degrees
from typing import Annotated

from core.bay import projector_box
from core.checks.bag import Bags, bag_headline
from core.checks.ball import SwingRules, ball_limits
from core.checks.declared import THERE
from core.checks.figures import enough, measured_in_room, metres, placed_input
from core.checks.limits import Comparison, Limit, State, Words, at_least, tightest
from core.checks.places import IN_ROOM, on
from core.checks.readings import Balls, HittingSurface, OwnBall
from core.checks.register import check, derive
from core.checks.space import LookedThrough, Obstructions, StatedHood
from core.checks.swing_limit import slow_swing, swing_basis, swing_limit
from core.checks.verdict import Answer, Basis, Cure, Cures, Input, press
from core.geometry.shadow import Lens
from core.geometry.surroundings import Closest, Surroundings
from core.geometry.swing_clearance import clearances
from core.geometry.swing_disc import COMFORT_M, PLANE_RAD, SwingDisc, swing_disc
from core.model import acts
from core.model.brief import Brief, Player
from core.model.build import Slot
from core.model.clubs import Club
from core.model.facts import Missing
from core.model.parts import Enclosure
from core.model.reaches import Direction
from core.model.room import Layout, Room
from core.quantities import Quantity, Sentence, Unit, say
from core.quantities.tolerances import LEAST_MOVE_M, OUTLINE_M

SWING_CLEARANCE_M = 0.30
"""Least distance of a projector from a swing disc (trade)."""
PROJECTOR_COMFORT_M = 0.45
DUG_MOST_M = 0.50
"""Nobody lowers a floor by more for a swing (trade)."""


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
    reached = [
        Input(f"Test swing of {reach.dated}: how {way.words} with the {reach.club}", metres(along_m), Basis.MEASURED)
        for reach in player.measured_reaches
        for way in Direction
        for along_m in [reach.along_m(way)]
        if along_m is not None
    ]
    return (*reached, *estimated)


@check("swing.ceiling", title="Swing under the ceiling", place=IN_ROOM)
def under_ceiling(
    player: Annotated[Player, THERE],
    room: Annotated[Room, THERE],
    disc: SwingDisc,
    rules: SwingRules,
    ball: OwnBall,
    surroundings: Surroundings,
    surface: HittingSurface,
) -> Answer:
    """The player's longest club stays under the ceiling, at right angles to it where it slopes.

    apex = 0.80·H + r·sin 57°, r = sqrt(La² + Lc² + 2·La·Lc·cos w). Clear from 0.15 m to spare. The estimate
    is good to 0.10 m, so within that of touching the answer is 'tight, test it'. A measured reach replaces it.
    """
    limits = ball_limits(rules.of("swing.ceiling"), ball.at)
    limit = tightest(tuple(limits))
    assert isinstance(limit, Limit)
    ceiling = surroundings.room.ceiling
    toward = limits[limit].edge.toward
    # A ceiling is raised straight up, and measured to at right angles.
    more_m = -limit.headroom * ceiling.planes[0].steepness
    return Answer(
        limit,
        headline=lambda: say(
            "{who}'s {club} needs {needs} of {has}",
            who=player.name,
            club=player.longest_club.value,
            needs=metres(limits[limit].edge.at[2]),
            has=metres(
                ceiling.height_m(ball.at[0] + limits[limit].edge.at[0], ball.at[1] + limits[limit].edge.at[1])
                - surface.height_m
            ),
        ),
        formula="smallest distance from the swing disc to the ceiling, lining, floor and mat taken off",
        inputs=lambda: (
            measured_in_room(room, "ceiling_m", "Ceiling" if ceiling.is_flat else "Eaves"),
            *(() if room.ridge_m is None or ceiling.is_flat else (measured_in_room(room, "ridge_m", "Highest point"),)),
            Input("Lining", metres(room.lining_m), Basis.MEASURED),
            surface.told,
            *swing_inputs(player, disc),
            *early_release_input(player, surroundings),
        ),
        cures=lambda: (
            *(slow_swing(player, disc.to_measure(toward)) if limit.state is State.TIGHT else ()),
            *shorter_club(player, lambda club: ceiling.clearance_m(swing_disc(player, club), ball.at)[0]),
            *move_the_ball(player, surroundings),
            say("{more} more height, or a floor that much lower, makes it clear.", more=enough(more_m)),
        ),
        basis=swing_basis(limit.tolerated),
    )


def early_release_input(player: Player, surroundings: Surroundings) -> tuple[Input, ...]:
    """The clearance if the wrists unhinge early, which nobody is sure of before a test swing."""
    if player.early_release or Direction.HEIGHT in swing_disc(player, player.longest_club).measured:
        return ()
    early = swing_disc(player.model_copy(update={"early_release": True}), player.longest_club)
    clearance_m, _ = surroundings.room.ceiling.clearance_m(early, surroundings.ball_of(player))
    return (Input("Clearance with an early release", metres(clearance_m), Basis.TRADE),)


def shorter_club(player: Player, clearance_m: Callable[[Club], float]) -> Cures:
    """The longest club that is clear by `clearance_m`, as a cure."""
    for club in player.longest_club.and_shorter():
        # What is clear is so by more than any doubt.
        limit = swing_limit(clearance_m(club), 0.0)
        if limit.state is State.CLEAR:
            act = acts.longest_club(player.id, club)
            return (press(act, "A {club} at the longest leaves {spare}.", club=club.value, spare=limit.has),)
    return ()


def move_the_ball(player: Player, surroundings: Surroundings) -> Cures:
    """The shortest way to a spot where this player is clear of everything, as a cure; none where there is no spot."""
    shift = surroundings.shift_to_clear(player)
    if shift is None:
        return ()
    across_m, along_m = shift
    across = {"across": metres(abs(across_m)), "side": "right" if across_m > 0 else "left"}
    along = {"along": metres(abs(along_m)), "way": "back" if along_m > 0 else "toward the screen"}
    act = acts.ball_moved(across_m=across_m, along_m=along_m, hand=player.handedness)
    moves_across, moves_along = abs(across_m) >= LEAST_MOVE_M, abs(along_m) >= LEAST_MOVE_M
    if moves_across and moves_along:
        return (press(act, "Move the ball {across} to the {side} and {along} {way}.", **across, **along),)
    if moves_across:
        return (press(act, "Move the ball {across} to the {side}.", **across),)
    return (press(act, "Move the ball {along} {way}.", **along),) if moves_along else ()


@check("swing.side_walls", title="Swing between the walls", place=IN_ROOM)
def side_walls(
    player: Annotated[Player, THERE], room: Annotated[Room, THERE], disc: SwingDisc, rules: SwingRules, ball: OwnBall
) -> Answer:
    """The player's longest club stays off both side walls, by the widest points of the swing disc."""
    limits = ball_limits(rules.of("swing.side_walls"), ball.at)
    limit = tightest(tuple(limits))
    assert isinstance(limit, Limit)
    nearest = limits[limit].edge.name
    more, away = enough(-limit.headroom), "right" if nearest == "left wall" else "left"
    # Two walls that are equally near are one limit: there is no way to give.
    other_m = max(other.headroom for other in limits) if len(limits) > 1 else limit.headroom
    return Answer(
        limit,
        headline=lambda: say("{who}: {spare} to the {wall}", who=player.name, spare=limit.has, wall=nearest),
        formula="smallest distance from the swing disc to a side wall",
        inputs=lambda: (
            measured_in_room(room, "width_m", "Width"),
            placed_input("Ball to left wall", ball.at[0]),
            *swing_inputs(player, disc),
        ),
        cures=lambda: (
            *(
                (
                    press(
                        acts.ball_moved(
                            across_m=more.value if away == "right" else -more.value, hand=player.handedness
                        ),
                        "Move the ball {shift} to the {away}.",
                        shift=more,
                        away=away,
                    ),
                )
                if other_m >= -limit.headroom
                else ()
            ),
            *slow_swing(player, disc.to_measure(limits[limit].edge.toward)),
            say("{more} more width makes it clear.", more=more),
        ),
        basis=swing_basis(limit.tolerated),
    )


@check("swing.rear_wall", title="Swing before the rear wall", place=IN_ROOM)
def rear_wall(
    player: Annotated[Player, THERE], room: Annotated[Room, THERE], disc: SwingDisc, rules: SwingRules, ball: OwnBall
) -> Answer:
    """The backswing of the player's longest club stays off the wall behind the golfer."""
    ((limit, rule),) = ball_limits(rules.of("swing.rear_wall"), ball.at).items()
    shift = enough(-limit.headroom)
    return Answer(
        limit,
        headline=lambda: say("{who}: {spare} to the rear wall", who=player.name, spare=limit.has),
        formula="room length − furthest point of the swing disc",
        inputs=lambda: (
            measured_in_room(room, "length_m", "Length"),
            placed_input("Ball to the wall behind the screen", ball.at[1]),
            *swing_inputs(player, disc),
        ),
        cures=lambda: (
            press(
                acts.ball_moved(along_m=-shift.value, hand=player.handedness),
                "Move the ball {shift} toward the screen.",
                shift=shift,
            ),
            *slow_swing(player, disc.to_measure(rule.edge.toward)),
        ),
        basis=swing_basis(limit.tolerated),
    )


@check("swing.things", title="Swing past what is in the room", place=IN_ROOM)
def past_things(
    player: Annotated[Player, "handedness", "id", "longest_club"],
    disc: SwingDisc,
    obstructions: Obstructions,
    surroundings: Surroundings,
    looked: LookedThrough,
) -> Answer:
    """The player's longest club stays off every obstruction and everything that stays in the room during play.

    Measured from the whole disc, hub to clubhead, to each box with what is behind it: nothing passes between a
    beam and the ceiling that it hangs from. Clear from 0.15 m; an estimate is good to 0.10 m. Where a thing is in
    the way the clearance is negative: by so much the reach would have to be shorter, along the plane of the swing.
    Until somebody has looked for doors too, it is tight at best.
    """
    closest = surroundings.closest_thing(player, player.longest_club)
    limit = swing_limit(closest.clearance_m, closest.doubt_m)
    unseen = looked.missing if limit.state is State.CLEAR else None
    return Answer(
        _as_far_as_seen(limit, unseen),
        headline=lambda: say("{who}: {spare} to {thing}", who=player.name, spare=limit.has, thing=closest.name),
        formula="smallest distance from the swing disc to a box; minus the reach too long where one is in the way",
        inputs=lambda: (
            Input("Things in the room", str(len(obstructions.solids)), Basis.MEASURED),
            Input("Nearest, across", metres(closest.at[0]), Basis.TRADE),
            Input("Nearest, along", metres(closest.at[1]), Basis.TRADE),
            Input("Nearest, height", metres(closest.at[2]), Basis.TRADE),
            *swing_inputs(player, disc),
        ),
        cures=lambda: (
            _look(unseen)
            if unseen is not None
            else _promised(
                (
                    *slow_swing(player, closest.to_measure),
                    *move_the_ball(player, surroundings),
                    *shorter_club(player, lambda shorter: surroundings.closest_thing(player, shorter).clearance_m),
                    *_past(player, closest, limit, surroundings),
                ),
                seen=looked.missing is None,
            )
        ),
        basis=swing_basis(limit.tolerated),
    )


def _past(player: Player, closest: Closest, limit: Limit, surroundings: Surroundings) -> Cures:
    """What may be done about the thing itself."""
    lower, more = _lower_floor(player, closest, surroundings), enough(-limit.headroom)
    if closest.key.startswith("openings/"):
        return say("Keep {thing} shut while people play, or have a door company move it.", thing=closest.name), *lower
    if closest.carries:
        words = "{thing} carries the building: only a structural engineer says what may be done."
        return say(words, thing=closest.name), *lower
    return say("Move {thing} {more} away, or remove it.", thing=closest.name, more=more), *lower


def _lower_floor(player: Player, closest: Closest, surroundings: Surroundings) -> tuple[Sentence, ...]:
    """On a floor that is low enough all of the swing passes beneath, where nothing else is in its way then."""
    disc = swing_disc(player, player.longest_club)
    more = enough(disc.bounds(surroundings.ball_of(player))[1][2] + COMFORT_M + OUTLINE_M - closest.low_m)
    if not LEAST_MOVE_M <= more.value <= DUG_MOST_M:
        return ()
    past = surroundings.over_lower_floor(more.value).closest_thing(player, player.longest_club)
    served = swing_limit(past.clearance_m, past.doubt_m).state is State.CLEAR
    return (say("Lower the floor by {more}.", more=more),) if served else ()


def _as_far_as_seen(limit: Limit, unseen: Missing | None) -> tuple[Comparison, ...]:
    """A room that nobody has looked through may have anything in the way: tight at best."""
    return (limit,) if unseen is None else (limit, Words(State.TIGHT, "not looked through", "a room looked through"))


def _look(unseen: Missing) -> Cures:
    return (say("{how}", how=unseen.how),)


def _promised(cures: Cures, *, seen: bool) -> Cures:
    """Nothing is promised to be clear in a room that nobody has looked through."""
    if seen:
        return cures
    return tuple(
        cure._replace(promise=State.TIGHT) if isinstance(cure, Cure) and cure.promise is State.CLEAR else cure
        for cure in cures
    )


@check("swing.longest_club", title="Longest club", place=IN_ROOM)
def longest_club(
    player: Annotated[Player, "early_release", "handedness", "height_m", "id", "longest_club", "measured_reaches"],
    surroundings: Surroundings,
    bags: Bags,
    looked: LookedThrough,
) -> Answer:
    """The longest club that the player wants to swing stays clear of everything; else how far down the bag it goes.

    Everything is ceiling, side walls and rear wall, what is in the way, and the enclosure. A club is clear from
    0.15 m to spare, or where a slow swing that was measured that way passes; one whose estimate leaves it open is to
    be tested; the others do not go. Until somebody has looked through the room for what is in the way it is tight at
    best.
    """
    wanted = surroundings.closest(player, player.longest_club)
    limit = swing_limit(wanted.clearance_m, wanted.doubt_m)
    unseen = looked.missing if limit.state is State.CLEAR else None
    return Answer(
        _as_far_as_seen(limit, unseen),
        headline=lambda: bag_headline(player, bags.of(player)),
        formula="for each club, the smallest distance from its swing disc to room, things in the way and enclosure",
        inputs=lambda: tuple(
            Input(
                f"Clearance with the {swung.club}, to the {swung.closest.name}",
                metres(swung.closest.clearance_m),
                swing_basis(swung.closest.doubt_m),
            )
            for swung in bags.of(player)
        ),
        cures=lambda: (
            _look(unseen)
            if unseen is not None
            else _promised(
                (
                    *slow_swing(player, wanted.to_measure if limit.state is State.TIGHT else None),
                    *move_the_ball(player, surroundings),
                    *shorter_club(player, lambda club: surroundings.closest(player, club).clearance_m),
                    say("The {thing} is in the way; its own answer says what helps.", thing=wanted.name),
                ),
                seen=looked.missing is None,
            )
        ),
        basis=swing_basis(limit.tolerated),
    )


@check("enclosure.swing", title="Swing inside the enclosure", place=on(Slot.ENCLOSURE))
def inside_enclosure(
    player: Annotated[Player, "handedness", "id", "longest_club"],
    disc: SwingDisc,
    enclosure: Annotated[Enclosure, THERE],
    stated: StatedHood,
    layout: Annotated[Layout, "screen_y_m"],
    surroundings: Surroundings,
) -> Answer:
    """The swing keeps off the enclosure's sides and roof, whether it reaches into the box or ends short of it.

    Side panels stand around the bay's middle. A swing that is beyond a panel has gone through it, so behind each
    panel everything counts as solid.
    """
    closest = surroundings.closest_panel(player, player.longest_club)
    limit = swing_limit(closest.clearance_m, closest.doubt_m)
    (_, ahead_m, _), (_, behind_m, _) = disc.bounds(surroundings.ball_of(player))
    back_m = layout.screen_y_m + stated.hood.depth_m + limit.comfortable + OUTLINE_M - ahead_m
    back, words = enough(back_m), "Move the ball {back} back, out of the box."
    fits_behind = 0 < back_m <= surroundings.room.length_m - behind_m
    return Answer(
        limit,
        headline=lambda: say(
            "{who}'s swing keeps {spare} from the {panel}", who=player.name, spare=limit.has, panel=closest.name
        ),
        formula="smallest distance from the swing disc to side panels and roof, negative through them",
        inputs=lambda: (
            Input("Depth", metres(stated.hood.depth_m), Basis.SPEC),
            Input("Inner width", metres(stated.hood.inner_width_m), Basis.SPEC),
            Input("Inner height", metres(stated.hood.inner_height_m), Basis.SPEC),
            placed_input("Gap behind the screen", layout.screen_y_m),
            *swing_inputs(player, disc),
        ),
        cures=lambda: (
            *(
                [press(acts.ball_moved(along_m=back.value, hand=player.handedness), words, back=back)]
                if fits_behind
                else []
            ),
            *move_the_ball(player, surroundings),
            *shorter_club(player, lambda club: surroundings.closest_panel(player, club).clearance_m),
            *slow_swing(player, closest.to_measure),
        ),
        basis=swing_basis(limit.tolerated),
    )


@dataclass(frozen=True)
class SwingsPastProjector:
    """How near each player's swing with the longest club comes to the projector, in metres, by player's id."""

    nearest_m: tuple[tuple[str, float], ...]

    def of(self, player: Player) -> float:
        """How near the swing of `player` comes; negative where the projector is in its way."""
        return dict(self.nearest_m)[player.id]


@derive
def swings_past_projector(
    brief: Annotated[Brief, "players"], lens: Lens, layout: Annotated[Layout, "screen_y_m"], balls: Balls
) -> SwingsPastProjector | None:
    """All players at once; `None` while nobody plays."""
    if not brief.players:
        return None
    swings = [(swing_disc(player, player.longest_club), balls.of(player.handedness)) for player in brief.players]
    nearest = clearances(swings, [projector_box(lens, layout.screen_y_m)]).distance_m[:, 0]
    pairs = zip(brief.players, nearest.tolist(), strict=True)
    return SwingsPastProjector(tuple((player.id, away_m) for player, away_m in pairs))


def projector_limit(away_m: float) -> Limit:
    """A projector hangs 0.30 m or more outside a swing, 0.45 m comfortably."""
    return at_least(away_m, SWING_CLEARANCE_M, PROJECTOR_COMFORT_M)


@check("projector.swing", title="Projector out of the swing", place=on(Slot.DISPLAY))
def projector_clearance(
    player: Annotated[Player, "id"], disc: SwingDisc, lens: Lens, swings: SwingsPastProjector
) -> Answer:
    """The projector, with 0.35 m of body behind its lens, is at least 0.30 m outside the player's whole swing disc."""
    limit = projector_limit(swings.of(player))
    return Answer(
        limit,
        headline=lambda: say("{who}'s club passes {near} from the projector", who=player.name, near=limit.has),
        formula="smallest distance from the swing disc, hub to clubhead, to the projector's body − 0.30 m",
        inputs=lambda: (
            placed_input("Lens to screen", lens.distance_m),
            placed_input("Lens height", lens.height_m),
            *swing_inputs(player, disc),
        ),
        cures=lambda: (
            say("Hang the projector higher, or further from the ball within its throw range."),
            say("Choose a projector with another throw ratio."),
        ),
        basis=Basis.TRADE,
    )
