"""The launch monitor's checks."""

from typing import Any

from core.checks.mat_place import MonitorFoot
from core.checks.monitor import behind, beside, flight, hands, level
from core.checks.readings import Filled, HittingSurface, MonitorSpot, monitor_spot
from core.checks.verdict import Told
from core.model.brief import Brief, Player
from core.model.parts import OverheadCamera, SideCamera
from tests.core.checks.base import CheckTestCase, answer
from tests.core.worlds import layout, left_hander, mat, monitor_of, places, player, radar, room


class BehindTests(CheckTestCase):
    PUT = "Put the monitor between 2.00 m and 2.60 m from the ball."

    def answer(self, ball_y_m: float, spot_m: float, **facts: Any) -> Told:
        return behind(radar(**facts), MonitorSpot(spot_m, False), room(), places(ball_y_m=ball_y_m))

    def test_room_before_the_wall(self) -> None:
        """Stands 2.0 m back, 2.15 with its body; 7.00 − 4.80 leaves 2.20, 50 mm to spare."""
        self.assert_verdict(self.answer(3.5, 2.3), "clear", "2.30 m", "2.00 m", "300 mm")
        self.assert_verdict(self.answer(4.8, 2.0), "tight", "2.20 m", "2.15 m", "50 mm")
        self.assert_verdict(self.answer(5.0, 2.0), "blocked", "2.00 m", "2.15 m", "−150 mm")

    def test_the_makers_range(self) -> None:
        self.assert_verdict(
            self.answer(3.5, 1.8),
            "blocked",
            "1.80 m",
            "2.00 m",
            "−200 mm",
            self.PUT,
        )
        self.assert_verdict(
            self.answer(3.5, 2.9),
            "blocked",
            "2.90 m",
            "2.60 m",
            "−300 mm",
            self.PUT,
        )

    def test_one_that_serves_at_one_distance_alone(self) -> None:
        told = self.answer(3.5, 2.4, distance_min_m=2.0, distance_max_m=2.0)
        self.assert_verdict(told, "blocked", "2.40 m", "2.00 m", "−400 mm", "Put the monitor 2.00 m from the ball.")

    def test_unknown_without_the_range(self) -> None:
        self.assert_unknown(self.answer(3.5, 2.3, distance_max_m=None), "The greatest distance from the ball of Radar")


class BesideTests(CheckTestCase):
    def answer(self, who: Player, ball_x_m: float, spot_m: float = 0.5, **facts: Any) -> Told:
        camera = monitor_of(SideCamera, **{"distance_min_m": 0.4, "distance_max_m": 0.6, **facts})
        return beside(who, camera, MonitorSpot(spot_m, True), room(), places(ball_x_m=ball_x_m))

    def test_it_stands_on_the_free_side(self) -> None:
        """0.50 and 0.15 for its body are 0.65 m; the spot itself is 0.10 m inside the range both ways."""
        self.assert_verdict(self.answer(player(), 2.3), "clear", "500 mm", "400 mm", "100 mm")
        self.assert_verdict(
            self.answer(player(), 3.9),
            "tight",
            "700 mm",
            "650 mm",
            "50 mm",
            "Put the monitor between 400 mm and 450 mm from the ball.",
        )
        self.assert_verdict(self.answer(left_hander(), 0.5), "blocked", "500 mm", "650 mm", "−150 mm")

    def test_unknown_without_the_range(self) -> None:
        verdict = self.answer(player(), 2.3, distance_min_m=None)
        self.assert_unknown(verdict, "The least distance from the ball of Monitor")


class OverheadTests(CheckTestCase):
    HANGS = {"mount_height_min_m": 2.7, "mount_height_max_m": 3.2, "ahead_min_m": 0.6, "ahead_max_m": 1.0}

    def answer(self, ceiling_m: float, **facts: Any) -> Told:
        camera = monitor_of(OverheadCamera, **{**self.HANGS, **facts})
        where = room(ceiling_m=ceiling_m)
        return answer("monitor.overhead", camera, where, HittingSurface(0.04, 0.04))

    def test_height_over_the_hitting_surface(self) -> None:
        """2.90 − 0.04 = 2.86, 160 mm over the least; 2.77 − 0.04 = 2.73, 30 mm over."""
        self.assert_verdict(self.answer(2.9), "clear", "2.86 m", "2.70 m", "160 mm")
        self.assert_verdict(self.answer(2.77), "tight", "2.73 m", "2.70 m", "30 mm")
        self.assert_verdict(self.answer(2.6), "blocked", "2.56 m", "2.70 m", "−140 mm")

    def test_too_high_is_cured_by_a_drop_rod(self) -> None:
        self.assert_verdict(
            self.answer(3.5), "blocked", "3.46 m", "3.20 m", "−260 mm", "Hang it on a drop rod 310 mm longer."
        )

    def test_unknown_without_its_heights(self) -> None:
        self.assert_unknown(self.answer(2.9, mount_height_min_m=None), "The lowest mount of Monitor")


