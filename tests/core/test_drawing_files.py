"""The drawing as SVG and DXF, read back by other means than those that wrote it."""

from io import StringIO
from unittest import TestCase
from xml.etree import ElementTree

import ezdxf
from ezdxf.document import Drawing
from ezdxf.entities.lwpolyline import LWPolyline

from core.drawing import Layer, Scene
from core.formats.drawing_files.dxf import drawing_dxf
from core.formats.drawing_files.svg import drawing_svg
from core.quantities import UnitSystem
from core.report import evaluate
from tests.core import worlds

SVG = "{http://www.w3.org/2000/svg}"


def scene(**facts: object) -> Scene:
    return evaluate(worlds.full_build(room=worlds.full_room(**facts)), worlds.full_parts()).scene


def read(text: str) -> Drawing:
    return ezdxf.read(StringIO(text))  # type: ignore[attr-defined]


def room_size(document: Drawing) -> tuple[float, float]:
    """Length and width of the room's outline in the plan."""
    outline = next(e for e in document.modelspace() if isinstance(e, LWPolyline) and e.dxf.layer == "ROOM")
    xs, ys = zip(*((x, y) for x, y, *_ in outline.get_points()), strict=True)
    return max(xs) - min(xs), max(ys) - min(ys)


class DxfTests(TestCase):
    def setUp(self) -> None:
        self.drawn = scene()
        self.document = read(drawing_dxf(self.drawn, UnitSystem.METRIC))

    def test_layers_by_meaning_in_metres(self) -> None:
        names = {layer.dxf.name for layer in self.document.layers}
        self.assertLessEqual({layer.upper() for layer in Layer}, names)
        self.assertEqual(self.document.header["$INSUNITS"], 6, "metres")
        used = {entity.dxf.layer for entity in self.document.modelspace()}
        self.assertLessEqual({layer.upper() for layer in Layer}, used)

    def test_the_plan_is_as_large_as_the_room(self) -> None:
        self.assertEqual(room_size(self.document), (7.0, 4.6))

    def test_every_dimension_measures_what_it_says(self) -> None:
        found = list(self.document.modelspace().query("DIMENSION"))
        shown = [dimension for dimension in self.drawn.dimensions if not dimension.subject]
        self.assertEqual(len(found), len(shown))
        for entity, dimension in zip(found, shown, strict=True):
            self.assertAlmostEqual(entity.get_measurement(), dimension.value_m, places=6)
        self.assertIn("7.00 m", {entity.dxf.text for entity in found})

    def test_imperial_readers_get_imperial_texts_and_the_same_coordinates(self) -> None:
        imperial = read(drawing_dxf(self.drawn, UnitSystem.IMPERIAL))
        texts = {entity.dxf.text for entity in imperial.modelspace().query("DIMENSION")}
        self.assertTrue(any("ft" in text or "′" in text or "'" in text for text in texts), texts)
        self.assertEqual(room_size(imperial), (7.0, 4.6))

    def test_it_passes_the_readers_own_audit(self) -> None:
        self.assertEqual(self.document.audit().errors, [])


class SvgTests(TestCase):
    def test_one_page_with_its_scale_and_its_title(self) -> None:
        root = ElementTree.fromstring(drawing_svg(scene(), "Shed & sons, playing", UnitSystem.METRIC))
        self.assertEqual(
            (root.get("width"), root.get("height")), ("210mm", "297mm"), "standing it takes a larger scale"
        )
        texts = ["".join(text.itertext()) for text in root.iter(f"{SVG}text")]
        self.assertIn("Shed & sons, playing", texts)
        self.assertTrue(any(text.startswith("1 : 50 on A4") for text in texts), "7 m × (4.6 + 3) m")

    def test_the_room_is_drawn_to_that_scale(self) -> None:
        """1 : 50: 7.00 m are 140 mm, 4.60 m are 92."""
        root = ElementTree.fromstring(drawing_svg(scene(), "Shed", UnitSystem.METRIC))
        path = next(path for path in root.iter(f"{SVG}path") if path.get("class") == "room")
        points = [tuple(map(float, pair.split())) for pair in (path.get("d") or "").strip("MZ").split("L")]
        xs, ys = zip(*points, strict=True)
        self.assertAlmostEqual(max(xs) - min(xs), 140.0, places=1)
        self.assertAlmostEqual(max(ys) - min(ys), 92.0, places=1)

    def test_a_larger_room_takes_a_smaller_scale_and_stays_on_the_page(self) -> None:
        text = drawing_svg(scene(length_m=14, width_m=9), "Barn", UnitSystem.METRIC)
        self.assertIn("1 : 100 on A4", text)
        root = ElementTree.fromstring(text)
        for line in root.iter(f"{SVG}line"):
            self.assertLess(float(line.get("y2") or 0), float((root.get("height") or "").removesuffix("mm")))

    def test_layers_are_groups(self) -> None:
        root = ElementTree.fromstring(drawing_svg(scene(), "Shed", UnitSystem.METRIC))
        self.assertEqual({group.get("id") for group in root.iter(f"{SVG}g")}, {layer.value for layer in Layer})
