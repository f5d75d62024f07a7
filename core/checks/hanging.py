"""How things hang: mounts, edges and their hardware, weight on cords, what a kit leaves out (trade)."""

from dataclasses import dataclass

from core.checks.figures import counted, listed, metres, stated, worded
from core.checks.places import between, on
from core.checks.register import check, derive
from core.checks.verdict import Basis, Input, State, Verdict, judge
from core.geometry.ceiling import Ceiling
from core.geometry.shadow import Lens
from core.model.build import Slot
from core.model.facts import known
from core.model.kit import Beside, Kit
from core.model.parts import (
    Enclosure,
    FrameFitting,
    FrameMaterial,
    Hanging,
    KitPiece,
    Mount,
    Padding,
    Projector,
    SideProtection,
    Surface,
)
from core.model.room import Layout
from core.quantities import Quantity, Unit, say

LOAD_COMFORT_SHARE = 0.25
"""A quarter of the load is left for what people pull at (trade)."""
DROP_COMFORT_M = 0.02


@dataclass(frozen=True)
class ChosenPieces:
    """What a kit may leave to the buyer, and has been chosen."""

    pieces: frozenset[KitPiece]


@check("display.mount", title="Mount carries the projector", place=on(Slot.DISPLAY))
def mount_load(projector: Projector, mounts: Beside[Mount]) -> Verdict:
    """The mount carries the projector's weight with a quarter to spare. No mount chosen yet is tight.

    Fixings go into structure, never into board alone: people stand below.
    """
    weight = known(projector.weight_kg, projector, "weight")
    mount = next((mount for mount in mounts if mount.holds == "projector"), None)
    load = known(mount.load_kg, mount, "load") if mount else 0.0
    state = State.TIGHT if mount is None else judge(load - weight, LOAD_COMFORT_SHARE * weight)
    return counted(
        state,
        say(
            "{mount} carries {load}, {projector} weighs {weight}",
            mount=mount.name,
            load=_kg(load),
            projector=projector.name,
            weight=_kg(weight),
        )
        if mount
        else say("{projector} weighs {weight}, no mount chosen yet", projector=projector.name, weight=_kg(weight)),
        Unit.KILOGRAM,
        has=load,
        needs=weight,
        formula="load of the mount − weight of the projector",
        inputs=lambda: (stated("Weight", _kg(weight)), stated("Load", _kg(load))),
        cures=(say("Choose a mount for {load} or more.", load=_kg(weight * (1 + LOAD_COMFORT_SHARE))),),
    )


@check("display.drop", title="Mount reaches the lens height", place=on(Slot.DISPLAY))
def mount_drop(projector: Projector, lens: Lens, layout: Layout, ceiling: Ceiling, mounts: Beside[Mount]) -> Verdict:
    """The mount's length brings the lens from the ceiling down to where it shall hang."""
    drop_m = ceiling.height_m(lens.x_m, layout.screen_y_m + lens.distance_m) - lens.height_m
    mount = next((mount for mount in mounts if mount.holds == "projector"), None)
    if mount is None:
        state, headline, near_m, far_m = (
            State.TIGHT,
            say("Hangs {drop} under the ceiling, no mount chosen yet", drop=metres(drop_m)),
            drop_m,
            drop_m,
        )
    else:
        near_m = known(mount.drop_min_m, mount, "shortest drop")
        far_m = known(mount.drop_max_m, mount, "longest drop")
        state = judge(min(drop_m - near_m, far_m - drop_m), 0.0, slack=DROP_COMFORT_M)
        headline = say(
            "Hangs {drop} under the ceiling, the mount does {near} to {far}",
            drop=metres(drop_m),
            near=metres(near_m),
            far=metres(far_m),
        )
    short = drop_m < near_m
    needs_m = near_m if short or drop_m - near_m < far_m - drop_m else far_m
    return Verdict(
        state,
        headline,
        measured=metres(drop_m),
        required=metres(needs_m),
        margin=metres(min(drop_m - near_m, far_m - drop_m)),
        basis=Basis.SPEC,
        formula="ceiling over the lens − lens height, against the mount's range",
        inputs=lambda: (
            Input("Lens height", metres(lens.height_m), Basis.MEASURED),
            stated("Shortest", metres(near_m)),
            stated("Longest", metres(far_m)),
        ),
        changes=() if state is State.CLEAR else (say("Choose a mount for a drop of {drop}.", drop=metres(drop_m)),),
    )


