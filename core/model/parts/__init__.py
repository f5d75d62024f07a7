"""Typed spec sheets of everything that a bay is made of, one module for each group of kinds."""

from typing import Annotated, get_args

from pydantic import Field, TypeAdapter

from core.model.parts.base import Billing, Device, FactSource, Part, Plan, Shape, Weighed, kinds_of
from core.model.parts.comfort import CarbonMonoxideAlarm, Cooler, Heater, Lamp, Speaker, Ventilation
from core.model.parts.displays import DeskMonitor, Display, Projector, StandingDisplay, Television
from core.model.parts.enclosures import (
    Enclosure,
    FrameFitting,
    FrameMaterial,
    Hanging,
    KitPiece,
    Mount,
    Padding,
    SideProtection,
)
from core.model.parts.floors import (
    Balls,
    Carpet,
    Flooring,
    FloorRoll,
    FloorTiles,
    HittingMat,
    HittingStrip,
    Mat,
    PuttingSurface,
    Tees,
    Tray,
    Turf,
)
from core.model.parts.machines import Computer, Machine, Phone, Tablet, VideoPort
from core.model.parts.monitors import (
    BehindTheBall,
    DataField,
    DataLink,
    Disturbance,
    FloorStanding,
    LaunchMonitor,
    MonitorCase,
    MonitorPackage,
    MonitorPlan,
    OverheadCamera,
    RadarCameraHybrid,
    RearRadar,
    SideCamera,
)
from core.model.parts.price import Price
from core.model.parts.signals import (
    Adapter,
    AudioCable,
    CableChannel,
    DataCable,
    LinkAdapter,
    PowerStrip,
    Splitter,
    VideoCable,
)
from core.model.parts.software import (
    Connector,
    CoursePack,
    Feature,
    MachineNeeds,
    MonitorLink,
    ResolutionNeeds,
    Title,
    TitlePlan,
    link_to,
)
from core.model.parts.sundry import Camera, ControlPad, Other, RemoteControl, Stand, Supply, Tool
from core.model.parts.surfaces import (
    Baffle,
    Edge,
    ImpactScreen,
    MaskingCloth,
    Net,
    PictureSurface,
    ProjectionSheet,
    Surface,
)

AnyPart = Annotated[
    RearRadar
    | RadarCameraHybrid
    | SideCamera
    | OverheadCamera
    | MonitorPackage
    | MonitorCase
    | Title
    | CoursePack
    | Connector
    | Computer
    | Tablet
    | Phone
    | Projector
    | Television
    | DeskMonitor
    | Mount
    | VideoCable
    | AudioCable
    | DataCable
    | Adapter
    | Splitter
    | LinkAdapter
    | PowerStrip
    | CableChannel
    | ImpactScreen
    | ProjectionSheet
    | Net
    | Baffle
    | MaskingCloth
    | Enclosure
    | FrameMaterial
    | FrameFitting
    | SideProtection
    | Padding
    | Hanging
    | HittingMat
    | HittingStrip
    | FloorTiles
    | Turf
    | Carpet
    | PuttingSurface
    | Tees
    | Balls
    | Tray
    | Lamp
    | Speaker
    | Heater
    | Ventilation
    | Cooler
    | CarbonMonoxideAlarm
    | Stand
    | ControlPad
    | RemoteControl
    | Camera
    | Supply
    | Tool
    | Other,
    Field(discriminator="kind"),
]
SHEET: TypeAdapter[Part] = TypeAdapter(AnyPart)
KINDS: dict[str, type[Part]] = {kind.model_fields["kind"].default: kind for kind in get_args(get_args(AnyPart)[0])}
"""Every kind of part by its name in files, in the order of the work."""


def kind_of(part: Part) -> str:
    """The name in files of what `part` is."""
    return type(part).model_fields["kind"].default if "kind" in type(part).model_fields else ""


__all__ = [
    "KINDS",
    "SHEET",
    "Adapter",
    "AnyPart",
    "AudioCable",
    "Baffle",
    "Balls",
    "BehindTheBall",
    "Billing",
    "CableChannel",
    "Camera",
    "CarbonMonoxideAlarm",
    "Carpet",
    "Computer",
    "Connector",
    "ControlPad",
    "Cooler",
    "CoursePack",
    "DataCable",
    "DataField",
    "DataLink",
    "DeskMonitor",
    "Device",
    "Display",
    "Disturbance",
    "Edge",
    "Enclosure",
    "FactSource",
    "Feature",
    "FloorRoll",
    "FloorStanding",
    "FloorTiles",
    "Flooring",
    "FrameFitting",
    "FrameMaterial",
    "Hanging",
    "Heater",
    "HittingMat",
    "HittingStrip",
    "ImpactScreen",
    "KitPiece",
    "Lamp",
    "LaunchMonitor",
    "LinkAdapter",
    "Machine",
    "MachineNeeds",
    "MaskingCloth",
    "Mat",
    "MonitorCase",
    "MonitorLink",
    "MonitorPackage",
    "MonitorPlan",
    "Mount",
    "Net",
    "Other",
    "OverheadCamera",
    "Padding",
    "Part",
    "Phone",
    "PictureSurface",
    "Plan",
    "PowerStrip",
    "Price",
    "ProjectionSheet",
    "Projector",
    "PuttingSurface",
    "RadarCameraHybrid",
    "RearRadar",
    "RemoteControl",
    "ResolutionNeeds",
    "Shape",
    "SideCamera",
    "SideProtection",
    "Speaker",
    "Splitter",
    "Stand",
    "StandingDisplay",
    "Supply",
    "Surface",
    "Tablet",
    "Tees",
    "Television",
    "Title",
    "TitlePlan",
    "Tool",
    "Tray",
    "Turf",
    "Ventilation",
    "VideoCable",
    "VideoPort",
    "Weighed",
    "kind_of",
    "kinds_of",
    "link_to",
]
