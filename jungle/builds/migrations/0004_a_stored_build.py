"""A row is a stored build: `Build` is what the core calls the design. Its table keeps its name."""

from django.db import migrations


class Migration(migrations.Migration):
    dependencies = [("plans", "0003_keys_of_edits")]

    operations = [
        migrations.AlterModelTable("build", "plans_build"),
        migrations.RenameModel("Build", "StoredBuild"),
    ]
