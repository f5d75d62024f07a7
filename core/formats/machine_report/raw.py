"""What a report states, before it is known what it means."""

from dataclasses import dataclass

BYTES_PER_GIGABYTE = 1024**3
MEGABYTES_PER_GIGABYTE = 1024


@dataclass(frozen=True)
class RawReport:
    """Names and sizes as a report states them; `None` or nothing where it does not."""

    told_by: str
    machine_name: str | None = None
    system: str | None = None
    """The line that names the operating system, or all the text where there is no such line."""
    processor: str | None = None
    memory_gb: float | None = None
    graphics: tuple[tuple[str, float | None], ...] = ()
    """Each graphics device: its name, and its own memory in GB."""
    free_gb: float | None = None
    """Free storage; of the largest drive where there are several."""
    links: tuple[str, ...] = ()
    output_lines: int | None = None
