"""How things hang: mounts, edges and their hardware, weight on cords, what a kit leaves out (trade)."""

import math
from dataclasses import dataclass
from typing import Annotated

from core.checks.asks import ask_among, ask_at_least, ask_at_most, ask_equal
from core.checks.declared import THERE
from core.checks.figures import in_a_row, metres, stated_input
from core.checks.limits import ENDLESS, State, Words, at_least
from core.checks.needs import ItemKind, Need, pieces
from core.checks.places import between, on
from core.checks.readings import Filled
from core.checks.register import check, derive
from core.checks.verdict import Answer, Basis, Input
from core.geometry.ceiling import Ceiling
from core.geometry.shadow import Lens
from core.model.brief import Brief
from core.model.build import Slot
from core.model.facts import known
from core.model.household import Skill
from core.model.kit import Beside
from core.model.parts import (
    Edge,
    Enclosure,
    FrameFitting,
    FrameMaterial,
    Hanging,
    KitPiece,
    Mount,
    OverheadCamera,
    Padding,
    Projector,
    SideProtection,
    StandingDisplay,
    Supply,
    Surface,
    Tool,
)
from core.model.room import Layout
from core.model.things import Joists
from core.quantities import Quantity, Unit, say
from core.quantities.tolerances import ROUNDING

LOAD_COMFORT = 1.25
"""A quarter of the load is left for what people pull at (trade)."""
DROP_TOLERATED_M = 0.02
"""A slot or a washer makes up for so much (trade)."""
PLATE_MOST_M = 1.20
"""A plate that spans more than this bends under a projector (trade)."""
JOIST_REACH_M = 0.10
"""Most mounts reach a joist this far from their middle (trade)."""
MOUNT_FIXINGS = 4
THREAD_PER_METRE_M = 4.0
"""Two seams of lock stitch use about twice their length each (trade)."""


@dataclass(frozen=True)
class Drop:
    """From the ceiling over the lens down to it, in metres."""

    drop_m: float


@dataclass(frozen=True)
class ChosenPieces:
    """What a kit may leave to the buyer, and has been chosen."""

    pieces: frozenset[KitPiece]


@dataclass(frozen=True)
class JoistOffset:
    """Where the projector is from the nearest joist, in metres."""

    at_m: float
    """Where the projector is, across the joists."""
    to_joist_m: float
    """From there to the nearest joist; negative is toward the screen, or the left wall."""
    bridged: bool
    """Joists are so near to each other that a plate spans two of them."""

    @property
    def offset_m(self) -> float:
        """How far that is, either way."""
        return abs(self.to_joist_m)

    @property
    def tolerated_m(self) -> float:
        """With a plate a mount need not reach a joist."""
        return ENDLESS if self.bridged else 0.0


class ProjectorMount(Need):
    """What a projector hangs from."""

    item = ItemKind(
        "projector-mount",
        "Projector mount",
        near=Slot.DISPLAY,
        kind=Mount,
        asks=("holds", "load_kg", "drop_min_m", "drop_max_m", "reach_m"),
    )


class MonitorMount(Need):
    """What an overhead camera hangs from."""

    item = ItemKind("monitor-mount", "Mount of the monitor", near=Slot.MONITOR, kind=Mount, asks=("holds",))


class DisplayMount(Need):
    """What a television hangs or stands on."""

    item = ItemKind(
        "display-mount", "Stand or bracket of the display", near=Slot.DISPLAY, kind=Mount, asks=("holds", "load_kg")
    )


class CeilingFixings(Need):
    """What goes into the structure overhead."""

    item = ItemKind("ceiling-fixings", "Fixings into the ceiling", Slot.DISPLAY, Supply, ("pack_size",), asks=("use",))


class Cords(Need):
    """What a screen hangs by, all round."""

    item = ItemKind(
        "cords", "Cords or hooks", near=Slot.SCREEN, kind=Hanging, sold_by=("pack_size",), asks=("takes", "load_kg")
    )


class SillPad(Need):
    """A ramp under the screen."""

    item = ItemKind("sill-pad", "Padded sill", Slot.SCREEN, Padding, ("length_m", "pack_size"), asks=("purpose",))


