"""What is bought beside the chain: extras by wish, and decisions about small items."""

from collections.abc import Mapping

from core.model.build import Build, Extra, SmallDecision, slot_for
from core.model.chain import plans_of
from core.model.free_ids import free_id
from core.model.parts import Flooring
from core.model.parts import Part as SpecSheet
from core.model.typed import with_changes
from core.report.small_items import Option, kinds_serving, options_for, with_cheapest
from jungle.builds.models import StoredBuild
from jungle.builds.services.editing import NothingThere, On, edit, field_words
from jungle.builds.services.people import units_of
from jungle.builds.services.room import refuse_outside
from jungle.catalogue.models import Entry


def decide_on_item(on: On, item: str, changes: Mapping[str, object]) -> StoredBuild:
    """Buy a part for a small item, use one that is owned, or strike it off; or enter what a shop asks."""
    units = units_of(on.actor)

    def change(build: Build) -> Build:
        options = {option.part.id for option in _options(build, sheets_for_items(on.actor.pk, build, item), item)}
        part = changes.get("part")
        if part is not None and part not in options:
            raise NothingThere(f"There is no part '{part}' for '{item}'.")
        before = build.small_items.get(item) or SmallDecision(choice="buy")
        decided = with_changes(before, changes, units, build.brief.currency)
        return build.model_copy(update={"small_items": {**build.small_items, item: decided}})

    return edit(on, f"{item.replace('-', ' ').capitalize()}: {field_words(changes)}", change)


def reopen_item(on: On, item: str) -> StoredBuild:
    """Forget what was decided about a small item."""

    def change(build: Build) -> Build:
        if item not in build.small_items:
            raise NothingThere(f"Nothing is decided about '{item}'.")
        kept = {id: decision for id, decision in build.small_items.items() if id != item}
        return build.model_copy(update={"small_items": kept})

    return edit(on, f"{item.replace('-', ' ').capitalize()}: open again", change)


def take_cheapest(on: On) -> StoredBuild:
    """Choose the cheapest part that serves for every small item that is still open."""
    return edit(on, "Cheapest small items", lambda build: with_cheapest(build, sheets_for_items(on.actor.pk, build)))


def add_extra(on: On, part_id: str) -> StoredBuild:
    """Add a part of the actor's catalogue beside the chain, under the first plan that its maker lists."""
    sheet = Entry.objects.visible_to(on.actor.pk).named(part_id).sheets().get(part_id)
    if sheet is None:
        raise NothingThere(f"There is no part '{part_id}'.")

    def change(build: Build) -> Build:
        id = free_id("extra", [extra.id for extra in build.extras])
        plan = next((plan.id for plan in plans_of(sheet)), None)
        extra = Extra(id=id, part=part_id, plan=plan, laid=isinstance(sheet, Flooring))
        return build.model_copy(update={"extras": (*build.extras, extra)})

    second = "as a further layer" if isinstance(sheet, Flooring) else "as a second one"
    where = "beside the chain" if slot_for(sheet) is None else second
    return edit(on, f"Added {sheet.name} {where}", change)


def change_extra(on: On, extra_id: str, changes: Mapping[str, object]) -> StoredBuild:
    """How many of an extra are bought, under which plan, whether it is owned, where it is laid, or what a shop asks.

    Raises `NothingThere` for a plan that its part has not.
    """
    units = units_of(on.actor)

    def change(build: Build) -> Build:
        changed = with_changes(_extra(build, extra_id), changes, units, build.brief.currency)
        if changed.plan is not None and changed.plan not in _plans_for(on, changed.part):
            raise NothingThere(f"There is no plan '{changed.plan}' of '{changed.part}'.")
        refuse_outside({field: getattr(changed, field) for field in changes}, build.room, changes, units)
        extras = tuple(changed if extra.id == extra_id else extra for extra in build.extras)
        return build.model_copy(update={"extras": extras})

    return edit(on, f"Extra: {field_words(changes)}", change)


def _plans_for(on: On, part_id: str) -> frozenset[str]:
    sheet = Entry.objects.visible_to(on.actor.pk).named(part_id).sheets().get(part_id)
    return frozenset(plan.id for plan in plans_of(sheet)) if sheet else frozenset()


def drop_extra(on: On, extra_id: str) -> StoredBuild:
    """Take an extra out of the build."""

    def change(build: Build) -> Build:
        _extra(build, extra_id)
        return build.model_copy(update={"extras": tuple(e for e in build.extras if e.id != extra_id)})

    return edit(on, "Dropped an extra", change)


def sheets_for_items(owner_id: int, build: Build, *items: str) -> Mapping[str, SpecSheet]:
    """The sheets that a build names, and those that are of use for these small items, or for any."""
    owned = Entry.objects.visible_to(owner_id)
    return {**owned.of_kinds(*kinds_serving(*items)).sheets(), **owned.named(*build.parts_named).sheets()}


def _options(build: Build, sheets: Mapping[str, SpecSheet], item: str) -> tuple[Option, ...]:
    try:
        return options_for(build, sheets, item)
    except LookupError as error:
        raise NothingThere(f"No small item '{item}' follows from this build.") from error


def _extra(build: Build, id: str) -> Extra:
    found = next((extra for extra in build.extras if extra.id == id), None)
    if found is None:
        raise NothingThere(f"There is no extra '{id}'.")
    return found
