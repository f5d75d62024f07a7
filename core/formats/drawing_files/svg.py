"""The drawing as SVG: one page of A4 across, in millimetres, at the largest usual scale that fits."""

from xml.etree.ElementTree import Element, SubElement, tostring

from core.drawing import Dimension, Layer, Scene, Shape, View
from core.quantities import UnitSystem, format_length

PAGE_MM = (297.0, 210.0)
MARGIN_MM = 14.0
HEAD_MM = 12.0
BETWEEN_MM = 16.0
USUAL_SCALES = (10, 20, 25, 50, 75, 100, 150, 200, 500, 1000)
TEXT_MM = 2.6
TICK_MM = 1.0
DIMENSION_OFFSETS_MM = {"plan": 6.0, "section": 5.0}
POINT_MM = 0.9
_STYLES: dict[str, dict[str, str]] = {
    "room": {"stroke-width": "0.5", "fill": "none"},
    "swing-disc": {"stroke-width": "0.25", "fill": "#00000008"},
    "swing-early": {"stroke-width": "0.2", "fill": "none", "stroke-dasharray": "0.3 1"},
    "hitting-region": {"stroke-width": "0.25", "fill": "#2447c91a", "stroke": "#2447c9", "stroke-dasharray": "0.6 0.8"},
    "target-line": {"stroke-width": "0.2", "fill": "none", "stroke-dasharray": "2.4 0.8 0.6 0.8"},
    "screen": {"stroke-width": "0.7", "fill": "none"},
    "picture": {"stroke-width": "1.1", "stroke": "#855300", "fill": "none"},
    "beam": {"stroke-width": "0.2", "stroke": "#855300", "fill": "#85530014"},
    "conflict": {"stroke-width": "0.5", "stroke": "#a3152e", "fill": "#a3152e33"},
    "removed": {"stroke-width": "0.2", "fill": "none", "stroke-dasharray": "0.8 0.8"},
    "thing": {"stroke-width": "0.3", "fill": "#22302b30"},
    "stored": {"stroke-width": "0.3", "fill": "#1f6a4322"},
}
_PLAIN = {"stroke-width": "0.25", "fill": "none"}
_LABELLED = frozenset({"thing", "stored", "conflict", "swing-disc", "standing"})


class _Page:
    """Where both views lie on the page, and how large a metre is."""

    def __init__(self, scene: Scene) -> None:
        wide, high = PAGE_MM[0] - 2 * MARGIN_MM, PAGE_MM[1] - 2 * MARGIN_MM - HEAD_MM - BETWEEN_MM
        needs_m = scene.length_m, scene.width_m + scene.height_m
        fits = [s for s in USUAL_SCALES if needs_m[0] * 1000 / s <= wide and needs_m[1] * 1000 / s <= high]
        self.scale = fits[0] if fits else USUAL_SCALES[-1]
        self.mm_per_m = 1000 / self.scale
        self.left_mm = (PAGE_MM[0] - needs_m[0] * self.mm_per_m) / 2
        self.plan_mm = MARGIN_MM + HEAD_MM + scene.width_m * self.mm_per_m
        self.section_mm = self.plan_mm + BETWEEN_MM + scene.height_m * self.mm_per_m

    def place(self, view: View, point: tuple[float, float]) -> tuple[float, float]:
        """A point in metres as millimetres on the page."""
        floor = self.plan_mm if view == "plan" else self.section_mm
        return self.left_mm + point[0] * self.mm_per_m, floor - point[1] * self.mm_per_m


