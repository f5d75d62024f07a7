"""What of a build's readings takes up space in the drawing. What is not known is left out."""

from typing import Literal, TypeVar

from core.checks.readings import HittingSurface, MonitorSpot
from core.checks.registry import Readings
from core.geometry.picture import Picture
from core.geometry.scene import Furnishing
from core.geometry.shadow import Lens
from core.model.parts import Enclosure, Mat, OverheadCamera, SideCamera, Surface

T = TypeVar("T")


def furnishing_of(readings: Readings) -> Furnishing:
    """Sizes and places of all that hangs."""
    surface = _reading(readings, HittingSurface)
    return Furnishing(
        surface_m=surface.height_m if surface else 0.0,
        floor_m=surface.floor_m if surface else 0.0,
        screen=_screen(_reading(readings, Surface)),
        enclosure=_enclosure(_reading(readings, Enclosure)),
        mat=_mat(_reading(readings, Mat)),
        monitor=_monitor(readings),
        picture=_reading(readings, Picture),
        lens=_reading(readings, Lens),
    )


def _reading(readings: Readings, kind: type[T]) -> T | None:
    value = readings.get(kind)
    return value if isinstance(value, kind) else None


def _screen(screen: Surface | None) -> tuple[float, float] | None:
    if screen is None or screen.width_m is None or screen.height_m is None:
        return None
    return screen.width_m, screen.height_m


def _enclosure(box: Enclosure | None) -> tuple[float, float, float] | None:
    if box is None or box.outer_width_m is None or box.outer_height_m is None or box.depth_m is None:
        return None
    return box.outer_width_m, box.outer_height_m, box.depth_m


def _mat(mat: Mat | None) -> tuple[float, float] | None:
    if mat is None or mat.width_m is None or mat.length_m is None:
        return None
    return mat.width_m, mat.length_m


def _monitor(readings: Readings) -> tuple[Literal["behind", "beside", "overhead"], float] | None:
    overhead = _reading(readings, OverheadCamera)
    if overhead is not None:
        near_m, far_m = overhead.ahead_min_m, overhead.ahead_max_m
        return None if near_m is None or far_m is None else ("overhead", (near_m + far_m) / 2)
    spot = _reading(readings, MonitorSpot)
    if spot is None:
        return None
    return ("beside" if _reading(readings, SideCamera) else "behind"), spot.distance_m
