"""Each rule has one answer, wherever it is asked: by a check, a small item, a region, an allowance or the drawing.

Every test of the first class holds one such rule, seen from two sides.
"""

from unittest import TestCase

from core.bay import Bay
from core.checks import GRAPH
from core.checks.limits import State
from core.checks.space import PlayingLayout
from core.checks.verdict import Basis, Told
from core.contents.usual import usual_stored, usual_thing
from core.geometry.boxes import Box
from core.model.build import Build
from core.model.parts import KINDS, Mount, OverheadCamera, Part, SideCamera
from core.model.parts.words import fact_words
from core.model.room import CeilingShape
from core.model.things import StoredKind, ThingKind
from core.quantities import UnitSystem
from core.report import Report, evaluate
from core.report.evaluation_of import evaluation_of
from core.report.small_items import options_for
from tests.core import worlds
from tests.core.matrix.case import TODAY, extra, world
from tests.core.matrix.test_matrix import TABLES
from tests.core.random_builds import furnished_build, sample_parts, seeds
from tests.core.worlds import left_hander, player, thing

METRIC = UnitSystem.METRIC


def report(build: Build, parts: dict[str, Part]) -> Report:
    return evaluate(build, parts, today=TODAY)


def states(found: Report, check: str) -> list[str]:
    return [verdict.state.value for verdict in found.verdicts if verdict.id == check]


def items(found: Report) -> dict[str, tuple[str, ...]]:
    """What speaks against the choice for each small item that there is."""
    return {status.item.item.id: tuple(each.state.value for each in status.objections) for status in found.small}


