"""manage.py money FILE: what a build file costs, in a scope, valued in every way and over the years, as JSON."""

import json
from argparse import ArgumentParser
from dataclasses import asdict
from pathlib import Path

from django.utils import timezone

from core.formats.report_json.money import money_json
from core.model.ledger import Category
from core.quantities import UnitSystem
from core.report import evaluate
from core.report.money import USUAL_SCOPE
from core.report.whole_money import whole_money
from jungle.builds.management.build_files import BAD_FILE, BuildFileCommand


class Command(BuildFileCommand):
    """Prints the money; exit status 2 when the file is bad, or a rate between two currencies is missing."""

    help = __doc__

    def add_arguments(self, parser: ArgumentParser) -> None:
        super().add_arguments(parser)
        parser.add_argument(
            "--category",
            action="append",
            choices=[category.value for category in Category],
            help="count these alone; else all but building works and decoration",
        )

    def handle(self, *args: object, file: Path, units: str, category: list[str] | None, **options: object) -> None:
        content = self.read(file)
        report = evaluate(content.build, content.parts_by_id, today=timezone.localdate())
        currency = content.build.brief.currency
        for other in report.costs.missing_rates:
            self.stderr.write(f"{file}: no rate from {other} to {currency}; enter in the brief what 1 {other} costs")
        if report.costs.missing_rates:
            raise SystemExit(BAD_FILE)
        scope = frozenset(map(Category, category)) if category else USUAL_SCOPE
        whole = whole_money(content.build, report, content.parts_by_id, scope, timezone.localdate())
        told = money_json(whole, UnitSystem(units))
        self.stdout.write(json.dumps(asdict(told), ensure_ascii=False, indent=2))
