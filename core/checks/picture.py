"""Projector, picture and screen: shape, throw, lens height, shadow, brightness, sharpness."""

from math import atan2, degrees
from typing import Annotated

from core.bay import projector_box
from core.checks.cable_ways import ChainLines
from core.checks.declared import THERE
from core.checks.figures import enough, measured_in_room, metres, placed_input, share, stated_input
from core.checks.light import ScreenLight
from core.checks.limits import ENDLESS, State, Words, at_least, at_most, tightest
from core.checks.places import between, on
from core.checks.readings import HANGING_DROP_M, PROJECTOR_BODY_M, BallPlaces, BayMiddle, LensBand, OwnBall, Throw
from core.checks.register import check
from core.checks.signal import ArrivingLines
from core.checks.verdict import Answer, Basis, Cure, Input, press
from core.checks.weights import tolerance_of
from core.geometry.beam import light_passes_m
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
from core.geometry.solids import arms_box, golfer_box
from core.geometry.swing_disc import SwingDisc
from core.model import acts
from core.model.brief import Brief, Player, Purpose
from core.model.build import Slot
from core.model.facts import known
from core.model.parts import PictureSurface, Projector, Title
from core.model.room import Layout, Room
from core.quantities import Quantity, Sentence, Unit, say
from core.quantities.tolerances import ROUNDING, rounded_down, snapped

FILL_LEAST = 0.5
FILL_COMFORTABLE = 0.85
"""A picture on less than half of what was paid for is not worth hanging (trade)."""
THROW_COMFORT_M = 0.05
CONTRAST_LEAST = 7.0
CONTRAST_COMFORTABLE = 15.0
"""ANSI/INFOCOMM 3M-2011: 7:1 to follow a picture, 15:1 to work from it."""
LUMINANCE_TARGET = 55.0
"""cd/m² in a dark room (SMPTE, 16 fL)."""
LUMINANCE_LEAST = LUMINANCE_TARGET / 2
"""Half the target: one stop darker, which people still put up with (trade)."""
LIGHT_OFF_BODY_M = 0.30
"""From the light to somebody who bends over a ball and swings (trade)."""
NEARER_M = 0.01
"""A lens this much nearer than the golfer is before them."""
SHADOW_TOLERATED = 0.20
"""Share of the picture that a shadow may reach up before it hides the line of play (trade)."""
PIXELS_PLAIN_PER_DEGREE = 30.0
"""Below this, pixels are plain to see; the eye resolves about 60 (trade)."""
NEAREST_EYE_M = 0.1


@check("picture.shape", title="Picture on the screen", place=between(Slot.DISPLAY, Slot.SCREEN))
def screen_fill(title: Annotated[Title, THERE], screen: Annotated[PictureSurface, THERE], picture: Picture) -> Answer:
    """The best shape that the software draws fills enough of the screen.

    16:9 on a square fills 56.25 %, 4:3 on a square 75 %. Half is the least, 85 % comfortable (trade).
    """
    return Answer(
        at_least(picture.screen_fill, FILL_LEAST, FILL_COMFORTABLE, Unit.SHARE),
        headline=lambda: say(
            "{shape} fills {fill} of the screen", shape=picture.shape, fill=share(picture.screen_fill)
        ),
        formula="picture area / clear area of the screen, for the best shape the software draws",
        inputs=lambda: (
            stated_input("Software draws", ", ".join(title.shapes)),
            stated_input("Picture width", metres(picture.width_m)),
            stated_input("Picture height", metres(picture.height_m)),
            stated_input("Screen", screen.name),
        ),
        cures=lambda: (
            say("Choose a screen nearer to {shape}, or software that draws the screen's shape.", shape=picture.shape),
        ),
        basis=Basis.PHYSICS,
    )


