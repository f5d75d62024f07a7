"""Stands, cameras, tools and whatever else is bought for a bay."""

from typing import Annotated, Literal

from pydantic import Field

from core.model.parts.base import Device, Part
from core.model.parts.monitors import DataLink
from core.model.parts.software import Lines
from core.model.record import Kilograms, Pieces, PositiveMetres, RunMetres, Several, Whole, Word


class Stand(Part):
    """A stand or tripod."""

    kind: Literal["stand"] = "stand"
    holds: Literal["monitor", "tablet", "display", "camera"] | None = None
    """What it is made for."""
    load_kg: Kilograms | None = None
    """Most weight that it carries."""
    height_max_m: PositiveMetres | None = None
    """Highest that it holds it."""


class ControlPad(Device):
    """Keys to steer the title from where one plays."""

    kind: Literal["control_pad"] = "control_pad"
    link: DataLink | None = None
    """How it reaches the machine."""


class RemoteControl(Part):
    """A remote for a display that came without its own."""

    kind: Literal["remote_control"] = "remote_control"
    controls: Several[Literal["projector", "television"]] | None = None
    """Kinds of display that it steers."""


class Camera(Device):
    """A camera that films the swing."""

    kind: Literal["camera"] = "camera"
    link: DataLink | None = None
    """How its pictures reach the machine."""
    pictures_a_second: Annotated[Whole, Field(gt=0, le=2000)] | None = None
    """How many pictures it takes; a swing asks for many."""
    lines: Lines | None = None
    """Lines of its picture."""


class Supply(Part):
    """Tape, adhesive, thread, gloves and other things that are used up, in packs."""

    kind: Literal["supply"] = "supply"
    use: Word | None = None
    """What it is for: seam tape, adhesive, thread, glove, club cleaner, levelling feet, ceiling fixing."""
    length_m: RunMetres | None = None
    """Length of one: of tape or thread, or of the line that a tube of adhesive lays."""
    pack_size: Annotated[Pieces, Field(gt=0)] | None = None
    """Pieces in a pack."""


class Tool(Part):
    """A tool that is bought for the job."""

    kind: Literal["tool"] = "tool"
    use: Word | None = None
    """What it does."""


class Other(Part):
    """Anything else."""

    kind: Literal["other"] = "other"
    use: Word | None = None
    """What it is for."""
