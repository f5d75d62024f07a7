"""Mat and floor."""

from core.checks.floor import strip
from core.checks.verdict import Told
from core.model.parts import Turf
from tests.core.checks.base import CheckTestCase, answer
from tests.core.worlds import mat, tiles
from tests.core.worlds import strip as hitting_strip


class StripTests(CheckTestCase):
    def test_the_narrower_of_both_decides(self) -> None:
        """0.50 × 1.20 m: 100 mm over the least width, 300 mm over the least length."""
        self.assert_verdict(strip(mat()), "clear", "500 mm", "400 mm", "100 mm")
        self.assert_verdict(strip(mat(strip_width_m=0.42)), "tight", "420 mm", "400 mm", "20 mm")
        self.assert_verdict(strip(mat(strip_length_m=0.8)), "blocked", "800 mm", "900 mm", "−100 mm")

    def test_unknown(self) -> None:
        self.assert_unknown(strip(mat(strip_width_m=None)), "The strip width of Strip")


class FlushTests(CheckTestCase):
    def answer(self, mat_m: float | None, floor_m: float | None) -> Told:
        return answer("mat.flush", hitting_strip(thickness_m=mat_m), tiles(thickness_m=floor_m))

    def test_within_three_millimetres(self) -> None:
        self.assert_verdict(self.answer(0.042, 0.040), "clear", "2 mm", "10 mm", "8 mm")
        self.assert_verdict(self.answer(0.043, 0.040), "clear", "3 mm", "10 mm", "7 mm")

    def test_a_step_that_is_felt_and_one_that_trips(self) -> None:
        self.assert_verdict(
            self.answer(0.046, 0.040),
            "tight",
            "6 mm",
            "10 mm",
            "4 mm",
            "Choose a covering and a strip that are equally thick, or 6 mm more under the floor.",
        )
        self.assert_verdict(
            self.answer(0.018, 0.040),
            "blocked",
            "22 mm",
            "10 mm",
            "−12 mm",
            "Choose a covering and a strip that are equally thick, or 22 mm more under the strip.",
        )

    def test_unknown(self) -> None:
        self.assert_unknown(self.answer(None, 0.04), "The thickness of Strip")
        self.assert_unknown(self.answer(0.04, None), "The thickness of Tile")


class CoverTests(CheckTestCase):
    def test_tiles(self) -> None:
        """35 packs, 35.0 m² for 32.2 m²: 2.8 / 35 = 8 %."""
        self.assert_verdict(answer("floor.cover", tiles()), "clear", "8 %", "50 %", "42 %")

    def test_much_waste_is_worth_a_second_look(self) -> None:
        """In 1.5 m tiles, sold singly: 4 × 5 = 20, 45 m² for 32.2: 28.4 %."""
        self.assert_verdict(
            answer("floor.cover", tiles(tile_side_m=1.5, tiles_per_pack=1)), "tight", "28.4 %", "50 %", "21.6 %"
        )

    def test_off_the_roll(self) -> None:
        """2 m wide: 3 strips of 7 m are 21 m, 4 strips of 4.6 m are 19 m: 38 m² for 32.2: 15.3 %."""
        roll = Turf(id="roll", maker="Maker", name="Roll", roll_width_m=2.0)
        self.assert_verdict(answer("floor.cover", roll), "tight", "15.3 %", "50 %", "34.7 %")

    def test_unknown(self) -> None:
        self.assert_unknown(answer("floor.cover", tiles(tile_side_m=None)), "The side of a tile of Tile")
        self.assert_unknown(answer("floor.cover", Turf(id="roll", maker="M", name="Roll")), "The roll width of Roll")
