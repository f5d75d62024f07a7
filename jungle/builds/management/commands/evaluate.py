"""manage.py evaluate FILE: the whole report on a build file, as JSON."""

import sys
from argparse import ArgumentParser
from pathlib import Path

from django.core.management.base import BaseCommand
from django.utils import timezone

from core.formats.build_file import read_build_file
from core.formats.errors import BadFile
from core.formats.report_json import full_report_text
from core.quantities import UnitSystem
from core.report import evaluate

NOTHING_BLOCKED, SOMETHING_BLOCKED, BAD_FILE = 0, 1, 2


class Command(BaseCommand):
    """Prints the report; exit status 0 when nothing is blocked, 1 when something is, 2 when the file is bad."""

    help = __doc__
    requires_system_checks: list[str] = []

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("file", type=Path, help="a build file")
        parser.add_argument("--units", choices=[system.value for system in UnitSystem], default="metric")

    def handle(self, *args: object, file: Path, units: str, **options: object) -> None:
        try:
            content = read_build_file(file.read_bytes())
        except OSError as error:
            self.stderr.write(f"{file}: {error.strerror}")
            sys.exit(BAD_FILE)
        except BadFile as bad:
            for problem in bad.errors:
                self.stderr.write(f"{file}: {problem}")
            sys.exit(BAD_FILE)
        report = evaluate(content.build, content.parts_by_id, today=timezone.localdate())
        self.stdout.write(full_report_text(report, UnitSystem(units)))
        sys.exit(SOMETHING_BLOCKED if report.blocked else NOTHING_BLOCKED)
