"""manage.py backup FILE: a whole copy of the database, while people work."""

from argparse import ArgumentParser
from pathlib import Path

from django.core.management.base import BaseCommand, CommandError

from jungle.web.keeping import NotWhole, back_up


class Command(BaseCommand):
    """Writes a backup, and looks whether it is whole."""

    help = __doc__

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("file", type=Path)

    def handle(self, *args: object, file: Path, **options: object) -> None:
        try:
            back_up(file)
        except (NotWhole, OSError) as error:
            raise CommandError(f"No backup was written. {error}") from error
        self.stdout.write(f"{file} is whole.")