class Thread(Need):
    """For a hem that is made at home."""

    item = ItemKind("thread", "Thread", near=Slot.SCREEN, kind=Supply, sold_by=("length_m", "pack_size"), asks=("use",))


class EyeletPliers(Need):
    """To set eyelets into that hem."""

    item = ItemKind("eyelet-tool", "Eyelet pliers", near=Slot.SCREEN, kind=Tool, asks=("use",))


@derive
def drop(lens: Lens, layout: Annotated[Layout, "screen_y_m"], ceiling: Ceiling) -> Drop:
    """What a mount has to bridge."""
    return Drop(ceiling.height_m(lens.x_m, layout.screen_y_m + lens.distance_m) - lens.height_m)


@derive
def joist_offset(lens: Lens, layout: Annotated[Layout, "screen_y_m"], joists: Joists) -> JoistOffset:
    """From the lens to the nearest joist, and how far these are apart."""
    at_m = lens.x_m if joists.along else layout.screen_y_m + lens.distance_m
    steps = max(0, round((at_m - joists.first_m) / joists.spacing_m))
    return JoistOffset(at_m, joists.first_m + steps * joists.spacing_m - at_m, joists.spacing_m <= PLATE_MOST_M)


@derive
def projector_mount(
    projector: Annotated[Projector, "name", "weight_kg"], drop: Drop | None, joists: JoistOffset | None
) -> ProjectorMount:
    """A projector hangs from a mount that carries a quarter more than it weighs, and is as long as its drop."""
    weight = known(projector, "weight_kg")
    asks = [ask_equal("holds", "projector", purpose=True), ask_at_least("load_kg", weight, weight * LOAD_COMFORT)]
    if drop is not None:
        asks += [
            ask_at_most("drop_min_m", drop.drop_m)._replace(tolerated=DROP_TOLERATED_M),
            ask_at_least("drop_max_m", drop.drop_m)._replace(tolerated=DROP_TOLERATED_M),
        ]
    if joists is not None:
        asks.append(ask_at_least("reach_m", joists.offset_m)._replace(tolerated=joists.tolerated_m))
    why = say("{projector}, {weight}, hangs from the ceiling", projector=projector.name, weight=_kg(weight))
    return ProjectorMount(pieces(1), why, tuple(asks))


@check("display.mount", title="Mount carries the projector", place=on(Slot.DISPLAY))
def mount_load(
    projector: Annotated[Projector, "weight_kg"],
    need: ProjectorMount,
    mounts: Annotated[Beside[Mount], "drop_max_m", "drop_min_m", "holds", "load_kg", "reach_m"],
) -> Answer:
    """The mount carries the projector's weight with a quarter to spare. No mount chosen yet is tight.

    Fixings go into structure, never into board alone: people stand below.
    """
    weight, ask = known(projector, "weight_kg"), need.ask("load_kg")
    mount = need.best(mounts)
    return Answer(
        ask.limit(mount) if mount else need.unfilled("load_kg"),
        headline=lambda: (
            say(
                "{mount} carries {load}, {projector} weighs {weight}",
                mount=mount.name,
                load=_kg(mount.load_kg or 0.0),
                projector=projector.name,
                weight=_kg(weight),
            )
            if mount
            else say("{projector} weighs {weight}, no mount chosen yet", projector=projector.name, weight=_kg(weight))
        ),
        formula="load of the mount − weight of the projector",
        inputs=lambda: (
            stated_input("Weight", _kg(weight)),
            *((stated_input("Load", _kg(mount.load_kg or 0.0)),) if mount else ()),
        ),
        cures=lambda: (say("Choose a mount for {load} or more.", load=_kg(weight * LOAD_COMFORT)),),
    )


