"""Circuits: sockets that hang on another one, what is fed from them, and outlets that an electrician adds."""

from typing import Any
from unittest import TestCase

from core.checks.circuits import Circuits
from core.contents.changes import ContentGroup, with_usual, without
from core.model.build import Build
from core.model.things import Looked
from core.money.costs import Costs
from core.money.line import Line
from core.report.evaluation_of import evaluation_of
from tests.core import worlds

SOCKET: dict[str, Any] = {"id": "socket", "name": "socket", "wall": "left", "along_m": 3.5, "outlets": 4}
SHED: dict[str, Any] = {"id": "shed", "name": "shed", "breaker_a": 10}


def build(brief: dict[str, Any] | None = None, **room: Any) -> Build:
    return worlds.full_build(room=worlds.full_room(**room), brief=worlds.full_brief(**(brief or {})))


def loads(of: Build) -> list[tuple[str, float]]:
    found = evaluation_of(of, worlds.full_parts()).reading(Circuits)
    assert found is not None
    return [(circuit.name, circuit.total_w) for circuit in found.circuits]


def outlets_line(of: Build) -> Line | None:
    costs = evaluation_of(of, worlds.full_parts()).reading(Costs)
    assert costs is not None
    return next((line for line in costs.works if line.beside == "outlets"), None)


class CircuitTests(TestCase):
    def test_all_on_the_rooms_own(self) -> None:
        """10 W of the monitor, 400 of the machine and 300 of the projector."""
        self.assertEqual(loads(build(sockets=(SOCKET,))), [("", 710.0)])

    def test_what_stands_at_a_socket_hangs_on_its_circuit(self) -> None:
        """Machine and monitor stand on the floor; nobody says where the projector is plugged in."""
        there = build(sockets=(SOCKET | {"circuit": "shed"},), circuits=(SHED,))
        self.assertEqual(loads(there), [("", 300.0), ("shed", 410.0)])

    def test_a_circuit_that_nothing_hangs_on_is_not_asked_for_its_breaker(self) -> None:
        self.assertEqual(loads(build(sockets=(SOCKET,), circuits=(SHED | {"breaker_a": None},))), [("", 710.0)])

    def test_a_socket_falls_back_to_the_rooms_own(self) -> None:
        room = with_usual(worlds.full_room(), ContentGroup.CIRCUITS, "circuit")
        (circuit,) = room.circuits
        hung = room.model_copy(
            update={"sockets": tuple(one.model_copy(update={"circuit": circuit.id}) for one in room.sockets)}
        )
        after = without(hung, ContentGroup.CIRCUITS, circuit.id)
        self.assertEqual((after.circuits, {socket.circuit for socket in after.sockets}), ((), {None}))


class OutletTests(TestCase):
    def test_none_is_missing_beside_a_socket(self) -> None:
        self.assertIsNone(outlets_line(build(sockets=(SOCKET,))))

    def test_a_room_without_sockets_wants_one(self) -> None:
        line = outlets_line(build({"outlet_minor": 12_000}, sockets=(), none_of=(Looked.SOCKETS,)))
        assert line is not None
        assert line.up_front is not None
        self.assertEqual((line.quantity, line.up_front.minor, line.stays_behind), (1, 12_000, True))

    def test_nobody_has_asked_an_electrician(self) -> None:
        line = outlets_line(build(sockets=(), none_of=(Looked.SOCKETS,)))
        assert line is not None
        assert line.missing is not None
        self.assertEqual(line.missing.fact, "What an electrician asks for an outlet")

    def test_each_device_that_no_lead_reaches_wants_one(self) -> None:
        """In a room of 18 m the socket at the rear wall is more than 10 m from machine and monitor at the ball."""
        far = SOCKET | {"along_m": 17.9}
        line = outlets_line(build({"outlet_minor": 12_000}, length_m=18.0, sockets=(far,)))
        assert line is not None
        assert line.up_front is not None
        self.assertEqual((line.quantity, line.up_front.minor), (2, 24_000))
