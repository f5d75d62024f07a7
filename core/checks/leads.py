"""Power where the devices stand: from which socket each is fed, and how long the lead is that it takes (trade)."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Annotated, NamedTuple

from core.checks.cable_ways import DISPLAY_AHEAD_M, DISPLAY_HEIGHT_M, MachineSpot
from core.checks.figures import metres, stated_input
from core.checks.fixings import CABLE_MOST_M, CABLE_USUAL_M
from core.checks.limits import at_most
from core.checks.places import IN_ROOM
from core.checks.power import Load
from core.checks.readings import BallPlaces, MonitorSpot
from core.checks.register import check, derive, derive_from_known
from core.checks.space import Sockets
from core.checks.verdict import Answer, Basis, Input, find_out
from core.geometry.cable_route import route_along_floor
from core.geometry.swing_disc import Point3
from core.model.facts import FactAt, known
from core.model.kit import Beside
from core.model.parts import FloorStanding, Machine, PowerStrip, SideCamera, StandingDisplay
from core.model.room import Layout, Room
from core.model.things import Looked
from core.quantities import say

OWN_LEAD_M = 2.0
"""What a device brings with it reaches about so far (trade)."""


class Fed(NamedTuple):
    """A device on the floor, the socket that feeds it, and how long the way from there is, in metres."""

    device: str
    socket: str
    way_m: float


@dataclass(frozen=True)
class Feeds:
    """Every device on the floor that draws power, each at the nearest socket that has an outlet left for it."""

    fed: tuple[Fed, ...]


@dataclass(frozen=True)
class OutletsMissing:
    """Devices that want an outlet that is not there: a licensed electrician adds one for each."""

    devices: tuple[str, ...]


@dataclass(frozen=True)
class OnTheFloor:
    """What stands on the floor and draws power: name, and wherever it is moved to; and the machine among it."""

    at: tuple[tuple[str, tuple[Point3, ...]], ...]
    machine: str = ""


@derive
def on_the_floor(
    spot: MachineSpot | None,
    machine: Annotated[Machine, "name", "power_w"] | None,
    monitor: Annotated[FloorStanding, "name", "power_w"] | None,
    stands: MonitorSpot | None,
    places: BallPlaces,
    display: Annotated[StandingDisplay, "name", "power_w"] | None,
    layout: Annotated[Layout, "screen_y_m"],
) -> OnTheFloor | None:
    """The machine, a television, and a monitor that stands; `None` where nothing draws power."""
    at: list[tuple[str, tuple[Point3, ...]]] = []
    if machine is not None and spot is not None and known(machine, "power_w"):
        at.append((machine.name, (spot.at,)))
    if display is not None and known(display, "power_w"):
        between_m = sum(x for x, _ in places.spots) / len(places.spots)
        beside = (spot.at[0] if spot else between_m, layout.screen_y_m + DISPLAY_AHEAD_M, DISPLAY_HEIGHT_M)
        at.append((display.name, (beside,)))
    if monitor is not None and stands is not None and known(monitor, "power_w"):
        at.append((monitor.name, tuple(_stands(monitor, stands.distance_m, places))))
    return OnTheFloor(tuple(at), machine.name if machine else "") if at else None


@derive
def feeds(
    devices: OnTheFloor,
    sockets: Sockets,
    room: Annotated[Room, "sockets"],
    strips: Annotated[Beside[PowerStrip], "sockets"],
) -> Feeds:
    """Along the floor, a strip at the socket nearest to the machine.

    What is left without an outlet is told from its nearest socket: how many are missing is a rule of its own.
    """
    left = {socket.name: socket.outlets for socket in room.sockets}
    ways = sorted(
        (max(route_along_floor(place, device_at).path_m for device_at in anywhere), device, socket)
        for device, anywhere in devices.at
        for socket, place in sockets.places
    )
    first = next((socket for _, device, socket in ways if device == devices.machine), ways[0][2])
    left[first] += sum((known(strip, "sockets") - 1) * count for strip, count in strips.counted())
    fed: dict[str, Fed] = {}
    for way_m, device, socket in ways:
        if device not in fed and left[socket] > 0:
            left[socket] -= 1
            fed[device] = Fed(device, socket, way_m)
    for way_m, device, socket in ways:
        fed.setdefault(device, Fed(device, socket, way_m))
    return Feeds(tuple(sorted(fed.values(), key=lambda one: -one.way_m)))


def _stands(monitor: FloorStanding, distance_m: float, places: BallPlaces) -> Iterator[Point3]:
    """Wherever it is moved to: behind each ball, or on either side of it."""
    for x, y in places.spots:
        if isinstance(monitor, SideCamera):
            yield from ((x + side * distance_m, y, 0.0) for side in (1, -1))
        else:
            yield x, y + distance_m, 0.0


@derive_from_known
def outlets_missing(
    feeds: Feeds | None, load: Load | None, room: Annotated[Room, "none_of", "sockets"]
) -> OutletsMissing | None:
    """One for each device that no lead reaches; one at least in a room that has none."""
    far = tuple(one.device for one in feeds.fed if one.way_m > CABLE_MOST_M) if feeds else ()
    none_there = load is not None and not room.sockets and Looked.SOCKETS in room.none_of
    devices = far or (tuple(name for name, _ in load.watts[:1]) if load and none_there else ())
    return OutletsMissing(devices) if devices else None


@check("power.leads", title="Leads along the floor", place=IN_ROOM)
def leads(feeds: Feeds) -> Answer:
    """What stands on the floor is fed from a socket near it; a lead that crosses the room trips people.

    Within 3 m along wall and floor is clear; from there to 10 m tight, with a lead of that length fixed down along the
    walls and never chained; beyond that a licensed electrician adds a socket first.
    """
    longest = feeds.fed[0]
    limit = at_most(longest.way_m, CABLE_MOST_M, CABLE_USUAL_M)
    return Answer(
        limit,
        headline=lambda: say(
            "{device} is {way} from {socket}", device=longest.device, way=limit.has, socket=longest.socket
        ),
        formula="|Δx| + |Δy| + |Δz| from the socket along wall and floor, each device at an outlet of its own",
        inputs=lambda: (
            *(Input(f"{one.device}, from {one.socket}", metres(one.way_m), Basis.MEASURED) for one in feeds.fed),
            stated_input("Its own lead reaches about", metres(OWN_LEAD_M)),
        ),
        cures=lambda: (
            say("Lay one lead along the walls, fixed down and in one piece, long enough for the whole way."),
            find_out(
                FactAt("room", "sockets"),
                "Have a licensed electrician add a socket where it stands; local codes come first.",
            ),
        ),
        basis=Basis.TRADE,
    )
