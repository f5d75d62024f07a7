"""Days on which something was sold out are told from those on which nobody looked; observations are counted."""

from datetime import timedelta

import numpy as np
from django.db import migrations, models
from django.db.models.functions import Coalesce

NOBODY_LOOKED, SOLD_OUT = 0, -1
HOLDS = timedelta(days=21)


def tell_sold_out(apps, schema_editor):
    series_of, seen = apps.get_model("market", "Series"), apps.get_model("market", "Observation")
    sold_out = seen.objects.filter(in_stock=False, held_back="", struck="")
    for series in series_of.objects.filter(pk__in=sold_out.values("series"), days_from__isnull=False).iterator():
        days = np.frombuffer(bytes(series.days), dtype="<i8").copy()
        for one in sold_out.filter(series=series):
            low, high = (one.first_seen - series.days_from).days, (one.last_seen + HOLDS - series.days_from).days
            # A look holds until the next one; whatever has a price was seen later.
            for at in range(max(0, low), min(len(days), high + 1)):
                if days[at] > 0:
                    break
                days[at] = SOLD_OUT
        series.days = days.tobytes()
        series.save(update_fields=["days"])


def count(apps, schema_editor):
    series_of, seen = apps.get_model("market", "Series"), apps.get_model("market", "Observation")
    of_it = seen.objects.filter(series=models.OuterRef("pk"), held_back="", struck="").order_by()
    counted = of_it.values("series").annotate(count=models.Count("pk")).values("count")
    series_of.objects.update(believed=Coalesce(models.Subquery(counted), 0))


def tell_no_more(apps, schema_editor):
    series_of = apps.get_model("market", "Series")
    for series in series_of.objects.filter(days_from__isnull=False).iterator():
        days = np.frombuffer(bytes(series.days), dtype="<i8").copy()
        days[days == SOLD_OUT] = NOBODY_LOOKED
        series.days = days.tobytes()
        series.save(update_fields=["days"])


class Migration(migrations.Migration):
    dependencies = [("market", "0003_sources")]

    operations = [
        migrations.RunPython(tell_sold_out, tell_no_more),
        migrations.AddField("series", "believed", models.PositiveIntegerField(default=0)),
        migrations.RunPython(count, migrations.RunPython.noop),
    ]
