"""What is around the monitor: the room it asks for, what disturbs it, its link and its power."""

from collections.abc import Sequence
from typing import Annotated

from core.checks.asks import Ask, Test, ask_among, ask_at_least, ask_equal
from core.checks.declared import THERE
from core.checks.figures import in_a_row, measured_in_room, metres, stated_input, yes_or_no
from core.checks.limits import Limit, State, Words, at_least, tightest
from core.checks.needs import ItemKind, Need, pieces
from core.checks.places import on
from core.checks.readings import BallPlaces, Tested
from core.checks.register import check, derive
from core.checks.verdict import Answer, Basis, Input
from core.geometry.ceiling import Ceiling
from core.model.brief import Brief
from core.model.build import Slot
from core.model.facts import known, looked_for
from core.model.kit import Beside
from core.model.parts import (
    Balls,
    BehindTheBall,
    ControlPad,
    DataCable,
    DataLink,
    Disturbance,
    Heater,
    ImpactScreen,
    Lamp,
    LaunchMonitor,
    LinkAdapter,
    Machine,
    Mat,
    MonitorCase,
    SideCamera,
    Speaker,
    Ventilation,
)
from core.model.room import Light, Room
from core.model.things import Cover, Looked, Opening, OpeningKind
from core.quantities import Quantity, Unit, say

ROOM_COMFORT_M = 0.05
SESSION_HOURS = 2.0
"""Two players' round (trade)."""
SESSION_COMFORT_HOURS = 3.0
CROWD = 4
"""From so many players on somebody always walks behind the ball (trade)."""
BALLS = 12
USUALLY_DISLIKED_BY_RADARS = (Disturbance.FAN, Disturbance.HEATER, Disturbance.PEOPLE)
USUALLY_DISLIKED_BY_CAMERAS = (Disturbance.SUNLIGHT,)
"""Where a maker says nothing (trade)."""
DATA_RUN_M = 5.0
"""From a monitor near the ball to a machine at the wall, fixed along the floor (trade)."""


HARD = ask_equal("soft", False)
"""What a monitor reads."""


class BallsNeed(Need):
    """Balls that stay in the bay."""

    item = ItemKind(
        "balls",
        "Balls for the bay",
        near=Slot.MAT,
        kind=Balls,
        sold_by=("pack_size",),
        asks=("marked", "print_free", "soft"),
    )


class MonitorCaseNeed(Need):
    """What guards a camera beside the ball."""

    item = ItemKind("monitor-case", "Case of the monitor", near=Slot.MONITOR, kind=MonitorCase, asks=("monitors",))


class BallLamp(Need):
    """Light for a monitor that sees."""

    item = ItemKind("ball-lamp", "Lamp on the ball", near=Slot.MONITOR, kind=Lamp, asks=("lights", "flickers"))


class DataCableNeed(Need):
    """What shots travel through where nothing else is shared."""

    item = ItemKind("data-cable", "Data cable", near=Slot.MONITOR, kind=DataCable, asks=("carries", "length_m"))


class LinkAdapterNeed(Need):
    """What gives a machine a way to hear."""

    item = ItemKind("link-adapter", "Radio or network adapter", near=Slot.MACHINE, kind=LinkAdapter, asks=("gives",))


@check("monitor.room", title="Room the monitor asks for", place=on(Slot.MONITOR))
def room_minimum(
    monitor: Annotated[LaunchMonitor, "room_height_min_m", "room_length_min_m", "room_width_min_m"],
    room: Annotated[Room, "length_m", "width_m"],
    places: BallPlaces,
    ceiling: Ceiling,
) -> Answer:
    """The room is at least as wide and long, and over the ball as high, as the monitor's maker asks indoors."""
    over_ball_m = min(ceiling.height_m(x, y) for x, y in places.spots)
    asked = (
        ("wide", room.width_m, known(monitor, "room_width_min_m")),
        ("long", room.length_m, known(monitor, "room_length_min_m")),
        ("high", over_ball_m, known(monitor, "room_height_min_m")),
    )
    limits: dict[Limit | Words, str] = {
        at_least(has_m, least_m, least_m + ROOM_COMFORT_M): words for words, has_m, least_m in asked
    }
    deciding = tightest(tuple(limits))
    return Answer(
        tuple(limits),
        headline=lambda: say(
            "Room {has} {direction}, {needs} asked",
            has=deciding.has,
            direction=limits[deciding],
            needs=deciding.wants,
        ),
        formula="the least of: width, length, ceiling over the ball, each less what the maker asks",
        inputs=lambda: (
            *(stated_input(f"Asked {words}", metres(least_m)) for words, _, least_m in asked),
            measured_in_room(room, "width_m", "Width"),
            measured_in_room(room, "length_m", "Length"),
            Input("Ceiling over the ball", metres(over_ball_m), Basis.MEASURED),
        ),
        cures=lambda: (say("Choose a monitor made for smaller rooms."),),
    )


