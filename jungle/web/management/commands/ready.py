"""manage.py ready: everything that must be there before the demo is served, in one process: a start costs a second."""

from django.core.management import call_command

from jungle.commands import QuickCommand
from jungle.web.collected import collect_static


class Command(QuickCommand):
    """Safe to run again: what is there stays."""

    help = __doc__

    def handle(self, *args: object, **options: object) -> None:
        call_command("migrate", verbosity=0, stdout=self.stdout)
        call_command("load_demo", stdout=self.stdout)
        call_command("load_prices", stdout=self.stdout)
        call_command("load_sources", stdout=self.stdout)
        call_command("tidy", verbosity=0)
        collect_static()
