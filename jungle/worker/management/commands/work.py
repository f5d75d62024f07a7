"""manage.py work: do what takes longer than a request may, one job after the other, until it is stopped."""

import logging
import os
import signal
import threading
import time
from argparse import ArgumentParser
from itertools import count

from django.core.management import call_command
from django.core.management.base import CommandError
from django.db import DatabaseError, connection

from jungle.commands import QuickCommand
from jungle.processes import keep_what_is_loaded, lives
from jungle.worker.alone import AnotherWorks, alone
from jungle.worker.jobs import ask_due_rounds, ask_due_watches, recover

LOOKS_EVERY_S = 0.2
LOOKS_FOR_WHAT_IS_DUE_EVERY_S = 20
PATIENCE_S = 5
"""How long a worker before this one may take to go."""
log = logging.getLogger(__name__)


class Command(QuickCommand):
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
                    keep_what_is_loaded()
                    threading.Thread(target=_ask_in_time, daemon=True).start()
                    call_command("db_worker", interval=LOOKS_EVERY_S, startup_delay=False, reload=False, verbosity=0)
            except AnotherWorks:
                if attempt * LOOKS_EVERY_S >= PATIENCE_S:
                    raise CommandError("A worker is at work on this data already.") from None
                time.sleep(LOOKS_EVERY_S)
            else:
                return


def _ask_in_time() -> None:
    """Prices that are to be read every so often are, and watches are looked at after what they look at was changed."""
    while True:
        try:
            ask_due_rounds()
            ask_due_watches()
        except DatabaseError:
            log.exception("What is due could not be asked")
        finally:
            connection.close()
        time.sleep(LOOKS_FOR_WHAT_IS_DUE_EVERY_S)


def _stop_with(process: int) -> None:
    while lives(process):
        time.sleep(LOOKS_EVERY_S)
    # Twice: the first lets a job end, the second does not wait for it.
    os.kill(os.getpid(), signal.SIGTERM)
    time.sleep(LOOKS_EVERY_S)
    os.kill(os.getpid(), signal.SIGTERM)
