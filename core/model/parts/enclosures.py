"""Frame, sides and roof around the screen, ready-made or in pieces."""

from enum import StrEnum
from typing import Annotated, Literal

from pydantic import Field

from core.model.parts.base import Part, Weighed
from core.model.parts.surfaces import Edge
from core.model.record import In, Kilograms, Metres, Number, Pieces, PositiveMetres, Several, SizeMetres
from core.quantities import Unit


class KitPiece(StrEnum):
    """What an enclosure is made of; a kit brings some of it and leaves the rest to the buyer."""

    FRAME = "frame"
    FITTINGS = "fittings"
    CLOTH = "cloth"
    CORDS = "cords"
    EDGE_PADDING = "edge_padding"
    SILL_PAD = "sill_pad"
    FEET = "feet"

    @property
    def words(self) -> str:
        """As a sentence says it."""
        return {"cloth": "side and roof cloth", "cords": "bungee cords"}.get(self.value, self.value.replace("_", " "))


class Enclosure(Part):
    """Frame, sides and roof around the screen."""

    kind: Literal["enclosure"] = "enclosure"
    outer_width_m: SizeMetres | None = None
    """Width of the frame outside."""
    outer_height_m: SizeMetres | None = None
    """Height of the frame outside."""
    inner_width_m: SizeMetres | None = None
    """Clear width inside."""
    inner_height_m: SizeMetres | None = None
    """Clear height inside."""
    depth_m: SizeMetres | None = None
    """From the screen to its front edge."""
    sides: bool | None = None
    """It has panels at both sides."""
    roof: bool | None = None
    """It has a panel overhead."""
    takes_edges: Several[Edge] | None = None
    """Edges of a screen that its frame can hold."""
    leaves_out: Several[KitPiece] | None = None
    """What the kit leaves to the buyer; empty for one that is complete."""
    frame_of: Literal["pipe", "timber"] = "pipe"
    """What its frame is made of, where that is made at home."""


class FrameMaterial(Weighed):
    """Pipe, timber or board for a frame; the price is that of one stick or sheet."""

    kind: Literal["frame_material"] = "frame_material"
    material: Literal["pipe", "timber", "board", "cable"] | None = None
    """What it is."""
    stock_length_m: Annotated[Metres, Field(gt=0.1)] | None = None
    """Length of one stick as it is sold."""
    section_m: SizeMetres | None = None
    """Its thickness."""


class FrameFitting(Part):
    """Corners, clamps, screws and feet for a frame, in packs; the price is that of a pack."""

    kind: Literal["frame_fitting"] = "frame_fitting"
    material: Literal["pipe", "timber", "board", "cable"] | None = None
    """The frame material that it is made for."""
    fits_section_m: SizeMetres | None = None
    """Thickness of the sticks that it takes."""
    pack_size: Annotated[Pieces, Field(gt=0)] | None = None
    """Pieces in a pack."""


class SideProtection(Part):
    """Netting or cloth beside and over the bay."""

    kind: Literal["side_protection"] = "side_protection"
    width_m: SizeMetres | None = None
    """Length along the bay."""
    height_m: SizeMetres | None = None
    """Height."""
    roof: bool | None = None
    """Made for overhead too."""


class Padding(Part):
    """Foam for edges, sills and walls, in packs; the price is that of a pack."""

    kind: Literal["padding"] = "padding"
    purpose: Literal["edge", "sill", "wall", "topper"] | None = None
    """What it is made for; a topper goes behind the screen and takes half the rebound."""
    length_m: SizeMetres | None = None
    """Length of one piece."""
    thickness_m: SizeMetres | None = None
    """How thick it is."""
    pack_size: Annotated[Pieces, Field(gt=0)] | None = None
    """Pieces in a pack."""


class Hanging(Part):
    """Cords, hooks or eye bolts to hang a screen or net by, in packs; the price is that of a pack."""

    kind: Literal["hanging"] = "hanging"
    takes: Several[Edge] | None = None
    """Edges that it holds."""
    load_kg: Kilograms | None = None
    """What one of them carries."""
    pack_size: Annotated[Pieces, Field(gt=0)] | None = None
    """Pieces in a pack."""


class Mount(Weighed):
    """What a projector, an overhead monitor or a display hangs from."""

    kind: Literal["mount"] = "mount"
    holds: Literal["projector", "overhead_camera", "display"] | None = None
    """What it is made for."""
    load_kg: Kilograms | None = None
    """Most weight that it carries."""
    drop_min_m: PositiveMetres | None = None
    """From the ceiling to what hangs on it, at its shortest."""
    drop_max_m: PositiveMetres | None = None
    """The same at its longest."""
    reach_m: Annotated[Number, In(Unit.METRE), Field(ge=0, le=1)] | None = None
    """How far from its fixings it can place what it holds."""
