"""The mat and the floor around it (trade)."""

from core.checks.figures import measured_in_room, metres, share, stated
from core.checks.places import between, on
from core.checks.register import check
from core.checks.verdict import Basis, Input, State, Verdict, advise, judge
from core.model.build import Slot
from core.model.facts import known
from core.model.parts import Flooring, FloorTiles, Mat
from core.model.room import Room
from core.money.costs import floor_cover
from core.quantities import Quantity, Unit, say

STRIP_WIDTH_LEAST_M = 0.40
STRIP_LENGTH_LEAST_M = 0.90
STRIP_COMFORT_M = 0.05
FLUSH_TOLERANCE_M = 0.003
TRIP_STEP_M = 0.010
"""A step beyond this catches a foot."""
WASTE_COMFORT = 0.15


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
    """What to buy to cover the floor, and how much of it is cut off. More than 15 % waste is worth a second look."""
    laid = floor_cover(flooring, room)
    waste = laid.waste_m2 / laid.bought_m2
    state = advise(WASTE_COMFORT - waste, 0.0)
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


def _area(value_m2: float) -> Quantity:
    return Quantity(value_m2, Unit.SQUARE_METRE)
