"""Builds carry the version of their document, are tied to the parts that they name, and hold a summary."""

import json

import django.db.models.deletion
from django.db import migrations, models

from core.formats.mending import mended_document
from core.formats.stored import read_stored_build, write_stored
from core.formats.versions import CURRENT, upgraded_build
from core.model.build import Build as BuildDocument

OLD = 1


def mend(apps, schema_editor):
    """Documents that were kept before their bounds were are brought within them; the others stay as they are."""
    for name in ("Build", "Edit"):
        for row in apps.get_model("plans", name).objects.iterator(100):
            try:
                read_stored_build(row.document, OLD)
            except ValueError:
                document = upgraded_build(json.loads(row.document), OLD)
                try:
                    build, _ = mended_document(BuildDocument.model_validate, document)
                except ValueError:
                    continue  # It stays, says on the list that it cannot be read, and can be undone and deleted.
                row.document, row.version = write_stored(build), CURRENT
                row.save()


def tie(apps, schema_editor):
    """Each build to the parts that it names, as far as the catalogue has them."""
    ties, entries = apps.get_model("plans", "BuildPart"), apps.get_model("catalogue", "Entry")
    for row in apps.get_model("plans", "Build").objects.iterator(100):
        try:
            build = read_stored_build(row.document, row.version)
        except ValueError:
            continue
        sheets = dict(entries.objects.filter(owner_id=row.owner_id).values_list("part_id", "sheet_id"))
        ties.objects.bulk_create(
            ties(build=row, part_id=id, plan=plan, sheet_id=sheets[id])
            for id, plan in sorted(build.parts_under_plans)
            if id in sheets
        )


class Migration(migrations.Migration):
    dependencies = [("plans", "0001_initial"), ("catalogue", "0005_sheets_and_entries")]

    operations = [
        migrations.AddField("build", "version", models.PositiveSmallIntegerField(default=OLD)),
        migrations.AddField("edit", "version", models.PositiveSmallIntegerField(default=OLD)),
        migrations.AlterField("build", "version", models.PositiveSmallIntegerField(default=CURRENT)),
        migrations.AlterField("edit", "version", models.PositiveSmallIntegerField(default=CURRENT)),
        migrations.AddField("build", "summary", models.JSONField(null=True)),
        migrations.AlterField("build", "changed_at", models.DateTimeField()),
        migrations.AlterField("edit", "document", models.TextField(blank=True)),
        migrations.AddField("edit", "difference", models.TextField(blank=True, default=""), preserve_default=False),
        migrations.CreateModel(
            name="BuildPart",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("part_id", models.CharField(db_index=True, max_length=80)),
                ("plan", models.CharField(blank=True, max_length=80)),
                ("current", models.BooleanField(default=True)),
                (
                    "build",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="ties", to="plans.build"
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
                "constraints": [
                    models.UniqueConstraint(
                        fields=("build", "part_id", "plan", "sheet"), name="tie_once_per_sheet"
                    )
                ],
            },
        ),
        migrations.RunPython(mend, migrations.RunPython.noop),
        migrations.RunPython(tie, migrations.RunPython.noop),
    ]
