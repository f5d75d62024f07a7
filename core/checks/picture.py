"""Projector, picture and screen: shape, throw, lens height, shadow, brightness, sharpness."""

from core.checks.figures import measured_in_room, metres, placed, share, stated
from core.checks.places import between, on
from core.checks.readings import PROJECTOR_BODY_M, HittingSurface, LensBand, Throw
from core.checks.register import check
from core.checks.verdict import Basis, Input, State, Verdict, judge
from core.checks.weights import lacking
from core.geometry.ceiling import Ceiling
from core.geometry.light import (
    IN_USE_FACTOR,
    ambient_luminance,
    contrast_ratio,
    lumens_for_contrast,
    lux_for_contrast,
    picture_luminance,
)
from core.geometry.picture import Picture, Raster, keystone_deg, pixels_per_degree
from core.geometry.shadow import HEAD_OVER_HEIGHT_M, Lens, beam_floor_m, shadow_share
from core.geometry.swing_disc import swing_disc
from core.model.brief import Brief, Player, Purpose
from core.model.build import Slot
from core.model.facts import known
from core.model.parts import ImpactScreen, Projector, Title
from core.model.room import Layout, Room
from core.quantities import Quantity, Sentence, Unit, say

FILL_LEAST = 0.5
FILL_COMFORT = 0.85
"""A picture on less than half of what was paid for is not worth hanging (trade)."""
THROW_COMFORT_M = 0.05
CONTRAST_LEAST = 7.0
CONTRAST_COMFORT = 15.0
"""ANSI/INFOCOMM 3M-2011: 7:1 to follow a picture, 15:1 to work from it."""
LUMINANCE_TARGET = 55.0
"""cd/m² in a dark room (SMPTE, 16 fL)."""
LUMINANCE_LEAST = LUMINANCE_TARGET / 2
"""Half the target: one stop darker, which people still put up with (trade)."""
SHADOW_TOLERATED = 0.20
"""Share of the picture that a shadow may reach up before it hides the line of play (trade)."""
PIXELS_PLAIN_PER_DEGREE = 30.0
"""Below this, pixels are plain to see; the eye resolves about 60 (trade)."""


@check("picture.shape", title="Picture on the screen", place=between(Slot.DISPLAY, Slot.SCREEN))
def screen_fill(title: Title, screen: ImpactScreen, picture: Picture) -> Verdict:
    """The best shape that the title draws fills enough of the screen.

    16:9 on a square fills 56.25 %, 4:3 on a square 75 %. Half is the least, 85 % comfortable (trade).
    """
    state = judge(picture.screen_fill - FILL_LEAST, FILL_COMFORT - FILL_LEAST)
    return Verdict(
        state,
        say("{shape} fills {fill} of the screen", shape=picture.shape, fill=share(picture.screen_fill)),
        measured=share(picture.screen_fill),
        required=share(FILL_LEAST),
        margin=share(picture.screen_fill - FILL_LEAST),
        basis=Basis.PHYSICS,
        formula="picture area / clear area of the screen, for the best shape the title draws",
        inputs=lambda: (
            stated("Title draws", ", ".join(title.shapes)),
            stated("Picture width", metres(picture.width_m)),
            stated("Picture height", metres(picture.height_m)),
            stated("Screen", screen.name),
        ),
        changes=()
        if state is State.CLEAR
        else (
            say("Choose a screen nearer to {shape}, or a title that draws the screen's shape.", shape=picture.shape),
        ),
    )


@check("picture.panel", title="Projector on the picture", place=between(Slot.DISPLAY, Slot.SCREEN))
def panel_fill(projector: Projector, picture: Picture, raster: Raster) -> Verdict:
    """How much of the panel's pixels and light the picture uses: (w·h) / (Wr·Hr)."""
    state = judge(raster.panel_fill - FILL_LEAST, FILL_COMFORT - FILL_LEAST)
    return Verdict(
        state,
        say("Picture uses {fill} of the panel", fill=share(raster.panel_fill)),
        measured=share(raster.panel_fill),
        required=share(FILL_LEAST),
        margin=share(raster.panel_fill - FILL_LEAST),
        basis=Basis.PHYSICS,
        formula="(w·h) / (Wr·Hr), Wr = max(w, h·Ap), Hr = Wr / Ap",
        inputs=lambda: (
            stated("Panel", f"{projector.width_px} × {projector.height_px} pixels"),
            stated("Picture width w", metres(picture.width_m)),
            stated("Picture height h", metres(picture.height_m)),
            Input("Raster width Wr", metres(raster.width_m), Basis.PHYSICS),
        ),
        changes=()
        if state is State.CLEAR
        else (say("A panel nearer to {shape} wastes less light.", shape=picture.shape),),
    )


