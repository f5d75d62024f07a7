"""What stops the ball, and the cloth behind and around it."""

from enum import StrEnum
from typing import Annotated, Literal, Self

from pydantic import Field, model_validator

from core.model.parts.base import Part, Weighed
from core.model.record import In, Metres, MetresPerSecond, Number, PositiveMetres, SizeMetres, Whole
from core.quantities import Unit

Sound = Literal["loud", "damped", "quiet"]
Stops = Literal["any_ball", "soft_balls"]


class Edge(StrEnum):
    """How the edge of a screen or net is made for hanging."""

    GROMMETS = "grommets"
    LOOPS = "loops"
    POCKETS = "pockets"
    HOOK_TAPE = "hook_tape"
    OWN_POLES = "own_poles"
    RAW = "raw"

    @property
    def words(self) -> str:
        """As a sentence says it."""
        words = {"hook_tape": "hook and loop tape", "own_poles": "poles of its own", "raw": "raw edge"}
        return words.get(self.value, self.value)

    @property
    def is_held_all_along(self) -> bool:
        """Without cords or hooks, one for each fixing."""
        return self in (Edge.POCKETS, Edge.HOOK_TAPE, Edge.OWN_POLES)


class Surface(Weighed):
    """What stops the ball."""

    width_m: SizeMetres | None = None
    """Outer width."""
    height_m: SizeMetres | None = None
    """Outer height."""
    rated_ball_speed_m_s: MetresPerSecond | None = None
    """Fastest ball that it is rated for."""
    rated_club_speed_m_s: MetresPerSecond | None = None
    """Fastest club that its seller quotes: a lower number than that of the ball, and says less."""
    stops: Stops | None = None
    """Whether it is made to stop any ball, or soft practice balls alone."""
    sound: Sound | None = None
    """How loud a struck ball is, as the maker tells it."""
    edge: Edge | None = None
    """How its edge is made for hanging."""
    edge_spacing_m: Annotated[Metres, Field(gt=0.02)] | None = None
    """From one fixing in its edge to the next."""


class PictureSurface(Surface):
    """What a picture is thrown on."""

    border_m: PositiveMetres | None = None
    """Edge all round that carries no picture."""
    gain: Annotated[Number, In(Unit.FACTOR), Field(gt=0, le=5)] | None = None
    """Light it gives back, against a plain white wall."""

    @model_validator(mode="after")
    def _picture_within_its_border(self) -> Self:
        for side_m in (self.width_m, self.height_m):
            if self.border_m is not None and side_m is not None and 2 * self.border_m >= side_m:
                raise ValueError("border_m at both sides must leave some of the screen for the picture")
        return self


class ImpactScreen(PictureSurface):
    """Fabric that is struck and shows the picture."""

    kind: Literal["impact_screen"] = "impact_screen"
    layers: Annotated[Whole, Field(ge=1, le=9)] | None = None
    """Layers of fabric."""
    needs_backing: bool | None = None
    """Light shows through: black cloth belongs behind it."""
    carries_picture: bool | None = None
    """Its face is light and smooth enough for a projected picture; black ones are not."""
    turns: Annotated[Whole, Field(ge=1, le=4)] | None = None
    """Ways up in which it can hang: 4 for a square with the same edge all round."""


class ProjectionSheet(PictureSurface):
    """A plain sheet for a picture. It is never struck: a ball goes through it, or comes back; a net hangs before it."""

    kind: Literal["projection_sheet"] = "projection_sheet"


class Net(Surface):
    """A net: stops the ball, shows no picture."""

    kind: Literal["net"] = "net"
    gives_m: PositiveMetres | None = None
    """How far a ball pushes it back: the room that it needs behind."""
    stand_off_m: PositiveMetres | None = None
    """Nearest that its maker lets one stand before it."""


class Baffle(Part):
    """Heavy cloth behind a net or screen that takes the sound and what is left of the ball."""

    kind: Literal["baffle"] = "baffle"
    width_m: SizeMetres | None = None
    """Width of the cloth."""
    height_m: SizeMetres | None = None
    """Height of the cloth."""
    sound: Sound | None = None
    """How loud a ball is with it behind the surface."""


class MaskingCloth(Part):
    """Dark cloth off the roll, behind a thin screen or around the picture; the price is that of a metre."""

    kind: Literal["masking_cloth"] = "masking_cloth"
    roll_width_m: Annotated[Metres, Field(gt=0.1)] | None = None
    """Width of the roll."""
    black: bool | None = None
    """Black and matt, so that no light comes back."""