class TwoSidesTests(TestCase):
    def test_a_spot_knows_the_sides_of_the_enclosure(self) -> None:
        """It reaches back to the ball, and its sides are nearer than the walls of the room."""
        for inner_m in (2.4, 2.5, 2.6, 2.7, 2.8):
            hood = {"enclosure__inner_width_m": inner_m, "enclosure__outer_width_m": inner_m + 0.1}
            build, parts = world({**hood, "enclosure__depth_m": 3.5, "screen__width_m": 2.4, "brief__players": SHORT})
            for spot in report(build, parts).hitting:
                if spot.best is not None:
                    at = {"ball_x_m": spot.best[0], "ball_y_m": spot.best[1]}
                    there = report(build.model_copy(update={"layout": build.layout.model_copy(update=at)}), parts)
                    for check in ("room.free_side", "enclosure.swing", "swing.side_walls"):
                        self.assertEqual(states(there, check), ["clear"], (inner_m, check))

    def test_sticks_are_those_that_the_box_is_cut_out_of(self) -> None:
        """2.9 × 2.85 × 1.0 m out of 3 m: each of the eight long edges a stick, and two of the short ones on one."""
        kit = {"enclosure__leaves_out": ("frame",)}
        stick = extra("frame_material", "Pipe", material="pipe", stock_length_m=3.0, section_m=0.03)
        build, parts = world(kit)
        (option,) = (o for o in options_for(build, {**parts, "pipe": stick}, "frame") if o.part.id == "pipe")
        self.assertEqual(option.units, 10)

    def test_a_mount_that_is_tight_here_is_not_refused_there(self) -> None:
        """4.0 kg on a mount for 4.4: within a quarter of its load."""
        mount = Mount.model_validate(
            {"id": "arm", "maker": "Maker", "name": "Arm", "holds": "projector", "load_kg": 4.4}
            | {"drop_min_m": 0.1, "drop_max_m": 1.5, "reach_m": 0.5}
        )
        build, parts = world({})
        small = {"small_items": {"projector-mount": {"choice": "buy", "part": "arm"}}}
        found = report(Build.model_validate({**build.model_dump(), **small}), {**parts, "arm": mount})
        self.assertEqual(states(found, "display.mount"), ["tight"])
        self.assertEqual(items(found)["projector-mount"], ("tight",))

    def test_a_side_camera_stands_on_the_free_side_of_its_player(self) -> None:
        """The ball at 2.30: a column at 2.70 to 3.10 hits a right-hander's camera, and not a left-hander's."""
        camera = worlds.monitor_of(SideCamera, distance_min_m=0.4, distance_max_m=0.6, beside_min_m=0.1)
        post = thing(kind="column", name="post", x_m=2.65, y_m=3.3, z_m=0, width_m=0.4, length_m=0.3, height_m=0.5)
        for who, expected in ((player(), True), (left_hander(), False)):
            build, parts = world({"swap": (camera,), "room__things": [post.model_dump()], "room__stored": ()})
            brief = build.brief.model_copy(update={"players": (who,), "visitors": False})
            found = report(build.model_copy(update={"brief": brief}), parts)
            playing = found.evaluation.reading(PlayingLayout)
            assert playing is not None
            pairs = [{conflict.first.key, conflict.second.key} for conflict in playing.conflicts]
            self.assertEqual({"monitor", "things/beam"} in pairs, expected, pairs)
            shapes = [shape for shape in found.scene.shapes if shape.meaning == "monitor" and shape.view == "floor"]
            right_of_ball = [min(x for _, x in shape.points) > build.layout.ball_x_m for shape in shapes]
            self.assertEqual(right_of_ball, [expected])

    def test_an_overhead_camera_hangs_from_the_ceiling_over_it(self) -> None:
        """Eaves 2.60, ridge 3.80 over the middle: a beam at 2.50 to 2.70 there is far below it."""
        camera = worlds.monitor_of(
            OverheadCamera, mount_height_min_m=2.5, mount_height_max_m=4.0, ahead_min_m=0.9, ahead_max_m=1.1
        )
        beam = thing(name="tie", x_m=2.2, y_m=2.2, z_m=2.5, width_m=0.2, length_m=0.4, height_m=0.2)
        roof = {"room__ceiling_m": 2.6, "room__ridge_m": 3.8, "room__ceiling_shape": CeilingShape.RIDGE_ALONG}
        build, parts = world({**roof, "swap": (camera,), "room__things": [beam.model_dump()]})
        playing = report(build, parts).evaluation.reading(PlayingLayout)
        assert playing is not None
        self.assertNotIn(
            {"monitor", "things/beam"}, [{found.first.key, found.second.key} for found in playing.conflicts]
        )

    def test_usual_things_hang_from_the_ceiling_over_them(self) -> None:
        """Eaves 2.4, ridge 3.4: a lamp 0.30 wide in the middle touches it at 3.4 − 0.15 · 2 · 1.0 / 4.6; a beam across
        rests on the eaves; 4.0 m of car are stowed under 2.4 at the wall."""
        shed = worlds.room(ceiling_m=2.4, ridge_m=3.4, ceiling_shape=CeilingShape.RIDGE_ALONG)
        lamp = usual_thing(ThingKind.LAMP, shed, ())
        self.assertAlmostEqual(lamp.z_m + lamp.height_m, 3.4 - 0.15 * 2 * 1.0 / 4.6, places=4)
        beam = usual_thing(ThingKind.BEAM, shed, ())
        self.assertAlmostEqual(beam.z_m + beam.height_m, 2.4)
        self.assertAlmostEqual(usual_thing(ThingKind.COLUMN, shed, ()).height_m, 3.4 - 0.1 * 2 * 1.0 / 4.6, places=4)
        self.assertEqual(usual_stored(StoredKind.CAR, shed, ()).height_m, 1.5)
        unmeasured = worlds.room(ceiling_m=2.4, ridge_m=None, ceiling_shape=CeilingShape.RIDGE_ALONG, lining_m=0.1)
        lamp = usual_thing(ThingKind.LAMP, unmeasured, ())
        self.assertAlmostEqual(lamp.z_m + lamp.height_m, 2.3)

    def test_rags_of_netting_close_no_side(self) -> None:
        """Two pieces of 0.3 m: as the item refuses them, so does the check."""
        rag = extra("side_protection", "Rag", width_m=0.3, height_m=0.3)
        bare, parts = world({"without": ("enclosure",), "beside": (rag, replace_id(rag, "rag-2"))})
        found = report(bare, {**parts, "rag": rag})
        self.assertNotIn("clear", states(found, "screen.sides"))
        options = options_for(bare, {**parts, "rag": rag}, "side-netting")
        self.assertFalse(next(option for option in options if option.part.id == "rag").serves)

    def test_a_pad_that_levels_the_monitor_needs_no_feet(self) -> None:
        """The ball lies 40 mm above the covering, the monitor puts up with 5: a pad of 40 mm does."""
        for pad_m, level in ((0.0, False), (0.04, True)):
            build, parts = world({"radar__level_tolerance_m": 0.005, "tiles__thickness_m": 0.0001})
            laid = build.model_copy(update={"layout": build.layout.model_copy(update={"monitor_pad_m": pad_m})})
            found = report(laid, parts)
            self.assertEqual(states(found, "monitor.level") == ["clear"], level)
            self.assertEqual("levelling-feet" not in items(found), level)

    def test_screen_and_monitor_await_the_same_fastest_ball(self) -> None:
        """Visitors may be fast: 76 m/s and a tenth, which neither stops nor reads who stops at 65."""
        slow = {"radar__ball_speed_max_m_s": 65.0, "screen__rated_ball_speed_m_s": 65.0}
        for visitors in (False, True):
            build, parts = world({**slow, "brief__visitors": visitors, "brief__players": SLOW})
            found = report(build, parts)
            self.assertEqual("clear" in states(found, "screen.rating"), "clear" in states(found, "monitor.ball_speed"))
            self.assertEqual("clear" in states(found, "monitor.ball_speed"), not visitors)

    def test_a_measured_reach_is_measured_wherever_it_counts_and_nowhere_else(self) -> None:
        ways = {
            "height_m": (2.6, {"swing.ceiling", "swing.longest_club"}),
            "back_m": (1.8, {"swing.side_walls"}),
            "behind_m": (1.5, {"swing.rear_wall"}),
            "ahead_m": (1.5, set()),
        }
        for way, (reached_m, where) in ways.items():
            self.assertEqual(self.measured_in({way: reached_m}), where, way)
        everywhere = {way: reached_m for way, (reached_m, _) in ways.items()}
        all_of_them = {"swing.things", *(check for _, checks in ways.values() for check in checks)}
        self.assertEqual(self.measured_in(everywhere), all_of_them)

    def measured_in(self, reached: dict[str, float]) -> set[str]:
        """The checks that lean on what was measured."""
        reach = {"club": "driver", "dated": "today", **reached}
        build, parts = world({"brief__players": [{**ONE[0], "measured_reaches": [reach]}]})
        found = report(build, parts)
        swings = [verdict for verdict in found.verdicts if verdict.id.startswith("swing.")]
        return {verdict.id for verdict in swings if found.told(verdict).basis is Basis.MEASURED}


