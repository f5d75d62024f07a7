"""The drawing as SVG: one page of A4, lying or standing, in millimetres, at the largest usual scale that fits."""

from xml.etree.ElementTree import Element, SubElement, tostring

from core.drawing import Dimension, Layer, Scene, Shape, View
from core.quantities import UnitSystem, format_length

PAGES_MM = ((297.0, 210.0), (210.0, 297.0))
"""A4 lying and standing."""
MARGIN_MM = 14.0
HEAD_MM = 22.0
BETWEEN_MM = 24.0
USUAL_SCALES = (10, 20, 25, 50, 75, 100, 150, 200, 500, 1000)
TEXT_MM = 2.6
TICK_MM = 1.0
DIMENSION_OFFSETS_MM = {"room": 11.0, "layout": 5.5}
HIGHEST_OFFSET_MM = 20.0
"""The highest point stands beside the eaves, further out."""
LABEL_MM = 3.2
LABEL_WIDTH_MM = 24.0
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
        needs_m = scene.length_m, scene.width_m + scene.height_m
        self.scale, self.size_mm = min(
            ((_scale_on(size_mm, needs_m), size_mm) for size_mm in PAGES_MM), key=lambda fit: fit[0]
        )
        self.mm_per_m = 1000 / self.scale
        self.left_mm = (self.size_mm[0] - needs_m[0] * self.mm_per_m) / 2
        self._labels: list[tuple[float, float]] = []
        self.floor_mm = MARGIN_MM + HEAD_MM + scene.width_m * self.mm_per_m
        self.section_mm = self.floor_mm + BETWEEN_MM + scene.height_m * self.mm_per_m

    def place(self, view: View, point: tuple[float, float]) -> tuple[float, float]:
        """A point in metres as millimetres on the page."""
        floor = self.floor_mm if view == "floor" else self.section_mm
        return self.left_mm + point[0] * self.mm_per_m, floor - point[1] * self.mm_per_m

    def free_label(self, at: tuple[float, float]) -> tuple[float, float]:
        """`at`, or further down where a name stands there already."""
        x, y = at
        while any(
            abs(x - other_x) < LABEL_WIDTH_MM and abs(y - other_y) < LABEL_MM for other_x, other_y in self._labels
        ):
            y += LABEL_MM
        self._labels.append((x, y))
        return x, y


def _scale_on(size_mm: tuple[float, float], needs_m: tuple[float, float]) -> int:
    """The largest usual scale at which both views fit on a page, dimensions beside them included."""
    wide = size_mm[0] - 2 * MARGIN_MM - 2 * HIGHEST_OFFSET_MM
    high = size_mm[1] - 2 * MARGIN_MM - HEAD_MM - BETWEEN_MM
    fits = [s for s in USUAL_SCALES if needs_m[0] * 1000 / s <= wide and needs_m[1] * 1000 / s <= high]
    return fits[0] if fits else USUAL_SCALES[-1]


def drawing_svg(scene: Scene, title: str, system: UnitSystem) -> str:
    """`scene` as the text of an SVG file, with `title` and the scale stated, dimensions told in `system`."""
    page = _Page(scene)
    wide, high = page.size_mm
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
        if shape.meaning in _LABELLED and shape.view == "floor":
            right, low, high = max(x for x, _ in placed), min(y for _, y in placed), max(y for _, y in placed)
            across = right + 1 if shape.meaning == "swing-disc" else min(x for x, _ in placed) + 1
            _text(group, page.free_label((across, (low + high) / 2)), shape.label)


def _path(points: list[tuple[float, float]], *, closed: bool) -> str:
    return "M" + "L".join(f"{x:.2f} {y:.2f}" for x, y in points) + ("Z" if closed else "")


def _measure(group: Element, dimension: Dimension, page: _Page, system: UnitSystem) -> None:
    (x1, y1), (x2, y2) = page.place(dimension.view, dimension.start), page.place(dimension.view, dimension.end)
    upright = dimension.start[0] == dimension.end[0]
    away = DIMENSION_OFFSETS_MM[dimension.field.partition(".")[0]]
    if dimension.field == "room.ridge_m":
        away = HIGHEST_OFFSET_MM
    if upright:
        x1, x2 = x1 + away, x2 + away
    else:
        above = dimension.view == "floor" and dimension.start[1] > 0
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
    # A rim of paper keeps a figure readable on the line that it belongs to.
    rim = {"stroke": "#ffffff", "stroke-width": "1.1", "stroke-linejoin": "round", "paint-order": "stroke"}
    attributes = {"x": f"{at[0]:.2f}", "y": f"{at[1]:.2f}", "fill": "#22302b", **rim, "text-anchor": anchor}
    SubElement(group, "text", attributes).text = text


def _scale_bar(root: Element, page: _Page) -> None:
    """One metre as it is on this page: what was printed smaller or larger shows it."""
    x, y = page.size_mm[0] - MARGIN_MM - page.mm_per_m, MARGIN_MM
    SubElement(root, "path", {"d": f"M{x:.2f} {y:.2f}v2h{page.mm_per_m:.2f}v-2", "stroke": "#22302b", "fill": "none"})
    _text(root, (x, y - 1), "1 m")
