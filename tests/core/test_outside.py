"""What is placed outside the room: refused as it is typed, unless it sticks out through a door."""

from typing import Any
from unittest import TestCase

from core.contents.changes import ContentGroup, with_changed
from core.geometry.boxes import Box
from core.geometry.through import door_for, walls_passed
from core.model.room import Room
from core.model.things import Wall
from core.model.typed import FieldErrors
from core.quantities import UnitSystem
from tests.core.worlds import door, room, stored, thing

METRIC = UnitSystem.METRIC


def shed(**facts: Any) -> Room:
    """4.6 × 7.0 m; in the rear wall a door from 1.0 to 3.4 m, 2.2 m high; a dinghy of 1.6 × 4.2 × 1.4 m."""
    wide = door(wall="rear", along_m=1.0, width_m=2.4, height_m=2.2, opens="outward")
    dinghy = stored(id="dinghy", x_m=1.2, y_m=2.0, width_m=1.6, length_m=4.2, height_m=1.4)
    return room(openings=[wide], stored=[dinghy.model_dump()], **facts)


def put(where: Room, group: str, id: str, **changes: object) -> Room:
    return with_changed(where, ContentGroup(group), id, changes, METRIC, "EUR")


class RefusedTests(TestCase):
    def refused(self, where: Room, group: str, id: str, **changes: object) -> list[tuple[str, object, str]]:
        with self.assertRaises(FieldErrors) as error:
            put(where, group, id, **changes)
        return list(error.exception.errors)

    def test_a_place_beyond_a_wall_is_refused_with_how_far_it_goes(self) -> None:
        """A dinghy of 1.6 m in 4.6: from 0 to 3.0 m off the left wall."""
        ((field, value, accepted),) = self.refused(shed(), "stored", "dinghy", x_m="3.2")
        self.assertEqual((field, value), ("x_m", "3.2"))
        self.assertEqual(accepted, "inside the room, which is 4.60 m that way: up to 3.00 m")
        self.assertEqual(put(shed(), "stored", "dinghy", x_m="3.0").stored[0].x_m, 3.0)
        self.refused(shed(), "stored", "dinghy", x_m="-0.1")

    def test_so_is_a_size(self) -> None:
        """From 1.2 m on there are 3.4."""
        ((field, _, accepted),) = self.refused(shed(), "stored", "dinghy", width_m="3.5")
        self.assertEqual((field, accepted), ("width_m", "inside the room, which is 4.60 m that way: up to 3.40 m"))

    def test_windows_and_sockets_end_with_their_wall(self) -> None:
        (opening,) = shed().openings
        ((field, _, accepted),) = self.refused(shed(), "openings", opening.id, along_m="2.4")
        self.assertEqual((field, accepted), ("along_m", "inside the room, which is 4.60 m that way: up to 2.20 m"))

    def test_a_fixed_thing_goes_through_no_door(self) -> None:
        beam = thing(id="beam", x_m=1.2, y_m=6.0, width_m=1.0, length_m=0.5)
        self.refused(shed(things=[beam.model_dump()]), "things", "beam", y_m="6.8")

    def test_what_was_outside_already_may_be_renamed_and_brought_in(self) -> None:
        small = shed().model_copy(update={"length_m": 5.0})
        self.assertEqual(put(small, "stored", "dinghy", name="jolly boat").stored[0].name, "jolly boat")
        self.assertEqual(put(small, "stored", "dinghy", y_m="0.5").stored[0].y_m, 0.5)


class ThroughADoorTests(TestCase):
    def test_what_fits_through_a_door_may_stick_out(self) -> None:
        """1.2 to 2.8 m across, between 1.0 and 3.4; 1.4 m high under 2.2. A metre further right it does not pass."""
        self.assertEqual(put(shed(), "stored", "dinghy", y_m="3.5").stored[0].y_m, 3.5)
        with self.assertRaises(FieldErrors):
            put(put(shed(), "stored", "dinghy", x_m="2.2"), "stored", "dinghy", y_m="3.5")
        with self.assertRaises(FieldErrors):
            put(put(shed(), "stored", "dinghy", height_m="2.3"), "stored", "dinghy", y_m="3.5")

    def test_what_is_all_outside_does_not_stick_out(self) -> None:
        with self.assertRaises(FieldErrors):
            put(shed(), "stored", "dinghy", y_m="7.0")
        self.assertEqual(put(shed(), "stored", "dinghy", y_m="6.9").stored[0].y_m, 6.9)

    def test_a_door_is_for_its_own_wall(self) -> None:
        beyond = Box((1.2, 6.0, 0.0), (2.8, 8.0, 1.4))
        self.assertEqual(walls_passed(beyond, shed()), (Wall.REAR,))
        self.assertIsNotNone(door_for(beyond, Wall.REAR, shed()))
        self.assertIsNone(door_for(beyond, Wall.SCREEN, shed()))
        self.assertIsNone(door_for(beyond, Wall.LEFT, shed()))
