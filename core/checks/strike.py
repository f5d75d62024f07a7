"""What a struck ball meets: the surface, its tension, what is behind it, and the sides of the bay (trade)."""

from typing import Annotated

from core.checks.along import gap_behind_m, least_gap_m, struck_surface
from core.checks.asks import ask_at_least, ask_equal
from core.checks.declared import THERE
from core.checks.figures import in_a_row, metres, placed_input, stated_input, yes_or_no
from core.checks.limits import ENDLESS, State, Words, at_least, at_most
from core.checks.needs import ItemKind, Need
from core.checks.places import on
from core.checks.readings import BallPlaces, Tested
from core.checks.register import check, derive
from core.checks.verdict import Answer, Basis, Input
from core.geometry.panels import Walls
from core.model.build import Slot
from core.model.facts import known
from core.model.kit import Beside
from core.model.parts import (
    Balls,
    Edge,
    ImpactScreen,
    MaskingCloth,
    Net,
    Padding,
    ProjectionSheet,
    Surface,
)
from core.model.room import Layout, Room
from core.model.things import Wall
from core.quantities import Quantity, Unit, say
from core.quantities.tolerances import ROUNDING

SHEET_SHOWING_M = 0.20
"""So much of a sheet beside the net before it is struck now and then (trade)."""
TAUT_SPACING_M = 0.20
"""Fixings nearer to each other than this pull a screen hard, and it throws the ball back (trade)."""
SLACK_SPACING_M = 0.60
"""Further apart than this they leave wrinkles (trade)."""
BOUNCE_COMFORT_SHARE = 0.5
"""A slow shot that dies within half of the way back to the ball is no trouble; one that reaches it is (trade)."""
TOPPER_LEAST_M = 0.03
HALVED = 0.5
"""A mattress topper behind a screen roughly halves the rebound (trade)."""


class BackingCloth(Need):
    """Black cloth behind a thin screen."""

    item = ItemKind(
        "backing-cloth", "Black cloth behind", near=Slot.SCREEN, kind=MaskingCloth, asks=("black", "roll_width_m")
    )


class Topper(Need):
    """What takes half of the ball behind a screen of one layer."""

    item = ItemKind(
        "topper",
        "Topper behind the screen",
        Slot.SCREEN,
        Padding,
        ("length_m", "pack_size"),
        asks=("purpose", "thickness_m"),
    )


@check("screen.struck", title="Made to be struck", place=on(Slot.SCREEN))
def struck(
    hung: Annotated[Surface, "gives_m", "height_m", "stops", "width_m"],
    nets: Annotated[Beside[Net], "gives_m", "height_m", "name", "stops", "width_m"],
    balls: Annotated[Beside[Balls], "name", "soft"],
) -> Answer:
    """A plain projection sheet is never struck: a ball goes through it, or comes back off the wall.

    A net that hangs before it, as far as it gives, is struck in its place, and covers all of it.

    What is made for soft practice balls stops nothing else: tight while only soft ones are chosen.
    """
    surface = struck_surface(hung, nets)
    sheet = isinstance(surface, ProjectionSheet)
    before = surface is not hung
    covers = (
        (
            at_least(known(surface, "width_m"), known(hung, "width_m"), tolerated=SHEET_SHOWING_M),
            at_least(known(surface, "height_m"), known(hung, "height_m"), tolerated=SHEET_SHOWING_M),
        )
        if before
        else ()
    )
    short = next((limit for limit in covers if limit.state is not State.CLEAR), None)
    stops = None if sheet else known(surface, "stops")
    hard = [ball.name for ball in balls if not known(ball, "soft")] if stops == "soft_balls" else []
    if sheet:
        state = State.BLOCKED
    elif stops == "any_ball":
        state = State.CLEAR
    else:
        state = State.TIGHT if balls and not hard else State.BLOCKED
    has = {None: "projection sheet", "any_ball": "stops any ball", "soft_balls": "stops soft balls"}[stops]
    words = {
        State.CLEAR: "Made to stop a ball",
        State.TIGHT: "{name} stops soft balls alone",
        State.BLOCKED: "{name} is a sheet for pictures only" if sheet else "{name} does not stop a hard ball",
    }
    return Answer(
        (Words(state, has, "stops any ball"), *covers),
        headline=lambda: (
            say(
                "{net} is {has} where the sheet behind it is {wants}",
                net=surface.name,
                has=short.has,
                wants=short.wants,
            )
            if short and state is State.CLEAR
            else say(
                "{net} is struck, {gives} before {sheet}", net=surface.name, sheet=hung.name, gives=_gives(surface)
            )
            if before and state is State.CLEAR
            else say(words[state], name=surface.name)
        ),
        formula="kind of surface, and the balls that it is made for",
        inputs=lambda: (
            stated_input("Kind", "sheet" if sheet else "net or screen"),
            stated_input("Made for", (stops or "no ball").replace("_", " ")),
            stated_input("Balls", in_a_row(ball.name for ball in balls)),
        ),
        cures=lambda: (
            (say("Keep hard balls out of the room."), say("Or choose a surface made for any ball."))
            if state is State.TIGHT
            else (say("Choose a net as wide and high as the sheet."),)
            if short and state is State.CLEAR
            else (
                say("Choose an impact screen or a net that stops any ball."),
                *((say("Or hang a net before it: add one beside the chain."),) if sheet else ()),
            )
        ),
    )


