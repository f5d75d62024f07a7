"""The drawing as DXF: one unit is a metre, one layer for each meaning, the section below the floor plan."""

from io import StringIO

from ezdxf.document import Drawing
from ezdxf.enums import TextEntityAlignment
from ezdxf.filemanagement import new
from ezdxf.layouts.layout import Modelspace
from ezdxf.units import M

from core.drawing import Dimension, Layer, Scene, Shape, View
from core.quantities import UnitSystem, format_length

BETWEEN_VIEWS_M = 1.5
TEXT_M = 0.12
DIMENSION_STYLE = "JUNGLE"
DIMENSION_OFFSET_M = 0.35
_COLOURS = {
    Layer.ROOM: 7,
    Layer.OBSTRUCTIONS: 8,
    Layer.BAY: 3,
    Layer.SWINGS: 5,
    Layer.HITTING: 4,
    Layer.DIMENSIONS: 2,
    Layer.CABLES: 6,
}
"""Numbers of the format's own colour table, 7 being black on white and white on black."""


def drawing_dxf(scene: Scene, system: UnitSystem) -> str:
    """`scene` as the text of a DXF file; dimensions are told in `system`, every coordinate is in metres."""
    document = new("R2010", setup=True, units=M)
    for layer, colour in _COLOURS.items():
        document.layers.add(layer.upper(), color=colour)
    _dimension_style(document)
    space = document.modelspace()
    for shape in scene.shapes:
        _draw(shape, space, scene)
    for dimension in scene.dimensions:
        if not dimension.subject:
            _measure(dimension, space, scene, system)
    text = StringIO()
    document.write(text)
    return text.getvalue()


def _dimension_style(document: Drawing) -> None:
    style = document.dimstyles.duplicate_entry("EZDXF", DIMENSION_STYLE)
    style.dxf.dimtxt = TEXT_M
    style.dxf.dimasz = TEXT_M
    style.dxf.dimlfac = 1.0
    style.dxf.dimdec = 3


def _place(view: View, point: tuple[float, float], scene: Scene) -> tuple[float, float]:
    u, v = point
    return (u, v) if view == "floor" else (u, v - scene.height_m - BETWEEN_VIEWS_M)


def _draw(shape: Shape, space: Modelspace, scene: Scene) -> None:
    attributes = {"layer": shape.layer.upper()}
    if len(shape.points) == 1:
        at = _place(shape.view, shape.points[0], scene)
        space.add_point(at, dxfattribs=attributes)
    else:
        for ring in (shape.points, *shape.holes):
            points = [_place(shape.view, point, scene) for point in ring]
            space.add_lwpolyline(points, close=shape.closed, dxfattribs=attributes)
    if shape.label:
        at = _place(shape.view, shape.points[0], scene)
        text = space.add_text(shape.label, height=TEXT_M, dxfattribs=attributes)
        text.set_placement(at, align=TextEntityAlignment.BOTTOM_LEFT)


def _measure(dimension: Dimension, space: Modelspace, scene: Scene, system: UnitSystem) -> None:
    start, end = _place(dimension.view, dimension.start, scene), _place(dimension.view, dimension.end, scene)
    upright = dimension.start[0] == dimension.end[0]
    base = (start[0] + DIMENSION_OFFSET_M, start[1]) if upright else (start[0], start[1] - DIMENSION_OFFSET_M)
    drawn = space.add_linear_dim(
        base=base,
        p1=start,
        p2=end,
        angle=90 if upright else 0,
        text=format_length(round(dimension.value_m, 4), system),
        dimstyle=DIMENSION_STYLE,
        dxfattribs={"layer": Layer.DIMENSIONS.upper()},
    )
    drawn.render()
