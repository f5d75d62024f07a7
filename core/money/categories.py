"""The category of a line: by what kind of part it pays for, wherever that stands."""

from core.model.ledger import Category
from core.model.parts import (
    Baffle,
    Balls,
    Camera,
    CarbonMonoxideAlarm,
    Connector,
    Cooler,
    CoursePack,
    Display,
    Enclosure,
    Flooring,
    FrameFitting,
    FrameMaterial,
    Hanging,
    Heater,
    Lamp,
    LaunchMonitor,
    Machine,
    MaskingCloth,
    Mat,
    MonitorCase,
    MonitorPackage,
    Mount,
    Padding,
    Part,
    PuttingSurface,
    SideProtection,
    Speaker,
    Surface,
    Title,
    Tool,
    Ventilation,
)

BY_KIND: tuple[tuple[Category, tuple[type[Part], ...]], ...] = (
    (Category.MONITOR, (LaunchMonitor, MonitorPackage, MonitorCase)),
    (Category.SOFTWARE, (Title, CoursePack, Connector)),
    (Category.COMPUTING, (Machine,)),
    (Category.PICTURE, (Display, Mount, MaskingCloth)),
    (
        Category.ENCLOSURE,
        (Surface, Enclosure, FrameMaterial, FrameFitting, SideProtection, Padding, Baffle, Hanging),
    ),
    (Category.FLOOR, (Flooring, Mat, PuttingSurface)),
    (
        Category.COMFORT,
        (Lamp, Speaker, Heater, Ventilation, Cooler, CarbonMonoxideAlarm, Camera, Balls),
    ),
    (Category.TOOLS, (Tool,)),
)


def category_of(part: Part) -> Category:
    """The category of `part`; what belongs to no other is a small item."""
    return next((category for category, kinds in BY_KIND if isinstance(part, kinds)), Category.SMALL_ITEMS)
