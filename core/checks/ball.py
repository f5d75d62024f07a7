"""The straight limits on where the ball may lie, as readings, and judged for where it lies."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from typing import Annotated

from core.checks.limits import Limit, State, at_least
from core.checks.readings import BallPlaces, BayMiddle, HittingSurface
from core.checks.register import derive
from core.checks.verdict import Cure, press
from core.geometry.ball_rules import BallRoom, BallRule, Inside, swing_rules
from core.geometry.ceiling import Ceiling
from core.geometry.swing_disc import Point3, SwingDisc, swing_disc
from core.model import acts
from core.model.brief import Player
from core.model.facts import known
from core.model.parts import Enclosure
from core.model.room import Layout, Room
from core.quantities import Quantity


@dataclass(frozen=True)
class SwingRules:
    """The straight limits that the swing of one player with the longest club sets the ball."""

    rules: tuple[BallRule, ...]

    def of(self, check: str) -> tuple[BallRule, ...]:
        """Those that one check judges by."""
        return tuple(rule for rule in self.rules if rule.check == check)


@derive
def swing(
    player: Annotated[Player, "early_release", "handedness", "height_m", "longest_club", "measured_reaches"],
) -> SwingDisc:
    """The swing of a player with the longest club."""
    return swing_disc(player, player.longest_club)


@derive
def ball_room(room: Annotated[Room, "length_m", "width_m"], ceiling: Ceiling, surface: HittingSurface) -> BallRoom:
    """Walls and ceiling around the swings."""
    return BallRoom(room.width_m, room.length_m, ceiling, surface.height_m)


@derive
def inside(
    enclosure: Annotated[Enclosure, "depth_m", "inner_width_m"],
    layout: Annotated[Layout, "screen_y_m"],
    middle: BayMiddle,
) -> Inside:
    """The clear inside of the enclosure."""
    return Inside(middle.x_m, known(enclosure, "inner_width_m") / 2, layout.screen_y_m + known(enclosure, "depth_m"))


@derive
def rules(disc: SwingDisc, room: BallRoom) -> SwingRules:
    """The rules that checks judge the ball by where it lies, and that the hitting region is cut by."""
    return SwingRules(swing_rules(disc, room))


def ball_limits(rules: Iterable[BallRule], ball: Point3) -> dict[Limit, BallRule]:
    """The limits that `rules` set a ball where it lies, each with its rule; those that do not hold there left out."""
    return {limit_of(rule, ball): rule for rule in rules if rule.holds(ball[1])}


def limit_of(rule: BallRule, ball: Sequence[float]) -> Limit:
    """The limit that `rule` sets a ball at x and y."""
    x, y, *_ = ball
    return at_least(rule.edge.distance_m(x, y), rule.least_m, rule.comfortable_m, tolerated=rule.tolerated_m)


def ball_back(places: BallPlaces, more: Quantity, promise: State = State.CLEAR) -> Cure:
    """The ball nearest to the screen so much further from it, and no other nearer than that."""
    act = acts.balls_back_to(places.screen_y_m + places.to_screen_m + more.value)
    return press(act, "Move the ball back {more}.", promise, more=more)
