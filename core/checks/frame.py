"""What a frame made at home is put together from: sticks and the fittings that take them (spec)."""

from typing import Annotated

from core.checks.asks import Ask, Test, ask_at_least, ask_equal, ask_within
from core.checks.declared import THERE
from core.checks.figures import in_a_row, metres, stated_input
from core.checks.limits import State, Words, tightest
from core.checks.needs import ItemKind, Need, pieces
from core.checks.places import on
from core.checks.register import check, derive
from core.checks.verdict import Answer
from core.geometry.box_frame import CLOTH_PANELS, CORNERS, frame_cuts_m, open_edge_m
from core.model.build import Slot
from core.model.facts import known
from core.model.kit import Beside
from core.model.parts import (
    Enclosure,
    FrameFitting,
    FrameMaterial,
    KitPiece,
    Padding,
    SideProtection,
    Supply,
    Tool,
)
from core.quantities import Quantity, Unit, say

SNUG_M = 0.0005
SHIMMED_M = 0.002
"""Up to here a turn of tape or a washer takes the play out (trade)."""
BOX_FEET = 4


class FrameSticks(Need):
    """The edges of a box made at home."""

    item = ItemKind(
        "frame",
        "Sticks for the frame",
        Slot.ENCLOSURE,
        FrameMaterial,
        ("stock_length_m",),
        asks=("material", "stock_length_m"),
    )


class FrameFittings(Need):
    """What joins the sticks."""

    item = ItemKind(
        "frame-fittings",
        "Fittings for the frame",
        Slot.ENCLOSURE,
        FrameFitting,
        ("pack_size",),
        asks=("material", "fits_section_m"),
    )


class FrameFeet(Need):
    """What bare uprights stand on."""

    item = ItemKind("frame-feet", "Feet of the frame", Slot.ENCLOSURE, Supply, ("pack_size",), asks=("use",))


class BayCloth(Need):
    """Sides and roof of a frame that comes without."""

    item = ItemKind(
        "bay-cloth", "Cloth for sides and roof", Slot.ENCLOSURE, SideProtection, asks=("width_m", "height_m")
    )


class EdgePadding(Need):
    """Foam around what a ball may meet at the mouth of the bay."""

    item = ItemKind(
        "edge-padding",
        "Padding of the frame's edges",
        Slot.ENCLOSURE,
        Padding,
        ("length_m", "pack_size"),
        asks=("purpose",),
    )


class PipeCutter(Need):
    """What cuts sticks of pipe."""

    item = ItemKind("pipe-cutter", "Pipe cutter", Slot.ENCLOSURE, Tool, asks=("use",))


@derive
def frame(
    enclosure: Annotated[Enclosure, "depth_m", "frame_of", "leaves_out", "name", "outer_height_m", "outer_width_m"],
) -> FrameSticks | None:
    """The twelve edges of the box, where the kit brings fittings only, cut out of sticks as long as the longest."""
    if KitPiece.FRAME not in known(enclosure, "leaves_out"):
        return None
    width_m, height_m = known(enclosure, "outer_width_m"), known(enclosure, "outer_height_m")
    cuts = frame_cuts_m(width_m, height_m, known(enclosure, "depth_m"))
    return FrameSticks(
        Quantity(sum(cuts), Unit.METRE),
        say("{kit} comes without: twelve edges", kit=enclosure.name),
        (ask_equal("material", enclosure.frame_of, purpose=True), ask_at_least("stock_length_m", max(cuts))),
        cuts,
    )


@derive
def frame_fittings(
    enclosure: Annotated[Enclosure, "frame_of", "leaves_out", "name"],
    sticks: Annotated[Beside[FrameMaterial], "material", "section_m"],
) -> FrameFittings | None:
    """A corner at each of the eight, where the kit brings none, made for the sticks that are chosen."""
    if KitPiece.FITTINGS not in known(enclosure, "leaves_out"):
        return None
    asks = fitting_asks(sticks) or (ask_equal("material", enclosure.frame_of),)
    return FrameFittings(pieces(CORNERS), say("{kit} brings no corners", kit=enclosure.name), asks)


def fitting_asks(sticks: Beside[FrameMaterial]) -> tuple[Ask, ...]:
    """What the sticks that are chosen ask of fittings; nothing while there are none."""
    if not sticks:
        return ()
    materials = tuple(dict.fromkeys(known(stick, "material") for stick in sticks))
    sections = tuple(dict.fromkeys(known(stick, "section_m") for stick in sticks))
    return Ask("material", Test.ONE_OF, materials), ask_within("fits_section_m", sections, SHIMMED_M, SNUG_M)


