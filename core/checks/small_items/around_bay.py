"""What screen, enclosure and floor ask for besides: cords, cloth, padding, frame, tape (trade)."""

import math

from core.checks.small_items.item import Ask, Need, at_least, equals, includes
from core.checks.small_items.register import small_item
from core.checks.strike import TOPPER_LEAST_M
from core.geometry.box_frame import CLOTH_PANELS, CORNERS, frame_cuts_m, open_edge_m
from core.geometry.floor_cover import roll_strips, seams_m, tape_m
from core.model.brief import Brief, Handedness
from core.model.build import Slot
from core.model.facts import known, known_players
from core.model.household import Skill
from core.model.parts import (
    Edge,
    Enclosure,
    Flooring,
    FloorTiles,
    FrameFitting,
    FrameMaterial,
    Hanging,
    ImpactScreen,
    KitPiece,
    MaskingCloth,
    Padding,
    SideProtection,
    Supply,
    Surface,
    Tool,
    Turf,
)
from core.model.room import Layout, Room
from core.quantities import Quantity, Unit, say

BOX_FEET = 4
SIDE_LENGTH_M = 1.5
"""Netting beside the ball that catches a shank (trade)."""
THREAD_PER_METRE_M = 4.0
"""Two seams of lock stitch use about twice their length each (trade)."""


@small_item("cords", "Cords or hooks", near=Slot.SCREEN, kind=Hanging, sold_by=("pack_size",))
def cords(surface: Surface, enclosure: Enclosure | None) -> Need | None:
    """One at each fixing of the edge all round: perimeter / spacing. Not where the enclosure brings them."""
    brings = enclosure is not None and enclosure.leaves_out is not None and KitPiece.CORDS not in enclosure.leaves_out
    edge = known(surface.edge, surface, "edge")
    if brings or edge in (Edge.POCKETS, Edge.HOOK_TAPE):
        return None
    spacing_m = known(surface.edge_spacing_m, surface, "spacing of its edge")
    around_m = _perimeter_m(surface)
    count = math.ceil(around_m / spacing_m - 1e-9)
    why = say(
        "{around} of edge, one every {spacing}",
        around=Quantity(around_m, Unit.METRE),
        spacing=Quantity(spacing_m, Unit.METRE),
    )
    return Need(Quantity(count, Unit.PIECES), why, (includes("takes", "edges", edge),))


@small_item("backing-cloth", "Black cloth behind", near=Slot.SCREEN, kind=MaskingCloth)
def backing_cloth(screen: ImpactScreen) -> Need | None:
    """As wide as the screen, off a roll that is as wide as it is high."""
    if not known(screen.needs_backing, screen, "need for backing"):
        return None
    width_m, height_m = known(screen.width_m, screen, "width"), known(screen.height_m, screen, "height")
    why = say("Light shows through {screen}", screen=screen.name)
    asks = (equals("black", "black", value=True), at_least("roll_width_m", "width of the roll", height_m))
    return Need(Quantity(width_m, Unit.METRE), why, asks)


@small_item("topper", "Topper behind the screen", near=Slot.SCREEN, kind=Padding, sold_by=("length_m", "pack_size"))
def topper(screen: ImpactScreen) -> Need | None:
    """One layer gives the ball back: 30 mm or more of topper behind the width of the screen take half of it."""
    if known(screen.layers, screen, "layers") > 1:
        return None
    why = say("{screen} has one layer, and gives the ball back", screen=screen.name)
    asks = (equals("purpose", "use", "topper"), at_least("thickness_m", "thickness", TOPPER_LEAST_M))
    return Need(Quantity(known(screen.width_m, screen, "width"), Unit.METRE), why, asks)


@small_item(
    "edge-padding", "Padding of the frame's edges", near=Slot.ENCLOSURE, kind=Padding, sold_by=("length_m", "pack_size")
)
def edge_padding(enclosure: Enclosure) -> Need | None:
    """Both uprights and the top of the opening, where the kit leaves it out: a ball off a bare pipe comes back."""
    if KitPiece.EDGE_PADDING not in known(enclosure.leaves_out, enclosure, "list of what is left out"):
        return None
    width_m = known(enclosure.outer_width_m, enclosure, "outer width")
    length_m = open_edge_m(width_m, known(enclosure.outer_height_m, enclosure, "outer height"))
    why = say("{kit} leaves it out: two uprights and the top", kit=enclosure.name)
    return Need(Quantity(length_m, Unit.METRE), why, (equals("purpose", "use", "edge"),))