@check("picture.panel", title="Projector on the picture", place=between(Slot.DISPLAY, Slot.SCREEN))
def panel_fill(projector: Annotated[Projector, THERE], picture: Picture, raster: Raster) -> Answer:
    """How much of the panel's pixels and light the picture uses: (w·h) / (Wr·Hr)."""
    return Answer(
        at_least(raster.panel_fill, FILL_LEAST, FILL_COMFORTABLE, Unit.SHARE),
        headline=lambda: say("Picture uses {fill} of the panel", fill=share(raster.panel_fill)),
        formula="(w·h) / (Wr·Hr), Wr = max(w, h·Ap), Hr = Wr / Ap",
        inputs=lambda: (
            stated_input("Panel", f"{projector.width_px} × {projector.height_px} pixels"),
            stated_input("Picture width w", metres(picture.width_m)),
            stated_input("Picture height h", metres(picture.height_m)),
            Input("Raster width Wr", metres(raster.width_m), Basis.PHYSICS),
        ),
        cures=lambda: (say("A panel nearer to {shape} wastes less light.", shape=picture.shape),),
        basis=Basis.PHYSICS,
    )


@check("picture.throw", title="Throw distance", place=on(Slot.DISPLAY))
def throw_distance(
    projector: Annotated[Projector, THERE],
    raster: Raster,
    throw: Throw,
    lens: Lens,
    room: Annotated[Room, "length_m"],
    layout: Annotated[Layout, "screen_y_m"],
) -> Answer:
    """The lens hangs where the zoom gives the picture's size, and the room reaches that far.

    D = throw ratio × raster width. A 16:9 panel on a 2.60 m square at 0.69–0.83 hangs 3.19–3.84 m from it. What the
    zoom gives is comfortable 50 mm from either end, or in its middle where it gives less.
    """
    room_m = room.length_m - layout.screen_y_m - PROJECTOR_BODY_M
    comfort_m = min(THROW_COMFORT_M, (throw.far_m - throw.near_m) / 2)
    in_zoom = throw.near_m + comfort_m, throw.far_m - comfort_m
    hangs_m = snapped(lens.distance_m, *in_zoom)
    near = at_least(hangs_m, throw.near_m, in_zoom[0])
    far = at_most(hangs_m, throw.far_m, in_zoom[1])
    within = at_least(room_m, hangs_m, hangs_m + THROW_COMFORT_M)
    limits = (near, far, within)
    at_ease = in_zoom[0], min(in_zoom[1], room_m - THROW_COMFORT_M)
    at_all_m = min(throw.far_m, room_m)
    return Answer(
        limits,
        headline=lambda: (
            say("Hangs {hangs} out, the room allows {room}", hangs=within.wants, room=within.has)
            if tightest(limits) is within
            else say("Hangs {hangs} out, throws from {near} to {far}", hangs=near.has, near=near.wants, far=far.wants)
        ),
        formula="D = throw ratio × Wr at both ends of the zoom; room length − gap − 0.20 m for body and cables",
        inputs=lambda: (
            stated_input("Least throw ratio", Quantity(projector.throw_min or 0.0, Unit.FACTOR)),
            stated_input("Greatest throw ratio", Quantity(projector.throw_max or 0.0, Unit.FACTOR)),
            Input("Raster width Wr", metres(raster.width_m), Basis.PHYSICS),
            placed_input(
                "Lens to screen (proposed)" if layout.lens_distance_m is None else "Lens to screen", lens.distance_m
            ),
            measured_in_room(room, "length_m", "Length"),
        ),
        cures=lambda: (
            press(
                acts.laid_out(lens_distance_m=sum(at_ease) / 2),
                "Hang it between {near} and {far} from the screen.",
                near=metres(at_ease[0]),
                far=metres(at_ease[1]),
            )
            if at_ease[0] <= at_ease[1]
            else press(
                acts.laid_out(lens_distance_m=(near.least + at_all_m) / 2),
                "Hang it {near} to {far} from the screen: it just fits.",
                State.TIGHT,
                near=near.wants,
                far=metres(at_all_m),
            )
            if near.least <= at_all_m and tightest(limits).state is State.BLOCKED
            else say(
                "Needs a throw ratio of {ratio} or less for this room and picture.",
                ratio=Quantity(room_m / raster.width_m, Unit.FACTOR),
            ),
        ),
        basis=Basis.PHYSICS,
    )


