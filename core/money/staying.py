"""What stays in the room when its people move house."""

from core.model.parts import (
    AudioCable,
    CableChannel,
    DataCable,
    FloorRoll,
    MaskingCloth,
    Part,
    Supply,
    VideoCable,
)

CUT_OR_LAID = (AudioCable, CableChannel, DataCable, FloorRoll, MaskingCloth, VideoCable)
"""Cut to this room, or laid along its walls (trade)."""


def stays_behind(part: Part, fixed: bool | None = None) -> bool:
    """Whether its value stays in the room: loose tiles, frames that are unscrewed and devices go along.

    A supply that is sold by its length is tape, thread or glue: what of it was used is not taken off again. What is
    said to be `fixed`, or to lie loose, is taken at that.
    """
    if fixed is not None:
        return fixed
    return isinstance(part, CUT_OR_LAID) or (isinstance(part, Supply) and part.length_m is not None)
