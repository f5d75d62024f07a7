"""The mat and the floor around it (trade)."""

from typing import Annotated

from core.checks.asks import Ask, ask_at_least, ask_at_most, ask_equal
from core.checks.declared import THERE
from core.checks.figures import enough, in_a_row, measured_in_room, metres, placed_input, share, stated_input, yes_or_no
from core.checks.limits import ENDLESS, State, Words, at_least, at_most, tightest
from core.checks.needs import ItemKind, Need, pieces
from core.checks.places import between, on
from core.checks.readings import BallPlaces, HittingSurface
from core.checks.register import check, derive
from core.checks.verdict import Answer, Basis, Input, press
from core.checks.weights import is_wanted, tolerance_of
from core.model import acts
from core.model.brief import Brief, Purpose
from core.model.build import Slot
from core.model.facts import known
from core.model.kit import Beside
from core.model.parts import Flooring, FloorTiles, HittingMat, Mat, PuttingSurface, Tees
from core.model.room import FloorBase, Layout, MatLies, Room
from core.money.costs import floor_cover
from core.quantities import Quantity, Unit, say

STRIP_WIDTH_LEAST_M = 0.40
STRIP_LENGTH_LEAST_M = 0.90
STRIP_COMFORT_M = 0.05
FLUSH_TOLERANCE_M = 0.003
TRIP_STEP_M = 0.010
"""A step beyond this catches a foot."""
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
PUTTING_PILE_M = 0.012
PUTT_WIDTH_M = 0.30
"""Least width of a strip that a putt starts from (trade)."""
TEES = 4


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
    flooring: Annotated[Flooring, "thickness_m"],
    layout: Annotated[Layout, "mat_lies"],
    surface: HittingSurface,
) -> Answer:
    """Where one stands on the floor beside a strip, its top is level with that, within 3 mm.

    Up to 10 mm is a step that is felt; beyond that a foot catches on it. A mat that one stands on has no step under
    the feet: its edge is only walked over.
    """
    stood_on = isinstance(mat, HittingMat)
    lies = layout.mat_lies if stood_on else known(layout, "mat_lies")
    step_m = surface.height_m - surface.floor_m
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
            stated_input("Floor covering", metres(flooring.thickness_m or 0.0)),
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
def cover(
    flooring: Annotated[Flooring, "roll_width_m", "tile_side_m", "tiles_per_pack"],
    room: Annotated[Room, "length_m", "width_m"],
) -> Answer:
    """What to buy to cover the floor, and how much of it is cut off. More than 15 % waste is worth a second look.

    Where more is cut off than laid, another size is the right one.
    """
    laid = floor_cover(flooring, room)
    limit = at_most(laid.waste_m2 / laid.bought_m2, WASTE_MOST, WASTE_COMFORTABLE, Unit.SHARE)
    unit = "packs" if isinstance(flooring, FloorTiles) else "m of roll"
    return Answer(
        limit,
        headline=lambda: say(
            "{units} {unit} for {area}, {waste} cut off",
            units=str(laid.units),
            unit=unit,
            area=_area(room.width_m * room.length_m),
            waste=limit.has,
        ),
        formula="pieces to cover width × length, rounded up to packs or whole metres; waste / bought",
        inputs=lambda: (
            measured_in_room(room, "width_m", "Width"),
            measured_in_room(room, "length_m", "Length"),
            Input("Pieces", str(laid.pieces), Basis.PHYSICS),
            Input("Bought", _area(laid.bought_m2), Basis.PHYSICS),
            Input("Cut off", _area(laid.waste_m2), Basis.PHYSICS),
            Input("Comfortable up to", share(WASTE_COMFORTABLE), Basis.TRADE),
        ),
        cures=lambda: (say("Another tile size or roll width may waste less."),),
        basis=Basis.PHYSICS,
    )