@check("monitor.interference", title="Nothing that disturbs the monitor", place=on(Slot.MONITOR))
def interference(
    brief: Annotated[Brief, "players", "visitors"],
    monitor: Annotated[LaunchMonitor, "dislikes"],
    room: Annotated[Room, "light", "none_of", "openings"],
    heaters: Annotated[Beside[Heater], "method", "name"],
    fans: Annotated[Beside[Ventilation], "name"],
    speakers: Annotated[Beside[Speaker], "name", "wireless"],
    pads: Annotated[Beside[ControlPad], "link", "name"],
) -> Answer:
    """Nothing near it does what it dislikes: moving air, warm air, people walking, other radios, daylight.

    A radar behind the ball takes a fan heater for a moving club: the two do not mix, and it blocks. Where its maker
    says nothing it is tight at best, by what such monitors usually dislike (trade). Daylight is what somebody says of
    the light, else what a window lets in that nothing covers.
    """
    found: list[tuple[Disturbance, str]] = []
    for heater in heaters:
        if known(heater, "method") == "fan":
            found.append((Disturbance.FAN, heater.name))
        found.append((Disturbance.HEATER, heater.name))
    found += [(Disturbance.FAN, fan.name) for fan in fans]
    found += [(Disturbance.RADIO, speaker.name) for speaker in speakers if speaker.wireless]
    found += [(Disturbance.RADIO, pad.name) for pad in pads if pad.link and pad.link.through_air]
    if len(brief.players) >= CROWD or brief.visitors:
        found.append((Disturbance.PEOPLE, "spectators"))
    is_radar = isinstance(monitor, BehindTheBall)
    usual = USUALLY_DISLIKED_BY_RADARS if is_radar else USUALLY_DISLIKED_BY_CAMERAS
    dislikes = usual if monitor.dislikes is None else monitor.dislikes
    if (room.light is not None or Disturbance.SUNLIGHT in dislikes) and _in_daylight(room):
        found.append((Disturbance.SUNLIGHT, "daylight"))
    disliked = [(kind, name) for kind, name in found if kind in dislikes]
    fan_and_radar = is_radar and any(kind is Disturbance.FAN for kind, _ in disliked)
    names = in_a_row(dict.fromkeys(name for _, name in disliked))
    said = monitor.dislikes is not None
    state = State.BLOCKED if fan_and_radar else State.TIGHT if disliked or not said else State.CLEAR
    words = {
        State.CLEAR: "Nothing here disturbs it",
        State.TIGHT: "Disturbed by {names}"
        if disliked
        else "Its maker does not say what disturbs it; nothing usual does",
        State.BLOCKED: "{names} moves air, and the radar takes it for a club",
    }
    return Answer(
        Words(state, names, "none"),
        headline=lambda: say(words[state], names=names),
        formula="what the maker says it dislikes, among what is in the room",
        inputs=lambda: (
            Input(
                "Dislikes" if said else "Such monitors usually dislike",
                in_a_row(kind.value for kind in dislikes),
                Basis.SPEC if said else Basis.TRADE,
            ),
            Input("In the room", in_a_row(name for _, name in found), Basis.MEASURED),
        ),
        cures=lambda: (
            say("A radiant or oil heater moves no air; heat before play, and switch fans off."),
            say("Keep spectators out of the monitor's view, daylight off the ball, and other radios on a cable."),
        ),
    )


