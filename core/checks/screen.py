"""What stops the ball, what it hangs in, and whether both fit the room and the stage."""

from typing import Annotated, NamedTuple

from core.bay import SIDE_BULGE_M
from core.checks.along import struck_surface
from core.checks.declared import THERE
from core.checks.figures import enough, measured_in_room, metres, placed_input, stated_input, yes_or_no
from core.checks.limits import ENDLESS, Limit, State, Words, at_least, at_most, tightest
from core.checks.places import between, on
from core.checks.readings import BallPlaces, BayMiddle
from core.checks.register import check
from core.checks.speeds import FastestBall
from core.checks.verdict import Answer, Basis, Cure, Input, find_out, press
from core.geometry.ceiling import Ceiling
from core.model import acts
from core.model.brief import Brief, Stage
from core.model.build import Slot
from core.model.facts import PLAYERS, MissingFact, known, not_stated
from core.model.kit import Beside
from core.model.parts import Display, Edge, Enclosure, ImpactScreen, MaskingCloth, Net, StandingDisplay, Surface
from core.model.room import Layout, Room
from core.quantities import Sentence, Unit, say
from core.quantities.tolerances import LEAST_MOVE_M

RATING_FACTOR = 1.1
RATING_COMFORT_SHARE = 0.05
"""Within a twentieth over what is asked, a visitor's best strike uses it up (trade)."""
FIT_COMFORT_M = 0.05
"""What is needed to get hands and fixings past an edge (trade)."""
READ_SHARE = 0.2
"""A display narrower than this share of the way to it is hard to read from the ball (trade)."""
BALL_GAP_M = 0.04
"""A ball gets out through more (trade)."""
OPEN_MOST_M = 0.20
OVERLAP_COMFORT_M = 0.20
OVERLAP_MOST_M = 0.30
"""A screen over the edges of its frame on each side: beyond that it hangs in folds (trade)."""


@check("screen.rating", title="Rated for the fastest ball", place=on(Slot.SCREEN))
def rating(
    hung: Annotated[Surface, "maker", "rated_ball_speed_m_s", "rated_club_speed_m_s"],
    nets: Annotated[Beside[Net], "maker", "name", "rated_ball_speed_m_s", "rated_club_speed_m_s"],
    fastest: FastestBall,
) -> Answer:
    """The maker's rating is at least 1.1 × the fastest player's *ball* speed; club speed is another, lower number.

    Visitors of unknown skill count as the fast band. Before a sheet the net is rated, not what hangs behind it.
    A worn or under-rated surface lets a ball through or sends it back: eyes and heads are at stake.
    """
    surface = struck_surface(hung, nets)
    if surface.rated_ball_speed_m_s is None and surface.rated_club_speed_m_s is not None:
        fact = not_stated(surface, "rated_ball_speed_m_s").missing
        how = f"{surface.maker} quotes club speed, and a ball leaves half as fast again: ask for its ball speed."
        raise MissingFact(fact.fact, how, fact.at)
    needed = RATING_FACTOR * fastest.speed_m_s
    limit = at_least(
        known(surface, "rated_ball_speed_m_s"), needed, needed * (1 + RATING_COMFORT_SHARE), Unit.METRE_PER_SECOND
    )
    return Answer(
        limit,
        headline=lambda: say(
            "Rated {rated}, {who} needs {needed}", rated=limit.has, who=fastest.who, needed=limit.wants
        ),
        formula="rating − 1.1 × fastest driver ball speed",
        inputs=lambda: (
            Input("Rated ball speed", limit.has, Basis.SPEC),
            Input(f"Ball speed, {fastest.who}", limit._replace(measured=fastest.speed_m_s).has, Basis.TRADE),
        ),
        cures=lambda: (
            say("Choose a surface rated for {more} of ball speed.", more=limit._replace(least=limit.comfortable).wants),
            find_out(PLAYERS, "Measure {who}'s ball speed; the band is a guess.", who=fastest.who),
        ),
    )


