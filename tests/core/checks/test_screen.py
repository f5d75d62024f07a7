"""What stops the ball, and what it hangs in."""

from typing import Any

from core.checks.readings import BayMiddle
from core.checks.screen import (
    display_for_stage,
    enclosure_in_room,
    screen_in_enclosure,
    screen_in_room,
    surface_for_stage,
)
from core.checks.verdict import Told
from core.geometry.ceiling import ceiling_of
from core.model.brief import Brief
from core.model.kit import Beside
from core.model.parts import Enclosure, Net, Surface, Television
from core.model.room import Layout, Room
from core.quantities import UnitSystem
from tests.core.checks.base import CheckTestCase, answer
from tests.core.worlds import enclosure, layout, places, player, projector, room, screen


def in_room(surface: Surface, where: Room, placed: Layout) -> Told:
    return screen_in_room(surface, where, placed, BayMiddle(placed.bay_middle_m(where)), ceiling_of(where))


def boxed(box: Enclosure, where: Room, **placed: Any) -> Told:
    middle = BayMiddle(layout(**placed).bay_middle_m(where))
    return enclosure_in_room(box, where, layout(**placed), middle, ceiling_of(where))


def in_frame(surface: Surface, box: Enclosure, **placed: Any) -> Told:
    return screen_in_enclosure(surface, box, layout(**placed), Beside())


class RatingTests(CheckTestCase):
    def answer(self, rated: float | None, **facts: Any) -> Told:
        return answer("screen.rating", player(**facts), screen(rated_ball_speed_m_s=rated))

    def test_eleven_tenths_of_the_fastest_ball(self) -> None:
        """1.1 · 60 = 66 m/s; within a twentieth over it, 69.3, is tight."""
        self.assert_verdict(self.answer(75), "clear", "75.0 m/s", "66.0 m/s", "9.0 m/s")
        self.assert_verdict(self.answer(68), "tight", "68.0 m/s", "66.0 m/s", "2.0 m/s")
        self.assert_verdict(
            self.answer(62),
            "blocked",
            "62.0 m/s",
            "66.0 m/s",
            "−4.0 m/s",
            "Choose a surface rated for 69.3 m/s of ball speed.",
        )

    def test_the_fastest_player_decides(self) -> None:
        junior, fast = player(speed_band="junior"), player("Max", speed_band="fast")
        self.assert_verdict(answer("screen.rating", junior, fast, screen()), "clear", "90.0 m/s", "83.6 m/s", "6.4 m/s")

    def test_unknown(self) -> None:
        self.assert_unknown(self.answer(None), "The rated ball speed of Square")
        self.assert_unknown(answer("screen.rating", screen()), "Who will swing here")


class FitTests(CheckTestCase):
    def test_screen_in_the_room(self) -> None:
        """2.70 m and 0.10 under it are 2.80 of 3.00 m up; across there is more to spare."""
        self.assert_verdict(
            in_room(screen(), room(), layout(screen_bottom_m=0.1)), "clear", "3.00 m", "2.80 m", "200 mm"
        )
        self.assert_verdict(in_room(screen(), room(ceiling_m=2.72), layout()), "tight", "2.72 m", "2.70 m", "20 mm")
        self.assert_verdict(
            in_room(screen(width_m=4.8), room(), layout()),
            "blocked",
            "4.60 m",
            "4.80 m",
            "−200 mm",
            "Choose one at least 250 mm less wide.",
        )

    def test_enclosure_in_the_room(self) -> None:
        self.assert_verdict(boxed(enclosure(), room()), "clear", "3.00 m", "2.85 m", "150 mm")
        self.assert_verdict(boxed(enclosure(), room(lining_m=0.12)), "tight", "2.88 m", "2.85 m", "30 mm")
        self.assert_verdict(boxed(enclosure(), room(ceiling_m=2.6)), "blocked", "2.60 m", "2.85 m", "−250 mm")

    def test_a_bay_beside_the_middle(self) -> None:
        """1.20 m from the left wall leaves 2.40 for 2.90, and 0.30 m beside its cloth: 1.75 m is its place in 4.60 m.

        In a room of 2.93 m there is none, and one that is 0.50 and twice 0.30 m narrower does.
        """
        self.assert_verdict(
            boxed(enclosure(), room(), screen_x_m=1.2),
            "blocked",
            "2.40 m",
            "2.90 m",
            "−500 mm",
            "Move the bay 550 mm to the right.",
        )
        self.assert_verdict(
            boxed(enclosure(), room(width_m=2.93), screen_x_m=1.2),
            "blocked",
            "2.40 m",
            "2.90 m",
            "−500 mm",
            "Choose one at least 1.10 m less wide.",
        )

    def test_under_a_slope_it_goes_where_it_is_lower(self) -> None:
        """From 4.00 m at the left wall down to 2.60 at the right: over a box that ends at 3.20 m it is 3.026 m high."""
        where = room(ceiling_m=2.6, ridge_m=4.0, ceiling_shape="high_left")
        told = boxed(enclosure(outer_height_m=3.3), where, screen_x_m=1.2)
        self.assertEqual(
            [cure.words.text(UnitSystem.METRIC) for cure in told.cures],
            ["Move the bay 550 mm to the right, and choose one at least 324 mm less high."],
        )

    def test_screen_in_the_enclosure(self) -> None:
        """Inside 2.80 × 2.76 m; the screen takes 2.70 m both ways: 50 mm beside each side, 60 mm above."""
        self.assert_verdict(in_frame(screen(), enclosure()), "tight", "60 mm", "200 mm", "140 mm")
        higher = in_frame(screen(width_m=2.76), enclosure(), screen_bottom_m=0.05)
        self.assert_verdict(higher, "clear", "20 mm", "200 mm", "180 mm")
        self.assert_verdict(
            in_frame(screen(width_m=3.6), enclosure()),
            "blocked",
            "400 mm",
            "300 mm",
            "−100 mm",
            "Choose a smaller screen or a larger frame, or have it cut.",
        )

    def test_unknown(self) -> None:
        self.assert_unknown(in_room(screen(width_m=None), room(), layout()), "The width of Square")
        self.assert_unknown(boxed(enclosure(outer_height_m=None), room()), "The outer height of Box")
        self.assert_unknown(in_frame(screen(), enclosure(inner_width_m=None)), "The inner width of Box")


class StageTests(CheckTestCase):
    NET = Net(id="net", maker="Maker", name="Net")
    TELEVISION = Television(id="tv", maker="Maker", name="TV", width_m=1.0)

    def test_a_net_shows_no_picture(self) -> None:
        self.assert_verdict(surface_for_stage(Brief(), screen()), "clear", "screen", "screen", "")
        self.assert_verdict(surface_for_stage(Brief(), self.NET), "blocked", "net", "screen", "")
        self.assert_verdict(surface_for_stage(Brief(stage="net"), self.NET), "clear", "net", "net", "")

    def test_a_television_is_not_projected(self) -> None:
        self.assert_verdict(display_for_stage(Brief(), projector(), places()), "clear", "projector", "projector", "")
        self.assert_verdict(
            display_for_stage(Brief(), self.TELEVISION, places()), "blocked", "television", "projector", ""
        )
        self.assert_verdict(
            display_for_stage(Brief(stage="tablet"), self.TELEVISION, places()),
            "clear",
            "television",
            "television that can be read",
            "",
        )
