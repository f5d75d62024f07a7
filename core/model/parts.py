"""Typed spec sheets of everything that hangs on the chain.

A fact that a maker does not state is `None`; a check that needs it answers *unknown* and names it.
"""

from enum import StrEnum
from typing import Annotated, Literal

from pydantic import Field

from core.model.record import Degrees, Identifier, In, Metres, MetresPerSecond, MinorMoney, Name, Record
from core.quantities import Money, Unit

Pixels = Annotated[int, Field(gt=0, le=20_000)]
Gigabytes = Annotated[float, In(Unit.GIGABYTE), Field(ge=0, le=100_000)]
Grade = Annotated[int, In(Unit.GRADE), Field(ge=1, le=10)]
Lines = Annotated[int, In(Unit.LINES), Field(gt=0, le=10_000)]
Shape = Annotated[str, Field(pattern=r"^[1-9][0-9]?:[1-9][0-9]?$")]


class Price(Record):
    """A list price. Without `tax_included` the brief's tax is added."""

    minor: MinorMoney
    currency: str = "EUR"
    tax_included: bool = True

    @property
    def money(self) -> Money:
        """The price as money."""
        return Money(self.minor, self.currency)


class Billing(StrEnum):
    """How a plan is paid for."""

    FREE = "free"
    MONTHLY = "monthly"
    YEARLY = "yearly"
    ONCE = "once"


class Plan(Record):
    """One way of licensing a title or a monitor's own services."""

    id: Identifier
    name: Name
    billing: Billing = Billing.FREE
    price: Price | None = None
    """What one period costs, or the single payment; nothing for a free plan."""


class MonitorPlan(Plan):
    """A plan of a launch monitor's maker."""

    tier: Annotated[int, In(Unit.TIER), Field(ge=0, le=9)] = 0
    """Links to titles may ask for a tier at least this high."""
    bundled_titles: tuple[Identifier, ...] = ()
    """Titles whose plan costs nothing while this plan is held."""


class TitlePlan(Plan):
    """A plan of a software title."""

    courses: int | None = None


class Part(Record):
    """What every part says of itself."""

    id: Identifier
    maker: Name
    name: Name
    price: Price | None = None
    note: str = ""
    """One thing a buyer should know."""


class LaunchMonitor(Part):
    """What measures the strike and the flight."""

    both_hands: Literal["unmoved", "moved", "no"] | None = None
    """Serves right- and left-handers where it stands, only when moved across, or right-handers alone."""
    ball_speed_min_m_s: MetresPerSecond | None = None
    ball_speed_max_m_s: MetresPerSecond | None = None
    plans: tuple[MonitorPlan, ...] = ()


class FloorStanding(LaunchMonitor):
    """A monitor that stands on the floor or a pad of its own."""

    level_tolerance_m: Metres | None = None
    """How far its foot may be above or below the hitting surface."""
    distance_min_m: Metres | None = None
    distance_max_m: Metres | None = None
    """How far from the ball it may stand: behind it, or beside it for a side camera."""


class BehindTheBall(FloorStanding):
    """A monitor that stands behind the golfer and watches the ball fly."""

    flight_min_m: Metres | None = None
    """Free flight between ball and screen."""


class RearRadar(BehindTheBall):
    """Doppler radar behind the ball."""

    kind: Literal["rear_radar"] = "rear_radar"


class RadarCameraHybrid(BehindTheBall):
    """Radar and camera behind the ball."""

    kind: Literal["radar_camera_hybrid"] = "radar_camera_hybrid"


class SideCamera(FloorStanding):
    """Camera beside the ball, level with it."""

    kind: Literal["side_camera"] = "side_camera"


class OverheadCamera(LaunchMonitor):
    """Camera on the ceiling, in front of the ball."""

    kind: Literal["overhead_camera"] = "overhead_camera"
    mount_height_min_m: Metres | None = None
    mount_height_max_m: Metres | None = None
    ahead_min_m: Metres | None = None
    ahead_max_m: Metres | None = None


class MonitorLink(Record):
    """How a title listens to a monitor."""

    monitor: Identifier
    via: Literal["native", "connector"] = "native"
    tier: Annotated[int, In(Unit.TIER), Field(ge=0, le=9)] = 0
    """Least tier of the monitor maker's plan."""
    connector_price: Price | None = None


class MachineNeeds(Record):
    """What a title asks of a machine; `None` where its maker states nothing."""

    graphics_grade: Grade | None = None
    graphics_memory_gb: Gigabytes | None = None
    memory_gb: Gigabytes | None = None
    processor_grade: Grade | None = None
    storage_gb: Gigabytes | None = None


class ResolutionNeeds(Record):
    """A title's stated machine for pictures of up to `lines` lines."""

    lines: Lines
    minimum: MachineNeeds
    recommended: MachineNeeds