class FlightTests(CheckTestCase):
    def answer(self, ball_y_m: float, **facts: Any) -> Told:
        return flight(radar(**facts), places(ball_y_m=ball_y_m))

    def test_clear_tight_blocked(self) -> None:
        self.assert_verdict(self.answer(3.5), "clear", "3.10 m", "2.40 m", "700 mm")
        self.assert_verdict(self.answer(2.9), "tight", "2.50 m", "2.40 m", "100 mm", "Move the ball back 50 mm.")
        self.assert_verdict(self.answer(2.5), "blocked", "2.10 m", "2.40 m", "−300 mm")

    def test_unknown(self) -> None:
        self.assert_unknown(self.answer(3.5, flight_min_m=None), "The flight that it needs of Radar")


class HandsTests(CheckTestCase):
    BOTH = Brief(players=(player(), left_hander()))

    def answer(self, served: str | None, brief: Brief = BOTH) -> Told:
        return hands(brief, radar(both_hands=served), places())

    def test_clear_tight_blocked(self) -> None:
        self.assert_verdict(self.answer("unmoved"), "clear", "both hands, unmoved", "both hands", "")
        self.assert_verdict(self.answer("moved"), "tight", "both hands, moved across", "both hands", "")
        self.assert_verdict(self.answer("no"), "blocked", "right hand only", "both hands", "lacks Lin")

    def test_one_hand_alone_need_not_be_moved_for(self) -> None:
        self.assert_verdict(
            self.answer("moved", Brief(players=(left_hander(),))),
            "clear",
            "both hands, moved across",
            "left hand",
            "",
        )

    def test_unknown(self) -> None:
        self.assert_unknown(self.answer(None), "The hands that it serves of Radar")
        self.assert_unknown(self.answer("no", Brief()), "Who will swing here")


class LevelTests(CheckTestCase):
    def answer(
        self, mat_m: float, floor_m: float, pad_m: float = 0.0, tolerance: float | None = 0.010, uneven_m: float = 0.0
    ) -> Told:
        camera = monitor_of(SideCamera, level_tolerance_m=tolerance)
        surface, foot = HittingSurface(mat_m, floor_m), MonitorFoot(floor_m + pad_m, on_mat=False, uneven_m=uneven_m)
        return level(camera, mat(), surface, foot, layout(monitor_pad_m=pad_m), Filled(frozenset(), frozenset()))

    def test_clear_tight_blocked(self) -> None:
        """10 mm are allowed; up to half of it is clear."""
        self.assert_verdict(self.answer(0.042, 0.040), "clear", "2 mm", "10 mm", "8 mm")
        self.assert_verdict(self.answer(0.047, 0.040), "tight", "7 mm", "10 mm", "3 mm", "Put it on a pad 7 mm thick.")
        self.assert_verdict(self.answer(0.060, 0.040), "blocked", "20 mm", "10 mm", "−10 mm")

    def test_no_pad_serves_two_places_of_different_heights(self) -> None:
        """A pad of 20 mm brings one of them level, and the other as far above as the two are apart."""
        cure = "Lay the same floor under both of its places, one for each hand."
        self.assert_verdict(self.answer(0.060, 0.040, uneven_m=0.012), "blocked", "20 mm", "10 mm", "−10 mm", cure)

    def test_a_pad_lifts_it_and_may_lift_too_far(self) -> None:
        self.assert_verdict(self.answer(0.060, 0.040, pad_m=0.02), "clear", "0 mm", "10 mm", "10 mm")
        self.assert_verdict(
            self.answer(0.040, 0.040, pad_m=0.03),
            "blocked",
            "30 mm",
            "10 mm",
            "−20 mm",
            "Lower its pad by 30 mm.",
        )

    def test_unknown(self) -> None:
        self.assert_unknown(self.answer(0.04, 0.04, tolerance=None), "The level tolerance of Monitor")


class BallSpeedTests(CheckTestCase):
    def answer(self, limit: float | None, **facts: Any) -> Told:
        return answer("monitor.ball_speed", player(**facts), radar(ball_speed_max_m_s=limit))

    def test_clear_tight_blocked(self) -> None:
        self.assert_verdict(self.answer(72, speed_band="recreational"), "clear", "72.0 m/s", "60.0 m/s", "12.0 m/s")
        self.assert_verdict(self.answer(77, speed_band="fast"), "tight", "77.0 m/s", "76.0 m/s", "1.0 m/s")
        self.assert_verdict(self.answer(72, speed_band="fast"), "blocked", "72.0 m/s", "76.0 m/s", "−4.0 m/s")

    def test_a_measured_speed_stands_before_the_band(self) -> None:
        verdict = self.answer(72, speed_band="fast", measured_ball_speed_m_s=65)
        self.assert_verdict(verdict, "clear", "72.0 m/s", "65.0 m/s", "7.0 m/s")

    def test_unknown(self) -> None:
        self.assert_unknown(self.answer(None), "The fastest ball that it reads of Radar")
        self.assert_unknown(answer("monitor.ball_speed", radar()), "Who will swing here")


class PlacementTests(CheckTestCase):
    def test_the_proposed_spot_gives_way_to_a_short_room(self) -> None:
        """Middle of 2.0–2.6 is 2.30; with 2.30 m behind the ball 0.15 is its body and 0.10 its ease: 2.05."""
        self.assertAlmostEqual(monitor_spot(radar(), layout(), places(ball_y_m=3.5), room()).distance_m, 2.30)
        self.assertAlmostEqual(monitor_spot(radar(), layout(), places(ball_y_m=4.7), room()).distance_m, 2.05)
        self.assertFalse(monitor_spot(radar(), layout(monitor_distance_m=2.5), places(), room()).proposed)
