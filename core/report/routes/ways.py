"""The routes to an enclosure, a screen and a floor: which parts each school takes, or has made to measure (trade)."""

from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass

from core.model.build import Build, Slot
from core.model.facts import MissingFact, known
from core.model.parts import (
    Carpet,
    Edge,
    Enclosure,
    FloorTiles,
    ImpactScreen,
    KitPiece,
    Part,
    Price,
    Surface,
    Turf,
)
from core.report.routes.route import RouteKind

USUAL_DEPTH_M = 1.2
AROUND_SCREEN_M = 0.1
"""Frame over screen, all round."""
FRAME_SIDE_M = 0.05
"""What the frame takes of the width at each side, and of the height."""
OVERHEAD = "Fix it to structure; nothing heavy hangs from board alone. Two people and a firm ladder."
STRUCK = "Drop a ball against it before the first swing: eyes and heads are at stake."
CUT_OUT = "Cut-outs are planned before anything is stuck down."
NOTHING_BROUGHT = (KitPiece.FRAME, KitPiece.FITTINGS, KitPiece.CLOTH, KitPiece.CORDS, KitPiece.EDGE_PADDING)

Serves = Callable[[Part], bool]
MadeToMeasure = Callable[[Build, Mapping[str, Part]], Part]


@dataclass(frozen=True)
class Way:
    """One school's way to what hangs in a place."""

    kind: RouteKind
    words: str
    """What it takes of the catalogue."""
    takes: Serves
    caution: str
    made: MadeToMeasure | None = None
    """What is made to measure besides. Raises `MissingFact` where the measure is not known."""


def box_to_measure(frame_of: str) -> MadeToMeasure:
    """A box with a frame of pipe or timber, as large as the enclosure that hangs or as the screen asks for."""

    def made(build: Build, parts: Mapping[str, Part]) -> Part:
        width_m, height_m, depth_m = box_m(build, parts)
        return Enclosure.model_validate(
            {
                "id": f"made-to-measure-{frame_of}",
                "maker": "made here",
                "name": f"Box with a frame of {frame_of}",
                "price": Price(minor=0, currency=build.brief.currency),
                "outer_width_m": width_m,
                "outer_height_m": height_m,
                "inner_width_m": width_m - 2 * FRAME_SIDE_M,
                "inner_height_m": height_m - FRAME_SIDE_M,
                "depth_m": depth_m,
                "sides": True,
                "roof": True,
                "takes_edges": (Edge.GROMMETS, Edge.LOOPS),
                "leaves_out": NOTHING_BROUGHT,
                "frame_of": frame_of,
            }
        )

    return made


def box_m(build: Build, parts: Mapping[str, Part]) -> tuple[float, float, float]:
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


def _kit(*, with_frame: bool) -> Serves:
    return lambda part: (
        isinstance(part, Enclosure)
        and part.leaves_out is not None
        and (KitPiece.FRAME not in part.leaves_out) is with_frame
    )


def _screen(*, raw: bool) -> Serves:
    """One that a picture can be thrown on: a black face is no route to a projected simulator."""
    return lambda part: (
        isinstance(part, ImpactScreen)
        and part.carries_picture is not False
        and part.edge is not None
        and (part.edge is Edge.RAW) is raw
    )


def _covering(kind: type[Part]) -> Serves:
    return lambda part: isinstance(part, kind)


def _none(part: Part) -> bool:
    return False


WAYS: dict[Slot, tuple[Way, ...]] = {
    Slot.ENCLOSURE: (
        Way(RouteKind.READY_MADE, "a ready-made enclosure", _kit(with_frame=True), OVERHEAD),
        Way(RouteKind.THRIFTY, "fittings for a frame", _kit(with_frame=False), OVERHEAD, box_to_measure("pipe")),
        Way(RouteKind.FINE, "timber for a frame", _none, OVERHEAD, box_to_measure("timber")),
    ),
    Slot.SCREEN: (
        Way(RouteKind.READY_MADE, "a screen with finished edges", _screen(raw=False), STRUCK),
        Way(RouteKind.THRIFTY, "a screen with a raw edge", _screen(raw=True), STRUCK),
    ),
    Slot.FLOOR: (
        Way(RouteKind.READY_MADE, "tiles", _covering(FloorTiles), CUT_OUT),
        Way(RouteKind.THRIFTY, "carpet off the roll", _covering(Carpet), CUT_OUT),
        Way(RouteKind.FINE, "turf off the roll", _covering(Turf), CUT_OUT),
    ),
}
ITEMS_OF_WAY: dict[Slot, tuple[Slot, ...]] = {
    Slot.ENCLOSURE: (Slot.SCREEN, Slot.ENCLOSURE),
    Slot.SCREEN: (Slot.SCREEN,),
    Slot.FLOOR: (Slot.FLOOR,),
}
"""The places whose small items a way brings along or spares: all of them are bought before ways are compared."""


def candidates_of(way: Way, build: Build, parts: Mapping[str, Part]) -> Iterator[Part]:
    """The parts that a school may take, those of the catalogue first. Raises `MissingFact` as `made` does."""
    yield from (part for part in parts.values() if way.takes(part))
    if way.made is not None:
        yield way.made(build, parts)
