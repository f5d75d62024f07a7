"""manage.py restore FILE: make the database what a backup is; what it was is kept beside it."""

from argparse import ArgumentParser
from pathlib import Path

from django.core.management import call_command
from django.core.management.base import CommandError
from django.utils import timezone

from jungle.commands import QuickCommand
from jungle.web.keeping import NotWhole, database_path, restore


class Command(QuickCommand):
    """Refuses what is not whole, keeps the old database, and brings an older backup up to date."""

    help = __doc__

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("file", type=Path)

    def handle(self, *args: object, file: Path, **options: object) -> None:
        now = timezone.localtime().strftime("%Y%m%d-%H%M%S")
        old = database_path().with_name(f"before-restore-{now}.sqlite3")
        try:
            restore(file, old)
        except (NotWhole, OSError) as error:
            raise CommandError(f"Nothing was changed. {error}") from error
        call_command("migrate", verbosity=0)
        self.stdout.write(f"Restored. What was there before is in {old}." if old.exists() else "Restored.")
