"""The drawing: to scale, with meaning, and its handles where things are."""

from unittest import TestCase

from core.contents.changes import ContentGroup, content_of
from core.drawing import Scene
from core.model.moves import LayoutMove, layout_changes
from core.model.parts import OverheadCamera, SideCamera
from core.report import evaluate
from tests.core import worlds


def drawn(**facts: object) -> Scene:
    return evaluate(worlds.full_build(**facts), worlds.full_parts()).scene


def meanings(scene: Scene, view: str) -> set[str]:
    return {shape.meaning for shape in scene.shapes if shape.view == view}


class SceneTests(TestCase):
    def test_both_views_hold_all_that_takes_up_space(self) -> None:
        scene = drawn()
        common = {"room", "swing-disc", "golfer", "beam", "picture", "enclosure", "screen", "mat", "monitor"}
        self.assertLessEqual(common | {"target-line"}, meanings(scene, "floor"))
        self.assertLessEqual(common | {"floor"}, meanings(scene, "section"))

    def test_the_room_is_as_large_as_measured(self) -> None:
        room = next(shape for shape in drawn().shapes if shape.meaning == "room" and shape.view == "floor")
        self.assertEqual(room.points[2], (7.0, 4.6))

    def test_foam_and_lining_are_drawn_where_they_are(self) -> None:
        scene = drawn(room=worlds.room(wall_foam_m=0.1, lining_m=0.05))
        foam = next(shape for shape in scene.shapes if shape.meaning == "foam" and shape.view == "section")
        lining = next(shape for shape in scene.shapes if shape.meaning == "lining")
        self.assertEqual(foam.points[2], (0.1, 3.0))
        self.assertEqual(lining.points[2], (0, 2.95))

    def test_a_section_is_cut_through_the_ball_line(self) -> None:
        """Eaves 2.6, ridge 3.6 m along the target line of a 4.6 m room: 1.15 m in it is half-way up, 3.1 m."""
        shed = worlds.room(ceiling_m=2.6, ridge_m=3.6, ceiling_shape="ridge_along")
        scene = drawn(room=shed, layout=worlds.layout(ball_x_m=1.15))
        outline = next(shape for shape in scene.shapes if shape.meaning == "room" and shape.view == "section")
        self.assertEqual([(u, round(v, 6)) for u, v in outline.points[2:]], [(7.0, 3.1), (3.5, 3.1), (0.0, 3.1)])
        self.assertEqual(scene.height_m, 3.6)
        across = drawn(room=worlds.room(ceiling_m=2.6, ridge_m=3.6, ceiling_shape="ridge_across"))
        outline = next(shape for shape in across.shapes if shape.meaning == "room" and shape.view == "section")
        self.assertEqual([(u, round(v, 6)) for u, v in outline.points[2:]], [(7.0, 2.6), (3.5, 3.6), (0.0, 2.6)])

    def test_an_empty_build_still_shows_room_screen_line_and_ball(self) -> None:
        scene = drawn(chain={})
        self.assertLessEqual({"room", "screen-line", "swing-disc"}, meanings(scene, "floor"))
        self.assertEqual({handle.target for handle in scene.handles}, {"ball", "screen", "bay"})

    def test_dimensions_measure_what_they_span(self) -> None:
        for dimension in drawn().dimensions:
            with self.subTest(dimension.label):
                (u0, v0), (u1, v1) = dimension.start, dimension.end
                self.assertAlmostEqual(abs(u1 - u0) + abs(v1 - v0), dimension.value_m)

    def test_the_length_is_shared_out_without_a_rest(self) -> None:
        values = {dimension.label: dimension.value_m for dimension in drawn().dimensions}
        shared = values["Gap behind the screen"] + values["Ball to screen"] + values["Behind the ball"]
        self.assertAlmostEqual(shared, values["Length"])
        self.assertAlmostEqual(values["Ball to left wall"] + values["Ball to right wall"], values["Width"])

    def test_handles_are_on_what_they_move(self) -> None:
        handles = {(handle.view, handle.target): handle for handle in drawn().handles}
        self.assertEqual(handles["floor", "ball"].at, (3.5, 2.3))
        projector = handles["section", "projector"]
        self.assertAlmostEqual(projector.at[0] - projector.u_origin_m, 0.76 * 1.95 * 16 / 9)

    def test_a_shadow_is_drawn_on_the_picture(self) -> None:
        scene = drawn(
            layout=worlds.layout(lens_distance_m=6.0, lens_height_m=2.3, ball_x_m=3.2),
        )
        shadows = [shape for shape in scene.shapes if shape.meaning == "shadow"]
        self.assertTrue(shadows)
        self.assertTrue(all(point[0] == 0.4 for shape in shadows for point in shape.points))

    def test_a_side_camera_stands_on_each_free_side_and_an_overhead_one_hangs(self) -> None:
        side = worlds.monitor_of(SideCamera, distance_min_m=0.4, distance_max_m=0.6, level_tolerance_m=0.01)
        above = worlds.monitor_of(
            OverheadCamera, mount_height_min_m=2.6, mount_height_max_m=3.2, ahead_min_m=0.6, ahead_max_m=1.0
        )
        for monitor, places in ((side, {(3.5, 2.8), (3.5, 1.8)}), (above, {(2.7, 2.3)})):
            build = worlds.full_build(chain={"monitor": {"part": "monitor"}})
            scene = evaluate(build, {"monitor": monitor}).scene
            found = {
                tuple(round(number, 6) for number in shape.points[0])
                for shape in scene.shapes
                if shape.meaning == "monitor" and shape.view == "floor"
            }
            self.assertEqual(found, places)


