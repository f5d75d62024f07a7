"""What a stray ball could break while people play: vehicles, televisions and lamps that nothing shields (trade)."""

from dataclasses import dataclass
from typing import Annotated, NamedTuple

import numpy as np

from core.bay import Bay
from core.bay.bay import NETTING
from core.checks.cable_ways import DISPLAY_AHEAD_M, DISPLAY_HEIGHT_M, MachineSpot
from core.checks.figures import in_a_row
from core.checks.limits import State, Words, at_most
from core.checks.places import IN_ROOM
from core.checks.readings import BallPlaces, Balls, hands_that_play
from core.checks.register import check, derive, derive_from_known
from core.checks.verdict import Answer, Basis, Input, press
from core.geometry.boxes import Box, between
from core.geometry.ceiling import Ceiling
from core.geometry.rays import Floats, directions, met_at, roof_at
from core.geometry.shanks import ways_of
from core.geometry.solids import Material, stored_solids, thing_solids
from core.geometry.swing_disc import Point3
from core.model import acts
from core.model.brief import Brief
from core.model.facts import Missing, MissingFact, known, looked_for
from core.model.parts import StandingDisplay
from core.model.room import Layout, Room
from core.model.things import BayPart, Looked, StoredKind, ThingKind, WhilePlaying
from core.quantities import Unit, say

PER_MILLE_MOST = 1.0
"""Of all balls, what may fly onto something that breaks (trade)."""
PER_MILLE_COMFORTABLE = 0.05
MISHIT: Floats = directions((-25, 25, 51), (0, 45, 46))
"""Where mis-hits leave to: ±25° aside, up to 45° up, one way for each degree, each as often as another (trade)."""
OFTEN = {"ordinary": {"mis-hit": 0.09, "shank": 0.01}, "beginner": {"mis-hit": 0.20, "shank": 0.04}}
"""How often a class of shot occurs; visitors count as beginners (trade)."""
TELEVISION_DEPTH_M = 0.10
SHAPE_OF_TELEVISION = 9 / 16


class FragileThing(NamedTuple):
    """Something that a ball breaks: the record it comes from, its name, and where it is."""

    key: str
    name: str
    box: Box


@dataclass(frozen=True)
class Fragile:
    """All that breaks, where it is while people play."""

    things: tuple[FragileThing, ...]


@dataclass(frozen=True)
class Strays:
    """How many of a thousand balls fly onto each thing that breaks, the most first."""

    hit: tuple[tuple[FragileThing, float], ...]
    missing: Missing | None
    """A size that is not known of what could shield it."""


@derive
def fragile_things(
    room: Annotated[Room, "length_m", "none_of", "stored", "things", "width_m"],
    television: Annotated[StandingDisplay, "name", "width_m"] | None,
    spot: MachineSpot | None,
    places: BallPlaces,
    layout: Annotated[Layout, "screen_y_m"],
) -> Fragile | None:
    """Vehicles that are in the room, lamps that hang in it, and a television beside the machine."""
    looked_for(room, Looked.THINGS)
    vehicles = {f"stored/{stored.id}" for stored in room.stored if stored.kind is StoredKind.CAR}
    lamps = {f"things/{thing.id}" for thing in room.things if thing.kind is ThingKind.LAMP}
    solids = (*stored_solids(room, playing=True), *thing_solids(room))
    things = [FragileThing(one.key, one.name, one.box) for one in solids if one.key in vehicles | lamps]
    if television is not None:
        at_x_m = spot.at[0] if spot else sum(x for x, _ in places.spots) / len(places.spots)
        half_m = known(television, "width_m") / 2
        inside_m = max(half_m, min(at_x_m, room.width_m - half_m))
        things.append(FragileThing("", television.name, _television(television, inside_m, layout.screen_y_m)))
    return Fragile(tuple(things)) if things else None


