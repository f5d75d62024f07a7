"""Ids and names that nothing else has yet."""

from collections.abc import Iterable


def free_id(kind: str, taken: Iterable[str]) -> str:
    """`beam`, or `beam-2` where that is taken.

    >>> free_id("beam", ["beam", "beam-2"])
    'beam-3'
    """
    used, number = set(taken), 1
    while (candidate := kind if number == 1 else f"{kind}-{number}") in used:
        number += 1
    return candidate


def free_name(kind: str, taken: Iterable[str]) -> str:
    """As `free_id`, as people say it."""
    return free_id(kind, taken).replace("-", " ")
