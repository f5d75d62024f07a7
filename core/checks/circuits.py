"""Circuits of the mains: what hangs on each, against its breaker. A licensed electrician decides."""

from dataclasses import dataclass
from typing import Annotated

from core.checks.figures import stated_input
from core.checks.leads import Feeds
from core.checks.limits import Limit, at_most, tightest
from core.checks.places import IN_ROOM
from core.checks.power import Load
from core.checks.register import check, derive_from_known
from core.checks.verdict import Answer, Basis, Input, find_out
from core.model.facts import FactAt, Missing, MissingFact, known, not_stated
from core.model.room import Room
from core.quantities import Quantity, Unit, say

CONTINUOUS_SHARE = 0.80
"""A continuous load stays under 80 % of the breaker (NEC 210.20 in the USA; local codes come first)."""
COMFORTABLE_SHARE = 0.70


@dataclass(frozen=True)
class CircuitLoad:
    """What hangs on one circuit."""

    name: str
    """Empty for the room's own."""
    breaker_a: float | Missing
    watts: tuple[tuple[str, float], ...]
    other_w: float

    @property
    def total_w(self) -> float:
        """Devices, and what else runs on it."""
        return sum(watts for _, watts in self.watts) + self.other_w


@dataclass(frozen=True)
class Circuits:
    """The room's own circuit, then the others that something hangs on."""

    circuits: tuple[CircuitLoad, ...]


@derive_from_known
def circuits(
    load: Load, feeds: Feeds | None, room: Annotated[Room, "breaker_a", "circuits", "other_load_w", "sockets"]
) -> Circuits:
    """Each device on the circuit of the socket that feeds it; what is fed from nobody knows where on the room's own."""
    by_socket = {socket.name: socket.circuit for socket in room.sockets}
    fed = {one.device: by_socket.get(one.socket) for one in feeds.fed} if feeds else {}
    own = room.breaker_a if room.breaker_a is not None else not_stated(room, "breaker_a").missing
    on_own = tuple((name, watts) for name, watts in load.watts if fed.get(name) is None)
    others = (
        CircuitLoad(
            one.name,
            one.breaker_a if one.breaker_a is not None else not_stated(one, "breaker_a").missing,
            tuple((name, watts) for name, watts in load.watts if fed.get(name) == one.id),
            one.other_load_w,
        )
        for one in room.circuits
    )
    return Circuits((CircuitLoad("", own, on_own, room.other_load_w), *(one for one in others if one.watts)))


@check("power.circuit", title="Load on the breaker", place=IN_ROOM)
def circuit(circuits: Circuits, room: Annotated[Room, "breaker_a", "circuits", "mains_v"]) -> Answer:
    """What hangs on each circuit stays under 80 % of what its breaker carries; A = W / V. The worst of them decides.

    What stands on the floor counts on the circuit of the socket that feeds it, all else on the room's own. A licensed
    electrician and the local code decide; one circuit for the bay alone is the usual advice.
    """
    mains_v = known(room, "mains_v")
    limits = {_on_circuit(one, mains_v): one for one in circuits.circuits}
    deciding = tightest(tuple(limits))
    worst = limits[deciding]
    return Answer(
        tuple(limits),
        headline=lambda: say(
            "{amperes} of {allowed} allowed on {breaker}",
            amperes=deciding.has,
            allowed=deciding.wants,
            breaker=worst.name or "the breaker",
        ),
        formula="0.80 × breaker − (watts of the devices on it + what else runs on it) / volts, circuit by circuit",
        inputs=lambda: (
            *(stated_input(name, _watts(watts)) for name, watts in worst.watts),
            Input("Besides", _watts(worst.other_w), Basis.MEASURED),
            Input("Mains", Quantity(mains_v, Unit.VOLT), Basis.MEASURED),
            Input("Breaker", Quantity(stated_breaker_a(worst), Unit.AMPERE), Basis.MEASURED),
        ),
        cures=lambda: (
            say("Put the heater, or the computer, at a socket of another circuit."),
            find_out(
                FactAt("room", "circuits"),
                "Have a licensed electrician add a circuit for the bay; local codes come first.",
            ),
        ),
        basis=Basis.STANDARD,
    )


def _on_circuit(circuit: CircuitLoad, mains_v: float) -> Limit:
    breaker_a = stated_breaker_a(circuit)
    return at_most(circuit.total_w / mains_v, CONTINUOUS_SHARE * breaker_a, COMFORTABLE_SHARE * breaker_a, Unit.AMPERE)


def stated_breaker_a(circuit: CircuitLoad) -> float:
    """Rating of its breaker. Raises `MissingFact` where nobody has read it."""
    if isinstance(circuit.breaker_a, Missing):
        raise MissingFact(*circuit.breaker_a)
    return circuit.breaker_a


def _watts(value: float) -> Quantity:
    return Quantity(value, Unit.WATT)