@check("mat.cushion", title="Mat and joints", place=on(Slot.MAT))
def cushion(
    brief: Annotated[Brief, "hours_a_week"],
    room: Annotated[Room, "floor_base"],
    mat: Annotated[Mat, "cushion"],
    flooring: Annotated[Flooring, "soft"] | None,
) -> Answer:
    """A hard mat on concrete with many swings hurts wrists and elbows, and hides heavy shots.

    From 3 hours a week on a hard mat with nothing soft under it on concrete blocks; fewer hours, or timber, are tight.
    """
    feel = known(mat, "cushion")
    state = State.CLEAR
    if feel == "hard":
        many = known(brief, "hours_a_week") >= MANY_HOURS
        concrete = known(room, "floor_base") is FloorBase.CONCRETE
        cushioned = flooring is not None and bool(flooring.soft)
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
    flooring: Annotated[Flooring, "pile_m"] | None,
    layout: Annotated[Layout, "mat_lies"],
    surface: HittingSurface,
) -> Answer:
    """A mat stays by its weight, or because 10 mm or more of it are let into the floor around it: not on grip sheet.

    On top it stays from 15 kg on, from 25 kg on a pile of more than 10 mm. One under 5 kg goes with the swing, and
    throws who stands on it.
    """
    weight = known(mat, "weight_kg")
    lies = known(layout, "mat_lies") if flooring and weight < HEAVY_ON_PILE_KG else layout.mat_lies
    sunk_m = min(surface.floor_m, surface.height_m) if lies is MatLies.LET_IN else 0.0
    sunk = sunk_m >= SUNK_M
    doubtful = flooring is not None and not sunk and weight < HEAVY_ON_PILE_KG
    on_pile = flooring is not None and doubtful and known(flooring, "pile_m") > LONG_PILE_M
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


@check("floor.landing", title="Soft landing before the screen", place=on(Slot.FLOOR))
def landing(flooring: Annotated[Flooring, "soft"], places: BallPlaces) -> Answer:
    """Before the screen the floor is soft for 1.2 m, so that a ball dies there."""
    soft = known(flooring, "soft")
    deep = at_least(places.to_screen_m, LANDING_LEAST_M)
    back = enough(-deep.spare)
    return Answer(
        (deep, Words(State.CLEAR if soft else State.TIGHT, "soft" if soft else "hard", "soft")),
        headline=lambda: say(
            "{floor} is {soft} for {deep}", floor=flooring.name, soft="soft" if soft else "hard", deep=deep.has
        ),
        formula="depth of soft floor before the screen − 1.2 m",
        inputs=lambda: (stated_input("Soft", yes_or_no(soft)), placed_input("Ball to screen", places.to_screen_m)),
        cures=lambda: (
            (press(acts.all_balls_moved(back.value), "Move the ball back {back}.", State.TIGHT, back=back),)
            if deep.state is State.BLOCKED
            else (say("Lay something soft before the screen."),)
        ),
        basis=Basis.TRADE,
    )


@derive
def strip_to_putt(
    brief: Annotated[Brief, "purposes"],
    flooring: Annotated[Flooring, "name", "pile_m"],
    places: BallPlaces,
) -> StripToPutt | None:
    """Where putts are wanted and the floor's pile is longer than 12 mm."""
    if not is_wanted(brief, Purpose.PUTTING) or known(flooring, "pile_m") <= PUTTING_PILE_M:
        return None
    why = say("The pile of {floor} is too long to putt on", floor=flooring.name)
    return StripToPutt(pieces(1), why, _strip_asks(brief, places))


def _strip_asks(brief: Brief, places: BallPlaces) -> tuple[Ask, ...]:
    """Short pile, as wide as a putt wants it; a strip that is too long is cut."""
    leeway = tolerance_of(brief, Purpose.PUTTING)
    return (
        ask_at_most("pile_m", PUTTING_PILE_M)._replace(tolerated=leeway),
        ask_at_least("width_m", PUTT_WIDTH_M)._replace(tolerated=leeway),
        ask_at_most("length_m", places.to_screen_m)._replace(tolerated=ENDLESS),
    )


@check("floor.putting", title="Floor to putt on", place=on(Slot.FLOOR))
def putting_floor(
    brief: Annotated[Brief, "purposes"],
    flooring: Annotated[Flooring, "pile_m"],
    strips: Annotated[Beside[PuttingSurface], "pile_m"],
) -> Answer:
    """Where putts are wanted, the pile in front of the ball is 12 mm or less, or a putting strip lies there.

    On a longer one a ball bobbles: ruled out where putting is a must.
    """
    putts = is_wanted(brief, Purpose.PUTTING)
    pile_m = min((known(strip, "pile_m") for strip in strips), default=None)
    if pile_m is None:
        pile_m = known(flooring, "pile_m") if putts else flooring.pile_m or 0.0
    limit = at_most(pile_m, PUTTING_PILE_M, tolerated=tolerance_of(brief, Purpose.PUTTING))
    return Answer(
        limit if putts else Words(State.CLEAR, limit.has, "any"),
        headline=lambda: say("Pile of {pile}, {most} roll true", pile=limit.has, most=limit.wants),
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
