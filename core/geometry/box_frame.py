"""The frame of an enclosure: its edges, what is padded, and what is hung with cloth."""

EDGES = 12
CORNERS = 8
CLOTH_PANELS = 3
"""Two sides and a roof."""


def frame_cuts_m(width_m: float, height_m: float, depth_m: float) -> tuple[float, ...]:
    """The twelve edges of the box, in metres.

    >>> round(sum(frame_cuts_m(2.9, 2.85, 1.0)), 3)
    27.0
    """
    return (width_m,) * 4 + (height_m,) * 4 + (depth_m,) * 4


def open_edge_m(width_m: float, height_m: float) -> float:
    """What a ball can reach at the mouth: both uprights and the top, in metres.

    >>> round(open_edge_m(2.9, 2.85), 3)
    8.6
    """
    return 2 * height_m + width_m