@check("screen.room", title="Screen fits the room", place=on(Slot.SCREEN))
def screen_in_room(
    surface: Annotated[Surface, "height_m", "width_m"],
    room: Annotated[Room, "width_m"],
    layout: Annotated[Layout, "screen_bottom_m", "screen_y_m"],
    middle: BayMiddle,
    ceiling: Ceiling,
) -> Answer:
    """Screen or net fits between the walls and between its lower edge and the ceiling."""
    height_m = known(surface, "height_m") + layout.screen_bottom_m
    stands = _Stands(known(surface, "width_m"), height_m, (layout.screen_y_m, layout.screen_y_m))
    return _fits_room(stands, room, middle, ceiling, (placed_input("Lower edge", layout.screen_bottom_m),))


@check("enclosure.room", title="Enclosure fits the room", place=on(Slot.ENCLOSURE))
def enclosure_in_room(
    enclosure: Annotated[Enclosure, "depth_m", "outer_height_m", "outer_width_m", "sides"],
    room: Annotated[Room, "width_m"],
    layout: Annotated[Layout, "screen_y_m"],
    middle: BayMiddle,
    ceiling: Ceiling,
) -> Answer:
    """The enclosure's outside fits between the walls and under the ceiling.

    Fabric sides catch a ball by bulging outward: 0.30 m beside each is comfortable (trade).
    """
    mouth_m = layout.screen_y_m + known(enclosure, "depth_m")
    width_m, height_m = known(enclosure, "outer_width_m"), known(enclosure, "outer_height_m")
    beside_m = FIT_COMFORT_M if enclosure.sides is False else 2 * SIDE_BULGE_M
    return _fits_room(_Stands(width_m, height_m, (layout.screen_y_m, mouth_m), beside_m), room, middle, ceiling, ())


class _Stands(NamedTuple):
    """How wide something is that stands around the middle of the bay, where its upper edge is, and from y to y."""

    width_m: float
    top_m: float
    y_m: tuple[float, float]
    beside_m: float = FIT_COMFORT_M
    """What is left beside it on both sides together where it stands at ease."""

    def below(self, ceiling: Ceiling, middle_m: float) -> Limit:
        """Under the ceiling over it, with its middle there."""
        half_m = self.width_m / 2
        return at_least(
            ceiling.lowest_over_m((middle_m - half_m, middle_m + half_m), self.y_m),
            self.top_m,
            self.top_m + FIT_COMFORT_M,
        )

    def between_walls(self, room: Room, middle_m: float) -> Limit:
        """As far to either side of its middle as the nearer wall leaves."""
        return at_least(2 * min(middle_m, room.width_m - middle_m), self.width_m, self.width_m + self.beside_m)


def _fits_room(stands: _Stands, room: Room, middle: BayMiddle, ceiling: Ceiling, inputs: tuple[Input, ...]) -> Answer:
    across, up = stands.between_walls(room, middle.x_m), stands.below(ceiling, middle.x_m)
    deciding = _narrower(across, up)
    centred = abs(middle.x_m - room.width_m / 2) < LEAST_MOVE_M
    return Answer(
        deciding,
        headline=lambda: say(
            "Takes {required}, the room is {measured} {direction}",
            required=deciding.wants,
            measured=deciding.has,
            direction="high" if deciding is up else "wide" if centred else "wide around the bay's middle",
        ),
        formula="the smaller of: twice the bay's middle to the nearer wall − width; lowest ceiling over it − height",
        inputs=lambda: (
            stated_input("Width", metres(stands.width_m)),
            stated_input("Upper edge", metres(stands.top_m)),
            *inputs,
            measured_in_room(room, "width_m", "Room width"),
            placed_input("Bay's middle to the left wall", middle.x_m),
            Input("Lowest ceiling over it", up.has, Basis.MEASURED),
        ),
        cures=lambda: (_made_to_fit(stands, room, middle, ceiling),),
    )


