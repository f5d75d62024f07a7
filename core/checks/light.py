"""The light of the room on the screen: measured, said, or worked out from its lamps and windows (domain: physics)."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Annotated

from core.checks.figures import in_a_row, metres, stated_input
from core.checks.limits import State, Words
from core.checks.places import IN_ROOM
from core.checks.readings import BallPlaces, BayMiddle
from core.checks.register import check, derive
from core.checks.verdict import Answer, Basis, Input, press
from core.geometry.ceiling import Ceiling
from core.geometry.room_light import (
    GLASS_LETS_IN,
    LampShape,
    LitLamp,
    between_walls_lux,
    brightest_lux,
    daylight_lux,
)
from core.geometry.swing_disc import Point3
from core.model import acts
from core.model.facts import MissingFact, known, looked_for, not_stated
from core.model.kit import Beside
from core.model.parts import Lamp, Surface
from core.model.room import Layout, Room
from core.model.things import Cover, FixedTo, Looked, OpeningKind, Remedy, Thing, ThingKind
from core.quantities import say

LAMP_SHAPES = {"ball": LampShape.SPOT, "room": LampShape.WIDE, "screen": LampShape.BARE}
"""How a lamp that is chosen for what it lights spreads its light (trade)."""
BEFORE_SCREEN_M = 1.5
"""A lamp so near before a screen, and above its lower edge, shines across it (trade)."""
USUAL_SCREEN_M = 2.4
"""Height of a screen that is not chosen yet (trade)."""
LETS_IN = {Cover.NOTHING: 1.0, Cover.CURTAIN: 0.1, Cover.BLACKOUT: 0.01}


@dataclass(frozen=True)
class ScreenLight:
    """Light on the screen in lux, and what it is made of."""

    lux: float
    basis: Basis
    made_of: tuple[tuple[str, float], ...] = ()


@derive
def screen_light(
    room: Annotated[
        Room,
        "ceiling_m",
        "length_m",
        "light",
        "measured_lux",
        "none_of",
        "openings",
        "things",
        "wall_colour",
        "width_m",
    ],
    layout: Annotated[Layout, "screen_bottom_m", "screen_y_m"],
    middle: BayMiddle,
    places: BallPlaces,
    ceiling: Ceiling,
    screen: Annotated[Surface, "height_m"] | None,
    lamps: Annotated[Beside[Lamp], "lights", "lumens", "name"],
) -> ScreenLight:
    """As measured; else as somebody said; else from what is on while people play.

    E at the middle and the top of the screen, whichever is brighter: lamps straight, what walls throw back, and
    daylight. Raises `MissingFact` for the light itself, the shortest question, while any of that is not known.
    """
    if room.measured_lux is not None:
        return ScreenLight(room.measured_lux, Basis.MEASURED)
    if room.light is not None:
        return ScreenLight(room.light.screen_lux, Basis.TRADE)
    try:
        return _worked_out(room, layout, middle, places, ceiling, screen, lamps)
    except MissingFact as missing:
        raise not_stated(room, "light") from missing


def _worked_out(
    room: Room,
    layout: Layout,
    middle: BayMiddle,
    places: BallPlaces,
    ceiling: Ceiling,
    screen: Surface | None,
    chosen: Beside[Lamp],
) -> ScreenLight:
    looked_for(room, Looked.OPENINGS)
    looked_for(room, Looked.THINGS)
    lit = (*_lit_in_room(room), *_lit_by_choice(chosen, places, ceiling, room))
    windows = [opening for opening in room.openings if opening.kind is OpeningKind.WINDOW]
    reflectance = known(room, "wall_colour").reflectance if lit or windows else 0.0
    surface_m2 = 2 * (room.width_m * room.length_m + (room.width_m + room.length_m) * room.ceiling_m)
    high_m = known(screen, "height_m") if screen else USUAL_SCREEN_M
    points: tuple[Point3, ...] = tuple(
        (middle.x_m, layout.screen_y_m, layout.screen_bottom_m + share * high_m) for share in (0.5, 1.0)
    )
    straight = brightest_lux(lit, points)
    thrown_back = between_walls_lux(sum(lamp.lumens for lamp in lit), reflectance, surface_m2)
    daylight = sum(
        daylight_lux(
            window.width_m * window.height_m, GLASS_LETS_IN * LETS_IN[known(window, "cover")], reflectance, surface_m2
        )
        for window in windows
    )
    made_of = (("Lamps, straight", straight), ("Thrown back by walls", thrown_back), ("Daylight", daylight))
    return ScreenLight(straight + thrown_back + daylight, Basis.PHYSICS, made_of)


def _lit_in_room(room: Room) -> Iterator[LitLamp]:
    for thing in lamps_of(room):
        if known(thing, "lit"):
            (x, y, z) = thing.counts_at
            at = (x + thing.width_m / 2, y + thing.length_m / 2, z + thing.height_m / 2)
            hangs = thing.fixed_to is FixedTo.CEILING
            yield LitLamp(thing.name, at, known(thing, "lumens"), LampShape.WIDE if hangs else LampShape.BARE)


def _lit_by_choice(chosen: Beside[Lamp], places: BallPlaces, ceiling: Ceiling, room: Room) -> Iterator[LitLamp]:
    """One on the ball hangs over it, of two over the one nearer to the screen; others in the middle of the room."""
    over = min(places.spots, key=lambda spot: (spot[1], abs(spot[0] - room.width_m / 2)))
    for lamp, count in chosen.counted():
        lights = known(lamp, "lights")
        x, y = over if lights == "ball" else (room.width_m / 2, room.length_m / 2)
        at = (x, y, ceiling.height_m(x, y))
        yield LitLamp(lamp.name, at, count * known(lamp, "lumens"), LAMP_SHAPES[lights])


def lamps_of(room: Room) -> tuple[Thing, ...]:
    """The room's own lamps that stay. Raises `MissingFact` while nobody has looked for what is in the room."""
    things: tuple[Thing, ...] = looked_for(room, Looked.THINGS)
    return tuple(thing for thing in things if thing.kind is ThingKind.LAMP and thing.decision is not Remedy.REMOVE)