def replace_id(part: Part, id: str) -> Part:
    return part.model_copy(update={"id": id})


ONE = [player().model_dump()]
SHORT = [player(height_m=1.5, longest_club="7-iron").model_dump()]
SLOW = [player(speed_band="junior").model_dump()]


class PlaceTests(TestCase):
    def test_solid_drawing_and_check_agree_on_where_every_part_of_the_bay_is(self) -> None:
        seen: set[str] = set()
        for seed in seeds(36):
            build = furnished_build(seed)
            found = report(build, sample_parts())
            bay, playing = found.evaluation.reading(Bay), found.evaluation.reading(PlayingLayout)
            assert bay is not None
            for key in {solid.key for solid in bay.solids}:
                boxes = [solid.box for solid in bay.of(key)]
                shapes = [shape for shape in found.scene.shapes if shape.view == "floor" and shape.meaning == key]
                seen.update(key for _ in shapes)
                with self.subTest(seed=seed, part=key):
                    if key in ("monitor", "machine"):
                        for shape, box in zip(shapes, boxes, strict=True):
                            ((u, v),) = shape.points
                            self.assertTrue(box.low[1] <= u <= box.high[1] and box.low[0] <= v <= box.high[0])
                    elif shapes and key != "screen":
                        drawn = [point for shape in shapes for point in shape.points]
                        for axis, along in ((0, 1), (1, 0)):
                            self.assertAlmostEqual(min(p[axis] for p in drawn), min(b.low[along] for b in boxes))
                            self.assertAlmostEqual(max(p[axis] for p in drawn), max(b.high[along] for b in boxes))
                    for checked in (solid for solid in playing.solids if solid.key == key) if playing else ():
                        self.assertTrue(any(within(box, checked.box) for box in boxes))
        self.assertLessEqual({"mat", "enclosure", "monitor"}, seen)


