"""The mat and the floor around it (trade)."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Annotated, NamedTuple

from core.checks.asks import Ask, ask_at_least, ask_at_most, ask_equal
from core.checks.ball import ball_back
from core.checks.declared import THERE
from core.checks.figures import enough, in_a_row, metres, placed_input, share, stated_input, yes_or_no
from core.checks.laid_floor import LaidFloor, Layer, stated
from core.checks.limits import ENDLESS, Limit, State, Words, at_least, at_most, tightest
from core.checks.needs import ItemKind, Need, pieces
from core.checks.places import between, on
from core.checks.readings import BallPlaces, BayMiddle, FloorBeside, HittingSurface
from core.checks.register import check, derive
from core.checks.verdict import Answer, Basis, Input, press
from core.checks.weights import is_wanted, tolerance_of
from core.geometry.floor_cover import Cover
from core.model import acts
from core.model.brief import Brief, Purpose
from core.model.build import Slot
from core.model.facts import Missing, MissingFact, known
from core.model.kit import Beside
from core.model.laying import Rectangle
from core.model.parts import Flooring, HittingMat, Mat, PuttingSurface, Surface, Tees
from core.model.room import FloorBase, Layout, MatLies, Room
from core.quantities import Quantity, Unit, say

STRIP_WIDTH_LEAST_M = 0.40
STRIP_LENGTH_LEAST_M = 0.90
STRIP_COMFORT_M = 0.05
FLUSH_TOLERANCE_M = 0.003
TRIP_STEP_M = 0.010
"""A step beyond this catches a foot."""
STAIR_M = 0.100
"""A step beyond this is walked up, not over (trade)."""
WASTE_COMFORTABLE = 0.15
WASTE_MOST = 0.50
"""Beyond this more is thrown away than is laid (trade)."""
MANY_HOURS = 3.0
"""A week, from which on a hard mat is felt in the joints."""
SUNK_M = 0.010
HEAVY_KG = 15.0
HEAVY_ON_PILE_KG = 25.0
LONG_PILE_M = 0.010
LIGHT_KG = 5.0
"""Under this a mat moves with the swing (trade)."""
LANDING_LEAST_M = 1.2
LANDING_BESIDE_M = 0.30
"""To each side of the screen (trade)."""
PUTTING_PILE_M = 0.012
PUTT_WIDTH_M = 0.30
"""Least width of a strip that a putt starts from (trade)."""
TEES = 4


@dataclass(frozen=True)
class LandingStrip:
    """Where a ball comes down before the screen."""

    strip: Rectangle


class TeesNeed(Need):
    """What a driver's ball stands on."""

    item = ItemKind("tees", "Tees", near=Slot.MAT, kind=Tees, sold_by=("pack_size",), asks=("through_mat", "tethered"))


class StripToPutt(Need):
    """Short pile before the ball."""

    item = ItemKind(
        "putting-strip",
        "Strip to putt on",
        near=Slot.FLOOR,
        kind=PuttingSurface,
        asks=("pile_m", "width_m", "length_m"),
    )


@check("mat.strip", title="Hitting strip", place=on(Slot.MAT))
def strip(mat: Annotated[Mat, "strip_length_m", "strip_width_m"]) -> Answer:
    """The surface to strike from is at least 0.40 m wide and 0.90 m long."""
    width_m, length_m = known(mat, "strip_width_m"), known(mat, "strip_length_m")
    wide = at_least(width_m, STRIP_WIDTH_LEAST_M, STRIP_WIDTH_LEAST_M + STRIP_COMFORT_M)
    long = at_least(length_m, STRIP_LENGTH_LEAST_M, STRIP_LENGTH_LEAST_M + STRIP_COMFORT_M)
    deciding = wide if tightest((wide, long)) is wide else long
    return Answer(
        (wide, long),
        headline=lambda: say(
            "Strip {measured} {direction}, {required} is the least",
            measured=deciding.has,
            direction="wide" if deciding is wide else "long",
            required=deciding.wants,
        ),
        formula="the smaller of: strip width − 0.40 m; strip length − 0.90 m",
        inputs=lambda: (stated_input("Strip width", metres(width_m)), stated_input("Strip length", metres(length_m))),
        cures=lambda: (say("Choose a mat with a larger strip."),),
        basis=Basis.TRADE,
    )


