"""The readings of a build: its records and parts by type, and what is derived from them."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from datetime import date
from functools import cache
from typing import Annotated, Literal

from core.checks.laid_floor import LaidFloor
from core.checks.memo import Memo
from core.checks.register import derive
from core.checks.verdict import Basis, Input
from core.geometry.ceiling import Ceiling, ceiling_of
from core.geometry.picture import Picture, Raster, fit_shape, lens_band_m, raster_around, throw_range_m
from core.geometry.shadow import Lens
from core.geometry.swing_disc import Point3
from core.model.brief import Brief, Handedness, Player
from core.model.build import Build, Slot
from core.model.chain import Chain, resolve_chain
from core.model.facts import known, known_some
from core.model.kit import Beside, Kit, resolve_kit
from core.model.ledger import Ledger
from core.model.parts import (
    KINDS,
    FloorStanding,
    Mat,
    Part,
    PictureSurface,
    Plan,
    Projector,
    SideCamera,
    Title,
    kinds_of,
)
from core.model.room import Layout, MatLies, Room
from core.quantities import Quantity, Unit

One = Callable[[type, object], object]
"""Gives the one object for every reading of a kind that is equal to it."""
MONITOR_BODY_M = 0.15
"""Depth of a floor-standing monitor with its cable (trade)."""
PLACEMENT_COMFORT_M = 0.10
"""What is left behind or beside a monitor where it stands at ease (trade)."""
HANGING_DROP_M = 0.15
"""Least distance of a hanging projector's lens below the ceiling: mount and half the body (trade)."""
STANCE_M = 0.70
"""From the ball to the feet that are nearest the edge of a strip (trade)."""
USUAL_MAT_M = 0.045
"""Of a mat that nobody has chosen yet: the thick end of what is sold (trade)."""
PROJECTOR_BODY_M = 0.20
"""What a projector and its cables need behind the lens (trade)."""


@dataclass(frozen=True)
class Today:
    """The day on which the build is looked at."""

    date: date


@dataclass(frozen=True)
class HittingSurface:
    """Heights above the bare floor, in metres."""

    height_m: float
    """Where the ball lies and the golfer stands."""
    floor_m: float
    """Top of the floor that the mat lies in or on."""
    follows_floor: bool = False
    """It is as much higher as the floor under it."""
    assumed: str = ""
    """What nobody has chosen or said yet, and is taken to be as usual; empty where all is known."""

    @property
    def told(self) -> Input:
        """How high people stand, and what that is taken from."""
        words = f"Floor and mat, {self.assumed}" if self.assumed else "Floor and mat"
        return Input(words, Quantity(self.height_m, Unit.METRE), Basis.TRADE if self.assumed else Basis.SPEC)


@dataclass(frozen=True)
class FloorBeside:
    """The floor beside the mat, where one stands to strike off a strip."""

    height_m: float
    """Its top above the bare floor."""


@dataclass(frozen=True)
class BallPlaces:
    """Where the ball of each hand lies on the floor, in metres; the same, where there is one spot for both."""

    right: tuple[float, float]
    left: tuple[float, float]
    screen_y_m: float

    def of(self, hand: Handedness) -> tuple[float, float]:
        """Where players of this hand hit from."""
        return self.right if hand is Handedness.RIGHT else self.left

    @property
    def spots(self) -> tuple[tuple[float, float], ...]:
        """One spot, or one for each hand."""
        return (self.right,) if self.left == self.right else (self.right, self.left)

    @property
    def to_screen_m(self) -> float:
        """From the nearest ball to the screen; negative with a ball behind it."""
        return min(y for _, y in self.spots) - self.screen_y_m


@dataclass(frozen=True)
class Balls:
    """The balls on their mats."""

    places: BallPlaces
    surface_m: float

    def of(self, hand: Handedness) -> Point3:
        """x, y, z of the ball of players of this hand."""
        return (*self.places.of(hand), self.surface_m)

    @property
    def spots(self) -> tuple[Point3, ...]:
        """One spot, or one for each hand."""
        return tuple((*spot, self.surface_m) for spot in self.places.spots)


@dataclass(frozen=True)
class Ball:
    """The ball on its mat, the right-handers' where each hand has its own: x, y, z in the room, in metres."""

    at: Point3


@dataclass(frozen=True)
class OwnBall:
    """The ball that a player hits: x, y, z in the room, in metres."""

    at: Point3


@dataclass(frozen=True)
class BayMiddle:
    """The middle of screen, picture and enclosure across the room, in metres from the left wall."""

    x_m: float


