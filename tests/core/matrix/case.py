"""One row of the matrix: what is changed in a full build, and what one check then answers."""

from datetime import date
from typing import Any, NamedTuple

from core.checks.needs import SmallItems
from core.checks.verdict import Told
from core.model.build import Build, SmallDecision, slot_for
from core.model.parts import KINDS, SHEET, Part, kind_of
from core.report.evaluation_of import evaluation_of
from tests.core import worlds

TODAY = date(2026, 11, 25)
WINDOW = {
    "id": "w",
    "kind": "window",
    "name": "pane",
    "wall": "rear",
    "along_m": 1.0,
    "width_m": 1.0,
    "height_m": 1.0,
    "opens": "not",
}
"""A window behind the golfer."""


def post(**places: float) -> dict[str, Any]:
    """Something that stands 1.9 m ahead of the ball, 0.1 m deep, as wide and high as is given."""
    sizes = {"y_m": 1.5, "z_m": 0.0, "length_m": 0.1, **places}
    return {"id": "post", "kind": "other", "name": "post", "fixed_to": "floor", **sizes}


def pendant(**facts: Any) -> dict[str, Any]:
    """A lamp under the ceiling, 1.25 m before the screen."""
    sizes = {"x_m": 2.15, "y_m": 1.5, "z_m": 2.6, "width_m": 0.3, "length_m": 0.3, "height_m": 0.25}
    return {"id": "pendant", "kind": "lamp", "name": "pendant", "fixed_to": "ceiling", **sizes, **facts}


def mode(kind: str, **facts: Any) -> dict[str, Any]:
    """Another use of the room."""
    return {"id": kind, "kind": kind, "name": kind, **facts}


def zone(kind: str, of: str, **places: float) -> dict[str, Any]:
    """Kept clear in a mode."""
    sizes = {"width_m": 2.0, "length_m": 0.9, "height_m": 1.3, **places}
    return {"id": f"{kind}-zone".replace("_", "-"), "kind": kind, "name": kind, "mode": of, **sizes}


def stove(**facts: Any) -> dict[str, Any]:
    """A heater in the corner behind the golfer."""
    sizes = {"x_m": 0.0, "y_m": 6.4, "z_m": 0.0, "width_m": 0.4, "length_m": 0.4, "height_m": 0.7}
    return {"id": "stove", "kind": "heater", "name": "stove", "fixed_to": "floor", **sizes, **facts}


def net_before(**facts: Any) -> Part:
    """A net that hangs before a sheet of 2.6 × 2.5 m."""
    usual = {"stops": "any_ball", "rated_ball_speed_m_s": 90.0, "gives_m": 0.3, "stand_off_m": 2.0}
    return extra("net", "Before", **{"width_m": 2.6, "height_m": 2.5, **usual, **facts})


WIDE_DOOR: dict[str, Any] = {
    "id": "door",
    "kind": "door",
    "name": "wide door",
    "wall": "left",
    "along_m": 0.5,
    "width_m": 4.6,
    "sill_m": 0.0,
    "height_m": 3.0,
    "opens": "inward",
}
"""A door whose leaf sweeps right across the room before the ball."""
RECORDS = ("brief", "room", "layout")


class Case(NamedTuple):
    """`told` is measured, required and margin as a person reads them; `words` say how they were worked out."""

    state: str
    told: str
    words: str
    changes: dict[str, Any]


def clear(told: str, words: str, **changes: Any) -> Case:
    """The check is clear."""
    return Case("clear", told, words, changes)


def tight(told: str, words: str, **changes: Any) -> Case:
    """The check is tight."""
    return Case("tight", told, words, changes)


def blocked(told: str, words: str, **changes: Any) -> Case:
    """The check is blocked."""
    return Case("blocked", told, words, changes)


def unknown(fact: str, **changes: Any) -> Case:
    """The check misses `fact`."""
    return Case("unknown", fact, "the fact is missing", changes)


def extra(kind: str, name: str = "", **facts: Any) -> Part:
    """A part beside the chain; its facts are those that are given."""
    id = (name.lower() or kind).replace(" ", "-").replace("_", "-")
    return SHEET.validate_python({"kind": kind, "id": id, "maker": "Maker", "name": name or kind, **facts})


def world(changes: dict[str, Any]) -> tuple[Build, dict[str, Part]]:
    """The full build with `changes`: `room__width_m` sets a field of a record, `radar__links` one of a part,
    `hung_monitor__plan` a decision; `swap` hangs other parts, `without` takes places down, `beside` adds extras, under
    a plan where they are given with one, `layers` lays further coverings on zones of the floor, and `settled` strikes
    every small item."""
    parts = worlds.full_parts()
    build = worlds.full_build(brief=worlds.full_brief(), room=worlds.full_room())
    for part in changes.get("swap", ()):
        slot = next(slot for slot, id in worlds.PLACES.items() if _hangs_there(part, slot))
        parts[part.id] = part
        hung = {"part": part.id, "plan": part.plans[0].id if getattr(part, "plans", ()) else None}
        chain: dict[str, Any] = {**build.model_dump()["chain"], slot: hung}
        build = Build.model_validate({**build.model_dump(), "chain": chain})
    document = build.model_dump()
    for slot in changes.get("without", ()):
        del document["chain"][slot]
    for number, part in enumerate(changes.get("beside", ())):
        part, plan = part if isinstance(part, tuple) else (part, None)
        parts[part.id] = part
        document["extras"] = (*document["extras"], {"id": f"extra-{number}", "part": part.id, "plan": plan})
    for part, zone in changes.get("layers", ()):
        parts[part.id] = part
        document["extras"] = (*document["extras"], {"id": f"on-{part.id}", "part": part.id, "laid": True, **zone})
    for key, value in changes.items():
        if "__" not in key:
            continue
        record, field = key.split("__", 1)
        if record in RECORDS:
            document[record][field] = value
        elif record.startswith("hung_"):
            document["chain"][record.removeprefix("hung_")][field] = value
        else:
            sheet = parts[record]
            parts[record] = KINDS[kind_of(sheet)].model_validate({**sheet.model_dump(), field: value})
    build = Build.model_validate(document)
    return (_settled(build, parts) if changes.get("settled") else build), parts


def _settled(build: Build, parts: dict[str, Part]) -> Build:
    """`build` of people who do without every small item."""
    small = evaluation_of(build, parts, today=TODAY).reading(SmallItems)
    struck = {item.item.id: SmallDecision(choice="strike") for item in (small.items if small else ())}
    return build.model_copy(update={"small_items": struck})


def answered(check: str, changes: dict[str, Any]) -> list[Told]:
    """What `check` alone answers."""
    build, parts = world(changes)
    found = evaluation_of(build, parts, today=TODAY)
    return [found.told(verdict) for verdict in found.of_check(check)]


def _hangs_there(part: Part, slot: str) -> bool:
    return slot_for(part) == slot
