"""The floor as zones with layers: heights, what is bought, what it costs, and where the ball is offered a place."""

from typing import Any
from unittest import TestCase

from core.checks.laid_floor import EDGE_M, LaidFloor
from core.checks.limits import State
from core.checks.mat_place import MonitorFoot
from core.checks.needs import SmallItems
from core.checks.readings import HittingSurface
from core.checks.spots import Spots
from core.checks.works import Works
from core.model.build import Build
from core.model.laying import Laid, Rectangle
from core.model.parts import Part
from core.money.costs import Costs
from core.quantities import Money, UnitSystem
from core.report.evaluation_of import evaluation_of
from core.report.offers import offers_about
from tests.core import worlds
from tests.core.matrix.case import extra
from tests.core.random_builds import random_build, sample_parts, seeds

LANDING = extra("turf", "Landing", thickness_m=0.03, soft=True, pile_m=0.02, roll_width_m=2.0)
BEFORE_SCREEN = {"floor_x_m": 1.0, "floor_y_m": 0.4, "floor_width_m": 2.6, "floor_length_m": 1.2}


def world(layers: tuple[dict[str, Any], ...] = (), **layout: Any) -> tuple[Build, dict[str, Part]]:
    """The full build, 4.6 × 7.0 m on tiles of 40 mm, with further layers of the landing turf."""
    build = worlds.full_build()
    document = build.model_dump()
    document["layout"] |= layout
    document["extras"] = [
        {"id": f"layer-{number}", "part": LANDING.id, "laid": True, **zone} for number, zone in enumerate(layers)
    ]
    return Build.model_validate(document), {**worlds.full_parts(), LANDING.id: LANDING}


def floor_of(layers: tuple[dict[str, Any], ...] = (), **layout: Any) -> LaidFloor:
    floor = evaluation_of(*world(layers, **layout)).reading(LaidFloor)
    assert floor is not None
    return floor


class ZoneTests(TestCase):
    def test_what_is_left_empty_goes_to_the_wall(self) -> None:
        self.assertEqual(Laid().zone_in(4.6, 7.0), (0.0, 0.0, 4.6, 7.0))
        self.assertEqual(Laid(floor_x_m=1.0, floor_length_m=2.0).zone_in(4.6, 7.0), (1.0, 0.0, 4.6, 2.0))

    def test_it_ends_at_the_walls(self) -> None:
        self.assertEqual(Laid(floor_x_m=4.0, floor_width_m=3.0).zone_in(4.6, 7.0).width_m, 4.6 - 4.0)
        self.assertEqual(Laid(floor_x_m=5.0).zone_in(4.6, 7.0).area_m2, 0.0)


class HeightTests(TestCase):
    def test_layers_lie_on_each_other(self) -> None:
        """40 mm of tiles, 30 mm of turf over them before the screen; bare where the tiles end."""
        floor = floor_of((BEFORE_SCREEN,), floor_length_m=5.0)
        self.assertAlmostEqual(floor.height_m(2.3, 1.0), 0.070)
        self.assertAlmostEqual(floor.height_m(2.3, 3.0), 0.040)
        self.assertEqual(floor.height_m(2.3, 6.0), 0.0)

    def test_cells_tile_the_floor(self) -> None:
        floor = floor_of((BEFORE_SCREEN, {"floor_x_m": 2.0, "floor_length_m": 3.0}), floor_width_m=4.0)
        self.assertAlmostEqual(sum(cell.area_m2 for cell in floor.cells), 4.6 * 7.0)

    def test_the_ball_is_as_high_as_what_lies_under_its_mat(self) -> None:
        """On top of the tiles 40 + 40 mm; where the tiles end before the ball only the mat's 40 mm count."""
        everywhere = evaluation_of(*world(mat_lies="on_top")).reading(HittingSurface)
        beyond = evaluation_of(*world(mat_lies="on_top", floor_length_m=2.0)).reading(HittingSurface)
        assert everywhere is not None
        assert beyond is not None
        self.assertAlmostEqual(everywhere.height_m - beyond.height_m, 0.040)

    def test_a_monitor_stands_on_what_lies_where_it_stands(self) -> None:
        """The radar stands behind the ball: on the tiles, or on the bare floor where these end before it."""
        here = evaluation_of(*world()).reading(MonitorFoot)
        bare = evaluation_of(*world(floor_length_m=4.0)).reading(MonitorFoot)
        assert here is not None
        assert bare is not None
        self.assertAlmostEqual(here.height_m - bare.height_m, 0.040)


