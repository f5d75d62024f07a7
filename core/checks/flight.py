"""What is in the ball's way to the screen, and in the projector's light (physics; what is put up with is trade)."""

from collections.abc import Iterator
from dataclasses import dataclass
from math import radians, tan
from typing import Annotated, NamedTuple

import numpy as np

from core.bay import hood_solids
from core.checks.figures import metres, placed_input, share
from core.checks.limits import ENDLESS, Limit, at_most, tightest
from core.checks.places import IN_ROOM, on
from core.checks.readings import BallPlaces, Balls, BayMiddle
from core.checks.register import check, derive
from core.checks.space import Obstructions, StatedHood
from core.checks.verdict import Answer, Basis, Cures, Input, press
from core.geometry.beam import shaded, ways_of_light
from core.geometry.boxes import Box
from core.geometry.ceiling import Ceiling
from core.geometry.picture import Picture
from core.geometry.rays import Floats, directions, met_at, roof_at, wall_at
from core.geometry.shadow import Lens
from core.geometry.solids import Group, Solid, door_sweeps
from core.geometry.swing_disc import Point3
from core.model import acts
from core.model.build import Slot
from core.model.facts import looked_for
from core.model.room import Layout, Room
from core.model.things import Looked, Remedy, WhilePlaying
from core.quantities import Unit, say

STRUCK_MOST, STRUCK_COMFORTABLE = 0.01, 0.001
"""Of struck balls: more than one in a thousand that comes back off something is a hazard (trade)."""
WEDGE_MOST, WEDGE_COMFORTABLE = 0.20, 0.01
"""Of high wedges, which are few and slow (trade)."""
SHADED_MOST = 0.02
"""A shadow on a larger part of the picture is a picture with a hole in it (trade)."""
MOST_ASIDE_DEG = 12.0
STRUCK: Floats = directions((-8, 8, 33), (8, 32, 49))
"""Where struck balls leave to: ±8° aside, 8° to 32° up, one way for each half degree (trade)."""
WEDGE: Floats = directions((-MOST_ASIDE_DEG, MOST_ASIDE_DEG, 25), (40, 62, 23))
"""Where high wedges leave to: ±12° aside, 40° to 62° up, one way for each degree (trade)."""


class InTheWay(NamedTuple):
    """Something of the room, and how much it stops, as shares of one."""

    key: str
    name: str
    struck: float
    wedge: float
    carries: bool
    opens: bool
    """A door or a window that opens there: shut while people play, it stops nothing."""

    @property
    def limits(self) -> tuple[Limit, Limit]:
        """Struck balls, and high wedges; what opens can be kept shut."""
        tolerated = ENDLESS if self.opens else 0.0
        return (
            at_most(self.struck, STRUCK_MOST, STRUCK_COMFORTABLE, Unit.SHARE, tolerated=tolerated),
            at_most(self.wedge, WEDGE_MOST, WEDGE_COMFORTABLE, Unit.SHARE, tolerated=tolerated),
        )


@dataclass(frozen=True)
class Flight:
    """What of the room a ball meets before screen, ceiling or enclosure, most struck first."""

    met: tuple[InTheWay, ...]


@dataclass(frozen=True)
class Beam:
    """What keeps some of the picture in the dark, the most first: key, name and share of the picture."""

    shaded: tuple[tuple[str, str, float], ...]


@derive
def flight(
    balls: Balls,
    layout: Annotated[Layout, "screen_y_m"],
    room: Annotated[Room, "length_m", "none_of", "openings", "width_m"],
    middle: BayMiddle,
    ceiling: Ceiling,
    obstructions: Obstructions | None,
    stated: StatedHood | None,
) -> Flight:
    """Straight ways from each ball, up to the first thing that it meets; of two spots the one that it is worse for."""
    looked_for(room, Looked.OPENINGS)
    standing = obstructions.solids if obstructions else ()
    solids = (*standing, *(sweep for sweep in door_sweeps(room) if sweep not in standing))
    panels = hood_solids(stated.hood, layout.screen_y_m, middle.x_m) if stated else ()
    met: dict[str, InTheWay] = {}
    for ball in balls.spots:
        near = tuple(solid for solid in solids if _may_be_met(solid.box, ball, layout.screen_y_m))
        if not near:
            continue
        of_class = [_met(ways, ball, layout.screen_y_m, ceiling, near, panels) for ways in (STRUCK, WEDGE)]
        for solid, struck, wedge in zip(near, *of_class, strict=True):
            if struck or wedge:
                one = InTheWay(solid.key, solid.name, struck, wedge, solid.carries, solid.key.startswith("openings/"))
                met[solid.key] = max(one, met.get(solid.key, one), key=lambda each: (each.struck, each.wedge))
    return Flight(tuple(sorted(met.values(), key=lambda one: (-one.struck, -one.wedge, one.key))))


def _may_be_met(box: Box, ball: Point3, screen_y_m: float) -> bool:
    """It is before the golfer, and not beside every way."""
    x, y, z = ball
    (x0, y0, _), (x1, y1, z1) = box.low, box.high
    aside_m = (y - max(y0, screen_y_m)) * tan(radians(MOST_ASIDE_DEG))
    return y0 < y and y1 > screen_y_m and z1 > z and x0 < x + aside_m and x1 > x - aside_m


