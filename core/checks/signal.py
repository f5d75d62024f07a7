"""Plugs, ports and lines from the machine to the displays, and what is bought to join them."""

from dataclasses import dataclass
from typing import Annotated

from core.checks.asks import Ask, Test, ask_among, ask_at_least, ask_equal
from core.checks.cable_ways import ChainLines, DisplayRun
from core.checks.declared import THERE
from core.checks.figures import in_a_row, metres, stated_input
from core.checks.limits import ENDLESS, State, Words, at_least, at_most
from core.checks.needs import ItemKind, Need, pieces
from core.checks.places import between, on
from core.checks.register import check, derive
from core.checks.verdict import Answer, Basis
from core.model.build import Slot
from core.model.facts import known, not_stated
from core.model.kit import Beside
from core.model.parts import (
    Adapter,
    AudioCable,
    CableChannel,
    Camera,
    ControlPad,
    DataLink,
    DeskMonitor,
    Display,
    LaunchMonitor,
    LinkAdapter,
    Machine,
    Part,
    Projector,
    RemoteControl,
    Speaker,
    Splitter,
    StandingDisplay,
    Tablet,
    Title,
    VideoCable,
)
from core.model.room import Room
from core.quantities import Quantity, Unit, say

SECOND_LINES_COMFORTABLE = 1080
"""A second display with fewer lines is a known regret (trade)."""
SECOND_LINES_LEAST = 720
"""Fewer lines do not hold the numbers of a shot beside each other (trade)."""
MIRROR_DELAY_COMFORTABLE_MS = 99
"""From a tenth of a second on a swing and its picture no longer seem to go together (trade)."""
MIRROR_DELAY_MOST_MS = 999
"""A second late the ball has landed before it is seen to leave, and no putt can be judged (trade)."""


class AdapterNeed(Need):
    """What makes two plugs fit."""

    item = ItemKind(
        "adapter", "Video adapter", near=Slot.MACHINE, kind=Adapter, asks=("from_port", "to_port", "passes_power")
    )


class SplitterNeed(Need):
    """What shows one output on several displays."""

    item = ItemKind("splitter", "Video splitter", near=Slot.MACHINE, kind=Splitter, asks=("does", "ways", "lines_max"))


class AudioCableNeed(Need):
    """What sound travels through."""

    item = ItemKind("audio-cable", "Audio cable", near=Slot.DISPLAY, kind=AudioCable, asks=("length_m",))


class Remote(Need):
    """What a display out of reach is switched by."""

    item = ItemKind("remote", "Remote control", near=Slot.DISPLAY, kind=RemoteControl, asks=("controls",))


class Channel(Need):
    """What covers a cable on its way."""

    item = ItemKind(
        "cable-channel", "Cable channel", Slot.DISPLAY, CableChannel, ("stock_length_m",), asks=("walked_on",)
    )


@derive
def adapter(
    machine: Annotated[Machine, "name", "outputs"], display: Annotated[Display, "inputs", "name"]
) -> AdapterNeed | None:
    """Where machine and display share no plug; a tablet's charges it besides."""
    outputs, inputs = known(machine, "outputs"), known(display, "inputs")
    tablet = isinstance(machine, Tablet)
    if not outputs or not inputs or (set(outputs) & set(inputs) and not tablet):
        return None
    asks = [Ask("from_port", Test.ONE_OF, tuple(outputs)), Ask("to_port", Test.ONE_OF, tuple(inputs))]
    if tablet:
        asks.append(ask_equal("passes_power", True)._replace(softly=True))
    why = say(
        "{machine} has {out}, {display} takes {into}",
        machine=machine.name,
        out=outputs[0].words,
        display=display.name,
        into=", ".join(port.words for port in inputs),
    )
    return AdapterNeed(pieces(1), why, tuple(asks))


