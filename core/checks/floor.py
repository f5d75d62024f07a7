"""The mat and the floor around it (trade)."""

from core.checks.figures import counted, listed, measured_in_room, metres, placed, share, stated, worded
from core.checks.places import between, on
from core.checks.readings import HittingSurface
from core.checks.register import check
from core.checks.verdict import Basis, Input, State, Verdict, judge
from core.checks.weights import lacking, wanted
from core.model.brief import Brief, Purpose
from core.model.build import Slot
from core.model.facts import MissingFact, known
from core.model.kit import Beside
from core.model.parts import Flooring, FloorTiles, Mat, PuttingSurface, Tees
from core.model.room import FloorBase, Layout, Room
from core.money.costs import floor_cover
from core.quantities import Quantity, Unit, say

STRIP_WIDTH_LEAST_M = 0.40
STRIP_LENGTH_LEAST_M = 0.90
STRIP_COMFORT_M = 0.05
FLUSH_TOLERANCE_M = 0.003
TRIP_STEP_M = 0.010
"""A step beyond this catches a foot."""
WASTE_COMFORT = 0.15
WASTE_MOST = 0.50
"""Beyond this more is thrown away than is laid (trade)."""
MANY_HOURS = 3.0
"""A week, from which on a hard mat is felt in the joints."""
SUNK_M = 0.010
HEAVY_KG = 15.0
LIGHT_KG = 5.0
"""Under this a mat moves with the swing (trade)."""
LANDING_LEAST_M = 1.2
PUTTING_PILE_M = 0.012
PUTT_WIDTH_M = 0.30
"""Least width of a strip that a putt starts from (trade)."""


@check("mat.strip", title="Hitting strip", place=on(Slot.MAT))
def strip(mat: Mat) -> Verdict:
    """The surface to strike from is at least 0.40 m wide and 0.90 m long."""
    width_m = known(mat.strip_width_m, mat, "strip width")
    length_m = known(mat.strip_length_m, mat, "strip length")
    wide_m, long_m = width_m - STRIP_WIDTH_LEAST_M, length_m - STRIP_LENGTH_LEAST_M
    measured_m, required_m = (width_m, STRIP_WIDTH_LEAST_M) if wide_m <= long_m else (length_m, STRIP_LENGTH_LEAST_M)
    margin_m = min(wide_m, long_m)
    state = judge(margin_m, STRIP_COMFORT_M)
    return Verdict(
        state,
        say(
            "Strip {measured} {direction}, {required} is the least",
            measured=metres(measured_m),
            direction="wide" if wide_m <= long_m else "long",
            required=metres(required_m),
        ),
        measured=metres(measured_m),
        required=metres(required_m),
        margin=metres(margin_m),
        formula="the smaller of: strip width − 0.40 m; strip length − 0.90 m",
        inputs=lambda: (stated("Strip width", metres(width_m)), stated("Strip length", metres(length_m))),
        changes=() if state is State.CLEAR else (say("Choose a mat with a larger strip."),),
    )


@check("mat.flush", title="Mat flush with the floor", place=between(Slot.FLOOR, Slot.MAT))
def flush(mat: Mat, flooring: Flooring) -> Verdict:
    """The stance around the mat is level with it: mat thickness = underlay and covering, within 3 mm.

    Up to 10 mm is a step that is felt; beyond that a foot catches on it.
    """
    mat_m = known(mat.thickness_m, mat, "thickness")
    floor_m = known(flooring.thickness_m, flooring, "thickness")
    step_m = abs(mat_m - floor_m)
    state = judge(TRIP_STEP_M - step_m, TRIP_STEP_M - FLUSH_TOLERANCE_M)
    higher = "above" if mat_m >= floor_m else "below"
    return Verdict(
        state,
        say(
            "Mat {step} {higher} the floor, {flush} is flush",
            step=metres(step_m),
            higher=higher,
            flush=metres(FLUSH_TOLERANCE_M),
        ),
        measured=metres(step_m),
        required=metres(TRIP_STEP_M),
        margin=metres(TRIP_STEP_M - step_m),
        formula="10 mm − |mat thickness − floor covering|",
        inputs=lambda: (stated("Mat", metres(mat_m)), stated("Floor covering", metres(floor_m))),
        changes=()
        if state is State.CLEAR
        else (
            say(
                "Put {step} of underlay under the {lower}.",
                step=metres(step_m),
                lower="floor" if higher == "above" else "mat",
            ),
            say("Bevel the edge and mark it: a step trips people."),
        ),
    )


