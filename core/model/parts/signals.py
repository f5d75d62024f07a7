"""Cables, adapters, splitters and radios between machine, monitor and display."""

from typing import Annotated, Literal

from pydantic import Field

from core.model.parts.base import Device, Part
from core.model.parts.machines import VideoPort
from core.model.parts.monitors import DataLink
from core.model.parts.software import Lines
from core.model.record import Metres, Pieces, Several, Watts

CableLength = Annotated[Metres, Field(gt=0.05, le=100)]


class VideoCable(Part):
    """A cable that carries a picture."""

    kind: Literal["video_cable"] = "video_cable"
    plug: VideoPort | None = None
    """The plug at both ends."""
    length_m: CableLength | None = None
    """Its length."""
    lines_max: Lines | None = None
    """Most lines that it carries at 60 pictures a second over its length."""
    technology: Literal["passive", "active", "optical"] | None = None
    """Plain copper, copper with a chip in its plug, or glass."""


class AudioCable(Part):
    """A cable that carries sound."""

    kind: Literal["audio_cable"] = "audio_cable"
    length_m: CableLength | None = None
    """Its length."""


class DataCable(Part):
    """A USB or network cable."""

    kind: Literal["data_cable"] = "data_cable"
    carries: DataLink | None = None
    """What it is for."""
    length_m: CableLength | None = None
    """Its length."""


class Adapter(Part):
    """Makes a plug fit another."""

    kind: Literal["adapter"] = "adapter"
    from_port: VideoPort | None = None
    """The machine's own plug."""
    to_port: VideoPort | None = None
    """The plug that a cable then finds."""
    lines_max: Lines | None = None
    """Most lines that pass."""
    passes_power: bool | None = None
    """Charges the machine while it shows a picture."""


class Splitter(Device):
    """Shows one output on several displays, or switches several machines to one."""

    kind: Literal["splitter"] = "splitter"
    does: Literal["splits", "switches"] | None = None
    """One picture to several displays, or one of several machines to a display."""
    ways: Annotated[Pieces, Field(ge=2, le=16)] | None = None
    """Displays, or machines."""
    lines_max: Lines | None = None
    """Most lines that pass."""


class LinkAdapter(Part):
    """Gives a machine a radio or a network plug that it lacks, or a better one."""

    kind: Literal["link_adapter"] = "link_adapter"
    gives: Several[DataLink] | None = None
    """What it adds."""


class PowerStrip(Part):
    """Several sockets from one, with surge protection."""

    kind: Literal["power_strip"] = "power_strip"
    sockets: Annotated[Pieces, Field(gt=0, le=24)] | None = None
    """Sockets on it."""
    surge_protected: bool | None = None
    """Takes the peak of a lightning strike nearby."""
    rated_w: Watts | None = None
    """Most load that it takes."""
    length_m: CableLength | None = None
    """Length of its lead."""


class CableChannel(Part):
    """A channel that covers cables on a wall or a floor; the price is that of one length."""

    kind: Literal["cable_channel"] = "cable_channel"
    stock_length_m: CableLength | None = None
    """One length as it is sold."""
    walked_on: bool | None = None
    """Made to be walked on."""
