"""Backups of the database: written while people work, looked at before they are trusted."""

import os
import sqlite3
from collections.abc import Iterator
from contextlib import closing, contextmanager
from pathlib import Path

from django.db import connection
from django.db.migrations.loader import MigrationLoader

PAGES_AT_ONCE = 2_000
"""Copied between two looks at whether somebody else wants to write."""


class NotWhole(Exception):
    """A file is no whole database of this application; says what is wrong with it."""


def database_path() -> Path:
    """The file that the database is."""
    return Path(str(connection.settings_dict["NAME"]))


def back_up(to: Path) -> None:
    """Write a whole copy of the database to `to`, readable by its owner alone. Raises `NotWhole`, `OSError`.

    It appears under its name only once it is whole: a backup that was there before is replaced in one step.
    """
    part = to.with_name(f"{to.name}.part")
    part.unlink(missing_ok=True)
    os.close(os.open(part, os.O_CREAT | os.O_EXCL | os.O_WRONLY, 0o600))
    try:
        _copy(database_path(), part)
        look_at(part)
        with part.open("rb") as written:
            os.fsync(written.fileno())
        part.replace(to)
    finally:
        part.unlink(missing_ok=True)


def restore(source: Path, keep_old_as: Path) -> None:
    """Make the database what `source` is; what it was is kept as `keep_old_as`. Raises `NotWhole`, `OSError`.

    It is copied in one transaction, so whoever works meanwhile sees one or the other.
    """
    look_at(source)
    if database_path().exists():
        back_up(keep_old_as)
    _copy(source, database_path())


def look_at(path: Path) -> None:
    """Raises `NotWhole` unless `path` is a whole database of this application, of this version or an older one."""
    if not path.is_file():
        raise NotWhole(f"There is no file {path}.")
    try:
        with _opened(path, read_only=True) as database:
            found = [row[0] for row in database.execute("PRAGMA integrity_check")]
            applied = set(database.execute("SELECT app, name FROM django_migrations"))
    except sqlite3.DatabaseError as error:
        raise NotWhole(f"{path} is no database of this application: {error}.") from error
    if found != ["ok"]:
        raise NotWhole(f"{path} is damaged: {found[0]}.")
    newer = applied - set(MigrationLoader(None, ignore_no_migrations=True).disk_migrations)
    if not any(app == "plans" for app, _ in applied):
        raise NotWhole(f"{path} is a database of something else.")
    if newer:
        raise NotWhole(f"{path} was written by a newer version of this application.")


def _copy(source: Path, to: Path) -> None:
    with _opened(source, read_only=True) as old, _opened(to) as new:
        old.backup(new, pages=PAGES_AT_ONCE)


@contextmanager
def _opened(path: Path, *, read_only: bool = False) -> Iterator[sqlite3.Connection]:
    mode = "ro" if read_only else "rw" if path.exists() else "rwc"
    with closing(sqlite3.connect(f"{path.resolve().as_uri()}?mode={mode}", uri=True, timeout=30)) as database:
        yield database