def _in_daylight(room: Room) -> bool:
    """As somebody says; else daylight comes in by a window that nothing covers."""
    if room.light is not None:
        return room.light is Light.OPEN_DOOR
    openings: tuple[Opening, ...] = looked_for(room, Looked.OPENINGS)
    windows = (opening for opening in openings if opening.kind is OpeningKind.WINDOW)
    return any(known(window, "cover") is Cover.NOTHING for window in windows)


@derive
def data_cable(
    monitor: Annotated[LaunchMonitor, "links", "name"], machine: Annotated[Machine, "links"]
) -> DataCableNeed | None:
    """Where monitor and machine share nothing but a cable."""
    shared = [link for link in known(monitor, "links") if link in (machine.links or ())]
    if not shared or any(link.through_air for link in shared):
        return None
    why = say("{monitor} is linked by {link}", monitor=monitor.name, link=shared[0].words)
    asks = (ask_equal("carries", shared[0], purpose=True), ask_at_least("length_m", DATA_RUN_M))
    return DataCableNeed(pieces(1), why, asks)


@derive
def link_adapter(
    monitor: Annotated[LaunchMonitor, "links", "name"], machine: Annotated[Machine, "links", "name"]
) -> LinkAdapterNeed | None:
    """Where the machine does not hear the monitor."""
    speaks, own = known(monitor, "links"), known(machine, "links")
    if not speaks or set(speaks) & set(own):
        return None
    why = say(
        "{monitor} speaks {link}, {machine} does not", monitor=monitor.name, link=speaks[0].words, machine=machine.name
    )
    return LinkAdapterNeed(pieces(1), why, (ask_one_of_links(speaks),))


def ask_one_of_links(links: Sequence[DataLink]) -> Ask:
    """An adapter gives one of `links`, whichever."""
    return Ask("gives", Test.HAS_ONE_OF, tuple(links))


@check("monitor.link", title="Link from monitor to machine", place=on(Slot.MONITOR))
def link(
    monitor: Annotated[LaunchMonitor, "links"],
    machine: Annotated[Machine, "links"],
    adapters: Annotated[Beside[LinkAdapter], "gives"],
) -> Answer:
    """Monitor and machine share a way for the shots to travel, or a small adapter gives the machine one."""
    speaks, own = known(monitor, "links"), known(machine, "links")
    added = [link for adapter in adapters for link in adapter.gives or ()]
    hears = (*own, *added)
    # A cable that both have is the one to use: it needs no test.
    shared = sorted((link for link in speaks if link in hears), key=lambda link: link.through_air)
    wants = in_a_row(link.words for link in speaks)
    return Answer(
        Words(
            State.CLEAR if shared else State.TIGHT if speaks else State.BLOCKED,
            in_a_row(link.words for link in hears),
            wants,
        ),
        headline=lambda: (
            say("Linked by {link}", link=shared[0].words)
            if shared
            else say(
                "{monitor} speaks {wants}, {machine} does not", monitor=monitor.name, wants=wants, machine=machine.name
            )
        ),
        formula="links that both have",
        inputs=lambda: (
            stated_input("Monitor", wants),
            stated_input("Machine", in_a_row(link.words for link in own)),
            stated_input("Added", in_a_row(link.words for link in added)),
        ),
        cures=lambda: (
            (say("A small adapter for {wants} is tried before a replacement.", wants=wants),)
            if speaks
            else (say("Choose a monitor that passes its shots on."),)
        ),
    )


