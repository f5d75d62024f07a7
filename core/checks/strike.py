"""What a struck ball meets: the surface, its tension, what is behind it, and the sides of the bay (trade)."""

from core.checks.along import gap_behind_m, least_gap_m
from core.checks.figures import counted, listed, metres, placed, stated, worded
from core.checks.places import on
from core.checks.readings import Tested
from core.checks.register import check
from core.checks.verdict import ROUNDING, Basis, Input, State, Verdict
from core.model.brief import Brief, Handedness
from core.model.build import Slot
from core.model.facts import known, known_players
from core.model.kit import Beside
from core.model.parts import (
    Balls,
    Edge,
    Enclosure,
    ImpactScreen,
    MaskingCloth,
    Padding,
    ProjectionSheet,
    SideProtection,
    Surface,
)
from core.model.room import Layout, Room
from core.model.things import OpeningKind, Wall
from core.quantities import Quantity, Unit, say

TAUT_SPACING_M = 0.20
"""Fixings nearer to each other than this pull a screen hard, and it throws the ball back (trade)."""
SLACK_SPACING_M = 0.60
"""Further apart than this they leave wrinkles (trade)."""
BOUNCE_COMFORT_SHARE = 0.5
"""A slow shot that dies within half of the way back to the ball is no trouble; one that reaches it is (trade)."""
TOPPER_LEAST_M = 0.03
HALVED = 0.5
"""A mattress topper behind a screen roughly halves the rebound (trade)."""


@check("screen.struck", title="Made to be struck", place=on(Slot.SCREEN))
def struck(surface: Surface, balls: Beside[Balls]) -> Verdict:
    """A plain projection sheet is never struck: the ball goes through it, or comes back off the wall.

    What is made for soft practice balls stops nothing else: tight while only soft ones are chosen.
    """
    sheet = isinstance(surface, ProjectionSheet)
    stops = None if sheet else known(surface.stops, surface, "kind of balls that it stops")
    hard = [ball.name for ball in balls if not known(ball.soft, ball, "softness")] if stops == "soft_balls" else []
    if sheet:
        state, headline = State.BLOCKED, say("{name} is a sheet for pictures only", name=surface.name)
    elif stops == "any_ball":
        state, headline = State.CLEAR, say("Made to stop a ball")
    elif balls and not hard:
        state, headline = State.TIGHT, say("{name} stops soft balls alone", name=surface.name)
    else:
        state, headline = State.BLOCKED, say("{name} does not stop a hard ball", name=surface.name)
    return worded(
        state,
        headline,
        has="projection sheet" if sheet else "stops any ball" if stops == "any_ball" else "stops soft balls",
        wants="stops any ball",
        formula="kind of surface, and the balls that it is made for",
        inputs=lambda: (
            stated("Kind", "sheet" if sheet else "net or screen"),
            stated("Made for", (stops or "no ball").replace("_", " ")),
            stated("Balls", listed(ball.name for ball in balls)),
        ),
        cures=(say("Keep hard balls out of the room."), say("Or choose a surface made for any ball."))
        if state is State.TIGHT
        else (say("Choose an impact screen or a net that stops any ball."),),
    )


@check("screen.backing", title="Black cloth behind", place=on(Slot.SCREEN))
def backing(screen: ImpactScreen, cloths: Beside[MaskingCloth], room: Room) -> Verdict:
    """Thin fabric lets light through: black cloth behind it keeps the picture's blacks.

    With a window in the wall behind it, the day shines through from behind: no picture without the cloth.
    """
    needs = known(screen.needs_backing, screen, "need for backing")
    black = [cloth for cloth in cloths if cloth.black]
    windows = [
        opening.name for opening in room.openings if opening.kind is OpeningKind.WINDOW and opening.wall is Wall.SCREEN
    ]
    bare = State.BLOCKED if windows else State.TIGHT
    return worded(
        State.CLEAR if not needs or black else bare,
        say("Needs nothing behind it")
        if not needs
        else say("{cloth} hangs behind it", cloth=black[0].name)
        if black
        else say("The day shines through from {windows} behind it", windows=listed(windows))
        if windows
        else say("Light shows through: black cloth belongs behind it"),
        has=listed(cloth.name for cloth in black),
        wants="black cloth" if needs else "nothing",
        formula="what the maker says, against black cloth chosen",
        inputs=lambda: (
            stated("Light shows through", "yes" if needs else "no"),
            Input("Windows behind it", listed(windows), Basis.MEASURED),
        ),
        cures=(say("Choose black, matt cloth."),),
    )


@check("screen.rebound", title="What comes back off the screen", place=on(Slot.SCREEN))
def rebound(screen: ImpactScreen, pads: Beside[Padding], room: Room, layout: Layout) -> Verdict:
    """One layer of fabric gives the ball back; two or more, or a topper of 30 mm behind it, take the most of it.

    One layer alone with less than the least gap behind it is struck against the wall, and the ball comes straight back.
    Eyes and heads are at stake: drop a ball from waist height against it before the first swing, and loosen cords.
    """
    layers = known(screen.layers, screen, "layers")
    toppers = [pad for pad in pads if pad.purpose == "topper" and (pad.thickness_m or 0) >= TOPPER_LEAST_M]
    gap_m, least_m = gap_behind_m(room, layout), least_gap_m(room)
    at_wall = gap_m < least_m - ROUNDING
    return worded(
        State.CLEAR if layers > 1 or toppers else State.BLOCKED if at_wall else State.TIGHT,
        say("{layers} take the ball", layers=f"{layers} layers")
        if layers > 1
        else say("{topper} takes half of it", topper=toppers[0].name)
        if toppers
        else say("One layer {gap} before the wall", gap=metres(gap_m))
        if at_wall
        else say("One layer gives the ball back"),
        has=f"{layers} layers" if layers > 1 else listed(pad.name for pad in toppers),
        wants="2 layers or a topper",
        formula="layers of fabric, or a topper of 30 mm behind it",
        inputs=lambda: (
            stated("Layers", str(layers)),
            placed("Gap behind it", gap_m),
            Input("Rebound with a topper", Quantity(HALVED, Unit.SHARE), Basis.TRADE),
        ),
        cures=(say("Hang a mattress topper behind it; fewer cords, then test."),),
        basis=Basis.TRADE,
    )


