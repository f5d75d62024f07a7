"""Floor covering against laying it piece by piece."""

from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from core.geometry.floor_cover import roll_cover, roll_strips, tape_m, tile_cover

spans_mm = st.integers(min_value=500, max_value=12_000)


def laid_mm(span_mm: int, piece_mm: int) -> int:
    """Pieces laid one after the other until the span is covered."""
    covered = count = 0
    while covered < span_mm:
        covered += piece_mm
        count += 1
    return count


class TileTests(TestCase):
    def test_worked_floor(self) -> None:
        """4.6 × 7.0 m in 0.5 m tiles: 10 × 14 = 140 tiles, 35 packs of 4, 35 m² bought for 32.2 m²."""
        cover = tile_cover(4.6, 7.0, 0.5, 4)
        self.assertEqual((cover.units, cover.pieces), (35, 140))
        self.assertAlmostEqual(cover.waste_m2, 2.8)

    def test_a_span_that_divides_evenly_takes_no_tile_more(self) -> None:
        self.assertEqual(tile_cover(3.0, 0.9, 0.3, 1).pieces, 30)

    @given(spans_mm, spans_mm, st.integers(min_value=200, max_value=1000), st.integers(min_value=1, max_value=12))
    def test_agrees_with_laying_them(self, width: int, length: int, side: int, pack: int) -> None:
        cover = tile_cover(width / 1000, length / 1000, side / 1000, pack)
        tiles = laid_mm(width, side) * laid_mm(length, side)
        self.assertEqual(cover.pieces, tiles)
        self.assertTrue(tiles <= cover.units * pack < tiles + pack)
        self.assertGreaterEqual(cover.waste_m2, -1e-9)


class RollTests(TestCase):
    def test_the_cheaper_direction_is_taken(self) -> None:
        """4.6 × 7.8 m off 4 m: 2 strips of 7.8 m are 15.6 → 16 m; 2 strips of 4.6 m cover only 8 m: 9.2 → 10 m."""
        self.assertEqual(roll_cover(4.6, 7.8, 4.0).units, 10)
        self.assertEqual(roll_cover(4.6, 7.8, 4.0).pieces, 2)

    @given(spans_mm, spans_mm, st.sampled_from([1000, 2000, 4000]))
    def test_no_direction_is_better(self, width: int, length: int, roll: int) -> None:
        metres = [-(-laid_mm(across, roll) * along // 1000) for across, along in ((width, length), (length, width))]
        self.assertEqual(roll_cover(width / 1000, length / 1000, roll / 1000).units, min(metres))

    @given(spans_mm, spans_mm)
    def test_turning_the_room_changes_nothing(self, width: int, length: int) -> None:
        turned = roll_cover(length / 1000, width / 1000, 2.0)
        self.assertEqual(roll_cover(width / 1000, length / 1000, 2.0).units, turned.units)


class TapeTests(TestCase):
    def test_worked_seams(self) -> None:
        """4.6 × 7.8 m off 2 m: four strips of 4.6 m, three seams of 4.6 m, and 24.8 m along the walls: 38.6 m."""
        self.assertAlmostEqual(tape_m(4.6, 7.8, 2.0), 38.6)

    def test_one_strip_has_no_seam(self) -> None:
        self.assertAlmostEqual(tape_m(3.0, 5.0, 4.0), 16.0)

    @given(spans_mm, spans_mm, st.sampled_from([1000, 2000, 4000]))
    def test_strips_cover_the_floor_and_their_seams_are_taped(self, width: int, length: int, roll: int) -> None:
        strips, each_m = roll_strips(width / 1000, length / 1000, roll / 1000)
        across = length if each_m == width / 1000 else width
        self.assertGreaterEqual(strips * roll, min(across, width, length))
        self.assertEqual(roll_cover(width / 1000, length / 1000, roll / 1000).pieces, strips)
        seams_m = tape_m(width / 1000, length / 1000, roll / 1000) - 2 * (width + length) / 1000
        self.assertAlmostEqual(seams_m, (strips - 1) * each_m)
