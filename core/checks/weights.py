"""What the weight of a purpose decides (trade)."""

from core.checks.limits import ENDLESS, State
from core.model.brief import Brief, Purpose

WANTED = 3
"""From this weight on a purpose decides parts."""


def is_wanted(brief: Brief, purpose: Purpose) -> bool:
    """`purpose` weighs enough to decide parts."""
    return brief.weight(purpose) >= WANTED


def lacking(brief: Brief, *purposes: Purpose) -> State:
    """What it is to lack something that `purposes` want: blocked where one of them is a must, else tight."""
    return State.BLOCKED if any(brief.must(purpose) for purpose in purposes) else State.TIGHT


def tolerance_of(brief: Brief, *purposes: Purpose) -> float:
    """How far a number may be beyond its bound that `purposes` set: not at all where one is a must, else endlessly."""
    return 0.0 if any(brief.must(purpose) for purpose in purposes) else ENDLESS
