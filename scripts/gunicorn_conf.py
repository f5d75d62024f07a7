"""How gunicorn serves: one process for one person, two for others; and a garbage collector that leaves code alone."""

import os

from jungle.processes import keep_what_is_loaded

port = os.environ.get("JUNGLE_PORT", "8321")
bind = os.environ.get("JUNGLE_BIND", f"127.0.0.1:{port}")
workers = int(os.environ.get("JUNGLE_WORKERS", "2" if os.environ.get("JUNGLE_LOCAL") == "0" else "1"))
threads = 4
preload_app = workers > 1
"""Several share what is loaded before they are made; one has nobody to share it with."""
loglevel = "warning"
umask = 0o077
forwarder_headers = ""  # Which of them are believed, and from whom, is for jungle.web.client to say.


def pre_fork(server: object, worker: object) -> None:
    """Before a worker is made."""
    keep_what_is_loaded()


def post_worker_init(worker: object) -> None:
    """Once a worker has loaded the application, and answers."""
    keep_what_is_loaded()
    told = bind if bind.startswith("unix:") else f"http://{bind}/"
    if getattr(worker, "age", 1) == 1:
        print(f"\nJungle is at {told} (Ctrl C stops it)", flush=True)
