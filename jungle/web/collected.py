"""Static files are collected where others are there than the last time: to compress them takes a second."""

from pathlib import Path

from django.conf import settings
from django.contrib.staticfiles.finders import get_finders
from django.core.management import call_command

COLLECTED = "static-collected"
"""In the folder of data: what was collected, a line a file."""


def collect_static() -> None:
    """Collect the static files, unless all of them were, and are as they were then."""
    files = {name: Path(storage.path(name)) for finder in get_finders() for name, storage in finder.list([])}
    told = "".join(f"{name} {_as_it_is(file)}\n" for name, file in sorted(files.items()))
    last = settings.DATA_DIR / COLLECTED
    if last.exists() and last.read_text() == told and all((settings.STATIC_ROOT / name).exists() for name in files):
        return
    call_command("collectstatic", interactive=False, clear=True, verbosity=0)
    last.write_text(told)


def _as_it_is(file: Path) -> str:
    """Where it is, its size and when it was changed."""
    told = file.stat()
    return f"{file} {told.st_size} {told.st_mtime_ns}"
