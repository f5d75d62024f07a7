"""Where to hit from: the region that is clear for everybody, the best spot in it, or one for each hand."""

from collections.abc import Iterable
from dataclasses import dataclass, replace
from typing import Annotated

from core.checks.along import BallDistance
from core.checks.monitor_rules import MonitorRules
from core.checks.readings import BayMiddle
from core.checks.register import derive
from core.checks.space import LookedThrough
from core.geometry.ball_rules import CHECK_BY_EDGE, BallRule, Inside, free_side_rules, to_screen_rule
from core.geometry.edges import Point
from core.geometry.hitting_region import Area, typed_inside
from core.geometry.surroundings import Surroundings
from core.model.brief import Handedness, Player
from core.model.room import Layout
from core.quantities import Quantity, Sentence, Unit, say
from core.quantities.tolerances import ROUNDING

SCREEN_DISTANCE = BallDistance()


@dataclass(frozen=True)
class HittingSpot:
    """A region of ball positions and the best one in it, for the players of one or both hands."""

    hands: tuple[Handedness, ...]
    areas: tuple[Area, ...]
    """None where nobody can stand."""
    best: Point | None
    reason: Sentence
    under_low_ceiling: bool = False
    """Only across and along: the ceiling is too low for somebody there."""

    @property
    def is_clear(self) -> bool:
        """Everybody whom it is for is clear of everything there."""
        return self.best is not None and not self.under_low_ceiling


@dataclass(frozen=True)
class Spots:
    """One spot that serves all players, or one for each hand; none while nobody plays."""

    spots: tuple[HittingSpot, ...]


@dataclass(frozen=True)
class Around:
    """What decides where the ball may lie, and does not change with where it lies."""

    surroundings: Surroundings
    """With the ball nowhere in particular."""
    inside: Inside | None
    middle_m: float
    """Of the bay across the room."""
    screen_y_m: float
    distance: BallDistance
    looked: bool = True
    """Somebody has looked for what stands or hangs in the room, and for its windows and doors."""
    monitor: MonitorRules | None = None
    """What the monitor that is chosen asks for."""


@derive
def around(
    surroundings: Surroundings,
    inside: Inside | None,
    middle: BayMiddle,
    layout: Annotated[Layout, "screen_y_m"],
    distance: BallDistance,
    looked: LookedThrough,
    monitor: MonitorRules | None,
) -> Around:
    """Everything but the ball."""
    z = surroundings.room.surface_m
    anywhere = Surroundings(
        surroundings.room,
        (0.0, 0.0, z),
        surroundings.players,
        surroundings.things,
        surroundings.panels,
        uneven=surroundings.uneven,
    )
    seen = looked.missing is None
    return Around(anywhere, inside, middle.x_m, layout.screen_y_m, distance, seen, monitor)


@derive
def spots(around: Around) -> Spots:
    """Where everybody's checks are clear."""
    return Spots(hitting_spots(around))


def hitting_spots(around: Around) -> tuple[HittingSpot, ...]:
    """One spot that serves all players; where there is none and both hands play, one for each hand."""
    players = around.surroundings.players
    if not players:
        return ()
    found = _of_hands(around, players)
    if around.monitor is None or all(spot.is_clear for spot in found):
        return found
    # Where the monitor leaves no spot, people are still told where they may swing.
    served = {spot.hands: spot for spot in found if spot.is_clear}
    swinging = _of_hands(replace(around, monitor=None), players)
    return tuple(served.get(spot.hands) or _without_monitor(spot, around.monitor.name) for spot in swinging)


def _without_monitor(spot: HittingSpot, monitor: str) -> HittingSpot:
    if spot.best is None:
        return spot
    words = spot.reason.template + " {monitor} has no place there."
    return replace(spot, reason=say(words, **dict(spot.reason.figures), monitor=monitor))


def _of_hands(around: Around, players: tuple[Player, ...]) -> tuple[HittingSpot, ...]:
    together = _spot(around, players)
    hands = sorted({player.handedness for player in players})
    if together.is_clear or len(hands) == 1:
        return (together,)
    groups = [tuple(player for player in players if player.handedness is hand) for hand in hands]
    apart = tuple(_spot(around, group) for group in groups)
    return apart if any(spot.is_clear for spot in apart) or together.best is None else (together,)


def _spot(around: Around, players: tuple[Player, ...]) -> HittingSpot:
    distance = around.distance
    width_m = around.surroundings.room.width_m
    hands = tuple(sorted({player.handedness for player in players}))
    rules = [
        # The ball may lie nearer to the screen than is comfortable; the best spot does not where it can.
        to_screen_rule(around.screen_y_m, distance.least_m, distance.least_m),
        *around.surroundings.swing_rules(players),
        *(rule for hand in hands for rule in free_side_rules(hand is Handedness.RIGHT, width_m, around.inside)),
        *(around.monitor.of(hands) if around.monitor else ()),
    ]
    areas = around.surroundings.clear_floor(players, rules)
    nowhere = say("No spot on this floor is clear for {who}.", who=_names(players))
    wanted = (around.middle_m, around.screen_y_m + distance.comfortable_m)
    best = typed_inside(areas, wanted) if areas else None
    if best is None:
        return _but_for_the_ceiling(around, players, rules, hands) or HittingSpot(hands, (), None, nowhere)
    x_m, y_m = best
    reason = say(
        "{seen}lear for {who}; " + _where(x_m - around.middle_m),
        seen="C" if around.looked else "Unless something is in the way there that nobody entered, c",
        who=_names(players),
        offset=Quantity(abs(x_m - around.middle_m), Unit.METRE),
        to_screen=Quantity(y_m - around.screen_y_m, Unit.METRE),
    )
    return HittingSpot(hands, areas, (x_m, y_m), reason)


def _but_for_the_ceiling(
    around: Around, players: tuple[Player, ...], rules: list[BallRule], hands: tuple[Handedness, ...]
) -> HittingSpot | None:
    """The best spot across and along where only the ceiling rules all of them out; `None` where more does."""
    level = [rule for rule in rules if rule.check != CHECK_BY_EDGE["ceiling"]]
    areas = around.surroundings.clear_floor(players, level)
    if not areas or len(level) == len(rules):
        return None
    best = typed_inside(areas, (around.middle_m, around.screen_y_m + around.distance.comfortable_m))
    if best is None:
        return None
    x_m, y_m = best
    words = (
        "The ceiling is too low for {who} with the longest club wherever the ball lies. Across and along this is the "
        "best: "
    )
    reason = say(
        words + _where(x_m - around.middle_m),
        who=_names(players),
        offset=Quantity(abs(x_m - around.middle_m), Unit.METRE),
        to_screen=Quantity(y_m - around.screen_y_m, Unit.METRE),
    )
    return HittingSpot(hands, (), (x_m, y_m), reason, under_low_ceiling=True)


def _where(aside_m: float) -> str:
    """A spot against picture and screen, as a template."""
    aside = "{offset} beside" if abs(aside_m) > ROUNDING else "before"
    return aside + " the picture's centre, {to_screen} from the screen."


def _names(players: Iterable[Player]) -> str:
    return ", ".join(player.name for player in players)