@derive
def frame_feet(enclosure: Annotated[Enclosure, "leaves_out", "name"]) -> FrameFeet | None:
    """One under each upright, where the kit brings none: a bare pipe cuts the floor."""
    if KitPiece.FEET not in known(enclosure, "leaves_out"):
        return None
    why = say("{kit} stands on bare uprights", kit=enclosure.name)
    return FrameFeet(pieces(BOX_FEET), why, (ask_equal("use", "levelling feet", purpose=True),))


@derive
def bay_cloth(enclosure: Annotated[Enclosure, "depth_m", "leaves_out", "name", "outer_height_m"]) -> BayCloth | None:
    """Two sides and a roof, as deep as the kit, where it brings none."""
    if KitPiece.CLOTH not in known(enclosure, "leaves_out"):
        return None
    asks = (
        ask_at_least("width_m", known(enclosure, "depth_m")),
        ask_at_least("height_m", known(enclosure, "outer_height_m")),
    )
    why = say("{kit} brings no cloth: two sides and a roof", kit=enclosure.name)
    return BayCloth(pieces(CLOTH_PANELS), why, asks)


@derive
def edge_padding(
    enclosure: Annotated[Enclosure, "leaves_out", "name", "outer_height_m", "outer_width_m"],
) -> EdgePadding | None:
    """Both uprights and the top of the opening, where the kit leaves it out: a ball off a bare pipe comes back."""
    if KitPiece.EDGE_PADDING not in known(enclosure, "leaves_out"):
        return None
    length_m = open_edge_m(known(enclosure, "outer_width_m"), known(enclosure, "outer_height_m"))
    why = say("{kit} leaves it out: two uprights and the top", kit=enclosure.name)
    return EdgePadding(Quantity(length_m, Unit.METRE), why, (ask_equal("purpose", "edge", purpose=True),))


@derive
def pipe_cutter(enclosure: Annotated[Enclosure, "frame_of", "leaves_out", "name"]) -> PipeCutter | None:
    """To cut sticks of pipe to length, where the frame is made at home."""
    if enclosure.frame_of != "pipe" or KitPiece.FRAME not in (enclosure.leaves_out or ()):
        return None
    why = say("The sticks of {kit} are cut at home", kit=enclosure.name)
    return PipeCutter(pieces(1), why, (ask_equal("use", "pipe cutting", purpose=True),))


@check("enclosure.fittings", title="Fittings on the frame", place=on(Slot.ENCLOSURE))
def fittings_fit(
    enclosure: Annotated[Enclosure, THERE],
    sticks: Annotated[Beside[FrameMaterial], "material", "section_m"],
    fittings: Annotated[Beside[FrameFitting], "fits_section_m", "material", "name"],
) -> Answer:
    """Corners and clamps are made for the material and thickness of the sticks, within half a millimetre.

    Up to 2 mm of play is taken out with tape; more slips apart when a ball strikes. Without sticks or fittings that
    are chosen there is nothing to compare.
    """
    judged = {ask.limit(fitting): fitting for fitting in fittings for ask in fitting_asks(sticks)}
    deciding = tightest(tuple(judged)) if judged else None
    state = deciding.state if deciding else State.CLEAR
    names = judged[deciding].name if deciding else ""
    words = {
        State.CLEAR: "Fittings take the sticks" if judged else "Nothing to put together",
        State.TIGHT: "{names} sits loosely",
        State.BLOCKED: "{names} does not take these sticks",
    }
    return Answer(
        tuple(judged) or Words(State.CLEAR, "none", "none, or ones that take the sticks"),
        headline=lambda: say(words[state], names=names),
        formula="material of the sticks, and their thickness − what the fitting takes",
        inputs=lambda: (
            stated_input("Enclosure", enclosure.name),
            *(stated_input(stick.name, metres(stick.section_m or 0.0)) for stick in sticks),
            *(stated_input(fitting.name, metres(fitting.fits_section_m or 0.0)) for fitting in fittings),
            stated_input("Compared", in_a_row(fitting.name for fitting in fittings)),
        ),
        cures=lambda: (
            say("Choose fittings for the thickness of the sticks."),
            say("A turn of tape takes out 2 mm of play."),
        ),
    )
