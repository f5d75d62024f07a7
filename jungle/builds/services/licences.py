"""Licences of a build: what there is to choose from, and taking a set of them in one edit."""

from django.contrib.auth.models import User

from core.checks.licence_sets import Choice, under_licences
from core.model.build import Build, Slot
from core.model.chain import plans_of
from core.model.parts import Part
from core.report.shortlist import nearest_in_price, prices_of
from jungle.builds.models import StoredBuild
from jungle.builds.services.editing import NothingThere, On, edit
from jungle.catalogue.models import Entry

ADD_ON_KINDS = ("monitor_package", "course_pack", "connector")
OTHERS_WEIGHED = 12


def parts_for_licences(actor: User, build: Build) -> dict[str, Part]:
    """The parts that a build names, and every package, pack and connector of the actor's."""
    owned = Entry.objects.visible_to(actor.pk)
    return {**owned.of_kinds(*ADD_ON_KINDS).sheets(), **owned.named(*build.parts_named).sheets()}


def others_for(actor: User, build: Build, slot: Slot) -> tuple[Part, ...]:
    """The parts nearest in price to the one that hangs in `slot`, but for that."""
    owned = Entry.objects.visible_to(actor.pk)
    prices = prices_of(build, dict(owned.named(*build.parts_named).sheets()))
    near = nearest_in_price(owned.of_slots(slot).listed(), slot, prices, OTHERS_WEIGHED + 1)
    hung = build.chain.get(slot)
    sheets = owned.named(*near).sheets()
    return tuple(sheets[id] for id in near if id in sheets and not (hung and hung.part == id))[:OTHERS_WEIGHED]


def take_licences(on: On, choice: Choice) -> StoredBuild:
    """Decide about all licences at once. Raises `NothingThere` for a plan or an add-on that there is not."""

    def change(build: Build) -> Build:
        parts = parts_for_licences(on.actor, build)
        hung = {slot: (part.part, part.plan) for slot, part in build.chain.items()}
        beside = {extra.id: (extra.part, extra.plan) for extra in build.extras}
        chosen = ((hung.get(Slot.MONITOR), choice.monitor_plan), (hung.get(Slot.TITLE), choice.title_plan))
        for held, plan in (*chosen, *((beside.get(id), plan) for id, plan in choice.further)):
            if held is not None and plan not in {other.id for other in plans_of(parts[held[0]])} | {held[1]}:
                raise NothingThere(f"{parts[held[0]].name} has no plan '{plan}' any more.")
        gone = [id for id in choice.add_ons if id not in parts]
        if gone:
            raise NothingThere(f"'{gone[0]}' is not in the catalogue any more.")
        return under_licences(build, parts, choice)

    return edit(on, "Took a set of licences", change)