@check("mat.flush", title="Mat flush with the floor", place=between(Slot.FLOOR, Slot.MAT))
def flush(
    mat: Annotated[Mat, "thickness_m"],
    floor: LaidFloor,
    layout: Annotated[Layout, "mat_lies"],
    surface: HittingSurface,
    beside: FloorBeside,
) -> Answer:
    """Where one stands on the floor beside a strip, its top is level with that, within 3 mm.

    Up to 10 mm is a step that is felt; beyond that a foot catches on it. A mat that one stands on has no step under
    the feet: its edge is only walked over.
    """
    stood_on = isinstance(mat, HittingMat)
    lies = layout.mat_lies if stood_on else known(layout, "mat_lies")
    step_m = surface.height_m - beside.height_m
    limit = at_most(abs(step_m), TRIP_STEP_M, FLUSH_TOLERANCE_M)
    higher = "above" if step_m >= 0 else "below"
    return Answer(
        Words(State.CLEAR, "stood on", "stood on, or flush") if stood_on else limit,
        headline=lambda: (
            say("One stands on {mat}; mark its edge of {step}", mat=mat.name, step=limit.has)
            if stood_on and limit.state is State.BLOCKED
            else say("One stands on {mat}", mat=mat.name)
            if stood_on
            else say(
                "Strip {step} {higher} the floor, up to {trips} does not trip",
                step=limit.has,
                higher=higher,
                trips=metres(TRIP_STEP_M),
            )
        ),
        formula="10 mm − |top of the strip − floor beside it|",
        inputs=lambda: (
            stated_input("Mat", metres(mat.thickness_m or 0.0)),
            stated_input("Floor where one stands", metres(beside.height_m)),
            stated_input("Layers of it", in_a_row(layer.name for layer in floor.layers)),
            Input("Lies", lies.value.replace("_", " ") if lies else "not said", Basis.MEASURED),
        ),
        cures=lambda: (
            *(
                (press(acts.laid_out(mat_lies=MatLies.LET_IN), "Let it into the floor.", State.TIGHT),)
                if lies is MatLies.ON_TOP and abs(step_m - surface.floor_m) <= TRIP_STEP_M
                else ()
            ),
            say("A strip on top is always a step: let it in, or stand on a mat as thick.")
            if lies is MatLies.ON_TOP
            else say(
                "Choose a covering and a strip that are equally thick, or {step} more under the {lower}.",
                step=limit.has,
                lower="floor" if higher == "above" else "strip",
            ),
            say("Bevel the edge and mark it: a step trips people."),
        ),
        basis=Basis.TRADE,
    )


@check("floor.cover", title="Floor area and waste", place=on(Slot.FLOOR))
def cover(floor: LaidFloor) -> Answer:
    """What to buy of each layer, and how much of it is cut off. More than 15 % waste is worth a second look.

    Where more is cut off than laid, another size is the right one; a layer outside the room covers nothing.
    """
    laid = {_waste(layer): layer for layer in floor.layers}
    deciding = tightest(tuple(laid))
    layer = laid[deciding]
    bought = _cover(layer)
    unit = "packs" if layer.roll_m is None else "m of roll"
    return Answer(
        tuple(laid),
        headline=lambda: (
            say("{layer} lies outside the room", layer=layer.name)
            if not layer.zone.area_m2
            else say(
                "{layer}{units} {unit} for {area}, {waste} cut off",
                layer="" if len(floor.layers) == 1 else f"{layer.name}: ",
                units=str(bought.units),
                unit=unit,
                area=_area(layer.zone.area_m2),
                waste=deciding.has,
            )
        ),
        formula="pieces to cover the zone's width × length, rounded up to packs or whole metres; waste / bought",
        inputs=lambda: (
            placed_input("Width of the zone", layer.zone.width_m),
            placed_input("Length of the zone", layer.zone.length_m),
            Input("Pieces", str(bought.pieces), Basis.PHYSICS),
            Input("Bought", _area(bought.bought_m2), Basis.PHYSICS),
            Input("Cut off", _area(bought.waste_m2), Basis.PHYSICS),
            Input("Comfortable up to", share(WASTE_COMFORTABLE), Basis.TRADE),
        ),
        cures=lambda: (say("Another tile size or roll width may waste less."),),
        basis=Basis.PHYSICS,
    )


