"""Where the machine stands, how its picture gets to the display, and whether the cable is up to it (trade)."""

from dataclasses import dataclass

from core.checks.figures import counted, metres, placed, stated
from core.checks.places import on
from core.checks.readings import HittingSurface
from core.checks.register import check, derive
from core.checks.swing import SWING_CLEARANCE_M
from core.checks.verdict import Basis, Input, State, Verdict
from core.geometry.cable_route import CableRoute, Point3, route_along_floor, route_over_ceiling
from core.geometry.ceiling import Ceiling
from core.geometry.shadow import Lens
from core.geometry.swing_disc import distances_m, swing_disc
from core.model.brief import Brief
from core.model.build import Slot
from core.model.facts import known, known_players
from core.model.kit import Beside
from core.model.parts import Display, Machine, StandingDisplay, Title, VideoCable
from core.model.room import Layout, Room
from core.quantities import Quantity, Unit, say

MACHINE_HEIGHT_M = 0.75
"""Of a desk."""
DISPLAY_HEIGHT_M = 1.0
DISPLAY_AHEAD_M = 0.3
"""A television stands this far before the screen, at the wall where the machine is (trade)."""
PASSIVE_MOST_M = {1080: 12.0, 2160: 5.0}
"""Longest passive copper at 60 pictures a second, by lines (trade)."""
HD_LINES = 1080


@dataclass(frozen=True)
class MachineSpot:
    """Where the machine stands, in metres."""

    at: Point3
    proposed: bool


@dataclass(frozen=True)
class DisplayRun:
    """The way of the picture's cable."""

    route: CableRoute


@dataclass(frozen=True)
class ChainLines:
    """Lines of the picture that arrive: the least that title, machine and display can do."""

    lines: int
    weakest: str


@derive
def machine_spot(machine: Machine, room: Room, layout: Layout) -> MachineSpot:
    """The machine as placed; else at the nearer side wall, beside the ball."""
    x_m, y_m = layout.machine_x_m, layout.machine_y_m
    if x_m is None:
        x_m = 0.0 if layout.ball_x_m <= room.width_m / 2 else room.width_m
    proposed = layout.machine_x_m is None or layout.machine_y_m is None
    return MachineSpot((x_m, layout.ball_y_m if y_m is None else y_m, MACHINE_HEIGHT_M), proposed)


@derive
def display_run(
    spot: MachineSpot, display: Display, lens: Lens | None, room: Room, layout: Layout, ceiling: Ceiling
) -> DisplayRun | None:
    """To a projector up the wall and under the ceiling; to a television along the floor."""
    if isinstance(display, StandingDisplay):
        end = (spot.at[0], layout.screen_y_m + DISPLAY_AHEAD_M, DISPLAY_HEIGHT_M)
        return DisplayRun(route_along_floor(spot.at, end))
    if lens is None:
        return None
    end = (lens.x_m, min(layout.screen_y_m + lens.distance_m, room.length_m), lens.height_m)
    return DisplayRun(route_over_ceiling(spot.at, end, ceiling.height_m))


@derive
def chain_lines(title: Title | None, machine: Machine, display: Display) -> ChainLines:
    """What arrives, and what is the least of the three."""
    does = [
        (known(display.height_px, display, "panel resolution"), display.name),
        (known(machine.output_lines, machine, "video output"), machine.name),
    ]
    if title is not None and title.lines_max is not None:
        does.append((title.lines_max, title.name))
    return ChainLines(*min(does))


def passive_most_m(lines: int) -> float:
    """Longest passive copper cable for so many lines, in metres."""
    return PASSIVE_MOST_M[HD_LINES] if lines <= HD_LINES else PASSIVE_MOST_M[2160]


