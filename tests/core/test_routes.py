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
from core.quantities import UnitSystem
from core.report.routes import RouteKind, routes_to
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

    def test_a_piece_longer_than_a_stick(self) -> None:
        self.assertIsNone(cut_out([2.1], 2.0))


PARTS = (
    extra("frame_material", "Pipe", material="pipe", stock_length_m=6.0, section_m=0.03, price={"minor": 2600}),
    extra("frame_fitting", "Corner", material="pipe", fits_section_m=0.03, pack_size=8, price={"minor": 7200}),
    extra("side_protection", "Cloth", width_m=1.5, height_m=2.9, price={"minor": 6400}),
    extra("padding", "Foam", purpose="edge", length_m=2.0, pack_size=4, price={"minor": 1900}),
    extra("tool", "Cutter", use="pipe cutting", price={"minor": 2300}),
)


class RouteTests(TestCase):
    def setUp(self) -> None:
        self.build, parts = world({})
        self.parts: dict[str, Part] = {**parts, **{part.id: part for part in PARTS}}

    def test_a_pipe_frame_by_hand(self) -> None:
        """2.9, 2.85 and 1.0, four of each, out of 6 m: 2.9 + 2.9 twice, 2.85 + 2.85 twice, 1.0 × 4: 5 sticks of 26;
        corners 72, three cloths of 64, foam 19 twice for 8.6 m in packs of 8, a cutter 23."""
        routes = {route.kind: route for route in routes_to(Slot.ENCLOSURE, self.build, self.parts)}
        thrifty = routes[RouteKind.THRIFTY]
        self.assertEqual(
            [(b.part.name, b.units) for b in thrifty.bought],
            [("Pipe", 5), ("Corner", 1), ("Cutter", 1), ("Cloth", 3), ("Foam", 2)],
        )
        self.assertEqual(thrifty.money("EUR").minor, 5 * 2600 + 7200 + 2300 + 3 * 6400 + 2 * 1900)
        self.assertAlmostEqual(thrifty.hours, 5.0 + 12 * 0.2)
        self.assertEqual(routes[RouteKind.READY_MADE].money("EUR").minor, 80_000)
        fine = routes[RouteKind.FINE]
        self.assertEqual(fine.lacks, ("timber for the frame", "corners for timber"))
        self.assertEqual(fine.lacking((Skill.TIMBER,)), (Skill.SEWING,))

    def test_what_has_one_route_only(self) -> None:
        self.assertEqual(routes_to(Slot.MONITOR, self.build, self.parts), ())

    def test_without_a_screen_nobody_knows_how_large(self) -> None:
        bare, parts = world({"without": ("screen", "enclosure")})
        with self.assertRaises(MissingFact):
            routes_to(Slot.ENCLOSURE, bare, parts)

    def test_floors_tell_their_packs(self) -> None:
        first = routes_to(Slot.FLOOR, self.build, self.parts)[0]
        self.assertEqual((first.bought[0].units, first.money("EUR").minor), (35, 105_000))
        self.assertTrue(first.bought[0].why.text(UnitSystem.METRIC).startswith("32.20 m²"))

    def test_a_screen_to_be_sewn_needs_a_raw_one(self) -> None:
        raw = worlds.screen(id="raw", name="Raw", edge="raw", price=worlds.price(150))
        routes = {route.kind: route for route in routes_to(Slot.SCREEN, self.build, {**self.parts, "raw": raw})}
        self.assertEqual(routes[RouteKind.THRIFTY].bought[0].part.name, "Raw")
        self.assertEqual(routes[RouteKind.READY_MADE].bought[0].part.name, "Square")
