"""Licences of a build: what there is to choose from, and taking a set of them in one edit."""

from django.contrib.auth.models import User

from core.model.build import Build, Slot
from core.model.chain import plans_of
from core.model.parts import LaunchMonitor, Part
from core.report.licences import Choice, under_licences
from core.report.shortlist import nearest_in_price, prices_of
from jungle.builds.models import StoredBuild
from jungle.builds.services.editing import NothingThere, On, edit
from jungle.catalogue.models import Entry

ADD_ON_KINDS = ("monitor_package", "course_pack", "connector")
MONITORS_WEIGHED = 12


def parts_for_licences(actor: User, build: Build) -> dict[str, Part]:
    """The parts that a build names, and every package, pack and connector of the actor's."""
    owned = Entry.objects.visible_to(actor.pk)
    return {**owned.of_kinds(*ADD_ON_KINDS).sheets(), **owned.named(*build.parts_named).sheets()}


def other_monitors(actor: User, build: Build) -> tuple[LaunchMonitor, ...]:
    """The monitors nearest in price to the one that hangs, but for that."""
    owned = Entry.objects.visible_to(actor.pk)
    prices = prices_of(build, dict(owned.named(*build.parts_named).sheets()))
    near = nearest_in_price(owned.of_slots(Slot.MONITOR).listed(), Slot.MONITOR, prices, MONITORS_WEIGHED + 1)
    hung = build.chain.get(Slot.MONITOR)
    sheets = owned.named(*near).sheets()
    others = (sheets[id] for id in near if id in sheets and not (hung and hung.part == id))
    return tuple(part for part in others if isinstance(part, LaunchMonitor))[:MONITORS_WEIGHED]


def take_licences(on: On, choice: Choice) -> StoredBuild:
    """Decide about all licences at once. Raises `NothingThere` for a plan or an add-on that there is not."""

    def change(build: Build) -> Build:
        parts = parts_for_licences(on.actor, build)
        for slot, plan in ((Slot.MONITOR, choice.monitor_plan), (Slot.TITLE, choice.title_plan)):
            hung = build.chain.get(slot)
            if hung is not None and plan not in {other.id for other in plans_of(parts[hung.part])} | {hung.plan}:
                raise NothingThere(f"{parts[hung.part].name} has no plan '{plan}' any more.")
        gone = [id for id in choice.add_ons if id not in parts]
        if gone:
            raise NothingThere(f"'{gone[0]}' is not in the catalogue any more.")
        return under_licences(build, parts, choice)

    return edit(on, "Took a set of licences", change)