def _waste(layer: Layer) -> Limit:
    bought = _cover(layer)
    wasted = bought.waste_m2 / bought.bought_m2 if layer.zone.area_m2 else 1.0
    return at_most(wasted, WASTE_MOST, WASTE_COMFORTABLE, Unit.SHARE)


def _cover(layer: Layer) -> Cover:
    if isinstance(layer.cover, Missing):
        raise MissingFact(*layer.cover)
    return layer.cover


@check("floor.steps", title="Steps in the floor", place=on(Slot.FLOOR))
def steps(floor: LaidFloor) -> Answer:
    """Where one layer ends beside a lower one, an edge of more than 3 mm is bevelled, of more than 10 mm marked too.

    From 100 mm on it is a stair in the middle of a floor, and wants to be built as one.
    """
    edges = {edge: abs(_height_m(floor, edge.low) - _height_m(floor, edge.high)) for edge in _inner_edges(floor)}
    highest_m = max(edges.values(), default=0.0)
    limit = at_most(highest_m, TRIP_STEP_M, FLUSH_TOLERANCE_M, tolerated=STAIR_M - TRIP_STEP_M)
    at = max(edges, key=lambda edge: edges[edge], default=None)
    return Answer(
        limit,
        headline=lambda: (
            say("The floor is level all over")
            if at is None or highest_m <= FLUSH_TOLERANCE_M
            else say("A step of {step} where {layer} ends", step=limit.has, layer=_ends_at(floor, at))
        ),
        formula="10 mm − the highest step between two layers, or a layer and the bare floor; 3 mm is flush",
        inputs=lambda: tuple(
            stated_input(f"{layer.name}, from the screen wall", metres(layer.zone.y0_m)) for layer in floor.layers
        ),
        cures=lambda: (say("Bevel the edge and mark it, or bring both sides to one height with an underlay."),),
        basis=Basis.TRADE,
    )


class _Edge(NamedTuple):
    """A place on either side of an edge that is inside the room."""

    low: tuple[float, float]
    high: tuple[float, float]


def _inner_edges(floor: LaidFloor) -> Iterator[_Edge]:
    """One for each pair of cells that lie beside each other."""
    by_corner = {(cell.x0_m, cell.y0_m): cell for cell in floor.cells}
    for cell in floor.cells:
        for corner in ((cell.x1_m, cell.y0_m), (cell.x0_m, cell.y1_m)):
            if corner in by_corner:
                yield _Edge(cell.middle, by_corner[corner].middle)


def _height_m(floor: LaidFloor, at: tuple[float, float]) -> float:
    return floor.height_m(*at)


def _ends_at(floor: LaidFloor, edge: _Edge) -> str:
    """The topmost layer that is on one side of an edge only."""
    low, high = floor.at(*edge.low), floor.at(*edge.high)
    return next(layer.name for layer in (*reversed(high), *reversed(low)) if (layer in low) != (layer in high))


@check("mat.cushion", title="Mat and joints", place=on(Slot.MAT))
def cushion(
    brief: Annotated[Brief, "hours_a_week"],
    room: Annotated[Room, "floor_base"],
    mat: Annotated[Mat, "cushion"],
    floor: LaidFloor | None,
    places: BallPlaces,
) -> Answer:
    """A hard mat on concrete with many swings hurts wrists and elbows, and hides heavy shots.

    From 3 hours a week on a hard mat with nothing soft under it on concrete blocks; fewer hours, or timber, are tight.
    """
    feel = known(mat, "cushion")
    state = State.CLEAR
    if feel == "hard":
        many = known(brief, "hours_a_week") >= MANY_HOURS
        concrete = known(room, "floor_base") is FloorBase.CONCRETE
        cushioned = floor is not None and all(
            any(layer.soft is True for layer in floor.at(*spot)) for spot in places.spots
        )
        state = State.BLOCKED if many and concrete and not cushioned else State.TIGHT
    return Answer(
        Words(state, feel, "firm or soft"),
        headline=lambda: (
            say("{mat} is {feel}", mat=mat.name, feel=feel)
            if feel != "hard"
            else say(
                "{mat} is hard, for {hours} a week", mat=mat.name, hours=Quantity(brief.hours_a_week or 0, Unit.HOUR)
            )
        ),
        formula="cushion of the mat, hours a week and floor under it",
        inputs=lambda: (
            stated_input("Cushion", feel),
            Input("Hours a week", f"{brief.hours_a_week or 0:g} h", Basis.MEASURED),
            Input("Floor", room.floor_base.value if room.floor_base else "not known", Basis.MEASURED),
        ),
        cures=lambda: (
            say("Choose a mat that gives under a heavy shot; joints come before data."),
            say("Sink a soft strip into it."),
        ),
        basis=Basis.TRADE,
    )


