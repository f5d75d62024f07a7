"""What can be wrong with the place where things are stored, in words for whoever waits for it."""

import shutil
from typing import NamedTuple

from django.conf import settings
from django.db import DatabaseError, OperationalError

BUSY_ERRORS = frozenset({"SQLITE_BUSY", "SQLITE_LOCKED"})
FULL_BELOW_BYTES = 1024 * 1024
"""With less than that an error of the disk is most likely that it is full."""
WORDS_BY_ERROR = {
    "SQLITE_FULL": "The disk is full, so nothing can be stored. Free some space, then try again; reading goes on.",
    "SQLITE_READONLY": "The data folder cannot be written to, so nothing can be stored; reading goes on.",
    "SQLITE_CANTOPEN": "The database cannot be opened. Look whether the data folder is there and may be used.",
    "SQLITE_IOERR": "The disk answers with an error. Look after it before anything else; make a backup.",
    "SQLITE_CORRUPT": "The database is damaged. Restore a backup.",
    "SQLITE_NOTADB": "The database is damaged. Restore a backup.",
}


class StorageTrouble(NamedTuple):
    """Why nothing can be stored just now, and whether trying again by itself makes sense."""

    words: str
    passing: bool


def trouble_of(error: DatabaseError) -> StorageTrouble | None:
    """What `error` says of the place where things are stored; `None` for an error of another kind."""
    name = getattr(error.__cause__, "sqlite_errorname", "") or ""
    if any(name.startswith(busy) for busy in BUSY_ERRORS) or "database is locked" in str(error):
        return StorageTrouble("Somebody else is storing something just now. Try again in a moment.", passing=True)
    if name.startswith("SQLITE_IOERR") and shutil.disk_usage(settings.DATA_DIR).free < FULL_BELOW_BYTES:
        name = "SQLITE_FULL"
    for known, words in WORDS_BY_ERROR.items():
        if name.startswith(known):
            return StorageTrouble(words, passing=False)
    if isinstance(error, OperationalError) and "no such table" in str(error):
        return StorageTrouble("The database is not up to date. Run 'manage.py migrate'.", passing=False)
    return None