def _television(television: StandingDisplay, x_m: float, screen_y_m: float) -> Box:
    wide_m = known(television, "width_m")
    half_m, high_m, y_m = wide_m / 2, wide_m * SHAPE_OF_TELEVISION, screen_y_m + DISPLAY_AHEAD_M
    low_m = DISPLAY_HEIGHT_M - high_m / 2
    return between((x_m - half_m, x_m + half_m), (y_m - TELEVISION_DEPTH_M, y_m), (max(0.0, low_m), low_m + high_m))


@derive_from_known
def strays(
    fragile: Fragile,
    brief: Annotated[Brief, "players", "visitors"],
    balls: Balls,
    bay: Bay,
    ceiling: Ceiling | None,
) -> Strays:
    """Mis-hits and shanks as straight ways up to the first of screen, sides, netting, ceiling and what breaks."""
    stops = [solid.box for solid in bay.of(BayPart.SCREEN, NETTING)]
    stops += [solid.box for solid in bay.of(BayPart.ENCLOSURE) if solid.material is Material.FABRIC]
    often = OFTEN["beginner" if brief.visitors else "ordinary"]
    per_mille = np.zeros(len(fragile.things))
    hands = hands_that_play(brief)
    for hand in hands:
        for ways, of_all in ((MISHIT, often["mis-hit"]), (ways_of(hand), often["shank"])):
            met = _share_met(balls.of(hand), ways, fragile, stops, ceiling)
            per_mille = per_mille + 1000 * of_all * met / len(hands)
    hit = sorted(zip(fragile.things, per_mille.tolist(), strict=True), key=lambda one: -one[1])
    return Strays(tuple(hit), bay.unsized((BayPart.SCREEN, BayPart.ENCLOSURE)))


def _share_met(ball: Point3, ways: Floats, fragile: Fragile, stops: list[Box], ceiling: Ceiling | None) -> Floats:
    """(things,) the share of `ways` that meets each of them first."""
    stopped = met_at(ball, ways, stops).min(axis=1) if stops else np.full(len(ways), np.inf)
    if ceiling is not None:
        stopped = np.minimum(stopped, roof_at(ball, ways, ceiling))
    reached = met_at(ball, ways, [thing.box for thing in fragile.things])
    nearest = reached.argmin(axis=1)
    hit = reached[np.arange(len(ways)), nearest] < stopped
    found: Floats = np.bincount(nearest[hit], minlength=len(fragile.things)) / len(ways)
    return found


@check("room.fragile", title="What a stray ball could break", place=IN_ROOM)
def fragile(fragile: Fragile, strays: Strays, brief: Annotated[Brief, "visitors"]) -> Answer:
    """Mis-hits and shanks that screen, sides and netting let past do not fly onto a vehicle, a television or a lamp.

    Mis-hits leave ±25° aside and up to 45° up, nine in a hundred balls and twenty with visitors; shanks one and four.
    More than one ball in a thousand on something that breaks is ruled out.
    """
    (thing, per_mille), *_ = strays.hit
    limit = at_most(per_mille, PER_MILLE_MOST, PER_MILLE_COMFORTABLE, Unit.PIECES)
    if strays.missing is not None and limit.state is not State.BLOCKED:
        raise MissingFact(*strays.missing)
    told = Words(limit.state, f"{per_mille:.1f} of 1,000 balls", "at most 1 of 1,000")
    kind, _, id = thing.key.partition("/")
    out = acts.of_content("stored", id, while_playing=WhilePlaying.OUT)
    return Answer(
        told,
        headline=lambda: say("{hit} fly onto {thing}", hit=told.has, thing=thing.name),
        formula="how often a shot occurs × share of its ways that meet the thing first, of a thousand balls",
        inputs=lambda: (
            *(Input(one.name, f"{hit:.2f} of 1,000", Basis.PHYSICS) for one, hit in strays.hit),
            Input("Players", "beginners among them" if brief.visitors else "ordinary", Basis.TRADE),
            Input("What breaks", in_a_row(one.name for one in fragile.things), Basis.MEASURED),
        ),
        cures=lambda: (
            *((press(out, "Take {thing} out while people play.", None, thing=thing.name),) if kind == "stored" else ()),
            say("Hang netting between the ball and {thing}, or guard it.", thing=thing.name),
        ),
        basis=Basis.TRADE,
    )
