"""The chain: parts hung, swapped, decided on and taken down."""

from collections.abc import Mapping

from core.model.build import Build, HungPart, Slot, slot_for
from core.model.parts import Part as SpecSheet
from core.model.typed import with_changes
from core.report.alternatives import build_with
from jungle.builds.models import StoredBuild
from jungle.builds.services.editing import Locked, NothingThere, On, edit, field_words
from jungle.builds.services.people import units_of
from jungle.catalogue.models import Entry


def hang_part(on: On, slot: Slot, part_id: str) -> StoredBuild:
    """Hang a part of the actor's catalogue in `slot`, in place of what hangs there."""
    name = _fitting(_sheets(on, part_id), slot, part_id).name

    def change(build: Build) -> Build:
        _unlocked(build, slot)
        sheets = _sheets(on, part_id, *build.parts_named)
        return build_with(build, sheets, slot, _fitting(sheets, slot, part_id))

    return edit(on, f"Chose {name}", change)


def decide_on_part(on: On, slot: Slot, changes: Mapping[str, object]) -> StoredBuild:
    """Choose the part's plan, mark it as owned, or enter a quote or a replacement value."""
    units = units_of(on.actor)

    def change(build: Build) -> Build:
        decided = with_changes(_hanging(build, slot), changes, units, build.brief.currency)
        return build.model_copy(update={"chain": {**build.chain, slot: decided}})

    return edit(on, f"{slot.value.capitalize()}: {field_words(changes)}", change)


def take_down(on: On, slot: Slot) -> StoredBuild:
    """Take the part in `slot` off the chain."""

    def change(build: Build) -> Build:
        _hanging(build, slot)
        _unlocked(build, slot)
        rest = {place: part for place, part in build.chain.items() if place is not slot}
        return build.model_copy(update={"chain": rest})

    return edit(on, f"Took the {slot.value} out", change)


def _sheets(on: On, *ids: str) -> Mapping[str, SpecSheet]:
    return Entry.objects.visible_to(on.actor.pk).named(*ids).sheets()


def _unlocked(build: Build, slot: Slot) -> None:
    decided = build.chain.get(slot)
    if decided is not None and decided.locked:
        raise Locked(f"The {slot.value} is locked. Unlock it first, if it shall change.")


def _hanging(build: Build, slot: Slot) -> HungPart:
    decided = build.chain.get(slot)
    if decided is None:
        raise NothingThere(f"Nothing hangs in place '{slot}'.")
    return decided


def _fitting(sheets: Mapping[str, SpecSheet], slot: Slot, part_id: str) -> SpecSheet:
    sheet = sheets.get(part_id)
    if sheet is None or slot_for(sheet) is not slot:
        raise NothingThere(f"There is no part '{part_id}' for place '{slot}'.")
    return sheet