@check("picture.lens_height", title="Lens height and keystone", place=on(Slot.DISPLAY))
def lens_height(
    projector: Annotated[Projector, "keystone_max_deg"],
    band: LensBand,
    lens: Lens,
    layout: Annotated[Layout, "screen_bottom_m", "screen_y_m"],
    ceiling: Ceiling,
) -> Answer:
    """The lens is within the band of heights that offset and shift give, and the projector's body under the ceiling.

    Outside the band the projector is tilted and the picture squared by keystone, which costs pixels: tight. Beyond
    the angle that the maker states, the picture cannot be squared.
    """
    height_m = snapped(lens.height_m, band.lowest_m, band.highest_m)
    angle = keystone_deg(height_m, (band.lowest_m, band.highest_m), lens.distance_m)
    squares = known(projector, "keystone_max_deg") if angle > 0 else projector.keystone_max_deg or 0.0
    low, high = projector_box(lens, layout.screen_y_m)
    ceiling_m = ceiling.lowest_over_m((low[0], high[0]), (low[1], high[1]))
    outside_m = max(band.lowest_m - height_m, height_m - band.highest_m)
    keystone = at_most(angle, squares, 0.0, Unit.DEGREE)
    under = at_most(high[2], ceiling_m)
    in_band = at_least(height_m, band.lowest_m), at_most(height_m, band.highest_m)
    return Answer(
        (under, keystone) if angle > 0 else (under, *in_band),
        headline=lambda: (
            say("Its body reaches up to {top}, the ceiling is at {ceiling}", top=under.has, ceiling=under.wants)
            if under.state is State.BLOCKED
            else say("Lens {height} up, inside its band", height=metres(height_m))
            if angle == 0
            else say(
                "Lens {height} up, {outside} outside its band: {angle} of keystone",
                height=metres(height_m),
                outside=metres(outside_m),
                angle=keystone.has,
            )
        ),
        formula="band = top of raster + offset × Hr; keystone = atan(outside the band / D)",
        inputs=lambda: (
            Input("Lowest without keystone", metres(band.lowest_m), Basis.SPEC),
            Input("Highest without keystone", metres(band.highest_m), Basis.SPEC),
            placed_input("Lens height", lens.height_m),
            placed_input("Lens to screen", lens.distance_m),
            Input("Keystone it can square", keystone.wants, Basis.SPEC),
            Input("Ceiling over its body", metres(ceiling_m), Basis.MEASURED),
        ),
        cures=lambda: (_lens_cure(band, ceiling_m - HANGING_DROP_M, layout.screen_bottom_m),),
    )


@check("picture.lens_aside", title="Lens beside the picture's middle", place=on(Slot.DISPLAY))
def lens_aside(
    projector: Annotated[Projector, "keystone_across_max_deg", "lens_aside_max"],
    lens: Lens,
    middle: BayMiddle,
    raster: Raster,
) -> Answer:
    """The lens hangs before the picture's middle, or beside it by no more than its horizontal shift × Wr.

    Beyond that the projector is turned and the picture squared by keystone = atan(rest / D), which costs pixels: tight.
    Beyond the angle that the maker states, the picture cannot be squared.
    """
    aside_m = abs(lens.x_m - middle.x_m)
    is_aside = aside_m > ROUNDING
    reach_m = known(projector, "lens_aside_max") * raster.width_m if is_aside else 0.0
    rest_m = max(0.0, aside_m - reach_m - ROUNDING)
    angle = degrees(atan2(rest_m, lens.distance_m))
    squares = known(projector, "keystone_across_max_deg") if rest_m else 0.0
    keystone = at_most(angle, squares, 0.0, Unit.DEGREE)
    shifted = at_most(aside_m, reach_m + ROUNDING)
    side = "right" if lens.x_m > middle.x_m else "left"
    within_m = rounded_down(reach_m)
    inward_m = middle.x_m + (within_m if side == "right" else -within_m)
    return Answer(
        keystone if rest_m else shifted,
        headline=lambda: (
            say("Lens before the picture's middle")
            if not is_aside
            else say(
                "Lens {aside} to the {side}, its shift reaches {reach}",
                side=side,
                aside=metres(aside_m),
                reach=metres(reach_m),
            )
            if not rest_m
            else say(
                "Lens {aside} to the {side}: {angle} of keystone across",
                side=side,
                aside=metres(aside_m),
                angle=keystone.has,
            )
        ),
        formula="|lens − middle of the picture| − horizontal shift × Wr; keystone = atan(rest / D)",
        inputs=lambda: (
            placed_input("Lens beside the middle", aside_m),
            Input("Its shift reaches", metres(reach_m), Basis.SPEC),
            Input("Raster width Wr", metres(raster.width_m), Basis.PHYSICS),
            placed_input("Lens to screen D", lens.distance_m),
            Input("Keystone across that it can square", keystone.wants, Basis.SPEC),
        ),
        cures=lambda: (
            press(acts.laid_out(lens_x_m=None), "Hang the lens before the picture's middle."),
            *(
                (
                    press(
                        acts.laid_out(lens_x_m=inward_m),
                        "Hang it {reach} to the {side} at most.",
                        reach=metres(within_m),
                        side=side,
                    ),
                )
                if within_m
                else ()
            ),
        ),
        basis=Basis.PHYSICS,
    )


