"""The plain text that Windows' own diagnostic tool saves: `Name: value` lines under ruled headings."""

import re
from collections.abc import Iterator

from core.formats.machine_report.raw import MEGABYTES_PER_GIGABYTE, RawReport
from core.quantities.numerals import read_numeral

LINE = re.compile(r"^\s*([A-Za-z][A-Za-z0-9 /&()\-.]{1,40}?)\s*:\s*(.+?)\s*$")
AMOUNT = re.compile(r"([\d.,]*\d)\s*(MB|GB|TB)", re.IGNORECASE)
IN_GIGABYTES = {"MB": 1 / MEGABYTES_PER_GIGABYTE, "GB": 1.0, "TB": 1024.0}
MODE = re.compile(r"(\d{3,5})\s*x\s*(\d{3,5})")


def read_diagnostic(text: str) -> RawReport:
    """The report in `text`; empty where nothing of it can be read."""
    lines = [(match[1].strip().lower(), match[2]) for match in map(LINE.match, text.splitlines()) if match]
    first = dict(reversed(lines))
    modes = [int(found[2]) for name, value in lines if "mode" in name for found in [MODE.search(value)] if found]
    free = [amount for name, value in lines if name == "free space" for amount in [_gigabytes(value)] if amount]
    return RawReport(
        told_by="diagnostic text",
        machine_name=first.get("system model") or first.get("machine name"),
        system=first.get("operating system"),
        processor=_processor(first.get("processor")),
        memory_gb=_gigabytes(first.get("memory", "")),
        graphics=tuple(_graphics(lines)),
        free_gb=max(free, default=None),
        links=tuple(_links(text)),
        output_lines=max(modes, default=None),
    )


def _graphics(lines: list[tuple[str, str]]) -> Iterator[tuple[str, float | None]]:
    name, memory = None, None
    for field, value in lines:
        if field == "card name":
            if name:
                yield name, memory
            name, memory = value[:120], None
        elif field == "dedicated memory" and name:
            memory = _gigabytes(value)
    if name:
        yield name, memory


def _processor(value: str | None) -> str | None:
    """Without the count of cores and the clock, which follow in brackets or after a comma."""
    if not value:
        return None
    return re.split(r"\s*[(,]\s*\d", value)[0].strip()[:120] or None


def _gigabytes(value: str) -> float | None:
    found = AMOUNT.search(value)
    numeral = read_numeral(found[1]) if found else None
    return round(numeral.value * IN_GIGABYTES[found[2].upper()], 1) if found and numeral else None


def _links(text: str) -> Iterator[str]:
    lower = text.lower()
    if "wi-fi" in lower or "wireless lan" in lower or "802.11" in lower:
        yield "wifi"
    if "bluetooth" in lower:
        yield "bluetooth"
    if "ethernet" in lower:
        yield "network"
    if "usb" in lower:
        yield "usb"
