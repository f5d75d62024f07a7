"""What is bought of a covering to lay a part of the floor."""

from core.geometry.floor_cover import Cover, roll_cover, tile_cover
from core.model.facts import known
from core.model.laying import Rectangle
from core.model.parts import Flooring, FloorRoll, FloorTiles


def floor_cover(flooring: Flooring, zone: Rectangle) -> Cover:
    """What to buy of `flooring` to cover `zone`. Raises `MissingFact` where its size is not stated."""
    if isinstance(flooring, FloorTiles):
        side_m, pack = known(flooring, "tile_side_m"), known(flooring, "tiles_per_pack")
        return tile_cover(zone.width_m, zone.length_m, side_m, pack)
    if isinstance(flooring, FloorRoll):
        return roll_cover(zone.width_m, zone.length_m, known(flooring, "roll_width_m"))
    raise TypeError(f"{type(flooring).__name__} has no way to be laid")


def unit_laid(flooring: Flooring) -> str:
    """What it is bought by."""
    return "packs" if isinstance(flooring, FloorTiles) else "m of roll"
