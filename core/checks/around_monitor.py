"""What is around the monitor: the room it asks for, what disturbs it, its link and its power."""

from core.checks.figures import counted, listed, measured_in_room, metres, stated, worded
from core.checks.places import on
from core.checks.readings import Tested
from core.checks.register import check
from core.checks.verdict import Basis, Input, State, Verdict, judge
from core.geometry.ceiling import Ceiling
from core.model.brief import Brief
from core.model.build import Slot
from core.model.facts import known
from core.model.kit import Beside
from core.model.parts import (
    Balls,
    BehindTheBall,
    ControlPad,
    Disturbance,
    Heater,
    Lamp,
    LaunchMonitor,
    LinkAdapter,
    Machine,
    MonitorCase,
    SideCamera,
    Speaker,
    Ventilation,
)
from core.model.room import Layout, Light, Room
from core.quantities import Quantity, Unit, say

ROOM_COMFORT_M = 0.05
SESSION_HOURS = 2.0
"""Two players' round (trade)."""
SESSION_COMFORT_HOURS = 1.0
CROWD = 4
"""From so many players on somebody always walks behind the ball (trade)."""


@check("monitor.room", title="Room the monitor asks for", place=on(Slot.MONITOR))
def room_minimum(monitor: LaunchMonitor, room: Room, layout: Layout, ceiling: Ceiling) -> Verdict:
    """The room is at least as wide and long, and over the ball as high, as the monitor's maker asks indoors."""
    over_ball_m = ceiling.height_m(layout.ball_x_m, layout.ball_y_m)
    limits = (
        ("wide", room.width_m, known(monitor.room_width_min_m, monitor, "least width of the room")),
        ("long", room.length_m, known(monitor.room_length_min_m, monitor, "least length of the room")),
        ("high", over_ball_m, known(monitor.room_height_min_m, monitor, "least height of the room")),
    )
    direction, has_m, needs_m = min(limits, key=lambda limit: limit[1] - limit[2])
    return counted(
        judge(has_m - needs_m, ROOM_COMFORT_M),
        say("Room {has} {direction}, {needs} asked", has=metres(has_m), direction=direction, needs=metres(needs_m)),
        Unit.METRE,
        has=has_m,
        needs=needs_m,
        formula="the least of: width, length, ceiling over the ball, each less what the maker asks",
        inputs=lambda: (
            *(stated(f"Asked {words}", metres(least_m)) for words, _, least_m in limits),
            measured_in_room(room, "width_m", "Width"),
            measured_in_room(room, "length_m", "Length"),
            Input("Ceiling over the ball", metres(over_ball_m), Basis.MEASURED),
        ),
        cures=(say("Choose a monitor made for smaller rooms."),),
    )


@check("monitor.interference", title="Nothing that disturbs the monitor", place=on(Slot.MONITOR))
def interference(
    brief: Brief,
    monitor: LaunchMonitor,
    room: Room,
    heaters: Beside[Heater],
    fans: Beside[Ventilation],
    speakers: Beside[Speaker],
    pads: Beside[ControlPad],
) -> Verdict:
    """Nothing near it does what it dislikes: moving air, warm air, people walking, other radios, daylight.

    A radar behind the ball takes a fan heater for a moving club: the two do not mix, and it blocks.
    """
    found: list[tuple[Disturbance, str]] = []
    for heater in heaters:
        method = known(heater.method, heater, "way of heating")
        if method == "fan":
            found.append((Disturbance.FAN, heater.name))
        found.append((Disturbance.HEATER, heater.name))
    found += [(Disturbance.FAN, fan.name) for fan in fans]
    found += [(Disturbance.RADIO, speaker.name) for speaker in speakers if speaker.wireless]
    found += [(Disturbance.RADIO, pad.name) for pad in pads if pad.link and pad.link.through_air]
    if len(brief.players) >= CROWD or brief.visitors:
        found.append((Disturbance.PEOPLE, "spectators"))
    if room.light is Light.OPEN_DOOR:
        found.append((Disturbance.SUNLIGHT, "daylight"))
    disliked = [(kind, name) for kind, name in found if kind in monitor.dislikes]
    fan_and_radar = [name for kind, name in disliked if kind is Disturbance.FAN and isinstance(monitor, BehindTheBall)]
    names = listed(dict.fromkeys(name for _, name in disliked))
    if fan_and_radar:
        state, headline = State.BLOCKED, say("{names} moves air, and the radar takes it for a club", names=names)
    elif disliked:
        state, headline = State.TIGHT, say("Disturbed by {names}", names=names)
    else:
        state, headline = State.CLEAR, say("Nothing here disturbs it")
    return worded(
        state,
        headline,
        has=names,
        wants="none",
        formula="what the maker says it dislikes, among what is in the room",
        inputs=lambda: (
            stated("Dislikes", listed(kind.value for kind in monitor.dislikes)),
            Input("In the room", listed(name for _, name in found), Basis.MEASURED),
        ),
        cures=(
            say("A radiant or oil heater moves no air; heat before play, and switch fans off."),
            say("Keep spectators out of the monitor's view, daylight off the ball, and other radios on a cable."),
        ),
    )


