"""What a room is short of: for each goal it does not meet, which measurement would have to grow, and by how much."""

from collections.abc import Callable, Iterator
from dataclasses import dataclass
from typing import NamedTuple

from core.checks.along import BALL_TO_SCREEN_COMFORT_M
from core.checks.limits import State
from core.contents.growing import Measurement, grown
from core.model.bounds import swings_among_things
from core.model.brief import Player
from core.model.room import Room
from core.quantities import Quantity, Sentence, Unit, say
from core.quantities.tolerances import ROUNDING
from core.report.allowance import WORTHWHILE_PICTURE_M, Allowance, MonitorKind, allowance

MOST_MORE_M = 1.5
"""Nobody moves a wall further."""
MEASURE_STEP_M = 0.01
MONITOR_NAMES = {
    MonitorKind.REAR_RADAR: "A radar behind the ball",
    MonitorKind.SIDE_CAMERA: "A camera beside the ball",
    MonitorKind.OVERHEAD_CAMERA: "A camera overhead",
}


MOST_PROBED = 200
"""Players times things, over all rooms that are tried: about a second and a half of work."""


class TooMuch(Exception):
    """So many play among so many things that trying other rooms would take too long."""


class Goal(NamedTuple):
    """Something a room may allow, in words, and how an allowance shows it."""

    name: Sentence
    met: Callable[[Allowance], bool]


@dataclass(frozen=True)
class Unlock:
    """So much more of one measurement meets a goal."""

    goal: Sentence
    measurement: Measurement
    more_m: float


@dataclass(frozen=True)
class Bottleneck:
    """Goals met, the unlocks of those that are not, goals that no single measurement unlocks, and the tightest one."""

    met: tuple[Sentence, ...]
    unlocks: tuple[Unlock, ...]
    """Least growth first within each measurement."""
    out_of_reach: tuple[Sentence, ...]
    tightest: Measurement | None
    """The measurement that unlocks most; of equals the one that has to grow least."""


def bottleneck(room: Room, players: tuple[Player, ...], surface_m: float) -> Bottleneck:
    """What `room` is short of for `players`. Raises `TooMuch`."""
    here = allowance(room, players, surface_m)
    wanted = list(goals(players))
    unmet = [goal for goal in wanted if not goal.met(here)]
    probes: dict[tuple[Measurement, float], Allowance] = {}

    def grown_by(measurement: Measurement, more_m: float) -> Allowance:
        key = (measurement, round(more_m, 2))
        if key not in probes:
            if (len(probes) + 1) * swings_among_things(players, room) > MOST_PROBED:
                raise TooMuch
            probes[key] = allowance(grown(room, measurement, key[1]), players, surface_m)
        return probes[key]

    # By their number: two players of one name want two things in the same words.
    numbered = [
        (number, Unlock(goal.name, measurement, more_m))
        for measurement in Measurement
        for number, goal in enumerate(unmet)
        if (more_m := _least_more_m(goal, measurement, grown_by)) is not None
    ]
    unlocked = {number for number, _ in numbered}
    unlocks = sorted((unlock for _, unlock in numbered), key=lambda unlock: unlock.more_m)
    by_measurement = {m: [unlock.more_m for unlock in unlocks if unlock.measurement is m] for m in Measurement}
    useful = [measurement for measurement in Measurement if by_measurement[measurement]]
    return Bottleneck(
        met=tuple(goal.name for goal in wanted if goal not in unmet),
        unlocks=tuple(unlocks),
        out_of_reach=tuple(goal.name for number, goal in enumerate(unmet) if number not in unlocked),
        tightest=min(useful, key=lambda m: (-len(by_measurement[m]), max(by_measurement[m])), default=None),
    )


def goals(players: tuple[Player, ...]) -> Iterator[Goal]:
    """Everybody's longest club, one spot for both hands, distance to the screen, monitors and a picture."""
    for number, player in enumerate(players):
        yield Goal(
            say("{who}'s {club}", who=player.name, club=player.longest_club.value),
            lambda found, number=number, club=player.longest_club: found.reaches[number].club is club,  # type: ignore[misc]
        )
    if len({player.handedness for player in players}) > 1:
        yield Goal(say("One spot for both hands"), lambda found: found.one_spot)
    if players:
        yield Goal(
            say("{far} from ball to screen", far=Quantity(BALL_TO_SCREEN_COMFORT_M, Unit.METRE)),
            lambda found: (found.to_screen_m or 0.0) >= BALL_TO_SCREEN_COMFORT_M - MEASURE_STEP_M / 2,
        )
        for index, kind in enumerate(MonitorKind):
            if kind in MONITOR_NAMES:
                yield Goal(
                    say(MONITOR_NAMES[kind]),
                    lambda found, index=index: found.monitors[index].state is not State.BLOCKED,  # type: ignore[misc]
                )
    yield Goal(
        say("A picture of 16:9, {wide} wide", wide=Quantity(WORTHWHILE_PICTURE_M, Unit.METRE)),
        lambda found: found.pictures[0].width_m >= WORTHWHILE_PICTURE_M - ROUNDING,
    )


def _least_more_m(
    goal: Goal, measurement: Measurement, grown_by: Callable[[Measurement, float], Allowance]
) -> float | None:
    """The least growth in whole centimetres that meets `goal`, found by halving; `None` where none does."""
    if not goal.met(grown_by(measurement, MOST_MORE_M)):
        return None
    low, high = 0, round(MOST_MORE_M / MEASURE_STEP_M)
    while high - low > 1:
        middle = (low + high) // 2
        low, high = (low, middle) if goal.met(grown_by(measurement, middle * MEASURE_STEP_M)) else (middle, high)
    return high * MEASURE_STEP_M
