"""What of a bag of clubs can be swung: each is clear, is to be tested, or does not go."""

from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum
from typing import NamedTuple

from core.checks.limits import Limit, State
from core.checks.register import derive
from core.checks.space import LookedThrough, StatedHood
from core.checks.swing_limit import swing_limit
from core.geometry.surroundings import Closest, Surroundings
from core.model.brief import Player
from core.model.clubs import Club
from core.quantities import Sentence, say
from core.quantities.tolerances import ROUNDING


class Band(StrEnum):
    """What may be done with a club where the ball lies."""

    CLEAR = "clear"
    """It keeps clear, or a slow swing that was measured that way passes."""
    SO_FAR = "clear of what was entered"
    """It would be clear, in a room that nobody has looked through for what else is in the way."""
    TEST = "test it"
    """The estimate leaves it open."""
    NO = "no"


class Swung(NamedTuple):
    """One club as one player swings it, and what it comes nearest to."""

    club: Club
    closest: Closest
    seen: bool
    """Somebody has looked through the room for what is in the way."""

    @property
    def limit(self) -> Limit:
        """The limit that decides."""
        return swing_limit(self.closest.clearance_m, self.closest.doubt_m)

    @property
    def band(self) -> Band:
        """By the limit: between clear and blocked it is tested, where a test would tell more."""
        state = self.limit.state
        if state is State.TIGHT and self.closest.doubt_m > ROUNDING:
            return Band.TEST
        if state is State.BLOCKED:
            return Band.NO
        return Band.CLEAR if self.seen else Band.SO_FAR

    @property
    def goes(self) -> bool:
        """It keeps clear, as far as anything is known of the room."""
        return self.band in (Band.CLEAR, Band.SO_FAR)


class Bag(NamedTuple):
    """Every club of one player, longest first."""

    player: Player
    swung: tuple[Swung, ...]


@dataclass(frozen=True)
class Bags:
    """What everybody may swing, in the order of the players."""

    bags: tuple[Bag, ...]

    def of(self, player: Player) -> tuple[Swung, ...]:
        """Every club of `player`, longest first."""
        return next(bag.swung for bag in self.bags if bag.player.id == player.id)


@derive
def bags(surroundings: Surroundings, hood: StatedHood | None, looked: LookedThrough) -> Bags:
    """Every club of every player, where the ball lies, longest first."""
    seen = looked.missing is None
    return Bags(
        tuple(
            Bag(player, tuple(Swung(club, surroundings.closest(player, club), seen) for club in Club))
            for player in surroundings.players
        )
    )


IRONS_FROM = Club.FOUR_IRON


def bag_headline(player: Player, bag: Sequence[Swung]) -> Sentence:
    """What an experienced friend says first: how far down the bag it goes, and by how much the wanted club is short.

    A room that nobody has looked through may have anything in the way.
    """
    told = _bag_headline(player, bag)
    unless = "; unless something is in the way that nobody entered"
    so_far = any(swung.band is Band.SO_FAR for swung in bag)
    return told._replace(template=told.template + unless) if so_far else told


def _bag_headline(player: Player, bag: Sequence[Swung]) -> Sentence:
    wanted = next(swung for swung in bag if swung.club is player.longest_club)
    spare = wanted.limit.has
    told = {"who": player.name, "club": wanted.club.value, "short": wanted.limit.shortfall}
    if wanted.goes:
        whole = "every club" if wanted.club is Club.DRIVER else "everything up to the {club}"
        return say("{who}: " + whole + " is clear, {spare} to spare with the {club}", spare=spare, **told)
    shorter = bag[bag.index(wanted) + 1 :]
    clear = next((swung.club for swung in shorter if swung.goes), None)
    if wanted.band is Band.TEST:
        sure = "the {clear} is clear" if clear else "no club is sure"
        open_by = "has {spare} to spare" if wanted.limit.spare >= 0 else "is {short} short"
        words = "{who}: test the {club}, the estimate " + open_by + "; " + sure
        return say(words, spare=spare, clear=clear.value if clear else "", **told)
    short = "; {short} short for the {club}"
    if clear is not None:
        return say("{who}: " + _only(clear) + short, clear=clear.value, **told)
    to_test = next((swung.club for swung in shorter if swung.band is Band.TEST), None)
    if to_test is None:
        return say("{who}: no club goes" + short, **told)
    return say("{who}: " + _only(to_test) + ", if a test swing passes" + short, clear=to_test.value, **told)


def _only(longest: Club) -> str:
    """How far down the bag: whoever starts below the woods has irons, and below those wedges."""
    if longest is Club.WEDGE:
        return "wedges only"
    if longest is IRONS_FROM:
        return "irons only"
    return "irons only, from the {clear} on" if longest in IRONS_FROM.and_shorter() else "up to the {clear}"