@dataclass(frozen=True)
class MonitorSpot:
    """How far from the ball a floor-standing monitor is."""

    distance_m: float
    proposed: bool


@dataclass(frozen=True)
class LensBand:
    """Lens heights above the bare floor that need no keystone, in metres."""

    lowest_m: float
    highest_m: float


@dataclass(frozen=True)
class Throw:
    """Least and greatest lens distance for the picture, in metres."""

    near_m: float
    far_m: float


@dataclass(frozen=True)
class Tested:
    """What the household has tested where it is used; `None` what it has not."""

    signal: Literal["good", "weak"] | None = None
    """Of the monitor, where it stands."""
    bounce_m: float | None = None
    """How far a slow shot came back off the screen, in metres."""
    used_hours: float = 0.0
    """What the light of the display has run already."""


@dataclass(frozen=True)
class Filled:
    """The places of the chain where something hangs, and the small items that are bought or owned."""

    slots: frozenset[Slot]
    items: frozenset[str]
    struck: frozenset[str] = frozenset()
    """The small items that somebody does without, or has in the workshop."""


@cache
def given_types() -> frozenset[type]:
    """Every type of reading that a build itself may give."""
    parts = {kind for sheet in KINDS.values() for kind in kinds_of(sheet)}
    plans = {plan for sheet in parts for plan in _plans_of(sheet)}
    records = {Brief, Room, Layout, Ledger, Player, Today, Tested, Filled, Chain, Kit}
    return frozenset({*records, *parts, *plans, *(Beside.of(kind) for kind in parts)})


class Given(dict[type, object]):
    """The readings that a build itself gives, each under its own class and every class that it is a kind of."""

    def __init__(self, build: Build, of_chain: Mapping[type, object], of_kit: Mapping[type, object]) -> None:
        super().__init__(
            {Brief: build.brief, Room: build.room, Layout: build.layout, Ledger: build.ledger, **of_chain, **of_kit}
        )
        self.build = build
        self.of_chain = of_chain
        """What hangs on the chain."""
        self.of_kit = of_kit
        """What stands beside it."""


def given_readings(
    build: Build,
    parts: Mapping[str, Part],
    today: Today | None = None,
    *,
    before: Given | None = None,
    memo: Memo | None = None,
) -> Given:
    """The records, parts and plans of a build; what it has in common with a build `before` is the very same.

    What is made of them is one object for each value of which `memo` knows. Raises `UnknownPart` where the build names
    a part or plan that is not there.
    """
    one = memo.one if memo else _as_it_is
    of_chain = before.of_chain if before and _same_chain(build, parts, before) else _of_chain(build, parts, one)
    of_kit = before.of_kit if before and _same_kit(build, parts, before) else _of_kit(build, parts, one)
    given = Given(build, of_chain, of_kit)
    struck = frozenset(id for id, decision in build.small_items.items() if decision.choice == "strike")
    given[Filled] = one(Filled, Filled(frozenset(build.chain), frozenset(build.small_items) - struck, struck))
    if today is not None:
        given[Today] = one(Today, today)
    return given


def _as_it_is(_: type, value: object) -> object:
    return value


def _same_chain(build: Build, parts: Mapping[str, Part], before: Given) -> bool:
    chain = before[Chain]
    assert isinstance(chain, Chain)
    return build.chain is before.build.chain and all(parts.get(hung.part.id) is hung.part for hung in chain)


def _same_kit(build: Build, parts: Mapping[str, Part], before: Given) -> bool:
    kit, was = before[Kit], before.build
    assert isinstance(kit, Kit)
    same = build.extras is was.extras and build.small_items is was.small_items
    return same and all(parts.get(part.id) is part for part in kit.parts)


def _of_chain(build: Build, parts: Mapping[str, Part], one: One) -> Mapping[type, object]:
    chain = resolve_chain(build, parts)
    monitor, screen, display = (chain.at(slot) for slot in (Slot.MONITOR, Slot.SCREEN, Slot.DISPLAY))
    tested = Tested(
        monitor.decided.signal if monitor else None,
        screen.decided.bounce_m if screen else None,
        (display.decided.used_hours or 0.0) if display else 0.0,
    )
    readings = {Chain: one(Chain, chain), Tested: one(Tested, tested)}
    for hung in chain:
        readings.update(hung_readings(hung.part, hung.plan))
    return readings


def _of_kit(build: Build, parts: Mapping[str, Part], one: One) -> Mapping[type, object]:
    kit = resolve_kit(build, parts)
    return {Kit: one(Kit, kit), **{kind: one(kind, beside) for kind, beside in kit.by_kind().items()}}