def _made_to_fit(stands: _Stands, room: Room, middle: BayMiddle, ceiling: Ceiling) -> Sentence | Cure:
    """Where the bay goes in a room that is wide enough, or by how much what stands there has to be smaller."""
    across, up = stands.between_walls(room, middle.x_m), stands.below(ceiling, middle.x_m)
    wide, high = enough(-across.headroom), enough(-up.headroom)
    if across.state is State.CLEAR:
        return say("Choose one at least {high} less high.", high=high)
    more = enough(-across.headroom / 2)
    leftward = middle.x_m > room.width_m / 2
    moved_m = middle.x_m - more.value if leftward else middle.x_m + more.value
    if stands.between_walls(room, moved_m).state is State.CLEAR:
        lower, side = stands.below(ceiling, moved_m), "left" if leftward else "right"
        if lower.state is State.CLEAR:
            act = acts.bay_moved(-more.value if leftward else more.value)
            return press(act, "Move the bay {more} to the {side}.", more=more, side=side)
        return say(
            "Move the bay {more} to the {side}, and choose one at least {high} less high.",
            more=more,
            side=side,
            high=enough(-lower.headroom),
        )
    if up.state is State.CLEAR:
        return say("Choose one at least {wide} less wide.", wide=wide)
    return say("Choose one at least {wide} less wide and {high} less high.", wide=wide, high=high)


def _narrower(across: Limit, up: Limit) -> Limit:
    deciding = tightest((across, up))
    return across if deciding is across else up


@check("screen.enclosure", title="Screen fits the enclosure", place=between(Slot.SCREEN, Slot.ENCLOSURE))
def screen_in_enclosure(
    surface: Annotated[Surface, "edge", "height_m", "width_m"],
    enclosure: Annotated[Enclosure, "inner_height_m", "inner_width_m"],
    layout: Annotated[Layout, "screen_bottom_m"],
    cloths: Annotated[Beside[MaskingCloth], THERE],
) -> Answer:
    """The screen closes the opening of the frame: within it with play for the cords, or over its edges.

    Within it, a gap of more than 40 mm beside or above it lets balls out: tight, up to 0.20 m where cloth closes it
    or not, beyond that blocked unless cloth does. A screen that hangs before or behind the frame may overlap it by up
    to 0.20 m on each side, 0.30 m at most; a raw edge is cut to size.
    """
    upper_m = known(surface, "height_m") + layout.screen_bottom_m
    beside_m = (known(enclosure, "inner_width_m") - known(surface, "width_m")) / 2
    above_m = known(enclosure, "inner_height_m") - upper_m
    closed, cut = bool(cloths), surface.edge is Edge.RAW
    limits = {
        limit: (words, gap_m)
        for words, gap_m in (("beside", beside_m), ("above", above_m))
        for limit in [_closes(gap_m, closed=closed, cut=cut)]
    }
    deciding = tightest(tuple(limits))
    where, gap_m = limits[deciding]
    return Answer(
        tuple(limits),
        headline=lambda: (
            say("Screen leaves {gap} {where} it in the frame", gap=metres(gap_m), where=where)
            if gap_m >= 0
            else say("Screen reaches {over} over the frame {where}", over=metres(-gap_m), where=where)
        ),
        formula="(inner width − screen width) / 2; inner height − screen's upper edge",
        inputs=lambda: (
            stated_input("Beside it, each side", metres(beside_m)),
            stated_input("Above it", metres(above_m)),
            stated_input("Cloth closes gaps", yes_or_no(closed)),
            stated_input("Edge", surface.edge.words if surface.edge else "not stated"),
        ),
        cures=lambda: (
            (say("Close it with dark cloth, or choose a larger screen or a smaller frame."),)
            if gap_m >= 0
            else (say("Choose a smaller screen or a larger frame, or have it cut."),)
        ),
    )


