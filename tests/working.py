"""A worker for tests: what is queued is done in this process, by the very function that a worker calls."""

import threading
import time

from django.db import connection
from django_tasks.base import TaskResultStatus
from django_tasks_db.models import DBTaskResult

from jungle.worker import jobs

LOOKS_EVERY_S = 0.05


def do_queued() -> None:
    """What a worker does with all that is queued."""
    for queued in DBTaskResult.objects.filter(status=TaskResultStatus.READY):
        DBTaskResult.objects.filter(pk=queued.pk).update(status=TaskResultStatus.RUNNING)
        jobs.do.call(*queued.args_kwargs["args"])
        DBTaskResult.objects.filter(pk=queued.pk).update(status=TaskResultStatus.SUCCESSFUL)


class BesideServer:
    """Works in a thread of its own from `begin` to `end`, which waits for what is being done."""

    def __init__(self) -> None:
        self._ended = threading.Event()
        self._thread = threading.Thread(target=self._work, daemon=True)

    def begin(self) -> None:
        """Work from now on."""
        self._thread.start()

    def end(self) -> None:
        """Begin nothing more, and wait until nothing is being done."""
        self._ended.set()
        self._thread.join()

    def _work(self) -> None:
        try:
            while not self._ended.is_set():
                do_queued()
                time.sleep(LOOKS_EVERY_S)
        finally:
            connection.close()
