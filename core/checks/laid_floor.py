"""The floor as it is laid: its layers from below to above, each on its rectangle; what nothing lies on is bare."""

from collections.abc import Iterator
from dataclasses import dataclass
from functools import cached_property
from itertools import pairwise, takewhile
from typing import Annotated

from core.checks.register import derive
from core.geometry.floor_cover import Cover
from core.model.facts import Missing, MissingFact, not_stated
from core.model.kit import Kit
from core.model.laying import Laid, Rectangle
from core.model.parts import Flooring, FloorRoll
from core.model.room import Layout, Room
from core.money.floor_bought import floor_cover
from core.quantities.tolerances import ROUNDING

EDGE_M = 0.001
"""Nothing is offered a place within this of an edge between two layers."""
MAIN = "floor"
"""The layer that hangs on the chain; others go by the id of their extra."""


@dataclass(frozen=True)
class Layer:
    """One covering where it lies. A fact that its maker does not state is `Missing`."""

    key: str
    name: str
    kind: type[Flooring]
    zone: Rectangle
    thickness_m: float | Missing
    soft: bool | Missing
    pile_m: float | Missing
    cover: Cover | Missing
    """What of it is bought."""
    roll_m: float | Missing | None
    """Width of the roll that it comes off; `None` where it is none."""
    is_fixed: bool | None
    """As somebody said."""
    is_wall_to_wall: bool = True


@dataclass(frozen=True)
class LaidFloor:
    """All layers, from below to above."""

    layers: tuple[Layer, ...]
    room: Rectangle
    """The whole floor."""

    def at(self, x_m: float, y_m: float) -> tuple[Layer, ...]:
        """What lies at a place of the floor, from below to above."""
        return tuple(layer for layer in self.layers if layer.zone.holds(x_m, y_m))

    def height_m(self, x_m: float, y_m: float) -> float:
        """Top of the floor there above the bare floor, in metres. Raises `MissingFact` for a thickness not stated."""
        return sum(stated(layer.thickness_m) for layer in self.at(x_m, y_m))

    def top(self, x_m: float, y_m: float) -> Layer | None:
        """What one sees of it there; `None` where it is bare."""
        return next(reversed(self.at(x_m, y_m)), None)

    def under(self, layer: Layer) -> tuple[Layer, ...]:
        """What lies under the middle of a layer."""
        return tuple(takewhile(lambda other: other is not layer, self.at(*layer.zone.middle)))

    @cached_property
    def cells(self) -> tuple[Rectangle, ...]:
        """The floor cut along every edge of a layer: in each of them the layers are the same all over."""
        return tuple(self.cells_of(self.room))

    def cells_of(self, part: Rectangle) -> Iterator[Rectangle]:
        """`part` of the floor, cut along every edge of a layer that crosses it."""
        across = _cuts(part.x0_m, part.x1_m, [x for layer in self.layers for x in (layer.zone.x0_m, layer.zone.x1_m)])
        along = _cuts(part.y0_m, part.y1_m, [y for layer in self.layers for y in (layer.zone.y0_m, layer.zone.y1_m)])
        for x0_m, x1_m in pairwise(across):
            yield from (Rectangle(x0_m, y0_m, x1_m, y1_m) for y0_m, y1_m in pairwise(along))

    def tops_of(self, part: Rectangle) -> dict[Layer | None, float]:
        """What one sees of `part` of the floor, each with how much of it, in square metres."""
        seen: dict[Layer | None, float] = {}
        for cell in self.cells_of(part):
            layer = self.top(*cell.middle)
            seen[layer] = seen.get(layer, 0.0) + cell.area_m2
        return seen

    def uneven_to(self, height_m: float) -> tuple[Rectangle, ...]:
        """Where the floor is not as high as that, or where nobody knows; an edge is neither here nor there."""
        return tuple(cell.grown(EDGE_M) for cell in self.cells if not self._is_level(cell, height_m))

    def _is_level(self, cell: Rectangle, height_m: float) -> bool:
        try:
            return abs(self.height_m(*cell.middle) - height_m) <= ROUNDING
        except MissingFact:
            return False


def stated(fact: float | Missing) -> float:
    """A number of a layer. Raises `MissingFact` where its maker does not state it."""
    if isinstance(fact, Missing):
        raise MissingFact(*fact)
    return fact


@derive
def laid_floor(
    flooring: Annotated[
        Flooring,
        "id",
        "maker",
        "name",
        "pile_m",
        "roll_width_m",
        "soft",
        "thickness_m",
        "tile_side_m",
        "tiles_per_pack",
    ]
    | None,
    kit: Annotated[
        Kit, "id", "maker", "name", "pile_m", "roll_width_m", "soft", "thickness_m", "tile_side_m", "tiles_per_pack"
    ],
    layout: Annotated[Layout, "floor_fixed", "floor_length_m", "floor_width_m", "floor_x_m", "floor_y_m"],
    room: Annotated[Room, "length_m", "width_m"],
) -> LaidFloor | None:
    """The covering on the chain, then every further one that is laid; `None` on a bare floor."""
    layers = [_layer(MAIN, flooring, layout, room)] if flooring else []
    layers += (
        _layer(extra.id, part, extra, room) for extra, part in kit.extras if extra.laid and isinstance(part, Flooring)
    )
    return LaidFloor(tuple(layers), Rectangle(0.0, 0.0, room.width_m, room.length_m)) if layers else None


def _layer(key: str, part: Flooring, laid: Laid, room: Room) -> Layer:
    zone = laid.zone_in(room.width_m, room.length_m)
    try:
        cover: Cover | Missing = floor_cover(part, zone)
    except MissingFact as missing:
        cover = missing.missing
    return Layer(
        key=key,
        name=part.name,
        kind=type(part),
        zone=zone,
        thickness_m=_fact(part, "thickness_m"),
        soft=not_stated(part, "soft").missing if part.soft is None else part.soft,
        pile_m=_fact(part, "pile_m"),
        cover=cover,
        roll_m=_fact(part, "roll_width_m") if isinstance(part, FloorRoll) else None,
        is_fixed=laid.floor_fixed,
        is_wall_to_wall=laid.is_wall_to_wall,
    )


def _fact(part: Flooring, field: str) -> float | Missing:
    value: float | None = getattr(part, field)
    return not_stated(part, field).missing if value is None else value


def _cuts(low_m: float, high_m: float, edges_m: list[float]) -> list[float]:
    return sorted({low_m, high_m, *(edge for edge in edges_m if low_m < edge < high_m)})