@check("machine.plugs", title="Plugs between machine and display", place=between(Slot.MACHINE, Slot.DISPLAY))
def plugs(
    machine: Annotated[Machine, "outputs"],
    display: Annotated[Display, "inputs"],
    need: AdapterNeed | None,
    adapters: Annotated[Beside[Adapter], "from_port", "passes_power", "to_port"],
) -> Answer:
    """Machine and display share a plug, or an adapter makes one; a tablet's adapter charges it as well.

    A tablet without a way to charge while it shows a picture runs down during a round.
    """
    outputs, inputs = known(machine, "outputs"), known(display, "inputs")
    shared = [port for port in outputs if port in inputs]
    wants, has = in_a_row(port.words for port in inputs), in_a_row(port.words for port in outputs)
    adapter = need.best(adapters) if need else None
    joins = adapter is not None and adapter.from_port in outputs and adapter.to_port in inputs
    if adapter is not None and need is not None and (joins or not shared):
        limits = need.limits(adapter)
    elif not outputs:
        limits = (Words(State.BLOCKED, "no video output", wants),)
    else:
        limits = (Words(State.TIGHT if need else State.CLEAR, has, wants),)
    return Answer(
        limits,
        headline=lambda: (
            say("{machine} has no video output", machine=machine.name)
            if not outputs
            else say("{has} to {wants}", has=shared[0].words if shared else has, wants=wants)
            if need is None
            or (joins and adapter is not None and (adapter.passes_power or not isinstance(machine, Tablet)))
            else say("{adapter} does not join {has} to {wants}", adapter=adapter.name, has=has, wants=wants)
            if adapter is not None and not joins
            else say("{machine} does not charge while it shows a picture", machine=machine.name)
            if shared or joins
            else say("{has} out, {wants} in: an adapter is needed", has=has, wants=wants)
        ),
        formula="plugs that both have, or an adapter between them",
        inputs=lambda: (
            stated_input("Outputs", has),
            stated_input("Inputs", wants),
            stated_input("Adapter", adapter.name if adapter else "none"),
        ),
        cures=lambda: (
            (say("Choose a machine with one."),)
            if not outputs
            else (say("Choose an adapter that passes power on."),)
            if shared or joins
            else (say("An adapter from {has} to {wants} joins them.", has=has, wants=wants),)
        ),
    )


@derive
def splitter(
    machine: Annotated[Machine, "outputs"],
    display: Annotated[Display, THERE],
    chain: ChainLines,
    others: Annotated[Beside[Display], THERE],
) -> SplitterNeed | None:
    """Where there are more displays than outputs."""
    displays = 1 + sum(count for _, count in others.counted())
    outputs = len(known(machine, "outputs"))
    if not outputs or displays <= outputs:
        return None
    why = say("{displays} displays hang on {outputs} outputs", displays=str(displays), outputs=str(outputs))
    asks = (
        ask_equal("does", "splits", purpose=True),
        ask_at_least("ways", displays - outputs + 1),
        ask_at_least("lines_max", chain.lines)._replace(tolerated=ENDLESS),
    )
    return SplitterNeed(pieces(1), why, asks)


@check("machine.outputs", title="Outputs for the displays", place=on(Slot.MACHINE))
def outputs(
    machine: Annotated[Machine, "outputs"],
    display: Annotated[Display, THERE],
    others: Annotated[Beside[Display], THERE],
    splitters: Annotated[Beside[Splitter], "does", "ways"],
) -> Answer:
    """Outputs needed against outputs there are; a splitter shows one of them on several displays.

    Without one what is short may still be split: tight.
    """
    ports = known(machine, "outputs")
    shown = (display, *(other for other, count in others.counted() for _ in range(count)))
    ways = [known(part, "ways") for part in splitters if part.does == "splits"]
    extra = max(ways) - 1 if ways and ports else 0
    leeway = ENDLESS if ports and not ways else 0.0
    limit = at_least(len(ports) + extra, len(shown), unit=Unit.PIECES, tolerated=leeway)
    return Answer(
        limit,
        headline=lambda: say("{has} outputs for {needs} displays", has=str(len(ports) + extra), needs=str(len(shown))),
        formula="video outputs + ways of a splitter − 1, against displays",
        inputs=lambda: (
            stated_input("Outputs", in_a_row(port.words for port in ports)),
            *(stated_input("Display", display.name) for display in shown),
            *(stated_input("Splitter", part.name) for part in splitters),
        ),
        cures=lambda: (
            (say("A splitter mirrors one output on both."),)
            if ports
            else (say("Choose a machine with a video output."),)
        ),
    )


