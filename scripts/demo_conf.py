"""How the demo is served: the process that makes ready what it needs is the one that answers, and loads all once."""

import subprocess
from multiprocessing import Value
from pathlib import Path
from typing import Any

from scripts import gunicorn_conf
from scripts.gunicorn_conf import bind, forwarder_headers, loglevel, threads, umask

__all__ = [
    "bind",
    "forwarder_headers",
    "loglevel",
    "post_fork",
    "post_worker_init",
    "threads",
    "timeout",
    "umask",
    "workers",
]

workers = 1
timeout = 300
"""Seconds without a word from the worker: the first time it makes the sample world before it says any."""

_begun = Value("b", 0)
"""What works beside it was begun; shared with whoever takes the place of a worker that ended before."""


def post_fork(server: object, worker: object) -> None:
    """Before the worker loads the application."""
    import django
    from django.core.management import call_command

    django.setup()
    call_command("ready")


def post_worker_init(worker: Any) -> None:
    """Once it answers, what works beside it is begun, once."""
    gunicorn_conf.post_worker_init(worker)
    if not _begun.value:
        _begun.value = 1
        subprocess.run([Path(__file__).with_name("beside"), str(worker.ppid)], check=True)