class BoughtTests(TestCase):
    def test_a_zone_is_bought_and_not_the_whole_floor(self) -> None:
        """2.6 × 1.2 m off a roll of 2 m: two strips of 1.2 m, or one of 2.6 m, in whole metres 3 m either way."""
        (layer,) = (layer for layer in floor_of((BEFORE_SCREEN,)).layers if layer.key == "layer-0")
        self.assertEqual(getattr(layer.cover, "units", None), 3)
        costs = evaluation_of(*world((BEFORE_SCREEN,))).reading(Costs)
        assert costs is not None
        (line,) = (line for line in costs.lines if line.beside == "layer-0")
        self.assertEqual((line.quantity, line.unit), (3, "m of roll"))
        # 3 m of 2 m width are 6 m², of which 3.12 are laid.
        self.assertAlmostEqual(line.left_over.value if line.left_over else 0, 2.88)

    def test_tiles_that_are_left_go_on_in_the_next_zone(self) -> None:
        """140 tiles are 35 packs of 4; three more are a pack, whose fourth is all that the next asks for."""
        zones = [{"floor_x_m": x, "floor_y_m": 0.0, "floor_width_m": wide, "floor_length_m": 0.5}
                 for x, wide in ((0.0, 1.5), (2.0, 0.5), (3.0, 1.0))]  # fmt: skip
        build, parts = world()
        document = build.model_dump()
        document["extras"] = [
            {"id": f"more-{number}", "part": "tiles", "laid": True, **zone} for number, zone in enumerate(zones)
        ]
        costs = evaluation_of(Build.model_validate(document), parts).reading(Costs)
        assert costs is not None
        bought = {line.place: (line.quantity, line.left_over and line.left_over.value) for line in costs.lines}
        self.assertEqual((bought["floor"][0], bought["more-0"], bought["more-1"]), (35, (1, 1), (0, 0)))
        self.assertEqual(bought["more-2"], (1, 2))
        free = next(line for line in costs.lines if line.beside == "more-1")
        self.assertEqual((free.up_front, free.may_be_bought), (Money(0, "EUR"), False))

    def test_every_layer_is_laid_by_its_area(self) -> None:
        """Turf takes 0.25 h/m²: 2.6 × 1.2 × 0.25 = 0.78, told as 0.8 h; the tiles' 32.2 m² at 0.1 are 3.2 h."""
        works = evaluation_of(*world((BEFORE_SCREEN,))).reading(Works)
        assert works is not None
        hours = {work.id: work.hours for work in works.works}
        self.assertEqual((hours["lay:layer-0"], hours["install:floor"]), (0.8, 3.2))

    def test_a_roll_that_lies_loose_needs_no_tape(self) -> None:
        for fixed, asked in ((None, True), (True, True), (False, False)):
            items = evaluation_of(*world(({**BEFORE_SCREEN, "floor_fixed": fixed},))).reading(SmallItems)
            assert items is not None
            self.assertIs(any(item.item.id == "seam-tape" for item in items.items), asked)


class OfferedTests(TestCase):
    def test_no_ball_is_offered_a_place_on_another_height(self) -> None:
        """Of random builds with further layers, every spot has the floor that the answer was worked out with."""
        looked = 0
        for seed in seeds(120):
            build = random_build(seed)
            if not any(one.laid for one in build.extras):
                continue
            found = evaluation_of(build, sample_parts())
            surface, floor = found.reading(HittingSurface), found.reading(LaidFloor)
            spots = found.reading(Spots)
            if surface is None or floor is None or spots is None or not surface.follows_floor:
                continue
            for spot in spots.spots:
                if spot.best is not None:
                    looked += 1
                    self.assertAlmostEqual(floor.height_m(*spot.best), surface.floor_m, msg=f"{seed}")
        self.assertGreater(looked, 10)

    def test_something_soft_is_offered_before_the_screen_of_a_hard_floor(self) -> None:
        """The cheapest that is soft, on the strip of 3.3 × 1.2 m from the screen on, and then it is clear."""
        build, parts = world()
        hard = {**parts, "tiles": parts["tiles"].model_copy(update={"soft": False})}
        first = next(offer for offer in offers_about(build, hard, ("floor.landing", "")) if offer.build)
        self.assertEqual(
            (first.words.text(UnitSystem.METRIC), first.state),
            ("Lay Landing before the screen, on a zone of its own.", State.CLEAR),
        )
        assert first.build is not None
        (layer,) = first.build.extras
        for found, worked in zip(layer.zone_in(4.6, 7.0), (0.65, 0.4, 3.95, 1.6), strict=True):
            self.assertAlmostEqual(found, worked)

    def test_uneven_is_all_of_another_height(self) -> None:
        floor = floor_of((BEFORE_SCREEN,))
        self.assertEqual(floor.uneven_to(0.040), (Rectangle(1.0, 0.4, 3.6, 1.6).grown(EDGE_M),))