def _gives(net: Surface) -> Quantity:
    return metres(known(net, "gives_m") if isinstance(net, Net) else 0.0)


@derive
def backing_cloth(
    screen: Annotated[ImpactScreen, "height_m", "name", "needs_backing", "width_m"],
) -> BackingCloth | None:
    """As wide as the screen, off a roll that is as wide as it is high."""
    if not known(screen, "needs_backing"):
        return None
    why = say("Light shows through {screen}", screen=screen.name)
    asks = (ask_equal("black", True), ask_at_least("roll_width_m", known(screen, "height_m")))
    return BackingCloth(Quantity(known(screen, "width_m"), Unit.METRE), why, asks)


@check("screen.backing", title="Black cloth behind", place=on(Slot.SCREEN))
def backing(
    screen: Annotated[ImpactScreen, THERE],
    need: BackingCloth | None,
    cloths: Annotated[Beside[MaskingCloth], "black", "roll_width_m"],
    walls: Walls,
) -> Answer:
    """Thin fabric lets light through: black cloth behind it, as high as the screen, keeps the picture's blacks.

    With a window in the wall behind it, the day shines through from behind: no picture without the cloth.
    """
    behind = next(panel for panel in walls.panels if panel.wall is Wall.SCREEN)
    windows = [hole.opening.name for hole in behind.holes if hole.is_glass]
    cloth = need.best(cloths) if need else None
    bare = Words(State.BLOCKED if windows else State.TIGHT, "none", "black cloth")
    return Answer(
        Words(State.CLEAR, "lets no light through", "nothing")
        if need is None
        else need.limits(cloth)
        if cloth
        else bare,
        headline=lambda: (
            say("Needs nothing behind it")
            if need is None
            else say("{cloth} hangs behind it", cloth=cloth.name)
            if cloth
            else say("The day shines through from {windows} behind it", windows=in_a_row(windows))
            if windows
            else say("Light shows through: black cloth belongs behind it")
        ),
        formula="what the maker says, against black cloth as high as the screen",
        inputs=lambda: (
            stated_input("Light shows through", yes_or_no(screen.needs_backing)),
            Input("Windows behind it", in_a_row(windows), Basis.MEASURED),
        ),
        cures=lambda: (say("Choose black, matt cloth off a roll that is wide enough."),),
    )


@derive
def topper(screen: Annotated[ImpactScreen, "layers", "name", "width_m"]) -> Topper | None:
    """One layer gives the ball back: 30 mm or more of topper behind the width of the screen take half of it."""
    if known(screen, "layers") > 1:
        return None
    why = say("{screen} has one layer, and gives the ball back", screen=screen.name)
    asks = (ask_equal("purpose", "topper", purpose=True), ask_at_least("thickness_m", TOPPER_LEAST_M))
    return Topper(Quantity(known(screen, "width_m"), Unit.METRE), why, asks)