@check("display.cable", title="Cable to the display", place=on(Slot.DISPLAY))
def display_cable(run: DisplayRun, chain: ChainLines, cables: Beside[VideoCable]) -> Verdict:
    """The picture's cable is long enough for its way, and carries the lines over that length.

    Length = way × 1.10 + 0.5 m at each end, the next stock length up. Passive copper carries 2160 lines up to 5 m
    and 1080 lines up to 12 m; beyond that the cable is active or optical. No cable chosen yet is tight.
    """
    needed_m = run.route.needed_m
    most_m = passive_most_m(chain.lines)
    stock_m = run.route.stock_m
    lines = Quantity(chain.lines, Unit.LINES)
    cable = next(iter(cables), None)
    length_m = known(cable.length_m, cable, "length") if cable else 0.0

    def inputs() -> tuple[Input, ...]:
        return (
            Input("Way of the cable", metres(run.route.path_m), Basis.PHYSICS),
            Input("Lines that arrive", lines, Basis.SPEC),
            Input("Passive copper reaches", metres(most_m), Basis.TRADE),
            *((stated(f"{cable.name}, length", metres(length_m)),) if cable else ()),
        )

    buy = say(
        "Choose {stock}, {kind}.",
        stock=metres(stock_m) if stock_m else "a made-up length",
        kind="passive is enough" if needed_m <= most_m else "active or optical",
    )
    formula = "way × 1.10 + 2 × 0.5 m, against the cable's length"
    if cable is None:
        state, headline = State.TIGHT, say("Needs {needed} of cable, none chosen yet", needed=metres(needed_m))
    elif length_m < needed_m:
        state = State.BLOCKED
        headline = say(
            "{cable} is {length}, the way needs {needed}",
            cable=cable.name,
            length=metres(length_m),
            needed=metres(needed_m),
        )
    elif known(cable.lines_max, cable, "lines it carries") < chain.lines:
        state = State.BLOCKED
        headline = say(
            "{cable} carries {carries}, {lines} are sent",
            cable=cable.name,
            carries=Quantity(cable.lines_max or 0, Unit.LINES),
            lines=lines,
        )
    elif known(cable.technology, cable, "technology") == "passive" and length_m > most_m:
        state = State.TIGHT
        headline = say(
            "{cable} is passive over {length}; {most} is sure",
            cable=cable.name,
            length=metres(length_m),
            most=metres(most_m),
        )
    else:
        state, headline = (
            State.CLEAR,
            say("{length} of cable, {needed} needed", length=metres(length_m), needed=metres(needed_m)),
        )
    return counted(
        state,
        headline,
        Unit.METRE,
        has=length_m,
        needs=needed_m,
        formula=formula,
        inputs=inputs,
        cures=(buy,),
        basis=Basis.TRADE,
    )


@check("machine.place", title="Place for the machine", place=on(Slot.MACHINE))
def machine_place(brief: Brief, spot: MachineSpot, room: Room, layout: Layout, surface: HittingSurface) -> Verdict:
    """The machine stands inside the room, out of every swing, and not in front of the ball, where a shank would hit it.

    Distance = from the machine along the target line to the ball; level with the ball or behind it is clear. A club
    passes it by 0.30 m or more, as it does the projector.
    """
    x_m, y_m, _ = spot.at
    inside = x_m <= room.width_m and y_m <= room.length_m
    behind_m = y_m - layout.ball_y_m
    ball = (layout.ball_x_m, layout.ball_y_m, surface.height_m)
    players = known_players(brief)
    discs = tuple(swing_disc(player, player.longest_club) for player in players)
    passes = list(zip(distances_m(discs, ball, spot.at), (player.name for player in players), strict=True))
    nearest_m, name = min(passes)
    if inside and nearest_m < SWING_CLEARANCE_M:
        return _in_a_swing(nearest_m, name, passes)
    state = State.BLOCKED if not inside else State.CLEAR if behind_m >= 0 else State.TIGHT
    return counted(
        state,
        say("Machine stands {behind} behind the ball line", behind=metres(behind_m))
        if inside
        else say("Machine stands outside the room"),
        Unit.METRE,
        has=behind_m,
        needs=0.0,
        formula="machine to screen wall − ball to screen wall",
        inputs=lambda: (
            placed("Machine (proposed)" if spot.proposed else "Machine", y_m),
            placed("Ball", layout.ball_y_m),
            Input(f"Club of {name} passes it by", metres(nearest_m), Basis.TRADE),
        ),
        cures=(say("Put it behind the ball line, or behind a guard that stops a ball."),)
        if inside
        else (say("Put it inside the room."),),
        basis=Basis.TRADE,
    )


def _in_a_swing(nearest_m: float, name: str, passes: list[tuple[float, str]]) -> Verdict:
    return counted(
        State.BLOCKED,
        say("The club of {who} passes the machine by {near}", who=name, near=metres(nearest_m)),
        Unit.METRE,
        has=nearest_m,
        needs=SWING_CLEARANCE_M,
        formula="from the machine to the nearest point of any swing − 0.30 m",
        inputs=lambda: tuple(Input(f"Club of {who}", metres(away_m), Basis.TRADE) for away_m, who in passes),
        cures=(say("Put it behind the players, or to the other side."),),
        basis=Basis.TRADE,
    )