@check("display.drop", title="Mount reaches the lens height", place=on(Slot.DISPLAY))
def mount_drop(
    projector: Annotated[Projector, THERE],
    lens: Lens,
    drop: Drop,
    need: ProjectorMount,
    mounts: Annotated[Beside[Mount], "drop_max_m", "drop_min_m", "holds", "load_kg", "reach_m"],
) -> Answer:
    """The mount's length brings the lens from the ceiling down to where it shall hang, within 20 mm."""
    drop_m = drop.drop_m
    mount = need.best(mounts)
    return Answer(
        need.limits(mount, "drop_min_m", "drop_max_m")
        if mount
        else Words(State.TIGHT, "none chosen yet", metres(drop_m)),
        headline=lambda: (
            say(
                "Hangs {drop} under the ceiling, the mount does {near} to {far}",
                drop=metres(drop_m),
                near=metres(mount.drop_min_m or 0.0),
                far=metres(mount.drop_max_m or 0.0),
            )
            if mount
            else say("Hangs {drop} under the ceiling, no mount chosen yet", drop=metres(drop_m))
        ),
        formula="ceiling over the lens − lens height, against the mount's range",
        inputs=lambda: (
            stated_input("Projector", projector.name),
            Input("Lens height", metres(lens.height_m), Basis.MEASURED),
            Input("Drop", metres(drop_m), Basis.MEASURED),
        ),
        cures=lambda: (say("Choose a mount for a drop of {drop}.", drop=metres(drop_m)),),
    )


@check("screen.edge", title="Edge and frame", place=between(Slot.SCREEN, Slot.ENCLOSURE))
def edge(
    surface: Annotated[Surface, "edge"],
    enclosure: Annotated[Enclosure, "takes_edges"],
    hangings: Annotated[Beside[Hanging], "takes"],
) -> Answer:
    """The frame holds the edge that the screen has, or the hardware that was chosen does.

    No hardware chosen yet is tight; hardware for another edge holds nothing. What stands on poles of its own needs
    neither.
    """
    has, takes = known(surface, "edge"), known(enclosure, "takes_edges")
    hardware = [hanging for hanging in hangings if has in (hanging.takes or ())]
    stands = has is Edge.OWN_POLES
    held = has in takes or bool(hardware) or stands
    wants = in_a_row(taken.words for taken in takes)
    return Answer(
        Words(State.CLEAR if held else State.BLOCKED if hangings else State.TIGHT, has.words, wants),
        headline=lambda: (
            say("It stands on poles of its own")
            if stands
            else say("{edge} fit", edge=has.words.capitalize())
            if held
            else say("Frame takes {takes}, the screen has {edge}", takes=wants, edge=has.words)
        ),
        formula="edge of the screen among those the frame or its hardware holds",
        inputs=lambda: (
            stated_input("Screen", has.words),
            stated_input("Frame", wants),
            stated_input("Hardware", in_a_row(hanging.name for hanging in hangings)),
        ),
        cures=lambda: (say("Choose hanging hardware for {edge}, or have the edge finished.", edge=has.words),),
    )


@derive
def chosen_pieces(
    filled: Filled,
    frames: Annotated[Beside[FrameMaterial], THERE],
    fittings: Annotated[Beside[FrameFitting], THERE],
    cloths: Annotated[Beside[SideProtection], THERE],
    hangings: Annotated[Beside[Hanging], THERE],
    pads: Annotated[Beside[Padding], "purpose"],
) -> ChosenPieces:
    """The pieces of an enclosure that stand beside the chain; feet may come from the workshop."""
    there = {
        KitPiece.FRAME: bool(frames),
        KitPiece.FITTINGS: bool(fittings),
        KitPiece.CLOTH: bool(cloths),
        KitPiece.CORDS: bool(hangings),
        KitPiece.EDGE_PADDING: any(pad.purpose == "edge" for pad in pads),
        KitPiece.SILL_PAD: any(pad.purpose == "sill" for pad in pads),
        KitPiece.FEET: "frame-feet" in filled.items | filled.struck,
    }
    return ChosenPieces(frozenset(piece for piece, is_there in there.items() if is_there))