@check("monitor.signal", title="Signal through the air", place=on(Slot.MONITOR))
def signal(monitor: Annotated[LaunchMonitor, "links"], machine: Annotated[Machine, "links"], tests: Tested) -> Answer:
    """Links through the air are tested where they are used: a weak radio looks like a bad monitor.

    A cable between the two needs no test. Not tested yet is tight.
    """
    speaks, own = known(monitor, "links"), known(machine, "links")
    wired = [link for link in speaks if not link.through_air and link in own]
    tested = tests.signal
    weak = tested == "weak"
    state = State.BLOCKED if weak else State.CLEAR if wired or tested == "good" else State.TIGHT
    return Answer(
        Words(state, tested or ("by cable" if wired else "not tested"), "good, or by cable"),
        headline=lambda: (
            say("The signal is weak where the monitor stands")
            if weak
            else say("Linked by {link}, which needs no test", link=wired[0].words)
            if wired
            else say("Tested: the signal is good")
            if tested
            else say("The signal through the air is not tested yet")
        ),
        formula="a cable that both have, or the test at the spot",
        inputs=lambda: (
            stated_input("Monitor", in_a_row(link.words for link in speaks)),
            Input("Tested", tested or "no", Basis.MEASURED),
        ),
        cures=lambda: (
            say("Try a small adapter with an aerial near the monitor before you replace anything."),
            say("Or test it: hit ten balls and count the shots that arrive."),
        ),
        basis=Basis.MEASURED if tested else Basis.TRADE,
    )


@check("monitor.power", title="Power of the monitor", place=on(Slot.MONITOR))
def power(monitor: Annotated[LaunchMonitor, "battery_hours"]) -> Answer:
    """Its battery lasts a session of two hours, or it hangs on a socket (0 h stated)."""
    hours = known(monitor, "battery_hours")
    limit = at_least(hours, SESSION_HOURS, SESSION_COMFORT_HOURS, Unit.HOUR)
    return Answer(
        limit if hours else Words(State.CLEAR, "a socket", "a socket, or a battery that lasts"),
        headline=lambda: say("Runs {hours} off its battery", hours=limit.has) if hours else say("Runs off a socket"),
        formula="battery life − 2 h",
        inputs=lambda: (stated_input("Battery life", Quantity(hours, Unit.HOUR)),),
        cures=lambda: (say("Charge it between players, or run it off a lead that is taped down."),),
    )


@derive
def ball_lamp(monitor: Annotated[LaunchMonitor, "name", "wants_lamp"]) -> BallLamp | None:
    """Where the monitor wants light, steady so that its camera sees no pulse."""
    if not known(monitor, "wants_lamp"):
        return None
    asks = (ask_equal("lights", "ball", purpose=True), ask_equal("flickers", False))
    return BallLamp(pieces(1), say("{monitor} wants light on the ball", monitor=monitor.name), asks)


@check("monitor.lamp", title="Light on the ball", place=on(Slot.MONITOR))
def lamp(
    monitor: Annotated[LaunchMonitor, THERE],
    need: BallLamp | None,
    all_lamps: Annotated[Beside[Lamp], "flickers", "lights"],
) -> Answer:
    """A monitor that wants light gets a lamp on the ball which does not pulse with the mains.

    No lamp yet is tight. Under one that pulses, pictures of the ball come out dark: blocked.
    """
    lamp = need.best(all_lamps) if need else None
    return Answer(
        Words(State.CLEAR, "needs none", "nothing")
        if need is None
        else need.limits(lamp, "flickers")
        if lamp
        else Words(State.TIGHT, "none chosen yet", "a steady lamp on the ball"),
        headline=lambda: (
            say("Needs no light of its own")
            if need is None
            else say("Wants a lamp on the ball")
            if lamp is None
            else say("{lamp} pulses with the mains", lamp=lamp.name)
            if lamp.flickers
            else say("{lamp} lights the ball", lamp=lamp.name)
        ),
        formula="lamps on the ball that do not flicker",
        inputs=lambda: (stated_input("Wants light", yes_or_no(monitor.wants_lamp)),),
        cures=lambda: (say("Choose a lamp for the ball that does not flicker."),),
    )


@derive
def balls_needed(
    mat: Annotated[Mat, THERE],
    monitor: Annotated[LaunchMonitor, "marked_ball", "name"] | None,
    screen: Annotated[ImpactScreen, THERE] | None,
) -> BallsNeed:
    """A dozen: clean and plain, since print comes off on the screen; marked where the monitor reads a mark."""
    asks = [HARD] if monitor is not None else []
    if monitor is not None and monitor.marked_ball in ("better", "needed"):
        asks.append(_ask_marked(monitor))
        why = say("{monitor} reads spin off a mark", monitor=monitor.name)
    else:
        why = say("Kept for the bay: dirt and print come off on the screen") if screen else say("Kept for the bay")
    if screen is not None:
        asks.append(ask_equal("print_free", True)._replace(softly=True))
    return BallsNeed(pieces(BALLS), why, tuple(asks))


