"""What shows the picture."""

from typing import Annotated, Literal

from pydantic import Field

from core.model.parts.base import Device, Weighed
from core.model.parts.machines import VideoPort
from core.model.record import Decibels, Degrees, Hours, In, Number, Several, SizeMetres, Watts, Whole
from core.quantities import Unit

Pixels = Annotated[Whole, In(Unit.PIXELS), Field(gt=0, le=20_000)]
Ratio = Annotated[Number, Field(ge=0.05, le=10)]
LensShift = Annotated[Number, Field(ge=-5, le=5)]
LightSource = Literal["lamp", "laser", "led"]


class Display(Device, Weighed):
    """What shows the picture."""

    width_px: Pixels | None = None
    """Pixels across the panel."""
    height_px: Pixels | None = None
    """Lines of the panel."""
    inputs: Several[VideoPort] | None = None
    """Plugs that it takes a picture from."""
    speaker_w: Watts | None = None
    """Power of its own speaker; 0 without one."""
    noise_db: Decibels | None = None
    """How loud its fan is, a metre away."""
    remote_included: bool | None = None
    """A remote is in the box."""


class Projector(Display):
    """A projector hung from the ceiling, upside down."""

    kind: Literal["projector"] = "projector"
    throw_min: Ratio | None = None
    """Distance over raster width at the wide end of the zoom."""
    throw_max: Ratio | None = None
    """Distance over raster width at the long end; the same as the other without zoom."""
    lumens: Annotated[Number, In(Unit.LUMEN), Field(gt=0, le=100_000)] | None = None
    """Stated brightness."""
    native_contrast: Annotated[Number, In(Unit.RATIO), Field(gt=1, le=10_000_000)] | None = None
    """White over black of the machine itself."""
    lens_above_min: LensShift | None = None
    """Lowest height of the lens over the raster's top edge, as a share of raster height."""
    lens_above_max: LensShift | None = None
    """Highest, over the vertical shift; the same as the lowest without shift."""
    keystone_max_deg: Degrees | None = None
    """Most tilt that it can square."""
    lens_aside_max: Annotated[Number, Field(ge=0, le=5)] | None = None
    """Furthest that the lens may be beside the picture's middle, as a share of raster width; 0 without shift across."""
    keystone_across_max_deg: Degrees | None = None
    """Most turn to one side that it can square."""
    light: LightSource | None = None
    """What makes its light: a lamp can be bought again, a laser or LED is built in."""
    light_hours: Annotated[Hours, Field(gt=0)] | None = None
    """Rated life of the lamp or the light source."""


class StandingDisplay(Display):
    """A display that stands beside the bay and is never struck."""

    width_m: SizeMetres | None = None
    """Outer width."""
    height_m: SizeMetres | None = None
    """Outer height."""


class Television(StandingDisplay):
    """A television."""

    kind: Literal["television"] = "television"


class DeskMonitor(StandingDisplay):
    """A computer's monitor."""

    kind: Literal["desk_monitor"] = "desk_monitor"