@check("picture.throw", title="Throw distance", place=on(Slot.DISPLAY))
def throw_distance(
    projector: Projector, raster: Raster, throw: Throw, lens: Lens, room: Room, layout: Layout
) -> Verdict:
    """The lens hangs where the zoom gives the picture's size, and the room reaches that far.

    D = throw ratio × raster width. A 16:9 panel on a 2.60 m square at 0.69–0.83 hangs 3.19–3.84 m from it.
    """
    room_m = room.length_m - layout.screen_y_m - PROJECTOR_BODY_M
    near_spare_m, far_spare_m = lens.distance_m - throw.near_m, throw.far_m - lens.distance_m
    room_spare_m = room_m - lens.distance_m
    margin_m = min(near_spare_m, far_spare_m, room_spare_m)
    comfort_m = min(THROW_COMFORT_M, (throw.far_m - throw.near_m) / 2) if room_spare_m > margin_m else THROW_COMFORT_M
    state = judge(margin_m, comfort_m)
    if margin_m == room_spare_m:
        required_m = lens.distance_m
        measured_m = room_m
        headline = say("Hangs {hangs} out, the room allows {room}", hangs=metres(lens.distance_m), room=metres(room_m))
    else:
        required_m = throw.near_m if near_spare_m <= far_spare_m else throw.far_m
        measured_m = lens.distance_m
        headline = say(
            "Hangs {hangs} out, throws from {near} to {far}",
            hangs=metres(lens.distance_m),
            near=metres(throw.near_m),
            far=metres(throw.far_m),
        )
    cures = [
        say("Hang it between {near} and {far} from the screen.", near=metres(throw.near_m), far=metres(throw.far_m))
    ]
    if throw.near_m > room_m:
        cures = [
            say(
                "Needs a throw ratio of {ratio} or less for this room and picture.",
                ratio=Quantity(room_m / raster.width_m, Unit.FACTOR),
            )
        ]
    return Verdict(
        state,
        headline,
        measured=metres(measured_m),
        required=metres(required_m),
        margin=metres(margin_m),
        basis=Basis.PHYSICS,
        formula="D = throw ratio × Wr at both ends of the zoom; room length − gap − 0.20 m for body and cables",
        inputs=lambda: (
            stated("Least throw ratio", Quantity(projector.throw_min or 0.0, Unit.FACTOR)),
            stated("Greatest throw ratio", Quantity(projector.throw_max or 0.0, Unit.FACTOR)),
            Input("Raster width Wr", metres(raster.width_m), Basis.PHYSICS),
            placed(
                "Lens to screen (proposed)" if layout.lens_distance_m is None else "Lens to screen", lens.distance_m
            ),
            measured_in_room(room, "length_m", "Length"),
        ),
        changes=() if state is State.CLEAR else tuple(cures),
    )


@check("picture.lens_height", title="Lens height and keystone", place=on(Slot.DISPLAY))
def lens_height(projector: Projector, band: LensBand, lens: Lens, layout: Layout, ceiling: Ceiling) -> Verdict:
    """The lens is within the band of heights that offset and shift give, and under the ceiling.

    Outside the band the projector is tilted and the picture squared by keystone, which costs pixels; its angle
    is reported. Beyond what the maker states, the picture cannot be squared.
    """
    angle = keystone_deg(lens.height_m, (band.lowest_m, band.highest_m), lens.distance_m)
    limit = projector.keystone_max_deg or 0.0
    ceiling_m = ceiling.height_m(lens.x_m, layout.screen_y_m + lens.distance_m)
    outside_m = max(band.lowest_m - lens.height_m, lens.height_m - band.highest_m)
    if lens.height_m > ceiling_m or angle > limit:
        state = State.BLOCKED
    else:
        state = State.TIGHT if angle > 0 else State.CLEAR
    nearest_m = band.lowest_m if lens.height_m < band.lowest_m else band.highest_m
    headline = (
        say("Lens {height} up, inside its band", height=metres(lens.height_m))
        if angle == 0
        else say(
            "Lens {height} up, {outside} outside its band: {angle} of keystone",
            height=metres(lens.height_m),
            outside=metres(outside_m),
            angle=Quantity(angle, Unit.DEGREE),
        )
    )
    return Verdict(
        state,
        headline,
        measured=metres(lens.height_m),
        required=metres(nearest_m),
        margin=metres(-outside_m),
        basis=Basis.SPEC,
        formula="band = top of raster + offset × Hr; keystone = atan(outside the band / D)",
        inputs=lambda: (
            Input("Lowest without keystone", metres(band.lowest_m), Basis.SPEC),
            Input("Highest without keystone", metres(band.highest_m), Basis.SPEC),
            placed("Lens height", lens.height_m),
            placed("Lens to screen", lens.distance_m),
            stated("Keystone it can square", Quantity(limit, Unit.DEGREE)),
            Input("Ceiling over the lens", metres(ceiling_m), Basis.MEASURED),
        ),
        changes=() if state is State.CLEAR else (_lens_cure(band, ceiling_m),),
    )


