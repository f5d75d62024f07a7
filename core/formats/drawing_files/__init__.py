"""The drawing as files that other programs open: SVG on a page at a stated scale, DXF in metres."""
