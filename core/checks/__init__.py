"""The checks of the job. Importing this package registers all of them."""

from core.checks import (
    along,
    budget,
    fixings,
    floor,
    household,
    layouts,
    monitor,
    picture,
    purposes,
    readings,
    screen,
    software,
    space,
    swing,
    wishes,
    works,
)

__all__ = [
    "along",
    "budget",
    "fixings",
    "floor",
    "household",
    "layouts",
    "monitor",
    "picture",
    "purposes",
    "readings",
    "screen",
    "software",
    "space",
    "swing",
    "wishes",
    "works",
]