@check("screen.edge", title="Edge and frame", place=between(Slot.SCREEN, Slot.ENCLOSURE))
def edge(surface: Surface, enclosure: Enclosure, hangings: Beside[Hanging]) -> Verdict:
    """The frame holds the edge that the screen has, or the hardware that was chosen does.

    No hardware chosen yet is tight; hardware for another edge holds nothing.
    """
    has = known(surface.edge, surface, "edge")
    takes = known(enclosure.takes_edges, enclosure, "edges it takes")
    hardware = [hanging for hanging in hangings if has in (hanging.takes or ())]
    held = has in takes or bool(hardware)
    return worded(
        State.CLEAR if held else State.BLOCKED if hangings else State.TIGHT,
        say("{edge} fit", edge=has.words.capitalize())
        if held
        else say("Frame takes {takes}, the screen has {edge}", takes=listed(t.words for t in takes), edge=has.words),
        has=has.words,
        wants=listed(t.words for t in takes),
        formula="edge of the screen among those the frame or its hardware holds",
        inputs=lambda: (
            stated("Screen", has.words),
            stated("Frame", listed(t.words for t in takes)),
            stated("Hardware", listed(hanging.name for hanging in hangings)),
        ),
        cures=(say("Choose hanging hardware for {edge}, or have the edge finished.", edge=has.words),),
    )


@derive
def chosen_pieces(
    kit: Kit,
    frames: Beside[FrameMaterial],
    fittings: Beside[FrameFitting],
    cloths: Beside[SideProtection],
    hangings: Beside[Hanging],
    pads: Beside[Padding],
) -> ChosenPieces:
    """The pieces of an enclosure that stand beside the chain; feet may come from the workshop."""
    there = {
        KitPiece.FRAME: bool(frames),
        KitPiece.FITTINGS: bool(fittings),
        KitPiece.CLOTH: bool(cloths),
        KitPiece.CORDS: bool(hangings),
        KitPiece.EDGE_PADDING: any(pad.purpose == "edge" for pad in pads),
        KitPiece.SILL_PAD: any(pad.purpose == "sill" for pad in pads),
        KitPiece.FEET: kit.decided("frame-feet") is not None,
    }
    return ChosenPieces(frozenset(piece for piece, is_there in there.items() if is_there))


@check("enclosure.complete", title="What the kit leaves out", place=on(Slot.ENCLOSURE))
def complete(enclosure: Enclosure, chosen: ChosenPieces) -> Verdict:
    """Everything that the kit leaves to the buyer has been chosen besides. Without its frame nothing stands."""
    left_out = known(enclosure.leaves_out, enclosure, "list of what is left out")
    missing = [piece for piece in left_out if piece not in chosen.pieces]
    return worded(
        State.BLOCKED if KitPiece.FRAME in missing else State.TIGHT if missing else State.CLEAR,
        say("Leaves out {pieces}", pieces=listed(p.words for p in missing)) if missing else say("Complete"),
        has=f"{len(left_out) - len(missing)} of {len(left_out)} left out are chosen",
        wants="all of it",
        formula="what the kit leaves out − what is chosen besides",
        inputs=lambda: (stated("Left out", listed(p.words for p in left_out)),),
        cures=(say("Choose {pieces}; each is among the small items.", pieces=listed(p.words for p in missing)),),
    )


@check("screen.weight", title="Weight on its cords", place=on(Slot.SCREEN))
def weight(surface: Surface, enclosure: Enclosure | None, hangings: Beside[Hanging]) -> Verdict:
    """What the screen weighs, against what its hanging hardware carries, a quarter to spare.

    An enclosure that brings its cords is made for its screens. Nothing chosen yet is tight.
    """
    own = known(surface.weight_kg, surface, "weight")
    brought = enclosure is not None and KitPiece.CORDS not in known(enclosure.leaves_out, enclosure, "what is left out")
    carried = sum(known(h.load_kg, h, "load") * known(h.pack_size, h, "pack size") for h in hangings)
    if hangings:
        state = judge(carried - own, LOAD_COMFORT_SHARE * own)
        headline = say(
            "{screen} weighs {own}, its cords carry {carried}", screen=surface.name, own=_kg(own), carried=_kg(carried)
        )
    elif brought:
        state, headline = State.CLEAR, say("The enclosure brings its cords")
    else:
        state, headline = (
            State.TIGHT,
            say("{screen} weighs {own}, nothing to hang it by is chosen yet", screen=surface.name, own=_kg(own)),
        )
    return counted(
        state,
        headline,
        Unit.KILOGRAM,
        has=own if brought and not hangings else carried,
        needs=own,
        formula="load of one × pieces − weight of the screen",
        inputs=lambda: (stated("Weight", _kg(own)), *(stated(h.name, _kg(h.load_kg or 0.0)) for h in hangings)),
        cures=(say("Choose cords or hooks that carry {load}.", load=_kg(own * (1 + LOAD_COMFORT_SHARE))),),
    )


def _kg(value: float) -> Quantity:
    return Quantity(value, Unit.KILOGRAM)