@check("screen.tension", title="Tension of the screen", place=on(Slot.SCREEN))
def tension(screen: ImpactScreen, layout: Layout, tests: Tested) -> Verdict:
    """Too tight, a screen throws the ball back; too loose, it wrinkles. Fewer cords first, then test.

    What a slow test shot did beats the estimate: one that comes back to the ball blocks, one that passes half of the
    way is tight. Untested, fixings every 0.20 to 0.60 m are clear, nearer and wider ones tight; an edge that is held
    all along is even; a raw edge cannot be drawn taut.
    """
    if tests.bounce_m is not None:
        return _tested_tension(tests.bounce_m, layout.ball_to_screen_m)
    edge = known(screen.edge, screen, "edge")
    if edge in (Edge.RAW, Edge.POCKETS, Edge.HOOK_TAPE):
        raw = edge is Edge.RAW
        return worded(
            State.TIGHT if raw else State.CLEAR,
            say("A raw edge cannot be drawn taut") if raw else say("{edge} hold it all along", edge=edge.words),
            has=edge.words,
            wants="an edge that can be held",
            formula="how the edge is made",
            inputs=lambda: (stated("Edge", edge.words),),
            cures=(say("Have it hemmed and eyelets set, one every 300 mm."),),
            basis=Basis.TRADE,
        )
    spacing_m = known(screen.edge_spacing_m, screen, "spacing of its edge")
    taut = spacing_m < TAUT_SPACING_M
    return counted(
        State.TIGHT if taut or spacing_m > SLACK_SPACING_M else State.CLEAR,
        say("Held every {spacing}, not tested yet", spacing=metres(spacing_m)),
        Unit.METRE,
        has=spacing_m,
        needs=TAUT_SPACING_M if taut else SLACK_SPACING_M,
        formula="spacing − 0.20 m" if taut else "0.60 m − spacing",
        inputs=lambda: (stated("Spacing", metres(spacing_m)), stated("Edge", edge.words)),
        cures=(
            say("Leave every second cord out, then test with a slow shot.")
            if taut
            else say("Add eyelets in between, or live with wrinkles."),
        ),
        basis=Basis.TRADE,
        at_most=not taut,
    )


def _tested_tension(bounce_m: float, way_m: float) -> Verdict:
    state = State.CLEAR if bounce_m <= BOUNCE_COMFORT_SHARE * way_m else State.TIGHT
    return counted(
        State.BLOCKED if bounce_m >= way_m else state,
        say("A slow shot came back {bounce} of {way}", bounce=metres(bounce_m), way=metres(way_m)),
        Unit.METRE,
        has=bounce_m,
        needs=way_m,
        formula="from the screen to the ball − how far a slow test shot came back",
        inputs=lambda: (
            Input("Came back", metres(bounce_m), Basis.MEASURED),
            Input("Screen to ball", metres(way_m), Basis.MEASURED),
        ),
        cures=(say("Loosen it: every second cord out, then test again."), say("Hang a topper behind it.")),
        basis=Basis.MEASURED,
        at_most=True,
    )


@check("screen.sides", title="Protection beside the bay", place=on(Slot.SCREEN))
def sides(brief: Brief, surface: Surface, enclosure: Enclosure | None, netting: Beside[SideProtection]) -> Verdict:
    """A shank flies right off a right-hander's club and left off a left-hander's: that side is closed.

    Visitors may be of either hand. The enclosure's own sides serve, or netting beside the bay, one for each side.
    """
    hands = {player.handedness for player in known_players(brief)} | (set(Handedness) if brief.visitors else set())
    own = known(enclosure.sides, enclosure, "sides") if enclosure else False
    nets = len(netting)
    has, needs = (2 if own else nets), len(hands)
    named = listed({Handedness.RIGHT: "right", Handedness.LEFT: "left"}[hand] for hand in sorted(hands))
    return counted(
        State.CLEAR if has >= needs else State.BLOCKED if has == 0 and brief.visitors else State.TIGHT,
        say("Both sides are closed")
        if has >= 2
        else say("{has} of {needs} closed: {sides}", has=str(has), needs=str(needs), sides=named),
        Unit.PIECES,
        has=has,
        needs=needs,
        formula="sides closed by the enclosure or by netting − shank sides of the hands that play",
        inputs=lambda: (
            Input("Shank sides", named, Basis.TRADE),
            stated("Enclosure has sides", "yes" if own else "no"),
            stated("Netting", str(nets)),
        ),
        cures=(say("Hang netting on the {sides} of the bay.", sides=named),),
        basis=Basis.TRADE,
    )
