"""Where every part of the bay is: placed, named, dimensioned, with its material; all else are views of it."""

from core.bay.bay import Bay, FloorLayer, Hood, MonitorPlace, Sizes, bay_of, hood_solids, machine_box, projector_box
from core.bay.bodies import MONITOR_BODY, PROJECTOR_BODY, SIDE_BULGE_M

__all__ = [
    "MONITOR_BODY",
    "PROJECTOR_BODY",
    "SIDE_BULGE_M",
    "Bay",
    "FloorLayer",
    "Hood",
    "MonitorPlace",
    "Sizes",
    "bay_of",
    "hood_solids",
    "machine_box",
    "projector_box",
]