def within(inner: Box, outer: Box) -> bool:
    """`outer` may have room to bulge besides."""
    return all(outer.low[axis] <= inner.low[axis] and inner.high[axis] <= outer.high[axis] for axis in range(3))


class MarginTests(TestCase):
    def all_told(self) -> list[Told]:
        found = []
        for table in TABLES:
            for check, cases in table.ROWS.items():
                for case in cases:
                    build, parts = world(case.changes)
                    evaluation = evaluation_of(build, parts, today=TODAY)
                    found += [evaluation.told(verdict) for verdict in evaluation.of_check(check)]
        for seed in seeds(16):
            evaluation = evaluation_of(furnished_build(seed), sample_parts(), today=TODAY)
            found += [evaluation.told(verdict) for verdict in evaluation.verdicts]
        return found

    def test_a_margin_has_the_sign_of_its_state(self) -> None:
        """Blocked is short or lacks something; tight is within its bound, or tolerated; clear is not short."""
        for told in self.all_told():
            margin = told.margin.text(METRIC) if told.margin else ""
            with self.subTest(check=told.verdict.id, state=told.state, margin=margin):
                if told.state is State.BLOCKED:
                    self.assertTrue(not margin or margin[0] == "−" or margin.startswith("lacks") or short(margin))
                elif told.state is not State.UNKNOWN:
                    self.assertTrue(margin[:1] != "−" and (not short(margin) or "tolerated" in margin))

    def test_what_is_clear_proposes_no_change_and_has_what_is_required(self) -> None:
        for told in self.all_told():
            if told.state is State.CLEAR:
                with self.subTest(check=told.verdict.id):
                    self.assertEqual(told.cures, ())

    def test_words_are_a_builder_s(self) -> None:
        for told in self.all_told():
            margin = told.margin.text(METRIC) if told.margin else ""
            for words in (margin, told.headline.text(METRIC), *(change.words.text(METRIC) for change in told.cures)):
                with self.subTest(check=told.verdict.id, words=words):
                    self.assertNotRegex(words, r"not met|\bmet\b|−\d+ tiers?|−\d+ pieces?|\binf\b|\bnan\b|None")


def short(margin: str) -> bool:
    return " short" in margin or " too low" in margin or "left out" in margin or "none there" in margin


class NameTests(TestCase):
    def test_a_fact_has_one_name(self) -> None:
        """Whatever reads a missing fact calls it by that name, after the part that should state it."""
        for kind in KINDS.values():
            for part in worlds.full_parts().values():
                if not isinstance(part, kind):
                    continue
                for field, info in kind.model_fields.items():
                    if info.is_required() or field in ("kind", "sources", "note", "plans", "price"):
                        continue
                    bare = part.model_copy(update={field: info.default})
                    if info.default is not None:
                        continue
                    found = evaluate(worlds.full_build(), {**worlds.full_parts(), part.id: bare}, today=TODAY)
                    for verdict in found.verdicts:
                        missing = verdict.missing
                        if missing is not None and missing.at.record == f"parts/{part.id}":
                            with self.subTest(part=part.id, field=field, check=verdict.id):
                                self.assertIn(fact_words(kind, missing.at.field), missing.fact)


class FreezingTests(TestCase):
    def test_verdicts_are_values(self) -> None:
        for seed in seeds(7):
            build = furnished_build(seed)
            one, other = (
                evaluation_of(replace_names(build, seed), sample_parts(), today=TODAY).verdicts for _ in range(2)
            )
            self.assertEqual(one, other)
            self.assertEqual(len({hash(verdict) for verdict in one}), len(set(one)))
        self.assertEqual(tuple(GRAPH.checks), tuple(sorted(GRAPH.checks, key=lambda check: check.id)))


def replace_names(build: Build, number: int) -> Build:
    return build.model_copy(update={"name": f"{build.name} {number}"})
