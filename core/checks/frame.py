"""What a frame made at home is put together from: sticks and the fittings that take them (spec)."""

from core.checks.figures import listed, metres, stated, worded
from core.checks.places import on
from core.checks.register import check
from core.checks.verdict import State, Verdict
from core.model.build import Slot
from core.model.facts import known
from core.model.kit import Beside
from core.model.parts import Enclosure, FrameFitting, FrameMaterial
from core.quantities import say

SNUG_M = 0.0005
SHIMMED_M = 0.002
"""Up to here a turn of tape or a washer takes the play out (trade)."""


@check("enclosure.fittings", title="Fittings on the frame", place=on(Slot.ENCLOSURE))
def fittings_fit(enclosure: Enclosure, sticks: Beside[FrameMaterial], fittings: Beside[FrameFitting]) -> Verdict:
    """Corners and clamps are made for the material and thickness of the sticks, within half a millimetre.

    Up to 2 mm of play is taken out with tape; more slips apart when a ball strikes. Without sticks or fittings that
    are chosen there is nothing to compare.
    """
    plays = {fitting.name: _play_m(fitting, sticks) for fitting in fittings} if sticks else {}
    astray = [name for name, play_m in plays.items() if play_m is None or play_m > SHIMMED_M]
    loose = [name for name, play_m in plays.items() if name not in astray and (play_m or 0.0) > SNUG_M]
    sections = [metres(known(stick.section_m, stick, "thickness")) for stick in sticks]
    if astray:
        state, headline = State.BLOCKED, say("{names} does not take these sticks", names=listed(astray))
    elif loose:
        state, headline = State.TIGHT, say("{names} sits loosely", names=listed(loose))
    else:
        state, headline = State.CLEAR, say("Fittings take the sticks") if plays else say("Nothing to put together")
    return worded(
        state,
        headline,
        has=listed(plays),
        wants=listed(stick.name for stick in sticks),
        formula="material of the sticks, and their thickness − what the fitting takes",
        inputs=lambda: (
            stated("Enclosure", enclosure.name),
            *(stated(stick.name, section) for stick, section in zip(sticks, sections, strict=True)),
            *(stated(fitting.name, metres(fitting.fits_section_m or 0.0)) for fitting in fittings),
        ),
        cures=(say("Choose fittings for the thickness of the sticks."), say("A turn of tape takes out 2 mm of play.")),
    )


def _play_m(fitting: FrameFitting, sticks: Beside[FrameMaterial]) -> float | None:
    """How far the best of `sticks` is from what the fitting takes; `None` where none is of its material."""
    takes_m = known(fitting.fits_section_m, fitting, "thickness it takes")
    made_for = known(fitting.material, fitting, "material it is made for")
    same = [stick for stick in sticks if known(stick.material, stick, "material") == made_for]
    return min((abs(known(stick.section_m, stick, "thickness") - takes_m) for stick in same), default=None)