def _lens_cure(band: LensBand, hangs_m: float, bottom_m: float) -> Sentence | Cure:
    """`hangs_m` is as high as a lens hangs, `bottom_m` the lower edge of the screen, which goes down to the floor."""
    lower_m = band.lowest_m - hangs_m
    if lower_m <= 0:
        highest_m = min(band.highest_m, hangs_m)
        act = acts.laid_out(lens_height_m=(band.lowest_m + highest_m) / 2)
        return press(act, "Hang the lens between {low} and {high}.", low=metres(band.lowest_m), high=metres(highest_m))
    if lower_m <= bottom_m:
        less = enough(lower_m)
        high = metres(band.lowest_m - less.value)
        return press(
            acts.together(acts.moved(screen_bottom_m=-less.value), acts.laid_out(lens_height_m=high.value)),
            "Lower the picture by {less}, with the lens {high} up.",
            less=less,
            high=high,
        )
    return say("Choose a projector with more vertical shift, or a smaller picture.")


@check("picture.shadow", title="Golfer's shadow", place=on(Slot.DISPLAY))
def golfers_shadow(
    player: Annotated[Player, "early_release", "handedness", "height_m", "longest_club", "measured_reaches"],
    picture: Picture,
    lens: Lens,
    layout: Annotated[Layout, "screen_y_m"],
    middle: BayMiddle,
    ball: OwnBall,
    disc: SwingDisc,
) -> Answer:
    """How far up the picture the player's shadow reaches, by similar triangles through the lens.

    The head is H + 0.05 m above the hitting surface, as far from the screen as the ball, and beside it by the
    swing's hub. No shadow is clear; up to a fifth of the picture is tight (trade). Body, arms and club move: where the
    light passes within 0.30 m of somebody bent over the ball it is tight at best (a body of 0.60 × 0.70 m at the hub,
    and arms from there to the ball up to 0.6·H).
    """
    bodies = (golfer_box(player, ball.at), arms_box(player, ball.at))
    passes_m = min(light_passes_m(lens, picture, middle.x_m, layout.screen_y_m, box) for box in bodies)
    near = at_least(passes_m, 0.0, LIGHT_OFF_BODY_M, tolerated=ENDLESS)
    head_m = ball.at[2] + player.height_m + HEAD_OVER_HEIGHT_M
    distance_m = ball.at[1] - layout.screen_y_m
    reaches = shadow_share(lens, picture, middle.x_m, ball.at[0] + disc.hub_x_m, head_m, distance_m)
    shadow = at_most(reaches, SHADOW_TOLERATED, 0.0, Unit.SHARE)
    # Where there is a shadow, that is what is told.
    limits = (shadow, near) if reaches == 0 and near.state is not State.CLEAR else (shadow,)
    edge_m = beam_floor_m(lens, picture, distance_m) if lens.distance_m > distance_m else lens.height_m
    return Answer(
        limits,
        headline=lambda: (
            say("The light passes {near} from {who} bent over the ball", near=near.has, who=player.name)
            if tightest(limits) is near
            else say("{who} casts no shadow on the picture", who=player.name)
            if reaches == 0
            else say("{who}'s shadow reaches {share} up the picture", who=player.name, share=share(reaches))
        ),
        formula="z0 − (z0 − head)·D / (D − s), where the head is above the beam's lower edge",
        inputs=lambda: (
            Input("Top of the head", metres(head_m), Basis.MEASURED),
            placed_input("Head to screen s", distance_m),
            placed_input("Lens to screen D", lens.distance_m),
            placed_input("Lens height z0", lens.height_m),
            Input("Beam's lower edge there", metres(edge_m), Basis.PHYSICS),
            Input("Light to body and arms", near.has, Basis.TRADE),
        ),
        cures=lambda: (
            press(
                acts.laid_out(lens_distance_m=max(distance_m - NEARER_M, NEARER_M)),
                "Hang the lens nearer than the golfer, under {s} from the screen.",
                State.TIGHT,
                s=metres(distance_m),
            ),
            say("Hang the lens higher, or raise the picture."),
        ),
        basis=Basis.PHYSICS,
    )


