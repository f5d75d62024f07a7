"""One worker for one folder of data: it holds a lock while it lives, and whoever cannot get it knows that it does."""

import fcntl
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from django.conf import settings


class AnotherWorks(Exception):
    """A worker is at work on this data already."""


@contextmanager
def alone() -> Iterator[None]:
    """Hold the lock. Raises `AnotherWorks`. A worker that is killed lets go of it, whatever kills it."""
    with _lock_file().open("w") as file:
        try:
            fcntl.flock(file, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except OSError as taken:
            raise AnotherWorks from taken
        yield


def somebody_works() -> bool:
    """A worker lives."""
    try:
        with alone():
            return False
    except AnotherWorks:
        return True


def _lock_file() -> Path:
    return Path(settings.DATA_DIR) / "work.lock"
