"""Sheets are found by their content and belong to nobody; a catalogue is entries that refer to them."""

import json
from hashlib import sha256

import django.db.models.deletion
from django.conf import settings
from django.db import migrations, models
from django.db.models.functions import Coalesce

from core.formats.mending import mended_document
from core.formats.stored import write_stored
from core.formats.versions import CURRENT, upgraded_part
from core.model.build import slot_for
from core.model.parts import SHEET, kind_of

READ_AT_ONCE = 500


def generated(path, field):
    """A column with what the document has at `path`."""
    taken = models.Func(models.F("document"), models.Value(path), function="JSON_EXTRACT", output_field=field)
    told = taken if field.null else Coalesce(taken, models.Value(""), output_field=field)
    return models.GeneratedField(expression=told, output_field=field, db_persist=True)


def carry_over(apps, schema_editor):
    """Every owner's parts as entries, and the edits of their catalogues with the sheets that they touched."""
    model = {name: apps.get_model("catalogue", name) for name in ("Part", "Sheet", "Entry", "Catalogue")}
    keeper = _Keeper(model["Sheet"])
    for part in model["Part"].objects.iterator(READ_AT_ONCE):
        model["Entry"].objects.create(
            owner_id=part.owner_id,
            part_id=part.name_id,
            sheet_id=keeper.digest(part.document),
            came_as_id=keeper.digest(part.original) if part.original else None,
            origin=part.origin,
        )
        model["Catalogue"].objects.get_or_create(owner_id=part.owner_id)
    touched = apps.get_model("catalogue", "TouchedEntry")
    for edit in apps.get_model("catalogue", "CatalogueEdit").objects.all():
        for id in edit.before.keys() | edit.after.keys():
            sides = {}
            for side, state in (("before", edit.before.get(id)), ("after", edit.after.get(id))):
                if state is not None:
                    sides[f"sheet_{side}"] = keeper.digest(state["document"])
                    sides[f"came_as_{side}"] = keeper.digest(state["original"]) if state["original"] else ""
                    sides[f"origin_{side}"] = state["origin"]
            touched.objects.create(edit=edit, part_id=id, **sides)


class _Keeper:
    def __init__(self, sheets):
        self.sheets, self.known = sheets, {}

    def digest(self, document):
        """The digest under which a document is kept, brought to today's version and within its bounds."""
        if document not in self.known:
            sheet, _ = mended_document(SHEET.validate_python, upgraded_part(json.loads(document), 1), tagged=True)
            text = write_stored(sheet)
            digest = sha256(f"{CURRENT}:{text}".encode()).hexdigest()
            self.sheets.objects.get_or_create(
                digest=digest,
                defaults={
                    "version": CURRENT,
                    "kind": kind_of(sheet),
                    "slot": slot_for(sheet) or "",
                    "document": text,
                },
            )
            self.known[document] = digest
        return self.known[document]


class Migration(migrations.Migration):
    dependencies = [
        ("catalogue", "0004_what_a_list_says_of_a_part"),
        migrations.swappable_dependency(settings.AUTH_USER_MODEL),
    ]

    operations = [
        migrations.CreateModel(
            name="Sheet",
            fields=[
                ("digest", models.CharField(max_length=64, primary_key=True, serialize=False)),
                ("version", models.PositiveSmallIntegerField()),
                ("kind", models.CharField(db_index=True, max_length=40)),
                ("slot", models.CharField(blank=True, db_index=True, max_length=20)),
                ("document", models.TextField()),
                ("maker", generated("$.maker", models.TextField())),
                ("name", generated("$.name", models.TextField())),
                ("note", generated("$.note", models.TextField())),
                ("price_minor", generated("$.price.minor", models.BigIntegerField(null=True))),
                ("currency", generated("$.price.currency", models.CharField(max_length=3, null=True))),
            ],
        ),
        migrations.CreateModel(
            name="Catalogue",
            fields=[
                (
                    "owner",
                    models.OneToOneField(
                        on_delete=django.db.models.deletion.CASCADE,
                        primary_key=True,
                        related_name="catalogue",
                        serialize=False,
                        to=settings.AUTH_USER_MODEL,
                    ),
                ),
                ("revision", models.PositiveIntegerField(default=0)),
            ],
        ),
        migrations.CreateModel(
            name="Entry",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("part_id", models.CharField(max_length=80)),
                (
                    "origin",
                    models.CharField(
                        choices=[("sample", "sample"), ("own", "own"), ("pack", "pack")], max_length=10
                    ),
                ),
                ("revision", models.PositiveIntegerField(default=0)),
                (
                    "came_as",
                    models.ForeignKey(
                        null=True,
                        on_delete=django.db.models.deletion.PROTECT,
                        related_name="+",
                        to="catalogue.sheet",
                    ),
                ),
                (
                    "owner",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE,
                        related_name="entries",
                        to=settings.AUTH_USER_MODEL,
                    ),
                ),
                (
                    "sheet",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.PROTECT, related_name="+", to="catalogue.sheet"
                    ),
                ),
            ],
            options={
                "ordering": ["part_id"],
                "constraints": [models.UniqueConstraint(fields=("owner", "part_id"), name="entry_once_per_owner")],
            },
        ),
        migrations.CreateModel(
            name="TouchedEntry",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("part_id", models.CharField(max_length=80)),
                ("origin_before", models.CharField(blank=True, max_length=10)),
                ("origin_after", models.CharField(blank=True, max_length=10)),
                (
                    "edit",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE,
                        related_name="touched",
                        to="catalogue.catalogueedit",
                    ),
                ),
                *(
                    (f"{name}_{side}", models.CharField(blank=True, max_length=64))
                    for side in ("before", "after")
                    for name in ("sheet", "came_as")
                ),
            ],
        ),
        migrations.RunPython(carry_over, migrations.RunPython.noop),
        migrations.RemoveField("catalogueedit", "before"),
        migrations.RemoveField("catalogueedit", "after"),
        migrations.DeleteModel("Part"),
    ]
