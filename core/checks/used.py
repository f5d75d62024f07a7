"""Used and owned parts: how old they are against how long their kind lasts, and who answers for them (trade)."""

from dataclasses import dataclass
from datetime import date
from typing import Annotated, NamedTuple

from core.checks.figures import stated_input
from core.checks.limits import ENDLESS, Limit, State, Words, at_most, tightest
from core.checks.places import PARTS_STEP
from core.checks.readings import Today
from core.checks.register import check, derive
from core.checks.verdict import Answer, Basis, Input
from core.model.build import Slot
from core.model.chain import Chain, Hung
from core.model.facts import MissingFact
from core.quantities import Unit, say

YEARS_BY_SLOT = {
    Slot.MONITOR: 8.0,
    Slot.MACHINE: 7.0,
    Slot.DISPLAY: 10.0,
    Slot.SCREEN: 5.0,
    Slot.MAT: 6.0,
    Slot.ENCLOSURE: 15.0,
    Slot.FLOOR: 15.0,
}
"""How long a thing of that place is of use in a house that plays a few hours a week (trade)."""
GOOD_SHARE = 0.5
"""Of that time, up to which it is as good as new (trade)."""


class UsedPart(NamedTuple):
    """A part that somebody had before, or has had for a while."""

    slot: Slot
    name: str
    owned: bool
    new_in: int | None
    warranty_until: date | None


@dataclass(frozen=True)
class UsedParts:
    """Those of the chain, in its order."""

    parts: tuple[UsedPart, ...]


@derive
def used_parts(chain: Annotated[Chain, "name"]) -> UsedParts | None:
    """What is bought used, and what is owned and says how old it is; software has no age."""
    parts = tuple(_used(hung) for hung in chain if hung.slot in YEARS_BY_SLOT and _counts(hung))
    return UsedParts(parts) if parts else None


def _counts(hung: Hung) -> bool:
    return hung.decided.used or (hung.decided.owned and hung.decided.new_in is not None)


def _used(hung: Hung) -> UsedPart:
    decided = hung.decided
    return UsedPart(hung.slot, hung.part.name, decided.owned, decided.new_in, decided.warranty_until)


@check("parts.used", title="Age and warranty of used parts", place=PARTS_STEP)
def used(parts: UsedParts, today: Today) -> Answer:
    """What is bought used is within half of the time that its kind lasts, and somebody answers for it.

    A launch monitor lasts 8 years, a machine 7, a display 10, a screen 5, a mat 6, frame and floor 15. Older, or
    without a warranty, is tight: test it before you pay. Past its time it is not bought any more; what is owned is
    used until it breaks.
    """
    limits = {_age(part, today.date): part for part in parts.parts}
    deciding = tightest(tuple(limits))
    oldest = limits[deciding]
    bare = [part for part in parts.parts if not part.owned and _is_out(part, today.date)]
    without = Words(State.TIGHT, "no warranty", "a warranty") if bare else None
    by_age = deciding.state is not State.CLEAR
    return Answer(
        (*limits, without) if without else tuple(limits),
        headline=lambda: (
            say("{part} is {age} old, its kind lasts {lasts}", part=oldest.name, age=deciding.has, lasts=deciding.wants)
            if by_age or not bare
            else say("Nobody answers for {part} any more", part=bare[0].name)
        ),
        formula="years that its kind lasts − age; comfortable within half of them",
        inputs=lambda: (
            *(Input(part.name, _told(part), Basis.MEASURED) for part in parts.parts),
            stated_input("Today", today.date.isoformat()),
        ),
        cures=lambda: (
            say("See it work before you pay, for as long as a round takes; ask for the receipt."),
            say("Count what a new one costs when it goes."),
        ),
        basis=Basis.TRADE,
    )


def _age(part: UsedPart, today: date) -> Limit:
    if part.new_in is None:
        raise MissingFact(
            f"The year in which {part.name} was new",
            "Read it off the receipt or the rating plate, and enter it under the part.",
        )
    lasts = YEARS_BY_SLOT[part.slot]
    return at_most(
        max(0, today.year - part.new_in),
        lasts,
        GOOD_SHARE * lasts,
        Unit.YEAR,
        tolerated=ENDLESS if part.owned else 0.0,
    )


def _is_out(part: UsedPart, today: date) -> bool:
    return part.warranty_until is None or part.warranty_until < today


def _told(part: UsedPart) -> str:
    until = part.warranty_until.isoformat() if part.warranty_until else "none"
    return f"new in {part.new_in}, {'owned' if part.owned else 'bought used'}, warranty {until}"
