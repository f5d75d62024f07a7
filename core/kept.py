"""What pure functions of frozen values have answered, kept by the identity of what they were asked about."""

from collections.abc import Callable
from functools import wraps
from typing import ParamSpec, TypeVar, cast

P = ParamSpec("P")
T = TypeVar("T")
MOST_KEPT = 512
"""Answers of one function; beyond that all are forgotten, and the memory begins anew."""


def kept(function: Callable[P, T]) -> Callable[P, T]:
    """`function`, asked again only about other objects; for positional arguments that never change.

    Records are large, and comparing or hashing one costs more than most questions about it; yet one build is weighed
    with forty candidates for a place, and of all other places the very same objects are asked about. Keeping the
    arguments with the answer makes sure that no other object can take their identity.

    >>> asked = []
    >>> def length(words: list[str]) -> int:
    ...     asked.append(words)
    ...     return len(words)
    >>> one, same = ["a"], ["a"]
    >>> ask = kept(length)
    >>> ask(one), ask(one), ask(same), len(asked)
    (1, 1, 1, 2)
    """
    ask = cast(Callable[..., T], function)
    memory: dict[tuple[int, ...], tuple[tuple[object, ...], T]] = {}

    @wraps(function)
    def answered(*args: object) -> T:
        key = tuple(map(id, args))
        found = memory.get(key)
        if found is None:
            if len(memory) >= MOST_KEPT:
                memory.clear()
            found = memory[key] = (args, ask(*args))
        return found[1]

    return cast(Callable[P, T], answered)
