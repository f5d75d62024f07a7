"""Where the machine stands, how its picture gets to the display, and how many lines of it arrive (trade)."""

from dataclasses import dataclass
from typing import Annotated

from core.checks.declared import THERE
from core.checks.readings import BallPlaces
from core.checks.register import derive
from core.geometry.cable_route import CableRoute, route_along_floor, route_over_ceiling
from core.geometry.ceiling import Ceiling
from core.geometry.shadow import Lens
from core.geometry.swing_disc import Point3
from core.model.facts import known
from core.model.parts import Display, Machine, StandingDisplay, Title
from core.model.room import Layout, Room

MACHINE_HEIGHT_M = 0.75
"""Of a desk."""
DISPLAY_HEIGHT_M = 1.0
DISPLAY_AHEAD_M = 0.3
"""A television stands this far before the screen, at the wall where the machine is (trade)."""


@dataclass(frozen=True)
class MachineSpot:
    """Where the machine stands, in metres."""

    at: Point3
    proposed: bool


@dataclass(frozen=True)
class DisplayRun:
    """The way of the picture's cable."""

    route: CableRoute


@dataclass(frozen=True)
class ChainLines:
    """Lines of the picture that arrive: the least that software, machine and display can do."""

    lines: int
    weakest: str


@derive
def machine_spot(
    machine: Annotated[Machine, THERE],
    room: Annotated[Room, "width_m"],
    layout: Annotated[Layout, "machine_x_m", "machine_y_m"],
    places: BallPlaces,
) -> MachineSpot:
    """The machine as placed; else at the nearer side wall, beside the ball."""
    x_m, y_m = layout.machine_x_m, layout.machine_y_m
    ball_x_m = sum(x for x, _ in places.spots) / len(places.spots)
    ball_y_m = max(y for _, y in places.spots)
    if x_m is None:
        x_m = 0.0 if ball_x_m <= room.width_m / 2 else room.width_m
    proposed = layout.machine_x_m is None or layout.machine_y_m is None
    return MachineSpot((x_m, ball_y_m if y_m is None else y_m, MACHINE_HEIGHT_M), proposed)


@derive
def display_run(
    spot: MachineSpot,
    display: Annotated[Display, THERE],
    lens: Lens | None,
    room: Annotated[Room, "length_m"],
    layout: Annotated[Layout, "screen_y_m"],
    ceiling: Ceiling,
) -> DisplayRun | None:
    """To a projector up the wall and under the ceiling; to a television along the floor."""
    if isinstance(display, StandingDisplay):
        end = (spot.at[0], layout.screen_y_m + DISPLAY_AHEAD_M, DISPLAY_HEIGHT_M)
        return DisplayRun(route_along_floor(spot.at, end))
    if lens is None:
        return None
    end = (lens.x_m, min(layout.screen_y_m + lens.distance_m, room.length_m), lens.height_m)
    return DisplayRun(route_over_ceiling(spot.at, end, ceiling))


@derive
def chain_lines(
    title: Annotated[Title, "lines_max", "name"] | None,
    machine: Annotated[Machine, "name", "output_lines"],
    display: Annotated[Display, "height_px", "name"],
) -> ChainLines:
    """What arrives, and what is the least of the three."""
    does = [(known(display, "height_px"), display.name), (known(machine, "output_lines"), machine.name)]
    if title is not None:
        does.append((known(title, "lines_max"), title.name))
    return ChainLines(*min(does))
