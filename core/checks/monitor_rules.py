"""Where the ball may lie for the launch monitor to have its place, as straight limits: judged, and offered within."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Annotated

from core.checks.readings import MONITOR_BODY_M, PLACEMENT_COMFORT_M, HittingSurface
from core.checks.register import derive_from_known
from core.geometry.ball_rules import BallRule
from core.geometry.ceiling import Ceiling
from core.geometry.edges import BallEdge
from core.model.brief import Handedness
from core.model.parts import BehindTheBall, FloorStanding, LaunchMonitor, OverheadCamera, SideCamera
from core.model.room import Layout, Room

BEHIND, BESIDE, FLIGHT, OVERHEAD = "monitor.behind", "monitor.beside", "monitor.flight", "monitor.overhead"
FLIGHT_COMFORT_M = 0.15
CEILING_COMFORT_M = 0.05


def behind_rule(length_m: float, distance_m: float) -> BallRule:
    """Behind the ball there is room for a monitor that stands so far from it, and for its body."""
    least_m = distance_m + MONITOR_BODY_M
    return BallRule(BEHIND, BallEdge("rear wall", 0.0, -1.0, length_m), least_m, least_m + PLACEMENT_COMFORT_M)


def beside_rule(hand: Handedness, width_m: float, distance_m: float) -> BallRule:
    """On the side that the player faces there is room for a monitor so far from the ball, and for its body."""
    least_m = distance_m + MONITOR_BODY_M
    edge = BallEdge("wall", -1.0, 0.0, width_m) if hand is Handedness.RIGHT else BallEdge("wall", 1.0, 0.0, 0.0)
    return BallRule(BESIDE, edge, least_m, least_m + PLACEMENT_COMFORT_M)


def flight_rule(screen_y_m: float, least_m: float) -> BallRule:
    """The ball flies so far before it is stopped."""
    return BallRule(FLIGHT, BallEdge("screen", 0.0, 1.0, -screen_y_m), least_m, least_m + FLIGHT_COMFORT_M)


def overhead_rules(ceiling: Ceiling, surface_m: float, ahead_m: float, lowest_m: float) -> Iterator[BallRule]:
    """So far ahead of the ball the ceiling is at least so high over what is hit from."""
    for plane in ceiling.planes:
        over = BallEdge("ceiling", plane.a, plane.b, plane.c - plane.b * ahead_m - surface_m)
        yield BallRule(OVERHEAD, over, lowest_m, lowest_m + CEILING_COMFORT_M)


@dataclass(frozen=True)
class MonitorRules:
    """What the monitor that is chosen asks of the ball's place, as far as its maker says."""

    name: str
    for_all: tuple[BallRule, ...]
    by_hand: tuple[tuple[Handedness, BallRule], ...] = ()

    def of(self, hands: tuple[Handedness, ...]) -> Iterator[BallRule]:
        """For the ball of players of these hands."""
        yield from self.for_all
        yield from (rule for hand, rule in self.by_hand if hand in hands)


@derive_from_known
def monitor_rules(
    monitor: Annotated[LaunchMonitor, "name"],
    on_floor: Annotated[FloorStanding, "distance_min_m"] | None,
    behind: Annotated[BehindTheBall, "flight_min_m"] | None,
    overhead: Annotated[OverheadCamera, "ahead_max_m", "ahead_min_m", "mount_height_min_m"] | None,
    layout: Annotated[Layout, "monitor_distance_m", "monitor_drop_m", "screen_y_m"],
    room: Annotated[Room, "length_m", "width_m"],
    ceiling: Ceiling | None,
    surface: HittingSurface | None,
) -> MonitorRules:
    """Where it was put, or as near as its maker allows."""
    if overhead is not None:
        if ceiling is None or surface is None:
            return MonitorRules(monitor.name, ())
        hangs = _overhead(overhead, ceiling, surface.height_m + layout.monitor_drop_m)
        return MonitorRules(monitor.name, tuple(hangs))
    distance_m = layout.monitor_distance_m
    if distance_m is None and on_floor is not None:
        distance_m = on_floor.distance_min_m
    if isinstance(on_floor, SideCamera):
        sides = (
            ()
            if distance_m is None
            else tuple((hand, beside_rule(hand, room.width_m, distance_m)) for hand in Handedness)
        )
        return MonitorRules(monitor.name, (), sides)
    for_all = [] if distance_m is None else [behind_rule(room.length_m, distance_m)]
    if behind is not None and behind.flight_min_m is not None:
        for_all.append(flight_rule(layout.screen_y_m, behind.flight_min_m))
    return MonitorRules(monitor.name, tuple(for_all))


def _overhead(monitor: OverheadCamera, ceiling: Ceiling, surface_m: float) -> Iterator[BallRule]:
    near_m, far_m, lowest_m = monitor.ahead_min_m, monitor.ahead_max_m, monitor.mount_height_min_m
    if near_m is not None and far_m is not None and lowest_m is not None:
        yield from overhead_rules(ceiling, surface_m, (near_m + far_m) / 2, lowest_m)
