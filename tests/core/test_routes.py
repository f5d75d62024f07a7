"""Routes by hand and ready-made, and the cutting of sticks, against sums made by hand and brute force."""

from itertools import permutations
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from core.geometry.cutting import KERF_M, cut_out
from core.model.build import Slot
from core.model.facts import MissingFact
from core.model.household import Skill
from core.model.parts import Part
from core.report.routes import Route, RouteKind, routes_to
from tests.core import worlds
from tests.core.matrix.case import extra, world

CUTS = st.lists(st.sampled_from((0.4, 0.7, 0.9, 1.1, 1.6)), min_size=1, max_size=6)


def fewest(pieces: list[float], stock_m: float) -> int:
    """Every order, each piece onto the open stick or a new one."""
    best = len(pieces)
    for order in set(permutations(pieces)):
        sticks, left = 1, stock_m
        for piece in order:
            if piece > left + 1e-9:
                sticks, left = sticks + 1, stock_m
            left -= piece + KERF_M
        best = min(best, sticks)
    return best


class CuttingTests(TestCase):
    @settings(max_examples=60)
    @given(CUTS)
    def test_no_piece_is_lost_and_few_sticks_too_many(self, pieces: list[float]) -> None:
        plan = cut_out(pieces, 2.0)
        assert plan is not None
        self.assertEqual(sorted(piece for stick in plan.sticks for piece in stick), sorted(pieces))
        for stick in plan.sticks:
            self.assertLessEqual(sum(stick) + KERF_M * (len(stick) - 1), 2.0 + 1e-9)
        self.assertLessEqual(len(plan.sticks), fewest(pieces, 2.0) + 1)
        self.assertAlmostEqual(plan.waste_m, len(plan.sticks) * 2.0 - sum(pieces))

    def test_the_saw_takes_three_millimetres(self) -> None:
        """1.000 + 0.997 and the cut between them are 2 m; a millimetre more needs a second stick."""
        just, over = cut_out([1.0, 0.997], 2.0), cut_out([1.0, 0.998], 2.0)
        self.assertEqual((just and just.sticks, over and over.sticks), (((1.0, 0.997),), ((1.0,), (0.998,))))

    def test_a_piece_goes_where_it_leaves_the_least(self) -> None:
        """0.9 goes beside 2.0 rather than 1.6, where 1.3 then fits: two sticks of 3 m, not three."""
        plan = cut_out([0.9, 2.0, 1.3, 1.6], 3.0)
        self.assertEqual(plan and plan.sticks, ((2.0, 0.9), (1.6, 1.3)))

    def test_a_piece_longer_than_a_stick(self) -> None:
        self.assertIsNone(cut_out([2.1], 2.0))


PARTS = (
    extra("frame_material", "Pipe", material="pipe", stock_length_m=6.0, section_m=0.03, price={"minor": 2600}),
    extra("frame_fitting", "Corner", material="pipe", fits_section_m=0.03, pack_size=8, price={"minor": 7200}),
    extra("side_protection", "Cloth", width_m=1.5, height_m=2.9, price={"minor": 6400}),
    extra("padding", "Foam", purpose="edge", length_m=2.0, pack_size=4, price={"minor": 1900}),
    extra("tool", "Cutter", use="pipe cutting", price={"minor": 2300}),
    extra("hanging", "Cords", takes=("grommets",), load_kg=9.0, pack_size=50, price={"minor": 2400}),
)


class RouteTests(TestCase):
    def setUp(self) -> None:
        self.build, parts = world({})
        self.parts: dict[str, Part] = {**parts, **{part.id: part for part in PARTS}}

    def routes(self, slot: Slot, **more: Part) -> dict[RouteKind, Route]:
        return {route.kind: route for route in routes_to(slot, self.build, {**self.parts, **more})}

    def test_a_pipe_frame_by_hand(self) -> None:
        """2.9, 2.85 and 1.0, four of each, out of 6 m: 2.9 + 2.9 twice, 2.85 + 2.85 twice, 1.0 × 4: 5 sticks of 26;
        corners 72, three cloths of 64, foam 19 twice for 8.6 m in packs of 8, a cutter 23, cords 24. Four hours to put
        it up, one to join it and 0.2 for each of twelve cuts."""
        routes = self.routes(Slot.ENCLOSURE)
        thrifty = routes[RouteKind.THRIFTY]
        self.assertEqual(
            {bought.part.name: bought.line.quantity for bought in thrifty.purchases},
            {"Pipe": 5, "Corner": 1, "Cutter": 1, "Cloth": 3, "Foam": 2, "Cords": 1},
        )
        self.assertEqual(thrifty.money.minor, 5 * 2600 + 7200 + 2300 + 3 * 6400 + 2 * 1900 + 2400)
        self.assertAlmostEqual(thrifty.hours, 4.0 + 1.0 + 12 * 0.2)
        self.assertEqual(routes[RouteKind.READY_MADE].money.minor, 80_000 + 2 * 6400, "and netting past its sides")
        fine = routes[RouteKind.FINE]
        self.assertEqual(fine.lacks, ("sticks for the frame", "fittings for the frame"))
        self.assertEqual(fine.lacking((Skill.TIMBER,)), (Skill.SEWING,))

    def test_what_has_one_route_only(self) -> None:
        self.assertEqual(routes_to(Slot.MONITOR, self.build, self.parts), ())

    def test_without_a_screen_nobody_knows_how_large(self) -> None:
        bare, parts = world({"without": ("screen", "enclosure")})
        with self.assertRaises(MissingFact):
            routes_to(Slot.ENCLOSURE, bare, parts)

    def test_floors_tell_their_packs(self) -> None:
        first = self.routes(Slot.FLOOR)[RouteKind.READY_MADE]
        self.assertEqual((first.purchases[0].line.quantity, first.money.minor), (35, 105_000))

    def test_a_screen_to_be_sewn_needs_a_raw_one(self) -> None:
        """Two hours to hang it; its hem is 10.8 m × 0.15 h × 1.5 = 2.43 h, told as 2.4."""
        raw = worlds.screen(id="raw", name="Raw", edge="raw", price=worlds.price(150))
        routes = self.routes(Slot.SCREEN, raw=raw)
        self.assertEqual(routes[RouteKind.THRIFTY].purchases[0].part.name, "Raw")
        self.assertEqual((routes[RouteKind.THRIFTY].hours, routes[RouteKind.THRIFTY].skills), (4.4, (Skill.SEWING,)))
        self.assertEqual(routes[RouteKind.READY_MADE].purchases[0].part.name, "Square")
        self.assertEqual(self.routes(Slot.SCREEN)[RouteKind.THRIFTY].lacks, ("a screen with a raw edge",))

    def test_a_route_tells_what_it_would_rule_out(self) -> None:
        """A screen 3.6 m wide, and nothing smaller, before a frame 2.8 m wide inside: 0.40 m over it on each side."""
        only = {"screen": worlds.screen(id="screen", width_m=3.6)}
        told = self.routes(Slot.SCREEN, **only)[RouteKind.READY_MADE].against
        self.assertIn("screen.enclosure", [each.verdict.id for each in told])
