"""Long work tells how far it is, and stops where nobody wants it any more."""

from collections.abc import Callable

Progress = Callable[[float, str], bool]
"""Told the share that is done and what is looked at; answers whether to go on."""


class Stopped(Exception):
    """Nobody wants it any more."""


def unwatched(share_done: float, words: str) -> bool:
    """Goes on to the end."""
    return True


def tell_progress(progress: Progress, share_done: float, words: str) -> None:
    """Tell it how far it is. Raises `Stopped` where it answers not to go on."""
    if not progress(share_done, words):
        raise Stopped
