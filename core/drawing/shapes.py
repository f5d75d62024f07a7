"""What the drawing consists of.

Both views share the horizontal axis u, along the target line from the wall behind the screen. On the floor plan v is
the distance from the left wall, in the section the height above the bare floor. All metres, v upward. The view toward
the screen is a scene of its own (`front.py`).
"""

from dataclasses import dataclass
from enum import StrEnum
from typing import Literal

View = Literal["floor", "section", "front"]
Point = tuple[float, float]


class Layer(StrEnum):
    """What belongs together by meaning, to be shown or left out."""

    ROOM = "room"
    OBSTRUCTIONS = "obstructions"
    BAY = "bay"
    SWINGS = "swings"
    HITTING = "hitting"
    CABLES = "cables"
    DIMENSIONS = "dimensions"


@dataclass(frozen=True)
class Shape:
    """A polygon, line or point. `meaning` says what it is; `subject` whose, or of which record of the room."""

    view: View
    meaning: str
    points: tuple[Point, ...]
    closed: bool = True
    subject: str = ""
    label: str = ""
    layer: Layer = Layer.BAY
    holes: tuple[tuple[Point, ...], ...] = ()
    """What is cut out of a polygon."""
    player: int = 0
    """Which player it is of, in the order of the brief."""


@dataclass(frozen=True)
class Dimension:
    """A measured line. `field` names what typing on it changes; empty where it only follows."""

    view: View
    label: str
    start: Point
    end: Point
    value_m: float
    field: str = ""
    subject: str = ""
    """The record of the room that it measures; empty for the room and the layout themselves."""


@dataclass(frozen=True)
class Handle:
    """Something that may be dragged: `u_field` takes u − `u_origin_m`, `v_field` v − `v_origin_m`; or empty."""

    view: View
    target: str
    label: str
    at: Point
    u_field: str
    v_field: str = ""
    u_origin_m: float = 0.0
    v_origin_m: float = 0.0
    v_least_m: float = 0.0
    """No v below that is taken."""
    u_reach_m: float = 0.0
    v_reach_m: float = 0.0
    """How far what is dragged reaches beyond its handle either way: all of it stays within the room."""


@dataclass(frozen=True)
class Scene:
    """All that the drawing shows."""

    length_m: float
    width_m: float
    height_m: float
    shapes: tuple[Shape, ...]
    dimensions: tuple[Dimension, ...]
    handles: tuple[Handle, ...]


def rectangle(view: View, meaning: str, low: Point, high: Point, label: str = "", layer: Layer = Layer.BAY) -> Shape:
    """A rectangle from its lower left corner to its upper right one."""
    (u0, v0), (u1, v1) = low, high
    return Shape(view, meaning, ((u0, v0), (u1, v0), (u1, v1), (u0, v1)), label=label, layer=layer)