def hung_readings(part: Part, plan: Plan | None) -> dict[type, object]:
    """What hangs in one place, under its own class and every class that it is a kind of."""
    found: dict[type, object] = dict.fromkeys(kinds_of(type(part)), part)
    return found if plan is None else {**found, **dict.fromkeys(kinds_of(type(plan)), plan)}


@derive
def hitting_surface(
    mat: Annotated[Mat, "thickness_m"] | None,
    floor: LaidFloor | None,
    places: BallPlaces,
    layout: Annotated[Layout, "mat_lies"],
) -> HittingSurface:
    """Where people stand: the mat's top, in its cut-out or over the covering.

    Before a mat is chosen a usual one of 45 mm is assumed, the thick end, and before somebody says that it is let in,
    that it lies on top: what is clear of the ceiling then stays so. Over two spots the higher one counts for both.
    """
    floor_m = max(floor.height_m(*spot) for spot in places.spots) if floor else 0.0
    mat_m = known(mat, "thickness_m") if mat else USUAL_MAT_M
    if layout.mat_lies is MatLies.LET_IN and floor_m:
        height_m, lies = max(mat_m, floor_m) if mat is None else mat_m, ""
    else:
        said = not floor_m or layout.mat_lies
        height_m, lies = floor_m + mat_m, "" if said else "as if the mat lay on the covering"
    usual = "" if mat else "with a usual mat"
    follows = layout.mat_lies is not MatLies.LET_IN or mat is None
    return HittingSurface(height_m, floor_m, follows, ", ".join(filter(None, (usual, lies))))


@derive
def floor_beside(
    floor: LaidFloor, places: BallPlaces, brief: Annotated[Brief, "players", "visitors"], surface: HittingSurface
) -> FloorBeside:
    """Under the feet of whoever stands the most out of level with the floor that the mat is on."""
    stands = (_stance(places, hand) for hand in hands_that_play(brief) or (Handedness.RIGHT,))
    heights_m = (floor.height_m(*at) for at in stands)
    return FloorBeside(max(heights_m, key=lambda height_m: abs(height_m - surface.floor_m)))


def _stance(places: BallPlaces, hand: Handedness) -> tuple[float, float]:
    """Where a player of this hand stands: right-handers to the left of the ball as they face the target."""
    x_m, y_m = places.of(hand)
    return x_m + (-STANCE_M if hand is Handedness.RIGHT else STANCE_M), y_m


def hands_that_play(brief: Brief) -> tuple[Handedness, ...]:
    """Each hand that somebody plays with, right first; visitors may be of either."""
    hands = {player.handedness for player in brief.players} | (set(Handedness) if brief.visitors else set())
    return tuple(hand for hand in Handedness if hand in hands)


@derive
def ball_places(
    layout: Annotated[Layout, "ball_x_m", "ball_y_m", "left_ball_x_m", "left_ball_y_m", "screen_y_m"],
) -> BallPlaces:
    """Where the balls were placed."""
    return BallPlaces(layout.ball_of(Handedness.RIGHT), layout.ball_of(Handedness.LEFT), layout.screen_y_m)


@derive
def balls(places: BallPlaces, surface: HittingSurface) -> Balls:
    """On what people hit from."""
    return Balls(places, surface.height_m)


@derive
def ball(balls: Balls) -> Ball:
    """The one spot, or the first."""
    return Ball(balls.spots[0])


@derive
def own_ball(player: Annotated[Player, "handedness"], balls: Balls) -> OwnBall:
    """At the spot of the player's hand."""
    return OwnBall(balls.of(player.handedness))


@derive
def ceiling(
    room: Annotated[Room, "ceiling_m", "ceiling_shape", "length_m", "lining_m", "ridge_m", "width_m"],
) -> Ceiling:
    """The underside of the ceiling, lining taken off."""
    return ceiling_of(room)


@derive
def picture(
    title: Annotated[Title, "shapes"] | None,
    screen: Annotated[PictureSurface, "border_m", "height_m", "width_m"],
    layout: Annotated[Layout, "screen_bottom_m"],
) -> Picture | None:
    """The largest picture of any shape the software draws, at the foot of the screen's clear area."""
    if title is None:
        return None
    width_m, height_m = clear_area_m(screen)
    border_m = known(screen, "border_m")
    shapes = known_some(title, "shapes")
    fitted = {shape: fit_shape(aspect_of(shape), width_m, height_m) for shape in shapes}
    shape = max(fitted, key=lambda shape: fitted[shape][0] * fitted[shape][1])
    fit_m = fitted[shape]
    fill = fit_m[0] * fit_m[1] / (width_m * height_m)
    return Picture(*fit_m, layout.screen_bottom_m + border_m, shape, fill)


