"""Operating systems, as people and makers write them: compared by their family, not to the letter."""

FAMILIES = (
    ("windows", ("windows", "win")),
    ("macos", ("macos", "mac os", "os x", "mac")),
    ("ipados", ("ipados", "ipad")),
    ("ios", ("ios", "iphone")),
    ("android", ("android",)),
    ("linux", ("linux", "ubuntu", "debian", "fedora")),
)
"""Each family, and how its systems begin."""


def family_of(system: str) -> str:
    """The family of a system; its own words where it is of none.

    >>> [family_of(words) for words in ("Windows 11", "WINDOWS", "macOS 15", "Mac OS X", "iPadOS", "Haiku R1")]
    ['windows', 'windows', 'macos', 'macos', 'ipados', 'haiku r1']
    """
    words = " ".join(system.lower().split())
    return next((family for family, starts in FAMILIES if words.startswith(starts)), words)


def runs_on(system: str, offered: tuple[str, ...]) -> bool:
    """`system` is of the family of one that is offered."""
    return family_of(system) in {family_of(one) for one in offered}
