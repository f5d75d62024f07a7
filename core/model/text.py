"""Text that can be written anywhere: into JSON, XML and a table, and read there as it was typed."""

import re

_UNWRITABLE = re.compile("[\x00-\x1f\x7f-\x9f\u2028-\u202e\u2066-\u2069\ud800-\udfff\ufffe\uffff]")
"""Control characters, halves of characters, and marks that turn the direction of what follows (Unicode Cc, Cs, Cf)."""
_LENGTH = re.compile(r"String should have at (least|most) (\d+) characters?")
_OF_AN_ID = "String should match pattern '^[a-z0-9]"
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


def plain_words(problem: str) -> str:
    """What validation says, as somebody reads it who did not write the program."""
    if problem.startswith("Input should be a valid dictionary"):
        return "must be an object in braces, with a name before each value"
    if problem.startswith(_OF_AN_ID):
        return "small letters a to z, digits and dashes, at most 80 of them"
    if length := _LENGTH.match(problem):
        return (
            "must not be empty"
            if length[1] == "least" and length[2] == "1"
            else f"at {length[1]} {length[2]} characters"
        )
    words = problem.removeprefix("Value error, ").replace("Input should be a valid", "must be a")
    return "is missing" if words == "Field required" else words.replace("Input should be", "must be")
