"""The bay as solids: where screen, enclosure, nets, mat, projector, monitor, machine, mount and lamp are."""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from math import inf
from typing import Literal, NamedTuple

from core.bay.bodies import (
    FRAME_M,
    LAMP_BODY,
    MACHINE_BODY,
    MONITOR_BODY,
    MOUNT_M,
    PROJECTOR_BODY,
    SHEET_M,
    SIDE_BULGE_M,
)
from core.geometry.boxes import EVERYWHERE, Box, between
from core.geometry.ceiling import Ceiling
from core.geometry.picture import Picture
from core.geometry.shadow import Lens
from core.geometry.solids import Group, Material, Solid
from core.geometry.swing_disc import Point3
from core.model.brief import Handedness
from core.model.facts import Missing
from core.model.laying import Rectangle
from core.model.things import BayPart

MACHINE, MOUNT, NETTING, LAMP = "machine", "mount", "netting", "lamp"
"""Parts of the bay that stand or hang wherever it suits: they are shown, and nothing is measured against them."""


@dataclass(frozen=True)
class Hood:
    """An enclosure: sizes outside, its depth from the screen, and the clear width and height inside, in metres."""

    outer_width_m: float
    outer_height_m: float
    depth_m: float
    inner_width_m: float
    inner_height_m: float
    sides: bool = True
    roof: bool = True
    """Where its maker denies one, only the frame is there."""


class FloorLayer(NamedTuple):
    """A covering where it lies: its foot above the bare floor and its thickness, in metres."""

    key: str
    name: str
    zone: Rectangle
    foot_m: float
    thickness_m: float
    is_wall_to_wall: bool

    @property
    def top_m(self) -> float:
        """Above the bare floor."""
        return self.foot_m + self.thickness_m


@dataclass(frozen=True)
class MonitorPlace:
    """Where a launch monitor is: behind the ball, beside it for each hand, or ahead of it under the ceiling."""

    where: Literal["behind", "beside", "overhead"]
    distance_m: float
    """From the ball."""
    foot_m: float
    """Its lower edge above the bare floor; of one overhead its upper edge, where the ceiling is.

    One beside the ball stands before the player, on the free side.
    """


@dataclass(frozen=True)
class Sizes:
    """What of the chain takes up space, in metres; `None` where nothing hangs there or its size is not known."""

    screen: tuple[float, float] | None = None
    """Width and height."""
    enclosure: Hood | None = None
    mat: tuple[float, float] | None = None
    """Width and length."""
    nets: tuple[tuple[float, float, int], ...] = ()
    """Length along the bay and height of netting beside it, and how many, 0 for as many as there are hands."""
    missing: tuple[tuple[BayPart, Missing], ...] = ()
    """Parts that take up space, and do not say how much."""


@dataclass(frozen=True)
class Bay:
    """Every part of the bay where it is, and what is lit."""

    solids: tuple[Solid, ...]
    surface_m: float
    """Where the ball lies, above the bare floor."""
    floor: tuple[FloorLayer, ...] = ()
    """What is laid on the bare floor, from below to above."""
    monitor: MonitorPlace | None = None
    picture: Picture | None = None
    lens: Lens | None = None
    missing: tuple[tuple[BayPart, Missing], ...] = ()
    """Parts that are not among the solids, since their size is not known."""
    height_missing: Missing | None = None
    """What would tell how high people stand, where that is not known."""

    def of(self, *keys: str) -> tuple[Solid, ...]:
        """The solids of these parts."""
        return tuple(solid for solid in self.solids if solid.key in keys)

    def standing(self, parts: Iterable[BayPart], *, bulging: bool, middle_m: float) -> tuple[Solid, ...]:
        """Those of `parts` that count while they stand; `bulging` gives fabric sides room to catch a ball."""
        stands = set(parts)
        found = (solid for solid in self.solids if solid.key in stands)
        return tuple(_bulged(solid, middle_m) if bulging else solid for solid in found)

    def unsized(self, standing: Iterable[BayPart]) -> Missing | None:
        """The first size that is missing among what stands."""
        missing = dict(self.missing)
        return next((missing[part] for part in standing if part in missing), None)

    def unknown_at_play(self) -> Missing | None:
        """The first size that is missing of the bay while people stand in it."""
        return self.unsized(BayPart) or self.height_missing