@derive
def raster(projector: Annotated[Projector, "height_px", "width_px"], picture: Picture) -> Raster:
    """What the projector lights to carry the picture."""
    across, down = known(projector, "width_px"), known(projector, "height_px")
    return raster_around(picture.width_m, picture.height_m, across / down)


@derive
def throw(projector: Annotated[Projector, "throw_max", "throw_min"], raster: Raster) -> Throw:
    """D = throw ratio × raster width, at both ends of the zoom."""
    return Throw(*throw_range_m(known(projector, "throw_min"), known(projector, "throw_max"), raster.width_m))


@derive
def lens_band(
    projector: Annotated[Projector, "lens_above_max", "lens_above_min"], picture: Picture, raster: Raster
) -> LensBand:
    """The band of lens heights that offset and vertical shift give."""
    lowest, highest = known(projector, "lens_above_min"), known(projector, "lens_above_max")
    return LensBand(*lens_band_m(picture, raster, lowest, highest))


@derive
def bay_middle(room: Annotated[Room, "width_m"], layout: Annotated[Layout, "screen_x_m"]) -> BayMiddle:
    """Where the bay was put across the room; else the middle of the room."""
    return BayMiddle(layout.bay_middle_m(room))


@derive
def lens(
    layout: Annotated[Layout, "lens_distance_m", "lens_height_m", "lens_x_m", "screen_y_m"],
    room: Annotated[Room, "length_m"],
    middle: BayMiddle,
    ceiling: Ceiling,
    throw: Throw,
    band: LensBand,
) -> Lens:
    """The lens as placed; else proposed: the middle of what throw and room allow, as high as band and ceiling do."""
    distance_m, height_m = layout.lens_distance_m, layout.lens_height_m
    x_m = middle.x_m if layout.lens_x_m is None else layout.lens_x_m
    if distance_m is None:
        room_m = room.length_m - layout.screen_y_m - PROJECTOR_BODY_M
        distance_m = max(throw.near_m, (throw.near_m + min(throw.far_m, room_m)) / 2)
    if height_m is None:
        hanging_m = ceiling.height_m(x_m, layout.screen_y_m + distance_m) - HANGING_DROP_M
        height_m = min(band.highest_m, hanging_m)
    proposed = layout.lens_distance_m is None or layout.lens_height_m is None
    return Lens(x_m, distance_m, height_m, proposed)


@derive
def monitor_spot(
    monitor: Annotated[FloorStanding, "distance_max_m", "distance_min_m"],
    layout: Annotated[Layout, "monitor_distance_m"],
    places: BallPlaces,
    room: Annotated[Room, "length_m", "width_m"],
) -> MonitorSpot:
    """Where the monitor was put; else the middle of its range, nearer where its side of the ball has less room."""
    if layout.monitor_distance_m is not None:
        return MonitorSpot(layout.monitor_distance_m, proposed=False)
    near_m, far_m = known(monitor, "distance_min_m"), known(monitor, "distance_max_m")
    # Beside the ball it serves whoever plays: off the nearer wall it is off both.
    beside_m = min(min(x, room.width_m - x) for x, _ in places.spots)
    free_m = beside_m if isinstance(monitor, SideCamera) else room.length_m - max(y for _, y in places.spots)
    at_ease_m = free_m - MONITOR_BODY_M - PLACEMENT_COMFORT_M
    return MonitorSpot(max(near_m, min((near_m + far_m) / 2, at_ease_m)), proposed=True)


def clear_area_m(screen: PictureSurface) -> tuple[float, float]:
    """Width and height within the borders, in metres. Raises `MissingFact` where the maker does not say."""
    border_m = known(screen, "border_m")
    return known(screen, "width_m") - 2 * border_m, known(screen, "height_m") - 2 * border_m


def aspect_of(shape: str) -> float:
    """Width over height."""
    width, height = shape.split(":")
    return int(width) / int(height)


def _plans_of(sheet: type) -> tuple[type, ...]:
    annotation = sheet.model_fields["plans"].annotation if "plans" in sheet.model_fields else None  # type: ignore[attr-defined]
    held = [kind for kind in getattr(annotation, "__args__", ()) if isinstance(kind, type)]
    return tuple(plan for kind in held for plan in kinds_of(kind))