@check("monitor.link", title="Link from monitor to machine", place=on(Slot.MONITOR))
def link(monitor: LaunchMonitor, machine: Machine, adapters: Beside[LinkAdapter]) -> Verdict:
    """Monitor and machine share a way for the shots to travel, or a small adapter gives the machine one."""
    speaks = known(monitor.links, monitor, "links")
    own = known(machine.links, machine, "links")
    added = [link for adapter in adapters for link in adapter.gives or ()]
    hears = (*own, *added)
    shared = [link for link in speaks if link in hears]
    state = State.CLEAR if shared else State.TIGHT if speaks else State.BLOCKED
    wants = listed(link.words for link in speaks)
    return worded(
        state,
        say("Linked by {link}", link=shared[0].words)
        if shared
        else say(
            "{monitor} speaks {wants}, {machine} does not", monitor=monitor.name, wants=wants, machine=machine.name
        ),
        has=listed(link.words for link in hears),
        wants=wants,
        formula="links that both have",
        inputs=lambda: (
            stated("Monitor", wants),
            stated("Machine", listed(link.words for link in own)),
            stated("Added", listed(link.words for link in added)),
        ),
        cures=(say("A small adapter for {wants} is tried before a replacement.", wants=wants),)
        if speaks
        else (say("Choose a monitor that passes its shots on."),),
    )


@check("monitor.signal", title="Signal through the air", place=on(Slot.MONITOR))
def signal(monitor: LaunchMonitor, machine: Machine, tests: Tested) -> Verdict:
    """Links through the air are tested where they are used: a weak radio looks like a bad monitor.

    A cable between the two needs no test. Not tested yet is tight.
    """
    speaks = known(monitor.links, monitor, "links")
    own = known(machine.links, machine, "links")
    wired = [link for link in speaks if not link.through_air and link in own]
    tested = tests.signal
    if tested == "weak":
        state, headline = State.BLOCKED, say("The signal is weak where the monitor stands")
    elif wired:
        state, headline = State.CLEAR, say("{link} needs no test", link=wired[0].words)
    elif tested == "good":
        state, headline = State.CLEAR, say("Tested: the signal is good")
    else:
        state, headline = State.TIGHT, say("The signal through the air is not tested yet")
    return worded(
        state,
        headline,
        has=tested or ("by cable" if wired else "not tested"),
        wants="good, or by cable",
        formula="a cable that both have, or the test at the spot",
        inputs=lambda: (
            stated("Monitor", listed(link.words for link in speaks)),
            Input("Tested", tested or "no", Basis.MEASURED),
        ),
        cures=(
            say("Try a small adapter with an aerial near the monitor before you replace anything."),
            say("Or test it: hit ten balls and count the shots that arrive."),
        ),
        basis=Basis.MEASURED if tested else Basis.TRADE,
    )