def bay_of(
    *,
    balls: tuple[tuple[Handedness, Point3], ...],
    middle_m: float,
    screen_y_m: float,
    screen_bottom_m: float,
    sizes: Sizes,
    mats: Iterable[tuple[float, float]] = (),
    floor: Iterable[FloorLayer] = (),
    ceiling: Ceiling | None = None,
    monitor: MonitorPlace | None = None,
    picture: Picture | None = None,
    lens: Lens | None = None,
    machine: Point3 | None = None,
    mounted: bool = False,
    lamp: bool = False,
) -> Bay:
    """The bay around the ball of each hand that plays, its screen centred at `middle_m` across the room.

    `mats` are the middles of what is hit from. `mounted` is a projector's mount that was chosen, `lamp` one on the
    ball; both hang from `ceiling`.
    """
    spots = tuple(dict.fromkeys(ball for _, ball in balls))
    ball = spots[0]
    solids = [
        *(hood_solids(sizes.enclosure, screen_y_m, middle_m) if sizes.enclosure else ()),
        *_screen(sizes, screen_y_m, screen_bottom_m, middle_m),
        *(mat for middle in mats for mat in _mat(sizes, middle, ball[2])),
        *((_solid(BayPart.PROJECTOR, "projector", projector_box(lens, screen_y_m), Material.CASE),) if lens else ()),
        *(_monitors(monitor, balls, spots) if monitor else ()),
        *_nets(sizes, tuple(hand for hand, _ in balls), screen_y_m, middle_m),
        *((_solid(MACHINE, "machine", machine_box(machine[:2]), Material.CASE),) if machine else ()),
    ]
    if ceiling is not None and lens is not None and mounted:
        solids.append(_mount(lens, screen_y_m, ceiling))
    if ceiling is not None and lamp:
        solids += [_hanging(LAMP, "lamp on the ball", (x, y), LAMP_BODY, ceiling) for x, y, _ in spots]
    return Bay(tuple(solids), ball[2], tuple(floor), monitor, picture, lens, sizes.missing)


def hood_solids(hood: Hood, screen_y_m: float, middle_m: float) -> tuple[Solid, ...]:
    """Side panels and roof of an enclosure, centred across the room, from the screen to its mouth.

    A swing that is outside a panel has gone through it, so each reaches outward without end. Where its maker says that
    there is no panel, the frame at its mouth is what is there.
    """
    mouth_m = screen_y_m + hood.depth_m
    inner, outer = hood.inner_width_m / 2, hood.outer_width_m / 2
    along, up = (screen_y_m, mouth_m), (0.0, hood.outer_height_m)
    left = (middle_m - outer, middle_m - inner)
    right = (middle_m + inner, middle_m + outer)
    before_mouth = (-inf, mouth_m)
    top = (hood.inner_height_m, hood.outer_height_m)
    panels = (
        ("left side", between(left, along, up), between((-inf, left[1]), before_mouth, EVERYWHERE)),
        ("right side", between(right, along, up), between((right[0], inf), before_mouth, EVERYWHERE)),
        (
            "roof",
            between((left[0], right[1]), along, top),
            between(EVERYWHERE, before_mouth, (hood.inner_height_m, inf)),
        ),
    )
    covered = {"roof": hood.roof}
    return tuple(
        Solid(BayPart.ENCLOSURE, f"enclosure's {panel}", Group.BAY, box, reach, material=Material.FABRIC)
        if covered.get(panel, hood.sides)
        else _at_mouth(panel, box, mouth_m)
        for panel, box, reach in panels
    )


def _at_mouth(panel: str, box: Box, mouth_m: float) -> Solid:
    (x0, _, z0), (x1, _, z1) = box.low, box.high
    bar = Box((x0, mouth_m - FRAME_M, z0), (x1, mouth_m, z1))
    return _solid(BayPart.ENCLOSURE, f"enclosure's frame, {panel}", bar, Material.SOLID)


def _bulged(solid: Solid, middle_m: float) -> Solid:
    if solid.key != BayPart.ENCLOSURE:
        return solid
    (x0, y0, z0), (x1, y1, z1) = solid.box.low, solid.box.high
    left = x0 - SIDE_BULGE_M if x0 < middle_m else x0
    right = x1 + SIDE_BULGE_M if x1 > middle_m else x1
    return solid._replace(box=Box((left, y0, z0), (right, y1, z1)))


def _screen(sizes: Sizes, screen_y_m: float, bottom_m: float, middle_m: float) -> Iterator[Solid]:
    if sizes.screen:
        wide, high = sizes.screen
        box = between(
            (middle_m - wide / 2, middle_m + wide / 2),
            (screen_y_m - SHEET_M / 2, screen_y_m + SHEET_M / 2),
            (bottom_m, bottom_m + high),
        )
        yield _solid(BayPart.SCREEN, "screen", box, Material.FABRIC)