@small_item("sill-pad", "Padded sill", near=Slot.SCREEN, kind=Padding, sold_by=("length_m", "pack_size"))
def sill_pad(surface: Surface, enclosure: Enclosure | None, layout: Layout) -> Need | None:
    """A ramp under the screen where it hangs above the floor, or where the kit leaves the sill open."""
    left_out = enclosure is not None and KitPiece.SILL_PAD in (enclosure.leaves_out or ())
    if not left_out and layout.screen_bottom_m <= 0:
        return None
    why = say("Balls run under {screen}", screen=surface.name)
    return Need(
        Quantity(known(surface.width_m, surface, "width"), Unit.METRE), why, (equals("purpose", "use", "sill"),)
    )


@small_item("frame", "Sticks for the frame", near=Slot.ENCLOSURE, kind=FrameMaterial, sold_by=("stock_length_m",))
def frame(enclosure: Enclosure) -> Need | None:
    """The twelve edges of the box, where the kit brings fittings only: 4 × (width + height + depth)."""
    if KitPiece.FRAME not in known(enclosure.leaves_out, enclosure, "list of what is left out"):
        return None
    sides = (
        known(enclosure.outer_width_m, enclosure, "outer width"),
        known(enclosure.outer_height_m, enclosure, "outer height"),
        known(enclosure.depth_m, enclosure, "depth"),
    )
    return Need(
        Quantity(sum(frame_cuts_m(*sides)), Unit.METRE),
        say("{kit} is fittings only: twelve edges", kit=enclosure.name),
        (equals("material", "material", "pipe"),),
    )


@small_item("frame-fittings", "Fittings for the frame", near=Slot.ENCLOSURE, kind=FrameFitting, sold_by=("pack_size",))
def frame_fittings(enclosure: Enclosure) -> Need | None:
    """A corner at each of the eight, where the kit brings none."""
    if KitPiece.FITTINGS not in known(enclosure.leaves_out, enclosure, "list of what is left out"):
        return None
    return Need(Quantity(CORNERS, Unit.PIECES), say("{kit} brings no corners", kit=enclosure.name))


@small_item("frame-feet", "Feet of the frame", near=Slot.ENCLOSURE, kind=Supply, sold_by=("pack_size",))
def frame_feet(enclosure: Enclosure) -> Need | None:
    """One under each upright, where the kit brings none: a bare pipe cuts the floor."""
    if KitPiece.FEET not in known(enclosure.leaves_out, enclosure, "list of what is left out"):
        return None
    return Need(
        Quantity(BOX_FEET, Unit.PIECES),
        say("{kit} stands on bare uprights", kit=enclosure.name),
        (equals("use", "use", "levelling feet"),),
    )


@small_item("bay-cloth", "Cloth for sides and roof", near=Slot.ENCLOSURE, kind=SideProtection)
def bay_cloth(enclosure: Enclosure) -> Need | None:
    """Two sides and a roof, as deep as the kit, where it brings none."""
    if KitPiece.CLOTH not in known(enclosure.leaves_out, enclosure, "list of what is left out"):
        return None
    depth_m = known(enclosure.depth_m, enclosure, "depth")
    height_m = known(enclosure.outer_height_m, enclosure, "outer height")
    asks = (at_least("width_m", "length", depth_m), at_least("height_m", "height", height_m))
    return Need(
        Quantity(CLOTH_PANELS, Unit.PIECES),
        say("{kit} brings no cloth: two sides and a roof", kit=enclosure.name),
        asks,
    )