class Title(Part):
    """Simulator software."""

    kind: Literal["title"] = "title"
    shapes: tuple[Shape, ...] = ()
    """Picture shapes it can draw, width to height."""
    platforms: tuple[str, ...] = ()
    plans: tuple[TitlePlan, ...] = ()
    monitor_links: tuple[MonitorLink, ...] = ()
    machine_needs: tuple[ResolutionNeeds, ...] = ()


class Machine(Part):
    """What the title runs on. Grades are ordinal classes from 1 to 10, the same scale in every spec sheet."""

    platform: str | None = None
    graphics_grade: Grade | None = None
    graphics_memory_gb: Gigabytes | None = None
    memory_gb: Gigabytes | None = None
    processor_grade: Grade | None = None
    storage_gb: Gigabytes | None = None
    """Free storage."""
    output_lines: Annotated[int, In(Unit.LINES), Field(ge=0, le=10_000)] | None = None
    """Most lines it can send to a display; 0 without a video output."""


class Computer(Machine):
    """A desktop or laptop computer."""

    kind: Literal["computer"] = "computer"


class Tablet(Machine):
    """A tablet."""

    kind: Literal["tablet"] = "tablet"


class Display(Part):
    """What shows the picture."""

    width_px: Pixels | None = None
    height_px: Pixels | None = None


class Projector(Display):
    """A projector hung from the ceiling, upside down."""

    kind: Literal["projector"] = "projector"
    throw_min: Annotated[float, Field(gt=0, le=10)] | None = None
    throw_max: Annotated[float, Field(gt=0, le=10)] | None = None
    """Distance over raster width, at both ends of the zoom; the same twice without zoom."""
    lumens: Annotated[float, In(Unit.LUMEN), Field(gt=0, le=100_000)] | None = None
    native_contrast: Annotated[float, In(Unit.RATIO), Field(gt=1)] | None = None
    lens_above_min: float | None = None
    lens_above_max: float | None = None
    """Height of the lens over the top edge of the raster as a share of raster height, over the vertical shift."""
    keystone_max_deg: Degrees | None = None
    light_hours: Annotated[int, Field(gt=0, le=1_000_000)] | None = None
    """Rated life of the lamp or the light source, in hours."""


class Television(Display):
    """A television or monitor beside the bay."""

    kind: Literal["television"] = "television"
    width_m: Metres | None = None
    height_m: Metres | None = None


class Surface(Part):
    """What stops the ball."""

    width_m: Metres | None = None
    height_m: Metres | None = None
    rated_ball_speed_m_s: MetresPerSecond | None = None
    sound: Literal["loud", "damped", "quiet"] | None = None
    """How loud a struck ball is, as the maker tells it."""


class ImpactScreen(Surface):
    """Fabric that is struck and shows the picture."""

    kind: Literal["impact_screen"] = "impact_screen"
    border_m: Metres | None = None
    """Edge all round that carries no picture."""
    gain: Annotated[float, In(Unit.FACTOR), Field(gt=0, le=5)] | None = None


class Net(Surface):
    """A net: stops the ball, shows no picture."""

    kind: Literal["net"] = "net"


class Enclosure(Part):
    """Frame, sides and roof around the screen."""

    kind: Literal["enclosure"] = "enclosure"
    outer_width_m: Metres | None = None
    outer_height_m: Metres | None = None
    inner_width_m: Metres | None = None
    inner_height_m: Metres | None = None
    depth_m: Metres | None = None


class Mat(Part):
    """What the ball is struck from."""

    kind: Literal["mat"] = "mat"
    width_m: Metres | None = None
    length_m: Metres | None = None
    thickness_m: Metres | None = None
    strip_width_m: Metres | None = None
    strip_length_m: Metres | None = None


class Flooring(Part):
    """What covers the rest of the floor."""

    thickness_m: Metres | None = None


class FloorTiles(Flooring):
    """Square tiles, sold in packs; the price is that of a pack."""

    kind: Literal["floor_tiles"] = "floor_tiles"
    tile_side_m: Annotated[Metres, Field(gt=0.05)] | None = None
    tiles_per_pack: Annotated[int, Field(gt=0)] | None = None


class FloorRoll(Flooring):
    """Turf or carpet off a roll; the price is that of one metre of length."""

    kind: Literal["floor_roll"] = "floor_roll"
    roll_width_m: Annotated[Metres, Field(gt=0.1)] | None = None


AnyPart = Annotated[
    RearRadar
    | RadarCameraHybrid
    | SideCamera
    | OverheadCamera
    | Title
    | Computer
    | Tablet
    | Projector
    | Television
    | ImpactScreen
    | Net
    | Enclosure
    | Mat
    | FloorTiles
    | FloorRoll,
    Field(discriminator="kind"),
]
