"""What of the bay takes up space."""

from dataclasses import dataclass
from typing import Literal

from core.geometry.picture import Picture
from core.geometry.shadow import Lens


@dataclass(frozen=True)
class Hood:
    """An enclosure: sizes outside, its depth from the screen, and the clear width and height inside, in metres."""

    outer_width_m: float
    outer_height_m: float
    depth_m: float
    inner_width_m: float
    inner_height_m: float


@dataclass(frozen=True)
class Furnishing:
    """What of the chain takes up space, sizes in metres; `None` where nothing hangs or its size is not known."""

    surface_m: float = 0.0
    floor_m: float = 0.0
    screen: tuple[float, float] | None = None
    """Width and height."""
    enclosure: Hood | None = None
    mat: tuple[float, float] | None = None
    """Width and length."""
    monitor: tuple[Literal["behind", "beside", "overhead"], float] | None = None
    """Where it is and how far from the ball: behind, beside, or ahead on the ceiling."""
    picture: Picture | None = None
    lens: Lens | None = None