@check("screen.rebound", title="What comes back off the screen", place=on(Slot.SCREEN))
def rebound(
    screen: Annotated[ImpactScreen, "layers"],
    need: Topper | None,
    pads: Annotated[Beside[Padding], "purpose", "thickness_m"],
    room: Annotated[Room, "wall_foam_m"],
    layout: Annotated[Layout, "screen_y_m"],
) -> Answer:
    """One layer of fabric gives the ball back; two or more, or a topper of 30 mm behind it, take the most of it.

    One layer alone with less than the least gap behind it is struck against the wall, and the ball comes straight back.
    Eyes and heads are at stake: drop a ball from waist height against it before the first swing, and loosen cords.
    """
    layers = known(screen, "layers")
    gap_m, least_m = gap_behind_m(room, layout), least_gap_m(room)
    at_wall = gap_m < least_m - ROUNDING
    pad = need.best(pads) if need else None
    bare = Words(State.BLOCKED if at_wall else State.TIGHT, "1 layer", "2 layers or a topper")
    return Answer(
        Words(State.CLEAR, f"{layers} layers", "2 layers or a topper")
        if need is None
        else need.limits(pad)
        if pad
        else bare,
        headline=lambda: (
            say("{layers} take the ball", layers=f"{layers} layers")
            if need is None
            else say("{topper} takes half of it", topper=pad.name)
            if pad
            else say("One layer {gap} before the wall", gap=metres(gap_m))
            if at_wall
            else say("One layer gives the ball back")
        ),
        formula="layers of fabric, or a topper of 30 mm behind it",
        inputs=lambda: (
            stated_input("Layers", str(layers)),
            placed_input("Gap behind it", gap_m),
            Input("Rebound with a topper", Quantity(HALVED, Unit.SHARE), Basis.TRADE),
        ),
        cures=lambda: (say("Hang a mattress topper behind it; fewer cords, then test."),),
        basis=Basis.TRADE,
    )


@check("screen.tension", title="Tension of the screen", place=on(Slot.SCREEN))
def tension(
    screen: Annotated[ImpactScreen, "edge", "edge_spacing_m"],
    places: BallPlaces,
    tests: Tested,
) -> Answer:
    """Too tight, a screen throws the ball back; too loose, it wrinkles. Fewer cords first, then test.

    What a slow test shot did beats the estimate: one that comes back to the ball blocks, one that passes half of the
    way is tight. Untested, fixings every 0.20 to 0.60 m are clear, nearer and wider ones tight; an edge that is held
    all along is even; a raw edge cannot be drawn taut.
    """
    if tests.bounce_m is not None:
        return _tested_tension(tests.bounce_m, places.to_screen_m)
    edge = known(screen, "edge")
    if edge is Edge.RAW or edge.is_held_all_along:
        raw = edge is Edge.RAW
        return Answer(
            Words(State.TIGHT if raw else State.CLEAR, edge.words, "an edge that can be held"),
            headline=lambda: (
                say("A raw edge cannot be drawn taut") if raw else say("{edge} hold it all along", edge=edge.words)
            ),
            formula="how the edge is made",
            inputs=lambda: (stated_input("Edge", edge.words),),
            cures=lambda: (say("Have it hemmed and eyelets set, one every 300 mm."),),
            basis=Basis.TRADE,
        )
    spacing_m = known(screen, "edge_spacing_m")
    taut = at_least(spacing_m, TAUT_SPACING_M, tolerated=ENDLESS)
    return Answer(
        (taut, at_most(spacing_m, SLACK_SPACING_M, tolerated=ENDLESS)),
        headline=lambda: say("Held every {spacing}, not tested yet", spacing=metres(spacing_m)),
        formula="spacing − 0.20 m, and 0.60 m − spacing",
        inputs=lambda: (stated_input("Spacing", metres(spacing_m)), stated_input("Edge", edge.words)),
        cures=lambda: (
            say("Leave every second cord out, then test with a slow shot.")
            if taut.state is not State.CLEAR
            else say("Add eyelets in between, or live with wrinkles."),
        ),
        basis=Basis.TRADE,
    )


def _tested_tension(bounce_m: float, way_m: float) -> Answer:
    # A ball that reaches the player comes back all the way: that much is already too much.
    limit = at_most(bounce_m, way_m - 2 * ROUNDING, BOUNCE_COMFORT_SHARE * way_m)
    return Answer(
        limit,
        headline=lambda: say("A slow shot came back {bounce} of {way}", bounce=metres(bounce_m), way=metres(way_m)),
        formula="from the screen to the ball − how far a slow test shot came back",
        inputs=lambda: (
            Input("Came back", metres(bounce_m), Basis.MEASURED),
            Input("Screen to ball", metres(way_m), Basis.MEASURED),
        ),
        cures=lambda: (
            say("Loosen it: every second cord out, then test again."),
            say("Hang a topper behind it."),
        ),
        basis=Basis.MEASURED,
    )
