"""The room shared out around the ball."""

from core.checks.along import gap_behind_screen, picture_offset
from core.checks.readings import BayMiddle
from core.checks.verdict import Told
from core.geometry.picture import Picture
from core.model.kit import Beside
from core.model.parts import Net
from core.quantities import UnitSystem
from tests.core.checks.base import METRIC, CheckTestCase, answer
from tests.core.worlds import BARE_FLOOR, layout, left_hander, places, player, room

NO_NETS = Beside[Net]()


class GapTests(CheckTestCase):
    def answer(self, gap_m: float, foam_m: float = 0.0) -> Told:
        return gap_behind_screen(room(wall_foam_m=foam_m), layout(screen_y_m=gap_m), None, NO_NETS)

    def test_bare_wall(self) -> None:
        self.assert_verdict(self.answer(0.40), "clear", "400 mm", "300 mm", "100 mm")
        self.assert_verdict(
            self.answer(0.35), "tight", "350 mm", "300 mm", "50 mm", "Move the screen 50 mm into the room."
        )
        self.assert_verdict(self.answer(0.25), "blocked", "250 mm", "300 mm", "−50 mm")

    def test_foam_allows_less_but_uses_up_gap(self) -> None:
        """0.30 m with 60 mm of foam leave 0.24 m, of which 0.20 are needed; with 120 mm only 0.18."""
        self.assert_verdict(self.answer(0.30, 0.06), "tight", "240 mm", "200 mm", "40 mm")
        self.assert_verdict(self.answer(0.30, 0.12), "blocked", "180 mm", "200 mm", "−20 mm")

    def test_thin_foam_does_not_count(self) -> None:
        self.assert_verdict(self.answer(0.30, 0.04), "blocked", "260 mm", "300 mm", "−40 mm")

    def test_foam_is_offered_where_it_would_help(self) -> None:
        offered = [change.words.text(METRIC) for change in self.answer(0.25).cures]
        self.assertIn("With 50 mm of foam on the wall, 200 mm is enough.", offered)

    def test_foam_does_not_help_a_net(self) -> None:
        """It gives 0.30 m whatever is on the wall: 0.25 is 50 mm short, and 0.40 comfortable."""
        net = Net(id="net", maker="Maker", name="Net", gives_m=0.30)
        verdict = gap_behind_screen(room(), layout(screen_y_m=0.25), net, NO_NETS)
        self.assert_verdict(verdict, "blocked", "250 mm", "300 mm", "−50 mm", "Move the screen 150 mm into the room.")
        self.assertEqual(len(verdict.cures), 1)


class BallToScreenTests(CheckTestCase):
    def test_clear_tight_blocked(self) -> None:
        self.assert_verdict(
            answer("room.ball_to_screen", layout(ball_y_m=3.4), BARE_FLOOR), "clear", "3.00 m", "2.40 m", "600 mm"
        )
        self.assert_verdict(
            answer("room.ball_to_screen", layout(ball_y_m=3.0), BARE_FLOOR),
            "tight",
            "2.60 m",
            "2.40 m",
            "200 mm",
            "Move the ball back 400 mm.",
        )
        self.assert_verdict(
            answer("room.ball_to_screen", layout(ball_y_m=2.0), BARE_FLOOR), "blocked", "1.60 m", "2.40 m", "−800 mm"
        )


class BehindBallTests(CheckTestCase):
    def answer(self, ball_y_m: float, *players: object) -> Told:
        return answer("room.behind_ball", layout(ball_y_m=ball_y_m), *players)

    def test_the_widest_swing_decides(self) -> None:
        """Ada: R = 0.648 + 1.156 = 1.804, and 0.30 is 2.104; shorter Lin needs less."""
        short = left_hander(height_m=1.6)
        self.assert_verdict(self.answer(4.5, player(), short), "clear", "2.50 m", "2.104 m", "396 mm")
        self.assert_verdict(
            self.answer(4.8, player(), short),
            "tight",
            "2.20 m",
            "2.104 m",
            "96 mm",
            "Move the ball 54 mm toward the screen.",
        )
        self.assert_verdict(self.answer(5.0, player()), "blocked", "2.00 m", "2.104 m", "−104 mm")

    def test_unknown_without_players(self) -> None:
        self.assert_unknown(self.answer(3.5), "Who will swing here")


class FreeSideTests(CheckTestCase):
    def test_right_hander_faces_the_right_wall(self) -> None:
        self.assert_verdict(answer("room.free_side", player(), layout()), "clear", "2.30 m", "900 mm", "1.40 m")
        self.assert_verdict(
            answer("room.free_side", player(), layout(ball_x_m=3.6)),
            "tight",
            "1.00 m",
            "900 mm",
            "100 mm",
            "Move the ball 50 mm to the left.",
        )
        self.assert_verdict(
            answer("room.free_side", player(), layout(ball_x_m=4.0)), "blocked", "600 mm", "900 mm", "−300 mm"
        )

    def test_left_hander_faces_the_left_wall(self) -> None:
        verdict = answer("room.free_side", left_hander(), layout(ball_x_m=1.0))
        self.assert_verdict(verdict, "tight", "1.00 m", "900 mm", "100 mm", "Move the ball 50 mm to the right.")


class OffsetTests(CheckTestCase):
    def answer(self, ball_x_m: float) -> Told:
        return picture_offset(BayMiddle(2.3), places(ball_x_m=ball_x_m), Picture(2.6, 2.6, 0.0, "1:1", 1.0))

    def test_clear_tight_blocked(self) -> None:
        """Room centre 2.30 m, half the picture 1.30 m."""
        self.assert_verdict(self.answer(2.35), "clear", "50 mm", "1.30 m", "1.25 m")
        self.assert_verdict(self.answer(1.9), "tight", "400 mm", "1.30 m", "900 mm")
        self.assert_verdict(self.answer(0.9), "blocked", "1.40 m", "1.30 m", "−100 mm")

    def test_the_aim_in_degrees(self) -> None:
        """0.40 m beside it at 3.50 − 0.40 = 3.10 m: atan(0.4 / 3.1) = 7.35°."""
        told = self.answer(1.9).cures[1].words.text(UnitSystem.METRIC)
        self.assertIn("7.4° to the right of the ball line", told)
        self.assertIn("400 mm on the screen", told)
        self.assertIn("to the left", self.answer(2.6).cures[1].words.text(UnitSystem.METRIC))