def _lens_cure(band: LensBand, ceiling_m: float) -> Sentence:
    if band.lowest_m > ceiling_m:
        return say(
            "Lower the picture by {less}, or choose a projector with more vertical shift.",
            less=metres(band.lowest_m - ceiling_m),
        )
    return say(
        "Hang the lens between {low} and {high}.",
        low=metres(band.lowest_m),
        high=metres(min(band.highest_m, ceiling_m)),
    )


@check("picture.shadow", title="Golfer's shadow", place=on(Slot.DISPLAY))
def shadow(player: Player, picture: Picture, lens: Lens, layout: Layout, surface: HittingSurface) -> Verdict:
    """How far up the picture the player's shadow reaches, by similar triangles through the lens.

    The head is H + 0.05 m above the hitting surface, as far from the screen as the ball, and beside it by the
    swing's hub. No shadow is clear; up to a fifth of the picture is tight (trade).
    """
    disc = swing_disc(player, player.longest_club)
    head_m = surface.height_m + player.height_m + HEAD_OVER_HEIGHT_M
    head_x_m = layout.ball_x_m + disc.hub_x_m
    distance_m = layout.ball_to_screen_m
    reaches = shadow_share(lens, picture, head_x_m, head_m, distance_m)
    state = judge(SHADOW_TOLERATED - reaches, SHADOW_TOLERATED)
    headline = (
        say("{who} casts no shadow on the picture", who=player.name)
        if reaches == 0
        else say("{who}'s shadow reaches {share} up the picture", who=player.name, share=share(reaches))
    )
    edge_m = beam_floor_m(lens, picture, distance_m) if lens.distance_m > distance_m else lens.height_m
    return Verdict(
        state,
        headline,
        measured=share(reaches),
        required=share(SHADOW_TOLERATED),
        margin=share(SHADOW_TOLERATED - reaches),
        basis=Basis.PHYSICS,
        formula="z0 − (z0 − head)·D / (D − s), where the head is above the beam's lower edge",
        inputs=lambda: (
            Input("Top of the head", metres(head_m), Basis.MEASURED),
            placed("Head to screen s", distance_m),
            placed("Lens to screen D", lens.distance_m),
            placed("Lens height z0", lens.height_m),
            Input("Beam's lower edge there", metres(edge_m), Basis.PHYSICS),
        ),
        changes=()
        if state is State.CLEAR
        else (
            say("Hang the lens nearer than the golfer, under {s} from the screen.", s=metres(distance_m)),
            say("Hang the lens higher, or raise the picture."),
        ),
    )


@check("picture.luminance", title="Brightness of the picture", place=between(Slot.DISPLAY, Slot.SCREEN))
def luminance(projector: Projector, screen: ImpactScreen, raster: Raster) -> Verdict:
    """White on the screen reaches about 55 cd/m² (SMPTE, 16 fL); half of that is the least (trade).

    L = Φ·k·G / (π·Wr·Hr), k = 0.75 for mode and ageing.
    """
    lumens = known(projector.lumens, projector, "brightness")
    gain = known(screen.gain, screen, "gain")
    value = picture_luminance(lumens, gain, raster)
    state = judge(value - LUMINANCE_LEAST, LUMINANCE_TARGET - LUMINANCE_LEAST)
    needed = lumens * LUMINANCE_TARGET / value
    return Verdict(
        state,
        say("White at {value}, {target} is the aim", value=_cd(value), target=_cd(LUMINANCE_TARGET)),
        measured=_cd(value),
        required=_cd(LUMINANCE_LEAST),
        margin=_cd(value - LUMINANCE_LEAST),
        basis=Basis.PHYSICS,
        formula="L = Φ·k·G / (π·Wr·Hr)",
        inputs=lambda: _light_inputs(lumens, gain, raster),
        changes=() if state is State.CLEAR else (say("{needed} reach the aim.", needed=_lm(needed)),),
    )


