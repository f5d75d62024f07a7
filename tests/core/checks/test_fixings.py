"""Joists, sockets, glass, and swings past what is in the room."""

from core.checks.fixings import glass, projector_socket
from core.checks.space import Glass, Sockets
from core.checks.space import glass as glass_of
from core.checks.space import sockets as sockets_of
from core.checks.verdict import Told
from core.geometry.ceiling import ceiling_of
from core.geometry.panels import walls_of
from core.geometry.shadow import Lens
from core.model.things import Joists, Looked, Opening
from tests.core import worlds
from tests.core.checks.base import METRIC, CheckTestCase, answer
from tests.core.worlds import around, layout, places, player, room, thing

LENS = Lens(2.3, 3.0, 2.6, proposed=False)


class JoistTests(CheckTestCase):
    def answer(self, **facts: object) -> Told:
        return answer("projector.joist", LENS, Joists.model_validate(facts))

    def test_along_the_target_line(self) -> None:
        """0.2 + 0.6 n: 2.0 and 2.6 are 0.3 from the lens at 2.3; with the first at 0.5 one is right over it."""
        away = self.answer(along=True, first_m=0.2, spacing_m=0.6)
        self.assert_verdict(away, "tight", "300 mm", "100 mm", "200 mm over, tolerated")
        self.assert_verdict(self.answer(along=True, first_m=0.5, spacing_m=0.6), "clear", "0 mm", "100 mm", "100 mm")

    def test_across_it(self) -> None:
        """The lens is 0.4 + 3.0 = 3.4 m from the screen wall; joists at 0.1 + 0.4 n: 3.3 is 0.1 away."""
        self.assert_verdict(self.answer(first_m=0.1, spacing_m=0.4), "clear", "100 mm", "100 mm", "0 mm")


class SocketTests(CheckTestCase):
    def answer(self, *places: tuple[str, tuple[float, float, float]]) -> Told:
        return projector_socket(worlds.projector(), LENS, layout(), Sockets(places), ceiling_of(room()))

    def test_the_nearest_by_a_square_run(self) -> None:
        """Under 3.0 m, to (2.3, 3.4, 2.6): 1.0 + 0.4 + 0.4 = 1.8 m, and 2.7 + 2.3 + 1.4 + 0.4 = 6.8 m."""
        near, far = ("overhead", (2.3, 3.8, 2.0)), ("by the door", (0.0, 4.8, 0.3))
        self.assert_verdict(self.answer(far, near), "clear", "1.80 m", "10.00 m", "8.20 m")
        self.assert_verdict(self.answer(far), "tight", "6.80 m", "10.00 m", "3.20 m")

    def test_far_away_an_electrician_comes_first(self) -> None:
        first = self.answer(("shed", (0.0, 20.0, 0.3))).cures[0].words.text(METRIC)
        self.assertIn("licensed electrician", first)

    def test_sockets_are_where_their_walls_are(self) -> None:
        where = room(
            sockets=[
                {"id": "a", "name": "a", "wall": "rear", "along_m": 1.2},
                {"id": "b", "name": "b", "wall": "right", "along_m": 2.0, "height_m": 1.0},
            ]
        )
        found = sockets_of(where)
        assert found is not None
        self.assertEqual(dict(found.places), {"a": (1.2, 7.0, 0.3), "b": (4.6, 2.0, 1.0)})


class GlassTests(CheckTestCase):
    def test_windows_ahead_of_the_ball_count(self) -> None:
        def window(id: str, wall: str, along_m: float) -> Opening:
            facts = {"id": id, "kind": "window", "name": id, "wall": wall, "along_m": along_m, "guard": "film"}
            return Opening.model_validate({**facts, "width_m": 1.0, "height_m": 1.0, "sill_m": 0.9})

        ahead, behind, before = window("a", "left", 1.0), window("b", "left", 4.0), window("c", "screen", 1.0)
        where = room(openings=[ahead, behind, before])
        self.assertEqual(glass_of(walls_of(where), where, places()), Glass((before, ahead), ("b",)))
        self.assert_verdict(glass(Glass((before, ahead), ("b",))), "tight", "c, a", "none", "")
        self.assert_verdict(glass(Glass((), ("b",))), "clear", "none", "none", "")


class ThingTests(CheckTestCase):
    def answer(self, **facts: object) -> Told:
        where = room(things=[thing(**facts).model_dump()], none_of=(Looked.OPENINGS,))
        return answer("swing.things", player(), where)

    def test_a_beam_over_the_top_of_the_swing(self) -> None:
        """Ada's driver peaks at 2.668 m right over the ball line at 3.5, under a beam from 3.40 to 3.55 m along.

        The whole swing passes under 2.75 m with the floor 2.668 + 0.15 − 2.75 m lower, and 1 mm for its outline.
        At 2.50 m it is 0.168 m too low, along the plane of the swing 0.168 / sin 57° = 0.200 m.
        """
        self.assert_verdict(self.answer(z_m=2.9), "clear", "232 mm", "0 mm", "232 mm")
        tight = self.answer(z_m=2.75)
        self.assert_verdict(tight, "tight", "82 mm", "0 mm", "82 mm")
        cures = [cure.words.text(METRIC) for cure in tight.cures]
        self.assertIn("slow test swing", cures[0])
        self.assertTrue(any(cure.startswith("Move the ball") for cure in cures))
        self.assertIn("Lower the floor by 70 mm.", cures)
        self.assertIn("A 4-iron at the longest leaves 215 mm.", cures)
        self.assert_verdict(self.answer(z_m=2.5), "blocked", "−200 mm", "0 mm", "−200 mm")

    def test_what_carries_the_building_is_an_engineers(self) -> None:
        for kind, words in (("beam", "structural engineer"), ("lamp", "or remove it")):
            cures = [cure.words.text(METRIC) for cure in self.answer(z_m=2.5, kind=kind).cures]
            self.assertEqual(sum(words in cure for cure in cures), 1)
            self.assertEqual(any("remove it" in cure for cure in cures), kind == "lamp")

    def test_padding_takes_room(self) -> None:
        self.assert_verdict(self.answer(z_m=2.9, decision="pad"), "clear", "182 mm", "0 mm", "182 mm")

    def test_moving_the_ball_as_told_makes_it_clear(self) -> None:
        where = room(things=[thing(z_m=2.75).model_dump()])
        surroundings = around(where, layout(), player())
        shift = surroundings.shift_to_clear(player())
        assert shift is not None
        moved = layout(ball_x_m=2.3 + shift[0], ball_y_m=3.5 + shift[1])
        closest = around(where, moved, player()).closest(player(), player().longest_club)
        self.assertGreaterEqual(closest.clearance_m, 0.15)
