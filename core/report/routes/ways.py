"""The routes to an enclosure, a screen and a floor (trade hours)."""

import math
from collections.abc import Iterator, Mapping

from core.geometry.box_frame import CLOTH_PANELS, CORNERS, frame_cuts_m, open_edge_m
from core.geometry.cutting import cut_out
from core.geometry.floor_cover import tape_m
from core.model.build import Build, Slot
from core.model.facts import MissingFact, known
from core.model.household import Skill
from core.model.parts import (
    Carpet,
    Edge,
    Enclosure,
    FloorTiles,
    FrameFitting,
    FrameMaterial,
    Hanging,
    ImpactScreen,
    KitPiece,
    Padding,
    Part,
    SideProtection,
    Supply,
    Surface,
    Tool,
    Turf,
)
from core.money.costs import floor_cover
from core.quantities import Quantity, Unit, say
from core.report.routes.route import Basket, Route, RouteKind

USUAL_DEPTH_M = 1.2
AROUND_SCREEN_M = 0.1
"""Frame over screen, all round."""
HOURS_READY = 4.0
HOURS_PER_CUT = {"pipe": 0.2, "timber": 0.4}
HOURS_FRAME = {"pipe": 5.0, "timber": 14.0}
HOURS_SCREEN = {RouteKind.READY_MADE: 2.0, RouteKind.THRIFTY: 6.0}
HOURS_PER_M2 = {FloorTiles: 0.10, Carpet: 0.08, Turf: 0.25}
OVERHEAD = "Fix it to structure; nothing heavy hangs from board alone."
LADDER = "Two people and a firm ladder."


def routes_to(slot: Slot, build: Build, parts: Mapping[str, Part]) -> tuple[Route, ...]:
    """The ways to come by what hangs in `slot`; none where there is only one: to buy it."""
    ways = {Slot.ENCLOSURE: _to_enclosure, Slot.SCREEN: _to_screen, Slot.FLOOR: _to_floor}
    return tuple(ways[slot](build, parts)) if slot in ways else ()


def _to_enclosure(build: Build, parts: Mapping[str, Part]) -> Iterator[Route]:
    width_m, height_m, depth_m = _box_m(build, parts)
    inner_m = (width_m - 2 * AROUND_SCREEN_M, height_m - AROUND_SCREEN_M)
    basket = Basket(parts, build.brief)
    basket.cheapest(
        Enclosure,
        "a ready-made enclosure",
        say("Frame, sides and roof in one"),
        lambda _: 1,
        lambda kit: _ready(kit) and (kit.inner_width_m or 0) >= inner_m[0] and (kit.inner_height_m or 0) >= inner_m[1],
    )
    yield _route(RouteKind.READY_MADE, basket, HOURS_READY, (), LADDER)
    for kind, material, skills in (
        (RouteKind.THRIFTY, "pipe", ()),
        (RouteKind.FINE, "timber", (Skill.TIMBER, Skill.SEWING)),
    ):
        basket = Basket(parts, build.brief)
        cuts = frame_cuts_m(width_m, height_m, depth_m)
        _frame(basket, material, cuts)
        _cloth(basket, width_m, height_m, depth_m)
        hours = HOURS_FRAME[material] + len(cuts) * HOURS_PER_CUT[material]
        yield _route(kind, basket, hours, skills, f"{OVERHEAD} {LADDER}")


def _frame(basket: Basket, material: str, cuts: tuple[float, ...]) -> None:
    edges = say("{metres} of frame in {count} cuts", metres=_m(sum(cuts)), count=str(len(cuts)))
    stick = basket.cheapest(
        FrameMaterial,
        f"{material} for the frame",
        edges,
        lambda stick: len(cutting.sticks) if (cutting := cut_out(cuts, stick.stock_length_m or 0.0)) else None,
        lambda stick: stick.material == material,
    )
    section_m = stick.section_m if stick else None
    basket.cheapest(
        FrameFitting,
        f"corners for {material}",
        say("{count} corners", count=str(CORNERS)),
        lambda fitting: _packs(CORNERS, fitting.pack_size),
        lambda fitting: fitting.material == material and section_m in (None, fitting.fits_section_m),
    )
    if material == "pipe":
        _tool(basket, "pipe cutting", "a pipe cutter")


def _cloth(basket: Basket, width_m: float, height_m: float, depth_m: float) -> None:
    basket.cheapest(
        SideProtection,
        "cloth for sides and roof",
        say("Two sides and a roof"),
        lambda _: CLOTH_PANELS,
        lambda cloth: (cloth.width_m or 0) >= depth_m and (cloth.height_m or 0) >= height_m,
    )
    length_m = open_edge_m(width_m, height_m)
    basket.cheapest(
        Padding,
        "padding for its edges",
        say("{metres} of edge in reach of a ball", metres=_m(length_m)),
        lambda pad: _packs(length_m, (pad.length_m or 0) * (pad.pack_size or 0)),
        lambda pad: pad.purpose == "edge",
    )