class MoveTests(TestCase):
    """Room 4.6 × 7.0 m, screen line at 0.40, ball at 2.30 and 3.50."""

    def moved(self, **move: float | None) -> dict[str, object]:
        return layout_changes(worlds.layout(), worlds.room(), LayoutMove.model_validate(move), frozenset(move))

    def test_any_dimension_means_a_place(self) -> None:
        self.assertEqual(self.moved(ball_to_screen_m=3.0), {"ball_y_m": 3.4})
        self.assertEqual(self.moved(behind_ball_m=3.0), {"ball_y_m": 4.0})
        self.assertAlmostEqual(float(str(self.moved(right_wall_m=2.0)["ball_x_m"])), 2.6)

    def test_a_new_screen_line_counts_at_once(self) -> None:
        self.assertEqual(self.moved(screen_y_m=0.5, ball_to_screen_m=3.0), {"screen_y_m": 0.5, "ball_y_m": 3.5})

    def test_what_is_proposed_can_be_given_back(self) -> None:
        self.assertEqual(self.moved(lens_height_m=None), {"lens_height_m": None})
        self.assertEqual(self.moved(ball_x_m=None), {}, "a ball is always somewhere")


class ContentTests(TestCase):
    """A room with one of everything, drawn in both layouts."""

    def setUp(self) -> None:
        moved = worlds.stored(while_playing="moved", play_x_m=3.0, play_y_m=5.5, width_m=1.0, length_m=1.0)
        self.room = worlds.full_room(stored=[moved.model_dump()])
        self.report = evaluate(worlds.full_build(room=self.room), worlds.full_parts())

    def test_what_is_dragged_ends_up_under_the_pointer(self) -> None:
        """Each handle's fields, set to where it is drawn, change nothing: origin and axis are its own."""
        stowed = self.report.stowed
        assert stowed is not None
        for handle in (*self.report.scene.handles, *stowed.handles):
            group, _, id = handle.target.partition("/")
            if not id:
                continue
            with self.subTest(handle.target, view=handle.view):
                content = content_of(self.room, ContentGroup(group), id)
                for field, at, origin in (
                    (handle.u_field, handle.at[0], handle.u_origin_m),
                    (handle.v_field, handle.at[1], handle.v_origin_m),
                ):
                    if field:
                        self.assertAlmostEqual(getattr(content, field), at - origin)

    def test_everything_in_the_room_may_be_dragged_in_the_plan(self) -> None:
        targets = {handle.target for handle in self.report.scene.handles if handle.view == "floor"}
        expected = {"things/beam", "openings/door", "openings/window", "sockets/socket", "stored/dinghy"}
        self.assertLessEqual(expected, targets)

    def test_lengths_of_things_measure_what_they_span(self) -> None:
        for dimension in self.report.scene.dimensions:
            if dimension.subject:
                with self.subTest(dimension.subject, label=dimension.label):
                    (u0, v0), (u1, v1) = dimension.start, dimension.end
                    self.assertAlmostEqual(abs(u1 - u0) + abs(v1 - v0), dimension.value_m)

    def test_both_layouts_show_the_stored_thing_where_it_is(self) -> None:
        stowed = self.report.stowed
        assert stowed is not None
        playing_at, stowed_at = (
            next(shape.points[0] for shape in drawn.shapes if shape.meaning == "stored" and shape.view == "floor")
            for drawn in (self.report.scene, stowed)
        )
        self.assertEqual((playing_at, stowed_at), ((5.5, 3.0), (2.8, 0.0)))

    def test_a_swing_marks_where_it_is_nearest(self) -> None:
        marks = [shape for shape in self.report.scene.shapes if shape.meaning == "nearest"]
        self.assertEqual({mark.subject for mark in marks}, {"ada", "lin"})
        self.assertTrue(all(mark.label.lower().startswith(f"{mark.subject} nearest to the ") for mark in marks))
