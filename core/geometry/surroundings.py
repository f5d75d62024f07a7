"""All that the swings of a room must stay clear of, and how near each comes."""

from collections.abc import Iterable
from dataclasses import dataclass, replace
from functools import cached_property
from typing import NamedTuple

import numpy as np

from core.geometry.ball_rules import CHECK_BY_EDGE, BallRoom, BallRule, edges_of, swing_rules, to_screen_rule
from core.geometry.boxes import Box
from core.geometry.hitting_region import Area, clear_floor, told_shift
from core.geometry.solids import Group, Solid
from core.geometry.swing_clearance import Clearances, Floats, clearances
from core.geometry.swing_disc import UNCERTAINTY_M, Point3, SwingDisc, swing_disc
from core.model.brief import Handedness, Player
from core.model.clubs import Club
from core.model.laying import Rectangle
from core.model.reaches import Direction

SWINGS = frozenset(CHECK_BY_EDGE.values())


class Closest(NamedTuple):
    """The smallest clearance of a swing in metres, negative inside; from what; and where."""

    clearance_m: float
    name: str
    at: Point3
    carries: bool = False
    """It holds up the building."""
    low_m: float = 0.0
    """Where its lower edge is."""
    key: str = ""
    """Says which record it comes from; empty for walls and ceiling."""
    doubt_m: float = UNCERTAINTY_M
    """By so much the clearance may be out; nothing where the swing was measured that way."""
    to_measure: Direction | None = None
    """What a slow test swing should measure to know better; `None` where nothing helps."""

    @property
    def order(self) -> tuple[bool, float]:
        """What is surely in the way comes before what may be."""
        return self.clearance_m >= -self.doubt_m, self.clearance_m


Table = tuple[dict[tuple[str, Club], int], Clearances]
"""Which row is whose with which club, and the clearances."""


@dataclass(frozen=True)
class Surroundings:
    """Walls, ceiling, things in the way and the enclosure around the swings of `players`, each at the own ball."""

    room: BallRoom
    ball: Point3
    players: tuple[Player, ...]
    things: tuple[Solid, ...]
    """Obstructions and what stays in the room while people play."""
    panels: tuple[Solid, ...]
    """Sides and roof of the enclosure."""
    ball_from_y_m: float = 0.0
    """No ball is offered a place nearer to the wall behind the screen: as far before what stops it as it must be."""
    left_ball: Point3 | None = None
    """Of left-handers, where that is another."""
    uneven: tuple[Rectangle, ...] = ()
    """Where the floor is not as high as under the ball, so that nothing is known of a swing there."""

    def ball_of(self, player: Player) -> Point3:
        """The ball that `player` hits."""
        is_left = player.handedness is Handedness.LEFT
        return self.left_ball if is_left and self.left_ball is not None else self.ball

    @cached_property
    def boxes(self) -> tuple[Box, ...]:
        """What a swing meets, as boxes: the things, then the panels."""
        return tuple(solid.reach for solid in (*self.things, *self.panels))

    def closest_thing(self, player: Player, club: Club) -> Closest:
        """The nearest of the things. Raises `ValueError` where there are none."""
        return self._closest(player, club, range(len(self.things)))

    def closest_panel(self, player: Player, club: Club) -> Closest:
        """The nearest part of the enclosure. Raises `ValueError` where there is none."""
        return self._closest(player, club, range(len(self.things), len(self.boxes)))

    def closest(self, player: Player, club: Club) -> Closest:
        """The nearest of everything."""
        disc = swing_disc(player, club)
        ball = self.ball_of(player)
        nearest = self._closest_edge(disc, ball)
        # What is further off than that with all that is around it is not the nearest, and need not be measured.
        if self.boxes and self._least_gap_m(disc, ball) <= max(nearest.clearance_m, 0.0):
            nearest = min(nearest, self._closest(player, club, range(len(self.boxes))), key=lambda one: one.order)
        return nearest

    def _least_gap_m(self, disc: SwingDisc, ball: Point3) -> float:
        """How far the nearest box is at least from what is all around the swing."""
        low, high = disc.bounds(ball)
        lows, highs = self._corners
        gaps = np.maximum(lows - np.array(high), np.array(low) - highs)
        return float(gaps.max(axis=1).min())

    @cached_property
    def _corners(self) -> tuple[Floats, Floats]:
        """(boxes, 3) the least and the greatest corners of the boxes."""
        return np.array([box.low for box in self.boxes]), np.array([box.high for box in self.boxes])

    def _closest_edge(self, disc: SwingDisc, ball: Point3) -> Closest:
        x, y, z = ball
        told = [(edge.distance_m(x, y), disc.doubt_m(edge.toward), edge) for edge in edges_of(disc, self.room)]
        distance_m, doubt_m, edge = min(told, key=lambda one: (one[0] >= -one[1], one[0], one[2].name))
        at = (x + edge.at[0], y + edge.at[1], z + edge.at[2])
        return Closest(distance_m, edge.name, at, doubt_m=doubt_m, to_measure=disc.to_measure(edge.toward))

    def swing_rules(self, players: Iterable[Player]) -> tuple[BallRule, ...]:
        """The straight limits that the longest clubs of `players` set the ball."""
        discs = (swing_disc(player, player.longest_club) for player in players)
        return tuple(rule for disc in discs for rule in swing_rules(disc, self.room))

    def clear_floor(self, players: Iterable[Player], rules: Iterable[BallRule]) -> tuple[Area, ...]:
        """Where the ball may be by `rules`, and for the longest clubs of `players` to be clear of all boxes."""
        discs = tuple(swing_disc(player, player.longest_club) for player in players)
        return clear_floor(
            self.room.width_m, self.room.length_m, tuple(rules), discs, self.room.surface_m, self.boxes, self.uneven
        )

    def shift_to_clear(self, player: Player) -> tuple[float, float] | None:
        """How far across and along the ball moves for `player`'s swing to be clear, in whole millimetres.

        `None` where no spot is clear.
        """
        swings = (rule for rule in self.swing_rules([player]) if rule.check in SWINGS)
        areas = self.clear_floor([player], [to_screen_rule(self.ball_from_y_m, 0.0, 0.0), *swings])
        return told_shift(areas, self.ball_of(player)[:2]) if areas else None

    def over_lower_floor(self, by_m: float) -> "Surroundings":
        """The same over a floor that is so much lower: what is the room's own is that much higher above it."""
        up = (0.0, 0.0, by_m)
        things = (
            solid._replace(box=solid.box.moved(up), reach=solid.reach.moved(up)) if solid.group is Group.ROOM else solid
            for solid in self.things
        )
        return replace(self, things=tuple(things))

    def _closest(self, player: Player, club: Club, boxes: range) -> Closest:
        row, table = self._bags
        nearness = table.nearest(row[player.id, club], boxes)
        solid = (*self.things, *self.panels)[nearness.box]
        disc, _ = table.swings[row[player.id, club]]
        return Closest(
            nearness.clearance_m,
            solid.name,
            nearness.at,
            solid.carries,
            solid.box.low[2],
            solid.key,
            disc.doubt_m(nearness.toward),
            disc.to_measure(nearness.toward),
        )

    @cached_property
    def _bags(self) -> Table:
        """Every club of everybody against all boxes, in one go."""
        keys = [(player, club) for player in self.players for club in Club]
        swings = [(swing_disc(player, club), self.ball_of(player)) for player, club in keys]
        rows = {(player.id, club): number for number, (player, club) in enumerate(keys)}
        return rows, clearances(swings, self.boxes)
