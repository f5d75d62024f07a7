"""Covering a rectangular floor with tiles or strips off a roll: whole pieces, cut pieces, waste."""

from dataclasses import dataclass
from math import ceil

WHOLE = 1e-9
"""A quotient this near a whole number is that number: 3.0 m of 0.5 m tiles is six, not seven."""


@dataclass(frozen=True)
class Cover:
    """What to buy for a floor. `units` are packs for tiles and metres of length for a roll."""

    units: int
    pieces: int
    """Tiles laid, or strips."""
    bought_m2: float
    waste_m2: float


def _pieces(span_m: float, piece_m: float) -> int:
    return ceil(span_m / piece_m - WHOLE)


def tile_cover(width_m: float, length_m: float, side_m: float, tiles_per_pack: int) -> Cover:
    """Tiles laid in rows from one corner; a cut tile is a used tile; packs rounded up.

    4.6 × 7.8 m in 0.6 m tiles: 8 × 13 = 104 tiles, 18 packs of 6, 38.88 m² bought, 3.00 m² of it waste.

    >>> tile_cover(4.6, 7.8, 0.6, 6).units, round(tile_cover(4.6, 7.8, 0.6, 6).waste_m2, 2)
    (18, 3.0)
    """
    tiles = _pieces(width_m, side_m) * _pieces(length_m, side_m)
    packs = ceil(tiles / tiles_per_pack)
    bought_m2 = packs * tiles_per_pack * side_m**2
    return Cover(packs, tiles, bought_m2, bought_m2 - width_m * length_m)


def roll_cover(width_m: float, length_m: float, roll_width_m: float) -> Cover:
    """Strips of full length along the room or across it, whichever buys less; length in whole metres.

    4.6 × 7.8 m off a 2 m roll: 3 strips of 7.8 m (24 m) or 4 of 4.6 m (19 m), so 19 m.

    >>> roll_cover(4.6, 7.8, 2.0).units, roll_cover(4.6, 7.8, 2.0).pieces
    (19, 4)
    """
    options = []
    for across_m, along_m in ((width_m, length_m), (length_m, width_m)):
        strips = _pieces(across_m, roll_width_m)
        options.append((ceil(strips * along_m - WHOLE), strips))
    metres, strips = min(options)
    bought_m2 = metres * roll_width_m
    return Cover(metres, strips, bought_m2, bought_m2 - width_m * length_m)