@check("machine.usb", title="USB sockets", place=on(Slot.MACHINE))
def usb(
    machine: Annotated[Machine, "usb_ports"],
    monitor: Annotated[LaunchMonitor, "id", "links", "maker", "name"] | None,
    cameras: Annotated[Beside[Camera], "id", "link", "maker", "name"],
    pads: Annotated[Beside[ControlPad], "id", "link", "maker", "name"],
    adapters: Annotated[Beside[LinkAdapter], "name"],
) -> Answer:
    """USB sockets against what is plugged in: a monitor linked by USB alone, cameras, radios, control pads.

    A hub adds sockets, as long as there is one to plug it into. What does not say how it is linked is asked where a
    socket for it would be wanting.
    """
    ports = known(machine, "usb_ports")
    users: list[str] = []
    if monitor is not None and monitor.links == (DataLink.USB,):
        users.append(monitor.name)
    linked = [(part, part.link) for parts in (cameras, pads) for part, count in parts.counted() for _ in range(count)]
    users += [part.name for part, link in linked if link is DataLink.USB]
    users += [part.name for part, count in adapters.counted() for _ in range(count)]
    unsaid: list[tuple[Part, str]] = [(part, "link") for part, link in linked if link is None]
    if monitor is not None and monitor.links is None:
        unsaid.append((monitor, "links"))
    if len(users) <= ports < len(users) + len(unsaid):
        raise not_stated(*unsaid[0])
    limit = at_least(ports, len(users), unit=Unit.PIECES, tolerated=ENDLESS if ports else 0.0)
    return Answer(
        limit,
        headline=lambda: say("{ports} USB sockets for {users} devices", ports=str(ports), users=str(len(users))),
        formula="USB sockets − devices on USB",
        inputs=lambda: (stated_input("USB sockets", str(ports)), *(stated_input("Device", name) for name in users)),
        cures=lambda: (
            (say("A hub with a power supply of its own adds some."),)
            if ports
            else (say("Choose a machine with USB sockets, or devices that speak through the air."),)
        ),
    )


@dataclass(frozen=True)
class ArrivingLines:
    """What reaches the display, and what lets no more through."""

    lines: float
    weakest: str
    passing: tuple[tuple[float, str], ...]
    """What cables, adapters and splitters carry, each with its name."""


@derive
def arriving_lines(
    chain: ChainLines,
    cables: Annotated[Beside[VideoCable], "lines_max", "name"],
    adapters: Annotated[Beside[Adapter], "lines_max", "name"],
    splitters: Annotated[Beside[Splitter], "lines_max", "name"],
) -> ArrivingLines:
    """The least of what software, machine and all that is between them and the display do."""
    between_them: tuple[VideoCable | Adapter | Splitter, ...] = (*cables, *adapters, *splitters)
    passing = tuple((part.lines_max, part.name) for part in between_them if part.lines_max is not None)
    return ArrivingLines(*min([(chain.lines, chain.weakest), *passing]), passing)


@check("picture.lines", title="Lines over the whole chain", place=between(Slot.MACHINE, Slot.DISPLAY))
def lines(
    arriving: ArrivingLines,
    display: Annotated[Display, "height_px"],
    title: Annotated[Title, THERE] | None,
    machine: Annotated[Machine, THERE],
) -> Answer:
    """A chain is as good as its weakest link: the lines that arrive against the lines that the display could show.

    2160 lines only when software, machine, cable, adapter, splitter and display all do them. Without a video output
    none arrive.
    """
    shows = known(display, "height_px")
    arrive, weakest, passing = arriving.lines, arriving.weakest, arriving.passing
    limit = at_least(arrive, shows, unit=Unit.LINES, tolerated=ENDLESS if arrive else 0.0)
    return Answer(
        limit,
        headline=lambda: (
            say(
                "{arrive} arrive, {shows} could be shown: {weakest} is the least",
                arrive=limit.has,
                shows=limit.wants,
                weakest=weakest,
            )
            if arrive < shows
            else say("{arrive} arrive, {shows} are shown", arrive=limit.has, shows=limit.wants)
        ),
        formula="least of what software, machine, cable, adapter, splitter and display do − lines of the display",
        inputs=lambda: (
            stated_input(f"{display.name} shows", _lines(shows)),
            stated_input(f"{machine.name} sends", _lines(machine.output_lines or 0)),
            *((stated_input(f"{title.name} draws", _lines(title.lines_max)),) if title and title.lines_max else ()),
            *(stated_input(f"{name} carries", _lines(most)) for most, name in passing),
        ),
        cures=lambda: (say("Pay for fewer lines, or replace {weakest}.", weakest=weakest),),
    )


