"""Builds as wholes: begun, renamed, copied, deleted, written out and read back."""

from django.contrib.auth.models import User
from django.db import transaction

from core.formats.build_file import BuildFile, read_build_file
from core.model.build import Build as BuildDocument
from core.model.typed import changed
from core.quantities import UnitSystem
from jungle.catalogue.models import Part
from jungle.catalogue.services import adopt_parts
from jungle.plans.models import Build, Edit
from jungle.plans.services.editing import On, edit, find_build


@transaction.atomic
def start_build(actor: User, document: BuildDocument, label: str = "Begun") -> Build:
    """A new build of `actor`'s."""
    text = document.model_dump_json()
    build = Build.objects.create(owner=actor, name=document.name, document=text)
    Edit.objects.create(build=build, number=0, label=label, actor=actor, document=text)
    return build


def rename_build(on: On, name: str) -> Build:
    """Give the build another name."""
    units, currency = UnitSystem.METRIC, "EUR"
    return edit(on, f"Renamed to {name}", lambda build: changed(build, {"name": name}, units, currency))


def delete_build(build_id: int, actor: User) -> None:
    """Delete a build and its history for good."""
    find_build(build_id, actor).delete()


def builds_with(actor: User, part_id: str) -> list[str]:
    """Names of the builds that have a part, now or in their history: undoing might bring it back."""
    edits = Edit.objects.filter(build__owner=actor, document__contains=f'"{part_id}"')
    return sorted(set(edits.values_list("build__name", flat=True)))


def build_file(build: Build) -> BuildFile:
    """The build and the spec sheets it hangs, as a file holds them."""
    plan = build.plan
    sheets = Part.objects.visible_to(build.owner_id).named(*plan.parts_named).sheets()
    return BuildFile.model_validate(
        {"build": plan.model_dump(), "parts": [sheet.model_dump() for sheet in sheets.values()]}
    )


@transaction.atomic
def import_build(actor: User, text: bytes) -> Build:
    """A new build from a build file; its parts join the catalogue. Raises `BadFile`, storing nothing."""
    file = read_build_file(text)
    kept = adopt_parts(actor.pk, file.parts)
    return start_build(actor, file.build.with_parts_named(kept), "Read from a file")