@check("monitor.power", title="Power of the monitor", place=on(Slot.MONITOR))
def power(monitor: LaunchMonitor) -> Verdict:
    """Its battery lasts a session of two hours, or it hangs on a socket (0 h stated)."""
    hours = known(monitor.battery_hours, monitor, "battery life")
    if hours == 0:
        state, headline = State.CLEAR, say("Runs off a socket")
    else:
        state = judge(hours - SESSION_HOURS, SESSION_COMFORT_HOURS)
        headline = say("Runs {hours} off its battery", hours=_hours(hours))
    return counted(
        state,
        headline,
        Unit.HOUR,
        has=hours,
        needs=SESSION_HOURS if hours else 0.0,
        formula="battery life − 2 h",
        inputs=lambda: (stated("Battery life", _hours(hours)),),
        cures=(say("Charge it between players, or run it off a lead that is taped down."),),
    )


@check("monitor.lamp", title="Light on the ball", place=on(Slot.MONITOR))
def lamp(monitor: LaunchMonitor, all_lamps: Beside[Lamp]) -> Verdict:
    """A monitor that wants light gets a lamp on the ball which does not pulse with the mains.

    No lamp yet is tight. Under one that pulses, pictures of the ball come out dark: blocked.
    """
    wants = known(monitor.wants_lamp, monitor, "need for light")
    lamps = [lamp for lamp in all_lamps if lamp.lights == "ball"]
    steady = [lamp for lamp in lamps if not lamp.flickers]
    state = State.CLEAR if not wants or steady else State.BLOCKED if lamps else State.TIGHT
    if not wants:
        headline = say("Needs no light of its own")
    elif steady:
        headline = say("{lamp} lights the ball", lamp=steady[0].name)
    else:
        headline = say("{lamp} pulses with the mains", lamp=lamps[0].name) if lamps else say("Wants a lamp on the ball")
    return worded(
        state,
        headline,
        has=listed(lamp.name for lamp in lamps),
        wants="a steady lamp on the ball" if wants else "nothing",
        formula="lamps on the ball that do not flicker",
        inputs=lambda: (stated("Wants light", "yes" if wants else "no"),),
        cures=(say("Choose a lamp for the ball that does not flicker."),),
    )


@check("monitor.balls", title="Balls that it can read", place=on(Slot.MONITOR))
def balls(monitor: LaunchMonitor, chosen: Beside[Balls]) -> Verdict:
    """A monitor that reads spin off a mark gets balls that carry one."""
    marked = known(monitor.marked_ball, monitor, "need for marked balls")
    carries = [balls for balls in chosen if known(balls.marked, balls, "mark")] if marked != "no" else chosen
    short = marked != "no" and not carries
    state = State.BLOCKED if short and marked == "needed" and chosen else State.TIGHT if short else State.CLEAR
    headline = (
        say("Reads any ball")
        if marked == "no"
        else say("{balls} carry the mark", balls=carries[0].name)
        if carries
        else say("{balls} carry no mark", balls=chosen[0].name)
        if chosen
        else say("Marked balls are {marked}", marked=marked)
    )
    return worded(
        state,
        headline,
        has=listed(balls.name for balls in chosen),
        wants="any ball" if marked == "no" else "marked balls",
        formula="mark on the balls against what the maker asks",
        inputs=lambda: (stated("Marked ball", marked),),
        cures=(say("Choose balls with a mark, or mark them with a pen and a stencil."),),
    )


@check("monitor.case", title="Guard against a struck ball", place=on(Slot.MONITOR))
def case(monitor: SideCamera, all_cases: Beside[MonitorCase]) -> Verdict:
    """A camera beside the ball is hit sooner or later; its case stands up to that. A wrong case blocks."""
    included = known(monitor.case_included, monitor, "case in the box")
    cases = [case for case in all_cases if monitor.id in case.monitors]
    state = State.CLEAR if included or cases else State.BLOCKED if all_cases else State.TIGHT
    return worded(
        state,
        say("Comes with its case")
        if included
        else say("{case} guards it", case=cases[0].name)
        if cases
        else say("{cases} is made for another monitor", cases=listed(case.name for case in all_cases))
        if all_cases
        else say("Stands beside the ball without a case"),
        has="in the box" if included else listed(case.name for case in cases),
        wants="a case",
        formula="case in the box, or one made for it",
        inputs=lambda: (stated("Case in the box", "yes" if included else "no"),),
        cures=(say("Choose a case that is made for it."),),
    )


def _hours(value: float) -> Quantity:
    return Quantity(value, Unit.HOUR)