@small_item("side-netting", "Netting beside the bay", near=Slot.SCREEN, kind=SideProtection)
def side_netting(brief: Brief, surface: Surface, enclosure: Enclosure | None) -> Need | None:
    """On the shank side of each hand that plays, where no enclosure closes it."""
    if enclosure is not None and (enclosure.sides or KitPiece.CLOTH in (enclosure.leaves_out or ())):
        return None
    hands = {player.handedness for player in known_players(brief)} | (set(Handedness) if brief.visitors else set())
    sides = ", ".join("right" if hand is Handedness.RIGHT else "left" for hand in sorted(hands))
    height_m = known(surface.height_m, surface, "height")
    asks: tuple[Ask, ...] = (
        at_least("width_m", "length", SIDE_LENGTH_M),
        at_least("height_m", "height", min(height_m, 2.0)),
    )
    return Need(Quantity(len(hands), Unit.PIECES), say("A shank flies to the {sides}", sides=sides), asks)


@small_item("seam-tape", "Tape for seams and edges", near=Slot.FLOOR, kind=Supply, sold_by=("length_m", "pack_size"))
def seam_tape(flooring: Flooring, room: Room) -> Need | None:
    """Along all walls, and along the seams between strips off a roll. Tiles that are laid loose need none."""
    if isinstance(flooring, FloorTiles):
        return None
    roll_m = known(getattr(flooring, "roll_width_m", None), flooring, "roll width")
    strips = roll_strips(room.width_m, room.length_m, roll_m)[0]
    length_m = tape_m(room.width_m, room.length_m, roll_m)
    why = say("{strips} strips of {floor}: their seams, and along the walls", strips=str(strips), floor=flooring.name)
    return Need(Quantity(length_m, Unit.METRE), why, (equals("use", "use", "seam tape"),))


@small_item("adhesive", "Adhesive for the seams", near=Slot.FLOOR, kind=Supply, sold_by=("length_m", "pack_size"))
def adhesive(brief: Brief, turf: Turf, room: Room) -> Need | None:
    """One line along every seam of turf that stays: a bay that is packed away, or a rented floor, is taped only."""
    seams = seams_m(room.width_m, room.length_m, known(turf.roll_width_m, turf, "roll width"))
    if seams == 0 or brief.packed_away or not brief.may_drill:
        return None
    why = say("{seams} of seams in {turf}, glued to the tape", seams=Quantity(seams, Unit.METRE), turf=turf.name)
    return Need(Quantity(seams, Unit.METRE), why, (equals("use", "use", "adhesive"),))


@small_item("thread", "Thread", near=Slot.SCREEN, kind=Supply, sold_by=("length_m", "pack_size"))
def thread(brief: Brief, surface: Surface) -> Need | None:
    """For a raw edge that is hemmed at home: four metres of thread for each metre of hem."""
    if surface.edge is not Edge.RAW or Skill.SEWING not in brief.skills:
        return None
    hem_m = _perimeter_m(surface)
    why = say("{hem} of raw edge are hemmed at home", hem=Quantity(hem_m, Unit.METRE))
    return Need(Quantity(THREAD_PER_METRE_M * hem_m, Unit.METRE), why, (equals("use", "use", "thread"),))


@small_item("eyelet-tool", "Eyelet pliers", near=Slot.SCREEN, kind=Tool)
def eyelet_tool(brief: Brief, surface: Surface) -> Need | None:
    """To set eyelets into a hem that is made at home."""
    if surface.edge is not Edge.RAW or Skill.SEWING not in brief.skills:
        return None
    return Need(
        Quantity(1, Unit.PIECES),
        say("{screen} comes with a raw edge", screen=surface.name),
        (equals("use", "use", "eyelets"),),
    )


@small_item("pipe-cutter", "Pipe cutter", near=Slot.ENCLOSURE, kind=Tool)
def pipe_cutter(enclosure: Enclosure) -> Need | None:
    """To cut sticks of pipe to length, where the frame is made at home."""
    if KitPiece.FRAME not in (enclosure.leaves_out or ()):
        return None
    return Need(
        Quantity(1, Unit.PIECES),
        say("The sticks of {kit} are cut at home", kit=enclosure.name),
        (equals("use", "use", "pipe cutting"),),
    )


def _perimeter_m(surface: Surface) -> float:
    return 2 * (known(surface.width_m, surface, "width") + known(surface.height_m, surface, "height"))
