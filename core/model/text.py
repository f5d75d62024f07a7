"""Text that can be written anywhere: into JSON, XML and a table, and read there as it was typed."""

import re

_UNWRITABLE = re.compile("[\x00-\x1f\x7f-\x9f\u2028-\u202e\u2066-\u2069\ud800-\udfff\ufffe\uffff]")
"""Control characters, halves of characters, and marks that turn the direction of what follows (Unicode Cc, Cs, Cf)."""
LINE_BREAKS = frozenset("\t\n\r")


def unwritable(text: str, allowed: frozenset[str] = frozenset()) -> str:
    """The first character of `text` that has no place in a text, named by its number; empty where there is none.

    >>> unwritable("Lärche 42 × 70"), unwritable("a\\x00b"), unwritable("two\\nlines", LINE_BREAKS)
    ('', 'U+0000', '')
    """
    return next((f"U+{ord(sign):04X}" for sign in _UNWRITABLE.findall(text) if sign not in allowed), "")


def one_line(text: str) -> str:
    """`text`, if it is one line that can be written anywhere. Raises `ValueError`."""
    if found := unwritable(text):
        raise ValueError(f"must hold no control characters ({found} is one)")
    return text
