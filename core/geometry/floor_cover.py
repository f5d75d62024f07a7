"""Covering a rectangular floor with tiles or strips off a roll: whole pieces, cut pieces, waste."""

from dataclasses import dataclass
from math import ceil

from core.quantities.tolerances import ROUNDING


@dataclass(frozen=True)
class Cover:
    """What to buy for a floor. `units` are packs for tiles and metres of length for a roll."""

    units: int
    pieces: int
    """Tiles laid, or strips."""
    bought_m2: float
    waste_m2: float


def _pieces(span_m: float, piece_m: float) -> int:
    return ceil(span_m / piece_m - ROUNDING)


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
    strips, each_m = roll_strips(width_m, length_m, roll_width_m)
    metres = ceil(strips * each_m - ROUNDING)
    bought_m2 = metres * roll_width_m
    return Cover(metres, strips, bought_m2, bought_m2 - width_m * length_m)


def roll_strips(width_m: float, length_m: float, roll_width_m: float) -> tuple[int, float]:
    """How many strips lie side by side, laid the way that buys less, and how long each is, in metres."""
    ways = (
        (_pieces(across_m, roll_width_m), along_m) for across_m, along_m in ((width_m, length_m), (length_m, width_m))
    )
    return min(ways, key=lambda way: (ceil(way[0] * way[1] - ROUNDING), way[0]))


def tape_m(width_m: float, length_m: float, roll_width_m: float) -> float:
    """Tape along all walls and along the seams between the strips, in metres.

    4.6 × 7.0 m off a 4 m roll: two strips of 4.6 m, so one seam of 4.6 m beside 23.2 m of walls.

    >>> round(tape_m(4.6, 7.0, 4.0), 2)
    27.8
    """
    return 2 * (width_m + length_m) + seams_m(width_m, length_m, roll_width_m)


def seams_m(width_m: float, length_m: float, roll_width_m: float) -> float:
    """Length of all seams between the strips, in metres: the one of 4.6 m above; none where one strip covers it.

    >>> seams_m(4.6, 7.0, 4.0), seams_m(4.0, 3.5, 4.0)
    (4.6, 0.0)
    """
    strips, each_m = roll_strips(width_m, length_m, roll_width_m)
    return (strips - 1) * each_m
