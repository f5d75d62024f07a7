"""What stops the ball, what it hangs in, and whether both fit the room and the stage."""

from core.checks.figures import measured_in_room, metres, placed, stated, worded
from core.checks.places import between, on
from core.checks.register import check
from core.checks.verdict import Basis, Input, State, Verdict, judge
from core.geometry.ceiling import Ceiling
from core.model.brief import Brief, SpeedBand, Stage
from core.model.build import Slot
from core.model.facts import MissingFact, known, known_players
from core.model.parts import Display, Enclosure, ImpactScreen, Net, StandingDisplay, Surface
from core.model.room import Layout, Room
from core.quantities import Quantity, Unit, say

RATING_FACTOR = 1.1
RATING_COMFORT_SHARE = 0.05
"""Within a twentieth over what is asked, a visitor's best strike uses it up (trade)."""
FIT_COMFORT_M = 0.05
"""What is needed to get hands and fixings past an edge (trade)."""
READ_SHARE = 0.2
"""A display narrower than this share of the way to it is hard to read from the ball (trade)."""
EDGE_COMFORT_M = 0.02
"""Least play all round for cords between screen and frame (trade)."""


@check("screen.rating", title="Rated for the fastest ball", place=on(Slot.SCREEN))
def rating(brief: Brief, surface: Surface) -> Verdict:
    """The maker's rating is at least 1.1 × the fastest player's *ball* speed; club speed is another, lower number.

    Visitors of unknown skill count as the fast band.
    A worn or under-rated surface lets a ball through or sends it back: eyes and heads are at stake.
    """
    players = known_players(brief)
    if surface.rated_ball_speed_m_s is None and surface.rated_club_speed_m_s is not None:
        raise MissingFact(
            f"The rated ball speed of {surface.name}",
            f"{surface.maker} quotes club speed, and a ball leaves half as fast again: ask for its ball speed.",
        )
    rated = known(surface.rated_ball_speed_m_s, surface, "rated ball speed")
    speeds = [(player.ball_speed_m_s, player.name) for player in players]
    if brief.visitors:
        speeds.append((SpeedBand.FAST.ball_speed_m_s, "a visitor"))
    fastest, name = max(speeds)
    needed = RATING_FACTOR * fastest
    state = judge(rated - needed, RATING_COMFORT_SHARE * needed)
    return Verdict(
        state,
        say("Rated {rated}, {who} needs {needed}", rated=_speed(rated), who=name, needed=_speed(needed)),
        measured=_speed(rated),
        required=_speed(needed),
        margin=_speed(rated - needed),
        basis=Basis.SPEC,
        formula="rating − 1.1 × fastest driver ball speed",
        inputs=lambda: (
            stated("Rated ball speed", _speed(rated)),
            Input(f"Ball speed, {name}", _speed(fastest), Basis.TRADE),
        ),
        changes=()
        if state is State.CLEAR
        else (
            say("Choose a surface rated for {more} of ball speed.", more=_speed(needed * (1 + RATING_COMFORT_SHARE))),
            say("Measure {who}'s ball speed; the band is a guess.", who=name),
        ),
    )


@check("screen.room", title="Screen fits the room", place=on(Slot.SCREEN))
def screen_in_room(surface: Surface, room: Room, layout: Layout, ceiling: Ceiling) -> Verdict:
    """Screen or net fits between the walls and between its lower edge and the ceiling."""
    width_m = known(surface.width_m, surface, "width")
    height_m = known(surface.height_m, surface, "height") + layout.screen_bottom_m
    ceiling_m = _ceiling_over(width_m, (layout.screen_y_m, layout.screen_y_m), room, ceiling)
    return _fits_room(width_m, height_m, room, ceiling_m, (placed("Lower edge", layout.screen_bottom_m),))


@check("enclosure.room", title="Enclosure fits the room", place=on(Slot.ENCLOSURE))
def enclosure_in_room(enclosure: Enclosure, room: Room, layout: Layout, ceiling: Ceiling) -> Verdict:
    """The enclosure's outside fits between the walls and under the ceiling."""
    width_m = known(enclosure.outer_width_m, enclosure, "outer width")
    height_m = known(enclosure.outer_height_m, enclosure, "outer height")
    depth_m = known(enclosure.depth_m, enclosure, "depth")
    ceiling_m = _ceiling_over(width_m, (layout.screen_y_m, layout.screen_y_m + depth_m), room, ceiling)
    return _fits_room(width_m, height_m, room, ceiling_m, ())


def _ceiling_over(width_m: float, y_m: tuple[float, float], room: Room, ceiling: Ceiling) -> float:
    """Lowest ceiling over something that stands in the middle of the room's width."""
    middle_m = room.width_m / 2
    return ceiling.lowest_over_m((middle_m - width_m / 2, middle_m + width_m / 2), y_m)


def _fits_room(width_m: float, height_m: float, room: Room, ceiling_m: float, inputs: tuple[Input, ...]) -> Verdict:
    across_m, up_m = room.width_m - width_m, ceiling_m - height_m
    sideways = across_m <= up_m
    measured_m, required_m = (room.width_m, width_m) if sideways else (ceiling_m, height_m)
    margin_m = min(across_m, up_m)
    state = judge(margin_m, FIT_COMFORT_M)
    direction = "wide" if sideways else "high"
    return Verdict(
        state,
        say(
            "Takes {required}, the room is {measured} {direction}",
            required=metres(required_m),
            measured=metres(measured_m),
            direction=direction,
        ),
        measured=metres(measured_m),
        required=metres(required_m),
        margin=metres(margin_m),
        basis=Basis.SPEC,
        formula="the smaller of: room width − width; lowest ceiling over it, lining off − height",
        inputs=lambda: (
            stated("Width", metres(width_m)),
            stated("Upper edge", metres(height_m)),
            *inputs,
            measured_in_room(room, "width_m", "Room width"),
            Input("Lowest ceiling over it", metres(ceiling_m), Basis.MEASURED),
        ),
        changes=()
        if state is State.CLEAR
        else (
            say(
                "Choose one at least {less} less {direction}.",
                less=metres(FIT_COMFORT_M - margin_m),
                direction=direction,
            ),
        ),
    )


