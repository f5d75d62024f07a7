"""What the title runs on."""

from enum import StrEnum
from typing import Annotated, Literal

from pydantic import Field

from core.model.parts.base import Device
from core.model.parts.monitors import DataLink
from core.model.parts.software import Gigabytes, Grade
from core.model.record import Decibels, In, Label, Pieces, Several, Whole
from core.quantities import Unit

OutputLines = Annotated[Whole, In(Unit.LINES), Field(ge=0, le=10_000)]


class VideoPort(StrEnum):
    """A plug for a picture."""

    HDMI = "hdmi"
    DISPLAYPORT = "displayport"
    USB_C = "usb_c"
    DVI = "dvi"
    VGA = "vga"

    @property
    def words(self) -> str:
        """As a sentence says it."""
        return {"hdmi": "HDMI", "displayport": "DisplayPort", "usb_c": "USB-C", "dvi": "DVI", "vga": "VGA"}[self.value]


class Machine(Device):
    """What the title runs on. Grades are ordinal classes from 1 to 10, the same scale in every spec sheet."""

    platform: Label | None = None
    """Its operating system."""
    graphics_name: Label | None = None
    """What a hardware report calls its graphics."""
    graphics_grade: Grade | None = None
    """Class of its graphics, 1 to 10: 2 shows films and office work, 4 plays games of ten years ago at 1,080 lines,
    6 one of today at 1,080 lines and middling settings, 8 the same at 2,160 lines, 10 with everything turned up."""
    graphics_memory_gb: Gigabytes | None = None
    """Memory of its graphics alone."""
    memory_gb: Gigabytes | None = None
    """Main memory."""
    processor_name: Label | None = None
    """What a hardware report calls its processor."""
    processor_grade: Grade | None = None
    """Class of its processor, 1 to 10: 2 is a plain tablet, 4 an office computer of eight years, 6 one of four years,
    8 a desktop bought for games last year, 10 one that films are cut on."""
    storage_gb: Gigabytes | None = None
    """Free storage."""
    output_lines: OutputLines | None = None
    """Most lines it can send to a display; 0 without a video output."""
    outputs: Several[VideoPort] | None = None
    """Its video outputs, one for each display that it can serve."""
    usb_ports: Pieces | None = None
    """USB sockets for other devices."""
    links: Several[DataLink] | None = None
    """How it can listen to a monitor or the network."""
    noise_db: Decibels | None = None
    """How loud it is at work, a metre away."""


class Computer(Machine):
    """A desktop or laptop computer."""

    kind: Literal["computer"] = "computer"


class Tablet(Machine):
    """A tablet."""

    kind: Literal["tablet"] = "tablet"
    mirror_delay_ms: Annotated[Whole, Field(ge=0, le=5_000)] | None = None
    """How late the picture is when it is mirrored to a display, in thousandths of a second."""


class Phone(Tablet):
    """A phone: all that a tablet does, on less glass."""

    kind: Literal["phone"] = "phone"  # type: ignore[assignment]
