"""Simulator software: titles, their plans and packs, and how they listen to a monitor."""

from enum import StrEnum
from typing import Annotated, Literal

from pydantic import Field

from core.model.parts.base import Billing, MonitorId, Part, Plan, Shape, TitleId
from core.model.parts.monitors import LaunchMonitor, Tier
from core.model.parts.price import Price
from core.model.record import In, Name, Number, Record, Several, Whole, Word
from core.quantities import Unit

Gigabytes = Annotated[Number, In(Unit.GIGABYTE), Field(ge=0, le=100_000)]
Grade = Annotated[Whole, In(Unit.GRADE), Field(ge=1, le=10)]
Lines = Annotated[Whole, In(Unit.LINES), Field(gt=0, le=10_000)]
Courses = Annotated[Whole, Field(ge=0, le=1_000_000)]
Version = Annotated[Whole, Field(ge=1, le=9_999)]


class Feature(StrEnum):
    """What people do with a title."""

    RANGE = "range"
    SKILLS_GAMES = "skills_games"
    TOURNAMENTS = "tournaments"
    CHILDREN = "children"
    COACHING = "coaching"
    MULTI_SPORT = "multi_sport"
    ONLINE_PLAY = "online_play"
    PUTTING = "putting"

    @property
    def words(self) -> str:
        """As a sentence says it."""
        return {"children": "children's games"}.get(self.value, self.value.replace("_", " "))


class TitlePlan(Plan):
    """A plan of a software title."""

    courses: Courses | None = None
    """Courses that come with it."""
    course_names: Several[Name] | None = None
    """Of these the ones that somebody may wish for, by name."""
    courses_sold_singly: Several[Name] | None = None
    """Courses that are sold one by one beside it, by name."""
    course_price: Price | None = None
    """What one of these costs, once."""
    features: Several[Feature] | None = None
    """What it can be used for."""
    later_versions: bool | None = None
    """A licence paid once is good for versions that come out later."""
    version: Version | None = None
    """The version that a licence paid once stops at."""


class MonitorLink(Record):
    """How a title listens to a monitor."""

    monitor: MonitorId
    """The monitor that it listens to."""
    via: Literal["native", "connector"] = "native"
    """Native, or through a connector that neither maker supports."""
    tier: Tier = 0
    """Least tier of the monitor maker's plan."""
    from_version: Version | None = None
    """The version of the title in which the link came; empty where any has it."""


class MachineNeeds(Record):
    """What a title asks of a machine; `None` where its maker states nothing."""

    graphics_grade: Grade | None = None
    """Class of its graphics, 1 to 10: 2 shows films and office work, 4 plays games of ten years ago at 1,080 lines,
    6 one of today at 1,080 lines and middling settings, 8 the same at 2,160 lines, 10 with everything turned up."""
    graphics_memory_gb: Gigabytes | None = None
    """Memory of its graphics alone."""
    memory_gb: Gigabytes | None = None
    """Main memory."""
    processor_grade: Grade | None = None
    """Class of its processor, 1 to 10: 2 is a plain tablet, 4 an office computer of eight years, 6 one of four years,
    8 a desktop bought for games last year, 10 one that films are cut on."""
    storage_gb: Gigabytes | None = None
    """Free storage."""


class ResolutionNeeds(Record):
    """A title's stated machine for pictures of up to `lines` lines."""

    lines: Lines
    """Lines of the picture that this machine is for."""
    minimum: MachineNeeds
    """What it must have."""
    recommended: MachineNeeds
    """What it should have."""


class Title(Part):
    """Simulator software."""

    kind: Literal["title"] = "title"
    shapes: Several[Shape] = ()
    """Picture shapes it can draw, width to height."""
    lines_max: Lines | None = None
    """Most lines that it draws."""
    platforms: Several[Word] = ()
    """Operating systems that it runs on."""
    limited_on: Several[Word] = ()
    """Of these the ones on which it can do less."""
    online: Literal["no", "better", "needed"] | None = None
    """Whether it has to be connected to play."""
    plans: Several[TitlePlan] = ()
    """Ways of licensing it."""
    monitor_links: Several[MonitorLink] | None = None
    """Monitors that it listens to, and how; empty for one that listens to none."""
    machine_needs: Several[ResolutionNeeds] = ()
    """The computer that its maker asks for, by lines of the picture."""


def link_to(title: Title, monitor: LaunchMonitor) -> MonitorLink | None:
    """How `title` listens to `monitor`; `None` where it does not, or does not say."""
    return next((link for link in title.monitor_links or () if link.monitor == monitor.id), None)


class CoursePack(Part):
    """Courses or another add-on of a title."""

    kind: Literal["course_pack"] = "course_pack"
    titles: Several[TitleId] | None = None
    """The titles that it is made for."""
    courses: Courses | None = None
    """Courses that it adds."""
    course_names: Several[Name] | None = None
    """Of these the ones that somebody may wish for, by name."""
    features: Several[Feature] = ()
    """What it adds besides."""
    billing: Billing = Billing.ONCE
    """How its price is paid."""


class Connector(Part):
    """A program that passes a monitor's shots on to a title; neither maker supports it."""

    kind: Literal["connector"] = "connector"
    titles: Several[TitleId] = ()
    """The titles that it speaks to."""
    monitors: Several[MonitorId] = ()
    """The monitors that it listens to."""
    billing: Billing = Billing.ONCE
    """How its price is paid."""
