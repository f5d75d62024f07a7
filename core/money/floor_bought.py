"""What is bought of a covering to lay parts of the floor, and what is left of it."""

from math import ceil
from typing import NamedTuple

from core.geometry.floor_cover import Cover, roll_cover, tile_cover
from core.model.facts import known
from core.model.laying import Rectangle
from core.model.parts import Flooring, FloorRoll, FloorTiles
from core.quantities import Quantity, Unit


class Laid(NamedTuple):
    """What is bought for one part of the floor."""

    units: int
    """Packs, or metres off a roll; none where tiles that are left of other parts are enough."""
    left_over: Quantity
    """Whole tiles, of all parts so far; or what is cut off a roll."""
    tiles: int = 0
    """Laid here, cut ones included."""


def floor_cover(flooring: Flooring, zone: Rectangle) -> Cover:
    """What to buy of `flooring` to cover `zone` alone. Raises `MissingFact` where its size is not stated."""
    if isinstance(flooring, FloorTiles):
        side_m, pack = known(flooring, "tile_side_m"), known(flooring, "tiles_per_pack")
        return tile_cover(zone.width_m, zone.length_m, side_m, pack)
    if isinstance(flooring, FloorRoll):
        return roll_cover(zone.width_m, zone.length_m, known(flooring, "roll_width_m"))
    raise TypeError(f"{type(flooring).__name__} has no way to be laid")


def laid(flooring: Flooring, zone: Rectangle, tiles_before: int = 0) -> Laid:
    """What to buy of `flooring` for `zone`, where so many of the same tiles are laid elsewhere already.

    Packs are for all of them together: what is left of one part of the floor goes on in the next. Off-cuts of a roll
    do not. Raises `MissingFact` as `floor_cover` does.
    """
    cover = floor_cover(flooring, zone)
    if not isinstance(flooring, FloorTiles):
        return Laid(cover.units, Quantity(cover.waste_m2, Unit.SQUARE_METRE))
    pack = known(flooring, "tiles_per_pack")
    packs_before, tiles = ceil(tiles_before / pack), tiles_before + cover.pieces
    packs = ceil(tiles / pack)
    return Laid(packs - packs_before, Quantity(packs * pack - tiles, Unit.PIECES), cover.pieces)


def unit_laid(flooring: Flooring) -> str:
    """What it is bought by."""
    return "packs" if isinstance(flooring, FloorTiles) else "m of roll"
