"""The drawing as JSON: metres, and what each thing means."""

from dataclasses import dataclass

from core.drawing import Dimension, Layer, Scene, View
from core.drawing.shapes import Handle, Point, Shape
from core.quantities import UnitSystem, format_length


@dataclass(frozen=True, slots=True)
class PointJson:
    """A point of the drawing, in metres."""

    u: float
    v: float


@dataclass(frozen=True, slots=True)
class ShapeJson:
    """A shape of the drawing and what it means. `points` holds u and v of one point after the other, in metres."""

    view: View
    meaning: str
    points: list[float]
    closed: bool
    subject: str
    label: str
    layer: Layer
    holes: list[list[float]]
    player: int
    """Which player it is of, in the order of the brief, from 0; each has a line style of their own."""


@dataclass(frozen=True, slots=True)
class DimensionJson:
    """A dimension line; `field` names what typing on it sets, empty where it only follows."""

    view: View
    label: str
    start: PointJson
    end: PointJson
    text: str
    field: str
    subject: str


@dataclass(frozen=True, slots=True)
class HandleJson:
    """What may be dragged, which ways, and where it is in words."""

    view: View
    target: str
    label: str
    at: PointJson
    along: bool
    """It moves along the target line, between the screen's wall and the rear wall."""
    other: bool
    """It moves across the floor plan, or up and down in the section."""
    text: str


@dataclass(frozen=True, slots=True)
class SceneJson:
    """The drawing, in metres."""

    length_m: float
    width_m: float
    height_m: float
    shapes: list[ShapeJson]
    dimensions: list[DimensionJson]
    handles: list[HandleJson]


def scene_json(scene: Scene, system: UnitSystem) -> SceneJson:
    """`scene` for a reader of `system`."""
    return SceneJson(
        length_m=scene.length_m,
        width_m=scene.width_m,
        height_m=scene.height_m,
        shapes=[shape_json(shape) for shape in scene.shapes],
        dimensions=[dimension_json(dimension, system) for dimension in scene.dimensions],
        handles=[handle_json(handle, system) for handle in scene.handles],
    )


def shape_json(shape: Shape) -> ShapeJson:
    """One shape."""
    return ShapeJson(
        view=shape.view,
        meaning=shape.meaning,
        points=_numbers(shape.points),
        closed=shape.closed,
        subject=shape.subject,
        label=shape.label,
        layer=shape.layer,
        holes=[_numbers(hole) for hole in shape.holes],
        player=shape.player,
    )


def handle_json(handle: Handle, system: UnitSystem) -> HandleJson:
    """One handle for a reader of `system`."""
    along, other = (format_length(round(at, 3), system) for at in handle.at)
    beside = f"{other} from the left wall" if handle.view == "floor" else f"{other} up"
    return HandleJson(
        view=handle.view,
        target=handle.target,
        label=handle.label,
        at=_point(handle.at),
        along=bool(handle.u_field),
        other=bool(handle.v_field),
        text=f"{along} from the wall behind the screen, {beside}",
    )


def dimension_json(dimension: Dimension, system: UnitSystem) -> DimensionJson:
    """One dimension line for a reader of `system`."""
    return DimensionJson(
        view=dimension.view,
        label=dimension.label,
        start=_point(dimension.start),
        end=_point(dimension.end),
        text=format_length(round(dimension.value_m, 4), system),
        field=dimension.field,
        subject=dimension.subject,
    )


def _numbers(points: tuple[Point, ...]) -> list[float]:
    return [round(number, 3) for point in points for number in point]


def _point(point: tuple[float, float]) -> PointJson:
    return PointJson(u=round(point[0], 3), v=round(point[1], 3))
