"""manage.py tidy: clear what nobody needs any more: sessions, wrong guesses, deleted builds, tasks, unused sheets."""

from datetime import timedelta

from axes.models import AccessAttempt
from django.core.management import call_command
from django.core.management.base import BaseCommand
from django.utils import timezone
from django_tasks_db.models import DBTaskResult

from jungle.builds.models import BuildPart, StoredBuild
from jungle.catalogue.entries import clear_unused_sheets

GUESSES_KEPT_FOR = timedelta(days=7)
TASKS_KEPT_FOR = timedelta(days=1)
"""Of the queue; what a job found is kept with its build."""
DELETED_KEPT_FOR = timedelta(days=30)


class Command(BaseCommand):
    """Safe to run at any time, once a day say."""

    help = __doc__

    def handle(self, *args: object, **options: object) -> None:
        call_command("clearsessions")
        AccessAttempt.objects.filter(attempt_time__lt=timezone.now() - GUESSES_KEPT_FOR).delete()
        DBTaskResult.objects.finished().filter(finished_at__lt=timezone.now() - TASKS_KEPT_FOR).delete()
        gone = timezone.now() - DELETED_KEPT_FOR
        builds, _ = StoredBuild.objects.filter(deleted_at__lt=gone).delete()
        sheets = clear_unused_sheets(BuildPart.objects.values("sheet_id"))
        self.stdout.write(f"Tidied; {sheets} sheets that nobody had are gone.")
        if builds:
            self.stdout.write("Builds deleted more than 30 days ago are gone for good.")
