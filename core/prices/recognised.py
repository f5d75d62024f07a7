"""Which part of the catalogue a shop means by what it sells."""

import re
from collections.abc import Iterable

from core.model.found import Listed

_WORD = re.compile(r"\w+")
CONDITION_WORDS = frozenset({"new", "used", "refurbished", "ex", "display"})
"""Words in a name that tell the state of a thing, and not which thing."""


class Recognition:
    """Finds parts by the number that a shop may share with the catalogue, else by all words of maker and name."""

    def __init__(self, listed: Iterable[Listed]) -> None:
        self._by_words: dict[frozenset[str], str | None] = {}
        self._ids: set[str] = set()
        for line in listed:
            self._ids.add(line.id)
            words = words_of(f"{line.maker} {line.name}")
            self._by_words[words] = line.id if words not in self._by_words else None

    def part_of(self, key: str, called: str) -> str | None:
        """The part of that number or name; `None` where there is none, or where two are called so."""
        if key in self._ids:
            return key
        return self._by_words.get(words_of(called))


def words_of(name: str) -> frozenset[str]:
    """The words of a name, in any order and spelling, without those that tell its condition."""
    return frozenset(_WORD.findall(name.casefold())) - CONDITION_WORDS