@check("picture.luminance", title="Brightness of the picture", place=between(Slot.DISPLAY, Slot.SCREEN))
def luminance(
    projector: Annotated[Projector, "lumens"], screen: Annotated[PictureSurface, "gain"], raster: Raster
) -> Answer:
    """White on the screen reaches about 55 cd/m² (SMPTE, 16 fL); half of that is the least (trade).

    L = Φ·k·G / (π·Wr·Hr), k = 0.75 for mode and ageing.
    """
    lumens, gain = known(projector, "lumens"), known(screen, "gain")
    limit = at_least(
        picture_luminance(lumens, gain, raster), LUMINANCE_LEAST, LUMINANCE_TARGET, Unit.CANDELA_PER_SQUARE_METRE
    )
    return Answer(
        limit,
        headline=lambda: say(
            "White at {value}, {target} is the aim",
            value=limit.has,
            target=Quantity(LUMINANCE_TARGET, Unit.CANDELA_PER_SQUARE_METRE),
        ),
        formula="L = Φ·k·G / (π·Wr·Hr)",
        inputs=lambda: _light_inputs(lumens, gain, raster),
        cures=lambda: (say("{needed} reach the aim.", needed=_lm(lumens * LUMINANCE_TARGET / limit.measured)),),
        basis=Basis.PHYSICS,
    )


@check("picture.contrast", title="Contrast against the room's light", place=between(Slot.DISPLAY, Slot.SCREEN))
def contrast(
    projector: Annotated[Projector, "lumens", "native_contrast"],
    screen: Annotated[PictureSurface, "gain"],
    raster: Raster,
    light: ScreenLight,
) -> Answer:
    """White over black in the room's light: 7:1 to follow the picture, 15:1 to work from it.

    (L + La + L/C) / (La + L/C), La = E·G / π (ANSI/INFOCOMM 3M-2011 classes).
    """
    lumens, native, gain = known(projector, "lumens"), known(projector, "native_contrast"), known(screen, "gain")
    value = picture_luminance(lumens, gain, raster)
    ratio = contrast_ratio(value, ambient_luminance(light.lux, gain), native)
    limit = at_least(ratio, CONTRAST_LEAST, CONTRAST_COMFORTABLE, Unit.RATIO)
    return Answer(
        limit,
        headline=lambda: say("{ratio} in {light} of room light", ratio=limit.has, light=Quantity(light.lux, Unit.LUX)),
        formula="(L + La + L/C) / (La + L/C), La = E·G / π",
        inputs=lambda: (
            *_light_inputs(lumens, gain, raster),
            Input("Room light on the screen E", Quantity(light.lux, Unit.LUX), light.basis),
            *(Input(what, Quantity(lux, Unit.LUX), Basis.PHYSICS) for what, lux in light.made_of),
            stated_input("Native contrast C", Quantity(native, Unit.RATIO)),
        ),
        cures=lambda: (
            say(
                "Darken the room to {lux} on the screen.",
                lux=Quantity(lux_for_contrast(CONTRAST_COMFORTABLE, lumens, native, raster), Unit.LUX),
            ),
            say(
                "Or {lumens} in this light.",
                lumens=_lm(lumens_for_contrast(CONTRAST_COMFORTABLE, light.lux, native, raster)),
            ),
        ),
        basis=Basis.STANDARD,
    )


