"""The bay stands anywhere along its wall, and is judged by what is around it there."""

from unittest import TestCase

from core.bay import Bay
from core.drawing.dragging import Drag, fields_dragged
from core.model.build import Build
from core.model.moves import LayoutMove, layout_changes
from core.model.parts import Part
from core.model.room import CeilingShape, Layout
from core.model.things import BayPart
from core.report import Report, evaluate
from core.report.evaluation_of import evaluation_of
from tests.core import worlds
from tests.core.matrix.case import TODAY, world
from tests.core.random_builds import furnished_build, sample_parts, seeds

OF_THE_BAY = (
    "picture.throw",
    "picture.shadow",
    "picture.luminance",
    "enclosure.swing",
    "screen.enclosure",
    "room.picture_offset",
    "swing.ceiling",
    "projector.swing",
)
"""What the far half of a room has no part in."""
SEEDS = 60
FURTHER_M = 3.0


def report(build: Build, parts: dict[str, Part]) -> Report:
    return evaluate(build, parts, today=TODAY)


def judged(build: Build, check: str) -> list[object]:
    found = evaluation_of(build, sample_parts(), today=TODAY)
    return [(verdict.state, verdict.measured) for verdict in found.of_check(check)]


class PlaceTests(TestCase):
    def test_all_of_it_moves_together(self) -> None:
        """0.30 m to the left of the middle of 4.60 m: 2.00 m, for every part that is centred on it."""
        (build, parts), (moved, _) = world({}), world({"layout__screen_x_m": 2.0})
        before, after = evaluation_of(build, parts, today=TODAY), evaluation_of(moved, parts, today=TODAY)
        for key in (BayPart.SCREEN, BayPart.ENCLOSURE, BayPart.PROJECTOR):
            was, now = (found.reading(Bay) for found in (before, after))
            assert was is not None
            assert now is not None
            self.assertTrue(now.of(key))
            for old, new in zip(was.of(key), now.of(key), strict=True):
                self.assertAlmostEqual(new.box.low[0], old.box.low[0] - 0.3, msg=old.name)
                self.assertEqual((new.box.low[1:], new.box.high[1:]), (old.box.low[1:], old.box.high[1:]))
        (offset,) = after.of_check("room.picture_offset")
        self.assertAlmostEqual(offset.measured.value, 0.3)  # type: ignore[union-attr]

    def test_the_other_half_of_a_room_is_no_business_of_it(self) -> None:
        compared = 0
        for seed in seeds(SEEDS):
            build = furnished_build(seed)
            if build.room.ceiling_shape is not CeilingShape.FLAT:
                continue
            middle_m = build.layout.bay_middle_m(build.room)
            wide = build.model_copy(
                update={
                    "room": build.room.model_copy(update={"width_m": build.room.width_m + FURTHER_M}),
                    "layout": build.layout.model_copy(update={"screen_x_m": middle_m}),
                }
            )
            for check in OF_THE_BAY:
                with self.subTest(seed=seed, check=check):
                    told = judged(build, check)
                    compared += len(told)
                    self.assertEqual(judged(wide, check), told)
        self.assertGreater(compared, 100)

    def test_the_best_spot_is_before_the_picture(self) -> None:
        """In a room of 7.20 m with the bay at 2.30, Ada alone hits from its middle."""
        build, parts = world(
            {"room__width_m": 7.2, "layout__screen_x_m": 2.3, "brief__players": (worlds.player().model_dump(),)}
        )
        (spot,) = report(build, parts).hitting
        self.assertEqual(spot.best, (2.3, 3.4))


class DrawnTests(TestCase):
    def scene(self, **layout: float) -> Report:
        build, parts = world({f"layout__{field}": value for field, value in layout.items()})
        return report(build, parts)

    def test_both_walls_are_dimensions(self) -> None:
        dimensions = {line.field: line.value_m for line in self.scene(screen_x_m=2.0).scene.dimensions}
        self.assertAlmostEqual(dimensions["layout.screen_x_m"], 2.0)
        self.assertAlmostEqual(dimensions["layout.screen_to_right_wall_m"], 2.6)

    def test_it_is_dragged_by_the_end_of_its_screen_within_the_room(self) -> None:
        """The screen is 2.70 m wide: its end is 1.35 m beyond the middle, which stays between 1.35 and 3.25."""
        scene = self.scene().scene
        (handle,) = (one for one in scene.handles if one.target == "bay")
        self.assertAlmostEqual(handle.at[1], 2.3 + 1.35)
        for at_m, middle_m in ((3.05, 1.7), (9.0, 3.25), (-1.0, 1.35)):
            changes = fields_dragged(scene, Drag("floor", "bay", 0.4, at_m))
            self.assertEqual(list(changes), ["screen_x_m"])
            self.assertAlmostEqual(changes["screen_x_m"], middle_m)

    def test_it_is_typed_from_either_wall_and_goes_back_to_the_middle(self) -> None:
        room = worlds.room()
        for move, typed, changed in (
            (LayoutMove(screen_x_m=1.9), "screen_x_m", 1.9),
            (LayoutMove(screen_to_right_wall_m=1.9), "screen_to_right_wall_m", 2.7),
            (LayoutMove(), "screen_x_m", None),
        ):
            changes = layout_changes(Layout(screen_x_m=2.0), room, move, frozenset({typed}))
            self.assertEqual(list(changes), ["screen_x_m"])
            if changed is None:
                self.assertIsNone(changes["screen_x_m"])
            else:
                self.assertAlmostEqual(float(str(changes["screen_x_m"])), changed)
