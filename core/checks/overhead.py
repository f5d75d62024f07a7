"""What hangs over people's heads and in the flight of a high ball: projector and roof (physics, trade)."""

from math import radians, tan
from typing import Annotated

from core.bay import PROJECTOR_BODY
from core.checks.declared import THERE
from core.checks.figures import in_a_row, metres, placed_input, stated_input, yes_or_no
from core.checks.limits import State, Words, at_least
from core.checks.places import on
from core.checks.readings import BallPlaces, Balls
from core.checks.register import check
from core.checks.verdict import Answer, Basis, Input
from core.geometry.shadow import Lens
from core.model.brief import Brief
from core.model.build import Slot
from core.model.facts import known, known_players
from core.model.kit import Beside
from core.model.parts import Enclosure, Projector, SideProtection, Surface
from core.model.room import Room
from core.model.things import FixedTo, Remedy, ThingKind
from core.quantities import Quantity, Unit, say

HEAD_M = 0.05
"""Shoes, hair and cap over a person's height (trade)."""
HEAD_COMFORT_M = 0.10
WEDGE_DEG = 50.0
"""The steepest launch of a high wedge (trade)."""
WEDGE_COMFORT_M = 0.15


@check("projector.head", title="Projector above people's heads", place=on(Slot.DISPLAY))
def head_room(brief: Annotated[Brief, "players"], projector: Annotated[Projector, THERE], lens: Lens) -> Answer:
    """The projector's underside is above the head line of people who walk under it: the tallest player + 0.05 m.

    Its corners at head height are what people run into with a club in their hands.
    """
    tallest = max(known_players(brief), key=lambda player: player.height_m)
    needs_m = tallest.height_m + HEAD_M
    limit = at_least(_underside_m(lens), needs_m, needs_m + HEAD_COMFORT_M)
    return Answer(
        limit,
        headline=lambda: say(
            "{projector} hangs at {under}, {who} needs {needs}",
            projector=projector.name,
            under=limit.has,
            who=tallest.name,
            needs=limit.wants,
        ),
        formula="lens height − half the body − (tallest player + 0.05 m)",
        inputs=lambda: (
            *_body_inputs(lens),
            Input(f"{tallest.name}, height", metres(tallest.height_m), Basis.MEASURED),
        ),
        cures=lambda: (say("Hang it higher, or where nobody walks, and pad its corners."),),
        basis=Basis.TRADE,
    )


@check("projector.wedge", title="Projector out of a wedge's way", place=on(Slot.DISPLAY))
def wedge_path(projector: Annotated[Projector, THERE], lens: Lens, balls: Balls) -> Answer:
    """A high wedge leaves at up to 50°: a projector that hangs ahead of the ball is above that line.

    height of the line = hitting surface + way ahead of the ball × tan 50°. Level with the ball or behind it no ball
    comes. A skied shot goes steeper still: a roof takes that.
    """
    places = balls.places
    ahead_m = max(y for _, y in places.spots) - places.screen_y_m - lens.distance_m
    line_m = balls.surface_m + max(0.0, ahead_m) * tan(radians(WEDGE_DEG))
    behind = ahead_m <= 0
    limit = at_least(_underside_m(lens), line_m, line_m + WEDGE_COMFORT_M)
    return Answer(
        Words(State.CLEAR, "behind the ball", "behind the ball, or above the line") if behind else limit,
        headline=lambda: (
            say("{projector} hangs behind the ball", projector=projector.name)
            if behind
            else say(
                "A high wedge passes at {line}, {projector} hangs at {under}",
                line=limit.wants,
                projector=projector.name,
                under=limit.has,
            )
        ),
        formula="lens height − half the body − (hitting surface + way ahead of the ball × tan 50°)",
        inputs=lambda: (
            *_body_inputs(lens),
            placed_input("Ahead of the ball", ahead_m),
            Input("Steepest wedge", Quantity(WEDGE_DEG, Unit.DEGREE), Basis.TRADE),
        ),
        cures=lambda: (
            say("Hang it further from the screen within its throw, or higher; or choose another throw ratio."),
        ),
        basis=Basis.TRADE,
    )


@check("screen.roof", title="Protection above the bay", place=on(Slot.SCREEN))
def roof(
    surface: Annotated[Surface, THERE],
    room: Annotated[Room, "things"],
    places: BallPlaces,
    enclosure: Annotated[Enclosure, "roof"] | None,
    netting: Annotated[Beside[SideProtection], "name", "roof"],
) -> Answer:
    """A skied shot meets a roof of cloth or netting, not the ceiling. A lamp ahead of the ball without one blocks.

    Whether a bare ceiling is worth a roof is argued about; glass over people's heads is not.
    """
    own = known(enclosure, "roof") if enclosure else False
    over = [net.name for net in netting if known(net, "roof")]
    lamps = [
        thing.name
        for thing in room.things
        if thing.kind is ThingKind.LAMP and thing.fixed_to is FixedTo.CEILING and thing.decision is not Remedy.REMOVE
        if thing.counts_at[1] < max(y for _, y in places.spots)
    ]
    covered = own or bool(over)
    bare = State.BLOCKED if lamps else State.TIGHT
    return Answer(
        Words(State.CLEAR if covered else bare, "roof" if own else in_a_row(over), "a roof"),
        headline=lambda: (
            say("A roof takes what is skied")
            if covered
            else say("Nothing between a skied ball and {lamps}", lamps=in_a_row(lamps))
            if lamps
            else say("A skied ball meets the ceiling")
        ),
        formula="roof of the enclosure, or netting made for overhead; lamps ahead of the ball",
        inputs=lambda: (
            stated_input("Enclosure has a roof", yes_or_no(own)),
            Input("Lamps ahead of the ball", in_a_row(lamps), Basis.MEASURED),
            stated_input("Behind it hangs", surface.name),
        ),
        cures=lambda: (say("Hang netting made for overhead."), say("Or take lamps ahead of the ball down.")),
        basis=Basis.TRADE,
    )


def _underside_m(lens: Lens) -> float:
    return lens.height_m - PROJECTOR_BODY[2] / 2


def _body_inputs(lens: Lens) -> tuple[Input, ...]:
    return placed_input("Lens height", lens.height_m), Input(
        "Body of a projector", metres(PROJECTOR_BODY[2]), Basis.TRADE
    )