@check("mat.slip", title="Mat that stays where it is", place=on(Slot.MAT))
def slip(
    mat: Annotated[Mat, "weight_kg"],
    floor: LaidFloor | None,
    places: BallPlaces,
    layout: Annotated[Layout, "mat_lies"],
    surface: HittingSurface,
) -> Answer:
    """A mat stays by its weight, or because 10 mm or more of it are let into the floor around it: not on grip sheet.

    On top it stays from 15 kg on, from 25 kg on a pile of more than 10 mm. One under 5 kg goes with the swing, and
    throws who stands on it.
    """
    weight = known(mat, "weight_kg")
    under = [layer for spot in places.spots for layer in [floor.top(*spot)] if layer] if floor else []
    lies = known(layout, "mat_lies") if under and weight < HEAVY_ON_PILE_KG else layout.mat_lies
    sunk_m = min(surface.floor_m, surface.height_m) if lies is MatLies.LET_IN else 0.0
    sunk = sunk_m >= SUNK_M
    on_pile = not sunk and weight < HEAVY_ON_PILE_KG and any(stated(each.pile_m) > LONG_PILE_M for each in under)
    heavy_kg = HEAVY_ON_PILE_KG if on_pile else HEAVY_KG
    limit = at_least(weight, LIGHT_KG, heavy_kg, Unit.KILOGRAM)
    return Answer(
        Words(State.CLEAR, "let into the floor", "heavy, or let in") if sunk else limit,
        headline=lambda: (
            say("Let {depth} into the floor around it", depth=metres(sunk_m))
            if sunk
            else say("Weighs {weight}, {heavy} stay put", weight=limit.has, heavy=Quantity(heavy_kg, Unit.KILOGRAM))
        ),
        formula="weight, 5 kg at least, 15 kg comfortably or 25 kg on a pile over 10 mm, unless 10 mm are let in",
        inputs=lambda: (
            Input("Weight", Quantity(weight, Unit.KILOGRAM), Basis.SPEC),
            stated_input("Let in", metres(sunk_m)),
        ),
        cures=lambda: (say("Let it into the floor, or put it in a heavy frame; a mat that slips throws people."),),
        basis=Basis.TRADE,
    )


@derive
def tees_needed(mat: Annotated[Mat, "name", "takes_tee"]) -> TeesNeed:
    """On a tether where the mat takes no wooden ones; never pulled through it, which ruins it."""
    takes = known(mat, "takes_tee")
    why = (
        say("{mat} takes wooden tees", mat=mat.name)
        if takes
        else say("{mat} takes no wooden tee: one on a tether", mat=mat.name)
    )
    whole = ask_equal("through_mat", False)
    asks = (whole._replace(softly=True),) if takes else (ask_equal("tethered", True), whole)
    return TeesNeed(pieces(TEES), why, asks)