def _closes(gap_m: float, *, closed: bool, cut: bool) -> Limit:
    """What is left open is small or closed by cloth; what reaches over the frame is not too much, or is cut."""
    if gap_m >= 0:
        return at_most(gap_m, OPEN_MOST_M, BALL_GAP_M, tolerated=ENDLESS if closed else 0.0)
    return at_most(-gap_m, OVERLAP_MOST_M, OVERLAP_COMFORT_M, tolerated=ENDLESS if cut else 0.0)


@check("screen.stage", title="Shows a picture", place=on(Slot.SCREEN))
def surface_for_stage(brief: Annotated[Brief, "stage"], surface: Annotated[Surface, "carries_picture"]) -> Answer:
    """A projected simulator needs a screen that carries a picture: not a net, and not one with a black face.

    Before that stage a net will do; a screen is more than is asked for, unless that stage is to come.
    """
    projected = brief.stage is Stage.PROJECTED
    net = isinstance(surface, Net)
    shows = not projected or _shows(surface)
    more = not projected and not net
    return Answer(
        Words(
            State.BLOCKED if not shows else State.TIGHT if more else State.CLEAR,
            "net" if net else "screen" if shows else "screen without a picture",
            "screen" if projected else "net",
        ),
        headline=lambda: (
            say("{surface} shows no projected picture", surface=surface.name)
            if not shows
            else say("More than the stage asks for: a net will do")
            if more
            else say("Right for the stage chosen")
        ),
        formula="kind and face of the surface against the stage of the brief",
        inputs=lambda: (Input("Stage", brief.stage.value, Basis.MEASURED),),
        cures=lambda: (
            (say("Keep it if a projector is to come later; else choose a net."),)
            if shows
            else (say("Choose an impact screen, or the stage with net or tablet in the brief."),)
        ),
        basis=Basis.PHYSICS,
    )


def _shows(surface: Surface) -> bool:
    if isinstance(surface, ImpactScreen):
        return known(surface, "carries_picture")
    return not isinstance(surface, Net)


@check("display.stage", title="Right display for the stage", place=on(Slot.DISPLAY))
def display_for_stage(
    brief: Annotated[Brief, "stage"],
    display: Annotated[Display, "width_m"],
    places: BallPlaces,
) -> Answer:
    """A projected simulator needs a projector; a television stands beside the bay and is read from the ball.

    Before that stage a projector is more than is asked for, and a television narrower than a fifth of the way from
    ball to screen is hard to read (trade).
    """
    projected = brief.stage is Stage.PROJECTED
    television = isinstance(display, StandingDisplay)
    least_m = READ_SHARE * places.to_screen_m
    legible = None
    if isinstance(display, StandingDisplay) and not projected:
        legible = at_least(known(display, "width_m"), least_m, tolerated=ENDLESS)
    kind = Words(
        State.CLEAR if projected is not television else State.BLOCKED if projected else State.TIGHT,
        "television" if television else "projector",
        "projector" if projected else "television that can be read",
    )
    return Answer(
        kind if legible is None else (kind, legible),
        headline=lambda: (
            say("{width} wide, {least} can be read from the ball", width=legible.has, least=legible.wants)
            if legible
            else say("Right for the stage chosen")
            if kind.state is State.CLEAR
            else say("A television cannot be struck")
            if projected
            else say("More than the stage asks for: a television will do")
        ),
        formula="kind of display against the stage of the brief; width of a television − way from the ball / 5",
        inputs=lambda: (
            Input("Stage", brief.stage.value, Basis.MEASURED),
            placed_input("Ball to screen", places.to_screen_m),
            *((Input("Width", legible.has, Basis.SPEC),) if legible else ()),
        ),
        cures=lambda: (
            (say("Choose a projector, or the stage with net or tablet in the brief."),)
            if projected
            else (say("A television {least} wide or wider does.", least=metres(least_m)),)
        ),
        basis=Basis.PHYSICS if projected else Basis.TRADE,
    )
