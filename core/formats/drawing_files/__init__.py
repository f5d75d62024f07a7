"""The drawing as files that other programs open: SVG on a page at a stated scale, DXF in metres."""

from core.formats.drawing_files.dxf import drawing_dxf
from core.formats.drawing_files.svg import drawing_svg

__all__ = ["drawing_dxf", "drawing_svg"]
