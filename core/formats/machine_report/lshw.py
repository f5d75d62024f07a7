"""`lshw -json`: a tree of devices, each with a class."""

import json
from collections.abc import Iterator
from typing import Any

from core.formats.machine_report.raw import BYTES_PER_GIGABYTE, RawReport

DEEPEST = 60
"""Real trees are some ten deep; a file that nests further is not one."""


def looks_like_lshw(text: str) -> bool:
    """The text is JSON of some kind."""
    return text.lstrip()[:1] in ("{", "[")


def read_lshw(text: str) -> RawReport:
    """The report in `text`; empty where nothing of it can be read."""
    nodes = [node for root in _roots(text) for node in _nodes(root, 0)]
    memories = [_size(node) for node in nodes if node.get("class") == "memory" and _is_main_memory(node)]
    displays = [(_name(node), None) for node in nodes if node.get("class") == "display" and _name(node)]
    processors = [_name(node) for node in nodes if node.get("class") == "processor" and _name(node)]
    system = next((node for node in nodes if node.get("class") == "system"), {})
    return RawReport(
        told_by="lshw",
        machine_name=_text(system.get("product")),
        system=text,
        processor=processors[0] if processors else None,
        memory_gb=max((size for size in memories if size), default=None),
        graphics=tuple((name, memory) for name, memory in displays if name),
        links=tuple(dict.fromkeys(link for node in nodes for link in _links(node))),
    )


def _roots(text: str) -> Iterator[Any]:
    """One tree, a list of them, or several behind one another, as older versions write; what is cut off is dropped."""
    decoder, at = json.JSONDecoder(), 0
    while at < len(text):
        while at < len(text) and text[at] in " \t\r\n,[]":
            at += 1
        if at >= len(text):
            return
        try:
            value, at = decoder.raw_decode(text, at)
        except (ValueError, RecursionError):
            return
        yield value


def _nodes(node: Any, depth: int) -> Iterator[dict[str, Any]]:
    if isinstance(node, list) and depth < DEEPEST:
        for child in node:
            yield from _nodes(child, depth + 1)
    if isinstance(node, dict) and depth < DEEPEST:
        yield node
        yield from _nodes(node.get("children"), depth + 1)


def _is_main_memory(node: dict[str, Any]) -> bool:
    told = f"{node.get('id', '')} {node.get('description', '')}".lower()
    return str(node.get("id", "")).startswith("memory") or "system memory" in told


def _size(node: dict[str, Any]) -> float | None:
    size = node.get("size")
    if isinstance(size, bool) or not isinstance(size, int | float) or not 0 < size < 2**60:
        return None
    return round(size / BYTES_PER_GIGABYTE, 1)


def _name(node: dict[str, Any]) -> str | None:
    return _text(node.get("product")) or _text(node.get("version"))


def _text(value: object) -> str | None:
    return value.strip()[:120] if isinstance(value, str) and value.strip() else None


def _links(node: dict[str, Any]) -> Iterator[str]:
    told = f"{node.get('description', '')} {node.get('product', '')} {node.get('logicalname', '')}".lower()
    if node.get("class") == "network":
        yield "wifi" if "wireless" in told or "wlan" in told else "network"
    if "bluetooth" in told:
        yield "bluetooth"
    if node.get("class") == "bus" and "usb" in told:
        yield "usb"
