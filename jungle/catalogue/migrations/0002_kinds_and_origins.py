"""Parts know their kind, where they came from, and what they said before their owner changed a fact."""

import json

from django.db import migrations, models

RENAMED = {"floor_roll": "turf"}


def name_kinds(apps, schema_editor):
    """Kinds out of the documents; a covering off the roll is turf unless somebody says carpet."""
    Part = apps.get_model("catalogue", "Part")
    for part in Part.objects.all():
        document = json.loads(part.document)
        document["kind"] = RENAMED.get(document["kind"], document["kind"])
        part.kind, part.document = document["kind"], json.dumps(document)
        part.save()


class Migration(migrations.Migration):
    dependencies = [("catalogue", "0001_initial")]

    operations = [
        migrations.AddField("part", "kind", models.CharField(db_index=True, default="", max_length=40)),
        migrations.AddField(
            "part",
            "origin",
            models.CharField(
                choices=[("sample", "sample"), ("own", "own"), ("pack", "pack")], default="sample", max_length=10
            ),
        ),
        migrations.AddField("part", "original", models.TextField(blank=True, default="")),
        migrations.AlterField("part", "slot", models.CharField(blank=True, db_index=True, max_length=20)),
        migrations.RunPython(name_kinds, migrations.RunPython.noop),
    ]
