"""A report as facts of a spec sheet, and what has to be asked."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from core.formats.errors import BadFile, FileError
from core.formats.machine_report.diagnostic import read_diagnostic
from core.formats.machine_report.lshw import looks_like_lshw, read_lshw
from core.formats.machine_report.raw import RawReport
from core.model.parts import Machine, Part, Title

ASKED = {
    "name": "What you call it.",
    "platform": "Its operating system, as titles name it.",
    "graphics_name": "Look in the system's settings under display or graphics.",
    "graphics_grade": "Compare its graphics with those of the computers in the catalogue: from 1 to 10.",
    "graphics_memory_gb": "Look in the system's settings under display or graphics.",
    "memory_gb": "Look in the system's settings under 'about'.",
    "processor_name": "Look in the system's settings under 'about'.",
    "processor_grade": "Compare its processor with those of the computers in the catalogue: from 1 to 10.",
    "storage_gb": "How much is free on its disk.",
    "output_lines": "The most lines it can send: 1080 or 2160; look in its own sheet.",
    "outputs": "Look at its back: HDMI, DisplayPort, USB-C.",
    "usb_ports": "Count them.",
    "links": "Wi-Fi, Bluetooth, USB, network cable: what it has.",
    "power_w": "Read it off its power supply.",
    "noise_db": "Guess: 28 hardly heard, 36 an office machine, 44 loud.",
}
"""Facts of a computer, and how to get those that no report states."""
NO_REPORT = (
    "says nothing of a computer; read are what 'lshw -json' prints, "
    "and the text that the diagnostic tool of Windows saves"
)


@dataclass(frozen=True)
class Known:
    """What a catalogue knows: grades by the names that reports use, and names of operating systems."""

    graphics: Mapping[str, int]
    processors: Mapping[str, int]
    platforms: frozenset[str]


@dataclass(frozen=True)
class MachineReading:
    """Facts by field, in the sheet's own units, and the fields that have to be asked, each with how to get it."""

    told_by: str
    facts: Mapping[str, object]
    asked: tuple[tuple[str, str], ...]


def known_machines(parts: Iterable[Part]) -> Known:
    """The names and grades in the sheets of `parts`."""
    graphics: dict[str, int] = {}
    processors: dict[str, int] = {}
    platforms: set[str] = set()
    for part in parts:
        if isinstance(part, Machine):
            if part.graphics_name and part.graphics_grade:
                graphics[part.graphics_name] = part.graphics_grade
            if part.processor_name and part.processor_grade:
                processors[part.processor_name] = part.processor_grade
            platforms.update([part.platform] if part.platform else [])
        if isinstance(part, Title):
            platforms.update(part.platforms)
    return Known(graphics, processors, frozenset(platforms))


def read_machine_report(data: bytes, known: Known) -> MachineReading:
    """What a computer's report says. Raises `BadFile` for a file that says nothing of a computer."""
    text = _decoded(data)
    raw = read_lshw(text) if looks_like_lshw(text) else read_diagnostic(text)
    facts = _facts(raw, known)
    if not facts:
        raise BadFile([FileError("file", "", NO_REPORT)])
    asked = tuple((field, how) for field, how in ASKED.items() if field not in facts)
    return MachineReading(raw.told_by, facts, asked)


def _facts(raw: RawReport, known: Known) -> dict[str, object]:
    graphics, graphics_memory_gb = _strongest(raw, known)
    found: dict[str, object | None] = {
        "name": raw.machine_name,
        "platform": _platform(raw.system or "", known),
        "graphics_name": graphics,
        "graphics_grade": _grade(graphics, known.graphics),
        "graphics_memory_gb": graphics_memory_gb,
        "memory_gb": raw.memory_gb,
        "processor_name": raw.processor,
        "processor_grade": _grade(raw.processor, known.processors),
        "storage_gb": raw.free_gb,
        "links": ", ".join(raw.links) or None,
        "output_lines": raw.output_lines,
    }
    return {field: value for field, value in found.items() if value is not None}


def _strongest(raw: RawReport, known: Known) -> tuple[str | None, float | None]:
    """Of several graphics devices the one of the highest class, or with the most memory of its own."""
    if not raw.graphics:
        return None, None
    return max(raw.graphics, key=lambda device: (_grade(device[0], known.graphics) or 0, device[1] or 0.0))


def _grade(name: str | None, grades: Mapping[str, int]) -> int | None:
    """The grade of the longest known name that occurs in `name`."""
    if not name:
        return None
    told = " ".join(name.lower().split())
    matches = [known for known in grades if " ".join(known.lower().split()) in told]
    return grades[max(matches, key=len)] if matches else None


def _platform(system: str, known: Known) -> str | None:
    told = system.lower()
    matches = [platform for platform in known.platforms if platform.lower() in told]
    return max(matches, key=len) if matches else None


def _decoded(data: bytes) -> str:
    if data[:2] in (b"\xff\xfe", b"\xfe\xff"):
        return data.decode("utf-16", errors="replace")
    try:
        return data.decode("utf-8-sig")
    except UnicodeDecodeError:
        return data.decode("cp1252", errors="replace")
