"""What a list says of a part stands in columns of its own, filled by the database out of the document."""

from django.db import migrations, models
from django.db.models.functions import Coalesce


def generated(path, field):
    """A column with what the document has at `path`."""
    taken = models.Func(models.F("document"), models.Value(path), function="JSON_EXTRACT", output_field=field)
    told = taken if field.null else Coalesce(taken, models.Value(""), output_field=field)
    return models.GeneratedField(expression=told, output_field=field, db_persist=True)


class Migration(migrations.Migration):
    dependencies = [("catalogue", "0003_edits_of_a_catalogue")]

    operations = [
        migrations.AddField("part", "maker", generated("$.maker", models.TextField())),
        migrations.AddField("part", "name", generated("$.name", models.TextField())),
        migrations.AddField("part", "note", generated("$.note", models.TextField())),
        migrations.AddField("part", "price_minor", generated("$.price.minor", models.BigIntegerField(null=True))),
        migrations.AddField(
            "part", "currency", generated("$.price.currency", models.CharField(max_length=3, null=True))
        ),
    ]
