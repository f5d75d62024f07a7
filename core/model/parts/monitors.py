"""Launch monitors: what they measure, where they stand, and what unlocks their data."""

from enum import StrEnum
from typing import Annotated, Literal

from pydantic import Field

from core.model.parts.base import Billing, Device, MonitorId, Part, Plan, TitleId, Year
from core.model.record import Hours, In, MetresPerSecond, PositiveMetres, Several, Whole, Word
from core.quantities import Unit

Tier = Annotated[Whole, In(Unit.TIER), Field(ge=0, le=9)]


class DataField(StrEnum):
    """One number that a monitor tells of a shot."""

    BALL_SPEED = "ball_speed"
    LAUNCH_ANGLE = "launch_angle"
    LAUNCH_DIRECTION = "launch_direction"
    SPIN_RATE = "spin_rate"
    SPIN_AXIS = "spin_axis"
    CARRY = "carry"
    CLUB_SPEED = "club_speed"
    CLUB_PATH = "club_path"
    FACE_ANGLE = "face_angle"
    ATTACK_ANGLE = "attack_angle"
    IMPACT_LOCATION = "impact_location"
    PUTTING = "putting"

    @property
    def words(self) -> str:
        """As a sentence says it."""
        return self.value.replace("_", " ")


class Disturbance(StrEnum):
    """What keeps a monitor from reading well when it is near."""

    FAN = "fan"
    HEATER = "heater"
    PEOPLE = "people"
    RADIO = "radio"
    SUNLIGHT = "sunlight"


class DataLink(StrEnum):
    """How data travel between two devices."""

    WIFI = "wifi"
    BLUETOOTH = "bluetooth"
    USB = "usb"
    NETWORK = "network"

    @property
    def words(self) -> str:
        """As a sentence says it."""
        return {"wifi": "Wi-Fi", "bluetooth": "Bluetooth", "usb": "USB", "network": "network cable"}[self.value]

    @property
    def through_air(self) -> bool:
        """There is no cable: the signal has to be tested where it is needed."""
        return self in (DataLink.WIFI, DataLink.BLUETOOTH)


class MonitorPlan(Plan):
    """A plan of a launch monitor's maker."""

    tier: Tier = 0
    """Links to titles may ask for a tier at least this high."""
    bundled_titles: Several[TitleId] = ()
    """Titles whose plan costs nothing while this plan is held."""
    unlocks: Several[DataField] = ()
    """Data that are told only under this plan."""


class LaunchMonitor(Device):
    """What measures the strike and the flight."""

    both_hands: Literal["unmoved", "moved", "no"] | None = None
    """Serves right- and left-handers where it stands, only when moved across, or right-handers alone."""
    ball_speed_min_m_s: MetresPerSecond | None = None
    """Slowest ball that it reads."""
    ball_speed_max_m_s: MetresPerSecond | None = None
    """Fastest ball that it reads."""
    measures: Several[DataField] | None = None
    """Data that it measures itself, without any plan that is paid for."""
    derives: Several[DataField] = ()
    """Data that it estimates from others."""
    by_package: Several[DataField] = ()
    """Data that a package of its maker adds, bought besides any plan."""
    links: Several[DataLink] | None = None
    """Ways in which shots reach the machine."""
    platforms: Several[Word] | None = None
    """Systems that its maker's own program runs on."""
    marked_ball: Literal["no", "better", "needed"] | None = None
    """Whether balls must carry a mark for it to read spin."""
    dislikes: Several[Disturbance] | None = None
    """What must not be near it at work."""
    battery_hours: Hours | None = None
    """How long it runs off its own battery; 0 for one that needs a socket."""
    room_width_min_m: PositiveMetres | None = None
    """Narrowest room its maker allows indoors."""
    room_length_min_m: PositiveMetres | None = None
    """Shortest room its maker allows indoors."""
    room_height_min_m: PositiveMetres | None = None
    """Lowest ceiling its maker allows indoors."""
    wants_lamp: bool | None = None
    """It needs light on the ball to see it."""
    portable: bool | None = None
    """Can be taken to a range and back."""
    case_included: bool | None = None
    """Comes with a case that stands up to a struck ball."""
    edition_year: Year | None = None
    """The year in which this edition came out."""
    supported_until: Year | None = None
    """The last year in which its maker keeps it up to date; empty while no end has been told."""
    plans: Several[MonitorPlan] = ()
    """Ways of licensing the maker's own services."""


class FloorStanding(LaunchMonitor):
    """A monitor that stands on the floor or a pad of its own."""

    level_tolerance_m: PositiveMetres | None = None
    """How far its foot may be above or below the hitting surface."""
    distance_min_m: PositiveMetres | None = None
    """Nearest to the ball that it may stand."""
    distance_max_m: PositiveMetres | None = None
    """Furthest from the ball that it may stand: behind it, or beside it for a side camera."""


class BehindTheBall(FloorStanding):
    """A monitor that stands behind the golfer and watches the ball fly."""

    flight_min_m: PositiveMetres | None = None
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
    mount_height_min_m: PositiveMetres | None = None
    """Lowest mount above the hitting surface."""
    mount_height_max_m: PositiveMetres | None = None
    """Highest mount above the hitting surface."""
    ahead_min_m: PositiveMetres | None = None
    """Least distance in front of the ball."""
    ahead_max_m: PositiveMetres | None = None
    """Greatest distance in front of the ball."""


class MonitorPackage(Part):
    """An add-on that unlocks data of a monitor, besides its plans."""

    kind: Literal["monitor_package"] = "monitor_package"
    monitors: Several[MonitorId] = ()
    """The monitors that it is made for."""
    unlocks: Several[DataField] = ()
    """Data that it adds."""
    needs_tier: Tier | None = None
    """Least tier of the maker's plan that it works with; 0 with any."""
    billing: Billing = Billing.ONCE
    """How its price is paid."""


class MonitorCase(Part):
    """A case that stands up to a struck ball."""

    kind: Literal["case"] = "case"
    monitors: Several[MonitorId] = ()
    """The monitors that it is made for."""
    material: Word | None = None
    """What it is made of."""
