"""Doors that go up, roll or fold: what they fill under the ceiling, and what that is in the way of."""

from typing import Any
from unittest import TestCase

from core.checks.limits import State
from core.geometry.solids import Solid, door_fittings, door_sweeps
from core.model.brief import Brief
from core.model.build import Build
from core.model.chain import Chain
from core.model.room import Room
from core.model.turning import turned_room
from core.quantities import UnitSystem
from core.report.evaluation_of import evaluation_of
from tests.core import worlds
from tests.core.worlds import door, layout, player, room, thing


def garage(opens: str, **facts: Any) -> Room:
    """4.6 × 7.0 m, 3.0 m high, with a door of 2.4 × 2.1 m in the rear wall from 1.0 m on."""
    sizes = {"wall": "rear", "along_m": 1.0, "width_m": 2.4, "height_m": 2.1, "sill_m": 0.0}
    return room(openings=[door(opens=opens, **sizes, **facts)])


def corners(solid: Solid) -> tuple[tuple[float, ...], tuple[float, ...]]:
    return tuple(round(x, 3) for x in solid.box.low), tuple(round(x, 3) for x in solid.box.high)


def sizes(solid: Solid) -> tuple[float, float]:
    """The lesser and the greater side on the floor."""
    (x0, y0, _), (x1, y1, _) = corners(solid)
    low, high = sorted((round(x1 - x0, 3), round(y1 - y0, 3)))
    return low, high


class SolidTests(TestCase):
    def test_in_one_piece(self) -> None:
        """Level at 2.1 m, as deep as it is high: 7.0 − 2.1 = 4.9."""
        (leaf,) = door_sweeps(garage("tilts"))
        self.assertEqual(corners(leaf), ((1.0, 4.9, 2.0), (3.4, 7.0, 2.2)))

    def test_on_rails(self) -> None:
        """From 2.1 to 2.45 m up, and 2.1 + 0.35 m into the room: 7.0 − 2.45 = 4.55; a rail at each end."""
        where = garage("sectional")
        (leaf,) = door_sweeps(where)
        self.assertEqual(corners(leaf), ((1.0, 4.55, 2.1), (3.4, 7.0, 2.45)))
        left, right = door_fittings(where)
        self.assertEqual(corners(left), ((0.9, 4.55, 2.1), (1.0, 7.0, 2.45)))
        self.assertEqual(corners(right), ((3.4, 4.55, 2.1), (3.5, 7.0, 2.45)))

    def test_round_a_coil(self) -> None:
        where = garage("rolls")
        self.assertEqual(door_sweeps(where), ())
        (coil,) = door_fittings(where)
        self.assertEqual(corners(coil), ((1.0, 6.55, 2.1), (3.4, 7.0, 2.55)))

    def test_folding_takes_half_its_width(self) -> None:
        (leaf,) = door_sweeps(garage("folds"))
        self.assertEqual(corners(leaf), ((1.0, 5.8, 0.0), (3.4, 7.0, 2.1)))

    def test_a_turned_room_has_the_same_door(self) -> None:
        """A quarter at a time, back where it was after four."""
        where = garage("sectional")
        self.assertEqual(door_fittings(turned_room(where, 4)), door_fittings(where))
        for solid, turned in zip(door_fittings(where), door_fittings(turned_room(where, 1)), strict=True):
            (x0, y0, _), (x1, y1, _) = corners(solid)
            (u0, v0, _), (u1, v1, _) = corners(turned)
            self.assertEqual(
                sorted((round(x1 - x0, 3), round(y1 - y0, 3))), sorted((round(u1 - u0, 3), round(v1 - v0, 3)))
            )


class InTheWayTests(TestCase):
    def told(self, where: Room, check: str, **facts: Any) -> Any:
        build = Build(name="Garage", room=where, layout=layout(**facts), brief=Brief(players=(player(),)))
        found = evaluation_of(build, {})
        (verdict,) = found.of_check(check)
        return found.told(verdict)

    def test_shut_it_is_in_nobodys_way_and_its_rails_are(self) -> None:
        """5.0 m from the screen's wall a swing passes between the rails; under an open leaf it does not."""
        shut = self.told(garage("sectional"), "swing.things", ball_y_m=5.0, ball_x_m=3.2)
        self.assertIn("rail", shut.headline.text(UnitSystem.METRIC))
        stands_open = garage("sectional", open_while_playing=True)
        still_open = self.told(stands_open, "swing.things", ball_y_m=5.0, ball_x_m=3.2)
        self.assertIs(still_open.state, State.BLOCKED)
        self.assertIn("open door", still_open.headline.text(UnitSystem.METRIC))
        self.assertIn("shut", still_open.cures[-1].words.text(UnitSystem.METRIC))

    def test_without_such_a_door_nothing_is_in_the_way(self) -> None:
        build = Build(name="Garage", room=garage("outward"), layout=layout(), brief=Brief(players=(player(),)))
        self.assertEqual(evaluation_of(build, {}).of_check("swing.things"), ())

    def test_rails_and_openers_are_a_door_companys(self) -> None:
        for kind in ("rail", "opener"):
            where = room(things=[thing(kind=kind, decision="remove").model_dump()])
            (work,) = worlds.works_of(Brief(skills=("timber", "sewing", "ceiling")), where, Chain(())).works
            self.assertIn("door company", work.who)
            self.assertEqual(work.own_hours, 0.0)