def drawing_svg(scene: Scene, title: str, system: UnitSystem) -> str:
    """`scene` as the text of an SVG file, with `title` and the scale stated, dimensions told in `system`."""
    page = _Page(scene)
    wide, high = PAGE_MM
    root = Element(
        "svg",
        {
            "xmlns": "http://www.w3.org/2000/svg",
            "width": f"{wide:g}mm",
            "height": f"{high:g}mm",
            "viewBox": f"0 0 {wide:g} {high:g}",
            "font-family": "Figtree, sans-serif",
            "font-size": f"{TEXT_MM:g}",
        },
    )
    SubElement(root, "title").text = title
    SubElement(root, "rect", {"width": "100%", "height": "100%", "fill": "white"})
    heading = SubElement(root, "text", {"x": f"{MARGIN_MM:g}", "y": f"{MARGIN_MM:g}", "font-size": "4.4"})
    heading.text = title
    _text(root, (MARGIN_MM, MARGIN_MM + 5), f"1 : {page.scale} on A4. Plan above, target to the left; section below.")
    _scale_bar(root, page)
    groups = {layer: SubElement(root, "g", {"id": layer.value, "stroke": "#22302b", "fill": "none"}) for layer in Layer}
    for shape in scene.shapes:
        _draw(groups[shape.layer], shape, page)
    for dimension in scene.dimensions:
        if not dimension.subject:
            _measure(groups[Layer.DIMENSIONS], dimension, page, system)
    return '<?xml version="1.0" encoding="UTF-8"?>\n' + tostring(root, encoding="unicode")


def _draw(group: Element, shape: Shape, page: _Page) -> None:
    placed = [page.place(shape.view, point) for point in shape.points]
    if len(placed) == 1:
        (x, y), style = placed[0], _STYLES.get(shape.meaning, _PLAIN)
        attributes = {"cx": f"{x:.2f}", "cy": f"{y:.2f}", "r": f"{POINT_MM:g}", **style}
        drawn = SubElement(group, "circle", attributes)
    else:
        rings = [placed, *([page.place(shape.view, point) for point in hole] for hole in shape.holes)]
        way = "".join(_path(ring, closed=shape.closed) for ring in rings)
        attributes = {"d": way, "fill-rule": "evenodd", "class": shape.meaning, **_STYLES.get(shape.meaning, _PLAIN)}
        drawn = SubElement(group, "path", attributes)
    if shape.label:
        SubElement(drawn, "title").text = shape.label
        if shape.meaning in _LABELLED and shape.view == "plan":
            across = max(x for x, _ in placed) if shape.meaning == "swing-disc" else placed[0][0] + 1
            _text(group, (across, placed[0][1] - 1), shape.label)


def _path(points: list[tuple[float, float]], *, closed: bool) -> str:
    return "M" + "L".join(f"{x:.2f} {y:.2f}" for x, y in points) + ("Z" if closed else "")


def _measure(group: Element, dimension: Dimension, page: _Page, system: UnitSystem) -> None:
    (x1, y1), (x2, y2) = page.place(dimension.view, dimension.start), page.place(dimension.view, dimension.end)
    upright = dimension.start[0] == dimension.end[0]
    away = DIMENSION_OFFSETS_MM[dimension.view]
    if upright:
        x1, x2 = x1 + away, x2 + away
    else:
        above = dimension.view == "plan" and dimension.start[1] > 0
        y1, y2 = (y1 - away, y2 - away) if above else (y1 + away, y2 + away)
    line = {"x1": f"{x1:.2f}", "y1": f"{y1:.2f}", "x2": f"{x2:.2f}", "y2": f"{y2:.2f}", "stroke-width": "0.2"}
    SubElement(group, "line", line)
    for x, y in ((x1, y1), (x2, y2)):
        tick = f"M{x - TICK_MM:.2f} {y + TICK_MM:.2f}L{x + TICK_MM:.2f} {y - TICK_MM:.2f}"
        SubElement(group, "path", {"d": tick, "stroke-width": "0.35"})
    middle = ((x1 + x2) / 2 + (1 if upright else 0), (y1 + y2) / 2 - (0 if upright else 0.8))
    text = format_length(round(dimension.value_m, 4), system)
    _text(group, middle, text, anchor="start" if upright else "middle")


def _text(group: Element, at: tuple[float, float], text: str, anchor: str = "start") -> None:
    attributes = {"x": f"{at[0]:.2f}", "y": f"{at[1]:.2f}", "fill": "#22302b", "stroke": "none", "text-anchor": anchor}
    SubElement(group, "text", attributes).text = text


def _scale_bar(root: Element, page: _Page) -> None:
    """One metre as it is on this page: what was printed smaller or larger shows it."""
    x, y = PAGE_MM[0] - MARGIN_MM - page.mm_per_m, MARGIN_MM
    SubElement(root, "path", {"d": f"M{x:.2f} {y:.2f}v2h{page.mm_per_m:.2f}v-2", "stroke": "#22302b", "fill": "none"})
    _text(root, (x, y - 1), "1 m")
