"""Finding parts in a catalogue of any size: by kind, by words, and by what they cost, before any sheet is read."""

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass
from typing import NamedTuple

from core.model.build import Slot, slot_for
from core.model.parts import Part, kind_of
from core.quantities import Money


class Listed(NamedTuple):
    """What a list of parts says of one: enough to look for it."""

    id: str
    kind: str
    slot: Slot | None
    """The place on the chain where it hangs."""
    maker: str
    name: str
    note: str
    price: Money | None
    everyday: str = ""
    """What people call such a part, besides what its maker does."""


@dataclass(frozen=True)
class Wanted:
    """What a part must be to be found; an empty field asks for nothing."""

    text: str = ""
    """Words that all occur in its maker, name, note or kind, or in what people call it."""
    kind: str = ""
    least: Money | None = None
    most: Money | None = None
    """Between these; a part without a price, or with one in another currency, is not found by price."""


def listing_of(part: Part) -> Listed:
    """The line of `part` in a list."""
    price = part.price.money if part.price else None
    facts = {field: getattr(part, field, None) for field in NAMING_FACTS}
    named = part.maker, part.name, part.note
    return Listed(part.id, kind_of(part), slot_for(part), *named, price, everyday_words(kind_of(part), facts))


NAMING_FACTS = ("height_px", "lines_max", "throw_max", "both_hands")
"""Facts that people name parts by."""
CALLED: Mapping[str, str] = {
    "computer": "pc laptop desktop",
    "phone": "mobile smartphone",
    "title": "software simulator program game",
    "television": "tv",
    "rear_radar": "doppler behind",
    "radar_camera_hybrid": "radar behind",
    "side_camera": "photometric beside",
    "overhead_camera": "photometric ceiling",
    "impact_screen": "cloth fabric",
    "turf": "grass putting green",
    "floor_tiles": "foam rubber",
    "video_cable": "hdmi",
}
"""What people call a kind of part."""
LINES_CALLED = ((2160, "4k uhd 2160p"), (1080, "full hd 1080p"), (720, "hd 720p"))
SHORT_THROW, ULTRA_SHORT_THROW, LONG_THROW = 1.0, 0.4, 1.5
"""Throw ratios, as sellers divide them (trade)."""


def everyday_words(kind: str, facts: Mapping[str, object]) -> str:
    """What people call a part of that kind with these facts, those of `NAMING_FACTS` that are stated.

    >>> everyday_words("projector", {"height_px": 2160, "throw_max": 0.8})
    '4k uhd 2160p short throw'
    """
    words = [CALLED.get(kind, "")]
    lines = facts.get("height_px") or facts.get("lines_max")
    if isinstance(lines, int):
        words.append(next((called for least, called in LINES_CALLED if lines >= least), ""))
    throw = facts.get("throw_max")
    if isinstance(throw, int | float):
        words.append("ultra short throw" if throw <= ULTRA_SHORT_THROW else "")
        words.append("short throw" if ULTRA_SHORT_THROW < throw <= SHORT_THROW else "")
        words.append("long throw" if throw > LONG_THROW else "")
    if facts.get("both_hands") in ("unmoved", "moved"):
        words.append("left-handed both hands")
    return " ".join(word for word in words if word)


def matching_parts(parts: Iterable[Listed], wanted: Wanted) -> Iterator[Listed]:
    """The parts that are `wanted`."""
    words = wanted.text.lower().split()
    for part in parts:
        if (not wanted.kind or part.kind == wanted.kind) and _costs(part.price, wanted) and _has(part, words):
            yield part


def _has(part: Listed, words: list[str]) -> bool:
    if not words:
        return True
    told = f"{part.maker} {part.name} {part.note} {part.kind.replace('_', ' ')} {part.everyday}".lower()
    return all(word in told for word in words)


def _costs(price: Money | None, wanted: Wanted) -> bool:
    bounds = [money for money in (wanted.least, wanted.most) if money is not None]
    if not bounds:
        return True
    if price is None or any(money.currency != price.currency for money in bounds):
        return False
    least, most = wanted.least, wanted.most
    return (least is None or price.minor >= least.minor) and (most is None or price.minor <= most.minor)
