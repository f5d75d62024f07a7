"""Facts that are not known, and the one way to ask a spec sheet for a fact."""

from typing import TypeVar

from core.model.brief import Brief, Player
from core.model.parts import Part

T = TypeVar("T")


class MissingFact(Exception):
    """A fact that a rule needs is not known. Says which, and how to get it."""

    def __init__(self, fact: str, how: str) -> None:
        super().__init__(f"{fact} is not known: {how}")
        self.fact = fact
        self.how = how

    def __eq__(self, other: object) -> bool:
        """The same fact is missing, and is to be got in the same way."""
        return (
            type(self) is type(other)
            and self.args == getattr(other, "args", None)
            and self.how == getattr(other, "how", None)
        )

    __hash__ = Exception.__hash__


def known(value: T | None, part: Part, fact: str) -> T:
    """`value`, or `MissingFact` naming `fact` of `part` where its maker does not state it."""
    if value is None:
        raise not_stated(part, fact)
    return value


def not_stated(part: Part, fact: str) -> MissingFact:
    """`fact` of `part`, which its maker does not state."""
    return MissingFact(f"The {fact} of {part.name}", f"Look in the spec sheet of {part.maker}, or ask them.")


class NobodySwings(MissingFact):
    """No player is named, and the answer depends on who swings."""

    def __init__(self) -> None:
        super().__init__("Who will swing here", "Add the players to the brief.")


def known_players(brief: Brief) -> tuple[Player, ...]:
    """The players of `brief`, or `NobodySwings`."""
    if not brief.players:
        raise NobodySwings
    return brief.players
