"""Ids and names that nothing else has yet."""

import re
from collections.abc import Iterable

LONGEST_STEM = 100
"""Of a name of 120 characters, what is kept before ', copy' and a number."""


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


def copy_name(name: str, taken: Iterable[str], what: str = "copy") -> str:
    """What a copy of `name`, or `what` else it is, is called, which is no longer than a name may be.

    >>> copy_name("Attic", ["Attic"]), copy_name("Attic, copy", ["Attic", "Attic, copy", "Attic, copy 2"])
    ('Attic, copy', 'Attic, copy 3')
    """
    stem = re.sub(rf", {what}( \d+)?$", "", name)[:LONGEST_STEM]
    used, number = set(taken), 1
    while (candidate := f"{stem}, {what}" if number == 1 else f"{stem}, {what} {number}") in used:
        number += 1
    return candidate
