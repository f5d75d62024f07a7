"""The picture's cable is up to its way, and the machine stands where no club and no ball comes (trade)."""

from typing import Annotated

from core.bay import machine_box
from core.checks.asks import Ask, ask_at_least, ask_equal
from core.checks.cable_ways import ChainLines, DisplayRun, MachineSpot
from core.checks.figures import metres, placed_input, stated_input
from core.checks.limits import ENDLESS, Limit, Sense, Words, at_least, tightest
from core.checks.needs import ItemKind, Need, pieces
from core.checks.places import on
from core.checks.readings import Balls
from core.checks.register import check, derive
from core.checks.swing import SWING_CLEARANCE_M
from core.checks.verdict import Answer, Basis, Input
from core.geometry.cable_route import STOCK_LENGTHS_M
from core.geometry.solids import golfers
from core.geometry.swing_clearance import clearances
from core.geometry.swing_disc import swing_disc
from core.model.brief import Brief
from core.model.build import Slot
from core.model.facts import known_players
from core.model.kit import Beside
from core.model.parts import Display, Machine, VideoCable
from core.model.room import Room
from core.quantities import Quantity, Sentence, Unit, say

PASSIVE_MOST_M = {1080: 12.0, 2160: 5.0}
"""Longest passive copper at 60 pictures a second, by lines (trade)."""
HD_LINES = 1080


class VideoCableNeed(Need):
    """The picture's cable, from the machine to the display."""

    item = ItemKind(
        "video-cable", "Video cable", near=Slot.DISPLAY, kind=VideoCable, asks=("length_m", "lines_max", "plug")
    )


def passive_most_m(lines: int) -> float:
    """Longest passive copper cable for so many lines, in metres."""
    return PASSIVE_MOST_M[HD_LINES] if lines <= HD_LINES else PASSIVE_MOST_M[2160]


@derive
def video_cable(
    run: DisplayRun,
    chain: ChainLines,
    machine: Annotated[Machine, "outputs"],
    display: Annotated[Display, "inputs", "name"],
) -> VideoCableNeed:
    """From the machine to the display: the routed way × 1.10 and 0.5 m at each end."""
    needed_m, most_m = run.route.needed_m, passive_most_m(chain.lines)
    asks = [
        ask_at_least("length_m", needed_m),
        ask_at_least("lines_max", chain.lines),
        Ask("length_m", Sense.AT_MOST, most_m, tolerated=ENDLESS, when=("technology", "passive")),
    ]
    inputs = display.inputs or ()
    shared = [port for port in machine.outputs or () if port in inputs]
    if shared or inputs:
        asks.append(ask_equal("plug", (shared or list(inputs))[0]))
    why = say(
        "{display} hangs {path} of wall and ceiling away: {stock}, {kind}",
        display=display.name,
        path=metres(run.route.path_m),
        stock=metres(run.route.stock_m or STOCK_LENGTHS_M[-1]),
        kind=_kind(needed_m, most_m),
    )
    return VideoCableNeed(pieces(1), why, tuple(asks))


def _kind(needed_m: float, most_m: float) -> str:
    return "passive is enough" if needed_m <= most_m else "active or optical"


@check("display.cable", title="Cable to the display", place=on(Slot.DISPLAY))
def display_cable(
    run: DisplayRun,
    chain: ChainLines,
    need: VideoCableNeed,
    cables: Annotated[Beside[VideoCable], "length_m", "lines_max", "plug", "technology"],
) -> Answer:
    """The picture's cable is long enough for its way, has its plug, and carries the lines over that length.

    Length = way × 1.10 + 0.5 m at each end, the next stock length up. Passive copper carries 2160 lines up to 5 m
    and 1080 lines up to 12 m; beyond that the cable is active or optical. No cable chosen yet is tight.
    """
    needed_m, most_m, stock_m = run.route.needed_m, passive_most_m(chain.lines), run.route.stock_m
    cable = need.best(cables)
    limits = need.limits(cable) if cable else (need.unfilled("length_m"),)
    return Answer(
        limits,
        headline=lambda: _cable_headline(tightest(limits), cable, needed_m),
        formula="way × 1.10 + 2 × 0.5 m, against the cable's length, lines and plug",
        inputs=lambda: (
            Input("Way of the cable", metres(run.route.path_m), Basis.PHYSICS),
            Input("Lines that arrive", Quantity(chain.lines, Unit.LINES), Basis.SPEC),
            Input("Passive copper reaches", metres(most_m), Basis.TRADE),
            *((stated_input(f"{cable.name}, length", metres(cable.length_m or 0.0)),) if cable else ()),
        ),
        cures=lambda: (
            say(
                "Choose {stock}, {kind}.",
                stock=metres(stock_m) if stock_m else "a made-up length",
                kind=_kind(needed_m, most_m),
            ),
        ),
        basis=Basis.TRADE,
    )