@check("floor.cover", title="Floor area and waste", place=on(Slot.FLOOR))
def cover(flooring: Flooring, room: Room) -> Verdict:
    """What to buy to cover the floor, and how much of it is cut off. More than 15 % waste is worth a second look.

    Where more is cut off than laid, another size is the right one.
    """
    laid = floor_cover(flooring, room)
    waste = laid.waste_m2 / laid.bought_m2
    state = judge(WASTE_MOST - waste, WASTE_MOST - WASTE_COMFORT)
    unit = "packs" if isinstance(flooring, FloorTiles) else "m of roll"
    return Verdict(
        state,
        say(
            "{units} {unit} for {area}, {waste} cut off",
            units=str(laid.units),
            unit=unit,
            area=_area(room.width_m * room.length_m),
            waste=share(waste),
        ),
        measured=share(waste),
        required=share(WASTE_COMFORT),
        margin=share(WASTE_COMFORT - waste),
        basis=Basis.PHYSICS,
        formula="pieces to cover width × length, rounded up to packs or whole metres; waste / bought",
        inputs=lambda: (
            measured_in_room(room, "width_m", "Width"),
            measured_in_room(room, "length_m", "Length"),
            Input("Pieces", str(laid.pieces), Basis.PHYSICS),
            Input("Bought", _area(laid.bought_m2), Basis.PHYSICS),
            Input("Cut off", _area(laid.waste_m2), Basis.PHYSICS),
        ),
        changes=() if state is State.CLEAR else (say("Another tile size or roll width may waste less."),),
    )


@check("mat.cushion", title="Mat and joints", place=on(Slot.MAT))
def cushion(brief: Brief, room: Room, mat: Mat, flooring: Flooring | None) -> Verdict:
    """A hard mat on concrete with many swings hurts wrists and elbows, and hides heavy shots.

    From 3 hours a week on a hard mat with nothing soft under it on concrete blocks; fewer hours, or timber, are tight.
    """
    feel = known(mat.cushion, mat, "cushion")
    if feel != "hard":
        state, headline = State.CLEAR, say("{mat} is {feel}", mat=mat.name, feel=feel)
    else:
        if brief.hours_a_week is None:
            raise MissingFact("How many hours a week you will play", "Say it in the brief.")
        if room.floor_base is None:
            raise MissingFact("What the floor is made of", "Say in the room whether it is concrete or timber.")
        many = brief.hours_a_week >= MANY_HOURS
        cushioned = flooring is not None and bool(flooring.soft)
        worst = many and room.floor_base is FloorBase.CONCRETE and not cushioned
        state = State.BLOCKED if worst else State.TIGHT
        headline = say("{mat} is hard, for {hours} a week", mat=mat.name, hours=Quantity(brief.hours_a_week, Unit.HOUR))
    return worded(
        state,
        headline,
        has=feel,
        wants="firm or soft",
        formula="cushion of the mat, hours a week and floor under it",
        inputs=lambda: (
            stated("Cushion", feel),
            Input("Hours a week", f"{brief.hours_a_week or 0:g} h", Basis.MEASURED),
            Input("Floor", room.floor_base.value if room.floor_base else "not known", Basis.MEASURED),
        ),
        cures=(
            say("Choose a mat that gives under a heavy shot; joints come before data."),
            say("Sink a soft strip into it."),
        ),
        basis=Basis.TRADE,
    )


@check("mat.slip", title="Mat that stays where it is", place=on(Slot.MAT))
def slip(mat: Mat, surface: HittingSurface) -> Verdict:
    """A mat stays by its weight, 15 kg or more, or because it is sunk into the floor around it: not on grip sheet.

    One under 5 kg that lies on top goes with the swing, and throws who stands on it.
    """
    weight = known(mat.weight_kg, mat, "weight")
    sunk_m = min(surface.floor_m, surface.height_m)
    sunk = sunk_m >= SUNK_M
    state = State.CLEAR if sunk else judge(weight - LIGHT_KG, HEAVY_KG - LIGHT_KG)
    return counted(
        state,
        say("Sunk {depth} into the floor around it", depth=metres(sunk_m))
        if sunk
        else say("Weighs {weight}, {heavy} stay put", weight=_kg(weight), heavy=_kg(HEAVY_KG)),
        Unit.KILOGRAM,
        has=weight,
        needs=0.0 if sunk else HEAVY_KG,
        formula="weight − 15 kg, unless 10 mm or more are sunk",
        inputs=lambda: (stated("Weight", _kg(weight)), stated("Sunk", metres(sunk_m))),
        cures=(say("Let it into the floor, or put it in a heavy frame; a mat that slips throws people."),),
        basis=Basis.TRADE,
    )