@check("display.second", title="Lines of a second display", place=on(Slot.DISPLAY))
def second(display: Annotated[Display, THERE], others: Annotated[Beside[Display], "height_px", "name"]) -> Answer:
    """A second display below 1080 lines is a known regret: the numbers of a shot are small print (trade).

    Below 720 lines they do not fit at all.
    """
    limits = {
        at_least(known(other, "height_px"), SECOND_LINES_LEAST, SECOND_LINES_COMFORTABLE, Unit.LINES): other.name
        for other in others
    }
    least = min(limits, key=lambda limit: limit.measured, default=None)
    return Answer(
        least or Words(State.CLEAR, "none", "none, or 1,080 lines"),
        headline=lambda: (
            say("{name} shows {lines}", name=limits[least], lines=least.has) if least else say("No second display")
        ),
        formula="lines of the second display − 1080",
        inputs=lambda: (
            stated_input(f"{display.name} shows", _lines(display.height_px or 0)),
            *(stated_input(name, _lines(limit.measured)) for limit, name in limits.items()),
        ),
        cures=lambda: (say("Choose one with 1080 lines or more."),),
        basis=Basis.TRADE,
    )


@check("machine.mirror", title="Delay of the mirrored picture", place=between(Slot.MACHINE, Slot.DISPLAY))
def mirror(tablet: Annotated[Tablet, "mirror_delay_ms"], display: Annotated[Display, THERE]) -> Answer:
    """A tablet's mirrored picture comes late; a tenth of a second is felt, and a whole one is no play (trade)."""
    delay_ms = known(tablet, "mirror_delay_ms")
    limit = at_most(delay_ms, MIRROR_DELAY_MOST_MS, MIRROR_DELAY_COMFORTABLE_MS, Unit.MILLISECOND)
    return Answer(
        limit,
        headline=lambda: say("{display} shows it {delay} late", display=display.name, delay=limit.has),
        formula="less than 100 ms comfortably, less than 1,000 ms at most − delay stated by the maker",
        inputs=lambda: (stated_input("Delay", Quantity(delay_ms, Unit.MILLISECOND)),),
        cures=lambda: (say("A cable instead of the air, or a computer, is faster."),),
    )


@derive
def audio_cable(run: DisplayRun, speakers: Annotated[Beside[Speaker], "name", "wireless"]) -> AudioCableNeed | None:
    """For every speaker that takes its sound by cable, as long as the picture's."""
    wired = [speaker for speaker, count in speakers.counted() for _ in range(count) if speaker.wireless is False]
    if not wired:
        return None
    why = say("{speaker} takes its sound by cable", speaker=wired[0].name)
    return AudioCableNeed(pieces(len(wired)), why, (ask_at_least("length_m", run.route.needed_m),))


@derive
def remote(display: Annotated[Display, "name", "remote_included"]) -> Remote | None:
    """A display out of reach is switched from the ball; one on a desk has its keys at hand."""
    if isinstance(display, DeskMonitor) or known(display, "remote_included"):
        return None
    controls = "projector" if isinstance(display, Projector) else "television"
    why = say("{display} comes without one, and hangs out of reach", display=display.name)
    return Remote(pieces(1), why, (ask_among("controls", controls),))


@derive
def cable_channel(run: DisplayRun, room: Annotated[Room, "name"], display: Annotated[Display, THERE]) -> Channel:
    """Over the whole way on wall, ceiling or floor: a loose cable trips people and hangs into swings.

    To a display that stands beside the bay it lies on the floor, where it is walked on.
    """
    path = metres(run.route.path_m)
    asks = (ask_equal("walked_on", True),) if isinstance(display, StandingDisplay) else ()
    return Channel(path, say("{path} of cable lie open in {room}", path=path, room=room.name), asks)


def _lines(count: float) -> Quantity:
    return Quantity(count, Unit.LINES)