@check("mat.tee", title="Tee in the mat", place=on(Slot.MAT))
def tee(
    mat: Annotated[Mat, "takes_tee"], need: TeesNeed, chosen: Annotated[Beside[Tees], "tethered", "through_mat"]
) -> Answer:
    """A driver wants a tee: a wooden one that the mat takes, or one on a tether. Pulled through, it ruins the mat.

    No tee yet is tight; tees to pull through a mat that has no hole are of no use.
    """
    takes = known(mat, "takes_tee")
    tees = need.best(chosen)
    plain = Words(State.CLEAR, "wooden tees", "a tee")
    return Answer(
        need.limits(tees) or (plain,) if tees else plain if takes else need.unfilled("tethered"),
        headline=lambda: (
            say("Takes a tee")
            if takes and tees is None
            else say("Takes no tee, and none that lies on it is chosen")
            if tees is None
            else say("{tees} pull through the mat: the hole grows", tees=tees.name)
            if takes and tees.through_mat
            else say("{tees} want a hole, and the mat has none", tees=tees.name)
            if tees.through_mat or not (takes or tees.tethered)
            else say("{tees} serve", tees=tees.name)
        ),
        formula="what the mat takes, or tees on a tether",
        inputs=lambda: (
            stated_input("Takes a wooden tee", yes_or_no(takes)),
            stated_input("Tees", in_a_row(tees.name for tees in chosen)),
        ),
        cures=lambda: (say("Choose tees on a tether."),),
        basis=Basis.TRADE,
    )


@derive
def landing_strip(
    places: BallPlaces,
    middle: BayMiddle,
    screen: Annotated[Surface, "width_m"] | None,
    room: Annotated[Room, "length_m", "width_m"],
) -> LandingStrip:
    """As wide as the screen and 0.30 m to both sides, 1.2 m deep from it, within the room.

    Where no screen is chosen, or its maker does not say how wide it is, all of the room's width.
    """
    half_m = room.width_m if screen is None or screen.width_m is None else screen.width_m / 2 + LANDING_BESIDE_M
    y_m = places.screen_y_m
    x0_m, x1_m = max(0.0, middle.x_m - half_m), min(room.width_m, middle.x_m + half_m)
    return LandingStrip(Rectangle(x0_m, y_m, x1_m, min(room.length_m, y_m + LANDING_LEAST_M)))


@check("floor.landing", title="Soft landing before the screen", place=on(Slot.FLOOR))
def landing(
    floor: LaidFloor,
    places: BallPlaces,
    before: LandingStrip,
) -> Answer:
    """Before the screen the floor is soft for 1.2 m, 0.30 m beyond it to both sides, so that a ball dies there."""
    strip = before.strip
    soft_m2 = sum(area for layer, area in floor.tops_of(strip).items() if layer and stated(layer.soft))
    soft = at_least(soft_m2 / strip.area_m2 if strip.area_m2 else 0.0, 1.0, unit=Unit.SHARE, tolerated=ENDLESS)
    deep = at_least(places.to_screen_m, LANDING_LEAST_M)
    back = enough(-deep.spare)
    return Answer(
        (deep, soft),
        headline=lambda: (
            say("{soft} of the {deep} before the screen is soft", soft=soft.has, deep=metres(LANDING_LEAST_M))
            if deep.state is not State.BLOCKED
            else say("Only {deep} from screen to ball", deep=deep.has)
        ),
        formula="soft share of a strip as wide as the screen and 0.60 m, 1.2 m deep; ball to screen − 1.2 m",
        inputs=lambda: (
            placed_input("Ball to screen", places.to_screen_m),
            placed_input("Width of the strip", strip.width_m),
            *(
                stated_input(f"{layer.name} is soft", yes_or_no(bool(layer.soft)))
                for layer in floor.layers
                if not isinstance(layer.soft, Missing)
            ),
        ),
        cures=lambda: (
            (ball_back(places, back, State.TIGHT),)
            if deep.state is State.BLOCKED
            else (say("Lay something soft there: a zone of its own before the screen is enough."),)
        ),
        basis=Basis.TRADE,
    )


@derive
def strip_to_putt(
    brief: Annotated[Brief, "purposes"],
    floor: LaidFloor,
    places: BallPlaces,
) -> StripToPutt | None:
    """Where putts are wanted and the floor's pile is longer than 12 mm."""
    longest = _longest_pile(floor, places) if is_wanted(brief, Purpose.PUTTING) else None
    if longest is None or stated(longest.pile_m) <= PUTTING_PILE_M:
        return None
    why = say("The pile of {floor} is too long to putt on", floor=longest.name)
    return StripToPutt(pieces(1), why, _strip_asks(brief, places))