def _to_screen(build: Build, parts: Mapping[str, Part]) -> Iterator[Route]:
    hung = _hung(build, parts, Slot.SCREEN)
    least_m = 0.0
    if isinstance(hung, Surface):
        least_m = min(hung.width_m or 0.0, hung.height_m or 0.0) - AROUND_SCREEN_M
    for kind, raw in ((RouteKind.READY_MADE, False), (RouteKind.THRIFTY, True)):
        basket = Basket(parts, build.brief)
        screen = basket.cheapest(
            ImpactScreen,
            "a screen with a raw edge" if raw else "a screen with finished edges",
            say("Hemmed and set with eyelets at home") if raw else say("With its edges finished"),
            lambda _: 1,
            lambda screen, raw=raw: (
                (screen.edge is Edge.RAW) is raw  # type: ignore[misc]
                and min(screen.width_m or 0, screen.height_m or 0) >= least_m
            ),
        )
        if screen is not None:
            _hang(basket, screen, raw=raw)
        skills = (Skill.SEWING,) if raw else ()
        caution = "Drop a ball against it before the first swing: eyes and heads are at stake."
        yield _route(kind, basket, HOURS_SCREEN[kind], skills, caution)


def _hang(basket: Basket, screen: ImpactScreen, *, raw: bool) -> None:
    around_m = 2 * ((screen.width_m or 0) + (screen.height_m or 0))
    edge = Edge.GROMMETS if raw else screen.edge
    if raw:
        _tool(basket, "eyelets", "eyelet pliers")
        basket.cheapest(Supply, "thread", say("For the hem"), lambda _: 1, lambda supply: supply.use == "thread")
    if screen.edge_spacing_m:
        count = math.ceil(around_m / screen.edge_spacing_m - 1e-9)
        basket.cheapest(
            Hanging,
            "cords",
            say("{count} fixings all round", count=str(count)),
            lambda cords: _packs(count, cords.pack_size),
            lambda cords: edge in (cords.takes or ()),
        )


def _to_floor(build: Build, parts: Mapping[str, Part]) -> Iterator[Route]:
    area_m2 = build.room.width_m * build.room.length_m
    ways = ((RouteKind.READY_MADE, FloorTiles), (RouteKind.THRIFTY, Carpet), (RouteKind.FINE, Turf))
    for kind, covering in ways:
        basket = Basket(parts, build.brief)
        laid = basket.cheapest(
            covering,
            "a covering of that kind",
            say("{area} wall to wall", area=Quantity(area_m2, Unit.SQUARE_METRE)),
            lambda flooring: _units(flooring, build),
            lambda _: True,
        )
        if isinstance(laid, Carpet | Turf) and laid.roll_width_m:
            _tape(basket, tape_m(build.room.width_m, build.room.length_m, laid.roll_width_m))
        if covering is Turf:
            glued = say("Glued down, the mat let in flush")
            basket.cheapest(Supply, "adhesive", glued, lambda _: 1, lambda supply: supply.use == "adhesive")
        hours = round(area_m2 * HOURS_PER_M2[covering], 1)
        yield _route(kind, basket, hours, (), "Cut-outs are planned before anything is stuck down.")


def _tape(basket: Basket, edge_m: float) -> None:
    basket.cheapest(
        Supply,
        "tape",
        say("{metres} along walls and seams", metres=_m(edge_m)),
        lambda tape: _packs(edge_m, (tape.length_m or 0) * (tape.pack_size or 0)),
        lambda tape: tape.use == "seam tape",
    )


def _units(flooring: Part, build: Build) -> int | None:
    assert isinstance(flooring, FloorTiles | Carpet | Turf)
    try:
        return floor_cover(flooring, build.room).units
    except MissingFact:
        return None


def _tool(basket: Basket, use: str, words: str) -> None:
    basket.cheapest(Tool, words, say("Bought for the job"), lambda _: 1, lambda tool: tool.use == use)


def _ready(kit: Enclosure) -> bool:
    return kit.leaves_out is not None and KitPiece.FRAME not in kit.leaves_out


def _route(kind: RouteKind, basket: Basket, hours: float, skills: tuple[Skill, ...], caution: str) -> Route:
    return Route(kind, tuple(basket.bought), hours, skills, caution, tuple(basket.lacks))


def _box_m(build: Build, parts: Mapping[str, Part]) -> tuple[float, float, float]:
    """Outside of the enclosure: the hung one's, else the screen's with a frame around it. Raises `MissingFact`."""
    kit, screen = _hung(build, parts, Slot.ENCLOSURE), _hung(build, parts, Slot.SCREEN)
    if isinstance(kit, Enclosure) and kit.outer_width_m and kit.outer_height_m and kit.depth_m:
        return kit.outer_width_m, kit.outer_height_m, kit.depth_m
    if not isinstance(screen, Surface):
        raise MissingFact("How large the enclosure must be", "Hang a screen first.")
    width_m, height_m = known(screen, "width_m"), known(screen, "height_m")
    return width_m + 2 * AROUND_SCREEN_M, height_m + build.layout.screen_bottom_m + AROUND_SCREEN_M, USUAL_DEPTH_M


def _hung(build: Build, parts: Mapping[str, Part], slot: Slot) -> Part | None:
    return parts.get(build.chain[slot].part) if slot in build.chain else None


def _packs(needed: float, holds: float | None) -> int | None:
    return math.ceil(needed / holds - 1e-9) if holds else None


def _m(value: float) -> Quantity:
    return Quantity(value, Unit.METRE)