@check("mat.tee", title="Tee in the mat", place=on(Slot.MAT))
def tee(brief: Brief, mat: Mat, chosen: Beside[Tees]) -> Verdict:
    """A driver wants a tee: a wooden one that the mat takes, or one on a tether. Pulled through, it ruins the mat.

    No tee yet is tight; tees to pull through a mat that has no hole are of no use.
    """
    takes = known(mat.takes_tee, mat, "way with tees")
    pulled = [tees.name for tees in chosen if tees.through_mat]
    served = takes or any(tees.tethered for tees in chosen)
    useless = bool(pulled) and not served
    return worded(
        State.BLOCKED if useless else State.TIGHT if pulled or not served else State.CLEAR,
        say("{tees} want a hole, and the mat has none", tees=listed(pulled))
        if useless
        else say("{tees} pull through the mat: the hole grows", tees=listed(pulled))
        if pulled
        else say("Takes a tee")
        if served
        else say("Takes no tee, and none that lies on it is chosen"),
        has=listed(tees.name for tees in chosen) if chosen else ("wooden tees" if takes else "none"),
        wants="a tee",
        formula="what the mat takes, or tees on a tether",
        inputs=lambda: (
            stated("Takes a wooden tee", "yes" if takes else "no"),
            stated("Tees", listed(t.name for t in chosen)),
        ),
        cures=(say("Choose tees on a tether."),),
    )


@check("floor.landing", title="Soft landing before the screen", place=on(Slot.FLOOR))
def landing(flooring: Flooring, layout: Layout) -> Verdict:
    """Before the screen the floor is soft for 1.2 m, so that a ball dies there."""
    soft = known(flooring.soft, flooring, "softness")
    deep_m = layout.ball_to_screen_m
    state = State.BLOCKED if deep_m < LANDING_LEAST_M else State.CLEAR if soft else State.TIGHT
    return counted(
        state,
        say("{floor} is {soft} for {deep}", floor=flooring.name, soft="soft" if soft else "hard", deep=metres(deep_m)),
        Unit.METRE,
        has=deep_m if soft else 0.0,
        needs=LANDING_LEAST_M,
        formula="depth of soft floor before the screen − 1.2 m",
        inputs=lambda: (stated("Soft", "yes" if soft else "no"), stated("Ball to screen", metres(deep_m))),
        cures=(say("Lay something soft before the screen."),)
        if deep_m >= LANDING_LEAST_M
        else (say("Move the ball back."),),
        basis=Basis.TRADE,
    )


@check("floor.putting", title="Floor to putt on", place=on(Slot.FLOOR))
def putting_floor(brief: Brief, flooring: Flooring, strips: Beside[PuttingSurface]) -> Verdict:
    """Where putts are wanted, the pile in front of the ball is 12 mm or less, or a putting strip lies there.

    On a longer one a ball bobbles: ruled out where putting is a must.
    """
    putts = wanted(brief, Purpose.PUTTING)
    pile_m = min((known(strip.pile_m, strip, "pile") for strip in strips), default=None)
    if pile_m is None:
        pile_m = known(flooring.pile_m, flooring, "pile") if putts else flooring.pile_m or 0.0
    state = State.CLEAR if not putts or pile_m <= PUTTING_PILE_M else lacking(brief, Purpose.PUTTING)
    return counted(
        state,
        say("Pile of {pile}, {most} roll true", pile=metres(pile_m), most=metres(PUTTING_PILE_M)),
        Unit.METRE,
        has=pile_m,
        needs=PUTTING_PILE_M,
        formula="12 mm − pile in front of the ball, where putting weighs 3 or more",
        inputs=lambda: (stated("Pile", metres(pile_m)), *(stated("Strip", strip.name) for strip in strips)),
        cures=(say("Lay a putting strip in front of the ball."),),
        basis=Basis.TRADE,
        at_most=True,
    )


@check("floor.putting_strip", title="Putting strip before the ball", place=on(Slot.FLOOR))
def putting_strip(brief: Brief, flooring: Flooring, layout: Layout, strips: Beside[PuttingSurface]) -> Verdict:
    """A strip to putt on is 0.30 m wide or more, and lies between ball and screen without reaching under it (trade).

    One that is too long can be cut; where putting is a must, one that is too narrow is ruled out.
    """
    sizes = [(known(s.width_m, s, "width"), known(s.length_m, s, "length"), s.name) for s in strips]
    longest_m = max((length_m for _, length_m, _ in sizes), default=0.0)
    narrow = [name for width_m, _, name in sizes if width_m < PUTT_WIDTH_M]
    way_m = layout.ball_to_screen_m
    return counted(
        lacking(brief, Purpose.PUTTING) if narrow else State.TIGHT if longest_m > way_m else State.CLEAR,
        say("{names} is narrow to putt on", names=listed(narrow))
        if narrow
        else say("{length} of strip on {way}", length=metres(longest_m), way=metres(way_m))
        if sizes
        else say("No strip lies there"),
        Unit.METRE,
        has=longest_m,
        needs=way_m,
        formula="ball to screen − length of the strip",
        inputs=lambda: (
            placed("Ball to screen", way_m),
            stated("Floor", flooring.name),
            *(stated(name, metres(length_m)) for _, length_m, name in sizes),
        ),
        cures=(say("Cut it to length, or choose a wider one."),),
        basis=Basis.TRADE,
        at_most=True,
    )


def _kg(value: float) -> Quantity:
    return Quantity(value, Unit.KILOGRAM)


def _area(value_m2: float) -> Quantity:
    return Quantity(value_m2, Unit.SQUARE_METRE)