@check("enclosure.complete", title="What the kit leaves out", place=on(Slot.ENCLOSURE))
def complete(enclosure: Annotated[Enclosure, "leaves_out"], chosen: ChosenPieces) -> Answer:
    """Everything that the kit leaves to the buyer has been chosen besides. Without its frame nothing stands."""
    left_out = known(enclosure, "leaves_out")
    lacking = [piece for piece in left_out if piece not in chosen.pieces]
    words = in_a_row(piece.words for piece in lacking)
    return Answer(
        Words(
            State.BLOCKED if KitPiece.FRAME in lacking else State.TIGHT if lacking else State.CLEAR,
            f"{len(left_out) - len(lacking)} of {len(left_out)} left out are chosen",
            "all of it",
            words if lacking else "",
        ),
        headline=lambda: say("Leaves out {pieces}", pieces=words) if lacking else say("Complete"),
        formula="what the kit leaves out − what is chosen besides",
        inputs=lambda: (stated_input("Left out", in_a_row(p.words for p in left_out)),),
        cures=lambda: (say("Choose {pieces}; each is among the small items.", pieces=words),),
    )


def _brings_cords(enclosure: Enclosure | None) -> bool:
    """An enclosure that brings its cords is made for its screens."""
    return enclosure is not None and KitPiece.CORDS not in known(enclosure, "leaves_out")


@derive
def cords(
    surface: Annotated[Surface, "edge", "edge_spacing_m", "height_m", "weight_kg", "width_m"],
    enclosure: Annotated[Enclosure, "leaves_out"] | None,
) -> Cords | None:
    """One at each fixing of the edge all round: perimeter / spacing. Not where the enclosure brings them.

    Together they carry the screen, with a quarter to spare.
    """
    edge = known(surface, "edge")
    if _brings_cords(enclosure) or edge.is_held_all_along:
        return None
    spacing_m = known(surface, "edge_spacing_m")
    around_m = _perimeter_m(surface)
    count = math.ceil(around_m / spacing_m - ROUNDING)
    each = known(surface, "weight_kg") / count
    asks = (ask_among("takes", edge), ask_at_least("load_kg", each, each * LOAD_COMFORT))
    why = say("{around} of edge, one every {spacing}", around=metres(around_m), spacing=metres(spacing_m))
    return Cords(pieces(count), why, asks)


@check("screen.weight", title="Weight on its cords", place=on(Slot.SCREEN))
def weight(
    surface: Annotated[Surface, "edge", "weight_kg"],
    enclosure: Annotated[Enclosure, THERE] | None,
    need: Cords | None,
    hangings: Annotated[Beside[Hanging], "load_kg", "pack_size", "takes"],
) -> Answer:
    """What the screen weighs, against what its hanging hardware carries, a quarter to spare.

    An enclosure that brings its cords is made for its screens, and so is an edge that is held all along. Nothing
    chosen yet is tight.
    """
    own = known(surface, "weight_kg")
    # As many as a small item asks for that is not needed any more are none.
    pieces_of = [
        (hanging, units * known(hanging, "pack_size") if units is not None else round(need.amount.value) if need else 0)
        for hanging, units in zip(hangings, hangings.counts or (1,) * len(hangings), strict=True)
    ]
    edge = surface.edge
    used = [(hanging, count) for hanging, count in pieces_of if count and edge is not Edge.OWN_POLES]
    carried = sum(known(hanging, "load_kg") * count for hanging, count in used if edge in known(hanging, "takes"))
    limit = at_least(carried, own, own * LOAD_COMFORT, Unit.KILOGRAM)
    by = edge.words if edge is Edge.OWN_POLES else "its frame"
    held = Words(State.CLEAR, f"held by {by}", "cords that carry it")
    unhung = Words(State.TIGHT, "none chosen yet", _kg(own * LOAD_COMFORT))
    return Answer(
        limit if used else held if need is None else unhung,
        headline=lambda: (
            say(
                "{screen} weighs {own}, its cords carry {carried}", screen=surface.name, own=_kg(own), carried=limit.has
            )
            if used
            else say("It stands on poles of its own")
            if edge is Edge.OWN_POLES
            else say("The enclosure brings its cords")
            if need is None and _brings_cords(enclosure)
            else say("Its edge is held all along")
            if need is None
            else say("{screen} weighs {own}, nothing to hang it by is chosen yet", screen=surface.name, own=_kg(own))
        ),
        formula="load of one × pieces − weight of the screen",
        inputs=lambda: (
            stated_input("Weight", _kg(own)),
            *(stated_input(h.name, _kg(h.load_kg or 0.0)) for h in hangings),
        ),
        cures=lambda: (say("Choose cords or hooks that carry {load}.", load=_kg(own * LOAD_COMFORT)),),
    )


