"""The checks of the job. Importing this package registers all of them."""

from core.checks import (
    along,
    budget,
    fixings,
    floor,
    layouts,
    monitor,
    picture,
    readings,
    screen,
    software,
    space,
    swing,
    wishes,
)

__all__ = [
    "along",
    "budget",
    "fixings",
    "floor",
    "layouts",
    "monitor",
    "picture",
    "readings",
    "screen",
    "software",
    "space",
    "swing",
    "wishes",
]