def _met(
    ways: Floats,
    ball: Point3,
    screen_y_m: float,
    ceiling: Ceiling,
    solids: tuple[Solid, ...],
    panels: tuple[Solid, ...],
) -> list[float]:
    stops = np.minimum(wall_at(ball, ways, screen_y_m), roof_at(ball, ways, ceiling))
    if panels:
        stops = np.minimum(stops, met_at(ball, ways, [panel.box for panel in panels]).min(axis=1))
    reached = met_at(ball, ways, [solid.box for solid in solids])
    nearest = reached.argmin(axis=1)
    hit = reached[np.arange(len(ways)), nearest] < stops
    counts = np.bincount(nearest[hit], minlength=len(solids))
    return [count / len(ways) for count in counts.tolist()]


@check("room.flight", title="Nothing in the ball's way", place=IN_ROOM)
def ball_flight(flight: Flight, places: BallPlaces) -> Answer:
    """Between ball and screen nothing of the room is where balls fly: it throws them back, or breaks.

    Straight ways from the ball, ±8° aside and 8° to 32° up for struck balls, ±12° and 40° to 62° for high wedges; each
    ends at the first of things, ceiling, enclosure and screen. More than 1 % of struck balls, or 20 % of wedges, is in
    the way; one in a thousand and 1 % are put up with. A door that opens there is kept shut while people play.
    """
    limits = {limit: one for one in flight.met for limit in one.limits}
    nothing = at_most(0.0, STRUCK_MOST, STRUCK_COMFORTABLE, Unit.SHARE)
    deciding = tightest(tuple(limits)) if limits else nothing
    worst = limits.get(deciding)
    balls = "struck balls" if worst and deciding == worst.limits[0] else "high wedges"
    return Answer(
        deciding,
        headline=lambda: (
            say("{thing} stops {share} of " + balls, thing=worst.name, share=deciding.has)
            if worst
            else say("Nothing is between ball and screen")
        ),
        formula="ways that meet it before screen, ceiling and enclosure / all ways of the class",
        inputs=lambda: (
            placed_input("Ball to screen", places.to_screen_m),
            *(Input(f"{one.name}, struck balls", share(one.struck), Basis.PHYSICS) for one in flight.met),
            *(Input(f"{one.name}, high wedges", share(one.wedge), Basis.PHYSICS) for one in flight.met),
        ),
        cures=lambda: _cleared(worst) if worst else (),
        basis=Basis.PHYSICS,
    )


def _cleared(one: InTheWay) -> Cures:
    group, _, id = one.key.partition("/")
    if one.opens:
        return (say("Keep {thing} shut while people play.", thing=one.name),)
    if group == Group.STORED:
        out = acts.of_content("stored", id, while_playing=WhilePlaying.OUT)
        return (press(out, "Take {thing} out while people play.", None, thing=one.name),)
    if one.carries:
        return (say("{thing} carries the building: stand elsewhere, or hang netting before it.", thing=one.name),)
    gone = acts.of_content("things", id, decision=Remedy.REMOVE)
    return (
        press(gone, "Take {thing} away.", None, thing=one.name),
        say("Or hang it where no ball flies: higher, or behind the golfer."),
    )


@derive
def beam(
    lens: Lens,
    picture: Picture,
    middle: BayMiddle,
    layout: Annotated[Layout, "screen_y_m"],
    obstructions: Obstructions | None,
    stated: StatedHood | None,
) -> Beam:
    """The ways of light from the lens to the picture, against everything that stands and hangs."""
    panels = hood_solids(stated.hood, layout.screen_y_m, middle.x_m) if stated else ()
    solids = (*(obstructions.solids if obstructions else ()), *panels)
    start, ways = ways_of_light(lens, picture, middle.x_m, layout.screen_y_m)
    found = zip(solids, shaded(start, ways, [solid.box for solid in solids]), strict=True)
    return Beam(tuple(sorted(_dark(found), key=lambda one: (-one[2], one[1]))))


def _dark(found: Iterator[tuple[Solid, float]]) -> Iterator[tuple[str, str, float]]:
    return ((solid.key, solid.name, dark) for solid, dark in found if dark)


@check("projector.beam", title="Nothing in the projector's light", place=on(Slot.DISPLAY))
def projector_beam(beam: Beam, lens: Lens) -> Answer:
    """Between lens and picture nothing that stands or hangs in the room, and no panel of the enclosure, casts a shadow.

    Ways of light to 1,296 points spread over the picture; a share of up to 2 % is put up with. Golfers have a check of
    their own.
    """
    key, name, dark = beam.shaded[0] if beam.shaded else ("", "", 0.0)
    limit = at_most(dark, SHADED_MOST, 0.0, Unit.SHARE)
    return Answer(
        limit,
        headline=lambda: (
            say("{thing} keeps {share} of the picture dark", thing=name, share=limit.has)
            if key
            else say("Nothing is between lens and picture")
        ),
        formula="points of the picture that its box hides from the lens / all points",
        inputs=lambda: (
            placed_input("Lens to screen", lens.distance_m),
            Input("Lens height", metres(lens.height_m), Basis.MEASURED),
            *(Input(other, share(hidden), Basis.PHYSICS) for _, other, hidden in beam.shaded),
        ),
        cures=lambda: _lit(key, name),
        basis=Basis.PHYSICS,
    )


def _lit(key: str, name: str) -> Cures:
    group, _, id = key.partition("/")
    elsewhere = say("Hang the projector where nothing is before it, or the picture lower.")
    if group == Group.STORED:
        out = acts.of_content("stored", id, while_playing=WhilePlaying.OUT)
        return press(out, "Take {thing} out while people play.", None, thing=name), elsewhere
    if group == "things":
        gone = acts.of_content("things", id, decision=Remedy.REMOVE)
        return press(gone, "Take {thing} away.", None, thing=name), elsewhere
    return (elsewhere, say("A shallower or higher enclosure lets the light in."))