@derive
def monitor_mount(monitor: Annotated[OverheadCamera, "name"]) -> MonitorMount:
    """An overhead camera hangs from a mount of its own."""
    why = say("{monitor} hangs from the ceiling", monitor=monitor.name)
    return MonitorMount(pieces(1), why, (ask_equal("holds", "overhead_camera", purpose=True),))


@derive
def display_mount(display: Annotated[StandingDisplay, "name", "weight_kg"]) -> DisplayMount:
    """A television beside the bay hangs on a bracket that carries it."""
    weight = known(display, "weight_kg")
    why = say("{display} weighs {weight}", display=display.name, weight=_kg(weight))
    return DisplayMount(pieces(1), why, (ask_equal("holds", "display", purpose=True), ask_at_least("load_kg", weight)))


@derive
def ceiling_fixings(
    projector: Annotated[Projector, "name"] | None, monitor: Annotated[OverheadCamera, "name"] | None
) -> CeilingFixings | None:
    """Four for each thing that hangs overhead, into structure or a plate that spans two joists."""
    overhead = [part.name for part in (projector, monitor) if part is not None]
    if not overhead:
        return None
    why = say("{names}: four each, into joists or a spreader plate", names=", ".join(overhead))
    asks = (ask_equal("use", "ceiling fixing", purpose=True),)
    return CeilingFixings(pieces(MOUNT_FIXINGS * len(overhead)), why, asks)


@derive
def sill_pad(
    surface: Annotated[Surface, "name", "width_m"],
    enclosure: Annotated[Enclosure, "leaves_out"] | None,
    layout: Annotated[Layout, "screen_bottom_m"],
) -> SillPad | None:
    """A ramp under the screen where it hangs above the floor, or where the kit leaves the sill open."""
    left_out = enclosure is not None and KitPiece.SILL_PAD in (enclosure.leaves_out or ())
    if not left_out and layout.screen_bottom_m <= 0:
        return None
    why = say("Balls run under {screen}", screen=surface.name)
    asks = (ask_equal("purpose", "sill", purpose=True),)
    return SillPad(Quantity(known(surface, "width_m"), Unit.METRE), why, asks)


@derive
def thread(
    brief: Annotated[Brief, "skills"], surface: Annotated[Surface, "edge", "height_m", "width_m"]
) -> Thread | None:
    """For a raw edge that is hemmed at home: four metres of thread for each metre of hem."""
    if not _hemmed_at_home(brief, surface):
        return None
    hem_m = _perimeter_m(surface)
    why = say("{hem} of raw edge are hemmed at home", hem=metres(hem_m))
    return Thread(Quantity(THREAD_PER_METRE_M * hem_m, Unit.METRE), why, (ask_equal("use", "thread", purpose=True),))


@derive
def eyelet_pliers(
    brief: Annotated[Brief, "skills"], surface: Annotated[Surface, "edge", "name"]
) -> EyeletPliers | None:
    """To set eyelets into a hem that is made at home."""
    if not _hemmed_at_home(brief, surface):
        return None
    why = say("{screen} comes with a raw edge", screen=surface.name)
    return EyeletPliers(pieces(1), why, (ask_equal("use", "eyelets", purpose=True),))


def _hemmed_at_home(brief: Brief, surface: Surface) -> bool:
    return surface.edge is Edge.RAW and Skill.SEWING in brief.skills


def _perimeter_m(surface: Surface) -> float:
    return 2 * (known(surface, "width_m") + known(surface, "height_m"))


def _kg(value: float) -> Quantity:
    return Quantity(value, Unit.KILOGRAM)
