"""Mains power: the load on the room's breaker, and plugs against sockets. A licensed electrician decides."""

from dataclasses import dataclass
from typing import Annotated

from core.checks.asks import ask_at_least, ask_equal
from core.checks.figures import stated_input
from core.checks.limits import ENDLESS, State, Words, at_least, at_most
from core.checks.needs import ItemKind, Need, pieces
from core.checks.places import IN_ROOM
from core.checks.register import check, derive
from core.checks.verdict import Answer, Basis, Input
from core.model.build import Slot
from core.model.facts import known, looked_for
from core.model.kit import Beside
from core.model.parts import Device, Display, LaunchMonitor, Machine, PowerStrip
from core.model.room import Room
from core.model.things import Looked
from core.quantities import Quantity, Unit, say

SURGE_PLUGS = 4
"""Devices that stand where the computer is (trade)."""


@dataclass(frozen=True)
class Load:
    """Every device of the bay and its watts, by name."""

    watts: tuple[tuple[str, float], ...]

    @property
    def total_w(self) -> float:
        """All of them together."""
        return sum(watts for _, watts in self.watts)


class SurgeStrip(Need):
    """The strip where the computer is."""

    item = ItemKind(
        "power-strip", "Surge strip", near=Slot.MACHINE, kind=PowerStrip, asks=("sockets", "surge_protected", "rated_w")
    )


@derive
def load(
    monitor: Annotated[LaunchMonitor, "name", "power_w"] | None,
    machine: Annotated[Machine, "name", "power_w"] | None,
    display: Annotated[Display, "name", "power_w"] | None,
    beside: Annotated[Beside[Device], "name", "power_w"],
) -> Load | None:
    """What draws power at play: the chain's three devices and all beside it; `None` while nothing does."""
    hung = [(device, 1) for device in (monitor, machine, display) if device is not None]
    watts = tuple(
        (device.name, known(device, "power_w")) for device, count in (*hung, *beside.counted()) for _ in range(count)
    )
    drawing = tuple((name, value) for name, value in watts if value > 0)
    return Load(drawing) if drawing else None


@derive
def surge_strip(load: Load, machine: Annotated[Machine, "name"]) -> SurgeStrip:
    """Where the computer is: enough sockets for what stands there, protected from surges."""
    plugs = len(load.watts)
    return SurgeStrip(
        pieces(1),
        say("{plugs} devices are plugged in, {machine} is worth protecting", plugs=str(plugs), machine=machine.name),
        (
            ask_at_least("sockets", min(SURGE_PLUGS, plugs)),
            ask_equal("surge_protected", True),
            ask_at_least("rated_w", load.total_w),
        ),
    )


@check("power.strips", title="Load on power strips", place=IN_ROOM)
def strip_load(load: Load, strips: Annotated[Beside[PowerStrip], "rated_w"]) -> Answer:
    """What the strips take, against everything that is plugged in; heaters go straight into the wall.

    All devices on one strip are within its rating: clear. Only shared between strips: tight. More than all strips
    take together: blocked. An overloaded strip burns.
    """
    rated = [known(strip, "rated_w") for strip, count in strips.counted() for _ in range(count)]
    limit = at_most(load.total_w, sum(rated), min(rated), Unit.WATT) if rated else None
    return Answer(
        Words(State.CLEAR, "no strip", "none overloaded") if limit is None else limit,
        headline=lambda: (
            say("Nothing is plugged into a strip")
            if limit is None
            else say("{total} on strips for {rated}", total=limit.has, rated=limit.wants)
        ),
        formula="rating of all strips together − watts of all devices; comfortable on any one of them",
        inputs=lambda: (
            *(stated_input(strip.name, _watts(strip.rated_w or 0.0)) for strip in strips),
            *(stated_input(name, _watts(watts)) for name, watts in load.watts),
        ),
        cures=lambda: (say("Plug heaters straight into the wall, and share the rest between strips."),),
    )


@check("power.sockets", title="Sockets for all plugs", place=IN_ROOM)
def sockets(
    load: Load,
    room: Annotated[Room, "none_of", "sockets"],
    strips: Annotated[Beside[PowerStrip], "sockets", "surge_protected"],
) -> Answer:
    """Sockets in the room and on power strips, against plugs; a strip takes one socket and is never chained.

    Without a strip what is short may still be had from one: tight. Computer and projector are worth surge protection.
    """
    in_wall = sum(socket.outlets for socket in looked_for(room, Looked.SOCKETS))
    there = [known(strip, "sockets") for strip, count in strips.counted() for _ in range(count)]
    has = in_wall + sum(sockets - 1 for sockets in there[:in_wall])
    needs = len(load.watts)
    enough = at_least(has, needs, unit=Unit.PIECES, tolerated=0.0 if there else ENDLESS)
    protected = any(strip.surge_protected for strip in strips)
    return Answer(
        (enough, Words(State.CLEAR if protected else State.TIGHT, _yes(protected), "surge protection")),
        headline=lambda: (
            say("{has} sockets for {needs} plugs", has=str(has), needs=str(needs))
            if has < needs or protected
            else say("{has} sockets for {needs} plugs, none protected from surges", has=str(has), needs=str(needs))
        ),
        formula="sockets in the walls + sockets of strips − 1 for each strip, against devices",
        inputs=lambda: (
            Input("In the walls", str(in_wall), Basis.MEASURED),
            *(stated_input(strip.name, str(strip.sockets)) for strip in strips),
            *(stated_input("Plug", name) for name, _ in load.watts),
        ),
        cures=lambda: (say("Choose a strip with surge protection, where the devices are; never chain strips."),),
        basis=Basis.MEASURED,
    )


def _yes(protected: bool) -> str:
    return "surge protection" if protected else "none"


def _watts(value: float) -> Quantity:
    return Quantity(value, Unit.WATT)