@check("light.screen", title="No lamp on the screen", place=IN_ROOM)
def lamp_on_screen(
    room: Annotated[Room, "none_of", "things"],
    layout: Annotated[Layout, "screen_bottom_m", "screen_y_m"],
    all_lamps: Annotated[Beside[Lamp], "lights", "name"],
) -> Answer:
    """No lamp shines on the screen while people play: it greys the picture. Walls are dark and matt.

    Of the room's own lamps one that is on, within 1.5 m before the screen and above its lower edge blocks; one that is
    on elsewhere is tight; on a switch of its own, and off, it is clear.
    """
    chosen = [(known(lamp, "lights"), lamp.name) for lamp in all_lamps]
    lit = [thing for thing in lamps_of(room) if thing.lit is not False]
    across = [thing for thing in lit if _shines_across(thing, layout)]
    for thing in lit:
        known(thing, "lit")
    shining = [name for lights, name in chosen if lights == "screen"] + [thing.name for thing in across]
    washing = [name for lights, name in chosen if lights == "room"]
    washing += [thing.name for thing in lit if thing not in across]
    return Answer(
        Words(
            State.BLOCKED if shining else State.TIGHT if washing else State.CLEAR,
            in_a_row([*shining, *washing]),
            "none",
        ),
        headline=lambda: (
            say("{names} shines on the screen", names=in_a_row(shining))
            if shining
            else say("{names} lights the whole room: off while playing", names=in_a_row(washing))
            if washing
            else say("No lamp shines on the screen")
        ),
        formula="lamps that are on: within 1.5 m before the screen, or that light screen or room",
        inputs=lambda: (
            *(stated_input(name, lights) for lights, name in chosen),
            *(Input(f"{thing.name}, to the screen", metres(_ahead_m(thing, layout)), Basis.MEASURED) for thing in lit),
            Input("Lamps of the room that are on", in_a_row(thing.name for thing in lit), Basis.MEASURED),
        ),
        cures=lambda: (
            *(
                press(
                    acts.of_content("things", thing.id, lit=False),
                    "Switch {lamp} off while playing.",
                    None,
                    lamp=thing.name,
                )
                for thing in (across or lit)[:1]
            ),
            say("Turn it to the ball, or have it on a switch of its own."),
        ),
        basis=Basis.TRADE,
    )


def _shines_across(thing: Thing, layout: Layout) -> bool:
    return (
        0 <= _ahead_m(thing, layout) <= BEFORE_SCREEN_M and thing.counts_at[2] + thing.height_m > layout.screen_bottom_m
    )


def _ahead_m(thing: Thing, layout: Layout) -> float:
    return thing.counts_at[1] + thing.length_m / 2 - layout.screen_y_m
