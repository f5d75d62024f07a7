"""Short names for the quantities that checks speak of, and the inputs they share."""

from collections.abc import Iterable

from core.checks.verdict import Basis, Input
from core.model.room import Room
from core.quantities import Figure, Quantity, Unit
from core.quantities.tolerances import rounded_up

_new, _METRE = tuple.__new__, Unit.METRE
"""Nearly every check tells lengths: past the named tuple's own constructor, which is most of what one costs."""


def metres(value: float) -> Quantity:
    """`value` metres."""
    return _new(Quantity, (value, _METRE))


def enough(value_m: float) -> Quantity:
    """So much and no less: up to the next millimetre, so that whoever goes by what is told gets there.

    >>> enough(0.0501).value, enough(0.050).value
    (0.051, 0.05)
    """
    return metres(rounded_up(value_m))


def share(value: float) -> Quantity:
    """`value` as a share of one, told in percent."""
    return Quantity(value, Unit.SHARE)


def measured_in_room(room: Room, field: str, name: str) -> Input:
    """One of the room's own measurements; a trade default while it is still a first guess."""
    if field in room.guessed:
        return Input(f"{name} (first guess)", metres(getattr(room, field)), Basis.TRADE)
    return Input(name, metres(getattr(room, field)), Basis.MEASURED)


def placed_input(name: str, value_m: float) -> Input:
    """A position that somebody chose or that was proposed."""
    return Input(name, metres(value_m), Basis.MEASURED)


def stated_input(name: str, value: Figure) -> Input:
    """A fact from a maker's spec sheet."""
    return Input(name, value, Basis.SPEC)


def in_a_row(words: Iterable[str]) -> str:
    """Words in a row: 'a, b'; 'none' where there are none."""
    return ", ".join(words) or "none"


def yes_or_no(value: object) -> str:
    """`value` as somebody answers."""
    return "yes" if value else "no"