def _mat(sizes: Sizes, middle: tuple[float, float], high_m: float) -> Iterator[Solid]:
    if sizes.mat:
        wide, long = sizes.mat
        yield _centred(BayPart.MAT, "mat", middle, 0.0, (wide, long, high_m), Material.TURF)


def projector_box(lens: Lens, screen_y_m: float) -> Box:
    """The projector's body, which is behind its lens."""
    wide, long, high = PROJECTOR_BODY
    y, z = screen_y_m + lens.distance_m, lens.height_m
    return between((lens.x_m - wide / 2, lens.x_m + wide / 2), (y, y + long), (z - high / 2, z + high / 2))


def machine_box(at: tuple[float, float]) -> Box:
    """The machine on its desk, around where it stands."""
    (x, y), (wide, long, high) = at, MACHINE_BODY
    return between((x - wide / 2, x + wide / 2), (y - long / 2, y + long / 2), (0.0, high))


def _monitors(
    place: MonitorPlace, balls: tuple[tuple[Handedness, Point3], ...], spots: tuple[Point3, ...]
) -> Iterator[Solid]:
    """Beside or behind each ball that it is moved to; one overhead hangs half-way between them."""
    if place.where == "overhead":
        x, y = (sum(spot[axis] for spot in spots) / len(spots) for axis in (0, 1))
        at, foot_m = (x, y - place.distance_m), place.foot_m - MONITOR_BODY[2]
        yield _centred(BayPart.MONITOR, "launch monitor", at, foot_m, MONITOR_BODY, Material.CASE)
        return
    one_place = place.where == "behind" and len(spots) == 1
    for hand, (x, y, _) in balls[:1] if one_place else balls:
        name = f"launch monitor, {hand}-handed" if len(balls) > 1 and not one_place else "launch monitor"
        side = 1 if hand is Handedness.RIGHT else -1
        at = (x, y + place.distance_m) if place.where == "behind" else (x + side * place.distance_m, y)
        yield _centred(BayPart.MONITOR, name, at, place.foot_m, MONITOR_BODY, Material.CASE)


def side_of(hood: Hood | None, screen_half_m: float, screen_y_m: float) -> tuple[float, float]:
    """How far beside the bay's middle netting hangs, and where it begins: where an enclosure's sides end."""
    if hood is None or not hood.sides:
        return screen_half_m, screen_y_m
    return hood.outer_width_m / 2, screen_y_m + hood.depth_m


def _nets(sizes: Sizes, hands: tuple[Handedness, ...], screen_y_m: float, middle_m: float) -> Iterator[Solid]:
    """Toward the golfer from where the bay's own sides end, a shank flying right off a right-hander's club."""
    half_m, from_y_m = side_of(sizes.enclosure, sizes.screen[0] / 2 if sizes.screen else 0.0, screen_y_m)
    sides = [1.0 if hand is Handedness.RIGHT else -1.0 for hand in hands] or [1.0]
    sides += [-side for side in sides if -side not in sides]
    if half_m:
        nets = [(long, high) for long, high, count in sizes.nets for _ in range(count or len(hands) or 1)]
        for side, (long, high) in zip(sides, nets, strict=False):
            x = middle_m + side * half_m
            box = between((x - SHEET_M / 2, x + SHEET_M / 2), (from_y_m, from_y_m + long), (0.0, high))
            yield _solid(NETTING, "netting", box, Material.NET)


def _mount(lens: Lens, screen_y_m: float, ceiling: Ceiling) -> Solid:
    y = screen_y_m + lens.distance_m + PROJECTOR_BODY[1] / 2
    foot_m = lens.height_m + PROJECTOR_BODY[2] / 2
    up_m = max(0.0, ceiling.height_m(lens.x_m, y) - foot_m)
    return _centred(MOUNT, "mount", (lens.x_m, y), foot_m, (MOUNT_M, MOUNT_M, up_m), Material.SOLID)


def _hanging(key: str, name: str, at: tuple[float, float], body: Point3, ceiling: Ceiling) -> Solid:
    (x, y), (wide, long, high) = at, body
    top_m = ceiling.lowest_over_m((x - wide / 2, x + wide / 2), (y - long / 2, y + long / 2))
    return _centred(key, name, at, top_m - high, body, Material.CASE)


def _centred(
    key: str,
    name: str,
    at: tuple[float, float],
    foot_m: float,
    body: Point3,
    material: Material = Material.CASE,
) -> Solid:
    (x, y), (wide, long, high) = at, body
    box = between((x - wide / 2, x + wide / 2), (y - long / 2, y + long / 2), (foot_m, foot_m + high))
    return _solid(key, name, box, material)


def _solid(key: str, name: str, box: Box, material: Material) -> Solid:
    return Solid(key, name, Group.BAY, box, box, material=material)