@check("picture.contrast", title="Contrast against the room's light", place=between(Slot.DISPLAY, Slot.SCREEN))
def contrast(projector: Projector, screen: ImpactScreen, raster: Raster, room: Room) -> Verdict:
    """White over black in the room's light: 7:1 to follow the picture, 15:1 to work from it.

    (L + La + L/C) / (La + L/C), La = E·G / π (ANSI/INFOCOMM 3M-2011 classes).
    """
    lumens = known(projector.lumens, projector, "brightness")
    native = known(projector.native_contrast, projector, "native contrast")
    gain = known(screen.gain, screen, "gain")
    value = picture_luminance(lumens, gain, raster)
    ratio = contrast_ratio(value, ambient_luminance(room.screen_lux, gain), native)
    state = judge(ratio - CONTRAST_LEAST, CONTRAST_COMFORT - CONTRAST_LEAST)
    needed = lumens_for_contrast(CONTRAST_COMFORT, room.screen_lux, native, raster)
    darker = lux_for_contrast(CONTRAST_COMFORT, lumens, native, raster)
    light_basis = Basis.TRADE if room.measured_lux is None else Basis.MEASURED
    return Verdict(
        state,
        say("{ratio} in {light} of room light", ratio=_ratio(ratio), light=Quantity(room.screen_lux, Unit.LUX)),
        measured=_ratio(ratio),
        required=_ratio(CONTRAST_LEAST),
        margin=_ratio(ratio - CONTRAST_LEAST),
        basis=Basis.STANDARD,
        formula="(L + La + L/C) / (La + L/C), La = E·G / π",
        inputs=lambda: (
            *_light_inputs(lumens, gain, raster),
            Input("Room light on the screen E", Quantity(room.screen_lux, Unit.LUX), light_basis),
            stated("Native contrast C", _ratio(native)),
        ),
        changes=()
        if state is State.CLEAR
        else (
            say("Darken the room to {lux} on the screen.", lux=Quantity(darker, Unit.LUX)),
            say("Or {lumens} in this light.", lumens=_lm(needed)),
        ),
    )


@check("picture.sharpness", title="Sharpness from the ball", place=between(Slot.DISPLAY, Slot.SCREEN))
def sharpness(brief: Brief, projector: Projector, picture: Picture, raster: Raster, layout: Layout) -> Verdict:
    """Pixels a degree at the ball: below 30 pixels are plain to see, the eye resolves about 60.

    That is no bar to golf; where films are a must, it is.
    """
    panel_px = known(projector.width_px, projector, "panel resolution")
    across_px = panel_px * picture.width_m / raster.width_m
    distance_m = max(layout.ball_to_screen_m, 0.1)
    value = pixels_per_degree(across_px, picture.width_m, distance_m)
    margin = value - PIXELS_PLAIN_PER_DEGREE
    state = State.CLEAR if judge(margin, 0.0) is State.CLEAR else lacking(brief, Purpose.FILMS)
    return Verdict(
        state,
        say("{value} at the ball; under {plain} pixels show", value=_ppd(value), plain=_ppd(PIXELS_PLAIN_PER_DEGREE)),
        measured=_ppd(value),
        required=_ppd(PIXELS_PLAIN_PER_DEGREE),
        margin=_ppd(margin),
        basis=Basis.TRADE,
        formula="pixels across / (2·atan(w / 2d))",
        inputs=lambda: (
            stated("Pixels across the picture", f"{across_px:.0f}"),
            stated("Picture width w", metres(picture.width_m)),
            placed("Eye to screen d", layout.ball_to_screen_m),
        ),
        changes=()
        if state is State.CLEAR
        else (say("More lines, a panel nearer to the picture's shape, or standing further back."),),
    )


def _light_inputs(lumens: float, gain: float, raster: Raster) -> tuple[Input, ...]:
    return (
        stated("Stated brightness Φ", _lm(lumens)),
        Input("In-use factor k", share(IN_USE_FACTOR), Basis.TRADE),
        stated("Screen gain G", Quantity(gain, Unit.FACTOR)),
        Input("Raster width Wr", metres(raster.width_m), Basis.PHYSICS),
        Input("Raster height Hr", metres(raster.height_m), Basis.PHYSICS),
    )


def _cd(value: float) -> Quantity:
    return Quantity(value, Unit.CANDELA_PER_SQUARE_METRE)


def _lm(value: float) -> Quantity:
    return Quantity(value, Unit.LUMEN)


def _ratio(value: float) -> Quantity:
    return Quantity(value, Unit.RATIO)


def _ppd(value: float) -> Quantity:
    return Quantity(value, Unit.PIXELS_PER_DEGREE)
