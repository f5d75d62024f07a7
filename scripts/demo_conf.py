"""How the demo is served: the process that makes ready what it needs is the one that answers, and loads all once."""

import subprocess
from pathlib import Path
from typing import Any

from scripts import gunicorn_conf
from scripts.gunicorn_conf import bind, forwarder_headers, loglevel, threads, umask

__all__ = ["bind", "forwarder_headers", "loglevel", "post_fork", "post_worker_init", "threads", "timeout", "umask"]

workers = 1
timeout = 300
"""Seconds without a word from the worker: the first time it makes the sample world before it says any."""


def post_fork(server: object, worker: object) -> None:
    """Before the worker loads the application."""
    import django
    from django.core.management import call_command

    django.setup()
    call_command("ready")


def post_worker_init(worker: Any) -> None:
    """Once it answers, what works beside it is begun, unless it takes the place of one that ended."""
    gunicorn_conf.post_worker_init(worker)
    if worker.age == 1:
        subprocess.run([Path(__file__).with_name("beside"), str(worker.ppid)], check=True)