@check("picture.sharpness", title="Sharpness from the ball", place=between(Slot.DISPLAY, Slot.SCREEN))
def sharpness(
    brief: Annotated[Brief, "purposes"],
    projector: Annotated[Projector, "height_px", "width_px"],
    picture: Picture,
    raster: Raster,
    places: BallPlaces,
    arriving: ArrivingLines | None,
) -> Answer:
    """Pixels a degree at the ball: below 30 pixels are plain to see, the eye resolves about 60.

    That is no bar to golf; where films are a must, it is. A panel shows no more lines than arrive.
    """
    shown = min(1.0, arriving.lines / known(projector, "height_px")) if arriving and arriving.lines else 1.0
    across_px = known(projector, "width_px") * shown * picture.width_m / raster.width_m
    value = pixels_per_degree(across_px, picture.width_m, max(places.to_screen_m, NEAREST_EYE_M))
    limit = at_least(
        value,
        PIXELS_PLAIN_PER_DEGREE,
        unit=Unit.PIXELS_PER_DEGREE,
        tolerated=tolerance_of(brief, Purpose.FILMS),
    )
    return Answer(
        limit,
        headline=lambda: say("{value} at the ball; under {plain} pixels show", value=limit.has, plain=limit.wants),
        formula="pixels across / (2·atan(w / 2d))",
        inputs=lambda: (
            stated_input("Pixels across the picture", f"{across_px:.0f}"),
            stated_input("Picture width w", metres(picture.width_m)),
            placed_input("Eye to screen d", places.to_screen_m),
        ),
        cures=lambda: (say("More lines, a panel nearer to the picture's shape, or standing further back."),),
        basis=Basis.TRADE,
    )


@check("picture.wish", title="Lines that are wished for", place=between(Slot.MACHINE, Slot.DISPLAY))
def wanted_lines(brief: Annotated[Brief, "lines_wanted", "purposes"], chain: ChainLines) -> Answer:
    """The picture has the lines that are wished for, all the way from software and machine to the display.

    Fewer are tight, and ruled out where films are a must. Without a wish any number does.
    """
    wanted = brief.lines_wanted
    limit = at_least(chain.lines, wanted or 0, unit=Unit.LINES, tolerated=tolerance_of(brief, Purpose.FILMS))
    return Answer(
        limit if wanted else Words(State.CLEAR, limit.has, "any"),
        headline=lambda: (
            say(
                "{lines} arrive, {wanted} are wished for; the weakest is {name}",
                name=chain.weakest,
                lines=limit.has,
                wanted=limit.wants,
            )
            if wanted
            else say("{lines} arrive, and nobody has wished for more", lines=limit.has)
        ),
        formula="the least lines of software, machine and display − lines wished for",
        inputs=lambda: (
            stated_input("Weakest", chain.weakest),
            Input("Wished for", limit.wants if wanted else "any", Basis.MEASURED),
        ),
        cures=lambda: (say("Replace {name} by one that does {wanted}.", name=chain.weakest, wanted=limit.wants),),
        basis=Basis.SPEC,
    )


def _light_inputs(lumens: float, gain: float, raster: Raster) -> tuple[Input, ...]:
    return (
        stated_input("Stated brightness Φ", _lm(lumens)),
        Input("In-use factor k", share(IN_USE_FACTOR), Basis.TRADE),
        stated_input("Screen gain G", Quantity(gain, Unit.FACTOR)),
        Input("Raster width Wr", metres(raster.width_m), Basis.PHYSICS),
        Input("Raster height Hr", metres(raster.height_m), Basis.PHYSICS),
    )


def _lm(value: float) -> Quantity:
    return Quantity(value, Unit.LUMEN)
