"""manage.py evaluate FILE: the whole report on a build file, as JSON."""

import sys
from pathlib import Path

from django.utils import timezone

from core.formats.report_json import full_report_text
from core.quantities import UnitSystem
from core.report import evaluate
from jungle.builds.management.build_files import BuildFileCommand

NOTHING_BLOCKED, SOMETHING_BLOCKED = 0, 1


class Command(BuildFileCommand):
    """Prints the report; exit status 0 when nothing is blocked, 1 when something is, 2 when the file is bad."""

    help = __doc__

    def handle(self, *args: object, file: Path, units: str, **options: object) -> None:
        content = self.read(file)
        report = evaluate(content.build, content.parts_by_id, today=timezone.localdate())
        self.stdout.write(full_report_text(report, UnitSystem(units)))
        sys.exit(SOMETHING_BLOCKED if report.blocked else NOTHING_BLOCKED)
