"""Short names for the quantities that checks speak of, and the inputs they share."""

from collections.abc import Iterable

from core.checks.verdict import Basis, Input, Inputs, State, Verdict
from core.model.room import Room
from core.quantities import Quantity, Sentence, Unit

_new, _METRE = tuple.__new__, Unit.METRE
"""Nearly every check tells lengths: past the named tuple's own constructor, which is most of what one costs."""


def metres(value: float) -> Quantity:
    """`value` metres."""
    return _new(Quantity, (value, _METRE))


def share(value: float) -> Quantity:
    """`value` as a share of one, told in percent."""
    return Quantity(value, Unit.SHARE)


def measured_in_room(room: Room, field: str, name: str) -> Input:
    """One of the room's own measurements; a trade default while it is still a first guess."""
    if field in room.guessed:
        return Input(f"{name} (first guess)", metres(getattr(room, field)), Basis.TRADE)
    return Input(name, metres(getattr(room, field)), Basis.MEASURED)


def placed(name: str, value_m: float) -> Input:
    """A position that somebody chose or that was proposed."""
    return Input(name, metres(value_m), Basis.MEASURED)


def stated(name: str, value: Quantity | str) -> Input:
    """A fact from a maker's spec sheet."""
    return Input(name, value, Basis.SPEC)


def met(is_met: bool) -> str:
    """The margin of a rule about words: there is no number to be short by."""
    return "met" if is_met else "not met"


def worded(
    state: State,
    headline: Sentence,
    *,
    has: str,
    wants: str,
    formula: str,
    inputs: Inputs,
    cures: tuple[Sentence, ...],
    basis: Basis = Basis.SPEC,
) -> Verdict:
    """The verdict of a rule about words: what there is against what is wanted, and `cures` unless it is clear."""
    return Verdict(
        state,
        headline,
        measured=has,
        required=wants,
        margin=met(state is State.CLEAR),
        basis=basis,
        formula=formula,
        inputs=inputs,
        changes=() if state is State.CLEAR else cures,
    )


def counted(
    state: State,
    headline: Sentence,
    unit: Unit,
    *,
    has: float,
    needs: float,
    formula: str,
    inputs: Inputs,
    cures: tuple[Sentence, ...],
    basis: Basis = Basis.SPEC,
    at_most: bool = False,
) -> Verdict:
    """The verdict of a rule about one number, which `needs` bounds from below, or from above with `at_most`."""
    return Verdict(
        state,
        headline,
        measured=Quantity(has, unit),
        required=Quantity(needs, unit),
        margin=Quantity(needs - has if at_most else has - needs, unit),
        basis=basis,
        formula=formula,
        inputs=inputs,
        changes=() if state is State.CLEAR else cures,
    )


def listed(words: Iterable[str]) -> str:
    """Words in a row: 'a, b'; 'none' where there are none."""
    return ", ".join(words) or "none"