@check("screen.enclosure", title="Screen fits the enclosure", place=between(Slot.SCREEN, Slot.ENCLOSURE))
def screen_in_enclosure(surface: Surface, enclosure: Enclosure, layout: Layout) -> Verdict:
    """The screen with its borders fits inside the enclosure, with a little play for the cords."""
    width_m = known(surface.width_m, surface, "width")
    height_m = known(surface.height_m, surface, "height") + layout.screen_bottom_m
    inner_width_m = known(enclosure.inner_width_m, enclosure, "inner width")
    inner_height_m = known(enclosure.inner_height_m, enclosure, "inner height")
    across_m, up_m = inner_width_m - width_m, inner_height_m - height_m
    sideways = across_m <= up_m
    margin_m = min(across_m, up_m)
    state = judge(margin_m, EDGE_COMFORT_M)
    required_m, measured_m = (width_m, inner_width_m) if sideways else (height_m, inner_height_m)
    return Verdict(
        state,
        say(
            "Screen takes {required} {direction}, the frame has {measured}",
            required=metres(required_m),
            direction="across" if sideways else "up",
            measured=metres(measured_m),
        ),
        measured=metres(measured_m),
        required=metres(required_m),
        margin=metres(margin_m),
        basis=Basis.SPEC,
        formula="the smaller of: inner width − screen width; inner height − screen's upper edge",
        inputs=lambda: (
            stated("Screen width", metres(width_m)),
            stated("Screen's upper edge", metres(height_m)),
            stated("Inner width", metres(inner_width_m)),
            stated("Inner height", metres(inner_height_m)),
        ),
        changes=()
        if state is State.CLEAR
        else (
            say(
                "Choose an enclosure {more} larger inside, or a smaller screen.", more=metres(EDGE_COMFORT_M - margin_m)
            ),
        ),
    )


@check("screen.stage", title="Shows a picture", place=on(Slot.SCREEN))
def surface_for_stage(brief: Brief, surface: Surface) -> Verdict:
    """A projected simulator needs a screen that carries a picture: not a net, and not one with a black face.

    Before that stage a net will do; a screen is more than is asked for, unless that stage is to come.
    """
    projected = brief.stage is Stage.PROJECTED
    net = isinstance(surface, Net)
    shows = not projected or _shows(surface)
    more = not projected and not net
    state = State.BLOCKED if not shows else State.TIGHT if more else State.CLEAR
    return worded(
        state,
        say("{surface} shows no projected picture", surface=surface.name)
        if not shows
        else say("More than the stage asks for: a net will do")
        if more
        else say("Right for the stage chosen"),
        has="net" if net else "screen" if shows else "screen without a picture",
        wants="screen" if projected else "net",
        formula="kind and face of the surface against the stage of the brief",
        inputs=lambda: (Input("Stage", brief.stage.value, Basis.MEASURED),),
        cures=(say("Keep it if a projector is to come later; else choose a net."),)
        if shows
        else (say("Choose an impact screen, or the stage with net or tablet in the brief."),),
        basis=Basis.PHYSICS,
    )


def _shows(surface: Surface) -> bool:
    if isinstance(surface, ImpactScreen):
        return known(surface.carries_picture, surface, "fitness for a picture")
    return not isinstance(surface, Net)


@check("display.stage", title="Right display for the stage", place=on(Slot.DISPLAY))
def display_for_stage(brief: Brief, display: Display, layout: Layout) -> Verdict:
    """A projected simulator needs a projector; a television stands beside the bay and is read from the ball.

    Before that stage a projector is more than is asked for, and a television narrower than a fifth of the way from
    ball to screen is hard to read (trade).
    """
    projected = brief.stage is Stage.PROJECTED
    television = isinstance(display, StandingDisplay)
    least_m = READ_SHARE * layout.ball_to_screen_m
    width_m = 0.0
    if projected:
        state = State.BLOCKED if television else State.CLEAR
        headline = say("A television cannot be struck") if television else say("Right for the stage chosen")
    elif isinstance(display, StandingDisplay):
        width_m = known(display.width_m, display, "width")
        state = State.CLEAR if width_m >= least_m else State.TIGHT
        headline = say("{width} wide, {least} can be read from the ball", width=metres(width_m), least=metres(least_m))
    else:
        state, headline = State.TIGHT, say("More than the stage asks for: a television will do")
    return worded(
        state,
        headline,
        has="television" if television else "projector",
        wants="projector" if projected else "television that can be read",
        formula="kind of display against the stage of the brief; width of a television − way from the ball / 5",
        inputs=lambda: (
            Input("Stage", brief.stage.value, Basis.MEASURED),
            placed("Ball to screen", layout.ball_to_screen_m),
            *((stated("Width", metres(width_m)),) if width_m else ()),
        ),
        cures=(say("Choose a projector, or the stage with net or tablet in the brief."),)
        if projected
        else (say("A television {least} wide or wider does.", least=metres(least_m)),),
        basis=Basis.PHYSICS if projected else Basis.TRADE,
    )


def _speed(value: float) -> Quantity:
    return Quantity(value, Unit.METRE_PER_SECOND)