def _cable_headline(deciding: Limit | Words, cable: VideoCable | None, needed_m: float) -> Sentence:
    if cable is None:
        return say("Needs {needed} of cable, none chosen yet", needed=metres(needed_m))
    if isinstance(deciding, Words):
        return say("{cable} has {has}, {wants} is asked", cable=cable.name, has=deciding.has, wants=deciding.wants)
    if deciding.unit is Unit.LINES:
        return say("{cable} carries {has}, {wants} are sent", cable=cable.name, has=deciding.has, wants=deciding.wants)
    if deciding.sense is Sense.AT_MOST:
        words = "{cable} is passive over {has}; {wants} is sure"
        return say(words, cable=cable.name, has=deciding.has, wants=deciding.wants)
    return say("{cable} is {has}, the way needs {wants}", cable=cable.name, has=deciding.has, wants=deciding.wants)


@check("machine.place", title="Place for the machine", place=on(Slot.MACHINE))
def machine_place(
    brief: Annotated[Brief, "players"], spot: MachineSpot, room: Annotated[Room, "length_m", "width_m"], balls: Balls
) -> Answer:
    """The machine stands inside the room, out of every swing, and not in front of the ball, where a shank would hit it.

    On its desk it takes 0.45 × 0.45 m and 0.75 m of height.
    Distance = from the machine along the target line to the ball; level with the ball or behind it is clear. A club
    passes it by 0.30 m or more, as it does the projector.
    """
    x_m, y_m, _ = spot.at
    ball_y_m = max(y for _, y, _ in balls.spots)
    behind_m = y_m - ball_y_m
    players, body = known_players(brief), machine_box((x_m, y_m))
    swings = [(swing_disc(player, player.longest_club), balls.of(player.handedness)) for player in players]
    nearest = clearances(swings, [body]).distance_m[:, 0].tolist()
    passes = list(zip(nearest, (player.name for player in players), strict=True))
    nearest_m, name = min(passes)
    stands, in_it = min((golfer.box.gap_m(body), golfer.name) for golfer in golfers(players, balls.of))
    beside = at_least(stands, 0.0)
    within = at_least(min(room.width_m - x_m, room.length_m - y_m), 0.0)
    passing = at_least(nearest_m, SWING_CLEARANCE_M)
    behind = at_least(behind_m, 0.0, tolerated=ENDLESS)
    limits = (within, beside, passing, behind)
    deciding = tightest(limits)
    said: dict[Limit | Words, tuple[Sentence, Sentence]] = {
        behind: (
            say("Machine stands {behind} behind the ball line", behind=metres(behind_m)),
            say("Put it behind the ball line, or behind a guard that stops a ball."),
        ),
        passing: (
            say("The club of {who} passes the machine by {near}", who=name, near=metres(nearest_m)),
            say("Put it behind the players, or to the other side."),
        ),
        beside: (
            say("Machine stands where {who} is", who=in_it),
            say("Put it behind the players, or to the other side."),
        ),
        within: (say("Machine stands outside the room"), say("Put it inside the room.")),
    }
    return Answer(
        limits,
        headline=lambda: said[deciding][0],
        formula="from the machine to any swing, hub to clubhead, − 0.30 m; to golfers; to screen wall − ball to it",
        inputs=lambda: (
            placed_input("Machine (proposed)" if spot.proposed else "Machine", y_m),
            placed_input("Ball", ball_y_m),
            *(Input(f"Club of {who} passes it by", metres(away_m), Basis.TRADE) for away_m, who in passes),
        ),
        cures=lambda: (said[deciding][1],),
        basis=Basis.TRADE,
    )
