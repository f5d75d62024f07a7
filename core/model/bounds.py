"""How much a build may hold, so that it is always judged while somebody waits."""

from collections.abc import Iterable

from core.model.brief import Player
from core.model.build import Build
from core.model.room import Room
from core.model.typed import FieldErrors

MOST_SWINGS_AMONG_THINGS = 500
"""Players times things in one room: the slowest answer about it then takes about a second."""


def swings_among_things(players: Iterable[Player], room: Room) -> int:
    """Every player's swing is measured against every thing: how many such pairs there are, at least one."""
    return max(1, len(tuple(players))) * max(1, len(room.things) + len(room.stored))


def heaviest(build: Build) -> int:
    """The most pairs of a player and a thing in any room of `build`."""
    rooms = (build.room, *(candidate.room for candidate in build.candidates))
    return max(swings_among_things(build.brief.players, room) for room in rooms)


def refuse_too_much(after: Build, before: Build | None = None) -> None:
    """Raises `FieldErrors` where `after` is too much to be judged, unless `before` was no less."""
    pairs = heaviest(after)
    if pairs > MOST_SWINGS_AMONG_THINGS and (before is None or pairs > heaviest(before)):
        accepted = f"at most {MOST_SWINGS_AMONG_THINGS} players times things in a room; take out players or things"
        raise FieldErrors([("brief.players", f"{len(after.brief.players)} players, {pairs} in all", accepted)])