def _ask_marked(monitor: LaunchMonitor) -> Ask:
    return ask_equal("marked", True)._replace(softly=monitor.marked_ball == "better")


@check("monitor.balls", title="Balls that it can read", place=on(Slot.MONITOR))
def balls(
    monitor: Annotated[LaunchMonitor, "marked_ball"], chosen: Annotated[Beside[Balls], "name", "marked", "soft"]
) -> Answer:
    """A monitor reads hard balls, and where it reads spin off a mark, ones that carry one.

    Foam and felt fly short, and no shot with them is read right: blocked. Without a mark it is tight where one is only
    better.
    """
    marked = known(monitor, "marked_ball")
    asks = (HARD, *((_ask_marked(monitor),) if marked != "no" else ()))
    judged = {ball.name: tightest(tuple(ask.limit(ball) for ask in asks)) for ball in chosen}
    best = min(judged, key=lambda name: judged[name].state.rank, default="")
    open_yet = Words(State.CLEAR, "any hard ball", "any hard ball")
    if marked != "no":
        open_yet = Words(State.TIGHT, "none chosen yet", "marked balls")
    soft = bool(best) and next(ball for ball in chosen if ball.name == best).soft
    return Answer(
        judged[best] if best else open_yet,
        headline=lambda: (
            say("{balls} are soft: no shot with them is read right", balls=best)
            if soft
            else say("{balls} are read", balls=best)
            if best and judged[best].state is State.CLEAR
            else say("{balls} carry no mark", balls=best)
            if best
            else say("Reads any hard ball")
            if marked == "no"
            else say("Marked balls are {marked}", marked=marked)
        ),
        formula="hard balls, and the mark on them against what the maker asks",
        inputs=lambda: (
            stated_input("Marked ball", marked),
            *(stated_input(ball.name, "soft" if ball.soft else "hard") for ball in chosen),
        ),
        cures=lambda: (
            say("Choose hard balls.")
            if soft
            else say("Choose balls with a mark, or mark them with a pen and a stencil."),
        ),
    )


@derive
def monitor_case(monitor: Annotated[SideCamera, "case_included", "id", "name"]) -> MonitorCaseNeed | None:
    """Beside the ball a camera is hit sooner or later."""
    if known(monitor, "case_included"):
        return None
    why = say("{monitor} stands where shanks fly, and brings no case", monitor=monitor.name)
    return MonitorCaseNeed(pieces(1), why, (ask_among("monitors", monitor.id),))


@check("monitor.case", title="Guard against a struck ball", place=on(Slot.MONITOR))
def case(
    monitor: Annotated[SideCamera, "id"],
    need: MonitorCaseNeed | None,
    all_cases: Annotated[Beside[MonitorCase], "monitors", "name"],
) -> Answer:
    """A camera beside the ball is hit sooner or later; its case stands up to that. A wrong case blocks."""
    case = need.best(all_cases) if need else None
    fits = case is not None and monitor.id in case.monitors
    return Answer(
        Words(State.CLEAR, "in the box", "a case")
        if need is None
        else Words(State.CLEAR if fits else State.BLOCKED, case.name, "a case made for it")
        if case
        else Words(State.TIGHT, "none chosen yet", "a case made for it"),
        headline=lambda: (
            say("Comes with its case")
            if need is None
            else say("Stands beside the ball without a case")
            if case is None
            else say("{case} guards it", case=case.name)
            if monitor.id in case.monitors
            else say("{case} is made for another monitor", case=case.name)
        ),
        formula="case in the box, or one made for it",
        inputs=lambda: (stated_input("Case in the box", yes_or_no(monitor.case_included)),),
        cures=lambda: (say("Choose a case that is made for it."),),
    )
