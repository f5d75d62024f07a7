"""Mains power: the load on the room's breaker, and plugs against sockets. A licensed electrician decides."""

from dataclasses import dataclass

from core.checks.figures import counted, stated
from core.checks.places import IN_ROOM
from core.checks.register import check, derive
from core.checks.verdict import Basis, Input, State, Verdict, judge
from core.model.facts import MissingFact, known
from core.model.kit import Beside
from core.model.parts import Device, Display, LaunchMonitor, Machine, PowerStrip
from core.model.room import Room
from core.quantities import Quantity, Unit, say

CONTINUOUS_SHARE = 0.80
"""A continuous load stays under 80 % of the breaker (NEC 210.20 in the USA; local codes come first)."""
COMFORT_SHARE = 0.10


@dataclass(frozen=True)
class Load:
    """Every device of the bay and its watts, by name."""

    watts: tuple[tuple[str, float], ...]

    @property
    def total_w(self) -> float:
        """All of them together."""
        return sum(watts for _, watts in self.watts)


@derive
def load(
    monitor: LaunchMonitor | None, machine: Machine | None, display: Display | None, beside: Beside[Device]
) -> Load | None:
    """What draws power at play: the chain's three devices and all beside it; `None` while nothing does."""
    devices = [*(device for device in (monitor, machine, display) if device is not None), *beside]
    watts = tuple((device.name, known(device.power_w, device, "power")) for device in devices)
    drawing = tuple((name, value) for name, value in watts if value > 0)
    return Load(drawing) if drawing else None


@check("power.circuit", title="Load on the breaker", place=IN_ROOM)
def circuit(load: Load, room: Room) -> Verdict:
    """All devices together stay under 80 % of what the room's breaker carries; A = W / V.

    A licensed electrician and the local code decide; one circuit for the bay alone is the usual advice.
    """
    if room.mains_v is None:
        raise MissingFact("The voltage of the mains", "Enter it with the room: 230 V or 120 V are usual.")
    if room.breaker_a is None:
        raise MissingFact("The rating of the breaker", "Read it off the breaker, or ask an electrician.")
    amperes = (load.total_w + room.other_load_w) / room.mains_v
    allowed = CONTINUOUS_SHARE * room.breaker_a
    state = judge(allowed - amperes, COMFORT_SHARE * room.breaker_a)
    return counted(
        state,
        say("{amperes} of {allowed} allowed on the breaker", amperes=_amperes(amperes), allowed=_amperes(allowed)),
        Unit.AMPERE,
        has=amperes,
        needs=allowed,
        formula="0.80 × breaker − (watts of all devices + what else runs on it) / volts",
        inputs=lambda: (
            *(stated(name, Quantity(watts, Unit.WATT)) for name, watts in load.watts),
            Input("Besides", Quantity(room.other_load_w, Unit.WATT), Basis.MEASURED),
            Input("Mains", Quantity(room.mains_v or 0.0, Unit.VOLT), Basis.MEASURED),
            Input("Breaker", _amperes(room.breaker_a or 0.0), Basis.MEASURED),
        ),
        cures=(
            say("Put the heater, or the computer, on another circuit."),
            say("Have a licensed electrician add a circuit for the bay; local codes come first."),
        ),
        basis=Basis.STANDARD,
        at_most=True,
    )


@check("power.strips", title="Load on power strips", place=IN_ROOM)
def strip_load(load: Load, strips: Beside[PowerStrip]) -> Verdict:
    """What the strips take, against everything that is plugged in; heaters go straight into the wall.

    All devices on one strip are within its rating: clear. Only shared between strips: tight. More than all strips
    take together: blocked. An overloaded strip burns.
    """
    rated = [known(strip.rated_w, strip, "rated load") for strip in strips]
    total = load.total_w if rated else 0.0
    needs = min(rated, default=0.0) if total <= min(rated, default=0.0) else sum(rated)
    state = State.CLEAR if not rated or total <= min(rated) else State.TIGHT if total <= sum(rated) else State.BLOCKED
    return counted(
        state,
        say("{total} on strips for {rated}", total=_watts(total), rated=_watts(needs))
        if rated
        else say("Nothing is plugged into a strip"),
        Unit.WATT,
        has=total,
        needs=needs,
        formula="rating of one strip, or of all together − watts of all devices",
        inputs=lambda: (
            *(stated(strip.name, _watts(strip.rated_w or 0.0)) for strip in strips),
            *(stated(name, _watts(watts)) for name, watts in load.watts),
        ),
        cures=(say("Plug heaters straight into the wall, and share the rest between strips."),),
        at_most=True,
    )


@check("power.sockets", title="Sockets for all plugs", place=IN_ROOM)
def sockets(load: Load, room: Room, strips: Beside[PowerStrip]) -> Verdict:
    """Sockets in the room and on power strips, against plugs; a strip takes one socket and is never chained.

    Computer and projector are worth surge protection.
    """
    if not room.sockets:
        raise MissingFact("Where the sockets are", "Enter them with the room.")
    in_wall = sum(socket.outlets for socket in room.sockets)
    usable = min(len(strips), in_wall)
    has = in_wall + sum(known(strip.sockets, strip, "sockets") - 1 for strip in strips[:usable])
    needs = len(load.watts)
    protected = any(strip.surge_protected for strip in strips)
    state = State.BLOCKED if has < needs and strips else State.TIGHT if has < needs or not protected else State.CLEAR
    return counted(
        state,
        say("{has} for {needs}", has=f"{has} sockets", needs=f"{needs} plugs")
        if has < needs or protected
        else say("{has} for {needs}, none protected from surges", has=f"{has} sockets", needs=f"{needs} plugs"),
        Unit.PIECES,
        has=has,
        needs=needs,
        formula="sockets in the walls + sockets of strips − 1 for each strip, against devices",
        inputs=lambda: (
            Input("In the walls", str(in_wall), Basis.MEASURED),
            *(stated(strip.name, str(strip.sockets)) for strip in strips),
            *(stated("Plug", name) for name, _ in load.watts),
        ),
        cures=(say("Choose a strip with surge protection, where the devices are; never chain strips."),),
        basis=Basis.MEASURED,
    )


def _watts(value: float) -> Quantity:
    return Quantity(value, Unit.WATT)


def _amperes(value: float) -> Quantity:
    return Quantity(value, Unit.AMPERE)
