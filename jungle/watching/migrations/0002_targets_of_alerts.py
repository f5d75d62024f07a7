"""Alerts keep what was waited for when they were given."""

import json

from django.db import migrations, models


def as_waited_for(apps, schema_editor):
    for alert in apps.get_model("watching", "Alert").objects.select_related("watch"):
        watch = json.loads(alert.watch.document)
        alert.currency, alert.target_minor = watch["currency"], watch["target_minor"]
        alert.save(update_fields=["currency", "target_minor"])


class Migration(migrations.Migration):
    dependencies = [("watching", "0001_initial")]

    operations = [
        migrations.AddField("alert", "currency", models.CharField(max_length=3, default="EUR"), preserve_default=False),
        migrations.AddField("alert", "target_minor", models.PositiveBigIntegerField(default=0), preserve_default=False),
        migrations.RunPython(as_waited_for, migrations.RunPython.noop),
    ]
