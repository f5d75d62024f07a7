"""What rooms allow, and rooms side by side, as JSON."""

from dataclasses import dataclass

from core.checks.limits import State
from core.contents.growing import Measurement
from core.model.things import Wall
from core.quantities import Quantity, Unit, UnitSystem
from core.report.allowance import RULES_OF_THUMB, Allowance, MonitorKind, PictureRoom
from core.report.bottleneck import Bottleneck
from core.report.comparison import RoomOption, Rooms

NO_PLACE = "none"
NO_SPOT = "no clear spot"
NOBODY = "depends on who plays"


@dataclass(frozen=True, slots=True)
class ReachJson:
    """A player's longest club on this floor, also for an early release."""

    id: str
    """The player's."""
    player: str
    wanted: str
    club: str
    early_release_club: str
    state: State


@dataclass(frozen=True, slots=True)
class RoomForJson:
    """What is left for one kind of thing."""

    name: str
    text: str
    state: State


@dataclass(frozen=True, slots=True)
class LargestPictureJson:
    """How large a picture of one shape may be."""

    name: str
    text: str
    inside: str
    """Inside an enclosure; empty where that leaves as much."""


@dataclass(frozen=True, slots=True)
class AllowanceJson:
    """What a room allows before any part is chosen."""

    reaches: list[ReachJson]
    spots: list[str]
    places: list[str]
    """The same in short: from the left wall and from the screen."""
    behind: str
    monitors: list[RoomForJson]
    pictures: list[LargestPictureJson]
    throws: list[str]
    enclosure: str


@dataclass(frozen=True, slots=True)
class UnlockJson:
    """So much more of one measurement meets a goal."""

    goal: str
    more: str


@dataclass(frozen=True, slots=True)
class BottleneckJson:
    """What the room is short of. `tightest` is empty where nothing is, or where no single measurement helps."""

    met: list[str]
    tightest: Measurement | None
    unlocks: dict[Measurement, list[UnlockJson]]
    out_of_reach: list[str]


@dataclass(frozen=True, slots=True)
class OptionJson:
    """One room with the screen on one wall; `candidate` is empty for the chosen room."""

    candidate: str | None
    room: str
    size: str
    quarters: int
    screen_wall: Wall
    chosen: bool
    allowance: AllowanceJson | None
    unknown: str


@dataclass(frozen=True, slots=True)
class RoomsJson:
    """What the chosen room allows and is short of, and all rooms side by side."""

    options: list[OptionJson]
    rules: list[str]
    """Rules of thumb, to be read beside what was computed."""
    bottleneck: BottleneckJson | None


def rooms_json(rooms: Rooms, system: UnitSystem) -> RoomsJson:
    """`rooms` for a reader of `system`."""
    return RoomsJson(
        options=[_option(option, system) for option in rooms.options],
        rules=[rule.text(system) for rule in RULES_OF_THUMB],
        bottleneck=_bottleneck(rooms.short_of, system) if rooms.short_of else None,
    )


def _option(option: RoomOption, system: UnitSystem) -> OptionJson:
    room = option.room
    across, along = (room.width_m, room.length_m) if option.quarters % 2 == 0 else (room.length_m, room.width_m)
    return OptionJson(
        candidate=option.candidate,
        room=room.name,
        size=f"{_metres(across, system)} wide, {_metres(along, system)} long",
        quarters=option.quarters,
        screen_wall=option.screen_wall,
        chosen=option.chosen,
        allowance=_allowance(option.allowance, system) if option.allowance else None,
        unknown=option.unknown.text(system) if option.unknown else "",
    )


def _allowance(found: Allowance, system: UnitSystem) -> AllowanceJson:
    throw = found.throw
    none = NO_SPOT if found.reaches else NOBODY
    throws = [] if throw.ahead is None else [f"up to {throw.ahead:.2f} : 1, hung before the swing"]
    if throw.behind_least is not None and throw.behind_most is not None:
        throws.append(f"{throw.behind_least:.2f} to {throw.behind_most:.2f} : 1, hung behind the swing")
    hood = found.enclosure
    deep = f", up to {_metres(hood.depth_m, system)} deep" if hood.depth_m is not None else ""
    return AllowanceJson(
        reaches=[
            ReachJson(
                id=reach.player.id,
                player=reach.player.name,
                wanted=reach.player.longest_club.value,
                club=reach.club.value if reach.club else NO_PLACE,
                early_release_club=reach.early_release_club.value if reach.early_release_club else NO_PLACE,
                state=State.CLEAR
                if reach.club is reach.player.longest_club
                else State.TIGHT
                if reach.club
                else State.BLOCKED,
            )
            for reach in found.reaches
        ],
        spots=[spot.reason.text(system) for spot in found.spots],
        places=[
            f"{_metres(spot.best[0], system)} from the left, {_metres(found.to_screen_m, system)} from the screen"
            for spot in found.spots
            if spot.best is not None and found.to_screen_m is not None
        ]
        or [none],
        behind=none if found.behind_left_m is None else _metres(found.behind_left_m, system),
        monitors=[
            RoomForJson(_KINDS[room.kind], none if room.left_m is None else _metres(room.left_m, system), room.state)
            for room in found.monitors
        ],
        pictures=[_picture(picture, picture.within(found.enclosure), system) for picture in found.pictures],
        throws=throws or [none],
        enclosure=f"{_metres(hood.width_m, system)} wide, {_metres(hood.height_m, system)} high{deep}",
    )


_KINDS = {
    MonitorKind.REAR_RADAR: "radar behind the ball",
    MonitorKind.SIDE_CAMERA: "camera beside the ball",
    MonitorKind.OVERHEAD_CAMERA: "camera overhead",
    MonitorKind.HYBRID: "radar and camera behind",
}


def _bottleneck(short_of: Bottleneck, system: UnitSystem) -> BottleneckJson:
    return BottleneckJson(
        met=[goal.text(system) for goal in short_of.met],
        tightest=short_of.tightest,
        unlocks={
            measurement: [
                UnlockJson(unlock.goal.text(system), _metres(unlock.more_m, system))
                for unlock in short_of.unlocks
                if unlock.measurement is measurement
            ]
            for measurement in Measurement
        },
        out_of_reach=[goal.text(system) for goal in short_of.out_of_reach],
    )


def _picture(bare: PictureRoom, inside: PictureRoom, system: UnitSystem) -> LargestPictureJson:
    size = f"{_metres(bare.width_m, system)} × {_metres(bare.height_m, system)}"
    less = "" if inside == bare else f"{_metres(inside.width_m, system)} wide in an enclosure"
    return LargestPictureJson(bare.shape, size, less)


def _metres(value_m: float, system: UnitSystem) -> str:
    return Quantity(round(value_m, 2), Unit.METRE).text(system)
