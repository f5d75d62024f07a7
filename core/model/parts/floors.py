"""Mats, floor covering, and what lies or stands on them."""

from typing import Annotated, Literal

from pydantic import Field

from core.model.parts.base import Part, Weighed
from core.model.record import In, Metres, Pieces, PositiveMetres, SizeMetres, Whole
from core.quantities import Unit

Cushion = Literal["hard", "firm", "soft"]


class Mat(Weighed):
    """What the ball is struck from."""

    width_m: SizeMetres | None = None
    """Across the target line."""
    length_m: SizeMetres | None = None
    """Along the target line."""
    thickness_m: SizeMetres | None = None
    """From its foot to where the ball lies."""
    strip_width_m: SizeMetres | None = None
    """Width of what may be struck."""
    strip_length_m: SizeMetres | None = None
    """Length of what may be struck."""
    cushion: Cushion | None = None
    """How it takes a heavy shot: hard ones hurt wrists and elbows."""
    takes_tee: bool | None = None
    """A wooden tee can be pushed into it."""


class HittingMat(Mat):
    """A mat to stand on and strike from."""

    kind: Literal["mat"] = "mat"


class HittingStrip(Mat):
    """A strip to strike from, let into the floor around it."""

    kind: Literal["hitting_strip"] = "hitting_strip"


class Flooring(Part):
    """What covers the rest of the floor."""

    thickness_m: SizeMetres | None = None
    """How thick it is when laid."""
    soft: bool | None = None
    """A dropped ball hardly bounces on it."""
    pile_m: PositiveMetres | None = None
    """Height of its pile; balls roll true on a short one."""


class FloorTiles(Flooring):
    """Square underlay or finished tiles, sold in packs; the price is that of a pack."""

    kind: Literal["floor_tiles"] = "floor_tiles"
    tile_side_m: Annotated[Metres, Field(gt=0.05)] | None = None
    """Side of a tile."""
    tiles_per_pack: Annotated[Pieces, Field(gt=0)] | None = None
    """Tiles in a pack."""


class FloorRoll(Flooring):
    """A covering off a roll; the price is that of one metre of length."""

    roll_width_m: Annotated[Metres, Field(gt=0.1)] | None = None
    """Width of the roll."""


class Turf(FloorRoll):
    """Artificial turf off a roll."""

    kind: Literal["turf"] = "turf"


class Carpet(FloorRoll):
    """Carpet off a roll."""

    kind: Literal["carpet"] = "carpet"


class PuttingSurface(Part):
    """A strip with short pile to putt on, laid in front of the ball."""

    kind: Literal["putting_surface"] = "putting_surface"
    width_m: SizeMetres | None = None
    """Width of the strip."""
    length_m: SizeMetres | None = None
    """Length of the strip."""
    pile_m: PositiveMetres | None = None
    """Height of its pile."""


class Tees(Part):
    """Tees, in packs."""

    kind: Literal["tees"] = "tees"
    tethered: bool | None = None
    """On a cord: they stay on the mat."""
    through_mat: bool | None = None
    """Pulled through a hole in the mat from below: that hole grows."""
    pack_size: Annotated[Pieces, Field(gt=0)] | None = None
    """Tees in a pack."""


class Balls(Part):
    """Balls for the bay, in packs."""

    kind: Literal["balls"] = "balls"
    marked: bool | None = None
    """They carry the mark by which a camera reads spin."""
    soft: bool | None = None
    """Foam or felt practice balls, which fly short and hurt nobody."""
    print_free: bool | None = None
    """Plain, so that no print rubs off on the screen."""
    pack_size: Annotated[Pieces, Field(gt=0)] | None = None
    """Balls in a pack."""


class Tray(Part):
    """A tray or basket for balls."""

    kind: Literal["ball_tray"] = "ball_tray"
    holds: Annotated[Whole, In(Unit.PIECES), Field(gt=0, le=1000)] | None = None
    """Balls that it holds."""
