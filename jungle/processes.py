"""This process and others of this machine."""

import gc
import os

COLLECT_AFTER = 50_000
"""A report makes some ten thousand small values at once; collecting amid them found nothing and took a quarter."""


def keep_what_is_loaded() -> None:
    """What is loaded by now stays for good: keep it out of every collection, and its pages shared."""
    gc.freeze()
    gc.set_threshold(COLLECT_AFTER, 20, 20)


def lives(process: int) -> bool:
    """A process of that number runs."""
    try:
        os.kill(process, 0)
    except OSError:
        return False
    return True
