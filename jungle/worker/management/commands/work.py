"""manage.py work: do what takes longer than a request may, one job after the other, until it is stopped."""

import os
import signal
import threading
import time
from argparse import ArgumentParser
from itertools import count

from django.core.management import call_command
from django.core.management.base import BaseCommand, CommandError

from jungle.worker.alone import AnotherWorks, alone
from jungle.worker.jobs import recover

LOOKS_EVERY_S = 0.2
PATIENCE_S = 5
"""How long a worker before this one may take to go."""


class Command(BaseCommand):
    """Works until it is stopped; what a worker that was killed left undone is taken up first."""

    help = __doc__

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("--while-alive", type=int, metavar="PID", help="stop as soon as that process has ended")

    def handle(self, *args: object, while_alive: int | None, **options: object) -> None:
        if while_alive is not None:
            threading.Thread(target=_stop_with, args=(while_alive,), daemon=True).start()
        for attempt in count():
            try:
                with alone():
                    recover()
                    call_command("db_worker", interval=LOOKS_EVERY_S, startup_delay=False, reload=False, verbosity=0)
            except AnotherWorks:
                if attempt * LOOKS_EVERY_S >= PATIENCE_S:
                    raise CommandError("A worker is at work on this data already.") from None
                time.sleep(LOOKS_EVERY_S)
            else:
                return


def _stop_with(process: int) -> None:
    while _lives(process):
        time.sleep(LOOKS_EVERY_S)
    # Twice: the first lets a job end, the second does not wait for it.
    os.kill(os.getpid(), signal.SIGTERM)
    time.sleep(LOOKS_EVERY_S)
    os.kill(os.getpid(), signal.SIGTERM)


def _lives(process: int) -> bool:
    try:
        os.kill(process, 0)
    except OSError:
        return False
    return True
