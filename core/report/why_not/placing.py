"""Where a part goes in a build: on the chain, for a small item that follows from it, or beside everything."""

from collections.abc import Mapping
from dataclasses import dataclass

from core.model.build import Build, Extra, Slot, SmallDecision, slot_for
from core.model.free_ids import free_id
from core.model.parts import Part
from core.report.alternatives import build_with
from core.report.small_items import best_item_for


@dataclass(frozen=True)
class Placed:
    """A build with a part in it, the build without it, and where it went: one of place, item and extra."""

    build: Build
    without: Build
    slot: Slot | None = None
    item: str = ""
    """The small item that it was chosen for."""
    extra: str = ""


def place_for(build: Build, parts: Mapping[str, Part], part: Part) -> Placed:
    """`build` with `part` where it goes; where it is there already, only the build without it is another."""
    slot = slot_for(part)
    if slot is not None:
        return Placed(build_with(build, parts, slot, part), build, slot=slot)
    there = next((extra for extra in build.extras if extra.part == part.id), None)
    item = None if there else best_item_for(build, parts, part)
    if item is not None:
        return _for_item(build, item, part)
    extra = there or Extra(id=free_id("extra", [extra.id for extra in build.extras]), part=part.id)
    others = tuple(other for other in build.extras if other.id != extra.id)
    return Placed(
        build if there else build.model_copy(update={"extras": (*others, extra)}),
        build.model_copy(update={"extras": others}),
        extra=extra.id,
    )


def _for_item(build: Build, item: str, part: Part) -> Placed:
    others = {id: decision for id, decision in build.small_items.items() if id != item}
    now = build.small_items.get(item)
    decision = now if now and now.part == part.id else SmallDecision(choice="buy", part=part.id)
    return Placed(
        build.model_copy(update={"small_items": {**others, item: decision}}),
        build.model_copy(update={"small_items": others}),
        item=item,
    )
