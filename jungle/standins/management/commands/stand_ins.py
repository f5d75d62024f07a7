"""manage.py stand_ins: the sample world's shops and rates as servers on loopback, until stopped."""

import time
from argparse import ArgumentParser
from contextlib import suppress

from django.conf import settings

from jungle.commands import QuickCommand
from jungle.processes import lives
from jungle.standins.servers import standing

LOOKS_EVERY_S = 0.5


class Command(QuickCommand):
    """Stands until it is stopped."""

    help = __doc__

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("--while-alive", type=int, metavar="PID", help="stop as soon as that process has ended")

    def handle(self, *args: object, while_alive: int | None, **options: object) -> None:
        try:
            with standing(settings.STANDINS_PORT) as origins, suppress(KeyboardInterrupt):
                self.stdout.write("The sample shops stand at " + ", ".join(origins.values()))
                while while_alive is None or lives(while_alive):
                    time.sleep(LOOKS_EVERY_S)
        except (OSError, OverflowError) as taken:
            self.stderr.write(f"The sample shops cannot be read: a port from {settings.STANDINS_PORT} on is taken.")
            self.stderr.write(str(taken))