def _strip_asks(brief: Brief, places: BallPlaces) -> tuple[Ask, ...]:
    """Short pile, as wide as a putt wants it; a strip that is too long is cut."""
    leeway = tolerance_of(brief, Purpose.PUTTING)
    return (
        ask_at_most("pile_m", PUTTING_PILE_M)._replace(tolerated=leeway),
        ask_at_least("width_m", PUTT_WIDTH_M)._replace(tolerated=leeway),
        ask_at_most("length_m", places.to_screen_m)._replace(tolerated=ENDLESS),
    )


def _longest_pile(floor: LaidFloor, places: BallPlaces) -> Layer | None:
    """What lies between ball and screen with the longest pile; `None` where every putt rolls on the bare floor."""
    ways = (
        Rectangle(x_m - PUTT_WIDTH_M / 2, places.screen_y_m, x_m + PUTT_WIDTH_M / 2, y_m) for x_m, y_m in places.spots
    )
    before = [layer for way in ways for layer in floor.tops_of(way) if layer]
    return max(before, key=lambda layer: stated(layer.pile_m), default=None)


@check("floor.putting", title="Floor to putt on", place=on(Slot.FLOOR))
def putting_floor(
    brief: Annotated[Brief, "purposes"],
    floor: LaidFloor,
    places: BallPlaces,
    strips: Annotated[Beside[PuttingSurface], "pile_m"],
) -> Answer:
    """Where putts are wanted, the pile in front of the ball is 12 mm or less, or a putting strip lies there.

    On a longer one a ball bobbles: ruled out where putting is a must.
    """
    putts = is_wanted(brief, Purpose.PUTTING)
    pile_m = min((known(strip, "pile_m") for strip in strips), default=None)
    if pile_m is None:
        longest = _longest_pile(floor, places) if putts else None
        pile_m = stated(longest.pile_m) if longest else 0.0
    limit = at_most(pile_m, PUTTING_PILE_M, tolerated=tolerance_of(brief, Purpose.PUTTING))
    return Answer(
        limit if putts else Words(State.CLEAR, "nobody putts", "any"),
        headline=lambda: (
            say("Pile of {pile}, {most} roll true", pile=limit.has, most=limit.wants)
            if putts
            else say("Nobody putts here")
        ),
        formula="12 mm − pile in front of the ball, where putting weighs 3 or more",
        inputs=lambda: (stated_input("Pile", metres(pile_m)), *(stated_input("Strip", strip.name) for strip in strips)),
        cures=lambda: (say("Lay a putting strip in front of the ball."),),
        basis=Basis.TRADE,
    )


@check("floor.putting_strip", title="Putting strip before the ball", place=on(Slot.FLOOR))
def putting_strip(
    brief: Annotated[Brief, "purposes"],
    flooring: Annotated[Flooring, THERE],
    places: BallPlaces,
    strips: Annotated[Beside[PuttingSurface], "length_m", "width_m"],
) -> Answer:
    """A strip to putt on is 0.30 m wide or more, and lies between ball and screen without reaching under it (trade).

    One that is too long can be cut; where putting is a must, one that is too narrow is ruled out.
    """
    asks = [ask for ask in _strip_asks(brief, places) if ask.fact != "pile_m"]
    judged = {ask.limit(strip): strip for strip in strips for ask in asks}
    deciding = tightest(tuple(judged)) if judged else None
    return Answer(
        tuple(judged) or Words(State.CLEAR, "no strip", "none, or one that fits"),
        headline=lambda: (
            say("No strip lies there")
            if deciding is None
            else say("{name}: {has} of {wants}", name=judged[deciding].name, has=deciding.has, wants=deciding.wants)
        ),
        formula="width of the strip − 0.30 m; ball to screen − its length",
        inputs=lambda: (
            placed_input("Ball to screen", places.to_screen_m),
            stated_input("Floor", flooring.name),
            *(stated_input(strip.name, metres(strip.length_m or 0.0)) for strip in strips),
        ),
        cures=lambda: (say("Cut it to length, or choose a wider one."),),
        basis=Basis.TRADE,
    )


def _area(value_m2: float) -> Quantity:
    return Quantity(value_m2, Unit.SQUARE_METRE)
